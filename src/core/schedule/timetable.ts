import type { BatchedCoat } from "../batch/batch-coat";
import type { StateStart } from "../cure/film-life";
import type { ResinCard } from "../cure/resin-card";
import type { StartsAfter } from "./coat";

/** When one batch is mixed and worked; minutes from midnight of the first day. */
export type BatchTimes = { number: number; mixAtMin: number; pourAtMin: number; doneAtMin: number };

export type CoatTimes = {
  coatId: string;
  /** 0 is the first day. */
  day: number;
  startMin: number;
  /** Spread of the waiting time before this coat, minutes; null for the first or a coat laid wet on wet. */
  waitMin: { low: number; likely: number; high: number } | null;
  batches: BatchTimes[];
  doneMin: number;
};

export type TimedCoat = {
  id: string;
  startsAfter: StartsAfter;
  batched: BatchedCoat;
  card: ResinCard;
  life: StateStart[];
};

const DAY_MIN = 24 * 60;
/** A paint primer is coated when sticky but not wet (common practice, no source). */
export const PRIMER_TACK_MIN = { low: 45, likely: 52, high: 60 };

/** The state of the coat below from which each start is right. */
export const READY = { late: "flowing", tacky: "gummy", recoat: "recoat", "next-day": "sandable" } as const;

function waitBefore(startsAfter: StartsAfter, below: TimedCoat) {
  if (startsAfter === "wet") return null;
  if (below.card.kind === "paint" && startsAfter !== "next-day") return PRIMER_TACK_MIN;
  return below.life.find((start) => start.state === READY[startsAfter])?.fromMin ?? null;
}

/**
 * What to mix when. A coat starts when the one below allows it; its batches follow each other so that one is mixed
 * when the last is worked out (with a second pair of hands: while it is). A coat for the next day starts at the shop's hour,
 * or when the coat below can be sanded, whichever is later.
 * @param startMin minutes after midnight at which the first coat is mixed
 */
export function timetable(coats: readonly TimedCoat[], startMin: number, people: number): CoatTimes[] {
  const times: CoatTimes[] = [];
  let below: { coat: TimedCoat; times: CoatTimes } | null = null;
  for (const coat of coats) {
    let start: number = startMin;
    let waitMin: CoatTimes["waitMin"] = null;
    if (below) {
      waitMin = waitBefore(coat.startsAfter, below.coat);
      const poured = below.times.batches[below.times.batches.length - 1]?.pourAtMin ?? below.times.startMin;
      start = waitMin ? Math.max(below.times.doneMin, poured + waitMin.likely) : below.times.doneMin;
      if (coat.startsAfter === "next-day")
        start = Math.max(start, (below.times.day + 1) * DAY_MIN + startMin);
    }
    const { batches, workMin, mixingMin } = coat.batched;
    let free = start;
    let handsFree = start;
    const rows = batches.map(({ number, share }) => {
      const mixAtMin = people > 1 ? Math.max(start, handsFree - mixingMin) : free;
      const pourAtMin = Math.max(mixAtMin + mixingMin, people > 1 ? handsFree : 0);
      const doneAtMin = pourAtMin + workMin.likely * share;
      free = doneAtMin;
      handsFree = doneAtMin;
      return { number, mixAtMin, pourAtMin, doneAtMin };
    });
    const own: CoatTimes = {
      coatId: coat.id,
      day: Math.floor(start / DAY_MIN),
      startMin: start,
      waitMin,
      batches: rows,
      doneMin: free,
    };
    times.push(own);
    below = { coat, times: own };
  }
  return times;
}
