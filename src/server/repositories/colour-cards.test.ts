import { starterColours, STARTER_COLOURS } from "@/core/colour/starter-colours";
import type { Database } from "../database";
import { Refused } from "../refused";
import { testDatabase, testShop, type TestShop } from "../testing/test-shop";
import { colourCardsOf } from "./colour-cards";

let db: Database;
let shop: TestShop;
beforeAll(async () => {
  db = await testDatabase();
  shop = await testShop(db);
});
afterAll(() => db.sequelize.close());

test("the usual colourants are added once, each as it was written", async () => {
  const cards = colourCardsOf(db, shop.owner);
  expect(await cards.addMissing(STARTER_COLOURS)).toBe(STARTER_COLOURS.length);
  expect(await cards.addMissing(STARTER_COLOURS)).toBe(0);
  const list = await cards.list();
  expect(list.map((card) => card.name).sort()).toEqual(STARTER_COLOURS.map((start) => start.name).sort());
  const white = list.find((card) => card.name === "White paste")!;
  const { id: _id, ...start } = starterColours(() => "")[0]!;
  expect(white).toEqual({ id: white.id, ...start });
});

test("a card is changed, and removed from the list but not the table", async () => {
  const cards = colourCardsOf(db, shop.owner);
  const own = {
    ...STARTER_COLOURS[1]!,
    name: "AAA own black ½",
    appearance: {
      by: "swatches" as const,
      swatches: {
        masstone: { hex: "#101112" },
        tint: { swatch: { lab: [34.25, -1.2, -1.7] as [number, number, number] }, share: 0.1 },
        shade: null,
      },
      opacity: "opaque" as const,
      dryShare: 1,
    },
  };
  const { id } = await cards.add(own);
  expect(await cards.find(id)).toEqual({ id, ...own });
  expect((await cards.change(id, { ...own, mostPer100G: null })).mostPer100G).toBeNull();
  await cards.remove(id);
  expect((await cards.list()).map((card) => card.id)).not.toContain(id);
  expect(await db.ColourCard.count({ where: { id } })).toBe(1);
});

test("a card of another shop is neither found, changed nor removed", async () => {
  const { id } = await colourCardsOf(db, shop.owner).add(STARTER_COLOURS[0]!);
  const other = colourCardsOf(db, (await testShop(db)).owner);
  // Asked one after the other: a refusal that nobody waits for yet would be one too many.
  for (const attempt of [
    () => other.find(id),
    () => other.change(id, STARTER_COLOURS[1]!),
    () => other.remove(id),
  ])
    await expect(attempt()).rejects.toBeInstanceOf(Refused);
});
