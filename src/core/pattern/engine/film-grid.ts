import type { Box } from "../../geometry/ring";
import type { Op, Press } from "./op";
import { newTile, startTile, TILE } from "./tile";

/** Thickness of the film on a coarse grid, and what has left it. */
export type FilmGrid = {
  box: Box;
  cellMm: number;
  across: number;
  down: number;
  /** Of each cell, mm, row by row. */
  mm: Float64Array;
  /** What was carried over the edge, ml. */
  lostMl: number;
};

/** Side of a cell, mm; larger where there would be too many. */
const CELL_MM = 10;
const MOST_CELLS = 40_000;

/** A level film of a thickness, mm. */
export function levelFilm(box: Box, filmMm: number): FilmGrid {
  const [wide, high] = [box.maxX - box.minX, box.maxY - box.minY];
  const cellMm = Math.max(Math.min(CELL_MM, wide / 12, high / 8), Math.sqrt((wide * high) / MOST_CELLS));
  const [across, down] = [Math.max(1, Math.round(wide / cellMm)), Math.max(1, Math.round(high / cellMm))];
  return { box, cellMm, across, down, mm: new Float64Array(across * down).fill(filmMm), lostMl: 0 };
}

const cellMl = ({ cellMm }: FilmGrid) => (cellMm * cellMm) / 1000;
export const onBoardMl = (grid: FilmGrid): number => cellMl(grid) * grid.mm.reduce((sum, h) => sum + h, 0);

/**
 * The film carried along by an operation, none of it made or lost but over the edge: each cell takes from where its middle was; what a cell
 * gave more than it had is scaled down, and what it gave less goes on to where it comes to lie (after Lentine, Grétarsson and Fedkiw, 2011).
 */
export function carry(grid: FilmGrid, op: Op): void {
  const { box, cellMm, across, down, mm } = grid;
  const cells = across * down;
  const column = (x: number) => Math.floor((x - box.minX) / cellMm);
  const row = (y: number) => Math.floor((y - box.minY) / cellMm);
  const [left, right] = [Math.max(0, column(op.box.minX)), Math.min(across - 1, column(op.box.maxX))];
  const [top, low] = [Math.max(0, row(op.box.minY)), Math.min(down - 1, row(op.box.maxY))];
  if (left > right || top > low) return;
  const middleX = (i: number) => box.minX + (i + 0.5) * cellMm;
  const middleY = (j: number) => box.minY + (j + 0.5) * cellMm;
  /** The four cells about a place with their weights; −1 beyond the edge. */
  const about = (x: number, y: number): [number, number][] => {
    const [u, v] = [(x - box.minX) / cellMm - 0.5, (y - box.minY) / cellMm - 0.5];
    const [i, j] = [Math.floor(u), Math.floor(v)];
    const [a, b] = [u - i, v - j];
    const cell = (ci: number, cj: number) =>
      ci < 0 || cj < 0 || ci >= across || cj >= down ? -1 : cj * across + ci;
    return [
      [cell(i, j), (1 - a) * (1 - b)],
      [cell(i + 1, j), a * (1 - b)],
      [cell(i, j + 1), (1 - a) * b],
      [cell(i + 1, j + 1), a * b],
    ];
  };
  const tile = newTile(0);
  const taken: { to: number; from: number; weight: number }[] = [];
  const given = new Float64Array(cells);
  const places: number[] = [];
  for (let j = top; j <= low; j += 1) for (let i = left; i <= right; i += 1) places.push(j * across + i);
  const touched = new Uint8Array(cells);
  for (const place of places) touched[place] = 1;
  for (let at = 0; at < places.length; at += TILE * TILE) {
    const some = places.slice(at, at + TILE * TILE);
    startTile(
      tile,
      some.map((place) => [middleX(place % across), middleY(Math.floor(place / across))] as const),
      cellMm,
    );
    op.back(tile);
    some.forEach((to, n) => {
      for (const [from, weight] of about(tile.x[n] as number, tile.y[n] as number)) {
        if (weight === 0) continue;
        // From beyond the edge nothing comes: the dam's own cell gives it.
        const source = from < 0 ? to : from;
        taken.push({ to, from: source, weight });
        given[source] = (given[source] as number) + weight;
      }
    });
  }
  const next = mm.slice();
  for (const place of places) next[place] = 0;
  for (const { to, from, weight } of taken) {
    const most = Math.max(1, given[from] as number);
    const amount = ((mm[from] as number) * weight) / most;
    next[to] = (next[to] as number) + amount;
    // What is taken from a cell outside of the operation's box leaves it.
    if (touched[from] === 0) next[from] = (next[from] as number) - amount;
  }
  for (const place of places) {
    const rest = 1 - (given[place] as number);
    if (rest <= 0) continue;
    const amount = (mm[place] as number) * rest;
    const [x, y] = op.forward(middleX(place % across), middleY(Math.floor(place / across)));
    for (const [to, weight] of about(x, y)) {
      if (to < 0) grid.lostMl += amount * weight * cellMl(grid);
      else next[to] = (next[to] as number) + amount * weight;
    }
  }
  mm.set(next);
}

