import type { Person } from "@/contracts/people";
import type { OpenRecipe, RecipeFile, RecipeSummary } from "@/contracts/recipes";
import type { ColourCard } from "@/core/colour/colour-card";
import type { ResinCard } from "@/core/cure/resin-card";
import type { Removed } from "@/core/shop/removed";
import { database } from "@/server/database";
import { colourCardsOf } from "@/server/repositories/colour-cards";
import { recipesOf } from "@/server/repositories/recipes";
import { resinCardsOf } from "@/server/repositories/resin-cards";
import { recipeFileOf } from "./recipe-file";

export const recipesInShop = (person: Person): Promise<RecipeSummary[]> =>
  recipesOf(database(), person).list();

export const removedRecipes = (person: Person): Promise<Removed[]> => recipesOf(database(), person).removed();

/** A recipe with the cards that it is foretold by. */
export async function recipeWithCards(
  person: Person,
  recipeId: string,
): Promise<{ recipe: OpenRecipe; colours: ColourCard[]; resins: ResinCard[] }> {
  const db = database();
  const [recipe, colours, resins] = await Promise.all([
    recipesOf(db, person).open(recipeId),
    colourCardsOf(db, person).list(),
    resinCardsOf(db, person).list(),
  ]);
  return { recipe, colours, resins };
}

/** One version as a file. */
export async function fileOfVersion(person: Person, versionId: string): Promise<RecipeFile> {
  const db = database();
  const [version, colours, resins] = await Promise.all([
    recipesOf(db, person).version(versionId),
    colourCardsOf(db, person).list(),
    resinCardsOf(db, person).list(),
  ]);
  return recipeFileOf(version.name, version, colours, resins);
}
