import { labOfXyz, xyzOfLinear, type Lab, type Rgb } from "../../colour/spaces";
import { emptyShares, type Shares } from "../../pattern/engine/sheet";
import type { Ink } from "../../pattern/engine/picture";
import type { Straight } from "./straighten";

/** Steps of each channel, by the cube root of its light, in which the nearest colour is kept. */
const STEPS = 40;
/** How much lighter and darker a colour lies in its own film (as pictures of a rehearsal draw it). */
const LIGHTER = [0.62, 0.78, 0.9, 1, 1.12, 1.28, 1.45];
/** Between the face and the flop of a metallic. */
const TURNED = [0.2, 0.5, 0.8];
/** A difference of lightness counts less than one of colour: film and light change it. */
const LIGHTNESS = 0.7;

/** What a colour may look like, from any side and in any film. */
function looksOf({ rgb, face, flop, metallic }: Ink): Lab[] {
  const lab = (light: Rgb) => labOfXyz(xyzOfLinear(light));
  const times = (by: number): Rgb => rgb.map((channel) => channel * by) as unknown as Rgb;
  const towards = (to: readonly number[], by: number): Rgb =>
    rgb.map((channel, n) => channel + by * ((to[n] as number) - channel)) as unknown as Rgb;
  const plain = LIGHTER.filter((by) => metallic || Math.abs(by - 1) < 0.3).map((by) => lab(times(by)));
  const turned = face && flop ? TURNED.flatMap((by) => [lab(towards(face, by)), lab(towards(flop, by))]) : [];
  return [...plain, ...turned];
}

/** The nearest colour of a palette, by the cube root of the light of each channel; in steps, each worked out when it is first met. */
function nearest(inks: readonly Ink[]): (r: number, g: number, b: number) => number {
  const looks = inks.map(looksOf);
  const table = new Int16Array(STEPS ** 3).fill(-1);
  const light = (at: number) => ((at + 0.5) / STEPS) ** 3;
  const look = (i: number, j: number, k: number): number => {
    const [L, a, bb] = labOfXyz(xyzOfLinear([light(i), light(j), light(k)]));
    let best = 0;
    let least = Infinity;
    looks.forEach((of, colour) => {
      for (const [l, p, q] of of) {
        const far = (LIGHTNESS * (L - l)) ** 2 + (a - p) ** 2 + (bb - q) ** 2;
        if (far < least) [least, best] = [far, colour];
      }
    });
    return best;
  };
  const step = (root: number) => Math.min(STEPS - 1, Math.max(0, Math.floor(root * STEPS)));
  return (r, g, b) => {
    const i = step(r);
    const j = step(g);
    const k = step(b);
    const at = (i * STEPS + j) * STEPS + k;
    const known = table[at] as number;
    if (known >= 0) return known;
    const found = look(i, j, k);
    table[at] = found;
    return found;
  };
}

/** An edge is looked across so far, samples: a photo's blur, and what has run into each other, is mostly no wider. */
const ACROSS = 6;
/** Where light changes by more than this from one sample to the next, by its cube root, colours meet. */
const STEEP = 0.022;
/** And up or down a slope so far, samples. */
const SLOPE = 8;
/** Light that turns by more than this is a ridge or a valley. */
const TURNS = 0.02;
/** A colour that lies nowhere by itself around counts as it is in the cup, a little after those that do. */
const NOMINAL = 6e-4;
/** And one that lies by itself nowhere in the picture is hardly looked for. */
const NOWHERE = 8e-3;
/** A pair of sides that lies nearer is taken before one that fits a little better: so much a sample. */
const NEARER = 4e-4;

/** Of each sample the colour that it is nearest to; −1 where nothing lies. */
function nearestOf(
  root: Float32Array,
  inks: readonly Ink[],
  inside: (sample: number) => boolean,
): Int16Array {
  const many = root.length / 3;
  const classOf = nearest(inks);
  const hard = new Int16Array(many).fill(-1);
  for (let i = 0; i < many; i += 1) {
    const r = root[3 * i] as number;
    if (inside(i) && !Number.isNaN(r))
      hard[i] = classOf(r, root[3 * i + 1] as number, root[3 * i + 2] as number);
  }
  return hard;
}

