import type { Point } from "../curves";
import { placeIn, type Ring } from "../ring";

/** A stretch of a line across a piece: which zone it crosses, and from where to where, mm from its start; null beside the piece and over openings. */
export type ZoneAlong = { zoneId: string | null; fromMm: number; toMm: number };

/** Stretches shorter than this are crossings of a corner, mm. */
const LEAST_MM = 1e-6;

/** Where a line crosses the sides of a closed one, as parts of its length. */
function crossings(ring: Ring, from: Point, to: Point): number[] {
  const [dx, dy] = [to.x - from.x, to.y - from.y];
  return ring.flatMap((a, n) => {
    const b = ring[(n + 1) % ring.length] as Point;
    const [ex, ey] = [b.x - a.x, b.y - a.y];
    const across = dx * ey - dy * ex;
    if (across === 0) return [];
    const along = ((a.x - from.x) * ey - (a.y - from.y) * ex) / across;
    const side = ((a.x - from.x) * dy - (a.y - from.y) * dx) / across;
    return along > 0 && along < 1 && side >= 0 && side <= 1 ? [along] : [];
  });
}

/** Which zones lie along a straight line across a divided piece, from its start to its end. */
export function zonesAlong(
  zones: readonly { id: string; rings: readonly Ring[] }[],
  from: Point,
  to: Point,
): ZoneAlong[] {
  const longMm = Math.hypot(to.x - from.x, to.y - from.y);
  const cuts = zones.flatMap(({ rings }) => rings.flatMap((ring) => crossings(ring, from, to)));
  const places = [0, ...cuts.sort((a, b) => a - b), 1];
  const stretches: ZoneAlong[] = [];
  for (let n = 1; n < places.length; n += 1) {
    const [start, end] = [(places[n - 1] as number) * longMm, (places[n] as number) * longMm];
    if (end - start < LEAST_MM) continue;
    const middle = (start + end) / 2 / longMm;
    const at = { x: from.x + middle * (to.x - from.x), y: from.y + middle * (to.y - from.y) };
    const zone = zones.find(({ rings }) => rings.filter((ring) => placeIn(at, ring) > 0).length % 2 === 1);
    const last = stretches.at(-1);
    const zoneId = zone?.id ?? null;
    if (last && last.zoneId === zoneId) last.toMm = end;
    else stretches.push({ zoneId, fromMm: last?.toMm ?? 0, toMm: end });
  }
  const end = stretches.at(-1);
  if (end) end.toMm = longMm;
  return stretches;
}
