import type { Closeness } from "./draw-tile";
import { KERNEL } from "./kernel-bytes";
import type { Op } from "./op";
import { turnedBox, type Packed, type Table } from "./packed";
import type { Shares } from "./sheet";
import { footprintOf, looksBy, TILE } from "./tile";
import type { ZoneGrid } from "./zone-field";

/**
 * The fast way of drawing tiles: the kernel of /kernel, four samples at once by WebAssembly's vectors. `drawTile` is the definition, and what is
 * used where a machine has no vectors or an operation cannot be told in numbers.
 */
export type Kernel = {
  /** Draws tiles of a picture, as `evaluate` does; false where it cannot draw these operations: then nothing was drawn. */
  draw: (ops: readonly Op[], into: Shares, how: Drawing) => boolean;
  /** What becomes of samples, for checks: at most GROUP places, mm, taken back through operations. */
  back: (
    ops: readonly Op[],
    points: readonly (readonly [number, number])[],
    colours: number,
  ) => Taken[] | null;
};
export type Drawing = {
  /** Column and row of each, in the order in which they are drawn. */
  tiles: readonly Place[];
  /** Samples along one, at most TILE. */
  side: number;
  skipping: boolean;
  under: Shares | null;
  closeness: Closeness;
};
/** A sample that was taken back: where it lies, its footprint, how much is still seen through it, a hole's share, its shares. */
export type Taken = {
  x: number;
  y: number;
  sxx: number;
  sxy: number;
  syy: number;
  clear: number;
  deep: number;
  shear: [number, number];
  weight: number[];
};

/** Which operation is which in the kernel. */
const CODE: Record<Op["kind"], number> = {
  cover: 0,
  drop: 1,
  line: 2,
  stroke: 3,
  wobble: 4,
  lay: 5,
  craters: 6,
  air: 7,
  slit: 8,
  fog: 9,
  tilt: 10,
  flecks: 11,
  field: 12,
  mask: 13,
};
/** Words of an operation's head: what it is, flags, its box, its zone, once around. */
const HEAD = 8;
const SETTLES = 1;
const CLOSES = 2;

/** More colours than a picture has: so much room the kernel has for them. */
const MOST_COLOURS = 64;
/** Samples of a group, and where its rows begin, each of so many bytes (/kernel/memory.ts). */
export const GROUP = 64;
const ROWS = 1024;
const ROW_NAMES = ["x", "y", "sxx", "sxy", "syy", "clear", "deep", "shearX", "shearY"] as const;
const WEIGHTS = 25;
/** Numbers of a spot before its colours (/kernel/batch.ts). */
const REST = 4;
/** Behind what the kernel itself works in (/kernel/batch.ts, sampling.ts). */
const KEPT_FROM = 24 * 65_536;
/** Operations that are kept beyond this, bytes, are given up before the next row of them. */
const MOST_KEPT = 32e6;
const PAGE = 65_536;

/** What is used of WebAssembly: this room knows no browser. */
type Assembly = {
  Module: new (bytes: Uint8Array) => object;
  Instance: new (module: object) => { exports: unknown };
};

type Calls = {
  memory: { buffer: ArrayBuffer; grow: (pages: number) => number };
  setTile: (...numbers: number[]) => void;
  draw: (...numbers: number[]) => void;
  lay: (...numbers: number[]) => void;
  group: (...numbers: number[]) => void;
};

