import type { Lab } from "./spaces";

const DEGREE = Math.PI / 180;
const SEVENTH = 25 ** 7;

const hueDegrees = (a: number, b: number): number => {
  if (a === 0 && b === 0) return 0;
  const hue = Math.atan2(b, a) / DEGREE;
  return hue < 0 ? hue + 360 : hue;
};

/**
 * Colour difference ΔE00 (Sharma, Wu, Dalal 2005: CIEDE2000 with all weights 1). Hues exactly opposite are averaged plainly,
 * as in their data.
 */
export function ciede2000(one: Lab, other: Lab): number {
  const [L1, a1, b1] = one;
  const [L2, a2, b2] = other;
  const meanC = (Math.sqrt(a1 * a1 + b1 * b1) + Math.sqrt(a2 * a2 + b2 * b2)) / 2;
  const c7 = meanC * meanC * meanC * meanC * meanC * meanC * meanC;
  const g = 1.5 - 0.5 * Math.sqrt(c7 / (c7 + SEVENTH));
  const [x1, x2] = [g * a1, g * a2];
  const C1 = Math.sqrt(x1 * x1 + b1 * b1);
  const C2 = Math.sqrt(x2 * x2 + b2 * b2);
  const h1 = hueDegrees(x1, b1);
  const h2 = hueDegrees(x2, b2);
  const product = C1 * C2;
  let turn = h2 - h1;
  let hue = h1 + h2;
  if (product === 0) turn = 0;
  else {
    if (turn > 180) {
      turn -= 360;
      hue += hue < 360 ? 360 : -360;
    } else if (turn < -180) {
      turn += 360;
      hue += hue < 360 ? 360 : -360;
    }
    hue /= 2;
  }
  const dL = L2 - L1;
  const dC = C2 - C1;
  const dH = 2 * Math.sqrt(product) * Math.sin((turn / 2) * DEGREE);
  const C = (C1 + C2) / 2;
  const light = (L1 + L2) / 2 - 50;
  const light2 = light * light;
  const radians = hue * DEGREE;
  const T =
    1 -
    0.17 * Math.cos(radians - 30 * DEGREE) +
    0.24 * Math.cos(2 * radians) +
    0.32 * Math.cos(3 * radians + 6 * DEGREE) -
    0.2 * Math.cos(4 * radians - 63 * DEGREE);
  const SL = 1 + (0.015 * light2) / Math.sqrt(20 + light2);
  const SC = 1 + 0.045 * C;
  const SH = 1 + 0.015 * C * T;
  const C7 = C * C * C * C * C * C * C;
  const bell = (hue - 275) / 25;
  const RT = -2 * Math.sqrt(C7 / (C7 + SEVENTH)) * Math.sin(60 * DEGREE * Math.exp(-bell * bell));
  const [l, c, h] = [dL / SL, dC / SC, dH / SH];
  return Math.sqrt(Math.max(0, l * l + c * c + h * h + RT * c * h));
}

/** What a difference means to an eye that has both before it (common practice, no source). */
export type Closeness = "same" | "close" | "see it side by side" | "different";

export function closeness(difference: number): Closeness {
  if (difference < 1) return "same";
  if (difference < 2.3) return "close";
  return difference < 5 ? "see it side by side" : "different";
}
