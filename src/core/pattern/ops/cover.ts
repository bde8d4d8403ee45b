import { EVERYWHERE, type Op } from "../engine/op";
import { whole } from "../engine/packed";
import { meet } from "../engine/tile";

/** A colour laid over all of the piece; it hides what lies under it as far as its film does. A hole shows it, and goes no deeper. */
export const cover = (colour: number, hides = 1): Op => ({
  kind: "cover",
  preserves: "nothing",
  box: EVERYWHERE,
  back: (tile) => {
    for (let n = 0; n < tile.live; n += 1) {
      const i = tile.index[n] as number;
      tile.deep[i] = 0;
      meet(tile, i, colour, hides);
    }
  },
  forward: (x, y) => [x, y],
  packed: () => ({ numbers: [hides, whole(colour)] }),
});
