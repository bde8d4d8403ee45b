import { ciede2000 } from "./ciede2000";
import { fitSets } from "./recipe-fit";
import { allSets, likeliestSets } from "./recipe-sets";
import { coarseTable, fullTable, opaqueLab } from "./recipe-table";
import type { Lab } from "./spaces";
import type { Band } from "./spectrum";
import { nth } from "../numerics/nth";

/** A colourant of the shelf as it is weighed: mm⁻¹ for each gram of it, water or binder included, in 100 g. */
export type ShelfColour = {
  id: string;
  K: Band;
  S: Band;
  /** Most of it that the resin takes, g in 100 g; null for no own limit. */
  mostPer100G: number | null;
};

export type SolveFor = {
  target: Lab;
  shelf: readonly ShelfColour[];
  /** Mass of mixed resin that is coloured, g. */
  batchG: number;
  /** Step of the scale, g. */
  stepG: number;
  /** All colourants together, g in 100 g. */
  load: { least: number; most: number };
  most: 1 | 2 | 3 | 4;
};

export type Proposal = {
  parts: { id: string; grams: number }[];
  /** ΔE00 to the target with whole steps of the scale, as an opaque film. */
  difference: number;
  /** The most it moves when one dose is half a step off, ΔE00. */
  shiftPerHalfStep: number;
  lab: Lab;
};

/** Each further colourant must earn this much, ΔE00; and this share of what half a step moves. */
const COST_EACH = 0.15;
const COST_SHIFT = 0.5;
/** Sets that are worked out after the first sight; candidates that are rounded to the scale. */
const REFINED = 2500;
const CANDIDATES = 60;
const PER_SIZE = 30;
const LOADS = 4;

/** Weights that turn a small ΔL*, Δa*, Δb* at a target into about its ΔE00: found from the formula itself. */
function localMetric(target: Lab): Lab {
  const step = 0.5;
  const unit = (axis: number, by: number): Lab =>
    target.map((value, at) => (at === axis ? value + by : value)) as unknown as Lab;
  return [0, 1, 2].map((axis) => ciede2000(target, unit(axis, step)) / step) as unknown as Lab;
}

/**
 * The best few recipes for an opaque colour: up to four colourants, whole steps of the scale, loads within limits.
 * All sets are looked at roughly, the likeliest worked out on ten bands, the best rounded and judged on all 36.
 * @param onProgress is told the share done, 0 to 1
 */
export function solveColour(
  { target, shelf, batchG, stepG, load, most }: SolveFor,
  keep = 6,
  onProgress: (share: number) => void = () => {},
): Proposal[] {
  if (shelf.length === 0) return [];
  const coarse = coarseTable(shelf);
  const full = fullTable(shelf);
  const metric = localMetric(target);
  const sets = allSets(shelf.length, most);
  const order = likeliestSets(target, metric, coarse, shelf.length, sets, REFINED);
  onProgress(0.15);
  const fitted = fitSets(target, metric, coarse, sets, order, PER_SIZE, (share) =>
    onProgress(0.15 + 0.6 * share),
  );

  // The best of each size rounded to the scale at several loads, then walked by single steps.
  fitted.sort((a, b) => a.miss + COST_EACH * a.set.length - b.miss - COST_EACH * b.set.length);
  const bySize = [0, 0, 0, 0, 0];
  const chosen = fitted
    .filter(({ set }) => {
      bySize[set.length] = nth(bySize, set.length) + 1;
      return nth(bySize, set.length) <= PER_SIZE;
    })
    .slice(0, CANDIDATES);
  const proposals: (Proposal & { score: number })[] = [];
  chosen.forEach(({ set, logs: found }) => {
    const shares = Array.from(found, Math.exp);
    const sum = shares.reduce((total, share) => total + share, 0);
    const mostG = set.map((index) => ((shelf[index]?.mostPer100G ?? Infinity) * batchG) / 100);
    let best: (Proposal & { score: number }) | null = null;
    for (let at = 0; at < LOADS; at += 1) {
      const allG = ((load.least + ((load.most - load.least) * at) / (LOADS - 1)) * batchG) / 100;
      const grams = shares.map((share) => Math.max(1, Math.round((share / sum) * (allG / stepG))) * stepG);
      const within = (doses: readonly number[]) => {
        const total = doses.reduce((a, b) => a + b, 0);
        return (
          total <= (load.most * batchG) / 100 + stepG * 0.51 &&
          doses.every((dose, part) => dose >= stepG * 0.99 && dose <= nth(mostG, part) + 1e-9)
        );
      };
      if (!within(grams)) continue;
      // Ten bands tell which step is better; the end is judged on all of them.
      let miss = ciede2000(opaqueLab(coarse, set, grams), target);
      for (let better = true, round = 0; better && round < 4; round += 1) {
        better = false;
        for (let part = 0; part < set.length; part += 1)
          for (const by of [-stepG, stepG]) {
            const moved = grams.map((dose, index) => (index === part ? dose + by : dose));
            if (!within(moved)) continue;
            const there = ciede2000(opaqueLab(coarse, set, moved), target);
            if (there < miss - 1e-6) {
              grams.splice(0, grams.length, ...moved);
              miss = there;
              better = true;
            }
          }
      }
      if (best !== null && miss + COST_EACH * (set.length - 1) > best.score + 0.3) continue;
      const lab = opaqueLab(full, set, grams);
      miss = ciede2000(lab, target);
      const here = opaqueLab(coarse, set, grams);
      let shift = 0;
      for (let part = 0; part < set.length && set.length > 1; part += 1)
        for (const by of [-0.5, 0.5]) {
          const off = grams.map((dose, index) => (index === part ? dose + by * stepG : dose));
          shift = Math.max(shift, ciede2000(opaqueLab(coarse, set, off), here));
        }
      const score = miss + COST_EACH * (set.length - 1) + COST_SHIFT * shift;
      if (best === null || score < best.score)
        best = {
          parts: set.map((index, part) => ({
            id: (shelf[index] as ShelfColour).id,
            grams: Math.round(nth(grams, part) / stepG) * stepG,
          })),
          difference: miss,
          shiftPerHalfStep: shift,
          lab,
          score,
        };
    }
    if (best) proposals.push(best);
  });
  onProgress(1);
  proposals.sort((a, b) => a.score - b.score);
  return proposals.slice(0, keep).map(({ score: _score, ...proposal }) => ({
    ...proposal,
    parts: [...proposal.parts].sort((a, b) => b.grams - a.grams),
  }));
}
