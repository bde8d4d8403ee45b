import type { Pair } from "../geometry/curves";
import fc from "fast-check";
import makerjs from "makerjs";
import { PolyTree64, Clipper, FillRule, type Path64 } from "clipper2-ts";
import { measurePiece } from "../geometry/measure";
import { outlineOf } from "../geometry/outline";
import type { CutOut, Piece, Shape } from "../geometry/piece";
import { joined, takeOutline, type DrawnPath, type ReadDrawing } from "./drawing";
import { flattenArc, flattenCubic, flattenSpline } from "./flatten";
import { importedPiece } from "./imported-piece";
import { readDxf } from "./read-dxf";
import { readSvg } from "./read-svg";
import { pieceDxf } from "./write-dxf";
import { pieceSvg } from "./write-svg";

let made = 0;
const newId = () => `id-${(made += 1)}`;
const read = (drawing: ReadDrawing) => {
  if (!drawing.ok) throw new Error(drawing.reason);
  return drawing;
};
const pieceFrom = (drawing: ReadDrawing, mmPerUnit?: number): Piece => {
  const { paths, mmPerUnit: own } = read(drawing);
  const taken = takeOutline(paths, mmPerUnit ?? own ?? 1);
  if (!taken.ok) throw new Error(taken.reason);
  const imported = importedPiece(taken, "From a file", newId);
  if (!imported.ok) throw new Error(imported.why);
  return imported.piece;
};
const areaOf = (piece: Piece) => {
  const result = measurePiece(piece);
  if (!result.ok) throw new Error(JSON.stringify(result.faults));
  return result.measured.topAreaMm2;
};
const piece = (shape: Shape, cutOuts: CutOut[] = []): Piece => ({
  id: "p",
  name: 'Piece <1> & "2"',
  count: 1,
  shape,
  edges: {},
  cutOuts,
});

describe("files made by another library (makerjs)", () => {
  /** A plate of 400 × 300 with corners of 40, a round hole of 50 radius and a rectangular one of 80 × 60. */
  const plate: makerjs.IModel = {
    models: {
      outer: new makerjs.models.RoundRectangle(400, 300, 40),
      slot: { ...new makerjs.models.Rectangle(80, 60), origin: [260, 120] },
    },
    paths: { hole: new makerjs.paths.Circle([120, 150], 50) },
    units: makerjs.unitType.Millimeter,
  };
  const exact = 400 * 300 - (4 - Math.PI) * 40 ** 2 - Math.PI * 50 ** 2 - 80 * 60;
  test("DXF of loose lines and arcs: joined, holes kept, area within the tolerance", () => {
    const text = makerjs.exporter.toDXF(plate, { units: makerjs.unitType.Millimeter });
    const drawing = read(readDxf(text, 0.05));
    expect(drawing.mmPerUnit).toBe(1);
    const piece = pieceFrom(drawing);
    expect(piece.cutOuts.map((cutOut) => cutOut.shape.kind).sort()).toEqual(["free", "round"]);
    expect(Math.abs(areaOf(piece) - exact)).toBeLessThan(0.05 * 2 * Math.PI * 40);
    expect(outlineOf(piece)).toMatchObject({
      widthMm: expect.closeTo(400, 6),
      heightMm: expect.closeTo(300, 6),
    });
    // The round hole lies at the left, in the middle of the height.
    const round = piece.cutOuts.find((cutOut) => cutOut.shape.kind === "round");
    expect([round?.fromLeftMm, round?.fromFrontMm]).toEqual([120, 150]);
  });
  test("DXF in inches says so", () => {
    const inches = makerjs.model.convertUnits(makerjs.cloneObject(plate), makerjs.unitType.Inch);
    const text = makerjs.exporter.toDXF(inches, { units: makerjs.unitType.Inch });
    expect(read(readDxf(text, 0.05)).mmPerUnit).toBe(25.4);
    expect(areaOf(pieceFrom(readDxf(text, 0.05))) / exact).toBeCloseTo(1, 3);
  });
  test("SVG in millimetres", () => {
    const text = makerjs.exporter.toSVG(plate, { units: makerjs.unitType.Millimeter, accuracy: 1e-6 });
    const piece = pieceFrom(readSvg(text, 0.02));
    expect(piece.cutOuts).toHaveLength(2);
    expect(areaOf(piece) / exact).toBeCloseTo(1, 3);
  });
  test("an area with holes as clipper2 has it", () => {
    const text = makerjs.exporter.toDXF(plate, { units: makerjs.unitType.Millimeter });
    const piece = pieceFrom(readDxf(text, 0.05));
    const { paths } = read(readDxf(text, 0.05));
    const rings: Path64[] = paths.map((path) =>
      path.points.map(([x, y]) => ({ x: Math.round(x * 1000), y: Math.round(y * 1000) })),
    );
    const united = Clipper.union(rings, FillRule.EvenOdd);
    expect(united).not.toBeInstanceOf(PolyTree64);
    const area = Math.abs(united.reduce((sum, path) => sum + Clipper.area(path), 0)) / 1e6;
    // Its round hole is a polygon, ours a circle kept as one.
    expect(Math.abs(area - areaOf(piece))).toBeLessThan(0.05 * 2 * Math.PI * 50);
  });
});

