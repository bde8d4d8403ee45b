import { randomUUID } from "node:crypto";
import { jobWithLook } from "@/core/job/looks";
import { exactly } from "@/core/numerics/spread";
import type { Quote } from "@/core/money/quote";
import type { JobDocument } from "@/core/job/job";
import type { Database } from "../database";
import { testDatabase, testShop, type TestShop } from "../testing/test-shop";
import { jobsOf } from "./jobs";
import { quotesOf } from "./quotes";

let db: Database;
let shop: TestShop;
let other: TestShop;
beforeAll(async () => {
  db = await testDatabase();
  [shop, other] = [await testShop(db), await testShop(db)];
});
afterAll(() => db.sequelize.close());

const now = new Date("2026-05-04T10:00:00Z");
const look = (id: string, document: JobDocument, pictureId: string | null = null) => ({
  id,
  name: id,
  words: "",
  pictureId,
  lines: [{ words: "Counter", quantity: 40, unit: "ft2" as const, each: 9500 }],
  rushPct: 0,
  document,
  cost: {
    resins: [],
    hours: exactly(4),
    hourly: 5000,
    setUpMin: 30,
    other: exactly(0),
    overheadPct: 0,
    total: exactly(20_000),
    areaMm2: 1e6,
  },
});
const quoteWith = (...looks: Quote["looks"]): Quote => ({
  client: "Quay house",
  jobName: "Counter",
  terms: "Half on order.",
  validUntil: "2026-06-04",
  taxName: "Tax",
  rules: { currency: "USD", taxPct: 0, taxBy: "total", roundTo: 0 },
  looks,
});
const LOOKS = () => {
  const other = jobWithLook(shop.document, "straight-grain", randomUUID)!;
  return quoteWith(
    look("planned", shop.document),
    look("grain", JSON.parse(JSON.stringify(other)) as JobDocument),
  );
};

test("numbers run through the year without a gap, whoever asks at the same moment, and begin anew with the next", async () => {
  const quotes = quotesOf(db, shop.owner);
  const ids = Array.from({ length: 6 }, () => randomUUID());
  await Promise.all(ids.map((id) => quotes.make(id, shop.jobId, LOOKS(), 2026, now)));
  // The same one again keeps its number.
  await quotes.make(ids[0]!, shop.jobId, LOOKS(), 2026, now);
  await quotes.make(randomUUID(), shop.jobId, LOOKS(), 2027, now);
  await quotesOf(db, other.owner).make(randomUUID(), other.jobId, LOOKS(), 2026, now);
  const list = await quotes.list();
  expect(list.map(({ year, number }) => [year, number])).toEqual([
    [2027, 1],
    [2026, 6],
    [2026, 5],
    [2026, 4],
    [2026, 3],
    [2026, 2],
    [2026, 1],
  ]);
  expect((await quotesOf(db, other.owner).list()).map(({ number }) => number)).toEqual([1]);
});
test("ordered, the look is the job's plan and the job approved; what stood there is one undo away; sent twice it is one", async () => {
  const fresh = await testShop(db);
  const quotes = quotesOf(db, fresh.owner);
  const jobs = jobsOf(db, fresh.owner);
  const grain = JSON.parse(
    JSON.stringify(jobWithLook(fresh.document, "straight-grain", randomUUID)),
  ) as JobDocument;
  const quoteId = randomUUID();
  await quotes.make(
    quoteId,
    fresh.jobId,
    quoteWith(look("planned", fresh.document), look("grain", grain)),
    2026,
    now,
  );
  await quotes.tell(randomUUID(), quoteId, { kind: "sent", words: "by e-mail" }, now);
  expect((await jobs.open(fresh.jobId)).status).toBe("planning");
  const accept = randomUUID();
  const said = { kind: "accepted" as const, lookId: "grain", words: "" };
  await quotes.tell(accept, quoteId, said, now);
  await quotes.tell(accept, quoteId, said, now);
  const open = await jobs.open(fresh.jobId);
  expect([open.status, open.revision, open.canUndo]).toEqual(["approved", 3, true]);
  expect(open.document).toEqual(grain);
  const before = await jobs.step(fresh.jobId, 3, "undo");
  expect(before.document).toEqual(JSON.parse(JSON.stringify(fresh.document)));
  expect((await quotes.one(quoteId)).entries.map(({ kind, words, by }) => [kind, words, by])).toEqual([
    ["sent", "by e-mail", "Owner"],
    ["accepted", "", "Owner"],
  ]);
  // A look that is not in it changes nothing.
  await expect(quotes.tell(randomUUID(), quoteId, { ...said, lookId: "none" }, now)).rejects.toMatchObject({
    error: { code: "not-found" },
  });
  expect((await quotes.one(quoteId)).entries).toHaveLength(2);
});
test("ordered as it is planned already, the job gets no version; one that is being poured keeps its status", async () => {
  const fresh = await testShop(db);
  const jobs = jobsOf(db, fresh.owner);
  const quotes = quotesOf(db, fresh.owner);
  const { document } = await jobs.open(fresh.jobId);
  await jobs.describe(fresh.jobId, { name: "Counter", client: "", status: "pouring", dueOn: null });
  const quoteId = randomUUID();
  await quotes.make(quoteId, fresh.jobId, quoteWith(look("planned", document)), 2026, now);
  await quotes.tell(randomUUID(), quoteId, { kind: "accepted", lookId: "planned", words: "" }, now);
  const open = await jobs.open(fresh.jobId);
  expect([open.revision, open.status]).toEqual([2, "pouring"]);
});
test("another shop reaches neither a quote nor a picture of this one", async () => {
  const quoteId = randomUUID();
  await quotesOf(db, shop.owner).make(quoteId, shop.jobId, LOOKS(), 2028, now);
  const theirs = quotesOf(db, other.owner);
  const refused = { error: { code: "not-found" } };
  await expect(theirs.one(quoteId)).rejects.toMatchObject(refused);
  await expect(theirs.ofJob(shop.jobId)).rejects.toMatchObject(refused);
  await expect(theirs.make(quoteId, other.jobId, LOOKS(), 2028, now)).rejects.toMatchObject(refused);
  const strange = quoteWith(look("a", other.document, randomUUID()));
  await expect(theirs.make(randomUUID(), other.jobId, strange, 2028, now)).rejects.toMatchObject(refused);
});
