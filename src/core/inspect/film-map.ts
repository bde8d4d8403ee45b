import { backward, cholesky, forward } from "../numerics/cholesky";
import { summedOver } from "../numerics/fft";
import { normalBelow, normalDensity } from "../numerics/normal";

/** A place on a piece, mm, and how far it lies from the nearest edge. */
export type Place = { x: number; y: number; edgeMm: number };

/** What a comb said at a place: the last tooth that was wetted and the first that was not, µm; null for none and for all of them. */
export type CombReading = Place & { lo: number | null; hi: number | null };

/** A piece cut in equal cells, by their rows and columns on one grid. */
export type Cells = { sideMm: number; places: readonly (Place & { column: number; row: number })[] };

/** How the film may vary: by what share, and over what distance as a share of √area. */
export type FilmScale = { sf: number; ell: number };
export const USUAL_SCALE: FilmScale = { sf: 0.15, ell: 0.25 };

/** The volume that lies on the piece, ml, by what was mixed, left and lost, with its doubt. */
export type VolumeOn = { ml: number; sdMl: number };

const LEVEL = 0.15;
const AT_EDGE = 0.2;
const EDGE_MM = 30;
const TILT = 0.08;
/** A comb read twice at one place differs by so much: of the film, and µm (judgement). */
const NUGGET_SHARE = 0.05;
const NUGGET_UM = 10;
const nuggetUm = (meanUm: number) => Math.hypot(NUGGET_SHARE * meanUm, NUGGET_UM);
/** A reading nearer to the edge than this is one of the edge's. */
const NOT_AT_EDGE_MM = 12;

/** ml of a film of 1 µm on 1 mm². */
const ML_PER_UM_MM2 = 1e-6;

const middleOf = (places: readonly Place[]) => ({
  x: places.reduce((sum, { x }) => sum + x, 0) / places.length,
  y: places.reduce((sum, { y }) => sum + y, 0) / places.length,
});

/** How the film at two places goes together before anything is read, µm². */
function kernelOf(meanUm: number, { sideMm, places }: Cells, { sf, ell }: FilmScale) {
  const root = Math.sqrt(places.length) * sideMm;
  const middle = middleOf(places);
  const per = Math.sqrt(3) / (ell * root);
  const [rough, level, edge, tilt] = [
    (sf * meanUm) ** 2,
    (LEVEL * meanUm) ** 2,
    (AT_EDGE * meanUm) ** 2,
    ((TILT * meanUm) / (root / 2)) ** 2,
  ];
  /** Matérn's with 3/2, by the distance. */
  const matern = (dx: number, dy: number) => {
    const r = per * Math.sqrt(dx * dx + dy * dy);
    return rough * (1 + r) * Math.exp(-r);
  };
  /** What the film varies by on the whole: level, edge and tilt, each a number at a place. */
  const basis = ({ x, y, edgeMm }: Place): readonly [number, number, number, number] => [
    Math.sqrt(level),
    Math.sqrt(edge) * Math.exp(-edgeMm / EDGE_MM),
    Math.sqrt(tilt) * (x - middle.x),
    Math.sqrt(tilt) * (y - middle.y),
  ];
  const dot = (a: readonly number[], b: readonly number[]) =>
    (a[0] as number) * (b[0] as number) +
    (a[1] as number) * (b[1] as number) +
    (a[2] as number) * (b[2] as number) +
    (a[3] as number) * (b[3] as number);
  return {
    matern,
    basis,
    dot,
    between: (a: Place, b: Place) => matern(a.x - b.x, a.y - b.y) + dot(basis(a), basis(b)),
  };
}
type Kernel = ReturnType<typeof kernelOf>;

/**
 * A film of which only a comb's step is known: its chance, mean and variance, µm, of one that was about normal before.
 * @param nugget what two readings of one place differ by, µm
 */
export function siteMoments(
  mean: number,
  variance: number,
  lo: number | null,
  hi: number | null,
  nugget: number,
): { probability: number; mean: number; variance: number } {
  const s = Math.sqrt(variance + nugget * nugget);
  const low = lo === null ? -Infinity : (lo - mean) / s;
  const high = hi === null ? Infinity : (hi - mean) / s;
  // In the upper tail both shares are near one: looked at from the other side they are small, and differ.
  const mirror = low + high > 0;
  const a = mirror ? -high : low;
  const b = mirror ? -low : high;
  const Z = normalBelow(b) - normalBelow(a);
  const [da, db] = [normalDensity(a), normalDensity(b)];
  const g = (da - db) / Z;
  const bend = ((Number.isFinite(b) ? b * db : 0) - (Number.isFinite(a) ? a * da : 0)) / Z + g * g;
  return {
    probability: Z,
    mean: mean + ((mirror ? -g : g) * variance) / s,
    variance: variance - (variance / s) ** 2 * bend,
  };
}

