"use client";

import { ToggleGroup } from "radix-ui";
import { classNames } from "./class-names";

const DAY =
  "px-2 h-7 text-xs border-r border-line-strong last:border-r-0 hover:bg-paper data-[state=on]:bg-ink data-[state=on]:text-paper";
const NIGHT =
  "px-3 min-h-10 text-base border-r border-night-soft last:border-r-0 data-[state=on]:bg-night-ink data-[state=on]:text-night";

/** One of a few, side by side, like the detents of a switch. */
export function Choice<Value extends string>({
  label,
  value,
  options,
  onChange,
  className,
  night,
}: {
  label: string;
  value: Value;
  options: readonly { value: Value; words: string }[];
  onChange: (value: Value) => void;
  className?: string;
  /** On the dark of a pour: larger, light on dark. */
  night?: boolean;
}) {
  return (
    <ToggleGroup.Root
      type="single"
      aria-label={label}
      value={value}
      onValueChange={(next) => next && onChange(next as Value)}
      className={classNames(
        "inline-flex border bg-transparent",
        night ? "border-night-soft" : "border-line-strong",
        className,
      )}
    >
      {options.map((option) => (
        <ToggleGroup.Item key={option.value} value={option.value} className={night ? NIGHT : DAY}>
          {option.words}
        </ToggleGroup.Item>
      ))}
    </ToggleGroup.Root>
  );
}
