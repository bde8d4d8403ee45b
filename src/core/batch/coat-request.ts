import type { Ground } from "./grounds";
import type { FittedResin } from "../cure/fitted-resin";
import type { Spread } from "../numerics/spread";
import type { CoatColour } from "./coat-colour";
import type { Embed } from "./embeds";
import type { FactorId, Tool } from "./factors";
import type { GivenAmount } from "./given";

/** How a coat is mixed: colour into A before the hardener, or clear first, then cups. */
export type MixingMethod = "colour-into-a" | "clear-first";

/** What a coat covers of one piece, or of one of its zones; areas and lengths are those of ONE of its kind. */
export type CoveredPiece = {
  id: string;
  /** The zone of the piece; null for all of it. */
  zoneId: string | null;
  /** Of the piece, with its zone where it is one. */
  name: string;
  count: number;
  /** Film there, mm; without meaning where it is filled. */
  filmMm: number;
  topAreaMm2: number;
  faceAreaMm2: number;
  openLengthMm: number;
  faceLengthMm: number;
  /** Borders of a zone that stand behind tape, mm. */
  tapedLengthMm: number;
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
  school: MixingMethod;
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
  /** What is given of the amount; null where it is the film. */
  given: GivenAmount | null;
  /** So many batches and no others; null where the pot's life decides. */
  batches: number | null;
  factors: Partial<Record<FactorId, number>>;
};

/** Whether each cup is mixed by itself, A and B and colour: then it lives apart from the others. */
export const mixesEachCup = ({ school, resin }: Pick<CoatRequest, "school" | "resin">): boolean =>
  school === "colour-into-a" && resin.kind !== "paint";
