import fc from "fast-check";
import inPolygon from "point-in-polygon-hao";
import type { Point } from "../../geometry/curves";
import type { Ring } from "../../geometry/ring";
import { anyOf, zoneFields } from "./zone-field";

const BOX = { minX: 0, minY: 0, maxX: 600, maxY: 400 };
/** Half a step of its grid to either side, and what is straight between four of them. */
const OFF_MM = 3;

const FRAME: Ring = [
  { x: 0, y: 0 },
  { x: 600, y: 0 },
  { x: 600, y: 400 },
  { x: 0, y: 400 },
];
/** A blunt star about the middle: radii by equal steps of its turn, so that it does not cross itself; no point of it is finer than the grid. */
const star = fc
  .array(fc.double({ min: 110, max: 180, noNaN: true }), { minLength: 5, maxLength: 16 })
  .map((radii): Ring =>
    radii.map((radius, n) => ({
      x: 300 + radius * Math.cos((2 * Math.PI * n) / radii.length),
      y: 200 + radius * Math.sin((2 * Math.PI * n) / radii.length),
    })),
  );
const place = fc.record({
  x: fc.double({ min: 5, max: 595, noNaN: true }),
  y: fc.double({ min: 5, max: 395, noNaN: true }),
});

const toSegment = ({ x, y }: Point, a: Point, b: Point) => {
  const [dx, dy] = [b.x - a.x, b.y - a.y];
  const t = Math.max(0, Math.min(1, ((x - a.x) * dx + (y - a.y) * dy) / (dx * dx + dy * dy)));
  return Math.hypot(x - a.x - t * dx, y - a.y - t * dy);
};
/** How far a place is from closed lines by each of their sides, positive inside. */
function exactly(rings: readonly Ring[], at: Point): number {
  const far = Math.min(
    ...rings.flatMap((ring) => ring.map((a, n) => toSegment(at, a, ring[(n + 1) % ring.length]!))),
  );
  const closed = rings.map((ring) => [...ring, ring[0]!].map(({ x, y }): [number, number] => [x, y]));
  return inPolygon([at.x, at.y], closed) === true ? far : -far;
}

test("how far inside a zone a place lies is half of how much nearer it is than to any other (each side asked; point-in-polygon-hao)", () => {
  fc.assert(
    fc.property(star, fc.array(place, { minLength: 20, maxLength: 20 }), (ring, places) => {
      const zones = [[ring], [FRAME, ring]];
      const [inner, outer] = zoneFields(zones, BOX);
      for (const at of places) {
        const [own, other] = [exactly([ring], at), exactly([FRAME, ring], at)];
        expect(Math.abs(inner!(at.x, at.y) - (own - other) / 2)).toBeLessThan(OFF_MM);
        expect(Math.abs(outer!(at.x, at.y) - (other - own) / 2)).toBeLessThan(OFF_MM);
        // What is in the one is not in the other.
        expect(inner!(at.x, at.y)).toBeCloseTo(-outer!(at.x, at.y), 3);
      }
    }),
    { numRuns: 12 },
  );
});

test("of several zones a place is in that which it lies furthest in", () => {
  const halves: Ring[] = [
    [FRAME[0]!, { x: 300, y: 0 }, { x: 300, y: 400 }, FRAME[3]!],
    [
      { x: 300, y: 0 },
      { x: 450, y: 0 },
      { x: 450, y: 400 },
      { x: 300, y: 400 },
    ],
    [{ x: 450, y: 0 }, FRAME[1]!, FRAME[2]!, { x: 450, y: 400 }],
  ];
  const fields = zoneFields(
    halves.map((ring) => [ring]),
    BOX,
  );
  const either = anyOf(fields.slice(0, 2));
  expect(either.grids).toHaveLength(2);
  for (const [x, y] of [
    [100, 200],
    [290, 30],
    [310, 390],
    [440, 200],
    [470, 200],
    [590, 10],
  ] as const) {
    expect(either(x, y)).toBe(Math.max(fields[0]!(x, y), fields[1]!(x, y)));
    expect(either(x, y) >= 0).toBe(x <= 450);
  }
});
