import type { CoatColour } from "../batch/coat-colour";
import type { School } from "../batch/batch-coat";
import type { Pass } from "./pass";

export type CoatKind = "seal" | "primer" | "base" | "colour" | "vein" | "lock-in" | "clear";

export const COAT_WORDS: Record<CoatKind, string> = {
  seal: "Seal",
  primer: "Primer",
  base: "Base",
  colour: "Colour",
  vein: "Vein",
  "lock-in": "Lock-in",
  clear: "Clear",
};

/** When a coat may begin, seen from the one below. */
export type StartsAfter = "wet" | "late" | "tacky" | "recoat" | "next-day";

export const START_WORDS: Record<StartsAfter, string> = {
  wet: "at once, wet on wet",
  late: "late, when the coat below has thickened",
  tacky: "when the coat below is tacky",
  recoat: "inside the recoat window",
  "next-day": "next day, sanded",
};

/** One coat as planned; everything else about it is computed. */
export type Coat = {
  id: string;
  kind: CoatKind;
  name: string;
  filmMm: number;
  coverShare: number;
  coversFaces: boolean;
  resinCardId: string | null;
  colours: CoatColour[];
  clearReserve: number;
  school: School;
  rateM2PerH: number;
  startsAfter: StartsAfter;
  passes: Pass[];
};
