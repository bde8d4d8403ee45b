import { EVERYWHERE, type Op } from "../op";
import { meet } from "../tile";

/** A colour laid over all of the piece. */
export const cover = (colour: number): Op => ({
  kind: "cover",
  preserves: "nothing",
  box: EVERYWHERE,
  back: (tile) => {
    for (let n = 0; n < tile.live; n += 1) meet(tile, tile.index[n] as number, colour, 1);
  },
  forward: (x, y) => [x, y],
});
