/** Sines, cosines, angles and the soft step, four at once. */

import { f4 } from "./memory";

/** Of the last angle asked for. */
export let sine: v128 = i32x4.splat(0);
export let cosine: v128 = i32x4.splat(0);

/** Of a number of quarters of a turn: sine and cosine of an eighth at most, put where its quarter belongs. */
function turned(quarter: v128, s: v128, c: v128): void {
  const turns = i32x4.trunc_sat_f32x4_s(quarter);
  const odd = i32x4.ne(v128.and(turns, i32x4.splat(1)), i32x4.splat(0));
  const flip = i32x4.shl(v128.and(turns, i32x4.splat(2)), 30);
  sine = v128.xor(v128.bitselect(c, s, odd), flip);
  cosine = v128.xor(v128.bitselect(f32x4.neg(s), c, odd), flip);
}
/** Taylor's series, as core/numerics/fast-turn; within 4·10⁻⁶. @param angle rad */
export function turnBy(angle: v128): void {
  const quarters = f32x4.mul(angle, f4(0.6366197723675814));
  const quarter = f32x4.nearest(quarters);
  const r = f32x4.mul(f32x4.sub(quarters, quarter), f4(1.5707963267948966));
  const r2 = f32x4.mul(r, r);
  let s = f32x4.add(f4(8.333333333333333e-3), f32x4.mul(r2, f4(-1.9841269841269841e-4)));
  s = f32x4.add(f4(-0.16666666666666666), f32x4.mul(r2, s));
  s = f32x4.add(r, f32x4.mul(f32x4.mul(r, r2), s));
  let c = f32x4.add(f4(4.1666666666666664e-2), f32x4.mul(r2, f4(-1.388888888888889e-3)));
  c = f32x4.add(f4(-0.5), f32x4.mul(r2, c));
  c = f32x4.add(f4(1), f32x4.mul(r2, c));
  turned(quarter, s, c);
}
/** For what is moved by some millimetres: the best three terms on an eighth of a turn, sine within 6e-07, cosine within 1e-05. */
export function turnByQuarters(quarters: v128): void {
  const quarter = f32x4.nearest(quarters);
  const r = f32x4.mul(f32x4.sub(quarters, quarter), f4(1.5707963267948966));
  const r2 = f32x4.mul(r, r);
  const s = f32x4.add(f4(-0.166601631), f32x4.mul(r2, f4(0.0081215751)));
  const c = f32x4.add(f4(-0.499708246), f32x4.mul(r2, f4(0.0403987501)));
  turned(
    quarter,
    f32x4.mul(r, f32x4.add(f4(0.999994999), f32x4.mul(r2, s))),
    f32x4.add(f4(0.999990041), f32x4.mul(r2, c)),
  );
}

/** Angle of a place, rad, as Math.atan2; 0 at 0, 0. The series is that of Cephes' atanf. */
export function angleOf(y: v128, x: v128): v128 {
  const ax = f32x4.abs(x);
  const ay = f32x4.abs(y);
  const steep = f32x4.gt(ay, ax);
  const more = v128.bitselect(ay, ax, steep);
  const less = v128.bitselect(ax, ay, steep);
  const t = f32x4.div(less, f32x4.pmax(more, f4(1e-30)));
  const wide = f32x4.gt(t, f4(0.4142135623730951));
  const u = v128.bitselect(f32x4.div(f32x4.sub(t, f4(1)), f32x4.add(t, f4(1))), t, wide);
  const z = f32x4.mul(u, u);
  let p = f32x4.add(f4(-0.138776856032), f32x4.mul(z, f4(8.05374449538e-2)));
  p = f32x4.add(f4(0.199777106478), f32x4.mul(z, p));
  p = f32x4.add(f4(-0.333329491539), f32x4.mul(z, p));
  let angle = f32x4.add(u, f32x4.mul(f32x4.mul(u, z), p));
  angle = f32x4.add(angle, v128.and(wide, f4(0.7853981633974483)));
  angle = v128.bitselect(f32x4.sub(f4(1.5707963267948966), angle), angle, steep);
  angle = v128.bitselect(f32x4.sub(f4(3.141592653589793), angle), angle, f32x4.lt(x, f4(0)));
  return v128.bitselect(f32x4.neg(angle), angle, f32x4.lt(y, f4(0)));
}

function clamped(t: v128): v128 {
  return f32x4.pmin(f4(1), f32x4.pmax(f4(0), t));
}
/** `smooth` of an operation, its slope and its bend: flat beyond 0 and 1. */
export function smooth(given: v128): v128 {
  const t = clamped(given);
  const inner = f32x4.add(f4(10), f32x4.mul(t, f32x4.sub(f32x4.mul(f4(6), t), f4(15))));
  return f32x4.mul(f32x4.mul(f32x4.mul(t, t), t), inner);
}
export function smoothSlope(given: v128): v128 {
  const t = clamped(given);
  const rest = f32x4.sub(f4(1), t);
  return f32x4.mul(f32x4.mul(f4(30), f32x4.mul(t, t)), f32x4.mul(rest, rest));
}
export function smoothBend(given: v128): v128 {
  const t = clamped(given);
  const rest = f32x4.sub(f4(1), t);
  return f32x4.mul(f32x4.mul(f32x4.mul(f4(60), t), rest), f32x4.sub(f4(1), f32x4.add(t, t)));
}

/** A height and its slope off a table of even steps between which it is straight: how high, and how much more at the next step. */
export let low: v128 = i32x4.splat(0);
export let rise: v128 = i32x4.splat(0);
/** @param step whole numbers, each within the table */
export function lookUp(table: i32, step: v128): void {
  const at = i32x4.shl(i32x4.trunc_sat_f32x4_s(step), 2);
  const a = table + i32x4.extract_lane(at, 0);
  const b = table + i32x4.extract_lane(at, 1);
  const c = table + i32x4.extract_lane(at, 2);
  const d = table + i32x4.extract_lane(at, 3);
  low = f32x4(load<f32>(a), load<f32>(b), load<f32>(c), load<f32>(d));
  const next = f32x4(load<f32>(a, 4), load<f32>(b, 4), load<f32>(c, 4), load<f32>(d, 4));
  rise = f32x4.sub(next, low);
}

/** Steps of a table of `Tabled`. */
const KNOTS: f32 = 1024;
/** Of the last place of a `Tabled` that was asked for: its height and its slope. */
export let height: v128 = i32x4.splat(0);
export let slope: v128 = i32x4.splat(0);
/** @param from,perMm where the table begins and its steps to a millimetre; @param around goes on from the end as from the beginning */
export function tabledAt(table: i32, p: v128, from: f32, perMm: f32, around: bool): void {
  let at = f32x4.mul(f32x4.sub(p, f4(from)), f4(perMm));
  if (around) at = f32x4.sub(at, f32x4.mul(f4(KNOTS), f32x4.floor(f32x4.mul(at, f4(1 / KNOTS)))));
  at = f32x4.pmin(f4(KNOTS - 0.001), f32x4.pmax(f4(0), at));
  const step = f32x4.floor(at);
  lookUp(table, step);
  height = f32x4.add(low, f32x4.mul(rise, f32x4.sub(at, step)));
  slope = f32x4.mul(rise, f4(perMm));
}
