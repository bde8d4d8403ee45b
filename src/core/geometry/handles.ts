import type { Point } from "./curves";
import { outlineOf } from "./outline";
import { edgesOf, type EdgeName, type Pair, type Piece, type Shape } from "./piece";
import { sizesOf, withSizes, type SizeName } from "./sizes";
import { storedMm } from "./transform";
import { nth } from "../numerics/nth";

/** Something of a drawing that can be taken hold of: a side, or a corner of a free outline. */
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

/** Cut-outs stay where they are on the slab when its left or its front edge moves. */
function kept(before: Piece, after: Piece): Piece {
  const [was, is] = [outlineOf(before), outlineOf(after)];
  const [dx, dy] = movedOrigin(before, after);
  if (before.cutOuts.length === 0) return after;
  const grown = is.heightMm - was.heightMm;
  return {
    ...after,
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

function pulledSide(piece: Piece, name: EdgeName, by: Point, snap: Snap): Piece {
  const pull = pullsOf(piece.shape)[name];
  const { shape } = piece;
  if (!pull) return pulledRim(piece, by, snap);
  const sizes = sizesOf(shape);
  const [size, sign] = pull.sizes[0] as Pull["sizes"][number];
  const start = sizes[size] ?? 0;
  const change = (Math.max(LEAST_MM, snapped(start + sign * by[pull.axis], snap)) - start) * sign;
  for (const [moved, along] of pull.sizes) sizes[moved] = storedMm((sizes[moved] ?? 0) + along * change);
  const after = { ...piece, shape: withSizes(shape, sizes) };
  // A back or left edge pulled in or out leaves cut-outs on the slab where they were.
  const atLeft = pull.axis === "x" && sign === -1;
  const atFront = pull.axis === "y" && sign === 1;
  const grown = outlineOf(after).heightMm - outlineOf(piece).heightMm;
  return {
    ...after,
    cutOuts: piece.cutOuts.map((cutOut) => ({
      ...cutOut,
      fromLeftMm: atLeft ? storedMm(cutOut.fromLeftMm - change) : cutOut.fromLeftMm,
      fromFrontMm: atFront ? storedMm(cutOut.fromFrontMm + grown) : cutOut.fromFrontMm,
    })),
  };
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
  const { shape } = piece;
  if (shape.kind !== "free" && shape.kind !== "floor") return piece;
  const chosen = new Set(indices);
  const others =
    shape.points.length <= MOST_ALIGNED ? shape.points.filter((_, index) => !chosen.has(index)) : [];
  const points = shape.points.map((point, index): Pair => {
    if (!chosen.has(index)) return point;
    const raw: Pair = [point[0] + by.x, point[1] + by.y];
    if (!snap) return [storedMm(raw[0]), storedMm(raw[1])];
    const drawn = indices.length === 1 ? aligned(raw, others, reachMm) : raw;
    const settle = (value: number, was: number, at: number) =>
      drawn[at] !== raw[at] ? nth(drawn, at) : value === was ? was : snapped(value, snap);
    return [storedMm(settle(raw[0], point[0], 0)), storedMm(settle(raw[1], point[1], 1))];
  });
  return kept(piece, { ...piece, shape: { ...shape, points } });
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
  if (shape.kind === "free" || shape.kind === "floor") {
    const indices = handle.kind === "corner" ? [handle.index] : cornersOfSide(shape, handle.name);
    return movedCorners(piece, indices, by, snap, reachMm);
  }
  return handle.kind === "side" ? pulledSide(piece, handle.name, by, snap) : piece;
}

/** Puts a corner into the middle of a side's first stretch; small outlines get an edge for it. */
export function withCorner(piece: Piece, after: number): Piece {
  const { shape } = piece;
  if (shape.kind !== "free" && shape.kind !== "floor") return piece;
  const [a, b] = [shape.points[after], shape.points[(after + 1) % shape.points.length]] as [Pair, Pair];
  const middle: Pair = [storedMm((a[0] + b[0]) / 2), storedMm((a[1] + b[1]) / 2)];
  const points = [...shape.points.slice(0, after + 1), middle, ...shape.points.slice(after + 1)];
  const starts = shape.starts.map((start) => (start > after ? start + 1 : start));
  // Where every corner begins an edge, the new one does so too, and both halves are treated alike.
  if (shape.starts.length < shape.points.length) return { ...piece, shape: { ...shape, points, starts } };
  const edges = shiftedEdges(piece, after, 1);
  return {
    ...piece,
    edges,
    shape: { ...shape, points, starts: [...starts, after + 1].sort((x, y) => x - y) },
  };
}

/** Takes a corner out; the edge that began there joins the one before. A triangle keeps its corners. */
export function withoutCorner(piece: Piece, index: number): Piece {
  const { shape } = piece;
  if ((shape.kind !== "free" && shape.kind !== "floor") || shape.points.length <= 3) return piece;
  const points = shape.points.filter((_, at) => at !== index);
  const place = shape.starts.indexOf(index);
  const starts = shape.starts
    .filter((start) => start !== index || shape.starts.length === 1)
    .map((start) => (start > index ? start - 1 : start) % points.length);
  const edges =
    place > 0 ? shiftedEdges(piece, place - 1, -1) : place === 0 ? shiftedEdges(piece, -1, -1) : piece.edges;
  return kept(piece, {
    ...piece,
    edges,
    shape: { ...shape, points, starts: starts.length > 0 ? starts : [0] },
  });
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
  const { shape } = piece;
  if (shape.kind !== "free" && shape.kind !== "floor") return piece;
  const count = shape.points.length;
  const [a, b] = [shape.points[from], shape.points[(from + 1) % count]] as [Pair, Pair];
  const was = Math.hypot(b[0] - a[0], b[1] - a[1]);
  if (was === 0) return piece;
  const by = { x: ((b[0] - a[0]) / was) * (lengthMm - was), y: ((b[1] - a[1]) / was) * (lengthMm - was) };
  return movedCorners(piece, [(from + 1) % count, (from + 2) % count], by, null, 0);
}
