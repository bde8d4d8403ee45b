import type { JobDocument } from "../../job/job";
import type { ColourCard } from "../../colour/colour-card";
import type { Plan } from "../../plan/derive-plan";
import type { PlannedCoat } from "../../plan/timed";
import type { CoatOutcome } from "../../pour/outcome";
import type { PouredCoat } from "../../pour/poured-days";
import type { PourState } from "../../pour/pour-events";
import type { RunStep } from "../../pour/run-sheet";
import type { PassWindow } from "../../schedule/coat-windows";
import { EVIDENCE, presence } from "../fault-table";

/** A coat as the log holds it: what was planned, what was done, and when. Minutes are those of the plan. */
export type Logged = {
  plan: Plan;
  document: JobDocument;
  colourants: readonly ColourCard[];
  planned: PlannedCoat;
  poured: PouredCoat;
  outcome: CoatOutcome;
  /** All acts of the pour, as its sheet stood. */
  steps: readonly RunStep[];
  state: PourState;
  minuteOf: (at: string) => number;
  /** Film by comb over the film planned, near the fault where there was one; null where no comb was put. */
  combShare: number | null;
};

/** Something that the log itself says: how far it is so, and in words with its quantities as {@link saidIn} reads them. */
export type Read = { id: string; u: number; words: string };

/** Reads what is measured. @throws for an id that the table has not, or that is yes or no */
export function measuredAs(id: string, value: number, words: string): Read {
  const item = EVIDENCE.get(id);
  if (!item) throw new Error(`No evidence "${id}"`);
  return { id, u: presence(item, value), words };
}
export const yesNo = (id: string, is: boolean, words: string): Read => ({ id, u: is ? 1 : 0, words });

/** The passes of a coat that were done, each with its window. */
export const donePasses = ({ poured }: Logged): PassWindow[] =>
  poured.windows.windows.filter(({ done }) => done);

/** When the acts of a coat that fulfil a condition were done, in their order, minutes of the plan. */
export function actsDone(
  { steps, state, planned, minuteOf }: Logged,
  is: (step: RunStep) => boolean,
): number[] {
  return steps
    .filter((step) => step.coatId === planned.coat.id && is(step))
    .flatMap((step) => {
      const at = state.doneAt.get(step.id);
      return at === undefined ? [] : [minuteOf(at)];
    })
    .sort((a, b) => a - b);
}
