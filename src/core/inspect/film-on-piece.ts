import { lossesOf } from "../batch/losses";
import type { Measured } from "../geometry/measure";
import { EIGHT_TENTHS, NINE_TENTHS } from "../numerics/normal";
import type { Spread } from "../numerics/spread";
import type { Plan } from "../plan/derive-plan";
import type { PlannedCoat } from "../plan/timed";
import type { CoatOutcome } from "../pour/outcome";
import { covers, filmOn } from "../schedule/coat";
import { stepAboutUm } from "./combs";
import { USUAL_SCALE, type Cells, type CombReading, type FilmScale, type Place } from "./film-kernel";
import { filmMap, type FilmMap, type VolumeOn } from "./film-map";
import { scaleOf } from "./film-scale";
import type { CombAt } from "./inspection";
import { cellsOf, edgeMmOf, fewCellsOf } from "./piece-cells";
import { topUp, ML_PER_UM_MM2 } from "./top-up";

/** A volume on a piece is never known better than this share of it; without what was left, not better than the second (judgement). */
const SURE = { left: 0.05, guessed: 0.12 };
/** The smallest film that is wanted where nobody says, as a share of the planned one (judgement). */
export const LEAST_SHARE = 0.8;

/** The film of a coat on a piece by its comb and by the cups. Films in µm, volumes in ml. */
export type FilmOnPiece = {
  cells: Cells;
  readings: readonly CombReading[];
  map: FilmMap;
  plannedUm: number;
  minUm: number;
  /** What lies on it by the cups, with the ends between which eight of ten lie. */
  volumeMl: Spread;
  /** What the film is short of on the piece: likely, and the ends between which eight of ten lie. */
  missingMl: Spread;
  /** What is mixed to bring it up, losses of a small cup with it: for the likely, and for the end that is enough in nine of ten. */
  mixMl: { likely: number; high: number };
  /** Where the next reading tells most; null where nothing lies away from the edge. */
  next: Place | null;
};

/** What lies on one of a piece, by the cups: what was mixed less what was left and lost, in the share of its area and film. */
export function volumeOn(
  plan: Pick<Plan, "pieces">,
  { coat, batched }: PlannedCoat,
  piece: Measured,
  { mixedMl, leftMl, shortMl }: CoatOutcome,
): VolumeOn | null {
  if (!batched || !(mixedMl > 0)) return null;
  const filmMl = batched.onTopMl.likely + batched.onFacesMl.likely;
  const known = leftMl !== null || shortMl !== null;
  const lost = batched.losses.reduce((sum, { ml }) => sum + ml.likely, 0);
  const lostSd = Math.hypot(...batched.losses.map(({ ml }) => (ml.high - ml.low) / (2 * NINE_TENTHS)));
  const laidMl = known
    ? Math.max(0, mixedMl - (leftMl ?? 0) - lost)
    : mixedMl * Math.min(1, filmMl / batched.mixMl.likely);
  const needOf = (of: Measured) => of.topAreaMm2 * filmOn(coat, of.id);
  const all = plan.pieces
    .filter(({ id }) => covers(coat, id))
    .reduce((sum, of) => sum + of.count * needOf(of), 0);
  if (!(all > 0) || !(filmMl > 0)) return null;
  const share = (batched.onTopMl.likely / filmMl) * (needOf(piece) / all);
  const ml = laidMl * share;
  const readSd = leftMl === null ? 0 : (3 + 0.05 * leftMl) * share;
  return { ml, sdMl: Math.max((known ? SURE.left : SURE.guessed) * ml, Math.hypot(lostSd * share, readSd)) };
}

/** A volume with so much on either side, none of it below nothing. */
const aroundBy = (likely: number, half: number): Spread => ({
  low: Math.max(0, likely - half),
  likely,
  high: likely + half,
});

type Point = { x: number; y: number };

const asReadings = (piece: Measured, combs: readonly CombAt[]): CombReading[] =>
  combs
    .filter(({ place }) => place.pieceId === piece.id)
    .map(({ place, wetMm, dryMm }) => {
      const at = { x: place.xMm, y: place.yMm };
      return {
        ...at,
        edgeMm: edgeMmOf(piece, at),
        lo: wetMm === null ? null : wetMm * 1000,
        hi: dryMm === null ? null : dryMm * 1000,
      };
    });

