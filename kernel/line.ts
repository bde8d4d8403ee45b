/** Ribbons, drizzles, veins and hairs; defined by src/core/pattern/ops/line.ts. */

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
  xAt,
  Y,
} from "./memory";

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
