import { seeded } from "../numerics/random";

/** A field of noise over the plane, −1 to 1, 0 in the mean, the same for the same seed: smooth between random heights on a grid. */
export type Noise = (x: number, y: number) => number;

const SIDE = 64;

/** @param sizeMm distance of the grid's points */
export function valueNoise(seed: number, sizeMm: number): Noise {
  const random = seeded(seed);
  const heights = Float32Array.from({ length: SIDE * SIDE }, () => 2 * random() - 1);
  const at = (i: number, j: number) =>
    heights[(((j % SIDE) + SIDE) % SIDE) * SIDE + (((i % SIDE) + SIDE) % SIDE)] as number;
  return (x, y) => {
    const [u, v] = [x / sizeMm, y / sizeMm];
    const [i, j] = [Math.floor(u), Math.floor(v)];
    const [a, b] = [u - i, v - j];
    const [s, t] = [a * a * (3 - 2 * a), b * b * (3 - 2 * b)];
    const top = at(i, j) + s * (at(i + 1, j) - at(i, j));
    const low = at(i, j + 1) + s * (at(i + 1, j + 1) - at(i, j + 1));
    return top + t * (low - top);
  };
}

/** Several octaves, each half as large and half as high. */
export function cloudNoise(seed: number, sizeMm: number, octaves: number): Noise {
  const layers = Array.from({ length: octaves }, (_, n) => ({
    noise: valueNoise(seed * 31 + n, sizeMm / 2 ** n),
    height: 0.5 ** n,
  }));
  const sum = layers.reduce((total, { height }) => total + height, 0);
  return (x, y) => layers.reduce((total, { noise, height }) => total + height * noise(x, y), 0) / sum;
}
