/** Operations that move what lies there. Each is defined by its namesake in src/core/pattern/ops. */

import { int, num } from "./data";
import {
  any,
  AXX,
  AXY,
  AYX,
  AYY,
  BEST,
  HALF,
  bound,
  DEEP,
  drawOut,
  drawOutRadially,
  edgeCover,
  end,
  f4,
  LIVE,
  looks,
  maxX,
  maxY,
  meet,
  minX,
  minY,
  open,
  putIn,
  putX,
  SHEAR_X,
  SHEAR_Y,
  within,
  xAt,
  Y,
  aside,
  BESIDE,
} from "./memory";
import {
  angleOf,
  cosine,
  height,
  lookUp,
  low,
  rise,
  sine,
  slope,
  smooth,
  smoothBend,
  smoothSlope,
  tabledAt,
  turnBy,
  turnByQuarters,
} from "./turn";

/** Places along and across an operation's direction. */
let along: v128 = i32x4.splat(0);
let across: v128 = i32x4.splat(0);
function place(op: i32, b: i32): void {
  const dx = f32x4.sub(xAt(b), f4(num(op, 0)));
  const dy = f32x4.sub(v128.load(Y + b), f4(num(op, 1)));
  const c = f4(num(op, 2));
  const s = f4(num(op, 3));
  along = f32x4.add(f32x4.mul(c, dx), f32x4.mul(s, dy));
  across = f32x4.sub(f32x4.mul(c, dy), f32x4.mul(s, dx));
}
/** Puts samples where they lay along and across it. */
function putPlace(op: i32, b: i32, mask: v128, q: v128, p: v128): void {
  const c = f4(num(op, 2));
  const s = f4(num(op, 3));
  putX(b, mask, f32x4.add(f4(num(op, 0)), f32x4.sub(f32x4.mul(c, q), f32x4.mul(s, p))));
  putIn(Y + b, mask, f32x4.add(f4(num(op, 1)), f32x4.add(f32x4.mul(s, q), f32x4.mul(c, p))));
}
/** Draws out by a Jacobian that is given along and across it. */
function drawOutPlace(
  op: i32,
  b: i32,
  mask: v128,
  qq: v128,
  qp: v128,
  pq: v128,
  pp: v128,
  smear: v128,
  tx: v128,
  ty: v128,
): void {
  const c = f4(num(op, 2));
  const s = f4(num(op, 3));
  const xq = f32x4.sub(f32x4.mul(c, qq), f32x4.mul(s, pq));
  const xp = f32x4.sub(f32x4.mul(c, qp), f32x4.mul(s, pp));
  const yq = f32x4.add(f32x4.mul(s, qq), f32x4.mul(c, pq));
  const yp = f32x4.add(f32x4.mul(s, qp), f32x4.mul(c, pp));
  drawOut(
    b,
    mask,
    f32x4.sub(f32x4.mul(c, xq), f32x4.mul(s, xp)),
    f32x4.add(f32x4.mul(s, xq), f32x4.mul(c, xp)),
    f32x4.sub(f32x4.mul(c, yq), f32x4.mul(s, yp)),
    f32x4.add(f32x4.mul(s, yq), f32x4.mul(c, yp)),
    smear,
    tx,
    ty,
  );
}
function between(v: v128, least: f32, most: f32): v128 {
  return v128.and(f32x4.gt(v, f4(least)), f32x4.lt(v, f4(most)));
}

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

