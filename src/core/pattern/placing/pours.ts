import type { Box } from "../../geometry/ring";
import type { Op } from "../engine/op";
import { drop } from "../ops/drop";
import { line, type LinePoint } from "../ops/line";
import { AS_IT_IS, EVENLY, type Dealt, type Weight } from "./weights";
import { acrossOf, areaOf, around, between, countersIn, sourceOf, spread, wander } from "./random";

/** A fresh coating resin, m²/s, and for how long a puddle runs before it is worked, s (assumed). */
const FRESH_M2_S = 9e-4;
const RUNS_S = 60;
const G = 9.81;

/** Radius of a puddle of a volume after some time, mm: R = 0.894·(g·V³·t/3ν)^⅛ (Huppert, JFM 1982, from memory). */
export const puddleRadiusMm = (ml: number, seconds = RUNS_S, viscosityM2S = FRESH_M2_S): number =>
  1000 * 0.894 * ((G * (ml * 1e-6) ** 3 * seconds) / (3 * viscosityM2S)) ** (1 / 8);

/** More puddles of a colour than these nobody pours on a counter. */
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
    turnRad = 0.5,
    pushes = 0.45,
    hides = 1,
    dealt = AS_IT_IS,
  }: {
    colour: number;
    cover: number;
    radiusMm: number;
    seed: number;
    along?: number;
    stretch?: number;
    turnRad?: number;
    pushes?: number;
    hides?: number;
    dealt?: Dealt;
  },
): Op[] {
  const random = sourceOf(seed, 11 + colour);
  const wanted = Math.max(1, Math.round((dealt.cover(cover) * areaOf(box)) / (Math.PI * radiusMm ** 2)));
  const many = Math.min(Math.round(MOST_PUDDLES * countersIn(areaOf(box) / 1e6)), wanted);
  // Where they would be more, they are larger.
  const mean = radiusMm * Math.sqrt(wanted / many);
  return spread(around(box, mean * 0.3), many, random).map((even, n) => {
    const { x, y } = dealt.at(even);
    const radius = mean * between(random, 0.7, 1.35);
    const long = Math.sqrt(stretch * between(random, 1, 1.5));
    return drop({
      x,
      y,
      a: radius * long,
      b: radius / long,
      angle: along + between(random, -turnRad, turnRad),
      colour,
      uneven: between(random, 0.1, 0.26),
      seed: seed * 131 + n,
      pushes,
      hides,
    });
  });
}

/** Less than this of a puddle is not poured. */
const LEAST_SHARE = 0.01;

