import type { Point, Pair } from "./curves";
import { freeOutlineOf, middleAfter, withFreeOutline } from "./free-outline";
import { outlineOf } from "./outline";
import { edgesOf, type EdgeName, type FreeOutline, type Piece, type Shape } from "./piece";
import { sizesOf, withSizes, type SizeName } from "./sizes";
import { storedMm } from "./stored";
import { movedWithPiece } from "./moved-with-piece";
import { nth } from "../numerics/nth";

/** Something of a drawing that can be taken hold of: a side, or a corner of a free or traced outline. */
export type Handle = { kind: "side"; name: EdgeName } | { kind: "corner"; index: number };

/** What a side moves when it is pulled: sizes that grow with x or y, times the sign. */
type Pull = { axis: "x" | "y"; sizes: [SizeName<Shape>, 1 | -1][] };

const BOX: Partial<Record<EdgeName, Pull>> = {
  right: { axis: "x", sizes: [["lengthMm", 1]] },
  left: { axis: "x", sizes: [["lengthMm", -1]] },
  front: { axis: "y", sizes: [["depthMm", 1]] },
  back: { axis: "y", sizes: [["depthMm", -1]] },
};

function pullsOf(shape: Shape): Partial<Record<EdgeName, Pull>> {
  switch (shape.kind) {
    case "straight":
    case "rectangle":
    case "sample":
      return BOX;
    case "l-run": {
      const out = shape.turn === "left" ? 1 : -1;
      const back = out === 1 ? -1 : 1;
      return {
        endRight: { axis: "x", sizes: [["lengthMm", out]] },
        frontLong: { axis: "y", sizes: [["depthMm", 1]] },
        frontReturn: { axis: "x", sizes: [["returnDepthMm", out]] },
        endReturn: { axis: "y", sizes: [["returnLengthMm", 1]] },
        backLong: {
          axis: "y",
          sizes: [
            ["depthMm", -1],
            ["returnLengthMm", -1],
          ],
        },
        wallReturn: {
          axis: "x",
          sizes: [
            ["lengthMm", back],
            ["returnDepthMm", back],
          ],
        },
      };
    }
    case "u-run":
      return {
        endLeft: { axis: "y", sizes: [["leftLengthMm", 1]] },
        endRightReturn: { axis: "y", sizes: [["rightLengthMm", 1]] },
        innerLeft: { axis: "x", sizes: [["leftDepthMm", 1]] },
        innerRight: { axis: "x", sizes: [["rightDepthMm", -1]] },
        front: { axis: "y", sizes: [["depthMm", 1]] },
        wallRight: {
          axis: "x",
          sizes: [
            ["lengthMm", 1],
            ["rightDepthMm", 1],
          ],
        },
        wallLeft: {
          axis: "x",
          sizes: [
            ["lengthMm", -1],
            ["leftDepthMm", -1],
          ],
        },
        back: {
          axis: "y",
          sizes: [
            ["depthMm", -1],
            ["leftLengthMm", -1],
            ["rightLengthMm", -1],
          ],
        },
      };
    default:
      return {};
  }
}

/** Cut-outs and the photo below stay where they are on the slab when the back left of its box moves, in the drawing before. */
function kept(before: Piece, after: Piece, [dx, dy] = movedOrigin(before, after)): Piece {
  const grown = outlineOf(after).heightMm - outlineOf(before).heightMm;
  const { underlay } = before;
  return {
    ...after,
    ...movedWithPiece(before, { to: (x, y) => [x - dx, y - dy] }),
    ...(underlay && {
      underlay: { ...underlay, xMm: storedMm(underlay.xMm - dx), yMm: storedMm(underlay.yMm - dy) },
    }),
    cutOuts: before.cutOuts.map((cutOut) => ({
      ...cutOut,
      fromLeftMm: storedMm(cutOut.fromLeftMm - dx),
      fromFrontMm: storedMm(cutOut.fromFrontMm + grown + dy),
    })),
  };
}

/** How far the back left of the bounding box went, in the drawing before. */
function movedOrigin(before: Piece, after: Piece): [number, number] {
  const [was, is] = [outlineOf(before).origin, outlineOf(after).origin];
  return [is.x - was.x, is.y - was.y];
}

/** The step to which a typed size is snapped while it is pulled, mm. */
export type Snap = { stepMm: number } | null;
const snapped = (value: number, snap: Snap) => (snap ? Math.round(value / snap.stepMm) * snap.stepMm : value);

const LEAST_MM = 10;

