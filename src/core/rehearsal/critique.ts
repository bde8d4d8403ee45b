import type { Measured } from "../geometry/measure";
import type { Point } from "../geometry/curves";
import type { Spread } from "../numerics/spread";
import { compile, opsAfter } from "../pattern/passes/compile";
import { CLOSE, evaluate } from "../pattern/engine/evaluate";
import { filmAfter, thinPlaces, type ThinPlace } from "../pattern/engine/film-grid";
import { mud } from "../pattern/engine/measures";
import type { Op } from "../pattern/engine/op";
import { BLADE_MM } from "../pattern/placing/practised";
import { TOUCHES } from "../pattern/placing/pulls";
import type { PractisedStroke } from "../pattern/passes/work";
import { practisedOn, type PracticeStroke } from "./practised-on";
import { sheetOf, topOf } from "./judge-picture";
import { differenceIn, type PieceRehearsal } from "./rehearse";
import { critiqueWords, MUD } from "./words";

/** A practice on one piece, as it was done. */
export type Practice = {
  /** How many passes were done before it began. */
  passes: number;
  fromMin: number;
  /** Minute from which the film hardly moves, so that it is left alone. */
  openUntilMin: number;
  strokes: readonly PracticeStroke[];
};

/** What is said of a practice afterwards. */
export type Critique = {
  /** 0 to 100. */
  score: number;
  /** And where it lies if the hand drags the film less or more than is assumed. */
  scoreSpread: Spread;
  /** Share of the top that a tool went over. */
  cover: number;
  /** Mud after each pull, above that before the first. */
  mudAfter: number[];
  /** The pull after which to stop: the last before mud is seen; null where it never is. */
  stopAfter: number | null;
  thinnestMm: number;
  thinPlaces: ThinPlace[];
  /** Pulls that were begun in the middle with a wide tool: a straight line is left there. */
  setDowns: { stroke: number; x: number; y: number }[];
  /** Main direction, degrees from −90 to 90, and how much of the way goes across it, 0 to 1. */
  directionDeg: number;
  crossing: number;
  /** Pulls into a film that tears. */
  late: number;
  /** Time from the first pull to the last, and the time there was, min. */
  usedMin: number;
  openMin: number;
  words: { what: string; good: boolean }[];
};

/** Width of the pictures on which mud is told, px: fine enough for how it changes. */
const MUD_PX = 320;
/** Pulls are told one by one up to so many; of more every other one. */
const MOST_TOLD = 24;
/** Wide tools leave a line where they are set down further in than this, mm. */
const EDGE_MM = 60;
const WIDE_TOOLS: readonly PractisedStroke["tool"][] = ["blade", "squeegee", "skim"];
const TEARS = 0.12;
/** How far a hand may drag the film less or more than is assumed, as a share of the flow that is left. */
const DRAG_DOUBT = 0.3;

const wideOf = (tool: PractisedStroke["tool"]) => (tool === "blade" ? BLADE_MM : TOUCHES[tool].wideMm);

/** Distance of a place from the outline, mm. */
function fromEdgeMm({ outline }: Measured, [x, y]: readonly [number, number]): number {
  const ring = outline.corners;
  let nearest = Infinity;
  for (let n = 0; n < ring.length; n += 1) {
    const [a, b] = [ring[n] as Point, ring[(n + 1) % ring.length] as Point];
    const long2 = (b.x - a.x) ** 2 + (b.y - a.y) ** 2 || 1;
    const t = Math.min(1, Math.max(0, ((x - a.x) * (b.x - a.x) + (y - a.y) * (b.y - a.y)) / long2));
    nearest = Math.min(nearest, Math.hypot(x - a.x - t * (b.x - a.x), y - a.y - t * (b.y - a.y)));
  }
  return nearest;
}

/** Share of the piece's box that the tools went over, on a grid. */
function coverOf(
  { widthMm, heightMm }: { widthMm: number; heightMm: number },
  strokes: readonly PracticeStroke[],
): number {
  const cellMm = Math.max(8, Math.sqrt((widthMm * heightMm) / 6000));
  const [across, down] = [
    Math.max(1, Math.round(widthMm / cellMm)),
    Math.max(1, Math.round(heightMm / cellMm)),
  ];
  const met = new Uint8Array(across * down);
  for (const { tool, points } of strokes) {
    const half = wideOf(tool) / 2;
    for (let n = 0; n < points.length; n += 1) {
      const [[ax, ay], [bx, by]] = [
        points[Math.max(0, n - 1)] as readonly [number, number],
        points[n] as readonly [number, number],
      ];
      const steps = Math.max(1, Math.ceil(Math.hypot(bx - ax, by - ay) / cellMm));
      for (let k = 0; k <= steps; k += 1) {
        const [x, y] = [ax + ((bx - ax) * k) / steps, ay + ((by - ay) * k) / steps];
        for (
          let j = Math.max(0, Math.floor((y - half) / cellMm));
          j <= Math.min(down - 1, (y + half) / cellMm);
          j += 1
        )
          for (
            let i = Math.max(0, Math.floor((x - half) / cellMm));
            i <= Math.min(across - 1, (x + half) / cellMm);
            i += 1
          )
            met[j * across + i] = 1;
      }
    }
  }
  return met.reduce((sum, value) => sum + value, 0) / met.length;
}

