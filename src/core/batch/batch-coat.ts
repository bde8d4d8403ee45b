import { potLifeMin } from "../cure/pot";
import type { FittedResin } from "../cure/fitted-resin";
import { exactly, scaled, sumOf, within, type Spread } from "../numerics/spread";
import { dosesFor, type CoatColour, type NamedDose } from "./coat-colour";
import { embedNeed, embedsClearMl, type Embed, type EmbedNeed } from "./embeds";
import { factorSpread, type FactorId, type Ground, type Tool } from "./factors";
import { lossesOf, type Loss } from "./losses";
import { mixDensityGPerMl, splitParts, type Parts } from "./parts";
import { dealSections, dealShares, type Dealt, type Section } from "./sections";
import { FULLEST, vesselFor, type Vessel } from "./vessel";

/** The two schools of mixing: colour into A before the hardener, or clear first, then cups. */
export type School = "colour-into-a" | "clear-first";

/** What a coat covers of one piece; areas and lengths are those of ONE of its kind. */
export type CoveredPiece = {
  id: string;
  name: string;
  count: number;
  /** Film on this piece, mm; without meaning where it is filled. */
  filmMm: number;
  topAreaMm2: number;
  faceAreaMm2: number;
  openLengthMm: number;
  faceLengthMm: number;
  /** Edges that are dammed, mm. */
  damLengthMm: number;
  /** What the coat lies on, where this is its first coat and it drinks. */
  ground: Ground | null;
  /** What is filled rather than coated. */
  fillMl: Spread | null;
  /** Way along the piece to the cut before which a share of its area lies, mm. */
  alongMm: (share: number) => number;
};

export type CoatRequest = {
  resin: FittedResin;
  /** Share of the area that is covered, or of the fill that is poured: 1 for a coat, a few hundredths for veins. */
  coverShare: number;
  pieces: readonly CoveredPiece[];
  colours: readonly CoatColour[];
  /** Clear held back beyond the colours' own reserve, as a share of the work volume. */
  clearReserve: number;
  school: School;
  tools: readonly Tool[];
  embeds: readonly Embed[];
  /** Area one person lays and works in an hour, m²/h. */
  rateM2PerH: number;
  people: number;
  tempC: number;
  /** Sizes of cups and buckets at hand, ml; the usual ones when empty. A mix is then never larger than the largest. */
  vesselsMl: readonly number[];
  /** No mix larger than this, ml, as for whole kits; null for no such limit. */
  largestBatchMl: number | null;
  factors: Partial<Record<FactorId, number>>;
};

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

export type Held = { colourId: string | null; name: string; ml: number };

/** What made more than one batch necessary. */
export type BatchLimit = "pot life" | "largest mix" | "largest vessel" | "kit";

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

const MOST_BATCHES = 24;
/** Minutes from the first drop of B to the first pour (common practice, no source): small by hand, more by drill. */
const MIXING_MIN = { small: 3, pail: 4, large: 5 };

function mixingMinutes(mixMl: number): number {
  if (mixMl < 1000) return MIXING_MIN.small;
  return mixMl < 5000 ? MIXING_MIN.pail : MIXING_MIN.large;
}

/**
 * Pot life of a mass with its spread: ±25 %, or ±50 % when the card gives no pot life (docs/models/cure.md).
 * What a coating that is no epoxy does with its heat is not modelled: its spread is doubled downwards.
 */
export function potLifeSpread(
  massG: number,
  tempC: number,
  { fit, kind }: Pick<FittedResin, "fit" | "kind">,
): Spread {
  const doubt = fit.used.pot ? 0.25 : 0.5;
  const life = potLifeMin(massG, tempC, tempC, fit.parameters);
  return within(life, kind === "hybrid" ? Math.min(0.7, 2 * doubt) : doubt, doubt);
}

/** The volume every colour's cup holds, over the whole coat, and what is held back, for a work volume. */
function divide(
  workMl: number,
  embedsMl: number,
  request: CoatRequest,
): { coloursMl: number[]; held: Held[]; clearMl: number } {
  const held: Held[] = [];
  const heldClearMl = workMl * request.clearReserve;
  const coloursMl = request.colours.map((colour) => {
    const laid = colour.share * workMl;
    const back = laid * colour.reserve;
    if (back > 0) held.push({ colourId: colour.id, name: colour.name, ml: back });
    return laid + back;
  });
  if (heldClearMl > 0) held.push({ colourId: null, name: "Clear", ml: heldClearMl });
  return { coloursMl, held, clearMl: heldClearMl + embedsMl };
}

