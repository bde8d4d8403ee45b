import { exactly, scaled, sumOf, type Spread } from "../numerics/spread";
import { dosesFor, type NamedDose } from "./coat-colour";
import { groundsUnder, needOf, sumOver, type CoatNeed } from "./coat-need";
import { mixesEachCup, type CoatRequest } from "./coat-request";
import { divide, NOTHING_DIVIDED, type Divided, type Held } from "./divide";
import type { EmbedNeed } from "./embeds";
import { lossesOf, type Loss } from "./losses";
import { mixDensityGPerMl, splitParts, type Parts } from "./parts";
import { dealSections, dealShares, type Dealt, type Section } from "./sections";
import {
  massTogetherG,
  mixingMinutes,
  potLifeSpread,
  splitBatches,
  type BatchLimit,
  type Split,
} from "./split-batches";
import { vesselFor, type Vessel } from "./vessel";

export type Cup = {
  colourId: string;
  name: string;
  ml: number;
  g: number;
  vessel: Vessel;
  /** What colours it, colourant by colourant; none for clear. */
  doses: NamedDose[];
  /** A and B of this cup alone, where colour goes into A first. */
  parts: Parts | null;
};

export type Batch = {
  /** From 1. */
  number: number;
  /** Share of the coat's area and volume. */
  share: number;
  parts: Parts;
  pot: Vessel;
  cups: Cup[];
  sections: Section[];
};

export type BatchedCoat = {
  /** On the tops, or in what is filled. */
  onTopMl: Spread;
  /** Area of the tops and faces it covers, mm². */
  topAreaMm2: number;
  faceAreaMm2: number;
  /** Edges over which it runs and drips, now or when a dam is pulled, mm. */
  dripLengthMm: number;
  /** Pieces it is poured on, copies counted. */
  count: number;
  /** It fills channels and moulds rather than lying on a top. */
  fills: boolean;
  embeds: EmbedNeed[];
  onFacesMl: Spread;
  losses: Loss[];
  held: Held[];
  /** All that is to be mixed, ml. */
  mixMl: Spread;
  mixG: number;
  /** Mixed volume over the top's area, as a film, mm. */
  mixedFilmMm: number;
  /** Time to lay and work the whole coat. */
  workMin: Spread;
  mixingMin: number;
  /** How long one batch lives where it is mixed; null for a one-part coating. */
  potLifeMin: Spread | null;
  /** How long it would live if all were mixed at once; null for a one-part coating or a single batch. */
  potLifeAtOnceMin: Spread | null;
  batches: Batch[];
  /** What asked for the last batch more; null when one is enough. */
  limit: BatchLimit | null;
  /** Set when even the smallest batches do not live as long as the work takes, or do not fit. */
  tooSlow: boolean;
  /** Volumes of one cup each over the whole coat, by colour. */
  coloursMl: { colourId: string; ml: number }[];
};

/** A coat while its volume is sought. */
type Sized = {
  /** All that is laid and lost, without what is held back, ml. */
  workMl: number;
  losses: Loss[];
  divided: Divided;
  split: Split;
  /** Vessels are chosen for this much work volume: the most that was met, so that two sizes do not take turns. */
  roomForMl: number;
};

/** One round: a work volume divided and split into batches, what these lose, and the work volume with that. */
function sizedOnce(before: Sized, need: CoatNeed, request: CoatRequest): Sized {
  const { workMl } = before;
  const divided = divide(workMl, need.embedsMl.likely, request);
  const split = splitBatches(before.split, divided, need, request);
  const roomForMl = split.batches > before.split.batches ? workMl : Math.max(before.roomForMl, workMl);
  const cupsMl = [...divided.coloursMl, ...(divided.clearMl > 0 ? [divided.clearMl] : [])];
  const apart = mixesEachCup(request);
  const losses = lossesOf({
    cupsMl: cupsMl.length > 1 || apart ? cupsMl : [],
    room: roomForMl / workMl,
    bucketMl: apart ? 0 : divided.sumMl,
    shares: split.shares,
    tools: request.tools,
    openLengthMm: sumOver(request.pieces, (piece) => piece.openLengthMm) * request.coverShare,
    faceLengthMm: sumOver(request.pieces, (piece) => piece.faceLengthMm) * request.coverShare,
    grounds: groundsUnder(request),
    filledMl: need.fills ? need.onTopMl.likely : 0,
    vesselsMl: request.vesselsMl,
    factors: request.factors,
  });
  const next = need.neededMl + losses.reduce((sum, loss) => sum + loss.ml.likely, 0);
  return { workMl: next, losses, divided, split, roomForMl };
}

const MOST_ROUNDS = 40;

