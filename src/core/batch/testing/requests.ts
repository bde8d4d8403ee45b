import type { FittedResin } from "../../cure/fitted-resin";
import type { CoatColour } from "../coat-colour";
import type { CoatRequest, CoveredPiece } from "../coat-request";

/** What tests of batches begin with: a plain colour, a bare top of a square metre, a coat of one batch on it. */
export const colourOf = (id: string, share: number, more: Partial<CoatColour> = {}): CoatColour => ({
  id,
  name: id,
  hex: "#888888",
  look: "opaque",
  share,
  locked: false,
  reserve: 0,
  gPer100G: 2,
  measure: { unit: "gram" },
  ...more,
});

export const topOf = (more: Partial<CoveredPiece> = {}): CoveredPiece => ({
  id: "p",
  zoneId: null,
  name: "Top",
  count: 1,
  filmMm: 1,
  topAreaMm2: 1e6,
  faceAreaMm2: 0,
  openLengthMm: 0,
  faceLengthMm: 0,
  tapedLengthMm: 0,
  damLengthMm: 0,
  ground: null,
  fillMl: null,
  alongMm: (share) => share * 2000,
  ...more,
});

export const requestOf = (resin: FittedResin, more: Partial<CoatRequest> = {}): CoatRequest => ({
  resin,
  coverShare: 1,
  pieces: [topOf()],
  colours: [],
  clearReserve: 0,
  school: "clear-first",
  tools: [],
  embeds: [],
  rateM2PerH: 100,
  people: 1,
  tempC: 21,
  vesselsMl: [],
  largestBatchMl: null,
  given: null,
  batches: null,
  factors: {},
  ...more,
});

/** Cups, buckets and sticks that keep nothing, so that sums can be done by hand. */
export const NO_LOSS = { cupFilmMm: 0, bucketFilmMm: 0, stickMl: 0 };
