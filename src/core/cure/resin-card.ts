/** What kind of coating; it gives the class values where the card is silent. */
export type ResinKind = "coating" | "fast" | "casting" | "hybrid" | "paint";

/** A size in which a resin is sold: millilitres of the mix, and its price in the shop's money. */
export type Kit = { ml: number; price: number };

/**
 * A finisher's own test of a resin. `cup`: minutes until a cup of this mass has gelled; `string`: until a stick draws no more string out of a
 * film, but it snaps; `gummy`: until drips of a film hardly move.
 */
export type BenchTest = {
  kind: "cup" | "string" | "gummy";
  minutes: number;
  tempC: number;
  massG: number | null;
};

/**
 * A resin's card: the numbers of its data sheet. Null where the sheet is silent.
 * `paint` is a one-part primer: no part B, no pot life. `hybrid` is a two-part coating that is no epoxy.
 */
export type ResinCard = {
  id: string;
  name: string;
  kind: ResinKind;
  ratioBy: "volume" | "mass";
  /** Parts of A to parts of B, by volume or by mass. */
  ratioA: number;
  ratioB: number;
  /** How far B may be off for its A, per cent. */
  ratioTolerancePct: number;
  densityAGPerMl: number;
  densityBGPerMl: number;
  /** Viscosity of the fresh mix and its temperature. */
  viscosityPaS: number | null;
  viscosityTempC: number;
  potLifeMin: number | null;
  potMassG: number;
  potTempC: number;
  /** Temperature at which the film times below hold. */
  filmTempC: number;
  workMin: number | null;
  gelH: number | null;
  tackFreeH: number | null;
  recoatFromH: number | null;
  recoatUntilH: number | null;
  sandH: number | null;
  hardH: number | null;
  /** A second gel time of a film, at another temperature. */
  gel2H: number | null;
  gel2TempC: number;
  /** The room that the sheet asks for. */
  roomFromC: number | null;
  roomToC: number | null;
  humidityMaxPct: number | null;
  /**
   * The finisher's own reading of heat: how warm a film is right after a usual heating, from `filmTempC`, and the minutes in which it then loses half
   * of what it is warmer. Both or neither.
   */
  heatedToC: number | null;
  heatHalfMin: number | null;
  /** The finisher's own tests. */
  benchTests: BenchTest[];
  /** Largest mass in one mix, g; null when the sheet does not say. */
  largestMixG: number | null;
  /** Thickest film in one pour, mm. */
  thickestFilmMm: number | null;
  /** Third part, stirred into the mixed A and B: grams to 100 g of them, and its density. Null for a two-part resin. */
  fillerGPer100G: number | null;
  fillerDensityGPerMl: number | null;
  /** Sizes in which it is sold. */
  kits: Kit[];
  /** Price of a litre of the mix, in the shop's money; null when unknown. */
  pricePerLitre: number | null;
  /** Stable against light and scratches as a counter needs it. */
  forCounters: boolean;
};
