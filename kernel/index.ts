/**
 * Tiles of a picture, their samples taken back through the operations of a rehearsal four at once: the fast way of what
 * src/core/pattern/engine does, which is the definition and the fallback. Built by `npm run kernel` into engine/kernel-bytes.ts there.
 */

import { setOff, setTile, takeBack } from "./batch";
import { draw, lay } from "./sampling";

export { setTile } from "./batch";

/** Draws a tile and lays it into a strip of tiles: see `draw` and `lay`. */
export function tile(
  across: i32,
  down: i32,
  toRight: i32,
  toLow: i32,
  apart: i32,
  alike: f32,
  near: bool,
  pixelMm: f32,
  to: i32,
  rowBytes: i32,
  planeBytes: i32,
): void {
  draw(across, down, toRight, toLow, apart, alike, near, pixelMm);
  lay(to, rowBytes, planeBytes, across, down);
}

/** Takes the samples of a group back whose places stand in its rows, and leaves there what became of them: for checks against the definition. */
export function group(program: i32, ops: i32, many: i32, colours: i32, spread: f32): void {
  setTile(program, ops, true, colours, 0, 0, spread, 0, 0, 0, 1, 0, 0);
  setOff(many, 0);
  takeBack();
}
