"use client";

import { useState } from "react";
import { MOST_MIX_ML, type GivenAmount } from "@/core/batch/given";
import { MOST_BATCHES } from "@/core/batch/split-batches";
import { FULLEST, USUAL_VESSELS_ML } from "@/core/batch/vessel";
import { giveAmount } from "@/core/schedule/amounts";
import type { Coat } from "@/core/schedule/coat";
import { ML_PER_US_GALLON, MM2_PER_FT2 } from "@/core/units/constants";
import { quantityText, trimmed } from "@/core/units/format-quantity";
import { Button } from "@/ui/button";
import { QuantityField } from "@/ui/quantity-field";
import { SelectField } from "@/ui/text-field";
import { useJob } from "../workspace/use-job";

export type AmountSourceId = "covers" | "kits" | "bucket" | "batches";

export const AMOUNT_SOURCES: { value: AmountSourceId; words: string }[] = [
  { value: "covers", words: "kit's area" },
  { value: "kits", words: "whole kits" },
  { value: "bucket", words: "bucket" },
  { value: "batches", words: "batches" },
];

type Props = { coat: Coat; onCoat: (coat: Coat) => void };

/** Ways to say how much is mixed; each counts as soon as it is typed. */
export function AmountSource({ source, ...props }: Props & { source: AmountSourceId }) {
  switch (source) {
    case "covers":
      return <ByCoverage {...props} />;
    case "kits":
      return <ByKits {...props} />;
    case "bucket":
      return <ByVessel {...props} />;
    case "batches":
      return <ByBatches {...props} />;
  }
}

/** An amount as it is typed in one way: before it is taken it changes nothing, after that each change counts. */
function useTyped<Given extends Exclude<GivenAmount, { by: "cups" }>>(
  { coat, onCoat }: Props,
  start: Given,
): { typed: Given; set: (next: Partial<Given>) => void; taken: boolean; take: () => void } {
  const taken = coat.given?.by === start.by;
  const [before, setTyped] = useState(start);
  const typed = taken ? (coat.given as Given) : before;
  const give = (now: Given) => onCoat(giveAmount(coat, now));
  return {
    typed,
    set: (next) => {
      const now = { ...typed, ...next };
      setTyped(now);
      if (taken) give(now);
    },
    taken,
    take: () => give(typed),
  };
}

/** The kits of the coat's resin, the largest first. */
function useKits(coat: Coat): number[] {
  const { cards } = useJob();
  const kits = cards.find(({ id }) => id === coat.resinCardId)?.kits ?? [];
  return [...new Set(kits.map(({ ml }) => ml))].sort((a, b) => b - a);
}

function Take({ taken, onTake, children }: { taken: boolean; onTake: () => void; children: string }) {
  return taken ? (
    <p className="label mt-2">It counts: the film follows from it.</p>
  ) : (
    <Button className="mt-2" onClick={onTake}>
      {children}
    </Button>
  );
}

function ByCoverage(props: Props) {
  const { system } = useJob();
  const [largest = 1.5 * ML_PER_US_GALLON] = useKits(props.coat);
  const { typed, set, taken, take } = useTyped<Extract<GivenAmount, { by: "coverage" }>>(props, {
    by: "coverage",
    ml: largest,
    areaMm2: 50 * MM2_PER_FT2,
  });
  return (
    <>
      <div className="grid grid-cols-2 gap-2">
        <QuantityField
          label="A kit of"
          value={typed.ml}
          dimension="volume"
          system={system}
          bounds={{ min: 10, max: MOST_MIX_ML }}
          onChange={(ml) => set({ ml })}
        />
        <QuantityField
          label="is meant for"
          value={typed.areaMm2}
          dimension="area"
          system={system}
          bounds={{ min: 1000, max: 1e12 }}
          onChange={(areaMm2) => set({ areaMm2 })}
        />
      </div>
      <p className="label mt-1">
        {quantityText((typed.ml * 1000) / typed.areaMm2, "film", system)} mixed; faces, losses and what is
        held back come out of it. Makers round their areas.
      </p>
      <Take taken={taken} onTake={take}>
        mix by that
      </Take>
    </>
  );
}

function ByKits(props: Props) {
  const { system } = useJob();
  const kits = useKits(props.coat);
  const { typed, set, taken, take } = useTyped<Extract<GivenAmount, { by: "kits" }>>(props, {
    by: "kits",
    kitMl: kits[0] ?? 1.5 * ML_PER_US_GALLON,
    count: 1,
  });
  return (
    <>
      <div className="grid grid-cols-2 gap-2">
        <QuantityField
          label="Kits to mix up"
          value={typed.count}
          dimension="number"
          system={system}
          bounds={{ min: 1, max: 500, whole: true }}
          onChange={(count) => set({ count })}
          bare
        />
        <QuantityField
          label="of, A and B"
          value={typed.kitMl}
          dimension="volume"
          system={system}
          bounds={{ min: 10, max: MOST_MIX_ML }}
          onChange={(kitMl) => set({ kitMl })}
        />
      </div>
      {kits.length > 0 && (
        <p className="label mt-1">
          Sold in{" "}
          {kits.map((ml, at) => (
            <span key={ml}>
              {at > 0 && ", "}
              <Button weight="quiet" onClick={() => set({ kitMl: ml })}>
                {quantityText(ml, "volume", system)}
              </Button>
            </span>
          ))}
        </p>
      )}
      <Take taken={taken} onTake={take}>
        mix them all up
      </Take>
    </>
  );
}

function ByVessel(props: Props) {
  const { document, system } = useJob();
  const sizes = document.work.vesselsMl?.length ? document.work.vesselsMl : USUAL_VESSELS_ML;
  const { typed, set, taken, take } = useTyped<Extract<GivenAmount, { by: "vessel" }>>(props, {
    by: "vessel",
    vesselMl: sizes[sizes.length - 1] ?? 1900,
    count: 1,
  });
  return (
    <>
      <div className="grid grid-cols-2 gap-2">
        <SelectField
          label="What fits a vessel of"
          value={String(typed.vesselMl)}
          onChange={(event) => set({ vesselMl: Number(event.target.value) })}
        >
          {[...new Set([...sizes, typed.vesselMl])].map((ml) => (
            <option key={ml} value={ml}>
              {quantityText(ml, "volume", system)}
            </option>
          ))}
        </SelectField>
        <QuantityField
          label="Times"
          value={typed.count}
          dimension="number"
          system={system}
          bounds={{ min: 1, max: 500, whole: true }}
          onChange={(count) => set({ count })}
          bare
        />
      </div>
      <p className="label mt-1">Filled to {trimmed(FULLEST * 100, 0)} %, so that it can be stirred.</p>
      <Take taken={taken} onTake={take}>
        mix what fits
      </Take>
    </>
  );
}

function ByBatches({ coat, onCoat }: Props) {
  return (
    <SelectField
      label="Mixed in"
      value={String(coat.batches ?? "")}
      onChange={(event) => {
        const { batches: _before, ...rest } = coat;
        onCoat(event.target.value === "" ? rest : { ...rest, batches: Number(event.target.value) });
      }}
    >
      <option value="">as few batches as will do</option>
      {Array.from({ length: MOST_BATCHES }, (_, at) => (
        <option key={at} value={at + 1}>
          exactly {at + 1} {at === 0 ? "batch" : "batches"}
        </option>
      ))}
    </SelectField>
  );
}
