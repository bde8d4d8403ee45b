import type { Point, Pair } from "../geometry/curves";
import type { Measured } from "../geometry/measure";

import { boxOf, placeIn, type Box } from "../geometry/ring";
import { unfoldedFaces } from "../geometry/unfold";
import { meets } from "../pattern/engine/op";
import type { LinePoint } from "../pattern/ops/line";
import { mapBox, toPiece, type PiecePlace } from "./places";
import type { PlannedVeins } from "../pattern/passes/rehearsal";
import { aroundOf } from "./standing";
import { THINNEST_VEIN_MM } from "../pattern/passes/work";
import { turningPoints } from "./turning-points";
import { growVeins, veinWays, type Vein, type VeinManner, type VeinWay } from "../pattern/passes/vein";

/** A vein of the map, in the coordinates of all pieces as they will stand. */
export type MapVein = {
  id: string;
  seed: number;
  thickMm: number;
  points: Pair[];
  /** Stays when its set is drawn anew. */
  locked?: boolean;
};

/** Veins of one kind: one coat's colour, one direction, one manner. */
export type VeinSet = {
  id: string;
  name: string;
  coatId: string;
  colourId: string;
  angleDeg: number;
  metresPerM2: number;
  thickMm: number;
  manner: VeinManner;
  seed: number;
  veins: MapVein[];
};

/** Places by the ids of the pieces that stand on it, `standing`. */
export type VeinMap = { places: Record<string, PiecePlace>; sets: VeinSet[] };

/** A set drawn anew by its seed: what is locked stays. */
export function redrawn(set: VeinSet, box: Box, newId: () => string): VeinSet {
  const kept = set.veins.filter(({ locked }) => locked);
  const grown = growVeins(box, {
    angle: (set.angleDeg * Math.PI) / 180,
    metresPerM2: set.metresPerM2,
    thickMm: set.thickMm,
    manner: set.manner,
    seed: set.seed,
  });
  return {
    ...set,
    veins: [
      ...kept,
      ...grown.slice(kept.length).map(({ seed, points, thickMm }): MapVein => ({
        id: newId(),
        seed,
        thickMm: Math.max(THINNEST_VEIN_MM, Math.round(thickMm * 10) / 10),
        points: points.map(({ x, y }): Pair => [Math.round(x), Math.round(y)]),
      })),
    ],
  };
}

/** Between its points a vein that was drawn by hand is as it was drawn to within this, mm; further apart where they would be too many. */
const DRAWN_MM = 12;
const MOST_POINTS = 40;
/** A shorter line than this was not meant, mm. */
const SHORTEST_DRAWN_MM = 20;

/** A vein through where a hand has drawn on the map, of its set's thickness, locked; null for a dot. */
export function drawnVein(set: VeinSet, line: readonly Point[], id: string): MapVein | null {
  const { minX, minY, maxX, maxY } = boxOf([...line]);
  if (line.length < 2 || Math.hypot(maxX - minX, maxY - minY) < SHORTEST_DRAWN_MM) return null;
  let withinMm = DRAWN_MM;
  let turns = turningPoints(line, withinMm);
  while (turns.length > MOST_POINTS - 2) turns = turningPoints(turns, (withinMm *= 1.5));
  const points = [line[0] as Point, ...turns, line.at(-1) as Point];
  return {
    id,
    seed: (set.seed * 101 + set.veins.length * 7 + 1) % 1_000_000,
    thickMm: set.thickMm,
    points: points.map(({ x, y }): Pair => [Math.round(x), Math.round(y)]),
    locked: true,
  };
}

/** A vein straight across the middle of what stands on the map, in its set's direction: to be pulled into its way. */
export function veinAcross(set: VeinSet, box: Box, id: string): MapVein | null {
  const angle = (set.angleDeg * Math.PI) / 180;
  const [x, y] = [(box.minX + box.maxX) / 2, (box.minY + box.maxY) / 2];
  const half = Math.min(
    (box.maxX - box.minX) / Math.max(0.05, 2 * Math.abs(Math.cos(angle))),
    (box.maxY - box.minY) / Math.max(0.05, 2 * Math.abs(Math.sin(angle))),
  );
  const at = (share: number): Point => ({
    x: x + share * half * Math.cos(angle),
    y: y + share * half * Math.sin(angle),
  });
  const vein = drawnVein(set, [at(-1), at(1)], id);
  return (
    vein && {
      ...vein,
      points: [-1, -0.33, 0.33, 1].map((share): Pair => [Math.round(at(share).x), Math.round(at(share).y)]),
    }
  );
}

