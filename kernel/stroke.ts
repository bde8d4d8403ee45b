/** Pulls of a tool: straight, swaying or along an arc; defined by src/core/pattern/ops/stroke.ts. */

import { int, num } from "./data";
import { any, aside, bound, end, f4, LIVE, maxX, maxY, minX, minY, putIn, SHEAR_X, SHEAR_Y } from "./memory";
import { across, along, between, drawOutPlace, place, putPlace } from "./place";
import { angleOf, cosine, lookUp, low, rise, sine, smooth, smoothBend, smoothSlope, turnBy } from "./turn";

/** A place laid straight from an arc, or bent to it; and the Jacobian of bending there, row by row. */
let arcQ: v128 = i32x4.splat(0);
let arcP: v128 = i32x4.splat(0);
let arcA: v128 = i32x4.splat(0);
let arcB: v128 = i32x4.splat(0);
let arcC: v128 = i32x4.splat(0);
let arcD: v128 = i32x4.splat(0);
function arcTurn(m: f32, sign: f32, r: v128, sin: v128, cos: v128): void {
  const over = f32x4.mul(r, f4(sign / m));
  const long = f32x4.div(f4(sign * m), r);
  arcA = f32x4.mul(over, cos);
  arcB = f32x4.neg(f32x4.mul(long, sin));
  arcC = f32x4.mul(over, sin);
  arcD = f32x4.mul(long, cos);
}
function straighten(m: f32, sign: f32, q: v128, p: v128): void {
  const y = f32x4.mul(f4(sign), q);
  const x = f32x4.sub(f4(sign * m), f32x4.mul(f4(sign), p));
  const r = f32x4.pmax(f32x4.sqrt(f32x4.add(f32x4.mul(y, y), f32x4.mul(x, x))), f4(1e-9));
  arcQ = f32x4.mul(f4(m), angleOf(y, x));
  // (m² − r²)/2m, as a product so that no digits are lost.
  const long = sign * m;
  arcP = f32x4.mul(f32x4.mul(f32x4.sub(f4(long), r), f32x4.add(f4(long), r)), f4(1 / (2 * m)));
  arcTurn(m, sign, r, f32x4.div(y, r), f32x4.div(x, r));
}
function bend(m: f32, sign: f32, q: v128, p: v128): void {
  const square = f32x4.sub(f4(m * m), f32x4.mul(f4(2 * m), p));
  const r = f32x4.sqrt(f32x4.pmax(square, f4(1e-9)));
  turnBy(f32x4.mul(q, f4(1 / m)));
  const sin = sine;
  const cos = cosine;
  arcQ = f32x4.mul(f32x4.mul(f4(sign), r), sin);
  // m − sign·r·cos, by r = |m| − (r's difference): near the arc both are large and their difference small.
  arcP = f32x4.sub(f4(m), f32x4.mul(f32x4.mul(f4(sign), r), cos));
  arcTurn(m, sign, r, sin, cos);
}

/** Newton steps for the place along a pull, and a miss at which one step more is enough, mm. */
const NEWTON: i32 = 6;
const MISSED: f32 = 5e-4;
/** Where points along a pull were before it moved them by so much of its window. */
function before(q1: v128, by: v128, half: f32, soft: f32, mask: v128): v128 {
  const perSoft = f4(1 / soft);
  let q0 = f32x4.sub(q1, f32x4.mul(by, smooth(f32x4.mul(f32x4.sub(f4(half), f32x4.abs(q1)), perSoft))));
  let going = mask;
  for (let step = 0; step < NEWTON; step += 1) {
    const far = f32x4.mul(f32x4.sub(f4(half), f32x4.abs(q0)), perSoft);
    const miss = f32x4.sub(f32x4.add(q0, f32x4.mul(by, smooth(far))), q1);
    const steep = f32x4.mul(smoothSlope(far), perSoft);
    const signed = v128.bitselect(by, f32x4.neg(by), f32x4.lt(q0, f4(0)));
    const nearer = f32x4.sub(q0, f32x4.div(miss, f32x4.add(f4(1), f32x4.mul(signed, steep))));
    q0 = v128.bitselect(nearer, q0, going);
    // Each goes on by its own miss, whatever its neighbours in the vector need.
    going = v128.and(going, f32x4.gt(f32x4.abs(miss), f4(MISSED)));
    if (!any(going)) break;
  }
  return q0;
}

