import type { Spread } from "../numerics/spread";
import type { BatchedCoat } from "./batch-coat";

/** Something small that leftovers fill, with its volume. */
export type Small = { name: string; ml: number };

const disc = (diameterMm: number, depthMm: number) => (Math.PI * diameterMm ** 2 * depthMm) / 4000;

/** Small moulds and boards that a bench keeps for what is left (sizes are our choice). */
export const SMALL_THINGS: readonly Small[] = [
  { name: "sample board, 300 × 300 mm at 1 mm", ml: 90 },
  { name: "coaster mould, 100 mm across, 6 mm deep", ml: disc(100, 6) },
  { name: "sample board, 150 × 150 mm at 1 mm", ml: 22.5 },
  { name: "key tag mould, 45 mm across, 5 mm deep", ml: disc(45, 5) },
];

/**
 * What is left of a coat when it lies: what was held back and not called for.
 * Low when losses were at their high end and took of it; high when they were at their low end.
 */
export function leftoverMl({ held, mixMl }: BatchedCoat): Spread {
  const likely = held.reduce((sum, held) => sum + held.ml, 0);
  return {
    low: Math.max(0, likely - (mixMl.high - mixMl.likely)),
    likely,
    high: likely + (mixMl.likely - mixMl.low),
  };
}

/** What a volume fills, largest first; what is less than the smallest stays over. */
export function filledBy(
  ml: number,
  things: readonly Small[] = SMALL_THINGS,
): { fills: { thing: Small; count: number }[]; restMl: number } {
  let restMl = ml;
  const fills = [...things]
    .sort((a, b) => b.ml - a.ml)
    .flatMap((thing) => {
      const count = Math.floor(restMl / thing.ml + 1e-9);
      restMl -= count * thing.ml;
      return count > 0 ? [{ thing, count }] : [];
    });
  return { fills, restMl };
}
