import { angleOf, turnBy, turned, WAVE, WAVE_STEPS } from "../../numerics/fast-turn";
import type { Box } from "../../geometry/ring";
import { boxAround, smooth, smoothBend, smoothSlope, type Op } from "../engine/op";
import { boundTile, drawOut, type Tile } from "../engine/tile";
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
const LAST = WAVE_STEPS - 1;
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
  const swayMm = wave?.heightMm ?? 0;
  const swayK = wave ? WAVE_STEPS / wave.lengthMm : 0;
  const swayFrom = ((wave?.phase ?? 0) * WAVE_STEPS) / (2 * Math.PI);
  const sway = (q: number) => {
    const at = swayK * q + swayFrom;
    const step = Math.floor(at);
    const low = WAVE[step & LAST] as number;
    return swayMm * (low + ((WAVE[(step & LAST) + 1] as number) - low) * (at - step));
  };
  const swaySlope = (q: number) => {
    const step = Math.floor(swayK * q + swayFrom) & LAST;
    return swayMm * swayK * ((WAVE[step + 1] as number) - (WAVE[step] as number));
  };
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
      // One step more, and what is missed is its square.
      if (miss < 1e-5 && miss > -1e-5) break;
    }
    return q0;
  };
  const { reachMm, stepMm, knots, sums } = profile;
  const arc = arcMm ? arcFrame(arcMm, Math.max(TIGHTEST * reachMm, (2 * half) / Math.PI)) : null;
  const lean = wave?.heightMm ?? 0;
  const middle = half - soft;
  // Where it lies along and across its middle; an arc leans to its centre's side.
  const sag = arc ? arc.sagMm(half) : 0;
  const aside = (p: number) => {
    if (!arc) return p;
    arc.bend(0, p);
    return arc.p;
  };
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
  const [c2, s2] = [c * c - s * s, 2 * c * s];
  const back = (tile: Tile) => {
    if (!reaches(tile.box)) return;
    const { index, x: xs, y: ys, live } = tile;
    let moved = false;
    for (let n = 0; n < live; n += 1) {
      const i = index[n] as number;
      const dx = (xs[i] as number) - x;
      const dy = (ys[i] as number) - y;
      let q1 = c * dx + s * dy;
      let across = c * dy - s * dx;
      if (q1 <= -long || q1 >= long || across <= low || across >= high) continue;
      if (arc) {
        arc.straighten(q1, across);
        q1 = arc.q;
        across = arc.p;
        if (q1 <= -half || q1 >= half) continue;
      }
      let w1 = 0;
      let p1 = across;
      if (wave) {
        p1 -= sway(q1);
        w1 = swaySlope(q1);
      }
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
        const far = (half - (q0 < 0 ? -q0 : q0)) / soft;
        const sign = q0 < 0 ? 1 : -1;
        g = smooth(far);
        const g1 = (sign * smoothSlope(far)) / soft;
        p0 = p1 + dragMm * sum * g1;
        qq = 1 / (1 + dragMm * f * g1);
        qp = -dragMm * df1 * g * qq;
        const bent = (dragMm * sum * smoothBend(far)) / (soft * soft);
        pq = bent * qq;
        pp = 1 + dragMm * f * g1 + bent * qp;
      }
      if (wave) {
        // Of the sway's undoing before, and the sway again after.
        const w0 = swaySlope(q0);
        pq += -pp * w1 + w0 * (qq - qp * w1);
        qq -= qp * w1;
        pp += w0 * qp;
        p0 += sway(q0);
      }
      let tx = c;
      let ty = s;
      let t2 = c2;
      let u2 = s2;
      if (arc) {
        // B(before)·L·B(after)⁻¹, B the bending's Jacobian, whose determinant is 1.
        const { a: a1, b: b1, c: c1, d: d1 } = arc;
        const [q2, p2] = [qq * d1 - qp * c1, pq * d1 - pp * c1];
        const [q3, p3] = [qp * a1 - qq * b1, pp * a1 - pq * b1];
        arc.bend(q0, p0);
        const { a: a0, b: b0, c: c0, d: d0 } = arc;
        qq = a0 * q2 + b0 * p2;
        pq = c0 * q2 + d0 * p2;
        qp = a0 * q3 + b0 * p3;
        pp = c0 * q3 + d0 * p3;
        const over = 1 / Math.sqrt(a0 * a0 + c0 * c0);
        tx = (c * a0 - s * c0) * over;
        ty = (s * a0 + c * c0) * over;
        t2 = tx * tx - ty * ty;
        u2 = 2 * tx * ty;
        q0 = arc.q;
        p0 = arc.p;
      }
      xs[i] = x + c * q0 - s * p0;
      ys[i] = y + s * q0 + c * p0;
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
      const sheared = dragMm * df1 * g;
      const turns = (sheared < 0 ? -sheared : sheared) / TURNS;
      if (turns > 0.01) turnFlakes(tile, i, turns < 1 ? turns : 1, t2, u2);
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
      if (arc) {
        arc.straighten(q0, across);
        [q0, across] = [arc.q, arc.p];
      }
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
      if (arc) {
        arc.bend(q1, p);
        [q1, p] = [arc.q, arc.p];
      }
      return [x + c * q1 - s * p, y + s * q1 + c * p];
    },
    packed: () => ({
      numbers: [
        ...[x, y, c, s, half, soft, dragMm, smear, reachMm, stepMm],
        ...[swayMm, (swayK * 2 * Math.PI) / WAVE_STEPS, wave?.phase ?? 0],
        ...[arc?.m ?? 0, arc?.sign ?? 0, long, low, high],
        ...[knots, sums],
      ],
    }),
  };
}

