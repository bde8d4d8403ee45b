import { bucketsOf } from "../buckets";
import type { Op } from "../op";
import { boundTile, drawOut, open, within } from "../tile";

/** A cell that a drop of alcohol opens: a hole of radius a, what was there pushed out to b. */
export type Crater = { x: number; y: number; a: number; b: number };

/** Side of the squares by which cells are found, mm. */
const SQUARE_MM = 6;
/** Softness of a cell's rim, mm. */
const EDGE_MM = 0.2;

/** Cells of one round of alcohol; where two reach a place the nearer one has it. */
export function craters(list: readonly Crater[]): Op {
  const near = bucketsOf(
    list.map(({ x, y, b }) => ({ minX: x - b, minY: y - b, maxX: x + b, maxY: y + b })),
    SQUARE_MM,
  );
  const xs0 = Float64Array.from(list, ({ x }) => x);
  const ys0 = Float64Array.from(list, ({ y }) => y);
  const as = Float64Array.from(list, ({ a }) => a);
  const perB2 = Float64Array.from(list, ({ b }) => 1 / (b * b));
  /** The cell whose middle is nearest, in its own radii, among those that reach a place; −1 where none does. */
  const cellIn = (square: number, x: number, y: number) => {
    let best = 1;
    let at = -1;
    const end = near.starts[square + 1] as number;
    for (let k = near.starts[square] as number; k < end; k += 1) {
      const n = near.things[k] as number;
      const dx = x - (xs0[n] as number);
      const dy = y - (ys0[n] as number);
      const share = (dx * dx + dy * dy) * (perB2[n] as number);
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
        const a = as[found] as number;
        const dx = x - (xs0[found] as number);
        const dy = y - (ys0[found] as number);
        const r = Math.sqrt(dx * dx + dy * dy) || 1e-9;
        const ux = dx / r;
        const uy = dy / r;
        const across = within(tile, i, a - r, ux, uy, EDGE_MM, 2 * a);
        if (across > 0) {
          // Smaller than a sample it opens no more of it than it is wide, both ways.
          open(tile, i, across * across);
          if (r <= a) continue;
        }
        const scale = 1 / (1 - a * a * (perB2[found] as number));
        const r0 = Math.sqrt((r * r - a * a) * scale);
        const aside = r0 / r;
        const along = (scale * r) / (r0 > 1e-9 ? r0 : 1e-9);
        const both = (along < 4 ? along : 4) - aside;
        xs[i] = (xs0[found] as number) + ux * r0;
        ys[i] = (ys0[found] as number) + uy * r0;
        drawOut(tile, i, aside + both * ux * ux, both * ux * uy, both * ux * uy, aside + both * uy * uy);
      }
      boundTile(tile);
    },
    forward: (px, py) => {
      const square = near.square(px, py);
      const cell = list[square < 0 ? -1 : cellIn(square, px, py)];
      if (!cell) return [px, py];
      const [dx, dy] = [px - cell.x, py - cell.y];
      const r0 = Math.hypot(dx, dy);
      const { a, b } = cell;
      const r = Math.sqrt(a * a + (r0 * r0 * (b * b - a * a)) / (b * b));
      return r0 === 0 ? [cell.x + r, cell.y] : [cell.x + (dx / r0) * r, cell.y + (dy / r0) * r];
    },
  };
}
