import type { Pair } from "./curves";
import fc from "fast-check";
import { tumblerAreas, unrolledBand, unrolledWall, type Tumbler } from "./frustum";
import { cutAtShare, developedLengthMm, lanesOf } from "./lanes";
import { faultsOf } from "./faults";
import { measurePiece, type Measured } from "./measure";
import { outlineOf } from "./outline";
import { cutOutAreaMm2, cutOutPerimeterMm, cutOutSize } from "./cut-out";
import { pieceOfCutOut } from "./new-piece";
import {
  edgeOf,
  withHeight,
  withTreatment,
  type CutOut,
  type CutOutShape,
  type Edge,
  type EdgeName,
  type Piece,
  type Shape,
  type Station,
} from "./piece";
import { rotated } from "./transform";
import { areaBelowMm2, ringAreaMm2 } from "./ring";
import { simpson, stationAreas, trapezoid } from "./stations";

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
const lengthOf = (piece: Measured, name: EdgeName) =>
  piece.edges.find((edge) => edge.name === name)?.lengthMm;

describe("runs", () => {
  const straight: Shape = { kind: "straight", lengthMm: 2000, depthMm: 600 };
  test("a mitred end takes half a square: depth² / 2 at 45°", () => {
    const cut = measured(piece({ ...straight, mitreRightDeg: 45 }));
    expect(cut.topAreaMm2).toBeCloseTo(2000 * 600 - 600 ** 2 / 2, 6);
    expect(lengthOf(cut, "right")).toBeCloseTo(600 * Math.SQRT2, 9);
    expect(lengthOf(cut, "front")).toBeCloseTo(1400, 9);
  });
  test("an overhang stands out on free edges only", () => {
    const hung = measured(piece({ ...straight, overhangMm: 25 }));
    expect([hung.outline.widthMm, hung.outline.heightMm]).toEqual([2050, 625]);
    const wall: Edge = { treatment: "wall", heightMm: 0, roundingMm: 0 };
    const between = measured(piece({ ...straight, overhangMm: 25 }, { edges: { left: wall, right: wall } }));
    expect([between.outline.widthMm, between.outline.heightMm]).toEqual([2000, 625]);
  });
  test("a joint is neither coated over an edge nor run off", () => {
    const joint: Edge = { treatment: "joint", heightMm: 38, roundingMm: 0 };
    const one = measured(piece(straight, { edges: { right: joint } }));
    expect(one.edges.find((edge) => edge.name === "right")?.faceAreaMm2).toBe(0);
    expect(one.lengthByTreatmentMm.joint).toBe(600);
  });
  test.each([
    ["mitre", Math.hypot(600, 650)],
    ["butt", 600],
    ["none", 0],
  ] as const)("an L with a %s joint has a seam of %d mm and the same area", (joint, seam) => {
    const l: Shape = {
      kind: "l-run",
      lengthMm: 3000,
      depthMm: 650,
      returnLengthMm: 2000,
      returnDepthMm: 600,
      turn: "left",
      joint,
    };
    expect(measured(piece(l)).jointLengthMm).toBeCloseTo(seam, 9);
    expect(measured(piece(l)).topAreaMm2).toBeCloseTo(3000 * 650 + 1350 * 600, 6);
    const right = measured(piece({ ...l, turn: "right" }));
    expect([right.jointLengthMm, right.topAreaMm2]).toEqual([
      expect.closeTo(seam, 9),
      3000 * 650 + 1350 * 600,
    ]);
  });
});

