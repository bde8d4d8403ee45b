"use client";

import { useState } from "react";
import type { Appearance } from "@/core/colour/colour-card";
import { labOfSwatch, type Swatch } from "@/core/colour/fit-pigment";
import { PIGMENTS, type PigmentKey } from "@/core/colour/pigments";
import { readColour } from "@/core/colour/read-colour";
import { hexOfLab, type Lab } from "@/core/colour/spaces";
import { Choice } from "@/ui/choice";
import { PhotoColour } from "@/ui/photo-colour";
import { QuantityField } from "@/ui/quantity-field";
import { SelectField, TextField } from "@/ui/text-field";

/** What each way of knowing a look begins with. */
export const APPEARANCE_START: { [By in Appearance["by"]]: Extract<Appearance, { by: By }> } = {
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

/** What is known of a colourant's look, in the fields of its kind. */
export function AppearanceForm({
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
            measurable
            swatch={swatches.masstone}
            onSwatch={(masstone) => set({ masstone })}
            error={error}
          />
          <div className="grid grid-cols-[1fr_150px] gap-3">
            <SwatchField
              label="Let down with white"
              measurable
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
              measurable
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
  measurable = false,
}: {
  label: string;
  swatch: Swatch | null;
  onSwatch: (swatch: Swatch | null) => void;
  error?: string | null;
  /** It may be L*a*b*; otherwise a screen's colour is kept. */
  measurable?: boolean;
}) {
  const gloss = swatch && "lab" in swatch ? swatch.gloss : undefined;
  const swatchOf = (lab: Lab): Swatch =>
    measurable ? { lab, ...(gloss ? { gloss } : {}) } : { hex: hexOfLab(lab) };
  const written = swatch ? ("hex" in swatch ? swatch.hex : swatch.lab.join(" ")) : "";
  const [text, setText] = useState(written);
  const [wrong, setWrong] = useState<string | null>(null);
  const shown = swatch ? ("hex" in swatch ? swatch.hex : hexOfLab(labOfSwatch(swatch))) : null;
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
          if (read.ok) onSwatch("hex" in read ? { hex: read.hex } : swatchOf(read.lab));
        }}
      />
      {measurable && swatch && "lab" in swatch && (
        <Choice
          label={`${label}: how its gloss was measured`}
          value={gloss ?? "excluded"}
          options={[
            { value: "excluded", words: "no gloss" },
            { value: "included", words: "gloss in" },
          ]}
          onChange={(next) =>
            onSwatch({ lab: swatch.lab, ...(next === "included" ? { gloss: "included" as const } : {}) })
          }
        />
      )}
      <PhotoColour
        words="photo"
        take="take it"
        onTake={({ lab }) => {
          setWrong(null);
          const rounded = lab.map((value) => Number(value.toFixed(1))) as unknown as Lab;
          setText(measurable ? rounded.join(" ") : hexOfLab(rounded));
          onSwatch(measurable ? { lab: rounded } : { hex: hexOfLab(rounded) });
        }}
      />
    </div>
  );
}
