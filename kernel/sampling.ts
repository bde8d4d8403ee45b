/**
 * Which samples of a tile are worked out, and which are taken from those about them: as src/core/pattern/engine/draw-tile.ts, which is the
 * definition.
 */

import { begin, finish, GRID, KNOWN, NEAR_BY, REST, SHARES, SPOTS, takeBack, TILE } from "./batch";

/** Spots that are asked, and squares of samples: left, top, right and low of each. */
const ASKED: i32 = 73728;
const SQUARES: i32 = ASKED + 4 * SPOTS;
const ROOM: i32 = 4 * TILE * TILE;
let squares: i32 = SQUARES;
let next: i32 = SQUARES + ROOM;
const FLAT: i32 = SQUARES + 2 * ROOM;
/** The tile's picture, row by row: share of each colour, twice the angle of the last shear, and where it was poured. */
export const OUT: i32 = 917504;

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

function range(from: i32, a: i32, b: i32, c: i32, d: i32): f32 {
  const p = load<f32>(from + a);
  const q = load<f32>(from + b);
  const r = load<f32>(from + c);
  const s = load<f32>(from + d);
  return max(max(p, q), max(r, s)) - min(min(p, q), min(r, s));
}
function small(spot: i32, size: i32): bool {
  const near = i32(load<u8>(NEAR_BY + (spot >> 2)));
  return near > 0 && near <= size;
}
/** Whether what lies between the corners of a square is as they are. */
function allAlike(left: i32, top: i32, right: i32, low: i32, colours: i32, alike: f32, pixelMm: f32): bool {
  const size = max(right - left, low - top);
  const a = (top * GRID + left) << 2;
  const b = (top * GRID + right) << 2;
  const c = (low * GRID + left) << 2;
  const d = (low * GRID + right) << 2;
  if (small(a, size) || small(b, size) || small(c, size) || small(d, size)) return false;
  for (let colour = 0; colour < colours; colour += 1)
    if (range(SHARES + colour * 4 * SPOTS, a, b, c, d) > alike) return false;
  const beside = SIDE_BY_SIDE * f32(size) * pixelMm;
  for (let at = 0; at < 4; at += 1)
    if (range(REST + at * 4 * SPOTS, a, b, c, d) > (at < 2 ? ALIKE_SHEAR : beside)) return false;
  return true;
}
/** What lies between the corners of a square, straight between them. */
function fill(left: i32, top: i32, right: i32, low: i32, colours: i32): void {
  const a = (top * GRID + left) << 2;
  const b = (top * GRID + right) << 2;
  const c = (low * GRID + left) << 2;
  const d = (low * GRID + right) << 2;
  const perU: f32 = right > left ? 1 / f32(right - left) : 0;
  const perV: f32 = low > top ? 1 / f32(low - top) : 0;
  for (let row = top; row <= low; row += 1)
    for (let column = left; column <= right; column += 1) {
      const spot = row * GRID + column;
      if (load<u8>(KNOWN + spot) === 2) continue;
      const u = f32(column - left) * perU;
      const v = f32(row - top) * perV;
      for (let at = SHARES; at < SHARES + colours * 4 * SPOTS; at += 4 * SPOTS)
        store<f32>(at + (spot << 2), between(at, a, b, c, d, u, v));
      for (let at = REST; at < REST + 16 * SPOTS; at += 4 * SPOTS)
        store<f32>(at + (spot << 2), between(at, a, b, c, d, u, v));
    }
}
function between(from: i32, a: i32, b: i32, c: i32, d: i32, u: f32, v: f32): f32 {
  const first = load<f32>(from + a) * (1 - u) + load<f32>(from + b) * u;
  const last = load<f32>(from + c) * (1 - u) + load<f32>(from + d) * u;
  return first * (1 - v) + last * v;
}

/** The next of the numbers from 0 to the last, so far apart, the last too. */
function stop(at: i32, last: i32, step: i32): i32 {
  return at + step < last ? at + step : last;
}

/**
 * Draws a tile into OUT.
 * @param across,down samples of it
 * @param toRight,toLow the last sample that its squares reach: the first of the next tile, where there is one
 * @param apart,alike,near as a `Closeness`
 */
export function draw(
  across: i32,
  down: i32,
  toRight: i32,
  toLow: i32,
  colours: i32,
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
        if (allAlike(left, top, right, low, colours, alike, pixelMm)) {
          put(FLAT + (manyFlat << 2), left, top, right, low);
          manyFlat += 1;
        } else askQuarters(left, top, right, low);
      }
      turnLists();
    }
    for (let n = 0; n < manyFlat; n += 1) {
      const at = FLAT + (n << 2);
      fill(i32(load<u8>(at)), i32(load<u8>(at, 1)), i32(load<u8>(at, 2)), i32(load<u8>(at, 3)), colours);
    }
  }
  for (let n = 0; n < colours + 4; n += 1) {
    const from = n < colours ? SHARES + n * 4 * SPOTS : REST + (n - colours) * 4 * SPOTS;
    const into = OUT + n * 4 * across * down;
    for (let row = 0; row < down; row += 1)
      memory.copy(into + 4 * row * across, from + 4 * row * GRID, 4 * across);
  }
}
