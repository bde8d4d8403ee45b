/**
 * Which samples of a tile are worked out, and which are taken from those about them: as src/core/pattern/engine/draw-tile.ts, which is the
 * definition.
 */

import { begin, finish, GRID, KNOWN, NEAR_BY, PICTURE, spotBytes, SPOTS, takeBack, TILE } from "./batch";

/** Spots that are asked, and squares of samples: left, top, right and low of each. */
const ASKED: i32 = 73728;
const SQUARES: i32 = ASKED + 4 * SPOTS;
const ROOM: i32 = 4 * TILE * TILE;
let squares: i32 = SQUARES;
let next: i32 = SQUARES + ROOM;
const FLAT: i32 = SQUARES + 2 * ROOM;

let asked: i32 = 0;
let many: i32 = 0;
let manyNext: i32 = 0;
let manyFlat: i32 = 0;

const ALIKE_SHEAR: f32 = 0.35;
const SIDE_BY_SIDE: f32 = 8;

function ask(column: i32, row: i32): void {
  const spot = row * GRID + column;
  if (load<u8>(KNOWN + spot) !== 0) return;
  store<u8>(KNOWN + spot, 1);
  store<i32>(ASKED + (asked << 2), spot);
  asked += 1;
}
function put(at: i32, left: i32, top: i32, right: i32, low: i32): void {
  store<u8>(at, left);
  store<u8>(at, top, 1);
  store<u8>(at, right, 2);
  store<u8>(at, low, 3);
}
function askSquare(left: i32, top: i32, right: i32, low: i32): void {
  ask(left, top);
  ask(right, top);
  ask(left, low);
  ask(right, low);
  put(next + (manyNext << 2), left, top, right, low);
  manyNext += 1;
}
/** Its four quarters, or its halves where it is one sample high or wide. */
function askQuarters(left: i32, top: i32, right: i32, low: i32): void {
  const middle = right - left < 2 ? right : (left + right) >> 1;
  const half = low - top < 2 ? low : (top + low) >> 1;
  askSquare(left, top, middle, half);
  if (half < low) askSquare(left, half, middle, low);
  if (middle < right) {
    askSquare(middle, top, right, half);
    if (half < low) askSquare(middle, half, right, low);
  }
}
function turnLists(): void {
  const spare = squares;
  squares = next;
  next = spare;
  many = manyNext;
  manyNext = 0;
}

/** Works out what is asked. */
function answer(apartPx: i32, apartMm: f32, near: bool): void {
  for (let from = 0; from < asked;) {
    const list = ASKED + (from << 2);
    const count = begin(list, asked - from, apartMm);
    takeBack();
    finish(list, count, near ? apartPx : 0);
    from += count;
  }
  asked = 0;
}

function small(spot: i32, size: i32): bool {
  const near = i32(load<u8>(NEAR_BY + spot));
  return near > 0 && near <= size;
}
/** Whether what lies between the corners of a square is as they are. */
function allAlike(left: i32, top: i32, right: i32, low: i32, alike: v128, pixelMm: f32): bool {
  const size = max(right - left, low - top);
  const first = top * GRID + left;
  const second = top * GRID + right;
  const third = low * GRID + left;
  const fourth = low * GRID + right;
  if (small(first, size) || small(second, size) || small(third, size) || small(fourth, size)) return false;
  const beside = SIDE_BY_SIDE * f32(size) * pixelMm;
  let off = f32x4(ALIKE_SHEAR, ALIKE_SHEAR, beside, beside);
  for (let n = 0; n < spotBytes; n += 16) {
    const a = v128.load(PICTURE + first * spotBytes + n);
    const b = v128.load(PICTURE + second * spotBytes + n);
    const c = v128.load(PICTURE + third * spotBytes + n);
    const d = v128.load(PICTURE + fourth * spotBytes + n);
    const most = f32x4.pmax(f32x4.pmax(a, b), f32x4.pmax(c, d));
    const least = f32x4.pmin(f32x4.pmin(a, b), f32x4.pmin(c, d));
    if (v128.any_true(f32x4.gt(f32x4.sub(most, least), off))) return false;
    off = alike;
  }
  return true;
}
/** What lies between the corners of a square, straight between them. */
function fill(left: i32, top: i32, right: i32, low: i32): void {
  const a = PICTURE + (top * GRID + left) * spotBytes;
  const b = PICTURE + (top * GRID + right) * spotBytes;
  const c = PICTURE + (low * GRID + left) * spotBytes;
  const d = PICTURE + (low * GRID + right) * spotBytes;
  const perU: f32 = right > left ? 1 / f32(right - left) : 0;
  const perV: f32 = low > top ? 1 / f32(low - top) : 0;
  const one = f32x4.splat(1);
  for (let row = top; row <= low; row += 1) {
    const v = f32x4.splat(f32(row - top) * perV);
    const restV = f32x4.sub(one, v);
    for (let column = left; column <= right; column += 1) {
      const spot = row * GRID + column;
      if (load<u8>(KNOWN + spot) === 2) continue;
      const u = f32x4.splat(f32(column - left) * perU);
      const restU = f32x4.sub(one, u);
      for (let n = 0; n < spotBytes; n += 16) {
        const first = f32x4.add(f32x4.mul(v128.load(a + n), restU), f32x4.mul(v128.load(b + n), u));
        const last = f32x4.add(f32x4.mul(v128.load(c + n), restU), f32x4.mul(v128.load(d + n), u));
        v128.store(PICTURE + spot * spotBytes + n, f32x4.add(f32x4.mul(first, restV), f32x4.mul(last, v)));
      }
    }
  }
}