const QUARTER: f32 = 1.5707963267948966;
/** How many shears; of each, the last first: direction, height, quarters of a turn to a millimetre, and with what it begins. */
export function wobble(op: i32): void {
  const many = i32(num(op, 0));
  const none = f4(0);
  const one = f4(1);
  for (let b = 0; b < end; b += 16) {
    v128.store(BEST + b, xAt(b));
    v128.store(HALF + b, v128.load(Y + b));
    v128.store(AXX + b, one);
    v128.store(AXY + b, none);
    v128.store(AYX + b, none);
    v128.store(AYY + b, one);
  }
  // Shear by shear over all of the group: what each four wait for is then done for the next.
  for (let row = 0; row < many; row += 1) {
    const from = 1 + 5 * row;
    const dx = f4(num(op, from));
    const dy = f4(num(op, from + 1));
    const high = f4(num(op, from + 2));
    const k = f4(num(op, from + 3));
    const phase = f4(num(op, from + 4));
    const steepest = f4(num(op, from + 2) * num(op, from + 3) * QUARTER);
    for (let b = 0; b < end; b += 16) {
      const x = v128.load(BEST + b);
      const y = v128.load(HALF + b);
      turnByQuarters(f32x4.add(f32x4.mul(k, f32x4.sub(f32x4.mul(dx, y), f32x4.mul(dy, x))), phase));
      const by = f32x4.mul(high, sine);
      const steep = f32x4.mul(steepest, cosine);
      v128.store(BEST + b, f32x4.sub(x, f32x4.mul(dx, by)));
      v128.store(HALF + b, f32x4.sub(y, f32x4.mul(dy, by)));
      const axx = v128.load(AXX + b);
      const axy = v128.load(AXY + b);
      const ayx = v128.load(AYX + b);
      const ayy = v128.load(AYY + b);
      const mx = f32x4.mul(steep, f32x4.sub(f32x4.mul(dx, ayx), f32x4.mul(dy, axx)));
      const my = f32x4.mul(steep, f32x4.sub(f32x4.mul(dx, ayy), f32x4.mul(dy, axy)));
      v128.store(AXX + b, f32x4.sub(axx, f32x4.mul(dx, mx)));
      v128.store(AYX + b, f32x4.sub(ayx, f32x4.mul(dy, mx)));
      v128.store(AXY + b, f32x4.sub(axy, f32x4.mul(dx, my)));
      v128.store(AYY + b, f32x4.sub(ayy, f32x4.mul(dy, my)));
    }
  }
  for (let b = 0; b < end; b += 16) {
    const mask = v128.load(LIVE + b);
    if (!any(mask)) continue;
    putX(b, mask, v128.load(BEST + b));
    putIn(Y + b, mask, v128.load(HALF + b));
    drawOut(
      b,
      mask,
      v128.load(AXX + b),
      v128.load(AXY + b),
      v128.load(AYX + b),
      v128.load(AYY + b),
      none,
      none,
      none,
    );
  }
  bound();
}

