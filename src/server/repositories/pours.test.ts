import { randomUUID } from "node:crypto";
import { ACTS } from "@/app/api/act/registry";
import type { PourEvent } from "@/core/pour/pour-events";
import { jsonOf, type Database } from "../database";
import { perform } from "../acts";
import { benchOf } from "./bench";
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
    plan: { document: shop.document, cards: shop.cards, colours: [] },
  });
  return id;
}
/** Entries as they come back: with who recorded them. */
const asStored = (events: readonly PourEvent[]) => events.map((event) => ({ ...event, by: shop.owner.name }));
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
  expect(stored).toEqual(expect.arrayContaining(asStored(events)));
});

test("an entry that is there is never changed by a later one of the same id", async () => {
  const pours = poursOf(db, shop.owner);
  const pourId = await started();
  const first = tick("a");
  await pours.record(pourId, [first]);
  await pours.record(pourId, [{ ...first, stepId: "b" } as PourEvent]);
  expect((await pours.open(pourId)).events).toEqual(asStored([first]));
});

test("an id of another pour is refused, and nothing of that batch is kept", async () => {
  const pours = poursOf(db, shop.owner);
  const [a, b] = [await started(), await started()];
  const first = tick("a");
  await pours.record(a, [first]);
  await expect(pours.record(b, [tick("b"), first])).rejects.toThrow("another pour");
  expect((await pours.open(b)).events).toEqual([]);
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
  expect((await pours.open(pourId)).plan).toEqual({
    document: shop.document,
    cards: shop.cards,
    colours: [],
  });
});

test("entries of one moment keep the order in which they came", async () => {
  const pours = poursOf(db, shop.owner);
  const pourId = await started();
  const events = Array.from({ length: 40 }, (_, index) => tick(`step ${index}`));
  await pours.record(pourId, events.slice(0, 25));
  await pours.record(pourId, events.slice(25));
  expect((await pours.open(pourId)).events.map(({ id }) => id)).toEqual(events.map(({ id }) => id));
});

test("half a sign in a note loses neither the note nor the ones beside it", async () => {
  const pourId = await started();
  const events = [
    tick("a"),
    { id: randomUUID(), at, kind: "note", stepId: null, text: "ripples \ud83d at the sink" },
  ];
  const result = await perform(ACTS.get("pour.record")!, shop.owner, { pourId, events });
  expect(result).toMatchObject({ ok: true, value: { stored: events.map(({ id }) => id) } });
  const { events: stored } = await poursOf(db, shop.owner).open(pourId);
  expect(stored.map((event) => ("text" in event ? event.text : event.kind))).toEqual([
    "tick",
    "ripples \ufffd at the sink",
  ]);
});

test("only what is stored is acknowledged: one entry that cannot be stored refuses all", async () => {
  const pours = poursOf(db, shop.owner);
  const pourId = await started();
  const unstorable = { ...tick("b"), stepId: "\ud800" };
  await expect(pours.record(pourId, [tick("a"), unstorable])).rejects.toThrow();
  expect((await pours.open(pourId)).events).toEqual([]);
});

test("one pour started four times at once is one pour", async () => {
  const id = randomUUID();
  const start = () =>
    perform(ACTS.get("pour.start")!, shop.owner, { pourId: id, jobId: shop.jobId, revision: 2, at });
  const results = await Promise.all([start(), start(), start(), start()]);
  expect(results.every(({ ok }) => ok)).toBe(true);
  expect(await db.Pour.count({ where: { id } })).toBe(1);
});

