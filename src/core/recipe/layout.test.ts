import type { CoatColour } from "../batch/coat-colour";
import { colourantNamed, colourFrom } from "../colour/starter-colours";
import { newPiece } from "../geometry/new-piece";
import type { Piece } from "../geometry/piece";
import { emptyJob, newCoat } from "../job/new-job";
import type { JobDocument } from "../job/job";
import { derivePlan } from "../plan/derive-plan";
import { CARDS, newId } from "../plan/testing/sample";
import type { Coat } from "../schedule/coat";
import { jobFromRecipe, recipeOf, withRecipe } from "./recipe";

const RESIN = CARDS[0]!.id;
const colour = (name: string, id: string, share: number, placeIds?: string[]): CoatColour => ({
  ...colourFrom(colourantNamed(name), id, share, 0),
  ...(placeIds && { placeIds }),
});
const panel: Piece = {
  ...newPiece("rectangle", "Panel", newId),
  id: "panel",
  shape: { kind: "rectangle", lengthMm: 1000, depthMm: 500 },
  edges: {},
  division: {
    rest: { id: "rest", name: "Field" },
    dividers: [
      {
        id: "d",
        drawn: {
          kind: "shape",
          shape: { kind: "rectangle", xMm: 250, yMm: 250, lengthMm: 400, depthMm: 300 },
        },
        zones: [{ id: "leaf", name: "Leaf" }],
        barrier: { kind: "tape", widthMm: 25 },
      },
    ],
  },
  weights: [{ id: "w", colourId: "white", kind: "more", xMm: 800, yMm: 125, reachMm: 200 }],
};
const coat = (name: string, colours: CoatColour[], more: Partial<Coat> = {}): Coat => ({
  ...newCoat("colour", name, RESIN, newId),
  filmMm: 1,
  coverShare: 1,
  coversFaces: false,
  clearReserve: 0,
  colours,
  ...more,
});
const job: JobDocument = {
  ...emptyJob(),
  pieces: [panel],
  coats: [
    coat(
      "Ground",
      [colour("Flat white", "white", 0.5, ["rest"]), colour("Ink black", "black", 0.5, ["leaf"])],
      {
        filmByPieceMm: { leaf: 1.5 },
      },
    ),
    coat("Leaf", [colour("Copper", "copper", 1)], { zonesByPiece: { panel: ["leaf"] } }),
  ],
};
const recipe = () => recipeOf(job, derivePlan(job, CARDS).coats, "panel");
const reference = { versionId: "v", name: "Leaf panel", number: 1 };
const zonesOf = (document: JobDocument) => {
  const [measured] = derivePlan(document, CARDS).pieces;
  return measured!.zones;
};

describe("zones and weights in a recipe", () => {
  test("on twice the length and half the depth the zones have the same shares, a weight its place", () => {
    const made = jobFromRecipe(recipe(), reference, { kind: "sample", lengthMm: 2000, depthMm: 250 }, newId);
    const [piece] = made.pieces;
    expect(zonesOf(made).map(({ name, share }) => [name, share])).toEqual([
      ["Field", expect.closeTo(0.76, 6)],
      ["Leaf", expect.closeTo(0.24, 6)],
    ]);
    expect(piece!.weights).toMatchObject([
      { colourId: "white", kind: "more", xMm: 1600, yMm: 62.5, reachMm: 200 },
    ]);
    const [field, leaf] = zonesOf(made).map(({ id }) => id);
    // Ids of their own, so that a job can take the recipe twice.
    expect([field, leaf]).not.toContain("leaf");
    expect(made.coats[1]!.zonesByPiece).toEqual({ [piece!.id]: [leaf] });
    expect(made.coats[0]!.filmByPieceMm).toEqual({ [leaf!]: 1.5 });
    expect(made.coats[0]!.colours.map(({ placeIds }) => placeIds)).toEqual([[field], [leaf]]);
    expect(piece!.division!.dividers[0]!.barrier).toEqual({ kind: "tape", widthMm: 25 });
  });

  test("laid on a job of two pieces, each has its own zones, and what lies on the tops is twice as much", () => {
    const { division: _zones, weights: _weights, ...bare } = panel;
    const two: JobDocument = {
      ...emptyJob(),
      pieces: [
        { ...bare, id: "a" },
        { ...bare, id: "b" },
      ],
    };
    const made = withRecipe(two, recipe(), reference, newId);
    const mixed = (document: JobDocument) =>
      derivePlan(document, CARDS).coats.map(({ batched }) => batched!.onTopMl.likely);
    const [once, twice] = [mixed(job), mixed(made)];
    twice.forEach((ml, n) => expect(ml).toBeCloseTo(2 * once[n]!, 6));
    expect(Object.keys(made.coats[1]!.zonesByPiece ?? {})).toEqual(["a", "b"]);
  });

  test("a piece that is divided already keeps its zones: what is for a name goes to that name, all else to what is left", () => {
    const own: Piece = {
      ...panel,
      id: "own",
      division: {
        rest: { id: "own-rest", name: "Whatever" },
        dividers: [
          { ...panel.division!.dividers[0]!, id: "own-d", zones: [{ id: "own-leaf", name: "Leaf" }] },
        ],
      },
    };
    const made = withRecipe({ ...emptyJob(), pieces: [own] }, recipe(), reference, newId);
    expect(made.pieces[0]!.division).toEqual(own.division);
    expect(made.coats[1]!.zonesByPiece).toEqual({ own: ["own-leaf"] });
    expect(made.coats[0]!.colours.map(({ placeIds }) => placeIds)).toEqual([["own-rest"], ["own-leaf"]]);
  });

  test("back on the job it came from it plans the same cups", () => {
    const back = withRecipe(job, recipe(), reference, newId);
    const cups = (document: JobDocument) =>
      derivePlan(document, CARDS).coats.map(({ batched }) =>
        batched!.batches.flatMap((batch) => batch.cups.map(({ name, ml }) => [name, ml])),
      );
    expect(cups(back)).toEqual(cups(job));
  });
});
