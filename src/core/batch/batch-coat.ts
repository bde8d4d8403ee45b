import type { Calibration } from "../cure/calibrate";
import { potLifeMin } from "../cure/pot";
import type { ResinCard } from "../cure/resin-card";
import { exactly, scaled, sumOf, within, type Spread } from "../numerics/spread";
import type { CoatColour } from "./coat-colour";
import { doseFor, type Dose } from "./dose";
import { factorSpread, type FactorId, type Ground, type Tool } from "./factors";
import { lossesOf, type Loss } from "./losses";
import { mixDensityGPerMl, splitParts, type Parts } from "./parts";
import { dealSections, type Coverable, type Dealt, type Section } from "./sections";
import { vesselFor, type Vessel } from "./vessel";

/** The two schools of mixing: colour into A before the hardener, or clear first, then cups. */
export type School = "colour-into-a" | "clear-first";

export type CoatRequest = {
  card: ResinCard;
  calibration: Calibration;
  filmMm: number;
  /** Share of the area that is covered: 1 for a coat, a few hundredths for veins. */
  coverShare: number;
  pieces: readonly Coverable[];
  topAreaMm2: number;
  faceAreaMm2: number;
  openLengthMm: number;
  faceLengthMm: number;
  colours: readonly CoatColour[];
  /** Clear held back beyond the colours' own reserve, as a share of the work volume. */
  clearReserve: number;
  school: School;
  ground: Ground | null;
  tools: readonly Tool[];
  /** Area one person lays and works in an hour, m²/h. */
  rateM2PerH: number;
  people: number;
  tempC: number;
  factors: Partial<Record<FactorId, number>>;
};

