"use client";

import { GENERAL_CAUTION } from "@/core/advice/pass-rules";
import { clockText, runSheet } from "@/core/plan/run-sheet";
import { Button } from "@/ui/button";
import { SheetLinks } from "../cups/sheet-links";
import { useJob, useJobState } from "../workspace/use-job";

/** The run sheet: every act in order with its time, box and caution. */
export function RunSheetView({ jobId }: { jobId: string }) {
  const { plan, system } = useJob();
  const name = useJobState((state) => state.job.name);
  const steps = runSheet(plan, system);
  return (
    <main className="flex-1 overflow-y-auto print:overflow-visible">
      <div className="off-paper px-7 pt-1 pb-4 flex items-end gap-6">
        <SheetLinks jobId={jobId} />
        <Button weight="primary" onClick={() => window.print()} className="ml-auto">
          Print
        </Button>
      </div>
      <article className="bg-white text-black mx-auto max-w-[820px] px-10 py-9 mb-8 border border-line print:border-0 print:p-0 print:m-0 print:max-w-none">
        <header className="border-b-2 border-black pb-2 mb-2 flex items-baseline gap-4">
          <h1 className="heading text-2xl">{name}</h1>
          <span className="ml-auto">run sheet</span>
        </header>
        <p className="text-xs mb-3">{GENERAL_CAUTION}</p>
        {steps.length === 0 && <p>There is nothing to run yet: measure a piece and build a coat.</p>}
        <ol>
          {steps.map((step, index) => {
            const heads = step.coatId !== steps[index - 1]?.coatId;
            return (
              <li key={step.id} className="break-inside-avoid">
                {heads && (
                  <h2 className="heading text-lg border-b border-black pt-4 pb-1">{step.coatName}</h2>
                )}
                <div className="flex gap-4 py-2 border-b border-black/40">
                  <span
                    aria-hidden
                    className="inline-block size-[24px] border-[1.5px] border-black shrink-0"
                  />
                  <span className="figure w-20 shrink-0">{clockText(step.atMin)}</span>
                  <div className="flex-1">
                    <p className="font-semibold">{step.title}</p>
                    <p className="text-sm">{step.detail}</p>
                    {step.weigh.length > 0 && (
                      <p className="text-sm figure font-normal">
                        {step.weigh
                          .map(
                            (line) =>
                              `${line.label} ${line.count ?? `${Math.round(line.grams * 10) / 10} g`}`,
                          )
                          .join("  ·  ")}
                      </p>
                    )}
                    {step.caution && (
                      <p className="text-sm font-semibold border-l-4 border-black pl-2 mt-1">
                        {step.caution}
                      </p>
                    )}
                    {step.stopHere && <p className="text-sm italic">May stop here: {step.stopHere}.</p>}
                  </div>
                </div>
              </li>
            );
          })}
        </ol>
      </article>
    </main>
  );
}
