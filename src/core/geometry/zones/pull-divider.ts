import type { Pair, Point } from "../curves";
import { storedMm } from "../stored";
import type { Piece } from "../piece";
import { pointsOf } from "./edit-division";
import { surfaceOf } from "./regions";
import type { Divider, Drawn, MovedStone, ZoneShape } from "./division";
import { movedDivider } from "./moved-division";

/** What of a divider can be taken hold of: all of it, one of its points, the size of a shape, a stone. */
export type ZoneHandle =
  | { kind: "all" }
  | { kind: "point"; index: number }
  | { kind: "size" }
  | { kind: "stone"; stone: number; at: Point };

/** What a pull snaps to: a step of the typed sizes, and lines of the piece within reach. */
export type ZoneSnap = {
  stepMm: number;
  reachMm: number;
  linesX: readonly number[];
  linesY: readonly number[];
};

/** The snap of a pull on a piece: its edges and its middle lines draw what is near them. */
export function zoneSnap(piece: Piece, stepMm: number, reachMm: number): ZoneSnap {
  const { minX, minY, maxX, maxY } = surfaceOf(piece).box;
  return {
    stepMm,
    reachMm,
    linesX: [minX, (minX + maxX) / 2, maxX],
    linesY: [minY, (minY + maxY) / 2, maxY],
  };
}

function snapped(value: number, lines: readonly number[], snap: ZoneSnap): number {
  const line = lines.find((at) => Math.abs(at - value) <= snap.reachMm);
  return storedMm(line ?? Math.round(value / snap.stepMm) * snap.stepMm);
}

const placed = ({ x, y }: Point, snap: ZoneSnap | null): Pair =>
  snap ? [snapped(x, snap.linesX, snap), snapped(y, snap.linesY, snap)] : [storedMm(x), storedMm(y)];

/** Where a handle of a divider lies; null for what has none. */
export function handlePlace(drawn: Drawn, handle: ZoneHandle): Point | null {
  switch (handle.kind) {
    case "point": {
      const pair = pointsOf(drawn)?.[handle.index];
      return pair ? { x: pair[0], y: pair[1] } : null;
    }
    case "stone":
      return handle.at;
    case "all":
      return drawn.kind === "shape" ? middleOf(drawn.shape) : null;
    case "size":
      return drawn.kind === "shape" ? sizePlace(drawn.shape) : null;
  }
}

function middleOf(shape: ZoneShape): Point {
  if (shape.kind !== "free") return { x: shape.xMm, y: shape.yMm };
  const sum = shape.points.reduce((all, [x, y]) => ({ x: all.x + x, y: all.y + y }), { x: 0, y: 0 });
  return { x: sum.x / shape.points.length, y: sum.y / shape.points.length };
}

const radians = (deg = 0) => (deg * Math.PI) / 180;

/** Where a shape is pulled larger: at the right of a circle, at a corner of what has two sizes. */
function sizePlace(shape: ZoneShape): Point | null {
  if (shape.kind === "free") return null;
  if (shape.kind === "round") return { x: shape.xMm + shape.diameterMm / 2, y: shape.yMm };
  const [c, s] = [Math.cos(radians(shape.turnDeg)), Math.sin(radians(shape.turnDeg))];
  const [u, v] = [shape.lengthMm / 2, shape.depthMm / 2];
  return { x: shape.xMm + c * u - s * v, y: shape.yMm + s * u + c * v };
}

const LEAST_MM = 2;

function resized(shape: ZoneShape, to: Point, snap: ZoneSnap | null): ZoneShape {
  const size = (mm: number) =>
    Math.max(LEAST_MM, storedMm(snap ? Math.round(mm / snap.stepMm) * snap.stepMm : mm));
  if (shape.kind === "free") return shape;
  const [dx, dy] = [to.x - shape.xMm, to.y - shape.yMm];
  if (shape.kind === "round") return { ...shape, diameterMm: size(2 * Math.hypot(dx, dy)) };
  const [c, s] = [Math.cos(radians(shape.turnDeg)), Math.sin(radians(shape.turnDeg))];
  return {
    ...shape,
    lengthMm: size(2 * Math.abs(c * dx + s * dy)),
    depthMm: size(2 * Math.abs(c * dy - s * dx)),
  };
}

function withPoint(drawn: Drawn, index: number, pair: Pair): Drawn {
  const put = (points: readonly Pair[]) => points.map((point, at) => (at === index ? pair : point));
  if (drawn.kind === "line") return { ...drawn, points: put(drawn.points) };
  if (drawn.kind === "shape" && drawn.shape.kind === "free")
    return { ...drawn, shape: { ...drawn.shape, points: put(drawn.shape.points) } };
  return drawn;
}

/** A divider with one of its handles pulled by so much, mm; snapped unless that is called off. */
export function pulledDivider(
  divider: Divider,
  handle: ZoneHandle,
  by: Point,
  snap: ZoneSnap | null,
): Divider {
  const { drawn } = divider;
  const from = handlePlace(drawn, handle);
  const to = from && { x: from.x + by.x, y: from.y + by.y };
  if (handle.kind === "all") {
    const [x, y] = to && drawn.kind === "shape" ? placed(to, snap) : [by.x, by.y];
    const way = from && to ? { x: x - from.x, y: y - from.y } : by;
    return movedDivider(divider, { to: (px, py) => [px + way.x, py + way.y] });
  }
  if (!to) return divider;
  if (handle.kind === "point") return { ...divider, drawn: withPoint(drawn, handle.index, placed(to, snap)) };
  if (handle.kind === "size")
    return drawn.kind === "shape"
      ? { ...divider, drawn: { ...drawn, shape: resized(drawn.shape, to, snap) } }
      : divider;
  if (drawn.kind !== "pebbles") return divider;
  const put: MovedStone = { stone: handle.stone, at: placed(to, null) };
  const others = (drawn.moved ?? []).filter(({ stone }) => stone !== handle.stone);
  return { ...divider, drawn: { ...drawn, moved: [...others, put] } };
}

/** A line or free shape with one more point, half way from a point to the next. */
export function withPointAfter(divider: Divider, index: number): Divider {
  const points = pointsOf(divider.drawn);
  const closed = divider.drawn.kind === "shape";
  const a = points?.[index];
  const b = points?.[index + 1] ?? (closed ? points?.[0] : undefined);
  if (!points || !a || !b) return divider;
  const middle: Pair = [storedMm((a[0] + b[0]) / 2), storedMm((a[1] + b[1]) / 2)];
  return withPoints(divider, [...points.slice(0, index + 1), middle, ...points.slice(index + 1)]);
}

/** The same without a point; a line keeps two, a shape three. */
export function withoutPoint(divider: Divider, index: number): Divider {
  const points = pointsOf(divider.drawn);
  const least = divider.drawn.kind === "shape" ? 3 : 2;
  if (!points || points.length <= least) return divider;
  return withPoints(
    divider,
    points.filter((_, at) => at !== index),
  );
}

function withPoints(divider: Divider, points: Pair[]): Divider {
  const { drawn } = divider;
  if (drawn.kind === "line") return { ...divider, drawn: { ...drawn, points } };
  if (drawn.kind === "shape" && drawn.shape.kind === "free")
    return { ...divider, drawn: { ...drawn, shape: { ...drawn.shape, points } } };
  return divider;
}
