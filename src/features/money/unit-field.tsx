import { UNIT_WORDS, type PriceUnit } from "@/core/money/price";
import { SelectField } from "@/ui/text-field";

/** What a line of a price is counted in. */
export function UnitField({
  label,
  value,
  onChange,
}: {
  label: string;
  value: PriceUnit;
  onChange: (unit: PriceUnit) => void;
}) {
  return (
    <SelectField
      label={label}
      hideLabel
      value={value}
      onChange={({ target }) => onChange(target.value as PriceUnit)}
    >
      {Object.entries(UNIT_WORDS).map(([unit, words]) => (
        <option key={unit} value={unit}>
          {words}
        </option>
      ))}
    </SelectField>
  );
}
