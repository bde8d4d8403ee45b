import { boxAround, smooth, smoothSlope, type Op } from "../engine/op";
import { boundTile, drawOut } from "../engine/tile";
import { streakedWidth } from "./streaked-width";

/** A wide blade that lays one colour over another from the edge inwards. */
export type Lay = {
  x: number;
  y: number;
  angle: number;
  halfMm: number;
  widthMm: number;
  /** How far it carries the film, mm; held to what stays a map. */
  dragMm: number;
  seed: number;
};

/** It takes the film up over most of its way and sets it down in the last 14 %. */
const FALL = 0.14;
/** Softness of its sides, mm. */
const SIDE_MM = 14;
const MOST_DRAG = 0.43;

/** q0 = q − D·w(p)·S((q + h)/ra)·S((h − q)/rb): not area preserving, since the film is drawn thin behind it. */
export function lay({ x, y, angle, halfMm, widthMm, dragMm, seed }: Lay): Op {
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  const fall = 2 * halfMm * FALL;
  const rise = 2 * halfMm - fall;
  const drag = Math.min(dragMm, MOST_DRAG * fall * 2, MOST_DRAG * rise);
  const across = streakedWidth(widthMm / 2, SIDE_MM, 0.45, seed);
  const g = (q: number) => smooth((q + halfMm) / rise) * smooth((halfMm - q) / fall);
  return {
    kind: "lay",
    preserves: "nothing",
    box: boxAround(x, y, Math.hypot(halfMm, widthMm / 2)),
    back: (tile) => {
      const { index, x: xs, y: ys, live } = tile;
      let moved = false;
      for (let n = 0; n < live; n += 1) {
        const i = index[n] as number;
        const dx = (xs[i] as number) - x;
        const dy = (ys[i] as number) - y;
        const q = c * dx + s * dy;
        const p = c * dy - s * dx;
        if (q >= halfMm || q <= -halfMm || p >= widthMm / 2 || p <= -widthMm / 2) continue;
        const w = across.at(p);
        const [up, down] = [(q + halfMm) / rise, (halfMm - q) / fall];
        const [risen, left] = [smooth(up), smooth(down)];
        const by = drag * w * risen * left;
        const qq = 1 - drag * w * ((smoothSlope(up) * left) / rise - (risen * smoothSlope(down)) / fall);
        const qp = -drag * across.slope(p) * risen * left;
        xs[i] = x + c * (q - by) - s * p;
        ys[i] = y + s * (q - by) + c * p;
        drawOut(
          tile,
          i,
          c * (c * qq) - s * (c * qp - s),
          s * (c * qq) + c * (c * qp - s),
          c * (s * qq) - s * (s * qp + c),
          s * (s * qq) + c * (s * qp + c),
          0.1 * by,
          c,
          s,
        );
        moved = true;
      }
      if (moved) boundTile(tile);
    },
    forward: (px, py) => {
      const [dx, dy] = [px - x, py - y];
      const [q0, p] = [c * dx + s * dy, c * dy - s * dx];
      if (Math.abs(q0) >= halfMm || Math.abs(p) >= widthMm / 2) return [px, py];
      let [low, high] = [q0, q0 + drag * 2];
      for (let halving = 0; halving < 60; halving += 1) {
        const middle = (low + high) / 2;
        if (middle - drag * across.at(p) * g(middle) < q0) low = middle;
        else high = middle;
      }
      const q = (low + high) / 2;
      return [x + c * q - s * p, y + s * q + c * p];
    },
    packed: () => ({
      numbers: [
        ...[x, y, c, s, halfMm, widthMm / 2, rise, fall, drag, across.from, across.perUnit],
        across.knots,
      ],
    }),
  };
}
