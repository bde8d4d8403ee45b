import { normalBelow, normalDensity } from "../numerics/normal";

/** ml of a film of 1 µm on 1 mm². */
export const ML_PER_UM_MM2 = 1e-6;

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
