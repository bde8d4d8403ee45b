import { scaled } from "../numerics/spread";
import { nth } from "../numerics/nth";
import type { CoatColour } from "./coat-colour";
import { groundsUnder, less, needOf, sumOver, type CoatNeed } from "./coat-need";
import { mixesEachCup, type CoatRequest, type CoveredPiece } from "./coat-request";
import { divide, NOTHING_DIVIDED, type Divided } from "./divide";
import { conflictWithFilm, givenMixMl, laidMl, workOfMix, type GivenConflict, type GivenWork } from "./given";
import { displacedIn, fillWith } from "./embeds";
import { lossesOf, runOffShare, type Loss } from "./losses";
import { dealShares } from "./sections";
import { splitBatches, type Split } from "./split-batches";

/** A coat while its volume is sought. */
export type Sized = {
  /** All that is laid and lost, without what is held back, ml. */
  workMl: number;
  losses: Loss[];
  divided: Divided;
  split: Split;
  /** Vessels are chosen for this much work volume: the most that was met, so that two sizes do not take turns. */
  roomForMl: number;
};

/** Lengths from which it runs off and drips, mm, and how much of the usual by the films of the pieces. */
function runOffAlong({ filmTimes }: CoatNeed, { pieces, coverShare }: CoatRequest) {
  const along = (length: (piece: CoveredPiece) => number) => {
    const whole = sumOver(pieces, length);
    const run = sumOver(pieces, (piece) => length(piece) * runOffShare(piece.filmMm * filmTimes));
    return { lengthMm: whole * coverShare, share: whole > 0 ? run / whole : 1 };
  };
  const [open, face] = [along((piece) => piece.openLengthMm), along((piece) => piece.faceLengthMm)];
  return {
    openLengthMm: open.lengthMm,
    openShare: open.share,
    faceLengthMm: face.lengthMm,
    faceShare: face.share,
  };
}

/** What a work volume in these batches loses. */
function lossesAt(
  { workMl, divided, split, roomForMl }: Omit<Sized, "losses">,
  need: CoatNeed,
  request: CoatRequest,
): Loss[] {
  const { openLengthMm, openShare, faceLengthMm, faceShare } = runOffAlong(need, request);
  const cupsMl = [...divided.coloursMl, ...(divided.clearMl > 0 ? [divided.clearMl] : [])];
  const apart = mixesEachCup(request);
  return lossesOf({
    cupsMl: cupsMl.length > 1 || apart ? cupsMl : [],
    room: roomForMl / workMl,
    bucketMl: apart ? 0 : divided.sumMl,
    shares: split.shares,
    tools: request.tools,
    openLengthMm,
    faceLengthMm,
    openShare,
    faceShare,
    tapedLengthMm: sumOver(request.pieces, (piece) => piece.tapedLengthMm) * request.coverShare,
    tapedFilmMm2:
      sumOver(request.pieces, (piece) => piece.tapedLengthMm * piece.filmMm * need.filmTimes) *
      request.coverShare,
    grounds: groundsUnder(request),
    filledMl: need.fills ? need.onTopMl.likely : 0,
    vesselsMl: request.vesselsMl,
    factors: request.factors,
  });
}

const lostMl = (losses: readonly Loss[]) => losses.reduce((sum, loss) => sum + loss.ml.likely, 0);

/** One round: a work volume divided and split into batches, what these lose, and the work volume with that. */
function sizedOnce(before: Sized, need: CoatNeed, request: CoatRequest): Sized {
  const { workMl } = before;
  const divided = divide(workMl, need.embedsMl.likely, request);
  const split = splitBatches(before.split, divided, need, request);
  const roomForMl = split.batches > before.split.batches ? workMl : Math.max(before.roomForMl, workMl);
  const losses = lossesAt({ workMl, divided, split, roomForMl }, need, request);
  return { workMl: need.neededMl + lostMl(losses), losses, divided, split, roomForMl };
}

const MOST_ROUNDS = 40;

const NOT_SPLIT = { batches: 1, limit: null };

