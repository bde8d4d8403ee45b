import type { FilmState } from "../cure/film-states";
import type { PassKind } from "./pass";

/** Between which states of the film a pass is right (common practice, no source). */
export const RIGHT: Record<PassKind, { from: FilmState; to: FilmState | null }> = {
  roll: { from: "runny", to: "flowing" },
  lay: { from: "runny", to: "flowing" },
  spread: { from: "runny", to: "flowing" },
  palm: { from: "runny", to: "flowing" },
  comb: { from: "runny", to: "flowing" },
  skim: { from: "runny", to: "flowing" },
  "roller-cut": { from: "runny", to: "flowing" },
  "bucket-pour": { from: "runny", to: "flowing" },
  drizzle: { from: "runny", to: "flowing" },
  blow: { from: "runny", to: "flowing" },
  tilt: { from: "runny", to: "flowing" },
  flood: { from: "runny", to: "flowing" },
  flame: { from: "runny", to: "heavy" },
  alcohol: { from: "runny", to: "heavy" },
  fog: { from: "runny", to: "heavy" },
  "mica-alcohol": { from: "runny", to: "heavy" },
  veins: { from: "runny", to: "gummy" },
  chop: { from: "runny", to: "gummy" },
  accents: { from: "runny", to: "gummy" },
  glitter: { from: "runny", to: "gummy" },
  stones: { from: "runny", to: "gummy" },
  faces: { from: "runny", to: "gummy" },
  "dam-pull": { from: "gummy", to: "set" },
  "drip-scrape": { from: "heavy", to: "set" },
  mask: { from: "sandable", to: null },
  sand: { from: "sandable", to: null },
  check: { from: "runny", to: null },
};

/** Alcohol, in whatever it is sprayed. */
export const VAPOUR: readonly PassKind[] = ["alcohol", "mica-alcohol", "fog"];
/** Passes on the coat below, before this one is mixed. */
export const BEFORE: readonly PassKind[] = ["sand"];
/** The laying itself: these share the time that the batches are worked in. */
export const isLaying = (kind: PassKind) => RIGHT[kind].to === "flowing";
/** Acts that come hours after a coat is laid: another coat need not wait for them. */
export const isLate = (kind: PassKind) => kind === "dam-pull" || kind === "drip-scrape" || kind === "check";
