/**
 * Root of a continuous function that changes sign on [low, high], by bisection.
 * Always converges; absolute error at most (high − low)·2^−steps.
 * @throws when the signs at the ends are the same.
 */
export function bisect(f: (x: number) => number, low: number, high: number, steps = 60): number {
  let a = low;
  let b = high;
  let fa = f(a);
  const fb = f(b);
  if (fa === 0) return a;
  if (fb === 0) return b;
  if (fa > 0 === fb > 0) throw new Error(`No change of sign between ${low} and ${high}: ${fa}, ${fb}`);
  for (let step = 0; step < steps; step += 1) {
    const middle = (a + b) / 2;
    const fm = f(middle);
    if (fm > 0 === fa > 0) {
      a = middle;
      fa = fm;
    } else {
      b = middle;
    }
  }
  return (a + b) / 2;
}