/** Where a colour lies by itself: its neighbours are of the same one, and the light does not change across them. */
function calmOf(hard: Int16Array, root: Float32Array, widthPx: number, heightPx: number): Uint8Array {
  const calm = new Uint8Array(hard.length);
  for (let y = 0; y < heightPx; y += 1)
    for (let x = 0; x < widthPx; x += 1) {
      const i = y * widthPx + x;
      const own = hard[i] as number;
      if (own < 0) continue;
      let is = 1;
      for (let dy = -1; dy <= 1 && is === 1; dy += 1)
        for (let dx = -1; dx <= 1; dx += 1) {
          const [u, v] = [x + dx, y + dy];
          if (u < 0 || v < 0 || u >= widthPx || v >= heightPx) continue;
          const j = v * widthPx + u;
          const there = hard[j] as number;
          if (there < 0) continue;
          const steep =
            Math.abs((root[3 * i] as number) - (root[3 * j] as number)) > STEEP ||
            Math.abs((root[3 * i + 1] as number) - (root[3 * j + 1] as number)) > STEEP ||
            Math.abs((root[3 * i + 2] as number) - (root[3 * j + 2] as number)) > STEEP;
          if (there !== own || steep) {
            is = 0;
            break;
          }
        }
      calm[i] = is;
    }
  return calm;
}

/** No sample of a colour lies by itself near in this row. */
const NONE = 127;

/** How far along its row the nearest sample of each colour lies that lies by itself, at most {@link ACROSS}; of two the left one. */
function nearestInRow(hard: Int16Array, calm: Uint8Array, widthPx: number, colours: number): Int8Array {
  const near = new Int8Array(hard.length * colours).fill(NONE);
  for (let i = 0; i < hard.length; i += 1) {
    if (calm[i] !== 1) continue;
    const colour = hard[i] as number;
    const x = i % widthPx;
    const last = Math.min(ACROSS, widthPx - 1 - x);
    for (let dx = -Math.min(ACROSS, x); dx <= last; dx += 1) {
      const at = (i + dx) * colours + colour;
      const before = near[at] as number;
      // From left to right: what was there before lies left, or is this colour's nearer one.
      if (before === NONE || Math.abs(before) > Math.abs(dx)) near[at] = -dx;
    }
  }
  return near;
}

/**
 * Reads how much of each colour of a palette lies in each sample of a photo that was set straight. Where colours meet, a sample is shared between two
 * that lie by themselves around it: the grey between black and white is no third colour.
 * @param inside whether a sample lies on the piece; others have none of any colour
 */
