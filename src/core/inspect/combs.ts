import { MM_PER_MIL } from "../units/constants";
import type { UnitSystem } from "../units/dimension";

/** Teeth of a comb where a shop has named none, mm, round in the units of either system: made up to serve thin coats and floods. */
export const USUAL_COMB_MM: Record<UnitSystem, readonly number[]> = {
  metric: [0.1, 0.2, 0.3, 0.4, 0.5, 0.6, 0.8, 1, 1.2, 1.5, 1.8, 2.2, 2.6, 3],
  us: [4, 8, 12, 16, 20, 25, 30, 40, 50, 60, 75, 90, 105, 120].map((mil) => mil * MM_PER_MIL),
};
export const MOST_TEETH = 40;

/** What a comb said when its first so many teeth were wetted: the last wet and the first dry, mm; null beyond its ends. */
export const readCombAt = (
  teethMm: readonly number[],
  wetted: number,
): { wetMm: number | null; dryMm: number | null } => ({
  wetMm: teethMm[wetted - 1] ?? null,
  dryMm: teethMm[wetted] ?? null,
});

/** The step of a comb about a film, µm: how far apart the teeth are between which it lies. */
export function stepAboutUm(teethMm: readonly number[], filmMm: number): number {
  const above = teethMm.findIndex((tooth) => tooth > filmMm);
  const at = above < 0 ? teethMm.length - 1 : Math.max(1, above);
  const [low, high] = [teethMm[at - 1], teethMm[at]];
  return low === undefined || high === undefined ? 50 : (high - low) * 1000;
}
