/** An operation done to a group: wherever it lies, around a tumbler, or in one zone alone. */

import { aroundOf, boxOf, codeOf, flagsOf, zoneOf } from "./data";
import {
  ALL,
  any,
  bound,
  end,
  f4,
  LIVE,
  maxX,
  minX,
  meets,
  putIn,
  setAside,
  settle,
  WAS_LIVE,
  WAS_X,
  WAS_Y,
  X,
  Y,
} from "./memory";
import { air, lay, tilt, wobble } from "./flow";
import { craters, slit } from "./holes";
import { cover, field, flecks, fog, mask } from "./laying";
import { drop } from "./drop";
import { line } from "./line";
import { stroke } from "./stroke";

/** What it shows is settled after it; it closes by itself around a tumbler. */
const SETTLES: i32 = 1;
const CLOSES: i32 = 2;

function back(op: i32): void {
  switch (codeOf(op)) {
    case 0:
      cover(op);
      break;
    case 1:
      drop(op);
      break;
    case 2:
      line(op);
      break;
    case 3:
      stroke(op);
      break;
    case 4:
      wobble(op);
      break;
    case 5:
      lay(op);
      break;
    case 6:
      craters(op);
      break;
    case 7:
      air(op);
      break;
    case 8:
      slit(op);
      break;
    case 9:
      fog(op);
      break;
    case 10:
      tilt(op);
      break;
    case 11:
      flecks(op);
      break;
    case 12:
      field(op);
      break;
    default:
      mask(op);
  }
}

/** On a tumbler's wall: brought back once around, and met where it is and once around to either side. */
function closed(op: i32, around: f32): void {
  if (minX < 0 || maxX >= around) {
    for (let b = 0; b < end; b += 16) {
      const x = v128.load(X + b);
      const turns = f32x4.floor(f32x4.mul(x, f4(1 / around)));
      putIn(X + b, v128.load(LIVE + b), f32x4.sub(x, f32x4.mul(f4(around), turns)));
    }
    bound();
  }
  const closes = (flagsOf(op) & CLOSES) !== 0;
  if (closes || meets(boxOf(op), v128.load(ALL))) back(op);
  if (closes) return;
  // Seen once around to the right first, as in the definition.
  if (meets(boxOf(op), allAside(around))) backAside(op, around);
  if (meets(boxOf(op), allAside(-around))) backAside(op, -around);
}
function allAside(byMm: f32): v128 {
  return f32x4.add(v128.load(ALL), f32x4(byMm, 0, -byMm, 0));
}
function backAside(op: i32, byMm: f32): void {
  setAside(byMm);
  back(op);
  setAside(0);
}
function backAround(op: i32): void {
  const around = aroundOf(op);
  if (around > 0) closed(op, around);
  else back(op);
}

/** How far inside a zone samples lie, mm. A zone is its number of fields and their places; a field its x, y, steps to a mm, width and height, and distances. */
function inside(zone: i32, x: v128, y: v128): v128 {
  const many = load<i32>(zone);
  let most = f4(-1e9);
  for (let n = 0; n < many; n += 1) {
    const at = load<i32>(zone + 4 + 4 * n);
    const wide = load<f32>(at, 12);
    const u = f32x4.pmax(
      f4(0),
      f32x4.pmin(f4(wide - 1.001), f32x4.mul(f32x4.sub(x, f4(load<f32>(at))), f4(load<f32>(at, 8)))),
    );
    const v = f32x4.pmax(
      f4(0),
      f32x4.pmin(
        f4(load<f32>(at, 16) - 1.001),
        f32x4.mul(f32x4.sub(y, f4(load<f32>(at, 4))), f4(load<f32>(at, 8))),
      ),
    );
    v128.store(256, u);
    v128.store(272, v);
    for (let lane = 0; lane < 4; lane += 1) {
      const a = load<f32>(256 + 4 * lane);
      const b = load<f32>(272 + 4 * lane);
      const column = i32(floor(a));
      const row = i32(floor(b));
      const spot = at + 20 + ((row * i32(wide) + column) << 2);
      const low = spot + (i32(wide) << 2);
      const ax = a - floor(a);
      const top = load<f32>(spot) * (1 - ax) + load<f32>(spot, 4) * ax;
      const under = load<f32>(low) * (1 - ax) + load<f32>(low, 4) * ax;
      const by = b - floor(b);
      store<f32>(288 + 4 * lane, top * (1 - by) + under * by);
    }
    most = f32x4.pmax(most, v128.load(288));
  }
  return most;
}

/** A barrier holds the film beside it back over this much, mm. */
const HELD: f32 = 8;
/** In one zone alone: what lies in others stays as it is, and what it moves stays on its side of the border. */
function inZone(op: i32, zone: i32): void {
  let own = false;
  for (let b = 0; b < end; b += 16) {
    const live = v128.load(LIVE + b);
    const x = v128.load(X + b);
    const y = v128.load(Y + b);
    v128.store(WAS_LIVE + b, live);
    v128.store(WAS_X + b, x);
    v128.store(WAS_Y + b, y);
    const here = v128.and(live, f32x4.ge(inside(zone, x, y), f4(0)));
    v128.store(LIVE + b, here);
    own = own || any(here);
  }
  if (own) {
    bound();
    backAround(op);
    for (let b = 0; b < end; b += 16) {
      const here = v128.load(LIVE + b);
      if (!any(here)) continue;
      const fromX = v128.load(WAS_X + b);
      const fromY = v128.load(WAS_Y + b);
      const dx = f32x4.sub(v128.load(X + b), fromX);
      const dy = f32x4.sub(v128.load(Y + b), fromY);
      const none = f4(0);
      const moved = v128.and(here, v128.or(f32x4.ne(dx, none), f32x4.ne(dy, none)));
      if (!any(moved)) continue;
      const free = f32x4.pmin(f4(1), f32x4.mul(inside(zone, fromX, fromY), f4(1 / HELD)));
      const x = f32x4.add(fromX, f32x4.mul(free, dx));
      const y = f32x4.add(fromY, f32x4.mul(free, dy));
      const stays = f32x4.ge(inside(zone, x, y), none);
      putIn(X + b, moved, v128.bitselect(x, fromX, stays));
      putIn(Y + b, moved, v128.bitselect(y, fromY, stays));
    }
  }
  for (let b = 0; b < end; b += 16) v128.store(LIVE + b, v128.load(WAS_LIVE + b));
  bound();
}

/**
 * Takes a group back through a row of operations, the last first, as long as anything of it is live.
 * @param program places of the operations, the first first
 * @param skipping whether operations that do not reach the group are passed over
 */
export function throughAll(program: i32, ops: i32, skipping: bool): void {
  let live = true;
  for (let at = ops - 1; live && at >= 0; at -= 1) {
    const op = load<i32>(program + 4 * at);
    if (skipping && aroundOf(op) === 0 && !meets(boxOf(op), v128.load(ALL))) continue;
    const zone = zoneOf(op);
    if (zone !== 0) inZone(op, zone);
    else backAround(op);
    if ((flagsOf(op) & SETTLES) !== 0) live = settle();
  }
}
