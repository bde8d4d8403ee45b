import { massRatio, splitParts, type Ratio } from "../batch/parts";
import type { Lot } from "./lot";
import { leftOf, lotState } from "./stock";

/** What is left of a resin, of some lots together. */
export type PairsLeft = {
  /** Pairs of which neither bottle is begun, or that hold as much. */
  full: number;
  /** All that can be mixed of it, ml. */
  mixMl: number;
  aG: number;
  bG: number;
  /** The half of which more is there than the other can take, and how much more, g; null where they match. */
  over: { part: "A" | "B"; grams: number } | null;
};

/** A bottle that lacks less than this share counts as full: what clings to a lid, and the scale's step. */
const FULL_SHARE = 0.98;

/** What of a resin these lots hold: full pairs, all that can be mixed, and which half is over. A one-part paint has no pairs: its bottles are counted. */
export function pairsLeft(card: Ratio, lots: readonly Lot[]): PairsLeft {
  const perA = massRatio(card);
  let full = 0;
  let aG = 0;
  let bG = 0;
  for (const lot of lots) {
    const { A = 0, B = 0 } = lotState(lot).facts.full;
    const [a, b] = [leftOf(lot, "A"), leftOf(lot, "B")];
    aG += a;
    bG += b;
    const bottles = (left: number, holds: number) => Math.floor(left / holds + 1 - FULL_SHARE);
    if (A > 0 && (perA === 0 || B > 0))
      full += perA === 0 ? bottles(a, A) : Math.min(bottles(a, A), bottles(b, B));
  }
  const mixedA = perA === 0 ? aG : Math.min(aG, bG / perA);
  const [overA, overB] = [aG - mixedA, bG - mixedA * perA];
  const part = overA > overB ? "A" : "B";
  const grams = Math.max(overA, overB);
  const matters = grams > (card.ratioTolerancePct / 100) * Math.max(aG, bG);
  const mlPerG = splitParts(1, card);
  return {
    full,
    mixMl: mixedA / mlPerG.aG,
    aG,
    bG,
    over: matters && grams > 0 ? { part, grams } : null,
  };
}
