import {
  filmTimesOf,
  GEL,
  potTimesOf,
  USUAL_MEANING,
  type FilmTime,
  type PotTime,
  type TimeName,
} from "./card-times";
import { cureSpeed, freshViscosityPaS, reducedTime, type CureParameters } from "./kinetics";
import { conflictWords } from "./conflict-words";
import { lumpedPeakC } from "./lumped-slab";
import type { ResinCard, ResinKind } from "./resin-card";
import { AROUND } from "./slab";

/** One number of the card against what the fit says. `z` counts standard deviations. */
export type Residual = { what: TimeName; sheetMin: number; modelMin: number; z: number };

export type Calibration = {
  parameters: CureParameters;
  residuals: Residual[];
  /** Which of the card's numbers were used; none means that class values stand in. */
  used: { film: boolean; setting: boolean; pot: boolean };
  /** What the card teaches beside its rate: how it answers to warmth, and its heat. */
  learnt: { activation: boolean; heat: boolean };
  /** Sentences on numbers that do not belong to one resin. */
  conflicts: string[];
};

/** Class values, from the usual range (from memory, unchecked; docs/models/cure.md). */
const CLASS: Record<
  Exclude<ResinKind, "paint">,
  {
    k2PerS: number;
    r: number;
    heatJPerKg: number;
    viscosity25PaS: number;
    viscosityActivationJPerMol: number;
    densityKgPerM3: number;
  }
> = {
  coating: {
    k2PerS: 1.67e-4,
    r: 0.195,
    heatJPerKg: 300000,
    viscosity25PaS: 1.1,
    viscosityActivationJPerMol: 60000,
    densityKgPerM3: 1120,
  },
  fast: {
    k2PerS: 1.7e-4,
    r: 0.25,
    heatJPerKg: 330000,
    viscosity25PaS: 2.0,
    viscosityActivationJPerMol: 65000,
    densityKgPerM3: 1120,
  },
  // A hybrid's chemistry is another; the class values of a slow coating stand in with a spread that says so.
  hybrid: {
    k2PerS: 1.67e-4,
    r: 0.195,
    heatJPerKg: 250000,
    viscosity25PaS: 0.8,
    viscosityActivationJPerMol: 60000,
    densityKgPerM3: 1100,
  },
  casting: {
    k2PerS: 4.08e-5,
    r: 0.149,
    heatJPerKg: 215000,
    viscosity25PaS: 0.3,
    viscosityActivationJPerMol: 50000,
    densityKgPerM3: 1100,
  },
};

const PRIOR = { lnR: Math.log(0.15), sigma: 0.6 };
const R_STEPS = 17;

/** A pair of gel times gives an activation energy no further off than this, J/mol. */
const ACTIVATION = { usual: 55_000, low: 45_000, high: 70_000 };
/** A rated depth is one that stays cooler than this, poured on wood in a room of 22 °C (docs/models/cure.md). */
const RATED = { peakC: 60, roomC: 22, lowJPerKg: 180_000, highJPerKg: 300_000, fromMm: 10, halvings: 6 };

/** How the resin answers to warmth, from two gel times; the usual where there is no second. */
function activationOf({ gelH, gel2H, filmTempC, gel2TempC }: ResinCard): number {
  if (gelH === null || gel2H === null || filmTempC === gel2TempC) return ACTIVATION.usual;
  const kelvin = (tempC: number) => 1 / (tempC + 273.15);
  const energy = (8.31446262 * Math.log(gelH / gel2H)) / (kelvin(filmTempC) - kelvin(gel2TempC));
  return Math.min(ACTIVATION.high, Math.max(ACTIVATION.low, energy));
}

function startingParameters(card: ResinCard): CureParameters {
  const base = CLASS[card.kind === "paint" ? "coating" : card.kind];
  const parameters: CureParameters = {
    ...base,
    activationJPerMol: activationOf(card),
    heatCapacityJPerKgK: 1800,
    conductivityWPerMK: 0.2,
    gelConversion: GEL,
  };
  if (card.viscosityPaS === null) return parameters;
  const ratio = freshViscosityPaS(card.viscosityTempC, parameters) / parameters.viscosity25PaS;
  return { ...parameters, viscosity25PaS: card.viscosityPaS / ratio };
}

