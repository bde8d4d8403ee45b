import { erf } from "../numerics/erf";

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

/** Width that a vein's own liquid comes to in a film that flows for long: it sinks in until it is as thick as the film, mm. */
export const sunkVeinWidthMm = ({ widthMm, areaMm2 }: LaidVein, filmMm: number): number =>
  widthMm + areaMm2 / filmMm;

/** Steps of the logarithm of the squared width in which a bump is followed. */
const BUMP_STEP = 0.02;

/**
 * Full width at half height of the bump that a vein makes on a film, mm, once so much flow has gone by:
 * dW²/dΦ = 16·ln 2·(ρg/3)·(h0 + 0.675 Q/W)³·(1 + 9ℓ²/W²), W(0) = w0/√2, ℓ² = σ/ρg (docs/models/flow.md; within 4.3 % of a solved film).
 */
export function bumpWidthMm({ widthMm, areaMm2 }: LaidVein, filmMm: number, phi: number): number {
  const [q, h] = [areaMm2 * 1e-6, filmMm / 1000];
  const weight = (16 * Math.LN2 * DENSITY * GRAVITY) / 3;
  const capillary = (9 * SURFACE_TENSION) / (DENSITY * GRAVITY);
  /** Flow used per step of ln W². */
  const used = (logWide: number) => {
    const wide2 = Math.exp(logWide);
    return wide2 / (weight * (h + (0.675 * q) / Math.sqrt(wide2)) ** 3 * (1 + capillary / wide2));
  };
  let logWide = Math.log((widthMm / 1000) ** 2 / 2);
  let left = phi;
  while (left > 0) {
    const step =
      (BUMP_STEP / 6) * (used(logWide) + 4 * used(logWide + BUMP_STEP / 2) + used(logWide + BUMP_STEP));
    logWide += BUMP_STEP * Math.min(1, left / step);
    left -= step;
  }
  return 1000 * Math.exp(logWide / 2);
}

/**
 * Width that a vein's own liquid comes to, mm: w = w0 + (Q/h0)·[1 − erf(0.977 w/W)]. In a thin film that is laid into late it stays on top
 * and narrower than {@link sunkVeinWidthMm} (within 2.1 % of a solved film; docs/models/flow.md).
 */
export function veinOwnWidthMm(vein: LaidVein, filmMm: number, phi: number): number {
  const bump = bumpWidthMm(vein, filmMm, phi);
  const sinks = vein.areaMm2 / filmMm;
  let [low, high] = [vein.widthMm, vein.widthMm + sinks];
  for (let halving = 0; halving < 40; halving += 1) {
    const middle = (low + high) / 2;
    if (vein.widthMm + sinks * (1 - erf((0.977 * middle) / bump)) > middle) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/**
 * What surface tension and density differences add: w² = w_own² + K·h0·Φ. K of no shop yet (assumed): a bead of 3 × 1 mm in 1 mm
 * spreads to about three times its width when the film is fresh, and hardly when it is laid at 90 minutes. Fitted from logged veins later.
 */
export const VEIN_K = 16.6;

/** A vein's width once the film no longer flows, mm. @param phi flow left when it was laid, 1/Pa */
export const veinWidthMm = (vein: LaidVein, filmMm: number, phi: number, constant = VEIN_K): number =>
  Math.sqrt(veinOwnWidthMm(vein, filmMm, phi) ** 2 + (constant * filmMm * phi) / 1000);

/** More flow than any film has, 1/Pa. */
const MOST_FLOW = 1e5;

/** The flow left at which a vein comes to a width, 1/Pa; null where it is wider already on a film that no longer flows. */
export function flowForVeinWidth(
  vein: LaidVein,
  filmMm: number,
  wishedMm: number,
  constant = VEIN_K,
): number | null {
  const widthAt = (phi: number) => veinWidthMm(vein, filmMm, phi, constant);
  if (widthAt(0) > wishedMm) return null;
  if (widthAt(MOST_FLOW) < wishedMm) return MOST_FLOW;
  let [low, high] = [0, MOST_FLOW];
  for (let halving = 0; halving < 60; halving += 1) {
    const middle = (low + high) / 2;
    if (widthAt(middle) > wishedMm) high = middle;
    else low = middle;
  }
  return (low + high) / 2;
}
