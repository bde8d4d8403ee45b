import type { CoatColour } from "../batch/coat-colour";
import type { UnitSystem } from "../units/dimension";
import { quantityText, trimmed } from "../units/format-quantity";
import { differencesOf } from "../job/describe-changes";
import type { RecipeCoat, RecipeDocument } from "./recipe";
import { nth } from "../numerics/nth";

/** Below this a share is told as unchanged. */
const SHARE_STEP = 0.0005;

type Named = { id: string; name: string };

const percent = (share: number) => trimmed(share * 100, 1);
const added = <Item extends Named>(before: readonly Item[], after: readonly Item[]) =>
  after.filter((item) => !before.some((was) => was.id === item.id));
const kept = <Item extends Named>(before: readonly Item[], after: readonly Item[]): [Item, Item][] =>
  after.flatMap((item) => {
    const was = before.find((earlier) => earlier.id === item.id);
    return was ? [[was, item] as [Item, Item]] : [];
  });

/**
 * What moved in an order, told by the fewest names: those outside the longest run that kept its order.
 * First and last are said as such.
 */
export function orderWords(before: readonly Named[], after: readonly Named[]): string[] {
  const places = new Map(before.map((item, place) => [item.id, place]));
  const common = after.filter((item) => places.has(item.id));
  const from = common.map((item) => places.get(item.id) as number);
  // Longest increasing run ending at each place; lists are a dozen long at most.
  const runs: number[][] = [];
  from.forEach((place, at) => {
    let best: number[] = [];
    for (let earlier = 0; earlier < at; earlier += 1)
      if (nth(from, earlier) < place && (runs[earlier] as number[]).length > best.length)
        best = runs[earlier] as number[];
    runs.push([...best, at]);
  });
  const still = new Set(runs.reduce((most, run) => (run.length > most.length ? run : most), []));
  return common.flatMap((item, at) => {
    if (still.has(at)) return [];
    if (at === common.length - 1) return [`${item.name} last`];
    return [at === 0 ? `${item.name} first` : `${item.name} after ${common[at - 1]?.name}`];
  });
}

function colourChanges(before: readonly CoatColour[], after: readonly CoatColour[]): string[] {
  return [
    ...added(before, after).map((colour) => `${colour.name} added, ${percent(colour.share)} %`),
    ...added(after, before).map((colour) => `${colour.name} left out`),
    ...kept(before, after).flatMap(([was, is]) => {
      const by = is.share - was.share;
      if (Math.abs(by) < SHARE_STEP) return [];
      return [
        `${percent(Math.abs(by))} points ${by < 0 ? "less" : "more"} ${is.name} (${percent(was.share)} to ${percent(is.share)} %)`,
      ];
    }),
    ...orderWords(before, after),
    ...kept(before, after).flatMap(([was, is]) => doseChanges(was, is)),
  ];
}

/** Grams of each colourant in 100 g of a colour, by name. */
const dosesOf = (colour: CoatColour): [string, number][] =>
  colour.parts
    ? colour.parts.map((part) => [part.name, part.gPer100G])
    : colour.gPer100G > 0
      ? [[colour.name, colour.gPer100G]]
      : [];

function doseChanges(was: CoatColour, is: CoatColour): string[] {
  const [before, after] = [new Map(dosesOf(was)), new Map(dosesOf(is))];
  return [...new Set([...before.keys(), ...after.keys()])].flatMap((name) => {
    const [from, to] = [before.get(name) ?? 0, after.get(name) ?? 0];
    if (Math.abs(from - to) < 1e-9) return [];
    const into = name === is.name ? "" : ` in ${is.name}`;
    return [`${name}${into} ${trimmed(from, 3)} to ${trimmed(to, 3)} g per 100 g`];
  });
}

function coatChanges(was: RecipeCoat, is: RecipeCoat, system: UnitSystem): string[] {
  const film = (mm: number) => quantityText(mm, "film", system);
  const rest = (coat: RecipeCoat) => {
    const { colours: _told, filmMm: _film, ...others } = coat;
    return {
      ...others,
      // Of a colour, what was not told above.
      colours: coat.colours.map(
        ({ share: _share, gPer100G: _dose, parts: _parts, hex: _hex, measure: _measure, ...other }) => other,
      ),
    };
  };
  const [before, after] = [rest(was), rest(is)];
  // Orders and comings and goings are told above.
  const still = new Set(kept(was.colours, is.colours).map(([colour]) => colour.id));
  after.colours = after.colours.filter((colour) => still.has(colour.id));
  before.colours = after.colours.flatMap(
    (colour) => before.colours.find((earlier) => earlier.id === colour.id) ?? [],
  );
  return [
    ...colourChanges(was.colours, is.colours),
    ...(Math.abs(was.filmMm - is.filmMm) > 1e-6 ? [`film ${film(was.filmMm)} to ${film(is.filmMm)}`] : []),
    ...differencesOf(before, after, system).map(({ where, before: from, after: to }) =>
      from === "none" ? `${to} added` : to === "none" ? `${from} left out` : `${where}: ${from} to ${to}`,
    ),
  ];
}

/** What changed between two versions of a recipe, in words of the bench; empty when nothing did. */
export function recipeChanges(before: RecipeDocument, after: RecipeDocument, system: UnitSystem): string[] {
  const several = after.coats.length > 1;
  const { coats: beforeCoats, ...beforeRest } = before;
  const { coats: afterCoats, ...afterRest } = after;
  return [
    ...added(beforeCoats, afterCoats).map((coat) => `${coat.name} added`),
    ...added(afterCoats, beforeCoats).map((coat) => `${coat.name} left out`),
    ...orderWords(beforeCoats, afterCoats),
    ...kept(beforeCoats, afterCoats).flatMap(([was, is]) =>
      coatChanges(was, is, system).map((change) => (several ? `${is.name}: ${change}` : change)),
    ),
    ...differencesOf(beforeRest, afterRest, system).map(
      ({ where, before: from, after: to }) => `${where}: ${from} to ${to}`,
    ),
  ];
}