/** Golden-section minimum of a function of one variable on [low, high]; always ends. */
function leastOn(
  f: (x: number) => number,
  low: number,
  high: number,
  steps: number,
): { x: number; value: number } {
  const golden = (Math.sqrt(5) - 1) / 2;
  let [a, b] = [low, high];
  let [c, d] = [b - golden * (b - a), a + golden * (b - a)];
  let [fc, fd] = [f(c), f(d)];
  for (let step = 0; step < steps; step += 1) {
    if (fc < fd) {
      [b, d, fd] = [d, c, fc];
      c = b - golden * (b - a);
      fc = f(c);
    } else {
      [a, c, fc] = [c, d, fd];
      d = a + golden * (b - a);
      fd = f(d);
    }
  }
  const x = (a + b) / 2;
  return { x, value: f(x) };
}

type Fit = { parameters: CureParameters; residuals: Residual[]; atBound: boolean };

/** k2 and r that meet the card's times best, the other parameters given. */
function fitRate(start: CureParameters, films: readonly FilmTime[], pots: readonly PotTime[]): Fit {
  const withRate = (lnK2: number, r: number): CureParameters => ({ ...start, k2PerS: Math.exp(lnK2), r });
  const speedAt = (tempC: number) => cureSpeed(tempC, start.activationJPerMol);
  const sigmaOf = (time: FilmTime, r: number) => {
    const [low, high] = time.alphaSpread(start);
    return Math.hypot(time.scatter, Math.log(reducedTime(high, r) / reducedTime(low, r)) / 2);
  };
  const filmMinutes = (time: FilmTime, p: CureParameters) =>
    reducedTime(time.alphaOf(p, USUAL_MEANING), p.r) / (60 * p.k2PerS * speedAt(time.tempC));
  const misfit = (lnK2: number, r: number) => {
    const p = withRate(lnK2, r);
    let sum = 0;
    for (const time of films) sum += (Math.log(filmMinutes(time, p) / time.minutes) / sigmaOf(time, r)) ** 2;
    for (const { minutesOf, minutes, scatter } of pots)
      sum += (Math.log(minutesOf(p) / minutes) / scatter) ** 2;
    return sum;
  };
  const bestFor = (r: number, steps = 14) => {
    let [weight, weighted] = [0, 0];
    for (const time of films) {
      const w = 1 / sigmaOf(time, r) ** 2;
      weight += w;
      weighted += w * Math.log(filmMinutes(time, withRate(0, r)) / time.minutes);
    }
    const filmBest = weight > 0 ? weighted / weight : Math.log(start.k2PerS);
    const best =
      pots.length > 0
        ? leastOn((lnK2) => misfit(lnK2, r), filmBest - 2.5, filmBest + 2.5, steps)
        : { x: filmBest, value: misfit(filmBest, r) };
    return { lnK2: best.x, value: best.value + ((Math.log(r) - PRIOR.lnR) / PRIOR.sigma) ** 2 };
  };

  const lnLow = Math.log(0.01);
  const lnStep = -lnLow / (R_STEPS - 1);
  const tried = Array.from(
    { length: R_STEPS },
    (_, index) => bestFor(Math.exp(lnLow + index * lnStep)).value,
  );
  const at = tried.indexOf(Math.min(...tried));
  const middle = Math.max(1, Math.min(R_STEPS - 2, at));
  const [before, here, after] = [tried[middle - 1], tried[middle], tried[middle + 1]] as [
    number,
    number,
    number,
  ];
  const bend = before - 2 * here + after;
  const shift = bend > 0 ? Math.max(-1, Math.min(1, (before - after) / (2 * bend))) : 0;
  const r = Math.exp(lnLow + (middle + shift) * lnStep);
  const parameters = withRate(bestFor(r, 28).lnK2, r);
  const residuals = [
    ...films.map((time): Residual => {
      const modelMin = filmMinutes(time, parameters);
      const z = Math.log(modelMin / time.minutes) / sigmaOf(time, r);
      return { what: time.what, sheetMin: time.minutes, modelMin, z };
    }),
    ...pots.map(({ what, minutes, minutesOf, scatter }): Residual => {
      const modelMin = minutesOf(parameters);
      return { what, sheetMin: minutes, modelMin, z: Math.log(modelMin / minutes) / scatter };
    }),
  ];
  return { parameters, residuals, atBound: at === 0 || at === R_STEPS - 1 };
}

