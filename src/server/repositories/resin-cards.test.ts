import { starterCards } from "@/core/cure/starter-cards";
import type { Database } from "../database";
import { Refused } from "../refused";
import { testDatabase, testShop, type TestShop } from "../testing/test-shop";
import { resinCardsOf } from "./resin-cards";

let db: Database;
let shop: TestShop;
beforeAll(async () => {
  db = await testDatabase();
  shop = await testShop(db);
});
afterAll(() => db.sequelize.close());

const fields = (({ id: _id, ...rest }) => rest)(starterCards(() => "")[0]!);

test("a card comes back number for number: decimals, nulls and money", async () => {
  const cards = resinCardsOf(db, shop.owner);
  const odd = {
    ...fields,
    name: "Odd ½ ✓",
    viscosityPaS: 0.123456789,
    gelH: null,
    potLifeMin: 37.25,
    pricePerLitre: 19.99,
    ratioB: 0.333333,
    forCounters: false,
  };
  const { id } = await cards.add(odd);
  expect(await cards.find(id)).toEqual({ id, ...odd });
  const none = await cards.change(id, { ...odd, pricePerLitre: null });
  expect(none.pricePerLitre).toBeNull();
});

test("money is kept to the cent", async () => {
  const cards = resinCardsOf(db, shop.owner);
  const { id } = await cards.add({ ...fields, pricePerLitre: 0.1 + 0.2 });
  expect((await cards.find(id)).pricePerLitre).toBe(0.3);
});

test("the list is by name, and a removed card leaves it but not the table", async () => {
  const cards = resinCardsOf(db, shop.owner);
  const { id } = await cards.add({ ...fields, name: "AAA first" });
  expect((await cards.list())[0]?.name).toBe("AAA first");
  await cards.remove(id);
  const names = (await cards.list()).map((card) => card.name);
  expect(names).not.toContain("AAA first");
  expect(names).toEqual([...names].sort((a, b) => a.localeCompare(b)));
  expect(await db.ResinCard.count({ where: { id } })).toBe(1);
});

test("a card of another shop is neither found, changed nor removed", async () => {
  const other = await testShop(db);
  const theirs = resinCardsOf(db, other.owner);
  const id = shop.cards[0]!.id;
  for (const attempt of [
    theirs.find(id),
    theirs.change(id, { ...fields, name: "taken" }),
    theirs.remove(id),
  ]) {
    await expect(attempt).rejects.toBeInstanceOf(Refused);
  }
  expect((await resinCardsOf(db, shop.owner).find(id)).name).toBe(shop.cards[0]!.name);
});
