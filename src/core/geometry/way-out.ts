import { byIdentity } from "../numerics/by-identity";
import type { Point } from "./curves";
import { outlineOf } from "./outline";
import type { Door, Piece } from "./piece";
import { boxOf } from "./ring";

/** How a floor is worked: along an axis, forwards or backwards, so that it ends at a door. */
export type WayOut = {
  axis: "x" | "y";
  forwards: boolean;
  /** How far the floor goes on behind the last door that is reached, mm. */
  behindMm: number;
  /** The door that one leaves by. */
  doorId: string;
};

/** Somebody who lays the last of it stands in the doorway, and reaches so far, mm (assumed). */
export const REACH_MM = 900;

/** The middle of a door in the outline's coordinates; null where its side is gone. */
export function doorPoint(piece: Piece, { edge, atMm }: Door): Point | null {
  const side = outlineOf(piece).sides.find(({ name }) => name === edge);
  if (!side) return null;
  let left = Math.min(Math.max(0, atMm), side.lengthMm);
  for (const [index, from] of side.path.entries()) {
    const to = side.path[index + 1];
    if (!to) return from;
    const long = Math.hypot(to.x - from.x, to.y - from.y);
    if (left <= long) {
      const share = long > 0 ? left / long : 0;
      return { x: from.x + (to.x - from.x) * share, y: from.y + (to.y - from.y) * share };
    }
    left -= long;
  }
  return null;
}

/** The way over a floor that leaves the least behind its door; along its length where two leave as little. Null without a door. */
export const wayOut = byIdentity((piece: Piece): WayOut | null => {
  const doors = (piece.shape.kind === "floor" ? (piece.doors ?? []) : []).flatMap((door) => {
    const point = doorPoint(piece, door);
    return point ? [{ id: door.id, point }] : [];
  });
  if (doors.length === 0) return null;
  const { minX, minY, maxX, maxY } = boxOf(outlineOf(piece).corners);
  const long = maxX - minX >= maxY - minY ? "x" : "y";
  const axes = long === "x" ? (["x", "y"] as const) : (["y", "x"] as const);
  const ways = axes.flatMap((axis) =>
    [true, false].flatMap((forwards) =>
      doors.map(({ id, point }): WayOut => {
        const [low, high] = axis === "x" ? [minX, maxX] : [minY, maxY];
        return { axis, forwards, doorId: id, behindMm: forwards ? high - point[axis] : point[axis] - low };
      }),
    ),
  );
  return ways.reduce((best, way) => (way.behindMm < best.behindMm - 1 ? way : best));
});

/** Whether whoever lays the end of a floor is shut in by what is wet: it goes on further behind the door than one reaches. */
export const isTrap = ({ behindMm }: WayOut): boolean => behindMm > REACH_MM;