/** The rounds until the volume stays; from below, since a first guess too large would keep a batch too many. */
function fromFilm(need: CoatNeed, request: CoatRequest): Sized {
  let found: Sized = {
    workMl: need.neededMl,
    losses: [],
    divided: { ...NOTHING_DIVIDED, coloursMl: request.colours.map(() => 0) },
    split: { ...NOT_SPLIT, shares: dealShares(need.coverable, 1, true), atEnds: true, tooSlow: false },
    roomForMl: 0,
  };
  if (!(need.neededMl > 0)) return found;
  for (let round = 0; round < MOST_ROUNDS; round += 1) {
    const { workMl } = found;
    found = sizedOnce(found, need, request);
    if (Math.abs(found.workMl - workMl) < 1e-9 * found.workMl) break;
  }
  return { ...found, divided: divide(found.workMl, need.embedsMl.likely, request) };
}

/** A coat sized: how its film grew or shrank for what was given, and what did not find room. */
export type Solved = {
  need: CoatNeed;
  found: Sized;
  /** With what is given of them, as far as it could be. */
  colours: readonly CoatColour[];
  /** Its film, or the poured share of what is filled, as a multiple of what the coat says. */
  filmFactor: number;
  /** What is mixed and finds no room in what is filled, ml. */
  overMl: number;
  conflict: GivenConflict | null;
};

/** What a film, or a poured share, takes up: what lies, and what lies in it in its place, ml. */
const takenUpMl = ({ neededMl, displacedMl }: CoatNeed): number => neededMl + displacedMl;
/** By how much the film, or the share, is larger where so much lies. */
const filmFactorOf = (lyingMl: number, need: CoatNeed): number =>
  fillWith(lyingMl, need.sunkMl) / takenUpMl(need);

/** A need with its film, or its poured share, so many times as large; what is embedded and the time it takes stay. */
function timesFilm(need: CoatNeed, factor: number): CoatNeed {
  if (factor === 1) return need;
  const { displacedMl, sunkMl } = need;
  const { low, likely, high } = need.onTopMl;
  const taken = scaled(
    { low: low + displacedMl, likely: likely + displacedMl, high: high + displacedMl },
    factor,
  );
  const displaced = displacedIn(taken.likely, sunkMl);
  return {
    ...need,
    displacedMl: displaced,
    onTopMl: less(taken, displaced),
    onFacesMl: scaled(need.onFacesMl, factor),
    neededMl: takenUpMl(need) * factor - displaced,
    filmTimes: need.filmTimes * factor,
    coverable: need.coverable.map((piece) => ({ ...piece, needMl: piece.needMl * factor })),
  };
}

/** The value that a function gives back as it is, from 1 on, by the secant of the last two: it falls, however steeply. */
function settled(of: (value: number) => number): number {
  let [before, offBefore] = [1, of(1) - 1];
  let value = Math.max(0, 1 + offBefore);
  for (let round = 0; round < MOST_ROUNDS && value !== before; round += 1) {
    const off = of(value) - value;
    if (Math.abs(off) <= 1e-12 * value) break;
    const next = value - (off * (value - before)) / (off - offBefore);
    [before, offBefore] = [value, off];
    value = Math.max(0, next);
  }
  return value;
}

/** The batches and the room of vessels that a volume was split with. */
type Dealing = Pick<Sized, "split" | "roomForMl">;

/**
 * The film that a work volume leaves in given batches and vessels, as a multiple of what the coat says. What is lost depends on the volume, and
 * on the film where that sinks in a fill or runs off thinly: that settles in a few rounds.
 * @returns what is lost, where that is all of it
 */
function filmLeft(
  workMl: number,
  dealing: Dealing,
  need: CoatNeed,
  request: CoatRequest,
): Pick<Solved, "found" | "filmFactor" | "overMl" | "need"> | { lostMl: number } {
  const sized = { ...dealing, workMl, divided: divide(workMl, need.embedsMl.likely, request) };
  const most = need.fills ? 1 / request.coverShare : Infinity;
  let losses: Loss[] = [];
  const leaves = (factor: number) => {
    losses = lossesAt(sized, timesFilm(need, factor), request);
    const lyingMl = workMl - lostMl(losses);
    return need.fills ? Math.min(most, filmFactorOf(Math.max(0, lyingMl), need)) : lyingMl / takenUpMl(need);
  };
  const filmFactor = settled(leaves);
  if (!(filmFactor > 0)) return { lostMl: lostMl(losses) };
  const left = timesFilm(need, filmFactor);
  const overMl = filmFactor === most ? workMl - lostMl(losses) - left.neededMl : 0;
  return { need: left, found: { ...sized, losses }, filmFactor, overMl };
}

