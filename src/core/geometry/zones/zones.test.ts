import { Clipper, FillRule, type PathsD } from "clipper2-ts";
import fc from "fast-check";
import type { Pair, Point } from "../curves";
import { measurePiece } from "../measure";
import type { Piece, Shape } from "../piece";
import { ringAreaMm2, type Ring } from "../ring";
import type { Divider, Division, Drawn, MovedStone, Zone, ZoneShape } from "./division";
import { movedOut } from "./bands";
import { drawnRegions, surfaceOf } from "./regions";
import { zoneMapOf, type ZoneMap } from "./zone-map";

let made = 0;
const zone = (name = "Zone"): Zone => ({ id: `z${(made += 1)}`, name });
const divider = (drawn: Drawn, zones: Zone[], more: Partial<Divider> = {}): Divider => ({
  id: `d${(made += 1)}`,
  drawn,
  zones,
  ...more,
});
const divided = (shape: Shape, dividers: Divider[], more: Partial<Piece> = {}): Piece => ({
  id: "p",
  name: "Island",
  count: 1,
  shape,
  edges: {},
  cutOuts: [],
  division: { rest: { id: "rest", name: "Rest" }, dividers },
  ...more,
});
const mapOf = (piece: Piece): ZoneMap => {
  const map = zoneMapOf(piece);
  if (!map) throw new Error("not divided");
  return map;
};
const topOf = (piece: Piece): number => {
  const result = measurePiece(piece);
  if (!result.ok) throw new Error(JSON.stringify(result.faults));
  return result.measured.topAreaMm2;
};
const sumOf = ({ zones }: ZoneMap) => zones.reduce((sum, { areaMm2 }) => sum + areaMm2, 0);
const areaNamed = ({ zones }: ZoneMap, name: string) =>
  zones.filter(({ zone }) => zone.name === name).reduce((sum, { areaMm2 }) => sum + areaMm2, 0);
const PLATE: Shape = { kind: "rectangle", lengthMm: 1000, depthMm: 600 };
const round = (xMm: number, yMm: number, diameterMm: number): Drawn => ({
  kind: "shape",
  shape: { kind: "round", xMm, yMm, diameterMm },
});
const rectangle = (xMm: number, yMm: number, lengthMm: number, depthMm: number): Drawn => ({
  kind: "shape",
  shape: { kind: "rectangle", xMm, yMm, lengthMm, depthMm },
});
const line = (points: Pair[], curved = false): Drawn => ({ kind: "line", points, curved });

