import fc from "fast-check";
import { wallSize, type Tumbler } from "./frustum";
import { inSteps, wallOnFan } from "./wall-on-fan";

const tumbler = (topDiameterMm: number, bottomDiameterMm: number): Tumbler => ({
  kind: "tumbler",
  topDiameterMm,
  bottomDiameterMm,
  heightMm: 160,
  base: false,
  rimBandMm: 0,
  patch: null,
});

test.each([
  [90, 60],
  [60, 90],
  [75, 75],
])("a place on the wall of %s to %s mm comes back from the fan", (top, bottom) => {
  const { aroundMm, slantMm } = wallSize(tumbler(top, bottom));
  const { toFan, toFlat } = wallOnFan(tumbler(top, bottom), { x: 12, y: -30 });
  fc.assert(
    fc.property(
      fc.double({ min: 0, max: 1, noNaN: true }),
      fc.double({ min: 0, max: 1, noNaN: true }),
      (along, down) => {
        const place = { x: along * aroundMm, y: down * slantMm };
        const back = toFlat(toFan(place));
        expect(back.x).toBeCloseTo(place.x, 6);
        expect(back.y).toBeCloseTo(place.y, 6);
      },
    ),
  );
});

test("heights keep their lengths; around it is as wide as the wall is there (a circle's arc)", () => {
  const { aroundMm, slantMm } = wallSize(tumbler(90, 60));
  const { toFan } = wallOnFan(tumbler(90, 60), { x: 0, y: 0 });
  const [a, b] = [toFan({ x: 50, y: 20 }), toFan({ x: 50, y: 90 })];
  expect(Math.hypot(a.x - b.x, a.y - b.y)).toBeCloseTo(70, 6);
  // A thousandth of the turn at the rim is π · 90 / 1000 along it.
  const step = [toFan({ x: 0, y: 0 }), toFan({ x: aroundMm / 1000, y: 0 })];
  expect(Math.hypot(step[1]!.x - step[0]!.x, step[1]!.y - step[0]!.y)).toBeCloseTo((Math.PI * 90) / 1000, 4);
  expect(slantMm).toBeGreaterThan(160);
});

test("a line in steps has the same corners and no long side", () => {
  const square = [
    { x: 0, y: 0 },
    { x: 10, y: 0 },
    { x: 10, y: 7 },
  ];
  const open = inSteps(square, 3, false);
  expect(open.at(-1)).toEqual(square[2]);
  const closed = inSteps(square, 3, true);
  for (const line of [open, [...closed, closed[0]!]])
    line.slice(1).forEach((to, n) => {
      expect(Math.hypot(to.x - line[n]!.x, to.y - line[n]!.y)).toBeLessThanOrEqual(3 + 1e-9);
    });
  for (const corner of square) expect(closed).toContainEqual(corner);
});
