import type { ColourCard } from "../colour/colour-card";
import type { JobDocument } from "../job/job";
import type { Plan } from "../plan/derive-plan";
import { comparePour } from "../pour/compare-pour";
import type { CoatOutcome } from "../pour/outcome";
import { pouredDays, type PouredCoat } from "../pour/poured-days";
import { foldPour, type PourEvent, type PourState } from "../pour/pour-events";
import { runSheet, type RunStep } from "../pour/run-sheet";
import { sheetNow } from "../pour/sheet-now";
import type { Logged } from "./evidence/logged";
import { inspectionOf, type Inspection } from "./inspection";

/** A pour as its log has it: the plan it began from, what was done, and what was seen. */
export type LoggedPour = {
  document: JobDocument;
  colourants: readonly ColourCard[];
  plan: Plan;
  steps: readonly RunStep[];
  state: PourState;
  outcomes: CoatOutcome[];
  poured: PouredCoat[];
  inspection: Inspection;
  minuteOf: (at: string) => number;
};

/** @param minuteOf a moment in minutes of the plan, by the clock on the wall */
export function loggedPour(
  from: { document: JobDocument; plan: Plan; colours: readonly ColourCard[] },
  events: readonly PourEvent[],
  minuteOf: (at: string) => number,
): LoggedPour {
  const { document, plan, colours } = from;
  const state = foldPour(events);
  const planned = runSheet(plan, "metric", state.weighed);
  const steps = sheetNow(planned, state);
  return {
    document,
    colourants: colours,
    plan,
    steps,
    state,
    outcomes: comparePour(plan, steps, state, "metric"),
    poured: pouredDays({ plan, document, planned, state }, minuteOf).coats,
    inspection: inspectionOf(events),
    minuteOf,
  };
}

/** One of its coats as evidence reads it; null for one that was not mixed, or is a paint. */
export function loggedCoat(pour: LoggedPour, coatId: string, combShare: number | null): Logged | null {
  const { plan, document, colourants, steps, state, minuteOf } = pour;
  const planned = plan.coats.find(({ coat }) => coat.id === coatId);
  const poured = pour.poured.find(({ of }) => of.coat.id === coatId);
  const outcome = pour.outcomes.find((one) => one.coatId === coatId);
  if (!planned || !poured || !outcome) return null;
  return { plan, document, colourants, planned, poured, outcome, steps, state, minuteOf, combShare };
}
