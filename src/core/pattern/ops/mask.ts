import { bucketsOf, packedGrid } from "../engine/buckets";
import { seeded } from "../../numerics/random";
import { boxAround, type Op } from "../engine/op";
import { whole } from "../engine/packed";
import { edgeCover, meet } from "../engine/tile";
import type { Box } from "../../geometry/ring";

/** Paint over a cured film whose liked parts are masked: rounded pebbles stay, the joints between them are painted. */
export type Mask = {
  box: Box;
  /** Distance of the pebbles' middles, and width of the joint, mm. */
  sizeMm: number;
  jointMm: number;
  colour: number;
  seed: number;
  /** Once around a tumbler, mm. */
  aroundMm?: number | null;
};

const EDGE_MM = 0.4;
/** How far a pebble's middle may lie from its place in the row, as a share of their distance. */
const LOOSE = 0.36;
/** Corners are rounded over this share of the size. */
const ROUND = 0.2;

/** By the two nearest middles: what is near their bisector is joint; near a third one the joint widens, so that pebbles are round. */
export function mask({ box, sizeMm: wantedMm, jointMm, colour, seed, aroundMm = null }: Mask): Op {
  const random = seeded(seed);
  const times = aroundMm === null ? Infinity : Math.max(2, Math.round(aroundMm / wantedMm));
  const sizeMm = aroundMm === null ? wantedMm : aroundMm / times;
  const middles: { x: number; y: number }[] = [];
  let odd = 0;
  for (let y = box.minY - sizeMm; y <= box.maxY + sizeMm; y += sizeMm * 0.87) {
    odd = 1 - odd;
    const row: { dx: number; dy: number }[] = [];
    for (let n = -2; box.minX + n * sizeMm <= box.maxX + 2 * sizeMm; n += 1) {
      // Around a tumbler the last ones are the first again.
      const same = Number.isFinite(times) ? row[n + 2 - times] : undefined;
      const off = same ?? {
        dx: (random() - 0.5) * 2 * LOOSE * sizeMm,
        dy: (random() - 0.5) * 2 * LOOSE * sizeMm,
      };
      row.push(off);
      middles.push({ x: box.minX + (n + odd * 0.5) * sizeMm + off.dx, y: y + off.dy });
    }
  }
  const reach = 1.6 * sizeMm;
  const near = bucketsOf(
    middles.length,
    (n, to) => Object.assign(to, boxAround(middles[n]!.x, middles[n]!.y, reach)),
    sizeMm,
  );
  let tables: Float32Array[] | null = null;
  return {
    kind: "mask",
    preserves: "nothing",
    box,
    back: (tile) => {
      for (let n = 0; n < tile.live; n += 1) {
        const i = tile.index[n] as number;
        const [x, y] = [tile.x[i] as number, tile.y[i] as number];
        const square = near.square(x, y);
        if (square < 0) continue;
        let [first, second, third] = [1e12, 1e12, 1e12];
        for (let k = near.starts[square] as number; k < (near.starts[square + 1] as number); k += 1) {
          const at = middles[near.things[k] as number] as { x: number; y: number };
          const far = (x - at.x) ** 2 + (y - at.y) ** 2;
          if (far < first) [first, second, third] = [far, first, second];
          else if (far < second) [second, third] = [far, second];
          else if (far < third) third = far;
        }
        const [d1, d2, d3] = [Math.sqrt(first), Math.sqrt(second), Math.sqrt(third)];
        const [a, b] = [(d2 - d1) / 2, (d3 - d1) / 2];
        const round = ROUND * sizeMm;
        // A smooth minimum of both distances from the borders rounds the corner where three meet.
        const blend = Math.max(0, 1 - Math.abs(a - b) / round);
        const inside = Math.min(a, b) - (blend * blend * round) / 4 - jointMm / 2;
        meet(tile, i, colour, edgeCover(tile, i, -inside, 0.7, 0.7, EDGE_MM));
      }
    },
    forward: (px, py) => [px, py],
    packed: () => ({
      numbers: [
        ...[EDGE_MM, jointMm / 2, ROUND * sizeMm, ...packedGrid(near), whole(colour), near.things],
        ...(tables ??= [Float32Array.from(middles, ({ x }) => x), Float32Array.from(middles, ({ y }) => y)]),
      ],
    }),
  };
}
