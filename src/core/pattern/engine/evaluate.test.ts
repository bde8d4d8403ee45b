import { seeded } from "../../numerics/random";
import { CLOSE, EACH, evaluate, ROUGH, tilesOf, type Closeness } from "./evaluate";
import { emptyShares, type Sheet } from "./sheet";
import { balance, mud, onTop, segregation } from "./measures";
import { cloudNoise } from "./noise";
import type { Op } from "./op";
import { air } from "../ops/air";
import { craters, cratersOf } from "../ops/craters";
import { drop } from "../ops/drop";
import { fog } from "../ops/fog";
import { lay } from "../ops/lay";
import { line } from "../ops/line";
import { touchProfile } from "../ops/profile";
import { slit } from "../ops/slit";
import { stroke } from "../ops/stroke";
import { wobble } from "../ops/wobble";

const SHEET: Sheet = { widthPx: 150, heightPx: 90, pixelMm: 4, fromX: 0, fromY: 0, base: 0, colours: 3 };
const random = seeded(3);
const place = () => ({ x: random() * 600, y: random() * 360 });
const puddles = (many: number, colour: number, radius: number): Op[] =>
  Array.from({ length: many }, (_, n) =>
    drop({ ...place(), a: radius, b: radius * 0.8, angle: random() * 3, colour, uneven: 0.1, seed: n }),
  );
const pulls = (many: number, drag: number): Op[] =>
  Array.from({ length: many }, (_, n) =>
    stroke({
      ...place(),
      angle: 0.4 + 0.5 * (random() - 0.5),
      halfMm: 150,
      dragMm: drag,
      profile: touchProfile("hand", n),
      smear: 0.05,
    }),
  );
const everything: Op[] = [
  ...puddles(10, 1, 60),
  ...puddles(6, 2, 40),
  wobble({ heightMm: 8, coarseMm: 300, fineMm: 60, shears: 6, seed: 1 }),
  ...pulls(12, 40),
  lay({ x: 300, y: 200, angle: 0.2, halfMm: 140, widthMm: 250, dragMm: 50, seed: 2 }),
  air({ x: 120, y: 120, angle: 1, reachMm: 80, spread: 0.7, seed: 4 }),
  line({
    points: Array.from({ length: 12 }, (_, n) => ({ x: n * 55, y: 100 + 60 * Math.sin(n), halfMm: 3 })),
    colour: 2,
    edgeMm: 1,
    hides: 1,
  }),
  slit({ x: 400, y: 100, angle: 0.5, halfMm: 90, openMm: 3, reachMm: 14, seed: 6 }),
  craters(cratersOf(Array.from({ length: 60 }, () => ({ ...place(), a: 4, b: 7 })))),
  fog({ box: { minX: 0, minY: 0, maxX: 600, maxY: 360 }, colour: 2, cover: 0.2, sizeMm: 90, seed: 8 }),
];
/** Colours as far apart as their numbers. */
const apart = (a: number, b: number) => 20 * Math.abs(a - b);