/** Colours poured into one another from one bucket: each puddle a row of them, the next pushed aside by the one after. */
export function nests(
  box: Box,
  {
    colours,
    many,
    radiusMm,
    along,
    stretch,
    seed,
  }: {
    /** With what part of a puddle each has, by its weight there; the order is left to chance. */
    colours: readonly { at: number; share: number; hides: number; weight?: Weight }[];
    many: number;
    radiusMm: number;
    along: number;
    stretch: number;
    seed: number;
  },
): Op[] {
  const random = sourceOf(seed, 17);
  return spread(around(box, radiusMm * 0.3), many, random).flatMap(({ x, y }, n) => {
    const radius = radiusMm * between(random, 0.55, 1.35);
    const long = Math.sqrt(stretch * between(random, 0.7, 1.6));
    const turn = along + between(random, -0.4, 0.4);
    const row = colours
      .map((colour) => ({ ...colour, order: random() * (0.4 + colour.share) }))
      .map((colour) => ({ ...colour, share: colour.share * (colour.weight ?? EVENLY)(x, y) }))
      .filter(({ share }) => share > LEAST_SHARE)
      .sort((a, b) => b.order - a.order);
    const total = row.reduce((sum, { share }) => sum + share, 0) || 1;
    let left = total;
    let [cx, cy] = [x, y];
    return row.map(({ at, share, hides }, nest) => {
      // What is left of the puddle when those before it are poured.
      const size = Math.sqrt(left / total);
      left -= share;
      const op = drop({
        x: cx,
        y: cy,
        a: radius * long * size,
        b: (radius / long) * size,
        angle: turn + between(random, -0.3, 0.3),
        colour: at,
        uneven: between(random, 0.16, 0.34),
        seed: seed * 137 + n * 7 + nest,
        pushes: 0.6,
        hides,
      });
      // The stream wanders off the middle: rings become crescents.
      const off = radius * size * between(random, 0.12, 0.42);
      const to = 2 * Math.PI * random();
      cx += off * long * Math.cos(to) * Math.cos(turn) - (off / long) * Math.sin(to) * Math.sin(turn);
      cy += off * long * Math.cos(to) * Math.sin(turn) + (off / long) * Math.sin(to) * Math.cos(turn);
      return op;
    });
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
    turnRad = 0.25,
    reach = [0.35, 0.85],
    seed,
    dealt = AS_IT_IS,
  }: {
    /** A ribbon of one is thinner where there shall be less of it. */
    colours: readonly { at: number; hides: number; weight?: Weight }[];
    many: number;
    wideMm: number;
    angle: number;
    wanderRad: number;
    turnRad?: number;
    /** Shortest and longest, in diagonals of the piece. */
    reach?: readonly [number, number];
    seed: number;
    dealt?: Dealt;
  },
): Op[] {
  const random = sourceOf(seed, 23);
  const length = acrossOf(box);
  return spread(around(box, 40), many, random).flatMap((even) => {
    const { x, y } = dealt.at(even);
    const turned = angle + between(random, -turnRad, turnRad);
    const long = length * between(random, reach[0], reach[1]);
    const way = wander(
      { x: x - (Math.cos(turned) * long) / 2, y: y - (Math.sin(turned) * long) / 2 },
      turned,
      long,
      wanderRad,
      random,
    );
    const wide = wideMm * between(random, 0.4, 1.6);
    // A stream swells and thins by how the cup is held: slowly, and a little by each turn of the wrist.
    const swells = [between(random, 240, 420), between(random, 90, 160)].map((lengthMm) => ({
      k: (2 * Math.PI) / lengthMm,
      phase: 6.28 * random(),
    }));
    return colours.map(({ at: colour, hides, weight = EVENLY }, nest) => {
      const share = (1 - nest / colours.length) * between(random, 0.75, 1.1);
      const off = (random() - 0.5) * wide * 0.45;
      const turned = 6.28 * random();
      const points = way.map((at, n): LinePoint => {
        const end = Math.min(1, n / 7, (way.length - 1 - n) / 7);
        const breath = swells.reduce(
          (sum, { k, phase }, octave) =>
            sum + (0.42 - 0.2 * octave) * Math.sin(k * n * 12 + phase + nest * (0.6 + octave)),
          0.8,
        );
        const drift = off + 0.2 * wide * Math.sin(n * 0.11 + turned);
        return {
          x: at.x - Math.sin(at.angle) * drift,
          y: at.y + Math.cos(at.angle) * drift,
          halfMm: Math.max(
            0.2,
            (wide / 2) *
              share *
              Math.max(0.06, breath) *
              Math.sqrt(Math.max(0, end) * Math.min(1, weight(at.x, at.y))),
          ),
        };
      });
      return line({ points, colour, edgeMm: 0.8, hides: 0.98 * hides });
    });
  });
}

/** Thin colour drawn out along a direction, soft at its sides and seen through: shadows in a pale ground. */
export function shadows(
  box: Box,
  {
    colour,
    many,
    wideMm,
    angle,
    hides,
    seed,
    dealt = AS_IT_IS,
    weight = EVENLY,
  }: {
    colour: number;
    many: number;
    wideMm: number;
    angle: number;
    hides: number;
    seed: number;
    dealt?: Dealt;
    weight?: Weight;
  },
): Op[] {
  const random = sourceOf(seed, 29 + colour);
  const length = acrossOf(box);
  return spread(around(box, 40), many, random).flatMap((even) => {
    const { x, y } = dealt.at(even);
    const turned = angle + between(random, -0.3, 0.3);
    const long = length * between(random, 0.2, 0.6);
    const start = { x: x - (Math.cos(turned) * long) / 2, y: y - (Math.sin(turned) * long) / 2 };
    const way = wander(start, turned, long, 0.4, random);
    const wide = wideMm * between(random, 0.4, 1.4);
    const body = (share: number) =>
      way.map(({ x: px, y: py }, n): LinePoint => {
        const whole = Math.max(0, Math.min(1, n / 9, (way.length - 1 - n) / 9));
        const end = Math.sqrt(whole * Math.min(1, weight(px, py)));
        return { x: px, y: py, halfMm: Math.max(0.3, (wide / 2) * share * end) };
      });
    return [
      line({ points: body(1), colour, edgeMm: wide * 0.45, hides: 0.34 * hides }),
      line({ points: body(0.3), colour, edgeMm: wide * 0.1, hides: between(random, 0.2, 0.6) * hides }),
    ];
  });
}
