import fc from "fast-check";
import { seeded } from "../../numerics/random";
import type { Op } from "../engine/op";
import { newTile, startTile, weightAt } from "../engine/tile";
import { craters, cratersOf } from "./craters";
import { drop } from "./drop";
import { lay } from "./lay";
import { profileOf, touchProfile, type Touch } from "./profile";
import { tilt } from "./tilt";
import { field } from "./field";
import { flecks } from "./flecks";
import { lines } from "./line";
import { mask } from "./mask";
import { tabled } from "./streaked-width";
import { stroke } from "./stroke";
import { wobble } from "./wobble";

const TOUCHES: Touch[] = ["hand", "roller", "fingers", "stick", "skim", "comb", "squeegee", "foam-brush"];
const tile = newTile(2);
/** Where points were before an operation, and their footprints, from a unit one. */
function back(op: Op, points: [number, number][]) {
  startTile(tile, points, 0);
  tile.sxx.fill(1);
  tile.syy.fill(1);
  tile.sxy.fill(0);
  op.back(tile);
  return points.map((_, i) => ({
    x: tile.x[i]!,
    y: tile.y[i]!,
    sxx: tile.sxx[i]!,
    sxy: tile.sxy[i]!,
    syy: tile.syy[i]!,
    deep: tile.deep[i]!,
  }));
}
const random = seeded(7);
const scattered = (many: number, reach: number): [number, number][] =>
  Array.from({ length: many }, () => [(random() - 0.5) * 2 * reach, (random() - 0.5) * 2 * reach]);
/** The Jacobian of an operation taken back, by central differences. */
function jacobian(op: Op, [x, y]: [number, number], step = 1e-4) {
  const around: [number, number][] = [
    [x + step, y],
    [x - step, y],
    [x, y + step],
    [x, y - step],
  ];
  const [east, west, south, north] = around.map((point) => back(op, [point])[0]!);
  const over = 2 * step;
  return {
    xx: (east!.x - west!.x) / over,
    xy: (south!.x - north!.x) / over,
    yx: (east!.y - west!.y) / over,
    yy: (south!.y - north!.y) / over,
  };
}
const quantile = (values: number[], share: number) =>
  [...values].sort((a, b) => a - b)[Math.floor(share * (values.length - 1))]!;

const strokes = TOUCHES.flatMap((touch, n) => [
  stroke({
    x: 0,
    y: 0,
    angle: 0.3 + n,
    halfMm: 160,
    dragMm: 38,
    profile: touchProfile(touch, n),
    smear: 0.05,
  }),
  stroke({
    x: 5,
    y: -8,
    angle: 2 * n,
    halfMm: 140,
    dragMm: -22,
    profile: touchProfile(touch, n + 20),
    smear: 0.05,
    wave: { heightMm: 14, lengthMm: 120, phase: n },
  }),
  stroke({
    x: -4,
    y: 6,
    angle: n,
    halfMm: 170,
    softMm: 110,
    dragMm: 30,
    profile: touchProfile(touch, n + 40),
    smear: 0.05,
    arcMm: n % 2 === 0 ? 420 : -380,
  }),
]);
const flows = [1, 2, 3].map((seed) => wobble({ heightMm: 12, coarseMm: 480, fineMm: 45, shears: 8, seed }));
/** An ink drop: pushes all of its place away, endlessly far. */
const ink = drop({
  x: 0,
  y: 0,
  a: 60,
  b: 60,
  angle: 0,
  colour: 1,
  uneven: 0,
  seed: 1,
  pushes: 1,
  reach: Infinity,
});