/** How much is missing to a film on average where it is about normal, µm. */
export function deficitUm(meanUm: number, sdUm: number, minUm: number): number {
  const z = (minUm - meanUm) / sdUm;
  return sdUm * (z * normalBelow(z) + normalDensity(z));
}

/**
 * What brings all cells up to a film, ml, with its standard deviation: Hermite's series to the fourth order.
 * @param covUm2 of the cells, at most some 200 of them
 */
export function topUp(
  meanUm: readonly number[],
  covUm2: readonly (readonly number[])[],
  minUm: number,
  cellMm2: number,
): { ml: number; sdMl: number } {
  const sds = covUm2.map((row, at) => Math.sqrt(row[at] as number));
  const terms = meanUm.map((mean, at) => {
    const sd = sds[at] as number;
    const z = (minUm - mean) / sd;
    const d = normalDensity(z);
    return [sd * normalBelow(z), sd * d, sd * z * d, sd * (z * z - 1) * d];
  });
  const factorials = [1, 2, 6, 24];
  let variance = 0;
  terms.forEach((one, i) =>
    terms.forEach((other, j) => {
      const rho = ((covUm2[i] as readonly number[])[j] as number) / ((sds[i] as number) * (sds[j] as number));
      let power = 1;
      for (let n = 0; n < 4; n += 1) {
        power *= rho;
        variance += ((one[n] as number) * (other[n] as number) * power) / (factorials[n] as number);
      }
    }),
  );
  const um = meanUm.reduce((sum, mean, at) => sum + deficitUm(mean, sds[at] as number, minUm), 0);
  const perUm = cellMm2 * ML_PER_UM_MM2;
  return { ml: um * perUm, sdMl: Math.sqrt(variance) * perUm };
}

const SWEEPS = 60;
const DAMPED = 0.8;
const SETTLED = 1e-10;

/** Sites of readings: precision, and precision times mean, of the film less its mean. */
type Sites = { tau: Float64Array; nu: Float64Array };

const widthOf = ({ lo, hi }: CombReading) => (lo === null || hi === null ? null : hi - lo);

/** Posterior of what was read, from priors and sites: L of B = I + √τ·K·√τ, mean and variance of each, and how each lifts what goes together with it. */
function posterior(K: readonly (readonly number[])[], { tau, nu }: Sites) {
  const n = K.length;
  const root = Array.from(tau, Math.sqrt);
  const L = cholesky(
    K.map((row, i) =>
      row.map((value, j) => (i === j ? 1 : 0) + (root[i] as number) * value * (root[j] as number)),
    ),
  );
  const Knu = K.map((row) => row.reduce((sum, value, j) => sum + value * (nu[j] as number), 0));
  const mean = new Float64Array(n);
  const variance = new Float64Array(n);
  const b = forward(
    L,
    Knu.map((value, i) => (root[i] as number) * value),
  );
  for (let i = 0; i < n; i += 1) {
    const v = forward(
      L,
      (K[i] as readonly number[]).map((value, j) => (root[j] as number) * value),
    );
    let less = 0;
    let back = 0;
    for (let j = 0; j < n; j += 1) {
      less += (v[j] as number) ** 2;
      back += (v[j] as number) * (b[j] as number);
    }
    mean[i] = (Knu[i] as number) - back;
    variance[i] = ((K[i] as readonly number[])[i] as number) - less;
  }
  const inner = backward(L, b);
  const lifts = b.map((_, i) => (nu[i] as number) - (root[i] as number) * (inner[i] as number));
  return { L, root, lifts, mean, variance };
}

/** Sites by expectation propagation (Minka 2001, from memory): started at the middle of each step, damped, until nothing moves. */
function sitesOf(
  readings: readonly CombReading[],
  meanUm: number,
  K: readonly (readonly number[])[],
  volume: { meanUm: number; sdUm: number } | null,
): Sites {
  const n = K.length;
  const nugget = nuggetUm(meanUm);
  const tau = new Float64Array(n);
  const nu = new Float64Array(n);
  readings.forEach((reading, i) => {
    const width = widthOf(reading);
    if (width === null) return;
    tau[i] = 1 / (nugget * nugget + width ** 2 / 12);
    nu[i] = (tau[i] as number) * ((reading.lo as number) + width / 2 - meanUm);
  });
  if (volume) {
    tau[n - 1] = 1 / volume.sdUm ** 2;
    nu[n - 1] = (volume.meanUm - meanUm) / volume.sdUm ** 2;
  }
  for (let sweep = 0; sweep < SWEEPS; sweep += 1) {
    const { mean, variance } = posterior(K, { tau, nu });
    let moved = 0;
    readings.forEach(({ lo, hi }, i) => {
      const precision = 1 / (variance[i] as number) - (tau[i] as number);
      if (!(precision > 0)) return;
      const around = ((mean[i] as number) / (variance[i] as number) - (nu[i] as number)) / precision;
      const found = siteMoments(
        around,
        1 / precision,
        lo === null ? null : lo - meanUm,
        hi === null ? null : hi - meanUm,
        nugget,
      );
      const newTau = Math.max(0, 1 / found.variance - precision);
      const newNu = found.mean / found.variance - around * precision;
      moved = Math.max(moved, Math.abs(newTau - (tau[i] as number)) / precision);
      tau[i] = (tau[i] as number) + DAMPED * (newTau - (tau[i] as number));
      nu[i] = (nu[i] as number) + DAMPED * (newNu - (nu[i] as number));
    });
    if (moved < SETTLED) break;
  }
  return { tau, nu };
}

