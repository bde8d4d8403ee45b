import { meets, type Op } from "./op";
import type { Shares, Sheet } from "./sheet";
import { FAR, meet, NEAR, newTile, resetTile, settle, TILE, weightAt, type Tile } from "./tile";

/** Takes a tile back through all operations, the last first; those that do not reach its live samples are passed over. */
function through(
  tile: Tile,
  ops: readonly Op[],
  base: number,
  skipping: boolean,
  under: Shares | null,
): void {
  for (let at = ops.length - 1; at >= 0 && tile.live > 0; at -= 1) {
    const op = ops[at] as Op;
    if (skipping && !meets(op.box, tile.box)) continue;
    op.back(tile);
    // What only moves colours about shows none.
    if (op.preserves === "nothing") settle(tile);
  }
  for (let n = 0; n < tile.live; n += 1) {
    const i = tile.index[n] as number;
    // A hole through everything shows what is under it too.
    tile.deep[i] = 0;
    if (under) meetPicture(tile, i, under);
    else meet(tile, i, base, 1);
  }
}

/** A sample meets a picture that was worked out before: its shares there, straight between its four nearest samples. */
function meetPicture(tile: Tile, i: number, { sheet, weight }: Shares): void {
  const { widthPx, heightPx, pixelMm, fromX, fromY, colours } = sheet;
  const u = Math.min(widthPx - 1, Math.max(0, ((tile.x[i] as number) - fromX) / pixelMm - 0.5));
  const v = Math.min(heightPx - 1, Math.max(0, ((tile.y[i] as number) - fromY) / pixelMm - 0.5));
  const column = Math.min(widthPx - 2, Math.floor(u));
  const row = Math.min(heightPx - 2, Math.floor(v));
  const a = u - column;
  const b = v - row;
  const clear = tile.clear[i] as number;
  const at = row * widthPx + column;
  for (let colour = 0; colour < colours; colour += 1) {
    const from = colour * widthPx * heightPx + at;
    const top = (weight[from] as number) * (1 - a) + (weight[from + 1] as number) * a;
    const low = (weight[from + widthPx] as number) * (1 - a) + (weight[from + widthPx + 1] as number) * a;
    const to = weightAt(colour, i);
    tile.weight[to] = (tile.weight[to] as number) + clear * (top * (1 - b) + low * b);
  }
  tile.clear[i] = 0;
  tile.sourceX[i] = tile.x[i] as number;
  tile.sourceY[i] = tile.y[i] as number;
}

/** Squares of samples within a tile, four numbers each: left, top, right and low of their corners. No objects: there are many in each tile. */
type Squares = { many: number; at: Uint8Array };

/** Samples along a tile's square, with the first of the next one. */
const GRID = TILE + 1;
/** How far apart samples are worked out first, and what is then taken as alike. */
export type Closeness = {
  /** Samples from one to the next; 1 works all of them out. */
  apart: number;
  /** Four samples whose shares of each colour differ by no more than this are alike, and those between them too. */
  alike: number;
  /** Whether something small between them is looked for. */
  looks: boolean;
  /** Operations that are left out. */
  without: readonly Op["kind"][];
};
/** All samples, one by one. */
export const EACH: Closeness = { apart: 1, alike: 0, looks: false, without: [] };
/** No other than each to the eye: a sample in ten thousand is off. */
export const CLOSE: Closeness = { apart: 4, alike: 0.02, looks: true, without: [] };
/** A first picture, soon: without the cells of alcohol, and hairs may be missing. */
export const ROUGH: Closeness = { apart: 4, alike: 0.2, looks: false, without: ["craters"] };

/** Of numbers at the four corners of a square, what lies between them at a place of it, straight between. */
function between(
  of: Float32Array,
  from: number,
  a: number,
  b: number,
  c: number,
  d: number,
  u: number,
  v: number,
): number {
  const first = (of[from + a] as number) * (1 - u) + (of[from + b] as number) * u;
  const last = (of[from + c] as number) * (1 - u) + (of[from + d] as number) * u;
  return first * (1 - v) + last * v;
}

/** So far may the way their flakes lie differ among samples that are alike. */
const ALIKE_SHEAR = 0.35;
/** What is alike was poured side by side: no further apart than so many times what it lies apart. */
const SIDE_BY_SIDE = 8;

