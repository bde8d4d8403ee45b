import { randomUUID } from "node:crypto";
import type { PourEvent } from "@/core/plan/pour";
import type { Database } from "../database";
import { testDatabase, testShop, type TestShop } from "../testing/test-shop";
import { poursOf } from "./pours";

let db: Database;
let shop: TestShop;
beforeAll(async () => {
  db = await testDatabase();
  shop = await testShop(db);
});
afterAll(() => db.sequelize.close());

const at = "2026-05-04T09:10:00.000Z";
async function started(): Promise<string> {
  const id = randomUUID();
  await poursOf(db, shop.owner).start({
    id,
    jobId: shop.jobId,
    jobRevision: 2,
    at: new Date(at),
    plan: { document: shop.document, cards: shop.cards },
  });
  return id;
}
const tick = (stepId: string): PourEvent => ({ id: randomUUID(), at, kind: "tick", stepId });

test("what was recorded comes back, and the same sent twice is there once", async () => {
  const pours = poursOf(db, shop.owner);
  const pourId = await started();
  const events: PourEvent[] = [
    tick("a"),
    { id: randomUUID(), at, kind: "weighed", stepId: "a", line: "A", grams: 431.5 },
    { id: randomUUID(), at, kind: "note", stepId: null, text: "cold room; ünïcode ✓" },
  ];
  expect(await pours.record(pourId, events)).toEqual(events.map((event) => event.id));
  expect(await pours.record(pourId, events)).toEqual(events.map((event) => event.id));
  const { events: stored } = await pours.open(pourId);
  expect(stored).toHaveLength(3);
  expect(stored).toEqual(expect.arrayContaining(events));
});

test("an entry that is there is never changed by a later one of the same id", async () => {
  const pours = poursOf(db, shop.owner);
  const pourId = await started();
  const first = tick("a");
  await pours.record(pourId, [first]);
  await pours.record(pourId, [{ ...first, stepId: "b" } as PourEvent]);
  expect((await pours.open(pourId)).events).toEqual([first]);
});

test("an id of another pour is refused, and nothing of that batch is kept", async () => {
  const pours = poursOf(db, shop.owner);
  const [one, other] = [await started(), await started()];
  const first = tick("a");
  await pours.record(one, [first]);
  await expect(pours.record(other, [tick("b"), first])).rejects.toThrow("another pour");
  expect((await pours.open(other)).events).toEqual([]);
});

test("finishing closes the pour; it is no longer live", async () => {
  const pours = poursOf(db, shop.owner);
  const pourId = await started();
  expect((await pours.live()).pours.map((pour) => pour.id)).toContain(pourId);
  await pours.record(pourId, [{ id: randomUUID(), at, kind: "finish" }]);
  expect((await pours.open(pourId)).finishedAt).toBe(at);
  expect((await pours.live()).pours.map((pour) => pour.id)).not.toContain(pourId);
});

test("the plan of a pour stays as it was, whatever happens to the job or its cards", async () => {
  const pours = poursOf(db, shop.owner);
  const pourId = await started();
  await db.ResinCard.update({ name: "renamed", potLifeMin: 1 }, { where: { shopId: shop.owner.shopId } });
  expect((await pours.open(pourId)).plan).toEqual({ document: shop.document, cards: shop.cards });
});
