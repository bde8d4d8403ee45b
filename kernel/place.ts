/** Places along and across the direction of an operation. */

import { num } from "./data";
import { drawOut, f4, putIn, putX, xAt, Y } from "./memory";

/** Places along and across an operation's direction. */
export let along: v128 = i32x4.splat(0);
export let across: v128 = i32x4.splat(0);
export function place(op: i32, b: i32): void {
  const dx = f32x4.sub(xAt(b), f4(num(op, 0)));
  const dy = f32x4.sub(v128.load(Y + b), f4(num(op, 1)));
  const c = f4(num(op, 2));
  const s = f4(num(op, 3));
  along = f32x4.add(f32x4.mul(c, dx), f32x4.mul(s, dy));
  across = f32x4.sub(f32x4.mul(c, dy), f32x4.mul(s, dx));
}
/** Puts samples where they lay along and across it. */
export function putPlace(op: i32, b: i32, mask: v128, q: v128, p: v128): void {
  const c = f4(num(op, 2));
  const s = f4(num(op, 3));
  putX(b, mask, f32x4.add(f4(num(op, 0)), f32x4.sub(f32x4.mul(c, q), f32x4.mul(s, p))));
  putIn(Y + b, mask, f32x4.add(f4(num(op, 1)), f32x4.add(f32x4.mul(s, q), f32x4.mul(c, p))));
}
/** Draws out by a Jacobian that is given along and across it. */
export function drawOutPlace(
  op: i32,
  b: i32,
  mask: v128,
  qq: v128,
  qp: v128,
  pq: v128,
  pp: v128,
  smear: v128,
  tx: v128,
  ty: v128,
): void {
  const c = f4(num(op, 2));
  const s = f4(num(op, 3));
  const xq = f32x4.sub(f32x4.mul(c, qq), f32x4.mul(s, pq));
  const xp = f32x4.sub(f32x4.mul(c, qp), f32x4.mul(s, pp));
  const yq = f32x4.add(f32x4.mul(s, qq), f32x4.mul(c, pq));
  const yp = f32x4.add(f32x4.mul(s, qp), f32x4.mul(c, pp));
  drawOut(
    b,
    mask,
    f32x4.sub(f32x4.mul(c, xq), f32x4.mul(s, xp)),
    f32x4.add(f32x4.mul(s, xq), f32x4.mul(c, xp)),
    f32x4.sub(f32x4.mul(c, yq), f32x4.mul(s, yp)),
    f32x4.add(f32x4.mul(s, yq), f32x4.mul(c, yp)),
    smear,
    tx,
    ty,
  );
}
export function between(v: v128, least: f32, most: f32): v128 {
  return v128.and(f32x4.gt(v, f4(least)), f32x4.lt(v, f4(most)));
}
