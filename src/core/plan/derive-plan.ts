import { USUAL_SCALE_G, type AtHand } from "../batch/at-hand";
import type { ColourCard } from "../colour/colour-card";
import type { ResinCard } from "../cure/resin-card";
import type { JobDocument } from "../job/job";
import type { DayPlan } from "../schedule/plan-days";
import { advised, type Advised } from "./advised";
import { overall, sizedCoats } from "./batched";
import { colourPlan, type ColourPlan } from "./colour-plan";
import { measured, type MeasuredJob } from "./measured";
import { placeColours, type PlaceColours } from "./place-colours";
import { onDays, timedCoats, type PlannedCoat } from "./timed";

export type Plan = MeasuredJob &
  Advised & {
    /** The date of its first day; null where the job has none. */
    startOn: string | null;
    atHand: AtHand;
    coats: PlannedCoat[];
    looks: ColourPlan;
    /** What is seen of each zone, where a piece is divided; empty where none is. */
    places: PlaceColours[];
  };

/**
 * The one road through the core: a job, measured, batched, timed, advised.
 * The same function in the browser on every keystroke and on the server for sheets and exports.
 * @param colourants the shop's; without them colours are taken as they were typed
 */
export function derivePlan(
  job: JobDocument,
  cards: readonly ResinCard[],
  colourants: readonly ColourCard[] = [],
): Plan {
  const onPieces = measured(job);
  const sized = sizedCoats(job, onPieces, cards);
  const asSized: JobDocument = { ...job, coats: sized.map(({ coat }) => coat) };
  const { coats, troubles } = timedCoats(asSized, sized);
  const whole = sized.map(overall);
  const divided = onPieces.pieces.some(({ zones }) => zones.length > 0);
  const { places, ...looks } = divided
    ? placeColours(job, onPieces.pieces, asSized.coats, whole, colourants)
    : { ...colourPlan({ ...job, coats: whole }, colourants), places: [] };
  const { startOn = null, scaleStepG = USUAL_SCALE_G, vesselsMl = [] } = job.work;
  return {
    startOn,
    atHand: { scaleStepG, vesselsMl },
    ...onPieces,
    coats,
    looks,
    places,
    ...advised(job, onPieces.pieces, coats, troubles, looks, colourants),
  };
}

/** The same plan on other days: among other work, or after what was done. */
export const withDays = (plan: Plan, days: Pick<DayPlan, "coats">): Plan => ({
  ...plan,
  coats: onDays(plan.coats, days.coats),
});
