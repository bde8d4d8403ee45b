import type { BatchedCoat } from "../batch/batch-coat";
import { filmLifeIn, likelyLifeIn } from "../cure/film-in-room";
import type { FilmState, StateStart } from "../cure/film-states";
import type { FittedResin } from "../cure/fitted-resin";
import type { Room } from "../cure/room";
import { exactly, type Spread } from "../numerics/spread";
import type { Coat } from "./coat";
import { whenFree, type Taken } from "./hands";
import type { Hours } from "./hours";
import { PASS } from "../passes/facts";
import { FLASH_OFF_MIN, type Pass } from "./pass";

/** What was done to a coat so far; minutes from midnight of the first day. */
export type Real = {
  /** When each batch that was mixed was mixed; at least the first. */
  batchesAtMin: readonly number[];
  /** When a pass was done, by its id. */
  doneAtMin: Readonly<Record<string, number>>;
  /** For how many batches a pass was done that is done for each, by its id. */
  doneBatches: Readonly<Record<string, number>>;
};

/** The resin of a coat and what is known of its batches: all that its windows hang on. */
export type WindowCoat = {
  coat: Coat;
  resin: FittedResin;
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
  /** Its times batch by batch where it is done for each as soon as it is mixed; else empty. */
  perBatch: { number: number; atMin: number; untilMin: number; done: boolean }[];
};

/** When vapour that burns was put in the air. */
export type Vapour = { fromMin: number; toMin: number };

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

/** The coat below, as it lies. */
export type Below = { laid: CoatWindows; resin: FittedResin; coat: Coat };

export const startOf = (life: readonly StateStart[], state: FilmState): Spread =>
  life.find((start) => start.state === state)?.fromMin ?? exactly(Infinity);

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

/** Passes of a coat that are done on the coat below, before it is mixed. */
export const passesBefore = ({ passes }: Coat): Pass[] =>
  passes.filter(({ kind }) => PASS[kind].phase === "before");

/** Passes of a coat from its mixing on: those for faces and edges only where there are any. */
const passesOf = ({ coat, batched }: WindowCoat): Pass[] =>
  coat.passes.filter(({ kind }) => {
    const { phase, on } = PASS[kind];
    if (phase === "before") return false;
    if (on === "faces") return batched.faceAreaMm2 > 0;
    return on !== "edges" || batched.dripLengthMm > 0 || batched.faceAreaMm2 > 0;
  });

/** What is sprayed into the air of a coat. */
export const vapoursOf = ({ windows }: Pick<CoatWindows, "windows">): Vapour[] =>
  windows.flatMap(({ pass, atMin, untilMin }) =>
    PASS[pass.kind].fire === "vapour" && Number.isFinite(atMin) ? [{ fromMin: atMin, toMin: untilMin }] : [],
  );

/** The first minute from one on at which all vapour that was sprayed by then has gone. */
export function clearOf(vapours: readonly Vapour[], atMin: number): number {
  let clear = atMin;
  for (let moved = true; moved;) {
    const next = vapours.reduce(
      (latest, { fromMin, toMin }) => (fromMin <= latest ? Math.max(latest, toMin + FLASH_OFF_MIN) : latest),
      clear,
    );
    moved = next > clear;
    clear = next;
  }
  return clear;
}

/** Usual minutes that a pass takes for the hands that are on it, one at least. */
const usualMinutes = ({ kind, rounds }: Pass, { batched, coat }: WindowCoat, people: number): number =>
  Math.max(1, (PASS[kind].minutesPerM2 * ((batched.topAreaMm2 * coat.coverShare) / 1e6) * rounds) / people);

/**
 * When the laying passes are done: they take the time in which the batches are worked. What is done for each batch is done in it; the others
 * follow on the last one.
 */
function layingTimes(planned: WindowCoat, batches: readonly BatchTimes[], people: number) {
  const laying = passesOf(planned).filter(({ kind }) => PASS[kind].phase === "laying");
  const sum = laying.reduce((total, pass) => total + usualMinutes(pass, planned, people), 0);
  const last = batches[batches.length - 1] as BatchTimes;
  const ordered = [
    ...laying.filter(({ kind }) => PASS[kind].perBatch),
    ...laying.filter(({ kind }) => !PASS[kind].perBatch),
  ];
  const times = new Map<string, Pick<PassWindow, "atMin" | "untilMin" | "perBatch">>();
  let before = 0;
  for (const pass of ordered) {
    const share = usualMinutes(pass, planned, people) / sum;
    const within = ({ number, pourAtMin, doneAtMin }: BatchTimes) => ({
      number,
      atMin: pourAtMin + before * (doneAtMin - pourAtMin),
      untilMin: pourAtMin + (before + share) * (doneAtMin - pourAtMin),
    });
    const doneFor = planned.real?.doneBatches[pass.id] ?? 0;
    const each = PASS[pass.kind].perBatch
      ? batches.map((batch, index) => ({ ...within(batch), done: index < doneFor }))
      : [];
    const { atMin, untilMin } = within(last);
    times.set(pass.id, { atMin: each[0]?.atMin ?? atMin, untilMin, perBatch: each });
    before += share;
  }
  return times;
}

