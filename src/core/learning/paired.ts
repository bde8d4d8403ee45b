/**
 * Whether two ways are told apart by pairs of boards: exact, by what chance alone could have done. Within each pair it was drawn which board gets
 * which way, so each difference could as well have had the other sign (Fisher 1935, The Design of Experiments, §21; the sign test is its plainest case).
 */

/** Chance that the draw alone parts `wins` from `losses` so far or further, to either side; pairs that came out alike tell nothing. 1 for none. */
export function signTest(wins: number, losses: number): number {
  const many = wins + losses;
  const least = Math.min(wins, losses);
  let [ways, sum] = [1, 0];
  for (let k = 0; k <= least; k += 1) {
    sum += ways;
    ways = (ways * (many - k)) / (k + 1);
  }
  return Math.min(1, (2 * sum) / 2 ** many);
}

/** More pairs than this are not worked out: all signs are gone through. */
export const MOST_PAIRS = 16;

/** Sums that differ by so much less are the same. */
const SAME = 1e-9;

/** Sums of all subsets, the empty one first. */
function subsetSums(values: readonly number[]): Float64Array {
  const sums = new Float64Array(2 ** values.length);
  values.forEach((value, n) => {
    const before = 2 ** n;
    for (let i = 0; i < before; i += 1) sums[before + i] = (sums[i] as number) + value;
  });
  return sums;
}

/**
 * Chance that differences as large would add up so far from 0, or further, had the draw alone given them their signs. 1 for none.
 * @throws RangeError beyond {@link MOST_PAIRS}
 */
export function signFlipTest(differences: readonly number[]): number {
  if (differences.length > MOST_PAIRS) throw new RangeError(`More than ${MOST_PAIRS} pairs`);
  const size = differences.reduce((sum, d) => sum + Math.abs(d), 0);
  const seen = Math.abs(differences.reduce((sum, d) => sum + d, 0)) - SAME * size;
  // With these signs turned, the sum is what it was less twice theirs; of sizes, all signs are among them.
  const turned = subsetSums(differences.map(Math.abs));
  let as = 0;
  for (const sum of turned) if (Math.abs(size - 2 * sum) >= seen) as += 1;
  return as / turned.length;
}

/**
 * Ends between which the true difference lies at least so often: means of all subsets part the line into equally likely pieces
 * (Hartigan 1969, Using subsample values as typical values). Null where there are too few.
 */
export function differenceBetween(
  differences: readonly number[],
  often: number,
): { low: number; high: number } | null {
  const many = differences.length;
  if (many === 0 || many > MOST_PAIRS) return null;
  const cut = Math.floor(((1 - often) / 2) * 2 ** many + SAME);
  if (cut < 1) return null;
  const counts = subsetSums(differences.map(() => 1));
  const means = subsetSums(differences)
    .map((sum, n) => sum / (counts[n] as number))
    .subarray(1)
    .sort();
  return { low: means[cut - 1] as number, high: means[means.length - cut] as number };
}
