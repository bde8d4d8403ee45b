import { fillHeightMm, type Vessel } from "@/core/batch/vessel";

/** Lines of a vessel at a scale, y downwards from its brim: its wall, what is in it, and where the fill line stands. */
export type VesselLines = {
  width: number;
  height: number;
  wall: string;
  fill: string;
  fillY: number;
  fillFrom: number;
};

export function vesselLines(vessel: Vessel, fillMl: number, scale: number): VesselLines {
  const width = vessel.topRadiusMm * 2 * scale;
  const height = vessel.heightMm * scale;
  const inset = (vessel.topRadiusMm - vessel.bottomRadiusMm) * scale;
  const level = fillHeightMm(vessel, fillMl);
  const left = inset * (1 - level / vessel.heightMm);
  const fillY = height - level * scale;
  const n = (value: number) => value.toFixed(2);
  return {
    width,
    height,
    wall: `M0 0L${n(inset)} ${n(height)}H${n(width - inset)}L${n(width)} 0`,
    fill: `M${n(left)} ${n(fillY)}L${n(inset)} ${n(height)}H${n(width - inset)}L${n(width - left)} ${n(fillY)}Z`,
    fillY,
    fillFrom: width - left,
  };
}

/** The scale at which the tallest of some vessels has a height. */
export const scaleToHeight = (vessels: readonly Vessel[], height: number): number =>
  height / Math.max(1, ...vessels.map((vessel) => vessel.heightMm));
