"use client";

import { partAt } from "@/core/advice/advice";
import { Slider } from "radix-ui";
import { useState } from "react";
import { COLOURANTS, colourFrom } from "@/core/colour/starter-colours";
import type { CoatColour, ColourLook } from "@/core/batch/coat-colour";
import { MEASURE_WORDS, USUAL_MEASURE, type DoseMeasure } from "@/core/batch/dose";
import { withoutShare, withShare } from "@/core/batch/shares";
import {
  giveCup,
  giveCupDose,
  giveCupFree,
  giveEqual,
  giveParts,
  giveShare,
  giveStrength,
  giveCups,
  giveEachCup,
} from "@/core/schedule/amounts";
import { colourFromCard } from "@/core/plan/shelf-colour";
import type { Coat } from "@/core/schedule/coat";
import { readCupDose, readCups } from "@/core/schedule/read-cups";
import { SHOWN_UNIT } from "@/core/units/dimension";
import { decimal } from "@/core/units/format-quantity";
import { beforeClick } from "@/ui/before-click";
import { Button } from "@/ui/button";
import { QuantityField } from "@/ui/quantity-field";
import { SelectField, TextField } from "@/ui/text-field";
import { AdviceAt } from "../workspace/advice-line";
import { usePull } from "@/ui/use-pull";
import { editCoat, editColour, moved, newId } from "../workspace/edits";
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

/** A cup that is pulled, from its place to another; none. */
const NOT_PULLED = { from: -1, to: -1 };
/** The item of a list whose middle is nearest to a height on the screen, px. */
function itemAt(list: Element | null, y: number): number {
  const away = [...(list?.children ?? [])].map((item) => {
    const { top, bottom } = item.getBoundingClientRect();
    return Math.abs(y - (top + bottom) / 2);
  });
  return away.indexOf(Math.min(...away));
}

