import { byIdentity } from "../../numerics/by-identity";
import type { Point } from "../curves";
import { boxOf, type Box, type Ring } from "../ring";
import { crossingsBeyond, cutsBetween, cutsOfItself, ringIndex, SAME_MM, type RingIndex } from "./ring-cuts";

/** A region by its rings: what lies within an odd number of them. */
export type Region = readonly Ring[];

/**
 * A stretch of line from one meeting of lines to the next, and which regions lie on the left and on the right hand of its way, as on a screen.
 * `sides` are those of the ring behind each part of its path, of the first of `regions`: all that have their line here.
 */
export type Run = {
  path: Point[];
  left: readonly boolean[];
  right: readonly boolean[];
  regions: readonly number[];
  sides: readonly number[];
};

const CELL_MM = 16 * SAME_MM;

/** The cell of a coordinate, and the next one where it is near its end. */
function near(at: number): number[] {
  const [low, high] = [Math.floor(at - SAME_MM / CELL_MM), Math.floor(at + SAME_MM / CELL_MM)];
  return low === high ? [low] : [low, high];
}

/** Makes one of those places that are: the first that was named. */
class Places {
  private readonly cells = new Map<number, Point[]>();

  private static cell(column: number, row: number): number {
    return (Math.imul(column | 0, 73_856_093) ^ Math.imul(row | 0, 19_349_663)) >>> 0;
  }

  private find(column: number, row: number, { x, y }: Point): Point | undefined {
    return this.cells
      .get(Places.cell(column, row))
      ?.find((known) => Math.abs(known.x - x) <= SAME_MM && Math.abs(known.y - y) <= SAME_MM);
  }

  at(point: Point): Point {
    const [u, v] = [(point.x / CELL_MM) % 2 ** 31, (point.y / CELL_MM) % 2 ** 31];
    const columns = near(u);
    const rows = near(v);
    for (const column of columns)
      for (const row of rows) {
        const found = this.find(column, row, point);
        if (found) return found;
      }
    const cell = Places.cell(Math.floor(u), Math.floor(v));
    const list = this.cells.get(cell);
    if (list) list.push(point);
    else this.cells.set(cell, [point]);
    return point;
  }
}

/** A ring of the overlay: the regions whose it is, by number, and where it is cut. */
type Cut = { along: number; place: Point };
type Line = { ring: Ring; index: RingIndex; regions: number[]; cuts: Cut[] };

/** The middle of the longest part of a path, and its direction. */
type Middle = { at: Point; dx: number; dy: number; n: number };

/** Whether a ray from the middle of a stretch crosses a ring an odd number of times, ring by ring, and what came of it. */
type Asked = { on: readonly Ring[]; rings: Ring[]; odd: boolean[]; layout: string; run: Run };

/** A stretch of a ring between two cuts: its path, the side of the ring behind each part of it, and what was worked out of it the last time. */
type Stretch = { path: Point[]; sides: number[]; middle: Middle; to: number; asked: Asked | null };
type Arc = { line: Line; of: Stretch };

/** The stretches of a ring as they were the last time, by where they begin. */
const lastStretches = byIdentity((_ring: Ring) => ({ known: new Map<number, Stretch>() }));

/** Each ring once, whatever regions it belongs to. */
function linesOf(regions: readonly Region[]): Line[] {
  const lines = new Map<Ring, Line>();
  regions.forEach((rings, region) => {
    for (const ring of rings) {
      if (ring.length < 3) continue;
      const known = lines.get(ring);
      if (known) known.regions.push(region);
      else lines.set(ring, { ring, index: ringIndex(ring), regions: [region], cuts: [] });
    }
  });
  return [...lines.values()];
}

