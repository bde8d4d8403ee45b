"use client";

import { Slider } from "radix-ui";

/** A quantity that is felt rather than typed: a slide on a scale, its value in words beside its name. */
export function SliderField({
  label,
  value,
  min,
  max,
  step,
  words,
  onChange,
  className,
}: {
  label: string;
  value: number;
  min: number;
  max: number;
  step: number;
  /** The value as it is told. */
  words: string;
  onChange: (value: number) => void;
  className?: string;
}) {
  return (
    <div className={className}>
      <span className="label flex justify-between gap-2">
        {label}
        <span className="figure text-ink">{words}</span>
      </span>
      <Slider.Root
        className="relative h-8 flex items-center touch-none select-none"
        min={min}
        max={max}
        step={step}
        value={[value]}
        onValueChange={([next]) => next !== undefined && onChange(next)}
      >
        <Slider.Track className="relative h-px w-full bg-ink">
          <Slider.Range className="absolute h-[3px] -top-px bg-ink" />
        </Slider.Track>
        <Slider.Thumb
          aria-label={label}
          aria-valuetext={words}
          className="block w-2.5 h-6 border border-ink bg-paper cursor-ew-resize"
        />
      </Slider.Root>
    </div>
  );
}
