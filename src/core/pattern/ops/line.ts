import { bucketsOf } from "../buckets";
import type { Op } from "../op";
import { edgeHalfMm, meet } from "../tile";

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

/** α = |[d − e, d + e] ∩ [−w, w]| / 2e, d the distance from its middle. */
export const line = ({ points, ...rest }: Line): Op => lines({ ways: [points], ...rest });

/** Several lines of one colour laid at once: a place is covered by the nearest of them. */
export function lines({
  ways,
  colour,
  edgeMm,
  hides,
}: Omit<Line, "points"> & { ways: readonly (readonly LinePoint[])[] }): Op {
  const most = ways.flat().reduce((wide, { halfMm }) => Math.max(wide, halfMm), 0);
  const reach = most + 4 * edgeMm + 4;
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
        length2: Math.max(1e-12, dx * dx + dy * dy),
      };
    }),
  );
  const near = bucketsOf(
    segments.map(({ x, y, dx, dy }) => ({
      minX: Math.min(x, x + dx) - reach,
      minY: Math.min(y, y + dy) - reach,
      maxX: Math.max(x, x + dx) + reach,
      maxY: Math.max(y, y + dy) + reach,
    })),
    SQUARE_MM,
  );
  return {
    kind: "line",
    preserves: "nothing",
    box: near.box,
    back: (tile) => {
      if (!near.meets(tile.box)) return;
      for (let n = 0; n < tile.live; n += 1) {
        const i = tile.index[n] as number;
        const x = tile.x[i] as number;
        const y = tile.y[i] as number;
        let best = Infinity;
        let half = 0;
        let nx = 1;
        let ny = 0;
        const square = near.square(x, y);
        if (square < 0) continue;
        const end = near.starts[square + 1] as number;
        for (let at = near.starts[square] as number; at < end; at += 1) {
          const segment = segments[near.things[at] as number] as (typeof segments)[number];
          const px = x - segment.x;
          const py = y - segment.y;
          const t = Math.min(1, Math.max(0, (px * segment.dx + py * segment.dy) / segment.length2));
          const ex = px - t * segment.dx;
          const ey = py - t * segment.dy;
          const own = segment.half + t * segment.more;
          const distance = Math.sqrt(ex * ex + ey * ey);
          if (distance - own < best) {
            best = distance - own;
            half = own;
            const over = 1 / Math.max(1e-9, distance);
            nx = ex * over;
            ny = ey * over;
          }
        }
        if (best > reach) continue;
        const e = edgeHalfMm(tile, i, nx, ny, edgeMm);
        const d = best + half;
        const covered = Math.min(d + e, half) - Math.max(d - e, -half);
        if (covered > 0) meet(tile, i, colour, hides * Math.min(1, covered / (2 * e)));
      }
    },
    forward: (px, py) => [px, py],
  };
}
