import { ciede2000 } from "../colour/ciede2000";
import { labOfXyz, xyzOfLinear, type Lab } from "../colour/spaces";
import type { Box } from "../geometry/ring";
import { compile, opsAfter, type Compiled, type Step } from "../pattern/passes/compile";
import { CLOSE, evaluate } from "../pattern/engine/evaluate";
import type { Op } from "../pattern/engine/op";
import type { Sheet } from "../pattern/engine/sheet";
import type { Spread } from "../numerics/spread";
import { filmAfter, onBoardMl, thinPlaces, type ThinPlace } from "../pattern/engine/film-grid";
import { balance, blended, mud, onTop, segregation, thirds } from "../pattern/engine/measures";
import { FLOODS_ML_PER_M2 } from "../pattern/passes/sprayed";
import { regularity, TOO_REGULAR } from "../pattern/engine/regular";
import type { Rehearsal } from "../pattern/passes/rehearsal";
import { PASS } from "../passes/facts";
import { differenceIn, type PaletteColour, type PieceRehearsal } from "./rehearse";
import { nth } from "../numerics/nth";
import { findingWords, MUD } from "./words";

/** What is measured on a picture after some of its passes. Shares by their places in the palette. */
export type PictureMeasures = {
  passes: number;
  onTop: number[];
  /** Palette places of what was poured last and not worked after: it lies on top. */
  laidLast: number[];
  leftRight: number[];
  backFront: number[];
  thirds: [number, number, number][];
  /** Above that of what was only poured. */
  mud: number;
  /** Colours apart from two steps back, 0 to 1. */
  apart: number;
  blended: number;
  regular: number;
  film: { thinnestMm: number; meanMm: number; lostMl: number; thinShare: number; places: ThinPlace[] };
  /** The whole from some steps back. */
  whole: Lab;
};

/** From two steps back the eye tells apart what is so far apart, mm. */
const EYE_MM = 7;
/** Film thinner than this, of the coat's, is a thin place (assumed). */
const THIN = 0.6;

export function sheetOf(of: Rehearsal, colours: number, widthPx: number): Sheet {
  const { minX, minY, maxX, maxY } = of.box;
  const pixelMm = (maxX - minX) / widthPx;
  return {
    widthPx,
    heightPx: Math.max(2, Math.round((maxY - minY) / pixelMm)),
    pixelMm,
    fromX: minX,
    fromY: minY,
    base: of.base,
    colours,
  };
}

/** The top alone: the film on faces is another matter. */
export const topOf = ({ topMm: { wide, high } }: Rehearsal): Box => ({
  minX: 0,
  minY: 0,
  maxX: wide,
  maxY: high,
});

/** Fine enough to see which colours a pass lays, px. */
const LAID_PX = 120;

/** Palette places of what the last of several pouring passes lays, where nothing is worked or moved after it. */
function laidLast(
  { rehearsal, palette }: Pick<PieceRehearsal, "rehearsal" | "palette">,
  { ops, steps }: Compiled,
  passes: number,
): number[] {
  const done = steps.slice(0, passes);
  const last = done.findLastIndex(({ picture }) => picture === "pours");
  const after = done.slice(last + 1);
  if (last < 1 || after.some(({ picture }) => picture === "works" || picture === "moves")) return [];
  const sheet = sheetOf(rehearsal, palette.length, LAID_PX);
  const [before, then] = [done[last - 1], done[last]].map((step) =>
    onTop(evaluate(ops.slice(0, step?.ops), sheet, { closeness: CLOSE })),
  ) as [number[], number[]];
  return then.flatMap((share, colour) => (share > (before[colour] ?? 0) + 1e-3 ? [colour] : []));
}

const lightOf = ({ lab }: PaletteColour) => lab[0] / 100;

