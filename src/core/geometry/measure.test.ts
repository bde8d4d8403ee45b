import fc from "fast-check";
import { faultsOf } from "./faults";
import { developedFaceHeightMm, measurePiece } from "./measure";
import type { CutOut, Piece, Shape } from "./piece";

const piece = (shape: Shape, extra: Partial<Piece> = {}): Piece => ({
  id: "p",
  name: "Run",
  count: 1,
  shape,
  edges: {},
  cutOuts: [],
  ...extra,
});
const measured = (piece: Piece) => {
  const result = measurePiece(piece);
  if (!result.ok) throw new Error(JSON.stringify(result.faults));
  return result.measured;
};
const hole = (extra: Partial<CutOut> = {}): CutOut => ({
  id: "c",
  name: "Basin",
  shape: { kind: "round", diameterMm: 300 },
  fromLeftMm: 500,
  fromFrontMm: 300,
  innerFace: null,
  ...extra,
});

describe("closed forms", () => {
  test("a straight counter of 96 × 25 1/2 in has 17 ft² of top (arithmetic)", () => {
    const run = measured(piece({ kind: "straight", lengthMm: 96 * 25.4, depthMm: 25.5 * 25.4 }));
    expect(run.topAreaMm2 / 304.8 ** 2).toBeCloseTo(17, 9);
    expect(run.lengthByTreatmentMm.wall).toBeCloseTo(96 * 25.4, 9);
    expect(run.lengthByTreatmentMm.face).toBeCloseTo((96 + 2 * 25.5) * 25.4, 9);
  });

  test("an L is its two legs less the corner counted twice", () => {
    const l = measured(
      piece({
        kind: "l-run",
        lengthMm: 3000,
        depthMm: 650,
        returnLengthMm: 2000,
        returnDepthMm: 600,
        turn: "left",
      }),
    );
    expect(l.topAreaMm2).toBeCloseTo(3000 * 650 + 2000 * 600 - 650 * 600, 6);
    expect(l.perimeterMm).toBeCloseTo(2 * (3000 + 2000), 6);
  });

  test("a U is its run and what the returns stand out of it", () => {
    const u = measured(
      piece({
        kind: "u-run",
        lengthMm: 3000,
        depthMm: 600,
        leftLengthMm: 1600,
        leftDepthMm: 500,
        rightLengthMm: 2000,
        rightDepthMm: 650,
      }),
    );
    expect(u.topAreaMm2).toBeCloseTo(3000 * 600 + 1000 * 500 + 1400 * 650, 6);
    expect(u.perimeterMm).toBeCloseTo(2 * 3000 + 2 * 1600 + 2 * 2000 - 2 * 600, 6);
    // Three walls; the inner sides and the ends are faces.
    expect(u.lengthByTreatmentMm.wall).toBeCloseTo(3000 + 1600 + 2000, 6);
  });

  test("ovals, racetracks and polygons have one rim", () => {
    const shapes: Shape[] = [
      { kind: "oval", lengthMm: 1800, depthMm: 1000 },
      { kind: "racetrack", lengthMm: 2000, depthMm: 900 },
      { kind: "polygon", sides: 6, sideMm: 300 },
    ];
    for (const shape of shapes) {
      const one = measured(piece(shape));
      expect(one.edges.map((edge) => edge.name)).toEqual(["rim"]);
      expect(one.edges[0]?.lengthMm).toBeCloseTo(one.perimeterMm, 9);
      expect(one.topAreaMm2).toBeLessThan(one.outline.widthMm * one.outline.heightMm);
    }
  });

  test("a round top: π r² and 2 π r", () => {
    const round = measured(
      piece(
        { kind: "round", diameterMm: 800 },
        { edges: { rim: { treatment: "face", heightMm: 25, roundingMm: 0 } } },
      ),
    );
    expect(round.topAreaMm2).toBeCloseTo(Math.PI * 400 ** 2, 6);
    expect(round.faceAreaMm2).toBeCloseTo(2 * Math.PI * 400 * 25, 6);
  });

  test("a cut-out takes its area and gives its inner face", () => {
    const shape: Shape = { kind: "rectangle", lengthMm: 1200, depthMm: 600 };
    const plain = measured(piece(shape));
    const cut = measured(piece(shape, { cutOuts: [hole({ innerFace: { heightMm: 30, roundingMm: 0 } })] }));
    expect(plain.topAreaMm2 - cut.topAreaMm2).toBeCloseTo(Math.PI * 150 ** 2, 6);
    expect(cut.faceAreaMm2 - plain.faceAreaMm2).toBeCloseTo(Math.PI * 300 * 30, 6);
  });

  test("a rounded edge is shorter by (2 − π/2)·r", () => {
    expect(developedFaceHeightMm(38, 0)).toBe(38);
    // Walk over the edge: face below the arc, the arc, less the part of the top it takes.
    expect(developedFaceHeightMm(38, 6)).toBeCloseTo(38 - 6 + (Math.PI / 2) * 6 - 6, 12);
  });
});

