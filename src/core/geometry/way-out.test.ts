import type { Pair } from "./curves";
import fc from "fast-check";
import { cutAtShare, developedLengthMm, stretchOf } from "./lanes";
import { outlineOf } from "./outline";
import type { Door, Piece } from "./piece";
import { mirrored, rotated } from "./transform";
import { doorPoint, isTrap, wayOut } from "./way-out";

/** A room of 6 × 4 m: side 1 is its back, 2 its right, 3 its front, 4 its left. */
const room = (
  doors: Door[],
  points: Pair[] = [
    [0, 0],
    [6000, 0],
    [6000, 4000],
    [0, 4000],
  ],
): Piece => ({
  id: "f",
  name: "Floor",
  count: 1,
  shape: { kind: "floor", points, starts: points.map((_, index) => index) },
  edges: {},
  cutOuts: [],
  doors,
});
const door = (edge: Door["edge"], atMm: number, id = "d"): Door => ({ id, edge, atMm });

describe("the way out of a floor", () => {
  test("strips run towards the door, from the far side", () => {
    const right = wayOut(room([door("side-2", 2000)]))!;
    expect([right.axis, right.forwards, right.behindMm]).toEqual(["x", true, 0]);
    const left = wayOut(room([door("side-4", 2000)]))!;
    expect([left.axis, left.forwards, left.behindMm]).toEqual(["x", false, 0]);
    // In the middle of the front: across, from the back to the front.
    const front = wayOut(room([door("side-3", 3000)]))!;
    expect([front.axis, front.forwards, front.behindMm]).toEqual(["y", true, 0]);
    expect(wayOut(room([]))).toBeNull();
  });
  test("the first share lies far from the door, the last at it", () => {
    const floor = room([door("side-4", 2000)]);
    const [line] = cutAtShare(floor, 0.25).lines;
    // A quarter of 6 m from the right wall.
    expect(line!.map(({ x }) => Math.round(x))).toEqual([4500, 4500]);
    expect(stretchOf(floor, 0, 1500)).toMatchObject({ minX: 4500, maxX: 6000 });
    expect(developedLengthMm(floor)).toBe(6000);
  });
  test("an L with its door in the inner corner shuts in whoever lays its end; a door at an end does not", () => {
    const ell: Pair[] = [
      [0, 0],
      [6000, 0],
      [6000, 2000],
      [3000, 2000],
      [3000, 5000],
      [0, 5000],
    ];
    const inner = wayOut(room([door("side-4", 500)], ell))!;
    expect(inner.behindMm).toBeGreaterThan(900);
    expect(isTrap(inner)).toBe(true);
    expect(isTrap(wayOut(room([door("side-2", 1000)], ell))!)).toBe(false);
    // A second door is a second way.
    expect(wayOut(room([door("side-4", 500, "a"), door("side-2", 1000, "b")], ell))!.doorId).toBe("b");
  });
  /** Two arms to the front; side 3 is the end of the right one, side 7 of the left. */
  const horseshoe: Pair[] = [
    [0, 0],
    [6000, 0],
    [6000, 5000],
    [4000, 5000],
    [4000, 2000],
    [2000, 2000],
    [2000, 5000],
    [0, 5000],
  ];
  test("with two arms, strips do not run up both: across them, to the door at the far side of one", () => {
    // 300 mm from the right wall: from the left to the right only that much lies behind it.
    const way = wayOut(room([door("side-3", 300)], horseshoe))!;
    expect([way.axis, way.forwards, way.inArm]).toEqual(["x", true, false]);
    expect(way.behindMm).toBeCloseTo(300, 6);
    // In the back wall, in the middle: down both arms last shuts in nobody, from the fronts to the back.
    const back = wayOut(room([door("side-1", 3000)], horseshoe))!;
    expect([back.axis, back.forwards, back.behindMm]).toEqual(["y", false, 0]);
    // In the middle of the bridge's front: by any way an arm is left over.
    const bridge = wayOut(room([door("side-5", 1000)], horseshoe))!;
    expect(isTrap(bridge)).toBe(true);
  });
  test("an arm that is cut off is told as an arm, as long as it is from where it parts", () => {
    // Three arms to the front: the middle one has the door at its end, its neighbours are 3 and 2.5 m long.
    const fork: Pair[] = [
      [0, 0],
      [9000, 0],
      [9000, 4500],
      [7000, 4500],
      [7000, 2000],
      [5500, 2000],
      [5500, 5000],
      [3500, 5000],
      [3500, 2000],
      [2000, 2000],
      [2000, 5000],
      [0, 5000],
    ];
    const way = wayOut(room([door("side-7", 1000)], fork))!;
    expect(isTrap(way)).toBe(true);
    expect(way).toMatchObject({ axis: "y", forwards: true, inArm: true });
    expect(way.behindMm).toBeCloseTo(3000, 6);
  });
  test("a door in a slanted wall is found: what lies behind it is told from where it stands", () => {
    const slanted: Pair[] = [
      [0, 0],
      [4000, 0],
      [6000, 4000],
      [0, 4000],
    ];
    // Half way down the slanted right wall, at x = 5000, y = 2000.
    const way = wayOut(room([door("side-2", Math.hypot(2000, 4000) / 2)], slanted))!;
    expect([way.axis, way.forwards]).toEqual(["x", true]);
    expect(way.behindMm).toBeCloseTo(1000, 6);
    expect(isTrap(way)).toBe(true);
  });
  test("on a side of a rectangle no door is ever a trap", () => {
    fc.assert(
      fc.property(
        fc.constantFrom("side-1", "side-2", "side-3", "side-4"),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (edge, share) => {
          const floor = room([]);
          const { lengthMm } = outlineOf(floor).sides.find(({ name }) => name === edge)!;
          const way = wayOut(room([door(edge as Door["edge"], share * lengthMm)]))!;
          expect(way.behindMm).toBeLessThanOrEqual(1);
        },
      ),
    );
  });
  test("mirrored, a door is where it is seen in a mirror; turned, it stays on its side", () => {
    const floor = room([door("side-1", 1000)]);
    const at = doorPoint(floor, floor.doors![0]!)!;
    expect([at.x, at.y]).toEqual([1000, 0]);
    const other = mirrored(floor);
    const mirroredAt = doorPoint(other, other.doors![0]!)!;
    expect(mirroredAt.x).toBeCloseTo(5000, 6);
    expect(mirroredAt.y).toBeCloseTo(0, 6);
    const turned = rotated(floor, 180)!;
    const turnedAt = doorPoint(turned, turned.doors![0]!)!;
    expect(turnedAt.x).toBeCloseTo(5000, 6);
    expect(turnedAt.y).toBeCloseTo(4000, 6);
  });
  test("a door whose side is gone is none; one beyond its side stands at its end", () => {
    expect(doorPoint(room([]), door("side-9", 10))).toBeNull();
    expect(doorPoint(room([]), door("side-2", 99_999))).toEqual({ x: 6000, y: 4000 });
  });
});
