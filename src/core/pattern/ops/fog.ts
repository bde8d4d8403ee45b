import { cloudNoise } from "../noise";
import type { Op } from "../op";
import { meet } from "../tile";
import type { Box } from "../../geometry/ring";

/** Spray paint from a distance: a cloud of a colour that covers a share of the piece, thick here and thin there. */
export type Fog = {
  box: Box;
  colour: number;
  /** Share that it covers, 0 to 1. */
  cover: number;
  /** Size of its clouds, mm. */
  sizeMm: number;
  seed: number;
  /** Once around a tumbler, mm. */
  aroundMm?: number | null;
};

/** How sharply a cloud ends, in its own noise. */
const SOFT = 0.22;

/** α from two octaves of noise against 1 − cover, speckled finely, as drops of paint are. */
export function fog({ box, colour, cover, sizeMm, seed, aroundMm = null }: Fog): Op {
  const cloud = cloudNoise(seed, sizeMm, 4, aroundMm);
  const speckle = cloudNoise(seed + 1, 2.6, 2);
  return {
    kind: "fog",
    preserves: "nothing",
    box,
    back: (tile) => {
      for (let n = 0; n < tile.live; n += 1) {
        const i = tile.index[n] as number;
        const [x, y] = [tile.x[i] as number, tile.y[i] as number];
        const height = 0.5 + 0.62 * cloud(x, y) + 0.3 * speckle(x, y);
        const share = (height - (1 - cover)) / SOFT + 0.5;
        meet(tile, i, colour, Math.min(0.92, Math.max(0, share)));
      }
    },
    forward: (px, py) => [px, py],
  };
}