describe("areas by arithmetic", () => {
  test("a line halves a plate, its zone on the right hand of its way", () => {
    const right = mapOf(divided(PLATE, [divider(line([[400, 600], [400, 0]]), [zone("Right")])])); // prettier-ignore
    expect(areaNamed(right, "Right")).toBeCloseTo(600 * 600, 6);
    expect(areaNamed(right, "Rest")).toBeCloseTo(400 * 600, 6);
    const [border] = right.borders;
    expect(border?.lengthMm).toBeCloseTo(600, 9);
  });

  test("a line that ends within runs on straight to the edge", () => {
    const map = mapOf(divided(PLATE, [divider(line([[200, 300], [700, 300]]), [zone("Front")])])); // prettier-ignore
    expect(areaNamed(map, "Front")).toBeCloseTo(1000 * 300, 6);
    expect(map.borders[0]?.lengthMm).toBeCloseTo(1000, 9);
  });

  test("what lies above takes from what lies below, and a side shared with the piece is no border", () => {
    const map = mapOf(
      divided(PLATE, [
        divider(rectangle(200, 300, 400, 600), [zone("Left")]),
        divider(rectangle(400, 300, 400, 200), [zone("Over")]),
      ]),
    );
    expect(areaNamed(map, "Over")).toBeCloseTo(400 * 200, 6);
    expect(areaNamed(map, "Left")).toBeCloseTo(400 * 600 - 200 * 200, 6);
    const left = map.zones.find(({ zone }) => zone.name === "Left");
    expect(left?.alongEdgeMm.left).toBeCloseTo(600, 9);
    expect(left?.alongEdgeMm.back).toBeCloseTo(400, 9);
    expect(left?.outlineMm).toBeCloseTo(2 * (400 + 600) + 2 * 200, 9);
    const between = map.borders.map(({ lengthMm }) => lengthMm).sort((a, b) => a - b);
    expect(between.map(Math.round)).toEqual([400, 600, 600]);
  });

  test("a zone within another takes from it alone", () => {
    const host = zone("Host");
    const map = mapOf(
      divided(PLATE, [
        divider(rectangle(200, 300, 400, 600), [host]),
        divider(rectangle(400, 300, 400, 200), [zone("In it")], { within: host.id }),
      ]),
    );
    expect(areaNamed(map, "In it")).toBeCloseTo(200 * 200, 6);
    expect(areaNamed(map, "Rest")).toBeCloseTo(600 * 600, 6);
  });

  test("stripes across a plate take their shares of it", () => {
    const widths = [50, 150];
    const stripes: Drawn = { kind: "stripes", angleDeg: 90, fromMm: 0, widthsMm: widths };
    const map = mapOf(divided(PLATE, [divider(stripes, [zone("A"), zone("B")])]));
    expect(areaNamed(map, "A")).toBeCloseTo(0.25 * 600_000, 4);
    expect(areaNamed(map, "B")).toBeCloseTo(0.75 * 600_000, 4);
    expect(areaNamed(map, "Rest")).toBeCloseTo(0, 4);
  });

  test("a cut-out and its edge go to the zone around it", () => {
    const basin = {
      id: "basin",
      name: "Basin",
      shape: { kind: "round" as const, diameterMm: 200 },
      fromLeftMm: 250,
      fromFrontMm: 300,
      innerFace: null,
    };
    const piece = divided(PLATE, [divider(rectangle(250, 300, 500, 600), [zone("Left")])], {
      cutOuts: [basin],
    });
    const map = mapOf(piece);
    expect(areaNamed(map, "Left")).toBeCloseTo(500 * 600 - Math.PI * 100 ** 2, 6);
    const left = map.zones.find(({ zone }) => zone.name === "Left");
    expect(left?.aroundCutOutMm.basin).toBeCloseTo(2 * Math.PI * 100, 0);
  });
});