describe("what is written is read back", () => {
  const round: CutOut = {
    id: "a",
    name: "Tap",
    shape: { kind: "round", diameterMm: 35 },
    fromLeftMm: 300,
    fromFrontMm: 200,
    innerFace: null,
  };
  const basin: CutOut = {
    id: "b",
    name: "Basin",
    shape: { kind: "rectangle", lengthMm: 400, depthMm: 300, radiusMm: 60 },
    fromLeftMm: 800,
    fromFrontMm: 300,
    innerFace: null,
  };
  test.each<[string, Shape]>([
    ["rectangle", { kind: "rectangle", lengthMm: 1200, depthMm: 600, cornerRadiiMm: [0, 50, 100, 20] }],
    [
      "L run",
      {
        kind: "l-run",
        lengthMm: 2400,
        depthMm: 600,
        returnLengthMm: 1500,
        returnDepthMm: 500,
        turn: "right",
        joint: "mitre",
      },
    ],
    ["oval", { kind: "oval", lengthMm: 1600, depthMm: 900 }],
    [
      "free outline",
      {
        kind: "free",
        points: [
          [0, 0],
          [1500, 100],
          [1400, 800],
          [20, 700],
        ],
        starts: [0, 1, 2, 3],
      },
    ],
  ])("a %s with holes, as SVG and as DXF", (_, shape) => {
    const shown = piece(shape, [
      {
        ...round,
        fromLeftMm: outlineOf(piece(shape)).widthMm - 300,
        fromFrontMm: outlineOf(piece(shape)).heightMm - 300,
      },
      ...(shape.kind === "rectangle" ? [{ ...basin, fromLeftMm: 500 }] : []),
    ]);
    for (const back of [
      pieceFrom(readSvg(pieceSvg(shown, null), 0.05)),
      pieceFrom(readDxf(pieceDxf(shown), 0.05)),
    ]) {
      expect(Math.abs(areaOf(back) / areaOf(shown) - 1)).toBeLessThan(2e-4);
      expect(back.cutOuts).toHaveLength(shown.cutOuts.length);
      expect(outlineOf(back).widthMm).toBeCloseTo(outlineOf(shown).widthMm, 1);
    }
  });
  test("a dimensioned SVG names sizes and escapes what a person called the piece", () => {
    const text = pieceSvg(piece({ kind: "rectangle", lengthMm: 1200, depthMm: 600 }, [round]), "metric");
    expect(text).toContain("1\u2009200 mm");
    expect(text).toContain("Piece &#60;1&#62; &#38; &#34;2&#34;");
    expect(read(readSvg(text, 0.1)).leftOut).toEqual(["writing"]);
  });
});