/** The colours of a coat as bars: move one and the others give way, a lock holds one; what a cup holds can be given. */
export function ShareList({ coat }: { coat: Coat }) {
  const { plan, colours: shelf, system, change } = useJob();
  const [openId, setOpenId] = useState<string | null>(null);
  const [order, setOrder] = useState(NOT_PULLED);
  const pull = usePull();
  const batched = plan.coats.find((planned) => planned.coat.id === coat.id)?.batched ?? null;
  const give = (next: Coat) => change(editCoat(coat.id, () => next));
  const share = (colourId: string, wished: number) => give(giveShare(coat, colourId, wished));
  const looks = plan.looks.coats.find((coatLooks) => coatLooks.coat.id === coat.id);
  const add = (chosen: string) => {
    const card = shelf.find(({ id }) => id === chosen);
    const colourant = COLOURANTS.find(({ name }) => name === chosen);
    const fresh =
      card && looks
        ? colourFromCard(card, newId(), 0.1, { filmMm: coat.filmMm, under: looks.under })
        : colourant && colourFrom(colourant, newId(), 0.1);
    if (!fresh) return;
    change(editCoat(coat.id, (before) => ({ ...before, colours: withShare(before.colours, fresh) })));
  };
  return (
    <div>
      <div className="flex items-baseline justify-between border-b border-line pb-1 mb-2">
        <h3 className="heading">Colours</h3>
        <label className="label">
          <span className="sr-only">Add a colour</span>
          <select
            value=""
            onChange={(event) => add(event.target.value)}
            className="select-mark bg-transparent w-28 pr-6 underline underline-offset-4 decoration-line-strong"
          >
            <option value="">add a colour</option>
            {shelf.length > 0 && (
              <optgroup label="On the shelf">
                {[...shelf]
                  .sort((a, b) => a.name.localeCompare(b.name))
                  .map(({ id, name }) => (
                    <option key={id} value={id}>
                      {name}
                    </option>
                  ))}
              </optgroup>
            )}
            <optgroup label="The usual">
              {COLOURANTS.map(({ name }) => (
                <option key={name} value={name}>
                  {name}
                </option>
              ))}
            </optgroup>
          </select>
        </label>
      </div>
      <ol aria-label="Cups in the order of pouring">
        {coat.colours.map((colour, at) => (
          <li
            key={colour.id}
            className={
              order.to === at ? (order.from < at ? "border-b-2 border-ink" : "border-t-2 border-ink") : ""
            }
          >
            <div className="flex items-center gap-2 h-9">
              <button
                type="button"
                aria-label={`Cup ${at + 1}, ${colour.name}: pull it, or arrow keys, to pour it earlier or later`}
                title="pull, or arrow keys: the order of pouring"
                className="figure text-sm w-5 h-7 text-ink-soft cursor-ns-resize touch-none hover:text-ink"
                onKeyDown={(event) => {
                  const by = event.key === "ArrowUp" ? -1 : event.key === "ArrowDown" ? 1 : 0;
                  if (by === 0) return;
                  event.preventDefault();
                  give({ ...coat, colours: moved(coat.colours, colour.id, by) });
                }}
                {...pull({
                  begin: () => at,
                  move: (from, _by, event) =>
                    setOrder({ from, to: itemAt(event.currentTarget.closest("ol"), event.clientY) }),
                  end: (from, { moved: pulled, calledOff }) => {
                    setOrder(NOT_PULLED);
                    if (!pulled || calledOff || order.to < 0) return;
                    const colours = coat.colours.filter((_, index) => index !== from);
                    colours.splice(order.to, 0, coat.colours[from] as CoatColour);
                    give({ ...coat, colours });
                  },
                  fromPx: 4,
                })}
              >
                {at + 1}
              </button>
              <button
                type="button"
                aria-expanded={openId === colour.id}
                onClick={() => setOpenId(openId === colour.id ? null : colour.id)}
                className="w-[84px] text-left truncate hover:underline underline-offset-4"
              >
                {colour.name || "unnamed"}
              </button>
              <Slider.Root
                className="relative flex-1 h-7 flex items-end touch-none select-none"
                min={0}
                max={100}
                step={1}
                value={[Math.round(colour.share * 100)]}
                onValueChange={([value]) => share(colour.id, (value ?? 0) / 100)}
              >
                <Slider.Track className="relative h-[22px] w-full border-b border-ink">
                  <Slider.Range
                    className="absolute h-full border border-ink"
                    style={{ background: colour.hex }}
                  />
                </Slider.Track>
                <Slider.Thumb
                  aria-label={`Share of ${colour.name}`}
                  className="block w-2.5 h-7 border border-ink bg-paper cursor-ew-resize"
                />
              </Slider.Root>
              <span className="figure text-lg w-[52px] text-right whitespace-nowrap">
                {decimal(colour.share * 100, colour.share < 0.0995 && colour.share > 0 ? 1 : 0)}
                <span className="label ml-0.5">%</span>
              </span>
              {batched && (
                <QuantityField
                  label={`Amount of ${colour.name || "this colour"}, ${SHOWN_UNIT.volume[system]}`}
                  value={batched.coloursMl.find(({ colourId }) => colourId === colour.id)?.ml ?? 0}
                  dimension="volume"
                  system={system}
                  bounds={{ min: 0.1, max: 1_000_000 }}
                  onChange={(ml) => give(giveCup(coat, colour.id, ml))}
                  keep={`${colour.id}.amount`}
                  className="w-[62px]"
                  hideLabel
                  bare
                />
              )}
              {colour.givenMl !== undefined ? (
                <button
                  type="button"
                  aria-label={`Let the amount of ${colour.name} follow`}
                  title="given: press to let it follow"
                  onClick={() => give(giveCupFree(coat, colour.id))}
                  className="w-9 text-xs font-semibold"
                >
                  given
                </button>
              ) : (
                <button
                  type="button"
                  aria-pressed={colour.locked}
                  aria-label={`Hold the share of ${colour.name}`}
                  title={colour.locked ? "held" : "hold this share"}
                  onClick={() => change(editColour(coat.id, colour.id, { locked: !colour.locked }))}
                  className={`w-9 text-xs ${colour.locked ? "font-semibold" : "text-ink-soft underline underline-offset-2"}`}
                >
                  {colour.locked ? "held" : "hold"}
                </button>
              )}
            </div>
            {openId === colour.id && (
              <ColourForm
                coat={coat}
                colour={colour}
                onShare={(value) => share(colour.id, value)}
                system={system}
              />
            )}
            <AdviceAt
              coatId={coat.id}
              at={[colour.id, ...(colour.parts ?? []).map(({ cardId }) => partAt(colour.id, cardId))]}
            />
          </li>
        ))}
      </ol>
      {coat.colours.length === 0 && (
        <p className="text-ink-soft text-sm">No colour yet: add one, or clear.</p>
      )}
      {coat.colours.length > 0 && <AllCups coat={coat} onCoat={give} />}
      <AdviceAt coatId={coat.id} at={["shares"]} />
    </div>
  );
}

