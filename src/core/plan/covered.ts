import type { Ground } from "../batch/grounds";
import type { CoveredPiece } from "../batch/coat-request";
import { cutAtShare } from "../geometry/lanes";
import type { Measured } from "../geometry/measure";
import type { MeasuredZone } from "../geometry/zones/measured-zones";
import { alongZone } from "../geometry/zones/zone-lane";
import type { JobDocument } from "../job/job";
import { exactly, scaled } from "../numerics/spread";
import { covers, coversZone, filmOn, isFill, type Coat } from "../schedule/coat";

/** What a piece or one of its zones lies on. */
export function groundUnder(
  { groundByPiece, ground }: JobDocument,
  pieceId: string,
  zoneId: string | null,
): Ground {
  const own = (id: string | null) =>
    groundByPiece && id !== null && Object.hasOwn(groundByPiece, id) ? groundByPiece[id] : undefined;
  return own(zoneId) ?? own(pieceId) ?? ground;
}

/** The ids under which a piece is known to have been begun: its zones where it is divided, else its own. */
export const begunIdsOf = ({ id, zones }: Measured): string[] =>
  zones.length > 0 ? zones.map((zone) => zone.id) : [id];

/** Whether a coat is the same on two zones of a piece: its film, what lies under it, and no colour of it is for one of them by name. */
function alike(
  coat: Coat,
  piece: Measured,
  job: JobDocument,
  begun: ReadonlySet<string>,
  [a, b]: readonly [MeasuredZone, MeasuredZone],
): boolean {
  return (
    filmOn(coat, piece.id, a.id) === filmOn(coat, piece.id, b.id) &&
    groundUnder(job, piece.id, a.id) === groundUnder(job, piece.id, b.id) &&
    begun.has(a.id) === begun.has(b.id) &&
    coat.colours.every(({ placeIds }) => !placeIds?.includes(a.id) && !placeIds?.includes(b.id))
  );
}

/** The zones of a piece that a coat goes on one by one; null where it lies alike on all of it. */
function zonesUnder(
  coat: Coat,
  piece: Measured,
  job: JobDocument,
  begun: ReadonlySet<string>,
): MeasuredZone[] | null {
  const { zones } = piece;
  if (zones.length === 0 || coat.kind === "prefill") return null;
  const on = zones.filter((zone) => zone.topAreaMm2 > 0 && coversZone(coat, piece.id, zone.id));
  const [first] = on;
  const all = on.length === zones.filter((zone) => zone.topAreaMm2 > 0).length;
  const pools = coat.kind === "fill" && piece.fillMl === null;
  if (first && all && !pools && on.every((zone) => alike(coat, piece, job, begun, [first, zone])))
    return null;
  return on;
}

/** What is filled of a piece by a coat; null where there is nothing to fill. */
function fillOf(coat: Coat, piece: Measured) {
  if (coat.kind === "prefill") return piece.voidMl > 0 ? exactly(piece.voidMl) : null;
  return isFill(coat) ? piece.fillMl : null;
}

/** What a coat covers of a piece, zone by zone where it differs by zone. `begun` has what something lies on already. */
export function coveredBy(
  coat: Coat,
  piece: Measured,
  job: JobDocument,
  begun: ReadonlySet<string>,
): CoveredPiece[] {
  if (!covers(coat, piece.id)) return [];
  const zones = zonesUnder(coat, piece, job, begun);
  if (zones) return zones.flatMap((zone) => zoneCovered(coat, piece, zone, job, begun) ?? []);
  const filled = isFill(coat);
  const fillMl = fillOf(coat, piece);
  if (filled && fillMl === null) return [];
  const edgesOnly = coat.kind === "edge-seal";
  const faces = coat.coversFaces && !filled && !edgesOnly;
  const first = begunIdsOf(piece).every((id) => !begun.has(id));
  const [alone] = piece.zones;
  return [
    {
      id: piece.id,
      zoneId: null,
      name: piece.name,
      count: piece.count,
      filmMm: filmOn(coat, piece.id, alone?.id),
      topAreaMm2: edgesOnly ? piece.sealAreaMm2 : piece.topAreaMm2,
      faceAreaMm2: faces ? piece.faceAreaMm2 : 0,
      openLengthMm: filled || edgesOnly ? 0 : piece.lengthByTreatmentMm.open,
      faceLengthMm: faces ? piece.lengthByTreatmentMm.face : 0,
      tapedLengthMm: 0,
      damLengthMm: filled || edgesOnly ? 0 : piece.lengthByTreatmentMm.dam,
      ground: first && !filled ? groundUnder(job, piece.id, alone?.id ?? null) : null,
      fillMl,
      alongMm: (share) => cutAtShare(piece.piece, share).alongMm,
    },
  ];
}