test.each(["0000-01-01T00:00:00.000Z", "9999-12-31T00:00:00.000Z"])(
  "nothing is filed under %s: a pour is not started, an entry is kept under the server's time",
  async (moment) => {
    const starting = { pourId: randomUUID(), jobId: shop.jobId, revision: 2, at: moment };
    expect(await perform(ACTS.get("pour.start")!, shop.owner, starting)).toMatchObject({
      ok: false,
      error: { code: "invalid", message: expect.stringContaining("clock") },
    });
    const pourId = await started();
    const events = [tick("a"), tick("b")].map((event) => ({ ...event, at: moment }));
    const before = Date.now();
    const result = await perform(ACTS.get("pour.record")!, shop.owner, { pourId, events });
    expect(result).toMatchObject({ ok: true, value: { stored: events.map(({ id }) => id) } });
    const { events: stored } = await poursOf(db, shop.owner).open(pourId);
    expect(stored.map(({ id }) => id)).toEqual(events.map(({ id }) => id));
    for (const event of stored) {
      expect(Date.parse(event.at)).toBeGreaterThanOrEqual(before - 5);
      expect(Date.parse(event.at)).toBeLessThanOrEqual(Date.now());
    }
    const row = await db.PourEvent.findByPk(events[0]!.id);
    expect(jsonOf(row!.detail)).toMatchObject({ deviceAt: moment });
  },
);

test("a reading of a clock that is fast hides no later one", async () => {
  const bench = benchOf(db, shop.owner);
  const reading = (ms: number, tempC: number) => ({
    id: randomUUID(),
    at: new Date(Date.now() + ms).toISOString(),
    tempC,
    humidityPct: null,
  });
  await bench.read(reading(3_600_000, 30));
  await expect(bench.read(reading(400 * 86_400_000, 40))).rejects.toThrow("clock");
  await db.RoomReading.create({
    ...reading(0, 50),
    at: new Date(Date.now() + 300 * 86_400_000),
    shopId: shop.owner.shopId,
    readBy: "an earlier version",
  });
  await new Promise((resolve) => setTimeout(resolve, 5));
  await bench.read(reading(0, 21));
  expect((await bench.lastReading())?.tempC).toBe(21);
});

test("the room as it is read is an entry of live pours, as far as it says something new; a probe's readings thin out", async () => {
  const pourId = await started();
  const bench = benchOf(db, shop.owner);
  const start = Date.now() - 5 * 3600_000;
  await db.Pour.update({ startedAt: new Date(start) }, { where: { id: pourId } });
  const read = (minute: number, tempC: number, byProbe = true) => ({
    id: randomUUID(),
    at: new Date(start + minute * 60_000).toISOString(),
    tempC,
    humidityPct: 50,
    ...(byProbe && { byProbe: true as const }),
  });
  const minutes = Array.from({ length: 240 }, (_, minute) => minute + 1);
  for (const minute of minutes) {
    const reading = read(minute, minute < 100 ? 21 : 22);
    expect((await perform(ACTS.get("bench.read-room")!, shop.owner, { reading })).ok).toBe(true);
    // Another screen that listens to the same probe.
    if (minute % 40 === 0)
      await perform(ACTS.get("bench.read-room")!, shop.owner, {
        reading: read(minute + 0.3, minute < 100 ? 21 : 22),
      });
  }
  const rooms = (await poursOf(db, shop.owner).open(pourId)).events.flatMap((event) =>
    event.kind === "room" ? [[Math.round((Date.parse(event.at) - start) / 60_000), event.tempC]] : [],
  );
  expect(rooms[0]).toEqual([1, 21]);
  expect(rooms).toContainEqual([100, 22]);
  expect(rooms.length).toBeLessThan(20);
  const kept = await db.RoomReading.findAll({ where: { shopId: shop.owner.shopId, readBy: "the probe" } });
  const old = kept.filter(({ at: moment }) => moment.getTime() < start + 55 * 60_000);
  expect(old.length).toBeLessThanOrEqual(5);
  // Minutes of the last hours are all there, and what a person read stays.
  expect(kept.filter(({ at: moment }) => moment.getTime() > start + 65 * 60_000).length).toBeGreaterThan(170);
  expect(await bench.read(read(30.5, 19, false))).toBe(true);
});

test("a pour that cannot be read takes no list with it", async () => {
  const pours = poursOf(db, shop.owner);
  const [bad, good] = [await started(), await started()];
  await pours.record(good, [tick("a")]);
  await db.Pour.update({ plan: { document: 7 } }, { where: { id: bad } });
  const live = await pours.live();
  expect(live.pours.map(({ id }) => id)).toContain(good);
  expect(live.unreadable.map(({ id }) => id)).toEqual([bad]);
  await expect(pours.open(bad)).rejects.toMatchObject({ error: { code: "unreadable" } });
  expect((await pours.headsOfJob(shop.jobId)).map(({ id }) => id)).toEqual(
    expect.arrayContaining([bad, good]),
  );
});

