import { EIGHT_TENTHS, NINE_TENTHS, normalBelow, normalDensity } from "../numerics/normal";
import { dot, foretold, type Coefficients, type Learnt, type Term } from "./fit";

/** Half the width of the middle eight tenths of Student's distribution with four degrees of freedom. */
const EIGHT_TENTHS_T4 = 1.5332062741;

/** Standard deviation of a factor's logarithm, by the ends between which nine in ten lie. */
export const sdOfEnds = (low: number, high: number): number => Math.log(high / low) / (2 * NINE_TENTHS);

/** A volume that is foretold, ml: likely, the standard deviation of what is needed, and half of the width in which eight of ten pours lie. */
export type Need = { mean: number; sdOfNeed: number; half80: number };

/** The need of a sum of terms by what was learnt, before it is poured. @param sigma scale of its reading, ml @param scale2 of its kind */
export function needOf(
  { ids, mean, cov }: Pick<Learnt, "ids" | "mean" | "cov">,
  terms: readonly Term[],
  sigma: number,
  scale2: number,
  fixed = 0,
): Need {
  const row = (coefs: Coefficients) => ids.map((id) => coefs[id] ?? 0);
  const between = (a: readonly number[], b: readonly number[]) =>
    a.reduce(
      (sum, one, i) =>
        one === 0
          ? sum
          : sum + one * b.reduce((all, other, j) => all + other * ((cov[i] as number[])[j] as number), 0),
      0,
    );
  const rows = terms.map(({ coefs }) => row(coefs));
  const likely = terms.map(({ ml }, k) => {
    const c = rows[k] as number[];
    const shift = dot(c, mean);
    return ml * Math.exp(shift + between(c, c) / 2);
  });
  let variance = 0;
  likely.forEach((one, k) =>
    likely.forEach((other, l) => {
      variance += one * other * Math.expm1(between(rows[k] as number[], rows[l] as number[]));
    }),
  );
  return {
    mean: likely.reduce((sum, one) => sum + one, fixed),
    sdOfNeed: Math.sqrt(variance),
    half80: Math.sqrt(EIGHT_TENTHS ** 2 * variance + EIGHT_TENTHS_T4 ** 2 * sigma ** 2 * scale2),
  };
}

/** Chance that a mix is too little for a need. */
export const chanceOfShort = ({ mean, half80 }: Need, mixMl: number): number =>
  1 - normalBelow(((mixMl - mean) * EIGHT_TENTHS) / half80);

/** How far a forecast was off in all of its spread (continuous ranked probability score), and in bits that count gross errors softly; less is better. */
export function score(seen: number, mean: number, sd: number): { crps: number; logScore: number } {
  const z = (seen - mean) / sd;
  const density = (wide: number) => normalDensity(z / wide) / (sd * wide);
  return {
    crps: sd * (z * (2 * normalBelow(z) - 1) + 2 * normalDensity(z) - 1 / Math.sqrt(Math.PI)),
    logScore: -Math.log(0.95 * density(1) + 0.05 * density(4)),
  };
}

/** What the log of a pour says of what was used, ml; null where it says nothing. */
export function readingOfUse({
  mixedMl,
  leftMl,
  shortMl,
  needMl,
  lossesMl,
}: {
  mixedMl: number;
  leftMl: number | null;
  shortMl: number | null;
  needMl: number;
  lossesMl: number;
}): { y: number; sigma: number } | null {
  const first =
    shortMl !== null ? 10 + 0.25 * shortMl : leftMl !== null && leftMl > 0 ? 3 + 0.05 * leftMl : null;
  // Nothing left and not short: all of it may have been poured out. To learn from that would pour ever more.
  if (first === null) return null;
  return {
    y: shortMl !== null ? mixedMl + shortMl : mixedMl - (leftMl ?? 0),
    sigma: Math.sqrt(first ** 2 + (0.03 * needMl) ** 2 + (0.15 * lossesMl) ** 2),
  };
}

/** Why a change is not proposed. */
export type NotProposed =
  | "too few pours"
  | "inside its spread"
  | "too small"
  | "behind the prior"
  | "refused"
  | "nothing to learn from";

/** From so many pours with a reading on. */
const LEAST_POURS = 4;
/** What matters of a volume: ml, and of the mix. */
const VOLUME_MATTERS = { least: 15, share: 0.03 };

/** Whether what was learnt is proposed: it must have moved by more than its doubt, by what matters, and have foretold better than the usual values. */
export function proposal(
  {
    movedMl,
    sdMl,
    mixMl,
    pours,
    ahead,
  }: {
    /** By how much the usual pour's need moved, and its doubt, ml; or its time, min. */
    movedMl: number;
    sdMl: number;
    /** Of which that is a share. */
    mixMl: number;
    /** With a reading. */
    pours: number;
    /** It foretold better than what is usual, summed over all pours. */
    ahead: boolean;
  },
  matters = VOLUME_MATTERS,
): NotProposed | null {
  const moved = Math.abs(movedMl);
  if (pours < LEAST_POURS) return "too few pours";
  if (moved < 2 * sdMl) return "inside its spread";
  if (moved < matters.least || moved < matters.share * mixMl) return "too small";
  return ahead ? null : "behind the prior";
}

/** The logarithm of a time over the planned one as it is foretold: likely, and half the width in which eight of ten lie. */
export function logForecast(
  { ids, mean, cov }: Pick<Learnt, "ids" | "mean" | "cov">,
  coefs: Coefficients,
  sigma: number,
  scale2: number,
): { mean: number; half80: number } {
  const { h, slopes } = foretold({ type: "log", coefs }, ids, mean);
  const variance = dot(
    slopes,
    cov.map((row) => dot(row, slopes)),
  );
  return {
    mean: h,
    half80: Math.sqrt(EIGHT_TENTHS ** 2 * variance + EIGHT_TENTHS_T4 ** 2 * sigma ** 2 * scale2),
  };
}

/** Which loss to weigh next: how far the doubt of all losses would fall by weighing each, ml. */
export function weighNext(
  { ids, mean, cov }: Pick<Learnt, "ids" | "mean" | "cov">,
  losses: readonly Term[],
  sigma: number,
  /** Losses that can be weighed: all of them share `lam`. */
  candidates: readonly string[],
): { sdNowMl: number; sdThenMl: Map<string, number>; best: string | null } {
  const { slopes } = foretold({ type: "sum", terms: losses }, ids, mean);
  const times = (vector: readonly number[]) => cov.map((row) => dot(row, vector));
  const now = dot(slopes, times(slopes));
  const sdThenMl = new Map<string, number>();
  for (const candidate of candidates) {
    const a = ids.map((id) => (id === "lam" || id === candidate ? 1 : 0));
    const Pa = times(a);
    const less = dot(slopes, Pa) ** 2 / (dot(a, Pa) + sigma ** 2);
    sdThenMl.set(candidate, Math.sqrt(Math.max(0, now - less)));
  }
  const [best] = [...sdThenMl].sort(([, a], [, b]) => a - b);
  return { sdNowMl: Math.sqrt(now), sdThenMl, best: best?.[0] ?? null };
}

/** Misses of the last pours, each in standard deviations of its forecast: whether the shop should be asked if something has changed. */
export function changed(
  misses: readonly number[],
  readings: number,
  sinceLastQuestion: number,
): { score: number; ask: boolean } {
  const last = misses.slice(-4).map((miss) => Math.min(2, Math.max(-2, miss)));
  const score = last.reduce((sum, miss) => sum + miss, 0) / 2;
  return { score, ask: Math.abs(score) > 2.5 && readings >= 8 && sinceLastQuestion >= 4 };
}
