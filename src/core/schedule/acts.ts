import type { Spread } from "../numerics/spread";
import type { CoatWindows } from "./coat-windows";
import type { Pass } from "./pass";

/** Something that hands do in the days of a job, at its minute: what the wall page, the calendar and the bench are made of. */
export type Act = {
  coatId: string;
  coatName: string;
  kind: "mix" | "pass";
  words: string;
  /** From 1, for mixing and for what is done for each batch; null for any other pass. */
  batch: number | null;
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
        pass: null,
        atMin: mixAtMin,
        untilMin: pourAtMin,
        to: null,
        done: index < mixedBatches,
        mixedAtMin,
      })),
      ...windows.flatMap(({ pass, words, atMin, untilMin, to, done, perBatch }): Act[] => {
        const act = { coatId, coatName, kind: "pass", pass, to, mixedAtMin } as const;
        if (perBatch.length < 2) return [{ ...act, words, batch: null, atMin, untilMin, done }];
        return perBatch.map((each) => ({
          ...act,
          words: `${words}, batch ${each.number}`,
          batch: each.number,
          atMin: each.atMin,
          untilMin: each.untilMin,
          done: done || each.done,
        }));
      }),
    ])
    .filter(({ atMin }) => Number.isFinite(atMin))
    .sort((a, b) => a.atMin - b.atMin);
}
