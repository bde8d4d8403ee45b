"use client";

import { useRouter } from "next/navigation";
import { useMemo, useState } from "react";
import { callAct } from "@/contracts/call-act";
import {
  asColourCard,
  colourCardFields,
  removeColourCard,
  saveColourCard,
  type ColourCardFields,
} from "@/contracts/colour-card";
import { USUAL_MEASURE, type DoseMeasure } from "@/core/batch/dose";
import { COLOUR_KIND_WORDS, opticsOf, type Appearance, type ColourKind } from "@/core/colour/colour-card";
import { Button } from "@/ui/button";
import { fetchFile } from "@/ui/save-file";
import { Choice } from "@/ui/choice";
import { QuantityField } from "@/ui/quantity-field";
import { SelectField, TextField } from "@/ui/text-field";
import { Unsaved } from "@/ui/unsaved";
import { useKeptForm } from "@/ui/use-kept-form";
import { APPEARANCE_START, AppearanceForm } from "./appearance-form";
import { ColourBehaviour } from "./colour-behaviour";

const BY: { value: Appearance["by"]; words: string }[] = [
  { value: "swatches", words: "two swatches" },
  { value: "pigment", words: "generic pigment" },
  { value: "flakes", words: "flakes" },
  { value: "dye", words: "dye" },
  { value: "unknown", words: "not known" },
];
const MEASURES: { value: DoseMeasure["unit"]; words: string }[] = [
  { value: "gram", words: "gram" },
  { value: "drop", words: "drop" },
  { value: "spoon", words: "level spoon" },
];

/** A colour card: what is known of a colourant, and at once what it does with white, over black and over white. */
export function ColourForm({
  cardId,
  start,
  canRemove,
}: {
  cardId: string | null;
  start: ColourCardFields;
  canRemove: boolean;
}) {
  const router = useRouter();
  const leave = () => {
    router.push("/colours");
    router.refresh();
  };
  const form = useKeptForm<ColourCardFields>({
    key: `colour.${cardId ?? "new"}`,
    schema: colourCardFields,
    start,
    send: async (read) => {
      const result = await callAct(saveColourCard, { cardId, fields: read });
      if (!result.ok) return result.error;
      leave();
      return null;
    },
  });
  const { values: fields, set, faultAt } = form;
  const [refusal, setRefusal] = useState<string | null>(null);
  const problem = refusal ?? form.problemBeside("name", "appearance");
  const optics = useMemo(() => {
    const read = colourCardFields.safeParse({ ...fields, name: fields.name || "new" });
    return read.success ? opticsOf(asColourCard("preview", read.data)) : null;
  }, [fields]);

  const number = (
    label: string,
    value: number | null,
    bounds: { min: number; max: number },
    onChange: (value: number | null) => void,
    optional = false,
  ) => (
    <QuantityField
      label={label}
      value={value}
      dimension="number"
      system="metric"
      bounds={bounds}
      onChange={onChange}
      {...(optional ? { onClear: () => onChange(null) } : {})}
      bare
    />
  );
  const { measure } = fields;

  return (
    <main className="px-7 py-6 flex gap-12 max-lg:flex-col">
      <form className="w-[460px] max-lg:w-full shrink-0 flex flex-col gap-4" onSubmit={form.submit}>
        <h1 className="heading text-2xl">{cardId ? start.name : "New colour"}</h1>
        <div className="grid grid-cols-[1fr_110px] gap-3">
          <TextField
            label="Name"
            value={fields.name}
            maxLength={80}
            error={faultAt("name")}
            onChange={(event) => set({ name: event.target.value })}
          />
          <TextField
            label="Pigment, C.I."
            placeholder="PB15:3"
            value={fields.index}
            maxLength={20}
            onChange={(event) => set({ index: event.target.value })}
          />
        </div>
        <SelectField
          label="Kind"
          value={fields.kind}
          onChange={(event) => set({ kind: event.target.value as ColourKind })}
        >
          {Object.entries(COLOUR_KIND_WORDS).map(([kind, words]) => (
            <option key={kind} value={kind}>
              {words}
            </option>
          ))}
        </SelectField>
        <div>
          <div className="label mb-1">Its look is known by</div>
          <Choice
            label="How its look is known"
            value={fields.appearance.by}
            options={BY}
            onChange={(by) => set({ appearance: APPEARANCE_START[by] })}
          />
        </div>
        <AppearanceForm
          appearance={fields.appearance}
          error={faultAt("appearance")}
          onChange={(appearance) => set({ appearance: appearance as ColourCardFields["appearance"] })}
        />
        <div className="grid grid-cols-3 gap-3">
          {number(
            "Most, g in 100 g",
            fields.mostPer100G,
            { min: 0.01, max: 100 },
            (mostPer100G) => set({ mostPer100G }),
            true,
          )}
          {number("Density, g/ml", fields.densityGPerMl, { min: 0.05, max: 20 }, (value) =>
            set({ densityGPerMl: value ?? 1 }),
          )}
          {number(
            "Price of a kg",
            fields.pricePerKg,
            { min: 0, max: 100_000 },
            (pricePerKg) => set({ pricePerKg }),
            true,
          )}
        </div>
        <div className="flex items-end gap-3">
          <div>
            <div className="label mb-1">Measured by the</div>
            <Choice
              label="Measured by"
              value={measure.unit}
              options={MEASURES}
              onChange={(unit) => set({ measure: USUAL_MEASURE[unit] })}
            />
          </div>
          {measure.unit === "drop" &&
            number("A drop, ml", measure.dropMl, { min: 0.005, max: 1 }, (value) =>
              set({ measure: { ...measure, dropMl: value ?? 0.05, densityGPerMl: fields.densityGPerMl } }),
            )}
          {measure.unit === "spoon" &&
            number("A level spoon, g", measure.gramsPerSpoon, { min: 0.005, max: 50 }, (value) =>
              set({ measure: { ...measure, gramsPerSpoon: value ?? 0.2 } }),
            )}
        </div>
        {problem && (
          <p role="alert" className="text-danger border-l-2 border-danger pl-2">
            {problem}
          </p>
        )}
        <div className="flex gap-4 items-center">
          <Button type="submit" weight="primary" disabled={form.busy}>
            Save the card
          </Button>
          <Unsaved form={form} />
          {cardId && (
            <Button weight="quiet" onClick={() => void fetchFile(`/colours/${cardId}/colour.zip`)}>
              as a file
            </Button>
          )}
          {cardId && canRemove && (
            <Button
              weight="quiet"
              onClick={async () => {
                const result = await callAct(removeColourCard, { cardId });
                if (!result.ok) return setRefusal(result.error.message);
                leave();
              }}
            >
              remove it
            </Button>
          )}
        </div>
      </form>
      <section aria-label="What it does" className="flex-1 min-w-0">
        <h2 className="heading text-lg border-b border-line pb-1 mb-3">What it does</h2>
        {optics ? (
          <ColourBehaviour card={fields} optics={optics} />
        ) : (
          <p className="text-ink-soft">
            Type how it looks at full strength and let down with white. With one of both its strength is a
            guess.
          </p>
        )}
      </section>
    </main>
  );
}
