import type { Point, Pair } from "./curves";
import { cutOutCentre, cutOutRing } from "./cut-out";
import { outlineOf } from "./outline";
import {
  edgeOf,
  edgesOf,
  type CutOut,
  type Door,
  type Edge,
  type EdgeName,
  type NamedEdge,
  type Piece,
  type Shape,
} from "./piece";
import { boxOf } from "./ring";
import { storedMm, storedPair } from "./stored";
import { surfaceOf } from "./zones/regions";
import type { Move } from "./move";
import { movedWithPiece } from "./moved-with-piece";

type Free = Extract<Shape, { kind: "free" | "floor" }>;

/** All edges as they now are, by name, so that they outlast a change of shape. */
function spelledEdges(piece: Piece): Partial<Record<EdgeName, Edge>> {
  return Object.fromEntries(edgesOf(piece.shape).map((name) => [name, edgeOf(piece, name)]));
}

const renamed = (
  edges: Partial<Record<EdgeName, Edge>>,
  to: (name: EdgeName) => EdgeName,
): Partial<Record<EdgeName, Edge>> =>
  Object.fromEntries(Object.entries(edges).map(([name, edge]) => [to(name as EdgeName), edge]));

/** What a side is called when a free outline is read the other way round: the last corner becomes the first. */
function reversedSides(shape: Free): (name: EdgeName) => EdgeName {
  const count = shape.starts.length;
  return (name) => `side-${((2 * count - 1 - Number(name.slice(5))) % count) + 1}`;
}

/** The same outline read the other way round; each point through a map of the plane. */
function reversed<S extends Free>(shape: S, map: (pair: Pair) => Pair): S {
  const count = shape.points.length;
  const points = shape.points.map(map).reverse();
  // Corner i becomes corner count − 1 − i; a side that began there now ends there.
  const starts = shape.starts.map((start) => count - 1 - start).sort((a, b) => a - b);
  return { ...shape, points, starts };
}

const SWAPPED: Partial<Record<NamedEdge, NamedEdge>> = {
  left: "right",
  right: "left",
  wallLeft: "wallRight",
  wallRight: "wallLeft",
  endLeft: "endRightReturn",
  endRightReturn: "endLeft",
  innerLeft: "innerRight",
  innerRight: "innerLeft",
};
const QUARTER: Partial<Record<NamedEdge, NamedEdge>> = {
  back: "right",
  right: "front",
  front: "left",
  left: "back",
};

/** Doors of a floor that is read the other way round: on the renamed sides, counted from their other ends. */
function mirroredDoors(piece: Piece, doors: readonly Door[], to: (name: EdgeName) => EdgeName): Door[] {
  const { sides } = outlineOf(piece);
  return doors.map((door) => {
    const long = sides.find(({ name }) => name === door.edge)?.lengthMm ?? 0;
    return { ...door, edge: to(door.edge), atMm: storedMm(Math.max(0, long - door.atMm)) };
  });
}

/** Mirrored from left to right, as the other half of a pair. Area and edges stay; a free outline keeps its direction. */
export function mirrored(piece: Piece): Piece {
  const wideMm = surfaceOf(piece).box.maxX;
  const move: Move = { to: (x, y) => [wideMm - x, y], mirrors: true };
  return { ...mirroredShape(piece), ...movedWithPiece(piece, move) };
}

