/**
 * A group of samples on their way back through the operations, four to a vector. What each number means stands in
 * src/core/pattern/engine/tile.ts, which is the definition; here they lie one row after the other, f32.
 */

/** Samples of a group, and the bytes of a row of them. */
export const GROUP: i32 = 64;
export const ROW: i32 = 4 * GROUP;

export const X: i32 = 1024;
export const Y: i32 = X + ROW;
export const SXX: i32 = Y + ROW;
export const SXY: i32 = SXX + ROW;
export const SYY: i32 = SXY + ROW;
export const CLEAR: i32 = SYY + ROW;
export const DEEP: i32 = CLEAR + ROW;
export const SHEAR_X: i32 = DEEP + ROW;
export const SHEAR_Y: i32 = SHEAR_X + ROW;
export const SOURCE_X: i32 = SHEAR_Y + ROW;
export const SOURCE_Y: i32 = SOURCE_X + ROW;
export const MOST: i32 = SOURCE_Y + ROW;
/** All bits set where a sample is still on its way. */
export const LIVE: i32 = MOST + ROW;
export const BUSY: i32 = LIVE + ROW;
export const BESIDE: i32 = BUSY + ROW;
/** Where a sample lay before an operation of one zone; which were live before it. */
export const WAS_X: i32 = BESIDE + ROW;
export const WAS_Y: i32 = WAS_X + ROW;
export const WAS_LIVE: i32 = WAS_Y + ROW;
/** The nearest of some lines: how far within its edge, half its width, and across it. */
export const BEST: i32 = WAS_LIVE + ROW;
export const HALF: i32 = BEST + ROW;
export const ACROSS_X: i32 = HALF + ROW;
export const ACROSS_Y: i32 = ACROSS_X + ROW;
/** Around each four samples: right, low, and left and top with their signs turned, so that one comparison tells whether a box meets them. */
export const AROUND: i32 = ACROSS_Y + ROW;
/** The Jacobian of a row of shears so far. */
export const AXX: i32 = ACROSS_X;
export const AXY: i32 = ACROSS_Y;
export const AYX: i32 = AROUND + ROW;
export const AYY: i32 = AYX + ROW;
/** Share of each colour: a row for each. */
export const WEIGHT: i32 = AYY + ROW;

/** Bytes of the rows of this group that are in use: of whole vectors. */
export let end: i32 = 0;
export let minX: f32 = 0;
export let minY: f32 = 0;
export let maxX: f32 = 0;
export let maxY: f32 = 0;
/** As `apartMm` and `looks` of a tile. */
export let apart: f32 = 0;
export let looks: f32 = 0;
/** A place is looked at from so far to the side: once around a tumbler, or 0. */
export let aside: f32 = 0;

export function setGroup(bytes: i32, apartMm: f32, looksBy: f32): void {
  end = bytes;
  apart = apartMm;
  looks = looksBy;
}
export function setAside(byMm: f32): void {
  aside = byMm;
}

/** A sample through which less than this is still seen is settled. */
const SETTLED: f32 = 0.008;
/** Footprints are not followed beyond this, mm². */
const LONGEST2: f32 = 3600;
const MOST_LOOKS: f32 = 1.5;
const THIN: f32 = 1.5;
export const FAR: i32 = 1;
export const NEAR: i32 = 2;

export function f4(value: f32): v128 {
  return f32x4.splat(value);
}
export function any(mask: v128): bool {
  return v128.any_true(mask);
}
/** A sample's own place, seen from aside. */
export function xAt(b: i32): v128 {
  return f32x4.add(v128.load(X + b), f4(aside));
}
export function putX(b: i32, mask: v128, x: v128): void {
  putIn(X + b, mask, f32x4.sub(x, f4(aside)));
}
/** Stores those of four that a mask has. */
export function putIn(at: i32, mask: v128, value: v128): void {
  v128.store(at, v128.bitselect(value, v128.load(at), mask));
}

