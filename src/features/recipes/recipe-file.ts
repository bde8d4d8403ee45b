import { RECIPE_FILE, type RecipeFile, type RecipeVersion } from "@/contracts/recipes";
import type { ColourCardFields } from "@/contracts/colour-card";
import type { ColourCard } from "@/core/colour/colour-card";
import type { ResinCard } from "@/core/cure/resin-card";
import type { RecipeDocument } from "@/core/recipe/recipe";

const cardIdsOf = (document: RecipeDocument): Set<string> =>
  new Set(
    document.coats.flatMap((coat) =>
      coat.colours.flatMap((colour) => (colour.parts ?? []).map((part) => part.cardId)),
    ),
  );

/** A version as a file, with all that it speaks of. Cards that are gone from the shelf are left out. */
export function recipeFileOf(
  name: string,
  version: Pick<RecipeVersion, "number" | "change" | "document">,
  colourants: readonly ColourCard[],
  resins: readonly ResinCard[],
): RecipeFile {
  const cardIds = cardIdsOf(version.document);
  const resinIds = new Set(version.document.coats.map((coat) => coat.resinCardId));
  const withoutId = ({ id: _id, ...fields }: ColourCard): ColourCardFields => fields;
  return {
    file: RECIPE_FILE,
    name,
    version: version.number,
    change: version.change,
    recipe: version.document,
    colourants: Object.fromEntries(
      colourants.filter(({ id }) => cardIds.has(id)).map((card) => [card.id, withoutId(card)]),
    ),
    resins: Object.fromEntries(
      resins.filter(({ id }) => resinIds.has(id)).map(({ id, name: resin }) => [id, { name: resin }]),
    ),
  };
}

export type Adoption = {
  /** What the shelf lacks, by the id that the file gives it. */
  missingColours: [id: string, fields: ColourCardFields][];
  /** Resins that the shop has no card of, by name. */
  missingResins: string[];
  /** The recipe with the shop's own cards. @param added ids of the colours that were added, by the file's ids */
  document: (added: ReadonlyMap<string, string>) => RecipeDocument;
};

/** A file read into a shop: its colourants and resins are found by name. */
export function adopt(
  file: RecipeFile,
  shelf: readonly Pick<ColourCard, "id" | "name">[],
  resins: readonly Pick<ResinCard, "id" | "name">[],
): Adoption {
  const byName = (list: readonly { id: string; name: string }[], name: string) =>
    list.find((named) => named.name.toLowerCase() === name.toLowerCase())?.id;
  const colours = new Map<string, string>();
  const missingColours: Adoption["missingColours"] = [];
  for (const [id, fields] of Object.entries(file.colourants)) {
    const known = byName(shelf, fields.name);
    if (known) colours.set(id, known);
    else missingColours.push([id, fields]);
  }
  const resinIds = new Map(
    Object.entries(file.resins).flatMap(([id, { name }]) => {
      const known = byName(resins, name);
      return known ? [[id, known] as const] : [];
    }),
  );
  const missingResins = [
    ...new Set(Object.entries(file.resins).flatMap(([id, { name }]) => (resinIds.has(id) ? [] : [name]))),
  ];
  return {
    missingColours,
    missingResins,
    document: (added) => ({
      ...file.recipe,
      coats: file.recipe.coats.map((coat) => ({
        ...coat,
        resinCardId: coat.resinCardId === null ? null : (resinIds.get(coat.resinCardId) ?? null),
        colours: coat.colours.map((colour) =>
          colour.parts
            ? {
                ...colour,
                parts: colour.parts.map((part) => ({
                  ...part,
                  cardId: colours.get(part.cardId) ?? added.get(part.cardId) ?? part.cardId,
                })),
              }
            : colour,
        ),
      })),
    }),
  };
}
