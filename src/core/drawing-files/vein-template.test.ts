import { newPiece } from "../plan/new-piece";
import DxfParser from "dxf-parser";
import { measurePiece, type Measured } from "../geometry/measure";
import { tapeList } from "../pattern/tape";
import type { VeinMap } from "../pattern/vein-map";
import { USUAL_MANNER } from "../pattern/vein";
import { veinDxf } from "./vein-dxf";
import { OVERLAP_MM, templateLines, templateSheets, veinSvg } from "./vein-template";

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
  const drawing = new DxfParser().parseSync(veinDxf(piece, veins))!;
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
  const svg = veinSvg(piece, veins);
  const [, wide, x, box] = /width="([\d.]+)mm".*viewBox="(-?[\d.]+) -?[\d.]+ ([\d.]+)/.exec(svg)!;
  expect(Number(wide)).toBe(Number(box));
  expect(Number(x)).toBeLessThan(0);
  expect(svg.match(/data-vein="1"/g)!.length).toBe(2 * veins[0]!.stretches.length);
});

test("sheets cover the piece with their overlap, and empty ones are left out", () => {
  const lines = templateLines(piece, veins);
  const paper = { wideMm: 277, highMm: 184 };
  const { sheets, columns, rows } = templateSheets(piece, lines, paper);
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
