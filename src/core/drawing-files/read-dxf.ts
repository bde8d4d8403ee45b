import type { Pair } from "../geometry/curves";
import DxfParser, {
  type IArcEntity,
  type ICircleEntity,
  type IEllipseEntity,
  type IEntity,
  type IInsertEntity,
  type ILineEntity,
  type ILwpolylineEntity,
  type IPolylineEntity,
  type ISplineEntity,
} from "dxf-parser";

import {
  joined,
  LIMITS,
  mustBeText,
  pointBudget,
  reading,
  tidied,
  Unreadable,
  type DrawnPath,
  type ReadDrawing,
} from "./drawing";
import { flattenArc, flattenSpline } from "./flatten";

/** Millimetres of the units that $INSUNITS can name (DXF reference, group 70 of the header variable; from memory). */
const MM_OF_INSUNITS: Record<number, number> = {
  1: 25.4,
  2: 304.8,
  4: 1,
  5: 10,
  6: 1000,
  8: 0.0000254,
  9: 0.0254,
  10: 914.4,
  13: 0.001,
  14: 100,
};

/** Blocks placed within blocks at most. */
const DEEPEST_BLOCK = 8;

/** Where a block stands: x' = a·x + c·y + e, y' = b·x + d·y + f. */
type Placement = [number, number, number, number, number, number];
const PLAIN: Placement = [1, 0, 0, 1, 0, 0];

const placed = ([a, b, c, d, e, f]: Placement, [x, y]: Pair): Pair => [a * x + c * y + e, b * x + d * y + f];
const within = ([a, b, c, d, e, f]: Placement, [A, B, C, D, E, F]: Placement): Placement => [
  a * A + c * B,
  b * A + d * B,
  a * C + c * D,
  b * C + d * D,
  a * E + c * F + e,
  b * E + d * F + f,
];
const sizeOf = ([a, b, c, d]: Placement) => Math.max(Math.hypot(a, b), Math.hypot(c, d));

/** Points between two vertices of a polyline whose bulge is the tangent of a quarter of the arc between them. */
function bulged(from: Pair, to: Pair, bulge: number, tolerance: number): Pair[] {
  if (Math.abs(bulge) < 1e-9) return [to];
  const sweep = 4 * Math.atan(bulge);
  const chord = Math.hypot(to[0] - from[0], to[1] - from[1]);
  if (chord === 0) return [];
  const radius = chord / (2 * Math.sin(sweep / 2));
  const offset = radius * Math.cos(sweep / 2);
  const centre: Pair = [
    (from[0] + to[0]) / 2 - (offset * (to[1] - from[1])) / chord,
    (from[1] + to[1]) / 2 + (offset * (to[0] - from[0])) / chord,
  ];
  const start = Math.atan2(from[1] - centre[1], from[0] - centre[0]);
  const points = flattenArc(centre, [Math.abs(radius), Math.abs(radius)], 0, start, sweep, tolerance).slice(
    1,
  );
  points[points.length - 1] = to;
  return points;
}

type Flat = { points: Pair[]; closed: boolean; circle?: { x: number; y: number; radius: number } };

function polyline(
  vertices: readonly { x: number; y: number; bulge?: number }[],
  closed: boolean,
  tolerance: number,
): Flat {
  const points: Pair[] = [];
  vertices.forEach((vertex, index) => {
    const here: Pair = [vertex.x, vertex.y];
    if (index === 0) points.push(here);
    const next = vertices[index + 1] ?? (closed ? vertices[0] : undefined);
    if (next) points.push(...bulged(here, [next.x, next.y], vertex.bulge ?? 0, tolerance));
  });
  return { points, closed };
}

