import type { Spread } from "../numerics/spread";
import { PASS } from "../passes/facts";
import type { Plan } from "../plan/derive-plan";
import type { PourState } from "./pour-events";
import type { RunStep } from "./run-sheet";
import { weighStepId } from "./weigh-step";

/** A mix that stands in its pot: whose it is, and how long it lives there yet, min. */
export type PotNow = { coatName: string; batch: number; leftMin: Spread };

/** Told from so many minutes before the end that may come first, until so long after the one that may come last: then it is hard. */
const TOLD_FROM_MIN = 8;
const HARD_AFTER_MIN = 60;

/**
 * The mix that will be the first to grow hot in its pot: weighed out, and not all poured yet. Null while none is near its end. A pot is taken as
 * emptied when what first lays its batch is done.
 */
export function potNow(
  plan: Plan,
  steps: readonly RunStep[],
  state: PourState,
  nowMs: number,
): PotNow | null {
  const pots = plan.coats.flatMap(({ coat, batched }): PotNow[] => {
    const life = batched?.potLifeMin;
    if (!batched || !life) return [];
    const laying = new Set(
      coat.passes.filter(({ kind }) => PASS[kind].phase === "laying").map(({ id }) => id),
    );
    return batched.batches.flatMap(({ number }): PotNow[] => {
      const mixed = state.doneAt.get(weighStepId(coat.id, number));
      if (mixed === undefined || state.droppedCoats.has(coat.id)) return [];
      const first = steps.find(
        ({ coatId, passId, batch }) =>
          coatId === coat.id && passId !== null && laying.has(passId) && (batch === null || batch === number),
      );
      if (!first || state.doneAt.has(first.id) || state.skipped.has(first.id)) return [];
      const sinceMin = (nowMs - Date.parse(mixed)) / 60_000;
      const { low, likely, high } = life;
      return [
        {
          coatName: coat.name,
          batch: number,
          leftMin: { low: low - sinceMin, likely: likely - sinceMin, high: high - sinceMin },
        },
      ];
    });
  });
  const hottest = pots
    .filter(({ leftMin }) => leftMin.high > -HARD_AFTER_MIN)
    .sort((a, b) => a.leftMin.low - b.leftMin.low)[0];
  return hottest && hottest.leftMin.low < TOLD_FROM_MIN ? hottest : null;
}
