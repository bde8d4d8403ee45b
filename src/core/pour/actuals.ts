import type { Plan } from "../plan/derive-plan";
import { windowCoatsOf } from "../plan/timed";
import type { Real, WindowCoat } from "../schedule/coat-windows";
import { heatsOn } from "./heats";
import { passesLeftOut, type PourState } from "./pour-events";
import type { RunStep } from "./run-sheet";
import { sheetNow } from "./sheet-now";

/**
 * What a pour has done so far, coat by coat: when its batches were mixed and its passes finished. A pass that comes more than once is
 * done with the last of its turns, or with the one that was said to be the last. Coats of which nothing is mixed are left out.
 * @param minuteOf a moment in minutes of the plan
 */
export function realDays(
  steps: readonly RunStep[],
  state: PourState,
  minuteOf: (at: string) => number,
): ReadonlyMap<string, Real> {
  const real = new Map<string, Real>();
  for (const coatId of new Set(steps.map((step) => step.coatId))) {
    const runSteps = steps.filter((step) => step.coatId === coatId);
    const at = (step: RunStep) => {
      const done = state.doneAt.get(step.id);
      return done === undefined ? [] : [minuteOf(done)];
    };
    const batchesAtMin = runSteps.filter(({ kind }) => kind === "weigh").flatMap(at);
    if (batchesAtMin.length === 0) continue;
    const doneAtMin: Record<string, number> = {};
    const doneTurns: Record<string, number[]> = {};
    for (const passId of new Set(runSteps.flatMap((step) => step.passId ?? []))) {
      // Turns that are left out are not waited for.
      const each = runSteps.filter((step) => step.passId === passId && !state.skipped.has(step.id));
      if (each.length === 0) continue;
      const done = each.flatMap(at);
      if (each.some(({ turn }) => turn !== null)) doneTurns[passId] = [...done].sort((a, b) => a - b);
      if (done.length === each.length || each.some(({ id }) => state.lastRounds.has(id)))
        doneAtMin[passId] = Math.max(...done);
    }
    real.set(coatId, { batchesAtMin: batchesAtMin.sort((a, b) => a - b), doneAtMin, doneTurns });
  }
  return real;
}

/**
 * The coats of a pour as far as they are not left out, without the passes that are, for the planner: those that are begun with what was done of them.
 * @param minuteOf a moment in minutes of the plan
 */
export function coatsAsPoured(
  plan: Plan,
  planned: readonly RunStep[],
  state: PourState,
  minuteOf: (at: string) => number,
): WindowCoat[] {
  const steps = sheetNow(planned, state);
  const real = realDays(steps, state, minuteOf);
  const out = passesLeftOut(steps, state);
  return windowCoatsOf(plan).flatMap((planned): WindowCoat[] => {
    const { coat } = planned;
    const begun = real.get(coat.id);
    if (!begun && state.droppedCoats.has(coat.id)) return [];
    const passes = coat.passes.filter(({ id }) => !out.has(`${coat.id}:${id}`));
    // What is as planned stays the same object: what was worked out of it is kept.
    const asked = passes.length < coat.passes.length ? { ...planned, coat: { ...coat, passes } } : planned;
    if (!begun) return [asked];
    const heats = heatsOn(planned, steps, state, minuteOf);
    return [{ ...asked, real: heats.length > 0 ? { ...begun, heats } : begun }];
  });
}