/** @throws where this machine cannot run it */
export function openKernel(): Kernel {
  const bytes = Uint8Array.from(atob(KERNEL), (letter) => letter.charCodeAt(0));
  const { WebAssembly: assembly } = globalThis as unknown as { WebAssembly: Assembly };
  const { memory, setTile, draw, lay, group } = new assembly.Instance(new assembly.Module(bytes))
    .exports as Calls;
  let floats = new Float32Array(memory.buffer);
  let words = new Int32Array(memory.buffer);
  let free = KEPT_FROM;
  /** Room for a strip of tiles, before it is laid into its picture. */
  let strip = { at: 0, words: 0 };
  let tables = new WeakMap<object, number>();
  let places = new WeakMap<Op, number>();

  const giveUp = () => {
    free = KEPT_FROM;
    strip = { at: 0, words: 0 };
    tables = new WeakMap();
    places = new WeakMap();
  };
  /** Room for so many words. */
  const room = (many: number): number => {
    const at = free;
    free += 4 * many;
    const short = free - memory.buffer.byteLength;
    if (short > 0) {
      memory.grow(Math.ceil(Math.max(short, 4e6) / PAGE));
      floats = new Float32Array(memory.buffer);
      words = new Int32Array(memory.buffer);
    }
    return at;
  };
  const stripOf = (many: number): number => {
    if (strip.words < many) strip = { at: room(many), words: many };
    return strip.at;
  };
  const once = (thing: object, write: () => number): number => {
    const known = tables.get(thing);
    if (known !== undefined) return known;
    const at = write();
    tables.set(thing, at);
    return at;
  };
  const tableOf = (table: Table): number =>
    once(table, () => {
      const at = room(table.length);
      (table instanceof Int32Array ? words : floats).set(table, at >> 2);
      return at;
    });
  const gridOf = (grid: ZoneGrid): number =>
    once(grid, () => {
      const at = room(5 + grid.inside.length);
      floats.set([grid.fromX, grid.fromY, 1 / grid.stepMm, grid.wide, grid.high], at >> 2);
      floats.set(grid.inside, (at >> 2) + 5);
      return at;
    });
  const zoneOf = (zone: readonly ZoneGrid[]): number =>
    once(zone, () => {
      const grids = zone.map(gridOf);
      const at = room(1 + grids.length);
      words.set([grids.length, ...grids], at >> 2);
      return at;
    });
  const placeOf = (op: Op, packed: Packed): number => {
    const { numbers, zone, around, box = op.box } = packed;
    // Tables first: to make room for them is to make the views anew.
    const written = numbers.map((number) =>
      ArrayBuffer.isView(number) ? { whole: tableOf(number) } : number,
    );
    const zoned = zone ? zoneOf(zone) : 0;
    const place = room(HEAD + written.length);
    const at = place >> 2;
    words[at] = CODE[op.kind];
    words[at + 1] = (op.preserves === "nothing" ? SETTLES : 0) | (around?.closes ? CLOSES : 0);
    floats.set(turnedBox(box), at + 2);
    words[at + 6] = zoned;
    floats[at + 7] = around?.mm ?? 0;
    written.forEach((number, n) => {
      if (typeof number === "number") floats[at + HEAD + n] = number;
      else words[at + HEAD + n] = number.whole;
    });
    return place;
  };
  const place = (op: Op): number | null => {
    const known = places.get(op);
    if (known !== undefined) return known;
    const packed = op.packed();
    if (!packed) return null;
    const at = placeOf(op, packed);
    places.set(op, at);
    return at;
  };
  const underOf = ({ sheet, weight }: Shares): number =>
    once(weight, () => {
      const at = room(6 + weight.length);
      words.set([sheet.widthPx, sheet.heightPx], at >> 2);
      floats.set([sheet.pixelMm, sheet.fromX, sheet.fromY], (at >> 2) + 2);
      words[(at >> 2) + 5] = sheet.colours;
      floats.set(weight, (at >> 2) + 6);
      return at;
    });
  /** A row of operations: the place of the list of their places, and of what lies under them; null where one of them cannot be told. */
  const program = (ops: readonly Op[], under: Shares | null): { at: number; under: number } | null => {
    const all = new Int32Array(ops.length);
    for (const [n, op] of ops.entries()) {
      const at = place(op);
      if (at === null) return null;
      all[n] = at;
    }
    const lies = under ? underOf(under) : 0;
    const at = room(all.length);
    words.set(all, at >> 2);
    return { at, under: lies };
  };
  /** @throws RangeError where there is no room */
  const drawAll = (ops: readonly Op[], into: Shares, how: Drawing): boolean => {
    const { sheet } = into;
    const { widthPx, heightPx, pixelMm, fromX, fromY, colours, base } = sheet;
    const { tiles, side, skipping, under, closeness } = how;
    const { apart, alike, looks } = closeness;
    const current = program(ops, under);
    if (!current) return false;
    const spread = footprintOf(pixelMm);
    const stripAt = stripOf((REST + 4 * Math.ceil(colours / 4)) * TILE * widthPx);
    let from = 0;
    tiles.forEach((at, n) => {
      const [left, top] = [at[0] * side, at[1] * side];
      const [across, down] = [Math.min(side, widthPx - left), Math.min(side, heightPx - top)];
      const [toRight, toLow] = [Math.min(side, widthPx - 1 - left), Math.min(side, heightPx - 1 - top)];
      setTile(
        ...[current.at, ops.length, skipping ? 1 : 0, colours, base, current.under],
        ...[spread, looksBy(1, spread), fromX, fromY, pixelMm, left, top],
      );
      draw(across, down, toRight, toLow, apart, alike, looks ? 1 : 0, pixelMm);
      lay(stripAt + 4 * left, 4 * widthPx, 4 * TILE * widthPx, across, down);
      // Tiles that lie side by side are laid into the picture together.
      if (!beside(tiles[n - 1], at)) from = left;
      if (!beside(at, tiles[n + 1]))
        layStrip(into, floats, stripAt >> 2, { top, down, from, to: left + across });
    });
    return true;
  };

  return {
    draw: (all, into, how) => {
      const { colours } = into.sheet;
      if (colours > MOST_COLOURS || (how.under && how.under.sheet.colours !== colours)) return false;
      const { without } = how.closeness;
      const ops = without.length > 0 ? all.filter(({ kind }) => !without.includes(kind)) : all;
      if (free - KEPT_FROM > MOST_KEPT) giveUp();
      try {
        return drawAll(ops, into, how);
      } catch (failure) {
        if (!(failure instanceof RangeError)) throw failure;
        giveUp();
        return false;
      }
    },
    back: (ops, points, colours) => {
      const current = program(ops, null);
      if (!current) return null;
      const row = (n: number) => (ROWS >> 2) + n * GROUP;
      points.forEach(([x, y], n) => {
        floats[row(0) + n] = x;
        floats[row(1) + n] = y;
      });
      group(current.at, ops.length, points.length, colours, 1);
      return points.map((_, n) => {
        const [x, y, sxx, sxy, syy, clear, deep, shearX, shearY] = ROW_NAMES.map(
          (_name, at) => floats[row(at) + n]!,
        ) as [number, number, number, number, number, number, number, number, number];
        const weight = Array.from(
          { length: colours },
          (_share, colour) => floats[row(WEIGHTS + colour) + n]!,
        );
        return { x, y, sxx, sxy, syy, clear, deep, shear: [shearX, shearY], weight };
      });
    },
  };
}

