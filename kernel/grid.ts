/** Which of many small things may lie where samples do, as src/core/pattern/engine/buckets.ts. */

import { int, num } from "./data";
import { any, f4, xAt, Y } from "./memory";

/** Squares in which samples lie: first and behind last of their things, four each; −1 where there is none. */
export const FIRST: i32 = 768;
export const AFTER: i32 = 784;
/**
 * Finds them; whether any has something in it.
 * @param at where among an operation's numbers the grid begins: x, y, squares to a mm, across, down, starts
 */
export function squares(op: i32, at: i32, b: i32, mask: v128): bool {
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
