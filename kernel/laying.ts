/** Operations that lay colour. Each is defined by its namesake in src/core/pattern/ops. */

import { int, num } from "./data";
import {
  ACROSS_X,
  ACROSS_Y,
  ALL,
  any,
  AROUND,
  aside,
  BEST,
  boundFours,
  BUSY,
  DEEP,
  edgeCover,
  end,
  f4,
  HALF,
  LIVE,
  maxX,
  maxY,
  meet,
  meets,
  minX,
  minY,
  NEAR,
  putIn,
  xAt,
  Y,
} from "./memory";
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

/** Bytes of a segment: its box with right and low turned, start, way, 1/length², half-width and how much wider at its end. And how many have one box together. */
const SEGMENT: i32 = 48;
const TOGETHER: i32 = 8;

/** Edge, hides, how far it is looked after; colour, how many segments, boxes of each eight, segments. */
export function line(op: i32): void {
  const beyond = num(op, 2);
  const colour = int(op, 3);
  const many = int(op, 4);
  const boxes = int(op, 5);
  const segments = int(op, 6);
  const around = f32x4.add(v128.load(ALL), f32x4(aside, 0, -aside, 0));
  let met = 0;
  let begun = false;
  const x = (minX + maxX) / 2 + aside;
  const y = (minY + maxY) / 2;
  const spreads: f32 = sqrt((maxX - minX) * (maxX - minX) + (maxY - minY) * (maxY - minY)) / 2 + 0.01;
  let furthest: f32 = f32.MAX_VALUE;
  for (let first = 0; first < many; first += TOGETHER) {
    const box = boxes + (first / TOGETHER) * 16;
    if (!meets(box, around)) continue;
    const last = min(many, first + TOGETHER);
    for (let n = first; n < last; n += 1) {
      const at = segments + n * SEGMENT;
      if (!meets(at, around)) continue;
      // No nearer to any sample than to the middle of all, less how far they lie from it; and no further than that more.
      const middling = fromMiddle(at, x, y);
      const wider = load<f32>(at, 40);
      store<i32>(MET + (met << 2), at);
      store<f32>(LEAST + (met << 2), middling - spreads - max(f32(0), wider));
      furthest = min(furthest, middling + spreads - min(f32(0), wider));
      met += 1;
      if (met === MOST_MET) {
        nearest(keep(met, furthest), begun, beyond);
        begun = true;
        met = 0;
      }
    }
  }
  if (met > 0) nearest(keep(met, furthest), begun, beyond);
  else if (!begun) return;
  const edge = num(op, 0);
  const hides = f4(num(op, 1));
  const none = f4(0);
  for (let b = 0; b < end; b += 16) {
    const half = v128.load(HALF + b);
    const mask = v128.and(v128.load(LIVE + b), f32x4.ge(half, none));
    if (!any(mask)) continue;
    const nx = v128.load(ACROSS_X + b);
    const ny = v128.load(ACROSS_Y + b);
    const long = f32x4.sqrt(f32x4.add(f32x4.mul(nx, nx), f32x4.mul(ny, ny)));
    const clear = f32x4.gt(long, f4(1e-9));
    const over = f32x4.div(f4(1), long);
    const covered = edgeCover(
      b,
      mask,
      f32x4.neg(v128.load(BEST + b)),
      v128.bitselect(f32x4.mul(nx, over), f4(1), clear),
      v128.bitselect(f32x4.mul(ny, over), none, clear),
      edge,
      f32x4.add(half, half),
    );
    meet(b, mask, colour, f32x4.mul(hides, covered));
  }
}
/** How far beyond a segment's edge a place is, mm; by half of its width where it begins. */
function fromMiddle(at: i32, x: f32, y: f32): f32 {
  const px = x - load<f32>(at, 16);
  const py = y - load<f32>(at, 20);
  const dx = load<f32>(at, 24);
  const dy = load<f32>(at, 28);
  const t = min(f32(1), max(f32(0), (px * dx + py * dy) * load<f32>(at, 32)));
  const ex = px - t * dx;
  const ey = py - t * dy;
  return sqrt(ex * ex + ey * ey) - load<f32>(at, 36);
}
/** Keeps those that may be the nearest to some sample; how many. */
function keep(met: i32, furthest: f32): i32 {
  let kept = 0;
  for (let n = 0; n < met; n += 1) {
    if (load<f32>(LEAST + (n << 2)) > furthest) continue;
    store<i32>(MET + (kept << 2), load<i32>(MET + (n << 2)));
    kept += 1;
  }
  return kept;
}

