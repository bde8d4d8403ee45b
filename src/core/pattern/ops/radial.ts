/** Σ's Jacobian of a radial map at a direction (ux, uy): along the ray by the slope, across it by r0/r. */
export function radialJacobian(
  ux: number,
  uy: number,
  along: number,
  across: number,
): [number, number, number, number] {
  const both = along - across;
  return [across + both * ux * ux, both * ux * uy, both * ux * uy, across + both * uy * uy];
}
