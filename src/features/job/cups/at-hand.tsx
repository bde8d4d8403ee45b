"use client";

import { useState } from "react";
import { USUAL_VESSELS_ML } from "@/core/batch/vessel";
import { quantityText } from "@/core/units/format-quantity";
import { parseQuantity } from "@/core/units/parse-quantity";
import { Button } from "@/ui/button";
import { Choice } from "@/ui/choice";
import { TextField } from "@/ui/text-field";
import { useJob } from "../workspace/use-job";

const STEPS = ["1", "0.1", "0.01"] as const;

/** Cups and buckets on the bench and the step of its scale: batches and losses go by them. */
export function AtHand() {
  const { document, plan, system, change } = useJob();
  const sizes = document.work.vesselsMl ?? [];
  const [text, setText] = useState<string | null>(null);
  const [error, setError] = useState<string | null>(null);
  const written = sizes.map((ml) => quantityText(ml, "volume", system)).join(", ");
  const set = (vesselsMl: number[]) => change((job) => ({ ...job, work: { ...job.work, vesselsMl } }));
  const take = () => {
    if (text === null) return;
    const sizes: number[] = [];
    for (const word of text.split(/[,;\n]+/)) {
      if (word.trim() === "") continue;
      const parsed = parseQuantity(word, "volume", system, { min: 5, max: 200_000 });
      if (!parsed.ok) return setError(`“${word.trim().slice(0, 20)}”: ${parsed.message}`);
      sizes.push(parsed.value);
    }
    setError(null);
    setText(null);
    set([...new Set(sizes)].sort((a, b) => a - b).slice(0, 24));
  };
  return (
    <div className="mt-5 pt-3 border-t border-line">
      <h3 className="heading mb-2">At hand</h3>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          take();
        }}
      >
        <TextField
          label="Cups and buckets, their sizes"
          placeholder={USUAL_VESSELS_ML.slice(0, 3)
            .map((ml) => quantityText(ml, "volume", system))
            .join(", ")}
          value={text ?? written}
          error={error}
          onChange={(event) => setText(event.target.value)}
          onBlur={take}
        />
      </form>
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
