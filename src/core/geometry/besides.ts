import type { Point } from "./curves";

/**
 * A line moved sideways, mm or px: to the left of its way on a screen where positive. At a corner it goes to where both sides meet, at most
 * about one and a half times as far.
 * @param closed its end is its beginning
 */
export function besides(path: readonly Point[], by: number, closed = false): Point[] {
  const last = path.length - 1;
  return path.map((point, index) => {
    const before = path[index - 1] ?? (closed ? path[last - 1] : undefined);
    const after = path[index + 1] ?? (closed ? path[1] : undefined);
    const normals = [
      [before, point],
      [point, after],
    ].flatMap(([a, b]) => {
      if (!a || !b) return [];
      const long = Math.hypot(b.x - a.x, b.y - a.y);
      return long > 0 ? [{ x: (b.y - a.y) / long, y: -(b.x - a.x) / long }] : [];
    });
    const [nx, ny] = [
      normals.reduce((sum, normal) => sum + normal.x, 0) / (normals.length || 1),
      normals.reduce((sum, normal) => sum + normal.y, 0) / (normals.length || 1),
    ];
    const squared = Math.max(0.4, nx * nx + ny * ny);
    return { x: point.x + (nx / squared) * by, y: point.y + (ny / squared) * by };
  });
}
