import type { Ground } from "../batch/grounds";
import type { CoveredPiece } from "../batch/coat-request";
import { cutAtShare } from "../geometry/lanes";
import type { Measured } from "../geometry/measure";
import type { JobDocument } from "../job/job";
import { exactly } from "../numerics/spread";
import { covers, filmOn, isFill, type Coat } from "../schedule/coat";

/** What a piece lies on. */
const groundUnder = ({ groundByPiece, ground }: JobDocument, pieceId: string): Ground =>
  (groundByPiece && Object.hasOwn(groundByPiece, pieceId) ? groundByPiece[pieceId] : undefined) ?? ground;

/** What a coat covers of a piece; null where it does not go. `first` when nothing lies under it there. */
export function coveredBy(
  coat: Coat,
  piece: Measured,
  job: JobDocument,
  first: boolean,
): CoveredPiece | null {
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

/** What a coat covers, m²; for one that fills, its volume laid out at its film. */
export function coveredM2(coat: Coat, covered: readonly CoveredPiece[]): number {
  const each = (piece: CoveredPiece) =>
    isFill(coat) ? (piece.fillMl?.likely ?? 0) / 1000 / coat.filmMm : piece.topAreaMm2 / 1e6;
  return coat.coverShare * covered.reduce((sum, piece) => sum + piece.count * each(piece), 0);
}

/** Depth of the deepest pour of a coat, mm: its share of a channel or mould, or the deepest void; null for one that lies on a top. */
export function pourDepthMm(coat: Coat, pieces: readonly Measured[]): number | null {
  if (!isFill(coat)) return null;
  const on = pieces.filter((piece) => covers(coat, piece.id));
  return coat.kind === "fill"
    ? Math.max(0, ...on.map((piece) => piece.fillDepthMm)) * coat.coverShare
    : Math.max(0, ...on.flatMap((piece) => (piece.piece.voids ?? []).map(({ depthMm }) => depthMm)));
}
