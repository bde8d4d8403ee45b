import fc from "fast-check";
import { newPiece } from "../geometry/new-piece";
import { measurePiece, type Measured } from "../geometry/measure";
import type { Piece } from "../geometry/piece";
import { boxOf } from "../geometry/ring";
import { tapeList } from "./tape";
import { veinWays } from "../pattern/passes/vein";
import { mapBox, placesOf, ringOnMap, snapped, toMap, toPiece } from "./places";
import {
  drawnVein,
  onPiece,
  redrawn,
  ribbonRing,
  veinAcross,
  veinAmounts,
  veinsOnPiece,
  waysOnPiece,
  type MapVein,
  type VeinMap,
  type VeinSet,
} from "./vein-map";

let counter = 0;
const newId = () => `id-${++counter}`;
const measured = (piece: Piece): Measured => {
  const found = measurePiece(piece);
  if (!found.ok) throw new Error(JSON.stringify(found.faults));
  return found.measured;
};
const slab = (lengthMm: number, depthMm: number, faces = false) => {
  const piece = newPiece("rectangle", "Slab", newId);
  piece.shape = { kind: "rectangle", lengthMm, depthMm };
  if (!faces)
    for (const side of ["back", "right", "front", "left"] as const)
      piece.edges[side] = { treatment: "wall", heightMm: 0, roundingMm: 0 };
  return measured(piece);
};
/** A vein that does not wander, so that where it goes is known. */
const set = (veins: MapVein[]): VeinSet => ({
  id: "set",
  name: "Graphite",
  coatId: "coat",
  colourId: "colour",
  angleDeg: 0,
  metresPerM2: 3,
  thickMm: 6,
  manner: { wander: 0, contrast: 0, branching: 0, hairs: 0, hazeMm: 0 },
  seed: 3,
  veins,
});
const vein = (points: [number, number][], thickMm = 6): MapVein => ({
  id: newId(),
  seed: 5,
  thickMm,
  points,
});
const mapOf = (veins: MapVein[]): VeinMap => ({ places: {}, sets: [set(veins)] });
const HOME = { xMm: 0, yMm: 0, turnDeg: 0 };

test("a place on the map is the same place on the piece, turned as it stands", () => {
  const place = { xMm: 120, yMm: -40, turnDeg: 37 };
  const there = toMap(place, { x: 300, y: 55 });
  const back = toPiece(place, there);
  expect([back.x, back.y]).toEqual([expect.closeTo(300, 9), expect.closeTo(55, 9)]);
});

test("the tape: a line from the left edge to the front is told to within its own roughness", () => {
  const piece = slab(1200, 600);
  // It crosses x = 0 at y = 312 and y = 600 at x = 845.
  const slope = (600 - 312) / 845;
  const [one] = tapeList(
    mapOf([
      vein([
        [-200, 312 - 200 * slope],
        [1045, 312 + 1045 * slope],
      ]),
    ]),
    piece,
    HOME,
  );
  const [stretch] = one!.stretches;
  expect(stretch!.enters).toMatchObject({ edge: "left", from: "the back" });
  expect(stretch!.leaves).toMatchObject({ edge: "front", from: "the left" });
  // Without wander a vein is still drawn by hand: a stretch strays by a twentieth of its length at most.
  expect(Math.abs(stretch!.enters!.alongMm - 312)).toBeLessThan(30);
  expect(Math.abs(stretch!.leaves!.alongMm - 845)).toBeLessThan(60);
  expect(stretch!.enters!.widthMm).toBeLessThanOrEqual(6.01);
});

