import type { Pair } from "./curves";
import fc from "fast-check";
import { cornersOfSide, pulled, withCorner, withoutCorner, withStretch } from "./handles";
import { measurePiece, type Measured } from "./measure";
import { outlineOf } from "./outline";
import { edgeOf, edgesOf, type Edge, type Piece, type Shape } from "./piece";
import { cutAtShare } from "./lanes";
import { asFree, mirrored, rotated } from "./transform";

const piece = (shape: Shape, extra: Partial<Piece> = {}): Piece => ({
  id: "p",
  name: "Piece",
  count: 1,
  shape,
  edges: {},
  cutOuts: [],
  ...extra,
});
const measured = (piece: Piece): Measured => {
  const result = measurePiece(piece);
  if (!result.ok) throw new Error(JSON.stringify(result.faults));
  return result.measured;
};
const OPEN: Edge = { treatment: "open", heightMm: 0, roundingMm: 0 };
const hole = {
  id: "c",
  name: "Hole",
  shape: { kind: "rectangle" as const, lengthMm: 120, depthMm: 60 },
  fromLeftMm: 400,
  fromFrontMm: 150,
  innerFace: { heightMm: 20, roundingMm: 0 },
};

const size = fc.double({ min: 300, max: 4000, noNaN: true });
const radius = fc.double({ min: 0, max: 60, noNaN: true });
/** A star-shaped outline: never crosses itself. */
const star = fc
  .array(fc.double({ min: 200, max: 900, noNaN: true }), { minLength: 3, maxLength: 24 })
  .map((radii): Shape => {
    const points = radii.map((r, index): Pair => {
      const turn = (2 * Math.PI * index) / radii.length;
      return [1000 + r * Math.cos(turn), 1000 + r * Math.sin(turn)];
    });
    return { kind: "free", points, starts: points.map((_, index) => index) };
  });
const shapes: fc.Arbitrary<Shape> = fc.oneof(
  star,
  fc.record({ kind: fc.constant("straight" as const), lengthMm: size, depthMm: size }),
  fc.record({
    kind: fc.constant("rectangle" as const),
    lengthMm: size,
    depthMm: size,
    cornerRadiiMm: fc.tuple(radius, radius, radius, radius),
  }),
  fc.record({ kind: fc.constant("oval" as const), lengthMm: size, depthMm: size }),
  size.chain((depth) =>
    fc.record({
      kind: fc.constant("l-run" as const),
      lengthMm: fc.constant(4200),
      depthMm: fc.constant(depth),
      returnLengthMm: fc.constant(depth + 500),
      returnDepthMm: fc.constant(400),
      turn: fc.constantFrom("left" as const, "right" as const),
    }),
  ),
  size.map((depthMm): Shape => ({
    kind: "u-run",
    lengthMm: 4200,
    depthMm,
    leftLengthMm: depthMm + 300,
    leftDepthMm: 400,
    rightLengthMm: depthMm + 700,
    rightDepthMm: 500,
  })),
  fc
    .array(
      fc.tuple(fc.double({ min: 20, max: 300, noNaN: true }), fc.double({ min: 20, max: 300, noNaN: true })),
      {
        minLength: 2,
        maxLength: 12,
      },
    )
    .map((lines): Shape => ({
      kind: "offsets",
      stations: lines.map(([farMm, nearMm], index) => ({ atMm: index * 150, farMm, nearMm })),
    })),
);

/** Stored coordinates are rounded to 0.01 mm and curves drawn within 0.05 mm: an area is off by less than its perimeter times both. */
const near = (a: Measured, b: Measured) => (a.perimeterMm + b.perimeterMm) * 0.04;

describe("area and perimeter do not change", () => {
  const same = (first: Piece, second: Piece) => {
    const [a, b] = [measured(first), measured(second)];
    expect(Math.abs(a.topAreaMm2 - b.topAreaMm2)).toBeLessThan(near(a, b) + 1e-4 * a.topAreaMm2 * 0.01);
    expect(Math.abs(a.perimeterMm - b.perimeterMm)).toBeLessThan(
      0.02 * (a.outline.corners.length + 1) + 1e-4 * a.perimeterMm,
    );
  };
  test("mirrored", () =>
    fc.assert(fc.property(shapes, (shape) => same(piece(shape), mirrored(piece(shape))))));
  test("turned by any angle", () =>
    fc.assert(
      fc.property(shapes, fc.double({ min: -360, max: 360, noNaN: true }), (shape, deg) => {
        const turned = rotated(piece(shape), deg);
        if (turned) same(piece(shape), turned);
      }),
    ));
  test("moved in its own coordinates", () =>
    fc.assert(
      fc.property(star, fc.double({ min: -5000, max: 5000, noNaN: true }), (shape, by) => {
        if (shape.kind !== "free") return;
        const points = shape.points.map(([x, y]): Pair => [x + by, y - by]);
        expect(measured(piece({ ...shape, points })).topAreaMm2).toBeCloseTo(
          measured(piece(shape)).topAreaMm2,
          4,
        );
      }),
    ));
  test("a cut divides it: what lies before and behind sums to the whole, in the share asked for", () =>
    fc.assert(
      fc.property(shapes, fc.double({ min: 0.05, max: 0.95, noNaN: true }), (shape, share) => {
        const shown = piece(shape);
        const [before, behind] = [cutAtShare(shown, share), cutAtShare(shown, Math.min(0.99, share + 0.04))];
        expect(before.alongMm).toBeLessThanOrEqual(behind.alongMm + 0.02);
        expect(before.lines.length).toBeGreaterThan(0);
      }),
    ));
});

