import { belowSurface, K1, ratioOf, type Matter } from "./film-optics";
import { BANDS } from "./observer";
import { smoothReflectance } from "./recover";
import { encoded, hexOfChannels, labOfXyz, linearOfHex, linearOfXyz, type Rgb } from "./spaces";
import { mapBands, xyzOf, type Band } from "./spectrum";

/**
 * Flakes that lie flat in the film: mica, pearl, glitter. What mirrors back at an angle (face) stands beside the body (flop).
 * Physically shaped; the spread of the flakes' tilt, the weight of what scatters and the peaks are not calibrated.
 */
export type Flake = {
  /** Extinction of flakes lying flat, mm⁻¹ for each gram in 100 g. */
  extinction: number;
  /** Reflectance of a flake, peak included. */
  mirror: Float64Array;
  /** What the powder's body absorbs and scatters, mm⁻¹ for each gram in 100 g. */
  K: Float64Array;
  S: Float64Array;
};

/** Grams per cm³ of the mixed resin. */
const MIX_DENSITY = 1.12;
/** Share of a flake's face that lies in the plane of the film. */
const LYING = 0.7;

/**
 * Extinction of flakes by their thickness.
 * @param densityGPerMl of the flake; @param thicknessUm µm
 */
export const flakeExtinction = (densityGPerMl: number, thicknessUm: number): number =>
  (0.001 * MIX_DENSITY * LYING) / (densityGPerMl * thicknessUm * 1e-4);

/** Mica of 0.5 µm; glitter of 37 µm polyester. */
export const MICA_EXTINCTION = flakeExtinction(3, 0.5);
export const GLITTER_EXTINCTION = flakeExtinction(1.4, 37);

/**
 * A flake from the colours that one sees of it.
 * @param face how it looks in its mirror angle; @param body how it looks from the side, both as hex, gloss left out
 * @param peak reflectance of a flake in its strongest band, 0.09 to 0.3; @param bodyS scattering of the body
 */
export function flakeOf(
  { face, body, peak, bodyS }: { face: string; body: string; peak: number; bodyS: number },
  extinction: number,
): Flake {
  const mirror = smoothReflectance(linearOfHex(face));
  const highest = Math.max(...mirror);
  const shade = smoothReflectance(linearOfHex(body));
  return {
    extinction,
    mirror: mapBands((band) => (peak * (mirror[band] as number)) / highest),
    K: mapBands((band) => bodyS * ratioOf(belowSurface(shade[band] as number))),
    S: mapBands(() => bodyS),
  };
}

/** Share of a surface that flakes cover, seen from above. */
export const coverOf = (extinction: number, load: number, filmMm: number): number =>
  1 - Math.exp(-extinction * load * filmMm);

const SPREAD = (10 * Math.PI) / 180;
/** Refractive index of the film. */
const INDEX = 1.55;

/** How strongly flakes mirror at an angle from the gloss, degrees (as of a multi-angle instrument): 3.65 at 15°, 0.008 at 110°. */
export function mirrorGain(angleDeg: number): number {
  const tilt = (angleDeg * Math.PI) / 180 / (2 * INDEX);
  return Math.exp(-(tilt * tilt) / (2 * SPREAD * SPREAD)) / (8 * SPREAD * SPREAD);
}

/** How much more a scattering pigment veils a flake than an absorbing one. */
const VEIL = 4;

/** Share of the flakes' mirror light that comes back, 0 to 1 by band: pigments before them take the rest. */
export function visibleFlakes(extinction: number, others: Matter, filmMm: number): Float64Array {
  return mapBands((band) => {
    const veil = (others.K[band] as number) + VEIL * (others.S[band] as number);
    const all = extinction + veil;
    return all > 0 ? (extinction / all) * (1 - Math.exp(-all * filmMm)) : 0;
  });
}

/** Warn below this: the effect is killed. */
export const KILLED = 0.6;
/** The band at 550 nm, by which visibility is spoken of. */
export const GREEN_BAND = 17;

/** What a film with flakes reflects at an angle, gloss left out. */
export function atAngle(body: Band, mirror: Band, visible: Band, angleDeg: number): Float64Array {
  const gain = (1 - K1) ** 2 * mirrorGain(angleDeg);
  const out = new Float64Array(BANDS);
  for (let band = 0; band < BANDS; band += 1)
    out[band] = (body[band] as number) + gain * (visible[band] as number) * (mirror[band] as number);
  return out;
}

/** Flop index of the lightness at 15, 45 and 110° (Alman 1987, from memory). */
export const flopIndex = (L15: number, L45: number, L110: number): number =>
  L15 > L110 ? (2.69 * (L15 - L110) ** 1.11) / L45 ** 0.86 : 0;

/** Angles of a lit swatch, from edge to edge. */
const SWATCH_ANGLES = [-70, -140 / 3, -70 / 3, 0, 70 / 3, 140 / 3, 70];
const KNEE = 0.8;

/** A channel brighter than a screen is bent back under white, hue kept. */
function kneed(linear: Rgb): Rgb {
  const most = Math.max(...linear);
  if (most <= KNEE) return linear;
  const k = (KNEE + (1 - KNEE) * (1 - Math.exp(-(most - KNEE) / (1 - KNEE)))) / most;
  return [linear[0] * k, linear[1] * k, linear[2] * k];
}

/** Stops of a gradient that shows face and flop of a film, as hex. */
export const swatchOf = (reflectanceAt: (angleDeg: number) => Band): string[] =>
  SWATCH_ANGLES.map((angle) => {
    const [r, g, b] = kneed(linearOfXyz(xyzOf(reflectanceAt(angle))));
    return hexOfChannels([encoded(r) * 255, encoded(g) * 255, encoded(b) * 255]);
  });

export const labAt = (reflectance: Band) => labOfXyz(xyzOf(reflectance));
