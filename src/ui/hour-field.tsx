"use client";

import { hourText } from "./clock-words";
import { TextField } from "./text-field";

/** An hour of the day. */
export function HourField({
  label,
  value,
  onChange,
}: {
  label: string;
  value: number;
  onChange: (minutes: number) => void;
}) {
  return (
    <TextField
      label={label}
      type="time"
      value={hourText(value)}
      frame="w-32"
      onChange={(event) => {
        const [hours, minutes] = event.target.value.split(":").map(Number);
        if (hours !== undefined && minutes !== undefined && Number.isFinite(hours + minutes))
          onChange(hours * 60 + minutes);
      }}
    />
  );
}