/** Cuts all lines where they meet, but for what lies outside of a box: there nothing of the first region is, and one stretch runs on. */
function cutAll(lines: readonly Line[], box: Box): void {
  const places = new Places();
  const cut = (line: Line, along: number, at: Point) => line.cuts.push({ along, place: places.at(at) });
  const inBox = ({ x, y }: Point) =>
    x >= box.minX - SAME_MM && x <= box.maxX + SAME_MM && y >= box.minY - SAME_MM && y <= box.maxY + SAME_MM;
  lines.forEach((line, n) => {
    for (const { at, along } of cutsOfItself(line.ring)) if (inBox(at)) cut(line, along, at);
    for (const other of lines.slice(n + 1))
      for (const { at, along, otherAlong } of cutsBetween(line.ring, other.ring)) {
        if (!inBox(at)) continue;
        cut(line, along, at);
        cut(other, otherAlong, at);
      }
  });
}

function stretchOf(ring: Ring, from: Cut, to: Cut): Stretch | null {
  const count = ring.length;
  const path = [from.place];
  const sides: number[] = [];
  for (let side = Math.floor(from.along); side < to.along; side += 1) {
    const end = side + 1 >= to.along ? to.place : (ring[(side + 1) % count] as Point);
    const before = path.at(-1) as Point;
    // A cut beside a corner, and a corner that stands twice, leave nothing between them.
    if (Math.abs(end.x - before.x) <= SAME_MM && Math.abs(end.y - before.y) <= SAME_MM) {
      if (side + 1 >= to.along && path.length > 1) path[path.length - 1] = to.place;
      continue;
    }
    path.push(end);
    sides.push(side % count);
  }
  return path.length > 1 ? { path, sides, middle: longestPart(path), to: to.along, asked: null } : null;
}

/** The stretches of a ring from cut to cut; all of it where it is not cut. */
function arcsOf(line: Line): Arc[] {
  const { ring, cuts } = line;
  const count = ring.length;
  const kept = lastStretches(ring);
  const now = new Map<number, Stretch>();
  const stretch = (from: Cut, to: Cut): Arc[] => {
    const last = kept.known.get(from.along);
    const same = last && last.to === to.along && last.path[0] === from.place && last.path.at(-1) === to.place;
    const of = same ? last : stretchOf(ring, from, to);
    if (of) now.set(from.along, of);
    return of ? [{ line, of }] : [];
  };
  const sorted = cuts
    .map(({ along, place }) => ({ along: along >= count ? along - count : along, place }))
    .sort((a, b) => a.along - b.along);
  const first = sorted[0] ?? { along: 0, place: ring[0] as Point };
  const around = [
    ...(sorted.length > 0 ? sorted : [first]),
    { along: first.along + count, place: first.place },
  ];
  const arcs = around.slice(1).flatMap((to, n) => {
    const from = around[n] as Cut;
    return to.along === from.along && to.place === from.place ? [] : stretch(from, to);
  });
  kept.known = now;
  return arcs;
}

/** More places than these no drawing has. */
const MOST_PLACES = 2 ** 26;

/** Arcs that lie on each other, once: such are straight from one place to another, for each has been cut where the other has a corner. */
function together(arcs: readonly Arc[]): { arc: Arc; all: Arc[]; regions: number[] }[] {
  const numbers = new Map<Point, number>();
  const numberOf = (place: Point) => {
    let number = numbers.get(place);
    if (number === undefined) numbers.set(place, (number = numbers.size));
    return number;
  };
  const straight = new Map<number, Arc[]>();
  const found: Arc[][] = [];
  for (const arc of arcs) {
    const { path } = arc.of;
    if (path.length > 2) {
      found.push([arc]);
      continue;
    }
    const [from, to] = path.map(numberOf) as [number, number];
    const key = Math.min(from, to) * MOST_PLACES + Math.max(from, to);
    const known = straight.get(key);
    if (known) known.push(arc);
    else {
      const first = [arc];
      straight.set(key, first);
      found.push(first);
    }
  }
  return found.flatMap((all) => {
    const [alone] = all;
    if (alone && all.length === 1) return [{ arc: alone, all, regions: alone.line.regions }];
    const odd = new Set<number>();
    for (const { line } of all) for (const region of line.regions) if (!odd.delete(region)) odd.add(region);
    const regions = [...odd].sort((a, b) => a - b);
    const [first] = regions;
    const arc = all.find(({ line }) => first !== undefined && line.regions.includes(first));
    return arc ? [{ arc, all, regions }] : [];
  });
}