/** The next of the numbers from 0 to the last, so far apart, the last too. */
function stop(at: i32, last: i32, step: i32): i32 {
  return at + step < last ? at + step : last;
}

/**
 * Draws a tile into PICTURE.
 * @param across,down samples of it
 * @param toRight,toLow the last sample that its squares reach: the first of the next tile, where there is one
 * @param apart,alike,near as a `Closeness`
 */
export function draw(
  across: i32,
  down: i32,
  toRight: i32,
  toLow: i32,
  apart: i32,
  alike: f32,
  near: bool,
  pixelMm: f32,
): void {
  memory.fill(KNOWN, 0, SPOTS);
  asked = 0;
  if (apart <= 1) {
    // In squares of a group's size: the closer its samples lie, the fewer operations reach it.
    for (let top = 0; top < down; top += 8)
      for (let left = 0; left < across; left += 8)
        for (let row = top; row < min(top + 8, down); row += 1)
          for (let column = left; column < min(left + 8, across); column += 1) ask(column, row);
    answer(1, 0, near);
  } else {
    manyFlat = 0;
    manyNext = 0;
    let left = 0;
    do {
      const right = stop(left, toRight, apart);
      let top = 0;
      do {
        const low = stop(top, toLow, apart);
        askSquare(left, top, right, low);
        top = low;
      } while (top < toLow);
      left = right;
    } while (left < toRight);
    turnLists();
    for (let step = apart; many > 0; step = max(1, step >> 1)) {
      answer(step, near && step > 1 ? f32(step) * pixelMm : 0, near);
      for (let n = 0; n < many; n += 1) {
        const at = squares + (n << 2);
        const left = i32(load<u8>(at));
        const top = i32(load<u8>(at, 1));
        const right = i32(load<u8>(at, 2));
        const low = i32(load<u8>(at, 3));
        if (right - left < 2 && low - top < 2) continue;
        if (allAlike(left, top, right, low, f32x4.splat(alike), pixelMm)) {
          put(FLAT + (manyFlat << 2), left, top, right, low);
          manyFlat += 1;
        } else askQuarters(left, top, right, low);
      }
      turnLists();
    }
    for (let n = 0; n < manyFlat; n += 1) {
      const at = FLAT + (n << 2);
      fill(i32(load<u8>(at)), i32(load<u8>(at, 1)), i32(load<u8>(at, 2)), i32(load<u8>(at, 3)));
    }
  }
}

/**
 * Lays the tile's picture where it lies in a strip of tiles: for each of a spot's numbers a plane, row by row.
 * @param to where the tile begins in the first plane
 * @param rowBytes,planeBytes of the strip
 */
export function lay(to: i32, rowBytes: i32, planeBytes: i32, across: i32, down: i32): void {
  const whole = across & ~3;
  for (let y = 0; y < down; y += 1) {
    const row = to + y * rowBytes;
    const from = PICTURE + y * GRID * spotBytes;
    for (let n = 0; n < spotBytes; n += 16) {
      const plane = row + (n >> 2) * planeBytes;
      for (let x = 0; x < whole; x += 4) {
        const at = from + x * spotBytes + n;
        const a = v128.load(at);
        const b = v128.load(at + spotBytes);
        const c = v128.load(at + 2 * spotBytes);
        const d = v128.load(at + 3 * spotBytes);
        const ab = v128.shuffle<f32>(a, b, 0, 4, 1, 5);
        const cd = v128.shuffle<f32>(c, d, 0, 4, 1, 5);
        const abHigh = v128.shuffle<f32>(a, b, 2, 6, 3, 7);
        const cdHigh = v128.shuffle<f32>(c, d, 2, 6, 3, 7);
        const into = plane + 4 * x;
        v128.store(into, v128.shuffle<f32>(ab, cd, 0, 1, 4, 5));
        v128.store(into + planeBytes, v128.shuffle<f32>(ab, cd, 2, 3, 6, 7));
        v128.store(into + 2 * planeBytes, v128.shuffle<f32>(abHigh, cdHigh, 0, 1, 4, 5));
        v128.store(into + 3 * planeBytes, v128.shuffle<f32>(abHigh, cdHigh, 2, 3, 6, 7));
      }
      for (let x = whole; x < across; x += 1)
        for (let k = 0; k < 4; k += 1)
          store<f32>(plane + k * planeBytes + 4 * x, load<f32>(from + x * spotBytes + n + 4 * k));
    }
  }
}
