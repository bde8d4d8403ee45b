import { EVERYWHERE, type Op } from "./op";
import { boundTile, type Tile } from "./tile";

/** These close by themselves: they are made to repeat around, or lie everywhere. */
const CLOSED: readonly Op["kind"][] = ["cover", "wobble", "tilt", "fog", "field", "mask"];

function shift(tile: Tile, byMm: number): void {
  for (let n = 0; n < tile.live; n += 1) {
    const i = tile.index[n] as number;
    tile.x[i] = (tile.x[i] as number) + byMm;
  }
}

/**
 * An operation on a tumbler's wall: what leaves on one side of the seam comes in on the other. Each sample is brought back between 0 and
 * once around, and meets the operation where it is and once around to either side.
 */
export function closed(op: Op, aroundMm: number): Op {
  const into = (x: number) => x - aroundMm * Math.floor(x / aroundMm);
  return {
    ...op,
    box: EVERYWHERE,
    back: (tile) => {
      for (let n = 0; n < tile.live; n += 1) {
        const i = tile.index[n] as number;
        tile.x[i] = into(tile.x[i] as number);
      }
      boundTile(tile);
      op.back(tile);
      if (CLOSED.includes(op.kind)) return;
      for (const byMm of [aroundMm, -aroundMm]) {
        shift(tile, byMm);
        boundTile(tile);
        op.back(tile);
        shift(tile, -byMm);
      }
      boundTile(tile);
    },
  };
}
