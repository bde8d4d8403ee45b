import { byIdentity } from "../numerics/by-identity";
import type { Point } from "./curves";
import { outlineOf } from "./outline";
import type { Door, Piece } from "./piece";
import { boxOf, crossingsAt } from "./ring";

/** How a floor is worked: along an axis, forwards or backwards, so that it ends at a door. */
export type WayOut = {
  axis: "x" | "y";
  forwards: boolean;
  /** How far the floor goes on where one is cut off from the door, behind it or in an arm of the room, mm. */
  behindMm: number;
  /** That is in an arm of the room. */
  inArm: boolean;
  /** The door that one leaves by. */
  doorId: string;
};

/** Somebody who lays the last of it stands in the doorway, and reaches so far, mm (assumed). */
export const REACH_MM = 900;

/** The middle of a door in the outline's coordinates; null where its side is gone. */
export function doorPoint(piece: Piece, { edge, atMm }: Door): Point | null {
  const side = outlineOf(piece).sides.find(({ name }) => name === edge);
  if (!side) return null;
  let left = Math.min(Math.max(0, atMm), side.lengthMm);
  for (const [index, from] of side.path.entries()) {
    const to = side.path[index + 1];
    if (!to) return from;
    const long = Math.hypot(to.x - from.x, to.y - from.y);
    if (left <= long) {
      const share = long > 0 ? left / long : 0;
      return { x: from.x + (to.x - from.x) * share, y: from.y + (to.y - from.y) * share };
    }
    left -= long;
  }
  return null;
}

/** A stretch across a room between two heights at which its outline has corners: at its lower end from and to, and as far as it reaches anywhere. */
type Bay = { from: number; to: number; left: number; right: number; low: number; high: number };
type Bays = { bay: Bay; above: number[] }[];
const MOST_LEVELS = 200;

/** The room cut across at all its corners, from the top of an axis down; each bay with the ones that it opens into above. */
function baysOf(ring: readonly Point[], axis: "x" | "y"): Bays {
  const all = [...new Set(ring.map((corner) => corner[axis]))].sort((a, b) => b - a);
  // Of a traced wall every so many corners are enough to find its arms.
  const every = Math.ceil(all.length / MOST_LEVELS);
  const levels = all.filter((_, index) => index % every === 0 || index === all.length - 1);
  const bays: Bays = [];
  let over: number[] = [];
  for (const [index, high] of levels.slice(0, -1).entries()) {
    const low = levels[index + 1] as number;
    const near = (high - low) * 1e-6;
    const here: number[] = [];
    const ends = crossingsAt(ring, axis, low + near);
    crossingsAt(ring, axis, high - near).forEach(([from, to], at) => {
      const above = over.filter((place) => {
        const { bay } = bays[place] as (typeof bays)[number];
        return Math.min(bay.to, to) > Math.max(bay.from, from);
      });
      here.push(bays.length);
      const [endFrom, endTo] = ends[at] ?? [from, to];
      const [left, right] = [Math.min(from, endFrom), Math.max(to, endTo)];
      bays.push({ bay: { from: endFrom, to: endTo, left, right, low, high }, above });
    });
    over = here;
  }
  return bays;
}

/**
 * How far a floor goes on where who lays it is cut off from a door, when it is laid up an axis: what is dry above a height may fall into parts, and
 * each part without the door is shut in from there to its top.
 */
function shutIn(bays: Bays, axis: "x" | "y", door: Point): { behindMm: number; inArm: boolean } {
  const other = axis === "x" ? "y" : "x";
  /** Parts that are dry, from the top down: how high they reach, and whether the door is in it. */
  const parts: { top: number; door: boolean }[] = [];
  const partOf: number[] = [];
  const root = (part: number): number => (partOf[part] === part ? part : root(partOf[part] as number));
  const inBay: number[] = [];
  let worst = { behindMm: 0, inArm: false };
  const cutOff = (top: number, level: number, inArm: boolean) => {
    if (top - level > worst.behindMm) worst = { behindMm: top - level, inArm };
  };
  for (const { bay, above } of bays) {
    const part = parts.push({ top: bay.high, door: false }) - 1;
    partOf.push(part);
    inBay.push(part);
    for (const place of above) {
      const joined = root(inBay[place] as number);
      const own = root(part);
      if (joined === own) continue;
      const [a, b] = [parts[joined], parts[own]] as [(typeof parts)[number], (typeof parts)[number]];
      if (a.door !== b.door) cutOff((a.door ? b : a).top, bay.high, true);
      partOf[joined] = own;
      parts[own] = { top: Math.max(a.top, b.top), door: a.door || b.door };
    }
    const at = door[axis];
    const own = parts[root(part)] as (typeof parts)[number];
    const within = at >= bay.low - 1 && at <= bay.high + 1;
    if (!own.door && within && door[other] >= bay.left - 1 && door[other] <= bay.right + 1) {
      own.door = true;
      cutOff(own.top, Math.min(at, bay.high), false);
    }
  }
  return worst;
}

/** The way over a floor that leaves the least behind its door; along its length where two leave as little. Null without a door. */
export const wayOut = byIdentity((piece: Piece): WayOut | null => {
  const doors = (piece.shape.kind === "floor" ? (piece.doors ?? []) : []).flatMap((door) => {
    const point = doorPoint(piece, door);
    return point ? [{ id: door.id, point }] : [];
  });
  if (doors.length === 0) return null;
  const { corners } = outlineOf(piece);
  const { minX, minY, maxX, maxY } = boxOf(corners);
  const upsideDown = ({ x, y }: Point): Point => ({ x: -x, y: -y });
  const turned = corners.map(upsideDown);
  const long = maxX - minX >= maxY - minY ? "x" : "y";
  const axes = long === "x" ? (["x", "y"] as const) : (["y", "x"] as const);
  const ways = axes.flatMap((axis) =>
    [true, false].flatMap((forwards) => {
      const bays = baysOf(forwards ? corners : turned, axis);
      return doors.map(({ id, point }): WayOut => {
        const found = shutIn(bays, axis, forwards ? point : upsideDown(point));
        return { axis, forwards, doorId: id, ...found };
      });
    }),
  );
  return ways.reduce((best, way) => (way.behindMm < best.behindMm - 1 ? way : best));
});

/** Whether whoever lays the end of a floor is shut in by what is wet: it goes on further behind the door than one reaches. */
export const isTrap = ({ behindMm }: WayOut): boolean => behindMm > REACH_MM;
