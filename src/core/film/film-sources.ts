import type { Spread } from "../numerics/spread";

/** Cross-section of a trowel's or squeegee's notch. */
export type NotchShape = "square" | "v" | "u";

export const NOTCH_WORDS: Record<NotchShape, string> = { square: "square", v: "V", u: "U" };

/** A notched edge: width and depth of a notch, and the land between two. */
export type Notch = { shape: NotchShape; widthMm: number; depthMm: number; gapMm: number };

/**
 * Film of a notched edge held upright and pulled once: cross-section of a notch over its pitch.
 * Square w·d, V w·d/2, U a half ellipse's foot under a straight part: w·(d − w/2) + π·w²/8 (or π·w·d/4 where d < w/2).
 */
export function notchFilmMm({ shape, widthMm: w, depthMm: d, gapMm }: Notch): number {
  const area =
    shape === "square"
      ? w * d
      : shape === "v"
        ? (w * d) / 2
        : d >= w / 2
          ? w * (d - w / 2) + (Math.PI * w * w) / 8
          : (Math.PI * w * d) / 4;
  return area / (w + gapMm);
}

/**
 * What stays of it: the edge leans, so that the ridges are lower, and pushes some along.
 * @param share share of the notch that stays, with its spread
 */
export const notchedFilm = (notch: Notch, share: Spread): Spread => {
  const full = notchFilmMm(notch);
  return { low: full * share.low, likely: full * share.likely, high: full * share.high };
};

/**
 * A comb gauge set upright into the wet film tells an interval: thicker than the last tooth that is wet,
 * no thicker than the first that is dry (ISO 2808 method 1A, ASTM D4414; the middle is the likely value).
 */
export function combFilm(wettedMm: number, dryMm: number): Spread {
  return { low: wettedMm, likely: (wettedMm + dryMm) / 2, high: dryMm };
}
