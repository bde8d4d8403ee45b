import type { Lab } from "./spaces";

const DEGREE = Math.PI / 180;
const SEVENTH = 25 ** 7;
const [COS30, SIN30] = [Math.cos(30 * DEGREE), 0.5];
const [COS6, SIN6] = [Math.cos(6 * DEGREE), Math.sin(6 * DEGREE)];
const [COS63, SIN63] = [Math.cos(63 * DEGREE), Math.sin(63 * DEGREE)];
const [COS275, SIN275] = [Math.cos(275 * DEGREE), Math.sin(275 * DEGREE)];
/** Product of both chromas below which a colour has no hue. */
const GREY = 1e-20;
/** Hues further than this from 275° are not turned: exp(−(125/25)²) is 10⁻¹¹. */
const FAR = Math.cos(125 * DEGREE);

/** Steps of the table of {@link turning}, and what one is in the cosine. */
const STEPS = 1024;
const STEP = (1 - FAR) / STEPS;
/** sin(60°·exp(−(θ/25°)²)) and its slope by cos θ, at each step from FAR to 1. */
const TURNING = Float64Array.from({ length: 2 * (STEPS + 1) }, (_, at) => {
  const angle = Math.acos(Math.min(1, FAR + (at >> 1) * STEP));
  const width = 25 * DEGREE;
  const most = 60 * DEGREE * Math.exp(-((angle / width) ** 2));
  if (at % 2 === 0) return Math.sin(most);
  return (Math.cos(most) * most * 2 * (angle > 0 ? angle / Math.sin(angle) : 1)) / width ** 2;
});

/** How far hues about 275° are turned, by the cosine of their distance from it: a cubic between steps, within 10⁻⁸. */
function turning(toward: number): number {
  const at = Math.min(STEPS - 1e-9, (toward - FAR) / STEP);
  const k = at | 0;
  const t = at - k;
  const from = TURNING[2 * k] as number;
  const fromSlope = (TURNING[2 * k + 1] as number) * STEP;
  const to = TURNING[2 * k + 2] as number;
  const toSlope = (TURNING[2 * k + 3] as number) * STEP;
  const rise = to - from;
  return (
    from + t * (fromSlope + t * (3 * rise - 2 * fromSlope - toSlope + t * (fromSlope + toSlope - 2 * rise)))
  );
}

/**
 * Colour difference ΔE00 (Sharma, Wu, Dalal 2005: CIEDE2000 with all weights 1). The mean hue is taken as the bisector of both
 * directions, so that its multiples need no angle; hues exactly opposite are averaged plainly, as in their data.
 */
export function ciede2000(a: Lab, b: Lab): number {
  const L1 = a[0];
  const b1 = a[2];
  const L2 = b[0];
  const b2 = b[2];
  const meanC = (Math.sqrt(a[1] * a[1] + b1 * b1) + Math.sqrt(b[1] * b[1] + b2 * b2)) / 2;
  const m2 = meanC * meanC;
  const m7 = m2 * m2 * m2 * meanC;
  const g = 1.5 - 0.5 * Math.sqrt(m7 / (m7 + SEVENTH));
  const x1 = g * a[1];
  const x2 = g * b[1];
  const C1 = Math.sqrt(x1 * x1 + b1 * b1);
  const C2 = Math.sqrt(x2 * x2 + b2 * b2);
  const product = C1 * C2;
  const C = (C1 + C2) / 2;

  // cos and sin of the mean hue.
  let cos = 1;
  let sin = 0;
  let dH = 0;
  if (product > GREY) {
    const across = x1 * b2 - x2 * b1;
    // 2·√(C1·C2)·sin(Δh/2): of hues less than a right angle apart by their cross product, free of cancellation; of others by their dot.
    const dot = x1 * x2 + b1 * b2;
    dH =
      dot > 0
        ? across / Math.sqrt((product + dot) / 2)
        : (across < 0 ? -1 : 1) * Math.sqrt(2 * (product - dot));
    const u = C2 * x1 + C1 * x2;
    const v = C2 * b1 + C1 * b2;
    const long = Math.sqrt(u * u + v * v);
    if (long > 1e-9 * product) {
      cos = u / long;
      sin = v / long;
    } else {
      // All but opposite, the bisector is lost in rounding: the mean of both angles, as the formula has it.
      const turn = (y: number, x: number) => {
        const angle = Math.atan2(y, x);
        return angle < 0 ? angle + 2 * Math.PI : angle;
      };
      const [h1, h2] = [turn(b1, x1), turn(b2, x2)];
      const mean = (h1 + h2) / 2 + (Math.abs(h1 - h2) > Math.PI ? Math.PI : 0);
      cos = Math.cos(mean);
      sin = Math.sin(mean);
    }
  } else if (C1 + C2 > 0) {
    // One of both is grey: the hue of the other counts.
    cos = (x1 + x2) / (C1 + C2);
    sin = (b1 + b2) / (C1 + C2);
  }
  const cos2 = 2 * cos * cos - 1;
  const sin2 = 2 * sin * cos;
  const cos3 = cos2 * cos - sin2 * sin;
  const sin3 = sin2 * cos + cos2 * sin;
  const cos4 = 2 * cos2 * cos2 - 1;
  const sin4 = 2 * sin2 * cos2;
  const T =
    1 -
    0.17 * (cos * COS30 + sin * SIN30) +
    0.24 * cos2 +
    0.32 * (cos3 * COS6 - sin3 * SIN6) -
    0.2 * (cos4 * COS63 + sin4 * SIN63);

  const light = (L1 + L2) / 2 - 50;
  const light2 = light * light;
  const l = (L2 - L1) / (1 + (0.015 * light2) / Math.sqrt(20 + light2));
  const c = (C2 - C1) / (1 + 0.045 * C);
  const h = dH / (1 + 0.015 * C * T);
  let rotated = 0;
  const toward = cos * COS275 + sin * SIN275;
  // The formula counts hues from 0 to 360° and does not go round: from 0 to 90° they are far from 275°.
  if (toward > FAR && !(sin >= 0 && cos > 0)) {
    const C22 = C * C;
    const C7 = C22 * C22 * C22 * C;
    rotated = -2 * Math.sqrt(C7 / (C7 + SEVENTH)) * turning(toward) * c * h;
  }
  return Math.sqrt(Math.max(0, l * l + c * c + h * h + rotated));
}

/** What a difference means to an eye that has both before it (common practice, no source). */
export type Closeness = "same" | "close" | "see it side by side" | "different";

export function closeness(difference: number): Closeness {
  if (difference < 1) return "same";
  if (difference < 2.3) return "close";
  return difference < 5 ? "see it side by side" : "different";
}
