import type { Point } from "./curves";
import { ringTurn } from "./ring";

/**
 * How the area of an outline shrinks when its wall leans in by d all round: A(d) = A − P·d + c·d².
 * For a polygon with its corners kept sharp c = Σ tan(turn/2) over the corners (exact until a side vanishes);
 * for a smooth curve c is its turning, π for one turn.
 */
export function shrinkTerm(corners: readonly Point[], smooth: boolean): number {
  if (smooth) return Math.PI;
  const turn = ringTurn(corners);
  let sum = 0;
  corners.forEach((corner, index) => {
    const before = corners[(index + corners.length - 1) % corners.length] as Point;
    const after = corners[(index + 1) % corners.length] as Point;
    const [ux, uy] = [corner.x - before.x, corner.y - before.y];
    const [vx, vy] = [after.x - corner.x, after.y - corner.y];
    sum += Math.tan((turn * Math.atan2(ux * vy - uy * vx, ux * vx + uy * vy)) / 2);
  });
  return sum;
}

/** What the draft of a wall makes of an outline. */
export type Drafted = { leanMm: number; bottomMm2: number; volumeMm3: number; wallMm2: number };

/**
 * Volume of a mould whose walls lean in by a draft angle from the upright, from the open top down.
 * V = ∫ A(z·tan δ) dz, exact since A is a parabola; walls are P·s less what the corners take.
 */
export function draftedVolume(
  topMm2: number,
  perimeterMm: number,
  shrink: number,
  depthMm: number,
  draftDeg: number,
): Drafted {
  const tangent = Math.tan((draftDeg * Math.PI) / 180);
  const leanMm = depthMm * tangent;
  return {
    leanMm,
    bottomMm2: topMm2 - perimeterMm * leanMm + shrink * leanMm ** 2,
    volumeMm3: depthMm * (topMm2 - (perimeterMm * leanMm) / 2 + (shrink * leanMm ** 2) / 3),
    wallMm2: Math.hypot(1, tangent) * depthMm * (perimeterMm - shrink * leanMm),
  };
}
