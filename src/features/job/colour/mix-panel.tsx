"use client";

import { Slider } from "radix-ui";
import { useMemo } from "react";
import { partAt } from "@/core/advice/advice";
import { doseId, dosesFor, type ColourPart } from "@/core/batch/coat-colour";
import { closeness } from "@/core/colour/ciede2000";
import { COLOUR_KIND_WORDS, opticsOf, type ColourCard, type ColourKind } from "@/core/colour/colour-card";
import { HIDDEN, NOT_SEEN } from "@/core/colour/hiding";
import { hidingOf, lookSpread } from "@/core/colour/mix-look";
import { labOfHex } from "@/core/colour/spaces";
import type { CoatLooks, ColourLooks } from "@/core/plan/colour-plan";
import { partOfCard } from "@/core/plan/shelf-colour";
import { doseWords } from "@/core/pour/weigh-lines";
import { decimal, quantityText, trimmed } from "@/core/units/format-quantity";
import { Button } from "@/ui/button";
import { QuantityField } from "@/ui/quantity-field";
import { AdviceAt } from "../workspace/advice-line";
import { useJob } from "../workspace/use-job";
import { GreyLadder } from "./grey-ladder";
import { ShelfRecipe, useCupMix } from "./shelf-recipe";

/** Where a slider ends when the card names no limit, g in 100 g. */
const USUAL_MOST = 10;
/** One mix: its doses, how sure its look is, what it hides, and recipes from the shelf. */
export function MixPanel({ coat, looks }: { coat: CoatLooks; looks: ColourLooks }) {
  const { colours: shelf, plan, system } = useJob();
  const { cards, cupG, setParts: set } = useCupMix(coat, looks);
  const { colour } = looks;
  const parts = colour.parts ?? [];
  const dose = (cardId: string, gPer100G: number) =>
    set(parts.map((part) => (part.cardId === cardId ? { ...part, gPer100G } : part)));
  const add = (cardId: string) => {
    const card = cards.get(cardId);
    if (!card || parts.some((part) => part.cardId === cardId)) return;
    set([...parts, partOfCard(card)]);
  };
  const inCup = cupG === null ? [] : dosesFor(cupG, colour);

  return (
    <div className="flex flex-col gap-5">
      <div>
        <div className="flex items-baseline justify-between">
          <h2 className="heading text-xl">{colour.name}</h2>
          {cupG !== null && <span className="label">cup of {quantityText(cupG, "mass", system)}</span>}
        </div>
        {parts.length === 0 && (
          <p className="text-sm text-ink-soft mt-1">
            {colour.look === "clear"
              ? "Clear: what lies below is seen through it. Add a colourant to tint it."
              : "Its look is typed, its pigments are not known. Mix it from the shelf, and what it becomes in the film is computed."}
          </p>
        )}
      </div>

      <div>
        <div className="flex items-baseline justify-between border-b border-line pb-1">
          <h3 className="heading">Doses, in 100 g of mix</h3>
          <AddColourant shelf={shelf} used={parts} onAdd={add} />
        </div>
        {parts.map((part, index) => {
          const card = cards.get(part.cardId);
          const most = card?.mostPer100G ?? USUAL_MOST;
          const cup = inCup.find((dose) => dose.id === doseId(colour, index));
          return (
            <div key={part.cardId} className="border-b border-line py-2">
              <div className="flex items-baseline justify-between">
                <span>
                  {part.name}
                  {card && opticsOf(card) === null && <span className="label"> look not known</span>}
                  {!card && <span className="label"> its card is gone</span>}
                </span>
                <span className="label">{cup ? doseWords(cup, plan.atHand.scaleStepG) : ""}</span>
              </div>
              <div className="flex items-center gap-3">
                <Slider.Root
                  className="relative flex-1 h-7 flex items-center touch-none select-none"
                  min={0}
                  max={Math.max(most, part.gPer100G)}
                  step={most > 2 ? 0.05 : 0.01}
                  value={[part.gPer100G]}
                  onValueChange={([value]) => dose(part.cardId, value ?? 0)}
                >
                  <Slider.Track className="relative h-[3px] w-full bg-line-strong">
                    <Slider.Range className="absolute h-full bg-ink" />
                  </Slider.Track>
                  <Slider.Thumb
                    aria-label={`Dose of ${part.name}`}
                    className="block w-2.5 h-6 border border-ink bg-paper cursor-ew-resize"
                  />
                </Slider.Root>
                <QuantityField
                  label={`${part.name}, g in 100 g`}
                  hideLabel
                  value={part.gPer100G}
                  dimension="number"
                  system={system}
                  bounds={{ min: 0, max: 60 }}
                  onChange={(value) => dose(part.cardId, value)}
                  keep={`${colour.id}.${part.cardId}`}
                  className="w-20"
                  bare
                />
                <Button
                  weight="quiet"
                  className="text-xs"
                  aria-label={`Take out ${part.name}`}
                  onClick={() => set(parts.filter((kept) => kept.cardId !== part.cardId))}
                >
                  out
                </Button>
              </div>
              <AdviceAt coatId={coat.coat.id} at={[partAt(colour.id, part.cardId)]} />
            </div>
          );
        })}
      </div>

      <AdviceAt coatId={coat.coat.id} at={[colour.id]} />
      {looks.look && parts.length > 0 && <Sureness coat={coat} looks={looks} />}
      {looks.look && parts.length > 0 && <HidingWords coat={coat} looks={looks} />}
      <GreyLadder colour={colour} cards={cards} cupG={cupG} onDose={dose} />
      <ShelfRecipe coat={coat} looks={looks} />
    </div>
  );
}

