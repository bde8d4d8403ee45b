import { ellipse, racetrack, regularPolygon, type Curve, type Point } from "./curves";
import { EDGES_OF, type CutOut, type EdgeName, type Shape } from "./piece";

/** A straight side of an outline, from corner to corner. */
export type Side = { name: EdgeName; from: Point; to: Point; lengthMm: number };

/** The outer line of a piece in mm; x to the right, y towards the person at the front; origin at the back left. */
export type Outline = (
  | { kind: "polygon"; corners: Point[]; sides: Side[] }
  | { kind: "curve"; corners: Point[]; areaMm2: number; perimeterMm: number }
) & {
  widthMm: number;
  heightMm: number;
};

type StraightShape = Extract<Shape, { kind: "straight" | "rectangle" | "l-run" | "u-run" }>;

const at = (x: number, y: number): Point => ({ x, y });

/** Corners in the order of `EDGES_OF`, clockwise on screen from the back left. */
function cornersOf(shape: StraightShape): Point[] {
  const { lengthMm: length, depthMm: depth } = shape;
  switch (shape.kind) {
    case "straight":
    case "rectangle":
      return [at(0, 0), at(length, 0), at(length, depth), at(0, depth)];
    case "l-run": {
      const { returnLengthMm: back, returnDepthMm: wide, turn } = shape;
      const left = [at(0, 0), at(length, 0), at(length, depth), at(wide, depth), at(wide, back), at(0, back)];
      return turn === "left" ? left : left.map((corner) => at(length - corner.x, corner.y));
    }
    case "u-run": {
      const { leftLengthMm, leftDepthMm, rightLengthMm, rightDepthMm } = shape;
      const inner = length - rightDepthMm;
      return [
        at(0, 0),
        at(length, 0),
        at(length, rightLengthMm),
        at(inner, rightLengthMm),
        at(inner, depth),
        at(leftDepthMm, depth),
        at(leftDepthMm, leftLengthMm),
        at(0, leftLengthMm),
      ];
    }
  }
}

/** Shoelace formula; positive for either direction of travel. */
export function polygonAreaMm2(corners: readonly Point[]): number {
  let twice = 0;
  corners.forEach((corner, index) => {
    const next = corners[(index + 1) % corners.length] as Point;
    twice += corner.x * next.y - next.x * corner.y;
  });
  return Math.abs(twice) / 2;
}

function curveOf(shape: Exclude<Shape, StraightShape>): Curve {
  switch (shape.kind) {
    case "round":
      return ellipse(shape.diameterMm, shape.diameterMm);
    case "oval":
      return ellipse(shape.lengthMm, shape.depthMm);
    case "racetrack":
      return racetrack(shape.lengthMm, shape.depthMm);
    case "polygon":
      return regularPolygon(shape.sides, shape.sideMm);
  }
}

const isStraight = (shape: Shape): shape is StraightShape => EDGES_OF[shape.kind][0] !== "rim";

/** The outline of a shape: straight sides with their names, or one curved rim. */
export function outlineOf(shape: Shape): Outline {
  if (!isStraight(shape)) {
    const { points, ...measures } = curveOf(shape);
    return { kind: "curve", corners: points, ...measures };
  }
  const corners = cornersOf(shape);
  const names = EDGES_OF[shape.kind];
  const sides = corners.map((from, index) => {
    const to = corners[(index + 1) % corners.length] as Point;
    return { name: names[index] as EdgeName, from, to, lengthMm: Math.hypot(to.x - from.x, to.y - from.y) };
  });
  return {
    kind: "polygon",
    corners,
    sides,
    widthMm: Math.max(...corners.map((corner) => corner.x)),
    heightMm: Math.max(...corners.map((corner) => corner.y)),
  };
}

export function outlineAreaMm2(outline: Outline): number {
  return outline.kind === "curve" ? outline.areaMm2 : polygonAreaMm2(outline.corners);
}

/** The edges of an outline with their lengths; a curve has one, its rim. */
export function edgeLengths(outline: Outline): { name: EdgeName; lengthMm: number }[] {
  return outline.kind === "curve" ? [{ name: "rim", lengthMm: outline.perimeterMm }] : outline.sides;
}

/** The centre of a cut-out in the outline's coordinates. */
export function cutOutCentre(cutOut: CutOut, outline: Outline): Point {
  return { x: cutOut.fromLeftMm, y: outline.heightMm - cutOut.fromFrontMm };
}

/** Corners of a rectangular cut-out; null for a round one. */
export function cutOutCorners(cutOut: CutOut, outline: Outline): Point[] | null {
  if (cutOut.shape.kind === "round") return null;
  const { x, y } = cutOutCentre(cutOut, outline);
  const [halfX, halfY] = [cutOut.shape.lengthMm / 2, cutOut.shape.depthMm / 2];
  return [
    { x: x - halfX, y: y - halfY },
    { x: x + halfX, y: y - halfY },
    { x: x + halfX, y: y + halfY },
    { x: x - halfX, y: y + halfY },
  ];
}

export function cutOutAreaMm2(cutOut: CutOut): number {
  return cutOut.shape.kind === "round"
    ? Math.PI * (cutOut.shape.diameterMm / 2) ** 2
    : cutOut.shape.lengthMm * cutOut.shape.depthMm;
}

export function cutOutPerimeterMm(cutOut: CutOut): number {
  return cutOut.shape.kind === "round"
    ? Math.PI * cutOut.shape.diameterMm
    : 2 * (cutOut.shape.lengthMm + cutOut.shape.depthMm);
}
