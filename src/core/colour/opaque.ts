import { K1, K2 } from "./film-optics";
import { BANDS, WEIGHTS } from "./observer";
import type { Band, Xyz } from "./spectrum";

const [WX, WY, WZ] = WEIGHTS.map((row) => Float64Array.from(row)) as [
  Float64Array,
  Float64Array,
  Float64Array,
];
const OUT = (1 - K1) * (1 - K2);

const sumK = new Float64Array(BANDS);
const sumS = new Float64Array(BANDS);

/**
 * X, Y, Z of an opaque layer of a mix, in one pass: the same as `seen(endlessLayer(together(parts)))`, with R∞ and the surface
 * brought into one fraction, (1 − k1)(1 − k2)·S / (S·(1 − k2) + K + √(K·(K + 2S))).
 */
export function opaqueXyz(parts: readonly { K: Band; S: Band; load: number }[]): Xyz {
  if (parts.length === 0) sumK.fill(0);
  if (parts.length === 0) sumS.fill(0);
  for (let at = 0; at < parts.length; at += 1) {
    const part = parts[at] as { K: Band; S: Band; load: number };
    const K = part.K;
    const S = part.S;
    const load = part.load;
    if (at === 0)
      for (let band = 0; band < BANDS; band += 1) {
        sumK[band] = load * (K[band] as number);
        sumS[band] = load * (S[band] as number);
      }
    else
      for (let band = 0; band < BANDS; band += 1) {
        sumK[band] = (sumK[band] as number) + load * (K[band] as number);
        sumS[band] = (sumS[band] as number) + load * (S[band] as number);
      }
  }
  let x = 0;
  let y = 0;
  let z = 0;
  for (let band = 0; band < BANDS; band += 1) {
    const K = sumK[band] as number;
    const S = sumS[band] as number;
    const under = S * (1 - K2) + K + Math.sqrt(K * (K + 2 * S));
    // Nothing in it at all is as white as its surface lets it be.
    const seen = under > 0 ? (OUT * S) / under : OUT / (1 - K2);
    x += (WX[band] as number) * seen;
    y += (WY[band] as number) * seen;
    z += (WZ[band] as number) * seen;
  }
  return [x, y, z];
}
