import { outlineOf } from "./outline";
import type { Piece } from "./piece";

/** How wide the board is that goes through the planer when a piece has cured, mm; null for what is not planed, or where its width is not told. */
export function boardWidthMm(piece: Piece): number | null {
  const { shape } = piece;
  if (shape.kind === "river") return shape.boardMm ?? null;
  if (shape.kind !== "mould") return null;
  const { widthMm, heightMm } = outlineOf(piece);
  return Math.min(widthMm, heightMm);
}
