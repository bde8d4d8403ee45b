import { conversionRate, type CureParameters } from "./kinetics";
import { TOP_W_PER_M2K } from "./slab";

/** Longest that a pour is followed, s; it has long cooled by then. */
const LONGEST_S = 6 * 86_400;

/**
 * Peak temperature of a deep pour taken as one lump, °C: the mean of its depth, with half of the way through it as resistance on either side,
 * U = 1/(1/h + L/4k) + 1/(1/Ub + L/4k). Within 5 K of the pour followed through its depth, as long as it does not run away; a thousand times quicker, for searches.
 * @param roomC of the room, and of the resin when it is poured
 */
export function lumpedPeakC(
  depthMm: number,
  roomC: number,
  bottomWPerM2K: number,
  p: CureParameters,
): number {
  const depthM = depthMm / 1000;
  const quarter = depthM / (4 * p.conductivityWPerMK);
  const through = (surface: number) => (surface > 0 ? 1 / (1 / surface + quarter) : 0);
  const loss =
    (through(TOP_W_PER_M2K.still) + through(bottomWPerM2K)) /
    (p.densityKgPerM3 * p.heatCapacityJPerKgK * depthM);
  const heatK = p.heatJPerKg / p.heatCapacityJPerKgK;
  let [timeS, tempC, alpha, peakC] = [0, roomC, 0, roomC];
  while (timeS < LONGEST_S && alpha < 0.98) {
    const rate = conversionRate(alpha, tempC, p);
    const dt = Math.min(1200, 0.01 / Math.max(rate, 1e-9), 0.2 / loss);
    // Heun's rule.
    const slope = heatK * rate - loss * (tempC - roomC);
    const nextAlpha = Math.min(1, alpha + dt * rate);
    const nextTemp = tempC + dt * slope;
    const nextRate = conversionRate(nextAlpha, nextTemp, p);
    tempC += (dt / 2) * (slope + heatK * nextRate - loss * (nextTemp - roomC));
    alpha = Math.min(1, alpha + (dt / 2) * (rate + nextRate));
    timeS += dt;
    peakC = Math.max(peakC, tempC);
    // Past its peak it only cools.
    if (tempC < peakC - 3) break;
  }
  return peakC;
}
