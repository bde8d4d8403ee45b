import type { ResinCard } from "../cure/resin-card";

type Densities = Pick<ResinCard, "densityAGPerMl" | "densityBGPerMl">;

/** What a hand reads off a cup's marks is off by so much at most, as a share. */
const READ_OFF = 0.08;

/**
 * What a volume that weighs so much is by its density: A, B, or neither. Null where the two are so alike that a cup's marks do not tell them apart.
 * @param grams what the scale shows
 * @param ml what the cup shows
 */
export function whichPart(grams: number, ml: number, card: Densities): "A" | "B" | "neither" | null {
  const { densityAGPerMl: a, densityBGPerMl: b } = card;
  if (!(grams > 0 && ml > 0)) return null;
  if (Math.abs(a - b) < READ_OFF * Math.min(a, b)) return null;
  const density = grams / ml;
  const off = (of: number) => Math.abs(density - of) / of;
  const nearest = off(a) < off(b) ? "A" : "B";
  return Math.min(off(a), off(b)) > READ_OFF ? "neither" : nearest;
}

/** What is said of a volume that does not weigh what its part weighs; null where it does. */
export function partWords(part: "A" | "B", grams: number, ml: number, card: Densities): string | null {
  const found = whichPart(grams, ml, card);
  if (found === null || found === part) return null;
  const density = (grams / ml).toFixed(2);
  if (found === "neither")
    return `${density} g to the ml is neither A nor B of this card: look at the label, the marks and the tare.`;
  return `${density} g to the ml weighs like ${found}, not like ${part}: look at the label before you pour on.`;
}
