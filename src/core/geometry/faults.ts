import type { Point } from "./curves";
import { cutOutCentre, cutOutCorners, outlineOf, type Outline } from "./outline";
import { EDGE_WORDS, EDGES_OF, edgeOf, type CutOut, type Piece } from "./piece";

/** Something impossible, with the field at which it is said (a path within the piece). */
export type Fault = { at: string; message: string };

function distanceToSide(point: Point, from: Point, to: Point): number {
  const [dx, dy] = [to.x - from.x, to.y - from.y];
  const along = Math.max(
    0,
    Math.min(1, ((point.x - from.x) * dx + (point.y - from.y) * dy) / (dx * dx + dy * dy)),
  );
  return Math.hypot(point.x - from.x - along * dx, point.y - from.y - along * dy);
}

function isInside(point: Point, corners: readonly Point[]): boolean {
  let inside = false;
  corners.forEach((a, index) => {
    const b = corners[(index + 1) % corners.length] as Point;
    if (a.y > point.y !== b.y > point.y && point.x < ((b.x - a.x) * (point.y - a.y)) / (b.y - a.y) + a.x)
      inside = !inside;
  });
  return inside;
}

/** Least distance from a point to an outline; negative outside. Within the flatness of a curve. */
function roomAround(point: Point, { corners }: Outline): number {
  const nearest = Math.min(
    ...corners.map((corner, index) =>
      distanceToSide(point, corner, corners[(index + 1) % corners.length] as Point),
    ),
  );
  return isInside(point, corners) ? nearest : -nearest;
}

/** A corner of the outline, such as the inner one of an L, that stands inside a rectangle. */
function swallowsCorner(corners: readonly Point[], outline: Outline): boolean {
  return outline.corners.some((corner) => isInside(corner, corners));
}

/** Whether a cut-out lies wholly within the outline, clear of its edges. */
function fitsInside(cutOut: CutOut, outline: Outline): boolean {
  const corners = cutOutCorners(cutOut, outline);
  if (cutOut.shape.kind === "round" || corners === null) {
    const radius = cutOut.shape.kind === "round" ? cutOut.shape.diameterMm / 2 : 0;
    return roomAround(cutOutCentre(cutOut, outline), outline) > radius;
  }
  return corners.every((corner) => roomAround(corner, outline) > 0) && !swallowsCorner(corners, outline);
}

function overlap(one: CutOut, other: CutOut, outline: Outline): boolean {
  const [a, b] = [cutOutCentre(one, outline), cutOutCentre(other, outline)];
  const [ca, cb] = [cutOutCorners(one, outline), cutOutCorners(other, outline)];
  if (ca && cb) {
    const [a0, a2, b0, b2] = [ca[0], ca[2], cb[0], cb[2]] as [Point, Point, Point, Point];
    return a0.x <= b2.x && b0.x <= a2.x && a0.y <= b2.y && b0.y <= a2.y;
  }
  if (one.shape.kind === "round" && other.shape.kind === "round") {
    return Math.hypot(a.x - b.x, a.y - b.y) <= (one.shape.diameterMm + other.shape.diameterMm) / 2;
  }
  const [centre, radius, corners] =
    one.shape.kind === "round"
      ? [a, one.shape.diameterMm / 2, cb]
      : [b, other.shape.kind === "round" ? other.shape.diameterMm / 2 : 0, ca];
  const [low, , high] = corners as [Point, Point, Point];
  const nearest = {
    x: Math.max(low.x, Math.min(high.x, centre.x)),
    y: Math.max(low.y, Math.min(high.y, centre.y)),
  };
  return Math.hypot(centre.x - nearest.x, centre.y - nearest.y) <= radius;
}

const LEAST_MM = 10;

