import fc from "fast-check";
import { outlineOf } from "../geometry/outline";
import { measurePiece, type Measured } from "../geometry/measure";
import type { Piece } from "../geometry/piece";
import { unfoldedFaces } from "../geometry/unfold";
import { newPiece } from "../geometry/new-piece";
import { aroundOf, MOST_STANDING, standing, standsFor } from "./standing";
import { tapeList } from "./tape";
import { placesOf } from "./places";
import { onPiece, veinAmounts, waysOnPiece, type MapVein, type VeinSet } from "./vein-map";

let counter = 0;
const newId = () => `id-${++counter}`;
const measured = (piece: Piece): Measured => {
  const found = measurePiece(piece);
  if (!found.ok) throw new Error(JSON.stringify(found.faults));
  return found.measured;
};
const cup = (topDiameterMm = 90, bottomDiameterMm = 60) => {
  const piece = newPiece("tumbler", "Cup", newId);
  piece.shape = {
    kind: "tumbler",
    topDiameterMm,
    bottomDiameterMm,
    heightMm: 160,
    base: true,
    rimBandMm: 10,
    patch: null,
  };
  return standing([measured(piece)])[0]!;
};
/** A vein that goes straight between its points. */
const STRAIGHT = { wander: 0, contrast: 0, branching: 0, hairs: 0, hazeMm: 0 };
const vein = (points: [number, number][]): MapVein => ({ id: newId(), seed: 5, thickMm: 4, points });
const set = (veins: MapVein[]): VeinSet => ({
  id: "set",
  name: "Ink",
  coatId: "coat",
  colourId: "colour",
  angleDeg: 0,
  metresPerM2: 3,
  thickMm: 4,
  manner: STRAIGHT,
  seed: 3,
  veins,
});
const HOME = { xMm: 0, yMm: 0, turnDeg: 0 };

test("several of a kind stand one by one, the first with the id of its kind; of very many a block stands for all", () => {
  const piece = newPiece("round", "Coaster", newId);
  piece.count = 5;
  const five = standing([measured(piece)]);
  expect(five.map(({ name }) => name)).toEqual([1, 2, 3, 4, 5].map((n) => `Coaster ${n}`));
  expect(five[0]!.id).toBe(piece.id);
  expect(new Set(five.map(({ id }) => id)).size).toBe(5);
  expect(five.map(standsFor)).toEqual([1, 1, 1, 1, 1]);
  // None lies over another.
  const places = [...placesOf(five, {}).values()];
  const across = five[0]!.outline.widthMm;
  places.forEach((place, n) =>
    places
      .slice(n + 1)
      .forEach((other) =>
        expect(Math.max(Math.abs(place.xMm - other.xMm), Math.abs(place.yMm - other.yMm))).toBeGreaterThan(
          across,
        ),
      ),
  );
  const many = { ...piece, id: newId(), count: 60 };
  const laid = standing([measured(many)]);
  expect(laid.length).toBe(MOST_STANDING);
  expect(laid.reduce((sum, piece) => sum + standsFor(piece), 0)).toBeCloseTo(60, 9);
});

test("the same pieces are the same objects when asked again", () => {
  const piece = measured(newPiece("round", "Table", newId));
  expect(standing([piece])[0]).toBe(standing([piece])[0]);
});

test("a mould's top has edges that a tape can name, and folds out no face", () => {
  const piece = newPiece("mould", "Mould", newId);
  piece.shape = {
    kind: "mould",
    outline: { kind: "rectangle", lengthMm: 600, depthMm: 300 },
    depthMm: 20,
    draftDeg: 2,
  };
  const [one] = standing([measured(piece)]);
  expect(one!.outline.sides.map(({ name }) => name)).toEqual(["back", "right", "front", "left"]);
  expect(one!.outline.areaMm2).toBeCloseTo(outlineOf(piece).areaMm2, 6);
  expect(unfoldedFaces(one!)).toEqual([]);
  const crossing = vein([
    [-100, 150],
    [700, 150],
  ]);
  const [told] = tapeList({ places: {}, sets: [set([crossing])] }, one!, HOME);
  expect(told!.stretches[0]!.enters).toMatchObject({ words: "left end", from: "the back" });
});

