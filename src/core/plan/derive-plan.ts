import { advise } from "../advice/advise";
import { adviceKey, canSetAside, type Advice } from "../advice/advice";
import { batchCoat, type BatchedCoat, type CoveredPiece } from "../batch/batch-coat";
import { embedOn, type Embed } from "../batch/embeds";
import type { Ground, Tool } from "../batch/factors";
import type { ColourCard } from "../colour/colour-card";
import { calibrate, type Calibration } from "../cure/calibrate";
import { filmLifeIn } from "../cure/film-in-room";
import type { StateStart } from "../cure/film-states";
import type { ResinCard } from "../cure/resin-card";
import type { Fault } from "../geometry/faults";
import { cutAtShare } from "../geometry/lanes";
import { measurePiece, type Measured } from "../geometry/measure";
import { exactly } from "../numerics/spread";
import { covers, filmOn, isFill, liesOnTop, type Coat } from "../schedule/coat";
import { spraysOf, type SprayNeed } from "../schedule/sprays";
import { planDays, type DayPlan } from "../schedule/plan-days";
import { startOf, type CoatWindows, type WindowCoat } from "../schedule/coat-windows";
import { colourPlan, type CoatLooks, type ColourPlan } from "./colour-plan";
import type { JobDocument } from "../job/job";
import { roomOf, settingsOf } from "../job/job-settings";
import { USUAL_SCALE_G, type AtHand } from "../batch/at-hand";

export type PieceFault = Fault & { pieceId: string; pieceName: string };

/** A coat with what was computed of it; `problem` says in words why it could not be. */
export type PlannedCoat = {
  coat: Coat;
  card: ResinCard | null;
  calibration: Calibration | null;
  life: StateStart[];
  batched: BatchedCoat | null;
  /** What it covers, m²; for one that fills, its volume laid out at its film. */
  coveredM2: number;
  /** What lies in it, with masses for this area. */
  embeds: Embed[];
  /** What is sprayed beside the mix. */
  sprays: SprayNeed[];
  /** Depth of the deepest pour of a coat that fills, mm; null for one that lies on a top. */
  pourDepthMm: number | null;
  /** Depth of all that reacts together with it, mm: its own, and what is poured into it or onto it before it has gelled. */
  reactingMm: number;
  problem: string | null;
  /** When it is mixed and worked, as it was planned; null where it cannot be, or the coat below never hardens. */
  windows: CoatWindows | null;
};

export type Totals = {
  topAreaMm2: number;
  faceAreaMm2: number;
  faceLengthMm: number;
  openLengthMm: number;
  dripLengthMm: number;
  jointLengthMm: number;
  fillMl: number;
  voidMl: number;
  count: number;
};

export type Plan = {
  /** The date of its first day; null where the job has none. */
  startOn: string | null;
  atHand: AtHand;
  pieces: Measured[];
  faults: PieceFault[];
  totals: Totals;
  coats: PlannedCoat[];
  looks: ColourPlan;
  advice: Advice[];
  /** Advice that was set aside, with the reason given. */
  setAside: { advice: Advice; note: string }[];
};

/** The coats of a plan that could be batched: those that have windows. */
export const windowCoatsOf = (plan: Pick<Plan, "coats">): WindowCoat[] =>
  plan.coats.flatMap(({ coat, card, calibration, batched }) =>
    card && calibration && batched ? [{ coat, card, calibration, batched }] : [],
  );

/** The same plan on other days: among other work, or after what was done. */
export const withDays = (plan: Plan, { coats: days }: Pick<DayPlan, "coats">): Plan => ({
  ...plan,
  coats: plan.coats.map((planned) => {
    const windows = days.find(({ coatId }) => coatId === planned.coat.id) ?? null;
    return { ...planned, windows, life: windows?.life ?? planned.life };
  }),
});

const calibrations = new WeakMap<ResinCard, Calibration>();