/** Draws tiles of a sheet, one at a time: where they begin, samples, and how many samples along they are. */
export function drawTile(
  all: readonly Op[],
  sheet: Sheet,
  { skipping, under, closeness }: { skipping: boolean; under: Shares | null; closeness: Closeness },
): (into: Shares, fromPx: number, fromRow: number, side: number) => void {
  const { widthPx, heightPx, pixelMm, fromX, fromY, colours } = sheet;
  const { apart, alike: alikeBy, looks, without } = closeness;
  const ops = without.length > 0 ? all.filter(({ kind }) => !without.includes(kind)) : all;
  const samples = widthPx * heightPx;
  const tile = newTile(colours);
  const spots = GRID * GRID;
  const weight = new Float32Array(spots * colours);
  /** The way flakes lie, twice; where it was poured, twice. */
  const rest = new Float32Array(spots * 4);
  /** 0 for what is not known, 1 for what is asked, 2 for what is worked out. */
  const known = new Uint8Array(spots);
  /** Within how many samples something small may lie; 0 for none. */
  const near = new Uint8Array(spots);
  const asked = new Int32Array(spots);
  let many = 0;

  const ask = (column: number, row: number) => {
    const spot = row * GRID + column;
    if (known[spot] !== 0) return;
    known[spot] = 1;
    asked[many] = spot;
    many += 1;
  };
  const room = (): Squares => ({ many: 0, at: new Uint8Array(4 * TILE * TILE) });
  let squares = room();
  let next = room();
  const flat = room();
  const put = (to: Squares, left: number, top: number, right: number, low: number) => {
    const at = 4 * to.many;
    to.at[at] = left;
    to.at[at + 1] = top;
    to.at[at + 2] = right;
    to.at[at + 3] = low;
    to.many += 1;
  };
  const askSquare = (to: Squares, left: number, top: number, right: number, low: number) => {
    ask(left, top);
    ask(right, top);
    ask(left, low);
    ask(right, low);
    put(to, left, top, right, low);
  };
  /** Its four quarters, or its halves where it is one sample high or wide. */
  const askQuarters = (to: Squares, left: number, top: number, right: number, low: number) => {
    const middle = right - left < 2 ? right : (left + right) >> 1;
    const half = low - top < 2 ? low : (top + low) >> 1;
    askSquare(to, left, top, middle, half);
    if (half < low) askSquare(to, left, half, middle, low);
    if (middle < right) {
      askSquare(to, middle, top, right, half);
      if (half < low) askSquare(to, middle, half, right, low);
    }
  };
  /** Works out what is asked. */
  const answer = (left: number, top: number, apartPx: number) => {
    for (let from = 0; from < many; from += TILE * TILE) {
      const part = asked.subarray(from, Math.min(many, from + TILE * TILE));
      for (let n = 0; n < part.length; n += 1) {
        const spot = part[n] as number;
        tile.x[n] = fromX + (left + (spot % GRID) + 0.5) * pixelMm;
        tile.y[n] = fromY + (top + ((spot / GRID) | 0) + 0.5) * pixelMm;
      }
      resetTile(tile, part.length, pixelMm, looks && apartPx > 1 ? apartPx * pixelMm : 0);
      through(tile, ops, sheet.base, skipping, under);
      for (let n = 0; n < part.length; n += 1) {
        const spot = part[n] as number;
        known[spot] = 2;
        for (let colour = 0; colour < colours; colour += 1)
          weight[colour * spots + spot] = tile.weight[weightAt(colour, n)] as number;
        rest[spot] = tile.shear2x[n] as number;
        rest[spots + spot] = tile.shear2y[n] as number;
        rest[2 * spots + spot] = tile.sourceX[n] as number;
        rest[3 * spots + spot] = tile.sourceY[n] as number;
        const busy = looks ? tile.busy[n] : 0;
        near[spot] = busy === FAR ? apartPx : busy === NEAR ? apartPx / 2 : 0;
      }
    }
    many = 0;
  };
  const range = (of: Float32Array, from: number, a: number, b: number, c: number, d: number) => {
    const p = of[from + a] as number;
    const q = of[from + b] as number;
    const r = of[from + c] as number;
    const s = of[from + d] as number;
    return Math.max(p, q, r, s) - Math.min(p, q, r, s);
  };
  /** Whether what lies between the corners of a square is as they are. */
  const allAlike = (left: number, top: number, right: number, low: number) => {
    const size = Math.max(right - left, low - top);
    const a = top * GRID + left;
    const b = top * GRID + right;
    const c = low * GRID + left;
    const d = low * GRID + right;
    const small = (spot: number) => (near[spot] as number) > 0 && (near[spot] as number) <= size;
    if (small(a) || small(b) || small(c) || small(d)) return false;
    for (let colour = 0; colour < colours; colour += 1)
      if (range(weight, colour * spots, a, b, c, d) > alikeBy) return false;
    for (let at = 0; at < 4; at += 1)
      if (range(rest, at * spots, a, b, c, d) > (at < 2 ? ALIKE_SHEAR : SIDE_BY_SIDE * size * pixelMm))
        return false;
    return true;
  };
  /** What lies between the corners of a square, straight between them. */
  const fill = (left: number, top: number, right: number, low: number) => {
    const a = top * GRID + left;
    const b = top * GRID + right;
    const c = low * GRID + left;
    const d = low * GRID + right;
    for (let row = top; row <= low; row += 1)
      for (let column = left; column <= right; column += 1) {
        const spot = row * GRID + column;
        if (known[spot] === 2) continue;
        const u = right > left ? (column - left) / (right - left) : 0;
        const v = low > top ? (row - top) / (low - top) : 0;
        for (let colour = 0; colour < colours; colour += 1)
          weight[colour * spots + spot] = between(weight, colour * spots, a, b, c, d, u, v);
        for (let at = 0; at < 4; at += 1)
          rest[at * spots + spot] = between(rest, at * spots, a, b, c, d, u, v);
      }
  };
  /** Numbers from 0 to the last, so far apart; the last too. */
  const stops = (last: number, step: number) => {
    const all = Array.from({ length: Math.floor(last / step) + 1 }, (_, n) => n * step);
    return all[all.length - 1] === last ? all : [...all, last];
  };

  return (into, fromPx, fromRow, side) => {
    known.fill(0);
    const across = Math.min(side, widthPx - fromPx);
    const down = Math.min(side, heightPx - fromRow);
    if (apart <= 1) {
      for (let row = 0; row < down; row += 1)
        for (let column = 0; column < across; column += 1) ask(column, row);
      answer(fromPx, fromRow, 1);
    } else {
      // The first samples of the next tile belong to the squares at this one's end.
      const columns = stops(Math.min(side, widthPx - 1 - fromPx), apart);
      const rows = stops(Math.min(side, heightPx - 1 - fromRow), apart);
      squares.many = 0;
      flat.many = 0;
      for (let n = 0; n < Math.max(1, columns.length - 1); n += 1)
        for (let m = 0; m < Math.max(1, rows.length - 1); m += 1) {
          const [left, top] = [columns[n] as number, rows[m] as number];
          askSquare(squares, left, top, columns[n + 1] ?? left, rows[m + 1] ?? top);
        }
      for (let step = apart; squares.many > 0; step = Math.max(1, step >> 1)) {
        answer(fromPx, fromRow, step);
        next.many = 0;
        for (let n = 0; n < squares.many; n += 1) {
          const left = squares.at[4 * n] as number;
          const top = squares.at[4 * n + 1] as number;
          const right = squares.at[4 * n + 2] as number;
          const low = squares.at[4 * n + 3] as number;
          if (right - left < 2 && low - top < 2) continue;
          if (allAlike(left, top, right, low)) put(flat, left, top, right, low);
          else askQuarters(next, left, top, right, low);
        }
        [squares, next] = [next, squares];
      }
      for (let n = 0; n < flat.many; n += 1)
        fill(
          flat.at[4 * n] as number,
          flat.at[4 * n + 1] as number,
          flat.at[4 * n + 2] as number,
          flat.at[4 * n + 3] as number,
        );
    }
    for (let row = 0; row < down; row += 1)
      for (let column = 0; column < across; column += 1) {
        const spot = row * GRID + column;
        const place = (fromRow + row) * widthPx + fromPx + column;
        for (let colour = 0; colour < colours; colour += 1)
          into.weight[colour * samples + place] = weight[colour * spots + spot] as number;
        into.shear2x[place] = rest[spot] as number;
        into.shear2y[place] = rest[spots + spot] as number;
        into.sourceX[place] = rest[2 * spots + spot] as number;
        into.sourceY[place] = rest[3 * spots + spot] as number;
      }
  };
}
