import type { Point } from "./curves";
import { outlineOf } from "./outline";
import type { Piece } from "./piece";

/** One size where the tape was laid: a line from point to point, drawn on the side (+1 or −1) of its left hand. */
export type Dimension = { from: Point; to: Point; side: 1 | -1; mm: number; prefix: string; inside?: true };

/** Free outlines with more corners than this show only their extent. */
const MOST_STRETCHES = 14;

/** The dimension lines of a piece, in the coordinates of its outline. */
export function dimensionsOf(piece: Piece): Dimension[] {
  const outline = outlineOf(piece);
  const { shape } = piece;
  const [wide, high] = [outline.widthMm, outline.heightMm];
  const across = (y: number, from: number, to: number, side: 1 | -1, prefix = ""): Dimension => ({
    from: { x: from, y },
    to: { x: to, y },
    side,
    mm: to - from,
    prefix,
  });
  const down = (x: number, from: number, to: number, side: 1 | -1): Dimension => ({
    from: { x, y: from },
    to: { x, y: to },
    side,
    mm: to - from,
    prefix: "",
  });
  const corner = (index: number) => outline.corners[index] as Point;
  const extent = [across(high, 0, wide, -1), down(0, 0, high, -1)];
  switch (shape.kind) {
    case "round":
      return [across(high, 0, wide, -1, "⌀ ")];
    case "l-run": {
      const left = shape.turn === "left";
      const [inner, end] = [corner(3), corner(4)];
      return [
        across(0, 0, wide, 1),
        left ? down(0, 0, end.y, -1) : down(wide, 0, end.y, 1),
        left ? down(wide, 0, inner.y, 1) : down(0, 0, inner.y, -1),
        left ? across(end.y, 0, end.x, -1) : across(end.y, end.x, wide, -1),
      ];
    }
    case "u-run": {
      const [right, innerRight, innerLeft, left] = [corner(2), corner(3), corner(5), corner(7)];
      return [
        across(0, 0, wide, 1),
        down(0, 0, left.y, -1),
        down(wide, 0, right.y, 1),
        across(left.y, 0, innerLeft.x, -1),
        across(right.y, innerRight.x, wide, -1),
        { ...down((innerLeft.x + innerRight.x) / 2, 0, corner(4).y, 1), inside: true },
      ];
    }
    case "free":
    case "floor":
      if (shape.curved || shape.points.length > MOST_STRETCHES) return extent;
      return outline.corners.map((from, index) => {
        const to = outline.corners[(index + 1) % outline.corners.length] as Point;
        return { from, to, side: 1, mm: Math.hypot(to.x - from.x, to.y - from.y), prefix: "" };
      });
    case "tumbler":
      return extent;
    default:
      return extent;
  }
}