/** The rounds until the volume stays; from below, since a first guess too large would keep a batch too many. */
function sized(need: CoatNeed, request: CoatRequest): Sized {
  let found: Sized = {
    workMl: need.neededMl,
    losses: [],
    divided: { ...NOTHING_DIVIDED, coloursMl: request.colours.map(() => 0) },
    split: {
      batches: 1,
      shares: dealShares(need.coverable, 1, true),
      atEnds: true,
      limit: null,
      tooSlow: false,
    },
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

/** All that is to be mixed, with the doubts of what lies and what is lost. */
function mixSpread(need: CoatNeed, { workMl, losses, divided }: Sized): Spread {
  if (!(need.neededMl > 0)) return exactly(0);
  const perUnit = (divided.sumMl - need.embedsMl.likely) / workMl;
  const work = sumOf([need.onTopMl, need.onFacesMl, ...losses.map((loss) => loss.ml)]);
  return sumOf([scaled(work, perUnit), need.embedsMl]);
}

/**
 * Sizes a coat: what goes on the piece, what is lost on the way and what is held back, in as many batches as the pot's life asks for.
 *
 * Mixed volume = (area × film or fill + faces + losses)·(1 + reserves) + clear for embeds. Cups and buckets are sized by the volume and
 * lose by their size, so the sum is found by iteration (it converges: a loss is a few hundredths of what it is lost from, and vessels only
 * grow while it is sought).
 */
export function batchCoat(request: CoatRequest): BatchedCoat {
  const { resin, colours, pieces, tempC } = request;
  const need = needOf(request);
  const found = sized(need, request);
  const { divided, losses, split, workMl, roomForMl } = found;
  const { sumMl } = divided;
  const largest = Math.max(...split.shares);
  const lifeOf = (share: number) => potLifeSpread(massTogetherG(divided, share, request), tempC, resin);
  const lives = resin.kind !== "paint" && sumMl > 0;
  const dealt = dealSections(need.coverable, split.batches, split.atEnds);
  const room = Math.max(1, roomForMl / workMl);
  return {
    onTopMl: need.onTopMl,
    topAreaMm2: need.topAreaMm2,
    faceAreaMm2: need.faceAreaMm2,
    dripLengthMm: sumOver(pieces, (piece) => piece.openLengthMm + piece.faceLengthMm + piece.damLengthMm),
    count: sumOver(pieces, () => 1),
    fills: need.fills,
    embeds: need.embeds,
    onFacesMl: need.onFacesMl,
    losses,
    held: divided.held,
    mixMl: mixSpread(need, found),
    mixG: sumMl * mixDensityGPerMl(resin),
    mixedFilmMm: need.topAreaMm2 > 0 ? (sumMl * 1000) / need.topAreaMm2 : 0,
    workMin: need.workMin,
    mixingMin: mixingMinutes(sumMl * largest),
    potLifeMin: lives ? lifeOf(largest) : null,
    potLifeAtOnceMin: lives && split.batches > 1 ? lifeOf(1) : null,
    limit: split.limit,
    tooSlow: split.tooSlow,
    coloursMl: colours.map(({ id }, index) => ({ colourId: id, ml: divided.coloursMl[index] ?? 0 })),
    batches:
      sumMl > 0
        ? Array.from({ length: split.batches }, (_, index) => batchAt(index, dealt, divided, request, room))
        : [],
  };
}

const clearName = ({ embeds, clearReserve }: CoatRequest): string => {
  if (embeds.length === 0) return "Clear, held back";
  return clearReserve > 0 ? "Clear, for embeds and held back" : "Clear, for embeds";
};

/** @param room of vessels, as a multiple of what goes into them */
function batchAt(index: number, dealt: Dealt, divided: Divided, request: CoatRequest, room: number): Batch {
  const { resin, colours } = request;
  const density = mixDensityGPerMl(resin);
  const share = dealt.shares[index] ?? 0;
  const mixMl = divided.sumMl * share;
  const ownParts = mixesEachCup(request);
  const cup = (colourId: string, name: string, ml: number, doses: NamedDose[]): Cup => ({
    colourId,
    name,
    ml,
    g: ml * density,
    vessel: vesselFor(ml * room, request.vesselsMl),
    doses,
    parts: ownParts ? splitParts(ml, resin) : null,
  });
  const cups = colours.map((colour, at) => {
    const ml = (divided.coloursMl[at] ?? 0) * share;
    return cup(colour.id, colour.name, ml, dosesFor(ml * density, colour));
  });
  if (divided.clearMl > 0) cups.push(cup("clear-reserve", clearName(request), divided.clearMl * share, []));
  return {
    number: index + 1,
    share,
    parts: splitParts(mixMl, resin),
    pot: vesselFor(mixMl * room, request.vesselsMl),
    cups,
    sections: dealt.sections[index] ?? [],
  };
}
