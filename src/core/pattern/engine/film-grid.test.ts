import fc from "fast-check";
import { seeded } from "../../numerics/random";
import { carry, filmAfter, level, levelFilm, onBoardMl, scrape, thinPlaces } from "./film-grid";
import { touchProfile } from "../ops/profile";
import { stroke } from "../ops/stroke";
import { blades, pulls } from "../placing/pulls";

const box = { minX: 0, minY: 0, maxX: 1600, maxY: 580 };
const least = (values: Float64Array) => values.reduce((low, value) => Math.min(low, value), Infinity);
const uneven = (values: Float64Array) => {
  const mean = values.reduce((sum, value) => sum + value, 0) / values.length;
  return Math.sqrt(values.reduce((sum, value) => sum + (value - mean) ** 2, 0) / values.length);
};

test("volume: what was poured is on the board or over its edge, to 10⁻⁹ ml, whatever is done (conservation)", () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 1e6 }),
      fc.double({ min: 0.3, max: 6, noNaN: true }),
      (seed, filmMm) => {
        const random = seeded(seed);
        const grid = levelFilm(box, filmMm);
        const poured = onBoardMl(grid);
        for (let n = 0; n < 4; n += 1) {
          const place = { x: 1600 * random(), y: 580 * random(), angle: 6.28 * random(), halfMm: 260 };
          scrape(grid, { ...place, wideMm: 250, pressure: 0.4 + 0.6 * random() }, filmMm);
          carry(grid, stroke({ ...place, dragMm: 45, profile: touchProfile("hand", n), smear: 0.05 }));
          level(grid, 20);
        }
        expect(Math.abs(onBoardMl(grid) + grid.lostMl - poured)).toBeLessThan(1e-9 * poured + 1e-9);
        expect(least(grid.mm)).toBeGreaterThanOrEqual(0);
      },
    ),
    { numRuns: 8 },
  );
});

test("pressure draws it thinner, and what is left levels over time (Orchard 1963 in its direction)", () => {
  const after = (pressure: number) => {
    const grid = levelFilm(box, 2.5);
    const press = { x: 800, y: 290, angle: 0.2, halfMm: 300, wideMm: 250, pressure };
    scrape(grid, press, 2.5);
    return grid;
  };
  const [light, firm] = [after(0.6), after(0.9)];
  expect(least(firm.mm)).toBeLessThan(least(light.mm) - 0.2);
  const before = { least: least(firm.mm), uneven: uneven(firm.mm) };
  level(firm, 60);
  expect(least(firm.mm)).toBeGreaterThan(before.least);
  expect(uneven(firm.mm)).toBeLessThan(before.uneven);
});

test("a level film is the same everywhere, and pulls alone leave it so", () => {
  const grid = levelFilm(box, 1.2);
  expect(onBoardMl(grid)).toBeCloseTo((1600 * 580 * 1.2) / 1000, 6);
  const gentle = pulls(box, {
    touch: "hand",
    many: 12,
    dragMm: 40,
    halfMm: 200,
    angle: 0.3,
    turnRad: 0.4,
    seed: 3,
    pressure: 0,
  });
  const left = filmAfter(gentle, box, 1.2, 1);
  expect(uneven(left.mm)).toBeLessThan(1e-9);
});

test("thin places are where the blade went, the thinnest first, apart from each other", () => {
  const ops = blades(box, { many: 8, widthMm: 250, lengthMm: 400, share: 0.2, pressure: 1, seed: 2 });
  const grid = filmAfter(ops, box, 1, 0.1);
  const places = thinPlaces(grid, 0.9);
  expect(places.length).toBeGreaterThan(1);
  places.slice(1).forEach(({ mm }, n) => expect(mm).toBeGreaterThanOrEqual(places[n]!.mm));
  for (const { x, y } of places)
    expect(
      ops.some(
        ({ press }) => Math.hypot(press!.x - x, press!.y - y) < Math.hypot(press!.halfMm, press!.wideMm),
      ),
    ).toBe(true);
});