/** Turns a sample's flakes towards a direction, given as twice its angle, by what an earlier shear has not turned. */
function turnFlakes(tile: Tile, i: number, by: number, t2: number, u2: number): void {
  const sx = tile.shear2x[i] as number;
  const sy = tile.shear2y[i] as number;
  const turns = by * (1 - Math.sqrt(sx * sx + sy * sy));
  if (turns <= 0.01) return;
  tile.shear2x[i] = sx + turns * t2;
  tile.shear2y[i] = sy + turns * u2;
}

/**
 * An arc laid straight: q = m·θ along it, p = (m² − r²)/2m across it, r = √(m² − 2mp) back. Area preserving; near the arc p is the distance
 * from it towards its centre. Both leave the place in `q` and `p`, and ∂(bent)/∂(straight) there in `a` to `d`, row by row: no pair is made for
 * each of millions.
 */
function arcFrame(arcMm: number, tightestMm: number) {
  const sign = Math.sign(arcMm);
  const m = sign * Math.max(Math.abs(arcMm), tightestMm);
  const long = sign * m;
  /** The Jacobian at a radius and a direction. */
  const turn = (r: number, sine: number, cosine: number) => {
    frame.a = (sign * r * cosine) / m;
    frame.b = (-long * sine) / r;
    frame.c = (sign * r * sine) / m;
    frame.d = (long * cosine) / r;
  };
  const frame = {
    m,
    sign,
    q: 0,
    p: 0,
    a: 1,
    b: 0,
    c: 0,
    d: 1,
    /** How far its end lies off its middle's tangent, mm. */
    sagMm: (q: number) => m * (1 - Math.cos(q / m)),
    straighten: (q: number, p: number): void => {
      const [y, x] = [sign * q, long - sign * p];
      const r2 = q * q + x * x;
      const r = Math.sqrt(r2) || 1e-9;
      frame.q = m * angleOf(y, x);
      frame.p = (m * m - r2) / (2 * m);
      turn(r, y / r, x / r);
    },
    bend: (q: number, p: number): void => {
      const square = m * m - 2 * m * p;
      const r = Math.sqrt(square > 1e-9 ? square : 1e-9);
      turnBy(q / m);
      frame.q = sign * r * turned.sine;
      frame.p = m - sign * r * turned.cosine;
      turn(r, turned.sine, turned.cosine);
    },
  };
  return frame;
}
