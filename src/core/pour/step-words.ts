import { listWords } from "../units/list-words";
import type { PassPlaces } from "../plan/set-room";
import type { Batch, Cup } from "../batch/batch-coat";
import { TOOL_WORDS } from "../batch/factors";
import type { Section } from "../batch/sections";
import type { Spread } from "../numerics/spread";
import { COAT_WORDS, type Coat } from "../schedule/coat";
import type { Pass } from "../schedule/pass";
import type { UnitSystem } from "../units/dimension";
import { quantityText, rangeText } from "../units/format-quantity";
import { partText } from "./weigh-lines";

/** All that the steps of a pour say, as functions of their values. */

/** "left run and corner to 1 840 mm": what one batch covers, in words. */
export function sectionWords(sections: readonly Section[], system: UnitSystem): string {
  const names = sections.map((section) => {
    if (section.copies > 1) return `${section.pieceName} × ${section.copies}`;
    const name = section.copy > 1 ? `${section.pieceName} ${section.copy}` : section.pieceName;
    if (section.whole) return name;
    const end = quantityText(section.toMm, "length", system);
    return section.fromMm > 0
      ? `${name} from ${quantityText(section.fromMm, "length", system)} to ${end}`
      : `${name} to ${end}`;
  });
  // The name of a zone has a comma of its own.
  const between = sections.some(({ zoneId }) => zoneId !== null) ? "; " : ", ";
  return names.length > 3
    ? `${names.slice(0, 2).join(between)} and ${names.length - 2} more`
    : names.join(between);
}

/** "Deep blue (Island, Inlay)": a cup, with what it is for where that is not all of its batch. */
export const cupTitle = ({ name, places }: Pick<Cup, "name" | "places">): string =>
  places.length > 0 ? `${name} (${places.join("; ")})` : name;

/** @param what is weighed: "A and B" */
export const weighTitle = (grams: number, what: string): string =>
  `Weigh ${partText(grams)}\u00a0g of ${what}`;

export function weighDetail(kind: Coat["kind"], batch: Batch, many: number, system: UnitSystem): string {
  const of = many > 1 ? `, batch ${batch.number} of ${many}` : "";
  const covered = sectionWords(batch.sections, system) || "the whole piece";
  return `${COAT_WORDS[kind]}${of}. ${quantityText(batch.parts.mixMl, "volume", system)} for ${covered}.`;
}

const lives = (potLifeMin: Spread | null): string =>
  potLifeMin
    ? ` It lives ${Math.round(potLifeMin.low)} to ${Math.round(potLifeMin.high)} min in the pot.`
    : "";

export const mixTitle = (minutes: number): string => `Mix ${minutes} minutes`;
export const mixEachTitle = (): string => "Mix each cup";
export const mixDetail = (filled: boolean, potLifeMin: Spread | null): string =>
  `${filled ? "A and B first, then the filler. " : ""}Top to bottom and back, a turn at each end, three times; scrape into a clean second container; two times more. The clock starts when A meets B.${lives(potLifeMin)}`;
export const mixEachDetail = (potLifeMin: Spread | null): string =>
  `Colour into A until no dry grain is left, then B; two to three minutes each, slowly.${lives(potLifeMin)}`;

export const splitTitle = (cups: number): string => `Split into ${cups} cups`;
export const splitDetail = (cups: readonly { name: string; ml: number }[], system: UnitSystem): string =>
  `${cups.map(({ name, ml }) => `${name} ${quantityText(ml, "volume", system)}`).join(" · ")}. Fluid before powder; stir until no dry grain is left.`;

/** "30 to 40 ml over 3.7 m²": what a sprayed pass takes, ±15 %. */
export function sprayWords(pass: Pass, areaMm2: number, system: UnitSystem): string | null {
  if (pass.mlPerM2 === null) return null;
  const likely = (pass.mlPerM2 * areaMm2) / 1e6;
  return `${rangeText({ low: likely * 0.85, high: likely * 1.15 }, "volume", system)} over ${quantityText(areaMm2, "area", system)}`;
}

/** "black and silver only": the colours that a pass uses where it does not use all of its coat. */
function coloursWords({ colourIds }: Pass, colours: readonly { id: string; name: string }[]): string | null {
  if (!colourIds) return null;
  const names = colours.filter(({ id }) => colourIds.includes(id)).map(({ name }) => name);
  return names.length === 0 || names.length === colours.length ? null : `${listWords(names)} only`;
}

/** "wetted with clear": what is on the tool when it comes to the film. */
export function wettedWords(
  { toolWetWith }: Pass,
  colours: readonly { id: string; name: string }[],
): string | null {
  if (toolWetWith === undefined) return null;
  const name =
    toolWetWith === "alcohol" || toolWetWith === "clear"
      ? toolWetWith
      : colours.find(({ id }) => id === toolWetWith)?.name;
  return name === undefined ? null : `wetted with ${name}`;
}

/** What a pass's detail hangs on: its coat's colours, the part of the coat that it is done on, and where colours go, in words. */
type PassDetail = {
  colours?: readonly { id: string; name: string }[];
  places?: PassPlaces;
  where?: string | null;
};

/** What a pass says in one line of detail. */
export function passDetail(
  pass: Pass,
  areaMm2: number,
  system: UnitSystem,
  { colours = [], places = null, where = null }: PassDetail = {},
): string {
  const parts = [
    coloursWords(pass, colours),
    places && places.names.length > 0 ? `on ${listWords(places.names)} only` : null,
    where,
    sprayWords(pass, (places?.share ?? 1) * areaMm2, system),
    pass.rounds > 1 ? `${pass.rounds} rounds` : null,
    pass.tool !== "none" ? TOOL_WORDS[pass.tool] : null,
    wettedWords(pass, colours),
  ].filter(Boolean);
  const head = parts.length > 0 ? `${parts.join(" · ")}. ` : "";
  const text = `${head}${pass.note}`.trim();
  return text.charAt(0).toUpperCase() + text.slice(1);
}
