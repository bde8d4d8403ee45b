import type { Move } from "./move";
import type { Piece } from "./piece";
import { movedWeight } from "./weights";
import { movedDivision } from "./zones/moved-division";

/** What is drawn on a piece goes with it: its zones, and where its colours go. Only the fields that it has. */
export const movedWithPiece = (
  { division, weights }: Pick<Piece, "division" | "weights">,
  move: Move,
): Pick<Piece, "division" | "weights"> => ({
  ...(division && { division: movedDivision(division, move) }),
  ...(weights && { weights: weights.map((weight) => movedWeight(weight, move)) }),
});
