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
import type { DoseMeasure } from "@/core/batch/dose";
import { COLOUR_KIND_WORDS, opticsOf, type Appearance, type ColourKind } from "@/core/colour/colour-card";
import type { Swatch } from "@/core/colour/fit-pigment";
import { PIGMENTS, type PigmentKey } from "@/core/colour/pigments";
import { hexOfLab } from "@/core/colour/spaces";
import { decimal } from "@/core/units/format-quantity";
import { Button } from "@/ui/button";
import { Choice } from "@/ui/choice";
import { QuantityField } from "@/ui/quantity-field";
import { readColour } from "@/ui/read-colour";
import { SelectField, TextField } from "@/ui/text-field";
import { cardLook, LADDER } from "./card-look";

const BY: { value: Appearance["by"]; words: string }[] = [
  { value: "swatches", words: "two swatches" },
  { value: "pigment", words: "generic pigment" },
  { value: "flakes", words: "flakes" },
  { value: "dye", words: "dye" },
  { value: "unknown", words: "not known" },
];
const START: { [By in Appearance["by"]]: Extract<Appearance, { by: By }> } = {
  swatches: {
    by: "swatches",
    swatches: { masstone: null, tint: null, shade: null },
    opacity: "semi",
    dryShare: 1,
  },
  pigment: { by: "pigment", pigment: "oxred", dryShare: 0.5 },
  flakes: { by: "flakes", face: "#F0C765", body: "#9A7833", peak: 0.26, bodyS: 0.8 },
  dye: { by: "dye", hex: "#2E86C8", filmMm: 1, gPer100G: 0.2 },
  unknown: { by: "unknown", hex: "#808080" },
};
const MEASURES: { value: DoseMeasure["unit"]; words: string; start: DoseMeasure }[] = [
  { value: "gram", words: "gram", start: { unit: "gram" } },
  { value: "drop", words: "drop", start: { unit: "drop", dropMl: 0.05, densityGPerMl: 1.2 } },
  { value: "spoon", words: "level spoon", start: { unit: "spoon", gramsPerSpoon: 0.2 } },
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
  const [fields, setFields] = useState(start);
  const [errors, setErrors] = useState<Record<string, string>>({});
  const [problem, setProblem] = useState<string | null>(null);
  const set = (next: Partial<ColourCardFields>) => setFields({ ...fields, ...next });
  const optics = useMemo(() => {
    const read = colourCardFields.safeParse({ ...fields, name: fields.name || "new" });
    return read.success ? opticsOf(asColourCard("preview", read.data)) : null;
  }, [fields]);

  const save = async () => {
    const read = colourCardFields.safeParse(fields);
    if (!read.success) {
      setErrors(Object.fromEntries(read.error.issues.map((issue) => [String(issue.path[0]), issue.message])));
      return;
    }
    setErrors({});
    const result = await callAct(saveColourCard, { cardId, fields: read.data });
    if (!result.ok) return setProblem(result.error.message);
    router.push("/colours");
    router.refresh();
  };
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
      <form
        className="w-[460px] max-lg:w-full shrink-0 flex flex-col gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          void save();
        }}
      >
        <h1 className="heading text-2xl">{cardId ? start.name : "New colour"}</h1>
        <div className="grid grid-cols-[1fr_110px] gap-3">
          <TextField
            label="Name"
            value={fields.name}
            maxLength={80}
            error={errors["name"] ?? null}
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
            onChange={(by) => set({ appearance: START[by] })}
          />
        </div>
        <AppearanceForm
          appearance={fields.appearance}
          error={errors["appearance"] ?? null}
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
              options={MEASURES.map(({ value, words }) => ({ value, words }))}
              onChange={(unit) =>
                set({ measure: MEASURES.find((one) => one.value === unit)?.start ?? { unit: "gram" } })
              }
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
          <Button type="submit" weight="primary">
            Save the card
          </Button>
          {cardId && canRemove && (
            <Button
              weight="quiet"
              onClick={async () => {
                const result = await callAct(removeColourCard, { cardId });
                if (!result.ok) return setProblem(result.error.message);
                router.push("/colours");
                router.refresh();
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
          <Behaviour kind={fields.kind} optics={optics} />
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

function Behaviour({ kind, optics }: { kind: ColourKind; optics: NonNullable<ReturnType<typeof opticsOf>> }) {
  const look = cardLook(kind, optics);
  const painted = (stops: readonly string[]) =>
    stops.length > 1 ? `linear-gradient(100deg, ${stops.join(", ")})` : stops[0];
  return (
    <div className="flex flex-col gap-5">
      {look.ladder && (
        <div>
          <div className="label mb-1">Let down with white, share of dry pigment</div>
          <div className="flex border border-ink max-w-2xl">
            {look.ladder.map((hex, index) => (
              <div key={LADDER[index]} className="flex-1">
                <div className="h-20" style={{ background: hex }} />
                <div className="label px-1.5 py-0.5">{decimal((LADDER[index] ?? 0) * 100, 0)} %</div>
              </div>
            ))}
          </div>
        </div>
      )}
      <div>
        <div className="label mb-1">{look.gPer100G} g in 100 g, a film of 1 mm over white and over black</div>
        <div className="flex border border-ink max-w-2xl h-24">
          <div className="flex-1" style={{ background: painted(look.overWhite) }} />
          <div className="flex-1" style={{ background: painted(look.overBlack) }} />
        </div>
      </div>
      <p className="text-sm max-w-xl">
        {optics.trust.rough
          ? "Rough: one swatch leaves its strength open by a factor of two or more. Add the other one."
          : `Mixes from it should lie within ΔE ${decimal(optics.trust.meanDifference, 1)} on average.`}
        {optics.strained && (
          <span role="status" className="block border-l-[3px] border-ink pl-3 mt-2">
            These swatches can hardly be of one pigment: look whether one is mistyped, or lit otherwise.
          </span>
        )}
      </p>
    </div>
  );
}

function AppearanceForm({
  appearance,
  error,
  onChange,
}: {
  appearance: Appearance;
  error: string | null;
  onChange: (appearance: Appearance) => void;
}) {
  const percent = (label: string, value: number, set: (share: number) => void) => (
    <QuantityField
      label={label}
      value={value * 100}
      dimension="percent"
      system="metric"
      bounds={{ min: 0.1, max: 100 }}
      onChange={(next) => set(next / 100)}
      bare
    />
  );
  switch (appearance.by) {
    case "pigment":
      return (
        <div className="grid grid-cols-[1fr_150px] gap-3">
          <SelectField
            label="Pigment"
            value={appearance.pigment}
            onChange={(event) => onChange({ ...appearance, pigment: event.target.value as PigmentKey })}
          >
            {Object.entries(PIGMENTS).map(([key, pigment]) => (
              <option key={key} value={key}>
                {pigment.name}, {pigment.index}
              </option>
            ))}
          </SelectField>
          {percent("Dry pigment in it", appearance.dryShare, (dryShare) =>
            onChange({ ...appearance, dryShare }),
          )}
        </div>
      );
    case "swatches": {
      const { swatches } = appearance;
      const set = (next: Partial<typeof swatches>) =>
        onChange({ ...appearance, swatches: { ...swatches, ...next } });
      return (
        <div className="flex flex-col gap-3">
          <SwatchField
            label="Full strength, so thick that nothing shines through"
            swatch={swatches.masstone}
            onSwatch={(masstone) => set({ masstone })}
            error={error}
          />
          <div className="grid grid-cols-[1fr_150px] gap-3">
            <SwatchField
              label="Let down with white"
              swatch={swatches.tint?.swatch ?? null}
              onSwatch={(swatch) => set({ tint: swatch && { swatch, share: swatches.tint?.share ?? 0.1 } })}
            />
            {swatches.tint &&
              percent("of it, dry", swatches.tint.share, (share) =>
                set({ tint: swatches.tint && { ...swatches.tint, share } }),
              )}
          </div>
          <div className="grid grid-cols-[1fr_150px] gap-3">
            <SwatchField
              label="Darkened with black, if there is one"
              swatch={swatches.shade?.swatch ?? null}
              onSwatch={(swatch) =>
                set({ shade: swatch && { swatch, share: swatches.shade?.share ?? 0.05 } })
              }
            />
            {swatches.shade &&
              percent("of black, dry", swatches.shade.share, (share) =>
                set({ shade: swatches.shade && { ...swatches.shade, share } }),
              )}
          </div>
          <div className="flex items-end gap-3">
            <Choice
              label="How opaque it is"
              value={appearance.opacity}
              options={[
                { value: "opaque", words: "opaque" },
                { value: "semi", words: "half" },
                { value: "transparent", words: "transparent" },
              ]}
              onChange={(opacity) => onChange({ ...appearance, opacity })}
            />
            {percent("Dry pigment in it", appearance.dryShare, (dryShare) =>
              onChange({ ...appearance, dryShare }),
            )}
          </div>
        </div>
      );
    }
    case "flakes":
      return (
        <div className="grid grid-cols-2 gap-3">
          <SwatchField
            label="Face, in its mirror light"
            swatch={{ hex: appearance.face }}
            onSwatch={(swatch) => swatch && "hex" in swatch && onChange({ ...appearance, face: swatch.hex })}
          />
          <SwatchField
            label="Body, from the side"
            swatch={{ hex: appearance.body }}
            onSwatch={(swatch) => swatch && "hex" in swatch && onChange({ ...appearance, body: swatch.hex })}
          />
        </div>
      );
    case "dye":
      return (
        <div className="grid grid-cols-3 gap-3">
          <SwatchField
            label="Over white"
            swatch={{ hex: appearance.hex }}
            onSwatch={(swatch) => swatch && "hex" in swatch && onChange({ ...appearance, hex: swatch.hex })}
          />
          <QuantityField
            label="in a film of, mm"
            value={appearance.filmMm}
            dimension="number"
            system="metric"
            bounds={{ min: 0.05, max: 50 }}
            onChange={(filmMm) => onChange({ ...appearance, filmMm })}
            bare
          />
          <QuantityField
            label="with, g in 100 g"
            value={appearance.gPer100G}
            dimension="number"
            system="metric"
            bounds={{ min: 0.001, max: 20 }}
            onChange={(gPer100G) => onChange({ ...appearance, gPer100G })}
            bare
          />
        </div>
      );
    case "unknown":
      return (
        <SwatchField
          label="What it is thought to look like"
          swatch={{ hex: appearance.hex }}
          onSwatch={(swatch) => swatch && "hex" in swatch && onChange({ ...appearance, hex: swatch.hex })}
        />
      );
  }
}

/** A colour typed as hex or as L*a*b*; what cannot be read is said, and stays as typed. */
function SwatchField({
  label,
  swatch,
  onSwatch,
  error = null,
}: {
  label: string;
  swatch: Swatch | null;
  onSwatch: (swatch: Swatch | null) => void;
  error?: string | null;
}) {
  const written = swatch ? ("hex" in swatch ? swatch.hex : swatch.lab.join(" ")) : "";
  const [text, setText] = useState(written);
  const [wrong, setWrong] = useState<string | null>(null);
  const shown = swatch ? ("hex" in swatch ? swatch.hex : hexOfLab(swatch.lab)) : null;
  return (
    <div className="flex items-end gap-2">
      <span
        aria-hidden
        className="size-8 border border-ink shrink-0"
        style={{ background: shown ?? "transparent" }}
      />
      <TextField
        label={label}
        placeholder="#7F3A2B or 34 27 18"
        value={text}
        error={wrong ?? error}
        frame="flex-1"
        onChange={(event) => {
          setText(event.target.value);
          if (event.target.value.trim() === "") {
            setWrong(null);
            return onSwatch(null);
          }
          const read = readColour(event.target.value);
          setWrong(read.ok ? null : read.message);
          if (read.ok) onSwatch("hex" in read ? { hex: read.hex } : { lab: read.lab });
        }}
      />
    </div>
  );
}
