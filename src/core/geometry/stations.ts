import type { Point } from "./curves";
import type { Station } from "./piece";
import { nth } from "../numerics/nth";

export const widthAt = ({ farMm, nearMm }: Station): number => farMm + nearMm;

const inOrder = (stations: readonly Station[]): Station[] => [...stations].sort((a, b) => a.atMm - b.atMm);

/** ∫ y dx by the trapezoid rule; `x` ascending. */
export function trapezoid(x: readonly number[], y: readonly number[]): number {
  let sum = 0;
  for (let at = 1; at < x.length; at += 1)
    sum += ((nth(x, at) - nth(x, at - 1)) * (nth(y, at) + nth(y, at - 1))) / 2;
  return sum;
}

/**
 * ∫ y dx by Simpson's rule for unequal steps; `x` ascending. Exact for parabolas.
 * With an odd number of steps the last one is integrated on the parabola through the last three values
 * (Cartwright, "Simpson's rule cumulative integration with MS Excel and irregularly-spaced data", 2017; from memory).
 */
export function simpson(x: readonly number[], y: readonly number[]): number {
  const steps = x.length - 1;
  if (steps < 2) return trapezoid(x, y);
  const h = (index: number) => nth(x, index + 1) - nth(x, index);
  const v = (index: number) => nth(y, index);
  let sum = 0;
  for (let at = 0; at + 1 < steps; at += 2) {
    const [h0, h1] = [h(at), h(at + 1)];
    sum +=
      ((h0 + h1) / 6) *
      ((2 - h1 / h0) * v(at) + ((h0 + h1) ** 2 / (h0 * h1)) * v(at + 1) + (2 - h0 / h1) * v(at + 2));
  }
  if (steps % 2 === 1) {
    const [h0, h1] = [h(steps - 2), h(steps - 1)];
    sum +=
      ((2 * h1 ** 2 + 3 * h0 * h1) / (6 * (h0 + h1))) * v(steps) +
      ((h1 ** 2 + 3 * h0 * h1) / (6 * h0)) * v(steps - 1) -
      (h1 ** 3 / (6 * h0 * (h0 + h1))) * v(steps - 2);
  }
  return sum;
}

/** Area between two lines measured at stations, by both rules; their difference is the spread of the reading. */
export function stationAreas(stations: readonly Station[]): { trapezoidMm2: number; simpsonMm2: number } {
  const ordered = inOrder(stations);
  const [x, y] = [ordered.map((station) => station.atMm), ordered.map(widthAt)];
  return { trapezoidMm2: trapezoid(x, y), simpsonMm2: simpson(x, y) };
}

/** The four sides of what lies between the lines: far line, right end, near line, left end; x along the string. */
export function stationSides(stations: readonly Station[]): Point[][] {
  const ordered = inOrder(stations);
  const far = ordered.map(({ atMm, farMm }): Point => ({ x: atMm, y: -farMm }));
  const near = ordered.map(({ atMm, nearMm }): Point => ({ x: atMm, y: nearMm })).reverse();
  const [first, last] = [0, ordered.length - 1];
  return [far, [far[last] as Point, near[first] as Point], near, [near[last] as Point, far[first] as Point]];
}
