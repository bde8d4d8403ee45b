import { measurePiece, type Measured } from "../geometry/measure";
import { newPiece } from "../geometry/new-piece";
import type { Piece } from "../geometry/piece";
import type { Drawn } from "../geometry/zones/division";
import { importedZones } from "./imported-zones";
import { readDxf } from "./read-dxf";
import { readSvg } from "./read-svg";
import { templateDxf } from "./template-dxf";
import { templateSvg } from "./template-svg";
import { zoneTemplate } from "./zone-template";

let counter = 0;
const newId = () => `id-${++counter}`;
const measured = (piece: Piece): Measured => {
  const found = measurePiece(piece);
  if (!found.ok) throw new Error(found.faults[0]?.message);
  return found.measured;
};
const whole: Piece = {
  ...newPiece("rectangle", "Island", newId),
  shape: { kind: "rectangle", lengthMm: 1800, depthMm: 900 },
  // Its faces are folded out in the map: they are no zones.
  edges: { front: { treatment: "face", heightMm: 38, roundingMm: 3 } },
};
const round = (xMm: number, yMm: number, diameterMm: number): Drawn => ({
  kind: "shape",
  shape: { kind: "round", xMm, yMm, diameterMm },
});
const divided: Piece = {
  ...whole,
  division: {
    rest: { id: "rest", name: "Field" },
    dividers: [
      { id: "d1", drawn: round(500, 400, 500), zones: [{ id: "z1", name: "Leaf" }] },
      { id: "d2", drawn: round(560, 380, 160), zones: [{ id: "z2", name: "Heart" }] },
      {
        id: "d3",
        drawn: {
          kind: "line",
          points: [
            [1400, 900],
            [1300, 0],
          ],
        },
        zones: [{ id: "z3", name: "End" }],
      },
    ],
  },
};

test.each([
  ["SVG", (piece: Measured) => readSvg(templateSvg(piece.name, zoneTemplate(piece)), 0.05)],
  ["DXF", (piece: Measured) => readDxf(templateDxf(zoneTemplate(piece)), 0.05)],
])(
  "a zone map saved as %s and read into the bare piece gives the zones back, to 0.5 mm along their lines",
  (_, read) => {
    const before = measured(divided);
    const drawing = read(before);
    if (!drawing.ok) throw new Error(drawing.reason);
    const zones = importedZones(drawing.paths, drawing.mmPerUnit ?? 0, whole, newId);
    if (!zones.ok) throw new Error(zones.why);
    expect(zones.aligned).toBe(true);
    expect(zones.made).toBe(4);
    const after = measured(zones.piece);
    for (const name of ["Leaf", "Heart", "End", "Field"]) {
      const [was, is] = [before, after].map(({ zones }) => zones.find((zone) => zone.name.startsWith(name)));
      expect(Math.abs(was!.topAreaMm2 - is!.topAreaMm2)).toBeLessThan(0.5 * was!.outlineMm);
    }
  },
);

const square = (x: number, y: number, side: number, layer: string) => ({
  layer,
  closed: true,
  points: [
    [x, y],
    [x + side, y],
    [x + side, y + side],
    [x, y + side],
  ] as [number, number][],
});

test("without an outline in the file the drawing's middle lies on the piece's; smaller lines take from larger ones", () => {
  const zones = importedZones([square(10, 10, 2, "0"), square(0, 0, 30, "Map")], 10, whole, newId);
  if (!zones.ok) throw new Error(zones.why);
  expect(zones.aligned).toBe(false);
  const { zones: laid } = measured(zones.piece);
  expect(laid.map(({ name, topAreaMm2 }) => [name, Math.round(topAreaMm2)])).toEqual([
    ["Rest", 1800 * 900 - 300 * 300],
    ["Map", 300 * 300 - 20 * 20],
    ["Zone 2", 400],
  ]);
  const [first] = laid[1]!.rings;
  expect((Math.min(...first!.map(({ x }) => x)) + Math.max(...first!.map(({ x }) => x))) / 2).toBeCloseTo(
    900,
    6,
  );
});

test("what makes no zone is told: nothing closed, more than a piece can have", () => {
  const open = { ...square(0, 0, 10, "0"), closed: false };
  expect(importedZones([open], 1, whole, newId)).toEqual({ ok: false, why: "none" });
  const many = Array.from({ length: 60 }, (_, n) => square(n * 20, 0, 10, "0"));
  expect(importedZones(many, 1, whole, newId)).toEqual({ ok: false, why: "many" });
});
