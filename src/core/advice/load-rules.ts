import type { ColourCard } from "../colour/colour-card";
import type { Coat } from "../schedule/coat";
import { partAt, type Advice, type Rule } from "./advice";
import { load } from "./words";

/** Without a data sheet: 5 % by mass for pastes and powders, 2 % for water- or solvent-borne colour (from memory, no source). */
const LARGEST_LOAD = { opaque: 5, metallic: 5, tint: 2, clear: 0 };

/** How much of each colourant is planned against the most that its card, or what is usual, allows: g to 100 g of mix. Without a limit none is told. */
export const loadsOf = (
  { colours }: Pick<Coat, "colours">,
  cardOf: (cardId: string) => Pick<ColourCard, "mostPer100G"> | undefined,
): { name: string; gPer100G: number; most: number }[] =>
  colours.flatMap(({ name, look, gPer100G, parts }) => {
    if (!parts) return LARGEST_LOAD[look] > 0 ? [{ name, gPer100G, most: LARGEST_LOAD[look] }] : [];
    return parts.flatMap((part) => {
      const most = cardOf(part.cardId)?.mostPer100G ?? null;
      return most === null || !(most > 0) ? [] : [{ name: part.name, gPer100G: part.gPer100G, most }];
    });
  });

export const loadTooLarge: Rule = ({ coats }) =>
  coats.flatMap(({ coat }) =>
    coat.colours
      // Mixed from the shelf, each colourant has the limit of its own card.
      .filter((colour) => !colour.parts && colour.gPer100G > LARGEST_LOAD[colour.look])
      .map((colour): Advice => ({
        rule: "load-too-large",
        coatId: coat.id,
        at: colour.id,
        ...(colour.look === "clear"
          ? load.ofClear(colour.name)
          : load.heavy(colour.name, colour.gPer100G, LARGEST_LOAD[colour.look])),
      })),
  );

/** Past what its card allows. */
export const overCardLimit: Rule = ({ coats, colourants }) =>
  coats.flatMap(({ coat }) =>
    coat.colours.flatMap((colour) =>
      (colour.parts ?? []).flatMap(({ cardId, name, gPer100G }): Advice[] => {
        const card = colourants.get(cardId);
        const most = card?.mostPer100G ?? null;
        if (!card || most === null || gPer100G <= most + 1e-9) return [];
        return [
          {
            rule: "over-card-limit",
            coatId: coat.id,
            at: partAt(colour.id, cardId),
            ...load.overCard(name, most, card.kind === "acrylic"),
          },
        ];
      }),
    ),
  );
