"use client";

import Link from "next/link";
import { useMemo, useState } from "react";
import { callAct } from "@/contracts/call-act";
import { removeRecipe, type RecipeSummary } from "@/contracts/recipes";
import type { Removed } from "@/core/shop/removed";
import { DeletedLately } from "@/ui/deleted-lately";
import type { ColourCard } from "@/core/colour/colour-card";
import { Button } from "@/ui/button";
import { ShopPicture } from "@/ui/shop-picture";
import { CoatBands } from "@/ui/coat-bands";
import { TextField } from "@/ui/text-field";
import { ReadRecipeDialog } from "./read-recipe";
import { recipeLook } from "./recipe-look";
import { useShopClock } from "@/ui/shop-clock";

const counted = (count: number, one: string, many: string) => `${count} ${count === 1 ? one : many}`;

/** The shop's recipes: what each looks like, its newest version, and whether a board of it was approved. */
export function RecipesView({
  recipes,
  colours,
  removed,
  canRemove,
}: {
  recipes: RecipeSummary[];
  colours: ColourCard[];
  removed: Removed[];
  canRemove: boolean;
}) {
  const [search, setSearch] = useState("");
  const [reading, setReading] = useState(false);
  const words = search.trim().toLowerCase();
  const shown = recipes.filter(({ name, latest }) =>
    `${name} ${latest.change}`.toLowerCase().includes(words),
  );
  return (
    <main className="px-7 max-sm:px-4 py-6">
      <div className="flex items-end gap-5 mb-5 flex-wrap">
        <h1 className="heading text-2xl mr-auto">Recipes</h1>
        {recipes.length > 0 && (
          <TextField
            label="Search name and changes"
            type="search"
            value={search}
            onChange={(event) => setSearch(event.target.value)}
            frame="w-60"
          />
        )}
        <Button onClick={() => setReading(true)}>Read a recipe file</Button>
      </div>
      {recipes.length === 0 && (
        <div className="border-t border-ink pt-8 max-w-xl">
          <p className="heading text-xl mb-2">No recipe yet.</p>
          <p className="text-ink-soft">
            A recipe is a build without a size. Open a job whose coats you want to keep, and in Build choose
            “Keep it as a recipe”. Pour a board of it, let the client approve the board, and make jobs of any
            size from it.
          </p>
        </div>
      )}
      {recipes.length > 0 && shown.length === 0 && (
        <p className="border-t border-ink pt-6 text-ink-soft">
          No recipe has “{search}” in its name or changes.
        </p>
      )}
      {shown.map((recipe) => (
        <Row key={recipe.id} recipe={recipe} colours={colours} />
      ))}
      {canRemove && (
        <DeletedLately
          removed={removed}
          onBack={async (recipeId) => {
            const result = await callAct(removeRecipe, { recipeId, removed: false });
            return result.ok ? null : result.error.message;
          }}
        />
      )}
      {reading && <ReadRecipeDialog onClose={() => setReading(false)} />}
    </main>
  );
}

function Row({ recipe, colours }: { recipe: RecipeSummary; colours: ColourCard[] }) {
  const { say } = useShopClock();
  const { bands, groundHex, average } = useMemo(
    () => recipeLook(recipe.latest.document, colours),
    [recipe.latest.document, colours],
  );
  const { approved } = recipe;
  return (
    <Link
      prefetch={false}
      href={`/recipes/${recipe.id}`}
      className="grid grid-cols-[230px_92px_1fr_190px_92px] max-lg:grid-cols-[150px_1fr] gap-6 items-center border-t border-line first-of-type:border-ink py-4 hover:bg-paper group"
    >
      <CoatBands
        coats={bands}
        groundHex={groundHex}
        width={230}
        height={76}
        label={`${recipe.name}, its coats as bands`}
      />
      <div
        role="img"
        aria-label={`${recipe.name} from some steps back`}
        className="h-[78px] border border-ink max-lg:hidden"
        style={{ background: average.hex }}
      />
      <div className="min-w-0">
        <div className="heading text-xl group-hover:underline underline-offset-4">{recipe.name}</div>
        <div className="mt-0.5">
          <span className="font-semibold">Version {recipe.latest.number}</span>{" "}
          <span className="text-ink-soft">{recipe.latest.change || "as it was"}</span>
        </div>
        <div className="label mt-0.5">
          {recipe.latest.madeBy}, {say(recipe.changedAt, "d MMM yyyy")}
        </div>
      </div>
      <div className="max-lg:hidden">
        {approved ? (
          <>
            <div className="font-semibold">Board {approved.number} approved</div>
            <div className="label">
              version {approved.versionNumber}
              {approved.versionNumber === recipe.latest.number ? "" : ", not the newest"}
            </div>
          </>
        ) : (
          <div className="text-ink-soft">no board approved yet</div>
        )}
        <div className="label">
          {counted(recipe.versions, "version", "versions")}, {counted(recipe.boards, "board", "boards")},{" "}
          {counted(recipe.jobs, "job", "jobs")}
        </div>
      </div>
      <div className="h-[78px] border border-line max-lg:hidden">
        {approved?.pictureId && (
          <ShopPicture pictureId={approved.pictureId} alt={`Board ${approved.number}`} small />
        )}
      </div>
    </Link>
  );
}
