import type { Box } from "../../geometry/ring";
import type { Packed } from "./packed";
import type { Tile } from "./tile";

/** One operation of a pass: where things were before it, seen from where they are after it, and what it lays on them. */
export type Op = {
  kind:
    | "cover"
    | "drop"
    | "line"
    | "stroke"
    | "wobble"
    | "lay"
    | "craters"
    | "air"
    | "slit"
    | "fog"
    | "tilt"
    | "flecks"
    | "field"
    | "mask";
  /** What it leaves as it was; colours that hide others preserve nothing. */
  preserves: "area" | "nothing";
  /** Where it does anything, mm, as things lie after it. */
  box: Box;
  /** Takes all live samples of a tile back through it. */
  back: (tile: Tile) => void;
  /** Where a point of before comes to lie, mm. */
  forward: (x: number, y: number) => [number, number];
  /** How a tool is pressed into the film meanwhile, where one is. */
  press?: Press;
  /** The same in plain numbers, for the kernel; null where it cannot be told so. */
  packed: () => Packed | null;
};

/** A tool pressed into the film along a line: its middle, direction and size, mm and rad, and how firmly, 0 to 1. */
export type Press = { x: number; y: number; angle: number; halfMm: number; wideMm: number; pressure: number };

/** An operation that is made when it is first used: what takes long and is not in a first picture. */
export function lazily(kind: Op["kind"], preserves: Op["preserves"], box: Box, make: () => Op): Op {
  let made: Op | null = null;
  const built = () => (made ??= make());
  return {
    kind,
    preserves,
    box,
    back: (tile) => built().back(tile),
    forward: (x, y) => built().forward(x, y),
    packed: () => built().packed(),
  };
}

export const meets = (a: Box, b: Box): boolean =>
  a.minX < b.maxX && a.maxX > b.minX && a.minY < b.maxY && a.maxY > b.minY;

export const boxAround = (x: number, y: number, radius: number): Box => ({
  minX: x - radius,
  minY: y - radius,
  maxX: x + radius,
  maxY: y + radius,
});

/** Everywhere. */
export const EVERYWHERE: Box = { minX: -1e9, minY: -1e9, maxX: 1e9, maxY: 1e9 };

/** Rises from 0 at 0 to 1 at 1, flat at both ends to the second derivative. */
export const smooth = (t: number): number => (t <= 0 ? 0 : t >= 1 ? 1 : t * t * t * (10 + t * (6 * t - 15)));
export const smoothSlope = (t: number): number => (t <= 0 || t >= 1 ? 0 : 30 * t * t * (1 - t) * (1 - t));
export const smoothBend = (t: number): number => (t <= 0 || t >= 1 ? 0 : 60 * t * (1 - t) * (1 - 2 * t));
