"use client";

import { GENERAL_CAUTION } from "@/core/advice/pass-rules";
import { runSheet } from "@/core/pour/run-sheet";
import type { Bench } from "@/contracts/bench";
import { usePlanAmong } from "../windows/use-days";
import { useJob } from "../workspace/use-job";
import { PaperBox, SheetPage } from "./sheet-page";
import { useClockWords } from "@/ui/shop-clock";

/** The run sheet: every act in order with its time, box and caution. */
export function RunSheetView({ jobId, bench }: { jobId: string; bench: Bench }) {
  const { clockText } = useClockWords();
  const { system } = useJob();
  const plan = usePlanAmong(bench);
  const steps = runSheet(plan, system);
  return (
    <SheetPage jobId={jobId} kind="run sheet">
      <p className="text-xs mb-3">{GENERAL_CAUTION}</p>
      {steps.length === 0 && <p>There is nothing to run yet: measure a piece and build a coat.</p>}
      <ol>
        {steps.map((step, index) => {
          const heads = step.coatId !== steps[index - 1]?.coatId;
          return (
            <li key={step.id} className="break-inside-avoid">
              {heads && <h2 className="heading text-lg border-b border-black pt-4 pb-1">{step.coatName}</h2>}
              <div className="flex gap-4 py-2 border-b border-black/40">
                <PaperBox />
                <span className="figure w-20 shrink-0">{clockText(step.atMin)}</span>
                <div className="flex-1">
                  <p className="font-semibold">{step.title}</p>
                  <p className="text-sm">{step.detail}</p>
                  {step.weigh.length > 0 && (
                    <p className="text-sm figure font-normal">
                      {step.weigh
                        .map((line) => `${line.label} ${line.count ?? `${line.shown} g`}`)
                        .join("  ·  ")}
                    </p>
                  )}
                  {step.caution && (
                    <p className="text-sm font-semibold border-l-4 border-black pl-2 mt-1">{step.caution}</p>
                  )}
                  {step.stopHere && <p className="text-sm italic">May stop here: {step.stopHere}.</p>}
                </div>
              </div>
            </li>
          );
        })}
      </ol>
    </SheetPage>
  );
}
