import type { Pair } from "../geometry/curves";

import { nth } from "../numerics/nth";

/** Chords of an arc that stay within a tolerance of it. */
function chords(radius: number, sweep: number, tolerance: number): number {
  const step = 2 * Math.acos(Math.max(0, 1 - tolerance / Math.max(radius, tolerance)));
  return Math.max(1, Math.min(4000, Math.ceil(Math.abs(sweep) / Math.max(step, 1e-4))));
}

/** Points of an ellipse's arc, both ends included; angles in rad, `tilt` of its first axis. */
export function flattenArc(
  centre: Pair,
  [rx, ry]: [number, number],
  tilt: number,
  from: number,
  sweep: number,
  tolerance: number,
): Pair[] {
  const count = chords(Math.max(rx, ry), sweep, tolerance);
  const [cos, sin] = [Math.cos(tilt), Math.sin(tilt)];
  return Array.from({ length: count + 1 }, (_, index): Pair => {
    const angle = from + (sweep * index) / count;
    const [u, v] = [rx * Math.cos(angle), ry * Math.sin(angle)];
    return [centre[0] + u * cos - v * sin, centre[1] + u * sin + v * cos];
  });
}

/** An arc as path data has it: radii, tilt in degrees, whether it is the long way, whether clockwise, its end. */
export type SvgArc = [number, number, number, number, number, number, number];

/** Points of path data's arc after its start (SVG 1.1, appendix F.6: from its ends to its centre). */
export function flattenSvgArc(
  from: Pair,
  [rx0, ry0, tiltDeg, large, clockwise, x, y]: SvgArc,
  tolerance: number,
): Pair[] {
  const to: Pair = [x, y];
  const tilt = (tiltDeg * Math.PI) / 180;
  const [cos, sin] = [Math.cos(tilt), Math.sin(tilt)];
  const [hx, hy] = [(from[0] - x) / 2, (from[1] - y) / 2];
  const [px, py] = [cos * hx + sin * hy, cos * hy - sin * hx];
  if (rx0 === 0 || ry0 === 0 || (px === 0 && py === 0)) return [to];
  // Radii that are too small to span the ends are grown until they do.
  const short = Math.sqrt(Math.max(1, (px / rx0) ** 2 + (py / ry0) ** 2));
  const [rx, ry] = [Math.abs(rx0) * short, Math.abs(ry0) * short];
  const left = (rx * ry) ** 2 - (rx * py) ** 2 - (ry * px) ** 2;
  const root =
    Math.sqrt(Math.max(0, left) / ((rx * py) ** 2 + (ry * px) ** 2)) * (large === clockwise ? -1 : 1);
  const [ux, uy] = [(root * rx * py) / ry, (-root * ry * px) / rx];
  const centre: Pair = [cos * ux - sin * uy + (from[0] + x) / 2, sin * ux + cos * uy + (from[1] + y) / 2];
  const start = Math.atan2((py - uy) / ry, (px - ux) / rx);
  let sweep = Math.atan2((-py - uy) / ry, (-px - ux) / rx) - start;
  if (clockwise && sweep < 0) sweep += 2 * Math.PI;
  if (!clockwise && sweep > 0) sweep -= 2 * Math.PI;
  const points = flattenArc(centre, [rx, ry], tilt, start, sweep, tolerance).slice(1);
  points[points.length - 1] = to;
  return points;
}

/** Deepest halving of a cubic: 2¹² pieces are finer than any tolerance that is asked for. */
const DEEPEST = 12;

/**
 * Points of a cubic Bézier after its start, within a tolerance: halved until the control points lie near the chord
 * (a cubic lies within 3/4 of the larger of their distances).
 */
