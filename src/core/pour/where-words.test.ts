import { newPiece } from "../geometry/new-piece";
import type { ColourWeight } from "../geometry/weights";
import type { Piece } from "../geometry/piece";
import { derivePlan } from "../plan/derive-plan";
import { passPlaces } from "../plan/set-room";
import { job as sample, colourCoat, CARDS, newId } from "../plan/testing/sample";
import { newCoat } from "../job/new-job";
import type { Coat } from "../schedule/coat";
import { colourantNamed, colourFrom } from "../colour/starter-colours";
import { usualPass } from "../schedule/pass";
import { runSheet } from "./run-sheet";
import { whereWords } from "./where-words";

const leaf: Piece = {
  ...newPiece("rectangle", "Panel", newId),
  id: "panel",
  shape: { kind: "rectangle", lengthMm: 900, depthMm: 600 },
  division: {
    rest: { id: "rest", name: "Field" },
    dividers: [
      {
        id: "d",
        drawn: {
          kind: "shape",
          shape: { kind: "rectangle", xMm: 225, yMm: 300, lengthMm: 450, depthMm: 600 },
        },
        zones: [{ id: "leaf", name: "Leaf" }],
      },
    ],
  },
};
const weighed = (weights: Partial<ColourWeight>[], piece = leaf) =>
  derivePlan(
    sample((draft) => {
      draft.pieces = [
        {
          ...piece,
          weights: weights.map((weight, n) => ({
            id: `w${n}`,
            colourId: "k",
            kind: "more",
            xMm: 0,
            yMm: 0,
            reachMm: 100,
            ...weight,
          })),
        },
      ];
    }),
    CARDS,
  ).pieces;
const coatOf = (id: string, name: string, pieceIds?: string[]): Coat => ({
  ...newCoat("colour", "Colour", null, newId),
  colours: [{ ...colourFrom(colourantNamed("Ink black"), id, 1), name }],
  ...(pieceIds && { pieceIds }),
});
const black = coatOf("k", "Black");

describe("where a colour goes, in words", () => {
  test.each<[Partial<ColourWeight>, string]>([
    [{ xMm: 100, yMm: 300 }, "Black more at the left"],
    [{ xMm: 800, yMm: 560, kind: "none" }, "Black none at the front right"],
    [{ xMm: 450, yMm: 300 }, "Black more in the middle"],
    [{ kind: "fade", angleDeg: 180 }, "Black fading to the left"],
    [{ kind: "fade", angleDeg: -90 }, "Black fading to the back"],
  ])("%j", (weight, words) => {
    expect(whereWords(black, weighed([weight]))).toBe(words);
  });
  test("nothing where chance decides", () => {
    expect(whereWords(black, weighed([]))).toBeNull();
    expect(whereWords(coatOf("other", "White"), weighed([{}]))).toBeNull();
    // On a piece that the coat does not go on it is of no matter.
    expect(whereWords(coatOf("k", "Black", ["elsewhere"]), weighed([{}]))).toBeNull();
  });
});

describe("a pass that is done in some zones only", () => {
  const document = sample((draft) => {
    draft.pieces = [leaf];
    colourCoat(draft).passes = [
      usualPass("lay", "lay"),
      usualPass("a", "alcohol", { fromMin: 20, zoneIds: ["leaf"] }),
    ];
    const [first] = colourCoat(draft).colours;
    draft.pieces[0]!.weights = [
      { id: "w", colourId: first!.id, kind: "more", xMm: 800, yMm: 300, reachMm: 200 },
    ];
  });
  const plan = derivePlan(document, CARDS);
  const coat = colourCoat(document);
  test("its share of the coat is that of its zones, and so is what it sprays", () => {
    const planned = plan.coats.find(({ coat: { id } }) => id === coat.id)!;
    expect(passPlaces(coat.passes[1]!, coat, plan.pieces)).toEqual({
      names: ["Leaf"],
      share: expect.closeTo(0.5, 9),
    });
    expect(passPlaces(coat.passes[0]!, coat, plan.pieces)).toBeNull();
    const everywhere = derivePlan(
      sample((draft) => {
        draft.pieces = [leaf];
        colourCoat(draft).passes = [usualPass("lay", "lay"), usualPass("a", "alcohol", { fromMin: 20 })];
      }),
      CARDS,
    ).coats.find(({ coat: { kind } }) => kind === "colour")!;
    expect(planned.sprays[0]!.ml.likely).toBeCloseTo(everywhere.sprays[0]!.ml.likely / 2, 6);
  });
  test("the run sheet says on which, and where colours go as they are laid", () => {
    const steps = runSheet(plan, "metric");
    expect(steps.find(({ passId }) => passId === "a")!.detail).toContain("n Leaf only");
    expect(steps.find(({ passId }) => passId === "lay")!.detail).toContain("more at the right");
  });
});
