"use client";

import { cutText } from "@/core/units/cut-text";
import { useRouter } from "next/navigation";
import { useMemo, useState } from "react";
import { callAct } from "@/contracts/call-act";
import { startJobFromRecipe, type RecipeVersion, type SampleBoard } from "@/contracts/recipes";
import type { ResinCard } from "@/core/cure/resin-card";
import { derivePlan } from "@/core/plan/derive-plan";
import type { JobDocument } from "@/core/job/job";
import { jobFromRecipe, usualBoardMm } from "@/core/recipe/recipe";
import { planOnBoard, scaleUp } from "@/core/recipe/scale-up";
import type { UnitSystem } from "@/core/units/dimension";
import { Button } from "@/ui/button";
import { Dialog } from "@/ui/dialog";
import { QuantityField } from "@/ui/quantity-field";
import { TextField } from "@/ui/text-field";
import { useDraft } from "@/ui/use-draft";

type Draft = { name: string; client: string; lengthMm: number | null; depthMm: number | null };

/** From a version, or from its approved board, to a job of any size; what does not grow with the size is said while it is typed. */
export function StartJobDialog({
  recipeName,
  version,
  board,
  asBoard,
  resins,
  system,
  onClose,
}: {
  recipeName: string;
  version: RecipeVersion;
  board: SampleBoard | null;
  /** A job that is a sample board itself. */
  asBoard: boolean;
  resins: readonly ResinCard[];
  system: UnitSystem;
  onClose: () => void;
}) {
  const router = useRouter();
  const { draft, set, drop } = useDraft<Draft>(`start.${board?.id ?? version.id}.${asBoard}`, {
    name: asBoard ? cutText(`Board, ${recipeName} version ${version.number}`, 80) : "",
    client: "",
    lengthMm: asBoard ? usualBoardMm(system) : null,
    depthMm: asBoard ? usualBoardMm(system) : null,
  });
  const [wrong, setWrong] = useState<{ field: string; message: string } | null>(null);
  const [busy, setBusy] = useState(false);
  const { lengthMm, depthMm } = draft;
  const notes = useMemo(() => {
    if (asBoard || lengthMm === null || depthMm === null) return [];
    const reference = { versionId: version.id, name: recipeName, number: version.number };
    const size = { kind: "straight" as const, lengthMm, depthMm };
    const job: JobDocument = jobFromRecipe(version.document, reference, size, () => "piece");
    const plan = derivePlan(job, resins);
    const from = board ?? { lengthMm: usualBoardMm(system), depthMm: usualBoardMm(system) };
    return scaleUp(planOnBoard(job, plan, from, resins), plan, job.work, system);
  }, [asBoard, lengthMm, depthMm, version, recipeName, board, resins, system]);

  const make = async () => {
    if ((lengthMm === null) !== (depthMm === null))
      return setWrong({ field: "size", message: "Type both sizes, or neither." });
    setBusy(true);
    const size =
      lengthMm === null || depthMm === null
        ? null
        : { kind: asBoard ? ("sample" as const) : ("straight" as const), lengthMm, depthMm };
    const result = await callAct(startJobFromRecipe, {
      versionId: version.id,
      boardId: board?.id ?? null,
      fields: { name: draft.name, client: draft.client, status: "planning", dueOn: null },
      size,
    });
    setBusy(false);
    if (!result.ok) return setWrong({ field: result.error.field ?? "", message: result.error.message });
    drop();
    router.push(`/jobs/${result.value.jobId}/${size ? "cups" : "measure"}`);
  };
  const fault = (of: string) => (wrong?.field.startsWith(of) ? wrong.message : null);

  return (
    <Dialog
      open
      onClose={onClose}
      title={
        asBoard
          ? `Pour a board of version ${version.number}`
          : board
            ? `A job from board ${board.number}`
            : `A job from version ${version.number}`
      }
      wide={!asBoard}
    >
      <form
        method="post"
        onSubmit={(event) => {
          event.preventDefault();
          void make();
        }}
        className={asBoard ? "flex flex-col gap-4" : "grid grid-cols-[240px_1fr] max-sm:grid-cols-1 gap-7"}
      >
        <div className="flex flex-col gap-3">
          <TextField
            label="Name of the job"
            autoFocus
            value={draft.name}
            maxLength={80}
            error={fault("fields.name")}
            onChange={(event) => set({ name: event.target.value })}
          />
          {!asBoard && (
            <TextField
              label="Client, or empty for own work"
              value={draft.client}
              maxLength={80}
              error={fault("fields.client")}
              onChange={(event) => set({ client: event.target.value })}
            />
          )}
          <div className="grid grid-cols-2 gap-3">
            <QuantityField
              label={asBoard ? "Length" : "First run, length"}
              value={lengthMm}
              dimension="length"
              system={system}
              bounds={{ min: 10, max: 100_000 }}
              onChange={(next) => set({ lengthMm: next })}
              onClear={() => set({ lengthMm: null })}
              fault={fault("size")}
            />
            <QuantityField
              label="Depth"
              value={depthMm}
              dimension="length"
              system={system}
              bounds={{ min: 10, max: 100_000 }}
              onChange={(next) => set({ depthMm: next })}
              onClear={() => set({ depthMm: null })}
            />
          </div>
          {!asBoard && (
            <p className="label">
              Other shapes and more pieces: leave the size open and draw them in Measure.
            </p>
          )}
          {wrong && !fault("fields.name") && !fault("size") && !fault("fields.client") && (
            <p role="alert" className="text-danger border-l-2 border-danger pl-2">
              {wrong.message}
            </p>
          )}
          <Button type="submit" weight="primary" disabled={busy} className="self-start mt-1">
            {asBoard ? "Plan the board" : "Make the job"}
          </Button>
        </div>
        {!asBoard && (
          <section aria-label="What does not scale">
            <h3 className="heading border-b border-line pb-1 mb-2">What does not grow with it</h3>
            {notes.length === 0 && (
              <p className="text-sm text-ink-soft">
                {lengthMm === null || depthMm === null
                  ? "Type a size, and what behaves otherwise than on the board is told here."
                  : "At this size it behaves as on the board."}
              </p>
            )}
            <ul className="flex flex-col gap-2.5">
              {notes.map((note) => (
                <li key={note.rule} className="border-l-[3px] border-ink pl-3 text-sm leading-[1.35]">
                  <span className="font-semibold">{note.what}</span> {note.soWhat}{" "}
                  <span className="label">{note.kind}</span>
                </li>
              ))}
            </ul>
          </section>
        )}
      </form>
    </Dialog>
  );
}
