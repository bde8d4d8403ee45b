/** Viscosities that part the states of a film, Pa·s (assumed; docs/models/film-states.md). */
export const HEAVY_PA_S = 5;
export const GUMMY_PA_S = 15;
/** Clock labels when the sheet is silent, as multiples of the gel time (from memory; wide spread). */
export const SILENT = { tackFree: 1.35, sand: 4.2, hard: 34 };
