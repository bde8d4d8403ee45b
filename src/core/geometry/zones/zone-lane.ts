import { byIdentity } from "../../numerics/by-identity";
import type { Point } from "../curves";
import { findAlong } from "../lanes";
import { areaBelowMm2, boxOf, ringTurn, type Ring } from "../ring";

/** The rings of a zone with their signs: holes run the other way round. */
const laneOf = byIdentity((rings: readonly Ring[]) => {
  const { minX, minY, maxX, maxY } = boxOf(rings.flat() as Point[]);
  const axis = maxX - minX >= maxY - minY ? ("x" as const) : ("y" as const);
  const [from, to] = axis === "x" ? [minX, maxX] : [minY, maxY];
  const below = (limit: number) =>
    rings.reduce((sum, ring) => sum + ringTurn(ring) * areaBelowMm2(ring, axis, limit), 0);
  return { from, to, below, area: below(to), known: new Map<number, number>() };
});

/** Way along a zone, from the left or from the back by its longer side, to the cut before which a share of its area lies, mm. */
export function alongZone(rings: readonly Ring[], share: number): number {
  if (rings.length === 0) return 0;
  const { from, to, below, area, known } = laneOf(rings);
  if (share <= 0) return 0;
  if (share >= 1) return to - from;
  const before = known.get(share);
  if (before !== undefined) return before;
  const along = findAlong((at) => below(from + at) - share * area, to - from, area);
  known.set(share, along);
  return along;
}
