import Flatbush from "flatbush";
import { orient2d } from "robust-predicates";
import { byIdentity } from "../../numerics/by-identity";
import type { Point } from "../curves";
import { boxOf, type Box, type Ring } from "../ring";

/** Places nearer than this are one, mm. */
export const SAME_MM = 1e-6;

/** Sides of a ring by the rows, or the columns, that they reach into. */
type Rows = { low: number; perMm: number; sides: readonly (readonly number[])[] };

/** A ring with what is asked of it over and over. */
export type RingIndex = { ring: Ring; box: Box; sides: Flatbush; rows: Rows; columns: Rows };

/** A row holds about so many sides of a round ring. */
const SIDES_IN_ROW = 6;

function rowsOf(ring: Ring, axis: "x" | "y", low: number, high: number): Rows {
  const many = Math.max(1, Math.min(512, Math.round((2 * ring.length) / SIDES_IN_ROW)));
  const perMm = high > low ? many / (high - low) : 0;
  const sides = Array.from({ length: many }, (): number[] => []);
  const rowOf = (at: number) => Math.max(0, Math.min(many - 1, Math.floor((at - low) * perMm)));
  for (let side = 0; side < ring.length; side += 1) {
    const [a, b] = sideOf(ring, side);
    const [from, to] = a[axis] < b[axis] ? [a[axis], b[axis]] : [b[axis], a[axis]];
    const last = rowOf(to);
    for (let row = rowOf(from); row <= last; row += 1) sides[row]?.push(side);
  }
  return { low, perMm, sides };
}

/** How often a ray from a point along an axis crosses a ring, the sides left out that the point is on. */
export function crossingsBeyond(
  { x, y }: Point,
  axis: "x" | "y",
  { ring, box, rows, columns }: RingIndex,
  on: readonly { ring: Ring; side: number }[],
): number {
  const isX = axis === "x";
  const at = isX ? x : y;
  const across = isX ? y : x;
  if (at > (isX ? box.maxX : box.maxY)) return 0;
  if (across < (isX ? box.minY : box.minX) || across > (isX ? box.maxY : box.maxX)) return 0;
  const { low, perMm, sides } = isX ? rows : columns;
  const row = sides[Math.max(0, Math.min(sides.length - 1, Math.floor((across - low) * perMm)))];
  if (!row) return 0;
  let crossings = 0;
  for (const side of row) {
    const a = ring[side] as Point;
    const b = ring[side + 1 === ring.length ? 0 : side + 1] as Point;
    const [fromAcross, toAcross] = isX ? [a.y, b.y] : [a.x, b.x];
    if (fromAcross <= across === toAcross <= across) continue;
    const [from, to] = isX ? [a.x, b.x] : [a.y, b.y];
    const met = from + ((across - fromAcross) / (toAcross - fromAcross)) * (to - from);
    if (met > at && !on.some((own) => own.ring === ring && own.side === side)) crossings += 1;
  }
  return crossings;
}

const sideOf = (ring: Ring, side: number): [Point, Point] => [
  ring[side] as Point,
  ring[(side + 1) % ring.length] as Point,
];

/** Worked out once for each ring, as are the cuts below: where one line is pulled the others stay as they are. */
export const ringIndex = byIdentity((ring: Ring): RingIndex => {
  const sides = new Flatbush(ring.length);
  for (let side = 0; side < ring.length; side += 1) {
    const [a, b] = sideOf(ring, side);
    sides.add(
      Math.min(a.x, b.x) - SAME_MM,
      Math.min(a.y, b.y) - SAME_MM,
      Math.max(a.x, b.x) + SAME_MM,
      Math.max(a.y, b.y) + SAME_MM,
    );
  }
  sides.finish();
  const box = boxOf(ring);
  const rows = rowsOf(ring, "y", box.minY, box.maxY);
  return { ring, box, sides, rows, columns: rowsOf(ring, "x", box.minX, box.maxX) };
});

/** A place at which two lines meet: how far along each, in sides and parts of them. */
export type RingCut = { at: Point; along: number; otherAlong: number };

const same = (a: Point, b: Point): boolean =>
  Math.abs(a.x - b.x) <= SAME_MM && Math.abs(a.y - b.y) <= SAME_MM;

/** How far along a side a point lies that is on it, 0 and 1 at its ends; null for one that is not. */
function alongIfOn(point: Point, a: Point, b: Point): number | null {
  if (same(point, a)) return 0;
  if (same(point, b)) return 1;
  const [dx, dy] = [b.x - a.x, b.y - a.y];
  const long = dx * dx + dy * dy;
  const along = ((point.x - a.x) * dx + (point.y - a.y) * dy) / long;
  if (!(along > 0 && along < 1)) return null;
  const off = Math.abs((point.x - a.x) * dy - (point.y - a.y) * dx);
  return off <= SAME_MM * Math.sqrt(long) ? along : null;
}

