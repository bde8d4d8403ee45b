import type { Spread } from "../numerics/spread";

/** What a film is, in the order of its life. */
export const FILM_STATES = [
  "runny",
  "flowing",
  "heavy",
  "gummy",
  "set",
  "recoat",
  "sandable",
  "hard",
] as const;
export type FilmState = (typeof FILM_STATES)[number];

export const STATE_WORDS: Record<FilmState, string> = {
  runny: "runny",
  flowing: "flowing",
  heavy: "heavy",
  gummy: "gummy",
  set: "set",
  recoat: "recoat without sanding",
  sandable: "sandable",
  hard: "hard",
};

/** The same where there is little room. */
export const SHORT_WORDS: Record<FilmState, string> = { ...STATE_WORDS, recoat: "recoat" };

/** What a state allows and what it does not, where no pass is planned (common practice, no source). */
export const STATE_ALLOWS: Record<FilmState, { may: string; mustNot: string }> = {
  runny: { may: "lay, spread, blend, torch", mustNot: "pull a dam, turn over" },
  flowing: { may: "veins, drops, alcohol, torch", mustNot: "blend further: it muddies" },
  heavy: { may: "veins, faces, scrape drips", mustNot: "blow, torch, blend" },
  gummy: { may: "pull the dam, scrape drips, coat tacky", mustNot: "touch the face: it keeps every mark" },
  set: { may: "leave it alone", mustNot: "coat, sand, move" },
  recoat: { may: "coat without sanding", mustNot: "sand: it clogs the paper" },
  sandable: { may: "sand and coat, move", mustNot: "load, heat, wet" },
  hard: { may: "use it as its sheet says", mustNot: "" },
};

/** From when a state holds, minutes after mixing. */
export type StateStart = { state: FilmState; fromMin: Spread };

/** Viscosities that part the states of a film, Pa·s (assumed; docs/models/film-states.md). */
export const HEAVY_PA_S = 5;
export const GUMMY_PA_S = 15;
/** Clock labels when the sheet is silent, as multiples of the gel time (from memory; wide spread). */
export const SILENT = { tackFree: 1.35, sand: 4.2, hard: 34 };

/** The state at a time after mixing. */
export function stateAt(life: readonly StateStart[], minutes: number): FilmState {
  let state: FilmState = "runny";
  for (const start of life) if (start.fromMin.likely <= minutes) state = start.state;
  return state;
}

/** A viscosity, Pa·s, in words a finisher knows. */
export function viscosityWords(viscosity: number): string {
  if (viscosity < 0.05) return "like water";
  if (viscosity < 0.7) return "like oil";
  if (viscosity < 4) return "like warm honey";
  if (viscosity < 12) return "like honey";
  if (viscosity < 40) return "like cold honey";
  return viscosity < Infinity ? "like putty" : "no longer flows";
}