describe("a picture", () => {
  const whole = evaluate(everything, SHEET);
  test("is the same for the same seeds, whatever the tiles and with or without passing over what does not reach them", () => {
    for (const options of [{}, { skipping: false }, { side: 16 }, { side: 33, skipping: false }]) {
      const other = evaluate(everything, SHEET, {
        ...options,
        tiles: tilesOf(SHEET, "side" in options ? options.side : undefined),
      });
      expect(other.weight).toEqual(whole.weight);
    }
  });
  test("each sample is made of its colours, to what is no more seen through", () => {
    const samples = SHEET.widthPx * SHEET.heightPx;
    for (let i = 0; i < samples; i += 1) {
      const sum = [0, 1, 2].reduce((total, colour) => total + whole.weight[colour * samples + i]!, 0);
      expect(sum).toBeGreaterThan(0.99);
      expect(sum).toBeLessThan(1.00001);
    }
  });
  test("can be worked out in any order of its tiles, some now and some later", () => {
    const tiles = tilesOf(SHEET);
    const into = emptyShares(SHEET);
    evaluate(everything, SHEET, { into, tiles: tiles.slice(3).reverse() });
    evaluate(everything, SHEET, { into, tiles: tiles.slice(0, 3) });
    expect(into.weight).toEqual(whole.weight);
  });
  describe("with samples taken from those about them", () => {
    const fine: Sheet = { ...SHEET, widthPx: 600, heightPx: 360, pixelMm: 1 };
    const each = evaluate(everything, fine);
    /** Share of the samples that differ by more than a tenth in a colour. */
    const off = (closeness: Closeness) => {
      const { weight } = evaluate(everything, fine, { closeness });
      const samples = fine.widthPx * fine.heightPx;
      let many = 0;
      for (let i = 0; i < samples; i += 1)
        if ([0, 1, 2].some((k) => Math.abs(weight[k * samples + i]! - each.weight[k * samples + i]!) > 0.1))
          many += 1;
      return many / samples;
    };
    test("closely, a sample in a thousand is off at most; roughly, one in thirty", () => {
      expect(off(CLOSE)).toBeLessThan(1e-3);
      const rough = off(ROUGH);
      expect(rough).toBeGreaterThan(0);
      expect(rough).toBeLessThan(1 / 30);
    });
    test("the same whatever part of it is drawn, also on sheets that no number of steps fits", () => {
      for (const [widthPx, heightPx] of [
        [149, 90],
        [53, 50],
        [1, 7],
        [5, 1],
      ] as const) {
        const sheet: Sheet = { ...SHEET, widthPx, heightPx };
        const whole = evaluate(everything, sheet, { closeness: CLOSE });
        const into = emptyShares(sheet);
        evaluate(everything, sheet, { closeness: CLOSE, into, tiles: [...tilesOf(sheet)].reverse() });
        expect(into.weight).toEqual(whole.weight);
        const samples = widthPx * heightPx;
        for (let i = 0; i < samples; i += 1)
          expect([0, 1, 2].reduce((sum, k) => sum + whole.weight[k * samples + i]!, 0)).toBeCloseTo(1, 1);
      }
    });
    test("a hair between two samples that are alike is found", () => {
      const hair = line({
        points: [
          { x: -10, y: 41.9, halfMm: 0.4 },
          { x: 650, y: 42.1, halfMm: 0.4 },
        ],
        colour: 2,
        edgeMm: 0.3,
        hides: 1,
      });
      const shown = (closeness: Closeness) => {
        const { weight } = evaluate([hair], fine, { closeness });
        const samples = fine.widthPx * fine.heightPx;
        return weight.subarray(2 * samples).reduce((sum, share) => sum + share, 0);
      };
      const whole = shown(EACH);
      expect(shown(CLOSE) / whole).toBeGreaterThan(0.97);
      expect(shown(CLOSE) / whole).toBeLessThan(1.03);
    });
  });
  test("strokes keep the area of a colour (60 pulls on a wide sheet)", () => {
    const wide: Sheet = { widthPx: 400, heightPx: 400, pixelMm: 3, fromX: 0, fromY: 0, base: 0, colours: 2 };
    const middle = drop({ x: 600, y: 600, a: 160, b: 160, angle: 0, colour: 1, uneven: 0, seed: 1 });
    const around = Array.from({ length: 60 }, (_, n) =>
      stroke({
        x: 600 + (random() - 0.5) * 300,
        y: 600 + (random() - 0.5) * 300,
        angle: 6 * random(),
        halfMm: 150,
        dragMm: 35,
        profile: touchProfile("hand", n),
        smear: 0,
      }),
    );
    // Where it is more than half: its soft edges, drawn out with the film, are not counted.
    const area = ({ weight }: ReturnType<typeof evaluate>) =>
      weight.subarray(160_000).reduce((sum, share) => sum + (share > 0.5 ? 1 : 0), 0);
    expect(
      Math.abs(area(evaluate([middle, ...around], wide)) / area(evaluate([middle], wide)) - 1),
    ).toBeLessThan(0.005);
  });
});