function shapeFaults(piece: Piece): Fault[] {
  const faults: Fault[] = [];
  for (const [field, size] of Object.entries(piece.shape)) {
    if (field === "sides" && (!Number.isInteger(size) || Number(size) < 3 || Number(size) > 24)) {
      faults.push({ at: "shape.sides", message: "A polygon has 3 to 24 sides." });
    } else if (field !== "sides" && typeof size === "number" && !(size >= LEAST_MM))
      faults.push({ at: `shape.${field}`, message: "A piece is at least 10 mm (3/8 in) each way." });
  }
  if (piece.shape.kind === "l-run") {
    const { lengthMm, depthMm, returnLengthMm, returnDepthMm } = piece.shape;
    if (returnLengthMm <= depthMm)
      faults.push({
        at: "shape.returnLengthMm",
        message:
          "The return must be longer than the long leg is deep: both are measured from the corner at the wall.",
      });
    if (returnDepthMm >= lengthMm)
      faults.push({
        at: "shape.returnDepthMm",
        message: "The return is as deep as the long leg is long: then it is one rectangle.",
      });
  }
  if (piece.shape.kind === "u-run") {
    const { lengthMm, depthMm, leftLengthMm, leftDepthMm, rightLengthMm, rightDepthMm } = piece.shape;
    const message =
      "A return must be longer than the run is deep: both are measured from the corner at the wall.";
    if (leftLengthMm <= depthMm) faults.push({ at: "shape.leftLengthMm", message });
    if (rightLengthMm <= depthMm) faults.push({ at: "shape.rightLengthMm", message });
    if (leftDepthMm + rightDepthMm >= lengthMm)
      faults.push({
        at: "shape.rightDepthMm",
        message: "The two returns are together as deep as the run is long: nothing is left between them.",
      });
  }
  return faults;
}

function edgeFaults(piece: Piece): Fault[] {
  const faults: Fault[] = [];
  for (const name of EDGES_OF[piece.shape.kind]) {
    const edge = edgeOf(piece, name);
    if (edge.treatment !== "face" && edge.treatment !== "dam") continue;
    if (edge.treatment === "face" && edge.heightMm <= 0)
      faults.push({
        at: `edges.${name}.heightMm`,
        message: `The face at the ${EDGE_WORDS[name]} has no height.`,
      });
    else if (edge.heightMm > 0 && edge.roundingMm > edge.heightMm)
      faults.push({
        at: `edges.${name}.roundingMm`,
        message: "The rounding is larger than the face is high.",
      });
  }
  return faults;
}

function cutOutFaults(piece: Piece): Fault[] {
  const outline = outlineOf(piece.shape);
  const faults: Fault[] = [];
  piece.cutOuts.forEach((cutOut, index) => {
    const sizes =
      cutOut.shape.kind === "round"
        ? [cutOut.shape.diameterMm]
        : [cutOut.shape.lengthMm, cutOut.shape.depthMm];
    const at = `cutOuts.${cutOut.id}`;
    if (sizes.some((size) => !(size > 0))) {
      faults.push({ at, message: `${cutOut.name} has no size.` });
      return;
    }
    if (!fitsInside(cutOut, outline))
      faults.push({
        at,
        message: `${cutOut.name} reaches over the edge of ${piece.name}. Make it smaller or move it in.`,
      });
    const hit = piece.cutOuts.slice(0, index).find((earlier) => overlap(earlier, cutOut, outline));
    if (hit) faults.push({ at, message: `${cutOut.name} and ${hit.name} overlap.` });
    if (cutOut.innerFace && cutOut.innerFace.heightMm <= 0)
      faults.push({ at: `${at}.innerFace`, message: `The inner face of ${cutOut.name} has no height.` });
    if (cutOut.innerFace && cutOut.innerFace.roundingMm > cutOut.innerFace.heightMm)
      faults.push({ at: `${at}.innerFace`, message: "The rounding is larger than the face is high." });
  });
  return faults;
}

/** Everything about a piece that cannot be, each at its field. An empty list means that it can be measured. */
export function faultsOf(piece: Piece): Fault[] {
  const first = shapeFaults(piece);
  if (first.length > 0) return first;
  const faults = [...edgeFaults(piece), ...cutOutFaults(piece)];
  if (!Number.isInteger(piece.count) || piece.count < 1)
    faults.push({ at: "count", message: "There must be at least one." });
  return faults;
}
