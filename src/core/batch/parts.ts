import type { ResinCard } from "../cure/resin-card";

/** What the ratio needs of a card. */
export type Ratio = Pick<
  ResinCard,
  "kind" | "ratioBy" | "ratioA" | "ratioB" | "densityAGPerMl" | "densityBGPerMl" | "ratioTolerancePct"
>;

/** Resin A and hardener B of one mix. */
export type Parts = { aMl: number; bMl: number; aG: number; bG: number; mixMl: number; mixG: number };

/** Grams of B to one gram of A; 0 for a one-part coating. */
export function massRatio(card: Ratio): number {
  if (card.kind === "paint") return 0;
  const byVolume = card.ratioB / card.ratioA;
  return card.ratioBy === "mass" ? byVolume : (byVolume * card.densityBGPerMl) / card.densityAGPerMl;
}

/** Density of the mix, g/ml; volumes of the parts are taken to add up (shrinkage on mixing is below 1 %). */
export function mixDensityGPerMl(card: Ratio): number {
  const bPerA = massRatio(card);
  return (1 + bPerA) / (1 / card.densityAGPerMl + bPerA / card.densityBGPerMl);
}

/** Splits a mixed volume into its parts, by volume and by mass. */
export function splitParts(mixMl: number, card: Ratio): Parts {
  const mixG = mixMl * mixDensityGPerMl(card);
  const aG = mixG / (1 + massRatio(card));
  const bG = mixG - aG;
  return { aMl: aG / card.densityAGPerMl, bMl: bG / card.densityBGPerMl, aG, bG, mixMl, mixG };
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
