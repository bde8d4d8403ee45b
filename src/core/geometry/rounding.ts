import { FLATNESS_MM, type Point } from "./curves";
import { nth } from "../numerics/nth";

/** A corner replaced by an arc: its flattened points with the middle marked, for one half belongs to each side. */
type Arc = { before: Point[]; after: Point[]; lengthMm: number };

function arcAt(from: Point, corner: Point, to: Point, radius: number): Arc {
  const unit = (a: Point, b: Point) => {
    const long = Math.hypot(b.x - a.x, b.y - a.y) || 1;
    return { x: (b.x - a.x) / long, y: (b.y - a.y) / long };
  };
  const [back, on] = [unit(corner, from), unit(corner, to)];
  const inside = Math.acos(Math.max(-1, Math.min(1, back.x * on.x + back.y * on.y)));
  // Below the flatness of a drawn curve a corner is sharp.
  if (!(radius > FLATNESS_MM) || !(inside > 1e-9) || inside > Math.PI - 1e-9)
    return { before: [corner], after: [corner], lengthMm: 0 };
  const reach = radius / Math.tan(inside / 2);
  const start = { x: corner.x + back.x * reach, y: corner.y + back.y * reach };
  const bisect = unit({ x: 0, y: 0 }, { x: back.x + on.x, y: back.y + on.y });
  const centre = {
    x: corner.x + (bisect.x * radius) / Math.sin(inside / 2),
    y: corner.y + (bisect.y * radius) / Math.sin(inside / 2),
  };
  const sweep = Math.PI - inside;
  const turn = Math.sign(back.x * on.y - back.y * on.x) * -1;
  const steps =
    2 * Math.max(2, Math.ceil(sweep / (2 * Math.acos(Math.max(0, 1 - FLATNESS_MM / radius))) / 2));
  const first = Math.atan2(start.y - centre.y, start.x - centre.x);
  const points = Array.from({ length: steps + 1 }, (_, index) => {
    const angle = first + (turn * sweep * index) / steps;
    return { x: centre.x + radius * Math.cos(angle), y: centre.y + radius * Math.sin(angle) };
  });
  return { before: points.slice(0, steps / 2 + 1), after: points.slice(steps / 2), lengthMm: radius * sweep };
}

/** Sides of a rounded polygon: each from the middle of one corner's arc to that of the next. */
export type RoundedSides = { paths: Point[][]; lengthsMm: number[]; lostAreaMm2: number };

/**
 * Rounds the corners of a polygon. Closed forms: a corner of inner angle φ loses r²·(1/tan(φ/2) − (π − φ)/2).
 * @param radii radius at each corner, mm; 0 leaves it
 */
export function roundCorners(corners: readonly Point[], radii: readonly number[]): RoundedSides {
  const count = corners.length;
  const at = (index: number) => corners[(index + count) % count] as Point;
  const arcs = corners.map((corner, index) => arcAt(at(index - 1), corner, at(index + 1), radii[index] ?? 0));
  let lostAreaMm2 = 0;
  const reaches = corners.map((_, index) => {
    const radius = radii[index] ?? 0;
    const arc = arcs[index] as Arc;
    if (arc.lengthMm === 0) return 0;
    const inside = Math.PI - arc.lengthMm / radius;
    lostAreaMm2 += radius ** 2 * (1 / Math.tan(inside / 2) - (Math.PI - inside) / 2);
    return radius / Math.tan(inside / 2);
  });
  const paths = corners.map((_, index) => {
    const [from, to] = [arcs[index] as Arc, arcs[(index + 1) % count] as Arc];
    return [...from.after, ...to.before];
  });
  const lengthsMm = corners.map((corner, index) => {
    const next = at(index + 1);
    const [from, to] = [arcs[index] as Arc, arcs[(index + 1) % count] as Arc];
    const straight =
      Math.hypot(next.x - corner.x, next.y - corner.y) -
      nth(reaches, index) -
      nth(reaches, (index + 1) % count);
    return straight + (from.lengthMm + to.lengthMm) / 2;
  });
  return { paths, lengthsMm, lostAreaMm2 };
}
