import { GROUNDS } from "@/core/batch/grounds";
import type { ColourCard } from "@/core/colour/colour-card";
import { colourPlan, patternOf, type ColourLooks, type ColourPlan } from "@/core/plan/colour-plan";
import type { RecipeDocument } from "@/core/recipe/recipe";
import type { BandCoat } from "@/ui/coat-bands";

/** How the colours of a recipe are foretold to look, as bands, and the finished top from some steps back. */
export function recipeLook(document: RecipeDocument, colours: readonly ColourCard[]) {
  const looks = colourPlan(document, colours);
  const pattern = patternOf(looks);
  return {
    looks,
    pattern,
    average: looks.finished,
    bands: bandsOf(looks),
    groundHex: GROUNDS[document.ground].hex,
  };
}

/** A colour by itself: lit where it shimmers; clear as the resin it is, not as what is seen through it. */
export const swatchOf = ({ colour, look, hex }: ColourLooks): readonly string[] =>
  colour.look === "clear" && !colour.parts ? [colour.hex] : (look?.swatch ?? [hex]);

const bandsOf = (looks: ColourPlan): BandCoat[] =>
  looks.coats.map(({ coat, colours }) => ({
    id: coat.id,
    filmMm: coat.filmMm,
    coverShare: coat.coverShare,
    colours: colours.map((looks) => ({
      id: looks.colour.id,
      share: looks.colour.share,
      swatch: swatchOf(looks),
    })),
  }));