/** Main direction of all ways as twice their angles, and how much goes across it. */
function directions(strokes: readonly PracticeStroke[]): { directionDeg: number; crossing: number } {
  let [c, s, whole] = [0, 0, 0];
  const ways: { angle: number; long: number }[] = [];
  for (const { points } of strokes)
    for (let n = 1; n < points.length; n += 1) {
      const [[ax, ay], [bx, by]] = [
        points[n - 1] as readonly [number, number],
        points[n] as readonly [number, number],
      ];
      const long = Math.hypot(bx - ax, by - ay);
      const angle = Math.atan2(by - ay, bx - ax);
      ways.push({ angle, long });
      c += long * Math.cos(2 * angle);
      s += long * Math.sin(2 * angle);
      whole += long;
    }
  if (whole === 0) return { directionDeg: 0, crossing: 0 };
  const main = Math.atan2(s, c) / 2;
  const across = ways.reduce(
    (sum, { angle, long }) => sum + (Math.abs(Math.sin(angle - main)) > Math.SQRT1_2 ? long : 0),
    0,
  );
  return { directionDeg: (main * 180) / Math.PI, crossing: across / whole };
}

/** The operations of a practice, pull by pull. */
export const practiceOps = (
  of: PieceRehearsal,
  { passes, strokes }: Pick<Practice, "passes" | "strokes">,
): Op[][] => strokes.map((stroke, n) => practisedOn(of, passes, stroke, n));

const clamp = (value: number) => Math.min(1, Math.max(0, value));

/** What a practice was: cover, mud pull by pull, thin spots, habits, time. */
export function critique(of: PieceRehearsal, piece: Measured, practice: Practice): Critique {
  const { rehearsal, palette } = of;
  const { strokes } = practice;
  const compiled = compile(rehearsal);
  const before = compiled.ops.slice(0, opsAfter(compiled, practice.passes));
  const pulls = practiceOps(of, practice);
  const sheet = sheetOf(rehearsal, palette.length, MUD_PX);
  const difference = differenceIn(palette);
  const under = evaluate(before, sheet, { closeness: CLOSE });
  const start = mud(under, difference);
  const every = Math.max(1, Math.ceil(strokes.length / MOST_TOLD));
  const mudAfter: number[] = [];
  let last = 0;
  pulls.forEach((_, n) => {
    if (n % every === every - 1 || n === pulls.length - 1)
      last = Math.max(0, mud(evaluate(pulls.slice(0, n + 1).flat(), sheet, { under }), difference) - start);
    mudAfter.push(last);
  });
  const seen = mudAfter.findIndex((value) => value >= MUD.little);
  const coat = rehearsal.coats.find(({ colours }) => colours.length > 1) ?? rehearsal.coats[0];
  const filmMm = coat?.filmMm ?? 1;
  const film = filmAfter(pulls.flat(), topOf(rehearsal), filmMm, strokes.at(-1)?.flowLeft ?? 1);
  const thin = thinPlaces(film, 0.6 * filmMm);
  const setDowns = strokes.flatMap(({ tool, points: [first] }, stroke) =>
    first && WIDE_TOOLS.includes(tool) && fromEdgeMm(piece, first) > EDGE_MM
      ? [{ stroke, x: first[0], y: first[1] }]
      : [],
  );
  const { directionDeg, crossing } = directions(strokes);
  const cover = coverOf(piece.outline, strokes);
  const late = strokes.filter(({ flowLeft }) => flowLeft < TEARS).length;
  const usedMin = Math.max(0, (strokes.at(-1)?.atMin ?? practice.fromMin) - practice.fromMin);
  const openMin = Math.max(0, practice.openUntilMin - practice.fromMin);
  // How well it was done, by how much of it was done: a top left alone is no work.
  const scored = (mudEnd: number) => {
    const well =
      0.45 * (1 - clamp((mudEnd - 0.3) / 3)) +
      0.2 * (1 - clamp(thin.length / 4)) +
      0.15 * (1 - clamp(setDowns.length / 3)) +
      0.2 * (strokes.length === 0 ? 0 : 1 - clamp(late / strokes.length));
    return Math.round(100 * well * (0.2 + 0.8 * clamp(cover / 0.9)));
  };
  const score = scored(mudAfter.at(-1) ?? 0);
  const otherwise = [1 - DRAG_DOUBT, 1 + DRAG_DOUBT].map((drags) => {
    const dragged = strokes.map((stroke) => ({ ...stroke, flowLeft: Math.min(1, stroke.flowLeft * drags) }));
    const ops = practiceOps(of, { ...practice, strokes: dragged }).flat();
    return scored(Math.max(0, mud(evaluate(ops, sheet, { under }), difference) - start));
  });
  const scoreSpread = {
    low: Math.min(score, ...otherwise),
    likely: score,
    high: Math.max(score, ...otherwise),
  };
  const words = [
    { what: critiqueWords.cover(cover), good: cover > 0.8 },
    seen >= 0
      ? { what: critiqueWords.mudFrom(seen + 1), good: false }
      : { what: critiqueWords.apart(), good: true },
    thin.length > 0
      ? { what: critiqueWords.thin(thin.length, thin[0]?.mm ?? 0), good: false }
      : { what: critiqueWords.noThin(), good: true },
    ...(setDowns.length > 0 ? [{ what: critiqueWords.setDowns(setDowns.length), good: false }] : []),
    {
      what: crossing > 0.25 ? critiqueWords.crossing(crossing) : critiqueWords.along(directionDeg),
      good: crossing <= 0.25,
    },
    {
      what: critiqueWords.time(usedMin, openMin),
      good: usedMin <= openMin,
    },
    ...(late > 0 ? [{ what: critiqueWords.late(late), good: false }] : []),
  ];
  return {
    score,
    scoreSpread,
    cover,
    mudAfter,
    stopAfter: seen > 0 ? seen : seen === 0 ? 0 : null,
    thinnestMm: film.mm.reduce((least, h) => Math.min(least, h), Infinity),
    thinPlaces: thin,
    setDowns,
    directionDeg,
    crossing,
    late,
    usedMin,
    openMin,
    words,
  };
}
