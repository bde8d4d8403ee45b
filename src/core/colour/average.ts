import { labOfXyz, xyzOfHex, type Lab } from "./spaces";
import type { Xyz } from "./spectrum";

/** What several colours look like together from where the eye no longer parts them: light adds up, so X, Y, Z are weighted by area. */
export function averageXyz(parts: readonly { xyz: Xyz; share: number }[]): Xyz | null {
  const all = parts.reduce((sum, part) => sum + part.share, 0);
  if (!(all > 0)) return null;
  const of = (axis: 0 | 1 | 2) => parts.reduce((sum, part) => sum + part.share * part.xyz[axis], 0) / all;
  return [of(0), of(1), of(2)];
}

export function averageLab(parts: readonly (readonly [hex: string, share: number])[]): Lab | null {
  const xyz = averageXyz(parts.map(([hex, share]) => ({ xyz: xyzOfHex(hex), share })));
  return xyz && labOfXyz(xyz);
}

/** An eye parts two features until they are about an arcminute apart (visual acuity of 1). */
const ARCMINUTE = Math.PI / 180 / 60;

/** The distance from which features of a size melt into their average, metres. */
export const meltingDistanceM = (featureMm: number): number => featureMm / 1000 / ARCMINUTE;
