"use client";

import { GENERAL_CAUTION } from "@/core/advice/pass-rules";
import { quantityText } from "@/core/units/format-quantity";
import { Button } from "@/ui/button";
import { SheetLinks } from "../cups/sheet-links";
import { useJob, useJobState } from "../workspace/use-job";
import { batchSheet } from "./batch-lines";

const Box = () => (
  <span aria-hidden className="inline-block size-[24px] border-[1.5px] border-black shrink-0" />
);

/** The batch sheet as it goes to the bench: one block a batch, black on white, boxes for gloves. */
export function BatchSheetView({ jobId }: { jobId: string }) {
  const { plan, system } = useJob();
  const name = useJobState((state) => state.job.name);
  const batches = batchSheet(plan, system);
  return (
    <main className="flex-1 overflow-y-auto print:overflow-visible">
      <div className="off-paper px-7 pt-1 pb-4 flex items-end gap-6">
        <SheetLinks jobId={jobId} />
        <Button weight="primary" onClick={() => window.print()} className="ml-auto">
          Print
        </Button>
      </div>
      <article className="bg-white text-black mx-auto max-w-[820px] px-10 py-9 mb-8 border border-line print:border-0 print:p-0 print:m-0 print:max-w-none">
        <header className="border-b-2 border-black pb-2 mb-4 flex items-baseline gap-4">
          <h1 className="heading text-2xl">{name}</h1>
          <span className="ml-auto">batch sheet</span>
        </header>
        {batches.length === 0 && <p>There is no batch yet: measure a piece and build a coat.</p>}
        {batches.map((batch) => (
          <section key={batch.key} className="break-inside-avoid mb-6">
            <h2 className="heading text-xl border-b border-black pb-1 flex items-baseline gap-3">
              {batch.coatName}
              <span className="text-sm font-normal">
                {batch.of} · {batch.resinName}
              </span>
              <span className="ml-auto figure text-lg">
                {quantityText(batch.mixMl, "volume", system)} · {quantityText(batch.mixG, "mass", system)}
              </span>
            </h2>
            <p className="text-sm my-1.5">
              mix {batch.mixAt}
              {batch.pourBy && `, out of the pot by ${batch.pourBy}`}
              {batch.sections && ` · ${batch.sections}`}
            </p>
            <div className="grid grid-cols-2 gap-8">
              <table className="w-full self-start">
                <tbody>
                  {batch.weigh.map((line) => (
                    <tr key={line.line} className="border-b border-black/40">
                      <td className="py-1.5 w-9">
                        <Box />
                      </td>
                      <td className="leading-tight">
                        {line.label}
                        {line.count && !line.count.endsWith(" g") && (
                          <span className="block text-xs">{line.count}</span>
                        )}
                      </td>
                      <td className="figure text-xl text-right whitespace-nowrap">
                        {quantityText(line.grams, "mass", system)}
                      </td>
                    </tr>
                  ))}
                </tbody>
              </table>
              {batch.cups.length > 1 && (
                <table className="w-full self-start">
                  <tbody>
                    {batch.cups.map((cup, index) => (
                      <tr key={cup.name + index} className="border-b border-black/40">
                        <td className="py-1.5 w-9">
                          <Box />
                        </td>
                        <td className="w-8">
                          <span
                            className="inline-block size-5 border border-black align-middle"
                            style={{ background: cup.hex }}
                          />
                        </td>
                        <td>
                          {index + 1} {cup.name}
                        </td>
                        <td className="text-right whitespace-nowrap">
                          <span className="figure text-lg block leading-tight">
                            {quantityText(cup.ml, "volume", system)}
                          </span>
                          <span className="text-xs">{quantityText(cup.g, "mass", system)}</span>
                        </td>
                      </tr>
                    ))}
                  </tbody>
                </table>
              )}
            </div>
          </section>
        ))}
        <p className="text-xs border-t border-black pt-2">{GENERAL_CAUTION}</p>
      </article>
    </main>
  );
}
