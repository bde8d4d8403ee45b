import type { Box } from "../../geometry/ring";
import type { Point } from "../../geometry/curves";
import type { Op } from "../engine/op";
import { lines, type LinePoint } from "../ops/line";
import { acrossOf, around, between, sourceOf, spread, type Random } from "../placing/random";

/** A vein as it is planned: a few points that a hand can drag; what it does between them comes from its seed. */
export type Vein = {
  seed: number;
  /** Its middle line where it turns, mm. */
  points: readonly Point[];
  /** Width where it is neither thick nor thin, mm. */
  thickMm: number;
};

/** How the veins of a set go. All from 0 to 1 but the haze. */
export type VeinManner = {
  /** How far they leave their direction. */
  wander: number;
  /** How much thicker their thick parts are than their thin ones. */
  contrast: number;
  branching: number;
  hairs: number;
  /** Width of the soft shade beside them, mm. */
  hazeMm: number;
};

export const USUAL_MANNER: VeinManner = { wander: 0.5, contrast: 0.6, branching: 0.5, hairs: 0.5, hazeMm: 8 };

export type VeinWay = { kind: "main" | "branch" | "hair"; points: LinePoint[] };

/** Veins turn every so often, mm (assumed, by eye). */
const KICK_MM = 110;
const STEP_MM = 4;

/** A line of noise along a way: smooth, about ±1, of a length. */
function along(random: Random, lengthMm: number, octaves = 4): (at: number) => number {
  const waves = Array.from({ length: octaves }, (_, n) => ({
    k: (2 * Math.PI * 1.9 ** n) / lengthMm,
    phase: 2 * Math.PI * random(),
    height: 0.75 / 1.5 ** n,
  }));
  return (at) => waves.reduce((sum, { k, phase, height }) => sum + height * Math.sin(k * at + phase), 0);
}

/** A broken line through some points, with smaller breaks between them: each half displaced by a share of its length. */
function broken(points: readonly Point[], rough: number, random: Random): Point[] {
  let line = [...points];
  for (let round = 0; round < 4; round += 1) {
    const next: Point[] = [line[0] as Point];
    for (let n = 1; n < line.length; n += 1) {
      const [from, to] = [line[n - 1] as Point, line[n] as Point];
      const [dx, dy] = [to.x - from.x, to.y - from.y];
      const long = Math.hypot(dx, dy);
      if (long > 3 * STEP_MM) {
        const at = between(random, 0.35, 0.65);
        const off = (random() - 0.5) * 2 * rough * (0.75 + 0.25 * random());
        next.push({ x: from.x + dx * at - dy * off, y: from.y + dy * at + dx * off });
      }
      next.push(to);
    }
    line = next;
  }
  return line;
}

/** A line at even steps, with its length so far. */
function evenly(points: readonly Point[]): { x: number; y: number; at: number }[] {
  const out: { x: number; y: number; at: number }[] = [];
  let walked = 0;
  let next = 0;
  for (let n = 1; n < points.length; n += 1) {
    const [from, to] = [points[n - 1] as Point, points[n] as Point];
    const long = Math.hypot(to.x - from.x, to.y - from.y);
    while (next <= walked + long && long > 0) {
      const t = (next - walked) / long;
      out.push({ x: from.x + (to.x - from.x) * t, y: from.y + (to.y - from.y) * t, at: next });
      next += STEP_MM;
    }
    walked += long;
  }
  const last = points.at(-1);
  if (last) out.push({ ...last, at: walked });
  return out;
}

/** Points a vein goes through: main direction, kicks that die away, a slow wander. */
function heading(from: Point, angle: number, lengthMm: number, wander: number, random: Random): Point[] {
  const slow = along(random, 700);
  const points: Point[] = [from];
  let { x, y } = from;
  let kick = 0;
  for (let walked = 0; walked < lengthMm;) {
    const step = Math.min(lengthMm - walked, KICK_MM * between(random, 0.6, 1.8)) || 1;
    kick = kick * 0.35 + (random() - 0.5) * 2.3 * wander;
    const turn = angle + kick + 0.45 * wander * slow(walked);
    x += step * Math.cos(turn);
    y += step * Math.sin(turn);
    walked += step;
    points.push({ x, y });
  }
  return points;
}

/** Thinnest that a stick draws, mm across. */
const HAIR_MM = 0.5;

function widths(
  points: readonly Point[],
  thickMm: number,
  contrast: number,
  rough: number,
  tapers: readonly [boolean, boolean],
  random: Random,
): LinePoint[] {
  const line = evenly(broken(points, rough, random));
  const whole = line.at(-1)?.at ?? 0;
  const thick = along(random, 420, 2);
  const fine = along(random, 90, 3);
  return line.map(({ x, y, at }) => {
    const end = Math.min(1, tapers[0] ? 0.12 + at / 70 : 1, tapers[1] ? 0.05 + (whole - at) / 110 : 1);
    const swell = Math.exp(contrast * (1.25 * thick(at) - 0.4 + 0.3 * fine(at)));
    return { x, y, halfMm: Math.max(HAIR_MM / 2, (thickMm / 2) * swell * end) };
  });
}

