"use client";

import { GENERAL_CAUTION } from "@/core/advice/pass-rules";
import { quantityText } from "@/core/units/format-quantity";
import { useJob } from "../workspace/use-job";
import { batchSheet } from "./batch-lines";
import { PaperBox, SheetPage } from "./sheet-page";

/** The batch sheet as it goes to the bench: one block a batch, black on white, boxes for gloves. */
export function BatchSheetView({ jobId }: { jobId: string }) {
  const { plan, system } = useJob();
  const batches = batchSheet(plan, system);
  return (
    <SheetPage jobId={jobId} kind="batch sheet">
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
                      <PaperBox />
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
                        <PaperBox />
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
    </SheetPage>
  );
}
