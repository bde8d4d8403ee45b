import { mixedFrom, type CoatColour, type ColourLook, type ColourPart } from "../batch/coat-colour";
import type { ColourCard, ColourKind } from "../colour/colour-card";
import { mixLook } from "../colour/mix-look";
import { mixPartsOf, typedSpectrum, type CoatLooks } from "./colour-plan";

/** What a colourant begins with, g in 100 g (common practice, no source). */
const FIRST_DOSE: Record<ColourKind, number> = {
  paste: 2,
  mica: 1.6,
  dye: 0.2,
  "alcohol-ink": 0.3,
  acrylic: 3,
  "spray-paint": 1,
  glitter: 5,
};
/** What is held back of a colour that is added, as a share of what is laid. */
const RESERVE = 0.08;

type Cards = ReadonlyMap<string, ColourCard>;
/** The film a colour lies in, mm, and what is under it. */
export type FilmUnder = { filmMm: number; under: Pick<CoatLooks["under"], "internal"> };

/** A colourant of the shelf in a mix, with its first dose, within what its card allows. */
export const partOfCard = ({ id, name, kind, mostPer100G, measure }: ColourCard): ColourPart => ({
  cardId: id,
  name,
  gPer100G: Math.min(FIRST_DOSE[kind], mostPer100G ?? Infinity),
  measure,
});

/** How a mix looks in words that the drawings go by. */
function lookOfParts(parts: readonly ColourPart[], cards: Cards): ColourLook {
  const all = parts.flatMap((part) => cards.get(part.cardId) ?? []);
  if (all.length === 0) return "clear";
  if (all.some((card) => card.appearance.by === "flakes")) return "metallic";
  return all.every((card) => card.appearance.by === "dye") ? "tint" : "opaque";
}

/** A colour mixed of these colourants, drawn as it will look in its film. */
export function remixed(
  colour: CoatColour,
  parts: readonly ColourPart[],
  cards: Cards,
  { filmMm, under }: FilmUnder,
): CoatColour {
  const mixed = mixedFrom(colour, parts);
  const { hex } = mixLook(mixPartsOf(mixed, cards), filmMm, under.internal);
  return { ...mixed, hex: parts.length > 0 ? hex : colour.hex, look: lookOfParts(parts, cards) };
}

/** A new colour of a coat from a colourant of the shelf. */
export const colourFromCard = (card: ColourCard, id: string, share: number, film: FilmUnder): CoatColour =>
  remixed(
    {
      id,
      name: card.name,
      hex: "#808080",
      look: "opaque",
      share,
      locked: false,
      reserve: RESERVE,
      gPer100G: 0,
      measure: { unit: "gram" },
    },
    [partOfCard(card)],
    new Map([[card.id, card]]),
    film,
  );

/** How a colourant looks in a film of a millimetre over white, with its first dose. */
export const swatchHex = (card: ColourCard): string =>
  colourFromCard(card, card.id, 1, { filmMm: 1, under: typedSpectrum("#ffffff") }).hex;
