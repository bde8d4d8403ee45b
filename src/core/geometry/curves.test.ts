import fc from "fast-check";
import { ellipse, ellipsePerimeterMm, FLATNESS_MM, racetrack, regularPolygon, type Curve } from "./curves";
import { ringAreaMm2 } from "./ring";

const length = (points: Curve["points"]) =>
  points.reduce(
    (sum, point, index) =>
      sum +
      Math.hypot(
        point.x - points[(index + 1) % points.length]!.x,
        point.y - points[(index + 1) % points.length]!.y,
      ),
    0,
  );

/** ∮ √(a² sin² + b² cos²) by the trapezoid rule, which converges exponentially on a period. */
function perimeterByQuadrature(a: number, b: number): number {
  const steps = 20000;
  let sum = 0;
  for (let step = 0; step < steps; step += 1) {
    const turn = (2 * Math.PI * step) / steps;
    sum += Math.hypot(a * Math.sin(turn), b * Math.cos(turn));
  }
  return (sum * 2 * Math.PI) / steps;
}

describe("Ramanujan's perimeter against quadrature", () => {
  test.each([
    [500, 500, 1e-12],
    [600, 400, 1e-9],
    [900, 300, 1e-6],
    [1000, 100, 4e-4],
    [1000, 1, 4e-4],
  ])("semi-axes %d and %d within %d", (a, b, relative) =>
    expect(Math.abs(ellipsePerimeterMm(a, b) / perimeterByQuadrature(a, b) - 1)).toBeLessThan(relative),
  );
});

describe("closed forms", () => {
  test("a circle is the oval with both sizes the same", () => {
    const circle = ellipse(800, 800);
    expect(circle.areaMm2).toBeCloseTo(Math.PI * 400 ** 2, 6);
    expect(circle.perimeterMm).toBeCloseTo(2 * Math.PI * 400, 9);
  });
  test("a racetrack is a rectangle with half circles; as long as deep it is a circle", () => {
    const track = racetrack(2000, 800);
    expect(track.areaMm2).toBeCloseTo(1200 * 800 + Math.PI * 400 ** 2, 6);
    expect(track.perimeterMm).toBeCloseTo(2 * 1200 + Math.PI * 800, 9);
    expect(racetrack(800, 800).areaMm2).toBeCloseTo(ellipse(800, 800).areaMm2, 6);
  });
  test("a hexagon of side 300: 3√3/2·s², 600 across corners, 519.6 across flats", () => {
    const hexagon = regularPolygon(6, 300);
    expect(hexagon.areaMm2).toBeCloseTo(((3 * Math.sqrt(3)) / 2) * 300 ** 2, 6);
    expect(hexagon.widthMm).toBeCloseTo(600, 9);
    expect(hexagon.heightMm).toBeCloseTo(300 * Math.sqrt(3), 9);
  });
  test("a polygon stands on a side, wherever its corners fall", () => {
    for (const sides of [3, 5, 6, 8, 11]) {
      const { points, heightMm } = regularPolygon(sides, 100);
      expect(points.filter((point) => Math.abs(point.y - heightMm) < 1e-9)).toHaveLength(2);
    }
  });
});

describe("flattened points", () => {
  const size = fc.double({ min: 40, max: 4000, noNaN: true });
  test("lie within the stated distance: their area and length fall short by no more than it allows", () => {
    fc.assert(
      fc.property(size, size, fc.constantFrom(ellipse, racetrack), (lengthMm, depthMm, make) => {
        fc.pre(Math.max(lengthMm, depthMm) / Math.min(lengthMm, depthMm) < 8);
        const curve = make(lengthMm, depthMm);
        const missing = curve.areaMm2 - ringAreaMm2(curve.points);
        expect(missing).toBeGreaterThanOrEqual(-1e-6 * curve.areaMm2);
        expect(missing).toBeLessThanOrEqual(curve.perimeterMm * FLATNESS_MM);
        // Ramanujan errs by up to 4e-4 on long ovals.
        expect(length(curve.points)).toBeLessThanOrEqual(curve.perimeterMm * (1 + 4e-4));
        for (const point of curve.points)
          expect(
            point.x > -1e-6 && point.y > -1e-6 && point.x < lengthMm + 1e-6 && point.y < depthMm + 1e-6,
          ).toBe(true);
      }),
    );
  });
  test("scaling by k gives k² of area and k of perimeter", () => {
    fc.assert(
      fc.property(
        size,
        size,
        fc.double({ min: 0.2, max: 5, noNaN: true }),
        fc.integer({ min: 3, max: 24 }),
        (lengthMm, depthMm, k, sides) => {
          for (const make of [ellipse, racetrack]) {
            const [curve, scaled] = [make(lengthMm, depthMm), make(lengthMm * k, depthMm * k)];
            expect(scaled.areaMm2 / curve.areaMm2).toBeCloseTo(k * k, 6);
            expect(scaled.perimeterMm / curve.perimeterMm).toBeCloseTo(k, 6);
          }
          expect(regularPolygon(sides, 100 * k).areaMm2 / regularPolygon(sides, 100).areaMm2).toBeCloseTo(
            k * k,
            6,
          );
        },
      ),
    );
  });
});