test("where two slabs meet a vein leaves the one where it enters the other, to 0.5 mm", () => {
  const [left, right] = [slab(900, 600), slab(700, 600)];
  const map: VeinMap = {
    places: { [left.id]: HOME, [right.id]: { xMm: 900, yMm: 0, turnDeg: 0 } },
    sets: [
      {
        ...set([
          vein([
            [50, 100],
            [600, 260],
            [1200, 330],
            [1550, 500],
          ]),
        ]),
        manner: { wander: 0.7, contrast: 0.5, branching: 0, hairs: 0, hazeMm: 0 },
      },
    ],
  };
  const places = placesOf([left, right], map.places);
  const on = (piece: Measured) => tapeList(map, piece, places.get(piece.id)!)[0]!.stretches;
  const leaves = on(left)
    .flatMap(({ leaves: end, enters }) => [end, enters])
    .find((end) => end?.edge === "right");
  const enters = on(right)
    .flatMap(({ enters: end, leaves: other }) => [end, other])
    .find((end) => end?.edge === "left");
  expect(Math.abs(leaves!.alongMm - enters!.alongMm)).toBeLessThan(0.5);
  expect(Math.abs(leaves!.widthMm - enters!.widthMm)).toBeLessThan(0.2);
});

test("over a face a vein goes on as it came: its foot lies further along by the face's height", () => {
  const piece = slab(1200, 600, true);
  // Straight over the front edge at 45°.
  const [one] = tapeList(
    mapOf([
      vein([
        [300, 300],
        [700, 700],
      ]),
    ]),
    piece,
    HOME,
  );
  const end = one!.stretches[0]!.leaves!;
  expect(end.edge).toBe("front");
  const high = 38 - (2 - Math.PI / 2) * 3;
  expect(Math.abs(end.lowerAlongMm! - end.alongMm - high)).toBeLessThan(8);
});

test("a turned piece is told in its own edges", () => {
  const piece = slab(1000, 500);
  const place = { xMm: 500, yMm: 0, turnDeg: 90 };
  // Turned by a quarter its back lies to the right of the map.
  const box = boxOf(ringOnMap(piece, place));
  expect(box.maxX).toBeCloseTo(500, 6);
  expect(box.minX).toBeCloseTo(0, 6);
  expect(box.maxY).toBeCloseTo(1000, 6);
  const [one] = tapeList(
    mapOf([
      vein([
        [-100, 400],
        [700, 400],
      ]),
    ]),
    piece,
    place,
  );
  expect([one!.stretches[0]!.enters!.edge, one!.stretches[0]!.leaves!.edge].sort()).toEqual([
    "back",
    "front",
  ]);
});

test("the volume: length by width of what lies on top and faces, and nothing beside", () => {
  const piece = slab(1000, 500);
  const { lengthMm, areaMm2 } = veinAmounts(
    set([
      vein(
        [
          [-500, 250],
          [1500, 250],
        ],
        10,
      ),
    ]),
    piece,
    HOME,
  );
  expect(lengthMm).toBeGreaterThan(990);
  expect(lengthMm).toBeLessThan(1030);
  // 10 mm wide where it is neither thick nor thin.
  expect(areaMm2 / lengthMm).toBeCloseTo(10, 0);
});

test("drawn anew, what is locked stays and the rest is another; as dense as is asked for", () => {
  const pieces = [slab(1600, 600), slab(900, 600)];
  const box = mapBox(pieces, placesOf(pieces, {}));
  const kept = {
    ...vein([
      [0, 0],
      [500, 300],
    ]),
    locked: true,
  };
  const first = redrawn(set([kept]), box, newId);
  expect(first.veins[0]).toEqual(kept);
  const other = redrawn({ ...first, seed: 9 }, box, newId);
  expect(other.veins[0]).toEqual(kept);
  expect(other.veins.slice(1).map(({ points }) => points)).not.toEqual(
    first.veins.slice(1).map(({ points }) => points),
  );
  expect(redrawn({ ...first, metresPerM2: 9 }, box, newId).veins.length).toBeGreaterThan(first.veins.length);
});

