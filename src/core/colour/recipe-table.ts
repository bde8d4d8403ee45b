import { K1, K2 } from "./film-optics";
import { BANDS, COARSE, COARSE_WEIGHTS, WEIGHTS } from "./observer";
import { labOfXyz, type Lab } from "./spaces";
import type { Band } from "./spectrum";

/** What leaves the surface on the way in and out. */
export const OUT = (1 - K1) * (1 - K2);

/** A shelf at a set of bands, flat: colourant by colourant, and the weights of X, Y and Z at those bands. */
export type RecipeTable = {
  bands: number;
  K: Float64Array;
  S: Float64Array;
  X: Float64Array;
  Y: Float64Array;
  Z: Float64Array;
};

function tableAt(
  shelf: readonly { K: Band; S: Band }[],
  bands: readonly number[],
  weights: readonly (readonly number[])[],
): RecipeTable {
  const [X, Y, Z] = weights.map((row) => Float64Array.from(row)) as [
    Float64Array,
    Float64Array,
    Float64Array,
  ];
  return {
    bands: bands.length,
    K: Float64Array.from(shelf.flatMap(({ K }) => bands.map((band) => K[band] as number))),
    S: Float64Array.from(shelf.flatMap(({ S }) => bands.map((band) => Math.max(1e-9, S[band] as number)))),
    X,
    Y,
    Z,
  };
}

const ALL_BANDS = Array.from({ length: BANDS }, (_, band) => band);

/** The ten bands that are searched with. */
export const coarseTable = (shelf: readonly { K: Band; S: Band }[]): RecipeTable =>
  tableAt(shelf, COARSE, COARSE_WEIGHTS);
/** All 36, for what is told. */
export const fullTable = (shelf: readonly { K: Band; S: Band }[]): RecipeTable =>
  tableAt(shelf, ALL_BANDS, WEIGHTS);

/** L*a*b* of an opaque layer of a set of colourants. */
export function opaqueLab(table: RecipeTable, set: readonly number[], doses: ArrayLike<number>): Lab {
  const { bands, K: ks, S: ss, X, Y, Z } = table;
  let x = 0;
  let y = 0;
  let z = 0;
  for (let band = 0; band < bands; band += 1) {
    let K = 0;
    let S = 0;
    for (let part = 0; part < set.length; part += 1) {
      const at = (set[part] as number) * bands + band;
      K += (doses[part] as number) * (ks[at] as number);
      S += (doses[part] as number) * (ss[at] as number);
    }
    const seen = (OUT * S) / (S * (1 - K2) + K + Math.sqrt(K * (K + 2 * S)));
    x += (X[band] as number) * seen;
    y += (Y[band] as number) * seen;
    z += (Z[band] as number) * seen;
  }
  return labOfXyz([x, y, z]);
}

/** The cube root of Lab with its straight foot, and its slope. */
export const labRoot = (t: number) => (t > 216 / 24389 ? Math.cbrt(t) : (t * 24389) / 27 / 116 + 16 / 116);
export const labSlope = (t: number) => (t > 216 / 24389 ? 1 / (3 * Math.cbrt(t) ** 2) : 24389 / 27 / 116);
