import type { Move } from "./move";
import { storedMm } from "./stored";

/**
 * Where on a piece there shall be more of a colour, none, or less and less of it along a way. It says nothing of how much of the colour there is
 * in all.
 */
export type SoftPlace = {
  kind: "more" | "none" | "fade";
  /** The middle of it, or where it begins to fade, mm of the piece's drawing; on a tumbler of its wall laid flat. */
  xMm: number;
  yMm: number;
  /** How far it reaches: a radius, or the way over which it fades, mm. */
  reachMm: number;
  /** Which way it fades, degrees from the right, clockwise as seen from above. */
  angleDeg?: number;
};

/** A soft place for one of a coat's colours. */
export type ColourWeight = SoftPlace & { id: string; colourId: string };

/** More than these for one colour nobody keeps in mind while pouring. */
export const MOST_WEIGHTS_EACH = 8;
export const MOST_WEIGHTS = 80;

export const WEIGHT_WORDS: Record<SoftPlace["kind"], string> = {
  more: "more here",
  none: "none here",
  fade: "fading this way",
};

/** A direction that goes with its piece, degrees over −180 to 180. */
function movedAngle(deg: number, { mirrors, turnDeg = 0 }: Move): number {
  const turned = (mirrors ? 180 - deg : deg) + turnDeg;
  return -((((180 - turned) % 360) + 360) % 360) + 180;
}

/** A weight that goes with its piece. */
export function movedWeight(weight: ColourWeight, move: Move): ColourWeight {
  const [xMm, yMm] = move.to(weight.xMm, weight.yMm);
  return {
    ...weight,
    xMm: storedMm(xMm),
    yMm: storedMm(yMm),
    ...(weight.angleDeg !== undefined && { angleDeg: movedAngle(weight.angleDeg, move) }),
  };
}