describe("rounded corners: each loses (1 − π/4)·r²", () => {
  test("by closed form, and by the drawn line within its flatness", () => {
    const one = measured(
      piece({ kind: "rectangle", lengthMm: 1200, depthMm: 700, cornerRadiiMm: [10, 50, 100, 0] }),
    );
    const lost = (1 - Math.PI / 4) * (10 ** 2 + 50 ** 2 + 100 ** 2);
    expect(one.topAreaMm2).toBeCloseTo(1200 * 700 - lost, 6);
    expect(one.perimeterMm).toBeCloseTo(3800 - (2 - Math.PI / 2) * 160, 6);
    expect(Math.abs(ringAreaMm2(one.outline.corners) / one.topAreaMm2 - 1)).toBeLessThan(1e-5);
  });
  test("all corners with half the side: a circle", () => {
    const one = measured(
      piece({ kind: "rectangle", lengthMm: 400, depthMm: 400, cornerRadiiMm: [200, 200, 200, 200] }),
    );
    expect(one.topAreaMm2).toBeCloseTo(Math.PI * 200 ** 2, 4);
    expect(one.perimeterMm).toBeCloseTo(2 * Math.PI * 200, 6);
  });
  test("radii that do not fit are named", () =>
    expect(
      faultsOf(piece({ kind: "rectangle", lengthMm: 400, depthMm: 100, cornerRadiiMm: [60, 0, 0, 60] }))[0]
        ?.at,
    ).toBe("shape.cornerRadiiMm"));
  test("a rounded cut-out", () => {
    const basin = {
      id: "c",
      name: "Basin",
      shape: { kind: "rectangle" as const, lengthMm: 500, depthMm: 400, radiusMm: 80 },
      fromLeftMm: 600,
      fromFrontMm: 350,
      innerFace: { heightMm: 30, roundingMm: 0 },
    };
    const one = measured(piece({ kind: "rectangle", lengthMm: 1200, depthMm: 700 }, { cutOuts: [basin] }));
    expect(1200 * 700 - one.topAreaMm2).toBeCloseTo(500 * 400 - (4 - Math.PI) * 80 ** 2, 6);
  });
});

describe("tumblers", () => {
  const tumbler: Tumbler = {
    kind: "tumbler",
    topDiameterMm: 90,
    bottomDiameterMm: 70,
    heightMm: 200,
    base: true,
    rimBandMm: 0,
    patch: null,
  };
  test("wall of a frustum: π·(r1 + r2)·s, and the sector it unrolls to has the same area", () => {
    const wall = unrolledWall(90, 70, 200);
    expect(wall.areaMm2).toBeCloseTo(Math.PI * 80 * Math.hypot(200, 10), 9);
    expect((wall.angle / 2) * (wall.outerMm! ** 2 - wall.innerMm! ** 2)).toBeCloseTo(wall.areaMm2, 6);
    // Arc lengths of the sector are the ways around.
    expect(wall.angle * wall.outerMm!).toBeCloseTo(Math.PI * 90, 9);
    expect(wall.angle * wall.innerMm!).toBeCloseTo(Math.PI * 70, 9);
    const ring = unrolledBand(tumbler, [0, wall.slantMm]);
    expect(Math.abs(ringAreaMm2(ring) / wall.areaMm2 - 1)).toBeLessThan(2e-4);
  });
  test("a cylinder unrolls to a rectangle", () => {
    const straight = { ...tumbler, bottomDiameterMm: 90 };
    expect(tumblerAreas(straight).coatedMm2).toBeCloseTo(Math.PI * 90 * 200 + (Math.PI * 90 ** 2) / 4, 6);
    expect(outlineOf(piece(straight)).widthMm).toBeCloseTo(Math.PI * 90, 6);
  });
  test("bare band, base and blank patch", () => {
    const one = tumblerAreas({
      ...tumbler,
      base: false,
      rimBandMm: 15,
      patch: { widthMm: 60, heightMm: 40, fromBottomMm: 50 },
    });
    expect(one.baseMm2).toBe(0);
    expect(one.patchMm2).toBe(2400);
    const upTo = unrolledWall(
      90 - (20 * 15) / Math.hypot(200, 10),
      70,
      200 - (200 * 15) / Math.hypot(200, 10),
    );
    expect(one.coatedMm2).toBeCloseTo(upTo.areaMm2 - 2400, 6);
  });
  test("about 30 ml a coat for one of 30 US fl oz (common practice, no source)", () => {
    // A tall one, 95 and 75 mm wide and 240 mm high, holds 30 fl oz and more; 0.45 mm stays on when it turns.
    const large = measured(piece({ ...tumbler, topDiameterMm: 95, bottomDiameterMm: 75, heightMm: 240 }));
    const ml = (large.topAreaMm2 * 0.45) / 1000;
    expect(ml).toBeGreaterThan(25);
    expect(ml).toBeLessThan(35);
  });
  test.each([
    [{ rimBandMm: 300 }, "shape.rimBandMm"],
    [{ patch: { widthMm: 300, heightMm: 30, fromBottomMm: 10 } }, "shape.patch"],
    [{ patch: { widthMm: 30, heightMm: 30, fromBottomMm: 190 } }, "shape.patch"],
  ])("what cannot be: %j", (change, at) =>
    expect(faultsOf(piece({ ...tumbler, ...change })).map((fault) => fault.at)).toEqual([at]),
  );
});

