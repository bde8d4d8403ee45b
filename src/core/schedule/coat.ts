import type { CoatColour } from "../batch/coat-colour";
import type { MixingMethod } from "../batch/coat-request";
import type { Embed } from "../batch/embeds";
import type { GivenAmount } from "../batch/given";
import type { Pass } from "./pass";

export type CoatKind =
  "prefill" | "fill" | "edge-seal" | "seal" | "primer" | "base" | "colour" | "vein" | "lock-in" | "clear";

/** Coats that fill a volume rather than lie on a top. */
export const isFill = ({ kind }: { kind: CoatKind }): boolean => kind === "fill" || kind === "prefill";

/** Coats that lie on the top, rather than in a volume or along the edges. */
export const liesOnTop = (coat: { kind: CoatKind }): boolean => !isFill(coat) && coat.kind !== "edge-seal";

export const COAT_WORDS: Record<CoatKind, string> = {
  prefill: "Pre-fill",
  fill: "Fill",
  "edge-seal": "Edge seal",
  seal: "Seal",
  primer: "Primer",
  base: "Base",
  colour: "Colour",
  vein: "Vein",
  "lock-in": "Lock-in",
  clear: "Clear",
};

/** Films and poured shares that a coat may have: mm, and of the area or the fill. */
export const FILM_BOUNDS = { min: 0.01, max: 100 };
export const COVER_BOUNDS = { min: 0.001, max: 1 };

/** When a coat may begin, seen from the one below. */
export type StartsAfter = "wet" | "late" | "tacky" | "recoat" | "next-day";

export const START_WORDS: Record<StartsAfter, string> = {
  wet: "at once, wet on wet",
  late: "late, when the coat below has thickened",
  tacky: "when the coat below is tacky",
  recoat: "inside the recoat window",
  "next-day": "next day, sanded",
};

/** A coat that waits longer than the film below asks: so many minutes after the last mix below, or after it was worked; and until a time of a day. */
export type NotBefore = { afterMin?: number; after?: "mixed" | "worked"; atMinute?: number };

/** One coat as planned; everything else about it is computed. */
export type Coat = {
  id: string;
  kind: CoatKind;
  name: string;
  filmMm: number;
  coverShare: number;
  coversFaces: boolean;
  resinCardId: string | null;
  colours: CoatColour[];
  clearReserve: number;
  school: MixingMethod;
  rateM2PerH: number;
  startsAfter: StartsAfter;
  notBefore?: NotBefore;
  passes: Pass[];
  /** Pieces it is for; all of the job's when absent. One mix serves them all, so that its colours are the same everywhere. */
  pieceIds?: string[];
  /** Zones it is for, by the piece that they divide; the whole of a piece that is not named. */
  zonesByPiece?: Record<string, string[]>;
  /** Film on single pieces and zones where it differs from `filmMm`, by their ids. */
  filmByPieceMm?: Record<string, number>;
  /** What lies in it that is not colour. */
  embeds?: Embed[];
  /** No mix larger than the largest kit of its card. */
  byKits?: boolean;
  /** What is given of its amount where it is not the film: film and shares are then worked out, and `filmMm` is where that begins. */
  given?: GivenAmount;
  /** So many batches, where that is given. */
  batches?: number;
};

/** A coat by its film and its shares alone, as another size asks for: no amount of it is given. */
export function byFilm<Some extends Pick<Coat, "given" | "batches" | "colours">>(
  coat: Some,
): Omit<Some, "given" | "batches"> {
  const { given: _given, batches: _batches, ...rest } = coat;
  return {
    ...rest,
    colours: coat.colours.map(({ givenMl: _ml, cupDose: _dose, ...colour }) => colour),
  };
}

function setAnywhere(embed: Embed): Embed {
  if (!embed.single) return embed;
  const { zoneIds: _zones, ...single } = embed.single;
  return { ...embed, single };
}

/** A coat that names no piece and no zone, nor do its colours: those of one job mean nothing in another. */
export function placeless<Some extends Omit<Coat, "given" | "batches">>(
  coat: Some,
): Omit<Some, "pieceIds" | "zonesByPiece" | "filmByPieceMm"> {
  const { pieceIds: _pieces, zonesByPiece: _zones, filmByPieceMm: _films, ...rest } = coat;
  return {
    ...rest,
    colours: coat.colours.map(({ placeIds: _places, ...colour }) => colour),
    passes: coat.passes.map(({ zoneIds: _zones, ...pass }) => pass),
    ...(coat.embeds && { embeds: coat.embeds.map(setAnywhere) }),
  };
}

/** Whether a coat goes on a piece. */
export const covers = (coat: Coat, pieceId: string): boolean => coat.pieceIds?.includes(pieceId) ?? true;

/** What a record says of an id, were it that of anything. */
const entry = <Value>(
  of: Readonly<Record<string, Value>> | undefined,
  id: string | null,
): Value | undefined => (of && id !== null && Object.hasOwn(of, id) ? of[id] : undefined);

/** Whether a coat goes on a zone of a piece. */
export const coversZone = (coat: Coat, pieceId: string, zoneId: string): boolean =>
  covers(coat, pieceId) && (entry(coat.zonesByPiece, pieceId)?.includes(zoneId) ?? true);

/** The coat's film on a piece, or on one of its zones. */
export const filmOn = (coat: Coat, pieceId: string, zoneId: string | null = null): number =>
  entry(coat.filmByPieceMm, zoneId) ?? entry(coat.filmByPieceMm, pieceId) ?? coat.filmMm;
