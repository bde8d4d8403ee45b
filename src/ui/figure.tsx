import type { Dimension, UnitSystem } from "@/core/units/dimension";
import { formatQuantity, otherSystem, quantityText } from "@/core/units/format-quantity";
import { classNames } from "./class-names";

const SIZE = {
  hero: "text-4xl leading-none",
  large: "text-3xl leading-none",
  medium: "text-xl leading-tight",
  small: "text-base leading-tight",
};

/** A number a person acts on: large, its unit small beside it, the other system quieter below. */
export function Figure({
  value,
  dimension,
  system,
  size = "medium",
  beside,
  only,
  className,
}: {
  value: number;
  dimension: Dimension;
  system: UnitSystem;
  size?: keyof typeof SIZE;
  beside?: string;
  only?: boolean;
  className?: string;
}) {
  const shown = formatQuantity(value, dimension, system);
  const other = quantityText(value, dimension, otherSystem(system));
  const text = `${shown.number} ${shown.unit}`;
  return (
    <div className={className}>
      <div className={classNames("figure whitespace-nowrap", SIZE[size])}>
        {shown.number}
        <span className={size === "small" ? "label ml-1" : "unit"}>{shown.unit}</span>
      </div>
      {!only && (other !== text || beside) && (
        <div className="label mt-0.5">
          {[other !== text ? other : null, beside].filter(Boolean).join(" · ")}
        </div>
      )}
    </div>
  );
}