describe("moulds", () => {
  const mould = (outline: Extract<Shape, { kind: "mould" }>["outline"], draftDeg: number) =>
    measured(piece({ kind: "mould", outline, depthMm: 30, draftDeg }));
  test("a round one with draft is a frustum: π·h/3·(R² + R·r + r²)", () => {
    const [R, r] = [100, 100 - 30 * Math.tan((10 * Math.PI) / 180)];
    const volume = ((Math.PI * 30) / 3) * (R * R + R * r + r * r);
    const piece = mould({ kind: "round", diameterMm: 200 }, 10);
    expect(piece.fillMl?.likely).toBeCloseTo(volume / 1000, 9);
    expect(piece.sealAreaMm2).toBeCloseTo(Math.PI * (R + r) * Math.hypot(30, R - r), 6);
  });
  test("a rectangular one with draft: h/3·(A1 + √… ) by the prismatoid rule", () => {
    const lean = 30 * Math.tan((20 * Math.PI) / 180);
    const at = (d: number) => (300 - 2 * d) * (200 - 2 * d);
    const volume = (30 / 6) * (at(0) + 4 * at(lean / 2) + at(lean));
    expect(mould({ kind: "rectangle", lengthMm: 300, depthMm: 200 }, 20).fillMl?.likely).toBeCloseTo(
      volume / 1000,
      9,
    );
  });
  test("upright walls: area times depth, whatever the outline", () => {
    const points: Pair[] = [
      [0, 0],
      [300, 40],
      [260, 220],
      [120, 120],
      [20, 240],
    ];
    const piece = mould({ kind: "free", points, starts: [0] }, 0);
    expect(piece.fillMl?.likely).toBeCloseTo((piece.topAreaMm2 * 30) / 1000, 9);
  });
  test("walls that meet above the bottom are named", () =>
    expect(
      faultsOf(
        piece({ kind: "mould", outline: { kind: "round", diameterMm: 60 }, depthMm: 80, draftDeg: 30 }),
      ).map(({ at }) => at),
    ).toEqual(["shape.draftDeg"]));
});

