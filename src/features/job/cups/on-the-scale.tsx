"use client";

import { useState } from "react";
import type { Batch } from "@/core/batch/batch-coat";
import { letDownFor } from "@/core/batch/let-down";
import { smallestMixG } from "@/core/batch/parts";
import type { Verdict, Weighed, WeighOut } from "@/core/batch/weigh-out";
import type { ResinCard } from "@/core/cure/resin-card";
import { weighLines } from "@/core/plan/run-sheet";
import { formatQuantity, quantityText, trimmed } from "@/core/units/format-quantity";
import { Button } from "@/ui/button";
import { QuantityField } from "@/ui/quantity-field";
import { useJob } from "../workspace/use-job";

/** What goes on the scale, in order; what it showed, typed here, says at once what to do, and all numbers follow. */
export function OnTheScale({
  batch,
  card,
  weighed,
  out,
  onWeighed,
}: {
  batch: Batch;
  card: ResinCard;
  weighed: Weighed;
  out: WeighOut;
  onWeighed: (weighed: Weighed) => void;
}) {
  const { document, system } = useJob();
  const [more, setMore] = useState(false);
  const stepG = document.work.scaleStepG ?? 1;
  const separate = batch.cups.some((cup) => cup.parts !== null);
  const lines = weighLines(batch, card.kind === "paint");
  const least = smallestMixG(card, stepG);
  const smallest = separate ? Math.min(...batch.cups.map((cup) => cup.g)) : batch.parts.mixG;
  const field = (label: string, value: number | null, onChange: (value: number | null) => void) => (
    <QuantityField
      key={label}
      label={label}
      value={value}
      dimension="mass"
      system={system}
      bounds={{ min: 0, max: 200_000 }}
      onChange={onChange}
      onClear={() => onChange(null)}
      bare
    />
  );
  const doses = batch.cups.flatMap((cup) =>
    cup.doses.map((dose) => ({ ...dose, cupName: cup.doses.length > 1 ? ` for ${cup.name}` : "" })),
  );

  return (
    <div>
      <div className="label px-6 mb-2">On the scale, in this order</div>
      <ol>
        {lines.map((line, index) => {
          const shown = formatQuantity(line.grams, "mass", system);
          return (
            <li
              key={line.line}
              className={`flex items-center gap-3 px-6 py-2.5 border-b border-line ${index === 0 ? "bg-paper border-l-[3px] border-l-ink pl-[21px]" : ""}`}
            >
              <span className="flex-1 leading-tight">
                {line.label}
                {line.count && !line.count.endsWith(" g") && (
                  <span className="label block">{line.count}</span>
                )}
                {line.ml !== null && (
                  <span className="label block">{quantityText(line.ml, "volume", system)}</span>
                )}
              </span>
              <span className={`figure whitespace-nowrap ${index === 0 ? "text-2xl" : "text-xl"}`}>
                {shown.number}
                <span className="label ml-1">g</span>
              </span>
            </li>
          );
        })}
      </ol>
      <div className="px-6 pt-3 flex flex-col gap-3">
        {card.kind !== "paint" && smallest < least && (
          <p role="status" className="border-l-[3px] border-ink pl-3 text-sm">
            <span className="font-semibold">Too small for this scale.</span> In steps of {trimmed(stepG, 3)} g
            the ratio is only sure from {quantityText(least, "mass", system)} of mix up: measure by volume, or
            take a finer scale.
          </p>
        )}
        <LetDowns batch={batch} card={card} stepG={stepG} />
        {!separate && card.kind !== "paint" && (
          <>
            <p className="label">Poured too much? Type what the scale shows.</p>
            <div className="grid grid-cols-2 gap-3">
              {field("A in the pot", weighed.aG, (aG) => onWeighed({ ...weighed, aG }))}
              {field("B in the pot", weighed.bG, (bG) => onWeighed({ ...weighed, bG }))}
            </div>
          </>
        )}
        <Verdicts out={out} batch={batch} card={card} weighed={weighed} />
        <Button
          weight="quiet"
          className="self-start text-sm"
          aria-expanded={more}
          onClick={() => setMore(!more)}
        >
          {more ? "less" : "too much colour, or a bottle runs out"}
        </Button>
        {more && (
          <div className="grid grid-cols-2 gap-3">
            {doses.map(({ id, name, cupName }) =>
              field(`${name}${cupName}, poured`, weighed.dosesG[id] ?? null, (grams) => {
                const { [id]: _before, ...rest } = weighed.dosesG;
                onWeighed({ ...weighed, dosesG: grams === null ? rest : { ...rest, [id]: grams } });
              }),
            )}
            {field("A left in its bottle", weighed.stockAG, (stockAG) => onWeighed({ ...weighed, stockAG }))}
            {card.kind !== "paint" &&
              field("B left in its bottle", weighed.stockBG, (stockBG) => onWeighed({ ...weighed, stockBG }))}
          </div>
        )}
      </div>
    </div>
  );
}

