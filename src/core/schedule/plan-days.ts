import type { Spread } from "../numerics/spread";
import { liesOnTop, type Coat } from "./coat";
import {
  batchTimes,
  layCoat,
  startOf,
  vapoursOf,
  type BatchTimes,
  type Below,
  type CoatWindows,
  type PassWindow,
  type Settings,
  type WindowCoat,
} from "./coat-windows";
import { whenFree } from "./hands";
import { DAY_MIN, minuteOfDay, nextAt, nextOpen, type Hours } from "./hours";
import { prepare, prepareUntil } from "./prepare";
import { PASS } from "../passes/facts";
import { fireTroubles, mixTroubles, passTroubles, type Trouble } from "./troubles";
import { mixSaid } from "./trouble-words";

/** A paint primer is coated when sticky but not wet (common practice, no source). */
const PRIMER_TACK_MIN: Spread = { low: 45, likely: 52, high: 60 };
/** Shares of its dry time at which a paint is sticky but not wet: 45 to 60 min of one that is dry in 54 (common practice, no source). */
const PAINT_TACK: Spread = { low: 0.83, likely: 0.96, high: 1.1 };

/** The state of the coat below from which each start is right. */
const READY = { late: "flowing", tacky: "gummy", recoat: "recoat", "next-day": "sandable" } as const;

export type DayPlan = { coats: CoatWindows[]; troubles: Trouble[]; endMin: number };

/** When a paint is sticky, by its card where that says when it is dry. */
function paintTack({ laid, resin }: Below): Spread {
  if (resin.recoatFromH === null && resin.tackFreeH === null) return PRIMER_TACK_MIN;
  const { likely } = startOf(laid.life, "recoat");
  return { low: PAINT_TACK.low * likely, likely: PAINT_TACK.likely * likely, high: PAINT_TACK.high * likely };
}

/** How long a coat waits after the last mix of the one below; null where it need not. On a primer it waits for its tack at least. */
function waitBefore({ startsAfter }: Coat, below: Below): Spread | null {
  const { laid, resin, coat } = below;
  if (resin.kind === "paint")
    return startsAfter === "next-day" ? startOf(laid.life, "sandable") : paintTack(below);
  const soon = startsAfter === "wet" || startsAfter === "late";
  if (coat.kind === "primer" && soon) return startOf(laid.life, READY.tacky);
  return startsAfter === "wet" ? null : startOf(laid.life, READY[startsAfter]);
}

/** When a coat may be begun, seen from the one below, in working hours where it can wait for them; and when it was asked for, null where it was not. */
function startAfter(
  { startsAfter, notBefore }: Coat,
  { laid }: Below,
  waitMin: Spread | null,
  startMin: number,
  hours: Hours,
): { readyMin: number; askedMin: number | null } {
  const free = laid.windows.reduce(
    (latest, { pass, untilMin }) => (PASS[pass.kind].phase === "late" ? latest : Math.max(latest, untilMin)),
    laid.laidAtMin,
  );
  const ready = Math.max(free, waitMin ? laid.lastMixedAtMin + waitMin.likely : free);
  const { after = "mixed", afterMin = -Infinity, atMinute } = notBefore ?? {};
  const asked = Math.max(laid.mixedAtMin, (after === "mixed" ? laid.lastMixedAtMin : free) + afterMin);
  if (!Number.isFinite(ready)) return { readyMin: Infinity, askedMin: null };
  const dayAfter = (Math.floor(laid.mixedAtMin / DAY_MIN) + 1) * DAY_MIN;
  const soonest = (fromMin: number): number => {
    if (startsAfter !== "next-day") return atMinute === undefined ? fromMin : nextAt(fromMin, atMinute);
    if (atMinute !== undefined) return nextAt(Math.max(fromMin, dayAfter), atMinute);
    return nextOpen(Math.max(fromMin, dayAfter + minuteOfDay(startMin)), hours);
  };
  const readyMin = soonest(Math.max(ready, asked));
  // What was asked for, told where the film below lets it wait longer.
  const askedMin = Number.isFinite(afterMin) || atMinute !== undefined ? soonest(asked) : null;
  return { readyMin, askedMin };
}

