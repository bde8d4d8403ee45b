"use client";

import { useRouter } from "next/navigation";
import { useState } from "react";
import { callAct } from "@/contracts/call-act";
import { beginTrial, trialFields, type TrialFields } from "@/contracts/trials";
import { drawPairs, FEWEST_PAIRS, MOST_PAIRS } from "@/core/learning/trial";
import { powerWords } from "@/core/learning/trial-words";
import type { UnitSystem } from "@/core/units/dimension";
import { Button } from "@/ui/button";
import { Checkbox } from "@/ui/checkbox";
import { Choice } from "@/ui/choice";
import { QuantityField } from "@/ui/quantity-field";
import { TextField } from "@/ui/text-field";
import { useKeptForm } from "@/ui/use-kept-form";

const START: TrialFields = {
  name: "",
  now: "",
  tried: "",
  asks: "Which one is better?",
  many: 6,
  measures: false,
  measure: { name: "", unit: "%", better: "more" },
};

/** Numbers in [0, 1) that nobody can know before. */
const uniform = (): number => (crypto.getRandomValues(new Uint32Array(1))[0] as number) / 2 ** 32;

/** What is tried against what, on how many pairs of boards; then it is drawn what goes where. */
export function BeginTrial({ system }: { system: UnitSystem }) {
  const router = useRouter();
  const [id] = useState(() => crypto.randomUUID());
  const form = useKeptForm<TrialFields>({
    key: "trial.new",
    schema: trialFields,
    start: START,
    send: async ({ many, measures, measure, ...fields }) => {
      const plan = { ...fields, measure: measures ? measure : null, pairs: drawPairs(many, uniform) };
      const result = await callAct(beginTrial, { id, plan });
      if (!result.ok) return result.error;
      router.push(`/learn/trials?trial=${id}`);
      return null;
    },
  });
  const { values, set, faultAt } = form;
  const words = (field: "name" | "now" | "tried" | "asks", label: string) => (
    <TextField
      label={label}
      value={values[field]}
      maxLength={120}
      error={faultAt(field)}
      onChange={(event) => set({ [field]: event.target.value })}
    />
  );
  const problem = form.problemBeside(...Object.keys(START));
  return (
    <section aria-label="A new trial" className="max-w-2xl">
      <h2 className="heading text-xl">Try two ways</h2>
      <p className="text-ink-soft mb-4">
        One thing changed, all else equal: the same resin, lot, room and hand. Boards are poured in pairs; a
        draw says what goes on which, and which is poured first.
      </p>
      <form onSubmit={form.submit} noValidate className="flex flex-col gap-4">
        {words("name", "Name of the trial")}
        <div className="grid grid-cols-2 gap-4 max-sm:grid-cols-1">
          {words("now", "What you do now")}
          {words("tried", "The one thing that is changed")}
        </div>
        {words("asks", "What the eye is asked of each pair")}
        <div className="flex gap-4 items-end flex-wrap">
          <QuantityField
            label="Pairs of boards"
            value={values.many}
            dimension="number"
            system={system}
            bounds={{ min: FEWEST_PAIRS, max: MOST_PAIRS }}
            fault={faultAt("many")}
            onChange={(many) => set({ many: Math.round(many) })}
            className="w-36"
            size="large"
            bare
          />
          <p className="flex-1 min-w-60 text-lg" role="status">
            {powerWords(values.many)}
          </p>
        </div>
        <Checkbox
          label="measure something on each board as well"
          checked={values.measures}
          onChange={(measures) => set({ measures })}
        />
        {values.measures && (
          <div className="flex gap-4 items-end flex-wrap border-l-[3px] border-line-strong pl-4">
            <TextField
              label="What is measured, such as black on top"
              value={values.measure.name}
              maxLength={60}
              error={faultAt("measure.name")}
              frame="flex-1 min-w-60"
              onChange={(event) => set({ measure: { ...values.measure, name: event.target.value } })}
            />
            <TextField
              label="Unit"
              value={values.measure.unit}
              maxLength={12}
              error={faultAt("measure.unit")}
              frame="w-20"
              onChange={(event) => set({ measure: { ...values.measure, unit: event.target.value } })}
            />
            <Choice
              label="Which is better"
              value={values.measure.better}
              options={[
                { value: "more", words: "more is better" },
                { value: "less", words: "less is better" },
              ]}
              onChange={(better) => set({ measure: { ...values.measure, better } })}
            />
          </div>
        )}
        {problem && (
          <p role="alert" className="border-l-2 border-danger text-danger pl-2">
            {problem}
          </p>
        )}
        <Button type="submit" weight="primary" className="self-start min-h-11" disabled={form.busy}>
          Draw what goes where
        </Button>
      </form>
    </section>
  );
}
