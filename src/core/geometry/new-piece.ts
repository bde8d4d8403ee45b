import type { Pair } from "./curves";
import { outlineOf } from "./outline";
import { edgeOf, edgesOf, type CutOut, type CutOutShape, type Piece, type Shape } from "./piece";
import { sizesOf, withSizes } from "./sizes";
import { sharpCorners } from "./sharp-corners";
import { storedMm } from "./stored";
import { asFree } from "./transform";

/** Makes ids; the caller brings the randomness. */
export type NewId = () => string;

const USUAL_SHAPE: { [Kind in Shape["kind"]]: Extract<Shape, { kind: Kind }> } = {
  straight: { kind: "straight", lengthMm: 2400, depthMm: 635 },
  "l-run": {
    kind: "l-run",
    lengthMm: 2400,
    depthMm: 635,
    returnLengthMm: 1600,
    returnDepthMm: 635,
    turn: "left",
  },
  rectangle: { kind: "rectangle", lengthMm: 1200, depthMm: 700 },
  "u-run": {
    kind: "u-run",
    lengthMm: 3000,
    depthMm: 635,
    leftLengthMm: 1600,
    leftDepthMm: 635,
    rightLengthMm: 1600,
    rightDepthMm: 635,
  },
  round: { kind: "round", diameterMm: 800 },
  oval: { kind: "oval", lengthMm: 1800, depthMm: 1000 },
  racetrack: { kind: "racetrack", lengthMm: 2000, depthMm: 900 },
  polygon: { kind: "polygon", sides: 6, sideMm: 300 },
  free: {
    kind: "free",
    points: [
      [0, 0],
      [1200, 0],
      [1200, 500],
      [700, 800],
      [0, 600],
    ],
    starts: [0, 1, 2, 3, 4],
  },
  offsets: {
    kind: "offsets",
    stations: [
      { atMm: 0, farMm: 300, nearMm: 300 },
      { atMm: 500, farMm: 340, nearMm: 380 },
      { atMm: 1000, farMm: 310, nearMm: 420 },
      { atMm: 1500, farMm: 330, nearMm: 340 },
    ],
  },
  tumbler: {
    kind: "tumbler",
    topDiameterMm: 88,
    bottomDiameterMm: 68,
    heightMm: 210,
    base: true,
    rimBandMm: 12,
    patch: null,
  },
  mould: {
    kind: "mould",
    outline: { kind: "oval", lengthMm: 380, depthMm: 260 },
    depthMm: 15,
    draftDeg: 5,
  },
  river: {
    kind: "river",
    stations: [
      { atMm: 0, farMm: 70, nearMm: 80 },
      { atMm: 300, farMm: 90, nearMm: 60 },
      { atMm: 600, farMm: 60, nearMm: 95 },
      { atMm: 900, farMm: 85, nearMm: 70 },
      { atMm: 1200, farMm: 75, nearMm: 80 },
    ],
    depthMm: 40,
  },
  floor: {
    kind: "floor",
    points: [
      [0, 0],
      [4200, 0],
      [4200, 3200],
      [0, 3200],
    ],
    starts: [0, 1, 2, 3],
  },
  sample: { kind: "sample", lengthMm: 300, depthMm: 300 },
};

export const SHAPE_WORDS: Record<Shape["kind"], string> = {
  straight: "Straight run",
  "l-run": "L run",
  "u-run": "U run",
  rectangle: "Rectangle",
  round: "Round",
  oval: "Oval",
  racetrack: "Racetrack",
  polygon: "Polygon",
  free: "Free outline",
  offsets: "Measured outline",
  tumbler: "Tumbler",
  mould: "Mould",
  river: "River or void",
  floor: "Floor",
  sample: "Sample board",
};

/** Kinds by what is coated, in the order in which they are offered. */
export const SHAPE_GROUPS: readonly { words: string; kinds: readonly Shape["kind"][] }[] = [
  { words: "Counter", kinds: ["straight", "l-run", "u-run"] },
  { words: "Top or panel", kinds: ["rectangle", "round", "oval", "racetrack", "polygon", "free", "offsets"] },
  { words: "Room", kinds: ["floor"] },
  { words: "Form", kinds: ["tumbler", "mould", "river", "sample"] },
];

