import type { Pair } from "./curves";
import type { ColourWeight } from "./weights";
import type { Division } from "./zones/division";

/** How the film ends at an edge. */
export type EdgeTreatment = "face" | "wall" | "dam" | "open" | "joint" | "masked";

/** What a treatment is called in words. */
export const TREATMENT_WORDS: Record<EdgeTreatment, string> = {
  face: "face",
  wall: "wall",
  dam: "dammed",
  open: "open",
  joint: "joint",
  masked: "masked",
};

/** One edge of a piece. `heightMm` and `roundingMm` count for faces and dammed edges only. */
export type Edge = { treatment: EdgeTreatment; heightMm: number; roundingMm: number };

/** Names of the edges, by the side from which a person standing at the front sees them. */
export type NamedEdge =
  | "front"
  | "right"
  | "back"
  | "left"
  | "rim"
  | "backLong"
  | "endRight"
  | "frontLong"
  | "frontReturn"
  | "endReturn"
  | "wallReturn"
  | "endLeft"
  | "endRightReturn"
  | "innerLeft"
  | "innerRight"
  | "wallLeft"
  | "wallRight";

/** An edge of a known kind of piece, or the n-th side (from 1) of a free outline. */
export type EdgeName = NamedEdge | `side-${number}`;

/** A run along a wall; sizes are those of the cabinets where there is an overhang, else of the top itself. */
type Run = {
  /** How far the top stands out over the cabinets, on every edge that is neither wall nor joint. */
  overhangMm?: number;
};

/** How the slabs of a run with returns meet in the corner. */
export type JointKind = "none" | "mitre" | "butt";

/** Distances of both lines from a straight string, at a place along it. */
export type Station = {
  atMm: number;
  /** From the string to the far line, positive away from the person. */
  farMm: number;
  /** From the string to the near line, positive towards the person. */
  nearMm: number;
};

/** Longer than this nothing is that is coated, mm. */
export const LARGEST_MM = 100_000;

/**
 * A closed outline by its corners; a new edge begins at each index in `starts` (ascending, the first is 0). Curved, its line goes smoothly
 * through the points: it has a corner only where an edge begins, and none at all when there is just one edge.
 */
export type FreeOutline = { points: Pair[]; starts: number[]; curved?: boolean };

/** Outlines that a mould can have. */
export type MouldOutline =
  | { kind: "rectangle"; lengthMm: number; depthMm: number }
  | { kind: "round"; diameterMm: number }
  | { kind: "oval"; lengthMm: number; depthMm: number }
  | ({ kind: "free" } & FreeOutline);

export type Shape =
  | ({ kind: "straight"; lengthMm: number; depthMm: number } & Run & {
        /** Angles at which the ends are cut, from square; positive makes the front shorter than the back. */
        mitreLeftDeg?: number;
        mitreRightDeg?: number;
      })
  /** Two legs in an L. Both lengths are outer, along the walls; `turn` says on which hand the return leg runs. */
  | ({
      kind: "l-run";
      lengthMm: number;
      depthMm: number;
      returnLengthMm: number;
      returnDepthMm: number;
      turn: "left" | "right";
      joint?: JointKind;
    } & Run)
  /** Two returns, both towards the person. All lengths are outer, along the walls. */
  | ({
      kind: "u-run";
      lengthMm: number;
      depthMm: number;
      leftLengthMm: number;
      leftDepthMm: number;
      rightLengthMm: number;
      rightDepthMm: number;
      joint?: JointKind;
    } & Run)
  | {
      kind: "rectangle";
      lengthMm: number;
      depthMm: number;
      /** Radii of the corners in the order back left, back right, front right, front left. */
      cornerRadiiMm?: [number, number, number, number];
    }
  | { kind: "round"; diameterMm: number }
  | { kind: "oval"; lengthMm: number; depthMm: number }
  /** Straight sides joined by half circles. */
  | { kind: "racetrack"; lengthMm: number; depthMm: number }
  | { kind: "polygon"; sides: number; sideMm: number }
  | ({ kind: "free" } & FreeOutline)
  /** Measured on site: two lines measured from one string. */
  | { kind: "offsets"; stations: Station[] }
  | {
      kind: "tumbler";
      topDiameterMm: number;
      bottomDiameterMm: number;
      heightMm: number;
      /** Whether the base disc is coated. */
      base: boolean;
      /** Left bare at the drinking rim. */
      rimBandMm: number;
      /** Kept blank for the decal: its size on the wall and its lower edge above the base. */
      patch: { widthMm: number; heightMm: number; fromBottomMm: number } | null;
    }
  | { kind: "mould"; outline: MouldOutline; depthMm: number; draftDeg: number }
  /** A channel between two slabs, its widths read at mid-depth. */
  | {
      kind: "river";
      stations: Station[];
      depthMm: number;
      /** Of the finished board, slabs included. */ boardMm?: number;
    }
  | ({ kind: "floor" } & FreeOutline)
  | { kind: "sample"; lengthMm: number; depthMm: number };

export type CutOutShape =
  | { kind: "rectangle"; lengthMm: number; depthMm: number; radiusMm?: number }
  | { kind: "round"; diameterMm: number }
  | { kind: "oval"; lengthMm: number; depthMm: number }
  /** Corners relative to the centre of its bounding box. */
  | { kind: "free"; points: Pair[] };

/** An opening. Its place is that of its centre, from the left and from the front of the piece's bounding box. */
export type CutOut = {
  id: string;
  name: string;
  shape: CutOutShape;
  fromLeftMm: number;
  fromFrontMm: number;
  /** The inner edge, where it is coated as under-mount sinks want it; null when it is hidden. */
  innerFace: { heightMm: number; roundingMm: number } | null;
};

