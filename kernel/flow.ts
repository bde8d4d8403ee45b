/** A film that flows by itself, is laid by a blade, runs or is blown; each is defined by its namesake in src/core/pattern/ops. */

import { int, num } from "./data";
import {
  any,
  AXX,
  AXY,
  AYX,
  AYY,
  BEST,
  bound,
  drawOut,
  drawOutRadially,
  end,
  f4,
  HALF,
  LIVE,
  putIn,
  putX,
  xAt,
  Y,
} from "./memory";
import { across, along, between, drawOutPlace, place, putPlace } from "./place";
import { angleOf, cosine, height, sine, slope, smooth, smoothSlope, tabledAt, turnByQuarters } from "./turn";

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
