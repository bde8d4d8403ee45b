"use client";

import { USUAL_VESSELS_ML } from "@/core/batch/vessel";
import { quantityText } from "@/core/units/format-quantity";
import { Button } from "@/ui/button";
import { Choice } from "@/ui/choice";
import { QuantityListField } from "@/ui/quantity-list-field";
import { useJob } from "../workspace/use-job";

const STEPS = ["1", "0.1", "0.01"] as const;

/** Cups and buckets on the bench and the step of its scale: batches and losses go by them. */
export function AtHand() {
  const { document, plan, system, change } = useJob();
  const sizes = document.work.vesselsMl ?? [];
  const set = (vesselsMl: number[]) => change((job) => ({ ...job, work: { ...job.work, vesselsMl } }));
  return (
    <div className="mt-5 pt-3 border-t border-line">
      <h3 className="heading mb-2">At hand</h3>
      <QuantityListField
        label="Cups and buckets, their sizes"
        values={sizes}
        dimension="volume"
        system={system}
        bounds={{ min: 5, max: 200_000 }}
        most={24}
        placeholder={USUAL_VESSELS_ML.slice(0, 3)
          .map((ml) => quantityText(ml, "volume", system))
          .join(", ")}
        onChange={set}
      />
      <p className="label mt-1">
        {sizes.length === 0 ? (
          "Empty: the usual sizes, from 30 ml cups to 25 L buckets."
        ) : (
          <Button weight="quiet" onClick={() => set([])}>
            the usual sizes
          </Button>
        )}
      </p>
      <div className="flex items-center gap-3 mt-2">
        <span className="label">Scale reads to</span>
        <Choice
          label="Step of the scale"
          value={String(plan.atHand.scaleStepG)}
          options={STEPS.map((step) => ({ value: step, words: `${step} g` }))}
          onChange={(step) => change((job) => ({ ...job, work: { ...job.work, scaleStepG: Number(step) } }))}
        />
      </div>
    </div>
  );
}
