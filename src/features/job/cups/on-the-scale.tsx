"use client";

import { useState } from "react";
import type { Batch } from "@/core/batch/batch-coat";
import { correctWeighing } from "@/core/batch/parts";
import type { ResinCard } from "@/core/cure/resin-card";
import type { PlannedCoat } from "@/core/plan/derive-plan";
import { runSheet } from "@/core/plan/run-sheet";
import { formatQuantity, quantityText, trimmed } from "@/core/units/format-quantity";
import { QuantityField } from "@/ui/quantity-field";
import { useJob } from "../workspace/use-job";

/** What goes on the scale, in order; an over-pour typed here says at once what to do. */
export function OnTheScale({
  planned,
  batch,
  card,
}: {
  planned: PlannedCoat;
  batch: Batch;
  card: ResinCard;
}) {
  const { plan, system } = useJob();
  const [actualA, setActualA] = useState<number | null>(null);
  const [actualB, setActualB] = useState<number | null>(null);
  const step = runSheet(plan, system).find(
    (one) => one.kind === "weigh" && one.coatId === planned.coat.id && one.batch === batch.number,
  );
  const separate = batch.cups.some((cup) => cup.parts !== null);
  const correction = actualA !== null ? correctWeighing(actualA, actualB ?? 0, batch.parts, card) : null;
  const grams = (value: number) => quantityText(value, "mass", system);

  return (
    <div>
      <div className="label px-6 mb-2">On the scale, in this order</div>
      <ol>
        {step?.weigh.map((line, index) => {
          const shown = formatQuantity(line.grams, "mass", system);
          return (
            <li
              key={line.line}
              className={`flex items-center gap-3 px-6 py-2.5 border-b border-line ${index === 0 ? "bg-paper border-l-[3px] border-l-ink pl-[21px]" : ""}`}
            >
              <span className="flex-1 leading-tight">
                {line.label}
                {line.count && !line.count.endsWith(" g") && (
                  <span className="label block">{line.count}</span>
                )}
                {line.ml !== null && (
                  <span className="label block">{quantityText(line.ml, "volume", system)}</span>
                )}
              </span>
              <span className={`figure whitespace-nowrap ${index === 0 ? "text-2xl" : "text-xl"}`}>
                {shown.number}
                <span className="label ml-1">g</span>
              </span>
            </li>
          );
        })}
      </ol>
      {!separate && card.kind !== "paint" && (
        <div className="px-6 pt-4 flex flex-col gap-3">
          <p className="label">Poured too much? Type what the scale shows.</p>
          <div className="grid grid-cols-2 gap-3">
            <QuantityField
              label="A in the pot"
              value={actualA}
              dimension="mass"
              system={system}
              bounds={{ min: 0, max: 100_000 }}
              onChange={setActualA}
              onClear={() => setActualA(null)}
              bare
            />
            <QuantityField
              label="B in the pot"
              value={actualB}
              dimension="mass"
              system={system}
              bounds={{ min: 0, max: 100_000 }}
              onChange={setActualB}
              onClear={() => setActualB(null)}
              bare
            />
          </div>
          {correction && (
            <p role="status" className="border-l-[3px] border-ink pl-3 text-sm">
              {correction.kind === "within"
                ? `In ratio, within the card's ${trimmed(card.ratioTolerancePct, 1)} %. Go on.`
                : `Bring ${correction.part} to ${grams(correction.toG)}: ${grams(Math.max(0, correction.addG))} ${actualB === null && correction.part === "B" ? "in all" : "more"}. ${correction.growth > 0.0005 ? `The batch grows to ${grams(correction.mixG)}, ${trimmed(correction.growth * 100, 1)} % more; colour goes up by as much.` : ""}`}
            </p>
          )}
        </div>
      )}
    </div>
  );
}
