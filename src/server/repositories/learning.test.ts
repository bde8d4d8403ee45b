import { randomUUID } from "node:crypto";
import { factorValues } from "@/core/learning/decisions";
import type { Database } from "../database";
import { testDatabase, testShop, type TestShop } from "../testing/test-shop";
import { learningOf } from "./learning";
import { poursOf } from "./pours";

let db: Database;
let shop: TestShop;
beforeAll(async () => {
  db = await testDatabase();
  shop = await testShop(db);
});
afterAll(() => db.sequelize.close());

const adopt = (cupFilmMm: number) => ({
  kind: "adopt" as const,
  of: "volume" as const,
  factors: { cupFilmMm },
  pours: 9,
  moved: 120,
});
const day = (n: number) => new Date(Date.UTC(2026, 4, n));

test("a word sent twice is one; the later one counts; taken back the usual is planned with again", async () => {
  const learning = learningOf(db, shop.owner);
  const id = randomUUID();
  await learning.decide(id, adopt(0.7), day(1));
  await learning.decide(id, adopt(0.9), day(2));
  expect(await learning.decisions()).toHaveLength(1);
  expect((await learning.adopted()).cupFilmMm).toEqual({
    value: 0.7,
    pours: 9,
    at: day(1).toISOString(),
    by: shop.owner.name,
  });
  await learning.decide(randomUUID(), adopt(0.8), day(3));
  expect(factorValues(await learning.adopted())).toEqual({ cupFilmMm: 0.8 });
  await learning.decide(randomUUID(), { kind: "take-back", of: "volume" }, day(4));
  expect(await learning.adopted()).toEqual({});
});

test("another shop sees none of it, and cannot say anything about a pour that is not its own", async () => {
  const other = await testShop(db);
  await learningOf(db, shop.owner).decide(randomUUID(), adopt(0.7), day(5));
  expect(await learningOf(db, other.owner).decisions()).toEqual([]);
  const pourId = randomUUID();
  const { jobId, document } = shop;
  await poursOf(db, shop.owner).start({
    id: pourId,
    jobId,
    jobRevision: 2,
    at: new Date(),
    plan: { document, cards: [], colours: [] },
  });
  const changed = { kind: "changed" as const, pourId, yes: true };
  await expect(learningOf(db, other.owner).decide(randomUUID(), changed, day(6))).rejects.toThrow();
  await learningOf(db, shop.owner).decide(randomUUID(), changed, day(6));
  expect((await learningOf(db, shop.owner).decisions()).at(-1)).toMatchObject(changed);
});

test("what a later version wrote is left where it is and hides nothing", async () => {
  await db.LearningDecision.create({
    id: randomUUID(),
    shopId: shop.owner.shopId,
    kind: "of-a-later-version",
    detail: { of: "volume" },
    decidedBy: "Owner",
    at: day(7),
  });
  const learning = learningOf(db, shop.owner);
  const before = await learning.decisions();
  await learning.decide(randomUUID(), { kind: "refuse", of: "time", moved: 8, sd: 2 }, day(8));
  expect(await learning.decisions()).toHaveLength(before.length + 1);
});

test("coats that were poured before are left out of a pour from its start", async () => {
  const other = await testShop(db);
  const pourId = randomUUID();
  const [coat] = other.document.coats;
  const start = {
    id: pourId,
    jobId: other.jobId,
    jobRevision: 2,
    at: new Date(),
    plan: { document: other.document, cards: other.cards, colours: [] },
    leaveOut: [coat!.id],
  };
  await poursOf(db, other.owner).start(start);
  await poursOf(db, other.owner).start(start);
  const { events } = await poursOf(db, other.owner).open(pourId);
  expect(events).toEqual([
    expect.objectContaining({ kind: "drop-coat", coatId: coat!.id, why: "poured before" }),
  ]);
});
