import { trimmed } from "../units/format-quantity";
import { inUnits } from "../units/said";
import type { Evidence } from "./fault-table";

/** An answer that can be touched: in words with quantities as {@link saidIn} reads them, and how far the thing is then so; null where nobody knows. */
export type Answer = { words: string; u: number | null };

/** A quantity of the table, in the units of the program's words. */
function inTableUnit(value: number, unit: string): string {
  switch (unit) {
    case "°C":
      return inUnits(value, "temperature");
    case "mm":
      return inUnits(value, "length");
    case "×":
      return `${trimmed(value, 2)} times`;
    case "1":
      return `${trimmed(value * 100, 0)} %`;
    case "K":
      return `${trimmed(value, 0)} °C (${trimmed(value * 1.8, 0)} °F)`;
    case "s/m²":
      return `${trimmed(value, 0)} s to the m²`;
    default:
      return `${trimmed(value, 1)} ${unit}`;
  }
}

const NOBODY: Answer = { words: "Nobody knows", u: null };

/** What can be answered to a question: yes or no, or where a quantity lies. */
export function answersTo({ unit, absentAt, presentAt }: Evidence): Answer[] {
  if (unit === null || absentAt === null || presentAt === null)
    return [{ words: "Yes", u: 1 }, { words: "No", u: 0 }, NOBODY];
  const [sure, not] = [inTableUnit(presentAt, unit), inTableUnit(absentAt, unit)];
  const rises = presentAt > absentAt;
  return [
    { words: rises ? `${sure} or more` : `${sure} or less`, u: 1 },
    { words: "In between", u: 0.5 },
    { words: rises ? `${not} or less` : `${not} or more`, u: 0 },
    NOBODY,
  ];
}
