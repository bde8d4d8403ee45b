import { seeded } from "../numerics/random";
import type { Box } from "../geometry/ring";
import type { Op } from "./op";
import { craters, type Crater } from "./ops/craters";
import { drop } from "./ops/drop";
import { line, type LinePoint } from "./ops/line";
import { touchProfile, type Touch } from "./ops/profile";
import { stroke } from "./ops/stroke";

type Random = () => number;
/** A source of numbers for one thing of a scene, so that one thing more does not move the others. */
export const sourceOf = (seed: number, what: number): Random => seeded((seed * 7919 + what * 104_729) >>> 0);
const between = (random: Random, low: number, high: number) => low + (high - low) * random();

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

const around = (box: Box, by: number): Box => ({
  minX: box.minX - by,
  minY: box.minY - by,
  maxX: box.maxX + by,
  maxY: box.maxY + by,
});
const areaOf = (box: Box) => (box.maxX - box.minX) * (box.maxY - box.minY);

/** More puddles of a colour than these nobody pours. */
const MOST_PUDDLES = 48;

/** Puddles of a colour that cover a share of the piece. */
export function puddles(
  box: Box,
  {
    colour,
    cover,
    radiusMm,
    seed,
    along = 0,
    stretch = 1,
  }: { colour: number; cover: number; radiusMm: number; seed: number; along?: number; stretch?: number },
): Op[] {
  const random = sourceOf(seed, 11 + colour);
  const wanted = Math.max(1, Math.round((cover * areaOf(box)) / (Math.PI * radiusMm ** 2)));
  const many = Math.min(MOST_PUDDLES, wanted);
  // On a large piece they are larger rather than more.
  const mean = radiusMm * Math.sqrt(wanted / many);
  return spread(around(box, mean * 0.3), many, random).map(({ x, y }, n) => {
    const radius = mean * between(random, 0.7, 1.35);
    const long = Math.sqrt(stretch * between(random, 1, 1.5));
    return drop({
      x,
      y,
      a: radius * long,
      b: radius / long,
      angle: along + between(random, -0.5, 0.5),
      colour,
      uneven: between(random, 0.08, 0.2),
      seed: seed * 131 + n,
    });
  });
}

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

/** Ribbons poured from several cups along one way, nested in each other: the widest first. */
export function ribbons(
  box: Box,
  {
    colours,
    many,
    wideMm,
    angle,
    wanderRad,
    seed,
  }: {
    colours: readonly number[];
    many: number;
    wideMm: number;
    angle: number;
    wanderRad: number;
    seed: number;
  },
): Op[] {
  const random = sourceOf(seed, 23);
  const length = Math.hypot(box.maxX - box.minX, box.maxY - box.minY);
  return spread(around(box, 40), many, random).flatMap(({ x, y }) => {
    const own = angle + between(random, -0.25, 0.25);
    const reach = length * between(random, 0.35, 0.85);
    const way = wander(
      { x: x - (Math.cos(own) * reach) / 2, y: y - (Math.sin(own) * reach) / 2 },
      own,
      reach,
      wanderRad,
      random,
    );
    const wide = wideMm * between(random, 0.5, 1.5);
    const swell = { phase: 6.28 * random(), k: (2 * Math.PI) / between(random, 150, 320) };
    return colours.map((colour, nest) => {
      const share = 1 - nest / colours.length;
      const off = (random() - 0.5) * wide * 0.35;
      const points = way.map((at, n): LinePoint => {
        const end = Math.min(1, n / 5, (way.length - 1 - n) / 5);
        const breath = 0.75 + 0.35 * Math.sin(swell.k * n * 12 + swell.phase + nest);
        return {
          x: at.x - Math.sin(at.angle) * off,
          y: at.y + Math.cos(at.angle) * off,
          halfMm: Math.max(0.4, (wide / 2) * share * breath * end),
        };
      });
      return line({ points, colour, edgeMm: 1, hides: 0.97 });
    });
  });
}

