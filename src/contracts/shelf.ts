import { z } from "zod";
import { ITEM_KINDS, type ConsumableUse, type ItemKind, type Part, type ShelfItem } from "@/core/shelf/item";
import type { LotFacts, StockEntry, TakenFor } from "@/core/shelf/lot";
import { act } from "./act";
import { freeText, nameText, rowId, text } from "./text";

const MOST = 1e7;
const amount = z.number("Type how much.").min(0, "Less than nothing is not there.").max(MOST, "Too much.");
const part = z.enum(["A", "B", "C", "whole"]) satisfies z.ZodType<Part>;
const day = z.iso.date("Type a day.").nullable();
const byPart = z.partialRecord(part, amount);

export const shelfItemFields = z.object({
  kind: z.enum(ITEM_KINDS as [ItemKind, ...ItemKind[]]),
  /** Not asked of what goes by a card. */
  name: nameText("what it is called"),
  cardId: rowId.nullable(),
  use: z
    .enum(["cup", "stick", "gloves", "roller", "tape", "strip", "sandpaper", "other"])
    .nullable() satisfies z.ZodType<ConsumableUse | null>,
  cupMl: z.number().min(1, "Too small a cup.").max(1e5, "Too large a cup.").nullable(),
  keepAtLeast: amount.nullable(),
  hazards: freeText(400),
}) satisfies z.ZodType<Omit<ShelfItem, "id">>;
export type ShelfItemFields = z.infer<typeof shelfItemFields>;

export const lotFacts = z.object({
  number: text().trim().max(80, "At most 80 letters."),
  boughtOn: day,
  bestBefore: day,
  price: z.number().min(0, "A price is not less than nothing.").max(MOST, "Too high a price.").nullable(),
  place: text().trim().max(60, "At most 60 letters."),
  full: byPart,
  tareG: byPart,
}) satisfies z.ZodType<LotFacts>;

const why = freeText(200);
const takenFor = z.enum(["poured", "sample", "lost", "thrown away", "other"]) satisfies z.ZodType<TakenFor>;
const from = z.object({ pourId: rowId, stepId: text().min(1).max(160), line: text().min(1).max(60) });

const said = {
  facts: z.object({ kind: z.literal("facts"), facts: lotFacts, why }),
  came: z.object({ kind: z.literal("came"), part, amount }),
  took: z.object({ kind: z.literal("took"), part, amount, what: takenFor, why }),
  back: z.object({ kind: z.literal("back"), part, amount, why }),
  counted: z.object({ kind: z.literal("counted"), part, amount, grossG: amount.nullable() }),
  opened: z.object({ kind: z.literal("opened"), part, on: z.iso.date() }),
  corrected: z.object({
    kind: z.literal("corrected"),
    entryId: rowId,
    amount,
    why: why.trim().min(1, "Say why: it stays in the book."),
  }),
};

/** What is told of a lot, as sent. */
export const stockSaid = z.discriminatedUnion("kind", [
  said.facts,
  said.came,
  said.took,
  said.back,
  said.counted,
  said.opened,
  said.corrected,
]);
export type StockSaid = z.infer<typeof stockSaid>;

const stamped = { id: rowId, at: z.iso.datetime(), by: text().min(1).max(80) };
/** The same as stored; what a pour took carries the line that it was weighed at. */
export const stockEntry = z.discriminatedUnion("kind", [
  said.facts.extend(stamped),
  said.came.extend(stamped),
  said.took.extend({ ...stamped, from: from.optional() }),
  said.back.extend(stamped),
  said.counted.extend(stamped),
  said.opened.extend(stamped),
  said.corrected.extend(stamped),
]) satisfies z.ZodType<StockEntry>;

/** Puts an item on the shelf, or changes it; the id is the client's. */
export const putItem = act<null>()(
  "shelf.put-item",
  "person",
  z.object({ id: rowId, fields: shelfItemFields }),
);

export const removeItem = act<null>()(
  "shelf.remove-item",
  "person",
  z.object({ itemId: rowId, removed: z.boolean() }),
);

/** Bottles came. Sent twice it is one lot. */
export const addLot = act<{ code: number }>()(
  "shelf.add-lot",
  "person",
  z.object({ id: rowId, itemId: rowId, facts: lotFacts, came: byPart }),
);

/** Tells something of a lot. */
export const tellStock = act<null>()(
  "shelf.tell",
  "person",
  z.object({ id: rowId, lotId: rowId, said: stockSaid }),
);

/** Says of which lot something was weighed that is in nobody's book. */
export const placeWeighed = act<null>()("shelf.place", "person", z.object({ lotId: rowId, from }));
