import { partAt, type Advice, type Rule } from "./advice";
import { load } from "./words";

/** Without a data sheet: 5 % by mass for pastes and powders, 2 % for water- or solvent-borne colour (from memory, no source). */
const LARGEST_LOAD = { opaque: 5, metallic: 5, tint: 2, clear: 0 };

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
