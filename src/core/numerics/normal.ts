/** Half the width of the middle eight tenths, and of the middle nine, in standard deviations. */
export const EIGHT_TENTHS = 1.2815515655;
export const NINE_TENTHS = 1.644853627;

/** Density of the standard normal distribution. */
export const normalDensity = (z: number): number => Math.exp((-z * z) / 2) / Math.sqrt(2 * Math.PI);

/** From here on the tail is worked out by itself, in √2 standard deviations. */
const TAIL = 3;

/** erfc of a number not below 0, to a relative 1e-13: a series of positive terms (Abramowitz and Stegun 7.1.6), then a continued fraction (7.1.14). */
function erfc(x: number): number {
  const falls = Math.exp(-x * x);
  if (x < TAIL) {
    let term = x;
    let sum = x;
    for (let n = 1; term > 1e-17 * sum; n += 1) {
      term *= (2 * x * x) / (2 * n + 1);
      sum += term;
    }
    return 1 - (2 / Math.sqrt(Math.PI)) * falls * sum;
  }
  let tail = 0;
  for (let n = 60; n > 0; n -= 1) tail = n / 2 / (x + tail);
  return falls / Math.sqrt(Math.PI) / (x + tail);
}

/** Share of the standard normal distribution below a number of standard deviations. */
export function normalBelow(z: number): number {
  const tail = erfc(Math.abs(z) / Math.SQRT2) / 2;
  return z < 0 ? tail : 1 - tail;
}
