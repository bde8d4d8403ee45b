/** Fields of noise, as src/core/pattern/engine/noise.ts. */

import { f4 } from "./memory";

const SIDE: i32 = 64;
/** Noise between random heights on a grid, at four places of it. */
export function noise4(heights: i32, u: v128, v: v128): v128 {
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
