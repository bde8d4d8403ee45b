import type { BatchedCoat } from "../batch/batch-coat";
import type { Calibration } from "../cure/calibrate";
import { filmLifeIn, likelyLifeIn } from "../cure/film-in-room";
import type { FilmState, StateStart } from "../cure/film-states";
import type { ResinCard } from "../cure/resin-card";
import type { Room } from "../cure/room";
import { exactly, type Spread } from "../numerics/spread";
import type { Coat, StartsAfter } from "./coat";
import { whenFree, type Taken } from "./hands";
import { DAY_MIN, isNight, isOpen, minuteOfDay, nextOpen, type Hours } from "./hours";
import { FLASH_OFF_MIN, PASS, type Pass, type PassKind } from "./pass";

/** Between which states of the film a pass is right (common practice, no source). */
const RIGHT: Record<PassKind, { from: FilmState; to: FilmState | null }> = {
  roll: { from: "runny", to: "flowing" },
  lay: { from: "runny", to: "flowing" },
  spread: { from: "runny", to: "flowing" },
  palm: { from: "runny", to: "flowing" },
  skim: { from: "runny", to: "flowing" },
  "roller-cut": { from: "runny", to: "flowing" },
  "bucket-pour": { from: "runny", to: "flowing" },
  drizzle: { from: "runny", to: "flowing" },
  blow: { from: "runny", to: "flowing" },
  flood: { from: "runny", to: "flowing" },
  flame: { from: "runny", to: "heavy" },
  alcohol: { from: "runny", to: "heavy" },
  fog: { from: "runny", to: "heavy" },
  "mica-alcohol": { from: "runny", to: "heavy" },
  veins: { from: "runny", to: "gummy" },
  chop: { from: "runny", to: "gummy" },
  accents: { from: "runny", to: "gummy" },
  glitter: { from: "runny", to: "gummy" },
  stones: { from: "runny", to: "gummy" },
  faces: { from: "runny", to: "gummy" },
  "dam-pull": { from: "gummy", to: "set" },
  "drip-scrape": { from: "heavy", to: "set" },
  sand: { from: "sandable", to: null },
  check: { from: "runny", to: null },
};

/** Alcohol, in whatever it is sprayed. */
const VAPOUR: readonly PassKind[] = ["alcohol", "mica-alcohol", "fog"];
/** Passes on the coat below, before this one is mixed. */
const BEFORE: readonly PassKind[] = ["sand"];
/** The laying itself: these share the time that the batches are worked in. */
export const isLaying = (kind: PassKind) => RIGHT[kind].to === "flowing";
/** Acts that come hours after a coat is laid: another coat need not wait for them. */
const isLate = (kind: PassKind) => kind === "dam-pull" || kind === "drip-scrape" || kind === "check";

/** A paint primer is coated when sticky but not wet (common practice, no source). */
const PRIMER_TACK_MIN: Spread = { low: 45, likely: 52, high: 60 };

/** The state of the coat below from which each start is right. */
const READY = { late: "flowing", tacky: "gummy", recoat: "recoat", "next-day": "sandable" } as const;

/** What was done to a coat so far; minutes from midnight of the first day. */
export type Real = {
  /** When each batch that was mixed was mixed; at least the first. */
  batchesAtMin: readonly number[];
  /** When a pass was done, by its id. */
  doneAtMin: Readonly<Record<string, number>>;
};

/** The resin of a coat and what is known of its batches: all that its windows hang on. */
export type WindowCoat = {
  coat: Coat;
  card: ResinCard;
  calibration: Calibration;
  batched: BatchedCoat;
  real?: Real;
};

/** When one batch is mixed, poured and worked out. */
export type BatchTimes = { number: number; mixAtMin: number; pourAtMin: number; doneAtMin: number };

export type PassWindow = {
  pass: Pass;
  words: string;
  /** From when and until when it is right, minutes from midnight of the first day; `to` null where it stays right. */
  from: Spread;
  to: Spread | null;
  /** When it is done, by hands that do one thing after the other. */
  atMin: number;
  untilMin: number;
  /** It was done, at `atMin`. */
  done: boolean;
  /** The other work that has the hands when it is due. */
  waitsFor: string | null;
};

export type CoatWindows = {
  coatId: string;
  name: string;
  /** Waiting time before this coat, min; null for the first, or one laid wet on wet. */
  waitMin: Spread | null;
  batches: BatchTimes[];
  /** First and last batch, mixed. */
  mixedAtMin: number;
  lastMixedAtMin: number;
  /** How many of its batches were mixed. */
  mixedBatches: number;
  /** The last batch, worked out. */
  laidAtMin: number;
  /** Life of the film of its first batch, minutes after mixing. */
  life: StateStart[];
  windows: PassWindow[];
  /** The last act on it. */
  handsOffMin: number;
};

