import type { Box } from "../../geometry/ring";
import { bucketsOf } from "../engine/buckets";
import { meets, type Op } from "../engine/op";
import { turnedBox, whole } from "../engine/packed";
import { edgeCover, meet } from "../engine/tile";

/** A point of a line with half of its width there, mm. */
export type LinePoint = { x: number; y: number; halfMm: number };

/** A ribbon, a drizzle, a vein or a hair laid on what lies there: it covers and pushes nothing. */
export type Line = {
  points: readonly LinePoint[];
  colour: number;
  /** Softness of its own edge, mm; a haze beside a vein is a wide soft line. */
  edgeMm: number;
  /** How much of what lies under it it hides, 0 to 1. */
  hides: number;
};

/** Side of the squares by which segments are found. */
const SQUARE_MM = 24;
/** Numbers of a segment: start, way, 1/length², half-width and how much wider at its end. */
const PARTS = 7;

/** How far a sample's own footprint is looked after at a line's edge, mm. */
const BLURRED_MM = 6;

function segmentsOf(ways: readonly (readonly LinePoint[])[]): Float64Array {
  const parts = new Float64Array(
    PARTS * ways.reduce((sum, points) => sum + Math.max(0, points.length - 1), 0),
  );
  let at = 0;
  for (const points of ways)
    for (let n = 1; n < points.length; n += 1) {
      const [from, to] = [points[n - 1] as LinePoint, points[n] as LinePoint];
      const [dx, dy] = [to.x - from.x, to.y - from.y];
      parts[at] = from.x;
      parts[at + 1] = from.y;
      parts[at + 2] = dx;
      parts[at + 3] = dy;
      parts[at + 4] = 1 / Math.max(1e-12, dx * dx + dy * dy);
      parts[at + 5] = from.halfMm;
      parts[at + 6] = to.halfMm - from.halfMm;
      at += PARTS;
    }
  return parts;
}

/** Where a segment and its edges reach. */
function boxOfSegment(parts: Float64Array, at: number, beyond: number, to: Box): void {
  const [x, y, dx, dy] = [parts[at]!, parts[at + 1]!, parts[at + 2]!, parts[at + 3]!];
  const [half, more] = [parts[at + 5]!, parts[at + 6]!];
  const reach = Math.max(half, half + more) + beyond;
  to.minX = Math.min(x, x + dx) - reach;
  to.minY = Math.min(y, y + dy) - reach;
  to.maxX = Math.max(x, x + dx) + reach;
  to.maxY = Math.max(y, y + dy) + reach;
}

/** Where lines and their edges reach. */
function reachOf(parts: Float64Array, beyond: number): Box {
  const box: Box = { minX: 0, minY: 0, maxX: 0, maxY: 0 };
  if (parts.length === 0) return box;
  const all: Box = { minX: Infinity, minY: Infinity, maxX: -Infinity, maxY: -Infinity };
  for (let at = 0; at < parts.length; at += PARTS) {
    boxOfSegment(parts, at, beyond, box);
    all.minX = Math.min(all.minX, box.minX);
    all.minY = Math.min(all.minY, box.minY);
    all.maxX = Math.max(all.maxX, box.maxX);
    all.maxY = Math.max(all.maxY, box.maxY);
  }
  return all;
}

/** The segments by squares; of a square that is looked at only those are kept that may be the nearest somewhere in it. */
function nearest(parts: Float64Array, beyond: number) {
  const near = bucketsOf(
    parts.length / PARTS,
    (n, to) => boxOfSegment(parts, n * PARTS, beyond, to),
    SQUARE_MM,
  );
  const { starts, things, across, sideMm, box } = near;
  const ends = new Int32Array(starts.length).fill(-1);
  const slack = sideMm * Math.SQRT1_2;
  const closest = new Float64Array(parts.length / PARTS);
  const endOf = (square: number): number => {
    const known = ends[square] as number;
    if (known >= 0) return known;
    const [from, all] = [starts[square] as number, starts[square + 1] as number];
    const x = box.minX + ((square % across) + 0.5) * sideMm;
    const y = box.minY + (Math.floor(square / across) + 0.5) * sideMm;
    let furthest = Infinity;
    for (let k = from; k < all; k += 1) {
      const n = things[k] as number;
      const at = n * PARTS;
      const [px, py] = [x - parts[at]!, y - parts[at + 1]!];
      const [dx, dy, more] = [parts[at + 2]!, parts[at + 3]!, parts[at + 6]!];
      const t = Math.min(1, Math.max(0, (px * dx + py * dy) * parts[at + 4]!));
      const [ex, ey] = [px - t * dx, py - t * dy];
      const distance = Math.sqrt(ex * ex + ey * ey) - parts[at + 5]!;
      closest[n] = distance - slack - Math.max(0, more);
      furthest = Math.min(furthest, distance + slack - Math.min(0, more));
    }
    let end = from;
    for (let k = from; k < all; k += 1) {
      const n = things[k] as number;
      if ((closest[n] as number) > furthest) continue;
      things[end] = n;
      end += 1;
    }
    ends[square] = end;
    return end;
  };
  return { near, endOf };
}

