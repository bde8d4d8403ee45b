import type { Lab } from "./spaces";

/** A colour that is wanted: a tile, a cabinet, a floor. */
export type Target = { lab: Lab; name: string };

/** How a target is wished otherwise, in CIELAB: three are seen at once side by side (assumed). */
const BY = {
  lighter: [4, 0, 0],
  darker: [-4, 0, 0],
  warmer: [0, 1, 4],
  cooler: [0, -1, -4],
} as const satisfies Record<string, readonly [number, number, number]>;
export type Wish = keyof typeof BY;
export const WISHES = Object.keys(BY) as Wish[];

const OPPOSITE: Record<Wish, Wish> = {
  lighter: "darker",
  darker: "lighter",
  warmer: "cooler",
  cooler: "warmer",
};
/** How many may be wanted beside the first. */
export const MOST_OTHERS = 6;
/** The longest name of a target. */
export const LONGEST_NAME = 80;

/** No a* or b* of a surface is further out. */
const FURTHEST = 150;
const held = (value: number, least: number, most: number) => Math.min(most, Math.max(least, value));

/** "The tile, lighter": this colour, but so. The same wish again goes further; the opposite one takes it back. */
export function wished({ lab, name }: Target, wish: Wish): Target {
  const [L, a, b] = lab.map((value, axis) => value + (BY[wish][axis] ?? 0)) as [number, number, number];
  const words = name.split(", ");
  const [last, before] = [words.lastIndexOf(wish), words.lastIndexOf(OPPOSITE[wish])];
  const next = before > 0 ? words.filter((_, at) => at !== before) : last > 0 ? words : [...words, wish];
  const said = next.join(", ");
  return {
    lab: [held(L, 0, 100), held(a, -FURTHEST, FURTHEST), held(b, -FURTHEST, FURTHEST)],
    name: said.length > LONGEST_NAME ? name : said,
  };
}
