import { mixDensityGPerMl, ratioError } from "../batch/parts";
import { PASS } from "../passes/facts";
import type { UnitSystem } from "../units/dimension";
import type { Plan } from "../plan/derive-plan";
import { mixedAt, type PourState } from "./pour-events";
import { weighKey } from "./weigh-lines";
import type { RunStep } from "./run-sheet";
import type { CoatOutcome } from "./outcome";
import { outcomeWords } from "./outcome-words";

function minutesBetween(from: string, to: string): number {
  return (Date.parse(to) - Date.parse(from)) / 60000;
}

/** Sets plan and actual side by side, coat by coat, in numbers and in plain words. */
export function comparePour(
  plan: Plan,
  steps: readonly RunStep[],
  state: PourState,
  system: UnitSystem,
): CoatOutcome[] {
  return plan.coats.flatMap(({ coat, resin, batched }) => {
    if (!batched || !resin) return [];
    const area = batched.topAreaMm2;
    const runSteps = steps.filter((step) => step.coatId === coat.id);
    const weighSteps = runSteps.filter((step) => step.kind === "weigh");
    if (!weighSteps.some((step) => state.doneAt.has(step.id))) return [];
    /** What went into each vessel in which A met B, by step and mix. */
    const mixes = new Map<string, { name: string; aG: number; bG: number; cG: number; weighed: boolean }>();
    for (const step of weighSteps) {
      if (!state.doneAt.has(step.id)) continue;
      for (const { line, thing, grams } of step.weigh) {
        if (thing.kind !== "part") continue;
        const key = weighKey(step.id, thing.mixId);
        const name = coat.colours.find(({ id }) => id === thing.mixId)?.name ?? "";
        const mix = mixes.get(key) ?? { name, aG: 0, bG: 0, cG: 0, weighed: true };
        mixes.set(key, mix);
        const actual = state.weighed.get(weighKey(step.id, line));
        if (actual === undefined && thing.part !== "C") mix.weighed = false;
        mix[thing.part === "A" ? "aG" : thing.part === "B" ? "bG" : "cG"] +=
          (actual ?? grams) + thing.carriedG;
      }
    }
    const all = [...mixes.values()];
    const mixedG = all.reduce((sum, { aG, bG, cG }) => sum + aG + bG + cG, 0);
    const allWeighed = all.every(({ weighed }) => weighed);
    const mixedMl = mixedG / mixDensityGPerMl(resin);
    const leftMl = state.leftMl.get(coat.id) ?? null;
    const shortMl = state.shortMl.get(coat.id) ?? null;
    const usedMl = leftMl !== null ? mixedMl - leftMl : shortMl !== null ? mixedMl : null;
    const first = mixedAt(steps, state, coat.id);
    // Other passes (veins, faces, drips) come when the film is ready for them.
    const layingIds = new Set(
      coat.passes.filter(({ kind }) => PASS[kind].phase === "laying").map(({ id }) => id),
    );
    // What was left out was not waited for.
    const laying = runSteps.filter(
      ({ id, passId }) => passId !== null && layingIds.has(passId) && !state.skipped.has(id),
    );
    const laid = laying.flatMap((step) => state.doneAt.get(step.id) ?? []).sort();
    const last = laying.length > 0 && laid.length === laying.length ? (laid[laid.length - 1] ?? null) : null;
    // One cup that is off leaves soft spots, however well the others are mixed.
    const ratios = all
      .filter(({ weighed, bG }) => weighed && bG > 0)
      .map(({ name, aG, bG }) => ({ name, off: ratioError(aG, bG, resin) }))
      .sort((a, b) => Math.abs(b.off) - Math.abs(a.off));
    const [ratioOff = null] = ratios;
    const outcome: CoatOutcome = {
      coatId: coat.id,
      name: coat.name,
      areaMm2: area * coat.coverShare,
      plannedMl: batched.mixMl.likely,
      mixedMl,
      weighed: allWeighed,
      leftMl,
      shortMl,
      usedMl,
      plannedFilmMm: batched.mixedFilmMm,
      usedFilmMm: usedMl !== null && area > 0 ? ((usedMl + (shortMl ?? 0)) * 1000) / area : null,
      ratioOff,
      plannedWorkMin: batched.workMin.likely + batched.mixingMin * batched.batches.length,
      tookMin: first && last ? minutesBetween(first, last) : null,
      words: [],
    };
    return [{ ...outcome, words: outcomeWords(outcome, resin.ratioTolerancePct / 100, system) }];
  });
}