describe("what preserves area", () => {
  test.each([...strokes, ...flows].map((op, n) => [`${op.kind} ${n}`, op] as const))(
    "%s: its determinant is 1 to 3·10⁻⁷ at the 99th of a hundred",
    (_name, op) => {
      expect(op.preserves).toBe("area");
      const off = scattered(400, 200).map((point) => {
        const { xx, xy, yx, yy } = jacobian(op, point);
        return Math.abs(xx * yy - xy * yx - 1);
      });
      // Differences that straddle a knot of the tool's profile are off; they are rarer than one in a hundred at this step.
      expect(quantile(off, 0.98)).toBeLessThan(3e-7);
    },
  );
  test("a drop of ink pushes what was there out by its own area (Lu, Jaffer et al. 2012: r² = r0² + R²)", () => {
    for (const [x, y] of scattered(200, 300)) {
      const [px, py] = ink.forward(x, y);
      expect(Math.hypot(px, py) ** 2).toBeCloseTo(x * x + y * y + 3600, 5);
    }
    const off = scattered(200, 300)
      .filter(([x, y]) => Math.hypot(x, y) > 62)
      .map((point) => {
        const { xx, xy, yx, yy } = jacobian(ink, point);
        return Math.abs(xx * yy - xy * yx - 1);
      });
    expect(Math.max(...off)).toBeLessThan(1e-6);
  });
  test("an endless pull is the tine line: all is carried along by f(p), nothing across (Lu, Jaffer et al. 2012)", () => {
    const profile = profileOf((p) => Math.exp(-Math.abs(p) / 12), 90);
    const tine = stroke({ x: 0, y: 0, angle: 0, halfMm: 4000, dragMm: 30, profile, smear: 0 });
    for (const [x, y] of scattered(100, 85)) {
      const [px, py] = tine.forward(x, y);
      expect(px).toBeCloseTo(x + 30 * profile.at(y), 6);
      expect(py).toBeCloseTo(y, 6);
    }
  });
});

describe("forward and back", () => {
  const all: Op[] = [
    ...strokes,
    ...flows,
    ink,
    drop({ x: 3, y: -4, a: 70, b: 45, angle: 0.4, colour: 1, uneven: 0.12, seed: 5 }),
    lay({ x: 0, y: 0, angle: 1, halfMm: 150, widthMm: 250, dragMm: 60, seed: 3 }),
    tilt({ x: -200, y: -30, angle: 0.3, lengthMm: 420, widthMm: 500, share: 0.3, seed: 4 }),
    craters(
      cratersOf([
        { x: -40, y: 10, a: 6, b: 10 },
        { x: 60, y: -20, a: 3, b: 5 },
      ]),
    ),
  ];
  test.each(all.map((op, n) => [`${op.kind} ${n}`, op] as const))(
    "%s: a point goes where it came from, to 2·10⁻⁷ mm",
    (_name, op) => {
      const points = scattered(300, 180);
      const there = points.map(([x, y]) => op.forward(x, y));
      back(op, there).forEach(({ x, y }, n) => {
        expect(Math.hypot(x - points[n]![0], y - points[n]![1])).toBeLessThan(2e-7);
      });
    },
  );
});

describe("footprints", () => {
  test("are drawn out as the map draws out: Σ against JJᵀ by differences", () => {
    const all = [
      ...strokes.map((_, n) =>
        stroke({
          x: 0,
          y: 0,
          angle: n,
          halfMm: 150,
          dragMm: 30,
          profile: profileOf((p) => Math.exp(-((p / 30) ** 2)), 110),
          smear: 0,
          ...(n % 3 === 0
            ? {}
            : n % 3 === 1
              ? { arcMm: 400 }
              : { wave: { heightMm: 10, lengthMm: 130, phase: n } }),
        }),
      ),
      ...flows,
      ink,
      craters(cratersOf([{ x: 0, y: 0, a: 40, b: 90 }])),
    ];
    const off = all.flatMap((op) =>
      scattered(60, 140)
        .filter(([x, y]) => op.kind === "stroke" || op.kind === "wobble" || Math.hypot(x, y) > 62)
        .map((point) => {
          const { xx, xy, yx, yy } = jacobian(op, point);
          const [own] = back(op, [point]);
          return Math.max(
            Math.abs(own!.sxx - (xx * xx + xy * xy)),
            Math.abs(own!.sxy - (xx * yx + xy * yy)),
            Math.abs(own!.syy - (yx * yx + yy * yy)),
          );
        }),
    );
    expect(quantile(off, 0.95)).toBeLessThan(2e-5);
  });
});

