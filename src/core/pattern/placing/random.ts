import { seeded } from "../../numerics/random";
import type { Box } from "../../geometry/ring";

export type Random = () => number;
/** A source of numbers for one thing of a scene, so that one thing more does not move the others. */
export const sourceOf = (seed: number, what: number): Random => seeded((seed * 7919 + what * 104_729) >>> 0);
export const between = (random: Random, low: number, high: number) => low + (high - low) * random();

/** Places spread evenly over a box, each moved a little: none too near its neighbour, none in a row. */
export function spread(box: Box, many: number, random: Random): { x: number; y: number }[] {
  const [width, height] = [box.maxX - box.minX, box.maxY - box.minY];
  const across = Math.max(1, Math.round(Math.sqrt((many * width) / Math.max(1, height))));
  const down = Math.max(1, Math.ceil(many / across));
  const cells = Array.from({ length: across * down }, (_, n) => n);
  // Which cells stay empty is left to chance.
  for (let n = cells.length - 1; n > 0; n -= 1) {
    const other = Math.floor(random() * (n + 1));
    [cells[n], cells[other]] = [cells[other] as number, cells[n] as number];
  }
  return cells.slice(0, many).map((cell) => ({
    x: box.minX + ((cell % across) + between(random, 0.05, 0.95)) * (width / across),
    y: box.minY + (Math.floor(cell / across) + between(random, 0.05, 0.95)) * (height / down),
  }));
}

export const around = (box: Box, by: number): Box => ({
  minX: box.minX - by,
  minY: box.minY - by,
  maxX: box.maxX + by,
  maxY: box.maxY + by,
});
export const areaOf = (box: Box) => (box.maxX - box.minX) * (box.maxY - box.minY);
export const acrossOf = (box: Box) => Math.hypot(box.maxX - box.minX, box.maxY - box.minY);

/** Up to this area, m², a piece has no more of anything than a counter; a larger one as much more, up to so many times it, as can be followed. */
const COUNTER_M2 = 1.5;
const MOST_COUNTERS = 3;
export const countersIn = (areaM2: number) => Math.min(MOST_COUNTERS, Math.max(1, areaM2 / COUNTER_M2));

/** A way that wanders: a direction with a slow noise of its own. */
export function wander(
  from: { x: number; y: number },
  angle: number,
  lengthMm: number,
  wanderRad: number,
  random: Random,
): { x: number; y: number; angle: number }[] {
  const stepMm = 12;
  const waves = Array.from({ length: 5 }, (_, n) => ({
    k: (2 * Math.PI) / (420 / 1.9 ** n),
    phase: 2 * Math.PI * random(),
    height: wanderRad / 1.75 ** n,
  }));
  let { x, y } = from;
  return Array.from({ length: Math.max(2, Math.round(lengthMm / stepMm)) }, (_, n) => {
    const turn = waves.reduce(
      (sum, { k, phase, height }) => sum + height * Math.sin(k * n * stepMm + phase),
      angle,
    );
    const here = { x, y, angle: turn };
    x += stepMm * Math.cos(turn);
    y += stepMm * Math.sin(turn);
    return here;
  });
}