test("scaled by k, area goes with k²", () =>
  fc.assert(
    fc.property(star, fc.double({ min: 0.2, max: 8, noNaN: true }), (shape, k) => {
      if (shape.kind !== "free") return;
      const grown = { ...shape, points: shape.points.map(([x, y]): Pair => [k * x, k * y]) };
      const [a, b] = [measured(piece(shape)), measured(piece(grown))];
      expect(b.topAreaMm2 / a.topAreaMm2 / k ** 2).toBeCloseTo(1, 9);
      expect(b.perimeterMm / a.perimeterMm / k).toBeCloseTo(1, 9);
    }),
  ));

describe("mirrored twice is the same", () => {
  test.each<[string, Shape]>([
    [
      "an L",
      { kind: "l-run", lengthMm: 3000, depthMm: 600, returnLengthMm: 1500, returnDepthMm: 500, turn: "left" },
    ],
    [
      "a U",
      {
        kind: "u-run",
        lengthMm: 3000,
        depthMm: 600,
        leftLengthMm: 1500,
        leftDepthMm: 500,
        rightLengthMm: 900,
        rightDepthMm: 400,
      },
    ],
    ["a mitred run", { kind: "straight", lengthMm: 2000, depthMm: 600, mitreLeftDeg: 20, mitreRightDeg: 10 }],
    [
      "a free outline",
      {
        kind: "free",
        points: [
          [0, 0],
          [900, 50],
          [800, 700],
          [100, 700],
        ],
        starts: [0, 1, 2, 3],
      },
    ],
  ])("%s with an open edge and a hole", (_, shape) => {
    const name = edgesOf(shape)[1]!;
    const shown = piece(shape, { edges: { [name]: OPEN }, cutOuts: [hole] });
    const twice = mirrored(mirrored(shown));
    expect(outlineOf(twice).corners).toHaveLength(outlineOf(shown).corners.length);
    expect(measured(twice).lengthByTreatmentMm).toEqual(measured(shown).lengthByTreatmentMm);
    expect(edgeOf(twice, name)).toEqual(OPEN);
    expect(twice.cutOuts).toEqual([hole]);
  });
  test("a mirrored free outline keeps the treatment on the side that it was on", () => {
    const shape: Shape = {
      kind: "free",
      points: [
        [0, 0],
        [900, 0],
        [900, 300],
        [0, 700],
      ],
      starts: [0, 1, 2, 3],
    };
    // side-2 is the short upright one, 300 long; side-4 the long one, 700.
    const once = measured(mirrored(piece(shape, { edges: { "side-2": OPEN } })));
    expect(once.edges.find((edge) => edge.treatment === "open")?.lengthMm).toBe(300);
  });
});

describe("turned", () => {
  test("a quarter turn of a rectangle keeps kind, radii, edges and holes", () => {
    const shown = piece(
      { kind: "rectangle", lengthMm: 1000, depthMm: 400, cornerRadiiMm: [10, 20, 30, 40] },
      { edges: { front: OPEN }, cutOuts: [hole] },
    );
    const turned = rotated(shown, 90)!;
    expect(turned.shape).toMatchObject({ lengthMm: 400, depthMm: 1000, cornerRadiiMm: [40, 10, 20, 30] });
    expect(edgeOf(turned, "left")).toEqual(OPEN);
    expect(turned.cutOuts[0]).toMatchObject({ fromLeftMm: 150, fromFrontMm: 600 });
    expect(measured(turned).topAreaMm2).toBeCloseTo(measured(shown).topAreaMm2, 6);
    expect(rotated(shown, 360)?.shape).toEqual(shown.shape);
  });
  test("what has a depth of its own is not turned", () =>
    expect(rotated(piece({ kind: "river", stations: [], depthMm: 30 }), 45)).toBeNull());
  test("a run made a free outline keeps its edges", () => {
    const run = piece({ kind: "straight", lengthMm: 2000, depthMm: 600 }, { edges: { right: OPEN } });
    const free = asFree(run)!;
    expect(measured(free).lengthByTreatmentMm).toEqual(measured(run).lengthByTreatmentMm);
    expect(measured(free).faceAreaMm2).toBeCloseTo(measured(run).faceAreaMm2, 6);
  });
});