describe("holes and drops", () => {
  test("a compact hole stretches its ring by B²/(B² − a²) everywhere (closed form)", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 20, noNaN: true }),
        fc.double({ min: 1.2, max: 3, noNaN: true }),
        fc.double({ min: 0.05, max: 0.95, noNaN: true }),
        (a, wider, share) => {
          const b = a * wider;
          const op = craters(cratersOf([{ x: 0, y: 0, a, b }]));
          const r = a + share * (b - a);
          const [from, inner, outer] = back(op, [
            [r, 0],
            [r - 1e-5, 0],
            [r + 1e-5, 0],
          ]);
          const slope = (outer!.x - inner!.x) / 2e-5;
          expect((slope * from!.x) / r / ((b * b) / (b * b - a * a))).toBeCloseTo(1, 5);
          expect(back(op, [[b * 1.001, 0]])[0]!.x).toBeCloseTo(b * 1.001, 9);
        },
      ),
    );
  });
  test("inside a hole the next colour is skipped", () => {
    const op = craters(cratersOf([{ x: 0, y: 0, a: 5, b: 9 }]));
    expect(back(op, [[1, 1]])[0]!.deep).toBe(1);
    expect(back(op, [[7, 0]])[0]!.deep).toBe(0);
  });
  test("a pull beyond 60 mm is refused: it would fold", () => {
    expect(() =>
      stroke({ x: 0, y: 0, angle: 0, halfMm: 100, dragMm: 61, profile: touchProfile("hand", 1), smear: 0 }),
    ).toThrow(/61 mm/);
  });
});

describe("what only covers", () => {
  /** Share of colour 1 at points, with a footprint of a tenth of a millimetre. */
  const covered = (op: Op, points: [number, number][]) => {
    startTile(tile, points, 0.1);
    op.back(tile);
    return points.map((_, i) => tile.weight[weightAt(1, i)]!);
  };
  test("a fleck covers its disc, and no more", () => {
    const op = flecks([{ x: 10, y: 5, radiusMm: 4 }], 1, 1);
    const [middle, inside, outside] = covered(op, [
      [10, 5],
      [12, 5],
      [16, 5],
    ]);
    expect(middle).toBeCloseTo(1, 3);
    expect(inside).toBeCloseTo(1, 3);
    expect(outside).toBe(0);
  });
  test("a field covers its side of the border, and with a width no more than its strip", () => {
    const still = {
      x: 0,
      y: 0,
      angle: 0,
      wanderMm: 0,
      lengthMm: 300,
      colour: 1,
      edgeMm: 0.5,
      hides: 1,
      seed: 1,
    };
    const points: [number, number][] = [
      [-20, 4],
      [20, 4],
      [400, -9],
    ];
    expect(covered(field(still), points).map(Math.round)).toEqual([0, 1, 1]);
    expect(covered(field({ ...still, wideMm: 60 }), points).map(Math.round)).toEqual([0, 1, 0]);
  });
  test("joints take the more of a masked film the wider they are, and leave its pebbles", () => {
    const box = { minX: -200, minY: -200, maxX: 200, maxY: 200 };
    const share = (jointMm: number) => {
      const shares = covered(mask({ box, sizeMm: 80, jointMm, colour: 1, seed: 3 }), scattered(1500, 180));
      return shares.reduce((sum, share) => sum + share, 0) / shares.length;
    };
    expect(share(2)).toBeGreaterThan(0.02);
    expect(share(10)).toBeGreaterThan(share(2));
    expect(share(10)).toBeLessThan(0.5);
  });
});

