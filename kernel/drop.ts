/** Puddles; defined by src/core/pattern/ops/drop.ts. */

import { int, num } from "./data";
import { any, bound, edgeCover, end, f4, LIVE, meet, xAt, Y } from "./memory";
import { drawOutPlace, putPlace } from "./place";
import { angleOf, lookUp, low, rise } from "./turn";

/** x, y, c, s, a, b, pushes, reach², edge, hides, far², whether it has an end; colour, outline. */
export function drop(op: i32): void {
  const a = num(op, 4);
  const bMm = num(op, 5);
  const pushes = num(op, 6);
  const reach2 = num(op, 7);
  const edge = num(op, 8);
  const hides = num(op, 9);
  const far2 = num(op, 10);
  const ends = num(op, 11) !== 0;
  const colour = int(op, 12);
  const outline = int(op, 13);
  const c = f4(num(op, 2));
  const s = f4(num(op, 3));
  const mean: f32 = sqrt(a * bMm);
  const none = f4(0);
  let moved = false;
  for (let b = 0; b < end; b += 16) {
    let mask = v128.load(LIVE + b);
    if (!any(mask)) continue;
    const dx = f32x4.sub(xAt(b), f4(num(op, 0)));
    const dy = f32x4.sub(v128.load(Y + b), f4(num(op, 1)));
    const length2 = f32x4.add(f32x4.mul(dx, dx), f32x4.mul(dy, dy));
    if (ends) mask = v128.and(mask, f32x4.lt(length2, f4(far2)));
    if (!any(mask)) continue;
    const u = f32x4.mul(f32x4.add(f32x4.mul(c, dx), f32x4.mul(s, dy)), f4(1 / a));
    const v = f32x4.mul(f32x4.sub(f32x4.mul(c, dy), f32x4.mul(s, dx)), f4(1 / bMm));
    const rho2 = f32x4.add(f32x4.mul(u, u), f32x4.mul(v, v));
    if (ends) mask = v128.and(mask, f32x4.lt(rho2, f4(reach2)));
    if (!any(mask)) continue;
    const rho = f32x4.sqrt(rho2);
    // Half a turn off, so that all steps are of one sign; the table goes once around.
    const at = f32x4.add(f32x4.mul(angleOf(v, u), f4(512 / 6.283185307179586)), f4(512));
    const step = f32x4.floor(at);
    const around = f32x4.sub(step, v128.and(f4(512), f32x4.ge(step, f4(512))));
    lookUp(outline, around);
    const star = f32x4.add(low, f32x4.mul(rise, f32x4.sub(at, step)));
    const length = f32x4.sqrt(length2);
    const over = v128.bitselect(f32x4.div(f4(1), length), f4(1), f32x4.gt(length2, none));
    const inside = f32x4.mul(f32x4.sub(f32x4.sqrt(f32x4.pmax(star, none)), rho), f4(mean));
    const covered = edgeCover(b, mask, inside, f32x4.mul(dx, over), f32x4.mul(dy, over), edge, f4(Infinity));
    meet(b, mask, colour, f32x4.mul(f4(hides), covered));
    const pushed = f32x4.mul(f4(pushes), star);
    // Nothing of before lies at its middle.
    mask = v128.and(mask, v128.and(f32x4.gt(rho2, pushed), f32x4.gt(rho, none)));
    if (!any(mask)) continue;
    const scale = ends ? f32x4.div(f4(reach2), f32x4.sub(f4(reach2), pushed)) : f4(1);
    const rho0 = f32x4.sqrt(f32x4.pmax(none, f32x4.mul(f32x4.sub(rho2, pushed), scale)));
    const perRho = f32x4.div(f4(1), rho);
    const ratio = f32x4.mul(rho0, perRho);
    const ur = f32x4.mul(u, perRho);
    const vr = f32x4.mul(v, perRho);
    const both = f32x4.sub(f32x4.div(f32x4.mul(scale, rho), f32x4.pmax(rho0, f4(1e-9))), ratio);
    const mixed = f32x4.mul(f32x4.mul(both, ur), vr);
    const qq = f32x4.add(ratio, f32x4.mul(f32x4.mul(both, ur), ur));
    const pp = f32x4.add(ratio, f32x4.mul(f32x4.mul(both, vr), vr));
    const qp = f32x4.mul(mixed, f4(a / bMm));
    const pq = f32x4.mul(mixed, f4(bMm / a));
    putPlace(op, b, mask, f32x4.mul(f32x4.mul(u, ratio), f4(a)), f32x4.mul(f32x4.mul(v, ratio), f4(bMm)));
    drawOutPlace(op, b, mask, qq, qp, pq, pp, none, none, none);
    moved = true;
  }
  if (moved) bound();
}
