import { pulled, traced, withCorner, withLine, withoutCorner, type Knot } from "./handles";
import { measurePiece } from "./measure";
import { newPiece } from "./new-piece";
import { outlineOf } from "./outline";
import { rotated, mirrored } from "./transform";
import type { Piece } from "./piece";

const underlay = { pictureId: "p", xMm: 10, yMm: 20, mmPerPx: 1, opacity: 0.8 };
const piece = (kind: Parameters<typeof newPiece>[0]): Piece => ({
  ...newPiece(kind, "Slab", () => "a"),
  underlay,
});
const knots = (points: readonly (readonly [number, number])[], corners: readonly number[] = []): Knot[] =>
  points.map(([x, y], index) => ({ at: { x, y }, corner: corners.includes(index) }));
const round = (count: number, radius: number) =>
  Array.from({ length: count }, (_, index): [number, number] => {
    const turn = (2 * Math.PI * index) / count;
    return [500 + radius * Math.cos(turn), 300 + radius * Math.sin(turn)];
  });

test("sixteen clicks around a round slab give its area to half a percent, one edge, and the photo stays below it", () => {
  const slab = traced(piece("rectangle"), knots(round(16, 250)));
  const outline = outlineOf(slab);
  expect(Math.abs(outline.areaMm2 / (Math.PI * 250 ** 2) - 1)).toBeLessThan(0.005);
  expect(outline.sides.map(({ name }) => name)).toEqual(["side-1"]);
  // The slab's box begins at 250, 50 of the drawing before; the photo went along.
  expect(slab.underlay!.xMm).toBeCloseTo(10 - 250, 0);
  expect(slab.underlay!.yMm).toBeCloseTo(20 - 50, 0);
});

test("corners part the line into edges; between two corners that follow each other it is straight", () => {
  // A slab with a sawn front from corner to corner and a live edge behind.
  const slab = traced(
    piece("rectangle"),
    knots(
      [
        [0, 500],
        [0, 100],
        [400, 0],
        [800, 120],
        [1200, 80],
        [1200, 500],
      ],
      [0, 1, 4, 5],
    ),
  );
  const { sides } = outlineOf(slab);
  expect(sides).toHaveLength(4);
  expect(sides.map(({ path }) => path.length > 2)).toEqual([false, true, false, false]);
  expect(sides[3]!.lengthMm).toBeCloseTo(1200, 6);
});

test("a traced mould keeps its depth; its corners are pulled, added and taken out", () => {
  const mould = traced(piece("mould"), knots(round(10, 100)));
  expect(mould.shape).toMatchObject({ kind: "mould", outline: { kind: "free", curved: true, starts: [0] } });
  const before = outlineOf(mould);
  const wider = pulled(mould, { kind: "corner", index: 0 }, { x: 50, y: 0 }, null);
  expect(outlineOf(wider).widthMm).toBeCloseTo(before.widthMm + 50, 0);
  // A point put into the middle of a smooth stretch leaves the line where it is.
  const more = outlineOf(withCorner(mould, 3));
  expect(Math.abs(more.areaMm2 / before.areaMm2 - 1)).toBeLessThan(0.002);
  const less = withoutCorner(withCorner(mould, 3), 4);
  expect(outlineOf(less).areaMm2).toBeCloseTo(before.areaMm2, 3);
  expect(measurePiece(mould).ok).toBe(true);
});

test("smooth and straight are the same corners; turned and mirrored a smooth line keeps its area", () => {
  const straight = piece("free");
  const smooth = withLine(straight, true);
  expect(outlineOf(smooth).areaMm2).toBeGreaterThan(outlineOf(straight).areaMm2);
  expect(outlineOf(withLine(smooth, false)).areaMm2).toBeCloseTo(outlineOf(straight).areaMm2, 6);
  for (const other of [rotated(smooth, 37)!, mirrored(smooth)])
    expect(outlineOf(other).areaMm2 / outlineOf(smooth).areaMm2).toBeCloseTo(1, 4);
});

test("the back pulled out leaves what lies on the slab and the photo where they were", () => {
  const wider = pulled(piece("rectangle"), { kind: "side", name: "left" }, { x: -100, y: 0 }, null);
  expect(wider.underlay!.xMm).toBeCloseTo(110, 6);
  const deeper = pulled(piece("rectangle"), { kind: "side", name: "back" }, { x: 0, y: -30 }, null);
  expect(deeper.underlay!.yMm).toBeCloseTo(50, 6);
});
