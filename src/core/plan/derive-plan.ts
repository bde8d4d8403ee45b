import { advise } from "../advice/advise";
import type { Advice } from "../advice/advice";
import { batchCoat, type BatchedCoat } from "../batch/batch-coat";
import type { Tool } from "../batch/factors";
import type { Coverable } from "../batch/sections";
import { calibrate, type Calibration } from "../cure/calibrate";
import { filmLife, type StateStart } from "../cure/film-life";
import type { ResinCard } from "../cure/resin-card";
import type { Fault } from "../geometry/faults";
import { measurePiece, type Measured } from "../geometry/measure";
import type { Coat } from "../schedule/coat";
import { timetable, type CoatTimes } from "../schedule/timetable";
import type { JobDocument } from "./job";

export type PieceFault = Fault & { pieceId: string; pieceName: string };

/** A coat with what was computed of it; `problem` says in words why it could not be. */
export type PlannedCoat = {
  coat: Coat;
  card: ResinCard | null;
  calibration: Calibration | null;
  life: StateStart[];
  batched: BatchedCoat | null;
  problem: string | null;
  times: CoatTimes | null;
};

export type Totals = {
  topAreaMm2: number;
  faceAreaMm2: number;
  faceLengthMm: number;
  openLengthMm: number;
  dripLengthMm: number;
  count: number;
};

export type Plan = {
  pieces: Measured[];
  faults: PieceFault[];
  totals: Totals;
  coats: PlannedCoat[];
  advice: Advice[];
};

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
    count: 0,
  };
  for (const piece of pieces) {
    totals.topAreaMm2 += piece.count * piece.topAreaMm2;
    totals.faceAreaMm2 += piece.count * piece.faceAreaMm2;
    totals.faceLengthMm += piece.count * piece.faceLengthMm;
    totals.openLengthMm += piece.count * piece.lengthByTreatmentMm.open;
    totals.dripLengthMm += piece.count * piece.lengthByTreatmentMm.face;
    totals.count += piece.count;
  }
  return totals;
}

/** A run with returns is divided along all of its legs. */
function developedLengthMm({ outline }: Measured): number {
  const { widthMm, heightMm } = outline;
  if (outline.kind === "curve" || outline.sides.length === 4) return widthMm;
  return outline.sides.length === 6 ? widthMm + heightMm : widthMm + 2 * heightMm;
}

function coverable(piece: Measured): Coverable {
  return {
    id: piece.id,
    name: piece.name,
    count: piece.count,
    areaMm2: piece.topAreaMm2,
    lengthMm: developedLengthMm(piece),
  };
}

function toolsOf(coat: Coat): Tool[] {
  return coat.passes.map((pass) => pass.tool);
}

function problemOf(coat: Coat, card: ResinCard | null, totals: Totals): string | null {
  if (totals.count === 0) return "No piece is measured yet.";
  if (coat.resinCardId === null) return "Choose a resin for this coat.";
  if (card === null) return "The resin card of this coat is gone. Choose another.";
  if (coat.colours.length === 0) return "Add a colour, or clear.";
  return null;
}

/**
 * The one road through the core: Job → measured → batched → timed → advised.
 * The same function in the browser on every keystroke and on the server for sheets and exports.
 * Pieces that cannot be measured are left out of the sums and named in `faults`.
 */
export function derivePlan(job: JobDocument, cards: readonly ResinCard[]): Plan {
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
  const parts = pieces.map(coverable);
  const byId = new Map(cards.map((card) => [card.id, card]));

  const coats = job.coats.map((coat, index): PlannedCoat => {
    const card = (coat.resinCardId !== null && byId.get(coat.resinCardId)) || null;
    const calibration = card ? calibrationOf(card) : null;
    const problem = problemOf(coat, card, totals);
    const life = card && calibration ? filmLife(card, calibration, job.work.tempC) : [];
    if (problem || !card || !calibration)
      return { coat, card, calibration, life, batched: null, problem, times: null };
    const batched = batchCoat({
      card,
      calibration,
      filmMm: coat.filmMm,
      coverShare: coat.coverShare,
      pieces: parts,
      topAreaMm2: totals.topAreaMm2,
      faceAreaMm2: coat.coversFaces ? totals.faceAreaMm2 : 0,
      openLengthMm: totals.openLengthMm * coat.coverShare,
      faceLengthMm: coat.coversFaces ? totals.dripLengthMm * coat.coverShare : 0,
      colours: coat.colours,
      clearReserve: coat.clearReserve,
      school: coat.school,
      ground: index === 0 ? job.ground : null,
      tools: toolsOf(coat),
      rateM2PerH: coat.rateM2PerH,
      people: job.work.people,
      tempC: job.work.tempC,
      factors: job.factors,
    });
    return { coat, card, calibration, life, batched, problem: null, times: null };
  });

  const timed = coats.flatMap(({ coat, card, life, batched }) =>
    card && batched ? [{ id: coat.id, startsAfter: coat.startsAfter, batched, card, life }] : [],
  );
  const times = new Map(timetable(timed, job.work.startMin, job.work.people).map((row) => [row.coatId, row]));
  for (const planned of coats) planned.times = times.get(planned.coat.id) ?? null;

  const advice = advise({
    tempC: job.work.tempC,
    coats: coats.map((planned, index) => ({
      coat: planned.coat,
      below: coats[index - 1]?.coat ?? null,
      belowWet: (planned.coat.startsAfter === "wet" || planned.coat.startsAfter === "late") && index > 0,
      batched: planned.batched,
      card: planned.card,
      calibration: planned.calibration,
    })),
  });
  return { pieces, faults, totals, coats, advice };
}
