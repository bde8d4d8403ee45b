import type { Box } from "../../geometry/ring";
import { EVERYWHERE, meets, type Op } from "./op";
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
  const closes = CLOSED.includes(op.kind);
  const meetsShifted = ({ minX, maxX, minY, maxY }: Box, byMm: number) =>
    meets(op.box, { minX: minX + byMm, maxX: maxX + byMm, minY, maxY });
  return {
    ...op,
    box: EVERYWHERE,
    packed: () => {
      const packed = op.packed();
      return packed && { ...packed, box: op.box, around: { mm: aroundMm, closes } };
    },
    back: (tile) => {
      if (tile.box.minX < 0 || tile.box.maxX >= aroundMm) {
        const { index, x: xs, live } = tile;
        for (let n = 0; n < live; n += 1) {
          const i = index[n] as number;
          xs[i] = (xs[i] as number) - aroundMm * Math.floor((xs[i] as number) / aroundMm);
        }
        boundTile(tile);
      }
      if (closes || meets(op.box, tile.box)) op.back(tile);
      if (closes) return;
      for (const byMm of [aroundMm, -aroundMm]) {
        if (!meetsShifted(tile.box, byMm)) continue;
        shift(tile, byMm);
        boundTile(tile);
        op.back(tile);
        shift(tile, -byMm);
        boundTile(tile);
      }
    },
  };
}
