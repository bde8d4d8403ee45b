import type { Cells, CombReading } from "@/core/inspect/film-kernel";

/** A plate of 1 264 mm square in cells, and what a comb said at sixty places of it. */
export const GRID: Cells = {
  sideMm: 31.6,
  places: Array.from({ length: 1600 }, (_, n) => {
    const [column, row] = [n % 40, Math.floor(n / 40)];
    const [x, y] = [(column + 0.5) * 31.6, (row + 0.5) * 31.6];
    return { x, y, column, row, edgeMm: Math.min(x, y, 40 * 31.6 - x, 40 * 31.6 - y) };
  }),
};
export const COMBED: CombReading[] = Array.from({ length: 60 }, (_, n) => {
  const [x, y] = [20 + ((n * 467) % 1220), 20 + ((n * 311) % 1220)];
  const lo = 750 + 50 * ((n * 7) % 6);
  return { x, y, lo, hi: lo + 50, edgeMm: Math.min(x, y, 40 * 31.6 - x, 40 * 31.6 - y) };
});
