import type { Batch } from "./batch-coat";
import { dosesFor, type CoatColour } from "./coat-colour";
import { correctWeighing, massRatio, splitParts, type Ratio } from "./parts";
import { FULLEST, vesselFor } from "./vessel";

/** What the scale showed, or what there is to take from; null where nothing was typed. */
export type Weighed = {
  aG: number | null;
  bG: number | null;
  /** Grams of a colourant by the id of its dose. */
  dosesG: Readonly<Record<string, number>>;
  /** Grams of A and B that are left in their bottles. */
  stockAG: number | null;
  stockBG: number | null;
};

export const NOTHING_WEIGHED: Weighed = { aG: null, bG: null, dosesG: {}, stockAG: null, stockBG: null };

export type Verdict =
  | { kind: "within" }
  /** Bring a part up: it is short for what is there of the other. */
  | { kind: "add"; part: "A" | "B"; toG: number; addG: number }
  /** Too much of a colourant: either its cup grows to this mass, or it is stronger by this share. */
  | { kind: "dose"; doseId: string; name: string; overShare: number; cupG: number }
  /** The mix no longer fits its vessel so that it can be stirred. */
  | { kind: "vessel"; mixMl: number; nominalMl: number; nextMl: number | null }
  /** A bottle holds too little: only this share of the batch can be mixed. */
  | { kind: "stock"; part: "A" | "B"; haveG: number; needG: number; share: number };

export type WeighOut = {
  verdicts: Verdict[];
  /** Size of the batch as it will be, over the planned. Never below 1, but when a bottle is empty. */
  factor: number;
};

/** A dose may be over by this share without being seen. */
const DOSE_TOLERANCE = 0.1;

/**
 * What to do with what was weighed. A ratio outside the card's tolerance is never accepted; a part is only ever added to.
 * Too much colour lets the whole batch grow, so that all shares stay what they were.
 */
export function weighOut(
  batch: Batch,
  weighed: Weighed,
  card: Ratio,
  vesselsMl: readonly number[],
): WeighOut {
  const { parts } = batch;
  const verdicts: Verdict[] = [];
  let factor = 1;
  const correction =
    weighed.aG !== null && card.kind !== "paint"
      ? correctWeighing(weighed.aG, weighed.bG ?? 0, parts, card)
      : null;
  if (correction?.kind === "add") {
    verdicts.push({ kind: "add", part: correction.part, toG: correction.toG, addG: correction.addG });
    factor = Math.max(1, correction.mixG / (parts.aG + parts.bG));
  } else if (correction && weighed.aG !== null && weighed.bG !== null) {
    verdicts.push({ kind: "within" });
    factor = Math.max(1, (weighed.aG + weighed.bG) / (parts.aG + parts.bG));
  }
  for (const cup of batch.cups)
    for (const dose of cup.doses) {
      const poured = weighed.dosesG[dose.id];
      if (poured === undefined) continue;
      const over = poured / (dose.grams * factor) - 1;
      if (over > DOSE_TOLERANCE)
        verdicts.push({
          kind: "dose",
          doseId: dose.id,
          name: dose.name,
          overShare: over,
          cupG: (poured / dose.grams) * cup.g,
        });
    }
  const strongest = Math.max(
    factor,
    ...verdicts.map((verdict) => (verdict.kind === "dose" ? factor * (1 + verdict.overShare) : factor)),
  );
  factor = strongest;

  const ratio = massRatio(card);
  const shares = (
    [
      ["A", weighed.stockAG, parts.aG],
      ["B", weighed.stockBG, parts.bG],
    ] as const
  ).flatMap(([part, haveG, planned]) => {
    const needG = planned * factor;
    if (haveG === null || haveG >= needG || !(needG > 0) || (part === "B" && ratio === 0)) return [];
    return [{ kind: "stock" as const, part, haveG, needG, share: haveG / planned }];
  });
  if (shares.length > 0) {
    // What is already in the pot cannot be taken out: stock only decides while nothing was over-poured.
    const least = shares.reduce((one, other) => (one.share < other.share ? one : other));
    verdicts.push(least);
    if (correction === null) factor = Math.min(factor, least.share);
  }

  const mixMl = parts.mixMl * factor;
  if (mixMl > batch.pot.nominalMl * FULLEST * (1 + 1e-9)) {
    const next = vesselFor(mixMl, vesselsMl);
    verdicts.push({
      kind: "vessel",
      mixMl,
      nominalMl: batch.pot.nominalMl,
      nextMl: next.nominalMl * FULLEST >= mixMl ? next.nominalMl : null,
    });
  }
  return { verdicts, factor };
}

/** The batch with all its numbers, larger or smaller by a factor; the vessels follow. */
export function resized(
  batch: Batch,
  factor: number,
  colours: readonly CoatColour[],
  card: Ratio,
  vesselsMl: readonly number[],
): Batch {
  if (Math.abs(factor - 1) < 1e-9) return batch;
  const colourOf = new Map(colours.map((colour) => [colour.id, colour]));
  return {
    ...batch,
    parts: splitParts(batch.parts.mixMl * factor, card),
    pot: vesselFor(batch.parts.mixMl * factor, vesselsMl),
    cups: batch.cups.map((cup) => {
      const colour = colourOf.get(cup.colourId);
      return {
        ...cup,
        ml: cup.ml * factor,
        g: cup.g * factor,
        vessel: vesselFor(cup.ml * factor, vesselsMl),
        doses: colour ? dosesFor(cup.g * factor, colour) : cup.doses,
        parts: cup.parts && splitParts(cup.ml * factor, card),
      };
    }),
  };
}
