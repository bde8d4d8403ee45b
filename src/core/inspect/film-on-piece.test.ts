import fc from "fast-check";
import { newPiece } from "../geometry/new-piece";
import { placeIn } from "../geometry/ring";
import { measurePiece, type Measured } from "../geometry/measure";
import { readCombAt, stepAboutUm, USUAL_COMB_MM } from "./combs";
import { filmOnPiece, isTold, shareAt, volumeOn, type FilmOnPiece } from "./film-on-piece";
import type { CombAt } from "./inspection";
import { cellsOf, edgeMmOf, FEW_CELLS, fewCellsOf } from "./piece-cells";
import { poured } from "./testing/poured";

const measured = (piece: Parameters<typeof measurePiece>[0]): Measured => {
  const found = measurePiece(piece);
  if (!found.ok) throw new Error(JSON.stringify(found.faults));
  return found.measured;
};
const L = measured(newPiece("l-run", "L", () => "l"));

test("cells cover a piece: their area is its area within a cell along its edges, each lies on it", () => {
  const { places, sideMm } = cellsOf(L);
  const area = places.length * sideMm ** 2;
  expect(Math.abs(area - L.outline.areaMm2)).toBeLessThan(L.outline.perimeterMm * sideMm * 0.5);
  for (const place of places) expect(placeIn(place, L.outline.corners)).toBeGreaterThanOrEqual(0);
  expect(fewCellsOf(L).places.length).toBeLessThanOrEqual(FEW_CELLS);
  expect(fewCellsOf(L).places.length).toBeGreaterThan(20);
});

test("how far a place lies from the edge, by hand", () => {
  const plate = measured({
    ...newPiece("rectangle", "R", () => "r"),
    shape: { kind: "rectangle", lengthMm: 400, depthMm: 200 },
  });
  expect(edgeMmOf(plate, { x: 200, y: 100 })).toBeCloseTo(100, 9);
  expect(edgeMmOf(plate, { x: 30, y: 100 })).toBeCloseTo(30, 9);
});

const log = poured();
const planned = log.plan.coats.find(({ coat }) => coat.kind === "colour")!;
const [piece] = log.plan.pieces as [Measured];
const outcome = log.outcomes.find(({ coatId }) => coatId === planned.coat.id)!;
const read = (x: number, y: number, wetMm: number | null, dryMm: number | null, n = 0): CombAt => ({
  id: `${x} ${y} ${n}`,
  at: "2026-05-04T10:00:00.000Z",
  coatId: planned.coat.id,
  place: { pieceId: piece.id, xMm: x * piece.outline.widthMm, yMm: y * piece.outline.heightMm },
  wetMm,
  dryMm,
});
const film = (combs: readonly CombAt[], minMm: number | null = null): FilmOnPiece =>
  filmOnPiece({
    plan: log.plan,
    planned,
    piece,
    outcome,
    combs,
    minMm,
    teethMm: USUAL_COMB_MM.metric,
    factors: {},
  })!;

test("without a reading the map is the volume over the area; with the left-over known it is known better", () => {
  const plain = film([]);
  const volume = volumeOn(log.plan, planned, piece, outcome)!;
  expect(plain.map.meanOfAllUm / (volume.ml / (piece.topAreaMm2 * 1e-6))).toBeCloseTo(1, 1);
  const known = volumeOn(log.plan, planned, piece, { ...outcome, leftMl: 40 })!;
  expect(known.sdMl / known.ml).toBeLessThan(volume.sdMl / volume.ml);
  // More left is less on the piece, by the top's share of it.
  const more = volumeOn(log.plan, planned, piece, { ...outcome, leftMl: 140 })!;
  expect(known.ml - more.ml).toBeGreaterThan(80);
  expect(known.ml - more.ml).toBeLessThanOrEqual(100);
});

test("a thin end is found thin, and asks for more the more is wanted; nobody claims a film far from all readings", () => {
  const thinEnd = [
    read(0.1, 0.3, 0.4, 0.5),
    read(0.1, 0.7, 0.4, 0.5),
    read(0.2, 0.5, 0.5, 0.6),
    read(0.5, 0.5, 0.8, 1),
  ];
  const told = film(thinEnd);
  const at = (x: number) => shareAt(told, { x: x * piece.outline.widthMm, y: 0.5 * piece.outline.heightMm });
  expect(at(0.12)!).toBeLessThan(0.75);
  expect(at(0.5)!).toBeGreaterThan(at(0.12)!);
  expect(at(0.99)).toBeNull();
  expect(isTold(told, { x: 0.11 * piece.outline.widthMm, y: 0.5 * piece.outline.heightMm })).toBe(true);
  const wants = [0.4, 0.8, 1.2].map((minMm) => film(thinEnd, minMm).missingMl);
  expect(wants[0]!.likely).toBeLessThan(wants[1]!.likely);
  expect(wants[1]!.likely).toBeLessThan(wants[2]!.likely);
  for (const { low, likely, high } of wants) {
    expect(low).toBeGreaterThanOrEqual(0);
    expect(low).toBeLessThanOrEqual(likely);
    expect(high).toBeGreaterThan(likely);
  }
  const { missingMl, mixMl } = film(thinEnd, 0.8);
  expect(mixMl.high).toBeGreaterThan(missingMl.high);
});

test("wherever combs are put the map is finite and its doubt only falls", () => {
  const before = Math.max(...film([]).map.sdUm);
  fc.assert(
    fc.property(
      fc.array(
        fc.record({
          x: fc.double({ min: 0.02, max: 0.98, noNaN: true }),
          y: fc.double({ min: 0.05, max: 0.95, noNaN: true }),
          wetted: fc.integer({ min: 0, max: USUAL_COMB_MM.metric.length }),
        }),
        { minLength: 1, maxLength: 7 },
      ),
      (reads) => {
        const combs = reads.map(({ x, y, wetted }, n) => {
          const { wetMm, dryMm } = readCombAt(USUAL_COMB_MM.metric, wetted);
          return read(x, y, wetMm, dryMm, n);
        });
        const { map, missingMl } = film(combs);
        for (const um of map.meanUm) expect(Number.isFinite(um)).toBe(true);
        expect(Math.max(...map.sdUm)).toBeLessThanOrEqual(before * 1.0001);
        expect(missingMl.likely).toBeGreaterThanOrEqual(0);
      },
    ),
    { numRuns: 15 },
  );
});

test("combs at one place that say the opposite of each other leave a map, and the film between them", () => {
  const at = (wetted: number, n: number) => {
    const { wetMm, dryMm } = readCombAt(USUAL_COMB_MM.metric, wetted);
    return read(0.02, 0.05, wetMm, dryMm, n);
  };
  const most = USUAL_COMB_MM.metric.length;
  for (const wetted of [
    [most, 0, 0],
    [0, most],
    [most, most, 0, most, 0],
  ]) {
    const { map } = film(wetted.map(at));
    for (const um of [...map.meanUm, ...map.sdUm]) expect(Number.isFinite(um)).toBe(true);
  }
});

test("a comb of three teeth: between two of them, below the first, above the last", () => {
  const teeth = [0.5, 1, 2];
  expect(readCombAt(teeth, 2)).toEqual({ wetMm: 1, dryMm: 2 });
  expect(readCombAt(teeth, 0)).toEqual({ wetMm: null, dryMm: 0.5 });
  expect(readCombAt(teeth, 3)).toEqual({ wetMm: 2, dryMm: null });
  expect(stepAboutUm(teeth, 1.4)).toBeCloseTo(1000, 9);
  expect(stepAboutUm(teeth, 0.6)).toBeCloseTo(500, 9);
});
