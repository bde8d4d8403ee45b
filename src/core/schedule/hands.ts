/** A stretch of time in which other work has the hands. */
export type Taken = { fromMin: number; toMin: number; by: string };

/** Work that keeps so many pairs of hands for a while. */
export type Busy = Taken & { hands: number };

/**
 * The first minute from one on at which nothing is taken for so long, and whose work is waited for.
 * @param taken in the order of their begin
 */
export function whenFree(
  atMin: number,
  minutes: number,
  taken: readonly Taken[],
): { atMin: number; waitsFor: string | null } {
  let free = { atMin, waitsFor: null as string | null };
  for (const { fromMin, toMin, by } of taken)
    if (fromMin < free.atMin + minutes && toMin > free.atMin) free = { atMin: toMin, waitsFor: by };
  return free;
}

/**
 * When fewer than the wanted pairs of hands are left of a shop's, because of other work; in the order of time, stretches of the same work
 * joined. Nobody is asked for more hands than the shop has.
 */
export function takenBy(others: readonly Busy[], shopHands: number, wanted: number): Taken[] {
  const needed = Math.min(wanted, shopHands);
  const edges = [...new Set(others.flatMap(({ fromMin, toMin }) => [fromMin, toMin]))].sort((a, b) => a - b);
  const taken: Taken[] = [];
  for (const [index, fromMin] of edges.entries()) {
    const toMin = edges[index + 1];
    if (toMin === undefined) break;
    const now = others.filter((other) => other.fromMin < toMin && other.toMin > fromMin);
    const left = shopHands - now.reduce((sum, { hands }) => sum + hands, 0);
    if (left >= needed) continue;
    const by = [...new Set(now.map((busy) => busy.by))].join(" and ");
    const last = taken[taken.length - 1];
    if (last && last.toMin === fromMin && last.by === by) last.toMin = toMin;
    else taken.push({ fromMin, toMin, by });
  }
  return taken;
}
