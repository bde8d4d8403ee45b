/** Groups of a tile's samples on their way: set off where they are asked, and written down when they are back. */

import { throughAll } from "./back";
import {
  any,
  BESIDE,
  bound,
  BUSY,
  CLEAR,
  DEEP,
  end,
  f4,
  FAR,
  GROUP,
  LIVE,
  meet,
  MOST,
  NEAR,
  putIn,
  ROW,
  setGroup,
  SHEAR_X,
  SHEAR_Y,
  SOURCE_X,
  SOURCE_Y,
  SXX,
  SXY,
  SYY,
  WEIGHT,
  X,
  Y,
} from "./memory";

/** Side of a tile; samples along it with the first of the next one, and their number in whole vectors. */
export const TILE: i32 = 48;
export const GRID: i32 = TILE + 1;
export const SPOTS: i32 = 2404;
/** By spot: 0 for what is not known, 1 for what is asked, 2 for what is worked out; within how many samples something small may lie. */
export const KNOWN: i32 = 65536;
export const NEAR_BY: i32 = KNOWN + SPOTS;
/**
 * By spot: twice the angle of the last shear and where it was poured, four numbers; then the share of each colour, in whole vectors. So one
 * vector holds four of a spot's numbers.
 */
export const PICTURE: i32 = 262144;
/** Bytes of a spot in it. */
export let spotBytes: i32 = 0;

let program: i32 = 0;
let ops: i32 = 0;
let skipping: bool = true;
/** In whole vectors: those that are not there have no share. */
let colours: i32 = 0;
let base: i32 = 0;
let under: i32 = 0;
let spread: f32 = 0;
let looksPerMm: f32 = 0;
/** Of the sheet, and where the tile begins in it: a sample lies at the same place whatever tile it is drawn in. */
let fromX: f64 = 0;
let fromY: f64 = 0;
let pixelMm: f64 = 0;
let left: i32 = 0;
let top: i32 = 0;

/**
 * @param underAt a picture that lies under all: its samples across and down, side of one, x and y of its corner, and its shares; 0 for `base`
 * @param spreadMm2 variance of a sample's own footprint
 * @param x,y corner of its sheet, mm, with the side of a sample; and the first of the tile's samples in it
 * @param looks how far around itself a sample looks, of what it lies apart, by the spread of its footprint
 */
export function setTile(
  programAt: i32,
  many: i32,
  skips: bool,
  coloursIn: i32,
  baseColour: i32,
  underAt: i32,
  spreadMm2: f32,
  looks: f32,
  x: f64,
  y: f64,
  pixel: f64,
  leftPx: i32,
  topPx: i32,
): void {
  program = programAt;
  ops = many;
  skipping = skips;
  colours = (coloursIn + 3) & ~3;
  spotBytes = 16 + 4 * colours;
  base = baseColour;
  under = underAt;
  spread = spreadMm2;
  looksPerMm = looks;
  fromX = x;
  fromY = y;
  pixelMm = pixel;
  left = leftPx;
  top = topPx;
}

/** Sets the first of a list of spots on their way; how many. */
export function begin(list: i32, asked: i32, apartMm: f32): i32 {
  const many = min(GROUP, asked);
  for (let n = 0; n < many; n += 1) {
    const spot = load<i32>(list + 4 * n);
    const row = spot / GRID;
    const column = spot - row * GRID;
    store<f32>(X + 4 * n, f32(fromX + (f64(left + column) + 0.5) * pixelMm));
    store<f32>(Y + 4 * n, f32(fromY + (f64(top + row) + 0.5) * pixelMm));
  }
  setOff(many, apartMm);
  return many;
}

/** Sets so many samples on their way from where they lie. */
export function setOff(many: i32, apartMm: f32): void {
  setGroup(((many + 3) >> 2) << 4, apartMm, looksPerMm * apartMm);
  const none = f4(0);
  for (let b = 0; b < end; b += 16) {
    for (let i = b; i < b + 16; i += 4) store<i32>(LIVE + i, i < 4 * many ? -1 : 0);
    v128.store(SXX + b, f4(spread));
    v128.store(SXY + b, none);
    v128.store(SYY + b, f4(spread));
    v128.store(CLEAR + b, f4(1));
    v128.store(DEEP + b, none);
    v128.store(SHEAR_X + b, none);
    v128.store(SHEAR_Y + b, none);
    v128.store(MOST + b, none);
    v128.store(BUSY + b, none);
    v128.store(BESIDE + b, none);
    for (let colour = 0; colour < colours; colour += 1) v128.store(WEIGHT + colour * ROW + b, none);
  }
  bound();
}

