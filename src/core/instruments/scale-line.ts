import { G_PER_LB, G_PER_OZ } from "../units/constants";

/** What a scale prints in one line. `stable` is null where the line does not say whether the scale is at rest; `stepG` is what its last figure is worth, g. */
export type ScaleReading =
  | { kind: "mass"; grams: number; stable: boolean | null; stepG: number }
  /** More or less than the scale can weigh, or it says that something is wrong. */
  | { kind: "out of range" };

/** Longer lines are not read: no scale prints them. */
const LONGEST = 80;
/** More than any scale of a bench weighs, g. */
const MOST_G = 1e6;

const GRAMS_PER: Record<string, number> = {
  G: 1,
  GR: 1,
  GRAM: 1,
  GRAMS: 1,
  KG: 1000,
  OZ: G_PER_OZ,
  LB: G_PER_LB,
  LBS: G_PER_LB,
};
const UNITS = "KG|GRAMS|GRAM|GR|G|OZ|LBS|LB";
const NUMBER = "\\d{1,7}(?:[.,]\\d{1,5})?|[.,]\\d{1,5}";
/** A sign may stand apart from its number. */
const MASS = new RegExp(`([+-])?\\s*(${NUMBER})\\s*(${UNITS})(?![A-Z])`);
const POUNDS_AND_OUNCES = new RegExp(
  `([+-])?\\s*(\\d{1,4})\\s*(?:LBS|LB)\\s*[,:]?\\s*(${NUMBER})\\s*OZ(?![A-Z])`,
);
const BARE = new RegExp(`^([+-])?\\s*(${NUMBER})$`);

const OUT = /(^|[^A-Z])(OL|UL|OVER|UNDER|OVERLOAD|UNDERLOAD|ERR|ERROR|LO|HI|H|L)([^A-Z]|$)|-{3,}|_{3,}/;
/** Words and signs by which scales tell that they are at rest, and that they are not. */
const AT_REST = /(^|[^A-Z])(ST|S|SS|STABLE|STAB|OK)([^A-Z]|$)/;
const MOVING = /(^|[^A-Z])(US|SD|D|M|MO|MOTION|UNSTABLE|DYNAMIC|DYN)([^A-Z]|$)|[~?]/;

/** What is printed of what the scale holds in mind, and of counting: not what lies on it. */
const NO_LOAD = /(^|[^A-Z])(TARE|PT|TR|TOTAL|SUM|AVG|TARGET|PCS|PC)([^A-Z]|$)|%/;

const numberOf = (text: string): number => Number(text.replace(",", "."));
/** What the last figure of a number is worth. */
const stepOf = (text: string): number => 10 ** -(/[.,](\d+)$/.exec(text)?.[1]?.length ?? 0);
const signOf = (sign: string | undefined): number => (sign === "-" ? -1 : 1);

function massOf(line: string): { grams: number; stepG: number; rest: string } | null {
  const both = POUNDS_AND_OUNCES.exec(line);
  if (both)
    return {
      grams: signOf(both[1]) * (Number(both[2]) * G_PER_LB + numberOf(both[3] ?? "") * G_PER_OZ),
      stepG: stepOf(both[3] ?? "") * G_PER_OZ,
      rest: line.replace(both[0], " "),
    };
  const found = MASS.exec(line);
  if (found) {
    const gramsPer = GRAMS_PER[found[3] ?? ""] ?? 1;
    return {
      grams: signOf(found[1]) * numberOf(found[2] ?? "") * gramsPer,
      stepG: stepOf(found[2] ?? "") * gramsPer,
      rest: line.replace(found[0], " "),
    };
  }
  // Only a number: grams.
  const bare = BARE.exec(line);
  return (
    bare && {
      grams: signOf(bare[1]) * numberOf(bare[2] ?? ""),
      stepG: stepOf(bare[2] ?? ""),
      rest: "",
    }
  );
}

/**
 * Reads a line of a scale in the shapes that are common: a number with its sign and unit (g, kg, oz, lb, pounds and ounces), before or after it whether the
 * scale is at rest. Null for a line that is no reading. Never throws.
 */
export function readScaleLine(text: string): ScaleReading | null {
  if (text.length > LONGEST) return null;
  // Control characters stand around lines, and between what is printed.
  const line = text
    .toUpperCase()
    .replace(/[^\x20-\x7e]+/g, " ")
    .trim();
  if (line === "" || NO_LOAD.test(line)) return null;
  const mass = massOf(line);
  if (!mass) return OUT.test(line) ? { kind: "out of range" } : null;
  if (!(Math.abs(mass.grams) <= MOST_G)) return { kind: "out of range" };
  const moving = MOVING.test(mass.rest);
  const atRest = AT_REST.test(mass.rest.replace(MOVING, " "));
  return {
    kind: "mass",
    grams: mass.grams,
    stepG: mass.stepG,
    stable: moving ? false : atRest ? true : null,
  };
}

/** A line as our own stand-in prints it, and as {@link readScaleLine} reads it back: "ST +  201.4 g". */
export const scaleLine = (grams: number, stable: boolean, places = 1): string => {
  const shown = Math.abs(grams).toFixed(places);
  return `${stable ? "ST" : "US"} ${grams < 0 && Number(shown) > 0 ? "-" : "+"}${shown.padStart(9)} g`;
};
