import { cholesky, forward } from "../numerics/cholesky";
import {
  kernelOf,
  nuggetUm,
  USUAL_SCALE,
  widthOf,
  type Cells,
  type CombReading,
  type FilmScale,
} from "./film-kernel";

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
