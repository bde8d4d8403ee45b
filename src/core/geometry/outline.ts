import { EDGES_OF, type CutOut, type EdgeName, type Shape } from "./piece";

export type Point = { x: number; y: number };

/** A straight side of an outline, from corner to corner. */
export type Side = { name: EdgeName; from: Point; to: Point; lengthMm: number };

/** The outer line of a piece in mm; x to the right, y towards the person at the front; origin at the back left. */
export type Outline =
  | { kind: "polygon"; corners: Point[]; sides: Side[]; widthMm: number; heightMm: number }
  | { kind: "circle"; centre: Point; radiusMm: number; widthMm: number; heightMm: number };

function cornersOf(shape: Exclude<Shape, { kind: "round" }>): Point[] {
  if (shape.kind !== "l-run") {
    const { lengthMm: length, depthMm: depth } = shape;
    return [
      { x: 0, y: 0 },
      { x: length, y: 0 },
      { x: length, y: depth },
      { x: 0, y: depth },
    ];
  }
  const { lengthMm: length, depthMm: depth, returnLengthMm: back, returnDepthMm: wide } = shape;
  return [
    { x: 0, y: 0 },
    { x: length, y: 0 },
    { x: length, y: depth },
    { x: wide, y: depth },
    { x: wide, y: back },
    { x: 0, y: back },
  ];
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

/** The outline of a shape with its sides named. */
export function outlineOf(shape: Shape): Outline {
  if (shape.kind === "round") {
    const radiusMm = shape.diameterMm / 2;
    return {
      kind: "circle",
      centre: { x: radiusMm, y: radiusMm },
      radiusMm,
      widthMm: shape.diameterMm,
      heightMm: shape.diameterMm,
    };
  }
  const widthMm = shape.lengthMm;
  const heightMm = shape.kind === "l-run" ? Math.max(shape.depthMm, shape.returnLengthMm) : shape.depthMm;
  const straight = cornersOf(shape);
  const mirrored = shape.kind === "l-run" && shape.turn === "right";
  const corners = mirrored ? straight.map((corner) => ({ x: widthMm - corner.x, y: corner.y })) : straight;
  const names = EDGES_OF[shape.kind];
  const sides = corners.map((from, index) => {
    const to = corners[(index + 1) % corners.length] as Point;
    return { name: names[index] as EdgeName, from, to, lengthMm: Math.hypot(to.x - from.x, to.y - from.y) };
  });
  return { kind: "polygon", corners, sides, widthMm, heightMm };
}

export function outlineAreaMm2(outline: Outline): number {
  return outline.kind === "circle" ? Math.PI * outline.radiusMm ** 2 : polygonAreaMm2(outline.corners);
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
