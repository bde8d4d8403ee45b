import { USUAL_RATES } from "@/core/money/rates";
import type { Database } from "../database";
import { testDatabase, testShop, type TestShop } from "../testing/test-shop";
import { moneyOf } from "./money";

let db: Database;
let shop: TestShop;
let other: TestShop;
beforeAll(async () => {
  db = await testDatabase();
  [shop, other] = [await testShop(db), await testShop(db)];
});
afterAll(() => db.sequelize.close());

test("usual rates until somebody types the shop's own; another shop keeps its", async () => {
  const money = moneyOf(db, shop.owner);
  expect(await money.rates()).toEqual({ rates: USUAL_RATES, typed: false });
  const rates = { ...USUAL_RATES, currency: "KWD", hourly: 12_345, usedUp: [] };
  await money.setRates(rates);
  expect(await money.rates()).toEqual({ rates, typed: true });
  expect((await moneyOf(db, other.owner).rates()).typed).toBe(false);
});
test("a job's price is kept as it was typed last, for everybody of the shop and nobody else", async () => {
  const money = moneyOf(db, shop.owner);
  expect(await money.priceOf(shop.jobId)).toBeNull();
  const draft = {
    lines: [{ words: "Counter", quantity: 12.5, unit: "ft2" as const, each: 9500 }],
    rushPct: 10,
  };
  await money.savePrice(shop.jobId, { lines: [], rushPct: 0 }, new Date());
  await money.savePrice(shop.jobId, draft, new Date());
  expect(await money.priceOf(shop.jobId)).toEqual(draft);
  const theirs = moneyOf(db, other.owner);
  await expect(theirs.priceOf(shop.jobId)).rejects.toMatchObject({ error: { code: "not-found" } });
  await expect(theirs.savePrice(shop.jobId, draft, new Date())).rejects.toMatchObject({
    error: { code: "not-found" },
  });
});
