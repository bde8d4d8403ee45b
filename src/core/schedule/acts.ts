import type { Spread } from "../numerics/spread";
import type { CoatWindows } from "./coat-windows";
import type { Pass } from "./pass";
import { turnWords } from "./turns";

/** Something that hands do in the days of a job, at its minute: what the wall page, the calendar and the bench are made of. */
export type Act = {
  coatId: string;
  coatName: string;
  kind: "mix" | "pass";
  words: string;
  /** From 1, for mixing and for what is done for each batch; null for any other pass. */
  batch: number | null;
  /** From 1, for a pass that comes more than once: for each batch, in rounds, by sections. */
  turn: number | null;
  /** It may not be needed. */
  maybe: boolean;
  pass: Pass | null;
  atMin: number;
  untilMin: number;
  /** Until when it is right; null where it stays right, or nothing is known. */
  to: Spread | null;
  done: boolean;
  mixedAtMin: number;
};

/** Every act of some coats in the order of time: each batch that is mixed, and each pass. What never comes is left out. */
export function actsOf(coats: readonly CoatWindows[]): Act[] {
  return coats
    .flatMap(({ coatId, name: coatName, batches, mixedBatches, mixedAtMin, windows }): Act[] => [
      ...batches.map(({ number, mixAtMin, pourAtMin }, index): Act => ({
        coatId,
        coatName,
        kind: "mix",
        words: batches.length > 1 ? `Mix batch ${number} of ${batches.length}` : "Mix",
        batch: number,
        turn: null,
        maybe: false,
        pass: null,
        atMin: mixAtMin,
        untilMin: pourAtMin,
        to: null,
        done: index < mixedBatches,
        mixedAtMin,
      })),
      ...windows.flatMap(({ pass, words, atMin, untilMin, to, done, turns, turnOf }): Act[] => {
        const act = { coatId, coatName, kind: "pass", pass, to, mixedAtMin } as const;
        if (turns.length < 2)
          return [{ ...act, words, batch: null, turn: null, maybe: false, atMin, untilMin, done }];
        return turns.map((turn) => ({
          ...act,
          words: turnWords(words, turn, turnOf, turns),
          batch: turnOf === "batch" ? turn.number : null,
          turn: turn.number,
          maybe: turn.maybe,
          atMin: turn.atMin,
          untilMin: turn.untilMin,
          done: done || turn.done,
        }));
      }),
    ])
    .filter(({ atMin }) => Number.isFinite(atMin))
    .sort((a, b) => a.atMin - b.atMin);
}
