import { randomUUID } from "node:crypto";
import { foldPour } from "@/core/pour/pour-events";
import type { Database } from "../database";
import { KEPT_STEPS } from "../thin-versions";
import { poursOf } from "./pours";
import { Refused } from "../refused";
import { testDatabase, testShop, type TestShop } from "../testing/test-shop";
import { jobsOf } from "./jobs";

let db: Database;
let shop: TestShop;
beforeAll(async () => {
  db = await testDatabase();
});
beforeEach(async () => {
  shop = await testShop(db);
});
afterAll(() => db.sequelize.close());

const film = (filmMm: number) => ({
  ...shop.document,
  coats: shop.document.coats.map((coat) => ({ ...coat, filmMm })),
});
const filmOf = (document: { coats: { filmMm: number }[] }) => document.coats[0]?.filmMm;

async function refusal(attempt: Promise<unknown>) {
  const failure = await attempt.then(
    () => null,
    (reason: unknown) => reason,
  );
  if (!(failure instanceof Refused)) throw new Error(`Expected a refusal, got ${String(failure)}`);
  return failure.error;
}

test("a document comes back as it was saved, as plain records", async () => {
  const opened = await jobsOf(db, shop.owner).open(shop.jobId);
  expect(opened.document).toEqual(shop.document);
  expect(opened.revision).toBe(2);
  expect(Object.getPrototypeOf(opened)).toBe(Object.prototype);
});

test("saving on an old revision is refused with the version that is there, and overwrites nothing", async () => {
  const jobs = jobsOf(db, shop.owner);
  await jobs.save(shop.jobId, 2, film(0.7));
  const error = await refusal(jobs.save(shop.jobId, 2, film(0.9)));
  expect(error.code).toBe("conflict");
  expect((error.data as { revision: number }).revision).toBe(3);
  expect(filmOf((await jobs.open(shop.jobId)).document)).toBe(0.7);
});

test("of many saves at once on one revision exactly one wins", async () => {
  const jobs = jobsOf(db, shop.owner);
  const results = await Promise.allSettled(
    [0.3, 0.4, 0.5, 0.6, 0.7].map((mm) => jobs.save(shop.jobId, 2, film(mm))),
  );
  expect(results.filter((result) => result.status === "fulfilled")).toHaveLength(1);
  expect((await jobs.open(shop.jobId)).revision).toBe(3);
});

test("undo and redo walk the versions, a new change forgets the redo, and no version is ever lost", async () => {
  const jobs = jobsOf(db, shop.owner);
  await jobs.save(shop.jobId, 2, film(0.5));
  await jobs.save(shop.jobId, 3, film(0.6));
  let at = await jobs.step(shop.jobId, 4, "undo");
  expect([filmOf(at.document), at.canUndo, at.canRedo]).toEqual([0.5, true, true]);
  at = await jobs.step(shop.jobId, at.revision, "undo");
  expect(at.document).toEqual(shop.document);
  at = await jobs.step(shop.jobId, at.revision, "redo");
  expect(filmOf(at.document)).toBe(0.5);
  at = await jobs.step(shop.jobId, at.revision, "redo");
  expect([filmOf(at.document), at.canRedo]).toEqual([0.6, false]);
  at = await jobs.step(shop.jobId, at.revision, "undo");
  at = await jobs.save(shop.jobId, at.revision, film(0.8));
  expect(at.canRedo).toBe(false);
  expect((await refusal(jobs.step(shop.jobId, at.revision, "redo"))).message).toBe(
    "There is nothing to redo.",
  );
  expect(await db.JobRevision.count({ where: { jobId: shop.jobId } })).toBe(10);
});

test("undo ends at the first version", async () => {
  const jobs = jobsOf(db, shop.owner);
  const first = await jobs.step(shop.jobId, 2, "undo");
  expect(first.canUndo).toBe(false);
  expect((await refusal(jobs.step(shop.jobId, first.revision, "undo"))).code).toBe("invalid");
});

test("a copy is its own job", async () => {
  const jobs = jobsOf(db, shop.owner);
  const copyId = await jobs.duplicate(shop.jobId);
  await jobs.save(copyId, 1, film(2));
  expect((await jobs.open(shop.jobId)).document).toEqual(shop.document);
  const names = (await jobs.list()).map((job) => job.name);
  expect(names).toEqual(expect.arrayContaining(["Counter", "Counter, copy"]));
});