/** A film over a piece: its mean and doubt in each cell, µm; what lies below a smallest film; and where the next reading tells most. */
export type FilmMap = {
  meanUm: Float64Array;
  sdUm: Float64Array;
  meanOfAllUm: number;
  /** What is missing to the smallest film, ml of film, and the share of the piece where it is missing. */
  belowMl: number;
  areaBelowShare: number;
  /** Cell of the next reading; null where all lie at the edge. */
  nextCell: number | null;
};

/** Σ weight_i·k(i, c) over all cells, for every cell c. */
function sumsOf(kernel: Kernel, { sideMm, places }: Cells): (weights: Float64Array) => Float64Array {
  const wide = 1 + places.reduce((most, { column }) => Math.max(most, column), 0);
  const high = 1 + places.reduce((most, { row }) => Math.max(most, row), 0);
  const summed = summedOver((columns, rows) => kernel.matern(columns * sideMm, rows * sideMm), wide, high);
  const bases = places.map(kernel.basis);
  return (weights) => {
    const grid = new Float64Array(wide * high);
    const whole: [number, number, number, number] = [0, 0, 0, 0];
    places.forEach(({ column, row }, i) => {
      const weight = weights[i] as number;
      grid[row * wide + column] = weight;
      (bases[i] as readonly number[]).forEach((value, k) => {
        whole[k] = (whole[k] as number) + value * weight;
      });
    });
    const sums = summed(grid);
    return Float64Array.from(
      places,
      ({ column, row }, c) =>
        (sums[row * wide + column] as number) + kernel.dot(whole, bases[c] as readonly number[]),
    );
  };
}

/**
 * A film map from comb readings and the volume on the piece: a Gaussian process about the mean film, readings as steps of a comb.
 * @param meanUm mean film by the volume, µm @param minUm the smallest film that is wanted @param stepUm of the comb of the next reading
 */
export function filmMap({
  cells,
  meanUm,
  readings,
  volume,
  scale = USUAL_SCALE,
  minUm,
  stepUm,
}: {
  cells: Cells;
  meanUm: number;
  readings: readonly CombReading[];
  volume: VolumeOn | null;
  scale?: FilmScale;
  minUm: number;
  stepUm: number;
}): FilmMap {
  const { places, sideMm } = cells;
  const many = places.length;
  const cellMm2 = sideMm * sideMm;
  const kernel = kernelOf(meanUm, cells, scale);
  const evenly = new Float64Array(many).fill(1 / many);
  const sums = sumsOf(kernel, cells);
  const ofMean = sums(evenly);
  const bases = places.map(kernel.basis);
  /** What each reading, and the mean of all cells where the volume is known, has with each cell. */
  const withCells = readings.map((reading): Float64Array => {
    const base = kernel.basis(reading);
    const row = new Float64Array(many);
    for (let c = 0; c < many; c += 1) {
      const { x, y } = places[c] as Place;
      row[c] = kernel.matern(reading.x - x, reading.y - y) + kernel.dot(base, bases[c] as readonly number[]);
    }
    return row;
  });
  if (volume) withCells.push(ofMean);
  const meanOf = (values: Float64Array) => values.reduce((sum, value) => sum + value, 0) / many;
  const n = withCells.length;
  const means = withCells.map(meanOf);
  const K = withCells.map((_row, i) =>
    withCells.map((_column, j) => {
      const [a, b] = [readings[i], readings[j]];
      return a && b ? kernel.between(a, b) : (means[a ? i : j] as number);
    }),
  );
  const perUm = many * cellMm2 * ML_PER_UM_MM2;
  const asFilm = volume && { meanUm: volume.ml / perUm, sdUm: volume.sdMl / perUm };
  const { L, root, lifts } = posterior(K, sitesOf(readings, meanUm, K, asFilm));
  const mean = new Float64Array(many).fill(meanUm);
  const sd = new Float64Array(many);
  /** L⁻¹·√τ·k of each cell, one after the other. */
  const known = new Float64Array(many * n);
  for (let c = 0; c < many; c += 1) {
    let less = 0;
    let lift = 0;
    for (let i = 0; i < n; i += 1) {
      const k = (withCells[i] as Float64Array)[c] as number;
      lift += k * (lifts[i] as number);
      let value = (root[i] as number) * k;
      const line = L[i] as number[];
      for (let j = 0; j < i; j += 1) value -= (line[j] as number) * (known[c * n + j] as number);
      value /= line[i] as number;
      known[c * n + i] = value;
      less += value * value;
    }
    mean[c] = meanUm + lift;
    const own =
      kernel.matern(0, 0) + kernel.dot(bases[c] as readonly number[], bases[c] as readonly number[]);
    sd[c] = Math.sqrt(Math.max(1e-9, own - less));
  }
  let below = 0;
  const share = new Float64Array(many);
  for (let c = 0; c < many; c += 1) {
    below += deficitUm(mean[c] as number, sd[c] as number, minUm);
    share[c] = normalBelow((minUm - (mean[c] as number)) / (sd[c] as number));
  }
  return {
    meanUm: mean,
    sdUm: sd,
    meanOfAllUm: meanOf(mean),
    belowMl: below * cellMm2 * ML_PER_UM_MM2,
    areaBelowShare: meanOf(share),
    nextCell: nextCell(sums(share), cells, share, known, sd, nuggetUm(meanUm) ** 2 + stepUm ** 2 / 12),
  };
}

