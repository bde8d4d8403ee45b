import { seeded } from "../../numerics/random";
import { EVERYWHERE, type Op } from "../op";
import { boundTile, drawOut } from "../tile";

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

/** Sine and cosine of the last angle asked for: both at once, in half of the time of Math's two. */
let sine = 0;
let cosine = 1;

/** Taylor's series on an eighth of a turn, within 3·10⁻⁸; a shear keeps its area whatever its sine. */
function turnBy(angle: number): void {
  const quarter = Math.floor(angle * 0.6366197723675814 + 0.5);
  const r = angle - quarter * 1.5707963267948966;
  const r2 = r * r;
  const r4 = r2 * r2;
  const s =
    r +
    r *
      r2 *
      (-0.16666666666666666 +
        r2 * 0.008333333333333333 +
        r4 * (-0.0001984126984126984 + r2 * 2.7557319223985893e-6));
  const c =
    1 + r2 * (-0.5 + r2 * 0.041666666666666664 + r4 * (-0.001388888888888889 + r2 * 2.48015873015873e-5));
  const odd = (quarter & 1) !== 0;
  const sign = (quarter & 2) !== 0 ? -1 : 1;
  sine = sign * (odd ? c : s);
  cosine = sign * (odd ? -s : c);
}

/** Area preserving, since each shear is. */
export function wobble({ heightMm, coarseMm, fineMm, shears, seed, aroundMm = null }: Wobble): Op {
  const random = seeded(seed);
  const rows = Array.from({ length: shears }, (_, n) => {
    const length = coarseMm * (fineMm / coarseMm) ** (shears > 1 ? n / (shears - 1) : 0);
    const angle = 2 * Math.PI * random();
    const own = {
      dx: Math.cos(angle),
      dy: Math.sin(angle),
      height: heightMm * (length / coarseMm) ** POWER,
      k: (2 * Math.PI) / length,
      phase: 2 * Math.PI * random(),
    };
    if (aroundMm === null) return own;
    // The wave's part around is made to fit a whole number of times; the shear stays across it.
    const times = Math.round((-own.dy * own.k * aroundMm) / (2 * Math.PI));
    const [kx, ky] = [(2 * Math.PI * times) / aroundMm, own.dx * own.k];
    const k = Math.hypot(kx, ky) || (2 * Math.PI) / aroundMm;
    return { ...own, k, dx: ky / k || 1, dy: -kx / k || 0 };
  });
  /** The last shear first, five numbers each: direction, height, wave number, phase. */
  const turned = Float64Array.from(
    [...rows].reverse().flatMap(({ dx, dy, height, k, phase }) => [dx, dy, height, k, phase]),
  );
  return {
    kind: "wobble",
    preserves: "area",
    box: EVERYWHERE,
    back: (tile) => {
      for (let n = 0; n < tile.live; n += 1) {
        const i = tile.index[n] as number;
        let x = tile.x[i] as number;
        let y = tile.y[i] as number;
        let axx = 1;
        let axy = 0;
        let ayx = 0;
        let ayy = 1;
        for (let row = 0; row < turned.length; row += 5) {
          const dx = turned[row] as number;
          const dy = turned[row + 1] as number;
          const height = turned[row + 2] as number;
          const k = turned[row + 3] as number;
          const phase = turned[row + 4] as number;
          turnBy(k * (dx * y - dy * x) + phase);
          const by = height * sine;
          x -= dx * by;
          y -= dy * by;
          const steep = height * k * cosine;
          // A ← (I − d·steep·d⊥ᵀ)·A with d⊥ = (−dy, dx).
          const mx = dx * ayx - dy * axx;
          const my = dx * ayy - dy * axy;
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
        turnBy(k * (dx * y - dy * x) + phase);
        const by = height * sine;
        x += dx * by;
        y += dy * by;
      }
      return [x, y];
    },
  };
}
