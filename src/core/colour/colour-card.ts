import type { DoseMeasure } from "../batch/dose";
import type { Matter } from "./film-optics";
import { together } from "./film-optics";
import { fitDye, fitPigment, type Opacity, type Swatches, type Trust } from "./fit-pigment";
import { flakeOf, GLITTER_EXTINCTION, MICA_EXTINCTION, type Flake } from "./flakes";
import { PIGMENTS, type PigmentKey } from "./pigments";
import { byIdentity } from "../numerics/by-identity";

export type ColourKind = "paste" | "mica" | "dye" | "alcohol-ink" | "acrylic" | "spray-paint" | "glitter";

export const COLOUR_KIND_WORDS: Record<ColourKind, string> = {
  paste: "opaque paste",
  mica: "mica powder",
  dye: "dye",
  "alcohol-ink": "alcohol ink",
  acrylic: "acrylic paint",
  "spray-paint": "spray paint",
  glitter: "glitter",
};

/** What is known of a colourant's look. */
export type Appearance =
  /** A generic pigment; `dryShare` of what is weighed is pigment. */
  | { by: "pigment"; pigment: PigmentKey; dryShare: number }
  /** Its own swatches; loads count what is weighed. */
  | { by: "swatches"; swatches: Swatches; opacity: Opacity; dryShare: number }
  | { by: "flakes"; face: string; body: string; peak: number; bodyS: number }
  /** Seen over white in a film with so much of it. */
  | { by: "dye"; hex: string; filmMm: number; gPer100G: number }
  /** Only what it is thought to look like. */
  | { by: "unknown"; hex: string };

/** A colourant of the shop. */
export type ColourCard = {
  id: string;
  name: string;
  /** Generic name in the Colour Index; empty when not known. */
  index: string;
  kind: ColourKind;
  appearance: Appearance;
  /** Most of it that resin takes, g in 100 g of mix; null when its sheet names none. */
  mostPer100G: number | null;
  measure: DoseMeasure;
  densityGPerMl: number;
  /** A kilogram, in the shop's money; null when not known. */
  pricePerKg: number | null;
};

/** How a colourant acts in a film, for each gram of it in 100 g; `strength` is by how much it may be stronger or weaker. */
export type Optics = {
  matter: Matter;
  flake: Flake | null;
  strength: number;
  trust: Trust;
  /** Its swatches can hardly be of one pigment. */
  strained: boolean;
};

/** Colourants whose strength nobody measured may be twice or half as strong. */
const UNCALIBRATED = 2;
const CALIBRATED = 1.12;

function workOut({ appearance, kind }: ColourCard): Optics | null {
  const generic: Trust = { rough: false, meanDifference: 3 };
  switch (appearance.by) {
    case "pigment":
      return {
        matter: together([{ ...PIGMENTS[appearance.pigment], load: appearance.dryShare }]),
        flake: null,
        strength: UNCALIBRATED,
        trust: generic,
        strained: false,
      };
    case "swatches": {
      const fit = fitPigment(appearance.swatches, appearance.opacity, PIGMENTS.white, PIGMENTS.black);
      if (!fit) return null;
      return {
        matter: together([{ ...fit, load: appearance.dryShare }]),
        flake: null,
        strength: fit.trust.rough ? UNCALIBRATED : CALIBRATED,
        trust: fit.trust,
        strained: fit.strained,
      };
    }
    case "flakes": {
      const flake = flakeOf(appearance, kind === "glitter" ? GLITTER_EXTINCTION : MICA_EXTINCTION);
      return {
        matter: { K: flake.K, S: flake.S },
        flake,
        strength: UNCALIBRATED,
        trust: { rough: false, meanDifference: 4 },
        strained: false,
      };
    }
    case "dye":
      return {
        matter: fitDye(appearance.hex, appearance.filmMm, appearance.gPer100G),
        flake: null,
        strength: UNCALIBRATED,
        trust: generic,
        strained: false,
      };
    case "unknown":
      return null;
  }
}

/** The optics of a card, worked out once for each card object; null when its look is not known. */
export const opticsOf = byIdentity(workOut);

const gram: DoseMeasure = { unit: "gram" };
const drop = (densityGPerMl: number, dropMl = 0.05): DoseMeasure => ({ unit: "drop", dropMl, densityGPerMl });
const spoon: DoseMeasure = { unit: "spoon", gramsPerSpoon: 0.2 };

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
