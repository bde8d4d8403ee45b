import { differenceBetween, MOST_PAIRS } from "./paired";
import type { PourTeaches } from "./pour-teaches";

/** How the looks of a technique came out, by photos of their pieces. */
export type LooksRehearsed = {
  technique: string;
  photos: number;
  /** Points of the top that lay under another colour than was rehearsed, on average. */
  offPoints: number;
  /** How wide lines ended over their rehearsal; its ends need four photos with lines. */
  widths: { likely: number; between: { low: number; high: number } | null; photos: number } | null;
};

const OFTEN = 0.8;
const mean = (values: readonly number[]) => values.reduce((sum, one) => sum + one, 0) / values.length;

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
      const wider = of.flatMap(({ looks }) => {
        const lines = looks.flatMap(({ widthMm, rehearsedMm }) =>
          widthMm !== null && rehearsedMm !== null && widthMm > 0 && rehearsedMm > 0
            ? [Math.log(widthMm / rehearsedMm)]
            : [],
        );
        return lines.length > 0 ? [mean(lines)] : [];
      });
      const ends = differenceBetween(wider.slice(-MOST_PAIRS), OFTEN);
      return {
        technique,
        photos: of.length,
        offPoints: mean(off),
        widths:
          wider.length > 0
            ? {
                likely: Math.exp(mean(wider.slice(-MOST_PAIRS))),
                between: ends && { low: Math.exp(ends.low), high: Math.exp(ends.high) },
                photos: wider.length,
              }
            : null,
      };
    })
    .sort((a, b) => b.offPoints - a.offPoints);
}
