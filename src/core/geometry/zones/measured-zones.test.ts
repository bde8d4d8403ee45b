import { measurePiece, type Measured } from "../measure";
import type { Piece, Shape } from "../piece";
import { mirrored, rotated } from "../transform";
import { pulled } from "../handles";
import { sectionMm2, type Barrier, type Divider, type Division } from "./division";
import { scaledDivision } from "./moved-division";
import { zoneFaults } from "./zone-faults";

const measured = (piece: Piece): Measured => {
  const result = measurePiece(piece);
  if (!result.ok) throw new Error(JSON.stringify(result.faults));
  return result.measured;
};
const BEAD: Barrier = { kind: "bead", widthMm: 8, heightMm: 5, gPerMl: 1.7 };
const DIVIDERS: Divider[] = [
  {
    id: "cut",
    drawn: {
      kind: "line",
      points: [
        [400, 600],
        [520, 300],
        [400, 0],
      ],
      curved: true,
    },
    zones: [{ id: "right", name: "Right" }],
    barrier: { kind: "tape", widthMm: 25 },
  },
  {
    id: "inlay",
    drawn: {
      kind: "shape",
      shape: { kind: "rectangle", xMm: 800, yMm: 350, lengthMm: 300, depthMm: 120, turnDeg: 20 },
    },
    zones: [{ id: "inlay-zone", name: "Inlay", poolMm: 4 }],
    barrier: BEAD,
  },
  {
    id: "grain",
    drawn: { kind: "stripes", angleDeg: 30, fromMm: 0, widthsMm: [60] },
    zones: [{ id: "grain-zone", name: "Grain" }],
    within: "rest",
  },
];
const division = (dividers = DIVIDERS): Division => ({ rest: { id: "rest", name: "Rest" }, dividers });
const piece = (shape: Shape, more: Partial<Piece> = {}): Piece => ({
  id: "p",
  name: "Island",
  count: 1,
  shape,
  edges: {
    front: { treatment: "face", heightMm: 40, roundingMm: 3 },
    back: { treatment: "wall", heightMm: 0, roundingMm: 0 },
  },
  cutOuts: [
    {
      id: "basin",
      name: "Basin",
      shape: { kind: "oval", lengthMm: 260, depthMm: 180 },
      fromLeftMm: 480,
      fromFrontMm: 320,
      innerFace: { heightMm: 30, roundingMm: 2 },
    },
  ],
  division: division(),
  ...more,
});
const PLATE: Shape = { kind: "straight", lengthMm: 1000, depthMm: 600 };
const byId = ({ zones }: Measured) => Object.fromEntries(zones.map((zone) => [zone.id, zone.topAreaMm2]));
const total = (of: Measured, figure: (zone: Measured["zones"][number]) => number) =>
  of.zones.reduce((sum, zone) => sum + figure(zone), 0);

describe("zones share what a piece has", () => {
  test.each<[string, Piece]>([
    ["a counter with a basin", piece(PLATE)],
    ["both sides", piece(PLATE, { bothSides: true })],
    ["a round table", piece({ kind: "round", diameterMm: 900 }, { cutOuts: [] })],
    ["an overhang", piece({ ...PLATE, kind: "straight", overhangMm: 30 })],
    [
      "a tumbler with its base",
      piece(
        {
          kind: "tumbler",
          topDiameterMm: 240,
          bottomDiameterMm: 200,
          heightMm: 600,
          base: true,
          rimBandMm: 20,
          patch: null,
        },
        { cutOuts: [], edges: {} },
      ),
    ],
    [
      "a mould",
      piece(
        { kind: "mould", outline: { kind: "round", diameterMm: 900 }, depthMm: 20, draftDeg: 3 },
        { cutOuts: [], edges: {} },
      ),
    ],
  ])("top, faces and edges of %s", (_name, whole) => {
    const of = measured(whole);
    expect(total(of, (zone) => zone.topAreaMm2) / of.topAreaMm2).toBeCloseTo(1, 9);
    expect(total(of, (zone) => zone.share)).toBeCloseTo(1, 9);
    expect(total(of, (zone) => zone.faceAreaMm2)).toBeCloseTo(of.faceAreaMm2, 4);
    expect(total(of, (zone) => zone.faceLengthMm)).toBeCloseTo(of.faceLengthMm, 5);
    for (const treatment of ["face", "wall"] as const)
      expect(total(of, (zone) => zone.lengthByTreatmentMm[treatment])).toBeCloseTo(
        of.lengthByTreatmentMm[treatment],
        5,
      );
  });

  test("a pool holds its area times its depth", () => {
    const inlay = measured(piece(PLATE)).zones.find(({ id }) => id === "inlay-zone");
    expect(inlay?.poolMl).toBeCloseTo((300 * 120 * 4) / 1000, 6);
  });
});

