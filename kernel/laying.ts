/** Operations that lay colour; each is defined by its namesake in src/core/pattern/ops. */

import { int, num } from "./data";
import { AFTER, FIRST, squares } from "./grid";
import { any, BUSY, DEEP, edgeCover, end, f4, LIVE, meet, NEAR, putIn, xAt, Y } from "./memory";
import { noise4 } from "./noise";
import { height, tabledAt } from "./turn";

/** How much it hides; colour. */
export function cover(op: i32): void {
  const hides = f4(num(op, 0));
  const colour = int(op, 1);
  for (let b = 0; b < end; b += 16) {
    const mask = v128.load(LIVE + b);
    if (!any(mask)) continue;
    putIn(DEEP + b, mask, f4(0));
    meet(b, mask, colour, hides);
  }
}

/** x, y, c, s, wander, width, edge, hides, how far from its middle nothing of it is met, whether endless, table's begin, steps per mm, whether around; colour, tables of its two sides. */
export function field(op: i32): void {
  const wander = num(op, 4);
  const wide = num(op, 5);
  const edge = num(op, 6);
  const hides = f4(num(op, 7));
  const clear = num(op, 8);
  const endless = num(op, 9) !== 0;
  const from = num(op, 10);
  const perMm = num(op, 11);
  const around = num(op, 12) !== 0;
  const colour = int(op, 13);
  const c = f4(num(op, 2));
  const s = f4(num(op, 3));
  for (let b = 0; b < end; b += 16) {
    let mask = v128.load(LIVE + b);
    if (!any(mask)) continue;
    const dx = f32x4.sub(xAt(b), f4(num(op, 0)));
    const dy = f32x4.sub(v128.load(Y + b), f4(num(op, 1)));
    const into = f32x4.add(f32x4.mul(c, dx), f32x4.mul(s, dy));
    mask = v128.and(mask, f32x4.ge(into, f4(-clear)));
    if (!any(mask)) continue;
    let near = mask;
    if (endless) near = v128.and(near, f32x4.le(into, f4(clear)));
    let share = hides;
    if (any(near)) {
      const p = f32x4.sub(f32x4.mul(c, dy), f32x4.mul(s, dx));
      tabledAt(int(op, 14), p, from, perMm, around);
      const q = f32x4.sub(into, f32x4.mul(f4(wander), height));
      let inside = q;
      if (!endless) {
        tabledAt(int(op, 15), p, from, perMm, around);
        const far = f32x4.mul(f4(wide), f32x4.add(f4(1), f32x4.mul(f4(0.4), height)));
        inside = f32x4.pmin(q, f32x4.sub(far, q));
      }
      const covered = f32x4.mul(hides, edgeCover(b, near, inside, c, s, edge, f4(Infinity)));
      share = v128.bitselect(covered, hides, near);
    }
    meet(b, mask, colour, share);
  }
}

/** Octaves one after the other, four words each: squares to a mm, its part, once around or 0, heights. */
function cloud(op: i32, at: i32, octaves: i32, x: v128, y: v128): v128 {
  let sum = f4(0);
  for (let n = 0; n < octaves; n += 1) {
    const from = at + 4 * n;
    const scale = f4(num(op, from));
    const around = num(op, from + 2);
    let wrapped = x;
    if (around > 0) wrapped = f32x4.sub(x, f32x4.mul(f4(around), f32x4.floor(f32x4.mul(x, f4(1 / around)))));
    sum = f32x4.add(
      sum,
      f32x4.mul(
        f4(num(op, from + 1)),
        noise4(int(op, from + 3), f32x4.mul(wrapped, scale), f32x4.mul(y, scale)),
      ),
    );
  }
  return sum;
}

/** Cover, how softly it ends, its speckle in that, the most that it covers; colour, octaves of the cloud and of the speckle; the octaves. */
export function fog(op: i32): void {
  const share = num(op, 0);
  const soft = num(op, 1);
  const speckle = num(op, 2);
  const mostly = num(op, 3);
  const colour = int(op, 4);
  const clouds = int(op, 5);
  const speckles = int(op, 6);
  for (let b = 0; b < end; b += 16) {
    let mask = v128.load(LIVE + b);
    if (!any(mask)) continue;
    const x = xAt(b);
    const y = v128.load(Y + b);
    const even = f32x4.add(
      f32x4.mul(f32x4.add(f4(share - 0.5), f32x4.mul(f4(0.62), cloud(op, 7, clouds, x, y))), f4(1 / soft)),
      f4(0.5),
    );
    mask = v128.and(mask, f32x4.gt(even, f4(-speckle)));
    if (!any(mask)) continue;
    const thick = f32x4.ge(even, f4(mostly + speckle));
    let covered = f4(mostly);
    if (any(v128.andnot(mask, thick))) {
      const grain = cloud(op, 7 + 4 * clouds, speckles, x, y);
      const grained = f32x4.add(even, f32x4.mul(f4(speckle), grain));
      covered = f32x4.pmin(covered, v128.bitselect(covered, grained, thick));
    }
    putIn(BUSY + b, mask, i32x4.splat(NEAR));
    meet(b, mask, colour, covered);
  }
}

