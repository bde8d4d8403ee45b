import type { Pair } from "./curves";

/** Largest turn, in degrees, that two stretches of one edge can make where they meet. */
const SMOOTH_DEG = 30;
const MOST_EDGES = 60;

/** Where an edge begins along a closed line: at its sharp corners; at the first point when there are none, or too many. */
export function sharpCorners(points: readonly Pair[]): number[] {
  const count = points.length;
  const starts: number[] = [];
  for (let at = 0; at < count; at += 1) {
    const [a, b, c] = [points[(at + count - 1) % count], points[at], points[(at + 1) % count]] as [
      Pair,
      Pair,
      Pair,
    ];
    const [ux, uy, vx, vy] = [b[0] - a[0], b[1] - a[1], c[0] - b[0], c[1] - b[1]];
    const turn = Math.abs(Math.atan2(ux * vy - uy * vx, ux * vx + uy * vy));
    if ((turn * 180) / Math.PI > SMOOTH_DEG) starts.push(at);
  }
  return starts.length === 0 || starts.length > MOST_EDGES ? [0] : starts;
}