function longestPart(path: readonly Point[]): Middle {
  let longest = { long: -1, n: 1 };
  for (let n = 1; n < path.length; n += 1) {
    const [a, b] = [path[n - 1] as Point, path[n] as Point];
    const long = (b.x - a.x) ** 2 + (b.y - a.y) ** 2;
    if (long > longest.long) longest = { long, n };
  }
  const [a, b] = [path[longest.n - 1] as Point, path[longest.n] as Point];
  return {
    at: { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 },
    dx: b.x - a.x,
    dy: b.y - a.y,
    n: longest.n - 1,
  };
}

/**
 * Lays regions over each other and cuts their lines where they meet. Lines that lie on each other to within a millionth of a millimetre are
 * one. Each run borders the same regions all along, so that whatever is told from them leaves neither gap nor overlap. What lies outside the
 * first region is left out. Cuts of rings that were there before are not looked for again.
 */
export function overlay(regions: readonly Region[]): Run[] {
  const lines = linesOf(regions);
  cutAll(lines, boxOf((regions[0] ?? []).flat()));
  const rim = lines.flatMap((line, n) => (line.regions[0] === 0 ? [n] : []));
  // Which ring is of which regions.
  const layout = `${regions.length}: ${lines.map(({ regions: of }) => of.join(" ")).join(", ")}`;
  return together(lines.flatMap(arcsOf)).flatMap((laid): Run[] => {
    const run = runOf(laid, lines, rim, regions.length, layout);
    return run ? [run] : [];
  });
}

const sameNumbers = (a: readonly number[], b: readonly number[]) =>
  a.length === b.length && a.every((number, n) => number === b[n]);

/** A stretch with the regions on either hand; the very one of the last time where nothing about it has changed, none outside the first region. */
function runOf(
  { arc, all, regions: own }: ReturnType<typeof together>[number],
  lines: readonly Line[],
  rim: readonly number[],
  many: number,
  layout: string,
): Run | null {
  const { path, sides, middle } = arc.of;
  const axis = Math.abs(middle.dy) >= Math.abs(middle.dx) ? "x" : "y";
  const on = all.map(({ line, of }) => ({ ring: line.ring, side: of.sides[middle.n] as number }));
  const last = arc.of.asked;
  const known =
    last && last.on.length === on.length && on.every(({ ring }, n) => ring === last.on[n]) ? last : null;
  // What was asked of the same rings before is not asked again.
  const isOdd = (n: number): boolean => {
    const { ring, index } = lines[n] as Line;
    return known && known.rings[n] === ring
      ? (known.odd[n] as boolean)
      : crossingsBeyond(middle.at, axis, index, on) % 2 === 1;
  };
  // Most of what is drawn beyond the piece is soon told.
  if (own[0] !== 0 && !rim.some(isOdd)) return null;
  let changed = !known || known.layout !== layout || !sameNumbers(known.run.regions, own);
  const odd = changed ? [] : (known?.odd ?? []);
  for (let n = 0; n < lines.length; n += 1) {
    const now = isOdd(n);
    changed ||= odd[n] !== now;
    odd[n] = now;
    if (known && !changed) known.rings[n] = (lines[n] as Line).ring;
  }
  if (known && !changed) return known.run;
  const beyond = new Array<boolean>(many).fill(false);
  odd.forEach((inside, n) => {
    if (inside) for (const region of lines[n]?.regions ?? []) beyond[region] = !beyond[region];
  });
  const behind = beyond.map((inside, region) => (own.includes(region) ? !inside : inside));
  // On a screen the left hand of a way down points to +x, that of a way to the left to +y.
  const leftBeyond = axis === "x" ? middle.dy > 0 : middle.dx < 0;
  const [left, right] = leftBeyond ? [beyond, behind] : [behind, beyond];
  const run = { path, left, right, regions: own, sides };
  arc.of.asked = {
    on: on.map(({ ring }) => ring),
    rings: lines.map(({ ring }) => ring),
    odd,
    layout,
    run,
  };
  return run;
}
