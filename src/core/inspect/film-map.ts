import { normalBelow } from "../numerics/normal";
import {
  kernelOf,
  nuggetUm,
  sumsOf,
  USUAL_SCALE,
  type Cells,
  type CombReading,
  type FilmScale,
  type Place,
} from "./film-kernel";
import { posterior, sitesOf } from "./film-sites";
import { deficitUm, ML_PER_UM_MM2 } from "./top-up";

/** The volume that lies on the piece, ml, by what was mixed, left and lost, with its doubt. */
export type VolumeOn = { ml: number; sdMl: number };

/** A reading nearer to the edge than this is one of the edge's. */
const NOT_AT_EDGE_MM = 12;

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
  /** How the cells go together, µm²: worked out where it is asked for. */
  covUm2: () => number[][];
};

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
  const covUm2 = () =>
    places.map((a, i) =>
      places.map((b, j) => {
        let value =
          kernel.matern(a.x - b.x, a.y - b.y) +
          kernel.dot(bases[i] as readonly number[], bases[j] as readonly number[]);
        for (let k = 0; k < n; k += 1) value -= (known[i * n + k] as number) * (known[j * n + k] as number);
        return i === j ? Math.max(1e-9, value) : value;
      }),
    );
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
    covUm2,
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