describe("bands", () => {
  test("rings about a round zone have their closed form", () => {
    const stone = divider(round(500, 300, 100), [zone("Stone")]);
    const bands = divider(
      { kind: "bands", of: { kind: "divider", id: stone.id }, fromMm: 0, widthsMm: [20, 30] },
      [zone("First"), zone("Second")],
    );
    const map = mapOf(divided(PLATE, [stone, bands]));
    // Chords stay within 0.05 mm of the circle.
    expect(areaNamed(map, "First") / (Math.PI * (70 ** 2 - 50 ** 2))).toBeCloseTo(1, 2);
    expect(areaNamed(map, "Second") / (Math.PI * (100 ** 2 - 70 ** 2))).toBeCloseTo(1, 2);
    expect(sumOf(map)).toBeCloseTo(600_000, 3);
  });

  test("what lies within a distance of a convex outline: A + P·d + π·d² (Steiner 1840)", () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.tuple(
            fc.double({ min: 0, max: 6.28, noNaN: true }),
            fc.double({ min: 20, max: 400, noNaN: true }),
          ),
          {
            minLength: 5,
            maxLength: 40,
          },
        ),
        fc.double({ min: 1, max: 90, noNaN: true }),
        (polar, byMm) => {
          const ring = hullOf(
            polar.map(([turn, far]) => ({ x: far * Math.cos(turn), y: far * Math.sin(turn) })),
          );
          fc.pre(ring.length >= 3 && ringAreaMm2(ring) > 100);
          let around = 0;
          ring.forEach((a, n) => {
            const b = ring[(n + 1) % ring.length] as Point;
            around += Math.hypot(b.x - a.x, b.y - a.y);
          });
          const moved = movedOut(ring, byMm).reduce((sum, path) => sum + ringAreaMm2(path), 0);
          const steiner = ringAreaMm2(ring) + around * byMm + Math.PI * byMm ** 2;
          // Arcs are chords, and points nearer than 0.02 mm to a chord are left out.
          expect(Math.abs(moved - steiner)).toBeLessThan(0.03 * (around + 2 * Math.PI * byMm));
        },
      ),
    );
  });

  test("inwards from the rim of a rectangle", () => {
    const bands: Drawn = { kind: "bands", of: { kind: "rim" }, fromMm: 10, widthsMm: [20] };
    const map = mapOf(divided(PLATE, [divider(bands, [zone("Frame")])]));
    expect(areaNamed(map, "Frame")).toBeCloseTo(980 * 580 - 940 * 540, 2);
    expect(areaNamed(map, "Rest")).toBeCloseTo(600_000 - (980 * 580 - 940 * 540), 2);
  });

  test("along a line, on both sides of it", () => {
    const across = divider(line([[500, 0], [500, 600]]), [zone("Left")]); // prettier-ignore
    const raised = divider(
      { kind: "bands", of: { kind: "divider", id: across.id }, fromMm: 0, widthsMm: [4] },
      [zone("Raised")],
    );
    const map = mapOf(divided(PLATE, [across, raised]));
    expect(areaNamed(map, "Raised")).toBeCloseTo(8 * 600, 3);
  });
});

describe("pebbles", () => {
  const pebbles = (more = {}): Drawn => ({ kind: "pebbles", sizeMm: 80, jointMm: 6, seed: 3, ...more });

  test("stones and joints are their zone, whatever their kinds", () => {
    const map = mapOf(divided(PLATE, [divider(pebbles(), [zone("A"), zone("B")])]));
    expect(sumOf(map)).toBeCloseTo(600_000, 3);
    // A close packing of hexagons of 80 mm with joints of 6 mm keeps (74/80)² = 0.86 of it; rounded corners take some of that.
    const stones = areaNamed(map, "A") + areaNamed(map, "B");
    expect(stones / 600_000).toBeGreaterThan(0.72);
    expect(stones / 600_000).toBeLessThan(0.86);
  });

  test("no two stones are nearer than the joint", () => {
    const piece = divided(PLATE, [divider(pebbles(), [zone("A")])]);
    const [first] = (piece.division as Division).dividers;
    const { stones } = drawnRegions(first as Divider, surfaceOf(piece), piece.division as Division);
    const grown = stones.map(({ ring }) => movedOut(ring, 2.99));
    const apart = grown.flat().reduce((sum, ring) => sum + ringAreaMm2(ring), 0);
    const united = Clipper.unionD(grown.flat() as PathsD, [], FillRule.NonZero, 4);
    expect(united.reduce((sum, ring) => sum + Math.abs(Clipper.areaD(ring)), 0)).toBeCloseTo(apart, 1);
  });

  test("a stone that is moved stays itself, and its neighbours give way", () => {
    const stonesOf = (moved: MovedStone[]) => {
      const piece = divided(PLATE, [divider(pebbles({ moved }), [zone("A"), zone("B")])]);
      const division = piece.division as Division;
      return drawnRegions(division.dividers[0] as Divider, surfaceOf(piece), division).stones;
    };
    const before = stonesOf([]);
    const middle = before.find(({ middle: { x, y } }) => Math.hypot(x - 500, y - 300) < 60);
    if (!middle) throw new Error("no stone in the middle");
    const after = stonesOf([{ stone: middle.number, at: [middle.middle.x + 20, middle.middle.y] }]);
    const moved = after.find(({ number }) => number === middle.number);
    expect(moved?.middle.x).toBeCloseTo(middle.middle.x + 20, 9);
    expect(moved?.kind).toBe(middle.kind);
    const changed = after.filter(({ number, ring }) => {
      const was = before.find((other) => other.number === number);
      return was !== undefined && JSON.stringify(was.ring) !== JSON.stringify(ring);
    });
    expect(changed.length).toBeGreaterThan(3);
    expect(changed.length).toBeLessThan(25);
  });

  test("around a tumbler they close at the seam, and with the bare rim and patch left out they are its wall", () => {
    const piece = divided(
      {
        kind: "tumbler",
        topDiameterMm: 88,
        bottomDiameterMm: 70,
        heightMm: 160,
        base: false,
        rimBandMm: 12,
        patch: { widthMm: 60, heightMm: 40, fromBottomMm: 50 },
      },
      [divider({ kind: "pebbles", sizeMm: 18, jointMm: 2, seed: 8 }, [zone("A")])],
    );
    const map = mapOf(piece);
    expect(sumOf(map) / topOf(piece)).toBeCloseTo(1, 9);
    const { aroundMm } = surfaceOf(piece);
    const division = piece.division as Division;
    const { stones } = drawnRegions(division.dividers[0] as Divider, surfaceOf(piece), division);
    const key = ({ x, y }: Point) => `${x.toFixed(6)} ${y.toFixed(6)}`;
    const [left, right] = [0, aroundMm as number].map((at) =>
      stones
        .filter(({ ring }) => ring.some(({ x }) => x < at) && ring.some(({ x }) => x > at))
        .filter(({ middle: { y } }) => y > 20 && y < 140)
        .map(({ middle }) => key({ x: middle.x - at, y: middle.y }))
        .sort(),
    );
    expect(left?.length).toBeGreaterThan(3);
    expect(right).toEqual(left);
  });
});

