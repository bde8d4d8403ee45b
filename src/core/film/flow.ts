/**
 * What a film does with the flow that is left in it, Φ = ∫dt/η in 1/Pa: it levels, drains, spreads and takes up veins.
 * Models and their errors: docs/models/flow.md. Lengths in mm at the edge, SI within.
 */

const GRAVITY = 9.81;
/** Of an epoxy (from memory). */
export const SURFACE_TENSION = 0.035;
export const DENSITY = 1120;

/** How much a ridge of a wavelength falls: amplitude goes with e^(−exponent) (Orchard 1962, with gravity). */
export function levellingExponent(wavelengthMm: number, filmMm: number, phi: number): number {
  const k = (2 * Math.PI) / (wavelengthMm / 1000);
  const x = (k * filmMm) / 1000;
  const shape = x > 300 ? 1 : (Math.sinh(x) * Math.cosh(x) - x) / (Math.cosh(x) ** 2 + x ** 2);
  return (phi * (SURFACE_TENSION * k ** 2 + DENSITY * GRAVITY) * shape) / (2 * k);
}

/** The longest wavelength of a mark that falls tenfold (20 to 2 µm, say) while the film flows, mm; longer ones stay to be seen. */
export function longestLevelledMm(filmMm: number, phi: number, fall = 10): number {
  const wanted = Math.log(fall);
  if (phi <= 0) return 0;
  let [low, high] = [0.01, 1e5];
  if (levellingExponent(low, filmMm, phi) < wanted) return 0;
  for (let halving = 0; halving < 80; halving += 1) {
    const middle = Math.sqrt(low * high);
    if (levellingExponent(middle, filmMm, phi) > wanted) low = middle;
    else high = middle;
  }
  return Math.sqrt(low * high);
}

/** What is left of a film on an upright face, mm, at a height below its top edge once it no longer flows (Jeffreys 1930). */
export const drainedFilmMm = (belowTopMm: number, phi: number): number =>
  phi <= 0 ? Infinity : 1000 * Math.sqrt(belowTopMm / 1000 / (DENSITY * GRAVITY * phi));

/** The flow left from which on a brushed face keeps so thick a film, 1/Pa. */
export const flowForFaceFilm = (filmMm: number, belowTopMm: number): number =>
  belowTopMm / 1000 / (DENSITY * GRAVITY * (filmMm / 1000) ** 2);

/** Constants of spreading under gravity over a dry surface: in two dimensions and round (Huppert 1982). */
export const HUPPERT = { plane: 1.411245, round: 0.893914 };

/** Radius of a puddle poured on a dry surface, mm, once its flow is used up (Huppert 1982: R = 0.894·(gρV³Φ/3)^(1/8)). */
export function puddleRadiusMm(volumeMl: number, phi: number): number {
  const volumeM3 = volumeMl * 1e-6;
  return 1000 * HUPPERT.round * ((GRAVITY * DENSITY * volumeM3 ** 3 * phi) / 3) ** (1 / 8);
}

/** Width of a line laid on a dry surface, mm; a bead that does not wet stops before (an upper bound; Huppert 1982). */
export function lineOnDryMm(laidMm: number, areaMm2: number, phi: number): number {
  const q = (areaMm2 * 1e-6) / 2;
  const start = (laidMm / 1000) ** 5;
  return 1000 * (start + ((2 * HUPPERT.plane) ** 5 * DENSITY * GRAVITY * q ** 3 * phi) / 3) ** (1 / 5);
}

/** A vein as it is laid: width and area of its bead. */
export type LaidVein = { widthMm: number; areaMm2: number };

/** Area of a bead laid as a flat parabola of a height, mm². */
export const beadAreaMm2 = (widthMm: number, heightMm: number): number => (2 / 3) * widthMm * heightMm;

/** Width that a vein's own liquid comes to in a film: it sinks in until it is as thick as the film, mm. */
export const veinOwnWidthMm = ({ widthMm, areaMm2 }: LaidVein, filmMm: number): number =>
  widthMm + areaMm2 / filmMm;

/**
 * What surface tension and density differences add: w² = w_own² + K·h0·Φ. K of no shop yet (assumed): a bead of 3 × 1 mm in 1 mm
 * spreads to about three times its width when the film is fresh, and hardly when it is laid at 90 minutes. Fitted from logged veins later.
 */
export const VEIN_K = 16.6;

/** A vein's width once the film no longer flows, mm. @param phi flow left when it was laid, 1/Pa */
export const veinWidthMm = (vein: LaidVein, filmMm: number, phi: number, constant = VEIN_K): number =>
  Math.sqrt(veinOwnWidthMm(vein, filmMm) ** 2 + (constant * filmMm * phi) / 1000);

/** The flow left at which a vein comes to a width, 1/Pa; null where its own liquid is wider already. */
export function flowForVeinWidth(
  vein: LaidVein,
  filmMm: number,
  wishedMm: number,
  constant = VEIN_K,
): number | null {
  const room = wishedMm ** 2 - veinOwnWidthMm(vein, filmMm) ** 2;
  return room < 0 ? null : (1000 * room) / (constant * filmMm);
}
