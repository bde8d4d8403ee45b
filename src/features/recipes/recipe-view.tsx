"use client";

import { useRouter } from "next/navigation";
import { useState } from "react";
import { callAct } from "@/contracts/call-act";
import { removeRecipe, renameRecipe, type OpenRecipe } from "@/contracts/recipes";
import type { ColourCard } from "@/core/colour/colour-card";
import type { ResinCard } from "@/core/cure/resin-card";
import type { UnitSystem } from "@/core/units/dimension";
import { Button } from "@/ui/button";
import { Dialog } from "@/ui/dialog";
import { Menu, MenuItem } from "@/ui/menu";
import { TextField } from "@/ui/text-field";
import { CompareVersions } from "./compare-versions";
import { VersionTree } from "./version-tree";
import { VersionView } from "./version-view";

/** One recipe: the tree of its versions beside the one that is picked, or two of them side by side. */
export function RecipeView({
  recipe,
  colours,
  resins,
  system,
  canRemove,
}: {
  recipe: OpenRecipe;
  colours: ColourCard[];
  resins: ResinCard[];
  system: UnitSystem;
  canRemove: boolean;
}) {
  const router = useRouter();
  const newest = recipe.versions.at(-1);
  const [pickedId, setPickedId] = useState(newest?.id ?? "");
  const [besideId, setBesideId] = useState<string | null>(null);
  const [naming, setNaming] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const version = recipe.versions.find(({ id }) => id === pickedId) ?? newest;
  const beside = recipe.versions.find(({ id }) => id === besideId);
  if (!version) return null;
  const shared = { colours, resins, system };
  const remove = async () => {
    const result = await callAct(removeRecipe, { recipeId: recipe.id });
    if (result.ok) router.push("/recipes");
    else setProblem(result.error.message);
  };

  return (
    <main className="flex-1 flex min-h-0 max-lg:flex-col">
      <section
        aria-label="Recipe"
        className="w-[400px] max-lg:w-full shrink-0 border-r border-line px-7 pt-5 pb-8 overflow-y-auto"
      >
        <div className="flex items-baseline justify-between gap-3 mb-4">
          <h1 className="heading text-2xl min-w-0">{recipe.name}</h1>
          <Menu label="more">
            <MenuItem onSelect={() => setNaming(true)}>Rename</MenuItem>
            {canRemove && (
              <MenuItem danger onSelect={() => void remove()}>
                Take it off the list
              </MenuItem>
            )}
          </Menu>
        </div>
        {problem && (
          <p role="alert" className="text-danger border-l-2 border-danger pl-2 mb-3">
            {problem}
          </p>
        )}
        <VersionTree
          versions={recipe.versions}
          boards={recipe.boards}
          pickedId={version.id}
          besideId={besideId}
          onPick={setPickedId}
        />
      </section>
      <section aria-label="Version" className="flex-1 min-w-0 px-7 pt-5 pb-8 overflow-y-auto">
        {beside && beside.id !== version.id ? (
          <CompareVersions left={beside} right={version} {...shared} onClose={() => setBesideId(null)} />
        ) : (
          <VersionView
            key={version.id}
            recipe={recipe}
            version={version}
            {...shared}
            onBeside={setBesideId}
          />
        )}
      </section>
      {naming && (
        <Rename
          recipe={recipe}
          onClose={() => setNaming(false)}
          onSaved={() => {
            setNaming(false);
            router.refresh();
          }}
        />
      )}
    </main>
  );
}

function Rename({
  recipe,
  onClose,
  onSaved,
}: {
  recipe: OpenRecipe;
  onClose: () => void;
  onSaved: () => void;
}) {
  const [name, setName] = useState(recipe.name);
  const [error, setError] = useState<string | null>(null);
  return (
    <Dialog open onClose={onClose} title="Rename the recipe">
      <form
        method="post"
        onSubmit={async (event) => {
          event.preventDefault();
          const result = await callAct(renameRecipe, { recipeId: recipe.id, name });
          if (result.ok) onSaved();
          else setError(result.error.message);
        }}
      >
        <TextField
          label="Name"
          autoFocus
          value={name}
          maxLength={80}
          error={error}
          onChange={(event) => setName(event.target.value)}
        />
        <Button type="submit" weight="primary" className="mt-4">
          Save
        </Button>
      </form>
    </Dialog>
  );
}
