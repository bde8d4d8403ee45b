import { trimmed } from "../units/format-quantity";
import { partAt, type Advice, type Rule } from "./advice";

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
        what:
          colour.look === "clear"
            ? `${colour.name} is clear and has a dose.`
            : `${colour.gPer100G} g per 100 g is a heavy load for ${colour.name}.`,
        soWhat:
          colour.look === "clear"
            ? "Set the dose to 0 or change its look."
            : `Without a data sheet stay at or under ${LARGEST_LOAD[colour.look]} g: above it the mix may cure soft or curdle.`,
        kind: "common practice",
        why: "What is not resin does not cure. Pastes and powders are carried to about 5 % by mass, water- or solvent-borne colour to about 2 %; the product's data sheet comes first.",
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
        const water = card.kind === "acrylic";
        return [
          {
            rule: "over-card-limit",
            coatId: coat.id,
            at: partAt(colour.id, cardId),
            what: `More ${name} than its card allows: ${trimmed(most, 2)} g in 100 g.`,
            soWhat: water ? "The mix strings and curdles." : "The resin may stay soft.",
            kind: "data sheet",
            why: water
              ? "Acrylic paint is water-borne. A little makes an opaque, stiffer mix that stays where it is put; past its share the water breaks the resin into strings."
              : "What is not resin does not cure. The limit is the card's; change it there if the sheet says otherwise.",
          },
        ];
      }),
    ),
  );
