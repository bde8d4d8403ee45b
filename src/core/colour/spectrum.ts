import { BANDS, WEIGHTS } from "./observer";

/** 36 values, 380 to 730 nm in steps of 10 nm. */
export type Band = readonly number[] | Float64Array;
export type Xyz = readonly [number, number, number];

const flat = WEIGHTS.map((row) => Float64Array.from(row)) as [Float64Array, Float64Array, Float64Array];

/** X, Y, Z of a reflectance under D65; a perfect white has Y = 1. */
export function xyzOf(reflectance: Band): Xyz {
  const [wx, wy, wz] = flat;
  let [x, y, z] = [0, 0, 0];
  for (let band = 0; band < BANDS; band += 1) {
    const r = reflectance[band] as number;
    x += (wx[band] as number) * r;
    y += (wy[band] as number) * r;
    z += (wz[band] as number) * r;
  }
  return [x, y, z];
}

export const even = (value: number): Float64Array => new Float64Array(BANDS).fill(value);

export function mapBands(make: (band: number) => number): Float64Array {
  const out = new Float64Array(BANDS);
  for (let band = 0; band < BANDS; band += 1) out[band] = make(band);
  return out;
}