describe("lines", () => {
  /** Ways that wander and swell. */
  const ways = Array.from({ length: 5 }, (_, n) =>
    Array.from({ length: 40 }, (__, k) => ({
      x: -180 + 9 * k,
      y: 60 * Math.sin(k / 5 + n) + 50 * (n - 2),
      halfMm: 1 + 9 * Math.abs(Math.sin(k / 3 + 2 * n)),
    })),
  );
  /** How far within the nearest of them a point lies, by looking at every segment. */
  const withinBy = (px: number, py: number) => {
    let best = -Infinity;
    for (const way of ways)
      for (let k = 1; k < way.length; k += 1) {
        const [a, b] = [way[k - 1]!, way[k]!];
        const [dx, dy] = [b.x - a.x, b.y - a.y];
        const t = Math.min(1, Math.max(0, ((px - a.x) * dx + (py - a.y) * dy) / (dx * dx + dy * dy)));
        const half = a.halfMm + t * (b.halfMm - a.halfMm);
        best = Math.max(best, half - Math.hypot(px - a.x - t * dx, py - a.y - t * dy));
      }
    return best;
  };
  test("a place is covered by the nearest line of all, although only those near its square are looked at", () => {
    const op = lines({ ways, colour: 1, edgeMm: 0.4, hides: 1 });
    const points = scattered(2000, 220);
    startTile(tile, points, 0);
    op.back(tile);
    const half = Math.sqrt(0.4 ** 2 + 3 * 0.3 ** 2);
    points.forEach(([x, y], i) => {
      const by = withinBy(x, y);
      const expected = Math.min(1, Math.max(0, (by + half) / (2 * half)));
      expect(tile.weight[weightAt(1, i)]!).toBeCloseTo(expected, 5);
    });
  });
});

describe("holes smaller than a sample", () => {
  const coat = field({
    x: -500,
    y: 0,
    angle: 0,
    wanderMm: 0,
    lengthMm: 100,
    colour: 1,
    edgeMm: 0.5,
    hides: 1,
    seed: 1,
  });
  /** What a sample shows of a coat and what is under it when a hole of a radius lies in its middle. */
  const shown = (a: number, pixelMm: number) => {
    startTile(tile, [[0, 0]], pixelMm);
    craters(cratersOf([{ x: 0, y: 0, a, b: 1.6 * a }])).back(tile);
    coat.back(tile);
    return { upper: tile.weight[weightAt(1, 0)]!, clear: tile.clear[0]! };
  };
  test("open the part of it that they are, the larger the more; the rest shows the coat above", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 6, noNaN: true }),
        fc.double({ min: 0.2, max: 8, noNaN: true }),
        (a, pixelMm) => {
          const { upper, clear } = shown(a, pixelMm);
          expect(upper + clear).toBeCloseTo(1, 5);
          expect(shown(a, 2 * pixelMm).upper).toBeGreaterThanOrEqual(upper - 1e-6);
          expect(shown(1.5 * a, pixelMm).upper).toBeLessThanOrEqual(upper + 1e-6);
        },
      ),
    );
    expect(shown(5, 0.5).upper).toBeCloseTo(0, 5);
    expect(shown(0.2, 8).upper).toBeGreaterThan(0.97);
  });
  test("of a hole half as wide as its sample's footprint a quarter is opened", () => {
    // Half of the footprint across: the root of three of its variance, with the rim's softness.
    const pixelMm = 6;
    const half = Math.sqrt(0.2 ** 2 + 3 * (0.13 * pixelMm ** 2 + 0.3 ** 2));
    expect(1 - shown(half / 2, pixelMm).upper).toBeCloseTo(0.25, 5);
  });
});

test("a tabled height is the height at its knots and straight between; around, it goes on as it began", () => {
  const plain = tabled((p) => p * p, -2, 2);
  expect(plain.at(1)).toBeCloseTo(1, 4);
  expect(plain.slope(1.001)).toBeCloseTo(2, 1);
  expect([plain.at(-9), plain.at(9)]).toEqual([4, expect.closeTo(4, 5)]);
  const around = tabled((p) => Math.cos(p), 0, 2 * Math.PI, true);
  for (const p of [-7, -0.3, 0.4, 6.9, 40]) {
    expect(around.at(p)).toBeCloseTo(Math.cos(p), 4);
    expect(around.slope(p)).toBeCloseTo(-Math.sin(p), 2);
  }
});
