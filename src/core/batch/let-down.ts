/** A dose is good when the scale's half step is at most this share of it: 5 g on a 1 g scale. The eye sees no less. */
export const ACCURATE = 0.1;

/** Least mass that a scale of a given step can dose. */
export const leastDoseG = (scaleStepG: number): number => scaleStepG / 2 / ACCURATE;

/**
 * A strong colour stirred into a weak stock first, so that a coarse scale can dose it:
 * one part of colour in `ratio` parts of stock by mass, made with part A.
 */
export type LetDown = {
  ratio: 10 | 100;
  /** Stock to weigh in for this dose. */
  stockG: number;
  /** Part A that the stock brings along; so much less A goes on the scale. */
  carriesAG: number;
  /** What to stir together: the least that can be weighed well, or what is needed. */
  makeColourG: number;
  makeAG: number;
};

/**
 * How a dose can be weighed on a scale: straight (null), or by a let-down.
 * @param doseG grams of colour; @param neededG grams of the colour over all cups that the stock must serve
 */
export function letDownFor(doseG: number, neededG: number, scaleStepG: number): LetDown | null {
  const least = leastDoseG(scaleStepG);
  if (!(doseG > 0) || doseG >= least) return null;
  const ratio = doseG * 10 >= least ? 10 : 100;
  const makeColourG = Math.max(least, neededG);
  return {
    ratio,
    stockG: doseG * ratio,
    carriesAG: doseG * (ratio - 1),
    makeColourG,
    makeAG: makeColourG * (ratio - 1),
  };
}