type Place = readonly [column: number, row: number];
/** Whether a tile lies to the right of another. */
const beside = (one: Place | undefined, other: Place | undefined): boolean =>
  one !== undefined && other !== undefined && one[1] === other[1] && one[0] + 1 === other[0];

/** Lays some columns of a strip of tiles into their picture, a plane for each of a spot's numbers. */
function layStrip(
  into: Shares,
  floats: Float32Array,
  strip: number,
  { top, down, from, to }: { top: number; down: number; from: number; to: number },
): void {
  const { widthPx, heightPx, colours } = into.sheet;
  const planes: [Float32Array, number][] = restOf(into).map((plane) => [plane, 0]);
  for (let n = 0; n < colours; n += 1) planes.push([into.weight, n * widthPx * heightPx]);
  const lay = (plane: Float32Array, place: number, at: number, many: number) =>
    plane.set(floats.subarray(at, at + many), place);
  planes.forEach(([plane, first], n) => {
    const at = strip + n * TILE * widthPx;
    const place = first + top * widthPx;
    if (to - from === widthPx) lay(plane, place, at, down * widthPx);
    else
      for (let y = 0; y < down * widthPx; y += widthPx)
        lay(plane, place + y + from, at + y + from, to - from);
  });
}

const restOf = ({ shear2x, shear2y, sourceX, sourceY }: Shares) => [shear2x, shear2y, sourceX, sourceY];

let opened: Kernel | null | undefined;
/** This thread's kernel; null where it cannot run here. */
export function kernelHere(): Kernel | null {
  if (opened === undefined)
    try {
      opened = openKernel();
    } catch {
      // No vectors, no WebAssembly, or a page that does not let it be compiled: the definition draws.
      opened = null;
    }
  return opened;
}
