"use client";

import { useState } from "react";
import { NOTHING_WEIGHED, resized, weighOut, type Weighed } from "@/core/batch/weigh-out";
import { quantityText, rangeText } from "@/core/units/format-quantity";
import { Figure } from "@/ui/figure";
import { AdviceAt } from "../workspace/advice-line";
import { useJob } from "../workspace/use-job";
import { AmountLine } from "./amount-line";
import { AtHand } from "./at-hand";
import { BatchPanel } from "./batch-panel";
import { Leftovers } from "./leftovers";
import { LossList } from "./loss-list";
import { ShopFactors } from "./shop-factors";
import { OnTheScale } from "./on-the-scale";
import { SectionMap } from "./section-map";
import { SheetLinks } from "./sheet-links";
import { Timetable } from "./timetable";

/** The batch sheet, the heart: how much, why, in which cups, and what to put on the scale. */
export function CupsView({ jobId }: { jobId: string }) {
  const { document, plan, system } = useJob();
  const [coatId, setCoatId] = useState<string | null>(null);
  const [batchNumber, setBatchNumber] = useState(1);
  const [weighed, setWeighed] = useState<Weighed>(NOTHING_WEIGHED);
  const planned =
    plan.coats.find((plannedCoat) => plannedCoat.coat.id === coatId) ??
    plan.coats.find((plannedCoat) => plannedCoat.coat.kind === "colour") ??
    plan.coats[0];
  if (!planned) {
    return (
      <main className="flex-1 px-7 py-8 text-ink-soft">
        <p className="heading text-xl text-ink mb-1">No coat yet.</p>
        Add one in Build, and its cups are here.
      </main>
    );
  }
  const { coat, batched, resin } = planned;
  const vesselsMl = document.work.vesselsMl ?? [];
  const plannedBatch = batched?.batches[Math.min(batchNumber, batched.batches.length) - 1];
  const out = plannedBatch && resin ? weighOut(plannedBatch, weighed, resin, vesselsMl) : null;
  // What the scale showed changes every number of this batch.
  const batch =
    plannedBatch && resin && out ? resized(plannedBatch, out.factor, coat.colours, resin, vesselsMl) : null;
  const pick = (coatPicked: string | null, number: number) => {
    setCoatId(coatPicked);
    setBatchNumber(number);
    setWeighed(NOTHING_WEIGHED);
  };

  return (
    <main className="flex-1 flex min-h-0 max-lg:flex-col">
      <section
        aria-label="How much, and why"
        className="w-[318px] max-lg:w-full shrink-0 pl-7 pr-6 pt-4 pb-6 overflow-y-auto border-r border-line"
      >
        <div className="label mb-1">
          {coat.name} · {batched?.count ?? 0} {batched?.count === 1 ? "piece" : "pieces"}
          {batched?.fills ? "" : ` · film ${quantityText(coat.filmMm, "film", system)}`}
        </div>
        {batched ? (
          <>
            <Figure
              value={batched.mixMl.likely}
              dimension="volume"
              system={system}
              size="hero"
              beside={`${batched.fills ? "" : `${quantityText(batched.mixedFilmMm, "film", "us")} · `}${batched.mixGiven ? "given" : rangeText(batched.mixMl, "volume", system)}`}
            />
            <AmountLine planned={{ ...planned, batched }} />
            <LossList planned={{ ...planned, batched }} />
            <ShopFactors />
            <AdviceAt coatId={coat.id} at={["batches", "rate", "scale"]} />
            <Leftovers batched={batched} />
          </>
        ) : (
          <p role="alert" className="border-l-2 border-danger text-danger pl-2 mt-2">
            {planned.problem}
          </p>
        )}
        {plan.faults.length > 0 && (
          <p role="alert" className="border-l-2 border-danger text-danger pl-2 mt-3 text-sm">
            Not counted: {plan.faults.map((fault) => fault.pieceName).join(", ")}. {plan.faults[0]?.message}
          </p>
        )}
        <AtHand />
      </section>
      <section aria-label="Cups" className="flex-1 min-w-0 px-7 pt-3 pb-6 overflow-y-auto">
        <div role="tablist" aria-label="Coats" className="flex gap-5 border-b border-line mb-3 text-sm">
          {plan.coats.map((planned) => (
            <button
              key={planned.coat.id}
              role="tab"
              type="button"
              aria-selected={planned.coat.id === coat.id}
              onClick={() => pick(planned.coat.id, 1)}
              className={`pb-1.5 pt-1 -mb-px border-b-[3px] max-w-40 truncate ${planned.coat.id === coat.id ? "border-ink font-semibold" : "border-transparent text-ink-soft hover:text-ink"}`}
            >
              {planned.coat.name}
            </button>
          ))}
        </div>
        {batched && batch && (
          <BatchPanel
            planned={{ ...planned, batched }}
            batch={batch}
            grown={out?.factor ?? 1}
            onBatch={(number) => pick(coat.id, number)}
          />
        )}
        {batched && batched.batches.length > 1 && (
          <SectionMap
            planned={{ ...planned, batched }}
            batchNumber={batch?.number ?? 1}
            onBatch={(number) => pick(coat.id, number)}
          />
        )}
        <Timetable />
        <SheetLinks jobId={jobId} />
      </section>
      <section
        aria-label="On the scale"
        className="w-[282px] max-lg:w-full shrink-0 border-l border-line pt-4 pb-6 overflow-y-auto"
      >
        {batch && plannedBatch && resin && out && (
          <OnTheScale
            key={`${coat.id}-${batch.number}`}
            batch={batch}
            card={resin}
            weighed={weighed}
            out={out}
            onWeighed={setWeighed}
          />
        )}
      </section>
    </main>
  );
}
