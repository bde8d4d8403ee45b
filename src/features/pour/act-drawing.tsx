"use client";

import { useMemo } from "react";
import type { JobDocument } from "@/core/job/job";
import type { Plan } from "@/core/plan/derive-plan";
import { actPicture, type OnScale } from "@/core/pour/act-picture";
import type { PourState } from "@/core/pour/pour-events";
import type { Place } from "@/core/pour/place";
import type { RunStep } from "@/core/pour/run-sheet";
import type { Coat } from "@/core/schedule/coat";
import type { UnitSystem } from "@/core/units/dimension";
import { useSize } from "@/ui/use-size";
import { CupsDrawing } from "./cups-drawing";
import { PieceActDrawing } from "./piece-act-drawing";
import { rehearsedOf } from "./rehearsed-of";
import { WeighDrawing } from "./weigh-drawing";

/** The colour that there is most of in a coat; stone, where it has none. */
const plainColour = (coat: Coat | undefined): string =>
  [...(coat?.colours ?? [])].sort((a, b) => b.share - a.share)[0]?.hex ?? "var(--color-night-line)";

/** What to do, on a drawing as large as its room. */
export function ActDrawing({
  plan,
  document,
  step,
  steps,
  state,
  onScale,
  onPlace,
  system,
}: {
  plan: Plan;
  document: JobDocument;
  step: RunStep;
  steps: readonly RunStep[];
  state: PourState;
  onScale: OnScale;
  onPlace: ((place: Place) => void) | null;
  system: UnitSystem;
}) {
  const { ref, width, height } = useSize<HTMLDivElement>();
  const picture = useMemo(
    () => actPicture(plan, document, step, steps, state, onScale),
    [plan, document, step, steps, state, onScale],
  );
  const room = { width, height, system };
  const coat = plan.coats.find(({ coat }) => coat.id === step.coatId)?.coat;
  return (
    // What is drawn does not make its room larger.
    <div ref={ref} className="relative flex-1 min-h-0 min-w-0 max-md:flex-none max-md:h-[300px]">
      <div className="absolute inset-0 overflow-hidden">
        {width > 0 && height > 0 && picture?.kind === "weigh" && (
          <WeighDrawing vessels={picture.vessels} {...room} />
        )}
        {width > 0 && height > 0 && picture?.kind === "cups" && (
          <CupsDrawing {...picture} colours={coat?.colours ?? []} {...room} />
        )}
        {width > 0 && height > 0 && picture?.kind === "pieces" && (
          <PieceActDrawing
            key={step.id}
            pieces={picture.pieces}
            rehearsed={(piece, standingId) => rehearsedOf(plan, document, piece, standingId)}
            plain={plainColour(coat)}
            step={step}
            steps={steps}
            notes={state.notes}
            onPlace={onPlace}
            {...room}
          />
        )}
      </div>
    </div>
  );
}