const sumOver = (pieces: readonly CoveredPiece[], of: (piece: CoveredPiece) => number): number =>
  pieces.reduce((sum, piece) => sum + piece.count * of(piece), 0);

/** What one of a piece takes on its top or as its fill. */
function topMlOf({ fillMl, topAreaMm2, filmMm }: CoveredPiece, coverShare: number): Spread {
  return fillMl ? scaled(fillMl, coverShare) : exactly((topAreaMm2 * coverShare * filmMm) / 1000);
}

/** Copies of one piece are read by the same hand: their doubts add, those of different pieces in quadrature. */
const ofAll = (pieces: readonly CoveredPiece[], coverShare: number): Spread =>
  sumOf(pieces.map((piece) => scaled(topMlOf(piece, coverShare), piece.count)));

function groundsOf(
  pieces: readonly CoveredPiece[],
  coverShare: number,
): { ground: Ground; areaMm2: number }[] {
  const areas = new Map<Ground, number>();
  for (const { ground, topAreaMm2, count } of pieces)
    if (ground) areas.set(ground, (areas.get(ground) ?? 0) + topAreaMm2 * count * coverShare);
  return [...areas].map(([ground, areaMm2]) => ({ ground, areaMm2 }));
}

/**
 * Sizes a coat: what goes on the piece, what is lost on the way and what is held back, in as many batches as the pot's life asks for.
 *
 * Mixed volume = (area × film or fill + faces + losses)·(1 + reserves) + clear for embeds. Cups and buckets are sized by the volume and
 * lose by their size, so the sum is found by iteration (it converges: a loss is a few hundredths of what it is lost from, and vessels only
 * grow while it is sought).
 * The number of batches is the least for which mixing and work end within the low end of the pot life, and no mix is above the card's
 * largest, the largest vessel at hand or the kit.
 */
