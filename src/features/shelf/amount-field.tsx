import { UNIT_OF_KIND, type ItemKind } from "@/core/shelf/item";
import type { UnitSystem } from "@/core/units/dimension";
import { QuantityField } from "@/ui/quantity-field";

/** How much of a kind, large: grams, millilitres or pieces. */
export function AmountField({
  kind,
  label,
  value,
  fault,
  system,
  onChange,
  autoFocus,
}: {
  kind: ItemKind;
  label: string;
  value: number | null;
  fault: string | null;
  system: UnitSystem;
  onChange: (value: number | null) => void;
  autoFocus?: boolean;
}) {
  const unit = UNIT_OF_KIND[kind];
  return (
    <QuantityField
      label={label}
      value={value}
      dimension={unit === "piece" ? "number" : unit === "g" ? "mass" : "volume"}
      system={system}
      bounds={{ min: 0, max: 1e7 }}
      fault={fault}
      size="large"
      onChange={onChange}
      onClear={() => onChange(null)}
      {...(autoFocus && { autoFocus })}
    />
  );
}
