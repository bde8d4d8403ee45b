"use client";

import { Slider } from "radix-ui";
import { useState } from "react";
import { partAt } from "@/core/advice/advice";
import type { CoatColour } from "@/core/batch/coat-colour";
import { MOST_MIX_ML } from "@/core/batch/given";
import { withShare } from "@/core/batch/shares";
import { COLOURANTS, colourFrom } from "@/core/colour/starter-colours";
import { colourFromCard } from "@/core/plan/shelf-colour";
import { giveCup, giveCupFree, giveShare } from "@/core/schedule/amounts";
import type { Coat } from "@/core/schedule/coat";
import { SHOWN_UNIT } from "@/core/units/dimension";
import { decimal } from "@/core/units/format-quantity";
import { QuantityField } from "@/ui/quantity-field";
import { usePull } from "@/ui/use-pull";
import { AdviceAt } from "../workspace/advice-line";
import { editColour, giveCoat, moved, newId } from "../workspace/edits";
import { useJob } from "../workspace/use-job";
import { AllCups } from "./all-cups";
import { ColourFinder } from "./colour-finder";
import { ColourForm } from "./colour-form";

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
  const give = (next: Coat) => change(giveCoat(next));
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
    give({ ...coat, colours: withShare(coat.colours, fresh) });
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
      <ColourFinder coat={coat} onAdd={add} />
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
                  bounds={{ min: 0.1, max: MOST_MIX_ML }}
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
