import { batchCoat, type BatchedCoat } from "../batch/batch-coat";
import { type CoveredPiece } from "../batch/coat-request";
import { goesOn, isPlaced } from "../batch/placed-colours";
import { embedOn, type Embed } from "../batch/embeds";
import { fittedResin, type FittedResin } from "../cure/fitted-resin";
import type { ResinCard } from "../cure/resin-card";
import type { Measured } from "../geometry/measure";
import { byIdentity } from "../numerics/by-identity";
import { isFill, liesOnTop, type Coat } from "../schedule/coat";
import { spraysOf, type SprayNeed } from "../schedule/sprays";
import type { JobDocument } from "../job/job";
import { begunIdsOf, coveredBy, coveredM2, pourDepthMm } from "./covered";
import type { MeasuredJob } from "./measured";
import { passPlaces, setRoomOf } from "./set-room";

/**
 * A coat with how much is mixed for it. `coat` is as it came out: with the film and the shares that follow from what is given. `problem` says in words
 * why that could not be worked out.
 */
export type SizedCoat = {
  coat: Coat;
  resin: FittedResin | null;
  batched: BatchedCoat | null;
  /** What it covers, m²; for one that fills, its volume laid out at its film. */
  coveredM2: number;
  /** What lies in it, with masses for this area. */
  embeds: Embed[];
  /** What is sprayed beside the mix. */
  sprays: SprayNeed[];
  /** Depth of the deepest pour of a coat that fills, mm; null for one that lies on a top. */
  pourDepthMm: number | null;
  problem: string | null;
};

function problemOf(
  coat: Coat,
  resin: FittedResin | null,
  count: number,
  covered: readonly CoveredPiece[],
): string | null {
  if (count === 0) return "No piece is measured yet.";
  if (covered.length === 0 && coat.kind === "prefill")
    return "No piece has voids to fill: list them in Measure.";
  if (covered.length === 0 && coat.kind === "fill") return "No piece of this coat has a depth to fill.";
  if (covered.length === 0) return "This coat goes on no piece. Choose one.";
  if (coat.resinCardId === null) return "Choose a resin for this coat.";
  if (resin === null) return "The resin card of this coat is gone. Choose another.";
  if (coat.colours.length === 0) return "Add a colour, or clear.";
  const bare = covered.find(
    ({ id, zoneId }) => !coat.colours.some((colour) => goesOn(colour, { pieceId: id, zoneId })),
  );
  if (bare) return `No colour of this coat goes on ${bare.name}. Say which one does.`;
  return null;
}

const nothingToMix = (coat: Coat): string =>
  coat.kind === "edge-seal"
    ? "There is nothing to seal: none of its pieces has a face, a bank or a mould's wall."
    : "There is nothing to cover: its pieces have no area for this coat.";

function sizedCoat(
  coat: Coat,
  resin: FittedResin | null,
  covered: readonly CoveredPiece[],
  { pieces, totals }: MeasuredJob,
  { work, factors }: JobDocument,
): SizedCoat {
  const areaM2 = coveredM2(coat, covered);
  const room = coat.embeds?.length ? setRoomOf(coat, pieces, areaM2) : null;
  const embeds = room ? (coat.embeds ?? []).map((embed) => embedOn(embed, room)) : [];
  const known = { coat, resin, coveredM2: areaM2, embeds, pourDepthMm: pourDepthMm(coat, pieces) };
  const without = (problem: string | null): SizedCoat => ({ ...known, batched: null, sprays: [], problem });
  const problem = problemOf(coat, resin, totals.count, covered);
  if (problem || !resin) return without(problem);
  const batched = batchCoat({
    resin,
    coverShare: coat.coverShare,
    pieces: covered,
    colours: coat.colours,
    clearReserve: coat.clearReserve,
    school: coat.school,
    tools: coat.passes.map(({ tool }) => tool),
    embeds,
    rateM2PerH: coat.rateM2PerH,
    people: work.people,
    tempC: work.tempC,
    vesselsMl: work.vesselsMl ?? [],
    largestBatchMl:
      coat.byKits && resin.kits.length > 0 ? Math.max(...resin.kits.map((kit) => kit.ml)) : null,
    given: coat.given ?? null,
    batches: coat.batches ?? null,
    factors,
  });
  // Nothing to cover, as an edge seal on a floor: a coat without a batch has no times either.
  if (batched.batches.length === 0) return without(nothingToMix(coat));
  const asGiven = worksOut(coat) ? workedOut(coat, batched) : coat;
  return {
    ...known,
    coat: asGiven,
    pourDepthMm: pourDepthMm(asGiven, pieces),
    batched,
    sprays: coat.passes.flatMap((pass) => {
      const share = passPlaces(pass, coat, pieces)?.share ?? 1;
      return spraysOf([pass], share * batched.topAreaMm2, factors);
    }),
    problem: null,
  };
}

