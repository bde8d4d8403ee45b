import type { Point } from "../geometry/curves";

/**
 * The places at which a line must be marked so that between them it is straight to within a distance, mm, without its ends (Ramer 1972, Douglas
 * and Peucker 1973).
 */
export function turningPoints<Place extends Point>(line: readonly Place[], withinMm: number): Place[] {
  const turns: number[] = [];
  // Stretches that are still to be looked at, by their ends.
  const left: [number, number][] = [[0, line.length - 1]];
  for (let stretch = left.pop(); stretch; stretch = left.pop()) {
    const [from, to] = stretch;
    const [a, b] = [line[from], line[to]];
    if (!a || !b || to - from < 2) continue;
    const [dx, dy] = [b.x - a.x, b.y - a.y];
    const long = Math.hypot(dx, dy);
    let far = 0;
    let at = from;
    for (let n = from + 1; n < to; n += 1) {
      const p = line[n] as Place;
      const off =
        long > 0 ? Math.abs((p.x - a.x) * dy - (p.y - a.y) * dx) / long : Math.hypot(p.x - a.x, p.y - a.y);
      if (off > far) {
        far = off;
        at = n;
      }
    }
    if (far <= withinMm) continue;
    turns.push(at);
    left.push([from, at], [at, to]);
  }
  return turns.sort((a, b) => a - b).map((n) => line[n] as Place);
}