export type Trouble = {
  kind:
    | "night"
    | "after hours"
    | "late"
    | "may be late"
    | "never"
    | "sand first"
    | "past"
    | "hands"
    | "waits"
    | "no place";
  coatId: string;
  passId: string | null;
  words: string;
};

/** A trouble in few words. */
export const TROUBLE_WORDS: Record<Trouble["kind"], string> = {
  night: "in the night",
  "after hours": "after hours",
  late: "when the window is over",
  "may be late": "when the window may be over",
  never: "never",
  "sand first": "after the recoat window: sand first",
  past: "in the past",
  hands: "with no hands free in its window",
  waits: "that waits for hands",
  "no place": "with no place for the piece",
};

export type Settings = {
  room: Room;
  hours: Hours;
  people: number;
  /** Now, in minutes from midnight of the first day; null when no day is set. */
  nowMin: number | null;
  /** Windows without their spread, as for looking through many starts. */
  quick?: boolean;
  /** When other work has the hands, in the order of time. */
  taken?: readonly Taken[];
  /** What is not done yet is not done before this minute. */
  notBeforeMin?: number;
};

export type DayPlan = { coats: CoatWindows[]; troubles: Trouble[]; endMin: number };

export const startOf = (life: readonly StateStart[], state: FilmState): Spread =>
  life.find((one) => one.state === state)?.fromMin ?? exactly(Infinity);

const plus = (spread: Spread, minutes: number): Spread => ({
  low: spread.low + minutes,
  likely: spread.likely + minutes,
  high: spread.high + minutes,
});
const atLeast = (spread: Spread, minutes: number): Spread => ({
  low: Math.max(spread.low, minutes),
  likely: Math.max(spread.likely, minutes),
  high: Math.max(spread.high, minutes),
});

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
 * Batches follow each other: one is mixed when the last is worked out; with a second pair of hands, while it is.
 * @param mixedAt when those that were mixed already were mixed
 * @param notBeforeMin the others are not mixed before it
 */
function batchTimes(
  { batches, workMin, mixingMin }: BatchedCoat,
  startMin: number,
  people: number,
  mixedAt: readonly number[] = [],
  notBeforeMin = -Infinity,
): BatchTimes[] {
  let workedOut = startMin;
  let mixed = startMin;
  return batches.map(({ number, share }, index) => {
    const next = people > 1 ? Math.max(mixed, workedOut - mixingMin) : workedOut;
    const mixAtMin = mixedAt[index] ?? Math.max(next, notBeforeMin);
    const pourAtMin = Math.max(mixAtMin + mixingMin, workedOut);
    mixed = mixAtMin + mixingMin;
    workedOut = pourAtMin + workMin.likely * share;
    return { number, mixAtMin, pourAtMin, doneAtMin: workedOut };
  });
}