/** The hull of some points (Andrew 1979). */
function hullOf(points: Point[]): Point[] {
  const sorted = [...points].sort((a, b) => a.x - b.x || a.y - b.y);
  const half = (list: Point[]) => {
    const kept: Point[] = [];
    for (const p of list) {
      for (;;) {
        const [a, b] = kept.slice(-2);
        if (!a || !b || (b.x - a.x) * (p.y - a.y) - (b.y - a.y) * (p.x - a.x) > 0) break;
        kept.pop();
      }
      kept.push(p);
    }
    return kept.slice(0, -1);
  };
  return [...half(sorted), ...half([...sorted].reverse())];
}

const place = (low: number, high: number) => fc.double({ min: low, max: high, noNaN: true });
/** Often a round number, so that sides fall on each other. */
const snapped = (low: number, high: number) =>
  fc.oneof(
    place(low, high),
    fc.integer({ min: low / 50, max: high / 50 }).map((n) => 50 * n),
  );
const pairIn = fc.tuple(snapped(-100, 1100), snapped(-100, 700)) as fc.Arbitrary<Pair>;
const shapeIn: fc.Arbitrary<ZoneShape> = fc.oneof(
  fc.record({
    kind: fc.constant("rectangle" as const),
    xMm: snapped(0, 1000),
    yMm: snapped(0, 600),
    lengthMm: snapped(50, 900),
    depthMm: snapped(50, 500),
    turnDeg: fc.constantFrom(0, 0, 0, 30, 90),
  }),
  fc.record({
    kind: fc.constant("round" as const),
    xMm: snapped(0, 1000),
    yMm: snapped(0, 600),
    diameterMm: place(30, 500),
  }),
  // A line that does not cross itself: around its middle, one way.
  fc
    .record({
      x: snapped(0, 1000),
      y: snapped(0, 600),
      far: fc.array(place(20, 300), { minLength: 3, maxLength: 12 }),
      curved: fc.boolean(),
    })
    .map(({ x, y, far, curved }): ZoneShape => ({
      kind: "free",
      curved,
      points: far.map((by, n): Pair => {
        const turn = (2 * Math.PI * n) / far.length;
        return [x + by * Math.cos(turn), y + by * Math.sin(turn)];
      }),
    })),
);
const drawnIn: fc.Arbitrary<Drawn> = fc.oneof(
  shapeIn.map((shape): Drawn => ({ kind: "shape", shape })),
  fc.record({
    kind: fc.constant("line" as const),
    points: fc
      .tuple(pairIn, pairIn)
      .filter(([a, b]) => Math.hypot(a[0] - b[0], a[1] - b[1]) > 1) as fc.Arbitrary<Pair[]>,
  }),
  fc.record({
    kind: fc.constant("stripes" as const),
    angleDeg: fc.constantFrom(0, 90, 33),
    fromMm: snapped(0, 200),
    widthsMm: fc.tuple(snapped(50, 200)).map((widths) => [...widths]),
  }),
);

