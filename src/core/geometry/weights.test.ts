import { newPiece } from "./new-piece";
import type { Piece } from "./piece";
import { mirrored, rotated } from "./transform";

let made = 0;
const newId = () => `id-${(made += 1)}`;
const piece: Piece = {
  ...newPiece("rectangle", "Panel", newId),
  shape: { kind: "rectangle", lengthMm: 1000, depthMm: 400 },
  edges: {},
  weights: [
    { id: "w", colourId: "c", kind: "fade", xMm: 200, yMm: 100, reachMm: 300, angleDeg: 30 },
    { id: "v", colourId: "c", kind: "more", xMm: 900, yMm: 50, reachMm: 80 },
  ],
};

test("what goes where goes with its piece: mirrored the other way, turned a quarter with it, four times as it was", () => {
  expect(mirrored(piece).weights).toMatchObject([
    { xMm: 800, yMm: 100, angleDeg: 150 },
    { xMm: 100, yMm: 50 },
  ]);
  const quarter = rotated(piece, 90)!;
  expect(quarter.weights).toMatchObject([
    { xMm: 300, yMm: 200, angleDeg: 120, reachMm: 300 },
    { xMm: 350, yMm: 900, reachMm: 80 },
  ]);
  let round: Piece = piece;
  for (let n = 0; n < 4; n += 1) round = rotated(round, 90)!;
  expect(round.weights).toEqual(piece.weights);
  expect(mirrored(mirrored(piece)).weights).toEqual(piece.weights);
});
