import { lotFacts, shelfItemFields, type ShelfItemFields } from "@/contracts/shelf";
import type { ColourCard } from "@/core/colour/colour-card";
import type { ResinCard } from "@/core/cure/resin-card";
import { ITEM_KINDS, type ItemKind, type Part, type ShelfItem } from "@/core/shelf/item";
import type { LotFacts } from "@/core/shelf/lot";
import { NO_FACTS } from "@/core/shelf/stock";
import { csvDay, csvNumber, type CsvColumn } from "@/ui/csv-table";
import type { CsvCells, CsvLine } from "@/ui/csv-dialog";

type Key = "name" | "kind" | "amount" | "amountB" | "number" | "bought" | "best" | "price" | "place";
export const STOCK_COLUMNS: readonly CsvColumn<Key>[] = [
  { key: "name", words: "What it is", known: /item|name|product|what|column 1/i, needed: true },
  { key: "amountB", words: "Of B, g, for resins", known: /\bB\b|hardener/ },
  {
    key: "amount",
    words: "How much (of A for resins): g, ml, pieces",
    known: /amount|quantity|qty|held|\bA\b|column 2/i,
    needed: true,
  },
  { key: "kind", words: "Kind, for what is not on the shelf", known: /kind|type|category/i },
  { key: "number", words: "Lot number", known: /lot|batch|number|no\./i },
  { key: "bought", words: "Bought on", known: /bought|purchase|date/i },
  { key: "best", words: "Best before", known: /best|expir|use by/i },
  { key: "price", words: "Price of it all", known: /price|cost|paid/i },
  { key: "place", words: "Place", known: /place|location|shelf/i },
];

/** A lot to be put on the shelf; with the thing itself where that is not there yet. */
export type StockRow = {
  name: string;
  item: { id: string } | { fields: ShelfItemFields };
  facts: LotFacts;
  came: Partial<Record<Part, number>>;
};

const same = (a: string, b: string) => a.trim().toLowerCase() === b.trim().toLowerCase();
const KIND_NAMES: Record<ItemKind, RegExp> = {
  resin: /^(resin|epoxy)s?$/i,
  colour: /^(colou?r|pigment|mica|paste|dye)s?$/i,
  spray: /^(spray|spray paint|can)s?$/i,
  alcohol: /^(alcohol|ipa|isopropanol|spirit)s?$/i,
  embed: /^(embed|stone|glass|glitter)s?$/i,
  consumable: /^(consumable|supply|supplies|cup|glove|tape|roller|other)s?$/i,
};

/** One line of a stock list. What is on the shelf by that name gets a lot; what is not is put there by its kind, resins and colours by their cards. */
export function stockRow(
  cells: CsvCells<Key>,
  known: { items: readonly ShelfItem[]; cards: readonly ResinCard[]; colours: readonly ColourCard[] },
  monthFirst: boolean,
): CsvLine<StockRow> {
  const { name } = cells;
  if (name === "") return null;
  const here = known.items.find((item) => same(item.name, name));
  const kind = here?.kind ?? ITEM_KINDS.find((one) => KIND_NAMES[one].test(cells.kind.trim()));
  if (!kind)
    return {
      problem: `“${name}” is not on the shelf. Say its kind: resin, colour, spray, alcohol, embed or consumable.`,
    };
  const cards = kind === "resin" ? known.cards : kind === "colour" ? known.colours : null;
  const card = cards?.find((one) => (here ? one.id === here.cardId : same(one.name, name)));
  if (cards && !card) return { problem: `“${name}” has no card: make its ${kind} card first.` };
  const amount = csvNumber(cells.amount);
  if (amount === null || amount < 0) return { problem: `“${cells.amount}” is no amount of “${name}”.` };
  const amountB = cells.amountB === "" ? null : csvNumber(cells.amountB);
  if (cells.amountB !== "" && (amountB === null || amountB < 0))
    return { problem: `“${cells.amountB}” is no amount of B.` };
  const price = cells.price === "" ? null : csvNumber(cells.price);
  if (cells.price !== "" && price === null) return { problem: `“${cells.price}” is no price.` };
  const day = (text: string) => (text === "" ? null : csvDay(text, monthFirst));
  const [boughtOn, bestBefore] = [day(cells.bought), day(cells.best)];
  if (cells.bought !== "" && boughtOn === null) return { problem: `“${cells.bought}” is no day.` };
  if (cells.best !== "" && bestBefore === null) return { problem: `“${cells.best}” is no day.` };
  const facts = lotFacts.safeParse({
    ...NO_FACTS,
    number: cells.number,
    boughtOn,
    bestBefore,
    price,
    place: cells.place,
  });
  if (!facts.success) return { problem: facts.error.issues[0]?.message ?? "That cannot be read." };
  const came: StockRow["came"] =
    kind === "resin" ? { A: amount, ...(amountB !== null && { B: amountB }) } : { whole: amount };
  if (here) return { value: { name, item: { id: here.id }, facts: facts.data, came } };
  const fields = shelfItemFields.safeParse({
    kind,
    name,
    cardId: card?.id ?? null,
    use: kind === "consumable" ? "other" : null,
    cupMl: null,
    keepAtLeast: null,
    hazards: "",
  });
  if (!fields.success) return { problem: fields.error.issues[0]?.message ?? "That cannot be read." };
  return { value: { name, item: { fields: fields.data }, facts: facts.data, came } };
}
