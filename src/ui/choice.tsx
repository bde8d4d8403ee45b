"use client";

import { ToggleGroup } from "radix-ui";
import { classNames } from "./class-names";

/** One of a few, side by side, like the detents of a switch. */
export function Choice<Value extends string>({
  label,
  value,
  options,
  onChange,
  className,
}: {
  label: string;
  value: Value;
  options: readonly { value: Value; words: string }[];
  onChange: (value: Value) => void;
  className?: string;
}) {
  return (
    <ToggleGroup.Root
      type="single"
      aria-label={label}
      value={value}
      onValueChange={(next) => next && onChange(next as Value)}
      className={classNames("inline-flex border border-line-strong bg-transparent", className)}
    >
      {options.map((option) => (
        <ToggleGroup.Item
          key={option.value}
          value={option.value}
          className="px-2 h-7 text-xs border-r border-line-strong last:border-r-0 hover:bg-paper data-[state=on]:bg-ink data-[state=on]:text-paper"
        >
          {option.words}
        </ToggleGroup.Item>
      ))}
    </ToggleGroup.Root>
  );
}
