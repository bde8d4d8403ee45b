import type { Batch, Cup } from "./batch-coat";
import { countable, type Dose } from "./dose";

/** A dose is good when the scale's half step is at most this share of it: 5 g on a 1 g scale. The eye sees no less. */
export const ACCURATE = 0.1;

/** Least mass that a scale of a given step can dose. */
export const leastDoseG = (scaleStepG: number): number => scaleStepG / 2 / ACCURATE;

/** Steps of scales that can be bought, from the coarsest. */
const SCALES_G = [0.1, 0.01, 0.001];

/**
 * A strong colour stirred into a weak stock first, so that a coarse scale can dose it: one part of colour in `ratio` parts of stock by mass.
 * Made with A before the hardener where the colour goes into A; of the mixed clear where it goes into a cup of it: A alone would put that cup
 * out of ratio.
 */
export type Stock = {
  kind: "stock";
  base: "A" | "mix";
  ratio: number;
  /** Stock to weigh in for this dose, and what of the base it brings along. */
  stockG: number;
  carriesG: number;
  /** What to stir together, and what is over then. */
  makeColourG: number;
  makeBaseG: number;
  overG: number;
};

/** A way to measure a dose that the scale cannot weigh. */
export type DoseWay =
  | Stock
  /** Drops or spoons. */
  | { kind: "count"; count: number; unit: "drop" | "spoon" }
  /** A scale of this step weighs it straight. */
  | { kind: "finer"; stepG: number }
  /** Nothing measures so little: mix more at once, or leave it out. */
  | { kind: "none" };

const RATIOS = [10, 100];
/** A stock brings at most so much of what its cup takes of the base. */
const MOST_CARRIED = 0.5;
/** Of the mixed clear at most so much may be over: it cannot be kept. */
const MOST_LOST = 0.05;
/** A count is good when it is off by no more than this. */
export const COUNTED_WELL = 0.15;

function stockFor(doseG: number, cup: Cup, batch: Batch, stepG: number): Stock | null {
  const leastG = leastDoseG(stepG);
  const base = cup.parts !== null || batch.cups.length === 1 ? "A" : "mix";
  const cupBaseG = base === "A" ? (cup.parts ?? batch.parts).aG : cup.g;
  const makeColourG = Math.max(leastG, doseG);
  for (const ratio of RATIOS) {
    const stockG = doseG * ratio;
    const carriesG = doseG * (ratio - 1);
    const makeBaseG = makeColourG * (ratio - 1);
    const overG = makeColourG * ratio - stockG;
    if (stockG < leastG || carriesG > MOST_CARRIED * cupBaseG) continue;
    // What is over of a stock in A keeps for later batches, but it is taken out of no more than this batch's own A.
    const fits = base === "A" ? makeBaseG <= batch.parts.aG : overG <= MOST_LOST * batch.parts.mixG;
    if (fits) return { kind: "stock", base, ratio, stockG, carriesG, makeColourG, makeBaseG, overG };
  }
  return null;
}

/** How a dose of a cup can be measured on a scale, the best way first; none needed (empty) where the scale weighs it straight. */
export function waysToDose(dose: Dose, cup: Cup, batch: Batch, stepG: number): DoseWay[] {
  if (!(dose.grams > 0) || dose.grams >= leastDoseG(stepG)) return [];
  const ways: DoseWay[] = [];
  const count = countable(dose);
  if (dose.unit !== "gram" && Math.abs(count - dose.count) <= COUNTED_WELL * dose.count)
    ways.push({ kind: "count", count, unit: dose.unit });
  const stock = stockFor(dose.grams, cup, batch, stepG);
  if (stock) ways.push(stock);
  const finer = SCALES_G.find((step) => step < stepG && dose.grams >= leastDoseG(step));
  if (finer !== undefined) ways.push({ kind: "finer", stepG: finer });
  return ways.length > 0 ? ways : [{ kind: "none" }];
}