/** A vein goes on around a wall by so much of a turn beyond its seam, and runs out there. */
const BEYOND_SEAM = 0.5;

/** The part of a line between two places along x: what is cut begins and ends there. */
function cutBetween(points: readonly Point[], fromX: number, toX: number): Point[][] {
  const parts: Point[][] = [];
  let part: Point[] = [];
  points.forEach((point, n) => {
    const before = points[n - 1];
    if (!before) {
      if (point.x >= fromX && point.x <= toX) part.push(point);
      return;
    }
    const dx = point.x - before.x;
    const [a, b] = dx === 0 ? [0, 1] : [(fromX - before.x) / dx, (toX - before.x) / dx];
    const [enters, leaves] = [Math.max(0, Math.min(a, b)), Math.min(1, Math.max(a, b))];
    const outside = dx === 0 ? point.x < fromX || point.x > toX : enters >= leaves;
    if (outside) return;
    const at = (t: number) => ({ x: before.x + t * dx, y: before.y + t * (point.y - before.y) });
    if (enters > 0 || part.length === 0) {
      if (part.length > 1) parts.push(part);
      part = [at(enters)];
    }
    part.push(leaves < 1 ? at(leaves) : point);
  });
  if (part.length > 1) parts.push(part);
  return parts;
}

/**
 * A vein of the map in a piece's own coordinates; what it does between its points turns with it. Of one that comes over a tumbler's wall only
 * what lies about the wall, for there it goes around.
 */
export function onPiece({ seed, thickMm, points }: MapVein, piece: Measured, place: PiecePlace): Vein[] {
  const line = points.map(([x, y]) => toPiece(place, { x, y }));
  const around = aroundOf(piece);
  if (around === null) return [{ seed, thickMm, points: line }];
  const over = (part: readonly Point[]) => part.some(({ x }) => x > 0) && part.some(({ x }) => x < around);
  return cutBetween(line, -BEYOND_SEAM * around, (1 + BEYOND_SEAM) * around)
    .filter(over)
    .map((part, n) => ({ seed: seed + n, thickMm, points: part }));
}

type Grown = { manner: VeinManner; ways: VeinWay[]; boxes: Box[] };
const grown = new WeakMap<MapVein, Grown>();

function grownOf(vein: MapVein, manner: VeinManner): Grown {
  let found = grown.get(vein);
  if (found?.manner !== manner) {
    const { seed, thickMm, points } = vein;
    const ways = veinWays({ seed, thickMm, points: points.map(([x, y]) => ({ x, y })) }, manner);
    found = { manner, ways, boxes: ways.map((way) => boxOf(way.points)) };
    grown.set(vein, found);
  }
  return found;
}

/** The lines of a vein where it lies on the map; worked out once for each vein. */
export const waysOnMap = (vein: MapVein, manner: VeinManner): VeinWay[] => grownOf(vein, manner).ways;

/** What is worked out of a vein on one piece, as long as neither is changed. */
type Lying = { manner: VeinManner; piece: Measured; ways: VeinWay[]; amounts: VeinAmounts | null };
const lying = new WeakMap<MapVein, WeakMap<PiecePlace, Lying>>();

function lyingOn(vein: MapVein, manner: VeinManner, piece: Measured, place: PiecePlace): Lying {
  const places = lying.get(vein) ?? new WeakMap<PiecePlace, Lying>();
  lying.set(vein, places);
  let found = places.get(place);
  if (found?.manner !== manner || found.piece !== piece) {
    const around = aroundOf(piece);
    const ways =
      around === null ? flatWays(vein, manner, piece, place) : woundWays(vein, manner, piece, place, around);
    places.set(place, (found = { manner, piece, ways, amounts: null }));
  }
  return found;
}

/**
 * The lines of a vein of the map that come over a piece, in its own coordinates; on a tumbler's wall what leaves over the seam comes in again at
 * its other side.
 */
export const waysOnPiece = (
  vein: MapVein,
  manner: VeinManner,
  piece: Measured,
  place: PiecePlace,
): VeinWay[] => lyingOn(vein, manner, piece, place).ways;

