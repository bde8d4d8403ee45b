"use client";

import type { BatchedCoat } from "@/core/batch/batch-coat";
import type { PlannedCoat } from "@/core/plan/timed";
import { amountWords, conflictWords } from "@/core/schedule/amount-words";
import { giveAmount, giveFilm } from "@/core/schedule/amounts";
import { Button } from "@/ui/button";
import { giveCoat } from "../workspace/edits";
import { useJob } from "../workspace/use-job";

/** What the amount means, and whether the mix or the film holds it; one touch gives the other. */
export function AmountLine({
  planned: { coat, batched },
}: {
  planned: PlannedCoat & { batched: BatchedCoat };
}) {
  const { system, change } = useJob();
  const { mixGiven, mixMl, conflict } = batched;
  return (
    <div className="mt-2 text-sm">
      <p>{amountWords(coat, batched, system)}</p>
      {conflict && (
        <p role="alert" className="border-l-2 border-danger text-danger pl-2 my-1">
          {conflictWords(conflict, system)}
        </p>
      )}
      {mixGiven ? (
        <Button weight="quiet" onClick={() => change(giveCoat(giveFilm(coat, coat.filmMm)))}>
          hold the film instead
        </Button>
      ) : (
        <Button
          weight="quiet"
          onClick={() => change(giveCoat(giveAmount(coat, { by: "mixed", ml: mixMl.likely })))}
        >
          hold this amount
        </Button>
      )}
    </div>
  );
}