/** So many tries find the film that asks for a volume; where none does, between two sizes of a vessel, the first stays. */
const MOST_TRIES = 8;
/** Two films that ask for one volume lie closer together than this share of it: a larger vessel saves no more. */
const NEAR_FILM = 0.05;

/** The other way round: from a work volume to the film that it leaves, in the batches and vessels that this film asks for by itself. */
function fromWork({ workMl, conflict }: GivenWork, need: CoatNeed, request: CoatRequest): Solved {
  const { colours } = request;
  if (!(workMl > 0)) return nothingLeft(need.embedsMl.likely, need, request);
  const divided = divide(workMl, need.embedsMl.likely, request);
  const first = filmLeft(
    workMl,
    { split: splitBatches(NOT_SPLIT, divided, need, request), roomForMl: workMl },
    need,
    request,
  );
  if ("lostMl" in first) return nothingLeft(first.lostMl, need, request);
  const asFirst = { ...first, colours, conflict };
  if (first.overMl > 0) return asFirst;
  const laid = laidMl(workMl, colours);
  const byShares = colours.map((colour, at) => ({ ...freed(colour), share: nth(laid, at) / workMl }));
  const askedBy = (filmFactor: number) =>
    fromFilm(timesFilm(need, filmFactor), { ...request, colours: byShares });
  // Where the film that the coat says is near, it comes first: at a vessel's brim two films close together ask for one volume.
  const awayMl = Math.abs(first.filmFactor - 1) * takenUpMl(need);
  let filmFactor = awayMl < NEAR_FILM * workMl ? 1 : first.filmFactor;
  for (let tries = 0; tries < MOST_TRIES && filmFactor > 0; tries += 1) {
    const asked = askedBy(filmFactor);
    const moreMl = workMl - asked.workMl;
    if (Math.abs(moreMl) <= 1e-8 * workMl) {
      const found = filmLeft(workMl, asked, need, request);
      return "lostMl" in found ? asFirst : { ...found, colours, conflict };
    }
    const perFactor = takenUpMl(need) + thinRunOffMl(asked.losses) / filmFactor;
    filmFactor = tries === 0 && filmFactor === 1 ? first.filmFactor : filmFactor + moreMl / perFactor;
  }
  return asFirst;
}

/** What runs off and grows with the film, since that is thin, ml. */
const thinRunOffMl = (losses: readonly Loss[]): number =>
  losses.reduce((sum, loss) => sum + (loss.id === "run-off" && loss.share < 1 ? loss.ml.likely : 0), 0);

/** A colour by its share alone. */
const freed = ({ givenMl: _given, ...colour }: CoatColour): CoatColour => colour;

/** Nothing would lie: the coat stays as it says, and what is wrong is told. */
function nothingLeft(lostMl: number, need: CoatNeed, request: CoatRequest): Solved {
  const colours = request.colours.map(freed);
  const found = fromFilm(need, { ...request, colours });
  return { need, found, colours, filmFactor: 1, overMl: 0, conflict: { kind: "lost", lostMl } };
}

/** By what is given: the film, or an amount that the film follows from. */
export function sizeCoat(request: CoatRequest): Solved {
  const { colours, clearReserve } = request;
  const need = needOf(request);
  if (!(need.neededMl > 0))
    return { need, found: fromFilm(need, request), colours, filmFactor: 1, overMl: 0, conflict: null };
  const workOf = (mixMl: number | null) => workOfMix(mixMl, colours, clearReserve, need.embedsMl.likely);
  if (request.given) {
    const work = workOf(givenMixMl(request.given, need.topAreaMm2));
    if (work) return fromWork(work, need, request);
  }
  const found = fromFilm(need, request);
  const noCup: GivenConflict | null = request.given ? { kind: "no-cup" } : null;
  const conflict = noCup ?? conflictWithFilm(found.workMl, colours);
  // Cups that do not go with the film are counted as they were given.
  if (conflict?.kind === "cups") return fromWork({ workMl: conflict.cupsMl, conflict }, need, request);
  return { need, found, colours, filmFactor: 1, overMl: 0, conflict };
}
