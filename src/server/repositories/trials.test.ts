import { randomUUID } from "node:crypto";
import { drawPairs, readTrial, type TrialPlan } from "@/core/learning/trial";
import { seeded } from "@/core/numerics/random";
import type { Database } from "../database";
import { testDatabase, testShop, type TestShop } from "../testing/test-shop";
import { trialsOf } from "./trials";

let db: Database;
let shop: TestShop;
beforeAll(async () => {
  db = await testDatabase();
  shop = await testShop(db);
});
afterAll(() => db.sequelize.close());

const day = (n: number) => new Date(Date.UTC(2026, 4, n));
const plan = (seed: number): TrialPlan => ({
  name: "Alcohol later",
  now: "at once",
  tried: "five minutes later",
  asks: "Which has the cleaner cells?",
  measure: { name: "black on top", unit: "%", better: "less" },
  pairs: drawPairs(5, seeded(seed)),
});

test("the lot is drawn once; what is told is kept by whom, sent twice it is one, the later word counts", async () => {
  const trials = trialsOf(db, shop.owner);
  const id = randomUUID();
  await trials.begin(id, plan(1), day(1));
  await trials.begin(id, plan(2), day(2));
  const entry = randomUUID();
  await trials.tell(entry, id, { kind: "eye", pair: 0, better: "left" }, day(3));
  await trials.tell(entry, id, { kind: "eye", pair: 0, better: "right" }, day(4));
  await trials.tell(randomUUID(), id, { kind: "eye", pair: 0, better: "alike" }, day(5));
  await trials.tell(randomUUID(), id, { kind: "measured", pair: 4, left: 8, right: 12.5 }, day(6));
  const [trial] = await trials.list();
  expect(trial).toMatchObject({ id, by: shop.owner.name, plan: plan(1), at: day(1).toISOString() });
  expect(trial!.entries.map(({ kind, by }) => [kind, by])).toEqual([
    ["eye", shop.owner.name],
    ["eye", shop.owner.name],
    ["measured", shop.owner.name],
  ]);
  const { pairs } = readTrial(trial!.plan, trial!.entries);
  expect(pairs[0]!.said).toBe("alike");
  expect(pairs[4]).toMatchObject({ left: 8, right: 12.5 });
});

test("another shop neither sees nor tells of it, and a pair that is not there takes nothing", async () => {
  const other = await testShop(db);
  const id = randomUUID();
  await trialsOf(db, shop.owner).begin(id, plan(3), day(7));
  expect(await trialsOf(db, other.owner).list()).toEqual([]);
  const eye = { kind: "eye" as const, pair: 5, better: "left" as const };
  await expect(
    trialsOf(db, other.owner).tell(randomUUID(), id, { ...eye, pair: 0 }, day(8)),
  ).rejects.toThrow();
  await expect(trialsOf(db, shop.owner).tell(randomUUID(), id, eye, day(8))).rejects.toThrow();
  await expect(trialsOf(db, other.owner).begin(id, plan(4), day(8))).rejects.toThrow();
});
