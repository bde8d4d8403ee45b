import { nameText } from "@/contracts/text";
import { toMinor } from "@/core/money/money";
import type { PriceUnit } from "@/core/money/price";
import type { ListRow } from "@/core/money/rates";
import type { CsvCells, CsvLine } from "@/ui/csv-dialog";
import { csvNumber, type CsvColumn } from "@/ui/csv-table";

type Key = "words" | "unit" | "each";
export const PRICE_LIST: readonly CsvColumn<Key>[] = [
  { key: "words", words: "What for", known: /what|for|item|work|description|name|column 1/i, needed: true },
  { key: "each", words: "Price", known: /price|each|rate|amount|cost|column 3/i, needed: true },
  { key: "unit", words: "By", known: /unit|by|per|column 2/i },
];

const UNITS: readonly [RegExp, PriceUnit][] = [
  [/^(ft2|ft²|sq\.? ?ft|sf|sqft|square (feet|foot))$/i, "ft2"],
  [/^(m2|m²|sq\.? ?m|sqm|square met(er|re)s?)$/i, "m2"],
  [/^(ft|foot|feet|lf|lin\.? ?ft|linear (foot|feet))$/i, "ft"],
  [/^(m|lm|met(er|re)s?|running met(er|re)s?)$/i, "m"],
  [/^(piece|pieces|pc|pcs|each|ea|item)$/i, "piece"],
  [/^(flat|lump|job|fixed|)$/i, "flat"],
];
const words = nameText("what it is for", 80);

/** One line of a price list, in the shop's currency; an area or a length without its unit is nobody's to guess. */
export function priceRow(cells: CsvCells<Key>, currency: string): CsvLine<ListRow> {
  const name = words.safeParse(cells.words);
  if (!name.success) return { problem: name.error.issues[0]?.message ?? "It has no name." };
  const each = csvNumber(cells.each);
  if (each === null || each < 0) return { problem: `“${cells.each}” is no price of “${name.data}”.` };
  const unit = UNITS.find(([known]) => known.test(cells.unit.trim()))?.[1];
  if (!unit) return { problem: `“${cells.unit}” is no unit: ft², m², ft, m, piece or flat.` };
  return { value: { words: name.data, unit, each: toMinor(each, currency) } };
}

/** The list with what was read: a row of the same name gets the new price and unit, a new one stands at the end. */
export function withPrices(list: readonly ListRow[], read: readonly ListRow[]): ListRow[] {
  const same = (a: string, b: string) => a.trim().toLowerCase() === b.trim().toLowerCase();
  const changed = list.map((row) => read.findLast((one) => same(one.words, row.words)) ?? row);
  const fresh = read.filter(
    (one, at) =>
      !list.some((row) => same(row.words, one.words)) &&
      read.findLastIndex((other) => same(other.words, one.words)) === at,
  );
  return [...changed, ...fresh];
}
