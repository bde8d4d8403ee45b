import type { Box } from "../../geometry/ring";
import type { ZoneGrid } from "./zone-field";

/** A whole number among an operation's numbers. */
export type Whole = { whole: number };
export const whole = (n: number): Whole => ({ whole: n });

/** A table of an operation: the kernel keeps it once, however many use it. */
export type Table = Float64Array | Float32Array | Int32Array;

/** An operation in plain numbers and tables, in the order in which its namesake in /kernel reads them. */
export type Packed = {
  numbers: readonly (number | Whole | Table)[];
  /** Fields of the zone that it is done in. */
  zone?: readonly ZoneGrid[];
  /** Where it does anything, where that is not the box of its operation. */
  box?: Box;
  /** Once around a tumbler, mm, and whether it closes there by itself. */
  around?: { mm: number; closes: boolean };
};

/** The kernel's numbers have 24 bits: a box is so much wider there that nothing is missed at its rim, mm. */
const WIDER_MM = 0.01;
/** A box for the kernel: left, top, right, low, the last two with their signs turned, so that one comparison of four tells whether two meet. */
export const turnedBox = ({ minX, minY, maxX, maxY }: Box): [number, number, number, number] => [
  minX - WIDER_MM,
  minY - WIDER_MM,
  -maxX - WIDER_MM,
  -maxY - WIDER_MM,
];
