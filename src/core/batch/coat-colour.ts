import { doseFor, type Dose, type DoseMeasure } from "./dose";

/** How a colour looks in the film; it decides how it is drawn and which advice speaks of it. */
export type ColourLook = "opaque" | "metallic" | "tint" | "clear";

/** The most of a colourant in 100 g of mix, g. */
export const MOST_G_PER_100G = 60;
/** The most drops, spoons or grams that go into one cup. */
export const MOST_IN_CUP = 1000;

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
  /** What its cups hold over the whole coat, ml, where that is given: its share follows. */
  givenMl?: number;
  /** How many drops, level spoons or grams go into each of its cups, where that is given: its strength follows. */
  cupDose?: number;
  /** The colourants it is mixed from; absent, it is one colourant of its own name. `gPer100G` is then their sum. */
  parts?: ColourPart[];
  /** Pieces and zones that it goes on; all of its coat's when absent. There it shares the place with the other colours that go on it. */
  placeIds?: string[];
};

/** A colourant in a colour: a card of the shop, with what the bench needs of it. */
export type ColourPart = { cardId: string; name: string; gPer100G: number; measure: DoseMeasure };

/** A colour mixed from these; without any it is what it was before. */
export function mixedFrom(colour: CoatColour, parts: readonly ColourPart[]): CoatColour {
  // What goes into each cup was said of another mix.
  const { parts: _gone, cupDose: _dose, ...rest } = colour;
  if (parts.length === 0) return rest;
  return {
    ...rest,
    parts: [...parts],
    gPer100G: parts.reduce((sum, part) => sum + part.gPer100G, 0),
    measure: { unit: "gram" },
  };
}

/** A colour at another strength, g to 100 g of mix; what it is mixed from keeps its ratio. */
export function atStrength(colour: CoatColour, gPer100G: number): CoatColour {
  const times = colour.gPer100G > 0 ? gPer100G / colour.gPer100G : 0;
  return {
    ...colour,
    gPer100G,
    ...(colour.parts
      ? { parts: colour.parts.map((part) => ({ ...part, gPer100G: part.gPer100G * times })) }
      : {}),
  };
}

/** One dose of a cup: which colourant, and how much. Its id is the colour's, with its number where it is mixed of several. */
export type NamedDose = Dose & { id: string; name: string };

/** The id of the dose of a colour's part; short, since pours keep it with each weighing. */
export const doseId = (colour: CoatColour, index: number): string => `${colour.id}-${index + 1}`;

/** What goes into this mass of mix for a colour, colourant by colourant. */
export function dosesFor(mixG: number, colour: CoatColour): NamedDose[] {
  const parts = colour.parts?.map((part, index) => ({ ...part, id: doseId(colour, index) })) ?? [colour];
  return parts
    .filter((part) => part.gPer100G > 0)
    .map(({ id, name, gPer100G, measure }) => ({
      id,
      name,
      ...doseFor(mixG, gPer100G, measure),
    }));
}
