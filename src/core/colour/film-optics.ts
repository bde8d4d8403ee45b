import { BANDS } from "./observer";
import { labOfXyz, WHITE, xyzOfLab, type Lab } from "./spaces";
import { mapBands, type Band, type Xyz } from "./spectrum";

/** Surface of a glossy epoxy film, refractive index 1.55: reflected on entering (k1), and from inside (k2) (Saunderson 1942, from memory). */
export const K1 = 0.04652056901191851;
export const K2 = 0.6250021887316305;

/** What leaves the surface of an internal reflectance, gloss left out (SPEX). */
export const throughSurface = (internal: number): number =>
  ((1 - K1) * (1 - K2) * internal) / (1 - K2 * internal);
/** The internal reflectance of what is measured without gloss. */
export const belowSurface = (spex: number): number => spex / ((1 - K1) * (1 - K2) + K2 * spex);
/** The internal reflectance of what is measured with gloss (SCI): the entering share is taken off first. */
export const belowSurfaceSci = (sci: number): number => belowSurface(Math.max(0, sci - K1));

/** L*a*b* measured with gloss (SCI), as it is without: light adds up, and the gloss is white. */
export function labWithoutGloss(lab: Lab): Lab {
  const xyz = xyzOfLab(lab).map((value, axis) => Math.max(0, value - K1 * (WHITE[axis] as number)));
  return labOfXyz(xyz as unknown as Xyz);
}

/** Reflectance of an endless layer, from absorption K and scattering S of the same unit; 0 for a dye alone over nothing. */
export function endless(K: number, S: number): number {
  if (S <= 0) return K > 0 ? 0 : 1;
  const theta = K / S;
  return 1 / (1 + theta + Math.sqrt(theta * theta + 2 * theta));
}

/** K/S of an internal reflectance of an endless layer. */
export const ratioOf = (reflectance: number): number => (1 - reflectance) ** 2 / (2 * reflectance);

/**
 * Internal reflectance of a film over a ground (Kubelka 1948 in its tanh form: safe for dyes and for no absorption).
 * @param K absorption, mm⁻¹; @param S scattering, mm⁻¹; @param X film, mm; @param ground its internal reflectance
 */
export function filmReflectance(K: number, S: number, X: number, ground: number): number {
  const gamma = Math.sqrt(K * (K + 2 * S));
  const t = gamma * X > 1e-7 ? Math.tanh(gamma * X) / gamma : X;
  return (S * t + ground * (1 - (K + S) * t)) / (1 + (K + S - S * ground) * t);
}

/** Internal transmittance of a film. */
export function filmTransmittance(K: number, S: number, X: number): number {
  const gamma = Math.sqrt(K * (K + 2 * S));
  if (gamma * X < 1e-7) return 1 / (1 + (K + S) * X);
  // 1/cosh and tanh stay finite for thick films.
  return 1 / Math.cosh(gamma * X) / (1 + ((K + S) / gamma) * Math.tanh(gamma * X));
}

/** K and S of a film's matter, mm⁻¹ at 36 bands. */
export type Matter = { K: Float64Array; S: Float64Array };

/** A film over a ground, band by band, internal. */
export const overGround = ({ K, S }: Matter, X: number, ground: Band): Float64Array =>
  mapBands((band) => filmReflectance(K[band] as number, S[band] as number, X, ground[band] as number));

/** Band by band through the surface. */
export const seen = (internal: Band): Float64Array =>
  mapBands((band) => throughSurface(internal[band] as number));

/** K and S of pigments together: each times its load, summed. Loads are grams of dry pigment to 100 g of resin. */
export function together(parts: readonly { K: Band; S: Band; load: number }[]): Matter {
  const K = new Float64Array(BANDS);
  const S = new Float64Array(BANDS);
  for (const part of parts)
    for (let band = 0; band < BANDS; band += 1) {
      K[band] = (K[band] as number) + part.load * (part.K[band] as number);
      S[band] = (S[band] as number) + part.load * (part.S[band] as number);
    }
  return { K, S };
}

/** An opaque layer of this matter, internal. */
export const endlessLayer = ({ K, S }: Matter): Float64Array =>
  mapBands((band) => endless(K[band] as number, S[band] as number));
