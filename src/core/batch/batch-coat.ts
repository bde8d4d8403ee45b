import type { FittedResin } from "../cure/fitted-resin";
import { exactly, scaled, sumOf, type Spread } from "../numerics/spread";
import { nth } from "../numerics/nth";
import { atStrength, dosesFor, type CoatColour, type NamedDose } from "./coat-colour";
import { needOf, sumOver, type CoatNeed } from "./coat-need";
import { mixesEachCup, type CoatRequest } from "./coat-request";
import { gramsPerCount } from "./dose";
import { type Divided, type Held } from "./divide";
import type { EmbedNeed } from "./embeds";
import { laidMl, type GivenConflict } from "./given";
import { type Loss } from "./losses";
import { dealColours, goesOn, isPlaced, sharesOverPlaces, type ColourPlace } from "./placed-colours";
import { mixDensityGPerMl, splitParts, type Parts } from "./parts";
import { dealSections, type Dealt, type Section } from "./sections";
import { sizeCoat, type Sized } from "./size-coat";
import { massTogetherG, mixingMinutes, potLifeSpread, type BatchLimit } from "./split-batches";
import { vesselFor, type Vessel } from "./vessel";

export type Cup = {
  colourId: string;
  name: string;
  /** The pieces and zones that it is for, where it is not for all of the batch. */
  places: string[];
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
  /** Its film, or the poured share of what is filled, as a multiple of what the coat says: 1 where that is given. */
  filmFactor: number;
  /** What is mixed and finds no room in what is filled, ml. */
  overMl: number;
  /** What was given and cannot be. */
  conflict: GivenConflict | null;
  /** Its colours, with the shares and strengths that came out. */
  colours: CoatColour[];
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
  /** It is given, and what stays on the piece follows. */
  mixGiven: boolean;
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

/** The doubt of some terms, turned round: what they take more is what is left less. */
function leaving(likely: number, taken: readonly Spread[]): Spread {
  const doubt = sumOf(taken);
  return {
    low: Math.max(0, likely - (doubt.high - doubt.likely)),
    likely,
    high: likely + (doubt.likely - doubt.low),
  };
}

/** All that is to be mixed, with the doubts of what lies and what is lost; none where it is given. */
function mixSpread(need: CoatNeed, { workMl, losses, divided }: Sized, given: boolean): Spread {
  if (!(need.neededMl > 0)) return exactly(0);
  if (given) return exactly(divided.sumMl);
  const perUnit = (divided.sumMl - need.embedsMl.likely) / workMl;
  const work = sumOf([need.onTopMl, need.onFacesMl, ...losses.map((loss) => loss.ml)]);
  return sumOf([scaled(work, perUnit), need.embedsMl]);
}

/**
 * Sizes a coat: what goes on the piece, what is lost on the way and what is held back, in as many batches as the pot's life asks for.
 *
 * Mixed volume = (area × film or fill + faces + losses)·(1 + reserves) + clear for embeds. Cups and buckets are sized by the volume and
 * lose by their size, so the sum is found by iteration (it converges: a loss is a few hundredths of what it is lost from, and vessels only
 * grow while it is sought). Where the mix or its cups are given, the same sum is read from the other end.
 */
export function batchCoat(asked: CoatRequest): BatchedCoat {
  const request = { ...asked, colours: overPlaces(asked) };
  const { resin, pieces, tempC } = request;
  const { need, found, colours: laid, filmFactor, overMl, conflict } = sizeCoat(request);
  const { divided, losses, split, workMl, roomForMl } = found;
  const given = conflict === null ? request.given !== null : conflict.kind === "cups";
  const colours = coloursOf(found, laid, request.resin);
  const { sumMl } = divided;
  const largest = Math.max(...split.shares);
  const lifeOf = (share: number) => potLifeSpread(massTogetherG(divided, share, request), tempC, resin);
  const lives = resin.kind !== "paint" && sumMl > 0;
  const dealt = dealSections(need.coverable, split.batches, split.atEnds);
  const room = Math.max(1, roomForMl / workMl);
  const cover = { dealt, parts: coloursByBatch(asked, need, dealt) };
  return {
    onTopMl: given
      ? leaving(need.onTopMl.likely, [need.onFacesMl, ...losses.map((loss) => loss.ml)])
      : need.onTopMl,
    filmFactor,
    overMl,
    conflict,
    colours,
    topAreaMm2: need.topAreaMm2,
    faceAreaMm2: need.faceAreaMm2,
    dripLengthMm: sumOver(pieces, (piece) => piece.openLengthMm + piece.faceLengthMm + piece.damLengthMm),
    count: countOf(pieces),
    fills: need.fills,
    embeds: need.embeds,
    onFacesMl: need.onFacesMl,
    losses,
    held: overMl > 0 ? [...divided.held, { colourId: null, name: "Over", ml: overMl }] : divided.held,
    mixMl: mixSpread(need, found, given),
    mixGiven: given,
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
        ? Array.from({ length: split.batches }, (_, index) =>
            batchAt(index, cover, divided, { ...request, colours }, room),
          )
        : [],
  };
}

/** The colours as they came out: shares by what is laid, strengths by the dose of a cup where that is given. */
function coloursOf(
  { workMl, divided, split }: Sized,
  colours: readonly CoatColour[],
  resin: FittedResin,
): CoatColour[] {
  const laid = laidMl(workMl, colours);
  return colours.map((colour, at) => {
    const share =
      colour.givenMl === undefined && !colours.some(isGiven) ? colour.share : nth(laid, at) / workMl;
    const eachG = (nth(divided.coloursMl, at) / split.batches) * mixDensityGPerMl(resin);
    const gPer100G =
      colour.cupDose === undefined || !(eachG > 0)
        ? colour.gPer100G
        : (100 * colour.cupDose * gramsPerCount(colour.measure)) / eachG;
    return share === colour.share && gPer100G === colour.gPer100G
      ? colour
      : atStrength({ ...colour, share }, gPer100G);
  });
}
const isGiven = ({ givenMl }: CoatColour) => givenMl !== undefined;

const clearName = ({ embeds, clearReserve }: CoatRequest): string => {
  if (embeds.length === 0) return "Clear, held back";
  return clearReserve > 0 ? "Clear, for embeds and held back" : "Clear, for embeds";
};

/** Pieces, copies counted; one that is covered zone by zone counts once. */
const countOf = (pieces: CoatRequest["pieces"]): number =>
  [...new Map(pieces.map(({ id, count }) => [id, count])).values()].reduce((sum, count) => sum + count, 0);

/** The places of a coat as its colours see them. */
const placesOf = (need: CoatNeed): ColourPlace[] =>
  need.coverable.map(({ id, zoneId, needMl, count }) => ({ pieceId: id, zoneId, needMl, count }));

/** The colours with the shares of the whole that they come to where some go on some places only. */
function overPlaces(request: CoatRequest): readonly CoatColour[] {
  const { colours } = request;
  if (!isPlaced(colours)) return colours;
  const shares = sharesOverPlaces(colours, placesOf(needOf(request)));
  return colours.map((colour, at) => ({ ...colour, share: nth(shares, at) }));
}

/** What part of each colour goes into each batch; null where all batches are alike. */
function coloursByBatch({ colours }: CoatRequest, need: CoatNeed, dealt: Dealt): number[][] | null {
  if (!isPlaced(colours)) return null;
  const batches = dealt.shares.map((share, at) => ({ share, sections: dealt.sections[at] ?? [] }));
  return dealColours(colours, placesOf(need), batches);
}

/** What batches cover, and what part of each colour goes into each of them where they are not alike. */
type Cover = { dealt: Dealt; parts: number[][] | null };

/** The places of a batch that a colour goes on, by name; none where it goes on all of them. */
function placesFor(colour: CoatColour, sections: readonly Section[]): string[] {
  if (colour.placeIds === undefined) return [];
  return [
    ...new Set(sections.filter((section) => goesOn(colour, section)).map(({ pieceName }) => pieceName)),
  ];
}

/** @param room of vessels, as a multiple of what goes into them */
function batchAt(
  index: number,
  { dealt, parts }: Cover,
  divided: Divided,
  request: CoatRequest,
  room: number,
): Batch {
  const { resin, colours } = request;
  const density = mixDensityGPerMl(resin);
  const share = dealt.shares[index] ?? 0;
  const sections = dealt.sections[index] ?? [];
  const partOf = (at: number) => parts?.[index]?.[at] ?? share;
  // What its cups hold more or less than their share of all.
  const moreMl = parts
    ? colours.reduce((sum, _, at) => sum + (divided.coloursMl[at] ?? 0) * (partOf(at) - share), 0)
    : 0;
  const mixMl = divided.sumMl * share + moreMl;
  const ownParts = mixesEachCup(request);
  const cup = (colourId: string, name: string, ml: number, doses: NamedDose[], places: string[]): Cup => ({
    colourId,
    name,
    places,
    ml,
    g: ml * density,
    vessel: vesselFor(ml * room, request.vesselsMl),
    doses,
    parts: ownParts ? splitParts(ml, resin) : null,
  });
  const cups = colours.flatMap((colour, at) => {
    const part = partOf(at);
    // A colour that goes on none of its places is not mixed for a batch.
    if (parts && !(part > 0)) return [];
    const ml = (divided.coloursMl[at] ?? 0) * part;
    return [cup(colour.id, colour.name, ml, dosesFor(ml * density, colour), placesFor(colour, sections))];
  });
  if (divided.clearMl > 0)
    cups.push(cup("clear-reserve", clearName(request), divided.clearMl * share, [], []));
  return {
    number: index + 1,
    share,
    parts: splitParts(mixMl, resin),
    pot: vesselFor(mixMl * room, request.vesselsMl),
    cups,
    sections,
  };
}