test("however thin a set is, no vein of it is thinner than can be drawn and kept", () => {
  const pieces = [slab(300, 200)];
  const box = mapBox(pieces, placesOf(pieces, {}));
  for (const seed of [1, 2, 3, 4]) {
    const { veins } = redrawn({ ...set([]), thickMm: 0.3, metresPerM2: 24, seed }, box, newId);
    expect(veins.length).toBeGreaterThan(1);
    expect(Math.min(...veins.map(({ thickMm }) => thickMm))).toBeGreaterThanOrEqual(0.3);
  }
});

test("laid out by itself, a row of pieces has all faces folded out clear of each other", () => {
  const pieces = [slab(1600, 600, true), slab(900, 600, true), slab(300, 300, true)];
  const places = placesOf(pieces, {});
  const boxes = pieces.map((piece) => mapBox([piece], places));
  boxes.slice(1).forEach(({ minX }, n) => expect(minX).toBeGreaterThan(boxes[n]!.maxX));
});

test("a piece pulled near another snaps to it; far from all it stays where it is let go", () => {
  const [a, b] = [slab(1000, 600), slab(800, 600)];
  const others = [{ piece: a, place: HOME }];
  expect(snapped(b, { xMm: 1012, yMm: 7, turnDeg: 0 }, others, 20)).toEqual({
    xMm: 1000,
    yMm: 0,
    turnDeg: 0,
  });
  const free = { xMm: 1400, yMm: 300, turnDeg: 0 };
  expect(snapped(b, free, others, 20)).toEqual(free);
});

test("a corner near a corner comes onto it, however the pieces are turned: a mitre closes", () => {
  const [a, b] = [slab(1000, 600), slab(800, 600)];
  fc.assert(
    fc.property(
      fc.integer({ min: -180, max: 180 }),
      fc.double({ min: -13, max: 13, noNaN: true }),
      fc.double({ min: -13, max: 13, noNaN: true }),
      (turnDeg, dx, dy) => {
        const others = [{ piece: a, place: { ...HOME, turnDeg: 30 } }];
        const joint = ringOnMap(a, others[0]!.place)[1]!;
        // Its own first corner is its place.
        const place = snapped(b, { xMm: joint.x + dx, yMm: joint.y + dy, turnDeg }, others, 20);
        expect(place.turnDeg).toBe(turnDeg);
        const near = ringOnMap(b, place).flatMap((mine) =>
          ringOnMap(a, others[0]!.place).map((theirs) => Math.hypot(mine.x - theirs.x, mine.y - theirs.y)),
        );
        expect(Math.min(...near)).toBeLessThan(1e-9);
      },
    ),
  );
});

test("on its picture a piece has the veins of its own coat, in its own coordinates", () => {
  const map = mapOf([
    vein([
      [100, 100],
      [400, 200],
    ]),
  ]);
  const place = { xMm: 60, yMm: 20, turnDeg: 0 };
  const piece = slab(600, 400);
  const [planned] = veinsOnPiece(map, "coat", piece, place, (id) => (id === "colour" ? 4 : null));
  expect(planned!.at).toBe(4);
  expect(planned!.veins[0]!.points[0]).toEqual({ x: 40, y: 80 });
  expect(veinsOnPiece(map, "another", piece, place, () => 4)).toEqual([]);
  expect(veinsOnPiece(map, "coat", piece, place, () => null)).toEqual([]);
});

