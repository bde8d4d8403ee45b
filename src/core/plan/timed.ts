import { filmLifeIn } from "../cure/film-in-room";
import type { StateStart } from "../cure/film-states";
import type { JobDocument } from "../job/job";
import { roomOf, settingsOf } from "../job/job-settings";
import { covers, isFill } from "../schedule/coat";
import { startOf, type CoatWindows, type WindowCoat } from "../schedule/coat-windows";
import { planDays, type DayPlan } from "../schedule/plan-days";
import type { SizedCoat } from "./batched";

/** A coat with all that was computed of it. */
export type PlannedCoat = SizedCoat & {
  life: StateStart[];
  /** Depth of all that reacts together with it, mm: its own, and what is poured into it or onto it before it has gelled. */
  reactingMm: number;
  /** When it is mixed and worked, as it was planned; null where it cannot be, or the coat below never hardens. */
  windows: CoatWindows | null;
};

/** The coats that could be batched: those that have windows. */
export const windowCoatsOf = ({ coats }: { coats: readonly SizedCoat[] }): WindowCoat[] =>
  coats.flatMap(({ coat, resin, batched }) => (resin && batched ? [{ coat, resin, batched }] : []));

/** Coats with the windows that some days give them; a coat that the days leave out has none, and keeps the life that it had. */
export const onDays = <Planned extends SizedCoat & { life: StateStart[] }>(
  coats: readonly Planned[],
  days: readonly CoatWindows[],
): (Planned & { windows: CoatWindows | null })[] =>
  coats.map((planned) => {
    const windows = days.find(({ coatId }) => coatId === planned.coat.id) ?? null;
    return { ...planned, windows, life: windows?.life ?? planned.life };
  });

/** Depth of a coat by itself, mm; nothing for veins and what else lies on a small share of a top. */
const aloneMm = ({ coat, pourDepthMm }: SizedCoat): number =>
  pourDepthMm ?? (coat.coverShare > 0.5 ? coat.filmMm : 0);

/** Whether a coat has surely gelled when another is mixed after it. */
const gelledBefore = (coat: CoatWindows, later: CoatWindows): boolean =>
  coat.lastMixedAtMin + startOf(coat.life, "set").high <= later.mixedAtMin;

type Laid = SizedCoat & { windows: CoatWindows | null };

/** All that lies in or on one another before it has gelled, on pieces that a coat goes on, mm. */
function reactingMm(planned: Laid, all: readonly Laid[]): number {
  const { windows, resin } = planned;
  if (!windows || resin?.kind === "paint") return aloneMm(planned);
  const reactsWith = (other: Laid): boolean => {
    if (!other.windows || other.resin?.kind === "paint" || isFill(other.coat) !== isFill(planned.coat))
      return false;
    const { pieceIds } = other.coat;
    const together = pieceIds === undefined || pieceIds.some((id) => covers(planned.coat, id));
    return together && !gelledBefore(other.windows, windows) && !gelledBefore(windows, other.windows);
  };
  return all.reduce((sum, other) => sum + (other === planned || reactsWith(other) ? aloneMm(other) : 0), 0);
}

/** The coats on their days, and the days' troubles. */
export function timedCoats(
  job: JobDocument,
  sized: readonly SizedCoat[],
): { coats: PlannedCoat[]; troubles: DayPlan["troubles"] } {
  const { startMin } = job.work;
  const room = roomOf(job);
  const days = planDays(windowCoatsOf({ coats: sized }), startMin, settingsOf(job, null));
  const lying = sized.map((coat) => ({
    ...coat,
    life: coat.resin ? filmLifeIn({ resin: coat.resin, room, mixedAtMin: startMin }) : [],
  }));
  const laid = onDays(lying, days.coats);
  return {
    coats: laid.map((planned) => ({ ...planned, reactingMm: reactingMm(planned, laid) })),
    troubles: days.troubles,
  };
}
