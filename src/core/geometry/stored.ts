import type { Pair, Point } from "./curves";

/** Thousandths of a millimetre are below what anything can be cut to; they keep a stored outline short. */
export const storedMm = (mm: number): number => Math.round(mm * 100) / 100;
export const storedPair = ({ x, y }: Point): Pair => [storedMm(x), storedMm(y)];
