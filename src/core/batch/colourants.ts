import type { ColourLook, CoatColour } from "./coat-colour";
import type { DoseMeasure } from "./dose";

/** A colourant to start a colour from: generic, no maker. Doses are usual ones (common practice, no source). */
export type Colourant = {
  name: string;
  hex: string;
  look: ColourLook;
  gPer100G: number;
  measure: DoseMeasure;
};

const paste = (dropMl = 0.05): DoseMeasure => ({ unit: "drop", dropMl, densityGPerMl: 1.2 });
const gram: DoseMeasure = { unit: "gram" };
const spoon: DoseMeasure = { unit: "spoon", gramsPerSpoon: 0.2 };

export const COLOURANTS: readonly Colourant[] = [
  { name: "Bone white", hex: "#E9E4D6", look: "opaque", gPer100G: 3, measure: gram },
  { name: "Flat white", hex: "#F4F3EF", look: "opaque", gPer100G: 3, measure: gram },
  { name: "Pearl white", hex: "#EFEDE6", look: "metallic", gPer100G: 1.5, measure: gram },
  { name: "Ink black", hex: "#1B1C1E", look: "opaque", gPer100G: 1, measure: paste() },
  { name: "Graphite", hex: "#4A4C50", look: "metallic", gPer100G: 1.6, measure: gram },
  { name: "Pewter", hex: "#8C9194", look: "metallic", gPer100G: 1.6, measure: gram },
  { name: "Silver", hex: "#B9BCBE", look: "metallic", gPer100G: 1.6, measure: gram },
  { name: "Copper", hex: "#A8623E", look: "metallic", gPer100G: 1.6, measure: gram },
  { name: "Brass", hex: "#B08D3C", look: "metallic", gPer100G: 1.6, measure: gram },
  { name: "Bronze", hex: "#7A5A38", look: "metallic", gPer100G: 1.6, measure: gram },
  { name: "Stone grey", hex: "#8F8F8B", look: "opaque", gPer100G: 2.5, measure: gram },
  { name: "Umber", hex: "#4E3B2C", look: "opaque", gPer100G: 2, measure: gram },
  { name: "Red oxide", hex: "#7E3B2C", look: "opaque", gPer100G: 2, measure: gram },
  { name: "Ochre", hex: "#C59A45", look: "opaque", gPer100G: 2.5, measure: gram },
  { name: "Sage", hex: "#8A9A7F", look: "opaque", gPer100G: 2.5, measure: gram },
  { name: "Deep blue", hex: "#1F3A66", look: "opaque", gPer100G: 1.5, measure: paste() },
  { name: "Sea green", hex: "#2E6B66", look: "opaque", gPer100G: 1.5, measure: paste() },
  { name: "Amber tint", hex: "#B5762A", look: "tint", gPer100G: 0.3, measure: paste() },
  { name: "Blue tint", hex: "#3E6E9E", look: "tint", gPer100G: 0.3, measure: paste() },
  { name: "Mica, gold dust", hex: "#C2A24E", look: "metallic", gPer100G: 0.4, measure: spoon },
  { name: "Clear", hex: "#EFE9D6", look: "clear", gPer100G: 0, measure: gram },
];

/** A coat's colour made from a colourant. */
export function colourFrom(colourant: Colourant, id: string, share: number, reserve = 0.08): CoatColour {
  const { name, hex, look, gPer100G, measure } = colourant;
  return { id, name, hex, look, share, locked: false, reserve, gPer100G, measure };
}

/**
 * The colourant of that name.
 * @throws when there is none.
 */
export function colourantNamed(name: string): Colourant {
  const found = COLOURANTS.find((colourant) => colourant.name === name);
  if (!found) throw new Error(`No colourant "${name}"`);
  return found;
}