describe("SVG", () => {
  const svg = (content: string, attributes = 'width="200mm" height="100mm" viewBox="0 0 200 100"') =>
    `<svg xmlns="http://www.w3.org/2000/svg" ${attributes}>${content}</svg>`;
  test.each([
    ['width="200mm" viewBox="0 0 400 200"', 0.5],
    ['width="10in" viewBox="0 0 254 100"', 1],
    ['width="20cm"', 10],
    ['width="72pt" viewBox="0 0 72 72"', 25.4 / 72],
    ['width="200px" viewBox="0 0 200 100"', null],
    ['width="200"', null],
    ['width="100%" viewBox="0 0 200 100"', null],
  ])("%s is %s mm to the unit", (attributes, mm) => {
    const found = read(readSvg(svg('<rect width="10" height="10"/>', attributes), 0.1)).mmPerUnit;
    if (mm === null) expect(found).toBeNull();
    else expect(found).toBeCloseTo(mm, 9);
  });
  test("transforms of nested groups are applied, hidden things and definitions are not drawn", () => {
    const text = svg(
      `<defs><rect width="5" height="5"/></defs><g id="Top" transform="translate(10 20)"><g transform="scale(2)"><rect width="30" height="20" transform="rotate(90)"/></g></g><rect style="display:none" width="9" height="9"/>`,
    );
    const { paths } = read(readSvg(text, 0.1));
    expect(paths).toHaveLength(1);
    expect(paths[0]?.layer).toBe("Top");
    expect(areaOf(pieceFrom(readSvg(text, 0.1)))).toBeCloseTo(60 * 40, 6);
  });
  test("every kind of element, by closed form", () => {
    const area = (content: string) => areaOf(pieceFrom(readSvg(svg(content), 0.001)));
    expect(area('<circle cx="50" cy="50" r="40"/>') / (Math.PI * 1600)).toBeCloseTo(1, 4);
    expect(area('<ellipse cx="50" cy="50" rx="40" ry="20"/>') / (Math.PI * 800)).toBeCloseTo(1, 4);
    expect(area('<rect width="90" height="60" rx="10"/>')).toBeCloseTo(5400 - (4 - Math.PI) * 100, 1);
    expect(area('<polygon points="0,0 60,0 60,80"/>')).toBeCloseTo(2400, 9);
    expect(area('<path d="M0 0h50v40H0z"/>')).toBeCloseTo(2000, 9);
    // A parabola's segment: two thirds of chord times height (Archimedes); the quadratic's height is half of its control's.
    expect(area('<path d="M0 0Q50 60 100 0z"/>')).toBeCloseTo((2 / 3) * 100 * 30, 1);
  });
  test.each<[string, string, RegExp]>([
    ["a script", svg("<script>alert(1)</script>"), /script/],
    ["an event", svg('<rect width="9" height="9" onclick="x()"/>'), /script/],
    ["a page inside", svg("<foreignObject><p/></foreignObject>"), /web page/],
    [
      "entities",
      `<!DOCTYPE svg [<!ENTITY a "b"><!ENTITY c "&a;&a;">]>${svg("<title>&c;</title>")}`,
      /entities/,
    ],
    ["an outer document", `<!DOCTYPE svg [<!ENTITY a SYSTEM "file:///etc/passwd">]>${svg("")}`, /entities/],
    ["tags that do not fit", svg("<g>"), /damaged/],
    ["a bad path", svg('<path d="M0 0 L 10 x z"/>'), /damaged/],
    ["a page", "<html><body/></html>", /no SVG/],
    ["nothing", "", /no SVG|damaged/],
    ["writing only", svg("<text>hello</text>"), /no line/],
    ["bytes", `${"\u0000\u0001\u0002".repeat(2000)}`, /packed, binary or encrypted/],
    ["deep nesting", svg("<g>".repeat(5000) + "</g>".repeat(5000)), /nested/],
    ["a hundred thousand elements", svg('<rect width="1" height="1"/>'.repeat(100_000)), /more than/],
    ["a huge file", svg(`<path d="${"M0 0L1 1".repeat(1_100_000)}"/>`), /million characters/],
    ["coordinates beyond number", svg('<path d="M0 0L1e999 5L3 3z"/>'), /damaged/],
  ])("%s is refused with a reason", (_, text, reason) => {
    const drawing = readSvg(text, 0.1);
    expect(drawing.ok ? "" : drawing.reason).toMatch(reason);
  });
});