describe("rivers", () => {
  const channel = (width: (x: number) => number, length: number, step: number): Station[] =>
    Array.from({ length: Math.round(length / step) + 1 }, (_, index) => {
      const atMm = index * step;
      return { atMm, farMm: width(atMm) / 2, nearMm: width(atMm) / 2 };
    });
  test("a void of 3 × 1 × 16 in is 48 in³, about 26.6 US fl oz (common practice, no source)", () => {
    const one = measured(
      piece({
        kind: "river",
        stations: [0, 200, 406.4].map((atMm) => ({ atMm, farMm: 38.1, nearMm: 38.1 })),
        depthMm: 25.4,
      }),
    );
    expect(one.fillMl?.likely).toBeCloseTo(48 * 16.387064, 6);
    expect(one.fillMl!.likely / 29.5735295625).toBeCloseTo(26.6, 1);
    expect(one.fillMl!.high - one.fillMl!.low).toBeCloseTo(0, 9);
  });
  test("a parabolic channel: Simpson is exact, the trapezoid rule is short by h²/12·[y′]", () => {
    const [length, step] = [1200, 50];
    const bulge = (x: number) => 60 + (4 * 40 * x * (length - x)) / length ** 2;
    const exact = 60 * length + (2 / 3) * 40 * length;
    const { simpsonMm2, trapezoidMm2 } = stationAreas(channel(bulge, length, step));
    expect(simpsonMm2).toBeCloseTo(exact, 6);
    const slope = (4 * 40) / length;
    expect(exact - trapezoidMm2).toBeCloseTo((step ** 2 / 12) * 2 * slope, 6);
  });
  test("a sine channel read every 50 mm: Simpson 100 times nearer than trapezoids", () => {
    const [length, step] = [1000, 50];
    const wave = (x: number) => 80 + 30 * Math.sin((Math.PI * x) / length);
    const exact = 80 * length + (60 * length) / Math.PI;
    const { simpsonMm2, trapezoidMm2 } = stationAreas(channel(wave, length, step));
    expect(Math.abs(simpsonMm2 - exact) * 100).toBeLessThan(Math.abs(trapezoidMm2 - exact));
  });
  test("unequal steps and an odd number of them: exact for any parabola", () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 10, max: 90, noNaN: true }), { minLength: 2, maxLength: 9 }),
        fc.tuple(...[0, 1, 2].map(() => fc.double({ min: -5, max: 5, noNaN: true }))),
        (steps, [a, b, c]) => {
          const x = steps.reduce<number[]>((list, step) => [...list, (list.at(-1) as number) + step], [0]);
          const f = (t: number) => a! + b! * t + c! * t * t;
          const end = x.at(-1) as number;
          const exact = a! * end + (b! * end ** 2) / 2 + (c! * end ** 3) / 3;
          const scale = Math.abs(a!) * end + Math.abs(b!) * end ** 2 + Math.abs(c!) * end ** 3 + 1;
          expect(Math.abs(simpson(x, x.map(f)) - exact) / scale).toBeLessThan(1e-9);
        },
      ),
    );
  });
  test("straight lines: both rules agree", () =>
    expect(simpson([0, 100, 250], [10, 20, 35])).toBeCloseTo(trapezoid([0, 100, 250], [10, 20, 35]), 9));
  test("readings that cannot be", () => {
    const river = (stations: Station[]) =>
      faultsOf(piece({ kind: "river", stations, depthMm: 30 })).map((fault) => fault.at);
    expect(river([{ atMm: 0, farMm: 10, nearMm: 10 }])).toEqual(["shape.stations"]);
    expect(
      river([
        { atMm: 0, farMm: 10, nearMm: 10 },
        { atMm: 0, farMm: 10, nearMm: 10 },
      ]),
    ).toEqual(["shape.stations.1"]);
    expect(
      river([
        { atMm: 0, farMm: 10, nearMm: 10 },
        { atMm: 100, farMm: 10, nearMm: -10 },
        { atMm: 200, farMm: 10, nearMm: -30 },
      ]),
    ).toEqual(["shape.stations.1", "shape.stations.2"]);
  });
});