test("archived jobs stay in the list, marked; the list counts pieces", async () => {
  const jobs = jobsOf(db, shop.owner);
  await jobs.archive(shop.jobId, true);
  expect((await jobs.list())[0]).toMatchObject({ archived: true, pieces: 1 });
});

test("a job of another shop is not there", async () => {
  const other = await testShop(db);
  expect((await refusal(jobsOf(db, other.owner).open(shop.jobId))).code).toBe("not-found");
  expect((await jobsOf(db, other.owner).list()).map((job) => job.id)).not.toContain(shop.jobId);
});

test("the same save asked for again, as when its answer was lost, is the save that is there", async () => {
  const jobs = jobsOf(db, shop.owner);
  const first = await jobs.save(shop.jobId, 2, film(0.7));
  expect(await jobs.save(shop.jobId, 2, film(0.7))).toEqual(first);
  expect(await db.JobRevision.count({ where: { jobId: shop.jobId } })).toBe(3);
  // Another's save of the same is another's: it is told.
  const hand = { ...shop.owner, name: "Hand" };
  expect((await refusal(jobsOf(db, hand).save(shop.jobId, 2, film(0.7)))).code).toBe("conflict");
});

test("an undo asked for again is one undo", async () => {
  const jobs = jobsOf(db, shop.owner);
  await jobs.save(shop.jobId, 2, film(0.7));
  const undone = await jobs.step(shop.jobId, 3, "undo");
  expect(await jobs.step(shop.jobId, 3, "undo")).toEqual(undone);
  expect(undone.revision).toBe(4);
});

/** Makes the present version one that no program of ours would have written. */
const spoil = async () => {
  const job = await db.Job.findByPk(shop.jobId);
  await db.JobRevision.update(
    { document: { format: 1, pieces: "nonsense" } },
    { where: { jobId: shop.jobId, revision: job!.revision } },
  );
};

test("a job that cannot be read takes no list with it, and goes back to an earlier version", async () => {
  const jobs = jobsOf(db, shop.owner);
  const other = await jobs.create(
    { name: "Sound", client: "", status: "planning", dueOn: null },
    { ...shop.document, work: { ...shop.document.work, startOn: "2026-03-04" } },
  );
  await jobs.save(shop.jobId, 2, { ...film(0.7), work: { ...shop.document.work, startOn: "2026-03-05" } });
  await spoil();
  expect((await refusal(jobs.open(shop.jobId))).code).toBe("unreadable");
  expect((await jobs.documents(null)).map(({ jobId }) => jobId)).toEqual([other]);
  const dated = await jobs.dated("2026-03-04");
  expect(dated.jobs.map(({ id }) => id)).toEqual([other]);
  expect(dated.unreadable).toEqual([{ jobId: shop.jobId, name: "Counter" }]);
  expect((await jobs.list()).map(({ id }) => id).sort()).toEqual([other, shop.jobId].sort());
  const { revision, versions } = await jobs.versions(shop.jobId);
  expect([revision, versions.map((version) => version.revision)]).toEqual([3, [3, 2, 1]]);
  expect((await refusal(jobs.restore(shop.jobId, 3))).code).toBe("unreadable");
  expect((await jobs.restore(shop.jobId, 2)).revision).toBe(4);
  expect((await jobs.open(shop.jobId)).document).toEqual(shop.document);
});

test("dated jobs are found by their day, however many were touched since; what is beyond the limit is told", async () => {
  const jobs = jobsOf(db, shop.owner);
  const fields = { name: "J", client: "", status: "planning" as const, dueOn: null };
  const on = (startOn: string) => ({ ...shop.document, work: { ...shop.document.work, startOn } });
  const dated = await jobs.create({ ...fields, name: "Tomorrow" }, on("2026-06-02"));
  const done = await jobs.create({ ...fields, status: "done" }, on("2026-06-01"));
  for (let made = 0; made < 64; made += 1) await jobs.create(fields, shop.document);
  const found = await jobs.dated("2026-06-01");
  expect(found.jobs.map(({ id }) => id)).toEqual([dated]);
  expect(found.more).toBe(0);
  expect(found.jobs.map(({ id }) => id)).not.toContain(done);
  for (let day = 0; day < 121; day += 1) {
    const later = new Date(Date.UTC(2026, 6, 1 + day)).toISOString().slice(0, 10);
    await jobs.create({ ...fields, name: later }, on(later));
  }
  const many = await jobs.dated("2026-06-01");
  expect([many.jobs.length, many.more, many.jobs[0]?.name]).toEqual([120, 2, "Tomorrow"]);
}, 60_000);

