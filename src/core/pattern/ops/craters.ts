import { bucketsOf } from "../buckets";
import type { Op } from "../op";
import { boundTile, drawOut } from "../tile";
import { pushedOut, radialJacobian } from "./radial";

/** A cell that a drop of alcohol opens: a hole of radius a, what was there pushed out to b. */
export type Crater = { x: number; y: number; a: number; b: number };

/** Side of the squares by which cells are found, mm. */
const SQUARE_MM = 6;

/** Cells of one round of alcohol; where two reach a place the nearer one has it. */
export function craters(list: readonly Crater[]): Op {
  const cells = list.map((cell) => ({ ...cell, ring: pushedOut(cell.a, cell.b) }));
  const near = bucketsOf(
    list.map(({ x, y, b }) => ({ minX: x - b, minY: y - b, maxX: x + b, maxY: y + b })),
    SQUARE_MM,
  );
  /** The cell whose middle is nearest, in its own radii, among those that reach a place. */
  const cellAt = (x: number, y: number) => {
    let [best, at] = [1, -1];
    const square = near.square(x, y);
    if (square < 0) return null;
    for (let k = near.starts[square] as number; k < (near.starts[square + 1] as number); k += 1) {
      const n = near.things[k] as number;
      const cell = cells[n] as (typeof cells)[number];
      const share = Math.hypot(x - cell.x, y - cell.y) / cell.b;
      if (share < best) [best, at] = [share, n];
    }
    return at < 0 ? null : (cells[at] as (typeof cells)[number]);
  };
  return {
    kind: "craters",
    preserves: "nothing",
    box: near.box,
    back: (tile) => {
      if (!near.meets(tile.box)) return;
      for (let n = 0; n < tile.live; n += 1) {
        const i = tile.index[n] as number;
        const [x, y] = [tile.x[i] as number, tile.y[i] as number];
        const cell = cellAt(x, y);
        if (!cell) continue;
        const [dx, dy] = [x - cell.x, y - cell.y];
        const r = Math.hypot(dx, dy);
        if (r <= cell.a) {
          tile.deep[i] = 1;
          continue;
        }
        const r0 = cell.ring.before(r);
        const [ux, uy] = [dx / r, dy / r];
        const [axx, axy, ayx, ayy] = radialJacobian(ux, uy, Math.min(4, cell.ring.slope(r)), r0 / r);
        tile.x[i] = cell.x + ux * r0;
        tile.y[i] = cell.y + uy * r0;
        drawOut(tile, i, axx, axy, ayx, ayy);
      }
      boundTile(tile);
    },
    forward: (px, py) => {
      const cell = cellAt(px, py);
      if (!cell) return [px, py];
      const [dx, dy] = [px - cell.x, py - cell.y];
      const r0 = Math.hypot(dx, dy);
      const { a, b } = cell;
      const r = Math.sqrt(a * a + (r0 * r0 * (b * b - a * a)) / (b * b));
      return r0 === 0 ? [cell.x + r, cell.y] : [cell.x + (dx / r0) * r, cell.y + (dy / r0) * r];
    },
  };
}
