import { ellipse, racetrack, regularPolygon, type Curve, type Point } from "./curves";
import { unrolledBand, unrolledWall } from "./frustum";
import {
  edgeOf,
  edgesOf,
  type EdgeName,
  type FreeOutline,
  type MouldOutline,
  type Piece,
  type Shape,
} from "./piece";
import { boxOf, pathLengthMm, ringAreaMm2, ringTurn } from "./ring";
import { roundCorners } from "./rounding";
import { stationSides } from "./stations";
import { throughPoints } from "./through-points";
import { byIdentity } from "../numerics/by-identity";

/** One edge of an outline: its line from start to end, flattened where it is curved. */
export type Side = { name: EdgeName; path: Point[]; lengthMm: number };

/** The outer line of a piece in mm; x to the right, y towards the person at the front; origin at the back left of its bounding box. */
export type Outline = {
  corners: Point[];
  /** The edges that can be treated one by one; none for a tumbler's wall and for a mould. */
  sides: Side[];
  areaMm2: number;
  perimeterMm: number;
  widthMm: number;
  heightMm: number;
  /** Where the origin lies in the coordinates of a stored outline. */
  origin: Point;
  /** One closed curve rather than sides with corners. */
  smooth: boolean;
  /** Lines within it where two slabs meet. */
  joints: [Point, Point][];
};

type RunShape = Extract<Shape, { kind: "straight" | "l-run" | "u-run" }>;

const at = (x: number, y: number): Point => ({ x, y });