describe("free outlines", () => {
  const free = (points: Pair[]): Shape => ({ kind: "free", points, starts: points.map((_, index) => index) });
  test.each<[string, Pair[], string]>([
    [
      "crosses itself",
      [
        [0, 0],
        [400, 400],
        [400, 0],
        [0, 400],
      ],
      "crosses",
    ],
    [
      "has a corner twice",
      [
        [0, 0],
        [0, 0],
        [400, 0],
        [400, 400],
      ],
      "two corners in one place",
    ],
    [
      "is not closed",
      [
        [0, 0],
        [400, 0],
      ],
      "not closed",
    ],
    [
      "folds back on itself",
      [
        [0, 0],
        [400, 0],
        [200, 0],
        [200, 300],
      ],
      "crosses or touches",
    ],
    [
      "touches itself in a point",
      [
        [0, 0],
        [400, 0],
        [200, 200],
        [400, 400],
        [0, 400],
        [200, 200],
      ],
      "touches",
    ],
  ])("an outline that %s", (_, points, words) => {
    const faults = faultsOf(piece(free(points)));
    expect(faults[0]?.message).toContain(words);
    expect(faults[0]?.at).toBe("shape.points");
  });
  test("a neck narrower than a millimetre", () => {
    const points: Pair[] = [
      [0, 0],
      [200, 0],
      [200, 99.8],
      [210, 99.8],
      [210, 0],
      [400, 0],
      [400, 200],
      [300, 200],
      [210, 200],
      [210, 100.2],
      [200, 100.2],
      [200, 200],
      [100, 200],
      [0, 200],
    ];
    const faults = faultsOf(piece(free(points)));
    expect(faults[0]?.message).toContain("neck narrower than 1 mm");
    expect(faults[0]?.where?.y).toBeCloseTo(99.8, 0);
  });
  test("many corners close together, and the tip of a point, are no neck", () => {
    const many: Pair[] = Array.from({ length: 8000 }, (_, index) => {
      const turn = (index / 8000) * 2 * Math.PI;
      return [40 + 40 * Math.cos(turn), 40 + 40 * Math.sin(turn)];
    });
    expect(faultsOf(piece(free(many)))).toEqual([]);
    const point: Pair[] = [
      [0, 0],
      [300, 14],
      [0, 28],
    ];
    expect(faultsOf(piece(free(point)))).toEqual([]);
  });
  test("a cut-out that touches the edge, and one with a line that crosses itself", () => {
    const square = free([
      [0, 0],
      [400, 0],
      [400, 400],
      [0, 400],
    ]);
    const hole = (points: Pair[], fromLeftMm: number) => ({
      id: "c",
      name: "Hole",
      shape: { kind: "free" as const, points },
      fromLeftMm,
      fromFrontMm: 200,
      innerFace: null,
    });
    const box: Pair[] = [
      [-50, -50],
      [50, -50],
      [50, 50],
      [-50, 50],
    ];
    expect(faultsOf(piece(square, { cutOuts: [hole(box, 200)] }))).toEqual([]);
    expect(faultsOf(piece(square, { cutOuts: [hole(box, 50)] }))[0]?.message).toContain("over the edge");
    const bow: Pair[] = [
      [-50, -50],
      [50, 50],
      [50, -50],
      [-50, 50],
    ];
    expect(faultsOf(piece(square, { cutOuts: [hole(bow, 200)] }))[0]?.message).toContain("crosses");
  });
  test("edges are the stretches between their starts, wherever the first begins", () => {
    const points: Pair[] = [
      [0, 0],
      [400, 0],
      [400, 300],
      [0, 300],
    ];
    const two = measured(piece({ kind: "free", points, starts: [1, 3] }));
    expect(two.edges.map((edge) => [edge.name, edge.lengthMm])).toEqual([
      ["side-1", 700],
      ["side-2", 700],
    ]);
    expect(two.topAreaMm2).toBe(120000);
  });
  test("a floor is its room less what stands fixed; its edges are walls", () => {
    const one = measured(
      piece(
        {
          kind: "floor",
          points: [
            [0, 0],
            [4000, 0],
            [4000, 3000],
            [0, 3000],
          ],
          starts: [0, 1, 2, 3],
        },
        {
          cutOuts: [
            {
              id: "c",
              name: "Column",
              shape: { kind: "rectangle", lengthMm: 400, depthMm: 400 },
              fromLeftMm: 2000,
              fromFrontMm: 1500,
              innerFace: null,
            },
          ],
        },
      ),
    );
    expect(one.topAreaMm2).toBe(12e6 - 160000);
    expect([one.faceAreaMm2, one.lengthByTreatmentMm.wall]).toEqual([0, 14000]);
  });
  test("both sides count twice, faces once", () => {
    const shape: Shape = { kind: "rectangle", lengthMm: 500, depthMm: 400 };
    const [one, both] = [measured(piece(shape)), measured(piece(shape, { bothSides: true }))];
    expect([both.topAreaMm2, both.faceAreaMm2]).toEqual([2 * one.topAreaMm2, one.faceAreaMm2]);
  });
  test("voids: a box each, times their count", () => {
    const voids = [{ id: "v", name: "Knot", lengthMm: 40, widthMm: 30, depthMm: 20, count: 3 }];
    expect(measured(piece({ kind: "rectangle", lengthMm: 500, depthMm: 400 }, { voids })).voidMl).toBe(72);
  });
});

