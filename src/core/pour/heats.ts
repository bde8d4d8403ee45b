import type { Tool } from "../batch/factors";
import { heatLeft, heatReadOn, type Heat } from "../cure/heat";
import { PASS } from "../passes/facts";
import { usualMinutes, type WindowCoat } from "../schedule/coat-windows";
import type { PourState } from "./pour-events";
import type { RunStep } from "./run-sheet";

/** What a tool brings into a film as it is usually moved, W: some tenths of what it burns or draws. Common practice, no source. */
const HEATING_W: Partial<Record<Tool, number>> = { torch: 200, "heat-gun": 300, "hair-dryer": 220 };

/** An act that took longer than so many times what is usual was not all heating: its hands were elsewhere. */
const MOST_TIMES_USUAL = 4;

/**
 * Heat that was put on the film of a coat: by every torch or warm-air act that is done, for as long as it took since the act before it.
 * @param minuteOf a moment in minutes of the plan
 */
export function heatsOn(
  planned: WindowCoat,
  steps: readonly RunStep[],
  state: PourState,
  minuteOf: (at: string) => number,
): Heat[] {
  const { coat, batched, resin } = planned;
  const doneMin = [...state.doneAt.values()].map(minuteOf).sort((a, b) => a - b);
  return steps.flatMap((step): Heat[] => {
    if (step.coatId !== coat.id || step.passId === null) return [];
    const at = state.doneAt.get(step.id);
    const pass = coat.passes.find(({ id }) => id === step.passId);
    const watt = pass && PASS[pass.kind].fire === "lights" ? HEATING_W[pass.tool] : undefined;
    if (!pass || !watt || at === undefined) return [];
    const endsAtMin = minuteOf(at);
    const begunMin = doneMin.findLast((minute) => minute < endsAtMin) ?? endsAtMin;
    const turns = steps.filter(({ coatId, passId }) => coatId === coat.id && passId === pass.id).length;
    const rounds = Math.max(1, pass.rounds);
    // What comes once for all of it, and what comes section by section or batch by batch, each on its share.
    const share = pass.repeat ? 1 : 1 / Math.max(1, turns / rounds);
    const usual = usualMinutes(pass, planned, 1) * share;
    const took = endsAtMin - begunMin;
    const minutes = took > MOST_TIMES_USUAL * usual ? usual : took;
    const areaM2 = (batched.topAreaMm2 * coat.coverShare * share) / 1e6;
    const read = heatReadOn(resin, usual);
    return [heatLeft({ watt, minutes, areaM2, filmMm: coat.filmMm, endsAtMin, read })];
  });
}