/** Measures the picture of a rehearsal after so many of its passes, on a sheet of a width, px: 500 is fine enough for mud. */
export function measurePicture(
  { rehearsal, palette }: Pick<PieceRehearsal, "rehearsal" | "palette">,
  passes: number,
  widthPx: number,
  compiled = compile(rehearsal),
): PictureMeasures {
  const { ops, steps } = compiled;
  const done = ops.slice(0, opsAfter(compiled, passes));
  const sheet = sheetOf(rehearsal, palette.length, widthPx);
  const picture = evaluate(done, sheet, { closeness: CLOSE });
  /** Operations of the passes so far that do something of a kind. */
  const opsOf = (wanted: readonly Step["picture"][]): Op[] =>
    steps
      .slice(0, passes)
      .flatMap(({ ops: end, picture: what }, n) =>
        wanted.includes(what) ? ops.slice(n > 0 ? steps[n - 1]?.ops : 0, end) : [],
      );
  const poured = opsOf(["pours"]);
  // What is drawn or sprayed on top is no mud, and what opens in cells is not: only what was poured and worked into each other.
  const mixed = opsOf(["pours", "works", "moves"]);
  const difference = differenceIn(palette);
  const worked = rehearsal.coats.findLast(({ colours }) => colours.length > 1) ?? rehearsal.coats[0];
  const filmMm = worked?.filmMm ?? 1;
  const flowLeft = worked?.passes.at(-1)?.flowLeft ?? 1;
  const film = filmAfter(done, topOf(rehearsal), filmMm, flowLeft);
  const top = onTop(picture);
  const cells = film.mm.length;
  return {
    passes,
    onTop: top,
    leftRight: palette.map((_, colour) => balance(picture, colour).leftRight),
    backFront: palette.map((_, colour) => balance(picture, colour).backFront),
    thirds: palette.map((_, colour) => thirds(picture, colour)),
    mud:
      mixed.length === poured.length
        ? 0
        : Math.max(
            0,
            mud(
              mixed.length === done.length ? picture : evaluate(mixed, sheet, { closeness: CLOSE }),
              difference,
            ) - mud(evaluate(poured, sheet, { closeness: CLOSE }), difference),
          ),
    laidLast: laidLast({ rehearsal, palette }, compiled, passes),
    apart: segregation(picture, EYE_MM),
    blended: blended(picture),
    regular: regularity(picture, palette.map(lightOf)),
    film: {
      thinnestMm: film.mm.reduce((least, h) => Math.min(least, h), Infinity),
      meanMm: onBoardMl(film) / ((cells * film.cellMm ** 2) / 1000),
      lostMl: film.lostMl,
      thinShare: film.mm.reduce((many, h) => many + (h < THIN * filmMm ? 1 : 0), 0) / cells,
      places: thinPlaces(film, THIN * filmMm),
    },
    whole: labOfXyz(
      xyzOfLinear(
        [0, 1, 2].map((channel) =>
          palette.reduce((sum, { rgb }, colour) => sum + (top[colour] ?? 0) * nth(rgb, channel), 0),
        ) as [number, number, number],
      ),
    ),
  };
}

/** Something the eye would regret, in the words of the trade; with its place on the piece where it has one, mm. */
export type Finding = {
  id: string;
  what: string;
  soWhat: string;
  /** How much it matters: told, looked at, changed. */
  grade: "note" | "look" | "change";
  place: { x: number; y: number } | null;
};

/** How far two numbers of the film differ among sisters. */
export type FilmSpread = { thinnestMm: Spread; lostMl: Spread };

/** More than this of the film over the edge is told (assumed). */
const LOST = 0.02;

/** A colour that ends with so many times what was poured, and so much more of the piece, took over (assumed). */
const TOOK_OVER = { times: 1.5, more: 0.06 };
/** So uneven a colour is named; a colour with less on top is not spoken of. */
const UNEVEN = 0.3;
const TRACE = 0.025;
/** Whether a tool works anything in it. */
const worksIn = ({ coats }: Rehearsal): boolean =>
  coats.some(({ passes }) => passes.some(({ kind }) => PASS[kind].picture === "works"));

/**
 * What the picture says against what was wanted: from what must change down to what is only told.
 * @param spread of its sisters, once they are measured
 */
