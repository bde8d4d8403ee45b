import type { Box, Ring } from "../../geometry/ring";
import type { Point } from "../../geometry/curves";
import { nth } from "../../numerics/nth";

/** How far inside a zone a place lies, mm: less than 0 in another one, 0 on the border between them. */
export type ZoneField = { (x: number, y: number): number; grids: readonly ZoneGrid[] };

/** Places across the longer side at which distances are kept; between them they run straight. */
const ACROSS = 320;

type Grid = { fromX: number; fromY: number; stepMm: number; wide: number; high: number };

/** The distances that a field runs between, row by row; of several fields the largest counts. */
export type ZoneGrid = Grid & { inside: Float32Array };

/** A place is in one of several zones as far as it is in that which it lies furthest in. */
export const anyOf = (fields: readonly ZoneField[]): ZoneField =>
  Object.assign((x: number, y: number) => Math.max(...fields.map((field) => field(x, y))), {
    grids: fields.flatMap(({ grids }) => grids),
  });

function gridOver(box: Box): Grid {
  const stepMm = Math.max(0.5, Math.max(box.maxX - box.minX, box.maxY - box.minY) / ACROSS);
  return {
    fromX: box.minX,
    fromY: box.minY,
    stepMm,
    wide: Math.ceil((box.maxX - box.minX) / stepMm) + 2,
    high: Math.ceil((box.maxY - box.minY) / stepMm) + 2,
  };
}

/** Sides of closed lines: x and y of where each begins, the way to its end, and 1/length². */
const SIDE = 5;
function sidesOf(rings: readonly Ring[]): Float64Array {
  const sides = new Float64Array(SIDE * rings.reduce((sum, ring) => sum + ring.length, 0));
  let at = 0;
  for (const ring of rings)
    ring.forEach((a, n) => {
      const b = ring[(n + 1) % ring.length] as Point;
      const [dx, dy] = [b.x - a.x, b.y - a.y];
      const long = dx * dx + dy * dy;
      sides.set([a.x, a.y, dx, dy, long > 0 ? 1 / long : 0], at);
      at += SIDE;
    });
  return sides;
}

/** Square of how far a place is from a side, mm². */
function square(sides: Float64Array, at: number, x: number, y: number): number {
  const px = x - (sides[at] as number);
  const py = y - (sides[at + 1] as number);
  const dx = sides[at + 2] as number;
  const dy = sides[at + 3] as number;
  const along = (px * dx + py * dy) * (sides[at + 4] as number);
  const t = along < 0 ? 0 : along > 1 ? 1 : along;
  const ex = px - t * dx;
  const ey = py - t * dy;
  return ex * ex + ey * ey;
}

/** Where a line of each row of a grid is crossed, mm, from left to right. */
function crossings(sides: Float64Array, { fromY, stepMm, high }: Grid): number[][] {
  const rows = Array.from({ length: high }, (): number[] => []);
  for (let at = 0; at < sides.length; at += SIDE) {
    const [x, y, dx, dy] = [nth(sides, at), nth(sides, at + 1), nth(sides, at + 2), nth(sides, at + 3)];
    const first = Math.max(0, Math.ceil((Math.min(y, y + dy) - fromY) / stepMm) - 1);
    const last = Math.min(high - 1, Math.floor((Math.max(y, y + dy) - fromY) / stepMm) + 1);
    for (let row = first; row <= last; row += 1) {
      const level = fromY + row * stepMm;
      if (y <= level !== y + dy <= level) rows[row]?.push(x + ((level - y) / dy) * dx);
    }
  }
  return rows.map((hits) => hits.sort((a, b) => a - b));
}

/**
 * Distances to closed lines at the places of a grid, mm, positive inside: exact beside the lines, from there by the nearest side that a
 * neighbour knows (two sweeps, Danielsson 1980).
 */
