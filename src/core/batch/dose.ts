/** How a colourant is measured out. */
export type DoseMeasure =
  | { unit: "gram" }
  | { unit: "drop"; dropMl: number; densityGPerMl: number }
  | { unit: "spoon"; gramsPerSpoon: number };

export const MEASURE_WORDS: Record<DoseMeasure["unit"], string> = {
  gram: "by the gram",
  drop: "by the drop",
  spoon: "by the level spoon",
};

/** What each way of measuring begins with (common practice, no source): a drop of 0.05 ml, a level micro-spoon of 0.2 g. */
export const USUAL_MEASURE: Record<DoseMeasure["unit"], DoseMeasure> = {
  gram: { unit: "gram" },
  drop: { unit: "drop", dropMl: 0.05, densityGPerMl: 1.2 },
  spoon: { unit: "spoon", gramsPerSpoon: 0.2 },
};

/** Colourant of a cup: grams, and the same in the unit it is measured by. */
export type Dose = { grams: number; count: number; unit: DoseMeasure["unit"] };

/** Grams in one drop, spoon or gram. */
export function gramsPerCount(measure: DoseMeasure): number {
  switch (measure.unit) {
    case "gram":
      return 1;
    case "drop":
      return measure.dropMl * measure.densityGPerMl;
    case "spoon":
      return measure.gramsPerSpoon;
  }
}

/**
 * The dose for a mass of mixed resin.
 * @param gPer100G grams of colourant to 100 g of mixed resin
 */
export function doseFor(mixG: number, gPer100G: number, measure: DoseMeasure): Dose {
  const grams = (mixG * gPer100G) / 100;
  return { grams, count: grams / gramsPerCount(measure), unit: measure.unit };
}

/** What can be counted out: tenths of a gram (whole from 100), whole drops, quarter spoons. */
export function countable(dose: Dose): number {
  if (dose.unit === "drop") return Math.round(dose.count);
  if (dose.unit === "spoon") return Math.round(dose.count * 4) / 4;
  return dose.count < 100 ? Math.round(dose.count * 10) / 10 : Math.round(dose.count);
}