/** The entity as a flattened line in its own coordinates; null for one that is no line, with its name. */
function flattened(entity: IEntity, tolerance: number): Flat | null {
  switch (entity.type) {
    case "LINE": {
      const { vertices } = entity as ILineEntity;
      return { points: vertices.map(({ x, y }): Pair => [x, y]), closed: false };
    }
    case "LWPOLYLINE": {
      const { vertices, shape } = entity as ILwpolylineEntity;
      return polyline(vertices, Boolean(shape), tolerance);
    }
    case "POLYLINE": {
      const { vertices, shape, isPolyfaceMesh, is3dPolygonMesh } = entity as IPolylineEntity;
      return isPolyfaceMesh || is3dPolygonMesh ? null : polyline(vertices, Boolean(shape), tolerance);
    }
    case "CIRCLE": {
      const { center, radius } = entity as ICircleEntity;
      const points = flattenArc([center.x, center.y], [radius, radius], 0, 0, 2 * Math.PI, tolerance);
      return { points, closed: true, circle: { x: center.x, y: center.y, radius } };
    }
    case "ARC": {
      const { center, radius, startAngle, endAngle } = entity as IArcEntity;
      const sweep = (((endAngle - startAngle) % (2 * Math.PI)) + 2 * Math.PI) % (2 * Math.PI) || 2 * Math.PI;
      return {
        points: flattenArc([center.x, center.y], [radius, radius], 0, startAngle, sweep, tolerance),
        closed: false,
      };
    }
    case "ELLIPSE": {
      const { center, majorAxisEndPoint: axis, axisRatio, startAngle, endAngle } = entity as IEllipseEntity;
      const long = Math.hypot(axis.x, axis.y);
      const whole = Math.abs(endAngle - startAngle - 2 * Math.PI) < 1e-6;
      const sweep = whole
        ? 2 * Math.PI
        : (((endAngle - startAngle) % (2 * Math.PI)) + 2 * Math.PI) % (2 * Math.PI);
      const points = flattenArc(
        [center.x, center.y],
        [long, long * axisRatio],
        Math.atan2(axis.y, axis.x),
        startAngle,
        sweep,
        tolerance,
      );
      return { points, closed: whole };
    }
    case "SPLINE": {
      const { controlPoints, knotValues, degreeOfSplineCurve, closed, rational } = entity as ISplineEntity;
      if (!controlPoints || rational) return null;
      const points = flattenSpline(
        degreeOfSplineCurve,
        knotValues,
        controlPoints.map(({ x, y }): Pair => [x, y]),
        [],
        tolerance,
      );
      return { points, closed: Boolean(closed) };
    }
    default:
      return null;
  }
}

/**
 * Polylines as the reader takes them: their number of corners (group 90) as many as there are, whatever the file promises, and without the
 * corners' own numbers (group 91), at which it would stop.
 */
function plainPolylines(text: string): string {
  const lines = text.split(/\r?\n/);
  const kept: string[] = [];
  /** Where the polyline that is gone through said its number of corners, and how many there were since. */
  let promise = -1;
  let corners = 0;
  let inPolyline = false;
  const keepPromise = () => {
    if (inPolyline && promise >= 0) kept[promise] = String(corners);
  };
  for (let at = 0; at < lines.length; at += 2) {
    const code = (lines[at] as string).trim();
    const value = lines[at + 1];
    if (code === "0") {
      keepPromise();
      inPolyline = value?.trim() === "LWPOLYLINE";
      [promise, corners] = [-1, 0];
    }
    if (inPolyline && code === "91") continue;
    if (inPolyline && code === "90") promise = kept.length + 1;
    if (code === "10") corners += 1;
    kept.push(lines[at] as string);
    if (value !== undefined) kept.push(value);
  }
  keepPromise();
  return kept.join("\n");
}

const LEFT_OUT: Record<string, string> = {
  TEXT: "writing",
  MTEXT: "writing",
  DIMENSION: "dimensions",
  SPLINE: "weighted splines",
  POINT: "points",
  SOLID: "filled areas",
};

/**
 * The lines of an ASCII DXF: lines, polylines with bulges, circles, arcs, ellipses, splines and placed blocks.
 * Loose ends that meet within the tolerance are joined. y is turned, since a DXF counts it upwards.
 * @param toleranceMm largest distance of a chord from its curve; where the file gives no unit, one unit is taken for a millimetre
 */