/** Whether a coat lies over the faces and edges of the one below, so that nothing is done to them any more. */
const hides = ({ coat }: WindowCoat, below: Coat): boolean =>
  liesOnTop(coat) &&
  coat.coverShare > 0.5 &&
  (coat.pieceIds === undefined ||
    below.pieceIds === undefined ||
    coat.pieceIds.some((id) => below.pieceIds?.includes(id)));

/** The coat below without what would be done to its faces and edges after they are covered. */
function uncovered(laid: CoatWindows, fromMin: number): CoatWindows {
  const windows = laid.windows.filter(
    ({ pass, atMin, done }) => done || PASS[pass.kind].on === undefined || atMin < fromMin,
  );
  return {
    ...laid,
    windows,
    handsOffMin: Math.max(
      laid.mixedAtMin,
      ...windows.map(({ untilMin }) => untilMin).filter(Number.isFinite),
    ),
  };
}

/**
 * The days of a job from a start: each coat mixed when the one below allows it, each pass in its window, one thing after the other. What was
 * done already stays where it was done; the rest follows from there.
 * @param startMin minutes from midnight of the first day
 */
export function planDays(coats: readonly WindowCoat[], startMin: number, settings: Settings): DayPlan {
  const { hours, nowMin, people, taken = [], notBeforeMin = -Infinity } = settings;
  const laid: CoatWindows[] = [];
  const ofMix = new Map<string, Trouble[]>();
  const never: Trouble[] = [];
  let below: Below | null = null;
  for (const planned of coats) {
    const { coat, batched, real } = planned;
    const waitMin: Spread | null = below && waitBefore(coat, below);
    const { readyMin: ready, askedMin } = below
      ? startAfter(coat, below, waitMin, startMin, hours)
      : { readyMin: startMin, askedMin: null };
    const sanded: PassWindow[] = below
      ? prepare(planned, Math.max(ready, notBeforeMin), below, settings)
      : prepareUntil(planned, ready, settings);
    const begins = Math.max(ready, ...sanded.map(({ untilMin }) => untilMin));
    if (!Number.isFinite(begins) && !real) {
      never.push({
        kind: "never",
        coatId: coat.id,
        passId: null,
        words: mixSaid.never(coat.name),
      });
      break;
    }
    const due = Math.max(begins, notBeforeMin);
    const laidIn = (batchTimes(batched, 0, people).at(-1) as BatchTimes).doneAtMin;
    const { atMin, waitsFor } = real
      ? { atMin: real.batchesAtMin[0] ?? due, waitsFor: null }
      : whenFree(due, laidIn, taken);
    const wet = layCoat(planned, atMin, waitMin, settings, [
      ...laid.flatMap(vapoursOf),
      ...vapoursOf({ windows: sanded }),
    ]);
    const windows = { ...wet, windows: [...sanded, ...wet.windows] };
    if (below && hides(planned, below.coat)) laid[laid.length - 1] = uncovered(below.laid, atMin);
    const found: Trouble[] = [];
    if (!real) {
      if (waitsFor)
        found.push({
          kind: "waits",
          coatId: coat.id,
          passId: null,
          words: mixSaid.waits(coat.name, atMin - due, waitsFor),
        });
      const wanted = askedMin !== null && askedMin < ready && atMin - ready < 1 ? askedMin : null;
      found.push(...mixTroubles(windows, coat, below, hours, wanted));
    }
    ofMix.set(coat.id, found);
    laid.push(windows);
    below = { laid: windows, resin: planned.resin, coat };
  }
  const troubles = [
    ...laid.flatMap((laid) => [...(ofMix.get(laid.coatId) ?? []), ...passTroubles(laid, hours)]),
    ...fireTroubles(laid),
    ...never,
  ];
  const first = coats[0];
  if (nowMin !== null && startMin < nowMin && first && !first.real)
    troubles.unshift({
      kind: "past",
      coatId: first.coat.id,
      passId: null,
      words: mixSaid.past(),
    });
  return {
    coats: laid,
    troubles,
    endMin: laid.reduce((latest, { handsOffMin }) => Math.max(latest, handsOffMin), startMin),
  };
}
