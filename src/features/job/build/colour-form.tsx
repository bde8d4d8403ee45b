"use client";

import { useState } from "react";
import { MOST_G_PER_100G, MOST_IN_CUP, type CoatColour, type ColourLook } from "@/core/batch/coat-colour";
import { MEASURE_WORDS, USUAL_MEASURE, type DoseMeasure } from "@/core/batch/dose";
import { giveCupDose, giveStrength, MOST_COLOURS, splitColour, withoutColour } from "@/core/schedule/amounts";
import type { Coat } from "@/core/schedule/coat";
import { Button } from "@/ui/button";
import { Menu, MenuItem } from "@/ui/menu";
import { QuantityField } from "@/ui/quantity-field";
import { SelectField, TextField } from "@/ui/text-field";
import { editColour, giveCoat, newId } from "../workspace/edits";
import { ColourPlaces } from "./colour-places";
import { ShelfRecipe } from "../colour/shelf-recipe";
import { useJob } from "../workspace/use-job";

const LOOKS: Record<ColourLook, string> = {
  opaque: "opaque",
  metallic: "metallic",
  tint: "translucent tint",
  clear: "clear",
};

const CUP_DOSE_WORDS: Record<DoseMeasure["unit"], string> = {
  gram: "grams",
  drop: "drops",
  spoon: "level spoons",
};

/** One colour of a coat: how it looks, its share, its strength and how it is measured. */
export function ColourForm({
  coat,
  colour,
  onShare,
  system,
}: {
  coat: Coat;
  colour: CoatColour;
  onShare: (share: number) => void;
  system: "us" | "metric";
}) {
  const { plan, change } = useJob();
  const [recipe, setRecipe] = useState(false);
  const looks = plan.looks.coats.find((shown) => shown.coat.id === coat.id);
  const ofColour = looks?.colours.find((shown) => shown.colour.id === colour.id);
  const edit = (next: Partial<CoatColour>) => change(editColour(coat.id, colour.id, next));
  const { measure } = colour;
  const number = (
    label: string,
    value: number,
    bounds: { min: number; max: number },
    onChange: (value: number) => void,
    keep: string,
  ) => (
    <QuantityField
      label={label}
      value={value}
      dimension="number"
      system={system}
      bounds={bounds}
      onChange={onChange}
      keep={`${colour.id}.${keep}`}
      bare
    />
  );
  return (
    <div className="bg-shade px-3 py-3 mb-2 grid grid-cols-2 gap-3">
      <TextField
        label="Name"
        value={colour.name}
        maxLength={80}
        onChange={(event) => edit({ name: event.target.value })}
      />
      <div className="flex gap-3">
        <TextField
          label="Look"
          type="color"
          value={colour.hex}
          onChange={(event) => edit({ hex: event.target.value })}
          frame="w-14"
          className="p-0.5"
        />
        <SelectField
          label="Kind"
          value={colour.look}
          onChange={(event) => edit({ look: event.target.value as ColourLook })}
          frame="flex-1"
        >
          {Object.entries(LOOKS).map(([look, words]) => (
            <option key={look} value={look}>
              {words}
            </option>
          ))}
        </SelectField>
      </div>
      <QuantityField
        label="Share"
        value={Number((colour.share * 100).toFixed(4))}
        dimension="percent"
        system={system}
        bounds={{ min: 0, max: 100 }}
        onChange={(percent) => onShare(percent / 100)}
        keep={`${colour.id}.share`}
        bare
      />
      <QuantityField
        label="Held back of it"
        value={colour.reserve * 100}
        dimension="percent"
        system={system}
        bounds={{ min: 0, max: 200 }}
        onChange={(percent) => edit({ reserve: percent / 100 })}
        keep={`${colour.id}.reserve`}
        bare
      />
      {number(
        colour.cupDose === undefined ? "Dose, g per 100 g of mix" : "Dose, g per 100 g: follows",
        Number(colour.gPer100G.toPrecision(5)),
        { min: 0, max: MOST_G_PER_100G },
        (gPer100G) => change(giveCoat(giveStrength(coat, colour.id, gPer100G))),
        "dose",
      )}
      <SelectField
        label="Measured"
        value={measure.unit}
        onChange={(event) => edit({ measure: USUAL_MEASURE[event.target.value as DoseMeasure["unit"]] })}
      >
        {Object.entries(MEASURE_WORDS).map(([unit, words]) => (
          <option key={unit} value={unit}>
            {words}
          </option>
        ))}
      </SelectField>
      <QuantityField
        label={`Or in each cup, ${CUP_DOSE_WORDS[measure.unit]}`}
        value={colour.cupDose ?? null}
        dimension="number"
        system={system}
        bounds={{ min: 0, max: MOST_IN_CUP }}
        onChange={(count) => change(giveCoat(giveCupDose(coat, colour.id, count)))}
        onClear={() => change(giveCoat(giveCupDose(coat, colour.id, null)))}
        keep={`${colour.id}.cup-dose`}
        bare
      />
      {measure.unit === "drop" &&
        number(
          "One drop, ml",
          measure.dropMl,
          { min: 0.005, max: 1 },
          (dropMl) => edit({ measure: { ...measure, dropMl } }),
          "drop",
        )}
      {measure.unit === "drop" &&
        number(
          "Its density, g/ml",
          measure.densityGPerMl,
          { min: 0.3, max: 5 },
          (densityGPerMl) => edit({ measure: { ...measure, densityGPerMl } }),
          "density",
        )}
      {measure.unit === "spoon" &&
        number(
          "One level spoon, g",
          measure.gramsPerSpoon,
          { min: 0.005, max: 50 },
          (gramsPerSpoon) => edit({ measure: { ...measure, gramsPerSpoon } }),
          "spoon",
        )}
      <ColourPlaces coat={coat} colour={colour} />
      {recipe && looks && ofColour && (
        <div className="col-span-2">
          <ShelfRecipe coat={looks} looks={ofColour} />
        </div>
      )}
      <div className="col-span-2 flex justify-end gap-4">
        {!recipe && ofColour && (
          <Button weight="quiet" onClick={() => setRecipe(true)}>
            a recipe from the shelf
          </Button>
        )}
        {coat.colours.length < MOST_COLOURS && (
          <Menu label="split into products">
            {[2, 3, 4]
              .filter((many) => coat.colours.length + many - 1 <= MOST_COLOURS)
              .map((many) => (
                <MenuItem
                  key={many}
                  onSelect={() => change(giveCoat(splitColour(coat, colour.id, many, newId)))}
                >
                  {many} of it, each with its own load
                </MenuItem>
              ))}
          </Menu>
        )}
        <Button weight="quiet" onClick={() => change(giveCoat(withoutColour(coat, colour.id)))}>
          take this colour out
        </Button>
      </div>
    </div>
  );
}