/**
 * What is thinner than Clipper can tell it is left out: from some slivers of a hundred-thousandth of a millimetre its union does
 * not come back. All of it is less than what the two may differ by.
 */
const withoutSlivers = (paths: PathsD): PathsD =>
  paths.filter((path) => Math.abs(Clipper.areaD(path)) > 0.02);
const areaOf = (paths: PathsD) => Math.abs(paths.reduce((sum, path) => sum + Clipper.areaD(path), 0));

describe("a thousand divisions", () => {
  test("zones are the piece to a billionth of its area, and each is as clipper2 has it", () => {
    fc.assert(
      fc.property(fc.array(drawnIn, { minLength: 1, maxLength: 5 }), (all) => {
        const dividers = all.map((drawn) => divider(drawn, [zone()]));
        const piece = divided(PLATE, dividers);
        const map = mapOf(piece);
        expect(Math.abs(sumOf(map) - 600_000)).toBeLessThan(1e-9 * 600_000);
        // From the top down each takes what is left of the piece within its line.
        let left: PathsD = [[...surfaceOf(piece).ring]];
        for (const above of [...dividers].reverse()) {
          const region = drawnRegions(above, surfaceOf(piece), piece.division as Division).regions.flat();
          const own = region.map((ring: Ring) => ring.map(({ x, y }) => ({ x, y })));
          const clean = Clipper.unionD(withoutSlivers(own), [], FillRule.EvenOdd, 5);
          const area = areaOf(Clipper.intersectD(left, clean, FillRule.NonZero, 5));
          const laid = map.zones.find((found) => found.divider === above);
          // Clipper rounds to a hundred-thousandth of a millimetre: by that times the length of all lines.
          expect(Math.abs(area - (laid?.areaMm2 ?? NaN))).toBeLessThan(0.6);
          left = withoutSlivers(Clipper.differenceD(left, clean, FillRule.NonZero, 5));
        }
      }),
      { numRuns: 1000 },
    );
    // A thousand take half a minute and more on a machine that does something else beside.
  }, 120_000);

  test("the rings of a zone enclose its area, and no zone is less than nothing", () => {
    fc.assert(
      fc.property(fc.array(drawnIn, { minLength: 1, maxLength: 6 }), (all) => {
        const map = mapOf(
          divided(
            PLATE,
            all.map((drawn) => divider(drawn, [zone()])),
          ),
        );
        for (const { areaMm2, rings } of map.zones) {
          // Two lines a hundred-thousandth of a millimetre apart may leave a sliver of either sign.
          expect(areaMm2).toBeGreaterThan(-0.01);
          const area = areaOf(Clipper.unionD(withoutSlivers(rings as PathsD), [], FillRule.EvenOdd, 5));
          expect(Math.abs(area - areaMm2)).toBeLessThan(0.6);
        }
      }),
      { numRuns: 150 },
    );
  });
});
