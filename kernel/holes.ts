/** What opens a film: chop lines and cells of alcohol; each is defined by its namesake in src/core/pattern/ops. */

import { int, num } from "./data";
import { AFTER, FIRST, squares } from "./grid";
import {
  any,
  BESIDE,
  bound,
  drawOutRadially,
  end,
  f4,
  LIVE,
  looks,
  open,
  putIn,
  putX,
  within,
  xAt,
  Y,
} from "./memory";
import { noise4 } from "./noise";
import { across, along, between, drawOutPlace, place, putPlace } from "./place";

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
    const at = f32x4.mul(q, f4(perMm));
    const off = f32x4.mul(f4(4), noise4(heights, at, f4(0.5 * perMm)));
    const jag = noise4(heights, at, f4(9.5 * perMm));
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
  const things = int(op, 7);
  const cellX = int(op, 8);
  const cellY = int(op, 9);
  const holes = int(op, 10);
  const outer = int(op, 11);
  const none = f4(0);
  const one = f4(1);
  for (let b = 0; b < end; b += 16) {
    const live = v128.load(LIVE + b);
    if (!any(live) || !squares(op, 1, b, live)) continue;
    const x = xAt(b);
    const y = v128.load(Y + b);
    // 256: x and y; from 320 the found cell's x, y, a and b, and whether there is one.
    v128.store(256, x);
    v128.store(272, y);
    v128.store(400, none);
    for (let lane = 0; lane < 4; lane += 1) {
      const i = 4 * lane;
      const first = load<i32>(FIRST + i);
      const after = load<i32>(AFTER + i);
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
    let mask = v128.load(400);
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
