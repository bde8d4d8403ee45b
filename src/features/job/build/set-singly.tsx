"use client";

import { setCount, singleG, type Embed, type SetSingly } from "@/core/batch/embeds";
import { setRoomOf } from "@/core/plan/set-room";
import type { Coat } from "@/core/schedule/coat";
import { MM_PER_FOOT } from "@/core/units/constants";
import { quantityText } from "@/core/units/format-quantity";
import { Checkbox } from "@/ui/checkbox";
import { QuantityField } from "@/ui/quantity-field";
import { useJob } from "../workspace/use-job";
import { coveredZones } from "./covered-zones";

/** What people count stones by: a square of so many mm a side, and so many mm of a line. */
const BY = {
  us: { squareMm: MM_PER_FOOT, lineMm: MM_PER_FOOT, square: "To a square foot", line: "To a foot" },
  metric: { squareMm: 100, lineMm: 100, square: "To 10 × 10 cm", line: "To 10 cm" },
};
const M = 1000;

/** How stones are set one by one: how large one is, how many, in which zones or along whose borders. */
export function SetSinglyFields({
  coat,
  embed,
  single,
  onSingle,
}: {
  coat: Coat;
  embed: Embed;
  single: SetSingly;
  onSingle: (single: SetSingly) => void;
}) {
  const { system, plan } = useJob();
  const areaM2 = plan.coats.find((planned) => planned.coat.id === coat.id)?.coveredM2 ?? 0;
  const names = coveredZones(coat, plan.pieces);
  const { many, zoneIds, sizeMm } = single;
  const by = BY[system];
  const count = setCount(single, setRoomOf(coat, plan.pieces, areaM2));
  const chosen = zoneIds ?? names.map(({ id }) => id);
  return (
    <>
      <QuantityField
        label="One is so large"
        value={sizeMm}
        dimension="length"
        system={system}
        bounds={{ min: 0.5, max: 1000 }}
        onChange={(next) => onSingle({ ...single, sizeMm: next })}
        keep={`${embed.id}.size`}
        bare
      />
      {many.by === "number" && (
        <QuantityField
          label="So many in all"
          value={many.count}
          dimension="number"
          system={system}
          bounds={{ min: 0, max: 1_000_000 }}
          onChange={(next) => onSingle({ ...single, many: { by: "number", count: Math.round(next) } })}
          keep={`${embed.id}.count`}
          bare
        />
      )}
      {many.by === "area" && (
        <QuantityField
          label={by.square}
          value={many.perM2 * (by.squareMm / M) ** 2}
          dimension="number"
          system={system}
          bounds={{ min: 0, max: 10_000 }}
          onChange={(next) =>
            onSingle({ ...single, many: { by: "area", perM2: next / (by.squareMm / M) ** 2 } })
          }
          keep={`${embed.id}.area`}
          bare
        />
      )}
      {many.by === "line" && (
        <QuantityField
          label={by.line}
          value={many.perM * (by.lineMm / M)}
          dimension="number"
          system={system}
          bounds={{ min: 0, max: 1000 }}
          onChange={(next) => onSingle({ ...single, many: { by: "line", perM: next / (by.lineMm / M) } })}
          keep={`${embed.id}.line`}
          bare
        />
      )}
      {names.length > 0 && (
        <div className="col-span-3 flex gap-x-5 gap-y-1 flex-wrap">
          <span className="label">{many.by === "line" ? "Along the borders of" : "In"}</span>
          {names.map(({ id, words }) => (
            <Checkbox
              key={id}
              label={words}
              checked={chosen.includes(id)}
              onChange={(on) => {
                const next = names.flatMap((zone) =>
                  (zone.id === id ? on : chosen.includes(zone.id)) ? [zone.id] : [],
                );
                const { zoneIds: _before, ...rest } = single;
                onSingle(next.length === names.length ? rest : { ...rest, zoneIds: next });
              }}
            />
          ))}
        </div>
      )}
      <p className="col-span-3">
        <span className="figure text-lg">{count}</span> to set,{" "}
        {quantityText(count * singleG(sizeMm, embed.densityGPerMl), "mass", system)}
        {many.by === "line" && names.length === 0 && ". No piece of this coat is divided: there is no line."}
      </p>
    </>
  );
}