/** x, y, c, s, a, b, pushes, reach², edge, hides, far², whether it has an end; colour, outline. */
export function drop(op: i32): void {
  const a = num(op, 4);
  const bMm = num(op, 5);
  const pushes = num(op, 6);
  const reach2 = num(op, 7);
  const edge = num(op, 8);
  const hides = num(op, 9);
  const far2 = num(op, 10);
  const ends = num(op, 11) !== 0;
  const colour = int(op, 12);
  const outline = int(op, 13);
  const c = f4(num(op, 2));
  const s = f4(num(op, 3));
  const mean: f32 = sqrt(a * bMm);
  const none = f4(0);
  let moved = false;
  for (let b = 0; b < end; b += 16) {
    let mask = v128.load(LIVE + b);
    if (!any(mask)) continue;
    const dx = f32x4.sub(xAt(b), f4(num(op, 0)));
    const dy = f32x4.sub(v128.load(Y + b), f4(num(op, 1)));
    const length2 = f32x4.add(f32x4.mul(dx, dx), f32x4.mul(dy, dy));
    if (ends) mask = v128.and(mask, f32x4.lt(length2, f4(far2)));
    if (!any(mask)) continue;
    const u = f32x4.mul(f32x4.add(f32x4.mul(c, dx), f32x4.mul(s, dy)), f4(1 / a));
    const v = f32x4.mul(f32x4.sub(f32x4.mul(c, dy), f32x4.mul(s, dx)), f4(1 / bMm));
    const rho2 = f32x4.add(f32x4.mul(u, u), f32x4.mul(v, v));
    if (ends) mask = v128.and(mask, f32x4.lt(rho2, f4(reach2)));
    if (!any(mask)) continue;
    const rho = f32x4.sqrt(rho2);
    // Half a turn off, so that all steps are of one sign; the table goes once around.
    const at = f32x4.add(f32x4.mul(angleOf(v, u), f4(512 / 6.283185307179586)), f4(512));
    const step = f32x4.floor(at);
    const around = f32x4.sub(step, v128.and(f4(512), f32x4.ge(step, f4(512))));
    lookUp(outline, around);
    const star = f32x4.add(low, f32x4.mul(rise, f32x4.sub(at, step)));
    const length = f32x4.sqrt(length2);
    const over = v128.bitselect(f32x4.div(f4(1), length), f4(1), f32x4.gt(length2, none));
    const inside = f32x4.mul(f32x4.sub(f32x4.sqrt(f32x4.pmax(star, none)), rho), f4(mean));
    const covered = edgeCover(b, mask, inside, f32x4.mul(dx, over), f32x4.mul(dy, over), edge, f4(Infinity));
    meet(b, mask, colour, f32x4.mul(f4(hides), covered));
    const pushed = f32x4.mul(f4(pushes), star);
    // Nothing of before lies at its middle.
    mask = v128.and(mask, v128.and(f32x4.gt(rho2, pushed), f32x4.gt(rho, none)));
    if (!any(mask)) continue;
    const scale = ends ? f32x4.div(f4(reach2), f32x4.sub(f4(reach2), pushed)) : f4(1);
    const rho0 = f32x4.sqrt(f32x4.pmax(none, f32x4.mul(f32x4.sub(rho2, pushed), scale)));
    const perRho = f32x4.div(f4(1), rho);
    const ratio = f32x4.mul(rho0, perRho);
    const ur = f32x4.mul(u, perRho);
    const vr = f32x4.mul(v, perRho);
    const both = f32x4.sub(f32x4.div(f32x4.mul(scale, rho), f32x4.pmax(rho0, f4(1e-9))), ratio);
    const mixed = f32x4.mul(f32x4.mul(both, ur), vr);
    const qq = f32x4.add(ratio, f32x4.mul(f32x4.mul(both, ur), ur));
    const pp = f32x4.add(ratio, f32x4.mul(f32x4.mul(both, vr), vr));
    const qp = f32x4.mul(mixed, f4(a / bMm));
    const pq = f32x4.mul(mixed, f4(bMm / a));
    putPlace(op, b, mask, f32x4.mul(f32x4.mul(u, ratio), f4(a)), f32x4.mul(f32x4.mul(v, ratio), f4(bMm)));
    drawOutPlace(op, b, mask, qq, qp, pq, pp, none, none, none);
    moved = true;
  }
  if (moved) bound();
}

/** x, y, c, s, half, half width, rise, fall, drag, table's begin and steps per mm; table. */
export function lay(op: i32): void {
  const half = num(op, 4);
  const wide = num(op, 5);
  const perRise: f32 = 1 / num(op, 6);
  const perFall: f32 = 1 / num(op, 7);
  const drag = num(op, 8);
  const table = int(op, 11);
  const none = f4(0);
  let moved = false;
  for (let b = 0; b < end; b += 16) {
    let mask = v128.load(LIVE + b);
    if (!any(mask)) continue;
    place(op, b);
    const q = along;
    const p = across;
    mask = v128.and(mask, v128.and(between(q, -half, half), between(p, -wide, wide)));
    if (!any(mask)) continue;
    tabledAt(table, p, num(op, 9), num(op, 10), false);
    const up = f32x4.mul(f32x4.add(q, f4(half)), f4(perRise));
    const down = f32x4.mul(f32x4.sub(f4(half), q), f4(perFall));
    const risen = smooth(up);
    const left = smooth(down);
    const w = f32x4.mul(f4(drag), height);
    const both = f32x4.mul(risen, left);
    const by = f32x4.mul(w, both);
    const steep = f32x4.sub(
      f32x4.mul(f32x4.mul(smoothSlope(up), left), f4(perRise)),
      f32x4.mul(f32x4.mul(risen, smoothSlope(down)), f4(perFall)),
    );
    putPlace(op, b, mask, f32x4.sub(q, by), p);
    drawOutPlace(
      op,
      b,
      mask,
      f32x4.sub(f4(1), f32x4.mul(w, steep)),
      f32x4.neg(f32x4.mul(f32x4.mul(f4(drag), slope), both)),
      none,
      f4(1),
      f32x4.mul(f4(0.1), by),
      f4(num(op, 2)),
      f4(num(op, 3)),
    );
    moved = true;
  }
  if (moved) bound();
}

