import { bucketsOf, packedGrid } from "../engine/buckets";
import type { Op } from "../engine/op";
import { drawOutRadially } from "./radial";
import { boundTile, open, within } from "../engine/tile";

/** Cells that drops of alcohol open: their middles, mm, a hole of radius a in each, what was there pushed out to b. */
export type Craters = { x: Float64Array; y: Float64Array; a: Float64Array; b: Float64Array };

/** Cells given one by one. */
export const cratersOf = (list: readonly { x: number; y: number; a: number; b: number }[]): Craters => ({
  x: Float64Array.from(list, ({ x }) => x),
  y: Float64Array.from(list, ({ y }) => y),
  a: Float64Array.from(list, ({ a }) => a),
  b: Float64Array.from(list, ({ b }) => b),
});

/** Side of the squares by which cells are found, mm. */
const SQUARE_MM = 6;
/** Softness of a cell's rim, mm. */
const EDGE_MM = 0.2;

/** Cells of one round of alcohol; where two reach a place the nearer one has it. */
export function craters({ x: middleX, y: middleY, a: holes, b: outer }: Craters): Op {
  const near = bucketsOf(
    middleX.length,
    (n, to) => {
      const [x, y, b] = [middleX[n] as number, middleY[n] as number, outer[n] as number];
      to.minX = x - b;
      to.minY = y - b;
      to.maxX = x + b;
      to.maxY = y + b;
    },
    SQUARE_MM,
  );
  /** The cell whose middle is nearest, in its own radii, among those that reach a place; −1 where none does. */
  const cellIn = (square: number, x: number, y: number) => {
    let best = 1;
    let at = -1;
    const end = near.starts[square + 1] as number;
    for (let k = near.starts[square] as number; k < end; k += 1) {
      const n = near.things[k] as number;
      const dx = x - (middleX[n] as number);
      const dy = y - (middleY[n] as number);
      const b = outer[n] as number;
      const share = (dx * dx + dy * dy) / (b * b);
      if (share < best) {
        best = share;
        at = n;
      }
    }
    return at;
  };
  return {
    kind: "craters",
    preserves: "nothing",
    box: near.box,
    back: (tile) => {
      if (!near.meets(tile.box)) return;
      const { index, x: xs, y: ys, live, looks } = tile;
      for (let n = 0; n < live; n += 1) {
        const i = index[n] as number;
        const x = xs[i] as number;
        const y = ys[i] as number;
        const square = near.square(x, y);
        if (square < 0) continue;
        // A sample that stands for its surroundings looks at all of the square that it lies in.
        if (
          looks > 0 &&
          tile.beside[i] === 0 &&
          (near.starts[square + 1] as number) > (near.starts[square] as number)
        )
          tile.beside[i] = 1;
        const found = cellIn(square, x, y);
        if (found < 0) continue;
        const a = holes[found] as number;
        const dx = x - (middleX[found] as number);
        const dy = y - (middleY[found] as number);
        const r = Math.sqrt(dx * dx + dy * dy);
        // In its very middle any direction will do.
        const ux = r > 0 ? dx / r : 1;
        const uy = r > 0 ? dy / r : 0;
        const across = within(tile, i, a - r, ux, uy, EDGE_MM, 2 * a);
        if (across > 0) {
          // Smaller than a sample it opens no more of it than it is wide, both ways.
          open(tile, i, across * across);
          if (r <= a) continue;
        }
        const scale = 1 / (1 - (a * a) / ((outer[found] as number) * (outer[found] as number)));
        const r0 = Math.sqrt((r * r - a * a) * scale);
        const aside = r0 / r;
        const along = (scale * r) / (r0 > 1e-9 ? r0 : 1e-9);
        xs[i] = (middleX[found] as number) + ux * r0;
        ys[i] = (middleY[found] as number) + uy * r0;
        drawOutRadially(tile, i, ux, uy, along < 4 ? along : 4, aside);
      }
      boundTile(tile);
    },
    forward: (px, py) => {
      const square = near.square(px, py);
      const found = square < 0 ? -1 : cellIn(square, px, py);
      if (found < 0) return [px, py];
      const [x, y] = [middleX[found] as number, middleY[found] as number];
      const [a, b] = [holes[found] as number, outer[found] as number];
      const [dx, dy] = [px - x, py - y];
      const r0 = Math.hypot(dx, dy);
      const r = Math.sqrt(a * a + (r0 * r0 * (b * b - a * a)) / (b * b));
      return r0 === 0 ? [x + r, y] : [x + (dx / r0) * r, y + (dy / r0) * r];
    },
    packed: () => ({ numbers: [EDGE_MM, ...packedGrid(near), near.things, middleX, middleY, holes, outer] }),
  };
}
