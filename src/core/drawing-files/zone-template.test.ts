import DxfParser from "dxf-parser";
import { measurePiece, type Measured } from "../geometry/measure";
import { newPiece } from "../geometry/new-piece";
import type { Piece } from "../geometry/piece";
import { ringAreaMm2 } from "../geometry/ring";
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

const rest = { id: "rest", name: "Island" };
const leaf = (drawn: NonNullable<Piece["division"]>["dividers"][number]["drawn"], name = "Leaf & vine") => ({
  rest,
  dividers: [{ id: "d", drawn, zones: [{ id: "leaf", name }] }],
});
const ROUND = { kind: "shape", shape: { kind: "round", xMm: 500, yMm: 300, diameterMm: 400 } } as const;
const island = measured({ ...newPiece("rectangle", "Island", newId), division: leaf(ROUND) });

/** Area of a layer's closed lines; openings run the other way round. */
const area = (rings: { x: number; y: number }[][]) =>
  Math.abs(
    rings.reduce(
      (sum, ring) =>
        sum +
        ring.reduce((own, a, n) => {
          const b = ring[(n + 1) % ring.length]!;
          return own + (a.x * b.y - b.x * a.y) / 2;
        }, 0),
      0,
    ),
  );

test("the DXF read back has each zone on a layer of its own, to 0.5 mm", () => {
  const drawing = new DxfParser().parseSync(templateDxf(zoneTemplate(island)))!;
  expect(drawing.header["$INSUNITS"]).toBe(4);
  const lines = drawing.entities as unknown as { layer: string; vertices: { x: number; y: number }[] }[];
  const of = (layer: string) => lines.filter((line) => line.layer === layer).map(({ vertices }) => vertices);
  const [circle] = of("ZONE-2-Leaf-vine");
  const { heightMm } = island.outline;
  for (const { x, y } of circle!)
    expect(Math.abs(Math.hypot(x - 500, heightMm - y - 300) - 200)).toBeLessThan(0.5);
  island.zones.forEach(({ topAreaMm2, name, outlineMm }, n) => {
    const own = of(`ZONE-${n + 1}-${name.replace(/[^A-Za-z0-9]+/g, "-")}`);
    // Half a millimetre along all of its outline.
    expect(Math.abs(area(own) - topAreaMm2)).toBeLessThan(0.5 * outlineMm);
  });
});

test("the SVG read back by our own reader: true scale, a layer for each zone", () => {
  const svg = templateSvg("Island", zoneTemplate(island));
  const read = readSvg(svg, 0.05);
  if (!read.ok) throw new Error(read.reason);
  expect(read.mmPerUnit).toBeCloseTo(1, 6);
  const leafLines = read.paths.filter(({ layer }) => layer === "ZONE-2-Leaf-vine");
  expect(leafLines.length).toBe(1);
  expect(
    Math.abs(ringAreaMm2(leafLines[0]!.points.map(([x, y]) => ({ x, y }))) - Math.PI * 200 ** 2),
  ).toBeLessThan(0.5 * Math.PI * 400);
  expect(svg).toContain(">Leaf &#38; vine</text>");
});

test("zones of a tumbler lie on its unrolled wall: bands keep their height, a sector's closed form their area", () => {
  const cup = measured({
    ...newPiece("tumbler", "Cup", newId),
    shape: {
      kind: "tumbler",
      topDiameterMm: 90,
      bottomDiameterMm: 60,
      heightMm: 160,
      base: false,
      rimBandMm: 0,
      patch: null,
    },
    division: leaf({ kind: "bands", of: { kind: "rim" }, fromMm: 0, widthsMm: [40] }, "Lip"),
  });
  const { lines } = zoneTemplate(cup);
  const zone = (number: number) =>
    lines.filter((line) => line.layer === "zone" && line.number === number).map(({ points }) => [...points]);
  // A sector's area is ½·θ·(R² − r²), R = 482.1 and θ from 2π·45/R (handbook, developments of cones).
  const R = (160.7 * 90) / 30;
  const angle = (2 * Math.PI * 45) / R;
  const whole = (angle / 2) * (R ** 2 - (R - 160.7) ** 2);
  expect(area(zone(1)) + area(zone(2))).toBeCloseTo(whole, -2);
  for (const { id, topAreaMm2 } of cup.zones)
    expect(Math.abs(area(zone(id === "rest" ? 1 : 2)) - topAreaMm2)).toBeLessThan(0.002 * whole);
});
