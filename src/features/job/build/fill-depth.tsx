"use client";

import { giveFilm } from "@/core/schedule/amounts";
import type { Coat } from "@/core/schedule/coat";
import { quantityText } from "@/core/units/format-quantity";
import { QuantityField } from "@/ui/quantity-field";
import { giveCoat } from "../workspace/edits";
import { useJob } from "../workspace/use-job";

/** How much of a channel or mould one coat fills, and how deep that is; voids are filled whole. */
export function FillDepth({ coat }: { coat: Coat }) {
  const { plan, system, change } = useJob();
  const planned = plan.coats.find((plannedCoat) => plannedCoat.coat.id === coat.id);
  const deep = planned?.pourDepthMm ? quantityText(planned.pourDepthMm, "length", system) : null;
  const filled = planned?.batched ? quantityText(planned.batched.onTopMl.likely, "volume", system) : null;
  if (coat.kind === "prefill")
    return (
      <p className="label">
        Fills the knots and wormholes listed in Measure
        {filled && deep ? `: ${filled}, ${deep} deep at most` : ""}.
      </p>
    );
  return (
    <div className="flex gap-4 items-start">
      <QuantityField
        label="Share of the fill"
        value={coat.coverShare * 100}
        dimension="percent"
        system={system}
        bounds={{ min: 0.1, max: 100 }}
        onChange={(percent) =>
          change(giveCoat({ ...giveFilm(coat, coat.filmMm), coverShare: percent / 100 }))
        }
        keep={`${coat.id}.cover`}
        size="large"
        bare
        className="w-[168px]"
      />
      <p className="label pt-5 leading-[18px]">
        {filled && deep ? `${deep} deep, ${filled}` : "Of what the channel or mould holds."}
        <br />
        Copy the coat for more layers.
      </p>
    </div>
  );
}
