/**
 * Cure of an epoxy film or pot: conversion α, viscosity η and flow left Φ.
 * Model and symbols: docs/models/cure.md. Kamal–Sourour rate with m = 1, n = 2 and one activation energy;
 * Castro–Macosko viscosity with A = 3, B = 0. Diffusion control is left out: before gel and above 10 °C it changes the rate by under 0.1 %.
 */
export type CureParameters = {
  /** Autocatalytic rate constant at 25 °C, 1/s. */
  k2PerS: number;
  /** Ratio of the uncatalysed to the autocatalytic rate constant. */
  r: number;
  activationJPerMol: number;
  heatJPerKg: number;
  heatCapacityJPerKgK: number;
  conductivityWPerMK: number;
  densityKgPerM3: number;
  gelConversion: number;
  /** Viscosity just mixed, at 25 °C. */
  viscosity25PaS: number;
  viscosityActivationJPerMol: number;
};

const GAS_CONSTANT = 8.31446262;
const KELVIN = 273.15;
const REFERENCE_K = 298.15;

/** Exponential temperature factor, 1 at 25 °C. */
function arrhenius(activationJPerMol: number, tempC: number): number {
  return Math.exp((-activationJPerMol / GAS_CONSTANT) * (1 / (tempC + KELVIN) - 1 / REFERENCE_K));
}

/** How fast the resin's clock runs at a temperature, against 25 °C. */
export function cureSpeed(tempC: number, activationJPerMol = 55000): number {
  return arrhenius(activationJPerMol, tempC);
}

/** dα/dt in 1/s. */
export function conversionRate(alpha: number, tempC: number, p: CureParameters): number {
  return p.k2PerS * cureSpeed(tempC, p.activationJPerMol) * (p.r + alpha) * (1 - alpha) ** 2;
}

/** Dimensionless time k2·e·t at which a conversion is reached at constant temperature (closed form). */
export function reducedTime(alpha: number, r: number): number {
  return Math.log((alpha + r) / (r * (1 - alpha))) / (1 + r) ** 2 + alpha / ((1 + r) * (1 - alpha));
}

/** Seconds from mixing to a conversion at constant temperature. */
export function timeToConversion(alpha: number, tempC: number, p: CureParameters): number {
  return reducedTime(alpha, p.r) / (p.k2PerS * cureSpeed(tempC, p.activationJPerMol));
}

/** Conversion after a time at constant temperature; the inverse of {@link timeToConversion}, to 1e-12. */
export function conversionAt(timeS: number, tempC: number, p: CureParameters): number {
  const target = timeS * p.k2PerS * cureSpeed(tempC, p.activationJPerMol);
  if (target <= 0) return 0;
  let low = 0;
  let high = 1 - 1e-12;
  let alpha = Math.min(0.9, target * p.r);
  for (let step = 0; step < 80; step += 1) {
    const miss = reducedTime(alpha, p.r) - target;
    if (miss > 0) high = alpha;
    else low = alpha;
    const newton = alpha - miss * (p.r + alpha) * (1 - alpha) ** 2;
    const next = newton > low && newton < high ? newton : (low + high) / 2;
    if (Math.abs(next - alpha) < 1e-13) return next;
    alpha = next;
  }
  return alpha;
}

/** Viscosity of the uncured mix at a temperature, Pa·s. */
export function freshViscosityPaS(tempC: number, p: CureParameters): number {
  return p.viscosity25PaS / arrhenius(p.viscosityActivationJPerMol, tempC);
}

/** Viscosity, Pa·s; Infinity from gel on. */
export function viscosityPaS(alpha: number, tempC: number, p: CureParameters): number {
  if (alpha >= p.gelConversion) return Infinity;
  return freshViscosityPaS(tempC, p) * (p.gelConversion / (p.gelConversion - alpha)) ** 3;
}

/** Conversion at which the viscosity is `times` that of the fresh mix. */
export function conversionAtThickening(times: number, p: CureParameters): number {
  return p.gelConversion * (1 - times ** (-1 / 3));
}

/**
 * Flow left: Φ = ∫ dt/η from a conversion to gel at constant temperature, 1/Pa (closed form).
 * How far a film can still level, drain and spread is proportional to it.
 */
export function flowLeftPerPa(alpha: number, tempC: number, p: CureParameters): number {
  const { gelConversion: g, r } = p;
  if (alpha >= g) return 0;
  const c1 = (1 + r / g) ** 3 / (1 + r) ** 2;
  const c3 = (1 - 1 / g) ** 3 / (1 + r);
  const c2 = 1 / r + 1 / g ** 3 - c1 / r - c3;
  const value =
    -(g - alpha) / g ** 3 +
    c1 * Math.log((r + g) / (r + alpha)) +
    c2 * Math.log((1 - alpha) / (1 - g)) +
    c3 * (1 / (1 - g) - 1 / (1 - alpha));
  return (
    Math.max(0, value) / (p.k2PerS * cureSpeed(tempC, p.activationJPerMol) * freshViscosityPaS(tempC, p))
  );
}