test("a wall is as wide as once around at its middle, with the area of its cone (π·(r₁ + r₂)·s)", () => {
  const piece = cup();
  expect(aroundOf(piece)).toBeCloseTo(Math.PI * 75, 9);
  expect(piece.outline.areaMm2).toBeCloseTo(Math.PI * 75 * Math.hypot(160, 15), 6);
  expect(unfoldedFaces(piece)).toEqual([]);
  expect(aroundOf(measured(newPiece("round", "Table", newId)))).toBeNull();
});

test("what leaves a wall over its seam comes in at the other side at the same height", () => {
  const piece = cup();
  const around = aroundOf(piece)!;
  const going = vein([
    [-30, 20],
    [around * 0.6, 70],
    [around + 90, 120],
  ]);
  const [told] = tapeList({ places: {}, sets: [set([going])] }, piece, HOME);
  const ends = told!.stretches.flatMap(({ enters, leaves }) => [enters, leaves]);
  const seam = (edge: "left" | "right") =>
    ends.flatMap((end) => (end?.edge === edge ? [end.alongMm] : [])).sort((a, b) => a - b);
  expect(seam("right").length).toBeGreaterThan(0);
  expect(seam("left").length).toBe(seam("right").length);
  seam("right").forEach((at, n) => expect(Math.abs(at - seam("left")[n]!)).toBeLessThan(0.5));
  expect(ends.find((end) => end?.edge === "right")).toMatchObject({ words: "the seam", from: "the rim" });
});

test("over the rim a tape around it is laid, which is longer than around the middle by the cone", () => {
  const piece = cup(100, 60);
  const around = aroundOf(piece)!;
  // Straight down over the rim a quarter around from the seam.
  const down = vein([
    [around / 4, -60],
    [around / 4, 80],
  ]);
  const [told] = tapeList({ places: {}, sets: [set([down])] }, piece, HOME);
  const { enters } = told!.stretches[0]!;
  expect(enters).toMatchObject({ words: "rim", from: "the seam" });
  // A quarter of π · 100 mm, to what a hand strays.
  expect(Math.abs(enters!.alongMm - (Math.PI * 100) / 4)).toBeLessThan(6);
});

test("a vein that comes over a wall ends within half a turn of its seam, however far it goes on elsewhere", () => {
  const piece = cup();
  const around = aroundOf(piece)!;
  fc.assert(
    fc.property(
      fc.double({ min: -3000, max: 0, noNaN: true }),
      fc.double({ min: 300, max: 3000, noNaN: true }),
      fc.double({ min: -100, max: 300, noNaN: true }),
      (from, to, y) => {
        const veins = onPiece(
          vein([
            [from, y],
            [to, y],
          ]),
          piece,
          HOME,
        );
        expect(veins.length).toBe(1);
        const xs = veins[0]!.points.map((point) => point.x);
        expect(Math.min(...xs)).toBeGreaterThanOrEqual(-around / 2 - 1e-9);
        expect(Math.max(...xs)).toBeLessThanOrEqual(1.5 * around + 1e-9);
      },
    ),
  );
  // Beside it there is none of it.
  expect(
    waysOnPiece(
      vein([
        [around + 10, 40],
        [900, 40],
      ]),
      STRAIGHT,
      piece,
      HOME,
    ),
  ).toEqual([]);
});

test("the volume of a vein around a wall counts each stretch of it once", () => {
  const piece = cup();
  const around = aroundOf(piece)!;
  // Once around and a quarter, within the height of the wall.
  const going = vein([
    [0, 60],
    [1.25 * around, 100],
  ]);
  const { lengthMm } = veinAmounts(set([going]), piece, HOME);
  const long = Math.hypot(1.25 * around, 40);
  expect(Math.abs(lengthMm / long - 1)).toBeLessThan(0.04);
});
