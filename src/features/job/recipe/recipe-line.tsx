"use client";

import Link from "next/link";
import { useMemo, useState } from "react";
import { recipeOf } from "@/core/recipe/recipe";
import { recipeChanges } from "@/core/recipe/recipe-changes";
import { planOnBoard, scaleUp } from "@/core/recipe/scale-up";
import { Button } from "@/ui/button";
import { Dialog } from "@/ui/dialog";
import { AdviceLine } from "../workspace/advice-line";
import { useJob } from "../workspace/use-job";
import { KeepDialog } from "./keep-dialog";
import { useVersion } from "./use-version";

/** Which recipe version the coats come from, what was changed since, and what does not grow from its board to this job. */
export function RecipeLine() {
  const { document, plan, system } = useJob();
  const { recipe } = document;
  const version = useVersion(recipe?.versionId ?? null);
  const changes = useMemo(
    () =>
      version
        ? recipeChanges(
            version.document,
            recipeOf(document, plan.coats, undefined, version.document.notes),
            system,
          )
        : null,
    [version, document, plan, system],
  );
  const [open, setOpen] = useState<null | "keep" | "changes" | "scale">(null);
  if (!recipe) return null;
  return (
    <p
      role="note"
      aria-label="Recipe"
      className="flex items-baseline gap-x-3 gap-y-0.5 flex-wrap text-sm pb-3"
    >
      <span>
        {version ? (
          <Link
            prefetch={false}
            href={`/recipes/${version.recipeId}`}
            className="font-semibold underline underline-offset-4 decoration-line-strong"
          >
            {version.name}
          </Link>
        ) : (
          <span className="font-semibold">{recipe.name}</span>
        )}
        , version {recipe.number}
        {recipe.board && `, as on board ${recipe.board.number}`}
      </span>
      {changes?.length === 0 && <span className="text-ink-soft">unchanged</span>}
      {changes && changes.length > 0 && (
        <>
          <Button weight="quiet" onClick={() => setOpen("changes")}>
            {changes.length === 1 ? changes[0] : `${changes.length} changes since`}
          </Button>
          <Button weight="quiet" onClick={() => setOpen("keep")}>
            keep as a new version
          </Button>
        </>
      )}
      {recipe.board && plan.totals.topAreaMm2 > 0 && (
        <Button weight="quiet" onClick={() => setOpen("scale")}>
          what does not grow with it
        </Button>
      )}
      {open === "keep" && version && <KeepDialog parent={version} onClose={() => setOpen(null)} />}
      {open === "changes" && (
        <Dialog open onClose={() => setOpen(null)} title={`Since version ${recipe.number}`}>
          <ul>
            {changes?.map((change) => (
              <li key={change} className="border-b border-line py-1.5">
                {change}
              </li>
            ))}
          </ul>
        </Dialog>
      )}
      {open === "scale" && recipe.board && <ScaleDialog board={recipe.board} onClose={() => setOpen(null)} />}
    </p>
  );
}

function ScaleDialog({
  board,
  onClose,
}: {
  board: { number: number; lengthMm: number; depthMm: number };
  onClose: () => void;
}) {
  const { document, plan, cards, system } = useJob();
  const notes = useMemo(
    () => scaleUp(planOnBoard(document, plan, board, cards), plan, document.work, system),
    [document, plan, board, cards, system],
  );
  return (
    <Dialog open onClose={onClose} title={`From board ${board.number} to these pieces`} wide>
      {notes.length === 0 && <p className="text-ink-soft">At this size it behaves as on the board.</p>}
      {notes.map((note) => (
        <AdviceLine key={note.rule} advice={note} />
      ))}
    </Dialog>
  );
}
