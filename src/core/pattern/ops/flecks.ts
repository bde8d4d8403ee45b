import { bucketsOf, packedGrid } from "../engine/buckets";
import { boxAround, type Op } from "../engine/op";
import { whole } from "../engine/packed";
import { edgeCover, meet } from "../engine/tile";

/** A small thing that lies on the film: glitter, a drop that was flicked. */
export type Fleck = { x: number; y: number; radiusMm: number };

/** Side of the squares by which flecks are found, mm. */
const SQUARE_MM = 8;
const EDGE_MM = 0.25;

/** Many small round covers of one colour; they push nothing. */
export function flecks(list: readonly Fleck[], colour: number, hides: number): Op {
  const near = bucketsOf(
    list.length,
    (n, to) => {
      const { x, y, radiusMm } = list[n] as Fleck;
      Object.assign(to, boxAround(x, y, radiusMm + 4));
    },
    SQUARE_MM,
  );
  let tables: Float32Array[] | null = null;
  return {
    kind: "flecks",
    preserves: "nothing",
    box: near.box,
    back: (tile) => {
      if (!near.meets(tile.box)) return;
      for (let n = 0; n < tile.live; n += 1) {
        const i = tile.index[n] as number;
        const [x, y] = [tile.x[i] as number, tile.y[i] as number];
        const square = near.square(x, y);
        if (square < 0) continue;
        let covered = 0;
        for (let k = near.starts[square] as number; k < (near.starts[square + 1] as number); k += 1) {
          const fleck = list[near.things[k] as number] as Fleck;
          const [dx, dy] = [x - fleck.x, y - fleck.y];
          const r = Math.sqrt(dx * dx + dy * dy);
          const [ux, uy] = r > 0 ? [dx / r, dy / r] : [1, 0];
          const across = edgeCover(tile, i, fleck.radiusMm - r, ux, uy, EDGE_MM, 2 * fleck.radiusMm);
          // Smaller than a sample it covers no more of it than it is wide, both ways.
          const cover = across * across;
          covered = Math.max(covered, cover);
        }
        meet(tile, i, colour, hides * covered);
      }
    },
    forward: (px, py) => [px, py],
    packed: () => ({
      numbers: [
        ...[EDGE_MM, hides, ...packedGrid(near), whole(colour), near.things],
        ...(tables ??= [
          Float32Array.from(list, ({ x }) => x),
          Float32Array.from(list, ({ y }) => y),
          Float32Array.from(list, ({ radiusMm }) => radiusMm),
        ]),
      ],
    }),
  };
}
