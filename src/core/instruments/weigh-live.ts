/** A reading of a scale at a moment, ms. */
export type Weighing = { grams: number; stable: boolean | null; atMs: number };

/** A scale that says that it is at rest is believed after so long; one that does not say so when it has stood still for so long, ms. */
const SAID_MS = 500;
const STILL_MS = 1200;
/** It stands still while it moves by no more than so many of its steps. */
const STILL_STEPS = 1;

/**
 * What the scale shows once it is at rest: the last reading, where all of the last while lie within a step of it and none says that it moves. Null
 * before. Somebody who leans on the bench, a drop that falls, a slow drift keep it waiting.
 */
export function steadyGrams(readings: readonly Weighing[], stepG: number): number | null {
  const last = readings.at(-1);
  if (!last) return null;
  let since = last.atMs;
  let said = true;
  for (let n = readings.length - 1; n >= 0; n -= 1) {
    const { grams, stable, atMs } = readings[n] as Weighing;
    if (stable === false || Math.abs(grams - last.grams) > STILL_STEPS * stepG + 1e-9) break;
    said &&= stable === true;
    since = atMs;
    if (last.atMs - since >= (said ? SAID_MS : STILL_MS)) return last.grams;
  }
  return null;
}

/** What is on the scale of a line: how much of it, and whether it is to be taken. */
export type LiveLine =
  | { kind: "pouring"; grams: number; toGoG: number }
  /** At rest where it should be, or above: `grams` is what is written down. */
  | { kind: "take"; grams: number }
  /** It was tared, or the vessel was changed: counted from here. */
  | { kind: "tared" }
  /** Less than nothing: the vessel is off the scale. */
  | { kind: "lifted" };

/** So many steps of the scale are nothing. */
export const NOTHING_STEPS = 3;

/**
 * A line that is weighed into a vessel which may hold what was weighed before it.
 * @param baseG what the scale showed when the line began
 * @param targetG what shall come on
 * @param toleranceG how much less than that is enough
 */
export function liveLine(
  readings: readonly Weighing[],
  {
    baseG,
    targetG,
    toleranceG,
    stepG,
  }: { baseG: number; targetG: number; toleranceG: number; stepG: number },
): LiveLine | null {
  const last = readings.at(-1);
  if (!last) return null;
  const steady = steadyGrams(readings, stepG);
  const nothing = NOTHING_STEPS * stepG;
  if (steady !== null && baseG > nothing && Math.abs(steady) <= nothing) return { kind: "tared" };
  const grams = last.grams - baseG;
  if (grams < -nothing) return { kind: "lifted" };
  if (steady !== null && grams > nothing && grams >= targetG - Math.max(toleranceG, stepG / 2))
    return { kind: "take", grams };
  return { kind: "pouring", grams: Math.max(0, grams), toGoG: targetG - grams };
}

/** The end of a line comes slowly: share of it from which the eye is to slow down. */
export const SLOW_FROM = 0.9;