/** All cups at once, as it is said: "2 : 14 : 12", "10 ml each", "a level spoon". */
function AllCups({ coat, onCoat }: { coat: Coat; onCoat: (coat: Coat) => void }) {
  const { system } = useJob();
  const many = coat.colours.length;
  return (
    <div className="flex items-start gap-3 mt-1.5">
      {many > 1 && (
        <Said
          label="All cups, from the first"
          placeholder={system === "us" ? "2 : 14 : 12 oz" : "60 : 400 : 350 ml"}
          wrong={`Type ${many} parts or volumes in the order of the cups, or one and “each”.`}
          read={(text) => {
            const said = readCups(text, many, system);
            if (said) onCoat(said.by === "parts" ? giveParts(coat, said.parts) : giveCups(coat, said.ml));
            return said !== null;
          }}
        />
      )}
      <Said
        label="Into each cup"
        placeholder="a level spoon"
        wrong="Type a number of level spoons, drops or g."
        read={(text) => {
          const dose = readCupDose(text);
          if (dose) onCoat(giveEachCup(coat, dose.count, dose.unit));
          return dose !== null;
        }}
      />
      {many > 1 && (
        <Button weight="quiet" className="mt-6 whitespace-nowrap" onClick={() => onCoat(giveEqual(coat))}>
          all equal
        </Button>
      )}
    </div>
  );
}

/** A field that takes a few words, and is empty again when they have counted. */
function Said({
  label,
  placeholder,
  wrong,
  read,
}: {
  label: string;
  placeholder: string;
  wrong: string;
  read: (text: string) => boolean;
}) {
  const [typed, setTyped] = useState("");
  const [error, setError] = useState<string | null>(null);
  const take = () => {
    const good = typed.trim() === "" || read(typed);
    setError(good ? null : wrong);
    if (good) setTyped("");
  };
  return (
    <form
      className="flex-1 min-w-0"
      onSubmit={(event) => {
        event.preventDefault();
        take();
      }}
    >
      <TextField
        label={label}
        placeholder={placeholder}
        value={typed}
        error={error}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={() => beforeClick(take)}
      />
    </form>
  );
}

function ColourForm({
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
  const { change } = useJob();
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
        { min: 0, max: 60 },
        (gPer100G) => change(editCoat(coat.id, () => giveStrength(coat, colour.id, gPer100G))),
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
        bounds={{ min: 0, max: 1000 }}
        onChange={(count) => change(editCoat(coat.id, () => giveCupDose(coat, colour.id, count)))}
        onClear={() => change(editCoat(coat.id, () => giveCupDose(coat, colour.id, null)))}
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
      <div className="col-span-2 text-right">
        <Button
          weight="quiet"
          onClick={() =>
            change(
              editCoat(coat.id, (before) => ({
                ...before,
                colours: withoutShare(before.colours, colour.id),
              })),
            )
          }
        >
          take this colour out
        </Button>
      </div>
    </div>
  );
}