export function readShares(
  straight: Straight,
  inks: readonly Ink[],
  inside: (sample: number) => boolean,
): Shares {
  const { sheet, light } = straight;
  const { widthPx, heightPx } = sheet;
  const many = widthPx * heightPx;
  const shares = emptyShares({ ...sheet, colours: inks.length });
  const { weight } = shares;
  const colours = inks.length;
  const root = light.map(Math.cbrt);
  const hard = nearestOf(root, inks, inside);
  const calm = calmOf(hard, root, widthPx, heightPx);
  const found = new Int32Array(colours);
  const far = new Float64Array(colours);
  const lies = new Uint8Array(colours);
  calm.forEach((is, i) => {
    if (is === 1) lies[hard[i] as number] = 1;
  });
  const inRow = nearestInRow(hard, calm, widthPx, colours);
  // Of the same kind as the light: what is worked out of both is worked out fast.
  const side = new Float32Array(3 * colours);
  const costs = new Float64Array(colours);
  const brightness = (x: number, y: number) => {
    const u = Math.min(widthPx - 1, Math.max(0, x));
    const i = 3 * (Math.min(heightPx - 1, Math.max(0, y)) * widthPx + u);
    return (root[i] as number) + (root[i + 1] as number) + (root[i + 2] as number);
  };
  /** The first samples that lie by themselves up and down the slope of the light; −1 where there is none near. */
  const sidesOf = (x: number, y: number): [number, number] => {
    const dx = brightness(x + 1, y) - brightness(x - 1, y);
    const dy = brightness(x, y + 1) - brightness(x, y - 1);
    const long = Math.hypot(dx, dy);
    if (long < 1e-6) return [-1, -1];
    const walk = (sign: number): number => {
      let before = brightness(x, y);
      for (let step = 1; step <= SLOPE; step += 1) {
        const u = Math.round(x + (sign * step * dx) / long);
        const v = Math.round(y + (sign * step * dy) / long);
        if (u < 0 || v < 0 || u >= widthPx || v >= heightPx) return -1;
        const here = brightness(u, v);
        // Over a ridge or through a valley: that is a thin line, and what lies beyond it no side of this edge.
        if (sign * (here - before) < -TURNS) return -1;
        before = here;
        if (calm[v * widthPx + u] === 1) return v * widthPx + u;
      }
      return -1;
    };
    return [walk(1), walk(-1)];
  };
  /** How far the light of a sample lies from that at a place of one list towards that at a place of another one, 0 to 1. */
  const between = (
    from: ArrayLike<number>,
    p: number,
    to: ArrayLike<number>,
    q: number,
    i: number,
  ): number => {
    let dot = 0;
    let long = 0;
    for (let channel = 0; channel < 3; channel += 1) {
      const start = from[3 * p + channel] as number;
      const way = (to[3 * q + channel] as number) - start;
      dot += way * ((light[3 * i + channel] as number) - start);
      long += way * way;
    }
    return long > 0 ? Math.min(1, Math.max(0, dot / long)) : 0;
  };
  const put = (colour: number, i: number, share: number) => {
    weight[colour * many + i] = (weight[colour * many + i] as number) + share;
  };
  for (let y = 0; y < heightPx; y += 1)
    for (let x = 0; x < widthPx; x += 1) {
      const i = y * widthPx + x;
      const own = hard[i] as number;
      if (own < 0) continue;
      if (calm[i] === 1) {
        put(own, i, 1);
        continue;
      }
      // Straight up and down the slope of the light, where it leads to two sides: an edge lies between these.
      const [up, down] = sidesOf(x, y);
      if (up >= 0 && down >= 0 && hard[up] !== hard[down]) {
        const t = between(light, up, light, down, i);
        put(hard[up] as number, i, 1 - t);
        put(hard[down] as number, i, t);
        continue;
      }
      // The nearest sample of each colour around that lies by itself.
      found.fill(-1);
      far.fill(Infinity);
      for (let dy = Math.max(-ACROSS, -y); dy <= Math.min(ACROSS, heightPx - 1 - y); dy += 1) {
        const row = i + dy * widthPx;
        for (let colour = 0; colour < colours; colour += 1) {
          const dx = inRow[row * colours + colour] as number;
          const away = dx * dx + dy * dy;
          if (dx === NONE || away >= (far[colour] as number)) continue;
          far[colour] = away;
          found[colour] = row + dx;
        }
      }
      for (let colour = 0; colour < colours; colour += 1) {
        const j = found[colour] as number;
        for (let channel = 0; channel < 3; channel += 1)
          side[3 * colour + channel] =
            j >= 0 ? (light[3 * j + channel] as number) : ((inks[colour] as Ink).rgb[channel] as number);
        costs[colour] =
          j >= 0
            ? NEARER * Math.sqrt(far[colour] as number)
            : (lies[colour] === 1 ? NOMINAL : NOWHERE) + NEARER * ACROSS;
      }
      let best = Infinity;
      let [one, other, share] = [own, own, 0];
      for (let a = 0; a < colours; a += 1)
        for (let b = a + 1; b < colours; b += 1) {
          const t = between(side, a, side, b, i);
          let off = (1 - t) * (costs[a] as number) + t * (costs[b] as number);
          if (off >= best) continue;
          for (let channel = 0; channel < 3; channel += 1) {
            const from = side[3 * a + channel] as number;
            const mixed = from + t * ((side[3 * b + channel] as number) - from);
            off += (Math.cbrt(Math.max(0, mixed)) - (root[3 * i + channel] as number)) ** 2;
          }
          if (off < best) [best, one, other, share] = [off, a, b, t];
        }
      put(one, i, 1 - share);
      put(other, i, share);
    }
  return shares;
}

/** Share of each colour of what lies on the piece. */
export function sharesOnPiece({ sheet, weight }: Shares): number[] {
  const many = sheet.widthPx * sheet.heightPx;
  const sums = Array.from({ length: sheet.colours }, (_, colour) => {
    let sum = 0;
    for (let i = 0; i < many; i += 1) sum += weight[colour * many + i] as number;
    return sum;
  });
  const all = sums.reduce((sum, one) => sum + one, 0);
  return sums.map((sum) => (all > 0 ? sum / all : 0));
}
