import { nth } from "../numerics/nth";
import { ciede2000 } from "./ciede2000";
import { LAMP_WEIGHTS } from "./lamp-weights";
import { BANDS, WEIGHTS } from "./observer";
import { labUnder, type Lab } from "./spaces";
import type { Band, Xyz } from "./spectrum";

/** Lights that a finished top stands in (CIE 15 illuminants, 1931 2° observer). */
export const LAMPS = {
  D65: { words: "daylight", weights: WEIGHTS },
  A: { words: "warm bulb", weights: LAMP_WEIGHTS.A },
  F11: { words: "store light", weights: LAMP_WEIGHTS.F11 },
  F12: { words: "warm store light", weights: LAMP_WEIGHTS.F12 },
  F2: { words: "cool tube", weights: LAMP_WEIGHTS.F2 },
} as const satisfies Record<string, { words: string; weights: readonly (readonly number[])[] }>;
export type LampId = keyof typeof LAMPS;
export const LAMP_IDS = Object.keys(LAMPS) as LampId[];

/** X, Y, Z of a reflectance under a lamp; a perfect white has Y = 1. */
export function xyzUnder(lamp: LampId, reflectance: Band): Xyz {
  const sums = LAMPS[lamp].weights.map((row) => {
    let sum = 0;
    for (let band = 0; band < BANDS; band += 1) sum += nth(row, band) * nth(reflectance, band);
    return sum;
  });
  return [nth(sums, 0), nth(sums, 1), nth(sums, 2)];
}

const ones = new Float64Array(BANDS).fill(1);
const whites = new Map<LampId, Xyz>();
/** A perfect white under a lamp. */
export function whiteUnder(lamp: LampId): Xyz {
  const known = whites.get(lamp) ?? xyzUnder(lamp, ones);
  whites.set(lamp, known);
  return known;
}

/** CIELAB of a reflectance for eyes that are used to the lamp: against a white under the same light. */
export const labUnderLamp = (lamp: LampId, reflectance: Band): Lab =>
  labUnder(xyzUnder(lamp, reflectance), whiteUnder(lamp));

export type UnderLamp = { lamp: LampId; difference: number };

/** ΔE00 of two reflectances under each lamp. */
export const differencesUnderLamps = (one: Band, other: Band): UnderLamp[] =>
  LAMP_IDS.map((lamp) => ({
    lamp,
    difference: ciede2000(labUnderLamp(lamp, one), labUnderLamp(lamp, other)),
  }));

/** The lamp under which two differ the most. */
export const worstOf = (under: readonly UnderLamp[]): UnderLamp | null =>
  under.reduce<UnderLamp | null>(
    (worst, each) => (worst === null || each.difference > worst.difference ? each : worst),
    null,
  );
