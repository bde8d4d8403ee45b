import type { Measured } from "../geometry/measure";
import { quantityText } from "../units/format-quantity";
import type { UnitSystem } from "../units/dimension";
import type { Place } from "./place";

/** Where on a piece something was noted: "Bistro top, 12 in from the left, 7 in from the front"; null for a piece that the pour has not. */
export function placeWords(
  { pieceId, xMm, yMm }: Place,
  pieces: readonly Measured[],
  system: UnitSystem,
): string | null {
  const piece = pieces.find((one) => one.id === pieceId);
  if (!piece) return null;
  const length = (mm: number) => quantityText(Math.max(0, mm), "length", system);
  const { corners } = piece.outline;
  const fromLeft = xMm - Math.min(...corners.map(({ x }) => x));
  const fromFront = Math.max(...corners.map(({ y }) => y)) - yMm;
  return `${piece.name}, ${length(fromLeft)} from the left, ${length(fromFront)} from the front`;
}
