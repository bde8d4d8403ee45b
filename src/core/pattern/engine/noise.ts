import { seeded } from "../../numerics/random";

/** A field of noise over the plane, −1 to 1, 0 in the mean, the same for the same seed: smooth between random heights on a grid. */
export type Noise = { (x: number, y: number): number; octaves: readonly Octave[] };

/** One grid of noise: its heights, points to a millimetre, how much of the whole it is, and after how many millimetres across it repeats. */
export type Octave = { heights: Float32Array; perMm: number; part: number; aroundMm: number | null };

const SIDE = 64;
const MASK = SIDE - 1;

/**
 * @param sizeMm distance of the grid's points
 * @param aroundMm after so far across it repeats; the size is made to fit
 */
export function valueNoise(seed: number, sizeMm: number, aroundMm: number | null = null): Noise {
  const random = seeded(seed);
  const heights = Float32Array.from({ length: SIDE * SIDE }, () => 2 * random() - 1);
  if (aroundMm !== null) {
    const times = Math.max(1, Math.min(SIDE, Math.round(aroundMm / sizeMm)));
    const fitted = aroundMm / times;
    // The grid itself repeats after that many of its points.
    for (let row = 0; row < SIDE; row += 1)
      for (let column = times; column < SIDE; column += 1)
        heights[row * SIDE + column] = heights[row * SIDE + (column % times)] as number;
    const octave = plain(heights, fitted);
    return Object.assign((x: number, y: number) => octave(x - aroundMm * Math.floor(x / aroundMm), y), {
      octaves: octaveOf(heights, fitted, aroundMm),
    });
  }
  return Object.assign(plain(heights, sizeMm), { octaves: octaveOf(heights, sizeMm, null) });
}

const octaveOf = (heights: Float32Array, sizeMm: number, aroundMm: number | null): readonly Octave[] => [
  { heights, perMm: 1 / sizeMm, part: 1, aroundMm },
];

function plain(heights: Float32Array, sizeMm: number): (x: number, y: number) => number {
  const scale = 1 / sizeMm;
  return (x, y) => {
    const u = x * scale;
    const v = y * scale;
    const i = Math.floor(u);
    const j = Math.floor(v);
    const a = u - i;
    const b = v - j;
    const s = a * a * (3 - 2 * a);
    const t = b * b * (3 - 2 * b);
    const west = i & MASK;
    const east = (i + 1) & MASK;
    const north = (j & MASK) * SIDE;
    const south = ((j + 1) & MASK) * SIDE;
    const nw = heights[north + west] as number;
    const sw = heights[south + west] as number;
    const top = nw + s * ((heights[north + east] as number) - nw);
    const low = sw + s * ((heights[south + east] as number) - sw);
    return top + t * (low - top);
  };
}

/** Several octaves, each half as large and half as high. */
export function cloudNoise(
  seed: number,
  sizeMm: number,
  octaves: number,
  aroundMm: number | null = null,
): Noise {
  const layers = Array.from({ length: octaves }, (_, n) =>
    valueNoise(seed * 31 + n, sizeMm / 2 ** n, aroundMm),
  );
  const sum = 2 - 0.5 ** (octaves - 1);
  const cloud = (x: number, y: number) => {
    let height = 0;
    let part = 1 / sum;
    for (const layer of layers) {
      height += part * layer(x, y);
      part /= 2;
    }
    return height;
  };
  return Object.assign(cloud, {
    octaves: layers.flatMap((layer, n) =>
      layer.octaves.map((octave) => ({ ...octave, part: 0.5 ** n / sum })),
    ),
  });
}
