import type { Spread } from "../numerics/spread";
import { together } from "./film-optics";
import { labEndless } from "./hiding";
import type { Band } from "./spectrum";

/** White or black as it is weighed: mm⁻¹ for each gram in 100 g. */
export type Paste = { K: Band; S: Band };

/** L* of white and black together, opaque; only their proportion counts. */
export const greyLightness = (white: Paste, whiteG: number, black: Paste, blackG: number): number =>
  labEndless(
    together([
      { ...white, load: whiteG },
      { ...black, load: blackG },
    ]),
  )[0];

/**
 * Grams of black that bring this much white to a lightness.
 * @returns null where the white alone is darker than that, or no black is dark enough
 */
export function blackForGrey(white: Paste, whiteG: number, black: Paste, lightness: number): number | null {
  const at = (grams: number) => greyLightness(white, whiteG, black, grams);
  if (at(0) < lightness) return null;
  let [low, high] = [1e-7 * whiteG, 1000 * whiteG];
  if (at(high) > lightness) return null;
  for (let step = 0; step < 60; step += 1) {
    const middle = Math.sqrt(low * high);
    if (at(middle) > lightness) low = middle;
    else high = middle;
  }
  return Math.sqrt(low * high);
}

export type Rung = { drops: number; grams: number; lightness: Spread };

/** The greys around a number of drops: what one drop less and more does. @param strength by how much the black may be stronger or weaker for its white */
export function ladderAround(
  white: Paste,
  whiteG: number,
  black: Paste,
  dropG: number,
  drops: number,
  strength: number,
  reach = 2,
): Rung[] {
  const at = (grams: number) => greyLightness(white, whiteG, black, grams);
  const from = Math.max(0, drops - reach);
  return Array.from({ length: drops + reach - from + 1 }, (_, index) => {
    const count = from + index;
    return {
      drops: count,
      grams: count * dropG,
      lightness: {
        low: at(count * dropG * strength),
        likely: at(count * dropG),
        high: at((count * dropG) / strength),
      },
    };
  });
}
