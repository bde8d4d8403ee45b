/** A map that moves points along rays from a middle: from a radius of after to one of before. */
export type RadialBack = {
  /** Radius before; the same beyond `outer`. */
  before: (radius: number) => number;
  slope: (radius: number) => number;
};

/**
 * A hole of radius a that pushes what was there out as far as b: r0² = (r² − a²)·b²/(b² − a²). Compact, so that beyond b nothing moves; its
 * determinant is b²/(b² − a²) all over the ring.
 */
export function pushedOut(a: number, b: number): RadialBack {
  const scale = (b * b) / (b * b - a * a);
  return {
    before: (r) => Math.sqrt(Math.max(0, (r * r - a * a) * scale)),
    slope: (r) => {
      const r0 = Math.sqrt(Math.max(1e-18, (r * r - a * a) * scale));
      return (scale * r) / r0;
    },
  };
}

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
