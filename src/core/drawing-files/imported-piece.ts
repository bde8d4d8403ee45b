import type { Point, Pair } from "../geometry/curves";
import { LARGEST_MM, type CutOut, type Piece } from "../geometry/piece";
import { boxOf } from "../geometry/ring";
import { storedMm, storedPair } from "../geometry/stored";
import type { DrawnPath, TakenOutline } from "./drawing";
import { sharpCorners } from "../geometry/sharp-corners";

/** More corners than this no outline needs; a document keeps no more. */
export const MOST_CORNERS = 20_000;

function hole(path: DrawnPath, box: { minX: number; maxY: number }, id: string, name: string): CutOut {
  const points = path.points.map(([x, y]): Point => ({ x, y }));
  const bounds = boxOf(points);
  const centre = path.circle ?? { x: (bounds.minX + bounds.maxX) / 2, y: (bounds.minY + bounds.maxY) / 2 };
  return {
    id,
    name,
    shape: path.circle
      ? { kind: "round", diameterMm: storedMm(2 * path.circle.radius) }
      : { kind: "free", points: points.map(({ x, y }) => storedPair({ x: x - centre.x, y: y - centre.y })) },
    fromLeftMm: storedMm(centre.x - box.minX),
    fromFrontMm: storedMm(box.maxY - centre.y),
    innerFace: null,
  };
}

/** What comes of a drawing: a piece, or why it is more than a document keeps. */
export type Imported = { ok: true; piece: Piece } | { ok: false; why: "corners" | "holes" | "size" };

/** Holes of a piece at most. */
export const MOST_HOLES = 40;

/** The outline and its holes as a piece of its own. */
export function importedPiece(
  taken: Extract<TakenOutline, { ok: true }>,
  name: string,
  newId: () => string,
): Imported {
  const corners = [taken.outer, ...taken.holes].reduce((sum, path) => sum + path.points.length, 0);
  if (corners > MOST_CORNERS) return { ok: false, why: "corners" };
  if (taken.holes.length > MOST_HOLES) return { ok: false, why: "holes" };
  const outer = taken.outer.points.map(([x, y]): Point => ({ x, y }));
  const box = boxOf(outer);
  if (Math.max(box.maxX - box.minX, box.maxY - box.minY) > LARGEST_MM) return { ok: false, why: "size" };
  const points = outer.map(({ x, y }): Pair => storedPair({ x: x - box.minX, y: y - box.minY }));
  const piece: Piece = {
    id: newId(),
    name,
    count: 1,
    shape: { kind: "free", points, starts: sharpCorners(points) },
    edges: {},
    cutOuts: taken.holes.map((path, index) => hole(path, box, newId(), `Hole ${index + 1}`)),
  };
  return { ok: true, piece };
}
