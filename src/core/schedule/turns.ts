import type { Spread } from "../numerics/spread";
import { PASS } from "../passes/facts";
import { MOST_ROUNDS, putsVapour, type Pass, type Repeat } from "./pass";

/** One time of a pass that comes more than once; minutes from midnight of the first day. */
export type Turn = {
  number: number;
  atMin: number;
  untilMin: number;
  done: boolean;
  /** It may not be needed: the film may be so far by then. */
  maybe: boolean;
};

/** What each turn is for: a batch as soon as it is mixed, a round of what is done again and again, a section of the top. */
export type TurnOf = "batch" | "round" | "section";

/**
 * The rounds of a pass: those that were done, then one after the other, as long as the film is surely or perhaps not so far.
 * @param firstMin when the first is due
 * @param minutes how long a round takes
 * @param ends when the film is so far; null where the rounds are counted
 * @param doneAt when those that were done were done, in their order
 * @param place the minute at which hands are free, from one on
 */
export function roundsOf(
  repeat: Repeat,
  firstMin: number,
  minutes: number,
  ends: Spread | null,
  doneAt: readonly number[],
  place: (dueMin: number) => number,
): Turn[] {
  const turns: Turn[] = doneAt.map((at, index) => ({
    number: index + 1,
    atMin: at,
    untilMin: at,
    done: true,
    maybe: false,
  }));
  const lastDone = doneAt[doneAt.length - 1];
  let due = lastDone === undefined ? firstMin : lastDone + repeat.everyMin;
  const most = "times" in repeat ? Math.min(repeat.times, MOST_ROUNDS) : MOST_ROUNDS;
  while (turns.length < most && Number.isFinite(due)) {
    if (ends && turns.length > 0 && due >= (Number.isFinite(ends.high) ? ends.high : ends.likely)) break;
    const atMin = place(due);
    turns.push({
      number: turns.length + 1,
      atMin,
      untilMin: atMin + minutes,
      done: false,
      maybe: ends !== null && turns.length > 0 && due >= ends.likely,
    });
    due = Math.max(due + repeat.everyMin, atMin + minutes);
  }
  return turns;
}

type Placed = {
  pass: Pass;
  from: Spread;
  atMin: number;
  untilMin: number;
  done: boolean;
  turns: Turn[];
  turnOf: TurnOf | null;
};

/** Whether a pass can be worked section by section: what burns or lights lies over the whole of it, what comes for each batch has its turns. */
const canBeSectioned = ({ pass, done, turns, atMin }: Placed): boolean =>
  (pass.sections ?? 1) > 1 &&
  PASS[pass.kind].fire !== "lights" &&
  !putsVapour(pass) &&
  !done &&
  turns.length < 2 &&
  Number.isFinite(atMin);

/**
 * Passes that follow each other in as many sections, section by section: each has its share of every one of them, and begins as soon as all of
 * them can. What they take together stays.
 */
export function inSections<Window extends Placed>(
  windows: readonly Window[],
  doneTurns: Readonly<Record<string, readonly number[]>> = {},
): Window[] {
  const out: Window[] = [];
  for (let at = 0; at < windows.length;) {
    const first = windows[at] as Window;
    const many = first.pass.sections ?? 1;
    let end = at;
    while (
      end < windows.length &&
      windows[end]?.pass.sections === many &&
      canBeSectioned(windows[end] as Window)
    )
      end += 1;
    if (end === at) {
      out.push(first);
      at += 1;
      continue;
    }
    const group = windows.slice(at, end);
    const lasts = group.map(({ atMin, untilMin }) => untilMin - atMin);
    const before = lasts.map(
      (_, index) => lasts.slice(0, index).reduce((sum, minutes) => sum + minutes, 0) / many,
    );
    const each = lasts.reduce((sum, minutes) => sum + minutes, 0) / many;
    const startMin = Math.max(
      first.atMin,
      ...group.map(({ from }, index) => from.likely - (before[index] ?? 0)),
    );
    group.forEach((window, index) => {
      const done = doneTurns[window.pass.id] ?? [];
      const turns = Array.from({ length: many }, (_, section): Turn => {
        const planned = startMin + section * each + (before[index] ?? 0);
        const doneAt = done[section];
        const minutes = (lasts[index] ?? 0) / many;
        return {
          number: section + 1,
          atMin: doneAt ?? planned,
          untilMin: doneAt ?? planned + minutes,
          done: doneAt !== undefined,
          maybe: false,
        };
      });
      out.push({
        ...window,
        atMin: turns[0]?.atMin ?? window.atMin,
        untilMin: turns[many - 1]?.untilMin ?? window.untilMin,
        turns,
        turnOf: "section",
      });
    });
    at = end;
  }
  return out;
}

/** "Scrape the drips, round 3 of 5 or 6": a turn of a pass by name. */
export function turnWords(
  words: string,
  { number }: Turn,
  of: TurnOf | null,
  turns: readonly Turn[],
): string {
  if (of === "batch") return `${words}, batch ${number}`;
  return `${words}, ${of ?? "round"} ${number} of ${manyWords(turns)}`;
}

/** "5", or "5 to 7" where the last may not be needed. */
export function manyWords(turns: readonly Turn[]): string {
  const surely = turns.filter(({ maybe }) => !maybe).length;
  return surely === turns.length ? String(surely) : `${surely} to ${turns.length}`;
}
