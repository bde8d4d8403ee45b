import pointInPolygon from "point-in-polygon-hao";
import Flatbush from "flatbush";
import { orient2d } from "robust-predicates";
import type { Point } from "./curves";
import { byIdentity } from "../numerics/by-identity";
import { nth } from "../numerics/nth";

/** A closed line through its corners; the last joins the first. */
export type Ring = readonly Point[];

/** Twice the signed area, positive when it runs clockwise on a screen (y downwards). */
function twiceSignedArea(ring: Ring): number {
  let twice = 0;
  let before = ring[ring.length - 1];
  for (const corner of ring) {
    if (before) twice += before.x * corner.y - corner.x * before.y;
    before = corner;
  }
  return twice;
}

/** Area by the shoelace formula; positive for either direction of travel. */
export const ringAreaMm2 = (ring: Ring): number => Math.abs(twiceSignedArea(ring)) / 2;

/** +1 when it runs clockwise on a screen, −1 when against. */
export const ringTurn = (ring: Ring): 1 | -1 => (twiceSignedArea(ring) < 0 ? -1 : 1);

/** Length of an open line. */
export function pathLengthMm(path: readonly Point[]): number {
  let sum = 0;
  for (let at = 1; at < path.length; at += 1) {
    const [a, b] = [path[at - 1] as Point, path[at] as Point];
    sum += Math.hypot(b.x - a.x, b.y - a.y);
  }
  return sum;
}

export type Box = { minX: number; minY: number; maxX: number; maxY: number };

export function boxOf(points: readonly Point[]): Box {
  const box: Box = { minX: Infinity, minY: Infinity, maxX: -Infinity, maxY: -Infinity };
  for (const { x, y } of points) {
    if (x < box.minX) box.minX = x;
    if (x > box.maxX) box.maxX = x;
    if (y < box.minY) box.minY = y;
    if (y > box.maxY) box.maxY = y;
  }
  return box;
}

const segment = (ring: Ring, index: number): [Point, Point] => [
  ring[index] as Point,
  ring[(index + 1) % ring.length] as Point,
];

/** An index of the segments of a ring by their boxes, so that neighbours are found without looking at all. */
const segmentIndex = byIdentity((ring: Ring): Flatbush => {
  const index = new Flatbush(ring.length);
  for (let at = 0; at < ring.length; at += 1) {
    const [a, b] = segment(ring, at);
    index.add(Math.min(a.x, b.x), Math.min(a.y, b.y), Math.max(a.x, b.x), Math.max(a.y, b.y));
  }
  index.finish();
  return index;
});

const side = (a: Point, b: Point, c: Point) => Math.sign(orient2d(a.x, a.y, b.x, b.y, c.x, c.y));

/** Whether two segments share a point (exact predicates). */
function meet([a, b]: [Point, Point], [c, d]: [Point, Point]): boolean {
  const [s1, s2, s3, s4] = [side(a, b, c), side(a, b, d), side(c, d, a), side(c, d, b)];
  if (s1 !== s2 && s3 !== s4) return true;
  const within = (p: Point, q: Point, r: Point) =>
    Math.min(p.x, q.x) <= r.x &&
    r.x <= Math.max(p.x, q.x) &&
    Math.min(p.y, q.y) <= r.y &&
    r.y <= Math.max(p.y, q.y);
  return (
    (s1 === 0 && within(a, b, c)) ||
    (s2 === 0 && within(a, b, d)) ||
    (s3 === 0 && within(c, d, a)) ||
    (s4 === 0 && within(c, d, b))
  );
}

/** The point of a segment that is nearest to another point. */
function footOn(point: Point, [from, to]: [Point, Point]): Point {
  const [dx, dy] = [to.x - from.x, to.y - from.y];
  const long = dx * dx + dy * dy;
  const along =
    long > 0 ? Math.max(0, Math.min(1, ((point.x - from.x) * dx + (point.y - from.y) * dy) / long)) : 0;
  return { x: from.x + along * dx, y: from.y + along * dy };
}

/** Whether a segment lies wholly on one side of the line through another, further than so much: a cheap answer for most. */
function farFromLine([a, b]: [Point, Point], [c, d]: [Point, Point], farMm: number): boolean {
  const [dx, dy] = [b.x - a.x, b.y - a.y];
  const sideC = dx * (c.y - a.y) - dy * (c.x - a.x);
  const other = dx * (d.y - a.y) - dy * (d.x - a.x);
  const least = Math.min(sideC * sideC, other * other);
  return sideC * other > 0 && least > farMm * farMm * (dx * dx + dy * dy);
}