/** Corners of a run without its overhang, clockwise on screen from the back left. */
function runCorners(shape: RunShape): Point[] {
  const { lengthMm: length, depthMm: depth } = shape;
  switch (shape.kind) {
    case "straight": {
      const cut = (deg = 0) => depth * Math.tan((deg * Math.PI) / 180);
      const [left, right] = [cut(shape.mitreLeftDeg), cut(shape.mitreRightDeg)];
      return [at(0, 0), at(length, 0), at(length - right, depth), at(left, depth)];
    }
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

/** Moves each side of a polygon outwards by its own distance; neighbours meet where their lines cross. */
function movedOut(corners: readonly Point[], distances: readonly number[]): Point[] {
  const count = corners.length;
  const turn = ringTurn(corners);
  const lines = corners.map((from, index) => {
    const to = corners[(index + 1) % count] as Point;
    const long = Math.hypot(to.x - from.x, to.y - from.y) || 1;
    const [dx, dy] = [(to.x - from.x) / long, (to.y - from.y) / long];
    const by = (distances[index] ?? 0) * turn;
    return { x: from.x + dy * by, y: from.y - dx * by, dx, dy };
  });
  return corners.map((_, index) => {
    const [a, b] = [lines[(index + count - 1) % count], lines[index]] as [
      (typeof lines)[number],
      (typeof lines)[number],
    ];
    const det = a.dx * b.dy - a.dy * b.dx;
    if (Math.abs(det) < 1e-9) return at(b.x, b.y);
    const along = ((b.x - a.x) * b.dy - (b.y - a.y) * b.dx) / det;
    return at(a.x + along * a.dx, a.y + along * a.dy);
  });
}

function overhungCorners(piece: Piece, shape: RunShape): Point[] {
  const corners = runCorners(shape);
  const out = shape.overhangMm ?? 0;
  if (out === 0) return corners;
  return movedOut(
    corners,
    edgesOf(shape).map((name) => {
      const { treatment } = edgeOf(piece, name);
      return treatment === "wall" || treatment === "joint" ? 0 : out;
    }),
  );
}

/** Where the slabs of an L or U meet: from corner to corner when mitred, along the longer slab's front when butted. */
function jointsOf(shape: RunShape, corners: readonly Point[]): [Point, Point][] {
  if (shape.kind === "straight" || !shape.joint || shape.joint === "none") return [];
  const c = (index: number) => corners[index] as Point;
  const meet = (outer: Point, inner: Point): [Point, Point] =>
    shape.joint === "mitre" ? [outer, inner] : [at(outer.x, inner.y), inner];
  return shape.kind === "l-run" ? [meet(c(0), c(3))] : [meet(c(0), c(5)), meet(c(1), c(4))];
}

function fromSides(
  paths: Point[][],
  names: readonly EdgeName[],
  more: Partial<Pick<Outline, "joints" | "areaMm2" | "smooth">> & { lengthsMm?: number[] } = {},
): Outline {
  const box = boxOf(paths.flat());
  const origin = at(box.minX, box.minY);
  const shift = (point: Point) => at(point.x - origin.x, point.y - origin.y);
  const moved = paths.map((path) => path.map(shift));
  const corners = moved.flatMap((path) => path.slice(0, -1));
  const sides = moved.flatMap((path, index): Side[] => {
    const name = names[index];
    return name ? [{ name, path, lengthMm: more.lengthsMm?.[index] ?? pathLengthMm(path) }] : [];
  });
  const perimeterMm = moved.reduce(
    (sum, path, index) => sum + (more.lengthsMm?.[index] ?? pathLengthMm(path)),
    0,
  );
  return {
    corners,
    sides,
    areaMm2: more.areaMm2 ?? ringAreaMm2(corners),
    perimeterMm,
    widthMm: box.maxX - box.minX,
    heightMm: box.maxY - box.minY,
    origin,
    smooth: more.smooth ?? false,
    joints: (more.joints ?? []).map(([a, b]) => [shift(a), shift(b)]),
  };
}

function fromCurve(
  { points, areaMm2, perimeterMm, widthMm, heightMm }: Curve,
  names: readonly EdgeName[],
): Outline {
  const [name] = names;
  return {
    corners: points,
    sides: name ? [{ name, path: [...points, points[0] as Point], lengthMm: perimeterMm }] : [],
    areaMm2,
    perimeterMm,
    widthMm,
    heightMm,
    origin: at(0, 0),
    smooth: true,
    joints: [],
  };
}

const closedPaths = (corners: readonly Point[]): Point[][] =>
  corners.map((corner, index) => [corner, corners[(index + 1) % corners.length] as Point]);

/** The edges of a free outline as lines, in its stored coordinates; in one piece and closed when it is smooth all around. */
function freePaths({ points, starts, curved }: FreeOutline): Point[][] {
  const corners = points.map(([x, y]) => at(x, y));
  const first = starts[0] ?? 0;
  const around = [...corners.slice(first), ...corners.slice(0, first)];
  const paths = starts.map((start, index) => {
    const end = starts[index + 1] ?? corners.length + first;
    return [...around.slice(start - first, end - first), around[(end - first) % around.length] as Point];
  });
  if (!curved) return paths;
  if (paths.length > 1) return paths.map((path) => throughPoints(path, false));
  const ring = throughPoints(around, true);
  return [[...ring, ring[0] as Point]];
}

/** The corners of a free outline in its stored coordinates, flattened where it is curved. */
export const freeRing = (outline: FreeOutline): Point[] =>
  freePaths(outline).flatMap((path) => path.slice(0, -1));

function fromFree(outline: FreeOutline, names: readonly EdgeName[]): Outline {
  return fromSides(freePaths(outline), names, {
    smooth: outline.curved === true && outline.starts.length === 1,
  });
}

function rectangleOutline(
  { lengthMm, depthMm, cornerRadiiMm }: { lengthMm: number; depthMm: number; cornerRadiiMm?: number[] },
  names: readonly EdgeName[],
): Outline {
  const corners = [at(0, 0), at(lengthMm, 0), at(lengthMm, depthMm), at(0, depthMm)];
  if (!cornerRadiiMm?.some((radius) => radius > 0)) return fromSides(closedPaths(corners), names);
  // Radii that do not fit are a fault; they are drawn as large as they can be.
  const [bl = 0, br = 0, fr = 0, fl = 0] = cornerRadiiMm;
  const fits = Math.min(
    1,
    lengthMm / Math.max(1e-9, bl + br, fl + fr),
    depthMm / Math.max(1e-9, bl + fl, br + fr),
  );
  const rounded = roundCorners(
    corners,
    cornerRadiiMm.map((radius) => radius * fits),
  );
  return fromSides(rounded.paths, names, {
    lengthsMm: rounded.lengthsMm,
    areaMm2: lengthMm * depthMm - rounded.lostAreaMm2,
  });
}

function mouldOutline(outline: MouldOutline): Outline {
  switch (outline.kind) {
    case "rectangle":
      return rectangleOutline(outline, []);
    case "round":
      return fromCurve(ellipse(outline.diameterMm, outline.diameterMm), []);
    case "oval":
      return fromCurve(ellipse(outline.lengthMm, outline.depthMm), []);
    case "free":
      return fromFree(outline, []);
  }
}

function drawn(piece: Piece): Outline {
  const { shape } = piece;
  const names = edgesOf(shape);
  switch (shape.kind) {
    case "straight":
    case "l-run":
    case "u-run": {
      const corners = overhungCorners(piece, shape);
      return fromSides(closedPaths(corners), names, { joints: jointsOf(shape, corners) });
    }
    case "rectangle":
    case "sample":
      return rectangleOutline(shape, names);
    case "round":
      return fromCurve(ellipse(shape.diameterMm, shape.diameterMm), names);
    case "oval":
      return fromCurve(ellipse(shape.lengthMm, shape.depthMm), names);
    case "racetrack":
      return fromCurve(racetrack(shape.lengthMm, shape.depthMm), names);
    case "polygon":
      return { ...fromCurve(regularPolygon(shape.sides, shape.sideMm), names), smooth: false };
    case "free":
    case "floor":
      return fromFree(shape, names);
    case "offsets":
    case "river":
      return fromSides(stationSides(shape.stations), names);
    case "mould":
      return mouldOutline(shape.outline);
    case "tumbler": {
      const wall = unrolledWall(shape.topDiameterMm, shape.bottomDiameterMm, shape.heightMm);
      const ring = unrolledBand(shape, [0, wall.slantMm]);
      return fromSides(closedPaths(ring), [], { areaMm2: wall.areaMm2 });
    }
  }
}

/** The outline that a shape had the last time: how its edges are treated moves it only where it stands out over cabinets. */
const lastDrawn = byIdentity((_shape: Shape) => ({
  known: null as { edges: Piece["edges"]; outline: Outline } | null,
}));

/** The outline of a piece; a tumbler's is its wall unrolled. Worked out once for each shape and its edges. */
export function outlineOf(piece: Piece): Outline {
  const last = lastDrawn(piece.shape);
  if (last.known?.edges !== piece.edges) last.known = { edges: piece.edges, outline: drawn(piece) };
  return last.known.outline;
}
