import type { CoatColour, ColourLook } from "../batch/coat-colour";
import type { DoseMeasure } from "../batch/dose";
import type { ColourCard } from "./colour-card";
import { PIGMENTS, type PigmentKey } from "./pigments";

const gram: DoseMeasure = { unit: "gram" };
const drop = (densityGPerMl: number, dropMl = 0.05): DoseMeasure => ({ unit: "drop", dropMl, densityGPerMl });
const spoon: DoseMeasure = { unit: "spoon", gramsPerSpoon: 0.2 };

/** A colour to start a cup from, mixed and named: generic, no maker. Doses are usual ones (common practice, no source). */
export type Colourant = {
  name: string;
  hex: string;
  look: ColourLook;
  gPer100G: number;
  measure: DoseMeasure;
};

export const COLOURANTS: readonly Colourant[] = [
  { name: "Bone white", hex: "#E9E4D6", look: "opaque", gPer100G: 3, measure: gram },
  { name: "Flat white", hex: "#F4F3EF", look: "opaque", gPer100G: 3, measure: gram },
  { name: "Pearl white", hex: "#EFEDE6", look: "metallic", gPer100G: 1.5, measure: gram },
  { name: "Ink black", hex: "#1B1C1E", look: "opaque", gPer100G: 1, measure: drop(1.2) },
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
  { name: "Deep blue", hex: "#1F3A66", look: "opaque", gPer100G: 1.5, measure: drop(1.2) },
  { name: "Sea green", hex: "#2E6B66", look: "opaque", gPer100G: 1.5, measure: drop(1.2) },
  { name: "Amber tint", hex: "#B5762A", look: "tint", gPer100G: 0.3, measure: drop(1.2) },
  { name: "Blue tint", hex: "#3E6E9E", look: "tint", gPer100G: 0.3, measure: drop(1.2) },
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

/** A card of the shelf that a shop starts with. */
type Start = Omit<ColourCard, "id">;

const paste = (name: string, pigment: PigmentKey, dryShare: number, mostPer100G: number): Start => ({
  name,
  index: PIGMENTS[pigment].index,
  kind: "paste",
  appearance: { by: "pigment", pigment, dryShare },
  mostPer100G,
  measure: pigment === "white" ? gram : drop(1.2),
  densityGPerMl: pigment === "white" ? 1.9 : 1.2,
  pricePerKg: pigment === "white" ? 38 : 60,
});
const mica = (name: string, face: string, body: string, peak: number, bodyS: number): Start => ({
  name,
  index: "PW20",
  kind: "mica",
  appearance: { by: "flakes", face, body, peak, bodyS },
  mostPer100G: 6,
  measure: gram,
  densityGPerMl: 3,
  pricePerKg: 90,
});
const dye = (name: string, hex: string): Start => ({
  name,
  index: "",
  kind: "dye",
  appearance: { by: "dye", hex, filmMm: 1, gPer100G: 0.2 },
  mostPer100G: 2,
  measure: drop(1),
  densityGPerMl: 1,
  pricePerKg: 140,
});

/**
 * Colourants that a shop starts with: generic, by their Colour Index names, no maker's. Pastes hold the usual shares of dry pigment;
 * loads are usual ones (common practice, no source).
 */
export const STARTER_COLOURS: readonly Start[] = [
  paste("White paste", "white", 0.6, 10),
  paste("Black paste", "black", 0.2, 6),
  paste("Red oxide paste", "oxred", 0.5, 6),
  paste("Yellow oxide paste", "oxyel", 0.5, 6),
  paste("Brown oxide paste", "oxbrn", 0.5, 6),
  paste("Raw umber paste", "umber", 0.5, 6),
  paste("Burnt sienna paste", "sienna", 0.5, 6),
  paste("Bismuth yellow paste", "bivan", 0.5, 6),
  paste("Phthalo blue paste", "phblue", 0.25, 6),
  paste("Phthalo green paste", "phgreen", 0.25, 6),
  paste("Ultramarine paste", "ultra", 0.25, 6),
  paste("Arylide yellow paste", "aryl", 0.25, 6),
  paste("Pyrrole orange paste", "pyor", 0.25, 6),
  paste("Pyrrole red paste", "pyred", 0.25, 6),
  paste("Magenta paste", "quin", 0.25, 6),
  paste("Dioxazine violet paste", "diox", 0.25, 6),
  mica("Pearl white mica", "#FFFFFF", "#E9E9E4", 0.16, 0.6),
  mica("Silver mica", "#F2F4F6", "#A9ACAE", 0.3, 0.7),
  mica("Gold mica", "#F0C765", "#9A7833", 0.26, 0.8),
  mica("Bronze mica", "#C68E55", "#6E4728", 0.26, 0.9),
  mica("Copper mica", "#E08A5F", "#7A3B24", 0.26, 0.9),
  mica("Gunmetal mica", "#C5CACD", "#33373A", 0.18, 0.9),
  mica("Pearl black mica", "#B9B6B0", "#151515", 0.09, 0.8),
  mica("Blue mica", "#6FA4F0", "#1F3F86", 0.22, 0.7),
  mica("Green mica", "#7FD39A", "#1E5F43", 0.22, 0.7),
  dye("Blue dye", "#2E86C8"),
  dye("Amber dye", "#C98A2E"),
  {
    ...dye("Teal alcohol ink", "#2A9A98"),
    kind: "alcohol-ink",
    mostPer100G: 3,
    pricePerKg: 220,
  },
  {
    name: "White acrylic paint",
    index: "PW6",
    kind: "acrylic",
    appearance: { by: "pigment", pigment: "white", dryShare: 0.2 },
    mostPer100G: 10,
    measure: gram,
    densityGPerMl: 1.2,
    pricePerKg: 12,
  },
  {
    name: "Black spray paint",
    index: "PBk7",
    kind: "spray-paint",
    appearance: { by: "unknown", hex: "#1A1A1A" },
    mostPer100G: null,
    measure: gram,
    densityGPerMl: 0.8,
    pricePerKg: null,
  },
  {
    name: "Silver glitter",
    index: "",
    kind: "glitter",
    appearance: { by: "flakes", face: "#F4F4F4", body: "#9A9C9E", peak: 0.3, bodyS: 0.05 },
    mostPer100G: 15,
    measure: spoon,
    densityGPerMl: 1.4,
    pricePerKg: 30,
  },
];

export const starterColours = (newId: () => string): ColourCard[] =>
  STARTER_COLOURS.map((start) => ({ id: newId(), ...start }));
