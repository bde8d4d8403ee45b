"use client";

import { FAULTS } from "@/core/inspect/fault-table";
import { SelectField } from "@/ui/text-field";

const names = FAULTS.map(({ id, name }) => ({ id, name })).sort((a, b) => a.name.localeCompare(b.name));

/** A fault of the table, with those that are likely here before the others. */
export function FaultSelect({
  label,
  value,
  first,
  firstWords,
  error = null,
  frame,
  empty,
  onChange,
}: {
  label: string;
  value: string;
  first: readonly string[];
  /** What these have in common: "pinned". */
  firstWords: string;
  error?: string | null;
  frame?: string;
  /** What stands where none is chosen yet; absent where one always is. */
  empty?: string;
  onChange: (id: string) => void;
}) {
  const group = (words: string, of: readonly { id: string; name: string }[]) => (
    <optgroup label={words}>
      {of.map(({ id, name }) => (
        <option key={id} value={id}>
          {name}
        </option>
      ))}
    </optgroup>
  );
  return (
    <SelectField
      label={label}
      value={value}
      error={error}
      frame={frame}
      className="h-11 text-lg"
      onChange={(event) => onChange(event.target.value)}
    >
      {empty !== undefined && <option value="">{empty}</option>}
      {first.length > 0 &&
        group(
          firstWords,
          names.filter(({ id }) => first.includes(id)),
        )}
      {group(
        first.length > 0 ? "others" : "all",
        names.filter(({ id }) => !first.includes(id)),
      )}
    </SelectField>
  );
}

/** The coat that something is about; nothing where there is only one. */
export function CoatSelect({
  label,
  value,
  coats,
  frame,
  onChange,
}: {
  label: string;
  value: string;
  coats: readonly { id: string; name: string }[];
  frame: string;
  onChange: (id: string) => void;
}) {
  if (coats.length < 2) return null;
  return (
    <SelectField
      label={label}
      value={value}
      frame={frame}
      className="h-11"
      onChange={(event) => onChange(event.target.value)}
    >
      {coats.map(({ id, name }) => (
        <option key={id} value={id}>
          {name}
        </option>
      ))}
    </SelectField>
  );
}
