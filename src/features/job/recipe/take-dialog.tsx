"use client";

import { useEffect, useState } from "react";
import { callAct } from "@/contracts/call-act";
import { listRecipes, openRecipe, type OpenRecipe, type RecipeSummary } from "@/contracts/recipes";
import { withRecipe } from "@/core/recipe/recipe";
import { Button } from "@/ui/button";
import { Dialog } from "@/ui/dialog";
import { SelectField } from "@/ui/text-field";
import { newId } from "../workspace/edits";
import { useJob } from "../workspace/use-job";

/** Takes the coats of a recipe version in place of those of this job. */
export function TakeDialog({ onClose }: { onClose: () => void }) {
  const { change } = useJob();
  const [recipes, setRecipes] = useState<RecipeSummary[] | null>(null);
  const [recipe, setRecipe] = useState<OpenRecipe | null>(null);
  const [versionId, setVersionId] = useState("");
  const [problem, setProblem] = useState<string | null>(null);

  useEffect(() => {
    let here = true;
    void callAct(listRecipes, {}).then((result) => {
      if (!here) return;
      if (result.ok) setRecipes(result.value);
      else setProblem(result.error.message);
    });
    return () => {
      here = false;
    };
  }, []);

  const pick = async (recipeId: string) => {
    const result = await callAct(openRecipe, { recipeId });
    if (!result.ok) return setProblem(result.error.message);
    const { versions, boards } = result.value;
    setRecipe(result.value);
    // What a client approved comes first; without that, the newest.
    const approved = boards.find((board) => board.decision === "approved");
    setVersionId(approved?.versionId ?? versions.at(-1)?.id ?? "");
  };
  const version = recipe?.versions.find(({ id }) => id === versionId);
  const board = recipe?.boards.find(
    (shown) => shown.versionId === versionId && shown.decision === "approved",
  );

  return (
    <Dialog open onClose={onClose} title="Take a recipe">
      {problem && (
        <p role="alert" className="border-l-2 border-danger text-danger pl-2 mb-3">
          {problem}
        </p>
      )}
      {recipes?.length === 0 && (
        <p className="text-ink-soft">The shop has no recipe yet. Keep the coats of a job as one.</p>
      )}
      {recipes && recipes.length > 0 && (
        <div className="flex flex-col gap-4">
          <SelectField
            label="Recipe"
            value={recipe?.id ?? ""}
            onChange={(event) => void pick(event.target.value)}
          >
            <option value="">choose one</option>
            {recipes.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </SelectField>
          {recipe && version && (
            <>
              <SelectField
                label="Version"
                value={versionId}
                onChange={(event) => setVersionId(event.target.value)}
              >
                {[...recipe.versions].reverse().map(({ id, number, change: what }) => {
                  const approved = recipe.boards.find(
                    (board) => board.versionId === id && board.decision === "approved",
                  );
                  return (
                    <option key={id} value={id}>
                      {number}
                      {approved ? `, board ${approved.number} approved` : ""}
                      {what ? `: ${what}` : ""}
                    </option>
                  );
                })}
              </SelectField>
              <p className="text-sm">{version.document.coats.map((coat) => coat.name).join(" → ")}</p>
              <Button
                weight="primary"
                className="self-start"
                onClick={() => {
                  change((job) =>
                    withRecipe(
                      job,
                      version.document,
                      {
                        versionId: version.id,
                        name: recipe.name,
                        number: version.number,
                        ...(board
                          ? {
                              board: {
                                number: board.number,
                                lengthMm: board.lengthMm,
                                depthMm: board.depthMm,
                              },
                            }
                          : {}),
                      },
                      newId,
                    ),
                  );
                  onClose();
                }}
              >
                Take version {version.number}
              </Button>
              <p className="label">It replaces the coats of this job. Undo brings them back.</p>
            </>
          )}
        </div>
      )}
    </Dialog>
  );
}
