import { embedNeed, setCount, singleG, type Embed, type SetSingly } from "../batch/embeds";
import { newPiece } from "../geometry/new-piece";
import { placeIn } from "../geometry/ring";
import { emptyJob, newCoat } from "../job/new-job";
import type { JobDocument } from "../job/job";
import { derivePlan } from "../plan/derive-plan";
import { CARDS, newId } from "../plan/testing/sample";
import type { Coat } from "../schedule/coat";
import { setStones } from "./set-stones";

const RADIUS_MM = 150;
const piece = (id = "panel", count = 1) => ({
  ...newPiece("rectangle", "Panel", newId),
  id,
  count,
  shape: { kind: "rectangle" as const, lengthMm: 1000, depthMm: 600 },
  division: {
    rest: { id: `${id}-rest`, name: "Field" },
    dividers: [
      {
        id: `${id}-d`,
        drawn: {
          kind: "shape" as const,
          shape: { kind: "round" as const, xMm: 400, yMm: 300, diameterMm: 2 * RADIUS_MM },
        },
        zones: [{ id: `${id}-disc`, name: "Disc" }],
      },
    ],
  },
});
const stones = (single: SetSingly): Embed => ({
  id: "e",
  name: "Quartz",
  kind: "crystals",
  massG: 0,
  densityGPerMl: 2.65,
  lockedShare: 0.5,
  single,
});
const coat = (single: SetSingly): Coat => ({
  ...newCoat("colour", "Colour", CARDS[0]!.id, newId),
  filmMm: 2,
  coverShare: 1,
  embeds: [stones(single)],
});
const planOf = (single: SetSingly, pieces = [piece()]) => {
  const job: JobDocument = { ...emptyJob(), pieces, coats: [coat(single)] };
  const plan = derivePlan(job, CARDS);
  return { plan, planned: plan.coats[0]! };
};
const placesOf = (single: SetSingly, pieces = [piece()]) => {
  const { plan, planned } = planOf(single, pieces);
  return plan.pieces.map((measured) => {
    const { stones: set = [] } = setStones(planned.coat, measured, plan.pieces, 1, () => 5);
    return { measured, places: set.flatMap((row) => row.places) };
  });
};
const DISC_M2 = Math.PI * 0.15 ** 2;

describe("how many stones are set (arithmetic)", () => {
  const one = singleG(10, 2.65);
  test("one weighs as a ball of its size: π/6·d³·ρ", () => {
    expect(one).toBeCloseTo((Math.PI / 6) * 1 * 2.65, 9);
  });
  test.each<[string, SetSingly, number]>([
    ["by number", { sizeMm: 10, many: { by: "number", count: 40 } }, 40],
    [
      "by area in a zone",
      { sizeMm: 10, many: { by: "area", perM2: 1000 }, zoneIds: ["panel-disc"] },
      Math.round(1000 * DISC_M2),
    ],
    ["by area everywhere", { sizeMm: 10, many: { by: "area", perM2: 1000 } }, 600],
    [
      "along the disc's border",
      { sizeMm: 10, many: { by: "line", perM: 50 }, zoneIds: ["panel-disc"] },
      Math.round(50 * Math.PI * 0.3),
    ],
  ])("%s: their mass, what they take and the clear that wets them follow", (_, single, count) => {
    const { planned } = planOf(single);
    const [embed] = planned.embeds;
    expect(embed!.massG).toBeCloseTo(count * one, 6);
    expect(planned.batched!.embeds[0]!.solidMl).toBeCloseTo((count * one) / 2.65, 6);
    expect(embedNeed(embed!).wetMl.likely).toBeGreaterThan(0);
    expect(planned.batched!.mixMl.likely).toBeGreaterThan(
      planOf({ ...single, many: { by: "number", count: 0 } }).planned.batched!.mixMl.likely,
    );
  });
  test("two pieces of a kind take twice as many by area", () => {
    const { planned } = planOf({ sizeMm: 10, many: { by: "area", perM2: 1000 } }, [piece("panel", 2)]);
    expect(planned.embeds[0]!.massG).toBeCloseTo(1200 * one, 6);
  });
  test("no zone chosen: none", () => {
    const room = { areaM2: 1, zones: [{ id: "a", areaM2: 1 }], borders: [] };
    expect(setCount({ sizeMm: 5, many: { by: "area", perM2: 100 }, zoneIds: [] }, room)).toBe(0);
  });
});

describe("where they come to lie", () => {
  test("in a zone: all of them inside it, spread over all of it", () => {
    const [{ measured, places }] = placesOf({
      sizeMm: 8,
      many: { by: "area", perM2: 3000 },
      zoneIds: ["panel-disc"],
    }) as [ReturnType<typeof placesOf>[number]];
    const disc = measured.zones.find(({ id }) => id === "panel-disc")!;
    expect(Math.abs(places.length - 3000 * DISC_M2)).toBeLessThan(0.12 * 3000 * DISC_M2);
    for (const place of places) expect(placeIn(place, disc.rings[0]!)).toBe(1);
    for (const [dx, dy] of [
      [1, 1],
      [1, -1],
      [-1, 1],
      [-1, -1],
    ] as const) {
      const quarter = places.filter(({ x, y }) => (x - 400) * dx > 0 && (y - 300) * dy > 0);
      expect(quarter.length).toBeGreaterThan(0.15 * places.length);
    }
  });
  test("along a border: within their size of it, all the way round", () => {
    const [{ places }] = placesOf({
      sizeMm: 8,
      many: { by: "line", perM: 60 },
      zoneIds: ["panel-disc"],
    }) as [ReturnType<typeof placesOf>[number]];
    expect(places.length).toBe(Math.round(60 * Math.PI * 0.3));
    for (const { x, y } of places) expect(Math.abs(Math.hypot(x - 400, y - 300) - RADIUS_MM)).toBeLessThan(4);
    const turns = places.map(({ x, y }) => Math.atan2(y - 300, x - 400)).sort((a, b) => a - b);
    turns.slice(1).forEach((turn, n) => expect(turn - turns[n]!).toBeLessThan(0.4));
  });
  test("a number over two unlike pieces is shared by their areas", () => {
    const small = { ...piece("small"), shape: { kind: "rectangle" as const, lengthMm: 1000, depthMm: 300 } };
    const { division: _zones, ...bare } = small;
    const [first, second] = placesOf({ sizeMm: 6, many: { by: "number", count: 300 } }, [
      piece(),
      bare as typeof small,
    ]);
    expect(Math.abs(first!.places.length - 200)).toBeLessThan(20);
    expect(Math.abs(second!.places.length - 100)).toBeLessThan(15);
  });
});

test("a zone that others cut in two parts has its stones on both, as many as it is told", () => {
  const cut = piece();
  cut.division.dividers[0]!.drawn.shape = {
    kind: "rectangle",
    xMm: 500,
    yMm: 300,
    lengthMm: 100,
    depthMm: 600,
  } as never;
  const [{ places }] = placesOf({ sizeMm: 8, many: { by: "number", count: 200 }, zoneIds: ["panel-rest"] }, [
    cut,
  ]) as [ReturnType<typeof placesOf>[number]];
  expect(Math.abs(places.length - 200)).toBeLessThan(20);
  const left = places.filter(({ x }) => x < 450).length;
  expect(left).toBeGreaterThan(70);
  expect(places.length - left).toBeGreaterThan(70);
  expect(places.some(({ x }) => x > 450 && x < 550)).toBe(false);
});