/** Where two segments that do not meet are nearest, and how far apart they are there. */
function gapBetween(a: [Point, Point], b: [Point, Point]): { widthMm: number; at: Point } {
  let found = { widthMm: Infinity, at: a[0] };
  const look = (point: Point, segment: [Point, Point]) => {
    const foot = footOn(point, segment);
    const widthMm = Math.hypot(point.x - foot.x, point.y - foot.y);
    if (widthMm < found.widthMm)
      found = { widthMm, at: { x: (point.x + foot.x) / 2, y: (point.y + foot.y) / 2 } };
  };
  for (const point of a) look(point, b);
  for (const point of b) look(point, a);
  return found;
}

const pairsOf = (ring: Ring) => {
  const pairs = ring.map(({ x, y }) => [x, y]);
  return [[...pairs, pairs[0] as number[]]];
};

/** Whether a point lies inside (1), on (0) or outside (−1) of a ring. */
export function placeIn(point: Point, ring: Ring): 1 | 0 | -1 {
  const found = pointInPolygon([point.x, point.y], pairsOf(ring) as [number, number][][]);
  if (found === 0) return 0;
  return found ? 1 : -1;
}

/** Length from the first corner to each, mm, and last the whole way round. */
function lengthsAlong(ring: Ring): Float64Array {
  const along = new Float64Array(ring.length + 1);
  for (let at = 0; at < ring.length; at += 1) {
    const [a, b] = segment(ring, at);
    along[at + 1] = nth(along, at) + Math.hypot(b.x - a.x, b.y - a.y);
  }
  return along;
}

export type RingTrouble =
  | { kind: "double"; at: Point; index: number }
  | { kind: "crosses"; at: Point; index: number; other: number }
  | { kind: "neck"; at: Point; index: number; other: number }
  | { kind: "dense"; at: Point; index: number };

/** Pairs of sides apart along the line that are looked at in a ring: several times what any drawn outline asks for. Beyond it the ring is told to be too dense. */
const mostPairs = (corners: number) => 100_000 + 25 * corners;

/** A neck has this many of its widths of outline on either side; with less it is a bend or the tip of a point. */
const NECK_LOOP = 12;

/**
 * What is wrong with a ring: corners that stand twice, sides that cross or touch, necks narrower than `neckMm`.
 * Exact predicates and a spatial index: O(n log n) for what is drawn by people. A ring whose sides lie side by side all over, so that nearly
 * all pairs would have to be looked at, is told to be too dense instead. At most `most` troubles are named.
 */
export function ringTroubles(ring: Ring, neckMm = 1, most = 20): RingTrouble[] {
  const troubles: RingTrouble[] = [];
  const count = ring.length;
  for (let at = 0; at < count && troubles.length < most; at += 1) {
    const [a, b] = segment(ring, at);
    if (a.x === b.x && a.y === b.y) troubles.push({ kind: "double", at: a, index: at });
  }
  if (troubles.length > 0 || count < 4) return troubles;
  const index = segmentIndex(ring);
  const alongMm = lengthsAlong(ring);
  let pairs = 0;
  for (let at = 0; at < count && troubles.length < most; at += 1) {
    const here = segment(ring, at);
    const [a, b] = here;
    const near = index.search(
      Math.min(a.x, b.x) - neckMm,
      Math.min(a.y, b.y) - neckMm,
      Math.max(a.x, b.x) + neckMm,
      Math.max(a.y, b.y) + neckMm,
    );
    for (const other of near) {
      if (other <= at) continue;
      if (troubles.length >= most) break;
      const apart = Math.min(other - at, at + count - other);
      const [c, d] = segment(ring, other);
      if (apart === 1) {
        // Neighbours share a corner; folded back on each other they leave a spike.
        const [far, shared, next] = other === at + 1 ? [a, b, d] : [b, a, c];
        const back = (next.x - shared.x) * (far.x - shared.x) + (next.y - shared.y) * (far.y - shared.y);
        if (side(far, shared, next) === 0 && back > 0)
          troubles.push({ kind: "crosses", at: shared, index: at, other });
        continue;
      }
      const between = nth(alongMm, other) - nth(alongMm, at + 1);
      const loopMm = Math.min(between, nth(alongMm, count) - nth(alongMm, other + 1) + nth(alongMm, at));
      // Neighbours along the line are many on a fine one, and near by nature.
      const apartAlong = loopMm > NECK_LOOP * neckMm;
      if (apartAlong && (pairs += 1) > mostPairs(count))
        return [...troubles, { kind: "dense", at: a, index: at }];
      if (meet(here, [c, d]))
        troubles.push({ kind: "crosses", at: crossing(here, [c, d]), index: at, other });
      else if (apartAlong && !farFromLine(here, [c, d], neckMm)) {
        const gap = gapBetween(here, [c, d]);
        if (gap.widthMm < neckMm) troubles.push({ kind: "neck", at: gap.at, index: at, other });
      }
    }
  }
  return troubles;
}