/** x, y, c, s, half width, most, held, table's begin, steps per mm, whether it goes around; table. */
export function tilt(op: i32): void {
  const wide = num(op, 4);
  const most = num(op, 5);
  const held = num(op, 6);
  const table = int(op, 10);
  const none = f4(0);
  let moved = false;
  for (let b = 0; b < end; b += 16) {
    let mask = v128.load(LIVE + b);
    if (!any(mask)) continue;
    place(op, b);
    const q = along;
    const p = across;
    mask = v128.and(mask, v128.and(f32x4.gt(q, none), between(p, -wide, wide)));
    if (!any(mask)) continue;
    tabledAt(table, p, num(op, 7), num(op, 8), num(op, 9) !== 0);
    const runs = f32x4.mul(f4(most), height);
    const at = f32x4.mul(q, f4(1 / held));
    const freed = smooth(at);
    const by = f32x4.sub(f4(1), f32x4.mul(runs, freed));
    putPlace(op, b, mask, f32x4.mul(q, by), p);
    drawOutPlace(
      op,
      b,
      mask,
      f32x4.sub(by, f32x4.mul(f32x4.mul(f32x4.mul(q, runs), smoothSlope(at)), f4(1 / held))),
      f32x4.neg(f32x4.mul(f32x4.mul(q, f4(most)), f32x4.mul(slope, freed))),
      none,
      f4(1),
      none,
      none,
      none,
    );
    moved = true;
  }
  if (moved) bound();
}

/** x, y, angle, table's begin and steps per rad, kept, outer, far²; table. */
export function air(op: i32): void {
  const kept = num(op, 5);
  const outer2: f32 = num(op, 6) * num(op, 6);
  const table = int(op, 8);
  let moved = false;
  for (let b = 0; b < end; b += 16) {
    let mask = v128.load(LIVE + b);
    if (!any(mask)) continue;
    const dx = f32x4.sub(xAt(b), f4(num(op, 0)));
    const dy = f32x4.sub(v128.load(Y + b), f4(num(op, 1)));
    const r2 = f32x4.add(f32x4.mul(dx, dx), f32x4.mul(dy, dy));
    mask = v128.and(mask, v128.and(f32x4.gt(r2, f4(1e-12)), f32x4.le(r2, f4(num(op, 7)))));
    if (!any(mask)) continue;
    const r = f32x4.sqrt(r2);
    tabledAt(table, f32x4.sub(angleOf(dy, dx), f4(num(op, 2))), num(op, 3), num(op, 4), true);
    const a2 = f32x4.mul(height, height);
    const b2 = f32x4.mul(f4(outer2), a2);
    mask = v128.and(mask, v128.and(f32x4.lt(r2, b2), f32x4.ge(height, f4(1))));
    if (!any(mask)) continue;
    const within = f32x4.lt(r, height);
    const inner = f32x4.mul(f4(kept), a2);
    const scale = f32x4.div(f32x4.sub(b2, inner), f32x4.sub(b2, a2));
    const beyond = f32x4.sqrt(f32x4.pmax(f4(0), f32x4.add(inner, f32x4.mul(f32x4.sub(r2, a2), scale))));
    const near: f32 = sqrt(kept);
    const r0 = v128.bitselect(f32x4.mul(f4(near), r), beyond, within);
    const steep = v128.bitselect(
      f4(near),
      f32x4.div(f32x4.mul(scale, r), f32x4.pmax(f4(1e-9), beyond)),
      within,
    );
    const ux = f32x4.div(dx, r);
    const uy = f32x4.div(dy, r);
    putX(b, mask, f32x4.add(f4(num(op, 0)), f32x4.mul(ux, r0)));
    putIn(Y + b, mask, f32x4.add(f4(num(op, 1)), f32x4.mul(uy, r0)));
    drawOutRadially(b, mask, ux, uy, f32x4.pmin(f4(4), steep), f32x4.div(r0, r));
    moved = true;
  }
  if (moved) bound();
}