test("grown on the map a vein is what it is grown on the piece, however that is turned; far from it there is none", () => {
  const piece = slab(900, 500);
  const manner = { wander: 0.6, contrast: 0.5, branching: 0.6, hairs: 0.5, hazeMm: 4 };
  const mapVein = vein([
    [100, 80],
    [500, 300],
    [900, 420],
  ]);
  for (const place of [HOME, { xMm: 300, yMm: -120, turnDeg: 33 }]) {
    const there = onPiece(mapVein, piece, place).flatMap((vein) => veinWays(vein, manner));
    const moved = waysOnPiece(mapVein, manner, piece, place);
    expect(moved.length).toBeGreaterThan(2);
    for (const { kind, points } of moved) {
      const same = there.find(
        (way) =>
          way.kind === kind &&
          way.points.length === points.length &&
          Math.hypot(way.points[0]!.x - points[0]!.x, way.points[0]!.y - points[0]!.y) < 1e-6,
      )!;
      points.forEach(({ x, y, halfMm }, n) => {
        expect(Math.hypot(same.points[n]!.x - x, same.points[n]!.y - y)).toBeLessThan(1e-6);
        expect(same.points[n]!.halfMm).toBeCloseTo(halfMm, 9);
      });
    }
  }
  expect(waysOnPiece(mapVein, manner, piece, { xMm: 5000, yMm: 0, turnDeg: 0 })).toEqual([]);
  // Another manner is not the one that is remembered.
  const bare = { ...manner, branching: 0, hairs: 0 };
  expect(waysOnPiece(mapVein, bare, piece, HOME).length).toBe(1);
  expect(waysOnPiece(mapVein, manner, piece, HOME).length).toBeGreaterThan(2);
});

test("a line with its width is a ring around it", () => {
  const ring = ribbonRing([
    { x: 0, y: 0, halfMm: 2 },
    { x: 10, y: 0, halfMm: 3 },
  ]);
  expect(ring).toEqual([
    { x: 0, y: -2 },
    { x: 10, y: -3 },
    { x: 10, y: 3 },
    { x: 0, y: 2 },
  ]);
});

describe("a vein by hand", () => {
  const veinSet = set([]);
  const line = Array.from({ length: 200 }, (_, n) => ({ x: 6 * n, y: 200 + 90 * Math.sin(n / 25) }));
  test("goes where it was drawn, with few points, and is locked", () => {
    const drawn = drawnVein(veinSet, line, "new")!;
    expect(drawn).toMatchObject({ id: "new", locked: true, thickMm: veinSet.thickMm });
    expect(drawn.points[0]).toEqual([0, 200]);
    expect(drawn.points.at(-1)![0]).toBe(6 * 199);
    expect(drawn.points.length).toBeLessThan(20);
    for (const { x, y } of line) {
      const n = drawn.points.findIndex(([px], k) => k > 0 && px >= x);
      const [[ax, ay], [bx, by]] = [drawn.points[n - 1]!, drawn.points[n]!];
      expect(Math.abs(ay + ((by - ay) * (x - ax)) / (bx - ax) - y)).toBeLessThan(15);
    }
  });
  test("however wild, it can be kept; a dot is none", () => {
    const wild = Array.from({ length: 900 }, (_, n) => ({ x: n, y: n % 2 === 0 ? 0 : 300 }));
    expect(drawnVein(veinSet, wild, "new")!.points.length).toBeLessThanOrEqual(40);
    expect(
      drawnVein(
        veinSet,
        [
          { x: 5, y: 5 },
          { x: 7, y: 6 },
        ],
        "new",
      ),
    ).toBeNull();
    expect(drawnVein(veinSet, [{ x: 5, y: 5 }], "new")).toBeNull();
  });
  test("added across, it runs in its set's direction within what stands there", () => {
    const box = { minX: 0, minY: 0, maxX: 1000, maxY: 400 };
    for (const angleDeg of [0, 30, 90, -60]) {
      const { points } = veinAcross({ ...veinSet, angleDeg }, box, "new")!;
      const [[ax, ay], [bx, by]] = [points[0]!, points.at(-1)!];
      expect(Math.abs(Math.atan2(by - ay, bx - ax) - (angleDeg * Math.PI) / 180)).toBeLessThan(0.02);
      for (const [x, y] of points) {
        expect(x).toBeGreaterThanOrEqual(-1);
        expect(x).toBeLessThanOrEqual(1001);
        expect(y).toBeGreaterThanOrEqual(-1);
        expect(y).toBeLessThanOrEqual(401);
      }
    }
  });
});
