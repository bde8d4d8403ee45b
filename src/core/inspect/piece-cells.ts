import { cutOutRing } from "../geometry/cut-out";
import type { Measured } from "../geometry/measure";
import { boxOf, placeIn, type Ring } from "../geometry/ring";
import type { Cells } from "./film-kernel";

/** The most cells along the longer side of a piece: 40 × 40 are worked out in some 40 ms. */
export const MOST_CELLS_ALONG = 40;
/** For sums over pairs of cells. */
export const FEW_CELLS = 200;

type Point = { x: number; y: number };

/** Distance of a point from a closed line, mm. */
function fromRing({ x, y }: Point, ring: Ring): number {
  let least = Infinity;
  for (let at = 0; at < ring.length; at += 1) {
    const a = ring[at] as Point;
    const b = ring[(at + 1) % ring.length] as Point;
    const [dx, dy] = [b.x - a.x, b.y - a.y];
    const long2 = dx * dx + dy * dy;
    const along = long2 === 0 ? 0 : Math.min(1, Math.max(0, ((x - a.x) * dx + (y - a.y) * dy) / long2));
    least = Math.min(least, Math.hypot(x - a.x - along * dx, y - a.y - along * dy));
  }
  return least;
}

/** The lines that a film ends at: the outline of a piece and its cut-outs, mm. */
const ringsOf = ({ piece, outline }: Measured): Ring[] => [
  outline.corners,
  ...piece.cutOuts.map((cutOut) => cutOutRing(cutOut, outline)),
];

/** How far a place lies from where the film of a piece ends, mm. */
export const edgeMmOf = (piece: Measured, place: Point): number =>
  Math.min(...ringsOf(piece).map((ring) => fromRing(place, ring)));

/** A piece in equal square cells, those whose middles lie on it. @param most along its longer side */
export function cellsOf(piece: Measured, most: number = MOST_CELLS_ALONG): Cells {
  const [outer, ...holes] = ringsOf(piece) as [Ring, ...Ring[]];
  const { minX, minY, maxX, maxY } = boxOf(outer);
  const sideMm = Math.max(maxX - minX, maxY - minY) / most;
  const [columns, rows] = [Math.ceil((maxX - minX) / sideMm), Math.ceil((maxY - minY) / sideMm)];
  const places: Cells["places"][number][] = [];
  for (let row = 0; row < rows; row += 1)
    for (let column = 0; column < columns; column += 1) {
      const at = { x: minX + (column + 0.5) * sideMm, y: minY + (row + 0.5) * sideMm };
      if (placeIn(at, outer) < 0 || holes.some((hole) => placeIn(at, hole) > 0)) continue;
      places.push({ ...at, edgeMm: edgeMmOf(piece, at), column, row });
    }
  return { sideMm, places };
}

/** The same in at most so many cells. */
export function fewCellsOf(piece: Measured, most: number = FEW_CELLS): Cells {
  let along = MOST_CELLS_ALONG;
  let cells = cellsOf(piece, along);
  while (cells.places.length > most && along > 2) {
    along = Math.max(2, Math.min(along - 1, Math.floor(along * Math.sqrt(most / cells.places.length))));
    cells = cellsOf(piece, along);
  }
  return cells;
}
