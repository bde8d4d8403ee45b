import { bucketsOf } from "../buckets";
import type { Op } from "../op";
import { boundTile, drawOut } from "../tile";

/** A cell that a drop of alcohol opens: a hole of radius a, what was there pushed out to b. */
export type Crater = { x: number; y: number; a: number; b: number };

/** Side of the squares by which cells are found, mm. */
const SQUARE_MM = 6;

/** Cells of one round of alcohol; where two reach a place the nearer one has it. */
export function craters(list: readonly Crater[]): Op {
  const near = bucketsOf(
    list.map(({ x, y, b }) => ({ minX: x - b, minY: y - b, maxX: x + b, maxY: y + b })),
    SQUARE_MM,
  );
  const xs = Float64Array.from(list, ({ x }) => x);
  const ys = Float64Array.from(list, ({ y }) => y);
  const perB2 = Float64Array.from(list, ({ b }) => 1 / (b * b));
  /** The cell whose middle is nearest, in its own radii, among those that reach a place; −1 where none does. */
  const cellAt = (x: number, y: number) => {
    const square = near.square(x, y);
    if (square < 0) return -1;
    let best = 1;
    let at = -1;
    const end = near.starts[square + 1] as number;
    for (let k = near.starts[square] as number; k < end; k += 1) {
      const n = near.things[k] as number;
      const dx = x - (xs[n] as number);
      const dy = y - (ys[n] as number);
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
      for (let n = 0; n < tile.live; n += 1) {
        const i = tile.index[n] as number;
        const x = tile.x[i] as number;
        const y = tile.y[i] as number;
        const found = cellAt(x, y);
        if (found < 0) continue;
        const cell = list[found] as Crater;
        const dx = x - cell.x;
        const dy = y - cell.y;
        const r = Math.sqrt(dx * dx + dy * dy);
        if (r <= cell.a) {
          tile.deep[i] = 1;
          continue;
        }
        const scale = 1 / (1 - cell.a * cell.a * (perB2[found] as number));
        const r0 = Math.sqrt((r * r - cell.a * cell.a) * scale);
        const ux = dx / r;
        const uy = dy / r;
        const across = r0 / r;
        const both = Math.min(4, (scale * r) / Math.max(1e-9, r0)) - across;
        tile.x[i] = cell.x + ux * r0;
        tile.y[i] = cell.y + uy * r0;
        drawOut(tile, i, across + both * ux * ux, both * ux * uy, both * ux * uy, across + both * uy * uy);
      }
      boundTile(tile);
    },
    forward: (px, py) => {
      const cell = list[cellAt(px, py)];
      if (!cell) return [px, py];
      const [dx, dy] = [px - cell.x, py - cell.y];
      const r0 = Math.hypot(dx, dy);
      const { a, b } = cell;
      const r = Math.sqrt(a * a + (r0 * r0 * (b * b - a * a)) / (b * b));
      return r0 === 0 ? [cell.x + r, cell.y] : [cell.x + (dx / r0) * r, cell.y + (dy / r0) * r];
    },
  };
}