describe("what cannot be is named at its field", () => {
  test("a return shorter than the leg is deep", () => {
    const faults = faultsOf(
      piece({
        kind: "l-run",
        lengthMm: 3000,
        depthMm: 650,
        returnLengthMm: 600,
        returnDepthMm: 600,
        turn: "left",
      }),
    );
    expect(faults.map((fault) => fault.at)).toEqual(["shape.returnLengthMm"]);
  });
  test.each<[string, CutOut]>([
    ["over the front", hole({ fromFrontMm: 100 })],
    ["outside", hole({ fromLeftMm: 5000 })],
    ["touching the edge", hole({ fromFrontMm: 150 })],
    [
      "a rectangle over the corner",
      hole({ shape: { kind: "rectangle", lengthMm: 400, depthMm: 300 }, fromLeftMm: 150 }),
    ],
  ])("cut-out %s", (_, cutOut) => {
    const faults = faultsOf(
      piece({ kind: "rectangle", lengthMm: 1200, depthMm: 600 }, { cutOuts: [cutOut] }),
    );
    expect(faults).toHaveLength(1);
    expect(faults[0]?.at).toBe("cutOuts.c");
  });
  test("returns of a U that leave nothing between them, or are no longer than the run is deep", () => {
    const u = {
      kind: "u-run",
      lengthMm: 1200,
      depthMm: 600,
      leftLengthMm: 500,
      leftDepthMm: 600,
      rightLengthMm: 1600,
      rightDepthMm: 650,
    } as const;
    expect(faultsOf(piece(u)).map((fault) => fault.at)).toEqual(["shape.leftLengthMm", "shape.rightDepthMm"]);
  });
  test.each([2, 3.5, 25])("a polygon of %d sides", (sides) => {
    expect(faultsOf(piece({ kind: "polygon", sides, sideMm: 300 })).map((fault) => fault.at)).toEqual([
      "shape.sides",
    ]);
  });
  test("a cut-out in the corner of an oval's bounding box lies outside it", () => {
    const oval: Shape = { kind: "oval", lengthMm: 1200, depthMm: 600 };
    const corner = hole({ shape: { kind: "round", diameterMm: 80 }, fromLeftMm: 60, fromFrontMm: 60 });
    expect(faultsOf(piece(oval, { cutOuts: [corner] }))).toHaveLength(1);
    expect(faultsOf(piece(oval, { cutOuts: [{ ...corner, fromLeftMm: 600, fromFrontMm: 300 }] }))).toEqual(
      [],
    );
  });
  test("a rectangular cut-out that swallows the inner corner of an L", () => {
    const l: Shape = {
      kind: "l-run",
      lengthMm: 3000,
      depthMm: 650,
      returnLengthMm: 2000,
      returnDepthMm: 600,
      turn: "left",
    };
    const over = hole({
      shape: { kind: "rectangle", lengthMm: 300, depthMm: 300 },
      fromLeftMm: 600,
      fromFrontMm: 2000 - 650,
    });
    expect(faultsOf(piece(l, { cutOuts: [over] }))).toHaveLength(1);
  });
  test.each<[string, CutOut]>([
    ["two rounds", hole({ id: "d", name: "Tap", fromLeftMm: 700 })],
    [
      "a round and a rectangle",
      hole({
        id: "d",
        name: "Tap",
        shape: { kind: "rectangle", lengthMm: 120, depthMm: 120 },
        fromLeftMm: 700,
      }),
    ],
  ])("%s that overlap", (_, second) => {
    const faults = faultsOf(
      piece({ kind: "rectangle", lengthMm: 1200, depthMm: 600 }, { cutOuts: [hole(), second] }),
    );
    expect(faults[0]?.message).toContain("overlap");
  });
  test("a face without height, and rounding above the height", () => {
    const faults = faultsOf(
      piece(
        { kind: "rectangle", lengthMm: 1200, depthMm: 600 },
        {
          edges: {
            front: { treatment: "face", heightMm: 0, roundingMm: 0 },
            left: { treatment: "face", heightMm: 4, roundingMm: 6 },
          },
        },
      ),
    );
    expect(faults.map((fault) => fault.at).sort()).toEqual(["edges.front.heightMm", "edges.left.roundingMm"]);
  });
});

const size = fc.double({ min: 50, max: 6000, noNaN: true });

describe("properties", () => {
  test("scaling by k multiplies areas by k² and lengths by k", () => {
    fc.assert(
      fc.property(size, size, fc.double({ min: 0.2, max: 5, noNaN: true }), (lengthMm, depthMm, k) => {
        const bare = { front: { treatment: "face", heightMm: 40, roundingMm: 0 } } as const;
        const scaledEdge = { front: { treatment: "face", heightMm: 40 * k, roundingMm: 0 } } as const;
        const one = measured(piece({ kind: "straight", lengthMm, depthMm }, { edges: bare }));
        const many = measured(
          piece({ kind: "straight", lengthMm: lengthMm * k, depthMm: depthMm * k }, { edges: scaledEdge }),
        );
        expect(many.topAreaMm2 / one.topAreaMm2).toBeCloseTo(k * k, 6);
        expect(many.perimeterMm / one.perimeterMm).toBeCloseTo(k, 6);
      }),
    );
  });
  test("an L mirrored has the same area, edges and perimeter", () => {
    fc.assert(
      fc.property(size, size, (a, b) => {
        const shape = {
          kind: "l-run",
          lengthMm: a + b,
          depthMm: a / 2,
          returnLengthMm: a + b / 2,
          returnDepthMm: b / 2,
        } as const;
        const left = measured(piece({ ...shape, turn: "left" }));
        const right = measured(piece({ ...shape, turn: "right" }));
        expect(right.topAreaMm2).toBeCloseTo(left.topAreaMm2, 3);
        expect(right.edges.map((edge) => [edge.name, Math.round(edge.lengthMm * 1e6)])).toEqual(
          left.edges.map((edge) => [edge.name, Math.round(edge.lengthMm * 1e6)]),
        );
      }),
    );
  });
});