/** The fit of a card, computed once for each card object. */
export function calibrationOf(card: ResinCard): Calibration {
  const known = calibrations.get(card);
  if (known) return known;
  const fresh = calibrate(card);
  calibrations.set(card, fresh);
  return fresh;
}

function totalsOf(pieces: readonly Measured[]): Totals {
  const totals: Totals = {
    topAreaMm2: 0,
    faceAreaMm2: 0,
    faceLengthMm: 0,
    openLengthMm: 0,
    dripLengthMm: 0,
    jointLengthMm: 0,
    fillMl: 0,
    voidMl: 0,
    count: 0,
  };
  for (const piece of pieces) {
    totals.topAreaMm2 += piece.count * piece.topAreaMm2;
    totals.faceAreaMm2 += piece.count * piece.faceAreaMm2;
    totals.faceLengthMm += piece.count * piece.faceLengthMm;
    totals.openLengthMm += piece.count * piece.lengthByTreatmentMm.open;
    totals.dripLengthMm += piece.count * piece.lengthByTreatmentMm.face;
    totals.jointLengthMm += piece.count * piece.jointLengthMm;
    totals.fillMl += piece.count * (piece.fillMl?.likely ?? 0);
    totals.voidMl += piece.count * piece.voidMl;
    totals.count += piece.count;
  }
  return totals;
}

/** What a piece lies on. */
const groundUnder = ({ groundByPiece, ground }: JobDocument, pieceId: string): Ground =>
  (groundByPiece && Object.hasOwn(groundByPiece, pieceId) ? groundByPiece[pieceId] : undefined) ?? ground;

/** What a coat covers of a piece; null where it does not go. `first` when nothing lies under it there. */
function coveredBy(coat: Coat, piece: Measured, job: JobDocument, first: boolean): CoveredPiece | null {
  if (!covers(coat, piece.id)) return null;
  const filled = isFill(coat);
  const fillMl =
    coat.kind === "prefill"
      ? piece.voidMl > 0
        ? exactly(piece.voidMl)
        : null
      : filled
        ? piece.fillMl
        : null;
  if (filled && fillMl === null) return null;
  const edgesOnly = coat.kind === "edge-seal";
  const faces = coat.coversFaces && !filled && !edgesOnly;
  return {
    id: piece.id,
    name: piece.name,
    count: piece.count,
    filmMm: filmOn(coat, piece.id),
    topAreaMm2: edgesOnly ? piece.sealAreaMm2 : piece.topAreaMm2,
    faceAreaMm2: faces ? piece.faceAreaMm2 : 0,
    openLengthMm: filled || edgesOnly ? 0 : piece.lengthByTreatmentMm.open,
    faceLengthMm: faces ? piece.lengthByTreatmentMm.face : 0,
    damLengthMm: filled || edgesOnly ? 0 : piece.lengthByTreatmentMm.dam,
    ground: first && !filled ? groundUnder(job, piece.id) : null,
    fillMl,
    alongMm: (share) => cutAtShare(piece.piece, share).alongMm,
  };
}

/** How deep the deepest pour of a coat is: its share of a channel or mould, or the deepest void. */
function pourDepthMm(coat: Coat, pieces: readonly Measured[]): number | null {
  if (!isFill(coat)) return null;
  const on = pieces.filter((piece) => covers(coat, piece.id));
  return coat.kind === "fill"
    ? Math.max(0, ...on.map((piece) => piece.fillDepthMm)) * coat.coverShare
    : Math.max(0, ...on.flatMap((piece) => (piece.piece.voids ?? []).map((one) => one.depthMm)));
}

/** Depth of a coat by itself, mm; nothing for veins and what else lies on a small share of a top. */
const ownDepthMm = ({ coat, pourDepthMm: poured }: PlannedCoat): number =>
  poured ?? (coat.coverShare > 0.5 ? coat.filmMm : 0);

