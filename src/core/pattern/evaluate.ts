import { drawTile } from "./draw-tile";
import type { Op } from "./op";
import { emptyShares, type Shares, type Sheet } from "./sheet";
import { TILE } from "./tile";

/** Which tile of a sheet comes next, column and row. */
export const tilesOf = ({ widthPx, heightPx }: Sheet, side = TILE): [number, number][] => {
  const [across, down] = [Math.ceil(widthPx / side), Math.ceil(heightPx / side)];
  return Array.from({ length: across * down }, (_, n) => [n % across, Math.floor(n / across)]);
};

/**
 * The picture of a row of operations, tile by tile: each sample is taken back from where it is seen to what it is made of.
 * @param side of a tile, samples, at most 48
 * @param under a picture on which the operations are done, in place of the base; at least two samples wide and high
 * @param skipping passes over what does not reach a tile; it changes nothing but the time
 * @param apart samples: so far from each other they are worked out first, and between them only where they are unlike or something small may
 * lie between; 1 for all. It changes a picture by less than is seen.
 */
export function evaluate(
  ops: readonly Op[],
  sheet: Sheet,
  {
    into = emptyShares(sheet),
    tiles = tilesOf(sheet),
    side = TILE,
    skipping = true,
    under = null,
    apart = 1,
  }: {
    into?: Shares;
    tiles?: readonly [number, number][];
    side?: number;
    skipping?: boolean;
    under?: Shares | null;
    apart?: number;
  } = {},
): Shares {
  const draw = drawTile(ops, sheet, { skipping, under, apart });
  for (const [column, row] of tiles) draw(into, column * side, row * side, side);
  return into;
}