function layCoat(one: WindowCoat, startMin: number, waitMin: Spread | null, settings: Settings): CoatWindows {
  const { coat, card, calibration, batched, real } = one;
  const { room, people, quick, taken = [], notBeforeMin = -Infinity } = settings;
  const batches = batchTimes(batched, startMin, people, real?.batchesAtMin, notBeforeMin);
  const [first, last] = [batches[0], batches[batches.length - 1]] as [BatchTimes, BatchTimes];
  const lastMixedAtMin = last.mixAtMin;
  const film = { card, calibration, room, mixedAtMin: startMin };
  const life = quick ? likelyLifeIn(film) : filmLifeIn(film);
  const areaM2 = (batched.topAreaMm2 * coat.coverShare) / 1e6;
  const passes = coat.passes.filter(({ kind }) => !BEFORE.includes(kind));
  const usual = ({ kind, rounds }: Pass) => Math.max(1, (PASS[kind].minutesPerM2 * areaM2 * rounds) / people);
  const laying = passes.filter(({ kind }) => isLaying(kind)).reduce((sum, pass) => sum + usual(pass), 0);
  const minutesOf = (pass: Pass) =>
    isLaying(pass.kind) ? (usual(pass) / laying) * (last.doneAtMin - first.pourAtMin) : usual(pass);
  let free = first.pourAtMin;
  let shutUntil = -Infinity;
  const windows = passes.map((pass): PassWindow => {
    const right = RIGHT[pass.kind];
    // From when the last of it is ready, until the first of it is past.
    const earliest = pass.fromMin === null ? startMin : startMin + pass.fromMin;
    const from = atLeast(
      plus(startOf(life, right.from), right.from === "runny" ? first.pourAtMin : lastMixedAtMin),
      Math.max(earliest, pass.kind === "flame" ? shutUntil : -Infinity),
    );
    // Each batch is laid from its own mix; what comes after lies on the first of them. A paint dries in a way that no card tells.
    const laidFrom = isLaying(pass.kind) ? lastMixedAtMin : startMin;
    const to = right.to === null || card.kind === "paint" ? null : plus(startOf(life, right.to), laidFrom);
    const minutes = minutesOf(pass);
    const doneAt = real?.doneAtMin[pass.id];
    const due = Math.max(free, from.likely, notBeforeMin);
    const { atMin, waitsFor } =
      doneAt !== undefined
        ? { atMin: doneAt, waitsFor: null }
        : pass.kind === "check"
          ? { atMin: due, waitsFor: null }
          : whenFree(due, minutes, taken);
    const untilMin = doneAt ?? atMin + minutes;
    if (!isLate(pass.kind)) free = Math.max(free, untilMin);
    if (VAPOUR.includes(pass.kind)) shutUntil = untilMin + FLASH_OFF_MIN;
    const { words } = PASS[pass.kind];
    return { pass, words, from, to, atMin, untilMin, done: doneAt !== undefined, waitsFor };
  });
  const laidBy = windows.filter(({ pass }) => isLaying(pass.kind));
  const isLaid = laidBy.length > 0 && laidBy.every(({ done }) => done);
  return {
    coatId: coat.id,
    name: coat.name,
    waitMin,
    batches,
    mixedAtMin: startMin,
    lastMixedAtMin,
    mixedBatches: real?.batchesAtMin.length ?? 0,
    laidAtMin: isLaid ? Math.max(...laidBy.map(({ untilMin }) => untilMin)) : last.doneAtMin,
    life,
    windows,
    handsOffMin: Math.max(startMin, ...windows.map(({ untilMin }) => untilMin).filter(Number.isFinite)),
  };
}

function troublesOf(laid: CoatWindows, hours: Hours): Trouble[] {
  const { coatId } = laid;
  return laid.windows.flatMap(({ pass, words, atMin, untilMin, to, done, waitsFor }): Trouble[] => {
    const own = { coatId, passId: pass.id };
    if (done) return [];
    if (!Number.isFinite(atMin))
      return [{ ...own, kind: "never", words: `${words}: in this room the film never gets there.` }];
    const found: Trouble[] = [];
    const late = to && untilMin > to.likely;
    const maybe = to && untilMin > to.low;
    if (waitsFor && maybe)
      found.push({
        ...own,
        kind: "hands",
        words: `${words} waits for hands, which are on ${waitsFor}: its window ${late ? "is" : "may be"} over by then.`,
      });
    else if (late) found.push({ ...own, kind: "late", words: `${words}: its window is over by then.` });
    else if (maybe)
      found.push({ ...own, kind: "may be late", words: `${words}: the window may be over by then.` });
    if (pass.kind === "check") return found;
    if (isNight(atMin, hours)) found.push({ ...own, kind: "night", words: `${words} falls in the night.` });
    else if (!isOpen(atMin, hours))
      found.push({ ...own, kind: "after hours", words: `${words} falls after hours.` });
    return found;
  });
}

/** What is wrong with when a coat is mixed. */
function mixTroubles(own: CoatWindows, coat: Coat, below: Below | null, hours: Hours): Trouble[] {
  const at = { coatId: coat.id, passId: null };
  const found: Trouble[] = [];
  if (below && coat.startsAfter === "recoat" && below.card.recoatUntilH !== null) {
    const opens = startOf(below.laid.life, "recoat");
    const stretch =
      below.card.recoatUntilH / Math.max(0.1, below.card.recoatFromH ?? below.card.tackFreeH ?? 1);
    if (own.mixedAtMin > below.laid.mixedAtMin + opens.likely * stretch)
      found.push({
        ...at,
        kind: "sand first",
        words: `${coat.name} comes after the recoat window of ${below.laid.name}: sand first.`,
      });
  }
  if (isNight(own.mixedAtMin, hours))
    found.push({ ...at, kind: "night", words: `${coat.name} is mixed in the night.` });
  else if (!isOpen(own.mixedAtMin, hours))
    found.push({ ...at, kind: "after hours", words: `${coat.name} is mixed after hours.` });
  return found;
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
    troubles.push(...troublesOf(own, hours));
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