const SIDE: i32 = 64;
/** Noise between random heights on a grid, one place of it. */
export function noiseAt(heights: i32, u: f32, v: f32): f32 {
  const i = i32(floor(u));
  const j = i32(floor(v));
  const a = u - floor(u);
  const b = v - floor(v);
  const s = a * a * (3 - 2 * a);
  const t = b * b * (3 - 2 * b);
  const west = i & (SIDE - 1);
  const east = (i + 1) & (SIDE - 1);
  const north = heights + (((j & (SIDE - 1)) * SIDE) << 2);
  const south = heights + ((((j + 1) & (SIDE - 1)) * SIDE) << 2);
  const nw = load<f32>(north + (west << 2));
  const sw = load<f32>(south + (west << 2));
  const top = nw + s * (load<f32>(north + (east << 2)) - nw);
  const down = sw + s * (load<f32>(south + (east << 2)) - sw);
  return top + t * (down - top);
}

/** x, y, c, s, half, open, reach, edge, the noise's scale; heights. */
export function slit(op: i32): void {
  const half = num(op, 4);
  const openMm = num(op, 5);
  const reach = num(op, 6);
  const edge = num(op, 7);
  const perMm = num(op, 8);
  const heights = int(op, 9);
  const c = f4(num(op, 2));
  const s = f4(num(op, 3));
  const one = f4(1);
  const none = f4(0);
  let moved = false;
  for (let b = 0; b < end; b += 16) {
    let mask = v128.load(LIVE + b);
    if (!any(mask)) continue;
    place(op, b);
    const q = along;
    mask = v128.and(
      mask,
      v128.and(
        between(q, -half, half),
        v128.and(f32x4.le(across, f4(reach + 4)), f32x4.ge(across, f4(-reach - 4))),
      ),
    );
    if (!any(mask)) continue;
    let off = none;
    let jag = none;
    for (let lane = 0; lane < 4; lane += 1) {
      v128.store(256, q);
      const at = load<f32>(256 + 4 * lane) * perMm;
      store<f32>(272 + 4 * lane, 4 * noiseAt(heights, at, 0.5 * perMm));
      store<f32>(288 + 4 * lane, noiseAt(heights, at, 9.5 * perMm));
    }
    off = v128.load(272);
    jag = v128.load(288);
    const p = f32x4.sub(across, off);
    const share = f32x4.mul(q, f4(1 / half));
    const e = f32x4.mul(
      f32x4.mul(f4(openMm), f32x4.pmax(none, f32x4.sub(one, f32x4.mul(share, share)))),
      f32x4.add(f4(0.75), f32x4.mul(f4(0.25), jag)),
    );
    const far = f32x4.abs(p);
    mask = v128.and(mask, v128.and(f32x4.lt(far, f4(reach)), f32x4.gt(e, none)));
    if (!any(mask)) continue;
    if (looks > 0) putIn(BESIDE + b, mask, i32x4.splat(1));
    open(b, mask, within(b, f32x4.sub(e, far), f32x4.neg(s), c, edge, f32x4.mul(f4(2), e)));
    mask = v128.and(mask, f32x4.gt(far, e));
    if (!any(mask)) continue;
    const scale = f32x4.div(f4(reach), f32x4.sub(f4(reach), e));
    const gone = f32x4.mul(f32x4.sub(far, e), scale);
    const p0 = f32x4.add(v128.bitselect(f32x4.neg(gone), gone, f32x4.lt(p, none)), off);
    putPlace(op, b, mask, q, p0);
    drawOutPlace(op, b, mask, one, none, none, scale, none, none, none);
    moved = true;
  }
  if (moved) bound();
}