describe("a division goes with its piece", () => {
  const before = byId(measured(piece(PLATE)));
  const same = (after: Piece | null) => {
    const areas = byId(measured(after as Piece));
    for (const [id, area] of Object.entries(before))
      expect(Math.abs((areas[id] ?? NaN) - area)).toBeLessThan(60);
  };
  test("mirrored", () => same(mirrored(piece(PLATE))));
  test("turned a quarter and by some degrees", () => {
    const top = piece({ kind: "rectangle", lengthMm: 1000, depthMm: 600 });
    same(rotated(top, 90));
    same(rotated(top, 33));
  });
  test("pulled at its left it stays where it was on the slab", () => {
    const longer = pulled(
      piece(PLATE, { cutOuts: [] }),
      { kind: "side", name: "left" },
      { x: -200, y: 0 },
      null,
    );
    expect(byId(measured(longer))["inlay-zone"]).toBeCloseTo(before["inlay-zone"] ?? NaN, 6);
    const line = longer.division?.dividers[0]?.drawn;
    expect(line?.kind === "line" && line.points[0]).toEqual([600, 600]);
  });
  test("scaled to another size its zones keep their shares of it", () => {
    const shares = (of: Piece) => measured(of).zones.map((zone) => zone.share);
    const flat = (division: Division) =>
      piece({ kind: "rectangle", lengthMm: 1000, depthMm: 600 }, { cutOuts: [], division });
    const three = division(DIVIDERS.slice(0, 2).map((divider) => ({ ...divider })));
    const small = flat(three);
    const large = {
      ...small,
      shape: { kind: "rectangle" as const, lengthMm: 2000, depthMm: 1200 },
      division: scaledDivision(three, 2, 2),
    };
    shares(large).forEach((share, n) => expect(share).toBeCloseTo(shares(small)[n] ?? NaN, 4));
  });
});

describe("barriers", () => {
  test("a bead is half an ellipse all along its border", () => {
    const inlay = measured(piece(PLATE)).barriers.find(({ barrier }) => barrier.kind === "bead");
    expect(inlay?.lengthMm).toBeCloseTo(2 * (300 + 120), 6);
    expect(inlay?.ml).toBeCloseTo(((Math.PI / 2) * 4 * 5 * 840) / 1000, 6);
    expect(inlay?.g).toBeCloseTo((inlay?.ml ?? NaN) * 1.7, 9);
  });
  test("a bead's section by summing thin slices", () => {
    let sum = 0;
    const slices = 20_000;
    for (let n = 0; n < slices; n += 1) {
      const u = ((n + 0.5) / slices) * 8 - 4;
      sum += (5 * Math.sqrt(1 - (u / 4) ** 2) * 8) / slices;
    }
    expect(sectionMm2(BEAD)).toBeCloseTo(sum, 3);
  });
  test("a tape takes no room, a strip its width times its height", () => {
    expect(sectionMm2({ kind: "tape", widthMm: 25 })).toBe(0);
    expect(sectionMm2({ kind: "strip", widthMm: 3, heightMm: 10 })).toBe(30);
  });
});

describe("what cannot be is told at its divider", () => {
  const faults = (drawn: Divider["drawn"]) =>
    zoneFaults(piece(PLATE, { division: division([{ id: "d", drawn, zones: [{ id: "z", name: "Sea" }] }]) }));
  test.each<[string, Divider["drawn"], RegExp]>([
    ["a line of one point", { kind: "line", points: [[1, 1]] }, /two points/],
    [
      "a shape of no size",
      { kind: "shape", shape: { kind: "round", xMm: 1, yMm: 1, diameterMm: 0 } },
      /no size/,
    ],
    ["a band of no width", { kind: "bands", of: { kind: "rim" }, fromMm: 0, widthsMm: [0] }, /at least 1 mm/],
    [
      "a cut-out that is gone",
      { kind: "bands", of: { kind: "cut-out", id: "x" }, fromMm: 0, widthsMm: [9] },
      /gone/,
    ],
    ["stones like sand", { kind: "pebbles", sizeMm: 6, jointMm: 1, seed: 1 }, /more than 4000/],
    ["a joint as wide as a stone", { kind: "pebbles", sizeMm: 60, jointMm: 40, seed: 1 }, /half a stone/],
  ])("%s", (_name, drawn, words) => {
    expect(faults(drawn)).toEqual([{ at: "division.d", message: expect.stringMatching(words) }]);
  });
});