export type Cup = {
  colourId: string;
  name: string;
  ml: number;
  g: number;
  vessel: Vessel;
  dose: Dose;
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

export type BatchedCoat = {
  onTopMl: number;
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
  /** Set when even the smallest batches do not live as long as the work takes. */
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

/** Pot life of a mass with its spread: ±25 %, or ±50 % when the card gives no pot life (docs/models/cure.md). */
export function potLifeSpread(massG: number, tempC: number, calibration: Calibration): Spread {
  return within(potLifeMin(massG, tempC, tempC, calibration.parameters), calibration.used.pot ? 0.25 : 0.5);
}

/** The volume every colour's cup holds, over the whole coat, and what is held back, for a work volume. */
function divide(
  workMl: number,
  request: CoatRequest,
): { coloursMl: number[]; held: Held[]; clearMl: number } {
  const held: Held[] = [];
  const clearMl = workMl * request.clearReserve;
  const coloursMl = request.colours.map((colour) => {
    const laid = colour.share * workMl;
    const back = laid * colour.reserve;
    if (back > 0) held.push({ colourId: colour.id, name: colour.name, ml: back });
    return laid + back;
  });
  if (clearMl > 0) held.push({ colourId: null, name: "Clear", ml: clearMl });
  return { coloursMl, held, clearMl };
}

/**
 * Sizes a coat: what goes on the piece, what is lost on the way and what is held back, in as many batches as the pot's life asks for.
 *
 * Mixed volume = (area × film + faces + losses)·(1 + reserves). Cups and buckets are sized by the volume and lose by their size,
 * so the sum is found by iteration (it converges: a loss is a few hundredths of what it is lost from).
 * The number of batches is the least for which mixing and work end within the low end of the pot life, and no mix is above the card's largest.
 */
export function batchCoat(request: CoatRequest): BatchedCoat {
  const { card, colours } = request;
  const density = mixDensityGPerMl(card);
  const faceShare = factorSpread("faceFilmShare", request.factors);
  const onTopMl = (request.topAreaMm2 * request.coverShare * request.filmMm) / 1000;
  const onFacesMl = scaled(faceShare, (request.faceAreaMm2 * request.coverShare * request.filmMm) / 1000);
  const neededMl = onTopMl + onFacesMl.likely;
  const areaM2 = (request.topAreaMm2 + request.faceAreaMm2) / 1e6;
  const workMin = within((areaM2 / (request.rateM2PerH * request.people)) * 60, 0.25, 0.4);
  const eachCupMixed = request.school === "colour-into-a" && card.kind !== "paint";

  let batches = 1;
  // From below: a first guess too large would keep a batch too many.
  let workMl = neededMl;
  let losses: Loss[] = [];
  let divided = divide(workMl, request);
  let tooSlow = false;
  const sumMl = () => divided.coloursMl.reduce((sum, ml) => sum + ml, 0) + divided.clearMl;
  let dealt: Dealt = dealSections(request.pieces, batches);
  /** Mass that lives together in one vessel, for a share of the whole. */
  const massTogetherG = (share: number) =>
    density * (eachCupMixed ? Math.max(...divided.coloursMl, divided.clearMl) : sumMl()) * share;
  const fits = () => {
    if (card.kind === "paint") return true;
    const largest = Math.max(...dealt.shares);
    const mass = massTogetherG(largest);
    if (card.largestMixG !== null && mass > card.largestMixG) return false;
    return (
      mixingMinutes(mass / density) + workMin.likely * largest <=
      potLifeSpread(mass, request.tempC, request.calibration).low
    );
  };
  if (neededMl > 0) {
    for (let round = 0; round < 12; round += 1) {
      divided = divide(workMl, request);
      while (batches < MOST_BATCHES && !fits()) {
        batches += 1;
        dealt = dealSections(request.pieces, batches);
      }
      tooSlow = batches === MOST_BATCHES && !fits();
      const cupsMl = [
        ...divided.coloursMl,
        ...(divided.clearMl > 0 && colours.length > 1 ? [divided.clearMl] : []),
      ];
      losses = lossesOf({
        cupsMl: colours.length > 1 || eachCupMixed ? cupsMl : [],
        bucketMl: eachCupMixed ? 0 : sumMl(),
        shares: dealt.shares,
        tools: request.tools,
        openLengthMm: request.openLengthMm,
        faceLengthMm: request.faceLengthMm,
        groundAreaMm2: request.topAreaMm2 * request.coverShare,
        ground: request.ground,
        factors: request.factors,
      });
      const next = neededMl + losses.reduce((sum, loss) => sum + loss.ml.likely, 0);
      const moved = Math.abs(next - workMl);
      workMl = next;
      if (moved < 1e-9 * workMl) break;
    }
    divided = divide(workMl, request);
  } else {
    divided = { coloursMl: colours.map(() => 0), held: [], clearMl: 0 };
  }

  const total = sumMl();
  const perUnit = workMl > 0 ? total / workMl : 1;
  const mixMl =
    neededMl > 0
      ? scaled(sumOf([exactly(onTopMl), onFacesMl, ...losses.map((loss) => loss.ml)]), perUnit)
      : exactly(0);
  const together = massTogetherG(Math.max(...dealt.shares));
  const life =
    card.kind === "paint" || !(total > 0)
      ? null
      : potLifeSpread(together, request.tempC, request.calibration);

  return {
    onTopMl,
    onFacesMl,
    losses,
    held: divided.held,
    mixMl,
    mixG: total * density,
    mixedFilmMm: request.topAreaMm2 > 0 ? (total * 1000) / request.topAreaMm2 : 0,
    workMin,
    mixingMin: mixingMinutes(total * Math.max(...dealt.shares)),
    potLifeMin: life,
    potLifeAtOnceMin:
      life && batches > 1 ? potLifeSpread(massTogetherG(1), request.tempC, request.calibration) : null,
    tooSlow,
    coloursMl: colours.map((colour, index) => ({ colourId: colour.id, ml: divided.coloursMl[index] ?? 0 })),
    batches:
      total > 0
        ? Array.from({ length: batches }, (_, index) => oneBatch(index, dealt, divided, request, density))
        : [],
  };
}

function oneBatch(
  index: number,
  dealt: Dealt,
  divided: { coloursMl: number[]; clearMl: number },
  request: CoatRequest,
  density: number,
): Batch {
  const { card, colours } = request;
  const share = dealt.shares[index] ?? 0;
  const mixMl = (divided.coloursMl.reduce((sum, ml) => sum + ml, 0) + divided.clearMl) * share;
  const ownParts = request.school === "colour-into-a" && card.kind !== "paint";
  const cup = (colourId: string, name: string, ml: number, dose: Dose): Cup => ({
    colourId,
    name,
    ml,
    g: ml * density,
    vessel: vesselFor(ml),
    dose,
    parts: ownParts ? splitParts(ml, card) : null,
  });
  const cups = colours.map((colour, at) => {
    const ml = (divided.coloursMl[at] ?? 0) * share;
    return cup(colour.id, colour.name, ml, doseFor(ml * density, colour.gPer100G, colour.measure));
  });
  if (divided.clearMl > 0)
    cups.push(
      cup("clear-reserve", "Clear, held back", divided.clearMl * share, { grams: 0, count: 0, unit: "gram" }),
    );
  return {
    number: index + 1,
    share,
    parts: splitParts(mixMl, card),
    pot: vesselFor(mixMl),
    cups,
    sections: dealt.sections[index] ?? [],
  };
}
