import type { Batch } from "./batch-coat";
import { dosesFor, type CoatColour } from "./coat-colour";
import { mixesOf, type Mix } from "./mixes";
import { correctWeighing, massRatio, ratioError, splitParts, type Ratio } from "./parts";
import { FULLEST, vesselFor } from "./vessel";

/** What the scale showed of A and B of one mix; null where nothing was typed. */
export type MixWeighed = { aG: number | null; bG: number | null };

/** What the scale showed, or what there is to take from; null where nothing was typed. */
export type Weighed = {
  /** By the id of the mix. */
  mixes: Readonly<Record<string, MixWeighed>>;
  /** Grams of a colourant by the id of its dose. */
  dosesG: Readonly<Record<string, number>>;
  /** Grams of A and B that are left in their bottles. */
  stockAG: number | null;
  stockBG: number | null;
};

export const NOTHING_WEIGHED: Weighed = { mixes: {}, dosesG: {}, stockAG: null, stockBG: null };

export type Verdict =
  /** A and B of a mix are inside the card's tolerance. `mix` is its name, null for the pot. */
  | { kind: "within"; mixId: string; mix: string | null }
  /** Bring a part up: it is short for what is there of the other. `poured` when both are in the vessel and off. */
  | {
      kind: "add";
      mixId: string;
      mix: string | null;
      part: "A" | "B";
      toG: number;
      addG: number;
      poured: boolean;
      /** How far B is off for its A, as a share. */
      off: number;
    }
  /** Too much of a colourant: either its cup grows to this mass, or it is stronger by this share. */
  | { kind: "dose"; doseId: string; name: string; overShare: number; cupG: number }
  /** The mix no longer fits its vessel so that it can be stirred. */
  | { kind: "vessel"; mix: string | null; mixMl: number; nominalMl: number; nextMl: number | null }
  /** A bottle holds too little: only this share of the batch can be mixed. */
  | { kind: "stock"; part: "A" | "B"; haveG: number; needG: number; share: number };

export type WeighOut = {
  verdicts: Verdict[];
  /** Size of the batch as it will be, over the planned: of what is in its vessels, or of what a bottle allows. */
  factor: number;
};

/** A dose may be over by this share without being seen. */
const DOSE_TOLERANCE = 0.1;

/** What to do with A and B of one mix, and how large it then is over the planned; null where nothing was typed of it. */
function guard(
  mix: Mix,
  weighed: MixWeighed | undefined,
  card: Ratio,
): { verdict: Verdict; factor: number } | null {
  if (!weighed || card.kind === "paint" || (weighed.aG === null && weighed.bG === null)) return null;
  const { parts } = mix;
  // A part of which nothing was typed is taken as it was planned.
  const aG = weighed.aG ?? parts.aG;
  const bG = weighed.bG ?? 0;
  const plannedG = parts.aG + parts.bG;
  const of = { mixId: mix.id, mix: mix.name };
  const correction = correctWeighing(aG, bG, parts, card);
  if (correction.kind === "within")
    return { verdict: { kind: "within", ...of }, factor: weighed.bG === null ? 1 : (aG + bG) / plannedG };
  const { part, toG, addG, mixG } = correction;
  return {
    verdict: {
      kind: "add",
      ...of,
      part,
      toG,
      addG,
      poured: bG > 0,
      off: bG > 0 ? ratioError(aG, bG, card) : 0,
    },
    factor: Math.max(1, mixG / plannedG),
  };
}

/** Mixes of which both parts are in the vessel and outside the card's tolerance: they are not to be stirred as they are. */
export const offRatio = ({ verdicts }: WeighOut): Extract<Verdict, { kind: "add" }>[] =>
  verdicts.flatMap((verdict) => (verdict.kind === "add" && verdict.poured ? [verdict] : []));

/**
 * What to do with what was weighed, mix by mix: the pot, or each cup that is mixed for itself. A ratio outside the card's tolerance is never
 * accepted; a part is only ever added to. One mix that is larger than planned, or too much colour, lets the whole batch grow, so that all
 * shares stay what they were.
 */
export function weighOut(
  batch: Batch,
  weighed: Weighed,
  card: Ratio,
  vesselsMl: readonly number[],
): WeighOut {
  const { parts } = batch;
  const mixes = mixesOf(batch);
  const guarded = mixes.flatMap((mix) => guard(mix, weighed.mixes[mix.id], card) ?? []);
  const verdicts = guarded.map(({ verdict }) => verdict);
  let factor = guarded.length > 0 ? Math.max(...guarded.map((mix) => mix.factor)) : 1;
  // Of several cups one that is a little short does not make the others smaller.
  if (guarded.length < mixes.length) factor = Math.max(1, factor);
  const over: Verdict[] = batch.cups.flatMap((cup) =>
    cup.doses.flatMap((dose): Verdict[] => {
      const poured = weighed.dosesG[dose.id];
      if (poured === undefined) return [];
      const overShare = poured / (dose.grams * factor) - 1;
      return overShare > DOSE_TOLERANCE
        ? [{ kind: "dose", doseId: dose.id, name: dose.name, overShare, cupG: (poured / dose.grams) * cup.g }]
        : [];
    }),
  );
  verdicts.push(...over);
  factor *= Math.max(1, ...over.map((verdict) => (verdict.kind === "dose" ? 1 + verdict.overShare : 1)));

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
    const least = shares.reduce((a, b) => (a.share < b.share ? a : b));
    verdicts.push(least);
    if (guarded.length === 0) factor = Math.min(factor, least.share);
  }

  for (const mix of mixes) {
    const mixMl = mix.parts.mixMl * factor;
    if (mixMl <= mix.vessel.nominalMl * FULLEST * (1 + 1e-9)) continue;
    const next = vesselFor(mixMl, vesselsMl);
    verdicts.push({
      kind: "vessel",
      mix: mix.name,
      mixMl,
      nominalMl: mix.vessel.nominalMl,
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
