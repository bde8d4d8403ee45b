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
  /** Over what length it begins and ends, mm; never so short that it would fold. */
  softMm?: number;
  profile: Profile;
  /** Smearing along the pull, as a share of the drag. */
  smear: number;
  /** A pull that sways: height, mm, and length of a wave, mm. */
  wave?: { heightMm: number; lengthMm: number; phase: number };
  /** A pull along an arc of this radius, mm; to the other hand where it is negative. */
  arcMm?: number;
};

/** Newton steps for the place along the pull. */
const NEWTON = 6;
/** A pull begins and ends softly enough that it folds nothing. */
const SOFTNESS = 2.1;
/** An arc no tighter than this many of the tool's reach: within it the map would fold. */
const TIGHTEST = 2.4;
/** A shear that turns all flakes, and that of a smear. */
const TURNS = 1.6;

/**
 * An area-preserving stroke by a generating function: q0 + D·f(p1)·g(q0) = q1, p0 = p1 + D·F(p1)·g′(q0), with g the window along it
 * (after Lu, Jaffer et al. 2012, whose tine line it is for g = 1).
 * @throws for a drag beyond 60 mm
 */
export function stroke({ x, y, angle, halfMm, dragMm, softMm = 0, profile, smear, wave, arcMm }: Stroke): Op {
  if (!(Math.abs(dragMm) <= 60)) throw new Error(`A stroke of ${dragMm} mm is too long: split it`);
  const soft = Math.max(1, softMm, SOFTNESS * Math.abs(dragMm) * profile.most);
  const half = Math.max(halfMm, soft);
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  // Half of a stroke is never shorter than its soft end, so that only the nearer end counts.
  const window = (q: number) => smooth((half - Math.abs(q)) / soft);
  const slope = (q: number) => (-Math.sign(q) * smoothSlope((half - Math.abs(q)) / soft)) / soft;
  const bend = (q: number) => smoothBend((half - Math.abs(q)) / soft) / (soft * soft);
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
    const by = dragMm * f;
    let q0 = q1 - by * window(q1);
    for (let step = 0; step < NEWTON; step += 1) {
      const far = half - (q0 < 0 ? -q0 : q0);
      const t = far <= 0 ? 0 : far >= soft ? 1 : far / soft;
      const rest = 1 - t;
      const miss = q0 + by * (t * t * t * (10 + t * (6 * t - 15))) - q1;
      const steep = (30 * t * t * rest * rest) / soft;
      q0 -= miss / (1 + (q0 < 0 ? by : -by) * steep);
      if (miss < 1e-11 && miss > -1e-11) break;
    }
    return q0;
  };
  const { reachMm, stepMm, knots, sums } = profile;
  const arc = arcMm ? arcFrame(arcMm, Math.max(TIGHTEST * reachMm, (2 * half) / Math.PI)) : null;
  const lean = wave?.heightMm ?? 0;
  const middle = half - soft;
  // Where it lies along and across its middle; an arc leans to its centre's side.
  const sag = arc ? arc.sagMm(half) : 0;
  const aside = (p: number) => (arc ? arc.bend(0, p)[1] : p);
  const low = aside(-reachMm) - lean + Math.min(0, sag);
  const high = aside(reachMm) + lean + Math.max(0, sag);
  const long = half + (arc ? high - low : 0);
  /** Whether a box comes into the long and narrow place of the stroke. */
  const reaches = ({ minX, minY, maxX, maxY }: Box) => {
    const [hx, hy] = [(maxX - minX) / 2, (maxY - minY) / 2];
    const [dx, dy] = [minX + hx - x, minY + hy - y];
    const p = c * dy - s * dx;
    const wide = Math.abs(s) * hx + Math.abs(c) * hy;
    return (
      Math.abs(c * dx + s * dy) < long + Math.abs(c) * hx + Math.abs(s) * hy &&
      p > low - wide &&
      p < high + wide
    );
  };
  const back = (tile: Tile) => {
    if (!reaches(tile.box)) return;
    let moved = false;
    for (let n = 0; n < tile.live; n += 1) {
      const i = tile.index[n] as number;
      const dx = (tile.x[i] as number) - x;
      const dy = (tile.y[i] as number) - y;
      let q1 = c * dx + s * dy;
      let across = c * dy - s * dx;
      if (arc) {
        if (across <= low || across >= high || q1 <= -long || q1 >= long) continue;
        [q1, across] = arc.straighten(q1, across);
      }
      if (q1 <= -half || q1 >= half) continue;
      const p1 = across - (wave ? sway(q1) : 0);
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
      let [tx, ty] = [c, s];
      if (arc) {
        // B(before)·L·B(after)⁻¹, B the bending's Jacobian, whose determinant is 1.
        const [a1, b1, c1, d1] = arc.jacobian(q1, across);
        [qq, qp] = [qq * d1 - qp * c1, qp * a1 - qq * b1];
        [pq, pp] = [pq * d1 - pp * c1, pp * a1 - pq * b1];
        const [a0, b0, c0, d0] = arc.jacobian(q0, p0);
        [qq, pq] = [a0 * qq + b0 * pq, c0 * qq + d0 * pq];
        [qp, pp] = [a0 * qp + b0 * pp, c0 * qp + d0 * pp];
        [tx, ty] = [c * a0 - s * c0, s * a0 + c * c0];
        const long = Math.hypot(tx, ty);
        [tx, ty] = [tx / long, ty / long];
        [q0, p0] = arc.bend(q0, p0);
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
        tx,
        ty,
      );
      // Flakes lie along the last shears: the latest most, each as far as it is strong.
      const sheared = Math.abs(dragMm * df1 * g);
      const turns =
        Math.min(1, sheared / TURNS) * (1 - Math.hypot(tile.shear2x[i] as number, tile.shear2y[i] as number));
      if (turns > 0.01) {
        tile.shear2x[i] = (tile.shear2x[i] as number) + turns * (tx * tx - ty * ty);
        tile.shear2y[i] = (tile.shear2y[i] as number) + turns * 2 * tx * ty;
      }
      moved = true;
    }
    if (moved) boundTile(tile);
  };
  const reach = Math.hypot(long, Math.max(-low, high));
  return {
    kind: "stroke",
    preserves: "area",
    box: boxAround(x, y, reach),
    back,
    forward: (px, py) => {
      let q0 = c * (px - x) + s * (py - y);
      let across = c * (py - y) - s * (px - x);
      if (arc) [q0, across] = arc.straighten(q0, across);
      const p0 = across - sway(q0);
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
      let q1 = q0 + dragMm * profile.at(p1) * g;
      let p = p1 + sway(q1);
      if (arc) [q1, p] = arc.bend(q1, p);
      return [x + c * q1 - s * p, y + s * q1 + c * p];
    },
  };
}