/**
 * The fit with the heat of cure that a rated depth allows: a casting resin that is sold for a depth does not run away in it. Null heat where
 * the rating teaches nothing, because even a hot resin stays cool there.
 */
function fitHeat(
  card: ResinCard,
  start: CureParameters,
  films: readonly FilmTime[],
  pots: readonly PotTime[],
): { fit: Fit; heat: "learnt" | "none" | "conflict" } {
  const plain = fitRate(start, films, pots);
  const depthMm = card.thickestFilmMm;
  if (card.kind !== "casting" || depthMm === null || depthMm < RATED.fromMm)
    return { fit: plain, heat: "none" };
  const fitWith = (heatJPerKg: number) => fitRate({ ...start, heatJPerKg }, films, pots);
  const isCool = ({ parameters }: Fit) =>
    lumpedPeakC(depthMm, RATED.roomC, AROUND.wood, parameters) <= RATED.peakC;
  if (isCool(fitWith(RATED.highJPerKg))) return { fit: plain, heat: "none" };
  let cool = fitWith(RATED.lowJPerKg);
  if (!isCool(cool)) return { fit: cool, heat: "conflict" };
  let [low, high]: [number, number] = [RATED.lowJPerKg, RATED.highJPerKg];
  for (let halving = 0; halving < RATED.halvings; halving += 1) {
    const middle = (low + high) / 2;
    const tried = fitWith(middle);
    if (isCool(tried)) [low, cool] = [middle, tried];
    else high = middle;
  }
  return { fit: cool, heat: "learnt" };
}

/** From so many standard deviations on a number is said not to belong. */
const OFF = 1.5;

/** The numbers that lie furthest apart, in a sentence; each that is off is named with the one that speaks most against it. */
function conflictsOf(residuals: readonly Residual[]): string[] {
  const told = new Set<string>();
  for (const residual of residuals) {
    if (Math.abs(residual.z) <= OFF) continue;
    const against = residuals.reduce((most, other) =>
      Math.sign(residual.z) * (other.z - most.z) < 0 ? other : most,
    );
    if (against === residual || Math.sign(against.z) === Math.sign(residual.z))
      told.add(conflictWords.alone(residual));
    else {
      const [first, second] =
        residual.sheetMin > against.sheetMin ? [residual, against] : [against, residual];
      told.add(conflictWords.pair(first, second));
    }
  }
  return [...told];
}

/**
 * Fits a card's numbers: the rate constant k2 and the ratio r to its times of films and pots and to its finisher's own tests; the activation
 * energy to two gel times; the heat of cure to a rated depth. Always converges: r is tried on 17 logarithmic steps in 0.01…1 under a prior,
 * k2 follows in closed form or, with a pot, by golden section; the heat is halved in on 180…300 kJ/kg. Numbers that contradict each other
 * are named in `conflicts`. Without any of them the class values stand in.
 */
export function calibrate(card: ResinCard): Calibration {
  const start = startingParameters(card);
  const films = filmTimesOf(card);
  const pots = potTimesOf(card);
  const has = (...names: TimeName[]) => [...films, ...pots].some(({ what }) => names.includes(what));
  const used = {
    film: has("working time", "gummy test"),
    setting: has("gel time", "second gel time", "tack-free time", "recoat time", "string test"),
    pot: has("pot life", "cup test"),
  };
  const activation = card.gelH !== null && card.gel2H !== null;
  if (films.length + pots.length === 0)
    return { parameters: start, residuals: [], used, learnt: { activation, heat: false }, conflicts: [] };
  const { fit, heat } = fitHeat(card, start, films, pots);
  const conflicts = conflictsOf(fit.residuals);
  if (fit.atBound) conflicts.push(conflictWords.outside());
  if (heat === "conflict") conflicts.push(conflictWords.hot(card.thickestFilmMm ?? 0));
  return {
    parameters: fit.parameters,
    residuals: fit.residuals,
    used,
    learnt: { activation, heat: heat === "learnt" },
    conflicts,
  };
}
