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
