import type { Point } from "../geometry/curves";
import { diameterAlong } from "../geometry/frustum";
import type { Measured } from "../geometry/measure";
import type { Side } from "../geometry/outline";
import { edgeWords, type EdgeName } from "../geometry/piece";
import { unfoldedFaces } from "../geometry/unfold";
import type { LinePoint } from "../pattern/ops/line";
import { aroundOf } from "./standing";
import type { VeinWay } from "../pattern/passes/vein";
import { turningPoints } from "./turning-points";
import type { PiecePlace } from "./places";
import { waysOnPiece, withinRing, type VeinMap } from "./vein-map";

/** Where a line meets an edge: how far along the edge from the end from which a tape is laid, mm. */
export type Crossing = {
  edge: EdgeName;
  words: string;
  /** From where the tape is laid, as it is said. */
  from: string;
  alongMm: number;
  widthMm: number;
  point: Point;
  /** Where it leaves the face below, along the same edge; null where there is no face. */
  lowerAlongMm: number | null;
};

/** A stretch of a vein on one piece, from where it comes on to where it goes off; null where it begins or ends within. */
export type VeinStretch = {
  kind: VeinWay["kind"];
  enters: Crossing | null;
  leaves: Crossing | null;
  /** Where it turns in between: from the left and from the back of the piece's box, mm; on a wall from its seam and its rim. */
  turns: { xMm: number; yMm: number; widthMm: number }[];
  /** What those two are measured from, as it is said. */
  turnsFrom: readonly [string, string];
  widestMm: number;
  line: LinePoint[];
};

/** How places on a piece are said: from where a tape is laid, and what its edges are called. */
type TapeWords = { left: string; back: string; edge: (name: EdgeName) => string };

const FLAT: TapeWords = { left: "the left", back: "the back", edge: edgeWords };
const WALL_EDGES: Partial<Record<EdgeName, string>> = { back: "rim", front: "base" };
const WALL: TapeWords = { left: "the seam", back: "the rim", edge: (name) => WALL_EDGES[name] ?? "the seam" };
const tapeWords = (piece: Measured): TapeWords => (aroundOf(piece) === null ? FLAT : WALL);

/** Straight edges run from here to there: a tape is laid from the left, or from the back where an edge runs front to back. */
function tapeOf(
  path: readonly Point[],
  at: Point,
  words: TapeWords,
  lengthMm?: number,
): Pick<Crossing, "from" | "alongMm"> {
  const [first, last] = [path[0] as Point, path.at(-1) as Point];
  const [dx, dy] = [last.x - first.x, last.y - first.y];
  const long = Math.hypot(dx, dy);
  let walked = 0;
  let found = 0;
  let nearest = Infinity;
  for (let n = 1; n < path.length; n += 1) {
    const [a, b] = [path[n - 1] as Point, path[n] as Point];
    const long = Math.hypot(b.x - a.x, b.y - a.y);
    const t = Math.min(
      1,
      Math.max(0, ((at.x - a.x) * (b.x - a.x) + (at.y - a.y) * (b.y - a.y)) / (long * long || 1)),
    );
    const off = Math.hypot(at.x - a.x - t * (b.x - a.x), at.y - a.y - t * (b.y - a.y));
    if (off < nearest) [nearest, found] = [off, walked + t * long];
    walked += long;
  }
  // An edge may be longer than it is drawn: around a rim that is wider than the middle of its wall.
  const stretched = lengthMm === undefined || walked === 0 ? 1 : lengthMm / walked;
  if (long < 1e-6 || walked > 1.02 * long) return { from: "its start", alongMm: stretched * found };
  const flat = Math.abs(dx) >= Math.abs(dy);
  const begins = flat ? dx > 0 : dy > 0;
  return { from: flat ? words.left : words.back, alongMm: stretched * (begins ? found : walked - found) };
}

/** Where a stretch from inside to outside meets the outline. */
function crossingOf(
  piece: Measured,
  from: LinePoint,
  to: LinePoint,
  further: readonly LinePoint[],
): Crossing | null {
  const words = tapeWords(piece);
  let best: (Side & { t: number }) | null = null;
  for (const side of piece.outline.sides) {
    const { path } = side;
    for (let n = 1; n < path.length; n += 1) {
      const [a, b] = [path[n - 1] as Point, path[n] as Point];
      const t = meeting(from, to, a, b);
      if (t !== null && (best === null || t < best.t)) best = { ...side, t };
    }
  }
  if (!best) return null;
  const { t, name, path, lengthMm } = best;
  const point = { x: from.x + t * (to.x - from.x), y: from.y + t * (to.y - from.y) };
  const face = unfoldedFaces(piece).find(
    (unfoldedFace) => unfoldedFace.name === name && !unfoldedFace.inside,
  );
  let lower: number | null = null;
  if (face) {
    // Down the face it goes on as it came; its lower edge is the far side of the folded ring.
    const low = face.ring.slice(path.length).reverse();
    const onward = [to, ...further];
    let last: LinePoint = { ...point, halfMm: from.halfMm };
    for (const next of onward) {
      const out = low.slice(1).flatMap((b, n) => {
        const at = meeting(last, next, low[n] as Point, b);
        return at === null
          ? []
          : [{ x: last.x + at * (next.x - last.x), y: last.y + at * (next.y - last.y) }];
      })[0];
      if (out) {
        lower = tapeOf(low, out, words).alongMm + offsetOf(path, low);
        break;
      }
      last = next;
    }
  }
  return {
    edge: name,
    words: words.edge(name),
    ...tapeOf(path, point, words, lengthMm),
    widthMm: 2 * (from.halfMm + t * (to.halfMm - from.halfMm)),
    point,
    lowerAlongMm: lower,
  };
}