const turn = (p: Point, q: Point, r: Point): number => Math.sign(orient2d(p.x, p.y, q.x, q.y, r.x, r.y));

/** Adds where two sides meet: at their ends where these lie on the other, else where they cross. */
function meet(
  [a, b]: readonly [Point, Point],
  [c, d]: readonly [Point, Point],
  take: (at: Point, along: number, otherAlong: number) => void,
): void {
  let touches = false;
  for (const [point, along] of [
    [a, 0],
    [b, 1],
  ] as const) {
    const other = alongIfOn(point, c, d);
    if (other === null) continue;
    touches = true;
    take(other === 0 ? c : other === 1 ? d : point, along, other);
  }
  for (const [point, other] of [
    [c, 0],
    [d, 1],
  ] as const) {
    const along = alongIfOn(point, a, b);
    if (along === null || along === 0 || along === 1) continue;
    touches = true;
    take(point, along, other);
  }
  if (touches) return;
  if (turn(a, b, c) * turn(a, b, d) >= 0 || turn(c, d, a) * turn(c, d, b) >= 0) return;
  const det = (b.x - a.x) * (d.y - c.y) - (b.y - a.y) * (d.x - c.x);
  const t = ((c.x - a.x) * (d.y - c.y) - (c.y - a.y) * (d.x - c.x)) / det;
  const u = ((c.x - a.x) * (b.y - a.y) - (c.y - a.y) * (b.x - a.x)) / det;
  take({ x: a.x + t * (b.x - a.x), y: a.y + t * (b.y - a.y) }, t, u);
}

const apart = (a: Box, b: Box): boolean =>
  a.minX > b.maxX + SAME_MM ||
  b.minX > a.maxX + SAME_MM ||
  a.minY > b.maxY + SAME_MM ||
  b.minY > a.maxY + SAME_MM;

function findCuts(one: RingIndex, other: RingIndex): RingCut[] {
  const cuts: RingCut[] = [];
  one.ring.forEach((_, side) => {
    const here = sideOf(one.ring, side);
    const [a, b] = here;
    const box = {
      minX: Math.min(a.x, b.x),
      minY: Math.min(a.y, b.y),
      maxX: Math.max(a.x, b.x),
      maxY: Math.max(a.y, b.y),
    };
    if (apart(box, other.box) || same(a, b)) return;
    for (const found of other.sides.search(box.minX, box.minY, box.maxX, box.maxY)) {
      const there = sideOf(other.ring, found);
      if (same(...there)) continue;
      meet(here, there, (at, along, otherAlong) =>
        cuts.push({ at, along: side + along, otherAlong: found + otherAlong }),
      );
    }
  });
  return cuts;
}

const known = new WeakMap<Ring, WeakMap<Ring, RingCut[]>>();

/** Where two rings meet; `along` counts on the first. */
export function cutsBetween(one: Ring, other: Ring): RingCut[] {
  let row = known.get(one);
  if (!row) known.set(one, (row = new WeakMap()));
  let cuts = row.get(other);
  if (!cuts) {
    const [first, second] = [ringIndex(one), ringIndex(other)];
    if (apart(first.box, second.box)) cuts = [];
    else if (one.length <= other.length) cuts = findCuts(first, second);
    else
      cuts = findCuts(second, first).map(({ at, along, otherAlong }) => ({
        at,
        along: otherAlong,
        otherAlong: along,
      }));
    row.set(other, cuts);
  }
  return cuts;
}

/** Where a ring meets itself, but for the corners that its neighbouring sides share: how far along it, twice for each place. */
export const cutsOfItself = byIdentity((ring: Ring): { at: Point; along: number }[] => {
  const { sides } = ringIndex(ring);
  const cuts: { at: Point; along: number }[] = [];
  const count = ring.length;
  ring.forEach((_, side) => {
    const here = sideOf(ring, side);
    const [a, b] = here;
    if (same(a, b)) return;
    const near = sides.search(Math.min(a.x, b.x), Math.min(a.y, b.y), Math.max(a.x, b.x), Math.max(a.y, b.y));
    for (const other of near) {
      if (other <= side || same(...sideOf(ring, other))) continue;
      const [next, before] = [other === side + 1, (other + 1) % count === side];
      const met: RingCut[] = [];
      meet(here, sideOf(ring, other), (at, along, otherAlong) =>
        met.push({ at, along: side + along, otherAlong: other + otherAlong }),
      );
      // A corner that two neighbours share is where the ring goes on, unless it goes back the way that it came.
      if ((next || before) && met.length === 1) continue;
      for (const { at, along, otherAlong } of met) cuts.push({ at, along }, { at, along: otherAlong });
    }
  });
  return cuts;
});