describe("DXF", () => {
  const dxf = (entities: string, header = "") =>
    `0\nSECTION\n2\nHEADER\n${header}0\nENDSEC\n0\nSECTION\n2\nENTITIES\n${entities}0\nENDSEC\n0\nEOF\n`;
  const line = (x1: number, y1: number, x2: number, y2: number, layer = "0") =>
    `0\nLINE\n8\n${layer}\n10\n${x1}\n20\n${y1}\n11\n${x2}\n21\n${y2}\n`;
  const box = (x: number, y: number, w: number, h: number, layer = "0") =>
    line(x, y, x + w, y, layer) +
    line(x + w, y + h, x + w, y, layer) +
    line(x, y + h, x + w, y + h, layer) +
    line(x, y, x, y + h, layer);
  test("loose lines in any order and direction become one outline; y is turned over", () => {
    const piece = pieceFrom(
      readDxf(dxf(box(100, 100, 300, 200) + `0\nCIRCLE\n8\n0\n10\n150\n20\n280\n40\n10\n`), 0.1),
    );
    expect(areaOf(piece)).toBeCloseTo(60000 - Math.PI * 100, 1);
    // Near the top of the drawing, so far from the front.
    expect(piece.cutOuts[0]).toMatchObject({ fromLeftMm: 50, fromFrontMm: 180 });
  });
  test("without $INSUNITS the unit must be asked", () => {
    expect(read(readDxf(dxf(box(0, 0, 10, 10)), 0.1)).mmPerUnit).toBeNull();
    expect(read(readDxf(dxf(box(0, 0, 10, 10), "9\n$INSUNITS\n70\n1\n"), 0.1)).mmPerUnit).toBe(25.4);
  });
  test("a polyline of two half circles by bulge 1 is a circle", () => {
    const text = dxf("0\nLWPOLYLINE\n8\n0\n90\n2\n70\n1\n10\n0\n20\n0\n42\n1\n10\n100\n20\n0\n42\n1\n");
    expect(areaOf(pieceFrom(readDxf(text, 0.001))) / (Math.PI * 2500)).toBeCloseTo(1, 4);
  });
  test("an arc and its chord", () => {
    const text = dxf(`0\nARC\n8\n0\n10\n0\n20\n0\n40\n50\n50\n0\n51\n180\n${line(-50, 0, 50, 0)}`);
    expect(areaOf(pieceFrom(readDxf(text, 0.001))) / ((Math.PI * 2500) / 2)).toBeCloseTo(1, 4);
  });
  test("layers are told apart", () => {
    const { paths } = read(readDxf(dxf(box(0, 0, 100, 100, "TOP") + box(20, 20, 10, 10, "NOTES")), 0.1));
    expect(paths.map((path) => path.layer).sort()).toEqual(["NOTES", "TOP"]);
    expect(paths.every((path) => path.closed)).toBe(true);
  });
  test.each<[string, string, RegExp]>([
    ["binary", "AutoCAD Binary DXF\r\n\u001a\u0000", /binary/],
    ["some other text", "hello\nworld\n".repeat(50), /no DXF/],
    ["a cut-off file", "0\nSECTION\n2\nENTITIES\n0\nLINE\n8\n0\n10\n", /damaged/],
    ["bytes", "\u0000\u0002\u0003\u0004".repeat(4000), /packed, binary or encrypted/],
    ["no line", dxf(""), /no line/],
    ["too many entities", dxf(line(0, 0, 1, 1).repeat(70_000)), /more than/],
    [
      "blocks within blocks without end",
      `0\nSECTION\n2\nBLOCKS\n0\nBLOCK\n8\n0\n2\nA\n70\n0\n10\n0\n20\n0\n0\nINSERT\n8\n0\n2\nA\n10\n1\n20\n1\n0\nENDBLK\n0\nENDSEC\n0\nSECTION\n2\nENTITIES\n0\nINSERT\n8\n0\n2\nA\n10\n0\n20\n0\n0\nENDSEC\n0\nEOF\n`,
      /blocks within blocks/,
    ],
  ])("%s is refused with a reason, soon", (_, text, reason) => {
    const start = performance.now();
    const drawing = readDxf(text, 0.1);
    expect(drawing.ok ? "" : drawing.reason).toMatch(reason);
    expect(performance.now() - start).toBeLessThan(2000);
  });
});

describe("curves are flattened within their tolerance", () => {
  test("an arc: no chord leaves it by more", () =>
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 2000, noNaN: true }),
        fc.double({ min: 0.01, max: 2, noNaN: true }),
        (radius, tolerance) => {
          const points = flattenArc([0, 0], [radius, radius], 0, 0, 2 * Math.PI, tolerance);
          const [a, b] = [points[0]!, points[1]!];
          const sag = radius - Math.hypot((a[0] + b[0]) / 2, (a[1] + b[1]) / 2);
          expect(sag).toBeLessThanOrEqual(Math.max(tolerance, radius * 1e-6) * (1 + 1e-6));
        },
      ),
    ));
  test("a cubic, sampled finely, is never farther from its chords than the tolerance", () => {
    const place = fc.tuple(
      fc.double({ min: -500, max: 500, noNaN: true }),
      fc.double({ min: -500, max: 500, noNaN: true }),
    );
    fc.assert(
      fc.property(place, place, place, place, (a, b, c, d) => {
        const flat = [a, ...flattenCubic(a, b, c, d, 0.5)];
        for (let step = 0; step <= 60; step += 1) {
          const t = step / 60;
          const at = [0, 1].map(
            (axis) =>
              (1 - t) ** 3 * a[axis]! +
              3 * t * (1 - t) ** 2 * b[axis]! +
              3 * t * t * (1 - t) * c[axis]! +
              t ** 3 * d[axis]!,
          ) as Pair;
          const nearest = Math.min(
            ...flat.slice(1).map((to, index) => {
              const from = flat[index]!;
              const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
              const along = Math.max(
                0,
                Math.min(1, ((at[0] - from[0]) * dx + (at[1] - from[1]) * dy) / (dx * dx + dy * dy || 1)),
              );
              return Math.hypot(at[0] - from[0] - along * dx, at[1] - from[1] - along * dy);
            }),
          );
          expect(nearest).toBeLessThanOrEqual(0.5 + 1e-9);
        }
      }),
    );
  });
  test("a clamped cubic B-spline of four points is its Bézier curve", () => {
    const points: Pair[] = [
      [0, 0],
      [30, 80],
      [90, 80],
      [120, 0],
    ];
    const flat = flattenSpline(3, [0, 0, 0, 0, 1, 1, 1, 1], points, [], 0.01);
    // Its middle: (P0 + 3 P1 + 3 P2 + P3) / 8.
    expect(flat.some(([x, y]) => Math.abs(x - 60) < 1e-9 && Math.abs(y - 60) < 1e-9)).toBe(true);
    expect(flat[0]).toEqual([0, 0]);
    expect(flat.at(-1)?.[0]).toBeCloseTo(120, 6);
  });
});

