import type { DoseMeasure } from "./dose";

/** How a colour looks in the film; it decides how it is drawn and which advice speaks of it. */
export type ColourLook = "opaque" | "metallic" | "tint" | "clear";

/** One colour of a coat. `share` is of the coat's volume; `reserve` of this colour is held back on top of what is laid. */
export type CoatColour = {
  id: string;
  name: string;
  hex: string;
  look: ColourLook;
  share: number;
  locked: boolean;
  reserve: number;
  gPer100G: number;
  measure: DoseMeasure;
};
