import type { CoatColour } from "./coat-colour";
import type { Section } from "./sections";

/** A place of a coat as its colours see it: a piece or one of its zones, and how much it takes of the coat. */
export type ColourPlace = { pieceId: string; zoneId: string | null; needMl: number; count: number };

type Placed = Pick<CoatColour, "share" | "placeIds">;

/** Whether a colour goes on a place: named by its piece or by its zone; everywhere where none is named. */
export const goesOn = (
  { placeIds }: Pick<CoatColour, "placeIds">,
  { pieceId, zoneId }: Pick<ColourPlace, "pieceId" | "zoneId">,
): boolean =>
  placeIds === undefined || placeIds.includes(pieceId) || (zoneId !== null && placeIds.includes(zoneId));

/** Shares of the colours on one place: those that go there share it as their shares say; all 0 where none does. */
export function sharesOn(
  colours: readonly Placed[],
  place: Pick<ColourPlace, "pieceId" | "zoneId">,
): number[] {
  const here = colours.map((colour) => (goesOn(colour, place) ? colour.share : 0));
  const sum = here.reduce((total, share) => total + share, 0);
  return here.map((share) => (sum > 0 ? share / sum : 0));
}

/** Whether any colour of a coat goes on some of its places only. */
export const isPlaced = (colours: readonly Placed[]): boolean =>
  colours.some(({ placeIds }) => placeIds !== undefined);

/**
 * Shares of the whole coat that its colours come to: on each place as they share it there, by what the places take. They sum to one where
 * every place has a colour.
 */
export function sharesOverPlaces(colours: readonly Placed[], places: readonly ColourPlace[]): number[] {
  const total = places.reduce((sum, { needMl, count }) => sum + needMl * count, 0);
  const shares = colours.map(() => 0);
  if (!(total > 0)) return shares;
  for (const place of places)
    sharesOn(colours, place).forEach((share, n) => {
      shares[n] = (shares[n] ?? 0) + (share * place.needMl * place.count) / total;
    });
  return shares;
}

/** How much of the places' volume a section covers, ml. */
const sectionMl = (section: Section, places: readonly ColourPlace[]): number => {
  const place = places.find(
    ({ pieceId, zoneId }) => pieceId === section.pieceId && zoneId === section.zoneId,
  );
  return place ? place.needMl * section.copies * (section.toShare - section.fromShare) : 0;
};

/**
 * What part of all of each colour goes into each batch, by the places that the batch covers: `[batch][colour]`, each colour's parts sum to one.
 * A colour that goes nowhere is dealt as the batches are.
 */
export function dealColours(
  colours: readonly Placed[],
  places: readonly ColourPlace[],
  batches: readonly { sections: readonly Section[]; share: number }[],
): number[][] {
  const takes = batches.map(({ sections }) =>
    colours.map((_, n) =>
      sections.reduce(
        (sum, section) => sum + sectionMl(section, places) * (sharesOn(colours, section)[n] ?? 0),
        0,
      ),
    ),
  );
  return batches.map(({ share }, batch) =>
    colours.map((_, n) => {
      const all = takes.reduce((sum, row) => sum + (row[n] ?? 0), 0);
      return all > 0 ? (takes[batch]?.[n] ?? 0) / all : share;
    }),
  );
}
