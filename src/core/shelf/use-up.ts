/** A small thing to pour what is over into. */
export type SmallPour = { words: string; ml: number; depthMm: number };

const cylinder = (acrossMm: number, deepMm: number) => (Math.PI / 4) * acrossMm ** 2 * deepMm * 1e-3;
const box = (aMm: number, bMm: number, deepMm: number) => aMm * bMm * deepMm * 1e-3;

/** Mixed for a sample board beyond what lies on it: edges, cup, stick (common practice, no source). */
const BOARD_LOSS = 1.2;

/** Sizes in which boards are cut and moulds are sold (common practice, no source). */
export const SMALL_POURS: readonly SmallPour[] = [
  { words: "a mould of a coaster, 100 mm across, 8 mm deep", ml: cylinder(100, 8), depthMm: 8 },
  {
    words: "a sample board of 300 × 300 mm, 1.6 mm thick",
    ml: box(300, 300, 1.6) * BOARD_LOSS,
    depthMm: 1.6,
  },
  { words: "a tray of 250 × 150 mm, 6 mm deep", ml: box(250, 150, 6), depthMm: 6 },
  {
    words: "a sample board of 600 × 300 mm, 1.6 mm thick",
    ml: box(600, 300, 1.6) * BOARD_LOSS,
    depthMm: 1.6,
  },
  { words: "a block of 120 × 80 mm, 25 mm deep", ml: box(120, 80, 25), depthMm: 25 },
];

/**
 * What can be poured of what no job takes, the largest first, each as often as there is enough for it by itself.
 * @param thickestMm the thickest film of the resin's card; null where it names none: then only thin ones
 */
export function smallPoursOf(
  freeMl: number,
  thickestMm: number | null,
): { pour: SmallPour; times: number }[] {
  return SMALL_POURS.filter(({ depthMm }) => depthMm <= (thickestMm ?? 2))
    .map((pour) => ({ pour, times: Math.floor(freeMl / pour.ml) }))
    .filter(({ times }) => times > 0)
    .sort((a, b) => b.pour.ml - a.pour.ml);
}
