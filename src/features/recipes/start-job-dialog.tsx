"use client";

import { cutText } from "@/core/units/cut-text";
import { useRouter } from "next/navigation";
import { useMemo } from "react";
import { z } from "zod";
import { callAct } from "@/contracts/call-act";
import { jobFields } from "@/contracts/jobs";
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
import { useKeptForm } from "@/ui/use-kept-form";

const typedStart = jobFields
  .pick({ name: true, client: true })
  .extend({ lengthMm: z.number().nullable(), depthMm: z.number().nullable() })
  .refine(({ lengthMm, depthMm }) => (lengthMm === null) === (depthMm === null), {
    message: "Type both sizes, or neither.",
    path: ["lengthMm"],
  });

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
  const form = useKeptForm<z.infer<typeof typedStart>>({
    key: `start.${board?.id ?? version.id}.${asBoard}`,
    schema: typedStart,
    start: {
      name: asBoard ? cutText(`Board, ${recipeName} version ${version.number}`, 80) : "",
      client: "",
      lengthMm: asBoard ? usualBoardMm(system) : null,
      depthMm: asBoard ? usualBoardMm(system) : null,
    },
    send: async ({ name, client, lengthMm, depthMm }) => {
      const size =
        lengthMm === null || depthMm === null
          ? null
          : { kind: asBoard ? ("sample" as const) : ("straight" as const), lengthMm, depthMm };
      const result = await callAct(startJobFromRecipe, {
        versionId: version.id,
        boardId: board?.id ?? null,
        fields: { name, client, status: "planning", dueOn: null },
        size,
      });
      if (!result.ok) {
        const { field, ...error } = result.error;
        return field ? { ...error, field: field.replace(/^size\./, "") } : error;
      }
      router.push(`/jobs/${result.value.jobId}/${size ? "cups" : "measure"}`);
      return null;
    },
  });
  const { values: draft, set, faultAt } = form;
  const problem = form.problemBeside("name", "client", "lengthMm", "depthMm");
  const { lengthMm, depthMm } = draft;
  const notes = useMemo(() => {
    if (asBoard || lengthMm === null || depthMm === null) return [];
    const reference = { versionId: version.id, name: recipeName, number: version.number };
    const size = { kind: "straight" as const, lengthMm, depthMm };
    let made = 0;
    const job: JobDocument = jobFromRecipe(version.document, reference, size, () => `piece-${(made += 1)}`);
    const plan = derivePlan(job, resins);
    const from = board ?? { lengthMm: usualBoardMm(system), depthMm: usualBoardMm(system) };
    return scaleUp(planOnBoard(job, plan, from, resins), plan, job.work, system);
  }, [asBoard, lengthMm, depthMm, version, recipeName, board, resins, system]);

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
        onSubmit={form.submit}
        className={asBoard ? "flex flex-col gap-4" : "grid grid-cols-[240px_1fr] max-sm:grid-cols-1 gap-7"}
      >
        <div className="flex flex-col gap-3">
          <TextField
            label="Name of the job"
            autoFocus
            value={draft.name}
            maxLength={80}
            error={faultAt("name")}
            onChange={(event) => set({ name: event.target.value })}
          />
          {!asBoard && (
            <TextField
              label="Client, or empty for own work"
              value={draft.client}
              maxLength={80}
              error={faultAt("client")}
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
              fault={faultAt("lengthMm")}
            />
            <QuantityField
              label="Depth"
              value={depthMm}
              dimension="length"
              system={system}
              bounds={{ min: 10, max: 100_000 }}
              onChange={(next) => set({ depthMm: next })}
              onClear={() => set({ depthMm: null })}
              fault={faultAt("depthMm")}
            />
          </div>
          {!asBoard && (
            <p className="label">
              Other shapes and more pieces: leave the size open and draw them in Measure.
            </p>
          )}
          {problem && (
            <p role="alert" className="text-danger border-l-2 border-danger pl-2">
              {problem}
            </p>
          )}
          <Button type="submit" weight="primary" disabled={form.busy} className="self-start mt-1">
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