/** What to do, one sentence each; the numbers above and in the cups are already the new ones. */
function Verdicts({
  out,
  batch,
  card,
  weighed,
}: {
  out: WeighOut;
  batch: Batch;
  card: ResinCard;
  weighed: Weighed;
}) {
  const { system } = useJob();
  const grams = (value: number) => quantityText(value, "mass", system);
  const percent = (share: number) => `${trimmed(share * 100, share < 0.1 ? 1 : 0)} %`;
  const sentence = (verdict: Verdict): string => {
    switch (verdict.kind) {
      case "within":
        return `In ratio, within the card's ${trimmed(card.ratioTolerancePct, 1)} %. Go on.`;
      case "add":
        return `Bring ${verdict.part} to ${grams(verdict.toG)}: ${grams(Math.max(0, verdict.addG))} ${weighed.bG === null && verdict.part === "B" ? "in all" : "more"}.`;
      case "dose":
        return `${verdict.name} is ${percent(verdict.overShare)} too much: bring its cup to ${grams(verdict.cupG)} and all others up by as much, or take it that much stronger.`;
      case "vessel":
        return verdict.nextMl !== null
          ? `${quantityText(verdict.mixMl, "volume", system)} no longer stirs in a vessel of ${quantityText(verdict.nominalMl, "volume", system)}: take ${quantityText(verdict.nextMl, "volume", system)}.`
          : `${quantityText(verdict.mixMl, "volume", system)} fits no vessel at hand: pour it over into two.`;
      case "stock":
        return `${verdict.part} is short: ${grams(verdict.haveG)} of ${grams(verdict.needG)}. In full pairs that is ${percent(verdict.share)} of the batch; the numbers are for that. Fetch more, or lay a thinner film.`;
    }
  };
  if (out.verdicts.length === 0) return null;
  const grown = out.factor - 1;
  return (
    <div role="status" className="flex flex-col gap-2 text-sm">
      {out.verdicts.map((verdict) => (
        <p
          key={`${verdict.kind}-${"doseId" in verdict ? verdict.doseId : ""}`}
          className={`border-l-[3px] pl-3 ${verdict.kind === "stock" || (verdict.kind === "vessel" && verdict.nextMl === null) ? "border-danger" : "border-ink"}`}
        >
          {sentence(verdict)}
        </p>
      ))}
      {Math.abs(grown) > 0.0005 && (
        <p className="border-l-[3px] border-ink pl-3">
          The batch {grown > 0 ? "grows" : "shrinks"} to {grams(batch.parts.mixG)}, {percent(Math.abs(grown))}{" "}
          {grown > 0 ? "more" : "less"}; colour and cups are changed with it.
        </p>
      )}
    </div>
  );
}

/** Doses that this scale cannot weigh, and the stock to make instead. */
function LetDowns({ batch, card, stepG }: { batch: Batch; card: ResinCard; stepG: number }) {
  const { system } = useJob();
  const grams = (value: number) => `${trimmed(value, value < 10 ? 2 : 1)} g`;
  const strong = batch.cups.flatMap((cup) => {
    return cup.doses.flatMap((dose) => {
      const letDown = letDownFor(dose.grams, dose.grams, stepG);
      return letDown ? [{ cup, dose, letDown, counted: dose.unit !== "gram" }] : [];
    });
  });
  return strong.map(({ cup, dose, letDown, counted }) => (
    <p key={dose.id} className="border-l-[3px] border-ink pl-3 text-sm">
      <span className="font-semibold">
        {dose.name}: a scale in steps of {trimmed(stepG, 3)} g cannot dose {grams(dose.grams)}.
      </span>{" "}
      {counted && "Count it out, or let it down. "}
      Stir {grams(letDown.makeColourG)} into {grams(letDown.makeAG)} of A, a 1:{letDown.ratio} let-down; take{" "}
      <span className="figure">{grams(letDown.stockG)}</span> of it
      {card.kind === "paint"
        ? "."
        : `, and ${quantityText(letDown.carriesAG, "mass", system)} less of A${cup.parts || batch.cups.length === 1 ? "" : " (it is in the clear that goes into this cup)"}.`}
    </p>
  ));
}
