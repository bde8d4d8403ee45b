import { byIdentity } from "../../numerics/by-identity";
import { findAlong } from "../lanes";
import { areaBelowMm2, boxOf, ringTurn, type Ring } from "../ring";

/** The longer side of what some rings take, and where it begins and ends. */
const spanOf = byIdentity((rings: readonly Ring[]) => {
  const boxes = rings.map(boxOf);
  const [minX, maxX] = [Math.min(...boxes.map((box) => box.minX)), Math.max(...boxes.map((box) => box.maxX))];
  const [minY, maxY] = [Math.min(...boxes.map((box) => box.minY)), Math.max(...boxes.map((box) => box.maxY))];
  return maxX - minX >= maxY - minY
    ? { axis: "x" as const, from: minX, to: maxX }
    : { axis: "y" as const, from: minY, to: maxY };
});

/** The area of a zone before a place along it, holes left out: they run the other way round. */
const laneOf = byIdentity((rings: readonly Ring[]) => {
  const { axis, to } = spanOf(rings);
  const signed = rings.map((ring) => ({ ring, turn: ringTurn(ring) }));
  const below = (limit: number) =>
    signed.reduce((sum, { ring, turn }) => sum + turn * areaBelowMm2(ring, axis, limit), 0);
  return { below, area: below(to), known: new Map<number, number>() };
});

/** Way along a zone, from the left or from the back by its longer side, to the cut before which a share of its area lies, mm. */
export function alongZone(rings: readonly Ring[], share: number): number {
  if (rings.length === 0) return 0;
  if (share <= 0) return 0;
  const { from, to } = spanOf(rings);
  if (share >= 1) return to - from;
  const { below, area, known } = laneOf(rings);
  const before = known.get(share);
  if (before !== undefined) return before;
  const along = findAlong((at) => below(from + at) - share * area, to - from, area);
  known.set(share, along);
  return along;
}
