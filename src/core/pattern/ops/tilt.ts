import { boxAround, smooth, smoothSlope, type Op } from "../engine/op";
import { boundTile, drawOut } from "../engine/tile";
import { streaks } from "./profile";
import { streakedWidth, tabled, type Tabled } from "./streaked-width";

/** A piece held slanting: the film runs off towards one side, drawn out in tongues, its upper edge held. */
export type Tilt = {
  /** Where its upper edge is held, mm; the way it runs, rad. */
  x: number;
  y: number;
  angle: number;
  /** From the upper edge to the lower, and across, mm. */
  lengthMm: number;
  widthMm: number;
  /** How far the lower edge runs, as a share of the length; at most a third. */
  share: number;
  seed: number;
  /** Once around a tumbler, mm: it runs in tongues all around. */
  aroundMm?: number | null;
};

const MOST_SHARE = 1 / 3;
/** The upper edge lets go over this part of its length. */
const HELD = 0.2;

/** q0 = q·(1 − L·ℓ(p)·S(q/held)): not area preserving, since it is drawn thin from the upper edge on. */
export function tilt({ x, y, angle, lengthMm, widthMm, share, seed, aroundMm = null }: Tilt): Op {
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  const tongues = aroundMm
    ? tonguesAround(aroundMm, seed)
    : streakedWidth(widthMm / 2, widthMm / 2, 0.5, seed);
  const most = Math.min(MOST_SHARE, share);
  const held = HELD * lengthMm;
  const shrink = (q: number, p: number) => 1 - most * tongues.at(p) * smooth(q / held);
  return {
    kind: "tilt",
    preserves: "nothing",
    box: boxAround(x + (c * lengthMm) / 2, y + (s * lengthMm) / 2, Math.hypot(lengthMm, widthMm)),
    back: (tile) => {
      const { index, x: xs, y: ys, live } = tile;
      let moved = false;
      for (let n = 0; n < live; n += 1) {
        const i = index[n] as number;
        const dx = (xs[i] as number) - x;
        const dy = (ys[i] as number) - y;
        const q = c * dx + s * dy;
        const p = c * dy - s * dx;
        if (q <= 0 || p >= widthMm / 2 || p <= -widthMm / 2) continue;
        const runs = most * tongues.at(p);
        const freed = smooth(q / held);
        const by = 1 - runs * freed;
        const qq = by - (q * runs * smoothSlope(q / held)) / held;
        const qp = -q * most * tongues.slope(p) * freed;
        const q0 = q * by;
        xs[i] = x + c * q0 - s * p;
        ys[i] = y + s * q0 + c * p;
        drawOut(
          tile,
          i,
          c * (c * qq) - s * (c * qp - s),
          s * (c * qq) + c * (c * qp - s),
          c * (s * qq) - s * (s * qp + c),
          s * (s * qq) + c * (s * qp + c),
        );
        moved = true;
      }
      if (moved) boundTile(tile);
    },
    forward: (px, py) => {
      const [dx, dy] = [px - x, py - y];
      const [q0, p] = [c * dx + s * dy, c * dy - s * dx];
      if (q0 <= 0 || Math.abs(p) >= widthMm / 2) return [px, py];
      let [low, high] = [q0, q0 / (1 - MOST_SHARE) + 1];
      for (let halving = 0; halving < 60; halving += 1) {
        const middle = (low + high) / 2;
        if (middle * shrink(middle, p) < q0) low = middle;
        else high = middle;
      }
      const q = (low + high) / 2;
      return [x + c * q - s * p, y + s * q + c * p];
    },
    packed: () => ({
      numbers: [
        ...[x, y, c, s, widthMm / 2, most, held, tongues.from, tongues.perUnit, tongues.around ? 1 : 0],
        tongues.knots,
      ],
    }),
  };
}

/** How far it runs about a tumbler: tongues that meet where they began. */
function tonguesAround(aroundMm: number, seed: number): Tabled {
  const noise = streaks(seed, aroundMm / 4, aroundMm);
  return tabled((p) => 0.7 + 0.3 * Math.tanh(noise(p)), 0, aroundMm, true);
}
