import { digitsOf, toMinor, type Minor } from "@/core/money/money";
import { QuantityField } from "@/ui/quantity-field";

/** An amount of money, typed in whole units of the currency and kept in its minor ones. */
export function MoneyField({
  label,
  value,
  currency,
  fault,
  hideLabel,
  className,
  onChange,
}: {
  label: string;
  value: Minor;
  currency: string;
  fault?: string | null;
  hideLabel?: boolean;
  className?: string;
  onChange: (value: Minor) => void;
}) {
  return (
    <QuantityField
      label={label}
      value={value / 10 ** digitsOf(currency)}
      dimension="number"
      system="metric"
      bounds={{ min: 0, max: 1e9 / 10 ** digitsOf(currency) }}
      fault={fault ?? null}
      onChange={(amount) => onChange(toMinor(amount, currency))}
      bare
      {...(hideLabel && { hideLabel })}
      {...(className !== undefined && { className })}
    />
  );
}
