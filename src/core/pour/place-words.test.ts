import { derivePlan } from "../plan/derive-plan";
import { CARDS, job } from "../plan/testing/sample";
import { placeWords } from "./place-words";

test("a place is told as it is measured at the bench: from the left and from the front", () => {
  const { pieces } = derivePlan(
    job((draft) => {
      draft.pieces[0]!.shape = { kind: "straight", lengthMm: 2000, depthMm: 600 };
    }),
    CARDS,
  );
  const piece = pieces[0]!;
  const [left, back] = [
    Math.min(...piece.outline.corners.map(({ x }) => x)),
    Math.min(...piece.outline.corners.map(({ y }) => y)),
  ];
  expect(placeWords({ pieceId: piece.id, xMm: left + 300, yMm: back + 500 }, pieces, "metric")).toBe(
    `${piece.name}, 300 mm from the left, 100 mm from the front`,
  );
  expect(placeWords({ pieceId: "gone", xMm: 0, yMm: 0 }, pieces, "metric")).toBeNull();
});