function distances(rings: readonly Ring[], grid: Grid): Float32Array {
  const { fromX, fromY, stepMm, wide, high } = grid;
  const sides = sidesOf(rings);
  const nearest = new Int32Array(wide * high).fill(-1);
  const far = new Float64Array(wide * high).fill(1e18);
  const ask = (column: number, row: number, side: number) => {
    const at = row * wide + column;
    const found = square(sides, side, fromX + column * stepMm, fromY + row * stepMm);
    if (found < (far[at] as number)) {
      far[at] = found;
      nearest[at] = side;
    }
  };
  const low = (mm: number, from: number) => Math.max(0, Math.floor((mm - from) / stepMm) - 1);
  const most = (mm: number, from: number, many: number) =>
    Math.min(many - 1, Math.floor((mm - from) / stepMm) + 2);
  for (let side = 0; side < sides.length; side += SIDE) {
    const [x, y, dx, dy] = [
      nth(sides, side),
      nth(sides, side + 1),
      nth(sides, side + 2),
      nth(sides, side + 3),
    ];
    for (let row = low(Math.min(y, y + dy), fromY); row <= most(Math.max(y, y + dy), fromY, high); row += 1)
      for (
        let column = low(Math.min(x, x + dx), fromX);
        column <= most(Math.max(x, x + dx), fromX, wide);
        column += 1
      )
        ask(column, row, side);
  }
  /** What the neighbour of a place knows. */
  const hear = (column: number, row: number, x: number, y: number) => {
    if (x < 0 || y < 0 || x >= wide || y >= high) return;
    const side = nearest[y * wide + x] as number;
    if (side >= 0 && side !== nearest[row * wide + column]) ask(column, row, side);
  };
  for (const by of [-1, 1])
    for (let n = 0; n < wide * high; n += 1) {
      const at = by < 0 ? n : wide * high - 1 - n;
      const row = Math.floor(at / wide);
      const column = at - row * wide;
      hear(column, row, column + by, row);
      hear(column, row, column, row + by);
      hear(column, row, column + by, row + by);
      hear(column, row, column - by, row + by);
    }
  // Inside or out: by the crossings of each row.
  const inside = Float32Array.from(far, Math.sqrt);
  crossings(sides, grid).forEach((hits, row) => {
    let passed = 0;
    for (let column = 0; column < wide; column += 1) {
      const x = fromX + column * stepMm;
      while (passed < hits.length && nth(hits, passed) <= x) passed += 1;
      if (passed % 2 === 0) inside[row * wide + column] = -nth(inside, row * wide + column);
    }
  });
  return inside;
}

/**
 * Fields of all zones of a piece over a box: half of how much nearer a place is to one than to any other, so that the faces around a top and all
 * else beyond it belong to the zone that is nearest.
 */
export function zoneFields(zones: readonly (readonly Ring[])[], box: Box): ZoneField[] {
  const grid = gridOver(box);
  const { fromX, fromY, stepMm, wide, high } = grid;
  const all = zones.map((rings) => distances(rings, grid));
  return all.map((own, zone) => {
    const others = all.filter((_, n) => n !== zone);
    const field = own.map((inside, at) => {
      let other = -1e9;
      for (const their of others) if ((their[at] as number) > other) other = their[at] as number;
      return (inside - other) / 2;
    });
    const at = (x: number, y: number) => {
      const u = Math.max(0, Math.min(wide - 1.001, (x - fromX) / stepMm));
      const v = Math.max(0, Math.min(high - 1.001, (y - fromY) / stepMm));
      const [column, row] = [Math.floor(u), Math.floor(v)];
      const [a, b] = [u - column, v - row];
      const spot = row * wide + column;
      const top = (field[spot] as number) * (1 - a) + (field[spot + 1] as number) * a;
      const low = (field[spot + wide] as number) * (1 - a) + (field[spot + wide + 1] as number) * a;
      return top * (1 - b) + low * b;
    };
    return Object.assign(at, { grids: [{ ...grid, inside: field }] });
  });
}