/** Gap that a tool leaves, of the film's mean, by its pressure; and how much of what stands above it takes along (assumed, uncalibrated). */
const gapOf = (pressure: number) => Math.max(0.12, 1.28 - 0.85 * pressure);
/** A tool that leaves so much of the film glides over it and takes nothing along. */
const GLIDES = 0.92;
const TAKES = 0.6;
/** Where it is set off again lies what it took, over this part of its way. */
const BEAD = 0.15;

/** What stands above the tool's gap is taken along to where it is lifted; over the edge it is lost. Whether there was any. */
export function scrape(grid: FilmGrid, press: Press, meanMm: number): boolean {
  const { box, cellMm, across, down, mm } = grid;
  const { x, y, angle, halfMm, wideMm, pressure } = press;
  if (gapOf(pressure) > GLIDES) return false;
  const gap = gapOf(pressure) * meanMm;
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  let taken = 0;
  const bead: number[] = [];
  for (let j = 0; j < down; j += 1)
    for (let i = 0; i < across; i += 1) {
      const [dx, dy] = [box.minX + (i + 0.5) * cellMm - x, box.minY + (j + 0.5) * cellMm - y];
      const q = c * dx + s * dy;
      if (Math.abs(c * dy - s * dx) > wideMm / 2 || Math.abs(q) > halfMm) continue;
      const at = j * across + i;
      if (q > halfMm * (1 - 2 * BEAD)) {
        bead.push(at);
        continue;
      }
      const off = Math.max(0, (mm[at] as number) - gap) * TAKES;
      mm[at] = (mm[at] as number) - off;
      taken += off;
    }
  // The part of the bead that lies beyond the edge is lost.
  const whole = Math.max(bead.length, Math.round((2 * BEAD * halfMm * wideMm) / (cellMm * cellMm)), 1);
  for (const at of bead) mm[at] = (mm[at] as number) + taken / whole;
  grid.lostMl += ((taken * (whole - bead.length)) / whole) * cellMl(grid);
  return taken > 0;
}

/**
 * The film levelling on its own: ∂h/∂t = ∇·(K·h³·∇h), K = ℓ²/2h̄³, so that a level film evens out over a length ℓ. Explicit, in small steps,
 * by what passes between cells: none is made or lost.
 */
export function level(grid: FilmGrid, lengthMm: number): void {
  const { cellMm, across, down, mm } = grid;
  const mean = mm.reduce((sum, h) => sum + h, 0) / mm.length;
  const most = mm.reduce((top, h) => Math.max(top, h), 0);
  if (mean <= 0 || lengthMm <= 0) return;
  const whole = (lengthMm * lengthMm) / (2 * mean ** 3);
  const steps = Math.min(400, Math.max(1, Math.ceil((whole * most ** 3 * 4.5) / (cellMm * cellMm))));
  const k = Math.min(whole / steps, (cellMm * cellMm) / (4.5 * most ** 3)) / (cellMm * cellMm);
  const change = new Float64Array(mm.length);
  const pass = (first: number, second: number) => {
    const [a, b] = [mm[first] as number, mm[second] as number];
    const between = (a + b) / 2;
    const by = k * between ** 3 * (a - b);
    change[first] = (change[first] as number) - by;
    change[second] = (change[second] as number) + by;
  };
  for (let step = 0; step < steps; step += 1) {
    change.fill(0);
    for (let j = 0; j < down; j += 1)
      for (let i = 0; i < across; i += 1) {
        const at = j * across + i;
        if (i + 1 < across) pass(at, at + 1);
        if (j + 1 < down) pass(at, at + across);
      }
    for (let at = 0; at < mm.length; at += 1) mm[at] = (mm[at] as number) + (change[at] as number);
  }
}

/** A runny film levels over about so much by the time it sets, mm (assumed, uncalibrated). */
const LEVELS_MM = 60;

/** The film after some operations, from a level one: what tools scrape, carried along by later pulls, levelled by the flow that is left. */
export function filmAfter(ops: readonly Op[], box: Box, filmMm: number, flowLeft: number): FilmGrid {
  const grid = levelFilm(box, filmMm);
  let uneven = false;
  for (const op of ops) {
    // A level film stays level under what keeps its area.
    if (uneven && op.kind === "stroke") carry(grid, op);
    if (!op.press) continue;
    if (scrape(grid, op.press, filmMm)) uneven = true;
  }
  if (uneven) level(grid, LEVELS_MM * Math.sqrt(Math.max(0, flowLeft)));
  return grid;
}

/** A place where the film is thinnest among its neighbours, mm from the upper left of the top. */
export type ThinPlace = { x: number; y: number; mm: number };

/** Places thinner than a film, the thinnest first, none near another. */
export function thinPlaces(grid: FilmGrid, belowMm: number, most = 5): ThinPlace[] {
  const { box, cellMm, across, mm } = grid;
  const all = [...mm.keys()]
    .filter((at) => (mm[at] as number) < belowMm)
    .sort((a, b) => (mm[a] as number) - (mm[b] as number));
  const found: ThinPlace[] = [];
  for (const at of all) {
    const place = {
      x: box.minX + ((at % across) + 0.5) * cellMm,
      y: box.minY + (Math.floor(at / across) + 0.5) * cellMm,
      mm: mm[at] as number,
    };
    if (found.every(({ x, y }) => Math.hypot(x - place.x, y - place.y) > 15 * cellMm)) found.push(place);
    if (found.length >= most) break;
  }
  return found;
}