/** Around all of the group, as AROUND. */
export const ALL: i32 = 832;
/** Whether a box, its right and low with their signs turned, meets what lies about samples. */
export function meets(box: i32, around: v128): bool {
  return i32x4.all_true(f32x4.le(v128.load(box), around));
}
/** Finds the box of the group anew. */
export function bound(): void {
  let lowX = f4(f32.MAX_VALUE);
  let lowY = lowX;
  let highX = f4(-f32.MAX_VALUE);
  let highY = highX;
  for (let b = 0; b < end; b += 16) {
    const live = v128.load(LIVE + b);
    if (!any(live)) continue;
    const x = v128.load(X + b);
    const y = v128.load(Y + b);
    lowX = v128.bitselect(f32x4.pmin(lowX, x), lowX, live);
    lowY = v128.bitselect(f32x4.pmin(lowY, y), lowY, live);
    highX = v128.bitselect(f32x4.pmax(highX, x), highX, live);
    highY = v128.bitselect(f32x4.pmax(highY, y), highY, live);
  }
  minX = least(lowX);
  minY = least(lowY);
  maxX = most(highX);
  maxY = most(highY);
  v128.store(ALL, f32x4(maxX, maxY, -minX, -minY));
}
/** Finds the boxes of each four live samples, as they are seen from aside; where none is live, one that nothing meets. */
export function boundFours(): void {
  const never = f4(-f32.MAX_VALUE);
  for (let b = 0; b < end; b += 16) {
    const live = v128.load(LIVE + b);
    const x = xAt(b);
    const y = v128.load(Y + b);
    // Largest of x, y, −x and −y, each over its four.
    const right = v128.bitselect(x, never, live);
    const low = v128.bitselect(y, never, live);
    const left = v128.bitselect(f32x4.neg(x), never, live);
    const top = v128.bitselect(f32x4.neg(y), never, live);
    const rl = f32x4.pmax(
      v128.shuffle<f32>(right, low, 0, 4, 1, 5),
      v128.shuffle<f32>(right, low, 2, 6, 3, 7),
    );
    const lt = f32x4.pmax(v128.shuffle<f32>(left, top, 0, 4, 1, 5), v128.shuffle<f32>(left, top, 2, 6, 3, 7));
    v128.store(
      AROUND + b,
      f32x4.pmax(v128.shuffle<f32>(rl, lt, 0, 1, 4, 5), v128.shuffle<f32>(rl, lt, 2, 3, 6, 7)),
    );
  }
}
function least(v: v128): f32 {
  return min(
    min(f32x4.extract_lane(v, 0), f32x4.extract_lane(v, 1)),
    min(f32x4.extract_lane(v, 2), f32x4.extract_lane(v, 3)),
  );
}
function most(v: v128): f32 {
  return max(
    max(f32x4.extract_lane(v, 0), f32x4.extract_lane(v, 1)),
    max(f32x4.extract_lane(v, 2), f32x4.extract_lane(v, 3)),
  );
}

/** What is settled goes no further; whether anything does. Beside a hole it also matters what lies under what is seen. */
export function settle(): bool {
  let left = false;
  for (let b = 0; b < end; b += 16) {
    const live = v128.load(LIVE + b);
    if (!any(live)) continue;
    const on = v128.and(
      live,
      v128.or(f32x4.ge(v128.load(CLEAR + b), f4(SETTLED)), i32x4.ne(v128.load(BESIDE + b), i32x4.splat(0))),
    );
    v128.store(LIVE + b, on);
    left = left || any(on);
  }
  return left;
}