/** Whether a coat has surely gelled when another is mixed after it. */
const gelledBefore = (one: CoatWindows, other: CoatWindows): boolean =>
  one.lastMixedAtMin + startOf(one.life, "set").high <= other.mixedAtMin;

/** All that lies in or on one another before it has gelled, on pieces that a coat goes on. */
function reactingMm(planned: PlannedCoat, all: readonly PlannedCoat[]): number {
  const { windows: own, card } = planned;
  if (!own || card?.kind === "paint") return ownDepthMm(planned);
  return all.reduce((sum, other) => {
    const { windows } = other;
    if (other === planned) return sum + ownDepthMm(other);
    if (!windows || other.card?.kind === "paint" || isFill(other.coat) !== isFill(planned.coat)) return sum;
    const together =
      other.coat.pieceIds === undefined || other.coat.pieceIds.some((id) => covers(planned.coat, id));
    if (!together || gelledBefore(windows, own) || gelledBefore(own, windows)) return sum;
    return sum + ownDepthMm(other);
  }, 0);
}

function coveredM2(coat: Coat, covered: readonly CoveredPiece[]): number {
  const each = (piece: CoveredPiece) =>
    isFill(coat) ? (piece.fillMl?.likely ?? 0) / 1000 / coat.filmMm : piece.topAreaMm2 / 1e6;
  return coat.coverShare * covered.reduce((sum, piece) => sum + piece.count * each(piece), 0);
}

function toolsOf(coat: Coat): Tool[] {
  return coat.passes.map((pass) => pass.tool);
}

function problemOf(
  coat: Coat,
  card: ResinCard | null,
  totals: Totals,
  covered: readonly CoveredPiece[],
): string | null {
  if (totals.count === 0) return "No piece is measured yet.";
  if (covered.length === 0 && coat.kind === "prefill")
    return "No piece has voids to fill: list them in Measure.";
  if (covered.length === 0 && coat.kind === "fill") return "No piece of this coat has a depth to fill.";
  if (covered.length === 0) return "This coat goes on no piece. Choose one.";
  if (coat.resinCardId === null) return "Choose a resin for this coat.";
  if (card === null) return "The resin card of this coat is gone. Choose another.";
  if (coat.colours.length === 0) return "Add a colour, or clear.";
  return null;
}

const nothingToMix = (coat: Coat): string =>
  coat.kind === "edge-seal"
    ? "There is nothing to seal: none of its pieces has a face, a bank or a mould's wall."
    : "There is nothing to cover: its pieces have no area for this coat.";

/** The coldest that a room gets. */
function coldestC({ room, tempC }: JobDocument["work"]): number {
  if (!room || room.kind === "constant") return tempC;
  return room.kind === "day" ? room.coldC : Math.min(...room.readings.map(([, reading]) => reading));
}

/** Advice to be shown, and what was set aside. */
function withoutSetAside(all: readonly Advice[], setAside: Record<string, string>) {
  const noteOf = (one: Advice) => (canSetAside(one) ? setAside[adviceKey(one)] : undefined);
  return {
    advice: all.filter((one) => noteOf(one) === undefined),
    setAside: all.flatMap((one) => {
      const note = noteOf(one);
      return note === undefined ? [] : [{ advice: one, note }];
    }),
  };
}

/**
 * The one road through the core: Job → measured → batched → timed → advised.
 * The same function in the browser on every keystroke and on the server for sheets and exports.
 * Pieces that cannot be measured are left out of the sums and named in `faults`.
 * @param colourants the shop's; without them colours are taken as they were typed
 */
