"use client";

import { useState } from "react";
import type { Dimension, UnitSystem } from "@/core/units/dimension";
import { quantityText } from "@/core/units/format-quantity";
import { parseQuantity, type Bounds } from "@/core/units/parse-quantity";
import { TextField } from "./text-field";

/** Several quantities in one field, parted by commas: they count on Enter and on leaving, each once and rising. What cannot be read stays as typed. */
export function QuantityListField({
  label,
  values,
  dimension,
  system,
  bounds,
  most,
  placeholder,
  onChange,
}: {
  label: string;
  values: readonly number[];
  dimension: Dimension;
  system: UnitSystem;
  bounds: Bounds;
  /** So many are kept. */
  most: number;
  placeholder: string;
  onChange: (values: number[]) => void;
}) {
  const [text, setText] = useState<string | null>(null);
  const [error, setError] = useState<string | null>(null);
  const written = values.map((value) => quantityText(value, dimension, system)).join(", ");
  const take = () => {
    if (text === null) return;
    const read: number[] = [];
    for (const word of text.split(/[,;\n]+/)) {
      if (word.trim() === "") continue;
      const parsed = parseQuantity(word, dimension, system, bounds);
      if (!parsed.ok) return setError(`“${word.trim().slice(0, 20)}”: ${parsed.message}`);
      read.push(parsed.value);
    }
    const each = [...new Set(read)].sort((a, b) => a - b);
    if (each.length > most) return setError(`At most ${most}.`);
    setError(null);
    setText(null);
    onChange(each);
  };
  return (
    <TextField
      label={label}
      placeholder={placeholder}
      value={text ?? written}
      error={error}
      onChange={(event) => setText(event.target.value)}
      onBlur={take}
      onKeyDown={(event) => {
        if (event.key !== "Enter") return;
        event.preventDefault();
        take();
      }}
    />
  );
}
