import { foldPour, type PourEvent } from "./pour-events";
import { coatOfStep } from "./run-sheet";

/** Why a coat is left out that lies there already. */
export const POURED_BEFORE = "poured before";

/** The coats of which something was done at these pours, those that were called off left out: when a job is poured on, they lie there already. */
export function pouredBefore(pours: readonly { events: readonly PourEvent[] }[]): Set<string> {
  const poured = new Set<string>();
  for (const { events } of pours) {
    const state = foldPour(events);
    if (state.calledOff !== null) continue;
    for (const stepId of state.doneAt.keys()) poured.add(coatOfStep(stepId));
  }
  return poured;
}