/** So many segments of a line have one box together. */
const TOGETHER = 8;
/** Segments for the kernel: boxes of each eight, and twelve numbers for each, its box first. */
function packedSegments(parts: Float64Array, beyond: number): Float32Array[] {
  const many = parts.length / PARTS;
  const boxes = new Float32Array(4 * Math.ceil(many / TOGETHER)).fill(Infinity);
  const segments = new Float32Array(12 * many);
  const box: Box = { minX: 0, minY: 0, maxX: 0, maxY: 0 };
  for (let n = 0; n < many; n += 1) {
    boxOfSegment(parts, n * PARTS, beyond, box);
    turnedBox(box).forEach((edge, side) => {
      const at = 4 * Math.floor(n / TOGETHER) + side;
      segments[12 * n + side] = edge;
      boxes[at] = Math.min(boxes[at] as number, edge);
    });
    for (let part = 0; part < PARTS; part += 1)
      segments[12 * n + 4 + part] = parts[n * PARTS + part] as number;
  }
  return [boxes, segments];
}

/** α = |[d − e, d + e] ∩ [−w, w]| / 2e, d the distance from its middle. */
export const line = ({ points, ...rest }: Line): Op => lines({ ways: [points], ...rest });

/** Several lines of one colour laid at once: a place is covered by the nearest of them. */
export function lines({
  ways,
  colour,
  edgeMm,
  hides,
}: Omit<Line, "points"> & { ways: readonly (readonly LinePoint[])[] }): Op {
  const beyond = 1.5 * edgeMm + BLURRED_MM;
  const parts = segmentsOf(ways);
  const box = reachOf(parts, beyond);
  // A line that the drawn part of a picture does not meet is never sorted into squares.
  let sorted: ReturnType<typeof nearest> | null = null;
  let tables: Float32Array[] | null = null;
  return {
    kind: "line",
    preserves: "nothing",
    box,
    back: (tile) => {
      if (!meets(box, tile.box)) return;
      const { near, endOf } = (sorted ??= nearest(parts, beyond));
      if (!near.meets(tile.box)) return;
      const { starts, things } = near;
      const { index, x: xs, y: ys, live } = tile;
      for (let n = 0; n < live; n += 1) {
        const i = index[n] as number;
        const x = xs[i] as number;
        const y = ys[i] as number;
        const square = near.square(x, y);
        if (square < 0) continue;
        let best = beyond;
        let half = -1;
        let nx = 1;
        let ny = 0;
        const end = endOf(square);
        for (let k = starts[square] as number; k < end; k += 1) {
          const at = (things[k] as number) * PARTS;
          const px = x - (parts[at] as number);
          const py = y - (parts[at + 1] as number);
          const dx = parts[at + 2] as number;
          const dy = parts[at + 3] as number;
          const along = (px * dx + py * dy) * (parts[at + 4] as number);
          const t = along < 0 ? 0 : along > 1 ? 1 : along;
          const ex = px - t * dx;
          const ey = py - t * dy;
          const halfHere = (parts[at + 5] as number) + t * (parts[at + 6] as number);
          const far = best + halfHere;
          const distance2 = ex * ex + ey * ey;
          if (far <= 0 || distance2 >= far * far) continue;
          const distance = Math.sqrt(distance2);
          best = distance - halfHere;
          half = halfHere;
          nx = ex;
          ny = ey;
        }
        if (half < 0) continue;
        const long = Math.sqrt(nx * nx + ny * ny);
        const over = long > 1e-9 ? 1 / long : 0;
        const covered = edgeCover(tile, i, -best, over > 0 ? nx * over : 1, ny * over, edgeMm, 2 * half);
        if (covered > 0) meet(tile, i, colour, hides * covered);
      }
    },
    forward: (px, py) => [px, py],
    packed: () => ({
      numbers: [
        ...[edgeMm, hides, beyond, whole(colour), whole(parts.length / PARTS)],
        ...(tables ??= packedSegments(parts, beyond)),
      ],
    }),
  };
}