/** Edge, hides, the grid (six words); colour, things, x, y and radius of each. */
export function flecks(op: i32): void {
  const edge = num(op, 0);
  const hides = f4(num(op, 1));
  const colour = int(op, 8);
  const things = int(op, 9);
  const fleckX = int(op, 10);
  const fleckY = int(op, 11);
  const radii = int(op, 12);
  const none = f4(0);
  const one = f4(1);
  for (let b = 0; b < end; b += 16) {
    const live = v128.load(LIVE + b);
    if (!any(live) || !squares(op, 2, b, live)) continue;
    const x = xAt(b);
    const y = v128.load(Y + b);
    let covered = none;
    for (let k = 0; ; k += 1) {
      v128.store(400, none);
      for (let lane = 0; lane < 4; lane += 1) {
        const i = 4 * lane;
        const at = load<i32>(FIRST + i) + k;
        if (at >= load<i32>(AFTER + i)) continue;
        const n = load<i32>(things + (at << 2)) << 2;
        store<f32>(320 + i, load<f32>(fleckX + n));
        store<f32>(336 + i, load<f32>(fleckY + n));
        store<f32>(352 + i, load<f32>(radii + n));
        store<i32>(400 + i, -1);
      }
      const mask = v128.load(400);
      if (!any(mask)) break;
      const dx = f32x4.sub(x, v128.load(320));
      const dy = f32x4.sub(y, v128.load(336));
      const radius = v128.load(352);
      const r = f32x4.sqrt(f32x4.add(f32x4.mul(dx, dx), f32x4.mul(dy, dy)));
      const off = f32x4.gt(r, none);
      const over = edgeCover(
        b,
        mask,
        f32x4.sub(radius, r),
        v128.bitselect(f32x4.div(dx, r), one, off),
        v128.bitselect(f32x4.div(dy, r), none, off),
        edge,
        f32x4.add(radius, radius),
      );
      covered = v128.bitselect(f32x4.pmax(covered, f32x4.mul(over, over)), covered, mask);
    }
    meet(b, live, colour, f32x4.mul(hides, covered));
  }
}

/** Edge, half the joint, how far corners are rounded, the grid (six words); colour, things, x and y of the pebbles' middles. */
export function mask(op: i32): void {
  const edge = num(op, 0);
  const joint = num(op, 1);
  const round = num(op, 2);
  const colour = int(op, 9);
  const things = int(op, 10);
  const middleX = int(op, 11);
  const middleY = int(op, 12);
  const wide = num(op, 6);
  const high = num(op, 7);
  for (let b = 0; b < end; b += 16) {
    const live = v128.load(LIVE + b);
    if (!any(live)) continue;
    squares(op, 3, b, live);
    const x = xAt(b);
    const y = v128.load(Y + b);
    const column = f32x4.mul(f32x4.sub(x, f4(num(op, 3))), f4(num(op, 5)));
    const row = f32x4.mul(f32x4.sub(y, f4(num(op, 4))), f4(num(op, 5)));
    const met = v128.and(
      live,
      v128.and(
        v128.and(f32x4.ge(column, f4(0)), f32x4.lt(column, f4(wide))),
        v128.and(f32x4.ge(row, f4(0)), f32x4.lt(row, f4(high))),
      ),
    );
    if (!any(met)) continue;
    v128.store(320, x);
    v128.store(336, y);
    for (let lane = 0; lane < 4; lane += 1) {
      const i = 4 * lane;
      const px = load<f32>(320 + i);
      const py = load<f32>(336 + i);
      let first: f32 = 1e12;
      let second: f32 = 1e12;
      let third: f32 = 1e12;
      const after = load<i32>(AFTER + i);
      for (let k = load<i32>(FIRST + i); k < after; k += 1) {
        const n = load<i32>(things + (k << 2)) << 2;
        const dx = px - load<f32>(middleX + n);
        const dy = py - load<f32>(middleY + n);
        const far = dx * dx + dy * dy;
        if (far < first) {
          third = second;
          second = first;
          first = far;
        } else if (far < second) {
          third = second;
          second = far;
        } else if (far < third) third = far;
      }
      store<f32>(352 + i, first);
      store<f32>(368 + i, second);
      store<f32>(384 + i, third);
    }
    const d1 = f32x4.sqrt(v128.load(352));
    const a = f32x4.mul(f4(0.5), f32x4.sub(f32x4.sqrt(v128.load(368)), d1));
    const c = f32x4.mul(f4(0.5), f32x4.sub(f32x4.sqrt(v128.load(384)), d1));
    const apart = f32x4.mul(f32x4.abs(f32x4.sub(a, c)), f4(1 / round));
    const blend = f32x4.pmax(f4(0), f32x4.sub(f4(1), apart));
    const inside = f32x4.sub(
      f32x4.sub(f32x4.pmin(a, c), f32x4.mul(f32x4.mul(blend, blend), f4(round / 4))),
      f4(joint),
    );
    const covered = edgeCover(b, met, f32x4.neg(inside), f4(0.7), f4(0.7), edge, f4(Infinity));
    meet(b, met, colour, covered);
  }
}
