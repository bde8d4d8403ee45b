import { within, type Spread } from "../numerics/spread";
import type { Calibration } from "./calibrate";
import { GUMMY_PA_S, HEAVY_PA_S, SILENT } from "./film-states";
import {
  conversionAt,
  cureSpeed,
  flowLeftPerPa,
  freshViscosityPaS,
  timeToConversion,
  viscosityPaS,
} from "./kinetics";
import type { ResinCard } from "./resin-card";

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

/** From when a state holds, minutes after mixing. */
export type StateStart = { state: FilmState; fromMin: Spread };

const conversionAtViscosity = (viscosity: number, tempC: number, calibration: Calibration) => {
  const { parameters: p } = calibration;
  const times = Math.max(1, viscosity / freshViscosityPaS(tempC, p));
  return p.gelConversion * (1 - times ** (-1 / 3));
};

/**
 * The life of a film at a constant temperature: from when each state holds, with its spread.
 * Sheet times hold exactly at the sheet's temperature and move with the cure's clock elsewhere.
 */
export function filmLife(card: ResinCard, calibration: Calibration, tempC: number): StateStart[] {
  const { parameters: p, used } = calibration;
  const clock = cureSpeed(card.filmTempC, p.activationJPerMol) / cureSpeed(tempC, p.activationJPerMol);
  const modelMin = (alpha: number) => timeToConversion(alpha, tempC, p) / 60;
  const workMin =
    card.workMin !== null
      ? card.workMin * clock
      : modelMin(conversionAtViscosity(2 * freshViscosityPaS(tempC, p), tempC, calibration));
  const gelMin = card.gelH !== null ? card.gelH * 60 * clock : modelMin(p.gelConversion);
  const byClock = (hours: number | null, silent: number) => (hours !== null ? hours * 60 * clock : silent);
  const early = used.film || used.setting ? 0.2 : 0.3;
  const gelSpread = used.setting ? 0.25 : 0.45;
  const starts: [FilmState, number, number, number][] = [
    ["runny", 0, 0, 0],
    ["flowing", workMin, early, early],
    [
      "heavy",
      Math.max(workMin * 1.15, modelMin(conversionAtViscosity(HEAVY_PA_S, tempC, calibration))),
      early,
      early,
    ],
    [
      "gummy",
      Math.max(workMin * 1.6, modelMin(conversionAtViscosity(GUMMY_PA_S, tempC, calibration))),
      0.25,
      0.25,
    ],
    ["set", gelMin, gelSpread, gelSpread],
    ["recoat", byClock(card.recoatFromH ?? card.tackFreeH, gelMin * SILENT.tackFree), 0.25, 0.25],
    ["sandable", byClock(card.sandH, gelMin * SILENT.sand), 0.4, 0.4],
    ["hard", byClock(card.hardH, gelMin * SILENT.hard), 0.5, 1],
  ];
  let latest = 0;
  return starts.map(([state, fromMin, below, above]) => {
    latest = Math.max(latest, fromMin);
    return { state, fromMin: within(latest, below, above) };
  });
}

/** The state at a time after mixing. */
export function stateAt(life: readonly StateStart[], minutes: number): FilmState {
  let state: FilmState = "runny";
  for (const start of life) if (start.fromMin.likely <= minutes) state = start.state;
  return state;
}

/** How far the film can still move until gel, as a share of what it could when just mixed (0…1). */
export function flowLeftShare(minutes: number, tempC: number, calibration: Calibration): Spread {
  const { parameters: p } = calibration;
  const fresh = flowLeftPerPa(0, tempC, p);
  const likely = flowLeftPerPa(conversionAt(minutes * 60, tempC, p), tempC, p) / fresh;
  // ±35 % fresh, a factor of two at working time (docs/models/cure.md); a share cannot pass one.
  const lost = 1 - likely;
  return { low: likely / (1 + lost), likely, high: Math.min(1, likely * (1 + lost)) };
}

/** Viscosity of a film at one temperature, in words. */
export function viscosityWord(minutes: number, tempC: number, calibration: Calibration): string {
  const { parameters: p } = calibration;
  return viscosityWords(viscosityPaS(conversionAt(minutes * 60, tempC, p), tempC, p));
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