const headingAt = (line: readonly LinePoint[], n: number) => {
  const [from, to] = [
    line[Math.max(0, n - 3)] as LinePoint,
    line[Math.min(line.length - 1, n + 3)] as LinePoint,
  ];
  return Math.atan2(to.y - from.y, to.x - from.x);
};

/** How rough a vein is between its points, as a share of each stretch. */
const roughness = (wander: number) => 0.012 + 0.17 * wander;

/** The lines of a vein as they are drawn: itself, its branches and its hairs; the same for the same seed. */
export function veinWays(vein: Vein, manner: VeinManner): VeinWay[] {
  const { seed, points, thickMm } = vein;
  if (points.length < 2) return [];
  const rough = roughness(manner.wander);
  const main = widths(points, thickMm, manner.contrast, rough, [true, true], sourceOf(seed, 61));
  const ways: VeinWay[] = [{ kind: "main", points: main }];
  const random = sourceOf(seed, 67);
  const whole = main.length * STEP_MM;
  const grown = (
    kind: "branch" | "hair",
    from: readonly LinePoint[],
    n: number,
    turnRad: number,
    lengthMm: number,
    thick: number,
  ) => {
    const start = from[n];
    if (!start) return;
    const side = random() < 0.5 ? 1 : -1;
    const way = heading(start, headingAt(from, n) + side * turnRad, lengthMm, manner.wander * 0.6, random);
    ways.push({ kind, points: widths(way, thick, manner.contrast * 0.8, rough, [false, true], random) });
  };
  const branches = Math.round((manner.branching * whole) / 260);
  for (let n = 0; n < branches; n += 1)
    grown(
      "branch",
      main,
      Math.floor(between(random, 0.05, 0.9) * main.length),
      between(random, 0.2, 0.5),
      between(random, 60, 420),
      Math.max(HAIR_MM, thickMm * between(random, 0.15, 0.5)),
    );
  const hairs = Math.round((manner.hairs * whole) / 120);
  for (let n = 0; n < hairs; n += 1) {
    const from = ways[Math.floor(random() * (1 + branches))]?.points ?? main;
    grown(
      "hair",
      from,
      Math.floor(random() * from.length),
      between(random, 0.12, 0.42),
      between(random, 20, 170),
      HAIR_MM,
    );
  }
  return ways;
}

/** Veins across a box as one stone: so many metres of them to a square metre, all about one direction, some long and some short. */
export function growVeins(
  box: Box,
  {
    angle,
    metresPerM2,
    thickMm,
    manner,
    seed,
  }: { angle: number; metresPerM2: number; thickMm: number; manner: VeinManner; seed: number },
): Vein[] {
  const random = sourceOf(seed, 53);
  const across = acrossOf(box);
  const areaM2 = ((box.maxX - box.minX) * (box.maxY - box.minY)) / 1e6;
  const wanted = metresPerM2 * areaM2 * 1000;
  // How long a line along the direction is within the box, about.
  const chord = Math.min(
    (box.maxX - box.minX) / Math.max(0.05, Math.abs(Math.cos(angle))),
    (box.maxY - box.minY) / Math.max(0.05, Math.abs(Math.sin(angle))),
    across,
  );
  const mean = 0.75 * chord;
  const many = Math.max(1, Math.min(40, Math.round(wanted / mean)));
  return spread(around(box, -0.02 * across), many, random).map(({ x, y }, n) => {
    const heads = angle + between(random, -0.22, 0.22);
    // One runs through, others are shorter.
    const long = chord * (n === 0 ? 1.9 : between(random, 0.45, 1.5));
    const start = { x: x - (Math.cos(heads) * long) / 2, y: y - (Math.sin(heads) * long) / 2 };
    return {
      seed: Math.floor(random() * 1e6),
      points: heading(start, heads, long, manner.wander, random),
      thickMm: thickMm * (n === 0 ? 1.25 : between(random, 0.25, 1)),
    };
  });
}

/** What a vein lays on the film: its haze first, then its lines. */
export function veinOps(
  vein: Vein,
  manner: VeinManner,
  colour: number,
  { hides = 0.95, wider = 1 }: { hides?: number; wider?: number } = {},
): Op[] {
  const ways = veinWays(vein, manner);
  const grown = (kinds: readonly VeinWay["kind"][], by: number) =>
    ways
      .filter(({ kind }) => kinds.includes(kind))
      .map(({ points }) => points.map((at) => ({ ...at, halfMm: at.halfMm * wider + by })));
  const { hazeMm } = manner;
  const sharp = 0.35 + 0.5 * (wider - 1);
  return [
    ...(hazeMm > 0
      ? [
          lines({ ways: grown(["main"], hazeMm * 0.5), colour, edgeMm: hazeMm * 3, hides: 0.08 }),
          lines({ ways: grown(["main"], hazeMm * 0.2), colour, edgeMm: hazeMm, hides: 0.16 }),
        ]
      : []),
    lines({ ways: grown(["hair"], 0), colour, edgeMm: sharp, hides: hides * 0.62 }),
    lines({ ways: grown(["main", "branch"], 0), colour, edgeMm: sharp, hides }),
  ];
}