/** Whether anything of a coat is worked out from what else is given. */
const worksOut = ({ given, colours }: Coat): boolean =>
  given !== undefined ||
  colours.some(({ givenMl, cupDose }) => givenMl !== undefined || cupDose !== undefined);

/** A coat with the film, the poured share, the shares and strengths that came out: what all that follows reckons with. */
function workedOut(coat: Coat, { filmFactor, colours: cameOut }: BatchedCoat): Coat {
  const { filmByPieceMm } = coat;
  // Where colours go on some places only, their shares stay those of a place: what they come to of the whole is the batch's.
  const colours = isPlaced(coat.colours)
    ? cameOut.map((colour, at) => ({ ...colour, share: coat.colours[at]?.share ?? colour.share }))
    : cameOut;
  if (isFill(coat)) return { ...coat, colours, coverShare: coat.coverShare * filmFactor };
  return {
    ...coat,
    colours,
    filmMm: coat.filmMm * filmFactor,
    ...(filmByPieceMm
      ? {
          filmByPieceMm: Object.fromEntries(
            Object.entries(filmByPieceMm).map(([id, filmMm]) => [id, filmMm * filmFactor]),
          ),
        }
      : {}),
  };
}

/** A coat with its colours' shares of the whole of it, wherever they go. */
export const overall = byIdentity(({ coat, batched }: SizedCoat): Coat =>
  batched && isPlaced(coat.colours) ? { ...coat, colours: batched.colours } : coat,
);

/** What a coat was sized from the last time: a keystroke changes one coat, and the others stay as they are. */
type SizedFrom = {
  resin: FittedResin | null;
  pieces: readonly Measured[];
  begun: readonly boolean[];
  ground: JobDocument["ground"];
  groundByPiece: JobDocument["groundByPiece"];
  work: JobDocument["work"];
  factors: JobDocument["factors"];
};
const lastSized = byIdentity((_coat: Coat) => ({
  known: null as { from: SizedFrom; sized: SizedCoat; covered: string[] } | null,
}));

const sameList = <Item>(list: readonly Item[], other: readonly Item[]) =>
  list.length === other.length && list.every((item, index) => item === other[index]);
const sameStart = (a: SizedFrom, b: SizedFrom): boolean =>
  a.resin === b.resin &&
  a.ground === b.ground &&
  a.groundByPiece === b.groundByPiece &&
  a.work === b.work &&
  a.factors === b.factors &&
  sameList(a.pieces, b.pieces) &&
  sameList(a.begun, b.begun);

/** The coats of a job, from the ground upward, each with its resin, what it covers and what is mixed for it. */
export function sizedCoats(
  job: JobDocument,
  onPieces: MeasuredJob,
  cards: readonly ResinCard[],
): SizedCoat[] {
  const { ground, groundByPiece, work, factors } = job;
  const { pieces } = onPieces;
  const byId = new Map(cards.map((card) => [card.id, card]));
  /** Pieces, or their zones, on which something lies already. */
  const begun = new Set<string>();
  return job.coats.map((coat) => {
    const card = (coat.resinCardId !== null && byId.get(coat.resinCardId)) || null;
    const from: SizedFrom = {
      resin: card && fittedResin(card),
      pieces,
      begun: pieces.flatMap(begunIdsOf).map((id) => begun.has(id)),
      ground,
      groundByPiece,
      work,
      factors,
    };
    const last = lastSized(coat);
    if (!last.known || !sameStart(last.known.from, from)) {
      const covered = pieces.flatMap((piece) => coveredBy(coat, piece, job, begun));
      last.known = {
        from,
        sized: sizedCoat(coat, from.resin, covered, onPieces, job),
        covered: covered.flatMap(({ id, zoneId }) => {
          const piece = zoneId === null && pieces.find((measured) => measured.id === id);
          return piece ? begunIdsOf(piece) : [zoneId ?? id];
        }),
      };
    }
    if (liesOnTop(coat)) for (const id of last.known.covered) begun.add(id);
    return last.known.sized;
  });
}
