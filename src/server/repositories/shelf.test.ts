import { randomUUID } from "node:crypto";
import type { ShelfItemFields, StockSaid } from "@/contracts/shelf";
import { bookingsOf } from "@/core/shelf/booking";
import { lotState, NO_FACTS } from "@/core/shelf/stock";
import type { WeighedOut } from "@/core/shelf/weighed-out";
import type { Database } from "../database";
import { testDatabase, testShop, type TestShop } from "../testing/test-shop";
import { poursOf } from "./pours";
import { shelfOf } from "./shelf";

let db: Database;
let shop: TestShop;
beforeAll(async () => {
  db = await testDatabase();
  shop = await testShop(db);
});
afterAll(() => db.sequelize.close());

const day = (n: number) => new Date(Date.UTC(2026, 4, n));
const EMBED: ShelfItemFields = {
  kind: "embed",
  name: "River stones",
  cardId: null,
  use: null,
  cupMl: null,
  keepAtLeast: 200,
  hazards: "",
};
const shelf = () => shelfOf(db, shop.owner);
const lotOf = async (id: string) => (await shelf().lots()).find((lot) => lot.id === id)!;
/** An item with one lot of a kilogram. */
async function put(fields = EMBED): Promise<{ itemId: string; lotId: string }> {
  const [itemId, lotId] = [randomUUID(), randomUUID()];
  await shelf().putItem(itemId, fields, day(1));
  const part = fields.kind === "resin" ? "A" : "whole";
  await shelf().addLot(lotId, itemId, NO_FACTS, { [part]: 1000 }, day(1));
  return { itemId, lotId };
}
const took = (amount: number): StockSaid => ({
  kind: "took",
  part: "whole",
  amount,
  what: "sample",
  why: "",
});

test("lots get the shop's next number, also when several come at the same moment; sent twice one is one", async () => {
  const { itemId, lotId } = await put();
  const first = (await lotOf(lotId)).code;
  const ids = [randomUUID(), randomUUID(), randomUUID()];
  const codes = await Promise.all(
    [...ids, ids[0]!].map((id) => shelf().addLot(id, itemId, NO_FACTS, { whole: 5 }, day(2))),
  );
  expect(codes[3]).toEqual(codes[0]);
  expect(
    codes
      .slice(0, 3)
      .map(({ code }) => code)
      .sort((a, b) => a - b),
  ).toEqual([first + 1, first + 2, first + 3]);
});
test("what is told is kept by whom and when, sent twice at the same moment it is one", async () => {
  const { lotId } = await put();
  const id = randomUUID();
  await Promise.all([1, 2, 3].map(() => shelf().tell(id, lotId, took(250), day(3))));
  const { entries } = await lotOf(lotId);
  expect(entries.filter(({ kind }) => kind === "took")).toMatchObject([
    { id, amount: 250, by: shop.owner.name, at: day(3).toISOString() },
  ]);
});
test("only what has an amount can be corrected, and only in its own lot", async () => {
  const [one, other] = [await put(), await put()];
  const id = randomUUID();
  await shelf().tell(id, one.lotId, took(250), day(3));
  const correct = (lotId: string, entryId: string) =>
    shelf().tell(randomUUID(), lotId, { kind: "corrected", entryId, amount: 200, why: "misread" }, day(4));
  await correct(one.lotId, id);
  expect(lotState(await lotOf(one.lotId)).left.get("whole")).toBe(800);
  const facts = (await lotOf(one.lotId)).entries.find(({ kind }) => kind === "facts")!.id;
  for (const [lotId, entryId] of [
    [other.lotId, id],
    [one.lotId, facts],
    [one.lotId, randomUUID()],
  ] as const)
    await expect(correct(lotId, entryId)).rejects.toMatchObject({ error: { code: "not-found" } });
});
test("a card is on the shelf once; taken off it may be put there again; its name is the card's", async () => {
  const [card] = shop.cards;
  const fields: ShelfItemFields = { ...EMBED, kind: "resin", name: "typed", cardId: card!.id };
  const { itemId } = await put(fields);
  expect((await shelf().items()).find(({ id }) => id === itemId)?.name).toBe(card!.name);
  await expect(shelf().putItem(randomUUID(), fields, day(2))).rejects.toMatchObject({
    error: { code: "invalid", field: "fields.cardId" },
  });
  await expect(shelf().putItem(randomUUID(), { ...fields, cardId: null }, day(2))).rejects.toMatchObject({
    error: { field: "fields.cardId" },
  });
  await expect(
    shelf().putItem(randomUUID(), { ...fields, cardId: randomUUID() }, day(2)),
  ).rejects.toMatchObject({
    error: { code: "not-found" },
  });
  await shelf().removeItem(itemId, true, new Date());
  expect((await shelf().items()).some(({ id }) => id === itemId)).toBe(false);
  const again = randomUUID();
  await shelf().putItem(again, fields, day(4));
  expect((await shelf().removed()).map(({ id }) => id)).toEqual([itemId]);
  await expect(shelf().removeItem(itemId, false, day(4))).rejects.toMatchObject({
    error: { message: "This is on the shelf already." },
  });
  await shelf().removeItem(again, true, day(4));
});
test("what a pour weighed is booked once, and what is in nobody's book waits until its lot is said", async () => {
  const card = shop.cards[1]!;
  const { itemId, lotId } = await put({ ...EMBED, kind: "resin", name: card.name, cardId: card.id });
  const pourId = randomUUID();
  await poursOf(db, shop.owner).start({
    id: pourId,
    jobId: shop.jobId,
    jobRevision: 2,
    at: new Date(),
    plan: { document: shop.document, cards: shop.cards, colours: [] },
  });
  const at = new Date().toISOString();
  const weighed = (line: string, grams: number, lot: string | null): WeighedOut => ({
    stepId: "s",
    line,
    at,
    grams,
    cardId: card.id,
    part: "A",
    lot,
  });
  await poursOf(db, shop.owner).record(pourId, [
    { id: randomUUID(), at, kind: "weighed", stepId: "s", line: "A", grams: 300 },
    { id: randomUUID(), at, kind: "lot", stepId: "s", line: "A-2", lot: "9999" },
  ]);
  const waiting = await shelf().poursToBook(day(1));
  expect(waiting.map((one) => one.pourId)).toEqual([pourId]);
  const upTo = waiting[0]!.upTo;
  const found = bookingsOf(
    pourId,
    [weighed("A", 300, null), weighed("A-2", 120, "9999")],
    await shelf().items(),
    await shelf().lots(),
  );
  // Two screens at the same time.
  await Promise.all([1, 2].map(() => shelf().book(pourId, upTo, found.bookings, found.unplaced)));
  expect(lotState(await lotOf(lotId)).left.get("A")).toBe(700);
  expect(await shelf().poursToBook(day(1))).toEqual([]);
  expect(await shelf().unplaced()).toMatchObject([{ jobName: "Counter", itemId, weighed: { grams: 120 } }]);
  const from = { pourId, stepId: "s", line: "A-2" };
  const stones = await put();
  await expect(shelf().place(stones.lotId, from)).rejects.toMatchObject({ error: { code: "not-found" } });
  await shelf().place(lotId, from);
  await expect(shelf().place(lotId, from)).rejects.toMatchObject({ error: { code: "not-found" } });
  expect(lotState(await lotOf(lotId)).left.get("A")).toBe(580);
  expect(await shelf().unplaced()).toEqual([]);
  expect(await shelf().poursNamed([pourId])).toMatchObject([
    { pourId, jobName: "Counter", pieces: shop.document.pieces.map(({ name }) => name) },
  ]);
});