function pulledSide(piece: Piece, name: EdgeName, way: Point, snap: Snap): Piece {
  const pull = pullsOf(piece.shape)[name];
  const { shape } = piece;
  if (!pull) return pulledRim(piece, way, snap);
  const sizes = sizesOf(shape);
  const [size, sign] = pull.sizes[0] as Pull["sizes"][number];
  const start = sizes[size] ?? 0;
  const change = (Math.max(LEAST_MM, snapped(start + sign * way[pull.axis], snap)) - start) * sign;
  for (const [pulledToo, along] of pull.sizes)
    sizes[pulledToo] = storedMm((sizes[pulledToo] ?? 0) + along * change);
  const after = { ...piece, shape: withSizes(shape, sizes) };
  // Only a side at the back or at the left moves the origin with it.
  const moved = (axis: "x" | "y") => (pull.axis === axis && sign === -1 ? change : 0);
  return kept(piece, after, [moved("x"), moved("y")]);
}

/** A round, oval or regular piece is pulled at the right or the front of its rim. */
function pulledRim(piece: Piece, by: Point, snap: Snap): Piece {
  const { shape } = piece;
  const size = (value: number) => Math.max(LEAST_MM, storedMm(snapped(value, snap)));
  switch (shape.kind) {
    case "round":
      return { ...piece, shape: { ...shape, diameterMm: size(shape.diameterMm + by.x + by.y) } };
    case "oval":
    case "racetrack":
      return {
        ...piece,
        shape: { ...shape, lengthMm: size(shape.lengthMm + by.x), depthMm: size(shape.depthMm + by.y) },
      };
    case "polygon": {
      const { widthMm } = outlineOf(piece);
      const grown = (widthMm + by.x + by.y) / widthMm;
      return { ...piece, shape: { ...shape, sideMm: size(shape.sideMm * grown) } };
    }
    default:
      return piece;
  }
}

/** A corner near another's line is drawn to it, within this reach, mm. */
function aligned(point: Pair, others: readonly Pair[], reachMm: number): Pair {
  const near = (axis: 0 | 1) => {
    let best: number | null = null;
    for (const other of others)
      if (
        Math.abs(other[axis] - point[axis]) < reachMm &&
        (best === null || Math.abs(other[axis] - point[axis]) < Math.abs(best - point[axis]))
      )
        best = other[axis];
    return best;
  };
  return [near(0) ?? point[0], near(1) ?? point[1]];
}

/** Two corners of the outline that a corner lines up with need not be looked for among thousands. */
const MOST_ALIGNED = 400;

function movedCorners(
  piece: Piece,
  indices: readonly number[],
  by: Point,
  snap: Snap,
  reachMm: number,
): Piece {
  const outline = freeOutlineOf(piece);
  if (!outline) return piece;
  const chosen = new Set(indices);
  const others =
    outline.points.length <= MOST_ALIGNED ? outline.points.filter((_, index) => !chosen.has(index)) : [];
  const points = outline.points.map((point, index): Pair => {
    if (!chosen.has(index)) return point;
    const raw: Pair = [point[0] + by.x, point[1] + by.y];
    if (!snap) return [storedMm(raw[0]), storedMm(raw[1])];
    const drawn = indices.length === 1 ? aligned(raw, others, reachMm) : raw;
    const settle = (value: number, was: number, at: number) =>
      drawn[at] !== raw[at] ? nth(drawn, at) : value === was ? was : snapped(value, snap);
    return [storedMm(settle(raw[0], point[0], 0)), storedMm(settle(raw[1], point[1], 1))];
  });
  return kept(piece, withFreeOutline(piece, { ...outline, points }));
}

/** Indices of the corners of a free outline's side, both ends included. */
export function cornersOfSide(shape: Extract<Shape, { kind: "free" | "floor" }>, name: EdgeName): number[] {
  const at = edgesOf(shape).indexOf(name);
  const count = shape.points.length;
  const from = shape.starts[at] ?? 0;
  const to = shape.starts[at + 1] ?? count + (shape.starts[0] ?? 0);
  return Array.from({ length: to - from + 1 }, (_, index) => (from + index) % count);
}

/**
 * A piece with one of its handles pulled: the typed size follows, cut-outs stay where they were on the slab.
 * @param by way of the pointer in mm; @param reachMm how near a free corner must be to line up with another
 */
export function pulled(piece: Piece, handle: Handle, by: Point, snap: Snap, reachMm = 0): Piece {
  const { shape } = piece;
  if (handle.kind === "corner") return movedCorners(piece, [handle.index], by, snap, reachMm);
  if (shape.kind === "free" || shape.kind === "floor")
    return movedCorners(piece, cornersOfSide(shape, handle.name), by, snap, reachMm);
  return pulledSide(piece, handle.name, by, snap);
}

