/** A place in a picture or on a piece. */
export type At = { x: number; y: number };

/** How a flat thing stands in a photo: nine numbers of a projective map, the last one 1. */
export type Perspective = readonly number[];

/** Solves a square system by elimination with pivots. @throws where it has no one answer */
function solved(matrix: number[][], right: number[]): number[] {
  const n = right.length;
  const rows = matrix.map((row, i) => [...row, right[i] as number]);
  for (let column = 0; column < n; column += 1) {
    let pivot = column;
    for (let row = column + 1; row < n; row += 1)
      if (
        Math.abs((rows[row] as number[])[column] as number) >
        Math.abs((rows[pivot] as number[])[column] as number)
      )
        pivot = row;
    [rows[column], rows[pivot]] = [rows[pivot] as number[], rows[column] as number[]];
    const line = rows[column] as number[];
    const by = line[column] as number;
    if (Math.abs(by) < 1e-12) throw new Error("The corners lie in one line.");
    for (let row = 0; row < n; row += 1) {
      if (row === column) continue;
      const other = rows[row] as number[];
      const times = (other[column] as number) / by;
      if (times === 0) continue;
      for (let k = column; k <= n; k += 1) other[k] = (other[k] as number) - times * (line[k] as number);
    }
  }
  return rows.map((row, i) => (row[n] as number) / (row[i] as number));
}

/**
 * The map that takes four places to four others, such as the corners of a piece to where they stand in a photo.
 * Direct linear transform (Hartley, Zisserman 2004, from memory).
 * @throws where three of either lie in one line
 */
export function perspectiveOf(from: readonly At[], to: readonly At[]): Perspective {
  if (from.length !== 4 || to.length !== 4)
    throw new Error(`${from.length} and ${to.length} places, not four`);
  const matrix: number[][] = [];
  const right: number[] = [];
  from.forEach(({ x, y }, n) => {
    const { x: u, y: v } = to[n] as At;
    matrix.push([x, y, 1, 0, 0, 0, -u * x, -u * y], [0, 0, 0, x, y, 1, -v * x, -v * y]);
    right.push(u, v);
  });
  return [...solved(matrix, right), 1];
}

/** Where a place comes to by a map. */
export function through([a, b, c, d, e, f, g, h]: Perspective, { x, y }: At): At {
  const by = (g as number) * x + (h as number) * y + 1;
  return {
    x: ((a as number) * x + (b as number) * y + (c as number)) / by,
    y: ((d as number) * x + (e as number) * y + (f as number)) / by,
  };
}
