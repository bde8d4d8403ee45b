import type { Point } from "./curves";
import { fromUnrolled, onUnrolled, wallSize, type Tumbler } from "./frustum";

/** A tumbler's wall laid flat as a rectangle, and the fan that it unrolls to, as it is drawn: places of one on the other, mm. */
export type WallOnFan = { toFan: (flat: Point) => Point; toFlat: (fan: Point) => Point };

/** @param origin what is taken off the fan's places in its drawing, as in `Outline` */
export function wallOnFan(tumbler: Tumbler, origin: Point): WallOnFan {
  const { aroundMm, slantMm } = wallSize(tumbler);
  return {
    toFan: ({ x, y }) => {
      const laid = onUnrolled(tumbler, x / aroundMm - 0.5, slantMm - y);
      return { x: laid.x - origin.x, y: laid.y - origin.y };
    },
    toFlat: ({ x, y }) => {
      const { around, up } = fromUnrolled(tumbler, { x: x + origin.x, y: y + origin.y });
      return { x: (around + 0.5) * aroundMm, y: slantMm - up };
    },
  };
}

/** A closed or open line with no side longer than a step, so that it can be bent. */
export function inSteps(line: readonly Point[], stepMm: number, closed: boolean): Point[] {
  const last = line.at(-1);
  const bent = line.flatMap((from, n) => {
    const to = line[n + 1] ?? (closed ? line[0] : undefined);
    if (!to) return [];
    const steps = Math.max(1, Math.ceil(Math.hypot(to.x - from.x, to.y - from.y) / stepMm));
    return Array.from({ length: steps }, (_, k) => ({
      x: from.x + ((to.x - from.x) * k) / steps,
      y: from.y + ((to.y - from.y) * k) / steps,
    }));
  });
  return closed || !last ? bent : [...bent, last];
}
