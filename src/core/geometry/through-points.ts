import { FLATNESS_MM, type Point } from "./curves";

const mirrored = (end: Point, inner: Point): Point => ({ x: 2 * end.x - inner.x, y: 2 * end.y - inner.y });

/** Control points of the stretch from b to c, of neighbours a and d. */
function controls(a: Point, b: Point, c: Point, d: Point): [Point, Point] {
  // Chords to the power of one half: the line neither loops nor comes to a point between its points.
  const [before, here, after] = [
    Math.hypot(b.x - a.x, b.y - a.y),
    Math.hypot(c.x - b.x, c.y - b.y),
    Math.hypot(d.x - c.x, d.y - c.y),
  ];
  const pull = (far: Point, at: Point, next: Point, chord: number): Point => {
    if (chord === 0) return at;
    const root = Math.sqrt(chord * here);
    const weight = 2 * chord + 3 * root + here;
    const below = 3 * Math.sqrt(chord) * (Math.sqrt(chord) + Math.sqrt(here));
    const along = (axis: "x" | "y") => (chord * next[axis] - here * far[axis] + weight * at[axis]) / below;
    return { x: along("x"), y: along("y") };
  };
  return [pull(a, b, c, before), pull(d, c, b, after)];
}

/** Appends the stretch from b to c without its end. */
function flatten(into: Point[], b: Point, [p, q]: [Point, Point], c: Point): void {
  const bend = Math.max(
    Math.hypot(b.x - 2 * p.x + q.x, b.y - 2 * p.y + q.y),
    Math.hypot(p.x - 2 * q.x + c.x, p.y - 2 * q.y + c.y),
  );
  // A chord leaves a cubic by at most an eighth of its second derivative (six times the bend) over the square of their number.
  const chords = Math.max(1, Math.ceil(Math.sqrt((6 * bend) / (8 * FLATNESS_MM))));
  for (let chord = 0; chord < chords; chord += 1) {
    const t = chord / chords;
    const [one, two, three, four] = [(1 - t) ** 3, 3 * t * (1 - t) ** 2, 3 * t * t * (1 - t), t ** 3];
    into.push({
      x: one * b.x + two * p.x + three * q.x + four * c.x,
      y: one * b.y + two * p.y + three * q.y + four * c.y,
    });
  }
}

/**
 * A smooth line through points: the centripetal Catmull-Rom spline (Yuksel, Schaefer, Keyser 2011), flattened to {@link FLATNESS_MM}.
 * @param closed whether it goes on from the last point to the first; else both ends run out straight
 * @returns its points, both ends included; closed, without the first one again
 */
export function throughPoints(points: readonly Point[], closed: boolean): Point[] {
  const count = points.length;
  if (count < 3) return [...points];
  const at = (index: number) => points[index % count] as Point;
  const line: Point[] = [];
  for (let index = 0; index < (closed ? count : count - 1); index += 1) {
    const [b, c] = [at(index), at(index + 1)];
    const a = closed || index > 0 ? at(index + count - 1) : mirrored(b, c);
    const d = closed || index < count - 2 ? at(index + 2) : mirrored(c, b);
    flatten(line, b, controls(a, b, c, d), c);
  }
  if (!closed) line.push(at(count - 1));
  return line;
}
