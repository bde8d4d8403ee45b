import {
  conversionAtThickening,
  cureSpeed,
  freshViscosityPaS,
  reducedTime,
  type CureParameters,
} from "./kinetics";
import { potLifeMin } from "./pot";
import type { ResinCard, ResinKind } from "./resin-card";

/** One number of the sheet against what the fit says. `z` counts standard deviations. */
export type Residual = {
  what: "working time" | "gel" | "tack-free" | "pot life";
  sheetMin: number;
  modelMin: number;
  z: number;
};

export type Calibration = {
  parameters: CureParameters;
  residuals: Residual[];
  /** Which of the sheet's numbers were used; none means that class values stand in. */
  used: { film: boolean; setting: boolean; pot: boolean };
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

/** Conversions at which the film is gelled and tack-free, with their doubt (docs/models/cure.md). */
const GEL = 0.58;
const TACK_FREE = 0.68;

/** The sheet's own scatter, as a standard deviation of ln t; pot life has its definition's doubt on top. */
const SIGMA = { sheet: 0.2, gel: 0.1, potDefinition: 0.2 };
const PRIOR = { lnR: Math.log(0.15), sigma: 0.6 };
const R_STEPS = 17;

type FilmInput = {
  what: Residual["what"];
  timeS: number;
  alpha: (p: CureParameters) => number;
  alphaSpread: [number, number];
  sigma: number;
};

function filmInputs(card: ResinCard): FilmInput[] {
  const inputs: FilmInput[] = [];
  const work = (times: number) => GEL * (1 - times ** (-1 / 3));
  if (card.workMin !== null) {
    inputs.push({
      what: "working time",
      timeS: card.workMin * 60,
      alpha: (p) => conversionAtThickening(2, p),
      alphaSpread: [work(2 * Math.exp(-0.35)), work(2 * Math.exp(0.35))],
      sigma: SIGMA.sheet,
    });
  }
  if (card.gelH !== null)
    inputs.push({
      what: "gel",
      timeS: card.gelH * 3600,
      alpha: () => GEL,
      alphaSpread: [GEL - 0.02, GEL + 0.02],
      sigma: SIGMA.gel,
    });
  if (card.tackFreeH !== null) {
    inputs.push({
      what: "tack-free",
      timeS: card.tackFreeH * 3600,
      alpha: () => TACK_FREE,
      alphaSpread: [TACK_FREE - 0.04, TACK_FREE + 0.04],
      sigma: SIGMA.sheet,
    });
  }
  return inputs;
}

function startingParameters(card: ResinCard): CureParameters {
  const base = CLASS[card.kind === "paint" ? "coating" : card.kind];
  const parameters: CureParameters = {
    ...base,
    activationJPerMol: 55000,
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

/**
 * Fits the two kinetic numbers k2 and r of a card to its working time, gel, tack-free time and pot life.
 * Always converges: r is tried on 17 logarithmic steps in 0.01…1 under a prior, k2 follows in closed form or, with a pot life, by golden section.
 * Numbers that contradict each other are named in `conflicts`. Without any of them the class values stand in.
 */
export function calibrate(card: ResinCard): Calibration {
  const start = startingParameters(card);
  const inputs = filmInputs(card);
  const pot =
    card.potLifeMin !== null && card.kind !== "paint"
      ? { minutes: card.potLifeMin, massG: card.potMassG, tempC: card.potTempC }
      : null;
  const used = {
    film: card.workMin !== null,
    setting: card.gelH !== null || card.tackFreeH !== null,
    pot: pot !== null,
  };
  if (inputs.length === 0 && !pot) return { parameters: start, residuals: [], used, conflicts: [] };

  const speed = cureSpeed(card.filmTempC, start.activationJPerMol);
  const withRate = (lnK2: number, r: number): CureParameters => ({ ...start, k2PerS: Math.exp(lnK2), r });
  const sigmaOf = (input: FilmInput, r: number) => {
    const [low, high] = input.alphaSpread;
    const doubt = Math.log(reducedTime(high, r) / reducedTime(low, r)) / 2;
    return Math.hypot(input.sigma, doubt);
  };
  const potSigma = Math.hypot(SIGMA.sheet, SIGMA.potDefinition);
  const misfit = (lnK2: number, r: number) => {
    const p = withRate(lnK2, r);
    let sum = 0;
    for (const input of inputs)
      sum +=
        ((Math.log(reducedTime(input.alpha(p), r) / (p.k2PerS * speed)) - Math.log(input.timeS)) /
          sigmaOf(input, r)) **
        2;
    if (pot) sum += (Math.log(potLifeMin(pot.massG, pot.tempC, pot.tempC, p) / pot.minutes) / potSigma) ** 2;
    return sum;
  };
  const bestFor = (r: number, steps = 14) => {
    let [weight, weighted] = [0, 0];
    for (const input of inputs) {
      const w = 1 / sigmaOf(input, r) ** 2;
      weight += w;
      weighted += w * Math.log(reducedTime(input.alpha(withRate(0, r)), r) / (speed * input.timeS));
    }
    const filmBest = weight > 0 ? weighted / weight : Math.log(start.k2PerS);
    const best = pot
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

  const residuals: Residual[] = inputs.map((input) => {
    const modelS = reducedTime(input.alpha(parameters), r) / (parameters.k2PerS * speed);
    return {
      what: input.what,
      sheetMin: input.timeS / 60,
      modelMin: modelS / 60,
      z: Math.log(modelS / input.timeS) / sigmaOf(input, r),
    };
  });
  if (pot) {
    const modelMin = potLifeMin(pot.massG, pot.tempC, pot.tempC, parameters);
    residuals.push({
      what: "pot life",
      sheetMin: pot.minutes,
      modelMin,
      z: Math.log(modelMin / pot.minutes) / potSigma,
    });
  }
  const conflicts = residuals
    .filter((residual) => Math.abs(residual.z) > 1.5)
    .map(
      (residual) =>
        `The ${residual.what} of the card (${Math.round(residual.sheetMin)} min) and its other numbers do not belong to one resin: they would go with ${Math.round(residual.modelMin)} min. Check it.`,
    );
  if (at === 0 || at === R_STEPS - 1)
    conflicts.push(
      "These numbers lie outside what a resin of this kind does. Check them against the data sheet.",
    );
  return { parameters, residuals, used, conflicts };
}
