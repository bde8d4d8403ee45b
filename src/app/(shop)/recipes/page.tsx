import type { Metadata } from "next";
import { recipesInShop, removedRecipes } from "@/features/recipes/queries";
import { RecipesView } from "@/features/recipes/recipes-view";
import { listColours } from "@/features/colours/queries";
import { Header } from "@/features/shell/header";
import { requirePerson } from "@/server/require-person";
import { OnlyInBrowser } from "@/ui/only-in-browser";

export const metadata: Metadata = { title: "Recipes" };

export default async function RecipesPage() {
  const person = await requirePerson();
  const [recipes, colours] = await Promise.all([recipesInShop(person), listColours(person)]);
  return (
    <>
      <Header person={person} />
      <div className="flex-1 overflow-y-auto max-lg:overflow-visible">
        <OnlyInBrowser>
          <RecipesView
            recipes={recipes}
            colours={colours}
            removed={await removedRecipes(person)}
            canRemove={person.role === "owner"}
          />
        </OnlyInBrowser>
      </div>
    </>
  );
}