/** Numbers have 24 bits: so much further a group is looked for, mm. */
const SLACK: f32 = 0.02;
const TURNS: f32 = 1.6;
/** Turns flakes towards a direction, given as twice its angle, by what an earlier shear has not turned. */
function turnFlakes(b: i32, given: v128, by: v128, t2: v128, u2: v128): void {
  const sx = v128.load(SHEAR_X + b);
  const sy = v128.load(SHEAR_Y + b);
  const lain = f32x4.sqrt(f32x4.add(f32x4.mul(sx, sx), f32x4.mul(sy, sy)));
  const turns = f32x4.mul(by, f32x4.sub(f4(1), lain));
  const mask = v128.and(given, f32x4.gt(turns, f4(0.01)));
  putIn(SHEAR_X + b, mask, f32x4.add(sx, f32x4.mul(turns, t2)));
  putIn(SHEAR_Y + b, mask, f32x4.add(sy, f32x4.mul(turns, u2)));
}

/** x, y, c, s, half, soft, drag, smear, reach, step, sway's height, waves per mm and begin, arc's m, sign, long, low, high; knots, sums. */
export function stroke(op: i32): void {
  const half = num(op, 4);
  const soft = num(op, 5);
  const drag = num(op, 6);
  const smear = num(op, 7);
  const reach = num(op, 8);
  const step = num(op, 9);
  const swayMm = num(op, 10);
  const swayK = num(op, 11);
  const swayFrom = num(op, 12);
  const arcM = num(op, 13);
  const arcSign = num(op, 14);
  const long = num(op, 15);
  const lowMm = num(op, 16);
  const highMm = num(op, 17);
  const knots = int(op, 18);
  const sums = int(op, 19);
  const c = num(op, 2);
  const s = num(op, 3);
  const middle = half - soft;
  // Whether the group comes into its long and narrow place, and a hair beyond it.
  const hx = (maxX - minX) / 2 + SLACK;
  const hy = (maxY - minY) / 2 + SLACK;
  const gx = (minX + maxX) / 2 + aside - num(op, 0);
  const gy = (minY + maxY) / 2 - num(op, 1);
  const aboutP = c * gy - s * gx;
  const wide = abs(s) * hx + abs(c) * hy;
  if (
    abs(c * gx + s * gy) >= long + abs(c) * hx + abs(s) * hy ||
    aboutP <= lowMm - wide ||
    aboutP >= highMm + wide
  )
    return;
  let moved = false;
  for (let b = 0; b < end; b += 16) {
    let mask = v128.load(LIVE + b);
    if (!any(mask)) continue;
    place(op, b);
    let q1 = along;
    let aside1 = across;
    mask = v128.and(mask, v128.and(between(q1, -long, long), between(aside1, lowMm, highMm)));
    if (!any(mask)) continue;
    let a1 = f4(1);
    let b1 = f4(0);
    let c1 = f4(0);
    let d1 = f4(1);
    if (arcM !== 0) {
      straighten(arcM, arcSign, q1, aside1);
      q1 = arcQ;
      aside1 = arcP;
      a1 = arcA;
      b1 = arcB;
      c1 = arcC;
      d1 = arcD;
      mask = v128.and(mask, between(q1, -half, half));
    }
    let w1 = f4(0);
    let p1 = aside1;
    if (swayMm !== 0) {
      turnBy(f32x4.add(f32x4.mul(f4(swayK), q1), f4(swayFrom)));
      p1 = f32x4.sub(p1, f32x4.mul(f4(swayMm), sine));
      w1 = f32x4.mul(f4(swayMm * swayK), cosine);
    }
    mask = v128.and(mask, between(p1, -reach, reach));
    if (!any(mask)) continue;
    const at = f32x4.pmin(f4(255.999), f32x4.pmax(f4(0), f32x4.mul(f32x4.add(p1, f4(reach)), f4(1 / step))));
    const knot = f32x4.floor(at);
    const share = f32x4.sub(at, knot);
    lookUp(knots, knot);
    const fk = low;
    const df = rise;
    const f = f32x4.add(fk, f32x4.mul(df, share));
    const by = f32x4.mul(f4(drag), f);
    const df1 = f32x4.mul(df, f4(drag / step));
    let q0 = f32x4.sub(q1, by);
    let p0 = p1;
    let g = f4(1);
    let qq = f4(1);
    let qp = f32x4.neg(df1);
    let pq = f4(0);
    let pp = f4(1);
    const ends = v128.and(mask, f32x4.gt(f32x4.abs(q0), f4(middle)));
    if (any(ends)) {
      lookUp(sums, knot);
      const sum = f32x4.mul(
        f4(drag),
        f32x4.add(
          low,
          f32x4.mul(f32x4.mul(f4(step), share), f32x4.add(fk, f32x4.mul(f4(0.5), f32x4.mul(df, share)))),
        ),
      );
      const q = before(q1, by, half, soft, ends);
      const far = f32x4.mul(f32x4.sub(f4(half), f32x4.abs(q)), f4(1 / soft));
      const window = smooth(far);
      const steep = f32x4.mul(smoothSlope(far), f4(1 / soft));
      const g1 = v128.bitselect(steep, f32x4.neg(steep), f32x4.lt(q, f4(0)));
      const whole = f32x4.add(f4(1), f32x4.mul(by, g1));
      const less = f32x4.div(f4(1), whole);
      const skew = f32x4.neg(f32x4.mul(f32x4.mul(df1, window), less));
      const bent = f32x4.mul(f32x4.mul(sum, smoothBend(far)), f4(1 / (soft * soft)));
      q0 = v128.bitselect(q, q0, ends);
      g = v128.bitselect(window, g, ends);
      p0 = v128.bitselect(f32x4.add(p1, f32x4.mul(sum, g1)), p0, ends);
      qq = v128.bitselect(less, qq, ends);
      qp = v128.bitselect(skew, qp, ends);
      pq = v128.bitselect(f32x4.mul(bent, less), pq, ends);
      pp = v128.bitselect(f32x4.add(whole, f32x4.mul(bent, skew)), pp, ends);
    }
    if (swayMm !== 0) {
      // Of the sway's undoing before, and the sway again after.
      turnBy(f32x4.add(f32x4.mul(f4(swayK), q0), f4(swayFrom)));
      const w0 = f32x4.mul(f4(swayMm * swayK), cosine);
      pq = f32x4.add(pq, f32x4.sub(f32x4.mul(w0, f32x4.sub(qq, f32x4.mul(qp, w1))), f32x4.mul(pp, w1)));
      qq = f32x4.sub(qq, f32x4.mul(qp, w1));
      pp = f32x4.add(pp, f32x4.mul(w0, qp));
      p0 = f32x4.add(p0, f32x4.mul(f4(swayMm), sine));
    }
    let tx = f4(c);
    let ty = f4(s);
    if (arcM !== 0) {
      // B(before)·L·B(after)⁻¹, B the bending's Jacobian, whose determinant is 1.
      const q2 = f32x4.sub(f32x4.mul(qq, d1), f32x4.mul(qp, c1));
      const p2 = f32x4.sub(f32x4.mul(pq, d1), f32x4.mul(pp, c1));
      const q3 = f32x4.sub(f32x4.mul(qp, a1), f32x4.mul(qq, b1));
      const p3 = f32x4.sub(f32x4.mul(pp, a1), f32x4.mul(pq, b1));
      bend(arcM, arcSign, q0, p0);
      qq = f32x4.add(f32x4.mul(arcA, q2), f32x4.mul(arcB, p2));
      pq = f32x4.add(f32x4.mul(arcC, q2), f32x4.mul(arcD, p2));
      qp = f32x4.add(f32x4.mul(arcA, q3), f32x4.mul(arcB, p3));
      pp = f32x4.add(f32x4.mul(arcC, q3), f32x4.mul(arcD, p3));
      const over = f32x4.div(f4(1), f32x4.sqrt(f32x4.add(f32x4.mul(arcA, arcA), f32x4.mul(arcC, arcC))));
      tx = f32x4.mul(f32x4.sub(f32x4.mul(f4(c), arcA), f32x4.mul(f4(s), arcC)), over);
      ty = f32x4.mul(f32x4.add(f32x4.mul(f4(s), arcA), f32x4.mul(f4(c), arcC)), over);
      q0 = arcQ;
      p0 = arcP;
    }
    putPlace(op, b, mask, q0, p0);
    drawOutPlace(op, b, mask, qq, qp, pq, pp, f32x4.mul(f4(smear), f32x4.mul(by, g)), tx, ty);
    const turns = f32x4.pmin(f4(1), f32x4.mul(f32x4.abs(f32x4.mul(df1, g)), f4(1 / TURNS)));
    const turned = v128.and(mask, f32x4.gt(turns, f4(0.01)));
    if (any(turned))
      turnFlakes(
        b,
        turned,
        turns,
        f32x4.sub(f32x4.mul(tx, tx), f32x4.mul(ty, ty)),
        f32x4.mul(f4(2), f32x4.mul(tx, ty)),
      );
    moved = true;
  }
  if (moved) bound();
}