export function flattenCubic(a: Pair, b: Pair, c: Pair, d: Pair, tolerance: number, depth = 0): Pair[] {
  const long = Math.hypot(d[0] - a[0], d[1] - a[1]);
  const off = (p: Pair) =>
    long === 0
      ? Math.hypot(p[0] - a[0], p[1] - a[1])
      : Math.abs((p[0] - a[0]) * (d[1] - a[1]) - (p[1] - a[1]) * (d[0] - a[0])) / long;
  const beyond = (p: Pair) => {
    const along = (p[0] - a[0]) * (d[0] - a[0]) + (p[1] - a[1]) * (d[1] - a[1]);
    return along < 0 || along > long * long;
  };
  if (depth >= DEEPEST || (0.75 * Math.max(off(b), off(c)) <= tolerance && !beyond(b) && !beyond(c)))
    return [d];
  const middle = (p: Pair, q: Pair): Pair => [(p[0] + q[0]) / 2, (p[1] + q[1]) / 2];
  const [ab, bc, cd] = [middle(a, b), middle(b, c), middle(c, d)];
  const [abc, bcd] = [middle(ab, bc), middle(bc, cd)];
  const half = middle(abc, bcd);
  return [
    ...flattenCubic(a, ab, abc, half, tolerance, depth + 1),
    ...flattenCubic(half, bcd, cd, d, tolerance, depth + 1),
  ];
}

/** A point of a B-spline by de Boor's algorithm (de Boor 1972); weights make it rational. */
function splinePoint(
  degree: number,
  knots: readonly number[],
  points: readonly Pair[],
  weights: readonly number[],
  t: number,
): Pair {
  let span = degree;
  while (span < points.length - 1 && t >= nth(knots, span + 1)) span += 1;
  const work = Array.from({ length: degree + 1 }, (_, index) => {
    const at = span - degree + index;
    const [x, y] = points[at] as Pair;
    const w = weights[at] ?? 1;
    return [x * w, y * w, w] as [number, number, number];
  });
  for (let level = 1; level <= degree; level += 1)
    for (let index = degree; index >= level; index -= 1) {
      const at = span - degree + index;
      const [low, high] = [nth(knots, at), nth(knots, at + degree - level + 1)];
      const share = high > low ? (t - low) / (high - low) : 0;
      const [a, b] = [work[index - 1], work[index]] as [[number, number, number], [number, number, number]];
      work[index] = [0, 1, 2].map((axis) => a[axis]! * (1 - share) + b[axis]! * share) as [
        number,
        number,
        number,
      ];
    }
  const [x, y, w] = work[degree] as [number, number, number];
  return [x / w, y / w];
}

/** Points of a B-spline: each knot span is halved until its middle lies within the tolerance of the chord. */
export function flattenSpline(
  degree: number,
  knots: readonly number[],
  points: readonly Pair[],
  weights: readonly number[],
  tolerance: number,
): Pair[] {
  if (degree < 1 || degree > 9 || points.length <= degree || knots.length < points.length + degree + 1)
    return [...points];
  const at = (t: number) => splinePoint(degree, knots, points, weights, t);
  const flat: Pair[] = [at(nth(knots, degree))];
  const refine = (t0: number, p0: Pair, t1: number, p1: Pair, depth: number) => {
    const [ta, tm, tb] = [t0 + (t1 - t0) / 4, (t0 + t1) / 2, t0 + (3 * (t1 - t0)) / 4];
    const long = Math.hypot(p1[0] - p0[0], p1[1] - p0[1]);
    const off = (p: Pair) =>
      long === 0
        ? Math.hypot(p[0] - p0[0], p[1] - p0[1])
        : Math.abs((p[0] - p0[0]) * (p1[1] - p0[1]) - (p[1] - p0[1]) * (p1[0] - p0[0])) / long;
    const pm = at(tm);
    if (depth >= DEEPEST || Math.max(off(at(ta)), off(pm), off(at(tb))) <= tolerance / 2) flat.push(p1);
    else {
      refine(t0, p0, tm, pm, depth + 1);
      refine(tm, pm, t1, p1, depth + 1);
    }
  };
  for (let span = degree; span < points.length; span += 1) {
    const [t0, t1] = [nth(knots, span), nth(knots, span + 1)];
    if (t1 > t0)
      refine(
        t0,
        flat[flat.length - 1] as Pair,
        t1,
        at(t1 === knots[points.length] ? t1 - 1e-12 * (t1 - t0) : t1),
        0,
      );
  }
  return flat;
}