test("live pours beyond what is looked at together are counted", async () => {
  const other = await testShop(db);
  const pours = poursOf(db, other.owner);
  for (let made = 0; made < 43; made += 1)
    await pours.start({
      id: randomUUID(),
      jobId: other.jobId,
      jobRevision: 2,
      at: new Date(at),
      plan: { document: other.document, cards: other.cards, colours: [] },
    });
  const { pours: shown, more } = await pours.live();
  expect([shown.length, more]).toEqual([40, 3]);
});

describe("what other screens hear", () => {
  test("from nothing all of it, from a number only what came after, in the order in which it came", async () => {
    const pours = poursOf(db, shop.owner);
    const pourId = await started();
    const late = { ...tick("late"), at: "2026-05-04T09:20:00.000Z" };
    const early = { ...tick("early"), at: "2026-05-04T09:05:00.000Z" };
    await pours.record(pourId, [late]);
    const first = await pours.since(pourId, "0");
    expect(first.events).toEqual(asStored([late]));
    await pours.record(pourId, [early]);
    const second = await pours.since(pourId, first.last);
    expect(second.events).toEqual(asStored([early]));
    expect((await pours.since(pourId, second.last)).events).toEqual([]);
    expect((await pours.since(pourId, "0")).events.map(({ id }) => id)).toEqual([late.id, early.id]);
  });
  test("nothing of it is missed while several screens record at once", async () => {
    const pours = poursOf(db, shop.owner);
    const pourId = await started();
    const sent = Array.from({ length: 24 }, (_, n) => tick(`step-${n}`));
    const heard: string[] = [];
    let last = "0";
    let recording = true;
    const listening = (async () => {
      while (recording || heard.length < sent.length) {
        const news = await pours.since(pourId, last);
        heard.push(...news.events.map(({ id }) => id));
        last = news.last;
      }
    })();
    await Promise.all(sent.map((event) => pours.record(pourId, [event])));
    recording = false;
    await listening;
    expect(heard).toHaveLength(sent.length);
    expect(new Set(heard)).toEqual(new Set(sent.map(({ id }) => id)));
  });
  test("another shop hears nothing", async () => {
    const other = await testShop(db);
    const pourId = await started();
    await expect(poursOf(db, other.owner).since(pourId, "0")).rejects.toThrow();
  });
});

describe("a pour that was begun without the server", () => {
  const start = async (person: TestShop["owner"], more: object = {}) =>
    perform(ACTS.get("pour.start")!, person, {
      pourId: randomUUID(),
      jobId: shop.jobId,
      revision: 1,
      at,
      plan: { document: shop.document, cards: shop.cards, colours: [] },
      ...more,
    });
  test("stands on the plan that it was begun from, though the job has been saved since; told twice it is one", async () => {
    const pourId = randomUUID();
    const document = { ...shop.document, coats: shop.document.coats.slice(0, 1) };
    const plan = { document, cards: shop.cards, colours: [] };
    for (let times = 0; times < 2; times += 1)
      expect(await start(shop.owner, { pourId, plan })).toMatchObject({ ok: true });
    const pour = await poursOf(db, shop.owner).open(pourId);
    expect(pour.plan.document.coats).toHaveLength(1);
    expect(pour.startedAt).toBe(at);
  });
  test("without its plan a job that was saved since is looked at again first", async () => {
    expect(await start(shop.owner, { plan: undefined })).toMatchObject({
      ok: false,
      error: { code: "conflict" },
    });
  });
  test("a plan that is none is refused, and so is another shop's job", async () => {
    const broken = { document: { ...shop.document, pieces: "none" }, cards: [], colours: [] };
    expect(await start(shop.owner, { plan: broken })).toMatchObject({
      ok: false,
      error: { code: "invalid" },
    });
    const other = await testShop(db);
    expect(await start(other.owner)).toMatchObject({ ok: false, error: { code: "not-found" } });
  });
});
