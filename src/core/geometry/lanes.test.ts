import fc from "fast-check";
import { newPiece } from "./new-piece";
import { cutAtShare, developedLengthMm, lanesOf, pointAtShare, stretchBoxes, stretchOf } from "./lanes";
import { outlineOf } from "./outline";
import type { Piece } from "./piece";

let counter = 0;
const newId = () => `id-${++counter}`;
const rectangle = (lengthMm: number, depthMm: number, changes: Partial<Piece> = {}): Piece => {
  const piece = newPiece("rectangle", "Slab", newId);
  piece.shape = { kind: "rectangle", lengthMm, depthMm };
  return { ...piece, ...changes };
};

test("a rectangle is cut where its share of the length is, along its longer side", () => {
  fc.assert(
    fc.property(
      fc.double({ min: 100, max: 4000, noNaN: true }),
      fc.double({ min: 100, max: 4000, noNaN: true }),
      fc.double({ min: 0.01, max: 0.99, noNaN: true }),
      (wide, high, share) => {
        const piece = rectangle(wide, high);
        const { alongMm, lines } = cutAtShare(piece, share);
        expect(Math.abs(alongMm - share * Math.max(wide, high))).toBeLessThan(0.02);
        const [[from, to]] = lines as [(typeof lines)[number]];
        expect(Math.hypot(to.x - from.x, to.y - from.y)).toBeCloseTo(Math.min(wide, high), 6);
      },
    ),
  );
});

test("nothing lies before the start and all before the end", () => {
  const piece = rectangle(1200, 600);
  expect(cutAtShare(piece, 0)).toEqual({ alongMm: 0, lines: [] });
  expect(cutAtShare(piece, 1)).toEqual({ alongMm: 1200, lines: [] });
  expect(pointAtShare(piece, 0)).toBeNull();
  expect(pointAtShare(piece, 0.5)!.x).toBeCloseTo(600, 1);
});

test("an opening is no area: the half lies further along by half of what it takes", () => {
  // 200 × 600 off the left half of 1200 × 600: 900 · 600 mm² are left beside it.
  const piece = rectangle(1200, 600, {
    cutOuts: [
      {
        id: newId(),
        name: "hole",
        shape: { kind: "rectangle", lengthMm: 200, depthMm: 300 },
        fromLeftMm: 300,
        fromFrontMm: 300,
        innerFace: null,
      },
    ],
  });
  // Area 660 000: the half, 330 000 = 600·x − 60 000, at x = 650.
  expect(cutAtShare(piece, 0.5).alongMm).toBeCloseTo(650, 1);
});

test("an L has a lane for each leg, a U three; together they are as long as one walks", () => {
  const l = newPiece("l-run", "L", newId);
  const u = newPiece("u-run", "U", newId);
  expect(lanesOf(l).length).toBe(2);
  expect(lanesOf(u).length).toBe(3);
  for (const piece of [l, u]) {
    const long = developedLengthMm(piece);
    expect(cutAtShare(piece, 1).alongMm).toBe(long);
    let before = 0;
    for (let share = 0.05; share < 1; share += 0.05) {
      const { alongMm, lines } = cutAtShare(piece, share);
      expect(alongMm).toBeGreaterThan(before);
      expect(lines.length).toBeGreaterThan(0);
      before = alongMm;
    }
  }
});

test("stretches one after the other are the piece's box; where there are several lanes there is none", () => {
  const across = rectangle(1500, 500);
  expect(stretchOf(across, 0, 600)).toEqual({ minX: 0, maxX: 600, minY: 0, maxY: 500 });
  expect(stretchOf(across, 600, 1500)).toEqual({ minX: 600, maxX: 1500, minY: 0, maxY: 500 });
  const deep = rectangle(500, 1500);
  expect(stretchOf(deep, 100, 900)).toEqual({ minX: 0, maxX: 500, minY: 100, maxY: 900 });
  expect(stretchOf(newPiece("l-run", "L", newId), 0, 500)).toBeNull();
  const { widthMm, heightMm } = outlineOf(across);
  expect([widthMm, heightMm]).toEqual([1500, 500]);
});

test("the boxes of a stretch, one after the other over all lanes, are as long as the stretch", () => {
  const length = (
    { minX, maxX, minY, maxY }: Record<"minX" | "maxX" | "minY" | "maxY", number>,
    axis: "x" | "y",
  ) => (axis === "x" ? maxX - minX : maxY - minY);
  fc.assert(
    fc.property(
      fc.constantFrom("rectangle" as const, "l-run" as const, "u-run" as const),
      fc.double({ min: 0, max: 1, noNaN: true }),
      fc.double({ min: 0, max: 1, noNaN: true }),
      (kind, one, other) => {
        const piece = newPiece(kind, "Run", newId);
        const total = developedLengthMm(piece);
        const [from, to] = [Math.min(one, other) * total, Math.max(one, other) * total];
        const lanes = lanesOf(piece);
        const boxes = stretchBoxes(piece, from, to);
        expect(boxes.length).toBeLessThanOrEqual(lanes.length);
        // Each box lies along one lane: the lane's axis is told by which side it was cut on.
        const reach = boxes.reduce((sum, box) => {
          const lane = lanes.find(({ ring }) => {
            const xs = ring.map(({ x }) => x);
            const ys = ring.map(({ y }) => y);
            return (
              box.minX >= Math.min(...xs) - 1e-9 &&
              box.maxX <= Math.max(...xs) + 1e-9 &&
              box.minY >= Math.min(...ys) - 1e-9 &&
              box.maxY <= Math.max(...ys) + 1e-9
            );
          })!;
          return sum + length(box, lane.axis);
        }, 0);
        expect(reach).toBeCloseTo(to - from, 6);
      },
    ),
  );
});
