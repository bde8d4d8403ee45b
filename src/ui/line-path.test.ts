import fc from "fast-check";
import { seenPoints } from "./line-path";

type Place = { x: number; y: number };

/** Distance of a place from a broken line. */
const apart = ({ x, y }: Place, line: readonly Place[]): number =>
  Math.min(
    ...line.slice(1).map((b, n) => {
      const a = line[n]!;
      const [dx, dy] = [b.x - a.x, b.y - a.y];
      const long = dx * dx + dy * dy;
      const along = long > 0 ? Math.max(0, Math.min(1, ((x - a.x) * dx + (y - a.y) * dy) / long)) : 0;
      return Math.hypot(x - a.x - along * dx, y - a.y - along * dy);
    }),
  );

test("a circle of two thousand corners is drawn by a few dozen, none of them off it by more than is seen", () => {
  const circle = Array.from({ length: 2001 }, (_, n) => ({
    x: 300 * Math.cos((2 * Math.PI * n) / 2000),
    y: 300 * Math.sin((2 * Math.PI * n) / 2000),
  }));
  const seen = seenPoints(circle, 0.2);
  expect(seen.length).toBeLessThan(120);
  expect(seen.length).toBeGreaterThan(20);
  for (const place of circle) expect(apart(place, seen)).toBeLessThan(0.45);
});

test("property: ends stay, what is kept was there in its order, and nothing is lost from sight", () => {
  const place = fc.record({
    x: fc.double({ min: -100, max: 100, noNaN: true }),
    y: fc.double({ min: -100, max: 100, noNaN: true }),
  });
  fc.assert(
    fc.property(fc.array(place, { minLength: 2, maxLength: 60 }), (line) => {
      const seen = seenPoints(line, 0.2);
      expect(seen[0]).toBe(line[0]);
      expect(seen.at(-1)).toBe(line.at(-1));
      let at = -1;
      for (const point of seen.slice(0, -1)) {
        const next = line.indexOf(point, at + 1);
        expect(next).toBeGreaterThan(at);
        at = next;
      }
      for (const point of line) expect(apart(point, seen)).toBeLessThan(0.45);
    }),
    { numRuns: 400 },
  );
});

test("a straight row of points is its two ends", () => {
  const row = Array.from({ length: 50 }, (_, n) => ({ x: 3 * n, y: 2 * n }));
  expect(seenPoints(row)).toEqual([row[0], row.at(-1)]);
});
