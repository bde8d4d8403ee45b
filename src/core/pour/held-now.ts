import { mixDensityGPerMl } from "../batch/parts";
import { potLifeSpread } from "../batch/split-batches";
import type { Spread } from "../numerics/spread";
import type { PlannedCoat } from "../plan/timed";
import { batchesAsWeighed } from "./batches-to-come";
import type { AtHand } from "../batch/at-hand";
import type { PourState } from "./pour-events";
import { weighStepId } from "./weigh-step";

/** What is held back of a colour, or of clear: how much there is of what was mixed, and how long it can still be used, min. */
export type HeldNow = { name: string; ml: number; leftMin: Spread };

/**
 * What was held back of a coat and stands in its cups: of each batch that is mixed its share, as it was weighed, and how long the oldest of it lives in a
 * cup of its own. What is past its latest end is left out: it is hard.
 * @param roomC temperature of the room, °C
 */
export function heldNow(
  planned: PlannedCoat,
  atHand: AtHand,
  state: PourState,
  nowMs: number,
  roomC: number,
): HeldNow[] {
  const { coat, resin, batched } = planned;
  if (!resin || !batched || batched.held.length === 0 || resin.kind === "paint") return [];
  const mixed = batchesAsWeighed(planned, atHand, state.weighed).flatMap(({ planned: of, batch }) => {
    const at = state.doneAt.get(weighStepId(coat.id, of.number));
    return at === undefined ? [] : [{ at: Date.parse(at), ml: batch.parts.mixMl }];
  });
  const [first] = mixed;
  if (!first) return [];
  const plannedMl = batched.batches.reduce((sum, { parts }) => sum + parts.mixMl, 0);
  const share = mixed.reduce((sum, { ml }) => sum + ml, 0) / plannedMl;
  const sinceMin = (nowMs - first.at) / 60_000;
  // What is held back of a colour called clear, and clear itself, stand in one cup.
  const byName = new Map<string, number>();
  for (const { name, ml } of batched.held) byName.set(name, (byName.get(name) ?? 0) + ml);
  return [...byName].flatMap(([name, ml]): HeldNow[] => {
    const here = ml * share;
    const life = potLifeSpread((here / mixed.length) * mixDensityGPerMl(resin), roomC, resin);
    const leftMin = {
      low: life.low - sinceMin,
      likely: life.likely - sinceMin,
      high: life.high - sinceMin,
    };
    return leftMin.high > 0 ? [{ name, ml: here, leftMin }] : [];
  });
}