function mirroredShape(piece: Piece): Piece {
  const { widthMm } = outlineOf(piece);
  const cutOuts = piece.cutOuts.map((cutOut): CutOut => {
    const shape =
      cutOut.shape.kind === "free"
        ? { ...cutOut.shape, points: cutOut.shape.points.map(([x, y]): Pair => [-x, y]).reverse() }
        : cutOut.shape;
    return { ...cutOut, shape, fromLeftMm: storedMm(widthMm - cutOut.fromLeftMm) };
  });
  const edges = spelledEdges(piece);
  const swapped = renamed(edges, (name) => SWAPPED[name as NamedEdge] ?? name);
  const { shape } = piece;
  switch (shape.kind) {
    case "straight": {
      const { mitreLeftDeg, mitreRightDeg, ...rest } = shape;
      return {
        ...piece,
        cutOuts,
        edges: swapped,
        shape: { ...rest, mitreLeftDeg: mitreRightDeg, mitreRightDeg: mitreLeftDeg },
      };
    }
    case "l-run":
      return {
        ...piece,
        cutOuts,
        edges,
        shape: { ...shape, turn: shape.turn === "left" ? "right" : "left" },
      };
    case "u-run":
      return {
        ...piece,
        cutOuts,
        edges: swapped,
        shape: {
          ...shape,
          leftLengthMm: shape.rightLengthMm,
          leftDepthMm: shape.rightDepthMm,
          rightLengthMm: shape.leftLengthMm,
          rightDepthMm: shape.leftDepthMm,
        },
      };
    case "rectangle": {
      const [bl, br, fr, fl] = shape.cornerRadiiMm ?? [0, 0, 0, 0];
      return {
        ...piece,
        cutOuts,
        edges: swapped,
        shape: shape.cornerRadiiMm ? { ...shape, cornerRadiiMm: [br, bl, fl, fr] } : shape,
      };
    }
    case "free":
    case "floor":
      return {
        ...piece,
        cutOuts,
        edges: renamed(edges, reversedSides(shape)),
        ...(piece.doors && { doors: mirroredDoors(piece, piece.doors, reversedSides(shape)) }),
        shape: reversed(shape, ([x, y]) => [storedMm(-x), y]),
      };
    case "offsets":
    case "river": {
      const last = Math.max(...shape.stations.map((station) => station.atMm));
      const stations = shape.stations
        .map((station) => ({ ...station, atMm: storedMm(last - station.atMm) }))
        .reverse();
      return { ...piece, cutOuts, edges: swapped, shape: { ...shape, stations } };
    }
    case "mould":
      return shape.outline.kind === "free"
        ? {
            ...piece,
            shape: {
              ...shape,
              outline: {
                ...shape.outline,
                points: shape.outline.points.map(([x, y]): Pair => [storedMm(-x), y]).reverse(),
              },
            },
          }
        : piece;
    default:
      return { ...piece, cutOuts, edges: swapped };
  }
}

/** A piece as a free outline with the same edges and cut-outs; null for what is not flat or has a depth of its own. */
export function asFree(piece: Piece): Piece | null {
  const { shape } = piece;
  if (shape.kind === "free" || shape.kind === "floor") return piece;
  if (shape.kind === "tumbler" || shape.kind === "mould" || shape.kind === "river") return null;
  const outline = outlineOf(piece);
  const points: Pair[] = [];
  const starts: number[] = [];
  const edges: Piece["edges"] = {};
  const names = edgesOf(shape);
  const standsAt = (pair: Pair, index: number) =>
    points[index]?.[0] === pair[0] && points[index]?.[1] === pair[1];
  outline.sides.forEach(({ path }, index) => {
    path.slice(0, -1).forEach((point, along) => {
      const pair = storedPair(point);
      // Rounded to what is stored, the ends of a very small arc are one corner.
      const again = standsAt(pair, points.length - 1);
      if (along === 0) starts.push(again ? points.length - 1 : points.length);
      if (!again) points.push(pair);
    });
    edges[`side-${index + 1}`] = edgeOf(piece, names[index] as EdgeName);
  });
  if (points.length > 3 && standsAt(points[0] as Pair, points.length - 1)) points.pop();
  return { ...piece, shape: { kind: "free", points, starts }, edges };
}

