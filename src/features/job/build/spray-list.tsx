"use client";

import type { Coat } from "@/core/schedule/coat";
import { quantityText, rangeText, trimmed } from "@/core/units/format-quantity";
import { useJob } from "../workspace/use-job";

/** What the passes of a coat spray: how much leaves the nozzle, and how many cans or bottles that is. */
export function SprayList({ coat }: { coat: Coat }) {
  const { plan, system } = useJob();
  const sprays = plan.coats.find((planned) => planned.coat.id === coat.id)?.sprays ?? [];
  if (sprays.length === 0) return null;
  return (
    <div>
      <h3 className="heading border-b border-line pb-1">Sprays</h3>
      {sprays.map((spray) => (
        <div key={spray.passId} className="flex items-baseline gap-3 border-b border-line py-1.5">
          <span className="flex-1 min-w-0">
            {spray.words}
            <span className="label block">
              {rangeText(spray.ml, "volume", system)} leave the nozzle
              {spray.powderG &&
                `, with ${trimmed(spray.powderG.likely, 1)} g of powder (${trimmed(spray.powderG.low, 1)} to ${trimmed(spray.powderG.high, 1)})`}
            </span>
          </span>
          <span className="figure text-lg whitespace-nowrap">
            {spray.containers}
            <span className="label ml-1">
              {spray.container}
              {spray.containers === 1 ? "" : "s"} of {quantityText(spray.containerMl, "volume", system)}
            </span>
          </span>
        </div>
      ))}
    </div>
  );
}
