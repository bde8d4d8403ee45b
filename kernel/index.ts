/**
 * Tiles of a picture, their samples taken back through the operations of a rehearsal four at once: the fast way of what
 * src/core/pattern/engine does, which is the definition and the fallback. Built by `npm run kernel` into engine/kernel-bytes.ts there.
 */

import { setOff, setTile, takeBack } from "./batch";

export { setTile } from "./batch";
export { draw, lay } from "./sampling";

/** Takes the samples of a group back whose places stand in its rows, and leaves there what became of them: for checks against the definition. */
export function group(program: i32, ops: i32, many: i32, colours: i32, spread: f32): void {
  setTile(program, ops, true, colours, 0, 0, spread, 0, 0, 0, 1, 0, 0);
  setOff(many, 0);
  takeBack();
}
