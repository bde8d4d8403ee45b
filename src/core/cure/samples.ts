import { backward, cholesky, forward } from "../numerics/cholesky";
import { normals, seeded } from "../numerics/random";
import type { FittedResin } from "./fitted-resin";
import { filmTimesOf, MEANING_SPREAD, potTimesOf, TACK_FREE } from "./card-times";
import { cureSpeed, reducedTime, type CureParameters } from "./kinetics";
import type { ResinCard } from "./resin-card";
import { nth } from "../numerics/nth";

/** One resin that the card may be of: its parameters, and where its labels lie against the sheet's. */
export type ResinSample = {
  parameters: CureParameters;
  /** By what the sheet's own times may be off, as factors: working time, recoat, sandable, hard. */
  labels: { work: number; recoat: number; sand: number; hard: number };
  /** Conversion at which it is tack-free. */
  tackFree: number;
};

/**
 * What a card leaves open: prior standard deviations of what the cure depends on (docs/models/cure.md; judgement, from memory).
 * Logarithms where a factor is meant; activation energy in J/mol.
 */
const PRIOR = {
  lnRate: 2,
  lnRatio: 0.6,
  activation: 5000,
  lnHeat: 0.15,
  gelConversion: 0.03,
  lnViscosity: 0.15,
  viscosityActivation: 8000,
  ...MEANING_SPREAD,
};
const NAMES = Object.keys(PRIOR) as (keyof typeof PRIOR)[];
type Shift = Record<keyof typeof PRIOR, number>;

/** Of labels that are moved by the clock alone: rounded to a day, or of another lab's meaning. */
const LABEL = { work: 0.12, recoat: 0.15, sand: 0.2, hard: 0.4 };
/** Where the sheet gives no viscosity, its class does: a factor of about two. */
const VISCOSITY_UNKNOWN = 0.6;

/** Without any time on the sheet its class stands in: a factor of about two. */
const RATE_OF_CLASS = 0.7;
const hasTimes = (card: ResinCard): boolean => filmTimesOf(card).length + potTimesOf(card).length > 0;

const none = (): Shift => Object.fromEntries(NAMES.map((name) => [name, 0])) as Shift;

function moved(p: CureParameters, shift: Shift): CureParameters {
  return {
    ...p,
    k2PerS: p.k2PerS * Math.exp(shift.lnRate),
    r: p.r * Math.exp(shift.lnRatio),
    activationJPerMol: p.activationJPerMol + shift.activation,
    heatJPerKg: p.heatJPerKg * Math.exp(shift.lnHeat),
    gelConversion: Math.min(0.75, Math.max(0.4, p.gelConversion + shift.gelConversion)),
    viscosity25PaS: p.viscosity25PaS * Math.exp(shift.lnViscosity),
    viscosityActivationJPerMol: p.viscosityActivationJPerMol + shift.viscosityActivation,
  };
}

/** Logarithms of the card's times as a shifted resin has them, with their scatter. */
function measured(card: ResinCard, base: CureParameters, shift: Shift): { ln: number; sigma: number }[] {
  const p = moved(base, shift);
  return [
    ...filmTimesOf(card).map(({ tempC, alphaOf, scatter }) => ({
      ln: Math.log(reducedTime(alphaOf(p, shift), p.r) / (p.k2PerS * cureSpeed(tempC, p.activationJPerMol))),
      sigma: scatter,
    })),
    ...potTimesOf(card).map(({ minutesOf, scatter }) => ({ ln: Math.log(minutesOf(p)), sigma: scatter })),
  ];
}

/** Step of a finite difference, as a share of the prior's width. */
const STEP = 0.05;

/** How much surer the card makes each parameter than the prior: the posterior's precision, in units of the prior's widths. */
function precisionOf(card: ResinCard, base: CureParameters, prior: Shift): number[][] {
  const here = measured(card, base, none());
  const slopes = NAMES.map((name) => {
    const there = measured(card, base, { ...none(), [name]: STEP * prior[name] });
    return here.map(({ ln, sigma }, index) => ((there[index]?.ln ?? ln) - ln) / STEP / sigma);
  });
  return slopes.map((slope, row) =>
    slopes.map((other, column) =>
      slope.reduce((sum, slope, index) => sum + slope * nth(other, index), row === column ? 1 : 0),
    ),
  );
}

const priorOf = (card: ResinCard): Shift => ({
  ...PRIOR,
  lnRate: hasTimes(card) ? PRIOR.lnRate : RATE_OF_CLASS,
  lnViscosity: card.viscosityPaS === null ? VISCOSITY_UNKNOWN : PRIOR.lnViscosity,
});

/**
 * Resins that a card may be of, drawn from what its numbers leave open: a normal distribution around the fit, narrowed by the card's times
 * through their slopes at the fit (Laplace's approximation). The same card gives the same samples.
 * @param count 300 are enough for the ends of a window
 */
export function resinSamples(resin: FittedResin, count: number, seed = 1): ResinSample[] {
  const { parameters: base } = resin.fit;
  const prior = priorOf(resin);
  const L = cholesky(precisionOf(resin, base, prior));
  const normal = normals(seeded(seed));
  const label = (width: number) => Math.exp(width * normal());
  return Array.from({ length: count }, () => {
    const drawn = backward(
      L,
      NAMES.map(() => normal()),
    );
    const shift = Object.fromEntries(
      NAMES.map((name, index) => [name, nth(drawn, index) * prior[name]]),
    ) as Shift;
    return {
      parameters: moved(base, shift),
      tackFree: TACK_FREE + shift.tackFree,
      labels: {
        work: label(LABEL.work),
        recoat: label(LABEL.recoat),
        sand: label(LABEL.sand),
        hard: label(LABEL.hard),
      },
    };
  });
}

/** How wide each parameter still is, as a share of its prior: what the card has taught. */
export function stillOpen(resin: FittedResin): Shift {
  const L = cholesky(precisionOf(resin, resin.fit.parameters, priorOf(resin)));
  return Object.fromEntries(
    NAMES.map((name, at) => [
      name,
      Math.hypot(
        ...forward(
          L,
          NAMES.map((_, index) => (index === at ? 1 : 0)),
        ),
      ),
    ]),
  ) as Shift;
}