/** What a small cup with a brush loses, ml: what is mixed for a top-up beyond what goes on the piece. */
function smallLossMl(ml: number, factors: Parameters<typeof lossesOf>[0]["factors"]): number {
  if (!(ml > 0)) return 0;
  const losses = lossesOf({
    cupsMl: [ml],
    room: 1.5,
    bucketMl: 0,
    shares: [1],
    tools: ["brush"],
    openLengthMm: 0,
    faceLengthMm: 0,
    openShare: 0,
    faceShare: 0,
    tapedLengthMm: 0,
    tapedFilmMm2: 0,
    grounds: [],
    filledMl: 0,
    vesselsMl: [],
    factors,
  });
  return losses.reduce((sum, { ml: lost }) => sum + lost.likely, 0);
}

/**
 * The film of a coat over a piece, from the comb and the cups; null where nothing of it lies there.
 * @param minMm the smallest film that is wanted; {@link LEAST_SHARE} of the planned one where it is null
 * @param teethMm the shop's comb, for what the next reading can tell
 */
export function filmOnPiece({
  plan,
  planned,
  piece,
  outcome,
  combs,
  minMm,
  teethMm,
  factors,
}: {
  plan: Pick<Plan, "pieces">;
  planned: PlannedCoat;
  piece: Measured;
  outcome: CoatOutcome;
  combs: readonly CombAt[];
  minMm: number | null;
  teethMm: readonly number[];
  factors: Parameters<typeof lossesOf>[0]["factors"];
}): FilmOnPiece | null {
  const volume = volumeOn(plan, planned, piece, outcome);
  if (!volume || piece.piece.shape.kind === "tumbler" || !covers(planned.coat, piece.id)) return null;
  const cells = cellsOf(piece);
  if (cells.places.length === 0) return null;
  const plannedMm = filmOn(planned.coat, piece.id) * planned.coat.coverShare;
  const minUm = (minMm ?? LEAST_SHARE * plannedMm) * 1000;
  const meanUm = volume.ml / (cells.places.length * cells.sideMm ** 2 * ML_PER_UM_MM2);
  const readings = asReadings(
    piece,
    combs.filter(({ coatId }) => coatId === planned.coat.id),
  );
  const scale: FilmScale = scaleOf(cells, meanUm, readings);
  const asked = { meanUm, readings, volume, scale, minUm, stepUm: stepAboutUm(teethMm, plannedMm) };
  const map = filmMap({ ...asked, cells });
  const few = fewCellsOf(piece);
  const coarse = filmMap({ ...asked, cells: few });
  const { sdMl } = topUp([...coarse.meanUm], coarse.covUm2(), minUm, few.sideMm ** 2);
  const likely = map.belowMl;
  const missingMl = aroundBy(likely, EIGHT_TENTHS * sdMl);
  return {
    cells,
    readings,
    map,
    plannedUm: plannedMm * 1000,
    minUm,
    volumeMl: aroundBy(volume.ml, EIGHT_TENTHS * volume.sdMl),
    missingMl,
    mixMl: {
      likely: likely + smallLossMl(likely, factors),
      high: missingMl.high + smallLossMl(missingMl.high, factors),
    },
    next: map.nextCell === null ? null : (cells.places[map.nextCell] ?? null),
  };
}

/** Nothing is claimed of a film further from any reading than this share of √area: about how far the film goes together with itself. */
const TOLD_WITHIN = USUAL_SCALE.ell;

/** Whether a place lies near enough to a reading that its film is told. */
export const isTold = (
  { cells, readings }: Pick<FilmOnPiece, "cells" | "readings">,
  { x, y }: Point,
): boolean => {
  const within = TOLD_WITHIN * Math.sqrt(cells.places.length) * cells.sideMm;
  return readings.some((reading) => Math.hypot(reading.x - x, reading.y - y) <= within);
};

/** The film at a place, as a share of the planned one; null where no reading is near. */
export function shareAt(film: FilmOnPiece, at: Point): number | null {
  const { cells, map, plannedUm } = film;
  if (!(plannedUm > 0) || !isTold(film, at)) return null;
  const far = cells.places.map(({ x, y }) => Math.hypot(x - at.x, y - at.y));
  const nearest = far.indexOf(Math.min(...far));
  return (map.meanUm[nearest] as number) / plannedUm;
}
