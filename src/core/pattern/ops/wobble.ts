import { seeded } from "../../numerics/random";
import { EVERYWHERE, type Op } from "../op";
import { boundTile, drawOut } from "../tile";

/** How a film flows on its own before it thickens: a row of shears at all angles, coarse and fine. */
export type Wobble = { heightMm: number; coarseMm: number; fineMm: number; shears: number; seed: number };

/** Finer shears are lower: height by this power of their length. */
const POWER = 1.1;

/** Area preserving, since each shear is. */
export function wobble({ heightMm, coarseMm, fineMm, shears, seed }: Wobble): Op {
  const random = seeded(seed);
  const rows = Array.from({ length: shears }, (_, n) => {
    const length = coarseMm * (fineMm / coarseMm) ** (shears > 1 ? n / (shears - 1) : 0);
    const angle = 2 * Math.PI * random();
    return {
      dx: Math.cos(angle),
      dy: Math.sin(angle),
      height: heightMm * (length / coarseMm) ** POWER,
      k: (2 * Math.PI) / length,
      phase: 2 * Math.PI * random(),
    };
  });
  const turned = [...rows].reverse();
  return {
    kind: "wobble",
    preserves: "area",
    box: EVERYWHERE,
    back: (tile) => {
      for (let n = 0; n < tile.live; n += 1) {
        const i = tile.index[n] as number;
        let [x, y] = [tile.x[i] as number, tile.y[i] as number];
        let [axx, axy, ayx, ayy] = [1, 0, 0, 1];
        for (const { dx, dy, height, k, phase } of turned) {
          const across = k * (dx * y - dy * x) + phase;
          const by = height * Math.sin(across);
          x -= dx * by;
          y -= dy * by;
          const steep = height * k * Math.cos(across);
          // A ← (I − d·steep·d⊥ᵀ)·A with d⊥ = (−dy, dx).
          const [mx, my] = [dx * ayx - dy * axx, dx * ayy - dy * axy];
          axx -= dx * steep * mx;
          ayx -= dy * steep * mx;
          axy -= dx * steep * my;
          ayy -= dy * steep * my;
        }
        tile.x[i] = x;
        tile.y[i] = y;
        drawOut(tile, i, axx, axy, ayx, ayy);
      }
      boundTile(tile);
    },
    forward: (px, py) => {
      let [x, y] = [px, py];
      for (const { dx, dy, height, k, phase } of rows) {
        const by = height * Math.sin(k * (dx * y - dy * x) + phase);
        x += dx * by;
        y += dy * by;
      }
      return [x, y];
    },
  };
}
