import { backward, cholesky, forward } from "../numerics/cholesky";

/** A log correction that is learnt: 0 is as planned; `sd` of what is likely before anything is seen. */
export type Factor = { id: string; sd: number };

/** How much each factor counts in something, by its id. */
export type Coefficients = Readonly<Record<string, number>>;

/** A volume at its usual value, ml, and the factors that it goes by. */
export type Term = { ml: number; coefs: Coefficients };

/**
 * A reading: `log`, the logarithm of what was seen over what was planned; `sum`, a volume that is a sum of terms, ml. `sigma` is its scale, in the same
 * unit; `age` in later pours of the shop. Kinds share how well they are read.
 */
export type Reading = { id?: string; kind: string; y: number; sigma: number; age: number } & (
  { type: "log"; coefs: Coefficients } | { type: "sum"; terms: readonly Term[]; const?: number }
);

/** What was learnt: likely corrections in the order of `ids`, their covariance, the square of each kind's scale, and how much each reading counts. */
export type Learnt = {
  ids: readonly string[];
  mean: number[];
  cov: number[][];
  scale2: ReadonlyMap<string, number>;
  weights: number[];
};

/** Null: Gaussian readings, no learnt scale, no fading. */
export type LearnBy = { nu: number | null; n0: number | null; halfLife: number | null };
export const USUAL: LearnBy = { nu: 4, n0: 4, halfLife: 30 };

const MOST_ROUNDS = 100;
const ENOUGH = 1e-9;
/** No correction moves further than this in a round: readings of sums bend. */
const MOST_STEP = 0.7;

/** Σ a·b. */
export const dot = (a: readonly number[], b: readonly number[]) =>
  a.reduce((sum, value, at) => sum + value * (b[at] as number), 0);

/** The inverse of a symmetric positive matrix. */
function inverse(matrix: readonly (readonly number[])[]): number[][] {
  const L = cholesky(matrix);
  return matrix.map((_, column) =>
    backward(
      L,
      forward(
        L,
        matrix.map((_row, row) => (row === column ? 1 : 0)),
      ),
    ),
  );
}

/** How much of a reading a set of corrections foretells, and how that moves with each of them. */
export function foretold(
  reading:
    | Pick<Extract<Reading, { type: "sum" }>, "type" | "terms" | "const">
    | Pick<Extract<Reading, { type: "log" }>, "type" | "coefs">,
  ids: readonly string[],
  theta: readonly number[],
): { h: number; slopes: number[] } {
  const rows = (coefs: Coefficients) => ids.map((id) => coefs[id] ?? 0);
  if (reading.type === "log") {
    const slopes = rows(reading.coefs);
    return { h: dot(slopes, theta), slopes };
  }
  let h = reading.const ?? 0;
  const slopes = ids.map(() => 0);
  for (const { ml, coefs } of reading.terms) {
    const c = rows(coefs);
    const here = ml * Math.exp(dot(c, theta));
    h += here;
    c.forEach((coef, at) => (slopes[at] = (slopes[at] as number) + here * coef));
  }
  return { h, slopes };
}

/** The readings of each id once: sent twice, it is one. */
function once(readings: readonly Reading[]): Reading[] {
  const seen = new Set<string>();
  return readings.filter(({ id }) => id === undefined || (!seen.has(id) && seen.add(id)));
}

/**
 * Corrections from readings: the mode of a Student-t likelihood with normal priors and a learnt scale for each kind, by iterated weights
 * (Lange, Little, Taylor 1989, from memory). From nothing over all readings, so that their order does not matter.
 */
export function learn(factors: readonly Factor[], all: readonly Reading[], by: LearnBy = USUAL): Learnt {
  const readings = once(all);
  const ids = factors.map(({ id }) => id);
  const precision = factors.map(({ sd }) => 1 / (sd * sd));
  const ages = readings.map(({ age }) => (by.halfLife === null ? 1 : 2 ** (-age / by.halfLife)));
  const kinds = [...new Set(readings.map(({ kind }) => kind))];
  let scale2 = new Map(kinds.map((kind) => [kind, 1]));
  let theta = factors.map(() => 0);
  let weights = readings.map(() => 1);
  let cov = factors.map(({ sd }, row) => factors.map((_, column) => (row === column ? sd * sd : 0)));
  for (let round = 0; round < MOST_ROUNDS; round += 1) {
    const seen = readings.map((reading) => {
      const { h, slopes } = foretold(reading, ids, theta);
      return { r: reading.y - h, slopes };
    });
    weights = readings.map(({ sigma, kind }, at) => {
      if (by.nu === null) return 1;
      const z2 = ((seen[at]?.r ?? 0) / sigma) ** 2 / (scale2.get(kind) ?? 1);
      return (by.nu + 1) / (by.nu + z2);
    });
    const information = precision.map((value, row) =>
      precision.map((_, column) => (row === column ? value : 0)),
    );
    const pull = precision.map((value, at) => -value * (theta[at] as number));
    readings.forEach(({ sigma, kind }, at) => {
      const { r, slopes } = seen[at] as { r: number; slopes: number[] };
      const q = ((ages[at] as number) * (weights[at] as number)) / (sigma * sigma * (scale2.get(kind) ?? 1));
      slopes.forEach((slope, row) => {
        if (slope === 0) return;
        pull[row] = (pull[row] as number) + q * slope * r;
        const line = information[row] as number[];
        slopes.forEach((other, column) => (line[column] = (line[column] as number) + q * slope * other));
      });
    });
    cov = inverse(information);
    const step = cov.map((row) => Math.min(MOST_STEP, Math.max(-MOST_STEP, dot(row, pull))));
    theta = theta.map((value, at) => value + (step[at] as number));
    let moved = Math.max(0, ...step.map(Math.abs));
    if (by.n0 !== null) {
      const next = new Map<string, number>();
      for (const kind of kinds) {
        let [sum, many] = [by.n0, by.n0];
        readings.forEach((reading, at) => {
          if (reading.kind !== kind) return;
          const { h, slopes } = foretold(reading, ids, theta);
          const doubt = dot(
            slopes,
            cov.map((row) => dot(row, slopes)),
          );
          const square = ((reading.y - h) ** 2 + doubt) / reading.sigma ** 2;
          sum += (ages[at] as number) * (weights[at] as number) * square;
          many += ages[at] as number;
        });
        next.set(kind, sum / many);
        moved = Math.max(moved, Math.abs(sum / many - (scale2.get(kind) ?? 1)));
      }
      scale2 = next;
    }
    if (moved < ENOUGH) break;
  }
  return { ids, mean: theta, cov, scale2, weights };
}
