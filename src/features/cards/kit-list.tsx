"use client";

import type { Kit } from "@/core/cure/resin-card";
import type { UnitSystem } from "@/core/units/dimension";
import { decimal } from "@/core/units/format-quantity";
import { Button } from "@/ui/button";
import { QuantityField } from "@/ui/quantity-field";

/** The sizes in which a resin is sold, each with its price and what a litre of it costs. */
export function KitList({
  kits,
  system,
  onKits,
}: {
  kits: readonly Kit[];
  system: UnitSystem;
  onKits: (kits: Kit[]) => void;
}) {
  const edit = (index: number, next: Partial<Kit>) =>
    onKits(kits.map((kit, at) => (at === index ? { ...kit, ...next } : kit)));
  return (
    <div className="mt-5">
      <div className="flex items-baseline justify-between border-b border-line pb-1 mb-2">
        <h2 className="heading">Sold in kits of</h2>
        <Button weight="quiet" onClick={() => onKits([...kits, { ml: 4000, price: 0 }])}>
          add a size
        </Button>
      </div>
      {kits.map((kit, index) => (
        <div key={index} className="grid grid-cols-3 gap-3 mb-2">
          <QuantityField
            label={`Size of kit ${index + 1}, A and B`}
            value={kit.ml}
            dimension="volume"
            system={system}
            bounds={{ min: 1, max: 1_000_000 }}
            onChange={(ml) => edit(index, { ml })}
          />
          <QuantityField
            label="Its price"
            value={kit.price}
            dimension="number"
            system={system}
            bounds={{ min: 0, max: 100_000 }}
            onChange={(price) => edit(index, { price })}
            bare
          />
          <span className="label pt-6 flex justify-between">
            {decimal((kit.price / kit.ml) * 1000, 2)} a litre
            <Button weight="quiet" onClick={() => onKits(kits.filter((_, at) => at !== index))}>
              out
            </Button>
          </span>
        </div>
      ))}
    </div>
  );
}