describe("measures", () => {
  /** A chequerboard of squares of so many samples. */
  const chequers = (square: number): ReturnType<typeof evaluate> => {
    const side = 480;
    const sheet: Sheet = {
      widthPx: side,
      heightPx: side,
      pixelMm: 1,
      fromX: 0,
      fromY: 0,
      base: 0,
      colours: 2,
    };
    const shares = emptyShares(sheet);
    for (let y = 0; y < side; y += 1)
      for (let x = 0; x < side; x += 1) {
        const colour = (Math.floor(x / square) + Math.floor(y / square)) % 2;
        shares.weight[(colour * side + y) * side + x] = 1;
      }
    return shares;
  };
  test("a chequerboard lies apart, seen closely; seen from further than its squares it is one (Danckwerts 1952)", () => {
    expect(segregation(chequers(20), 1)).toBeCloseTo(1, 9);
    // A box of odd side 2m + 1 over squares of side s < m: what is left is its surplus square.
    expect(segregation(chequers(3), 33)).toBeLessThan(0.01);
    // Along each axis a box of side b over squares of side s ≥ b keeps 1 − 2b/(3s) of the variance (triangle wave's mean square).
    const kept = (1 - (2 * 9) / (3 * 20)) ** 2;
    expect(Math.abs(segregation(chequers(20), 9) - kept)).toBeLessThan(0.05);
  });
  test("halves are unbalanced by all, a chequerboard by nothing; shares are what lies on top", () => {
    const board = chequers(20);
    expect(onTop(board)).toEqual([0.5, 0.5]);
    expect(balance(board, 0).leftRight).toBeCloseTo(0, 9);
    const half = emptyShares({
      widthPx: 10,
      heightPx: 10,
      pixelMm: 1,
      fromX: 0,
      fromY: 0,
      base: 0,
      colours: 2,
    });
    for (let i = 0; i < 100; i += 1) half.weight[(i % 10 < 5 ? 0 : 100) + i] = 1;
    expect(balance(half, 0)).toEqual({ leftRight: 1, backFront: 0 });
    expect(balance(half, 1).leftRight).toBe(-1);
  });
  test("half and half in every sample is as muddy as can be; apart it is not muddy at all", () => {
    const mixed = emptyShares({
      widthPx: 4,
      heightPx: 4,
      pixelMm: 1,
      fromX: 0,
      fromY: 0,
      base: 0,
      colours: 2,
    });
    mixed.weight.fill(0.5);
    expect(mud(mixed, () => 40)).toBeCloseTo(20, 6);
    expect(mud(chequers(10), () => 40)).toBe(0);
  });
  test("more rounds, muddier, and less apart from two steps back (common practice, no source)", () => {
    const sheet: Sheet = { widthPx: 200, heightPx: 120, pixelMm: 3, fromX: 0, fromY: 0, base: 0, colours: 3 };
    const poured = [...puddles(8, 1, 70), ...puddles(8, 2, 50)];
    const strokes = pulls(60, 45);
    const after = (rounds: number) => evaluate([...poured, ...strokes.slice(0, 15 * rounds)], sheet);
    const shown = [0, 1, 2, 4].map(after);
    const muds = shown.map((shares) => mud(shares, apart));
    const seen = shown.map((shares) => segregation(shares, 7));
    expect(muds).toEqual([...muds].sort((a, b) => a - b));
    expect(seen).toEqual([...seen].sort((a, b) => b - a));
  });
  test("larger bands muddy less (common practice, no source)", () => {
    const sheet: Sheet = { widthPx: 200, heightPx: 120, pixelMm: 3, fromX: 0, fromY: 0, base: 0, colours: 2 };
    const strokes = pulls(40, 45);
    const added = (wide: number) => {
      const bands = Array.from({ length: Math.floor(360 / wide / 2) }, (_, n) =>
        line({
          points: [
            { x: -50, y: (2 * n + 0.5) * wide, halfMm: wide / 2 },
            { x: 650, y: (2 * n + 0.5) * wide, halfMm: wide / 2 },
          ],
          colour: 1,
          edgeMm: 0.6,
          hides: 1,
        }),
      );
      return mud(evaluate([...bands, ...strokes], sheet), apart) - mud(evaluate(bands, sheet), apart);
    };
    expect(added(60)).toBeLessThan(added(20));
  });
});

test("noise is the same for the same seed, within its bounds, and 0 in the mean", () => {
  const one = cloudNoise(5, 40, 3);
  let sum = 0;
  for (let n = 0; n < 4000; n += 1) {
    const value = one((n % 80) * 31.7, Math.floor(n / 80) * 27.3);
    expect(Math.abs(value)).toBeLessThanOrEqual(1);
    sum += value;
  }
  expect(Math.abs(sum / 4000)).toBeLessThan(0.08);
  expect(cloudNoise(5, 40, 3)(12, 34)).toBe(one(12, 34));
});
