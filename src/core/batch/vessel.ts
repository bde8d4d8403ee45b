/** A cup or bucket: a frustum a little wider at the brim. Lengths in mm, volumes in ml. */
export type Vessel = {
  kind: "cup" | "bucket";
  nominalMl: number;
  topRadiusMm: number;
  bottomRadiusMm: number;
  heightMm: number;
};

/** Usual sizes on a bench (common practice, no source): 1 to 32 fl oz cups, then pails. */
const CUP_SIZES_ML = [30, 60, 120, 250, 500, 950];
const BUCKET_SIZES_ML = [1900, 3800, 7500, 11000, 19000, 25000];

/** Filled no higher than this, so that it can be stirred. */
export const FULLEST = 0.85;

const HEIGHT_TO_TOP = 1.15;
const BOTTOM_TO_TOP = 0.76;

function vesselOfSize(kind: Vessel["kind"], nominalMl: number): Vessel {
  // Brimful volume of a frustum with top diameter D: π·H/12·(D² + D·d + d²), H = 1.15 D, d = 0.76 D.
  const perCube = ((Math.PI * HEIGHT_TO_TOP) / 12) * (1 + BOTTOM_TO_TOP + BOTTOM_TO_TOP ** 2);
  const topDiameterMm = Math.cbrt((nominalMl * 1000) / perCube);
  return {
    kind,
    nominalMl,
    topRadiusMm: topDiameterMm / 2,
    bottomRadiusMm: (topDiameterMm / 2) * BOTTOM_TO_TOP,
    heightMm: topDiameterMm * HEIGHT_TO_TOP,
  };
}

/** What a bench usually has, ml, from the smallest. */
export const USUAL_VESSELS_ML: readonly number[] = [...CUP_SIZES_ML, ...BUCKET_SIZES_ML];

/** From this size on it is a bucket with a handle. */
const BUCKET_FROM_ML = 1500;

const made = new Map<number, Vessel>();

function vesselOf(nominalMl: number): Vessel {
  let vessel = made.get(nominalMl);
  if (!vessel)
    made.set(nominalMl, (vessel = vesselOfSize(nominalMl < BUCKET_FROM_ML ? "cup" : "bucket", nominalMl)));
  return vessel;
}

/**
 * The smallest vessel at hand that holds a volume with room to stir; the largest one there is when none does.
 * @param sizesMl sizes at hand, in any order; the usual ones when none are named
 */
export function vesselFor(volumeMl: number, sizesMl: readonly number[] = USUAL_VESSELS_ML): Vessel {
  const sizes = sizesMl.length > 0 ? sizesMl : USUAL_VESSELS_ML;
  const enough = sizes.filter((size) => volumeMl <= size * FULLEST);
  return vesselOf(enough.length > 0 ? Math.min(...enough) : Math.max(...sizes));
}

/** Height of the fill line above the bottom, mm (closed form; at most the brim). */
export function fillHeightMm(vessel: Vessel, volumeMl: number): number {
  const slope = (vessel.topRadiusMm - vessel.bottomRadiusMm) / vessel.heightMm;
  const height =
    (Math.cbrt((3 * slope * volumeMl * 1000) / Math.PI + vessel.bottomRadiusMm ** 3) -
      vessel.bottomRadiusMm) /
    slope;
  return Math.min(vessel.heightMm, Math.max(0, height));
}

/** Wall and bottom that the resin has touched, mm². */
export function wettedAreaMm2(vessel: Vessel, volumeMl: number): number {
  const height = fillHeightMm(vessel, volumeMl);
  const radius =
    vessel.bottomRadiusMm + ((vessel.topRadiusMm - vessel.bottomRadiusMm) * height) / vessel.heightMm;
  const slant = Math.hypot(height, radius - vessel.bottomRadiusMm);
  return Math.PI * (vessel.bottomRadiusMm + radius) * slant + Math.PI * vessel.bottomRadiusMm ** 2;
}
