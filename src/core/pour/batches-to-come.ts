import type { AtHand } from "../batch/at-hand";
import type { Batch } from "../batch/batch-coat";
import { resized, type WeighOut } from "../batch/weigh-out";
import type { PlannedCoat } from "../plan/timed";
import { batchAsWeighed, weighKey, type WeighedSoFar } from "./weigh-lines";
import { weighStepId } from "./weigh-step";

/** A coat as far as its batches go. */
type Batches = Pick<PlannedCoat, "coat" | "resin" | "batched">;

/** Less than this much of what is to come is not made up for: it lies within what a hand leaves in a pot. */
const MADE_UP_FROM = 0.01;
/** A batch is made no smaller and no larger than so many times what was planned: beyond it the piece wants a look, not a sum. */
const LEAST = 0.5;
const MOST = 1.5;

/**
 * Each batch of a coat by what was weighed so far: what is to be weighed of it, and what it is by its own weights. What was mixed more or less before is
 * made up for by the batches that come, so that the coat is as thick as planned.
 */
export function batchesAsWeighed(
  { coat, resin, batched }: Batches,
  atHand: AtHand,
  weighed: WeighedSoFar,
): { planned: Batch; batch: Batch; out: WeighOut }[] {
  if (!resin || !batched) return [];
  let moreMl = 0;
  let toComeMl = batched.batches.reduce((sum, { parts }) => sum + parts.mixMl, 0);
  return batched.batches.map((planned) => {
    const share = Math.min(MOST, Math.max(LEAST, 1 - moreMl / toComeMl));
    const target =
      Math.abs(share - 1) < MADE_UP_FROM
        ? planned
        : resized(planned, share, coat.colours, resin, atHand.vesselsMl);
    const stepId = weighStepId(coat.id, planned.number);
    const { batch, out } = batchAsWeighed(target, coat.colours, resin, atHand, (line) =>
      weighed.get(weighKey(stepId, line)),
    );
    moreMl += batch.parts.mixMl - planned.parts.mixMl;
    toComeMl -= planned.parts.mixMl;
    return { planned, batch, out };
  });
}

/** One batch of it; null where its card is gone. */
export const asWeighed = (
  coat: Batches,
  number: number | null,
  atHand: AtHand,
  weighed: WeighedSoFar,
): { planned: Batch; batch: Batch; out: WeighOut } | null =>
  batchesAsWeighed(coat, atHand, weighed).find(({ planned }) => planned.number === number) ?? null;