describe("pulled", () => {
  const run = piece({ kind: "straight", lengthMm: 2000, depthMm: 600 }, { cutOuts: [hole] });
  test("the right end moves the typed length, snapped; holes stay", () => {
    const longer = pulled(run, { kind: "side", name: "right" }, { x: 103.4, y: 7 }, { stepMm: 5 });
    expect(longer.shape).toMatchObject({ lengthMm: 2105, depthMm: 600 });
    expect(longer.cutOuts[0]).toMatchObject({ fromLeftMm: 400, fromFrontMm: 150 });
  });
  test("the left end and the front leave the hole where it is on the slab", () => {
    const left = pulled(run, { kind: "side", name: "left" }, { x: -100, y: 0 }, null);
    expect(left.shape).toMatchObject({ lengthMm: 2100 });
    expect(left.cutOuts[0]?.fromLeftMm).toBe(500);
    const front = pulled(run, { kind: "side", name: "front" }, { x: 0, y: 40 }, null);
    expect(front.cutOuts[0]?.fromFrontMm).toBe(190);
  });
  test.each([
    ["endRight", { x: 50, y: 0 }, { lengthMm: 3050 }],
    ["wallReturn", { x: -50, y: 0 }, { lengthMm: 3050, returnDepthMm: 550 }],
    ["backLong", { x: 0, y: -50 }, { depthMm: 650, returnLengthMm: 1550 }],
    ["frontReturn", { x: 50, y: 0 }, { returnDepthMm: 550, lengthMm: 3000 }],
  ] as const)("%s of an L", (name, by, sizes) => {
    const l: Shape = {
      kind: "l-run",
      lengthMm: 3000,
      depthMm: 600,
      returnLengthMm: 1500,
      returnDepthMm: 500,
      turn: "left",
    };
    expect(pulled(piece(l), { kind: "side", name }, by, null).shape).toMatchObject(sizes);
    // On the other hand the same edge is pulled the other way.
    const right = pulled(piece({ ...l, turn: "right" }), { kind: "side", name }, { x: -by.x, y: by.y }, null);
    expect(right.shape).toMatchObject(sizes);
  });
  test("nothing is pulled to less than 10 mm", () =>
    expect(pulled(run, { kind: "side", name: "right" }, { x: -9000, y: 0 }, null).shape).toMatchObject({
      lengthMm: 10,
    }));
  test("a round top by its rim", () =>
    expect(
      pulled(piece({ kind: "round", diameterMm: 800 }), { kind: "side", name: "rim" }, { x: 20, y: 0 }, null)
        .shape,
    ).toMatchObject({ diameterMm: 820 }));

  const free = piece(
    {
      kind: "free",
      points: [
        [0, 0],
        [900, 0],
        [900, 300],
        [0, 700],
      ],
      starts: [0, 1, 2, 3],
    },
    { edges: { "side-2": OPEN } },
  );
  test("a corner of a free outline lines up with another near its line", () => {
    const moved = pulled(free, { kind: "corner", index: 2 }, { x: 3, y: 396 }, { stepMm: 5 }, 8);
    expect((moved.shape as { points: Pair[] }).points[2]).toEqual([900, 700]);
  });
  test("a side moves both its corners", () => {
    const moved = pulled(free, { kind: "side", name: "side-2" }, { x: 50, y: 0 }, { stepMm: 5 });
    expect((moved.shape as { points: Pair[] }).points).toEqual([
      [0, 0],
      [950, 0],
      [950, 300],
      [0, 700],
    ]);
  });
  test("a corner put in and taken out leaves edges as they were", () => {
    const more = withCorner(free, 0);
    expect(edgesOf(more.shape)).toHaveLength(5);
    expect(edgeOf(more, "side-3")).toEqual(OPEN);
    expect(measured(more).topAreaMm2).toBe(measured(free).topAreaMm2);
    const back = withoutCorner(more, 1);
    expect(back.shape).toEqual(free.shape);
    expect(edgeOf(back, "side-2")).toEqual(OPEN);
  });
  test("a typed stretch moves the wall behind it", () => {
    const room = piece({
      kind: "floor",
      points: [
        [0, 0],
        [4000, 0],
        [4000, 3000],
        [0, 3000],
      ],
      starts: [0, 1, 2, 3],
    });
    expect((withStretch(room, 0, 4500).shape as { points: Pair[] }).points).toEqual([
      [0, 0],
      [4500, 0],
      [4500, 3000],
      [0, 3000],
    ]);
  });
  test("the corners of a side over the seam of the list", () => {
    const shape = {
      kind: "free" as const,
      points: [
        [0, 0],
        [1, 0],
        [1, 1],
        [0, 1],
      ] as Pair[],
      starts: [1, 3],
    };
    expect(cornersOfSide(shape, "side-2")).toEqual([3, 0, 1]);
  });
});