/** Where two segments that meet do so; for overlapping ones, a shared end. */
function crossing([a, b]: [Point, Point], [c, d]: [Point, Point]): Point {
  const det = (b.x - a.x) * (d.y - c.y) - (b.y - a.y) * (d.x - c.x);
  if (det === 0) return c;
  const along = ((c.x - a.x) * (d.y - c.y) - (c.y - a.y) * (d.x - c.x)) / det;
  return { x: a.x + along * (b.x - a.x), y: a.y + along * (b.y - a.y) };
}

/** Whether the lines of two rings meet anywhere. */
export function ringsMeet(first: Ring, second: Ring): boolean {
  const [few, many] = first.length < second.length ? [first, second] : [second, first];
  const index = segmentIndex(many);
  return few.some((_, at) => {
    const here = segment(few, at);
    const [a, b] = here;
    return index
      .search(Math.min(a.x, b.x), Math.min(a.y, b.y), Math.max(a.x, b.x), Math.max(a.y, b.y))
      .some((other) => meet(here, segment(many, other)));
  });
}

/** Whether a ring lies wholly inside another, clear of its line. */
export function liesInside(inner: Ring, outer: Ring): boolean {
  return placeIn(inner[0] as Point, outer) === 1 && !ringsMeet(inner, outer);
}

/** Whether two rings share any area or touch. */
export function ringsOverlap(a: Ring, b: Ring): boolean {
  return ringsMeet(a, b) || placeIn(a[0] as Point, b) !== -1 || placeIn(b[0] as Point, a) !== -1;
}

/**
 * Area of the part of a ring with x (or y) below a line. Exact for any simple ring:
 * the clipped line runs along the cut where the ring left it, and those stretches cancel.
 */
export function areaBelowMm2(ring: Ring, axis: "x" | "y", limit: number): number {
  const isX = axis === "x";
  let twice = 0;
  let some = false;
  let [firstU, firstV, lastU, lastV] = [0, 0, 0, 0];
  const take = (u: number, v: number) => {
    if (some) twice += lastU * v - u * lastV;
    else {
      firstU = u;
      firstV = v;
      some = true;
    }
    lastU = u;
    lastV = v;
  };
  const count = ring.length;
  let a = ring[0] as Point;
  for (let at = 1; at <= count; at += 1) {
    const b = ring[at === count ? 0 : at] as Point;
    const ua = isX ? a.x : a.y;
    const va = isX ? a.y : a.x;
    const ub = isX ? b.x : b.y;
    if (ua <= limit) take(ua, va);
    if ((ua < limit && ub > limit) || (ua > limit && ub < limit))
      take(limit, va + ((limit - ua) / (ub - ua)) * ((isX ? b.y : b.x) - va));
    a = b;
  }
  return Math.abs(twice + lastU * firstV - firstU * lastV) / 2;
}

/** The stretches of a line across a ring, as pairs of coordinates on the other axis. */
export function crossingsAt(ring: Ring, axis: "x" | "y", at: number): [number, number][] {
  const isX = axis === "x";
  const hits: number[] = [];
  let a = ring.at(-1) as Point;
  for (const b of ring) {
    const [from, to] = isX ? [a.x, b.x] : [a.y, b.y];
    if (from < at !== to < at) {
      const [low, high] = isX ? [a.y, b.y] : [a.x, b.x];
      hits.push(low + ((at - from) / (to - from)) * (high - low));
    }
    a = b;
  }
  hits.sort((one, two) => one - two);
  return hits.flatMap((from, index): [number, number][] =>
    index % 2 === 0 && hits[index + 1] !== undefined ? [[from, nth(hits, index + 1)]] : [],
  );
}