/** Samples meet a colour that covers a share of each. */
export function meet(b: i32, given: v128, colour: i32, share: v128): void {
  const none = f4(0);
  const one = f4(1);
  let mask = v128.and(given, f32x4.gt(share, none));
  if (!any(mask)) return;
  const clear = v128.load(CLEAR + b);
  const hole = v128.load(DEEP + b);
  let left = share;
  const holed = v128.and(mask, f32x4.gt(hole, none));
  if (any(holed)) {
    left = v128.bitselect(f32x4.mul(share, f32x4.sub(one, hole)), share, holed);
    const rest = f32x4.div(f32x4.mul(hole, f32x4.sub(one, share)), f32x4.sub(one, left));
    putIn(DEEP + b, holed, v128.bitselect(rest, none, f32x4.lt(share, one)));
  }
  const beside = v128.and(mask, i32x4.ne(v128.load(BESIDE + b), i32x4.splat(0)));
  if (any(beside)) besideHoles(b, beside, colour, share);
  mask = v128.and(mask, f32x4.gt(left, none));
  const seen = v128.and(f32x4.mul(clear, left), mask);
  const at = WEIGHT + colour * ROW + b;
  v128.store(at, f32x4.add(v128.load(at), seen));
  const more = v128.and(mask, f32x4.gt(seen, v128.load(MOST + b)));
  putIn(MOST + b, more, seen);
  putIn(SOURCE_X + b, more, xAt(b));
  putIn(SOURCE_Y + b, more, v128.load(Y + b));
  putIn(CLEAR + b, mask, f32x4.mul(clear, f32x4.sub(one, left)));
}

/** A hole near a sample is of no account where it shows the colour that it leaves out. */
function besideHoles(b: i32, mask: v128, colour: i32, share: v128): void {
  for (let lane = 0; lane < 4; lane += 1) {
    const i = b + 4 * lane;
    if (!has(mask, lane)) continue;
    const beside = load<i32>(BESIDE + i);
    if (beside === 1) {
      if (laneOf(share, lane) > 0.5) store<i32>(BESIDE + i, 2 + colour);
      else store<i32>(BUSY + i, NEAR);
      continue;
    }
    if (colour !== beside - 2) store<i32>(BUSY + i, NEAR);
    store<i32>(BESIDE + i, 0);
  }
}

/** One of four, by its place: the places are not known before. */
const SPARE: i32 = 512;
export function laneOf(v: v128, lane: i32): f32 {
  v128.store(SPARE, v);
  return load<f32>(SPARE + 4 * lane);
}
export function has(mask: v128, lane: i32): bool {
  return ((i32x4.bitmask(mask) >> lane) & 1) === 1;
}

/** Variance of footprints across a direction, mm². */
export function variance(b: i32, nx: v128, ny: v128): v128 {
  const sum = f32x4.add(
    f32x4.add(
      f32x4.mul(f32x4.mul(nx, nx), v128.load(SXX + b)),
      f32x4.mul(f32x4.mul(f32x4.mul(f4(2), nx), ny), v128.load(SXY + b)),
    ),
    f32x4.mul(f32x4.mul(ny, ny), v128.load(SYY + b)),
  );
  return f32x4.pmax(sum, f4(0));
}

/** As `within` of a tile. */
export function within(b: i32, inside: v128, nx: v128, ny: v128, edge: f32, wide: v128): v128 {
  return withinBy(inside, halfOf(variance(b, nx, ny), edge), wide);
}
function halfOf(spread: v128, edge: f32): v128 {
  return f32x4.sqrt(f32x4.add(f4(edge * edge), f32x4.mul(f4(3), spread)));
}
function withinBy(inside: v128, half: v128, wide: v128): v128 {
  const one = f4(1);
  const covered = f32x4.pmin(
    one,
    f32x4.div(f32x4.pmin(f32x4.add(inside, half), wide), f32x4.add(half, half)),
  );
  return v128.andnot(v128.bitselect(one, covered, f32x4.ge(inside, half)), f32x4.le(inside, f32x4.neg(half)));
}