/** Segments that may reach the group, how near the nearest sample may be to each, and how many of them are looked at together. */
const MET: i32 = 32768;
const LEAST: i32 = 49152;
const MOST_MET: i32 = 4096;
/** Finds the nearest of them to each sample: how far within its edge, half its width, and across it. @param begun whether some were looked at before */
function nearest(met: i32, begun: bool, beyond: f32): void {
  const none = f4(0);
  const one = f4(1);
  if (!begun) boundFours();
  for (let b = 0; b < end; b += 16) {
    const live = v128.load(LIVE + b);
    if (!any(live)) continue;
    const around = v128.load(AROUND + b);
    const x = xAt(b);
    const y = v128.load(Y + b);
    let best = f4(beyond);
    let half = f4(-1);
    let nx = none;
    let ny = none;
    if (begun) {
      best = v128.load(BEST + b);
      half = v128.load(HALF + b);
      nx = v128.load(ACROSS_X + b);
      ny = v128.load(ACROSS_Y + b);
    }
    for (let n = 0; n < met; n += 1) {
      const at = load<i32>(MET + (n << 2));
      if (!meets(at, around)) continue;
      const dx = v128.load32_splat(at, 24);
      const dy = v128.load32_splat(at, 28);
      const px = f32x4.sub(x, v128.load32_splat(at, 16));
      const py = f32x4.sub(y, v128.load32_splat(at, 20));
      const along = f32x4.mul(f32x4.add(f32x4.mul(px, dx), f32x4.mul(py, dy)), v128.load32_splat(at, 32));
      const t = f32x4.pmin(one, f32x4.pmax(none, along));
      const ex = f32x4.sub(px, f32x4.mul(t, dx));
      const ey = f32x4.sub(py, f32x4.mul(t, dy));
      const here = f32x4.add(v128.load32_splat(at, 36), f32x4.mul(t, v128.load32_splat(at, 40)));
      const far = f32x4.add(best, here);
      const square = f32x4.add(f32x4.mul(ex, ex), f32x4.mul(ey, ey));
      const nearer = v128.and(f32x4.gt(far, none), f32x4.lt(square, f32x4.mul(far, far)));
      if (!any(nearer)) continue;
      best = v128.bitselect(f32x4.sub(f32x4.sqrt(square), here), best, nearer);
      half = v128.bitselect(here, half, nearer);
      nx = v128.bitselect(ex, nx, nearer);
      ny = v128.bitselect(ey, ny, nearer);
    }
    v128.store(BEST + b, best);
    v128.store(HALF + b, half);
    v128.store(ACROSS_X + b, nx);
    v128.store(ACROSS_Y + b, ny);
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

const SIDE: i32 = 64;
function noise4(heights: i32, u: v128, v: v128): v128 {
  const i = f32x4.floor(u);
  const j = f32x4.floor(v);
  const a = f32x4.sub(u, i);
  const b = f32x4.sub(v, j);
  const s = f32x4.mul(f32x4.mul(a, a), f32x4.sub(f4(3), f32x4.add(a, a)));
  const t = f32x4.mul(f32x4.mul(b, b), f32x4.sub(f4(3), f32x4.add(b, b)));
  const last = i32x4.splat(SIDE - 1);
  const one = i32x4.splat(1);
  const column = i32x4.trunc_sat_f32x4_s(i);
  const row = i32x4.trunc_sat_f32x4_s(j);
  const west = v128.and(column, last);
  const east = v128.and(i32x4.add(column, one), last);
  const north = i32x4.shl(v128.and(row, last), 6);
  const south = i32x4.shl(v128.and(i32x4.add(row, one), last), 6);
  const nw = gather(heights, i32x4.add(north, west));
  const sw = gather(heights, i32x4.add(south, west));
  const top = f32x4.add(nw, f32x4.mul(s, f32x4.sub(gather(heights, i32x4.add(north, east)), nw)));
  const low = f32x4.add(sw, f32x4.mul(s, f32x4.sub(gather(heights, i32x4.add(south, east)), sw)));
  return f32x4.add(top, f32x4.mul(t, f32x4.sub(low, top)));
}
function gather(table: i32, at: v128): v128 {
  return f32x4(
    load<f32>(table + (i32x4.extract_lane(at, 0) << 2)),
    load<f32>(table + (i32x4.extract_lane(at, 1) << 2)),
    load<f32>(table + (i32x4.extract_lane(at, 2) << 2)),
    load<f32>(table + (i32x4.extract_lane(at, 3) << 2)),
  );
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

/** Squares in which samples lie: first and behind last of their things, four each; −1 where there is none. */
const FIRST: i32 = 768;
const AFTER: i32 = 784;
/** @param at where among an operation's numbers the grid begins: x, y, squares to a mm, across, down, starts */
function squares(op: i32, at: i32, b: i32, mask: v128): bool {
  const wide = num(op, at + 3);
  const high = num(op, at + 4);
  const starts = int(op, at + 5);
  const none = f4(0);
  const column = f32x4.mul(f32x4.sub(xAt(b), f4(num(op, at))), f4(num(op, at + 2)));
  const row = f32x4.mul(f32x4.sub(v128.load(Y + b), f4(num(op, at + 1))), f4(num(op, at + 2)));
  const within = v128.and(
    mask,
    v128.and(
      v128.and(f32x4.ge(column, none), f32x4.lt(column, f4(wide))),
      v128.and(f32x4.ge(row, none), f32x4.lt(row, f4(high))),
    ),
  );
  v128.store(FIRST, i32x4.splat(0));
  v128.store(AFTER, i32x4.splat(0));
  if (!any(within)) return false;
  const bits = i32x4.bitmask(within);
  v128.store(256, column);
  v128.store(272, row);
  let some = false;
  for (let lane = 0; lane < 4; lane += 1) {
    if (((bits >> lane) & 1) === 0) continue;
    const i = 4 * lane;
    const square = (i32(load<f32>(272 + i)) * i32(wide) + i32(load<f32>(256 + i))) << 2;
    const first = load<i32>(starts + square);
    const after = load<i32>(starts + square, 4);
    store<i32>(FIRST + i, first);
    store<i32>(AFTER + i, after);
    some = some || after > first;
  }
  return some;
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
