import type { Box } from "../../geometry/ring";
import { boxAround, smooth, smoothBend, smoothSlope, type Op } from "../op";
import { boundTile, drawOut, type Tile } from "../tile";
import type { Profile } from "./profile";

/** A pull of a tool along a line. */
export type Stroke = {
  /** Its middle, mm, and its direction, rad. */
  x: number;
  y: number;
  angle: number;
  /** Half of its length, mm. */
  halfMm: number;
  /** How far the surface under the middle of the tool is carried, mm; at most 60, longer pulls are several. */
  dragMm: number;
  profile: Profile;
  /** Smearing along the pull, as a share of the drag. */
  smear: number;
  /** A pull that sways: height, mm, and length of a wave, mm. */
  wave?: { heightMm: number; lengthMm: number; phase: number };
};

/** Newton steps for the place along the pull. */
const NEWTON = 6;
/** A pull begins and ends softly enough that it folds nothing. */
const SOFTNESS = 2.1;
/** From this smear on a shear is strong enough to turn flakes. */
const TURNS = 0.15;

/**
 * An area-preserving stroke by a generating function: q0 + D·f(p1)·g(q0) = q1, p0 = p1 + D·F(p1)·g′(q0), with g the window along it
 * (after Lu, Jaffer et al. 2012, whose tine line it is for g = 1).
 * @throws for a drag beyond 60 mm
 */
export function stroke({ x, y, angle, halfMm, dragMm, profile, smear, wave }: Stroke): Op {
  if (!(Math.abs(dragMm) <= 60)) throw new Error(`A stroke of ${dragMm} mm is too long: split it`);
  const soft = Math.max(1, SOFTNESS * Math.abs(dragMm) * profile.most);
  const half = Math.max(halfMm, soft);
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  const window = (q: number) => smooth((q + half) / soft) * smooth((half - q) / soft);
  const slope = (q: number) =>
    (smoothSlope((q + half) / soft) * smooth((half - q) / soft) -
      smooth((q + half) / soft) * smoothSlope((half - q) / soft)) /
    soft;
  const bend = (q: number) =>
    (smoothBend((q + half) / soft) * smooth((half - q) / soft) -
      2 * smoothSlope((q + half) / soft) * smoothSlope((half - q) / soft) +
      smooth((q + half) / soft) * smoothBend((half - q) / soft)) /
    (soft * soft);
  const sway = wave
    ? (q: number) => wave.heightMm * Math.sin((2 * Math.PI * q) / wave.lengthMm + wave.phase)
    : () => 0;
  const swaySlope = wave
    ? (q: number) =>
        ((2 * Math.PI * wave.heightMm) / wave.lengthMm) *
        Math.cos((2 * Math.PI * q) / wave.lengthMm + wave.phase)
    : () => 0;
  /** Where a point along and across it was before. */
  const before = (q1: number, f: number) => {
    let q0 = q1 - dragMm * f * window(q1);
    for (let step = 0; step < NEWTON; step += 1) {
      const miss = q0 + dragMm * f * window(q0) - q1;
      q0 -= miss / (1 + dragMm * f * slope(q0));
      if (Math.abs(miss) < 1e-12) break;
    }
    return q0;
  };
  const { reachMm, stepMm, knots, sums } = profile;
  const lean = wave?.heightMm ?? 0;
  const middle = half - soft;
  /** Whether a box comes into the long and narrow place of the stroke. */
  const reaches = ({ minX, minY, maxX, maxY }: Box) => {
    const [hx, hy] = [(maxX - minX) / 2, (maxY - minY) / 2];
    const [dx, dy] = [minX + hx - x, minY + hy - y];
    return (
      Math.abs(c * dx + s * dy) < half + Math.abs(c) * hx + Math.abs(s) * hy &&
      Math.abs(c * dy - s * dx) < reachMm + lean + Math.abs(s) * hx + Math.abs(c) * hy
    );
  };
  const back = (tile: Tile) => {
    if (!reaches(tile.box)) return;
    let moved = false;
    for (let n = 0; n < tile.live; n += 1) {
      const i = tile.index[n] as number;
      const dx = (tile.x[i] as number) - x;
      const dy = (tile.y[i] as number) - y;
      const q1 = c * dx + s * dy;
      if (q1 <= -half || q1 >= half) continue;
      const p1 = c * dy - s * dx - (wave ? sway(q1) : 0);
      if (p1 <= -reachMm || p1 >= reachMm) continue;
      const at = (p1 + reachMm) / stepMm;
      const k = at | 0;
      const share = at - k;
      const fk = knots[k] as number;
      const df = (knots[k + 1] as number) - fk;
      const f = fk + df * share;
      const df1 = df / stepMm;
      let q0 = q1 - dragMm * f;
      let p0 = p1;
      let g = 1;
      let qq = 1;
      let qp = -dragMm * df1;
      let pq = 0;
      let pp = 1;
      if (q0 < -middle || q0 > middle) {
        const sum = (sums[k] as number) + stepMm * share * (fk + (df * share) / 2);
        q0 = before(q1, f);
        g = window(q0);
        const g1 = slope(q0);
        p0 = p1 + dragMm * sum * g1;
        qq = 1 / (1 + dragMm * f * g1);
        qp = -dragMm * df1 * g * qq;
        const bent = dragMm * sum * bend(q0);
        pq = bent * qq;
        pp = 1 + dragMm * f * g1 + bent * qp;
      }
      if (wave) {
        // Of the sway's undoing before, and the sway again after.
        const w1 = swaySlope(q1);
        const w0 = swaySlope(q0);
        pq += -pp * w1 + w0 * (qq - qp * w1);
        qq -= qp * w1;
        pp += w0 * qp;
        p0 += sway(q0);
      }
      tile.x[i] = x + c * q0 - s * p0;
      tile.y[i] = y + s * q0 + c * p0;
      const xq = c * qq - s * pq;
      const xp = c * qp - s * pp;
      const yq = s * qq + c * pq;
      const yp = s * qp + c * pp;
      drawOut(
        tile,
        i,
        c * xq - s * xp,
        s * xq + c * xp,
        c * yq - s * yp,
        s * yq + c * yp,
        smear * dragMm * f * g,
        c,
        s,
      );
      if (tile.shear2x[i] === 0 && tile.shear2y[i] === 0 && Math.abs(dragMm * df1 * g) > TURNS) {
        tile.shear2x[i] = c * c - s * s;
        tile.shear2y[i] = 2 * c * s;
      }
      moved = true;
    }
    if (moved) boundTile(tile);
  };
  const reach = Math.hypot(half, reachMm + lean);
  return {
    kind: "stroke",
    preserves: "area",
    box: boxAround(x, y, reach),
    back,
    forward: (px, py) => {
      const q0 = c * (px - x) + s * (py - y);
      const p0 = c * (py - y) - s * (px - x) - sway(q0);
      if (Math.abs(q0) >= half || Math.abs(p0) >= profile.reachMm) return [px, py];
      const [g, g1] = [window(q0), slope(q0)];
      // p1 + D·F(p1)·g′(q0) = p0, by halving: it rises.
      let [low, high] = [-profile.reachMm, profile.reachMm];
      for (let halving = 0; halving < 60; halving += 1) {
        const middle = (low + high) / 2;
        if (middle + dragMm * profile.sum(middle) * g1 < p0) low = middle;
        else high = middle;
      }
      const p1 = (low + high) / 2;
      const q1 = q0 + dragMm * profile.at(p1) * g;
      const p = p1 + sway(q1);
      return [x + c * q1 - s * p, y + s * q1 + c * p];
    },
  };
}
