import { byIdentity } from "../../numerics/by-identity";
import type { Point } from "../curves";
import { boxOf, crossingsAt, type Ring } from "../ring";

/** Lines across a zone along which its widest place is looked for. */
const LINES = 15;

function widest(rings: readonly Ring[]): { at: Point; clearMm: number } | null {
  const points = rings.flat();
  if (points.length < 3) return null;
  const box = boxOf(points);
  const high = box.maxY - box.minY;
  let best: { at: Point; clearMm: number } | null = null;
  for (let n = 1; n < LINES; n += 1) {
    const y = box.minY + (high * n) / LINES;
    const hits = rings.flatMap((ring) => crossingsAt(ring, "y", y).flat()).sort((a, b) => a - b);
    // Near the middle of its height first: a name at the edge of a zone reads as that of its neighbour.
    const off = 1 - 0.6 * Math.abs(n / LINES - 0.5);
    for (let at = 0; at + 1 < hits.length; at += 2) {
      const [from, to] = [hits[at] as number, hits[at + 1] as number];
      const clearMm = ((to - from) / 2) * off;
      if (!best || clearMm > best.clearMm) best = { at: { x: (from + to) / 2, y }, clearMm };
    }
  }
  return best;
}

/** A place well inside closed lines for a name, and how much room it has to either side, mm; null for lines that enclose nothing. */
export const areaMiddle = byIdentity(widest);