export function batchCoat(request: CoatRequest): BatchedCoat {
  const { resin, colours, pieces, coverShare } = request;
  const density = mixDensityGPerMl(resin);
  const faceShare = factorSpread("faceFilmShare", request.factors);
  const onTopMl = ofAll(pieces, coverShare);
  const topAreaMm2 = sumOver(pieces, (piece) => piece.topAreaMm2);
  const faceAreaMm2 = sumOver(pieces, (piece) => piece.faceAreaMm2);
  const onFacesMl = scaled(
    faceShare,
    sumOver(pieces, (piece) => (piece.faceAreaMm2 * coverShare * piece.filmMm) / 1000),
  );
  const fills = pieces.some((piece) => piece.fillMl !== null);
  const embeds = request.embeds.map(embedNeed);
  const embedsMl = embedsClearMl(embeds);
  const neededMl = onTopMl.likely + onFacesMl.likely;
  const areaM2 = (topAreaMm2 + faceAreaMm2) / 1e6;
  const workMin = within((areaM2 / (request.rateM2PerH * request.people)) * 60, 0.25, 0.4);
  const eachCupMixed = request.school === "colour-into-a" && resin.kind !== "paint";
  const coverable = pieces.map(({ id, name, count, alongMm, ...piece }) => ({
    id,
    name,
    count,
    alongMm,
    needMl: topMlOf({ id, name, count, alongMm, ...piece }, coverShare).likely,
  }));
  const largestVesselMl = request.vesselsMl.length > 0 ? Math.max(...request.vesselsMl) * FULLEST : Infinity;

  let batches = 1;
  // From below: a first guess too large would keep a batch too many.
  let workMl = neededMl;
  let losses: Loss[] = [];
  let divided = divide(workMl, embedsMl.likely, request);
  let tooSlow = false;
  let limit: BatchLimit | null = null;
  const sumMl = () => divided.coloursMl.reduce((sum, ml) => sum + ml, 0) + divided.clearMl;
  let snap = true;
  let shares = dealShares(coverable, batches, snap);
  /** Vessels are chosen for this much work volume: the most that was met, so that two sizes do not take turns. */
  let roomForMl = 0;
  /** Mass that lives together in one vessel, for a share of the whole. */
  const massTogetherG = (share: number) =>
    density * (eachCupMixed ? Math.max(...divided.coloursMl, divided.clearMl) : sumMl()) * share;
  /** What is wrong with batches of this size; null when nothing is. */
  const tooLarge = (): BatchLimit | null => {
    const largest = Math.max(...shares);
    const mass = massTogetherG(largest);
    const ml = (mass / density) * (1 - 1e-9);
    if (ml > largestVesselMl) return "largest vessel";
    if (ml > (request.largestBatchMl ?? Infinity)) return "kit";
    if (resin.kind === "paint") return null;
    if (resin.largestMixG !== null && mass > resin.largestMixG) return "largest mix";
    const life = potLifeSpread(mass, request.tempC, resin).low;
    return mixingMinutes(mass / density) + workMin.likely * largest <= life ? null : "pot life";
  };
  /** As few batches as will do: with cuts at the ends of pieces where these allow it, else with even ones. */
  const settleBatches = () => {
    for (;;) {
      let reason: BatchLimit | null = null;
      for (const ends of [true, false]) {
        snap = ends;
        shares = dealShares(coverable, batches, snap);
        reason = tooLarge();
        if (reason === null) return;
      }
      if (batches === MOST_BATCHES) {
        tooSlow = true;
        return;
      }
      limit = reason;
      batches += 1;
      roomForMl = 0;
    }
  };
  if (neededMl > 0) {
    for (let round = 0; round < 40; round += 1) {
      divided = divide(workMl, embedsMl.likely, request);
      settleBatches();
      roomForMl = Math.max(roomForMl, workMl);
      const cupsMl = [...divided.coloursMl, ...(divided.clearMl > 0 ? [divided.clearMl] : [])];
      losses = lossesOf({
        cupsMl: cupsMl.length > 1 || eachCupMixed ? cupsMl : [],
        room: roomForMl / workMl,
        bucketMl: eachCupMixed ? 0 : sumMl(),
        shares,
        tools: request.tools,
        openLengthMm: sumOver(pieces, (piece) => piece.openLengthMm) * coverShare,
        faceLengthMm: sumOver(pieces, (piece) => piece.faceLengthMm) * coverShare,
        grounds: groundsOf(pieces, coverShare),
        filledMl: fills ? onTopMl.likely : 0,
        vesselsMl: request.vesselsMl,
        factors: request.factors,
      });
      const next = neededMl + losses.reduce((sum, loss) => sum + loss.ml.likely, 0);
      const moved = Math.abs(next - workMl);
      workMl = next;
      if (moved < 1e-9 * workMl) break;
    }
    divided = divide(workMl, embedsMl.likely, request);
  } else {
    divided = { coloursMl: colours.map(() => 0), held: [], clearMl: 0 };
  }

  const dealt = dealSections(coverable, batches, snap);
  const total = sumMl();
  const perUnit = workMl > 0 ? (total - embedsMl.likely) / workMl : 1;
  const mixMl =
    neededMl > 0
      ? sumOf([scaled(sumOf([onTopMl, onFacesMl, ...losses.map((loss) => loss.ml)]), perUnit), embedsMl])
      : exactly(0);
  const together = massTogetherG(Math.max(...shares));
  const life = resin.kind === "paint" || !(total > 0) ? null : potLifeSpread(together, request.tempC, resin);

  return {
    onTopMl,
    topAreaMm2,
    faceAreaMm2,
    dripLengthMm: sumOver(pieces, (piece) => piece.openLengthMm + piece.faceLengthMm + piece.damLengthMm),
    count: sumOver(pieces, () => 1),
    fills,
    embeds,
    onFacesMl,
    losses,
    held: divided.held,
    mixMl,
    mixG: total * density,
    mixedFilmMm: topAreaMm2 > 0 ? (total * 1000) / topAreaMm2 : 0,
    workMin,
    mixingMin: mixingMinutes(total * Math.max(...shares)),
    potLifeMin: life,
    potLifeAtOnceMin: life && batches > 1 ? potLifeSpread(massTogetherG(1), request.tempC, resin) : null,
    limit,
    tooSlow,
    coloursMl: colours.map((colour, index) => ({ colourId: colour.id, ml: divided.coloursMl[index] ?? 0 })),
    batches:
      total > 0
        ? Array.from({ length: batches }, (_, index) =>
            oneBatch(index, dealt, divided, request, density, Math.max(1, roomForMl / workMl)),
          )
        : [],
  };
}

const clearName = ({ embeds, clearReserve }: CoatRequest): string => {
  if (embeds.length === 0) return "Clear, held back";
  return clearReserve > 0 ? "Clear, for embeds and held back" : "Clear, for embeds";
};

function oneBatch(
  index: number,
  dealt: Dealt,
  divided: { coloursMl: number[]; clearMl: number },
  request: CoatRequest,
  density: number,
  room: number,
): Batch {
  const { resin, colours } = request;
  const share = dealt.shares[index] ?? 0;
  const mixMl = (divided.coloursMl.reduce((sum, ml) => sum + ml, 0) + divided.clearMl) * share;
  const ownParts = request.school === "colour-into-a" && resin.kind !== "paint";
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