/** A new piece of a kind, in a size that is usual for it. */
export function newPiece(kind: Shape["kind"], name: string, newId: NewId): Piece {
  return { id: newId(), name, count: 1, shape: USUAL_SHAPE[kind], edges: {}, cutOuts: [] };
}

/**
 * The same piece in another shape. Sizes that both shapes have stay, and so do the edges of the same name.
 */
export function reshaped(piece: Piece, kind: Shape["kind"]): Piece {
  if (piece.shape.kind === kind) return piece;
  const free = asFree(piece);
  if ((kind === "free" || kind === "floor") && free)
    return { ...free, name: renamedKind(piece, kind), shape: { ...(free.shape as Outlined), kind } };
  const usual = USUAL_SHAPE[kind];
  const sizes = sizesOf<Shape>(piece.shape);
  const shared = Object.fromEntries(Object.entries(sizes).filter(([name]) => name in usual));
  const shape: Shape =
    usual.kind === "river" && piece.shape.kind === "offsets"
      ? { ...usual, stations: piece.shape.stations }
      : withSizes<Shape>(usual, shared);
  return { ...piece, name: renamedKind(piece, kind), shape };
}

type Outlined = Extract<Shape, { kind: "free" | "floor" }>;

/** A piece that still bears the name of its kind takes that of the new one. */
function renamedKind(piece: Piece, kind: Shape["kind"]): string {
  const rest = piece.name.startsWith(SHAPE_WORDS[piece.shape.kind])
    ? piece.name.slice(SHAPE_WORDS[piece.shape.kind].length)
    : null;
  return rest !== null && /^( \d+)?$/.test(rest) ? `${SHAPE_WORDS[kind]}${rest}` : piece.name;
}

export function newCutOut(name: string, piece: Piece, newId: NewId): CutOut {
  const { widthMm: along, heightMm } = outlineOf(piece);
  const run = piece.shape.kind === "l-run" || piece.shape.kind === "u-run";
  const across = run && "depthMm" in piece.shape ? piece.shape.depthMm : heightMm;
  const coated = piece.shape.kind !== "floor";
  const diameterMm = Math.round(Math.min(across, along) / 2);
  return {
    id: newId(),
    name,
    shape: { kind: "round", diameterMm },
    fromLeftMm: Math.round(along / 2),
    fromFrontMm: Math.round(heightMm - across / 2),
    innerFace: coated ? { heightMm: 38, roundingMm: 3 } : null,
  };
}

/** What is cut out of a piece, as a piece of its own: a board from a sink's opening, a plug of a table. */
export function pieceOfCutOut({ name, shape }: CutOut, newId: NewId): Piece {
  return { id: newId(), name, count: 1, shape: shapeOfCutOut(shape), edges: {}, cutOuts: [] };
}

function shapeOfCutOut(shape: CutOutShape): Shape {
  switch (shape.kind) {
    case "round":
    case "oval":
      return shape;
    case "rectangle": {
      const { radiusMm = 0, ...rectangle } = shape;
      return radiusMm > 0
        ? { ...rectangle, cornerRadiiMm: [radiusMm, radiusMm, radiusMm, radiusMm] }
        : rectangle;
    }
    case "free": {
      const [left, back] = [0, 1].map((axis) => Math.min(...shape.points.map((point) => point[axis] ?? 0)));
      const points = shape.points.map(([x, y]): Pair => [
        storedMm(x - (left ?? 0)),
        storedMm(y - (back ?? 0)),
      ]);
      return { kind: "free", points, starts: sharpCorners(points) };
    }
  }
}

/** Every coated face of a piece dammed, as a bucket pour wants it. */
export function dammed(piece: Piece): Piece {
  const edges: Piece["edges"] = {};
  for (const name of edgesOf(piece.shape)) {
    const edge = edgeOf(piece, name);
    edges[name] = edge.treatment === "face" ? { ...edge, treatment: "dam" } : edge;
  }
  return { ...piece, edges };
}
