import type { Point } from "@/core/geometry/curves";
import type { Measured } from "@/core/geometry/measure";
import { wallOnFan } from "@/core/geometry/wall-on-fan";
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
  const { toFan, toFlat } = wallOnFan(shape, piece.outline.origin);
  return {
    pxPerMm,
    at: (place) => {
      const { x, y } = toFan(place);
      return { x: x * pxPerMm, y: y * pxPerMm };
    },
    from: ({ x, y }) => toFlat({ x: x / pxPerMm, y: y / pxPerMm }),
  };
}
