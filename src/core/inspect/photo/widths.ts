import type { Shares } from "../../pattern/engine/sheet";

/** Widths of the lines of a colour: the middle one, and the ends between which eight of ten lie, mm; of so many mm of line. */
export type Widths = { low: number; likely: number; high: number; lengthMm: number };

/** A line is told from so many samples of its middle on. */
const LEAST_SAMPLES = 12;

/** Squared distances to where a mask is not, in one dimension after the other (Felzenszwalb, Huttenlocher 2012, from memory). */
function distances(mask: Uint8Array, width: number, height: number): Float64Array {
  const FAR = 1e12;
  const out = Float64Array.from(mask, (is) => (is === 1 ? FAR : 0));
  const pass = (length: number, at: (n: number) => number) => {
    const f = new Float64Array(length);
    const v = new Int32Array(length);
    const z = new Float64Array(length + 1);
    for (let n = 0; n < length; n += 1) f[n] = out[at(n)] as number;
    let k = 0;
    z[0] = -Infinity;
    z[1] = Infinity;
    for (let q = 1; q < length; q += 1) {
      let s = 0;
      for (;;) {
        const p = v[k] as number;
        s = ((f[q] as number) + q * q - ((f[p] as number) + p * p)) / (2 * q - 2 * p);
        if (s > (z[k] as number) || k === 0) break;
        k -= 1;
      }
      if (s <= (z[k] as number)) k = -1;
      k += 1;
      v[k] = q;
      z[k] = k === 0 ? -Infinity : s;
      z[k + 1] = Infinity;
    }
    k = 0;
    for (let q = 0; q < length; q += 1) {
      while ((z[k + 1] as number) < q) k += 1;
      const p = v[k] as number;
      out[at(q)] = (q - p) ** 2 + (f[p] as number);
    }
  };
  for (let x = 0; x < width; x += 1) pass(height, (n) => n * width + x);
  for (let y = 0; y < height; y += 1) pass(width, (n) => y * width + n);
  return out.map(Math.sqrt);
}

/** Chords are laid through a middle in so many directions, and read so finely, samples. */
const DIRECTIONS = 12;
const STEP = 0.34;
/** Widths are taken at so many middles at most, evenly among all. */
const MOST_CHORDS = 240;
/** So far beyond its edge a line is followed, samples: over the blur of a photo. */
const BEYOND = 2.5;

/** How wide a line is across a sample of its middle, in samples: the least that any chord through it holds of the colour. */
function acrossAt(
  { sheet: { widthPx, heightPx }, weight }: Pick<Shares, "sheet" | "weight">,
  colour: number,
  x: number,
  y: number,
  half: number,
): number {
  const offset = colour * widthPx * heightPx;
  const shareAt = (u: number, v: number): number => {
    const [i, j] = [Math.floor(u), Math.floor(v)];
    if (i < 0 || j < 0 || i + 1 >= widthPx || j + 1 >= heightPx) return 0;
    const [a, b] = [u - i, v - j];
    const at = (di: number, dj: number) => weight[offset + (j + dj) * widthPx + i + di] as number;
    return (1 - b) * ((1 - a) * at(0, 0) + a * at(1, 0)) + b * ((1 - a) * at(0, 1) + a * at(1, 1));
  };
  let least = Infinity;
  for (let n = 0; n < DIRECTIONS; n += 1) {
    const [dx, dy] = [Math.cos((Math.PI * n) / DIRECTIONS), Math.sin((Math.PI * n) / DIRECTIONS)];
    let held = 0;
    for (let along = -half - BEYOND; along <= half + BEYOND; along += STEP)
      held += shareAt(x + along * dx, y + along * dy) * STEP;
    if (held < least) least = held;
  }
  return least;
}

/** The widths of what a colour lies in, where that is lines: across their middles. Null where there is too little of it. */
export function widthsOf({ sheet, weight }: Shares, colour: number): Widths | null {
  const { widthPx, heightPx, pixelMm } = sheet;
  const many = widthPx * heightPx;
  const mask = Uint8Array.from({ length: many }, (_, i) =>
    (weight[colour * many + i] as number) > 0.5 ? 1 : 0,
  );
  const far = distances(mask, widthPx, heightPx);
  const middles: { x: number; y: number; half: number }[] = [];
  for (let y = 1; y < heightPx - 1; y += 1)
    for (let x = 1; x < widthPx - 1; x += 1) {
      const i = y * widthPx + x;
      const own = far[i] as number;
      if (own < 1) continue;
      let isMiddle = true;
      for (let dy = -1; dy <= 1 && isMiddle; dy += 1)
        for (let dx = -1; dx <= 1; dx += 1)
          if ((far[i + dy * widthPx + dx] as number) > own + 1e-9) {
            isMiddle = false;
            break;
          }
      if (isMiddle) middles.push({ x, y, half: own });
    }
  if (middles.length < LEAST_SAMPLES) return null;
  const every = Math.max(1, Math.ceil(middles.length / MOST_CHORDS));
  const found = middles
    .filter((_, n) => n % every === 0)
    .map(({ x, y, half }) => acrossAt({ sheet, weight }, colour, x, y, half) * pixelMm);
  found.sort((a, b) => a - b);
  const at = (share: number) => found[Math.min(found.length - 1, Math.floor(share * found.length))] as number;
  return { low: at(0.1), likely: at(0.5), high: at(0.9), lengthMm: middles.length * pixelMm };
}
