import { randomUUID } from "node:crypto";
import type { Transaction } from "sequelize";
import type { Database } from "./database";
import { inTransaction } from "./transaction";
import { testDatabase, testShop } from "./testing/test-shop";

let db: Database;
beforeAll(async () => {
  db = await testDatabase();
});
afterAll(() => db.sequelize.close());

const reading = (shopId: string, tempC: number) => ({
  id: randomUUID(),
  shopId,
  at: new Date(),
  tempC,
  humidityPct: null,
  readBy: "t",
});

test("two that stand in each other's way are both done, each whole", async () => {
  const [a, b] = [(await testShop(db)).owner, (await testShop(db)).owner];
  const rename = (shopId: string, name: string, transaction: Transaction) =>
    db.Shop.update({ name }, { where: { id: shopId }, transaction });
  let attempts = 0;
  const work = (first: string, second: string, tempC: number) =>
    inTransaction(db, async (transaction) => {
      attempts += 1;
      await db.RoomReading.create(reading(a.shopId, tempC), { transaction });
      await rename(first, `by ${tempC}`, transaction);
      await new Promise((resolve) => setTimeout(resolve, 150));
      await rename(second, `by ${tempC}`, transaction);
    });
  await Promise.all([work(a.shopId, b.shopId, 21), work(b.shopId, a.shopId, 22)]);
  // MariaDB undid one of them, and all of it was done again: not its last statement alone.
  expect(attempts).toBeGreaterThan(2);
  const rows = await db.RoomReading.findAll({ where: { shopId: a.shopId } });
  expect(rows.map(({ tempC }) => tempC).sort()).toEqual([21, 22]);
});

test("a deadlock told at the commit is no silent success", async () => {
  const { owner } = await testShop(db);
  let attempts = 0;
  const transaction = db.sequelize.transaction.bind(db.sequelize);
  db.sequelize.transaction = (async (work: (t: Transaction) => Promise<unknown>) => {
    const done = await transaction(async (t) => {
      const value = await work(t);
      // The first commit is refused as a cluster refuses one: everything is undone.
      if (attempts === 1) throw Object.assign(new Error("Deadlock"), { code: "ER_LOCK_DEADLOCK" });
      return value;
    });
    return done;
  }) as typeof db.sequelize.transaction;
  try {
    await inTransaction(db, async (t) => {
      attempts += 1;
      await db.RoomReading.create(reading(owner.shopId, 20 + attempts), { transaction: t });
    });
  } finally {
    delete (db.sequelize as { transaction?: unknown }).transaction;
  }
  const rows = await db.RoomReading.findAll({ where: { shopId: owner.shopId } });
  expect(rows.map(({ tempC }) => tempC)).toEqual([22]);
});

test("what fails for another reason is not tried again", async () => {
  let attempts = 0;
  await expect(
    inTransaction(db, async () => {
      attempts += 1;
      throw new Error("no");
    }),
  ).rejects.toThrow("no");
  expect(attempts).toBe(1);
});
