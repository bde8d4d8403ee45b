import type { Metadata } from "next";
import { recipeWithCards } from "@/features/recipes/queries";
import { RecipeView } from "@/features/recipes/recipe-view";
import { Header } from "@/features/shell/header";
import { orNotFound } from "@/server/or-not-found";
import { requirePerson } from "@/server/require-person";
import { OnlyInBrowser } from "@/ui/only-in-browser";

export const metadata: Metadata = { title: "Recipe" };

export default async function RecipePage({ params }: { params: Promise<{ recipeId: string }> }) {
  const person = await requirePerson();
  const { recipe, colours, resins } = await orNotFound(recipeWithCards(person, (await params).recipeId));
  return (
    <>
      <Header person={person} />
      <OnlyInBrowser>
        <RecipeView
          recipe={recipe}
          colours={colours}
          resins={resins}
          system={person.units}
          canRemove={person.role === "owner"}
        />
      </OnlyInBrowser>
    </>
  );
}
