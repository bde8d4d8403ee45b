/** One multiplication and addition on a calm laptop, ns: at this pace a task has to keep its bar. */
const CALM_NS = 1;
const LONG = 2304;
const MANY = 400;
const TIMES = 15;

/** How many times as long as a calm laptop this machine takes just now for one multiplication and addition, by the median of some runs; at least 1. */
export function paceNow(): number {
  const a = new Float64Array(LONG).fill(1.1);
  const all = Array.from({ length: TIMES }, () => {
    const began = performance.now();
    for (let n = 0; n < MANY; n += 1)
      for (let i = 0; i < LONG; i += 1) a[i] = (a[i] as number) * 0.999 + 0.001;
    return (1e6 * (performance.now() - began)) / (MANY * LONG);
  }).sort((one, other) => one - other);
  return Math.max(1, (all[TIMES >> 1] as number) / CALM_NS);
}

/** What a task took, ms, and the machine's pace before and after it, between the two. */
export type Paced = { ms: number; pace: number };

/** A measurement with the pace of the machine about it. */
export function paced(measure: () => number): Paced {
  const before = paceNow();
  const ms = measure();
  return { ms, pace: (before + paceNow()) / 2 };
}

/** What it would have taken at the pace of a calm laptop, ms: this has to come under its bar. */
export const atCalmPace = ({ ms, pace }: Paced): number => ms / pace;
