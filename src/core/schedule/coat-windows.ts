import type { BatchedCoat } from "../batch/batch-coat";
import { likelyLifeIn } from "../cure/film-in-room";
import type { FilmState, StateStart } from "../cure/film-states";
import type { FittedResin } from "../cure/fitted-resin";
import { heatedLifeIn, pulsesOf, type Heat } from "../cure/heat";
import type { Room } from "../cure/room";
import { exactly, type Spread } from "../numerics/spread";
import type { Coat } from "./coat";
import { whenFree, type Taken } from "./hands";
import { nextAt, type Hours } from "./hours";
import { PASS } from "../passes/facts";
import { FLASH_OFF_MIN, putsVapour, type Pass } from "./pass";
import { inSections, roundsOf, type Turn, type TurnOf } from "./turns";

/** What was done to a coat so far; minutes from midnight of the first day. */
export type Real = {
  /** When each batch that was mixed was mixed; at least the first. */
  batchesAtMin: readonly number[];
  /** When a pass was done, by its id. */
  doneAtMin: Readonly<Record<string, number>>;
  /** When the turns of a pass that comes more than once were done, by its id, in their order. */
  doneTurns: Readonly<Record<string, readonly number[]>>;
  /** What heat was put on its film. */
  heats?: readonly Heat[];
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
  /** Its turns where it comes more than once, and what they are for; else none. */
  turns: Turn[];
  turnOf: TurnOf | null;
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

export const plus = (spread: Spread, minutes: number): Spread => ({
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
    putsVapour(pass) && Number.isFinite(atMin) ? [{ fromMin: atMin, toMin: untilMin }] : [],
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
export function usualMinutes(pass: Pass, { batched, coat }: WindowCoat, people: number): number {
  const { minutesPerM2, minutesPerEdgeM, lastsMin } = PASS[pass.kind];
  const given = pass.lastsMin ?? lastsMin;
  if (given !== undefined) return given;
  const byTop = minutesPerM2 * ((batched.topAreaMm2 * coat.coverShare) / 1e6);
  const byEdge = minutesPerEdgeM ? minutesPerEdgeM * (batched.dripLengthMm / 1000) : 0;
  return Math.max(1, ((byTop + byEdge) * pass.rounds) / people);
}

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
  const times = new Map<string, Pick<PassWindow, "atMin" | "untilMin" | "turns">>();
  let before = 0;
  for (const pass of ordered) {
    const share = usualMinutes(pass, planned, people) / sum;
    const within = ({ number, pourAtMin, doneAtMin }: BatchTimes) => ({
      number,
      atMin: pourAtMin + before * (doneAtMin - pourAtMin),
      untilMin: pourAtMin + (before + share) * (doneAtMin - pourAtMin),
    });
    const doneFor = planned.real?.doneTurns[pass.id]?.length ?? 0;
    const each = PASS[pass.kind].perBatch
      ? batches.map((batch, index): Turn => ({ ...within(batch), done: index < doneFor, maybe: false }))
      : [];
    const { atMin, untilMin } = within(last);
    times.set(pass.id, { atMin: each[0]?.atMin ?? atMin, untilMin, turns: each });
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
  const heats = real?.heats ?? [];
  const life = quick ? likelyLifeIn({ ...film, pulses: pulsesOf(heats) }) : heatedLifeIn(film, heats);
  const laid = layingTimes(planned, batches, people);
  const inTheAir = [...vapours];
  const untilOf = new Map<string, number>();
  let free = first.pourAtMin;
  let before = first.pourAtMin;
  let shutUntil = -Infinity;
  const placed = passesOf(planned).map((pass): PassWindow => {
    const { right, phase, fire, hands = true, words } = PASS[pass.kind];
    const laying = laid.get(pass.id);
    const after = pass.afterPassId === undefined ? before : (untilOf.get(pass.afterPassId) ?? before);
    const earliest = Math.max(startMin + (pass.fromMin ?? 0), after + (pass.afterMin ?? -Infinity));
    // From when the last of it is ready, until the first of it is past.
    const inState = atLeast(
      plus(startOf(life, right.from), right.from === "runny" ? first.pourAtMin : lastMixedAtMin),
      earliest,
    );
    const ready =
      pass.atMinute === undefined ? inState : atLeast(inState, nextAt(inState.likely, pass.atMinute));
    const from =
      fire === "lights" ? atLeast(ready, Math.max(shutUntil, clearOf(inTheAir, ready.likely))) : ready;
    // Each batch is laid from its own mix; what comes after lies on the first of them. A paint dries in a way that no card tells.
    const laidFrom = phase === "laying" ? lastMixedAtMin : startMin;
    const to = right.to === null || resin.kind === "paint" ? null : plus(startOf(life, right.to), laidFrom);
    const minutes =
      laying && pass.lastsMin === undefined
        ? laying.untilMin - laying.atMin
        : usualMinutes(pass, planned, people);
    const doneAt = real?.doneAtMin[pass.id];
    const wanted = right.from === "runny" ? from.likely : surely(from, to, minutes);
    const due = Math.max(free, laying?.atMin ?? -Infinity, wanted, notBeforeMin);
    const place = (dueMin: number) => {
      const safe = fire === "lights" ? clearOf(inTheAir, dueMin) : dueMin;
      return hands ? whenFree(safe, minutes, taken) : { atMin: safe, waitsFor: null };
    };
    const { atMin, waitsFor } = doneAt !== undefined ? { atMin: doneAt, waitsFor: null } : place(due);
    const rounds =
      pass.repeat && !PASS[pass.kind].perBatch
        ? roundsOf(
            pass.repeat,
            due,
            minutes,
            "until" in pass.repeat ? plus(startOf(life, pass.repeat.until), lastMixedAtMin) : null,
            real?.doneTurns[pass.id] ?? [],
            (dueMin) => place(Math.max(dueMin, notBeforeMin)).atMin,
          ).filter(({ done }) => done || doneAt === undefined)
        : [];
    const last = rounds.findLast(({ maybe }) => !maybe);
    const untilMin = doneAt ?? last?.untilMin ?? atMin + minutes;
    // Between the rounds of what comes again hands do other things.
    if (phase !== "late") free = Math.max(free, rounds[0]?.untilMin ?? untilMin);
    if (putsVapour(pass)) {
      inTheAir.push({ fromMin: atMin, toMin: untilMin });
      shutUntil = untilMin + FLASH_OFF_MIN;
    }
    before = untilMin;
    untilOf.set(pass.id, untilMin);
    const moved = laying && doneAt === undefined ? atMin - laying.atMin : 0;
    const batchTurns = (laying?.turns ?? []).map((turn) => ({
      ...turn,
      atMin: turn.atMin + moved,
      untilMin: turn.untilMin + moved,
    }));
    const turns = rounds.length > 0 ? rounds : batchTurns;
    const turnOf = turns.length === 0 ? null : rounds.length > 0 ? "round" : "batch";
    const begins = doneAt === undefined ? (rounds[0]?.atMin ?? atMin) : atMin;
    return {
      pass,
      words,
      from,
      to,
      atMin: begins,
      untilMin,
      done: doneAt !== undefined,
      waitsFor,
      turns,
      turnOf,
    };
  });
  const windows = inSections(placed, real?.doneTurns);
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

/** Until when a pass is done for the first time; of what comes in rounds, whose end is what they wait for, the first round. */
export const firstUntil = ({ turns, turnOf, untilMin }: PassWindow): number =>
  (turnOf === "round" ? turns[0]?.untilMin : undefined) ?? untilMin;

/** Whether a pass is planned where its window is surely open, within a minute. */
export const isSure = (window: PassWindow): boolean =>
  PASS[window.pass.kind].right.from === "runny" ||
  (window.atMin >= window.from.high - 1 && (window.to === null || firstUntil(window) <= window.to.low + 1));