/** Turned by an angle about the middle, clockwise as seen from above. A quarter turn of a rectangle stays a rectangle. */
export function rotated(piece: Piece, deg: number): Piece | null {
  const quarters = Math.round(deg / 90);
  const { shape } = piece;
  if (Math.abs(deg - quarters * 90) < 1e-9) {
    const times = ((quarters % 4) + 4) % 4;
    if (
      shape.kind === "rectangle" ||
      shape.kind === "oval" ||
      shape.kind === "racetrack" ||
      shape.kind === "sample"
    )
      return Array.from({ length: times }).reduce<Piece>(quarterTurned, piece);
    if (shape.kind === "round") return piece;
  }
  const free = asFree(piece);
  return free && turnedFree(free, (deg * Math.PI) / 180);
}

function quarterTurned(piece: Piece): Piece {
  const { widthMm, heightMm } = outlineOf(piece);
  const turned = piece.cutOuts.map((cutOut): CutOut => {
    const { shape } = cutOut;
    const next =
      shape.kind === "rectangle" || shape.kind === "oval"
        ? { ...shape, lengthMm: shape.depthMm, depthMm: shape.lengthMm }
        : shape.kind === "free"
          ? { ...shape, points: shape.points.map(([x, y]): Pair => [-y, x]) }
          : shape;
    // (x, y) from the back left goes to (height − y, x); the front of the turned piece is its width away.
    return {
      ...cutOut,
      shape: next,
      fromLeftMm: storedMm(cutOut.fromFrontMm),
      fromFrontMm: storedMm(widthMm - cutOut.fromLeftMm),
    };
  });
  const { shape } = piece;
  const edges = renamed(spelledEdges(piece), (name) => QUARTER[name as NamedEdge] ?? name);
  if (!("lengthMm" in shape)) return piece;
  const next = { ...shape, lengthMm: heightMm, depthMm: widthMm } as Shape;
  if (next.kind === "rectangle" && next.cornerRadiiMm) {
    const [bl, br, fr, fl] = next.cornerRadiiMm;
    next.cornerRadiiMm = [fl, bl, br, fr];
  }
  const move: Move = { to: (x, y) => [heightMm - y, x], turnDeg: 90 };
  return { ...piece, shape: next, cutOuts: turned, edges, ...movedWithPiece(piece, move) };
}

function turnedFree(piece: Piece, angle: number): Piece {
  const { shape } = piece;
  if (shape.kind !== "free" && shape.kind !== "floor") return piece;
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
  const turn = ({ x, y }: Point): Point => ({ x: x * cos - y * sin, y: x * sin + y * cos });
  const outline = outlineOf(piece);
  const box = boxOf(outline.corners.map(turn));
  const cutOuts = piece.cutOuts.map((cutOut): CutOut => {
    const centre = turn(cutOutCentre(cutOut, outline));
    const around = cutOutRing(cutOut, outline).map((point) => {
      const { x, y } = turn(point);
      return storedPair({ x: x - centre.x, y: y - centre.y });
    });
    return {
      ...cutOut,
      shape: cutOut.shape.kind === "round" ? cutOut.shape : { kind: "free", points: around },
      fromLeftMm: storedMm(centre.x - box.minX),
      fromFrontMm: storedMm(box.maxY - centre.y),
    };
  });
  const first = shape.starts[0] ?? 0;
  const move: Move = {
    to: (x, y) => {
      const turned = turn({ x, y });
      return [turned.x - box.minX, turned.y - box.minY];
    },
    turnDeg: (angle * 180) / Math.PI,
  };
  return {
    ...piece,
    cutOuts,
    ...movedWithPiece(piece, move),
    shape: {
      ...shape,
      // An outline's corners begin at its first edge.
      points: [...shape.points.slice(first), ...shape.points.slice(0, first)].map(([x, y]) => {
        const turned = turn({ x: x - outline.origin.x, y: y - outline.origin.y });
        return storedPair({ x: turned.x - box.minX, y: turned.y - box.minY });
      }),
      starts: shape.starts.map((start) => start - first),
    },
  };
}
