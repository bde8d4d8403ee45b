import fc from "fast-check";
import type { Box } from "../../geometry/ring";
import type { Op } from "../engine/op";
import { nests, puddleRadiusMm, puddles, ribbons, shadows } from "./pours";
import { acrossOf, areaOf, around, countersIn, sourceOf, spread, wander } from "./random";

const box = (wide: number, high: number): Box => ({ minX: 0, minY: 0, maxX: wide, maxY: high });
const middle = ({ box: { minX, minY, maxX, maxY } }: Op) => ({ x: (minX + maxX) / 2, y: (minY + maxY) / 2 });

describe("a puddle runs out as Huppert says, R ∝ V^(3/8)·t^(1/8) (JFM 1982, from memory)", () => {
  test("80 ml after a minute is about 121 mm", () => {
    expect(puddleRadiusMm(80)).toBeGreaterThan(118);
    expect(puddleRadiusMm(80)).toBeLessThan(124);
  });
  test("by volume, time and viscosity as the exponents are", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 500, noNaN: true }),
        fc.double({ min: 1.1, max: 20, noNaN: true }),
        (ml, times) => {
          const grown = puddleRadiusMm(ml * times) / puddleRadiusMm(ml);
          expect(grown).toBeCloseTo(times ** (3 / 8), 9);
          expect(puddleRadiusMm(ml, 60 * times) / puddleRadiusMm(ml)).toBeCloseTo(times ** (1 / 8), 9);
          expect(puddleRadiusMm(ml, 60, 9e-4 * times) / puddleRadiusMm(ml)).toBeCloseTo(times ** (-1 / 8), 9);
        },
      ),
    );
  });
});

describe("puddles", () => {
  const many = (wide: number, high: number, cover: number, radiusMm = 60) =>
    puddles(box(wide, high), { colour: 1, cover, radiusMm, seed: 5 });
  test("more of a colour are more puddles, each where it can be seen", () => {
    const [few, lots] = [many(1600, 600, 0.1), many(1600, 600, 0.3)];
    expect(lots.length).toBeGreaterThan(2 * few.length);
    for (const op of lots) {
      const { x, y } = middle(op);
      expect(x).toBeGreaterThan(-60);
      expect(x).toBeLessThan(1660);
      expect(y).toBeGreaterThan(-60);
      expect(y).toBeLessThan(660);
    }
  });
  test("on a counter no more than can be poured: beyond that they are larger; on a floor up to three times as many", () => {
    const counter = many(2000, 700, 0.9, 20);
    const floor = many(5000, 2400, 0.9, 20);
    expect(counter.length).toBe(48);
    expect(floor.length).toBe(3 * 48);
    const size = (ops: Op[]) => ops.reduce((sum, op) => sum + areaOf(op.box), 0) / ops.length;
    expect(size(counter)).toBeGreaterThan(size(many(2000, 700, 0.05, 20)));
  });
  test("the same for the same seed, others for another", () => {
    const boxes = (seed: number) =>
      puddles(box(1000, 500), { colour: 1, cover: 0.2, radiusMm: 50, seed }).map((op) => op.box);
    expect(boxes(3)).toEqual(boxes(3));
    expect(boxes(4)).not.toEqual(boxes(3));
  });
});

test("rings from one bucket: each puddle has a ring of every colour", () => {
  const colours = [
    { at: 1, share: 0.6, hides: 1 },
    { at: 2, share: 0.3, hides: 1 },
    { at: 3, share: 0.1, hides: 1 },
  ];
  const ops = nests(box(1600, 600), { colours, many: 7, radiusMm: 120, along: 0.3, stretch: 2, seed: 9 });
  expect(ops.length).toBe(7 * colours.length);
  expect(ops.every(({ kind }) => kind === "drop")).toBe(true);
});

test("ribbons are nested, the widest first; shadows are a body and a core", () => {
  const drawn = ribbons(box(1200, 600), {
    colours: [
      { at: 1, hides: 1 },
      { at: 2, hides: 1 },
    ],
    many: 6,
    wideMm: 60,
    angle: 0,
    wanderRad: 0.2,
    seed: 4,
  });
  expect(drawn.length).toBe(12);
  const high = ({ box: { minY, maxY } }: Op) => maxY - minY;
  const wider = Array.from({ length: 6 }, (_, n) => high(drawn[2 * n]!) - high(drawn[2 * n + 1]!));
  // By chance an inner one may sway further; on the whole they are narrower.
  expect(wider.reduce((sum, by) => sum + by, 0)).toBeGreaterThan(0);
  expect(
    shadows(box(1200, 600), { colour: 2, many: 5, wideMm: 60, angle: 0, hides: 1, seed: 1 }).length,
  ).toBe(10);
});

describe("chance", () => {
  test("places are spread evenly: as many in each quarter, none outside", () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 9999 }), fc.integer({ min: 40, max: 200 }), (seed, many) => {
        const places = spread(box(1600, 600), many, sourceOf(seed, 1));
        expect(places.length).toBe(many);
        for (const { x, y } of places) {
          expect(x).toBeGreaterThanOrEqual(0);
          expect(x).toBeLessThanOrEqual(1600);
          expect(y).toBeGreaterThanOrEqual(0);
          expect(y).toBeLessThanOrEqual(600);
        }
        const left = places.filter(({ x }) => x < 800).length / many;
        expect(Math.abs(left - 0.5)).toBeLessThan(0.2);
      }),
    );
  });
  test("a way goes as long as it is said to, and none turns further than it may wander", () => {
    const way = wander({ x: 0, y: 0 }, 0.4, 900, 0.3, sourceOf(2, 2));
    expect(way.length).toBe(75);
    const walked = way
      .slice(1)
      .reduce((sum, { x, y }, n) => sum + Math.hypot(x - way[n]!.x, y - way[n]!.y), 0);
    expect(walked).toBeCloseTo(12 * 74, 6);
    for (const { angle } of way) expect(Math.abs(angle - 0.4)).toBeLessThan(0.3 * 2.4);
  });
  test("a piece counts as one counter up to its size, and as no more than three", () => {
    expect([0.1, 1.5, 3, 4.5, 40].map(countersIn)).toEqual([1, 1, 2, 3, 3]);
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 50, noNaN: true }),
        fc.double({ min: 0, max: 50, noNaN: true }),
        (a, b) => {
          expect(countersIn(Math.max(a, b))).toBeGreaterThanOrEqual(countersIn(Math.min(a, b)));
        },
      ),
    );
  });
  test("a box grown on all sides", () => {
    const grown = around(box(300, 400), 10);
    expect(areaOf(grown)).toBe(320 * 420);
    expect(acrossOf(box(300, 400))).toBe(500);
  });
});
