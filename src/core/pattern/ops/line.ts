import { bucketsOf, type Buckets } from "../buckets";
import type { Op } from "../op";
import { edgeCover, meet } from "../tile";

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
/** Numbers of a segment. */
const PARTS = 7;

/** How far a sample's own footprint is looked after at a line's edge, mm. */
const BLURRED_MM = 6;

type Segment = { x: number; y: number; dx: number; dy: number; half: number; more: number; over: number };

/**
 * Of each square only the segments that may be the nearest somewhere in it, one after the other: start, way, 1/length², half-width and how much
 * wider at its end.
 */
function nearest(near: Buckets, segments: readonly Segment[]): { starts: Int32Array; parts: Float64Array } {
  const starts = new Int32Array(near.starts.length);
  const parts = new Float64Array(near.things.length * PARTS);
  const slack = near.sideMm * Math.SQRT1_2;
  const closest = new Float64Array(segments.length);
  let kept = 0;
  for (let square = 0; square < starts.length - 1; square += 1) {
    starts[square] = kept;
    const [from, end] = [near.starts[square] as number, near.starts[square + 1] as number];
    if (from === end) continue;
    const x = near.box.minX + ((square % near.across) + 0.5) * near.sideMm;
    const y = near.box.minY + (Math.floor(square / near.across) + 0.5) * near.sideMm;
    let furthest = Infinity;
    for (let at = from; at < end; at += 1) {
      const n = near.things[at] as number;
      const one = segments[n] as Segment;
      const [px, py] = [x - one.x, y - one.y];
      const t = Math.min(1, Math.max(0, (px * one.dx + py * one.dy) * one.over));
      const [ex, ey] = [px - t * one.dx, py - t * one.dy];
      const distance = Math.sqrt(ex * ex + ey * ey) - one.half;
      closest[n] = distance - slack - Math.max(0, one.more);
      furthest = Math.min(furthest, distance + slack - Math.min(0, one.more));
    }
    for (let at = from; at < end; at += 1) {
      const n = near.things[at] as number;
      if ((closest[n] as number) > furthest) continue;
      const one = segments[n] as Segment;
      const to = kept * PARTS;
      parts[to] = one.x;
      parts[to + 1] = one.y;
      parts[to + 2] = one.dx;
      parts[to + 3] = one.dy;
      parts[to + 4] = one.over;
      parts[to + 5] = one.half;
      parts[to + 6] = one.more;
      kept += 1;
    }
  }
  starts[starts.length - 1] = kept;
  return { starts, parts: parts.slice(0, kept * PARTS) };
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
  const segments = ways.flatMap((points) =>
    points.slice(1).map((to, n) => {
      const from = points[n] as LinePoint;
      const [dx, dy] = [to.x - from.x, to.y - from.y];
      return {
        x: from.x,
        y: from.y,
        dx,
        dy,
        half: from.halfMm,
        more: to.halfMm - from.halfMm,
        over: 1 / Math.max(1e-12, dx * dx + dy * dy),
      };
    }),
  );
  const beyond = 1.5 * edgeMm + BLURRED_MM;
  const near = bucketsOf(
    segments.length,
    (n, to) => {
      const { x, y, dx, dy, half, more } = segments[n] as Segment;
      const reach = Math.max(half, half + more) + beyond;
      to.minX = Math.min(x, x + dx) - reach;
      to.minY = Math.min(y, y + dy) - reach;
      to.maxX = Math.max(x, x + dx) + reach;
      to.maxY = Math.max(y, y + dy) + reach;
    },
    SQUARE_MM,
  );
  const { starts, parts } = nearest(near, segments);
  return {
    kind: "line",
    preserves: "nothing",
    box: near.box,
    back: (tile) => {
      if (!near.meets(tile.box)) return;
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
        const end = (starts[square + 1] as number) * PARTS;
        for (let at = (starts[square] as number) * PARTS; at < end; at += PARTS) {
          const px = x - (parts[at] as number);
          const py = y - (parts[at + 1] as number);
          const dx = parts[at + 2] as number;
          const dy = parts[at + 3] as number;
          const along = (px * dx + py * dy) * (parts[at + 4] as number);
          const t = along < 0 ? 0 : along > 1 ? 1 : along;
          const ex = px - t * dx;
          const ey = py - t * dy;
          const own = (parts[at + 5] as number) + t * (parts[at + 6] as number);
          const far = best + own;
          const distance2 = ex * ex + ey * ey;
          if (far <= 0 || distance2 >= far * far) continue;
          const distance = Math.sqrt(distance2);
          best = distance - own;
          half = own;
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
  };
}
