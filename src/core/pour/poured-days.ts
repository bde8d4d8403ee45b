import type { JobDocument } from "../job/job";
import type { Room } from "../cure/room";
import type { Plan } from "../plan/derive-plan";
import { settingsOf } from "../job/job-settings";
import type { CoatWindows, WindowCoat } from "../schedule/coat-windows";
import { planDays } from "../schedule/plan-days";
import { coatsAsPoured } from "./actuals";
import type { PourState } from "./pour-events";
import { roomOfPour } from "./room-of-pour";
import type { RunStep } from "./run-sheet";

/** A coat that was poured, as its film went from its real mix on, and the window of each pass on it. */
export type PouredCoat = { of: WindowCoat; windows: CoatWindows };

/**
 * The coats of which something was mixed, on the days as they were: batches and passes when they were done, the room as it was read.
 * @param minuteOf a moment in minutes of the plan
 */
export function pouredDays(
  { plan, document, planned, state }: PouredFrom,
  minuteOf: (at: string) => number,
): { coats: PouredCoat[]; room: Room } {
  const poured = coatsAsPoured(plan, planned, state, minuteOf).filter(({ real }) => real !== undefined);
  const room = roomOfPour(document, state.room, minuteOf);
  const { coats } = planDays(poured, 0, { ...settingsOf(document, null), room });
  return {
    room,
    coats: coats.flatMap((windows) => {
      const of = poured.find(({ coat }) => coat.id === windows.coatId);
      return of ? [{ of, windows }] : [];
    }),
  };
}

/** @param planned the run sheet of the plan */
export type PouredFrom = {
  plan: Plan;
  document: JobDocument;
  planned: readonly RunStep[];
  state: PourState;
};
