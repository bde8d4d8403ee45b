import { cutOutRing } from "./cut-out";
import type { Point } from "./curves";
import { outlineOf } from "./outline";
import type { Piece } from "./piece";
import { areaBelowMm2, boxOf, crossingsAt, type Box, type Ring } from "./ring";
import { byIdentity } from "../numerics/by-identity";
import { nth } from "../numerics/nth";
import { wayOut } from "./way-out";

/**
 * A stretch of a piece along which it is coated in one direction: `ring` is cut by lines across `axis`, from `from` to `to`
 * (which may run backwards). An L has two lanes and a U three, so that cuts stay square to the leg.
 */
export type Lane = { ring: Ring; holes: Ring[]; axis: "x" | "y"; from: number; to: number };

const box = (x0: number, y0: number, x1: number, y1: number): Point[] => [
  { x: x0, y: y0 },
  { x: x1, y: y0 },
  { x: x1, y: y1 },
  { x: x0, y: y1 },
];

const whole = (ring: Ring, holes: Ring[], axis: "x" | "y", forwards = true): Lane => {
  const { minX, minY, maxX, maxY } = boxOf(ring);
  const [low, high] = axis === "x" ? [minX, maxX] : [minY, maxY];
  return { ring, holes, axis, from: forwards ? low : high, to: forwards ? high : low };
};

/** The lanes of a piece in working order: from its left end, a floor with a door towards it. */
export const lanesOf = byIdentity((piece: Piece): Lane[] => {
  const outline = outlineOf(piece);
  const { shape } = piece;
  const holes = piece.cutOuts.map((cutOut) => cutOutRing(cutOut, outline));
  const { widthMm: wide, heightMm: high, corners } = outline;
  const c = (index: number) => corners[index] as Point;
  if (shape.kind === "l-run" || shape.kind === "u-run") {
    const depth = shape.kind === "l-run" ? c(3).y : c(4).y;
    const back: Lane = { ring: box(0, 0, wide, depth), holes, axis: "x", from: 0, to: wide };
    const leg = (x0: number, x1: number, end: number, outwards: boolean): Lane => ({
      ring: box(x0, depth, x1, end),
      holes,
      axis: "y",
      from: outwards ? depth : end,
      to: outwards ? end : depth,
    });
    if (shape.kind === "u-run") return [leg(0, c(5).x, c(7).y, false), back, leg(c(3).x, wide, c(2).y, true)];
    return shape.turn === "left"
      ? [leg(0, c(3).x, high, false), back]
      : [back, leg(c(3).x, wide, high, true)];
  }
  const way = wayOut(piece);
  return [
    way ? whole(corners, holes, way.axis, way.forwards) : whole(corners, holes, wide >= high ? "x" : "y"),
  ];
});

const laneLengthMm = ({ from, to }: Lane) => Math.abs(to - from);

/** Area of a lane from its start up to a distance along it, holes left out. */
function areaUpTo(lane: Lane, alongMm: number): number {
  const forwards = lane.to >= lane.from;
  const at = lane.from + (forwards ? alongMm : -alongMm);
  const below = (limit: number) => areaBelowMm2(lane.ring, lane.axis, limit) - holesBelow(lane, limit);
  return forwards ? below(at) : below(lane.from) - below(at);
}

/** The parts of the holes that lie within the lane's box across its axis. */
const holesIn = byIdentity((lane: Lane): Ring[] => {
  const other = lane.axis === "x" ? "y" : "x";
  const { minX, minY, maxX, maxY } = boxOf(lane.ring);
  const [floor, roof] = lane.axis === "x" ? [minY, maxY] : [minX, maxX];
  return lane.holes
    .map((hole) => clipped(clipped(hole, other, roof, -1), other, floor, 1))
    .filter((hole) => hole.length >= 3);
});

/** Area of the holes of a lane that lies within its box and below a limit. */
function holesBelow(lane: Lane, limit: number): number {
  const { from, to } = lane;
  const [low, high] = [Math.min(from, to), Math.max(from, to)];
  return holesIn(lane).reduce(
    (sum, hole) =>
      sum +
      areaBelowMm2(hole, lane.axis, Math.min(limit, high)) -
      areaBelowMm2(hole, lane.axis, Math.min(limit, low)),
    0,
  );
}

/** Keeps the part of a ring on one side of a line (Sutherland and Hodgman 1974). */
function clipped(ring: Ring, axis: "x" | "y", limit: number, keep: 1 | -1): Point[] {
  const kept: Point[] = [];
  ring.forEach((a, index) => {
    const b = ring[(index + 1) % ring.length] as Point;
    const [ia, ib] = [(a[axis] - limit) * keep, (b[axis] - limit) * keep];
    if (ia >= 0) kept.push(a);
    if (ia * ib < 0) {
      const share = ia / (ia - ib);
      kept.push({ x: a.x + share * (b.x - a.x), y: a.y + share * (b.y - a.y) });
    }
  });
  return kept;
}