/** Where a reading lessens most the doubt of what lies below the smallest film. */
function nextCell(
  sums: Float64Array,
  cells: Cells,
  share: Float64Array,
  known: Float64Array,
  sd: Float64Array,
  readUm2: number,
): number | null {
  const { places } = cells;
  const many = places.length;
  const n = many > 0 ? known.length / many : 0;
  const seen = new Float64Array(n);
  for (let c = 0; c < many; c += 1)
    for (let i = 0; i < n; i += 1)
      seen[i] = (seen[i] as number) + (share[c] as number) * (known[c * n + i] as number);
  let best: number | null = null;
  let most = -Infinity;
  for (let c = 0; c < many; c += 1) {
    if ((places[c] as Place).edgeMm < NOT_AT_EDGE_MM) continue;
    let together = sums[c] as number;
    for (let i = 0; i < n; i += 1) together -= (seen[i] as number) * (known[c * n + i] as number);
    const gain = together ** 2 / ((sd[c] as number) ** 2 + readUm2);
    if (gain > most) [most, best] = [gain, c];
  }
  return best;
}

/** How the film may vary, of which the likeliest by the readings is taken. */
const SCALES: readonly FilmScale[] = [0.07, 0.13, 0.24].flatMap((sf) =>
  [0.12, 0.25, 0.5].map((ell) => ({ sf, ell })),
);
/** From so many readings on. */
const ENOUGH_READINGS = 8;

/** Logarithm of how likely readings are under a scale, at the middle of each step, with how likely the scale is before. */
export function logEvidence(
  cells: Cells,
  meanUm: number,
  readings: readonly CombReading[],
  scale: FilmScale,
): number {
  const stepped = readings.flatMap((reading) => {
    const width = widthOf(reading);
    return width === null ? [] : [{ reading, width, off: (reading.lo as number) + width / 2 - meanUm }];
  });
  const kernel = kernelOf(meanUm, cells, scale);
  const L = cholesky(
    stepped.map(({ reading: a, width }, i) =>
      stepped.map(
        ({ reading: b }, j) => kernel.between(a, b) + (i === j ? nuggetUm(meanUm) ** 2 + width ** 2 / 12 : 0),
      ),
    ),
  );
  const white = forward(
    L,
    stepped.map(({ off }) => off),
  );
  const fit = white.reduce(
    (sum, value, i) => sum - (value * value) / 2 - Math.log((L[i] as number[])[i] as number),
    (-stepped.length / 2) * Math.log(2 * Math.PI),
  );
  return fit - (Math.log(scale.sf / 0.13) / 0.5) ** 2 / 2 - (Math.log(scale.ell / 0.25) / 0.5) ** 2 / 2;
}

/** How the film varies, by its readings where there are enough of them. */
export function scaleOf(cells: Cells, meanUm: number, readings: readonly CombReading[]): FilmScale {
  if (readings.filter((reading) => widthOf(reading) !== null).length < ENOUGH_READINGS) return USUAL_SCALE;
  const told = SCALES.map((scale) => ({ scale, log: logEvidence(cells, meanUm, readings, scale) }));
  return told.reduce((best, one) => (one.log > best.log ? one : best)).scale;
}