export function takeBack(): void {
  throughAll(program, ops, skipping);
}

/** What is still seen through at last: a picture that lies under all, or the colour that does. A hole through everything shows it too. */
function underneath(): void {
  for (let b = 0; b < end; b += 16) {
    const live = v128.load(LIVE + b);
    if (!any(live)) continue;
    putIn(DEEP + b, live, f4(0));
    if (under === 0) {
      meet(b, live, base, f4(1));
      continue;
    }
    const bits = i32x4.bitmask(live);
    for (let lane = 0; lane < 4; lane += 1) if (((bits >> lane) & 1) !== 0) meetPicture(b + 4 * lane);
  }
}

/** A sample meets a picture that was worked out before: its shares there, straight between its four nearest samples. */
function meetPicture(i: i32): void {
  const wide = load<i32>(under);
  const high = load<i32>(under, 4);
  const side = load<f32>(under, 8);
  const x = load<f32>(X + i);
  const y = load<f32>(Y + i);
  const u = min(f32(wide - 1), max(f32(0), (x - load<f32>(under, 12)) / side - 0.5));
  const v = min(f32(high - 1), max(f32(0), (y - load<f32>(under, 16)) / side - 0.5));
  const column = min(wide - 2, i32(u));
  const row = min(high - 2, i32(v));
  const a = u - f32(column);
  const b = v - f32(row);
  const clear = load<f32>(CLEAR + i);
  let at = under + 24 + ((row * wide + column) << 2);
  for (let colour = 0; colour < load<i32>(under, 20); colour += 1) {
    const low = at + (wide << 2);
    const first = load<f32>(at) * (1 - a) + load<f32>(at, 4) * a;
    const last = load<f32>(low) * (1 - a) + load<f32>(low, 4) * a;
    const to = WEIGHT + colour * ROW + i;
    store<f32>(to, load<f32>(to) + clear * (first * (1 - b) + last * b));
    at += (wide * high) << 2;
  }
  store<f32>(CLEAR + i, 0);
  store<f32>(SOURCE_X + i, x);
  store<f32>(SOURCE_Y + i, y);
}

/** Writes down what the samples of a list of spots are made of. @param apartPx how far from each other they were asked; 0 where nothing is looked for */
export function finish(list: i32, many: i32, apartPx: i32): void {
  underneath();
  for (let n = 0; n < many; n += 1) {
    const spot = load<i32>(list + 4 * n);
    store<u8>(KNOWN + spot, 2);
    const busy = load<i32>(BUSY + (n << 2));
    store<u8>(NEAR_BY + spot, busy === FAR ? apartPx : busy === NEAR ? apartPx >> 1 : 0);
  }
  for (let n = 0; n < many; n += 4) {
    const b = n << 2;
    write(list + b, many - n, 0, SHEAR_X + b, SHEAR_Y + b, SOURCE_X + b, SOURCE_Y + b);
    for (let colour = 0; colour < colours; colour += 4) {
      const row = WEIGHT + colour * ROW + b;
      write(list + b, many - n, 4 + colour, row, row + ROW, row + 2 * ROW, row + 3 * ROW);
    }
  }
}
/** Four rows of four samples, turned: to each of its spots, from its nth number on. */
function write(list: i32, many: i32, n: i32, first: i32, second: i32, third: i32, fourth: i32): void {
  const a = v128.load(first);
  const b = v128.load(second);
  const c = v128.load(third);
  const d = v128.load(fourth);
  const ab = v128.shuffle<f32>(a, b, 0, 4, 1, 5);
  const cd = v128.shuffle<f32>(c, d, 0, 4, 1, 5);
  const abHigh = v128.shuffle<f32>(a, b, 2, 6, 3, 7);
  const cdHigh = v128.shuffle<f32>(c, d, 2, 6, 3, 7);
  const to = PICTURE + 4 * n;
  v128.store(to + load<i32>(list) * spotBytes, v128.shuffle<f32>(ab, cd, 0, 1, 4, 5));
  if (many > 1) v128.store(to + load<i32>(list, 4) * spotBytes, v128.shuffle<f32>(ab, cd, 2, 3, 6, 7));
  if (many > 2)
    v128.store(to + load<i32>(list, 8) * spotBytes, v128.shuffle<f32>(abHigh, cdHigh, 0, 1, 4, 5));
  if (many > 3)
    v128.store(to + load<i32>(list, 12) * spotBytes, v128.shuffle<f32>(abHigh, cdHigh, 2, 3, 6, 7));
}
