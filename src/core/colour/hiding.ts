import { ciede2000 } from "./ciede2000";
import { overGround, seen, type Matter } from "./film-optics";
import { opaqueXyz } from "./opaque";
import { labOfXyz, type Lab } from "./spaces";
import { even, xyzOf, type Band } from "./spectrum";

/** White of a contrast chart, internal reflectance (ISO 6504-3 by its chart of Y 80 %). */
export const CHART_WHITE = 0.8;

export const labOver = (matter: Matter, filmMm: number, ground: Band): Lab =>
  labOfXyz(xyzOf(seen(overGround(matter, filmMm, ground))));
export const labEndless = ({ K, S }: Matter): Lab => labOfXyz(opaqueXyz([{ K, S, load: 1 }]));

/** Contrast ratio as ISO 6504-3 defines it: Y over black to Y over white, at one film. */
export function contrastRatio(matter: Matter, filmMm: number, white = CHART_WHITE): number {
  const y = (ground: number) => xyzOf(seen(overGround(matter, filmMm, even(ground))))[1];
  return y(0) / y(white);
}

/** A standard calls this hidden; the eye may still see the ground. */
export const HIDDEN = 0.98;
/** Below this difference from an endless layer no eye sees the ground. */
export const NOT_SEEN = 1;

/** The least x in [low, high] for which a rising test holds, by bisection on a logarithmic scale; null when it never does. */
function least(holds: (x: number) => boolean, low: number, high: number): number | null {
  if (!holds(high)) return null;
  if (holds(low)) return low;
  let [a, b] = [Math.log(low), Math.log(high)];
  for (let step = 0; step < 40; step += 1) {
    const middle = (a + b) / 2;
    if (holds(Math.exp(middle))) b = middle;
    else a = middle;
  }
  return Math.exp(b);
}

const THINNEST_MM = 1e-4;
const THICKEST_MM = 1000;

/** The film at which a mix hides by the standard, mm; null when no film does. */
export const hidingFilmMm = (matter: Matter, ratio = HIDDEN): number | null =>
  least((film) => contrastRatio(matter, film) >= ratio, THINNEST_MM, THICKEST_MM);

/** How far a film over a ground is from what the mix would look like endless, ΔE00: how much of the ground ghosts through. */
export const ghosting = (matter: Matter, filmMm: number, ground: Band): number =>
  ciede2000(labOver(matter, filmMm, ground), labEndless(matter));

/** The film from which the ground does not ghost through, mm; null when no film does. */
export const unseenFilmMm = (matter: Matter, ground: Band, difference = NOT_SEEN): number | null =>
  least((film) => ghosting(matter, film, ground) <= difference, THINNEST_MM, THICKEST_MM);
