import { boxOf, type Box, type Ring } from "../../geometry/ring";
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

const distance = (x: number, y: number, a: Point, b: Point): number => {
  const [dx, dy] = [b.x - a.x, b.y - a.y];
  const long = dx * dx + dy * dy;
  const along = long > 0 ? Math.max(0, Math.min(1, ((x - a.x) * dx + (y - a.y) * dy) / long)) : 0;
  return Math.hypot(x - a.x - along * dx, y - a.y - along * dy);
};

/**
 * Distances to closed lines at the places of a grid, mm, positive inside: exact beside the lines, from there by the nearest side that a
 * neighbour knows (two sweeps, Danielsson 1980).
 */
function distances(rings: readonly Ring[], grid: Grid): Float32Array {
  const { fromX, fromY, stepMm, wide, high } = grid;
  const sides = rings.flatMap((ring) =>
    ring.map((a, n): [Point, Point] => [a, ring[(n + 1) % ring.length] as Point]),
  );
  const nearest = new Int32Array(wide * high).fill(-1);
  const far = new Float32Array(wide * high).fill(1e9);
  const ask = (column: number, row: number, side: number) => {
    if (side < 0 || column < 0 || row < 0 || column >= wide || row >= high) return;
    const at = row * wide + column;
    const [a, b] = sides[side] as [Point, Point];
    const found = distance(fromX + column * stepMm, fromY + row * stepMm, a, b);
    if (found < nth(far, at)) {
      far[at] = found;
      nearest[at] = side;
    }
  };
  sides.forEach((side, n) => {
    const { minX, minY, maxX, maxY } = boxOf(side);
    const low = (at: number, from: number) => Math.floor((at - from) / stepMm) - 1;
    for (let row = Math.max(0, low(minY, fromY)); row <= Math.min(high - 1, low(maxY, fromY) + 3); row += 1)
      for (
        let column = Math.max(0, low(minX, fromX));
        column <= Math.min(wide - 1, low(maxX, fromX) + 3);
        column += 1
      )
        ask(column, row, n);
  });
  const sweep = (forwards: boolean) => {
    const by = forwards ? -1 : 1;
    for (let n = 0; n < wide * high; n += 1) {
      const at = forwards ? n : wide * high - 1 - n;
      const [column, row] = [at % wide, Math.floor(at / wide)];
      for (const [dx, dy] of [
        [by, 0],
        [0, by],
        [by, by],
        [-by, by],
      ] as const) {
        const [x, y] = [column + dx, row + dy];
        if (x >= 0 && y >= 0 && x < wide && y < high) ask(column, row, nth(nearest, y * wide + x));
      }
    }
  };
  sweep(true);
  sweep(false);
  // Inside or out: by the crossings of each row.
  for (let row = 0; row < high; row += 1) {
    const y = fromY + row * stepMm;
    const hits = sides
      .flatMap(([a, b]) => (a.y <= y === b.y <= y ? [] : [a.x + ((y - a.y) / (b.y - a.y)) * (b.x - a.x)]))
      .sort((a, b) => a - b);
    let passed = 0;
    for (let column = 0; column < wide; column += 1) {
      const x = fromX + column * stepMm;
      while (passed < hits.length && nth(hits, passed) <= x) passed += 1;
      if (passed % 2 === 0) far[row * wide + column] = -nth(far, row * wide + column);
    }
  }
  return far;
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
    const field = own.map((inside, at) => {
      let other = -1e9;
      all.forEach((their, n) => {
        if (n !== zone && nth(their, at) > other) other = nth(their, at);
      });
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
