export type Point = { x: number; y: number };
/** x, y in mm; kept as pairs, since an outline from a file can have thousands. */
export type Pair = [number, number];

/** A closed curve: flattened points for drawing and for tests of inside and outside, area and perimeter from closed forms. */
export type Curve = {
  points: Point[];
  areaMm2: number;
  perimeterMm: number;
  widthMm: number;
  heightMm: number;
};

/** No flattened point's chord leaves the true curve by more than this. */
export const FLATNESS_MM = 0.05;

/** Corners of a regular polygon inscribed in a circle so that it stays within {@link FLATNESS_MM} of it. */
function pointsFor(radiusMm: number): number {
  const half = Math.acos(Math.max(-1, 1 - FLATNESS_MM / Math.max(radiusMm, FLATNESS_MM)));
  return Math.max(24, Math.min(2000, 4 * Math.ceil(Math.PI / half / 4)));
}

/**
 * Perimeter of an ellipse by Ramanujan's second formula: π(a + b)(1 + 3h/(10 + √(4 − 3h))), h = ((a − b)/(a + b))².
 * Relative error below 4·10⁻⁴ for any ellipse, below 10⁻⁷ up to an aspect of 3 (Ramanujan 1914).
 */
export function ellipsePerimeterMm(aMm: number, bMm: number): number {
  const h = ((aMm - bMm) / (aMm + bMm)) ** 2;
  return Math.PI * (aMm + bMm) * (1 + (3 * h) / (10 + Math.sqrt(4 - 3 * h)));
}

/** An oval top: an ellipse within its length and depth. A circle is the oval with both the same. */
export function ellipse(lengthMm: number, depthMm: number): Curve {
  const [a, b] = [lengthMm / 2, depthMm / 2];
  const count = pointsFor(Math.max(a, b) ** 2 / Math.max(1e-9, Math.min(a, b)));
  const points = Array.from({ length: count }, (_, index) => {
    const turn = (2 * Math.PI * index) / count;
    return { x: a + a * Math.cos(turn), y: b + b * Math.sin(turn) };
  });
  return {
    points,
    areaMm2: Math.PI * a * b,
    perimeterMm: ellipsePerimeterMm(a, b),
    widthMm: lengthMm,
    heightMm: depthMm,
  };
}

/** Two straight sides joined by half circles, along the longer of the two sizes. */
export function racetrack(lengthMm: number, depthMm: number): Curve {
  const across = lengthMm >= depthMm;
  const [long, wide] = across ? [lengthMm, depthMm] : [depthMm, lengthMm];
  const radius = wide / 2;
  const half = pointsFor(radius) / 2;
  const arc = (centre: number, from: number) =>
    Array.from({ length: half + 1 }, (_, index) => {
      const turn = from + (Math.PI * index) / half;
      return { x: centre + radius * Math.cos(turn), y: radius + radius * Math.sin(turn) };
    });
  const lying = [...arc(long - radius, -Math.PI / 2), ...arc(radius, Math.PI / 2)];
  const points = across ? lying : lying.map(({ x, y }) => ({ x: y, y: x }));
  return {
    points,
    areaMm2: Math.PI * radius ** 2 + (long - wide) * wide,
    perimeterMm: 2 * Math.PI * radius + 2 * (long - wide),
    widthMm: lengthMm,
    heightMm: depthMm,
  };
}

/** A regular polygon of given side length, standing on a side. */
export function regularPolygon(sides: number, sideMm: number): Curve {
  const circumradius = sideMm / (2 * Math.sin(Math.PI / sides));
  const start = Math.PI / 2 - Math.PI / sides;
  const raw = Array.from({ length: sides }, (_, index) => {
    const turn = start + (2 * Math.PI * index) / sides;
    return { x: circumradius * Math.cos(turn), y: circumradius * Math.sin(turn) };
  });
  const [left, top] = [Math.min(...raw.map((point) => point.x)), Math.min(...raw.map((point) => point.y))];
  const points = raw.map((point) => ({ x: point.x - left, y: point.y - top }));
  return {
    points,
    areaMm2: (sides * sideMm ** 2) / (4 * Math.tan(Math.PI / sides)),
    perimeterMm: sides * sideMm,
    widthMm: Math.max(...points.map((point) => point.x)),
    heightMm: Math.max(...points.map((point) => point.y)),
  };
}