/**
 * An arc laid straight: q = m·θ along it, p = (m² − r²)/2m across it, r = √(m² − 2mp) back. Area preserving; near the arc p is the distance
 * from it towards its centre.
 */
function arcFrame(arcMm: number, tightestMm: number) {
  const m = Math.sign(arcMm) * Math.max(Math.abs(arcMm), tightestMm);
  const radius = (p: number) => Math.sqrt(Math.max(1e-9, m * m - 2 * m * p));
  return {
    /** How far its end lies off its middle's tangent, mm. */
    sagMm: (q: number) => m * (1 - Math.cos(q / m)),
    straighten: (q: number, p: number): [number, number] => {
      const turn = Math.atan2(Math.sign(m) * q, Math.abs(m) - Math.sign(m) * p);
      return [Math.abs(m) * turn * Math.sign(m), (m * m - (q * q + (p - m) ** 2)) / (2 * m)];
    },
    bend: (q: number, p: number): [number, number] => {
      const r = radius(p);
      return [Math.sign(m) * r * Math.sin(q / m), m - Math.sign(m) * r * Math.cos(q / m)];
    },
    /** ∂(bent)/∂(straight), row by row. */
    jacobian: (q: number, p: number): [number, number, number, number] => {
      const r = radius(p);
      const [sin, cos] = [Math.sin(q / m), Math.cos(q / m)];
      const sign = Math.sign(m);
      return [(sign * r * cos) / m, (-sign * m * sin) / r, (sign * r * sin) / m, (sign * m * cos) / r];
    },
  };
}
