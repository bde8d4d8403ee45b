import { differenceBetween, MOST_PAIRS } from "./paired";
import type { PhotoLook } from "../pour/inspect-events";
import type { PourTeaches } from "./pour-teaches";

/** How the looks of a technique came out, by photos of their pieces. */
export type LooksRehearsed = {
  technique: string;
  photos: number;
  /** Points of the top that lay under another colour than was rehearsed, on average. */
  offPoints: number;
  /** How wide lines ended, and cells, over their rehearsal. */
  widths: OverRehearsed | null;
  cells: OverRehearsed | null;
};

/** Times what was rehearsed, in the middle; ends between which eight in ten lie need four photos. */
export type OverRehearsed = {
  likely: number;
  between: { low: number; high: number } | null;
  photos: number;
};
type Photo = PourTeaches["photos"][number];

const OFTEN = 0.8;
const mean = (values: readonly number[]) => values.reduce((sum, one) => sum + one, 0) / values.length;

/** Of each photo the mean over its colours, as logarithms; of the last photos. Null where none has any. */
function overRehearsed(
  photos: readonly Photo[],
  of: (look: PhotoLook) => readonly [number | null, number | null],
): OverRehearsed | null {
  const logs = photos
    .flatMap(({ looks }) => {
      const each = looks.flatMap((look) => {
        const [seen, rehearsed] = of(look);
        return seen && rehearsed ? [Math.log(seen / rehearsed)] : [];
      });
      return each.length > 0 ? [mean(each)] : [];
    })
    .slice(-MOST_PAIRS);
  if (logs.length === 0) return null;
  const ends = differenceBetween(logs, OFTEN);
  return {
    likely: Math.exp(mean(logs)),
    between: ends && { low: Math.exp(ends.low), high: Math.exp(ends.high) },
    photos: logs.length,
  };
}

/** Which looks come out as rehearsed, the one that is furthest off first. */
export function looksRehearsed(pours: readonly PourTeaches[]): LooksRehearsed[] {
  const photos = pours.flatMap((pour) => pour.photos);
  const techniques = [...new Set(photos.flatMap(({ technique }) => (technique ? [technique] : [])))];
  return techniques
    .map((technique): LooksRehearsed => {
      const of = photos.filter((photo) => photo.technique === technique);
      // What one colour has too much another one has too little: half of all differences.
      const off = of.map(
        ({ looks }) => 50 * looks.reduce((sum, { seen, rehearsed }) => sum + Math.abs(seen - rehearsed), 0),
      );
      return {
        technique,
        photos: of.length,
        offPoints: mean(off),
        widths: overRehearsed(of, ({ widthMm, rehearsedMm }) => [widthMm, rehearsedMm]),
        cells: overRehearsed(of, ({ cellMm, rehearsedCellMm }) => [cellMm, rehearsedCellMm]),
      };
    })
    .sort((a, b) => b.offPoints - a.offPoints);
}
