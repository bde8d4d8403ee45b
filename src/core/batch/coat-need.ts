import type { Ground } from "./grounds";
import { exactly, scaled, sumOf, within, type Spread } from "../numerics/spread";
import type { CoatRequest, CoveredPiece } from "./coat-request";
import { displacedIn, embedNeed, embedsClearMl, sunkOf, type EmbedNeed } from "./embeds";
import { factorSpread } from "./factors";
import type { Coverable } from "./sections";

/** What has to lie in the end, before anything is lost on the way. */
export type CoatNeed = {
  /** On the tops, or in what is filled. */
  onTopMl: Spread;
  onFacesMl: Spread;
  /** Both, as they are likely. */
  neededMl: number;
  topAreaMm2: number;
  faceAreaMm2: number;
  /** It fills channels and moulds rather than lying on a top. */
  fills: boolean;
  embeds: EmbedNeed[];
  /** What lies in a fill would take the place of so much of it, and does of so much; that is already taken off what lies and is needed. */
  sunkMl: number;
  displacedMl: number;
  /** Clear that goes around what lies in it. */
  embedsMl: Spread;
  /** Time to lay and work the whole coat, min. */
  workMin: Spread;
  /** The films of its pieces, as multiples of what they say. */
  filmTimes: number;
  /** What is covered, piece by piece, in working order. */
  coverable: Coverable[];
};

/** A sum over all pieces, copies counted. */
export const sumOver = (pieces: readonly CoveredPiece[], of: (piece: CoveredPiece) => number): number =>
  pieces.reduce((sum, piece) => sum + piece.count * of(piece), 0);

/** What one of a piece takes on its top or as its fill. */
function topMlOf({ fillMl, topAreaMm2, filmMm }: CoveredPiece, coverShare: number): Spread {
  return fillMl ? scaled(fillMl, coverShare) : exactly((topAreaMm2 * coverShare * filmMm) / 1000);
}

/** A volume without so much of it; no end of it is less than nothing. */
export const less = ({ low, likely, high }: Spread, ml: number): Spread => ({
  low: Math.max(0, low - ml),
  likely: Math.max(0, likely - ml),
  high: Math.max(0, high - ml),
});

/** How long laying and working may take, as shares below and above the likely (assumed). */
const WORK_SPREAD = { below: 0.25, above: 0.4 };

export function needOf({ pieces, coverShare, rateM2PerH, people, ...request }: CoatRequest): CoatNeed {
  const topAreaMm2 = sumOver(pieces, (piece) => piece.topAreaMm2);
  const faceAreaMm2 = sumOver(pieces, (piece) => piece.faceAreaMm2);
  // Copies of one piece are read by the same hand: their doubts add, those of different pieces in quadrature.
  const fills = pieces.some((piece) => piece.fillMl !== null);
  // A fill takes what it takes; a film is laid by hand.
  const laidTimes = fills ? 1 : factorSpread("filmLaidTimes", request.factors).likely;
  const onTopMl = sumOf(pieces.map((piece) => scaled(topMlOf(piece, coverShare), piece.count * laidTimes)));
  const onFacesMl = scaled(
    factorSpread("faceFilmShare", request.factors),
    laidTimes * sumOver(pieces, (piece) => (piece.faceAreaMm2 * coverShare * piece.filmMm) / 1000),
  );
  const embeds = request.embeds.map((embed) => embedNeed(embed, fills));
  const sunkMl = sunkOf(embeds);
  const displacedMl = displacedIn(onTopMl.likely, sunkMl);
  const minutes =
    factorSpread("workTimes", request.factors).likely *
    ((topAreaMm2 + faceAreaMm2) / 1e6 / (rateM2PerH * people)) *
    60;
  return {
    onTopMl: less(onTopMl, displacedMl),
    onFacesMl,
    neededMl: onTopMl.likely - displacedMl + onFacesMl.likely,
    topAreaMm2,
    faceAreaMm2,
    fills,
    embeds,
    sunkMl,
    displacedMl,
    embedsMl: embedsClearMl(embeds),
    filmTimes: 1,
    workMin: within(minutes, WORK_SPREAD.below, WORK_SPREAD.above),
    coverable: pieces.map((piece) => ({
      id: piece.id,
      zoneId: piece.zoneId,
      name: piece.name,
      count: piece.count,
      alongMm: piece.alongMm,
      needMl: topMlOf(piece, coverShare).likely,
    })),
  };
}

/** The grounds that a coat lies on first, each with its area under the coat. */
export function groundsUnder({
  pieces,
  coverShare,
}: Pick<CoatRequest, "pieces" | "coverShare">): { ground: Ground; areaMm2: number }[] {
  const areas = new Map<Ground, number>();
  for (const { ground, topAreaMm2, count } of pieces)
    if (ground) areas.set(ground, (areas.get(ground) ?? 0) + topAreaMm2 * count * coverShare);
  return [...areas].map(([ground, areaMm2]) => ({ ground, areaMm2 }));
}