function AddColourant({
  shelf,
  used,
  onAdd,
}: {
  shelf: readonly ColourCard[];
  used: readonly ColourPart[];
  onAdd: (cardId: string) => void;
}) {
  const free = shelf.filter((card) => !used.some((part) => part.cardId === card.id));
  return (
    <label className="label">
      <span className="sr-only">Add a colourant</span>
      <select
        value=""
        onChange={(event) => onAdd(event.target.value)}
        className="select-mark bg-transparent w-36 pr-6 underline underline-offset-4 decoration-line-strong"
      >
        <option value="">add a colourant</option>
        {(Object.keys(COLOUR_KIND_WORDS) as ColourKind[]).map((kind) => {
          const ofKind = free.filter((card) => card.kind === kind);
          return (
            ofKind.length > 0 && (
              <optgroup key={kind} label={COLOUR_KIND_WORDS[kind]}>
                {ofKind.map((card) => (
                  <option key={card.id} value={card.id}>
                    {card.name}
                  </option>
                ))}
              </optgroup>
            )
          );
        })}
      </select>
    </label>
  );
}

/** The look with its spread: the colourant that matters most, weaker and stronger than its card says. */
function Sureness({ coat, looks }: { coat: CoatLooks; looks: ColourLooks }) {
  const spread = useMemo(
    () => lookSpread(looks.parts, coat.coat.filmMm, coat.under.internal),
    [looks.parts, coat.coat.filmMm, coat.under.internal],
  );
  const part = looks.colour.parts?.find((mixed) => mixed.cardId === spread.partId);
  const { look } = looks;
  return (
    <div>
      <h3 className="heading border-b border-line pb-1 mb-2">How sure</h3>
      <div className="flex border border-ink h-10" role="img" aria-label="Spread of the look">
        {[spread.weaker, spread.likely, spread.stronger].map((hex, index) => (
          <div key={index} className={index === 1 ? "flex-[2]" : "flex-1"} style={{ background: hex }} />
        ))}
      </div>
      <p className="label mt-1">
        {part
          ? `At the ends ${part.name} half and twice as strong as its card says: ΔE ${decimal(spread.difference, 0)}. Two swatches on its card narrow this.`
          : "Nothing in it that colours."}
        {looks.look?.beyondScreen && " The colour lies beyond what a screen can show."}
      </p>
      {look?.metallic && (
        <p className="text-sm mt-2">
          Face L* {decimal(look.metallic.face[0], 0)}, flop L* {decimal(look.metallic.flop[0], 0)}, flop index{" "}
          {decimal(look.metallic.flopIndex, 1)}; {decimal(look.metallic.visible * 100, 0)} % of the shimmer is
          seen.
        </p>
      )}
    </div>
  );
}

function HidingWords({ coat, looks }: { coat: CoatLooks; looks: ColourLooks }) {
  const { system } = useJob();
  const filmMm = coat.coat.filmMm;
  const hiding = useMemo(
    () => hidingOf(looks.parts, filmMm, coat.under.internal),
    [looks.parts, filmMm, coat.under.internal],
  );
  if (!hiding) return null;
  const { contrast, ghost, unseenFilmMm } = hiding;
  const factor = unseenFilmMm === null ? null : unseenFilmMm.likely / filmMm;
  const percent = (share: number) => decimal(share * 100, share > 0.995 ? 0 : 1);
  const film = (mm: number) => quantityText(mm, "film", system);
  return (
    <div>
      <h3 className="heading border-b border-line pb-1 mb-2">Hiding at {film(filmMm)}</h3>
      <div className="flex gap-6">
        <div>
          <div className="label">Contrast ratio</div>
          <div className="figure text-xl">
            {percent(contrast.likely)}
            <span className="unit">%</span>
          </div>
          <div className="label">
            {percent(contrast.low)} to {percent(contrast.high)};{" "}
            {contrast.likely >= HIDDEN ? "hidden, by the standard" : "98 % is called hidden"}
          </div>
        </div>
        <div>
          <div className="label">The ground ghosts</div>
          <div className="figure text-xl">
            <span className="label">ΔE</span> {decimal(ghost.likely, 1)}
          </div>
          <div className="label">
            {decimal(ghost.low, 1)} to {decimal(ghost.high, 1)};{" "}
            {ghost.likely < NOT_SEEN ? "not seen" : closeness(ghost.likely)}
          </div>
        </div>
      </div>
      {ghost.likely >= NOT_SEEN && (
        <p className="text-sm mt-2">
          {unseenFilmMm === null || factor === null
            ? "No film of this hides its ground: give it an opaque base of its own hue."
            : `Not seen from ${film(unseenFilmMm.likely)} (${film(unseenFilmMm.low)} to ${film(unseenFilmMm.high)}), or with ${trimmed(factor, 1)} times the load at this film, or over a base nearer to it: grey instead of ${labOfHex(coat.under.hex)[0] < 50 ? "black" : "white"}.`}
        </p>
      )}
    </div>
  );
}
