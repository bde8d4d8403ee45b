import type { Fault } from "../geometry/fault";
import { measurePiece, type Measured } from "../geometry/measure";
import type { JobDocument } from "../job/job";

export type PieceFault = Fault & { pieceId: string; pieceName: string };

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

export type MeasuredJob = { pieces: Measured[]; faults: PieceFault[]; totals: Totals };

function totalsOf(pieces: readonly Measured[]): Totals {
  const sum = (of: (piece: Measured) => number) =>
    pieces.reduce((total, piece) => total + piece.count * of(piece), 0);
  return {
    topAreaMm2: sum((piece) => piece.topAreaMm2),
    faceAreaMm2: sum((piece) => piece.faceAreaMm2),
    faceLengthMm: sum((piece) => piece.faceLengthMm),
    openLengthMm: sum((piece) => piece.lengthByTreatmentMm.open),
    dripLengthMm: sum((piece) => piece.lengthByTreatmentMm.face),
    jointLengthMm: sum((piece) => piece.jointLengthMm),
    fillMl: sum((piece) => piece.fillMl?.likely ?? 0),
    voidMl: sum((piece) => piece.voidMl),
    count: sum(() => 1),
  };
}

/** The pieces of a job measured. Those that cannot be are left out of the sums and named in `faults`. */
export function measured({ pieces }: Pick<JobDocument, "pieces">): MeasuredJob {
  const found: Measured[] = [];
  const faults: PieceFault[] = [];
  for (const piece of pieces) {
    const measurement = measurePiece(piece);
    if (measurement.ok) found.push(measurement.measured);
    else
      faults.push(
        ...measurement.faults.map((fault) => ({ ...fault, pieceId: piece.id, pieceName: piece.name })),
      );
  }
  return { pieces: found, faults, totals: totalsOf(found) };
}