/** Pulls of a tool all over the piece: coarse ones first, mostly along one direction. */
export function pulls(
  box: Box,
  {
    touch,
    many,
    dragMm,
    halfMm,
    angle,
    turnRad,
    smear,
    seed,
  }: {
    touch: Touch;
    many: number;
    dragMm: number;
    halfMm: number;
    angle: number;
    turnRad: number;
    smear: number;
    seed: number;
  },
): Op[] {
  const random = sourceOf(seed, 37 + touch.length);
  return spread(around(box, 20), many, random).map(({ x, y }, n) => {
    const finer = 1 - (0.45 * n) / Math.max(1, many);
    return stroke({
      x,
      y,
      angle: angle + between(random, -turnRad, turnRad) + (random() < 0.5 ? Math.PI : 0),
      halfMm: halfMm * finer * between(random, 0.7, 1.2),
      dragMm: Math.min(58, dragMm * finer * between(random, 0.7, 1.2)),
      profile: touchProfile(touch, seed * 17 + n),
      smear,
      ...(random() < 0.5
        ? {
            wave: {
              heightMm: between(random, 6, 22),
              lengthMm: between(random, 180, 340),
              phase: 6.28 * random(),
            },
          }
        : {}),
    });
  });
}

/** Median radius of the cells that a spray of alcohol opens, mm (assumed). */
export const CELL_MM = { mist: 0.7, small: 1.5, medium: 3, flicked: 7.5 } as const;

/** Cells of alcohol, so many to a square metre. */
export function cells(
  box: Box,
  { size, perM2, seed }: { size: keyof typeof CELL_MM; perM2: number; seed: number },
): Op {
  const random = sourceOf(seed, 41);
  const many = Math.round((perM2 * areaOf(box)) / 1e6);
  const list = Array.from({ length: many }, (): Crater => {
    const spreadOf = Math.exp(0.5 * (random() + random() + random() - 1.5) * 2);
    const a = CELL_MM[size] * spreadOf;
    return {
      x: between(random, box.minX, box.maxX),
      y: between(random, box.minY, box.maxY),
      a,
      b: a * between(random, 1.35, 1.8),
    };
  });
  return craters(list);
}

/** A vein: a main way with kicks, thick and thin along it, branches at its kicks, hairs, and a haze beside it. */
export function vein(
  box: Box,
  {
    colour,
    angle,
    thickMm,
    wanderRad,
    branches,
    hazeMm,
    seed,
  }: {
    colour: number;
    angle: number;
    thickMm: number;
    wanderRad: number;
    branches: number;
    hazeMm: number;
    seed: number;
  },
): Op[] {
  const random = sourceOf(seed, 53);
  const length = Math.hypot(box.maxX - box.minX, box.maxY - box.minY) * 1.15;
  const middle = { x: between(random, box.minX, box.maxX), y: between(random, box.minY, box.maxY) };
  const wayOf = (from: { x: number; y: number }, heading: number, reach: number, thick: number) => {
    let kick = 0;
    let noise = 0;
    const way: LinePoint[] = [];
    let { x, y } = from;
    for (let at = 0; at < reach; at += 4) {
      // Kicks come every 80 mm or so and die away.
      if (random() < 4 / 80) kick += (random() - 0.5) * 1.5;
      kick *= 0.93;
      noise = 0.96 * noise + 0.28 * (random() - 0.5);
      const turn = heading + wanderRad * kick + 0.25 * noise;
      x += 4 * Math.cos(turn);
      y += 4 * Math.sin(turn);
      const end = Math.min(1, at / 40 + 0.15, (reach - at) / 60 + 0.05);
      way.push({ x, y, halfMm: Math.max(0.15, (thick / 2) * Math.exp(0.9 * noise * 1.6) * end) });
    }
    return way;
  };
  const start = {
    x: middle.x - (Math.cos(angle) * length) / 2,
    y: middle.y - (Math.sin(angle) * length) / 2,
  };
  const main = wayOf(start, angle, length, thickMm);
  const ways = [main];
  for (let n = 0; n < branches; n += 1) {
    const from = main[Math.floor(random() * main.length)];
    if (!from) continue;
    const turn = angle + (random() < 0.5 ? 1 : -1) * between(random, 0.2, 0.55);
    ways.push(wayOf(from, turn, between(random, 60, length * 0.35), thickMm * between(random, 0.15, 0.5)));
  }
  const hazes =
    hazeMm > 0
      ? [
          line({
            points: main.map((at) => ({ ...at, halfMm: at.halfMm + hazeMm })),
            colour,
            edgeMm: hazeMm,
            hides: 0.09,
          }),
        ]
      : [];
  return [...hazes, ...ways.map((points) => line({ points, colour, edgeMm: 0.5, hides: 0.95 }))];
}