export function judgePicture(
  { rehearsal, palette }: Pick<PieceRehearsal, "rehearsal" | "palette">,
  measures: PictureMeasures,
  target:
    | {
        lab: readonly [number, number, number];
        name: string;
        /** ΔE00 of the finished top, as every view tells it. */
        difference?: number;
      }
    | undefined,
  spread: FilmSpread | null = null,
): Finding[] {
  const { box } = rehearsal;
  const found: Finding[] = [];
  const at = (share: number): { x: number; y: number } => ({
    x: box.minX + share * (box.maxX - box.minX),
    y: (box.minY + box.maxY) / 2,
  });
  palette.forEach(({ name, poured }, colour) => {
    const top = measures.onTop[colour] ?? 0;
    if (poured > 0 && top > TOOK_OVER.times * poured && top - poured > TOOK_OVER.more)
      found.push({
        id: `took-over-${colour}`,
        ...findingWords.tookOver(name, top, poured),
        grade: "change",
        place: null,
      });
    // What is poured last lies on top, in lines as thin as they are: nothing swallows it.
    if (poured > 0.05 && top < 0.4 * poured && !measures.laidLast.includes(colour))
      found.push({
        id: `swallowed-${colour}`,
        ...findingWords.swallowed(name, top, poured),
        grade: "look",
        place: null,
      });
    const parts = measures.thirds[colour];
    const empty = parts && top > TRACE ? parts.findIndex((share) => share < 0.12 * top) : -1;
    if (empty === 0 || empty === 1 || empty === 2)
      found.push({
        id: `none-${colour}`,
        ...findingWords.emptyThird(name, empty, (parts?.[empty] ?? 0) < 0.002),
        grade: "look",
        place: at((empty + 0.5) / 3),
      });
    else if (top > TRACE && top < 0.6 && Math.abs(measures.leftRight[colour] ?? 0) > UNEVEN) {
      const left = (measures.leftRight[colour] ?? 0) > 0;
      found.push({
        id: `side-${colour}`,
        ...findingWords.oneSided(name, left),
        grade: "note",
        place: at(left ? 0.2 : 0.8),
      });
    }
    if (empty < 0 && top > TRACE && top < 0.6 && Math.abs(measures.backFront[colour] ?? 0) > UNEVEN)
      found.push({
        id: `depth-${colour}`,
        ...findingWords.frontOrBack(name, (measures.backFront[colour] ?? 0) > 0),
        grade: "note",
        place: null,
      });
  });
  if (measures.mud >= MUD.little)
    found.push({
      id: "mud",
      ...findingWords.muddy(measures.mud, worksIn(rehearsal)),
      grade: measures.mud >= MUD.much ? "change" : "look",
      place: null,
    });
  if (measures.regular > TOO_REGULAR)
    found.push({
      id: "regular",
      ...findingWords.regular(),
      grade: "look",
      place: null,
    });
  measures.film.places.forEach(({ x, y, mm }, n) =>
    found.push({
      id: `thin-${n}`,
      ...findingWords.thin(mm, n === 0 ? spread?.thinnestMm : undefined),
      grade: n === 0 ? "look" : "note",
      place: { x, y },
    }),
  );
  const { lostMl, meanMm } = measures.film;
  const { wide, high } = rehearsal.topMm;
  const lost = lostMl / Math.max(1e-9, lostMl + (meanMm * wide * high) / 1000);
  if (lost > LOST)
    found.push({
      id: "lost",
      ...findingWords.lost(lostMl, lost, spread?.lostMl),
      grade: lost > 3 * LOST ? "look" : "note",
      place: null,
    });
  const dose = rehearsal.coats
    .flatMap(({ passes }) => passes)
    .filter(({ kind }) => PASS[kind].picture === "drops")
    .reduce((sum, { mlPerM2, rounds, work }) => sum + (mlPerM2 ?? 0) * rounds * (work.many ?? 1), 0);
  if (dose > 0.75 * FLOODS_ML_PER_M2)
    found.push({
      id: "flood",
      ...findingWords.flood(dose),
      grade: dose > FLOODS_ML_PER_M2 ? "change" : "look",
      place: null,
    });
  if (target) {
    const here = ciede2000(measures.whole, target.lab);
    const off = target.difference ?? here;
    found.push({
      id: "target",
      ...findingWords.target(target.name, off, here, measures.whole[0] > target.lab[0]),
      grade: off > 8 ? "look" : "note",
      place: null,
    });
  }
  const order = { change: 0, look: 1, note: 2 } as const;
  return found.sort((a, b) => order[a.grade] - order[b.grade]);
}

/** Blending is told round by round. */
const ROUNDS = 4;
const ROUNDS_PX = 240;
/** So much more of the top melted together than after the pour is grey that is seen (assumed). */
const MOST_BLENDED = 0.12;

/** The last pass of a rehearsal that blends. */
export const blendingPass = ({ rehearsal }: Pick<PieceRehearsal, "rehearsal">) =>
  rehearsal.coats
    .flatMap((coat) => coat.passes.map((pass) => ({ coat, pass })))
    .findLast(({ pass }) => PASS[pass.kind].picture === "works" && !pass.work.strokes);

/** Share of the top in which colours have melted together, before a blending pass and after one, two and more rounds of it. */
export function blendedByRound(of: Pick<PieceRehearsal, "rehearsal" | "palette">, passId: string): number[] {
  const after = (rounds: number) => {
    const rehearsal: Rehearsal = {
      ...of.rehearsal,
      coats: of.rehearsal.coats.map((coat) => {
        const at = coat.passes.findIndex(({ id }) => id === passId);
        if (at < 0) return coat;
        return {
          ...coat,
          passes: [
            ...coat.passes.slice(0, at),
            ...(rounds > 0 ? coat.passes.slice(at, at + 1).map((pass) => ({ ...pass, rounds })) : []),
          ],
        };
      }),
    };
    const last = rehearsal.coats.findIndex(({ passes }) => passes.some(({ id }) => id === passId));
    const coats = rounds > 0 ? rehearsal.coats.slice(0, last + 1) : rehearsal.coats;
    return blended(
      evaluate(compile({ ...rehearsal, coats }).ops, sheetOf(rehearsal, of.palette.length, ROUNDS_PX), {
        closeness: CLOSE,
      }),
    );
  };
  return Array.from({ length: ROUNDS + 1 }, (_, rounds) => after(rounds));
}

/** What is said of more rounds: by how much grey grows, and after which to stop; null where it never shows. */
export function roundsFinding(byRound: readonly number[], planned: number): Finding | null {
  const [before = 0, ...after] = byRound;
  const growth = after.length > 0 ? ((after.at(-1) ?? 0) - before) / after.length : 0;
  const over = after.findIndex((share) => share - before > MOST_BLENDED);
  const stop = over < 0 ? null : Math.max(1, over);
  if (growth < 0.02 || stop === null || planned <= stop) return null;
  return {
    id: "rounds",
    ...findingWords.rounds(growth, stop, planned),
    grade: "change",
    place: null,
  };
}