describe("loose lines", () => {
  test("cut into pieces, shuffled and turned round, an outline is found again", () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 3, max: 40 }),
        fc.infiniteStream(fc.boolean()),
        fc.integer(),
        (count, turns, seed) => {
          const corner = (index: number): Pair => {
            const turn = (2 * Math.PI * (index % count)) / count;
            return [500 * Math.cos(turn), 300 * Math.sin(turn)];
          };
          const lines = Array.from({ length: count }, (_, index): DrawnPath => {
            const points: Pair[] = [corner(index), corner(index + 1)];
            return { layer: "0", closed: false, points: turns.next().value ? points.reverse() : points };
          }).sort((a, b) => ((a.points[0]![0] * (seed % 97)) % 7) - ((b.points[0]![0] * (seed % 97)) % 7));
          const found = joined(lines, 0.01);
          expect(found).toHaveLength(1);
          expect(found[0]).toMatchObject({ closed: true });
          expect(found[0]?.points).toHaveLength(count);
        },
      ),
    ));
  test("holes inside holes, and lines outside, are left out and counted", () => {
    const square = (x: number, size: number): DrawnPath => ({
      layer: "0",
      closed: true,
      points: [
        [x, x],
        [x + size, x],
        [x + size, x + size],
        [x, x + size],
      ],
    });
    const taken = takeOutline([square(0, 500), square(100, 200), square(150, 50), square(900, 40)], 1);
    expect(taken).toMatchObject({ ok: true, left: 2 });
    expect(taken.ok && taken.holes).toHaveLength(1);
  });
  test("nothing closed: said, not guessed", () =>
    expect(
      takeOutline(
        [
          {
            layer: "0",
            closed: false,
            points: [
              [0, 0],
              [9, 9],
            ],
          },
        ],
        1,
      ),
    ).toMatchObject({ ok: false }));
});

describe("polylines as other programs write them", () => {
  const polyline = (promised: number, extra: string) =>
    `0\nSECTION\n2\nHEADER\n9\n$INSUNITS\n70\n4\n0\nENDSEC\n0\nSECTION\n2\nENTITIES\n0\nLWPOLYLINE\n8\n0\n90\n${promised}\n70\n1\n${[
      [0, 0],
      [600, 0],
      [600, 400],
      [0, 400],
    ]
      .map(([x, y]) => `10\n${x}\n20\n${y}\n${extra}`)
      .join("")}0\nENDSEC\n0\nEOF\n`;
  test.each([
    ["with a number at each corner (group 91)", 4, "91\n0\n"],
    ["that promise two thousand million corners", 2_000_000_000, ""],
    ["that promise fewer corners than they have", 2, ""],
  ])("%s", (_, promised, extra) => {
    expect(areaOf(pieceFrom(readDxf(polyline(promised, extra), 0.1)))).toBeCloseTo(240_000, 6);
  });

  test("a unit that makes of it more than is coated is told before it is taken, not when it is saved", () => {
    const taken = takeOutline(read(readDxf(polyline(4, ""), 0.1)).paths, 1000);
    expect(taken.ok && importedPiece(taken, "In metres", newId)).toEqual({ ok: false, why: "size" });
  });
});