/** A vein turns with its points: grown on the map it is the same as grown on the piece. */
function flatWays(vein: MapVein, manner: VeinManner, piece: Measured, place: PiecePlace): VeinWay[] {
  const { ways, boxes } = grownOf(vein, manner);
  const there = mapBox([piece], new Map([[piece.id, place]]));
  return ways.flatMap((way, n) =>
    meets(boxes[n] as Box, there)
      ? [
          {
            ...way,
            points: way.points.map(({ x, y, halfMm }) => ({ ...toPiece(place, { x, y }), halfMm })),
          },
        ]
      : [],
  );
}

/** Around a wall a vein is cut where it runs out, so that it grows there anew; it is met once around to either side. */
function woundWays(
  vein: MapVein,
  manner: VeinManner,
  piece: Measured,
  place: PiecePlace,
  around: number,
): VeinWay[] {
  const ways = onPiece(vein, piece, place).flatMap((vein) => veinWays(vein, manner));
  return ways.flatMap((way) =>
    [0, around, -around].flatMap((by): VeinWay[] => {
      const points = way.points.map((point) => ({ ...point, x: point.x + by }));
      return points.some(({ x }) => x >= 0 && x <= around) ? [{ ...way, points }] : [];
    }),
  );
}

/** The veins of a coat as they lie on a piece, for its picture; `at` tells the palette's place of a colour. */
export function veinsOnPiece(
  map: VeinMap,
  coatId: string,
  piece: Measured,
  place: PiecePlace,
  at: (colourId: string) => number | null,
): PlannedVeins[] {
  return map.sets.flatMap((set) => {
    const colour = set.coatId === coatId ? at(set.colourId) : null;
    return colour === null
      ? []
      : [{ veins: set.veins.flatMap((vein) => onPiece(vein, piece, place)), manner: set.manner, at: colour }];
  });
}

/** Tells of points whether they lie within a ring, its border included; most are settled by its box. */
export function withinRing(ring: readonly Point[]): (point: Point) => boolean {
  const { minX, minY, maxX, maxY } = boxOf(ring);
  return (point) =>
    point.x >= minX && point.x <= maxX && point.y >= minY && point.y <= maxY && placeIn(point, ring) >= 0;
}

/** Length, mm, and area, mm². */
export type VeinAmounts = { lengthMm: number; areaMm2: number };

function amountsOf(ways: readonly VeinWay[], within: readonly ((point: Point) => boolean)[]): VeinAmounts {
  let [lengthMm, areaMm2] = [0, 0];
  for (const { points } of ways)
    for (let n = 1; n < points.length; n += 1) {
      const [a, b] = [points[n - 1] as LinePoint, points[n] as LinePoint];
      const middle = { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 };
      if (!within.some((holds) => holds(middle))) continue;
      const long = Math.hypot(b.x - a.x, b.y - a.y);
      lengthMm += long;
      areaMm2 += long * (a.halfMm + b.halfMm);
    }
  return { lengthMm, areaMm2 };
}

/** What the lines of a set take on the top and the faces of a piece. */
export function veinAmounts(set: VeinSet, piece: Measured, place: PiecePlace): VeinAmounts {
  const within = [
    piece.outline.corners,
    ...unfoldedFaces(piece).flatMap(({ ring, inside }) => (inside ? [] : [ring])),
  ].map(withinRing);
  let [lengthMm, areaMm2] = [0, 0];
  for (const vein of set.veins) {
    const lying = lyingOn(vein, set.manner, piece, place);
    lying.amounts ??= amountsOf(lying.ways, within);
    lengthMm += lying.amounts.lengthMm;
    areaMm2 += lying.amounts.areaMm2;
  }
  return { lengthMm, areaMm2 };
}

/** A line with its width as a closed ring, mm. */
export function ribbonRing(line: readonly LinePoint[]): Point[] {
  const side = (sign: 1 | -1) =>
    line.map((point, n) => {
      const [a, b] = [
        line[Math.max(0, n - 1)] as LinePoint,
        line[Math.min(line.length - 1, n + 1)] as LinePoint,
      ];
      const long = Math.hypot(b.x - a.x, b.y - a.y) || 1;
      return {
        x: point.x + (sign * (b.y - a.y) * point.halfMm) / long,
        y: point.y - (sign * (b.x - a.x) * point.halfMm) / long,
      };
    });
  return [...side(1), ...side(-1).reverse()];
}