describe("deleting", () => {
  test("a deleted job is nowhere to be found, and comes back as it was", async () => {
    const jobs = jobsOf(db, shop.owner);
    const before = await jobs.open(shop.jobId);
    await jobs.remove(shop.jobId, true);
    expect(await jobs.list()).toEqual([]);
    expect(await jobs.documents([shop.jobId])).toEqual([]);
    expect((await refusal(jobs.open(shop.jobId))).code).toBe("not-found");
    expect((await refusal(jobs.save(shop.jobId, 2, film(0.4)))).code).toBe("not-found");
    expect(await jobs.removed()).toEqual([expect.objectContaining({ id: shop.jobId, name: before.name })]);
    await jobs.remove(shop.jobId, false);
    expect(await jobs.open(shop.jobId)).toEqual(before);
    expect(await jobs.removed()).toEqual([]);
  });
  test("while it is poured it is not deleted; called off, it is, and its log with it", async () => {
    const [jobs, pours] = [jobsOf(db, shop.owner), poursOf(db, shop.owner)];
    const id = randomUUID();
    const at = new Date();
    await pours.start({
      id,
      jobId: shop.jobId,
      jobRevision: 2,
      at,
      plan: { document: shop.document, cards: shop.cards, colours: [] },
    });
    expect((await refusal(jobs.remove(shop.jobId, true))).message).toMatch(/call it off/);
    await pours.record(id, [{ id: randomUUID(), at: at.toISOString(), kind: "call-off", why: "spilt" }]);
    expect((await jobs.open(shop.jobId)).status).toBe("planning");
    const [called] = (await pours.ofJob(shop.jobId)).pours;
    expect(called!.finishedAt).toBe(at.toISOString());
    expect(foldPour(called!.events).calledOff).toBe("spilt");
    await jobs.remove(shop.jobId, true);
    expect(await jobs.list()).toEqual([]);
  });
  test("another shop's job cannot be deleted or brought back", async () => {
    const other = await testShop(db);
    expect((await refusal(jobsOf(db, other.owner).remove(shop.jobId, true))).code).toBe("not-found");
    await jobsOf(db, shop.owner).remove(shop.jobId, true);
    expect((await refusal(jobsOf(db, other.owner).remove(shop.jobId, false))).code).toBe("not-found");
  });
});

test("old versions are thinned out as new ones come, undo still leads back, and what was poured stays", async () => {
  const jobs = jobsOf(db, shop.owner);
  const many = 2 + KEPT_STEPS + 120;
  const first = (await db.JobRevision.findOne({ where: { jobId: shop.jobId, revision: 2 } }))!.get({
    plain: true,
  });
  await db.JobRevision.bulkCreate(
    Array.from({ length: many - 2 }, (_, index) => ({
      ...first,
      revision: index + 3,
      undoRevision: index + 2,
      redoRevision: null,
      savedAt: new Date(Date.now() - 200 * 86_400_000 + index * 60_000),
    })),
  );
  await db.JobRevision.update(
    { savedAt: new Date(Date.now() - 201 * 86_400_000) },
    { where: { jobId: shop.jobId, revision: [1, 2] } },
  );
  await db.Job.update({ revision: many }, { where: { id: shop.jobId } });
  let revision = many;
  while (revision % 64 !== 0)
    ({ revision } = await jobs.save(shop.jobId, revision, film(0.3 + (revision % 7) / 100)));
  const left = await db.JobRevision.count({ where: { jobId: shop.jobId } });
  expect(left).toBeLessThan(many);
  expect(left).toBeGreaterThanOrEqual(KEPT_STEPS);
  // Undo goes on step by step beyond the ones that are gone.
  let steps = 0;
  for (let at = await jobs.open(shop.jobId); at.canUndo && steps < 20; steps += 1)
    at = { ...at, ...(await jobs.step(shop.jobId, at.revision, "undo")) };
  expect(steps).toBe(20);
});
