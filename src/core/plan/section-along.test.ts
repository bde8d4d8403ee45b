import fc from "fast-check";
import { measurePiece } from "../geometry/measure";
import { newPiece } from "../geometry/new-piece";
import { zonesAlong } from "../geometry/zones/zones-along";
import { newCoat } from "../job/new-job";
import type { Coat } from "../schedule/coat";
import { sectionAlong } from "./section-along";
import { CARDS, newId } from "./testing/sample";

const found = measurePiece({
  ...newPiece("rectangle", "Panel", newId),
  id: "panel",
  shape: { kind: "rectangle", lengthMm: 1000, depthMm: 600 },
  edges: {},
  division: {
    rest: { id: "rest", name: "Field" },
    dividers: [
      {
        id: "d",
        drawn: { kind: "shape", shape: { kind: "round", xMm: 500, yMm: 300, diameterMm: 400 } },
        zones: [{ id: "disc", name: "Disc", poolMm: 2 }],
      },
      {
        id: "e",
        drawn: { kind: "bands", of: { kind: "divider", id: "d" }, fromMm: 0, widthsMm: [50] },
        zones: [{ id: "ring", name: "Ring" }],
      },
    ],
  },
});
if (!found.ok) throw new Error(found.faults[0]?.message);
const panel = found.measured;

describe("zones along a line", () => {
  test("through a disc and its ring: chords by Pythagoras", () => {
    // 150 mm beside the middle of a disc of 200 and a ring to 250: half chords √(200² − 150²) and √(250² − 150²).
    const [half, wide] = [Math.sqrt(200 ** 2 - 150 ** 2), Math.sqrt(250 ** 2 - 150 ** 2)];
    const along = zonesAlong(panel.zones, { x: 0, y: 150 }, { x: 1000, y: 150 });
    expect(along.map(({ zoneId }) => zoneId)).toEqual(["rest", "ring", "disc", "ring", "rest"]);
    [500 - wide, 500 - half, 500 + half, 500 + wide, 1000].forEach((end, n) =>
      expect(Math.abs(along[n]!.toMm - end)).toBeLessThan(0.3),
    );
  });
  test("property: stretches follow each other from end to end, and beside the piece there is no zone", () => {
    const place = fc.record({
      x: fc.double({ min: -200, max: 1200, noNaN: true }),
      y: fc.double({ min: -200, max: 800, noNaN: true }),
    });
    fc.assert(
      fc.property(place, place, (from, to) => {
        const long = Math.hypot(to.x - from.x, to.y - from.y);
        fc.pre(long > 1);
        const along = zonesAlong(panel.zones, from, to);
        expect(along[0]!.fromMm).toBe(0);
        expect(along.at(-1)!.toMm).toBeCloseTo(long, 6);
        along.forEach(({ zoneId, fromMm, toMm }, n) => {
          expect(toMm).toBeGreaterThan(fromMm);
          if (n > 0) {
            expect(fromMm).toBe(along[n - 1]!.toMm);
            expect(zoneId).not.toBe(along[n - 1]!.zoneId);
          }
          const middle = (fromMm + toMm) / 2 / long;
          const [x, y] = [from.x + middle * (to.x - from.x), from.y + middle * (to.y - from.y)];
          expect(zoneId === null).toBe(x < 0 || x > 1000 || y < 0 || y > 600);
        });
      }),
      { numRuns: 200 },
    );
  });
});

test("a section's heights are films and pools added up, its colours those that go there", () => {
  const coat = (name: string, filmMm: number, more: Partial<Coat> = {}): Coat => ({
    ...newCoat("colour", name, CARDS[0]!.id, newId),
    filmMm,
    coverShare: 1,
    ...more,
  });
  const black = { ...newCoat("base", "b", null, newId).colours[0]!, id: "k", share: 0.5, placeIds: ["disc"] };
  const coats = [
    coat("Fill", 1, { kind: "fill", zonesByPiece: { panel: ["disc"] } }),
    coat("Colour", 1.5, { colours: [black, { ...black, id: "w", placeIds: ["ring", "rest"] }] }),
    coat("Rim", 0.5, { zonesByPiece: { panel: ["ring"] } }),
  ];
  const section = sectionAlong(panel, coats, { x: 0, y: 300 }, { x: 1000, y: 300 });
  const tops = section.map(({ layers }) => layers.at(-1)!.topMm);
  expect(tops).toEqual([1.5, 2, 1.5, 2, 1.5]);
  expect(section[2]).toMatchObject({ zoneId: "disc", groundMm: -2 });
  expect(section[2]!.layers.map(({ bottomMm, topMm }) => [bottomMm, topMm])).toEqual([
    [-2, 0],
    [0, 1.5],
  ]);
  expect(section[2]!.layers[1]!.colours.map(({ id, share }) => [id, share])).toEqual([["k", 1]]);
  expect(section[0]!.layers[0]!.colours.map(({ id, share }) => [id, share])).toEqual([["w", 1]]);
});
