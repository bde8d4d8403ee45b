import { WAVE, WAVE_STEPS } from "../../numerics/fast-turn";
import { seeded } from "../../numerics/random";
import { EVERYWHERE, type Op } from "../engine/op";
import { boundTile, drawOut } from "../engine/tile";

/** How a film flows on its own before it thickens: a row of shears at all angles, coarse and fine. */
export type Wobble = {
  heightMm: number;
  coarseMm: number;
  fineMm: number;
  shears: number;
  seed: number;
  /** Once around a tumbler, mm. */ aroundMm?: number | null;
};

/** Finer shears are lower: height by this power of their length. */
const POWER = 1.1;
const LAST = WAVE_STEPS - 1;
const QUARTER = Math.PI / 2;

/** Area preserving, since each shear is. */
export function wobble({ heightMm, coarseMm, fineMm, shears, seed, aroundMm = null }: Wobble): Op {
  const random = seeded(seed);
  const rows = Array.from({ length: shears }, (_, n) => {
    const length = coarseMm * (fineMm / coarseMm) ** (shears > 1 ? n / (shears - 1) : 0);
    const angle = 2 * Math.PI * random();
    const moved = {
      dx: Math.cos(angle),
      dy: Math.sin(angle),
      height: heightMm * (length / coarseMm) ** POWER,
      k: (2 * Math.PI) / length,
      phase: 2 * Math.PI * random(),
    };
    if (aroundMm === null) return moved;
    // The wave's part around is made to fit a whole number of times; the shear stays across it.
    const times = Math.round((-moved.dy * moved.k * aroundMm) / (2 * Math.PI));
    const [kx, ky] = [(2 * Math.PI * times) / aroundMm, moved.dx * moved.k];
    const k = Math.hypot(kx, ky) || (2 * Math.PI) / aroundMm;
    return { ...moved, k, dx: ky / k || 1, dy: -kx / k || 0 };
  });
  /** The last shear first, five numbers each: direction, height, steps of its wave to a millimetre, and the one with which it begins. */
  const perTurn = WAVE_STEPS / (2 * Math.PI);
  const stepped = rows.map(({ dx, dy, height, k, phase }) => [dx, dy, height, k * perTurn, phase * perTurn]);
  const backwards = Float64Array.from([...stepped].reverse().flat());
  return {
    kind: "wobble",
    preserves: "area",
    box: EVERYWHERE,
    back: (tile) => {
      const { index, x: xs, y: ys, live } = tile;
      for (let n = 0; n < live; n += 1) {
        const i = index[n] as number;
        let x = xs[i] as number;
        let y = ys[i] as number;
        let axx = 1;
        let axy = 0;
        let ayx = 0;
        let ayy = 1;
        for (let row = 0; row < backwards.length; row += 5) {
          const dx = backwards[row] as number;
          const dy = backwards[row + 1] as number;
          const height = backwards[row + 2] as number;
          const k = backwards[row + 3] as number;
          const phase = backwards[row + 4] as number;
          const at = k * (dx * y - dy * x) + phase;
          const step = Math.floor(at);
          const low = WAVE[step & LAST] as number;
          const rise = (WAVE[(step & LAST) + 1] as number) - low;
          const by = height * (low + rise * (at - step));
          x -= dx * by;
          y -= dy * by;
          const steep = height * k * rise;
          // A ← (I − d·steep·d⊥ᵀ)·A with d⊥ = (−dy, dx).
          const mx = dx * ayx - dy * axx;
          const my = dx * ayy - dy * axy;
          axx -= dx * steep * mx;
          ayx -= dy * steep * mx;
          axy -= dx * steep * my;
          ayy -= dy * steep * my;
        }
        xs[i] = x;
        ys[i] = y;
        drawOut(tile, i, axx, axy, ayx, ayy);
      }
      boundTile(tile);
    },
    forward: (px, py) => {
      let [x, y] = [px, py];
      for (const [dx = 0, dy = 0, height = 0, k = 0, phase = 0] of stepped) {
        const at = k * (dx * y - dy * x) + phase;
        const step = Math.floor(at);
        const low = WAVE[step & LAST] as number;
        const by = height * (low + ((WAVE[(step & LAST) + 1] as number) - low) * (at - step));
        x += dx * by;
        y += dy * by;
      }
      return [x, y];
    },
    packed: () => ({
      numbers: [
        rows.length,
        ...[...rows]
          .reverse()
          .flatMap(({ dx, dy, height, k, phase }) => [dx, dy, height, k / QUARTER, phase / QUARTER]),
      ],
    }),
  };
}
