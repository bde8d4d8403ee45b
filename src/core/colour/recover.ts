import { BANDS, WEIGHTS } from "./observer";
import { linearOfXyz, xyzOfLinear, type Rgb } from "./spaces";
import { mapBands, type Xyz } from "./spectrum";

/** Linear channels are held within these, so that a reflectance exists. */
const DARKEST = 0.0012;
const BRIGHTEST = 0.9964;

/** Solves A·x = b in place by elimination with pivots; A is n × n, row by row. */
export function solveLinear(A: Float64Array, b: Float64Array, n: number): void {
  for (let column = 0; column < n; column += 1) {
    let pivot = column;
    for (let row = column + 1; row < n; row += 1)
      if (Math.abs(A[row * n + column] as number) > Math.abs(A[pivot * n + column] as number)) pivot = row;
    if (pivot !== column) {
      for (let at = column; at < n; at += 1) {
        const held = A[column * n + at] as number;
        A[column * n + at] = A[pivot * n + at] as number;
        A[pivot * n + at] = held;
      }
      const held = b[column] as number;
      b[column] = b[pivot] as number;
      b[pivot] = held;
    }
    const head = A[column * n + column] as number;
    for (let row = column + 1; row < n; row += 1) {
      const factor = (A[row * n + column] as number) / head;
      if (factor === 0) continue;
      for (let at = column; at < n; at += 1)
        A[row * n + at] = (A[row * n + at] as number) - factor * (A[column * n + at] as number);
      b[row] = (b[row] as number) - factor * (b[column] as number);
    }
  }
  for (let row = n - 1; row >= 0; row -= 1) {
    let sum = b[row] as number;
    for (let at = row + 1; at < n; at += 1) sum -= (A[row * n + at] as number) * (b[at] as number);
    b[row] = sum / (A[row * n + row] as number);
  }
}

/**
 * The smoothest reflectance of a colour: R = (1 + tanh z)/2 with Σ(Δz)² least and its X, Y, Z met exactly
 * (least hyperbolic tangent slope squared, Burns 2020, from memory; Newton on the Karush-Kuhn-Tucker equations).
 */
export function smoothReflectance(linear: Rgb): Float64Array {
  const held = linear.map((channel) => Math.min(BRIGHTEST, Math.max(DARKEST, channel))) as unknown as Rgb;
  const target = xyzOfLinear(held);
  const n = BANDS + 3;
  const z = new Float64Array(BANDS);
  const lambda = new Float64Array(3);
  for (let round = 0; round < 40; round += 1) {
    const A = new Float64Array(n * n);
    const b = new Float64Array(n);
    let worst = 0;
    for (let band = 0; band < BANDS; band += 1) {
      const tanh = Math.tanh(z[band] as number);
      const slope = (1 - tanh * tanh) / 2;
      let weighted = 0;
      for (let axis = 0; axis < 3; axis += 1) {
        const weight = (WEIGHTS[axis] as readonly number[])[band] as number;
        weighted += (lambda[axis] as number) * weight;
        A[band * n + BANDS + axis] = weight * slope;
        A[(BANDS + axis) * n + band] = weight * slope;
      }
      const neighbours = band === 0 || band === BANDS - 1 ? 1 : 2;
      A[band * n + band] = 2 * neighbours - 2 * tanh * slope * weighted;
      let gradient = 2 * neighbours * (z[band] as number) + weighted * slope;
      for (const other of [band - 1, band + 1])
        if (other >= 0 && other < BANDS) {
          A[band * n + other] = -2;
          gradient -= 2 * (z[other] as number);
        }
      b[band] = -gradient;
      worst = Math.max(worst, Math.abs(gradient));
    }
    for (let axis = 0; axis < 3; axis += 1) {
      let sum = 0;
      for (let band = 0; band < BANDS; band += 1)
        sum +=
          (((WEIGHTS[axis] as readonly number[])[band] as number) * (1 + Math.tanh(z[band] as number))) / 2;
      const miss = sum - (target[axis] as number);
      b[BANDS + axis] = -miss;
      worst = Math.max(worst, Math.abs(miss));
    }
    if (worst < 1e-9) break;
    solveLinear(A, b, n);
    for (let band = 0; band < BANDS; band += 1) z[band] = (z[band] as number) + (b[band] as number);
    for (let axis = 0; axis < 3; axis += 1)
      lambda[axis] = (lambda[axis] as number) + (b[BANDS + axis] as number);
  }
  return mapBands((band) => (1 + Math.tanh(z[band] as number)) / 2);
}

/** The same from X, Y, Z; what no screen shows is brought to its edge. */
export const smoothReflectanceOfXyz = (xyz: Xyz): Float64Array => smoothReflectance(linearOfXyz(xyz));
