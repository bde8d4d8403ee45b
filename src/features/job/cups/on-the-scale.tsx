"use client";

import { useState } from "react";
import type { Batch } from "@/core/batch/batch-coat";
import { mixesOf } from "@/core/batch/mixes";
import { smallestMixG } from "@/core/batch/parts";
import type { MixWeighed, Weighed, WeighOut } from "@/core/batch/weigh-out";
import type { ResinCard } from "@/core/cure/resin-card";
import { verdictWords } from "@/core/pour/verdict-words";
import { weighLines } from "@/core/pour/weigh-lines";
import { quantityText, trimmed } from "@/core/units/format-quantity";
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
  const { plan, system } = useJob();
  const [more, setMore] = useState(false);
  const stepG = plan.atHand.scaleStepG;
  const separate = batch.cups.some((cup) => cup.parts !== null);
  const lines = weighLines(batch, card.kind === "paint", stepG);
  const mixes = mixesOf(batch);
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
                {line.how && <span className="text-sm block">{line.how}</span>}
                {line.ml !== null && (
                  <span className="label block">{quantityText(line.ml, "volume", system)}</span>
                )}
              </span>
              <span className={`figure whitespace-nowrap ${index === 0 ? "text-2xl" : "text-xl"}`}>
                {line.shown}
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
        {card.kind !== "paint" && (
          <>
            <p className="label">Poured too much? Type what the scale shows.</p>
            <div className="grid grid-cols-2 gap-3">
              {mixes.flatMap(({ id, name }) => {
                const mix = weighed.mixes[id] ?? { aG: null, bG: null };
                const set = (changed: Partial<MixWeighed>) =>
                  onWeighed({ ...weighed, mixes: { ...weighed.mixes, [id]: { ...mix, ...changed } } });
                const of = name === null ? "in the pot" : `for ${name}`;
                return [
                  field(`A ${of}`, mix.aG, (aG) => set({ aG })),
                  field(`B ${of}`, mix.bG, (bG) => set({ bG })),
                ];
              })}
            </div>
          </>
        )}
        <Verdicts out={out} batch={batch} card={card} />
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
function Verdicts({ out, batch, card }: { out: WeighOut; batch: Batch; card: ResinCard }) {
  const { system } = useJob();
  if (out.verdicts.length === 0) return null;
  const grown = out.factor - 1;
  return (
    <div role="status" className="flex flex-col gap-2 text-sm">
      {out.verdicts.map((verdict) => (
        <p
          key={`${verdict.kind}-${"doseId" in verdict ? verdict.doseId : "mix" in verdict ? verdict.mix : ""}`}
          className={`border-l-[3px] pl-3 ${verdict.kind === "stock" || (verdict.kind === "add" && verdict.poured) || (verdict.kind === "vessel" && verdict.nextMl === null) ? "border-danger" : "border-ink"}`}
        >
          {verdictWords(verdict, card.ratioTolerancePct, system)}
        </p>
      ))}
      {Math.abs(grown) > 0.0005 && (
        <p className="border-l-[3px] border-ink pl-3">
          The batch {grown > 0 ? "grows" : "shrinks"} to {quantityText(batch.parts.mixG, "mass", system)},{" "}
          {trimmed(Math.abs(grown) * 100, 1)} % {grown > 0 ? "more" : "less"}; colour and cups are changed
          with it.
        </p>
      )}
    </div>
  );
}