describe("where a piece is cut", () => {
  const hole = {
    id: "c",
    name: "Hole",
    shape: { kind: "rectangle" as const, lengthMm: 300, depthMm: 300 },
    fromLeftMm: 500,
    fromFrontMm: 300,
    innerFace: null,
  };
  test("a rectangle at its share; a hole moves the cut", () => {
    const shape: Shape = { kind: "rectangle", lengthMm: 2000, depthMm: 600 };
    expect(cutAtShare(piece(shape), 0.25).alongMm).toBeCloseTo(500, 1);
    // 1 110 000 mm² are left; half of it lies before x: 600·x − 90 000 = 555 000.
    expect(cutAtShare(piece(shape, { cutOuts: [hole] }), 0.5).alongMm).toBeCloseTo(645000 / 600, 1);
  });
  test("an L is cut square to its legs, from the end of the return", () => {
    const l: Shape = {
      kind: "l-run",
      lengthMm: 3000,
      depthMm: 600,
      returnLengthMm: 2000,
      returnDepthMm: 600,
      turn: "left",
    };
    expect(developedLengthMm(piece(l))).toBe(1400 + 3000);
    const early = cutAtShare(piece(l), 700 / 4400);
    expect(early.lines[0]?.map(({ y }) => Math.round(y))).toEqual([1300, 1300]);
    const late = cutAtShare(piece(l), (1400 + 1000) / 4400);
    expect(late.lines[0]?.map(({ x }) => Math.round(x))).toEqual([1000, 1000]);
    expect(lanesOf(piece({ ...l, turn: "right" })).map((lane) => lane.axis)).toEqual(["x", "y"]);
  });
  test("a round top is halved in the middle, and cut across where it is longer", () => {
    expect(cutAtShare(piece({ kind: "round", diameterMm: 800 }), 0.5).alongMm).toBeCloseTo(400, 1);
    const high: Shape = { kind: "oval", lengthMm: 600, depthMm: 900 };
    expect(cutAtShare(piece(high), 0.5).lines[0]?.[0]?.y).toBeCloseTo(450, 1);
  });
  test("a half plane takes from any simple ring what lies in it: the U between its legs", () => {
    const u = [
      [0, 0],
      [300, 0],
      [300, 200],
      [200, 200],
      [200, 50],
      [100, 50],
      [100, 200],
      [0, 200],
    ].map(([x, y]) => ({ x: x!, y: y! }));
    expect(areaBelowMm2(u, "y", 100)).toBeCloseTo(300 * 50 + 2 * 100 * 50, 9);
    expect(areaBelowMm2(u, "x", 150)).toBeCloseTo(100 * 200 + 50 * 50, 9);
    expect(areaBelowMm2(u, "x", 1000)).toBeCloseTo(ringAreaMm2(u), 9);
  });
});

describe("outlines that lie beside themselves all over", () => {
  /** Diagonal lines side by side, closed around: nothing crosses, and nearly every pair of sides has boxes that overlap. */
  const hatch = (corners: number, apartMm: number): Pair[] => {
    const wide = corners * apartMm;
    const lines = Array.from({ length: corners / 2 }, (_, at): Pair[] => {
      const [low, high]: Pair[] = [
        [at * apartMm * 2, 0],
        [at * apartMm * 2 + 90_000 - wide, 90_000],
      ];
      return at % 2 === 0 ? [low!, high!] : [high!, low!];
    }).flat();
    return [...lines, [95_000, 91_000], [-5, 91_000], [-5, -5]];
  };
  test("are told to be too dense instead of keeping everybody waiting", () => {
    const faults = faultsOf(piece({ kind: "free", points: hatch(6000, 3), starts: [0] }));
    expect(faults.map(({ message }) => message).join()).toMatch(/cannot be checked/);
  });
  test("what people draw is far from it: a coast of twenty thousand corners is measured", () => {
    const points = Array.from({ length: 20_000 }, (_, at): Pair => {
      const turn = (2 * Math.PI * at) / 20_000;
      const r = 2000 + 300 * Math.sin(37 * turn) + 20 * Math.sin(911 * turn);
      return [r * Math.cos(turn), r * Math.sin(turn)];
    });
    expect(faultsOf(piece({ kind: "free", points, starts: [0] }))).toEqual([]);
  });
});

