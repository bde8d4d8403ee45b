import { COLOUR_KIND_WORDS, type ColourKind } from "./colour-card";
import { hueOf, type Lab } from "./spaces";

/** Hues of the colour circle by their CIELAB angle, degrees: up to each, from the one before (by eye). */
const HUES: readonly (readonly [toDeg: number, words: string])[] = [
  [12, "pink"],
  [50, "red"],
  [72, "orange"],
  [114, "yellow"],
  [168, "green"],
  [214, "teal"],
  [308, "blue"],
  [335, "violet"],
  [360, "pink"],
];
const DARK = 20;
const LIGHT = 88;
const GREY_CHROMA = 9;
const OFF_WHITE_CHROMA = 14;

/** What a colour is called in a word or two, so that it is found: "blue", "dark red brown", "off white". */
export function hueWords(lab: Lab): string[] {
  const [L, a, b] = lab;
  const chroma = Math.hypot(a, b);
  if (L < DARK && chroma < GREY_CHROMA * 2) return ["black"];
  if (L > LIGHT && chroma < OFF_WHITE_CHROMA) return chroma < 4 ? ["white"] : ["white", "off", "cream"];
  if (chroma < GREY_CHROMA) return ["grey", "gray", "silver", ...(L < 45 ? ["dark"] : [])];
  const angle = hueOf(lab);
  const hue = HUES.find(([toDeg]) => angle < toDeg)?.[1] ?? "pink";
  const tone = L < 38 ? ["dark"] : L > 75 ? ["light"] : [];
  const warm = hue === "red" || hue === "orange" || hue === "yellow";
  const brown = warm && ((L < 50 && angle > 40) || (L < 42 && chroma < 65)) ? ["brown"] : [];
  const gold = hue === "yellow" && L < 85 ? ["gold"] : [];
  const pink = hue === "red" && L > 62 ? ["pink"] : [];
  const violet = hue === "blue" && angle > 292 && a > 25 ? ["violet"] : [];
  return [hue, ...brown, ...gold, ...pink, ...violet, ...tone];
}

/** Something of the shelf, or a usual colour, with what it looks like. */
export type Findable = { name: string; kind?: ColourKind; lab: Lab };

/** Those that every word fits, by how the words of their name, form and hue begin: "blue mica", "dark ink". In their order. */
export function findColours<Some extends Findable>(all: readonly Some[], query: string): Some[] {
  const wanted = query.toLowerCase().split(/\s+/).filter(Boolean);
  if (wanted.length === 0) return [];
  return all.filter(({ name, kind, lab }) => {
    const words = [
      ...name.toLowerCase().split(/[^\p{L}\d]+/u),
      ...(kind ? COLOUR_KIND_WORDS[kind].split(" ") : []),
      ...hueWords(lab),
    ];
    return wanted.every((word) => words.some((known) => known.startsWith(word)));
  });
}
