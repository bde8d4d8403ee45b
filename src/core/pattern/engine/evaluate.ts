import { drawTile, EACH, type Closeness } from "./draw-tile";
import { kernelHere, type Kernel } from "./kernel";
import type { Op } from "./op";
import { emptyShares, type Shares, type Sheet } from "./sheet";
import { TILE } from "./tile";

export { CLOSE, EACH, ROUGH, type Closeness } from "./draw-tile";

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
 * @param kernel the fast way, where there is one; null for the definition
 * @param closeness which samples are worked out, and which are taken from those about them; each one when absent
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
    closeness = EACH,
    kernel = kernelHere(),
  }: {
    into?: Shares;
    tiles?: readonly [number, number][];
    side?: number;
    skipping?: boolean;
    under?: Shares | null;
    closeness?: Closeness;
    kernel?: Kernel | null;
  } = {},
): Shares {
  const how = { skipping, under, closeness };
  if (kernel?.draw(ops, into, { ...how, tiles, side })) return into;
  const draw = drawTile(ops, sheet, how);
  for (const [column, row] of tiles) draw(into, column * side, row * side, side);
  return into;
}
