/** How the film ends at an edge. */
export type EdgeTreatment = "face" | "wall" | "dam" | "open";

/** One edge of a piece. `heightMm` and `roundingMm` count for faces and dammed edges only. */
export type Edge = { treatment: EdgeTreatment; heightMm: number; roundingMm: number };

/** Names of the edges, by the side from which a person standing at the front sees them. */
export type EdgeName =
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

export type Shape =
  | { kind: "straight"; lengthMm: number; depthMm: number }
  /** Two legs in an L. Both lengths are outer, along the walls; `turn` says on which hand the return leg runs. */
  | {
      kind: "l-run";
      lengthMm: number;
      depthMm: number;
      returnLengthMm: number;
      returnDepthMm: number;
      turn: "left" | "right";
    }
  | { kind: "rectangle"; lengthMm: number; depthMm: number }
  /** Two returns, both towards the person. All lengths are outer, along the walls. */
  | {
      kind: "u-run";
      lengthMm: number;
      depthMm: number;
      leftLengthMm: number;
      leftDepthMm: number;
      rightLengthMm: number;
      rightDepthMm: number;
    }
  | { kind: "round"; diameterMm: number }
  | { kind: "oval"; lengthMm: number; depthMm: number }
  /** Straight sides joined by half circles. */
  | { kind: "racetrack"; lengthMm: number; depthMm: number }
  | { kind: "polygon"; sides: number; sideMm: number };

/** An opening. Its place is that of its centre, from the left and from the front of the piece's bounding box. */
export type CutOut = {
  id: string;
  name: string;
  shape: { kind: "rectangle"; lengthMm: number; depthMm: number } | { kind: "round"; diameterMm: number };
  fromLeftMm: number;
  fromFrontMm: number;
  /** The inner edge, where it is coated as under-mount sinks want it; null when it is hidden. */
  innerFace: { heightMm: number; roundingMm: number } | null;
};

export type Piece = {
  id: string;
  name: string;
  /** How many of the same. */
  count: number;
  shape: Shape;
  edges: Partial<Record<EdgeName, Edge>>;
  cutOuts: CutOut[];
};

/** Edge names of a kind of piece, in the order of its outline (clockwise on screen, from the back left corner). */
export const EDGES_OF: Record<Shape["kind"], readonly EdgeName[]> = {
  straight: ["back", "right", "front", "left"],
  rectangle: ["back", "right", "front", "left"],
  "l-run": ["backLong", "endRight", "frontLong", "frontReturn", "endReturn", "wallReturn"],
  "u-run": ["back", "wallRight", "endRightReturn", "innerRight", "front", "innerLeft", "endLeft", "wallLeft"],
  round: ["rim"],
  oval: ["rim"],
  racetrack: ["rim"],
  polygon: ["rim"],
};

/** What an edge is called in words. */
export const EDGE_WORDS: Record<EdgeName, string> = {
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

export const FACE: Edge = { treatment: "face", heightMm: 38, roundingMm: 3 };
export const WALL: Edge = { treatment: "wall", heightMm: 0, roundingMm: 0 };

/** Edges that usually stand against a wall. */
const AT_WALLS = new Set<EdgeName>(["back", "backLong", "wallReturn", "wallLeft", "wallRight"]);

/** The edge as planned, or the usual one of that place: walls behind counters, faces elsewhere. */
export function edgeOf(piece: Piece, name: EdgeName): Edge {
  const usual = AT_WALLS.has(name) && piece.shape.kind !== "rectangle" ? WALL : FACE;
  return piece.edges[name] ?? usual;
}
