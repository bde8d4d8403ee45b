import type { Rehearsal } from "../pattern/passes/rehearsal";
import type { Spread } from "../numerics/spread";
import type { FilmSpread, PictureMeasures } from "./judge-picture";

/** How far numbers of a picture may differ by chance alone, seen on its sisters. */
export type SisterSpread = { onTop: Spread[]; mud: Spread; apart: Spread } & FilmSpread;

/** So many sisters are looked at, and so wide, px: wide enough for shares, quick enough to do for each change. */
export const SISTERS = 4;
export const SISTER_PX = 200;
/** Seeds of sisters lie between these. */
const SEEDS = 9999;

/** The same pour with other chances. */
export const sistersOf = (of: Rehearsal): Rehearsal[] =>
  Array.from({ length: SISTERS }, (_, n) => ({ ...of, seed: 1 + ((of.seed + 17 * (n + 1)) % SEEDS) }));

/**
 * From what sisters differ, all measured on small pictures of one size, to how far the numbers of the picture itself may lie: each number, and
 * from it as far down and up as its sisters lie from it there. Shares stay within 0 and 1, mud is no less than 0.
 */
export function sisterSpread(
  picture: PictureMeasures,
  measures: PictureMeasures,
  sisters: readonly PictureMeasures[],
): SisterSpread {
  const spread = (of: (measures: PictureMeasures) => number, most = 1): Spread => {
    const likely = of(picture);
    const off = sisters.map((sister) => of(sister) - of(measures));
    const held = (value: number) => Math.min(most, Math.max(0, value));
    return {
      low: held(likely + Math.min(0, ...off)),
      likely,
      high: held(likely + Math.max(0, ...off)),
    };
  };
  return {
    onTop: picture.onTop.map((_, colour) => spread(({ onTop }) => onTop[colour] ?? 0)),
    mud: spread(({ mud }) => mud, Infinity),
    apart: spread(({ apart }) => apart),
    thinnestMm: spread(({ film }) => film.thinnestMm, Infinity),
    lostMl: spread(({ film }) => film.lostMl, Infinity),
  };
}