/** A door of a room: on a side, its middle so far along it. */
export type Door = { id: string; edge: EdgeName; atMm: number };

/** A hole, crack or wormhole that is filled before the coats: a box that it fits. */
export type Void = {
  id: string;
  name: string;
  lengthMm: number;
  widthMm: number;
  depthMm: number;
  count: number;
};

/** A picture laid under the drawing: where its top left corner lies, in mm of the piece's drawing, and its scale. */
export type Underlay = { pictureId: string; xMm: number; yMm: number; mmPerPx: number; opacity: number };

export type Piece = {
  id: string;
  name: string;
  /** How many of the same. */
  count: number;
  shape: Shape;
  edges: Partial<Record<EdgeName, Edge>>;
  cutOuts: CutOut[];
  /** Coated on both sides: the top counts twice, the edges once. */
  bothSides?: boolean;
  voids?: Void[];
  /** Of a floor: by which one leaves. */
  doors?: Door[];
  underlay?: Underlay;
  /** How it is divided into zones; all of one when absent. */
  division?: Division;
  /** Where there shall be more or less of single colours; evenly where nothing is said. */
  weights?: ColourWeight[];
};

const RECTANGULAR = ["back", "right", "front", "left"] as const;

/** Edge names of a kind of piece, in the order of its outline (clockwise on screen, from the back left corner). */
const EDGES_OF_KIND: Partial<Record<Shape["kind"], readonly NamedEdge[]>> = {
  straight: RECTANGULAR,
  rectangle: RECTANGULAR,
  sample: RECTANGULAR,
  offsets: RECTANGULAR,
  river: RECTANGULAR,
  "l-run": ["backLong", "endRight", "frontLong", "frontReturn", "endReturn", "wallReturn"],
  "u-run": ["back", "wallRight", "endRightReturn", "innerRight", "front", "innerLeft", "endLeft", "wallLeft"],
  round: ["rim"],
  oval: ["rim"],
  racetrack: ["rim"],
  polygon: ["rim"],
  tumbler: [],
  mould: [],
};

/** The edges that a shape has, in the order of its outline. */
export function edgesOf(shape: Shape): readonly EdgeName[] {
  if (shape.kind === "free" || shape.kind === "floor")
    return shape.starts.map((_, index): EdgeName => `side-${index + 1}`);
  return EDGES_OF_KIND[shape.kind] ?? [];
}

/** What a named edge is called in words. */
export const EDGE_WORDS: Record<NamedEdge, string> = {
  front: "front",
  right: "right end",
  back: "back",
  left: "left end",
  rim: "rim",
  backLong: "back of the long leg",
  endRight: "end of the long leg",
  frontLong: "front of the long leg",
  frontReturn: "front of the return",
  endReturn: "end of the return",
  wallReturn: "back of the return",
  endLeft: "end of the left return",
  endRightReturn: "end of the right return",
  innerLeft: "inside of the left return",
  innerRight: "inside of the right return",
  wallLeft: "back of the left return",
  wallRight: "back of the right return",
};

/** What an edge is called in words. */
export function edgeWords(name: EdgeName): string {
  return name.startsWith("side-") ? `side ${name.slice(5)}` : EDGE_WORDS[name as NamedEdge];
}

export const FACE: Edge = { treatment: "face", heightMm: 38, roundingMm: 3 };
export const WALL: Edge = { treatment: "wall", heightMm: 0, roundingMm: 0 };
const SAMPLE_FACE: Edge = { treatment: "face", heightMm: 12, roundingMm: 3 };
const DAM: Edge = { treatment: "dam", heightMm: 0, roundingMm: 0 };

/** Edges that usually stand against a wall. */
const AT_WALLS = new Set<EdgeName>(["back", "backLong", "wallReturn", "wallLeft", "wallRight"]);

function usualEdge({ shape }: Piece, name: EdgeName): Edge {
  switch (shape.kind) {
    case "floor":
      return WALL;
    case "river":
      return name === "left" || name === "right" ? DAM : WALL;
    case "sample":
      return SAMPLE_FACE;
    case "rectangle":
    case "offsets":
      return FACE;
    default:
      return AT_WALLS.has(name) ? WALL : FACE;
  }
}

/** The edge as planned, or the usual one of that place: walls behind counters and around floors, faces elsewhere. */
export function edgeOf(piece: Piece, name: EdgeName): Edge {
  return piece.edges[name] ?? usualEdge(piece, name);
}

/** Whether an edge that is treated so has a face of some height. */
export const isHigh = (treatment: EdgeTreatment): boolean => treatment === "face" || treatment === "dam";

/** Some edges of a piece treated so; one that had no height gets the usual face. */
export function withTreatment(piece: Piece, names: readonly EdgeName[], treatment: EdgeTreatment): Piece {
  const treated = names.map((name): [EdgeName, Edge] => {
    const edge = edgeOf(piece, name);
    const usual = isHigh(treatment) && edge.heightMm === 0 ? FACE : edge;
    return [name, { treatment, heightMm: usual.heightMm, roundingMm: usual.roundingMm }];
  });
  return { ...piece, edges: { ...piece.edges, ...Object.fromEntries(treated) } };
}

/** All faces of a piece of one height; a rounding that is larger than it goes with it. */
export function withHeight(piece: Piece, heightMm: number): Piece {
  const faces = edgesOf(piece.shape).flatMap((name): [EdgeName, Edge][] => {
    const edge = edgeOf(piece, name);
    if (!isHigh(edge.treatment)) return [];
    return [[name, { ...edge, heightMm, roundingMm: Math.min(edge.roundingMm, heightMm) }]];
  });
  return { ...piece, edges: { ...piece.edges, ...Object.fromEntries(faces) } };
}
