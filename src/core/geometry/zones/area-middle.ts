import { byIdentity } from "../../numerics/by-identity";
import { nth } from "../../numerics/nth";
import type { Point } from "../curves";
import { boxOf, crossingsAt, type Ring } from "../ring";

/** Lines across a zone along which its widest place is looked for. */
const LINES = 11;
/** A name is so many times wider than it is high. */
const WIDE = 3;

/** The stretch of a line across closed lines that a place lies on. */
function stretchAt(rings: readonly Ring[], axis: "x" | "y", at: number, on: number): [number, number] | null {
  const hits = rings.flatMap((ring) => crossingsAt(ring, axis, at).flat()).sort((a, b) => a - b);
  for (let n = 0; n + 1 < hits.length; n += 2)
    if (nth(hits, n) <= on && on <= nth(hits, n + 1)) return [nth(hits, n), nth(hits, n + 1)];
  return null;
}

/** A name need not be placed by every corner of a traced line. */
const CORNERS = 96;
const coarse = (ring: Ring): Ring => {
  const every = Math.ceil(ring.length / CORNERS);
  return every > 1 ? ring.filter((_, n) => n % every === 0) : ring;
};

function widest(fine: readonly Ring[]): { at: Point; clearMm: number } | null {
  const rings = fine.map(coarse);
  const points = rings.flat();
  if (points.length < 3) return null;
  const { minY, maxY } = boxOf(points);
  let best: { at: Point; clearMm: number; score: number } | null = null;
  for (let n = 1; n < LINES; n += 1) {
    const y = minY + ((maxY - minY) * n) / LINES;
    const hits = rings.flatMap((ring) => crossingsAt(ring, "y", y).flat()).sort((a, b) => a - b);
    for (let at = 0; at + 1 < hits.length; at += 2) {
      const [from, to] = [nth(hits, at), nth(hits, at + 1)];
      const x = (from + to) / 2;
      const [back, front] = stretchAt(rings, "x", x, y) ?? [y, y];
      const clearMm = Math.min((to - from) / 2, (WIDE * (front - back)) / 2);
      // Of places with as much room the one nearest to the middle.
      const score = clearMm * (1 - 0.3 * Math.abs(n / LINES - 0.5));
      if (!best || score > best.score) best = { at: { x, y: (back + front) / 2 }, clearMm, score };
    }
  }
  return best;
}

/** A place well inside closed lines for a name, and how much room it has to either side, mm; null for lines that enclose nothing. */
export const areaMiddle = byIdentity(widest);
