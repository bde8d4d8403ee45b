import type { Point } from "@/core/geometry/curves";
import { fromUnrolled, onUnrolled, wallSize } from "@/core/geometry/frustum";
import type { Measured } from "@/core/geometry/measure";
import { seenSize } from "./piece-picture";

/** Where the millimetres of a piece stand on its picture, px, and back: on what is flat as it lies, on a tumbler around its wall. */
export type PictureFrame = { at: (place: Point) => Point; from: (px: Point) => Point; pxPerMm: number };

/** The frame of a picture of a width, px. */
export function pictureFrame(piece: Measured, widthPx: number): PictureFrame {
  const { widthMm, fromX, fromY } = seenSize(piece);
  const pxPerMm = widthPx / widthMm;
  const { shape } = piece.piece;
  if (shape.kind !== "tumbler")
    return {
      pxPerMm,
      at: ({ x, y }) => ({ x: (x - fromX) * pxPerMm, y: (y - fromY) * pxPerMm }),
      from: ({ x, y }) => ({ x: x / pxPerMm + fromX, y: y / pxPerMm + fromY }),
    };
  const { aroundMm, slantMm } = wallSize(shape);
  const { origin } = piece.outline;
  return {
    pxPerMm,
    at: ({ x, y }) => {
      const laid = onUnrolled(shape, x / aroundMm - 0.5, slantMm - y);
      return { x: (laid.x - origin.x) * pxPerMm, y: (laid.y - origin.y) * pxPerMm };
    },
    from: ({ x, y }) => {
      const { around, up } = fromUnrolled(shape, { x: x / pxPerMm + origin.x, y: y / pxPerMm + origin.y });
      return { x: (around + 0.5) * aroundMm, y: slantMm - up };
    },
  };
}