/** How long the borders of a zone are on which tape stands, mm. */
const tapedLengthMm = ({ borders }: Measured, zoneId: string): number =>
  borders.reduce(
    (sum, { zoneIds, lengthMm, divider }) =>
      sum + (zoneIds.includes(zoneId) && divider.barrier?.kind === "tape" ? lengthMm : 0),
    0,
  );

/** The same of one zone. */
function zoneCovered(
  coat: Coat,
  piece: Measured,
  zone: MeasuredZone,
  job: JobDocument,
  begun: ReadonlySet<string>,
): CoveredPiece | null {
  const filled = isFill(coat);
  const pool = zone.poolMl > 0 ? exactly(zone.poolMl) : null;
  const fillMl = filled ? (piece.fillMl ? scaled(piece.fillMl, zone.share) : pool) : null;
  if (filled && fillMl === null) return null;
  const edgesOnly = coat.kind === "edge-seal";
  const faces = coat.coversFaces && !filled && !edgesOnly;
  const lengths = zone.lengthByTreatmentMm;
  return {
    id: piece.id,
    zoneId: zone.id,
    name: `${piece.name}, ${zone.name}`,
    count: piece.count,
    filmMm: filmOn(coat, piece.id, zone.id),
    topAreaMm2: edgesOnly ? zone.faceAreaMm2 : zone.topAreaMm2,
    faceAreaMm2: faces ? zone.faceAreaMm2 : 0,
    openLengthMm: filled || edgesOnly ? 0 : lengths.open,
    faceLengthMm: faces ? lengths.face : 0,
    tapedLengthMm: filled || edgesOnly ? 0 : tapedLengthMm(piece, zone.id),
    damLengthMm: filled || edgesOnly ? 0 : lengths.dam,
    ground: begun.has(zone.id) || filled ? null : groundUnder(job, piece.id, zone.id),
    fillMl,
    alongMm: (share) => alongZone(zone.rings, share),
  };
}

/** What a coat covers, m²; for one that fills, its volume laid out at its film. */
export function coveredM2(coat: Coat, covered: readonly CoveredPiece[]): number {
  const each = (piece: CoveredPiece) =>
    isFill(coat) ? (piece.fillMl?.likely ?? 0) / 1000 / coat.filmMm : piece.topAreaMm2 / 1e6;
  return coat.coverShare * covered.reduce((sum, piece) => sum + piece.count * each(piece), 0);
}

/** How deep a coat fills a piece, mm: the piece's own depth, or its deepest pool that the coat goes into. */
function depthIn(coat: Coat, { id, fillMl, fillDepthMm, zones }: Measured): number {
  if (fillMl) return fillDepthMm;
  const pools = zones.filter((zone) => coversZone(coat, id, zone.id)).map(({ zone }) => zone.poolMm ?? 0);
  return Math.max(0, ...pools);
}

/** Depth of the deepest pour of a coat, mm: its share of a channel, mould or pool, or the deepest void; null for one that lies on a top. */
export function pourDepthMm(coat: Coat, pieces: readonly Measured[]): number | null {
  if (!isFill(coat)) return null;
  const on = pieces.filter((piece) => covers(coat, piece.id));
  return coat.kind === "fill"
    ? Math.max(0, ...on.map((piece) => depthIn(coat, piece))) * coat.coverShare
    : Math.max(0, ...on.flatMap((piece) => (piece.piece.voids ?? []).map(({ depthMm }) => depthMm)));
}
