"use client";

import { Checkbox as Radix } from "radix-ui";
import { useId } from "react";

/** A box to tick, 22 px: big enough for a glove. */
export function Checkbox({
  label,
  checked,
  onChange,
  hideLabel,
}: {
  label: string;
  checked: boolean;
  onChange: (checked: boolean) => void;
  hideLabel?: boolean;
}) {
  const id = useId();
  return (
    <span className="inline-flex items-center gap-2">
      <Radix.Root
        id={id}
        checked={checked}
        onCheckedChange={(next) => onChange(next === true)}
        aria-label={hideLabel ? label : undefined}
        className="size-[22px] border border-ink grid place-items-center bg-paper shrink-0"
      >
        <Radix.Indicator>
          <svg width="14" height="14" viewBox="0 0 14 14" aria-hidden>
            <path d="M2 7.5 5.5 11 12 3" fill="none" stroke="currentColor" strokeWidth="2.2" />
          </svg>
        </Radix.Indicator>
      </Radix.Root>
      {!hideLabel && <label htmlFor={id}>{label}</label>}
    </span>
  );
}