/** As `edgeCover` of a tile. */
export function edgeCover(b: i32, mask: v128, inside: v128, nx: v128, ny: v128, edge: f32, wide: v128): v128 {
  const spread = variance(b, nx, ny);
  const half = halfOf(spread, edge);
  const share = withinBy(inside, half, wide);
  if (looks > 0) {
    const clearOf = v128.and(
      mask,
      v128.or(f32x4.eq(share, f4(1)), v128.and(f32x4.eq(share, f4(0)), f32x4.lt(wide, f4(THIN * apart)))),
    );
    if (any(clearOf)) {
      const beyond = f32x4.sub(f32x4.abs(inside), half);
      const far = f32x4.pmin(f32x4.mul(f4(looks), f32x4.sqrt(spread)), f4(MOST_LOOKS * apart));
      const told = v128.and(clearOf, f32x4.lt(beyond, far));
      const how = v128.bitselect(
        i32x4.splat(NEAR),
        i32x4.splat(FAR),
        f32x4.lt(beyond, f32x4.mul(f4(0.5), far)),
      );
      v128.store(BUSY + b, i32x4.max_s(v128.load(BUSY + b), v128.and(how, told)));
    }
  }
  return share;
}

/** What a hole opens of samples, besides what others opened. */
export function open(b: i32, mask: v128, share: v128): void {
  const one = f4(1);
  putIn(
    DEEP + b,
    mask,
    f32x4.sub(one, f32x4.mul(f32x4.sub(one, v128.load(DEEP + b)), f32x4.sub(one, share))),
  );
}

/** Σ ← A·Σ·Aᵀ + s²·t·tᵀ, with A the inverse map's Jacobian, s how far it smears and t the way. */
export function drawOut(
  b: i32,
  mask: v128,
  axx: v128,
  axy: v128,
  ayx: v128,
  ayy: v128,
  smear: v128,
  tx: v128,
  ty: v128,
): void {
  const xx = v128.load(SXX + b);
  const xy = v128.load(SXY + b);
  const yy = v128.load(SYY + b);
  // A·Σ first, then times Aᵀ.
  const pxx = f32x4.add(f32x4.mul(axx, xx), f32x4.mul(axy, xy));
  const pxy = f32x4.add(f32x4.mul(axx, xy), f32x4.mul(axy, yy));
  const pyx = f32x4.add(f32x4.mul(ayx, xx), f32x4.mul(ayy, xy));
  const pyy = f32x4.add(f32x4.mul(ayx, xy), f32x4.mul(ayy, yy));
  const sx = f32x4.mul(smear, tx);
  const sy = f32x4.mul(smear, ty);
  let nxx = f32x4.add(f32x4.add(f32x4.mul(pxx, axx), f32x4.mul(pxy, axy)), f32x4.mul(sx, sx));
  let nxy = f32x4.add(f32x4.add(f32x4.mul(pxx, ayx), f32x4.mul(pxy, ayy)), f32x4.mul(sx, sy));
  let nyy = f32x4.add(f32x4.add(f32x4.mul(pyx, ayx), f32x4.mul(pyy, ayy)), f32x4.mul(sy, sy));
  const trace = f32x4.add(nxx, nyy);
  const over = f32x4.gt(trace, f4(LONGEST2));
  if (any(v128.and(over, mask))) {
    const scale = v128.bitselect(f32x4.div(f4(LONGEST2), trace), f4(1), over);
    nxx = f32x4.mul(nxx, scale);
    nxy = f32x4.mul(nxy, scale);
    nyy = f32x4.mul(nyy, scale);
  }
  putIn(SXX + b, mask, nxx);
  putIn(SXY + b, mask, nxy);
  putIn(SYY + b, mask, nyy);
}

/** Draws footprints out by a radial map at a direction: along the ray by its slope, across it by r0/r. */
export function drawOutRadially(b: i32, mask: v128, ux: v128, uy: v128, along: v128, across: v128): void {
  const both = f32x4.sub(along, across);
  const xy = f32x4.mul(f32x4.mul(both, ux), uy);
  const none = f4(0);
  drawOut(
    b,
    mask,
    f32x4.add(across, f32x4.mul(f32x4.mul(both, ux), ux)),
    xy,
    xy,
    f32x4.add(across, f32x4.mul(f32x4.mul(both, uy), uy)),
    none,
    none,
    none,
  );
}
