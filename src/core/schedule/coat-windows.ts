import type { BatchedCoat } from "../batch/batch-coat";
import type { Calibration } from "../cure/calibrate";
import { filmLifeIn, likelyLifeIn } from "../cure/film-in-room";
import type { FilmState, StateStart } from "../cure/film-states";
import type { ResinCard } from "../cure/resin-card";
import type { Room } from "../cure/room";
import { exactly, type Spread } from "../numerics/spread";
import type { Coat } from "./coat";
import { whenFree, type Taken } from "./hands";
import type { Hours } from "./hours";
import { FLASH_OFF_MIN, PASS, type Pass } from "./pass";
import { BEFORE, isLate, isLaying, RIGHT, VAPOUR } from "./right-states";

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

/**
 * Batches follow each other: one is mixed when the last is worked out; with a second pair of hands, while it is.
 * @param mixedAt when those that were mixed already were mixed
 * @param notBeforeMin the others are not mixed before it
 */
export function batchTimes(
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

/** A coat mixed at a minute: its batches, its film, and each pass in its window. */
export function layCoat(
  one: WindowCoat,
  startMin: number,
  waitMin: Spread | null,
  settings: Settings,
): CoatWindows {
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