export function derivePlan(
  job: JobDocument,
  cards: readonly ResinCard[],
  colourants: readonly ColourCard[] = [],
): Plan {
  const pieces: Measured[] = [];
  const faults: PieceFault[] = [];
  for (const piece of job.pieces) {
    const measurement = measurePiece(piece);
    if (measurement.ok) pieces.push(measurement.measured);
    else
      faults.push(
        ...measurement.faults.map((fault) => ({ ...fault, pieceId: piece.id, pieceName: piece.name })),
      );
  }
  const totals = totalsOf(pieces);
  /** Pieces on which something lies already. */
  const begun = new Set<string>();
  const byId = new Map(cards.map((card) => [card.id, card]));

  const coats = job.coats.map((coat): PlannedCoat => {
    const card = (coat.resinCardId !== null && byId.get(coat.resinCardId)) || null;
    const calibration = card ? calibrationOf(card) : null;
    const covered = pieces.flatMap((piece) => {
      const found = coveredBy(coat, piece, job, !begun.has(piece.id));
      return found ? [found] : [];
    });
    if (liesOnTop(coat)) for (const { id } of covered) begun.add(id);
    const problem = problemOf(coat, card, totals, covered);
    const life =
      card && calibration
        ? filmLifeIn({ card, calibration, room: roomOf(job), mixedAtMin: job.work.startMin })
        : [];
    const areaM2 = coveredM2(coat, covered);
    const embeds = (coat.embeds ?? []).map((embed) => embedOn(embed, areaM2));
    const known = {
      coat,
      card,
      calibration,
      life,
      coveredM2: areaM2,
      embeds,
      pourDepthMm: pourDepthMm(coat, pieces),
      reactingMm: 0,
      windows: null,
    };
    if (problem || !card || !calibration) return { ...known, batched: null, sprays: [], problem };
    const batched = batchCoat({
      card,
      calibration,
      coverShare: coat.coverShare,
      pieces: covered,
      colours: coat.colours,
      clearReserve: coat.clearReserve,
      school: coat.school,
      tools: toolsOf(coat),
      embeds,
      rateM2PerH: coat.rateM2PerH,
      people: job.work.people,
      tempC: job.work.tempC,
      vesselsMl: job.work.vesselsMl ?? [],
      largestBatchMl:
        coat.byKits && card.kits.length > 0 ? Math.max(...card.kits.map((kit) => kit.ml)) : null,
      factors: job.factors,
    });
    // Nothing to cover, as an edge seal on a floor: a coat without a batch has no times either.
    if (batched.batches.length === 0)
      return { ...known, batched: null, sprays: [], problem: nothingToMix(coat) };
    const sprays = spraysOf(coat.passes, batched.topAreaMm2, job.factors);
    return { ...known, batched, sprays, problem: null };
  });

  const days = planDays(windowCoatsOf({ coats }), job.work.startMin, settingsOf(job, null));
  for (const planned of coats) {
    planned.windows = days.coats.find(({ coatId }) => coatId === planned.coat.id) ?? null;
    if (planned.windows) planned.life = planned.windows.life;
  }
  for (const planned of coats) planned.reactingMm = reactingMm(planned, coats);

  const looks = colourPlan(job, colourants);
  const advice = advise({
    startMin: job.work.startMin,
    troubles: days.troubles,
    tempC: job.work.tempC,
    coldestC: coldestC(job.work),
    humidityPct: job.work.humidityPct ?? null,
    colourants: new Map(colourants.map((one) => [one.id, one])),
    coats: coats.map((planned, index) => ({
      coat: planned.coat,
      below: coats[index - 1]?.coat ?? null,
      belowWet: (planned.coat.startsAfter === "wet" || planned.coat.startsAfter === "late") && index > 0,
      batched: planned.batched,
      card: planned.card,
      calibration: planned.calibration,
      windows: planned.windows,
      pourDepthMm: planned.pourDepthMm,
      reactingMm: planned.reactingMm,
      seen: looks.coats[index] as CoatLooks,
    })),
  });
  const { scaleStepG = USUAL_SCALE_G, vesselsMl = [] } = job.work;
  return {
    startOn: job.work.startOn ?? null,
    atHand: { scaleStepG, vesselsMl },
    pieces,
    faults,
    totals,
    coats,
    looks,
    ...withoutSetAside(advice, job.setAside ?? {}),
  };
}