describe("oval openings, and what is cut out as a piece of its own", () => {
  const opening = (shape: CutOutShape): CutOut => ({
    id: "c",
    name: "Basin",
    shape,
    fromLeftMm: 1000,
    fromFrontMm: 300,
    innerFace: null,
  });
  const top: Shape = { kind: "rectangle", lengthMm: 2000, depthMm: 600 };
  test("an oval takes π/4 of its box; turned a quarter it lies the other way", () => {
    const oval = opening({ kind: "oval", lengthMm: 500, depthMm: 360 });
    expect(cutOutAreaMm2(oval)).toBeCloseTo((Math.PI / 4) * 500 * 360, 6);
    expect(measured(piece(top, { cutOuts: [oval] })).topAreaMm2).toBeCloseTo(
      2000 * 600 - (Math.PI / 4) * 500 * 360,
      6,
    );
    // The perimeter of the ellipse of half axes 250 and 180: 1359.85 mm by its series.
    expect(cutOutPerimeterMm(oval)).toBeCloseTo(1359.85, 0);
    const [turned] = rotated(piece(top, { cutOuts: [oval] }), 90)!.cutOuts;
    expect(cutOutSize(turned!).widthMm).toBeCloseTo(360, 6);
    expect(
      faultsOf(piece(top, { cutOuts: [opening({ kind: "oval", lengthMm: 500, depthMm: 700 })] })),
    ).toHaveLength(1);
  });
  test("whatever is cut out covers, as a piece, what it leaves open", () => {
    const shapes: CutOutShape[] = [
      { kind: "round", diameterMm: 400 },
      { kind: "oval", lengthMm: 500, depthMm: 360 },
      { kind: "rectangle", lengthMm: 520, depthMm: 400 },
      { kind: "rectangle", lengthMm: 520, depthMm: 400, radiusMm: 60 },
      {
        kind: "free",
        points: [
          [-200, -100],
          [210, -100],
          [150, 120],
          [-180, 90],
        ],
      },
    ];
    for (const shape of shapes) {
      const board = measured(pieceOfCutOut(opening(shape), () => "n"));
      expect(board.topAreaMm2 / cutOutAreaMm2(opening(shape))).toBeCloseTo(1, 3);
    }
  });
});

describe("all sides in one entry", () => {
  const top = piece({ kind: "straight", lengthMm: 2000, depthMm: 600 });
  const names = ["back", "right", "front", "left"] as const;
  test("each edge is treated so; one without a height gets the usual face, others keep theirs", () => {
    const tall = withHeight(top, 50);
    expect(names.map((name) => edgeOf(tall, name).heightMm)).toEqual([0, 50, 50, 50]);
    const faced = withTreatment(tall, names, "face");
    expect(names.map((name) => edgeOf(faced, name).heightMm)).toEqual([38, 50, 50, 50]);
    expect(new Set(names.map((name) => edgeOf(faced, name).treatment))).toEqual(new Set(["face"]));
    expect(measured(faced).faceAreaMm2).toBeGreaterThan(measured(tall).faceAreaMm2);
  });
  test("a low face has no rounding larger than itself", () => {
    const low = withHeight(withTreatment(top, names, "face"), 2);
    expect(names.map((name) => edgeOf(low, name).roundingMm)).toEqual([2, 2, 2, 2]);
    expect(faultsOf(low)).toEqual([]);
  });
});
