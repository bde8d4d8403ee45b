import { copyName } from "../units/copy-name";
import { atStrength, MOST_G_PER_100G, type CoatColour } from "../batch/coat-colour";
import { USUAL_MEASURE, type DoseMeasure } from "../batch/dose";
import type { GivenAmount } from "../batch/given";
import { moveShare, sharesOfVolumes, withoutShare } from "../batch/shares";
import { COVER_BOUNDS, FILM_BOUNDS, type Coat } from "./coat";

/**
 * Edits of what is given of a coat's amount. Each takes the coat as it came out, with the film and the shares that followed, so that what was
 * worked out stays when something else is given.
 */

const clamped = (value: number, { min, max }: { min: number; max: number }) =>
  Math.min(max, Math.max(min, value));

/**
 * A coat as it came out and was edited, within what a document may hold. What followed may lie beyond it, as the film of a drum of resin on a
 * coaster; while that follows from what is given, the film, share or strength that is kept is only where the next working out begins.
 */
export function keepable(coat: Coat): Coat {
  const { filmByPieceMm } = coat;
  return {
    ...coat,
    filmMm: clamped(coat.filmMm, FILM_BOUNDS),
    coverShare: clamped(coat.coverShare, COVER_BOUNDS),
    ...(filmByPieceMm
      ? {
          filmByPieceMm: Object.fromEntries(
            Object.entries(filmByPieceMm).map(([id, filmMm]) => [id, clamped(filmMm, FILM_BOUNDS)]),
          ),
        }
      : {}),
    colours: coat.colours.map((colour) => ({
      ...(colour.gPer100G > MOST_G_PER_100G ? atStrength(colour, MOST_G_PER_100G) : colour),
      share: clamped(colour.share, { min: 0, max: 1 }),
    })),
  };
}

/** The film is given; what is mixed follows. Cups that were given beside it hold, unless all were. */
export function giveFilm(coat: Coat, filmMm: number): Coat {
  const { given: _given, ...rest } = coat;
  const all = coat.colours.every(({ givenMl }) => givenMl !== undefined);
  return { ...rest, filmMm, colours: all ? coat.colours.map(freeCup) : coat.colours };
}

/** What is mixed is given; the film follows. */
export const giveAmount = (coat: Coat, given: GivenAmount): Coat => ({ ...coat, given });

/** A cup's volume is given; once all cups are, the film follows from them. */
export function giveCup(coat: Coat, colourId: string, ml: number): Coat {
  const colours = coat.colours.map((colour) =>
    colour.id === colourId ? { ...colour, givenMl: ml } : colour,
  );
  const all = colours.every(({ givenMl }) => givenMl !== undefined);
  return { ...coat, colours, ...(all && !coat.given ? { given: { by: "cups" as const } } : {}) };
}

/** A cup gives way again; what followed from the cups is then given by the film, as it is. */
export function giveCupFree(coat: Coat, colourId: string): Coat {
  const colours = coat.colours.map((colour) => (colour.id === colourId ? freeCup(colour) : colour));
  return withoutIdleCups({ ...coat, colours });
}

export const freeAllCups = (coat: Coat): Coat =>
  withoutIdleCups({ ...coat, colours: coat.colours.map(freeCup) });

/** A share is moved: its own cup is free then, given and locked ones hold. */
export function giveShare(coat: Coat, colourId: string, share: number): Coat {
  const held = coat.colours.map((colour) => ({
    ...colour,
    locked: colour.locked || (colour.givenMl !== undefined && colour.id !== colourId),
  }));
  const shares = moveShare(held, colourId, share);
  return withoutIdleCups({
    ...coat,
    colours: coat.colours.map((colour, at) => ({
      ...(colour.id === colourId ? freeCup(colour) : colour),
      share: shares[at]?.share ?? colour.share,
    })),
  });
}

/** All cups by parts, in their order; all that is mixed stays given where it was. */
export function giveParts(coat: Coat, parts: readonly number[]): Coat {
  const shares = sharesOfVolumes(parts);
  return withoutIdleCups({
    ...coat,
    colours: coat.colours.map((colour, at) => ({
      ...freeCup(colour),
      locked: false,
      share: shares[at] ?? 0,
    })),
  });
}

