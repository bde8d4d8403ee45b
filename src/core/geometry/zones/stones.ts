import { Delaunay } from "d3-delaunay";
import { seeded } from "../../numerics/random";
import type { Pair, Point } from "../curves";
import { ringTurn, type Box, type Ring } from "../ring";
import { roundCorners } from "../rounding";
import type { MovedStone } from "./division";

/** One stone of a pebble pattern: its number in the pattern, its middle, its line, and which of the kinds it is. */
export type Stone = { number: number; middle: Point; ring: Point[]; kind: number };

/** How far a middle lies from its place in the row at most, as a share of the distance of the middles. */
const LOOSE = 0.3;
/** Rows of a close packing are so far apart, as a share of the distance in a row. */
const ROW = Math.sqrt(3) / 2;
/** Corners are rounded by so much of the size, where they have room. */
const ROUND = 0.3;
/** No pattern has more stones. */
export const MOST_STONES = 4000;

type Site = { number: number; middle: Point; kind: number };

/** Middles over a box, in rows; a margin around it keeps those at its edge as they would be further in. */
function sites(
  box: Box,
  sizeMm: number,
  seed: number,
  kinds: number,
  moved: ReadonlyMap<number, Pair>,
  aroundMm: number | null,
): Site[] {
  const random = seeded(seed);
  const times = aroundMm === null ? null : Math.max(2, Math.round(aroundMm / sizeMm));
  const stepMm = aroundMm === null || times === null ? sizeMm : aroundMm / times;
  const across = times ?? Math.ceil((box.maxX - box.minX) / stepMm) + 3;
  const down = Math.ceil((box.maxY - box.minY) / (stepMm * ROW)) + 3;
  const found: Site[] = [];
  for (let row = 0; row < down; row += 1)
    for (let column = 0; column < across; column += 1) {
      const number = row * across + column;
      const [offX, offY, pick] = [random(), random(), random()];
      const put = moved.get(number);
      const middle = put
        ? { x: put[0], y: put[1] }
        : {
            x:
              box.minX +
              (column + (row % 2) / 2 - (times === null ? 1 : 0) + (offX - 0.5) * 2 * LOOSE) * stepMm,
            y: box.minY + (row - 1 + (offY - 0.5) * 2 * LOOSE) * stepMm * ROW,
          };
      const kind = Math.min(kinds - 1, Math.floor(pick * kinds));
      found.push({ number, middle, kind });
      if (aroundMm !== null)
        for (const by of [-aroundMm, aroundMm])
          found.push({ number, middle: { x: middle.x + by, y: middle.y }, kind });
    }
  return found;
}

/** A convex ring with every side moved in by a distance; nothing where none of it is left. */
export function movedIn(ring: Ring, byMm: number): Point[] {
  let kept: Point[] = [...ring];
  const turn = ringTurn(ring);
  ring.forEach((a, at) => {
    const b = ring[(at + 1) % ring.length] as Point;
    const long = Math.hypot(b.x - a.x, b.y - a.y);
    if (long === 0) return;
    const inside = ({ x, y }: Point) =>
      (turn * ((b.x - a.x) * (y - a.y) - (b.y - a.y) * (x - a.x))) / long - byMm;
    kept = kept.flatMap((p, n) => {
      const q = kept[(n + 1) % kept.length] as Point;
      const [ip, iq] = [inside(p), inside(q)];
      const share = ip / (ip - iq);
      const crossing = ip * iq < 0 ? [{ x: p.x + share * (q.x - p.x), y: p.y + share * (q.y - p.y) }] : [];
      return ip >= 0 ? [p, ...crossing] : crossing;
    });
  });
  return kept.length >= 3 ? kept : [];
}

/** A ring with its corners rounded as far as its sides have room. */
function rounded(ring: Point[], radiusMm: number): Point[] {
  const count = ring.length;
  const at = (n: number) => ring[(n + count) % count] as Point;
  const radii = ring.map((corner, n) => {
    const [before, after] = [at(n - 1), at(n + 1)];
    const [u, v] = [
      [before.x - corner.x, before.y - corner.y],
      [after.x - corner.x, after.y - corner.y],
    ] as const;
    const [long, next] = [Math.hypot(...u), Math.hypot(...v)];
    const angle = Math.acos(Math.max(-1, Math.min(1, (u[0] * v[0] + u[1] * v[1]) / (long * next || 1))));
    return Math.min(radiusMm, 0.49 * Math.min(long, next) * Math.tan(angle / 2));
  });
  return roundCorners(ring, radii).paths.flatMap((path) => path.slice(0, -1));
}

/**
 * Stones over a box: the Voronoi cells of loosely packed middles, each drawn in by half the joint and rounded. The same for the same seed;
 * a stone that was moved has its middle where it was put, and its neighbours give way. Around a tumbler they close at the seam.
 * @param kinds how many kinds of stone there are, picked by chance
 */
export function stonesOver(
  box: Box,
  {
    sizeMm,
    jointMm,
    seed,
    moved = [],
  }: { sizeMm: number; jointMm: number; seed: number; moved?: readonly MovedStone[] },
  kinds: number,
  aroundMm: number | null,
): Stone[] {
  const put = new Map(moved.map(({ stone, at }) => [stone, at]));
  const list = sites(box, sizeMm, seed, kinds, put, aroundMm);
  const margin = 3 * sizeMm + (aroundMm ?? 0);
  const cells = Delaunay.from(
    list,
    ({ middle }) => middle.x,
    ({ middle }) => middle.y,
  ).voronoi([box.minX - margin, box.minY - margin, box.maxX + margin, box.maxY + margin]);
  return list.flatMap(({ number, middle, kind }, n): Stone[] => {
    const cell = cells.cellPolygon(n);
    if (!cell) return [];
    const corners = cell.slice(0, -1).map(([x, y]) => ({ x, y }));
    const ring = movedIn(corners, jointMm / 2);
    if (ring.length < 3) return [];
    const out = rounded(ring, ROUND * sizeMm);
    const seen = out.some(({ x, y }) => x >= box.minX && x <= box.maxX && y >= box.minY && y <= box.maxY);
    return seen ? [{ number, middle, ring: out, kind }] : [];
  });
}
