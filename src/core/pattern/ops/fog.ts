import { cloudNoise } from "../engine/noise";
import type { Op } from "../engine/op";
import { whole } from "../engine/packed";
import { meet, uneven } from "../engine/tile";
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
/** How high its speckle is, and the most that it covers of a place. */
const SPECKLE = 0.3;
const MOST = 0.92;

/** α from two octaves of noise against 1 − cover, speckled finely, as drops of paint are. */
export function fog({ box, colour, cover, sizeMm, seed, aroundMm = null }: Fog): Op {
  const cloud = cloudNoise(seed, sizeMm, 4, aroundMm);
  const speckle = cloudNoise(seed + 1, 2.6, 2);
  return {
    kind: "fog",
    preserves: "nothing",
    box,
    back: (tile) => {
      const { index, x: xs, y: ys, live } = tile;
      for (let n = 0; n < live; n += 1) {
        const i = index[n] as number;
        const x = xs[i] as number;
        const y = ys[i] as number;
        const even = (0.5 + 0.62 * cloud(x, y) - (1 - cover)) / SOFT + 0.5;
        // Its speckle, within ±0.3, matters only near a cloud's edge.
        if (even <= -SPECKLE / SOFT) continue;
        const share = even >= MOST + SPECKLE / SOFT ? MOST : even + (SPECKLE / SOFT) * speckle(x, y);
        uneven(tile, i);
        meet(tile, i, colour, share > MOST ? MOST : share);
      }
    },
    forward: (px, py) => [px, py],
    packed: () => ({
      numbers: [
        ...[cover, SOFT, SPECKLE / SOFT, MOST, whole(colour)],
        ...[whole(cloud.octaves.length), whole(speckle.octaves.length)],
        ...[...cloud.octaves, ...speckle.octaves].flatMap(({ perMm, part, aroundMm: mm, heights }) => [
          ...[perMm, part, mm ?? 0],
          heights,
        ]),
      ],
    }),
  };
}