export function readDxf(text: string, toleranceMm: number): ReadDrawing {
  return reading("DXF", () => {
    if (text.startsWith("AutoCAD Binary DXF"))
      throw new Unreadable("This is a binary DXF. Save it as ASCII DXF and read that.");
    mustBeText(text, "DXF");
    if (!/^\s*(999[\s\S]*?)?0\s*\r?\n\s*SECTION/.test(text.slice(0, 4000)))
      throw new Unreadable("This is no DXF: it does not begin as one.");
    // Counted before they are read: the reader itself is slow on a file of a hundred thousand.
    if ((text.match(/\n[ \t]*0[ \t]*\r?\n/g)?.length ?? 0) > LIMITS.elements)
      throw new Unreadable(`The DXF has more than ${LIMITS.elements} entities.`);
    const file = new DxfParser().parseSync(plainPolylines(text));
    if (!file) throw new Unreadable("This DXF is damaged: it cannot be read as one.");
    const units = Number((file.header as Record<string, unknown> | undefined)?.$INSUNITS ?? 0);
    const mmPerUnit = MM_OF_INSUNITS[units] ?? null;
    const tolerance = toleranceMm / (mmPerUnit ?? 1);
    const spend = pointBudget();
    const leftOut = new Set<string>();
    const paths: DrawnPath[] = [];
    let elements = 0;

    const take = (entities: readonly IEntity[], at: Placement, depth: number, layerAbove: string | null) => {
      for (const entity of entities) {
        elements += 1;
        if (elements > LIMITS.elements)
          throw new Unreadable(`The DXF has more than ${LIMITS.elements} entities.`);
        // What lies on layer 0 in a block takes the layer on which the block is placed.
        const layer =
          entity.layer && entity.layer !== "0" ? entity.layer : (layerAbove ?? entity.layer ?? "0");
        if (entity.type === "INSERT") {
          insert(entity as IInsertEntity, at, depth, layer);
          continue;
        }
        const flat = flattened(entity, tolerance / Math.max(sizeOf(at), 1e-9));
        if (!flat) {
          leftOut.add(LEFT_OUT[entity.type] ?? `${entity.type.toLowerCase()} entities`);
          continue;
        }
        spend(flat.points.length);
        // Turned over once more by an extrusion of −Z, a block or mirror.
        const extruded = entity as unknown as {
          extrusionDirectionZ?: number;
          extrusionDirection?: { z: number };
        };
        const flip = (extruded.extrusionDirectionZ ?? extruded.extrusionDirection?.z ?? 1) < 0 ? -1 : 1;
        const points = flat.points.map(([x, y]): Pair => {
          const [px, py] = placed(at, [flip * x, y]);
          return [px, -py];
        });
        if (points.some(([x, y]) => !Number.isFinite(x) || !Number.isFinite(y)))
          throw new Unreadable("This DXF is damaged: a line has no numbers for coordinates.");
        const square = Math.abs(Math.hypot(at[0], at[1]) - Math.hypot(at[2], at[3])) < 1e-9;
        const middle = flat.circle && placed(at, [flip * flat.circle.x, flat.circle.y]);
        const circle =
          flat.circle && middle && square
            ? { x: middle[0], y: -middle[1], radius: flat.circle.radius * sizeOf(at) }
            : undefined;
        const kept = tidied(points, flat.closed, tolerance / 100);
        if (kept.length > 1)
          paths.push({
            layer,
            closed: flat.closed && kept.length > 2,
            points: kept,
            ...(circle ? { circle } : {}),
          });
      }
    };
    const insert = (entity: IInsertEntity, at: Placement, depth: number, layer: string) => {
      const block = file.blocks?.[entity.name];
      if (!block) return;
      if (depth >= DEEPEST_BLOCK)
        throw new Unreadable(`The DXF has blocks within blocks more than ${DEEPEST_BLOCK} deep.`);
      const turn = ((entity.rotation ?? 0) * Math.PI) / 180;
      const [sx, sy] = [entity.xScale ?? 1, entity.yScale ?? 1];
      const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
      const columns = Math.max(1, entity.columnCount ?? 1);
      const rows = Math.max(1, entity.rowCount ?? 1);
      if (columns * rows > 10_000) throw new Unreadable("The DXF places a block more than 10 000 times.");
      for (let column = 0; column < columns; column += 1)
        for (let row = 0; row < rows; row += 1) {
          const [dx, dy] = [column * (entity.columnSpacing ?? 0), row * (entity.rowSpacing ?? 0)];
          const [bx, by] = [block.position?.x ?? 0, block.position?.y ?? 0];
          const placement: Placement = [cos * sx, sin * sx, -sin * sy, cos * sy, 0, 0];
          const [ox, oy] = placed(placement, [-bx, -by]);
          placement[4] = entity.position.x + ox + cos * dx - sin * dy;
          placement[5] = entity.position.y + oy + sin * dx + cos * dy;
          take(block.entities ?? [], within(at, placement), depth + 1, layer);
        }
    };
    take(file.entities, PLAIN, 0, null);
    return { ok: true, paths: joined(paths, tolerance), mmPerUnit, leftOut: [...leftOut] };
  });
}
