import type { Point, Pair } from "./curves";
import { freeRing } from "./outline";
import type { FreeOutline, Piece } from "./piece";
import { storedPair } from "./stored";

/** The outline of a piece that is drawn by its corners: a free one, a floor, a traced mould; null for others. */
export function freeOutlineOf({ shape }: Piece): FreeOutline | null {
  if (shape.kind === "free" || shape.kind === "floor") return shape;
  return shape.kind === "mould" && shape.outline.kind === "free" ? shape.outline : null;
}

/** The piece with another such outline. */
export function withFreeOutline(piece: Piece, { points, starts, curved }: FreeOutline): Piece {
  const { shape } = piece;
  const outline = { points, starts, ...(curved && { curved }) };
  if (shape.kind === "mould") return { ...piece, shape: { ...shape, outline: { kind: "free", ...outline } } };
  return { ...piece, shape: { kind: shape.kind === "floor" ? "floor" : "free", ...outline } };
}

/** The middle of the line from a corner to the next one. */
export function middleAfter(outline: FreeOutline, corner: number): Pair {
  const { points } = outline;
  const [a, b] = [points[corner], points[(corner + 1) % points.length]] as [Pair, Pair];
  if (!outline.curved) return storedPair({ x: (a[0] + b[0]) / 2, y: (a[1] + b[1]) / 2 });
  const ring = freeRing(outline);
  const stands = (pair: Pair) => ring.findIndex(({ x, y }) => x === pair[0] && y === pair[1]);
  const [from, to] = [stands(a), stands(b)];
  const between = (to - from + ring.length) % ring.length;
  return storedPair(ring[(from + Math.floor(between / 2)) % ring.length] as Point);
}