/** By how much the lower edge of a face begins before its upper one along it, mm; 0 for a straight face. */
function offsetOf(path: readonly Point[], low: readonly Point[]): number {
  const [a, b] = [path[0] as Point, path.at(-1) as Point];
  const long = Math.hypot(b.x - a.x, b.y - a.y) || 1;
  const start = low[0] as Point;
  const along = ((start.x - a.x) * (b.x - a.x) + (start.y - a.y) * (b.y - a.y)) / long;
  return Math.abs(along) < 1e-6 ? 0 : along;
}

/** Share of the way from p to q at which it meets the stretch a to b; null where it does not. */
function meeting(p: Point, q: Point, a: Point, b: Point): number | null {
  const [rx, ry] = [q.x - p.x, q.y - p.y];
  const [sx, sy] = [b.x - a.x, b.y - a.y];
  const cross = rx * sy - ry * sx;
  if (Math.abs(cross) < 1e-12) return null;
  const t = ((a.x - p.x) * sy - (a.y - p.y) * sx) / cross;
  const u = ((a.x - p.x) * ry - (a.y - p.y) * rx) / cross;
  return t >= 0 && t <= 1 && u >= -1e-9 && u <= 1 + 1e-9 ? t : null;
}

/** A line turns where it is so far off the straight way between its neighbours, mm. */
const TURN_MM = 7;

/** How far a place is from the left, mm; on a tumbler's wall as far as a tape around it there says. */
function alongWall({ piece: { shape }, outline }: Measured, { x, y }: Point): number {
  if (shape.kind !== "tumbler") return x;
  return (x / outline.widthMm) * Math.PI * diameterAlong(shape, outline.heightMm - y);
}

/** The stretches of one vein way on a piece, in its own coordinates. */
function stretchesOf(piece: Measured, { kind, points }: VeinWay): VeinStretch[] {
  const inside = withinRing(piece.outline.corners);
  const words = tapeWords(piece);
  const found: VeinStretch[] = [];
  let line: LinePoint[] = [];
  let enters: Crossing | null = null;
  const finish = (leaves: Crossing | null) => {
    if (line.length > 1)
      found.push({
        kind,
        enters,
        leaves,
        turns: turningPoints(line, TURN_MM).map((point) => ({
          xMm: alongWall(piece, point),
          yMm: point.y,
          widthMm: 2 * point.halfMm,
        })),
        turnsFrom: [words.left, words.back],
        widestMm: 2 * line.reduce((most, { halfMm }) => Math.max(most, halfMm), 0),
        line,
      });
    line = [];
    enters = null;
  };
  points.forEach((point, n) => {
    const before = points[n - 1];
    const isIn = inside(point);
    const wasIn = before ? inside(before) : isIn;
    if (before && isIn && !wasIn) {
      enters = crossingOf(piece, point, before, points.slice(0, n - 1).reverse());
      if (enters) line.push({ ...enters.point, halfMm: enters.widthMm / 2 });
    }
    if (before && !isIn && wasIn) {
      const leaves = crossingOf(piece, before, point, points.slice(n + 1));
      if (leaves) line.push({ ...leaves.point, halfMm: leaves.widthMm / 2 });
      finish(leaves);
    }
    if (isIn) line.push(point);
  });
  finish(null);
  return found;
}

/** One vein of a set on a piece, as a tape tells it and as it is drawn. */
export type PieceVein = {
  setId: string;
  veinId: string;
  name: string;
  number: number;
  stretches: VeinStretch[];
};

/** Shorter stretches are not told. */
const SHORTEST_MM = 25;
const lengthOf = (line: readonly LinePoint[]) =>
  line.slice(1).reduce((sum, { x, y }, n) => {
    const from = line[n] as LinePoint;
    return sum + Math.hypot(x - from.x, y - from.y);
  }, 0);

/** What the veins of a map are on one piece: the list for the tape. Numbers are the map's, the same on all pieces. */
export function tapeList(map: VeinMap, piece: Measured, place: PiecePlace): PieceVein[] {
  let number = 0;
  return map.sets.flatMap((set) =>
    set.veins.flatMap((vein) => {
      number += 1;
      const stretches = waysOnPiece(vein, set.manner, piece, place)
        .flatMap((way) => stretchesOf(piece, way))
        .filter(({ line }) => lengthOf(line) >= SHORTEST_MM);
      return stretches.length > 0
        ? [{ setId: set.id, veinId: vein.id, name: set.name, number, stretches }]
        : [];
    }),
  );
}
