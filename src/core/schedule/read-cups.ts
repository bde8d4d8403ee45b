import { MOST_IN_CUP } from "../batch/coat-colour";
import type { DoseMeasure } from "../batch/dose";
import { MOST_MIX_ML } from "../batch/given";
import type { UnitSystem } from "../units/dimension";
import { parseQuantity } from "../units/parse-quantity";

/** What all cups hold, as it is said: by parts, or each by its volume, ml. */
export type CupsSaid = { by: "parts"; parts: number[] } | { by: "volumes"; ml: number[] };

const BOUNDS = { min: 0.1, max: MOST_MIX_ML };
const UNIT = /[a-zµ].*$/i;
const EACH = /\s*(in\s+)?(each|apiece)\.?$/i;

/**
 * Reads "2 : 14 : 12" as parts, "2 : 14 : 12 fl oz" or "2 oz, 14 oz, 12 oz" as volumes and "10 ml each" as the same in all.
 * @param many so many cups there are, in this order
 * @returns null where that is not said
 */
export function readCups(text: string, many: number, system: UnitSystem): CupsSaid | null {
  const said = text.trim();
  const each = EACH.test(said);
  const words = said
    .replace(EACH, "")
    .split(/\s*[:;/|+]\s*|\s*,\s+/)
    .filter((word) => word !== "");
  const list = each && words.length === 1 ? Array.from({ length: many }, () => words[0] ?? "") : words;
  // Numbers alone may stand apart by spaces.
  const parts = list.length === 1 && many > 1 ? said.split(/\s+/) : list;
  if (parts.length !== many) return null;
  if (parts.every((part) => !UNIT.test(part))) {
    const numbers = parts.map((part) => Number(part.trim().replace(",", ".")));
    const good = numbers.every((number) => Number.isFinite(number) && number >= 0);
    return good && numbers.some((number) => number > 0) ? { by: "parts", parts: numbers } : null;
  }
  // The unit said last goes for those before it.
  const unit = UNIT.exec(parts[parts.length - 1] ?? "")?.[0] ?? "";
  const ml = parts.map((part) =>
    parseQuantity(UNIT.test(part) ? part : `${part} ${unit}`, "volume", system, BOUNDS),
  );
  return ml.every((read) => read.ok)
    ? { by: "volumes", ml: ml.map((read) => (read.ok ? read.value : 0)) }
    : null;
}

const DOSE =
  /^(an?|one|half an?|half|\d+(?:[.,]\d+)?|\d+\s*\/\s*\d+)\s*(?:level\s+)?(g|grams?|drops?|spoons?)\.?$/i;
const COUNTS: Record<string, number> = { a: 1, an: 1, one: 1, half: 0.5, "half a": 0.5, "half an": 0.5 };

/** Reads "a level spoon", "2 drops", "0.3 g", "1/2 spoon" as what goes into each cup; null where that is not said. */
export function readCupDose(text: string): { count: number; unit: DoseMeasure["unit"] } | null {
  const [, many = "", what = ""] = DOSE.exec(text.trim().replace(EACH, "")) ?? [];
  if (what === "") return null;
  const [over = "", under = "1"] = many.split("/");
  const count = COUNTS[many.toLowerCase()] ?? Number(over.replace(",", ".")) / Number(under);
  if (!(count <= MOST_IN_CUP)) return null;
  return { count, unit: what.startsWith("d") ? "drop" : what.startsWith("s") ? "spoon" : "gram" };
}
