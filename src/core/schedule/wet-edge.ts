import type { BatchedCoat } from "../batch/batch-coat";
import type { StateStart } from "../cure/film-states";
import { within, type Spread } from "../numerics/spread";

/** How the edge of one section waits for the next, and how long it could. */
export type WetEdge = {
  /** From laying the edge until the next section meets it. */
  waitsMin: Spread;
  /** Until the next section is worked over it. */
  workedOverMin: Spread;
  /** How long the edge still flows into the next when it is laid: until the film is heavy, less what mixing and laying took. */
  staysWetMin: Spread;
  /** Worked over before it is heavy, even at the wrong ends of both spreads. */
  safe: boolean;
};

/** Walking over and pouring out, min (common practice, no source). */
const CARRY_MIN = 1;

/**
 * Sections that meet wet: with one pair of hands the edge waits while the next batch is mixed; with two, one mixes while the other lays.
 * Null for one batch, a paint, or a card whose film life is not known.
 */
export function wetEdge(batched: BatchedCoat, life: readonly StateStart[], people: number): WetEdge | null {
  const heavy = life.find((start) => start.state === "heavy")?.fromMin;
  if (batched.batches.length < 2 || !heavy || batched.potLifeMin === null) return null;
  const largest = Math.max(...batched.batches.map((batch) => batch.share));
  const waits = (people > 1 ? 0 : batched.mixingMin) + CARRY_MIN;
  const waitsMin = within(waits, 0.25, 0.5);
  const work = (end: keyof Spread) => batched.workMin[end] * largest;
  const workedOverMin = {
    low: waitsMin.low + work("low"),
    likely: waitsMin.likely + work("likely"),
    high: waitsMin.high + work("high"),
  };
  // The far edge is laid last, after its own section's work.
  const used = (end: keyof Spread) => batched.mixingMin + work(end);
  const staysWetMin = {
    low: Math.max(0, heavy.low - used("high")),
    likely: Math.max(0, heavy.likely - used("likely")),
    high: Math.max(0, heavy.high - used("low")),
  };
  return { waitsMin, workedOverMin, staysWetMin, safe: workedOverMin.high <= staysWetMin.low };
}
