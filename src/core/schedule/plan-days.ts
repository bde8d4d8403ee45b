import type { ResinCard } from "../cure/resin-card";
import type { Spread } from "../numerics/spread";
import type { Coat, StartsAfter } from "./coat";
import {
  batchTimes,
  layCoat,
  startOf,
  type BatchTimes,
  type CoatWindows,
  type Settings,
  type WindowCoat,
} from "./coat-windows";
import { whenFree } from "./hands";
import { DAY_MIN, minuteOfDay, nextOpen, type Hours } from "./hours";
import { isLate } from "./right-states";
import { mixTroubles, passTroubles, type Trouble } from "./troubles";

/** A paint primer is coated when sticky but not wet (common practice, no source). */
const PRIMER_TACK_MIN: Spread = { low: 45, likely: 52, high: 60 };

/** The state of the coat below from which each start is right. */
const READY = { late: "flowing", tacky: "gummy", recoat: "recoat", "next-day": "sandable" } as const;

export type DayPlan = { coats: CoatWindows[]; troubles: Trouble[]; endMin: number };

type Below = { laid: CoatWindows; card: ResinCard };

/** How long a coat waits after the last mix of the one below; null where it need not. */
function waitBefore(startsAfter: StartsAfter, { laid, card }: Below): Spread | null {
  if (startsAfter === "wet") return null;
  if (card.kind === "paint" && startsAfter !== "next-day") return PRIMER_TACK_MIN;
  return startOf(laid.life, READY[startsAfter]);
}

/** When a coat may be mixed, seen from the one below; in working hours where it can wait for them. */
function startAfter(
  { startsAfter }: Coat,
  below: Below,
  waitMin: Spread | null,
  startMin: number,
  hours: Hours,
) {
  const { laid } = below;
  const free = laid.windows.reduce(
    (latest, { pass, untilMin }) => (isLate(pass.kind) ? latest : Math.max(latest, untilMin)),
    laid.laidAtMin,
  );
  const ready = Math.max(free, waitMin ? laid.lastMixedAtMin + waitMin.likely : free);
  if (startsAfter !== "next-day") return ready;
  const tomorrow = (Math.floor(laid.mixedAtMin / DAY_MIN) + 1) * DAY_MIN + minuteOfDay(startMin);
  return Number.isFinite(ready) ? nextOpen(Math.max(ready, tomorrow), hours) : Infinity;
}

/**
 * The days of a job from a start: each coat mixed when the one below allows it, each pass in its window, one thing after the other. What was
 * done already stays where it was done; the rest follows from there.
 * @param startMin minutes from midnight of the first day
 */
export function planDays(coats: readonly WindowCoat[], startMin: number, settings: Settings): DayPlan {
  const { hours, nowMin, people, taken = [], notBeforeMin = -Infinity } = settings;
  const laid: CoatWindows[] = [];
  const troubles: Trouble[] = [];
  let below: Below | null = null;
  for (const one of coats) {
    const { coat, batched, real } = one;
    const waitMin: Spread | null = below && waitBefore(coat.startsAfter, below);
    const ready = below ? startAfter(coat, below, waitMin, startMin, hours) : startMin;
    if (!Number.isFinite(ready) && !real) {
      troubles.push({
        kind: "never",
        coatId: coat.id,
        passId: null,
        words: `${coat.name} never starts: in this room the coat below does not harden.`,
      });
      break;
    }
    const due = Math.max(ready, notBeforeMin);
    const laidIn = (batchTimes(batched, 0, people).at(-1) as BatchTimes).doneAtMin;
    const { atMin, waitsFor } = real
      ? { atMin: real.batchesAtMin[0] ?? due, waitsFor: null }
      : whenFree(due, laidIn, taken);
    const own = layCoat(one, atMin, waitMin, settings);
    if (!real) {
      if (waitsFor)
        troubles.push({
          kind: "waits",
          coatId: coat.id,
          passId: null,
          words: `${coat.name} waits ${Math.round(atMin - due)} min for hands, which are on ${waitsFor}.`,
        });
      troubles.push(...mixTroubles(own, coat, below, hours));
    }
    troubles.push(...passTroubles(own, hours));
    laid.push(own);
    below = { laid: own, card: one.card };
  }
  const first = coats[0];
  if (nowMin !== null && startMin < nowMin && first && !first.real)
    troubles.unshift({
      kind: "past",
      coatId: first.coat.id,
      passId: null,
      words: "This start is in the past.",
    });
  return {
    coats: laid,
    troubles,
    endMin: laid.reduce((latest, { handsOffMin }) => Math.max(latest, handsOffMin), startMin),
  };
}
