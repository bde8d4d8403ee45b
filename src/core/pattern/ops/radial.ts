import { drawOut, type Tile } from "../engine/tile";

/** Draws a footprint out by a radial map at a direction (ux, uy): along the ray by its slope, across it by r0/r. */
export function drawOutRadially(
  tile: Tile,
  i: number,
  ux: number,
  uy: number,
  along: number,
  across: number,
): void {
  const both = along - across;
  drawOut(tile, i, across + both * ux * ux, both * ux * uy, both * ux * uy, across + both * uy * uy);
}
