import type { Part } from "../item";
import type { Lot, LotFacts, StockEntry } from "../lot";
import { NO_FACTS } from "../stock";

/** An entry of a lot's book without its stamps. */
export type Told = StockEntry extends infer Entry
  ? Entry extends StockEntry
    ? Omit<Entry, "id" | "at" | "by">
    : never
  : never;

/** A lot of an item with what came and what was told of it since, an entry an hour. */
export function lotOf(
  code: number,
  itemId: string,
  came: Partial<Record<Part, number>>,
  { facts = {}, told = [] }: { facts?: Partial<LotFacts>; told?: readonly Told[] } = {},
): Lot {
  const first: Told[] = [
    { kind: "facts", facts: { ...NO_FACTS, full: came, ...facts }, why: "" },
    ...(Object.entries(came) as [Part, number][]).map(([part, amount]): Told => ({
      kind: "came",
      part,
      amount,
    })),
  ];
  const entries = [...first, ...told].map((entry, hour): StockEntry => ({
    ...entry,
    id: `${code}-${hour}`,
    at: new Date(Date.UTC(2026, 0, 5, hour)).toISOString(),
    by: "Ines",
  }));
  return { id: `lot-${code}`, itemId, code, entries };
}
