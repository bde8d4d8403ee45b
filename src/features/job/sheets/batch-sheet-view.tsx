"use client";

import type { Bench } from "@/contracts/bench";
import { GENERAL_CAUTION } from "@/core/advice/pass-rules";
import type { UnitSystem } from "@/core/units/dimension";
import { otherSystem, quantityText } from "@/core/units/format-quantity";
import { Button } from "@/ui/button";
import { saveFile } from "@/ui/save-file";
import { svgToPng } from "@/ui/svg-to-png";
import { VesselDrawing } from "@/ui/vessel-drawing";
import { scaleToHeight } from "@/ui/vessel-outline";
import { useJob, useJobState } from "../workspace/use-job";
import { usePlanAmong } from "../windows/use-days";
import { batchCardSvg } from "./batch-card-svg";
import { zoneTable } from "@/core/geometry/zones/zone-table";
import { useClockWords } from "@/ui/shop-clock";
import { batchSheet, type SheetBatch } from "./batch-lines";
import { PaperBox, SheetPage } from "./sheet-page";
import { borderWords, zoneFigures } from "./zone-words";

/** The batch sheet as it goes to the bench: one block a batch, black on white, boxes for gloves. */
export function BatchSheetView({ jobId, bench }: { jobId: string; bench: Bench }) {
  const { system } = useJob();
  const { style } = useClockWords();
  const plan = usePlanAmong(bench);
  const job = useJobState((state) => state.job);
  const batches = batchSheet(plan, system, style);
  const zones = zoneTable(plan.pieces);
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
            <Button
              weight="quiet"
              className="text-sm font-normal print:hidden"
              onClick={() => void savePicture(job.name, batch, system)}
            >
              save as PNG
            </Button>
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
                      {line.how && <span className="block text-xs">{line.how}</span>}
                    </td>
                    <td className="figure text-xl text-right whitespace-nowrap">{line.shown} g</td>
                  </tr>
                ))}
              </tbody>
            </table>
            {batch.cups.length > 1 && <CupRow batch={batch} system={system} />}
          </div>
        </section>
      ))}
      {zones.length > 0 && (
        <section className="break-inside-avoid mb-6">
          <h2 className="heading text-xl border-b border-black pb-1">Zones, for one of each piece</h2>
          <table className="w-full">
            <tbody>
              {zones.map((row) => (
                <tr key={`${row.pieceId} ${row.zone}`} className="border-b border-black/40 align-baseline">
                  <td className="py-1.5 pr-4 font-semibold">
                    {row.zone} <span className="font-normal text-sm">{row.piece}</span>
                  </td>
                  <td className="text-sm pr-4">{borderWords(row, system)}</td>
                  <td className="figure text-right whitespace-nowrap">{zoneFigures(row, system)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </section>
      )}
      <p className="text-xs border-t border-black pt-2">{GENERAL_CAUTION}</p>
    </SheetPage>
  );
}

const CUP_PX = 92;

/** The cups of a batch to size with their fill lines, in pouring order. */
function CupRow({ batch, system }: { batch: SheetBatch; system: UnitSystem }) {
  const scale = scaleToHeight(
    batch.cups.map((cup) => cup.vessel),
    CUP_PX,
  );
  return (
    <ul className="flex flex-wrap gap-x-4 gap-y-3 items-end self-start">
      {batch.cups.map((cup, index) => (
        <li key={cup.name + index} className="w-[104px]">
          <VesselDrawing
            vessel={cup.vessel}
            fillMl={cup.ml}
            hex={cup.hex}
            look={cup.look}
            pxPerMm={scale}
            label={`${cup.name}, ${quantityText(cup.toldMl, "volume", system)}`}
          />
          <span className="flex items-center gap-1.5 mt-1.5">
            <PaperBox />
            <span className="leading-tight text-sm">
              {index + 1} {cup.name}
            </span>
          </span>
          <span className="figure text-lg block leading-tight">
            {quantityText(cup.toldMl, "volume", system)}
          </span>
          <span className="text-xs">
            {quantityText(cup.toldMl, "volume", otherSystem(system))} · {quantityText(cup.g, "mass", system)}
          </span>
        </li>
      ))}
    </ul>
  );
}

const CARD_PX = 1600;

async function savePicture(job: string, batch: SheetBatch, system: UnitSystem): Promise<void> {
  const picture = await svgToPng(batchCardSvg(job, batch, system), CARD_PX, 1.4);
  saveFile(`${batch.coatName.replace(/[^\p{L}\p{N} _-]+/gu, "")}, ${batch.of}.png`, "image/png", picture);
}
