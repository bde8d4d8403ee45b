import type { FactorId } from "../batch/factors";
import { FACTORS } from "../batch/factors";
import type { Factor, Learnt } from "./fit";
import { EIGHT_TENTHS } from "../numerics/normal";
import { FACTOR_OF, PARTS } from "./volume-factors";

/** A planning factor as the log has it: likely, the ends between which eight of ten lie, and how much of the doubt before is left, 0 to 1. */
export type LearntFactor = { id: FactorId; likely: number; low: number; high: number; doubtLeft: number };

/** The corrections that a planning factor is the sum of. */
const SUMS: readonly { id: FactorId; of: readonly string[] }[] = [
  ...PARTS.map((part) => ({ id: FACTOR_OF[part], of: ["lam", part] })),
  { id: "faceFilmShare", of: ["faceFilm"] },
  { id: "filmLaidTimes", of: ["film"] },
];

export function learntFactors({ ids, mean, cov }: Learnt, factors: readonly Factor[]): LearntFactor[] {
  return SUMS.map(({ id, of }) => {
    const at = of.map((one) => ids.indexOf(one)).filter((index) => index >= 0);
    const likely = at.reduce((sum, index) => sum + (mean[index] as number), 0);
    const variance = at.reduce(
      (sum, i) => sum + at.reduce((all, j) => all + ((cov[i] as number[])[j] as number), 0),
      0,
    );
    const before = at.reduce((sum, index) => sum + (factors[index] as Factor).sd ** 2, 0);
    const usual = FACTORS[id].usual.likely;
    const half = EIGHT_TENTHS * Math.sqrt(variance);
    return {
      id,
      likely: usual * Math.exp(likely),
      low: usual * Math.exp(likely - half),
      high: usual * Math.exp(likely + half),
      doubtLeft: before > 0 ? Math.sqrt(variance / before) : 1,
    };
  });
}