/** Edge, x and y of the grid, squares to a mm, across, down; starts, things, x, y, a, b of the cells. */
export function craters(op: i32): void {
  const edge = num(op, 0);
  const fromX = num(op, 1);
  const fromY = num(op, 2);
  const perMm = num(op, 3);
  const wide = num(op, 4);
  const high = num(op, 5);
  const starts = int(op, 6);
  const things = int(op, 7);
  const cellX = int(op, 8);
  const cellY = int(op, 9);
  const holes = int(op, 10);
  const outer = int(op, 11);
  const none = f4(0);
  const one = f4(1);
  for (let b = 0; b < end; b += 16) {
    const live = v128.load(LIVE + b);
    if (!any(live)) continue;
    const x = xAt(b);
    const y = v128.load(Y + b);
    const column = f32x4.mul(f32x4.sub(x, f4(fromX)), f4(perMm));
    const row = f32x4.mul(f32x4.sub(y, f4(fromY)), f4(perMm));
    let mask = v128.and(
      live,
      v128.and(
        v128.and(f32x4.ge(column, none), f32x4.lt(column, f4(wide))),
        v128.and(f32x4.ge(row, none), f32x4.lt(row, f4(high))),
      ),
    );
    if (!any(mask)) continue;
    // 256: x, y, column, row; then the found cell's x, y, a and b, and whether there is one.
    v128.store(256, x);
    v128.store(272, y);
    v128.store(288, column);
    v128.store(304, row);
    v128.store(400, none);
    const bits = i32x4.bitmask(mask);
    for (let lane = 0; lane < 4; lane += 1) {
      if (((bits >> lane) & 1) === 0) continue;
      const i = 4 * lane;
      const square = (i32(load<f32>(304 + i)) * i32(wide) + i32(load<f32>(288 + i))) << 2;
      const first = load<i32>(starts + square);
      const after = load<i32>(starts + square, 4);
      if (first === after) continue;
      if (looks > 0 && load<i32>(BESIDE + b + i) === 0) store<i32>(BESIDE + b + i, 1);
      const px = load<f32>(256 + i);
      const py = load<f32>(272 + i);
      let best: f32 = 1;
      let found = -1;
      for (let k = first; k < after; k += 1) {
        const n = load<i32>(things + (k << 2)) << 2;
        const dx = px - load<f32>(cellX + n);
        const dy = py - load<f32>(cellY + n);
        const out = load<f32>(outer + n);
        const share = (dx * dx + dy * dy) / (out * out);
        if (share < best) {
          best = share;
          found = n;
        }
      }
      if (found < 0) continue;
      store<f32>(320 + i, load<f32>(cellX + found));
      store<f32>(336 + i, load<f32>(cellY + found));
      store<f32>(352 + i, load<f32>(holes + found));
      store<f32>(368 + i, load<f32>(outer + found));
      store<i32>(400 + i, -1);
    }
    mask = v128.load(400);
    if (!any(mask)) continue;
    const middleX = v128.load(320);
    const middleY = v128.load(336);
    const a = v128.load(352);
    const out = v128.load(368);
    const dx = f32x4.sub(x, middleX);
    const dy = f32x4.sub(y, middleY);
    const r2 = f32x4.add(f32x4.mul(dx, dx), f32x4.mul(dy, dy));
    const r = f32x4.sqrt(r2);
    const off = f32x4.gt(r, none);
    const ux = v128.bitselect(f32x4.div(dx, r), one, off);
    const uy = v128.bitselect(f32x4.div(dy, r), none, off);
    const over = within(b, f32x4.sub(a, r), ux, uy, edge, f32x4.add(a, a));
    const opened = v128.and(mask, f32x4.gt(over, none));
    if (any(opened)) {
      open(b, opened, f32x4.mul(over, over));
      mask = v128.andnot(mask, v128.and(opened, f32x4.le(r, a)));
      if (!any(mask)) continue;
    }
    const a2 = f32x4.mul(a, a);
    const scale = f32x4.div(one, f32x4.sub(one, f32x4.div(a2, f32x4.mul(out, out))));
    const r0 = f32x4.sqrt(f32x4.pmax(none, f32x4.mul(f32x4.sub(r2, a2), scale)));
    putX(b, mask, f32x4.add(middleX, f32x4.mul(ux, r0)));
    putIn(Y + b, mask, f32x4.add(middleY, f32x4.mul(uy, r0)));
    drawOutRadially(
      b,
      mask,
      ux,
      uy,
      f32x4.pmin(f4(4), f32x4.div(f32x4.mul(scale, r), f32x4.pmax(r0, f4(1e-9)))),
      f32x4.div(r0, r),
    );
  }
  bound();
}

/** Holes of samples that are live: what shows in them is what is met next. */
export function closeHoles(b: i32, mask: v128): void {
  putIn(DEEP + b, mask, f4(0));
}
