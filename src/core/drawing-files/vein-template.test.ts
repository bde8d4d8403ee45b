import { newPiece } from "../geometry/new-piece";
import DxfParser from "dxf-parser";
import { measurePiece, type Measured } from "../geometry/measure";
import { aroundOf, standing } from "../veins/standing";
import { tapeList } from "../veins/tape";
import type { VeinMap } from "../veins/vein-map";
import { USUAL_MANNER } from "../pattern/passes/vein";
import { OVERLAP_MM, templateSheets } from "./template";
import { templateDxf } from "./template-dxf";
import { templateSvg } from "./template-svg";
import { veinTemplate } from "./vein-template";

let counter = 0;
const newId = () => `id-${++counter}`;
const found = measurePiece(newPiece("straight", "Counter", newId));
if (!found.ok) throw new Error("a counter that cannot be measured");
const piece: Measured = found.measured;
const map: VeinMap = {
  places: {},
  sets: [
    {
      id: "set",
      name: "Graphite",
      coatId: "coat",
      colourId: "colour",
      angleDeg: 20,
      metresPerM2: 3,
      thickMm: 7,
      manner: USUAL_MANNER,
      seed: 2,
      veins: [
        {
          id: "v",
          seed: 8,
          thickMm: 7,
          points: [
            [-100, 120],
            [600, 240],
            [1400, 420],
            [2700, 700],
          ],
        },
      ],
    },
  ],
};
const veins = tapeList(map, piece, { xMm: 0, yMm: 0, turnDeg: 0 });
const [first] = veins[0]!.stretches;

test("the DXF read back has each vein to 0.5 mm where the tape says it enters and leaves", () => {
  const drawing = new DxfParser().parseSync(templateDxf(veinTemplate(piece, veins)))!;
  expect(drawing.header["$INSUNITS"]).toBe(4);
  const lines = drawing.entities as unknown as { layer: string; vertices: { x: number; y: number }[] }[];
  const ends = lines
    .filter(({ layer }) => layer === "VEIN-1")
    .map(({ vertices }) => [vertices[0]!, vertices.at(-1)!]);
  expect(ends.length).toBe(veins[0]!.stretches.length);
  const { heightMm } = piece.outline;
  const near = (x: number, y: number) =>
    Math.min(...ends.flat().map((end) => Math.hypot(end.x - x, end.y - (heightMm - y))));
  for (const end of [first!.enters, first!.leaves])
    if (end) expect(near(end.point.x, end.point.y)).toBeLessThan(0.5);
  const outline = lines.find(({ layer }) => layer === "OUTLINE")!;
  expect(Math.max(...outline.vertices.map(({ x }) => x))).toBeCloseTo(piece.outline.widthMm, 3);
});

test("the SVG says its size in millimetres, one unit each, and has the veins in it", () => {
  const svg = templateSvg(piece.name, veinTemplate(piece, veins));
  const [, wide, x, box] = /width="([\d.]+)mm".*viewBox="(-?[\d.]+) -?[\d.]+ ([\d.]+)/.exec(svg)!;
  expect(Number(wide)).toBe(Number(box));
  expect(Number(x)).toBeLessThan(0);
  expect(svg.match(/data-vein="1"/g)!.length).toBe(2 * veins[0]!.stretches.length);
});

test("sheets cover the piece with their overlap, and empty ones are left out", () => {
  const { lines } = veinTemplate(piece, veins);
  const paper = { wideMm: 277, highMm: 184 };
  const { sheets, columns, rows } = templateSheets(lines, paper);
  expect(columns).toBe(Math.ceil((piece.outline.widthMm + 2 * 36.7 - OVERLAP_MM) / (277 - OVERLAP_MM)));
  expect(sheets.length).toBeLessThanOrEqual(columns * rows);
  expect(sheets.length).toBeGreaterThan(columns);
  for (const { points } of lines)
    for (const { x, y } of points.filter((_, n) => n % 5 === 0))
      expect(
        sheets.some(
          ({ fromX, fromY, wideMm, highMm }) =>
            x >= fromX - 1e-6 &&
            x <= fromX + wideMm + 1e-6 &&
            y >= fromY - 1e-6 &&
            y <= fromY + highMm + 1e-6,
        ),
      ).toBe(true);
});

test("a tumbler's template is its wall unrolled: what leaves over one straight side comes in over the other, at the same place", () => {
  const cup = newPiece("tumbler", "Cup", newId);
  cup.shape = {
    kind: "tumbler",
    topDiameterMm: 90,
    bottomDiameterMm: 60,
    heightMm: 160,
    base: true,
    rimBandMm: 10,
    patch: { widthMm: 50, heightMm: 60, fromBottomMm: 40 },
  };
  const measured = measurePiece(cup);
  if (!measured.ok) throw new Error("a cup that cannot be measured");
  const [wall] = standing([measured.measured]);
  const around = aroundOf(wall!)!;
  const veinMap: VeinMap = {
    places: {},
    sets: [
      {
        ...map.sets[0]!,
        veins: [
          {
            id: "v",
            seed: 4,
            thickMm: 5,
            points: [
              [around * 0.3, 130],
              [around * 1.3, 50],
            ],
          },
        ],
      },
    ],
  };
  const template = veinTemplate(wall!, tapeList(veinMap, wall!, { xMm: 0, yMm: 0, turnDeg: 0 }));
  const { lines } = template;
  const [outline] = lines;
  const radius = ({ x, y }: { x: number; y: number }) => Math.hypot(x, y);
  // The slant's cone (handbook: R = s·D/(D − d)): 160.70 · 90/30 = 482.1 mm, within 0.5.
  expect(Math.abs(Math.max(...outline!.points.map(radius)) - 482.1)).toBeLessThan(0.5);
  const bare = lines.filter(({ layer }) => layer === "cut-out");
  expect(bare.length).toBe(2);
  const patch = bare[1];
  // 50 mm along the wall at its middle, 70 above the base of 160.70: an arc of that radius and the patch's angle.
  const angle = Math.max(...patch!.points.map(({ x, y }) => Math.atan2(x, -y)));
  expect(Math.abs(2 * angle * (482.1 - 160.7 + 70) - 50)).toBeLessThan(0.1);
  const ways = lines.filter(({ layer }) => layer === "vein");
  const half = (2 * Math.PI * 45) / 482.1 / 2;
  // Where lines end on the straight sides of the sector: angle of a half turn to either side.
  const seams = ways
    .flatMap(({ points }) => [points[0]!, points.at(-1)!])
    .filter((end) => Math.abs(Math.abs(Math.atan2(end.x, -end.y)) - half) < 1e-3);
  const radii = (sign: 1 | -1) =>
    seams
      .filter(({ x }) => Math.sign(x) === sign)
      .map(radius)
      .sort((a, b) => a - b);
  expect(radii(1).length).toBeGreaterThan(0);
  expect(radii(1).length).toBe(radii(-1).length);
  radii(1).forEach((at, n) => expect(Math.abs(at - radii(-1)[n]!)).toBeLessThan(0.5));
  const drawing = new DxfParser().parseSync(templateDxf(template))!;
  const { vertices } = (
    drawing.entities as unknown as { layer: string; vertices: { x: number; y: number }[] }[]
  ).find(({ layer }) => layer === "OUTLINE")!;
  const span = (values: number[]) => Math.max(...values) - Math.min(...values);
  expect(span(vertices.map(({ x }) => x))).toBeCloseTo(span(outline!.points.map(({ x }) => x)), 2);
});
