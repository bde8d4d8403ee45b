"use client";

import { cutText } from "@/core/units/cut-text";
import { useRouter } from "next/navigation";
import { useMemo, useState } from "react";
import { callAct } from "@/contracts/call-act";
import { addRecipeVersion, createRecipe, type RecipeVersion } from "@/contracts/recipes";
import { piecesOf } from "@/core/job/builds";
import { keptPieceId, recipeOf } from "@/core/recipe/recipe";
import { recipeChanges } from "@/core/recipe/recipe-changes";
import { Button } from "@/ui/button";
import { Dialog } from "@/ui/dialog";
import { SelectField, TextField } from "@/ui/text-field";
import { useKeptForm } from "@/ui/use-kept-form";
import { useJob, useJobState } from "../workspace/use-job";

const MOST_WORDS = 400;

/** Keeps the coats of this job as a recipe, or as the next version of the one that they came from. */
export function KeepDialog({
  parent,
  onClose,
}: {
  parent: (RecipeVersion & { name: string }) | null;
  onClose: () => void;
}) {
  const { document, plan, system, change } = useJob();
  const router = useRouter();
  const job = useJobState((state) => state.job);
  const several =
    document.pieces.length > 1 &&
    document.coats.some((coat) => piecesOf(document, coat).length < document.pieces.length);
  const [pieceId, setPieceId] = useState(keptPieceId(document));
  const notes = parent?.document.notes ?? "";
  const recipe = useMemo(
    () => recipeOf(document, plan.coats, pieceId, notes),
    [document, plan.coats, pieceId, notes],
  );
  const changes = parent ? recipeChanges(parent.document, recipe, system) : [];
  const listed = (document.nextTime ?? []).join(" ");
  const form = useKeptForm({
    key: `keep.${job.id}.${parent?.id ?? "new"}`,
    schema: createRecipe.input.pick({ name: true, change: true }),
    start: { name: job.name, change: cutText(listed, MOST_WORDS) },
    send: async (read) => {
      const what = read.change || cutText(changes.join("; "), MOST_WORDS);
      const result = parent
        ? await callAct(addRecipeVersion, { parentId: parent.id, document: recipe, change: what })
        : await callAct(createRecipe, { name: read.name, document: recipe, change: what });
      if (!result.ok) return result.error;
      const made = result.value;
      const reference = {
        ...("number" in made
          ? { versionId: made.id, name: parent?.name ?? read.name, number: made.number }
          : { versionId: made.versionId, name: read.name, number: 1 }),
        ...(several && pieceId !== null ? { pieceId } : {}),
      };
      change((before) => ({ ...before, recipe: reference }));
      // What was to change stands in this version now, unless it is too long for it.
      if (listed.length <= MOST_WORDS) change(({ nextTime: _told, ...before }) => before);
      onClose();
      router.refresh();
      return null;
    },
  });
  const { values: draft, set } = form;
  const problem = form.problemBeside();

  return (
    <Dialog
      open
      onClose={onClose}
      title={parent ? `The next version of ${parent.name}` : "Keep it as a recipe"}
    >
      <form method="post" onSubmit={form.submit} className="flex flex-col gap-4">
        {!parent && (
          <TextField
            label="Name of the recipe"
            autoFocus
            value={draft.name}
            maxLength={80}
            error={problem}
            onChange={(event) => set({ name: event.target.value })}
          />
        )}
        {several && (
          <SelectField
            label="The coats of"
            value={pieceId ?? ""}
            onChange={(event) => setPieceId(event.target.value)}
          >
            {document.pieces.map((piece) => (
              <option key={piece.id} value={piece.id}>
                {piece.name || "unnamed"}
              </option>
            ))}
          </SelectField>
        )}
        {parent && (
          <ul aria-label="What changed" className="text-sm border-t border-line">
            {changes.map((change) => (
              <li key={change} className="border-b border-line py-1">
                {change}
              </li>
            ))}
            {changes.length === 0 && (
              <li className="py-1 text-ink-soft">Nothing differs from version {parent.number}.</li>
            )}
          </ul>
        )}
        <TextField
          label={parent ? "What changed and why, in your words" : "A word on it, if you like"}
          placeholder={changes.slice(0, 2).join(", ") || "as poured for the bakery"}
          autoFocus={parent !== null}
          value={draft.change}
          maxLength={MOST_WORDS}
          error={parent ? problem : null}
          onChange={(event) => set({ change: event.target.value })}
        />
        <p className="label">
          {recipe.coats.length} {recipe.coats.length === 1 ? "coat" : "coats"}: films, shares in their order,
          doses, passes. Pieces and sizes stay in the job.
        </p>
        <Button type="submit" weight="primary" disabled={form.busy} className="self-start">
          {parent ? "Keep as the next version" : "Keep it"}
        </Button>
      </form>
    </Dialog>
  );
}
