import type { Measured } from "../geometry/measure";
import type { ColourWeight } from "../geometry/weights";
import { covers, type Coat } from "../schedule/coat";
import { surfaceOf } from "../geometry/zones/regions";

const THIRDS = { x: ["left", "", "right"], y: ["back", "", "front"] } as const;
const third = (share: number) => Math.min(2, Math.max(0, Math.floor(3 * share))) as 0 | 1 | 2;
/** Directions from the right, clockwise. */
const TOWARDS = ["right", "front right", "front", "front left", "left", "back left", "back", "back right"];

function placeWords({ xMm, yMm }: ColourWeight, piece: Measured): string {
  const { minX, minY, maxX, maxY } = surfaceOf(piece.piece).box;
  const [x, y] = [
    THIRDS.x[third((xMm - minX) / (maxX - minX))],
    THIRDS.y[third((yMm - minY) / (maxY - minY))],
  ];
  const words = [y, x].filter(Boolean).join(" ");
  return words ? `at the ${words}` : "in the middle";
}

function weightWords(weight: ColourWeight, piece: Measured): string {
  if (weight.kind !== "fade") return `${weight.kind} ${placeWords(weight, piece)}`;
  const turn = (Math.round((weight.angleDeg ?? 0) / 45) + 8) % 8;
  return `fading to the ${TOWARDS[turn]}`;
}

/** "black more at the left; pewter fading to the front": where colours go on the pieces that a coat is poured on; null where chance decides. */
export function whereWords(coat: Coat, pieces: readonly Measured[]): string | null {
  const on = pieces.filter(({ id, piece }) => covers(coat, id) && piece.weights?.length);
  const several = on.length > 1;
  const told = on.flatMap((piece) =>
    coat.colours.flatMap(({ id, name }) => {
      const own = (piece.piece.weights ?? []).filter(({ colourId }) => colourId === id);
      if (own.length === 0) return [];
      const words = own.map((weight) => weightWords(weight, piece)).join(", ");
      return [`${name} ${words}${several ? ` of ${piece.name}` : ""}`];
    }),
  );
  return told.length > 0 ? told.join("; ") : null;
}
