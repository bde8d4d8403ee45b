import { ellipse, ellipsePerimeterMm, type Point } from "./curves";
import type { Outline } from "./outline";
import type { CutOut, CutOutShape } from "./piece";
import { ringAreaMm2, pathLengthMm, boxOf } from "./ring";
import { roundCorners } from "./rounding";

/** The centre of a cut-out in the outline's coordinates. */
export function cutOutCentre(cutOut: CutOut, outline: Outline): Point {
  return { x: cutOut.fromLeftMm, y: outline.heightMm - cutOut.fromFrontMm };
}

const radiusOf = (shape: Extract<CutOutShape, { kind: "rectangle" }>) =>
  Math.max(0, Math.min(shape.radiusMm ?? 0, shape.lengthMm / 2, shape.depthMm / 2));

const ellipseAboutCentre = (lengthMm: number, depthMm: number): Point[] =>
  ellipse(lengthMm, depthMm).points.map(({ x, y }) => ({ x: x - lengthMm / 2, y: y - depthMm / 2 }));

/** The line of a closed shape about its own centre, flattened. */
export function ringAboutCentre(shape: CutOutShape): Point[] {
  switch (shape.kind) {
    case "round":
      return ellipseAboutCentre(shape.diameterMm, shape.diameterMm);
    case "oval":
      return ellipseAboutCentre(shape.lengthMm, shape.depthMm);
    case "rectangle": {
      const [x, y] = [shape.lengthMm / 2, shape.depthMm / 2];
      const corners = [
        { x: -x, y: -y },
        { x, y: -y },
        { x, y },
        { x: -x, y },
      ];
      const radius = radiusOf(shape);
      if (radius === 0) return corners;
      return roundCorners(corners, [radius, radius, radius, radius]).paths.flatMap((path) =>
        path.slice(0, -1),
      );
    }
    case "free":
      return shape.points.map(([x, y]) => ({ x, y }));
  }
}

/** The line of a cut-out in the outline's coordinates, flattened. */
export function cutOutRing(cutOut: CutOut, outline: Outline): Point[] {
  const centre = cutOutCentre(cutOut, outline);
  return ringAboutCentre(cutOut.shape).map(({ x, y }) => ({ x: x + centre.x, y: y + centre.y }));
}

export function cutOutAreaMm2({ shape }: CutOut): number {
  switch (shape.kind) {
    case "round":
      return Math.PI * (shape.diameterMm / 2) ** 2;
    case "oval":
      return (Math.PI * shape.lengthMm * shape.depthMm) / 4;
    case "rectangle":
      return shape.lengthMm * shape.depthMm - (4 - Math.PI) * radiusOf(shape) ** 2;
    case "free":
      return ringAreaMm2(ringAboutCentre(shape));
  }
}

export function cutOutPerimeterMm({ shape }: CutOut): number {
  switch (shape.kind) {
    case "round":
      return Math.PI * shape.diameterMm;
    case "oval":
      return ellipsePerimeterMm(shape.lengthMm / 2, shape.depthMm / 2);
    case "rectangle":
      return 2 * (shape.lengthMm + shape.depthMm) - (8 - 2 * Math.PI) * radiusOf(shape);
    case "free": {
      const ring = ringAboutCentre(shape);
      return pathLengthMm([...ring, ring[0] as Point]);
    }
  }
}

/** Width and height of a cut-out's bounding box. */
export function cutOutSize({ shape }: CutOut): { widthMm: number; heightMm: number } {
  const box = boxOf(ringAboutCentre(shape));
  return { widthMm: box.maxX - box.minX, heightMm: box.maxY - box.minY };
}