/** From when what waits for a state is planned: from when it is surely reached, unless the window may be over by then. */
const surely = (from: Spread, to: Spread | null, minutes: number): number =>
  Math.max(from.likely, Math.min(from.high, (to?.low ?? Infinity) - minutes));

/** A coat mixed at a minute: its batches, its film, and each pass in its window. */
export function layCoat(
  planned: WindowCoat,
  startMin: number,
  waitMin: Spread | null,
  settings: Settings,
  /** Vapour of the coats before it. */
  vapours: readonly Vapour[] = [],
): CoatWindows {
  const { coat, resin, batched, real } = planned;
  const { room, people, quick, taken = [], notBeforeMin = -Infinity } = settings;
  const batches = batchTimes(batched, startMin, people, real?.batchesAtMin, notBeforeMin);
  const [first, last] = [batches[0], batches[batches.length - 1]] as [BatchTimes, BatchTimes];
  const lastMixedAtMin = last.mixAtMin;
  const film = { resin, room, mixedAtMin: startMin };
  const life = quick ? likelyLifeIn(film) : filmLifeIn(film);
  const laid = layingTimes(planned, batches, people);
  const inTheAir = [...vapours];
  let free = first.pourAtMin;
  let before = first.pourAtMin;
  let shutUntil = -Infinity;
  const windows = passesOf(planned).map((pass): PassWindow => {
    const { right, phase, fire, hands = true, words } = PASS[pass.kind];
    const laying = laid.get(pass.id);
    const earliest = Math.max(startMin + (pass.fromMin ?? 0), before + (pass.afterMin ?? -Infinity));
    // From when the last of it is ready, until the first of it is past.
    const ready = atLeast(
      plus(startOf(life, right.from), right.from === "runny" ? first.pourAtMin : lastMixedAtMin),
      earliest,
    );
    const from =
      fire === "lights" ? atLeast(ready, Math.max(shutUntil, clearOf(inTheAir, ready.likely))) : ready;
    // Each batch is laid from its own mix; what comes after lies on the first of them. A paint dries in a way that no card tells.
    const laidFrom = phase === "laying" ? lastMixedAtMin : startMin;
    const to = right.to === null || resin.kind === "paint" ? null : plus(startOf(life, right.to), laidFrom);
    const minutes = laying ? laying.untilMin - laying.atMin : usualMinutes(pass, planned, people);
    const doneAt = real?.doneAtMin[pass.id];
    const wanted = right.from === "runny" ? from.likely : surely(from, to, minutes);
    const due = Math.max(free, laying?.atMin ?? -Infinity, wanted, notBeforeMin);
    const safe = fire === "lights" ? clearOf(inTheAir, due) : due;
    const { atMin, waitsFor } =
      doneAt !== undefined
        ? { atMin: doneAt, waitsFor: null }
        : hands
          ? whenFree(safe, minutes, taken)
          : { atMin: safe, waitsFor: null };
    const untilMin = doneAt ?? atMin + minutes;
    if (phase !== "late") free = Math.max(free, untilMin);
    if (fire === "vapour") {
      inTheAir.push({ fromMin: atMin, toMin: untilMin });
      shutUntil = untilMin + FLASH_OFF_MIN;
    }
    before = untilMin;
    const moved = laying && doneAt === undefined ? atMin - laying.atMin : 0;
    const perBatch = (laying?.perBatch ?? []).map((batch) => ({
      ...batch,
      atMin: batch.atMin + moved,
      untilMin: batch.untilMin + moved,
    }));
    return { pass, words, from, to, atMin, untilMin, done: doneAt !== undefined, waitsFor, perBatch };
  });
  const laidBy = windows.filter(({ pass }) => PASS[pass.kind].phase === "laying");
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

/**
 * What is done on the coat below before a coat is mixed: sanding, on what can be sanded, by its area.
 * @param fromMin when the hands come to it at the soonest
 */
export function sandBelow(
  planned: WindowCoat,
  fromMin: number,
  below: Below | null,
  settings: Settings,
): PassWindow[] {
  const { taken = [], people } = settings;
  const ready = below
    ? plus(startOf(below.laid.life, PASS.sand.right.from), below.laid.lastMixedAtMin)
    : exactly(fromMin);
  let free = fromMin;
  return passesBefore(planned.coat).map((pass): PassWindow => {
    const minutes = usualMinutes(pass, planned, people);
    const doneAt = planned.real?.doneAtMin[pass.id];
    const due = Math.max(free, ready.likely);
    const { atMin, waitsFor } =
      doneAt === undefined ? whenFree(due, minutes, taken) : { atMin: doneAt, waitsFor: null };
    free = doneAt ?? atMin + minutes;
    const { words } = PASS[pass.kind];
    return {
      pass,
      words,
      from: ready,
      to: null,
      atMin,
      untilMin: free,
      done: doneAt !== undefined,
      waitsFor,
      perBatch: [],
    };
  });
}

/** Whether a pass is planned where its window is surely open, within a minute. */
export const isSure = ({ from, to, untilMin, atMin, pass }: PassWindow): boolean =>
  PASS[pass.kind].right.from === "runny" ||
  (atMin >= from.high - 1 && (to === null || untilMin <= to.low + 1));
