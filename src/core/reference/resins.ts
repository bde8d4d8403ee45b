import reference from "./resin.json";
import type { CureParameters } from "../cure/kinetics";

/** The resins a, b and c of src/core/reference/resin.json. @throws for another. */
export function parametersOf(resin: string): CureParameters {
  const p = reference.parameters[resin as "a" | "b" | "c"];
  if (!p) throw new Error(`No resin ${resin} in the reference`);
  return {
    k2PerS: p.k2_ref,
    r: p.r,
    activationJPerMol: p.E,
    heatJPerKg: p.H,
    heatCapacityJPerKgK: p.cp,
    conductivityWPerMK: p.k,
    densityKgPerM3: p.rho,
    gelConversion: p.ag,
    viscosity25PaS: p.eta0,
    viscosityActivationJPerMol: p.Eeta,
  };
}
