import { UNITS, type Dimension, type UnitSystem } from "./dimension";
import { quantityText } from "./format-quantity";

/** A quantity within words that people of either system read: it is written out where the words are shown, see {@link saidIn}. */
export const inUnits = (value: number, dimension: Dimension): string => `{${dimension}:${value}}`;

/** The depth of a film or a pour: in units of films up to so much, of lengths above, mm. */
const FILM_UP_TO_MM = 10;
export const depthInUnits = (mm: number): string => inUnits(mm, mm < FILM_UP_TO_MM ? "film" : "length");

const QUANTITY = /\{(\w+):(-?\d[\d.e+-]*)\}/g;

/** Words with the quantities in them written out in a person's units. */
export const saidIn = (words: string, system: UnitSystem): string =>
  words.replace(QUANTITY, (whole, dimension: string, value: string) =>
    Object.hasOwn(UNITS, dimension) && Number.isFinite(Number(value))
      ? quantityText(Number(value), dimension as Dimension, system)
      : whole,
  );