/** Puts a corner into the middle of the stretch behind a corner; small outlines get an edge for it. */
export function withCorner(piece: Piece, after: number): Piece {
  const outline = freeOutlineOf(piece);
  if (!outline) return piece;
  const points = [
    ...outline.points.slice(0, after + 1),
    middleAfter(outline, after),
    ...outline.points.slice(after + 1),
  ];
  const starts = outline.starts.map((start) => (start > after ? start + 1 : start));
  // Where every corner begins an edge, the new one does so too, and both halves are treated alike.
  if (outline.starts.length < outline.points.length)
    return withFreeOutline(piece, { ...outline, points, starts });
  return withFreeOutline(
    { ...piece, edges: shiftedEdges(piece, after, 1) },
    { ...outline, points, starts: [...starts, after + 1].sort((x, y) => x - y) },
  );
}

/** Takes a corner out; the edge that began there joins the one before. A triangle keeps its corners. */
export function withoutCorner(piece: Piece, index: number): Piece {
  const outline = freeOutlineOf(piece);
  if (!outline || outline.points.length <= 3) return piece;
  const points = outline.points.filter((_, at) => at !== index);
  const place = outline.starts.indexOf(index);
  const starts = outline.starts
    .filter((start) => start !== index || outline.starts.length === 1)
    .map((start) => (start > index ? start - 1 : start) % points.length);
  const edges =
    place > 0 ? shiftedEdges(piece, place - 1, -1) : place === 0 ? shiftedEdges(piece, -1, -1) : piece.edges;
  return kept(
    piece,
    withFreeOutline({ ...piece, edges }, { ...outline, points, starts: starts.length > 0 ? starts : [0] }),
  );
}

/** Side names after one was put in (+1) or taken out (−1) behind the given place. */
function shiftedEdges(piece: Piece, place: number, by: 1 | -1): Piece["edges"] {
  const edges: Piece["edges"] = {};
  for (const [name, edge] of Object.entries(piece.edges)) {
    const at = Number(name.slice(5)) - 1;
    if (by === 1) {
      edges[`side-${(at > place ? at + 1 : at) + 1}`] = edge;
      if (at === place) edges[`side-${at + 2}`] = edge;
    } else if (at <= place) edges[`side-${at + 1}`] = edge;
    else if (at > place + 1) edges[`side-${at}`] = edge;
  }
  return edges;
}

/** The length of the stretch between two neighbouring corners, set by moving all that follows on the same line. */
export function withStretch(piece: Piece, from: number, lengthMm: number): Piece {
  const outline = freeOutlineOf(piece);
  if (!outline) return piece;
  const count = outline.points.length;
  const [a, b] = [outline.points[from], outline.points[(from + 1) % count]] as [Pair, Pair];
  const was = Math.hypot(b[0] - a[0], b[1] - a[1]);
  if (was === 0) return piece;
  const by = { x: ((b[0] - a[0]) / was) * (lengthMm - was), y: ((b[1] - a[1]) / was) * (lengthMm - was) };
  return movedCorners(piece, [(from + 1) % count, (from + 2) % count], by, null, 0);
}

/** The outline with a smooth line through its corners, or with a straight edge from each to the next; its edges are the usual ones again. */
export function withLine(piece: Piece, smooth: boolean): Piece {
  const outline = freeOutlineOf(piece);
  if (!outline) return piece;
  const edges = smooth || piece.shape.kind === "mould" ? [0] : outline.points.map((_, index) => index);
  return kept(piece, withFreeOutline({ ...piece, edges: {} }, { ...outline, curved: smooth, starts: edges }));
}

/** A point that a line was traced through: a smooth one, or a corner where an edge begins. */
export type Knot = { at: Point; corner: boolean };

/** The piece with an outline that was traced on its drawing: the smooth line through the points, with edges from corner to corner. */
export function traced(piece: Piece, knots: readonly Knot[]): Piece {
  const { origin } = outlineOf(piece);
  const points = knots.map(({ at }): Pair => [storedMm(at.x + origin.x), storedMm(at.y + origin.y)]);
  const corners = knots.flatMap(({ corner }, index) => (corner ? [index] : []));
  const outline: FreeOutline = { points, starts: corners.length > 1 ? corners : [0], curved: true };
  return kept(piece, withFreeOutline({ ...piece, edges: {} }, outline));
}