/** Where a piece is cut so that a share of its area lies before the cut: along its lanes, and as lines on its drawing. */
export type Cut = { alongMm: number; lines: [Point, Point][] };

/** The part of a piece between two distances along it, lane by lane, as boxes: what of the piece lies in them is that part. */
export function stretchBoxes(piece: Piece, fromMm: number, toMm: number): Box[] {
  let before = 0;
  return lanesOf(piece).flatMap((lane): Box[] => {
    const long = laneLengthMm(lane);
    const [from, to] = [Math.max(0, fromMm - before), Math.min(long, toMm - before)];
    before += long;
    if (to <= from) return [];
    const along = lane.to >= lane.from ? 1 : -1;
    const ends = [lane.from + along * from, lane.from + along * to].sort((a, b) => a - b);
    const [low, high] = ends as [number, number];
    const around = boxOf(lane.ring);
    return [lane.axis === "x" ? { ...around, minX: low, maxX: high } : { ...around, minY: low, maxY: high }];
  });
}

/** The part of a piece of one lane between two distances along it, as a box; null where it has several lanes. */
export function stretchOf(piece: Piece, fromMm: number, toMm: number): Box | null {
  return lanesOf(piece).length > 1 ? null : (stretchBoxes(piece, fromMm, toMm)[0] ?? null);
}

/** The whole way along the lanes. */
export const developedLengthMm = (piece: Piece): number =>
  lanesOf(piece).reduce((sum, lane) => sum + laneLengthMm(lane), 0);

/**
 * The cut of a piece before which a share of its area lies, found to 0.01 mm.
 * @param share 0…1 of the area, cut-outs left out
 */
export function cutAtShare(piece: Piece, share: number): Cut {
  const cuts = cutsOf(piece);
  let cut = cuts.get(share);
  if (!cut) cuts.set(share, (cut = findCut(piece, share)));
  return cut;
}

const cutsOf = byIdentity((_piece: Piece) => new Map<number, Cut>());

function findCut(piece: Piece, share: number): Cut {
  const lanes = lanesOf(piece);
  if (share <= 0) return { alongMm: 0, lines: [] };
  if (share >= 1) return { alongMm: developedLengthMm(piece), lines: [] };
  const areas = lanes.map((lane) => areaUpTo(lane, laneLengthMm(lane)));
  let wanted = share * areas.reduce((sum, area) => sum + area, 0);
  let before = 0;
  for (const [index, lane] of lanes.entries()) {
    const area = nth(areas, index);
    const long = laneLengthMm(lane);
    if (wanted > area && index < lanes.length - 1) {
      wanted -= area;
      before += long;
      continue;
    }
    const along = findAlong((at) => areaUpTo(lane, at) - wanted, long, area);
    const at = lane.from + (lane.to >= lane.from ? along : -along);
    return { alongMm: before + along, lines: linesAt(lane, at) };
  }
  return { alongMm: before, lines: [] };
}

/**
 * Where a rising function that begins below 0 and ends above it passes 0, to 0.01 mm: between two bounds by the chord, and by the middle
 * where the chord does not halve them.
 */
export function findAlong(excess: (alongMm: number) => number, longMm: number, area: number): number {
  let [low, high] = [0, longMm];
  let [below, above] = [excess(0), excess(longMm)];
  while (high - low > 0.01) {
    const before = high - low;
    const chord =
      above - below > area * 1e-15 ? low + (high - low) * (-below / (above - below)) : (low + high) / 2;
    // A step beyond the chord's point closes the bracket from both sides.
    for (const at of [chord - 0.004, chord + 0.004, (low + high) / 2]) {
      if (at <= low || at >= high) continue;
      const value = excess(at);
      if (value < 0) [low, below] = [at, value];
      else [high, above] = [at, value];
      if (high - low <= before / 8) break;
    }
  }
  return (low + high) / 2;
}

function linesAt(lane: Lane, at: number): [Point, Point][] {
  return crossingsAt(lane.ring, lane.axis, at).map(([from, to]) =>
    lane.axis === "x"
      ? [
          { x: at, y: from },
          { x: at, y: to },
        ]
      : [
          { x: from, y: at },
          { x: to, y: at },
        ],
  );
}

/** The middle of a piece's share of area, where the number of a section is written. */
export function pointAtShare(piece: Piece, share: number): Point | null {
  const [line] = cutAtShare(piece, share).lines;
  return line ? { x: (line[0].x + line[1].x) / 2, y: (line[0].y + line[1].y) / 2 } : null;
}
