import fc from "fast-check";
import type { Point } from "../geometry/curves";
import { turningPoints } from "./turning-points";

const off = ({ x, y }: Point, a: Point, b: Point): number => {
  const long2 = (b.x - a.x) ** 2 + (b.y - a.y) ** 2;
  const t =
    long2 > 0 ? Math.min(1, Math.max(0, ((x - a.x) * (b.x - a.x) + (y - a.y) * (b.y - a.y)) / long2)) : 0;
  return Math.hypot(x - a.x - t * (b.x - a.x), y - a.y - t * (b.y - a.y));
};

test("a straight line has none, a right angle has one", () => {
  const straight = Array.from({ length: 20 }, (_, n) => ({ x: 5 * n, y: 2 * n }));
  expect(turningPoints(straight, 0.1)).toEqual([]);
  const corner = [
    { x: 0, y: 0 },
    { x: 50, y: 0 },
    { x: 100, y: 0 },
    { x: 100, y: 80 },
  ];
  expect(turningPoints(corner, 5)).toEqual([{ x: 100, y: 0 }]);
  expect(turningPoints(corner.slice(0, 2), 5)).toEqual([]);
});

test("a closed line turns too, where it is furthest from its start", () => {
  const there = [
    { x: 0, y: 0 },
    { x: 60, y: 1 },
    { x: 0, y: 0 },
  ];
  expect(turningPoints(there, 5)).toEqual([{ x: 60, y: 1 }]);
});

test("of a line that goes on one way, every point lies within the distance of the way between the turns", () => {
  fc.assert(
    fc.property(
      fc.array(fc.double({ min: -80, max: 80, noNaN: true }), { minLength: 3, maxLength: 60 }),
      fc.double({ min: 1, max: 30, noNaN: true }),
      (heights, within) => {
        const line = heights.map((y, n) => ({ x: 10 * n, y }));
        const way = [line[0]!, ...turningPoints(line, within), line.at(-1)!];
        for (const point of line) {
          const n = way.findIndex(({ x }, k) => k > 0 && x >= point.x);
          expect(off(point, way[n - 1]!, way[n]!)).toBeLessThanOrEqual(within + 1e-9);
        }
      },
    ),
  );
});