/** What every cup holds is given: the film follows. */
export const giveCups = (coat: Coat, ml: readonly number[]): Coat => ({
  ...coat,
  given: { by: "cups" },
  colours: coat.colours.map((colour, at) => ({ ...colour, givenMl: ml[at] ?? 0 })),
});

export const giveEqual = (coat: Coat): Coat =>
  giveParts(
    coat,
    coat.colours.map(() => 1),
  );

/** A colour is taken out, and with the last cup that was given the film is given as it is. */
export const withoutColour = (coat: Coat, colourId: string): Coat =>
  withoutIdleCups({ ...coat, colours: withoutShare(coat.colours, colourId) });

/** How many drops, level spoons or grams go into each cup of a colour; null for a strength by mass again. */
export const giveCupDose = (coat: Coat, colourId: string, count: number | null): Coat => ({
  ...coat,
  colours: coat.colours.map((colour) => {
    if (colour.id !== colourId) return colour;
    const { cupDose: _before, ...rest } = colour;
    return count === null ? rest : { ...rest, cupDose: count };
  }),
});

/** What goes into each cup of every colour that is coloured. */
export const giveEachCup = (coat: Coat, count: number, unit: DoseMeasure["unit"]): Coat => ({
  ...coat,
  colours: coat.colours.map((colour) =>
    colour.look === "clear"
      ? colour
      : {
          ...colour,
          cupDose: count,
          measure: colour.measure.unit === unit ? colour.measure : USUAL_MEASURE[unit],
        },
  ),
});

/** The strength by mass is given; a dose of each cup is not, then. */
export const giveStrength = (coat: Coat, colourId: string, gPer100G: number): Coat => {
  const { colours, ...rest } = giveCupDose(coat, colourId, null);
  return {
    ...rest,
    colours: colours.map((colour) => (colour.id === colourId ? { ...colour, gPer100G } : colour)),
  };
};

function freeCup(colour: CoatColour): CoatColour {
  const { givenMl: _given, ...rest } = colour;
  return rest;
}

/** Cups that none is given of say nothing any more: the film does. */
function withoutIdleCups(coat: Coat): Coat {
  if (coat.given?.by !== "cups" || coat.colours.some(({ givenMl }) => givenMl !== undefined)) return coat;
  const { given: _given, ...rest } = coat;
  return rest;
}

/** The most colours that a coat has. */
export const MOST_COLOURS = 12;

/**
 * One colour in several products, each with its own load and thinning: a paint, a mica and an ink of one blue. They share what it had, cup and
 * all, and lie next to each other in the order of pouring; passes that use it use them.
 */
export function splitColour(coat: Coat, colourId: string, many: number, newId: () => string): Coat {
  const at = coat.colours.findIndex(({ id }) => id === colourId);
  const colour = coat.colours[at];
  const pieces = Math.min(many, MOST_COLOURS - coat.colours.length + 1);
  if (!colour || pieces < 2) return coat;
  const names = coat.colours.map(({ name }) => name);
  const products = Array.from({ length: pieces }, (_, index): CoatColour => {
    const name = index === 0 ? colour.name : copyName(colour.name, names);
    names.push(name);
    return {
      ...structuredClone(colour),
      id: index === 0 ? colour.id : newId(),
      name,
      share: colour.share / pieces,
      ...(colour.givenMl === undefined ? {} : { givenMl: colour.givenMl / pieces }),
    };
  });
  const ids = products.map(({ id }) => id);
  return {
    ...coat,
    colours: coat.colours.flatMap((other, index) => (index === at ? products : [other])),
    passes: coat.passes.map((pass) => ({
      ...pass,
      ...(pass.colourIds?.includes(colourId) && {
        colourIds: pass.colourIds.flatMap((id) => (id === colourId ? ids : [id])),
      }),
      ...(pass.toolWetWith === colourId && ids[0] !== undefined && { toolWetWith: ids[0] }),
    })),
  };
}
