import type { ResinCard } from "../cure/resin-card";

/** What the ratio needs of a card. */
export type Ratio = Pick<
  ResinCard,
  | "kind"
  | "ratioBy"
  | "ratioA"
  | "ratioB"
  | "densityAGPerMl"
  | "densityBGPerMl"
  | "ratioTolerancePct"
  | "fillerGPer100G"
  | "fillerDensityGPerMl"
>;

/** Resin A, hardener B and, in a three-part system, filler C of one mix. `mixMl` and `mixG` are of all of them. */
export type Parts = {
  aMl: number;
  bMl: number;
  cMl: number;
  aG: number;
  bG: number;
  cG: number;
  mixMl: number;
  mixG: number;
};

/** Grams of B to one gram of A; 0 for a one-part coating. */
export function massRatio(card: Ratio): number {
  if (card.kind === "paint") return 0;
  const byVolume = card.ratioB / card.ratioA;
  return card.ratioBy === "mass" ? byVolume : (byVolume * card.densityBGPerMl) / card.densityAGPerMl;
}

/** Grams of filler to one gram of A and B together. */
export const fillerShare = (card: Ratio): number => (card.fillerGPer100G ?? 0) / 100;

/** Density of A and B mixed, g/ml; volumes of the parts are taken to add up (shrinkage on mixing is below 1 %). */
function resinDensityGPerMl(card: Ratio): number {
  const bPerA = massRatio(card);
  return (1 + bPerA) / (1 / card.densityAGPerMl + bPerA / card.densityBGPerMl);
}

/** Density of the whole mix, filler included, g/ml. */
export function mixDensityGPerMl(card: Ratio): number {
  const filler = fillerShare(card);
  return (1 + filler) / (1 / resinDensityGPerMl(card) + filler / (card.fillerDensityGPerMl ?? 1));
}

/** Splits a mixed volume into its parts, by volume and by mass. */
export function splitParts(mixMl: number, card: Ratio): Parts {
  const mixG = mixMl * mixDensityGPerMl(card);
  const resinG = mixG / (1 + fillerShare(card));
  const cG = mixG - resinG;
  const aG = resinG / (1 + massRatio(card));
  const bG = resinG - aG;
  return {
    aMl: aG / card.densityAGPerMl,
    bMl: bG / card.densityBGPerMl,
    cMl: cG / (card.fillerDensityGPerMl ?? 1),
    aG,
    bG,
    cG,
    mixMl,
    mixG,
  };
}

/**
 * The least mass of A and B that a scale can weigh inside the card's tolerance:
 * each weighing is off by up to half a step, and both errors may add. 0 for a one-part coating.
 */
export function smallestMixG(card: Ratio, scaleStepG: number): number {
  const ratio = massRatio(card);
  if (ratio === 0) return 0;
  const errorG = scaleStepG / 2;
  // errorG/a + errorG/b ≤ tolerance, with b = ratio·a.
  const aG = (errorG * (1 + 1 / ratio)) / (card.ratioTolerancePct / 100);
  return aG * (1 + ratio);
}

/** How far B is off for its A, as a share (0.03 = 3 % too much). */
export function ratioError(aG: number, bG: number, card: Ratio): number {
  const wanted = aG * massRatio(card);
  return wanted > 0 ? bG / wanted - 1 : 0;
}

export type Correction =
  | { kind: "within" }
  /** Add this much of the other part; the batch grows by `growth` (share). */
  | { kind: "add"; part: "A" | "B"; toG: number; addG: number; mixG: number; growth: number };

/**
 * What to do when the scale shows other than planned.
 * A ratio inside the card's tolerance stands; otherwise the part that is short is brought up, never the other way:
 * you can add, you cannot take out.
 * @param aG what the scale showed of A; @param bG of B (0 when B has not been poured yet)
 */
export function correctWeighing(aG: number, bG: number, planned: Parts, card: Ratio): Correction {
  const ratio = massRatio(card);
  if (ratio === 0) return { kind: "within" };
  const wantedB = aG * ratio;
  const tolerance = card.ratioTolerancePct / 100;
  const plannedMix = planned.aG + planned.bG;
  if (bG === 0 ? aG >= planned.aG * (1 - 1e-9) : Math.abs(bG / wantedB - 1) > tolerance) {
    if (bG > wantedB) {
      const toG = bG / ratio;
      return {
        kind: "add",
        part: "A",
        toG,
        addG: toG - aG,
        mixG: toG + bG,
        growth: (toG + bG) / plannedMix - 1,
      };
    }
    const change: Correction = {
      kind: "add",
      part: "B",
      toG: wantedB,
      addG: wantedB - bG,
      mixG: aG + wantedB,
      growth: (aG + wantedB) / plannedMix - 1,
    };
    return bG === 0 && Math.abs(wantedB / planned.bG - 1) < 1e-9 ? { kind: "within" } : change;
  }
  if (bG === 0)
    return { kind: "add", part: "A", toG: planned.aG, addG: planned.aG - aG, mixG: plannedMix, growth: 0 };
  return { kind: "within" };
}
