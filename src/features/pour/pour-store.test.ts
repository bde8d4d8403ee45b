import type { Pour } from "@/contracts/pours";
import type { PourEvent } from "@/core/pour/pour-events";

/** What this device keeps, which can be out of order as private windows and full disks make it. */
const stored = new Map<string, PourEvent>();
const known = new Map<string, PourEvent>();
const photos = new Map<string, unknown>();
let begun: { pour: unknown } | undefined;
let storeWorks = true;
const works = () => {
  if (!storeWorks) throw new Error("no IndexedDB");
};
jest.mock("@/offline/outbox", () => ({
  putWaiting: async (_pourId: string, event: PourEvent) => {
    works();
    stored.set(event.id, event);
  },
  waitingOf: async () => {
    works();
    return [...stored.values()];
  },
  nowKnown: async (_pourId: string, events: PourEvent[]) => {
    works();
    for (const event of events) {
      stored.delete(event.id);
      known.set(event.id, event);
    }
  },
  putPhoto: async (photo: { id: string }) => {
    works();
    photos.set(photo.id, photo);
  },
  photosOf: async () => [...photos.values()],
  dropPhoto: async (id: string) => void photos.delete(id),
  begunPour: async () => begun,
  dropBegun: async () => void (begun = undefined),
  entriesOf: async () => {
    works();
    return [...known.values(), ...stored.values()];
  },
}));

const onServer = new Map<string, PourEvent>();
/** Starts of pours that the server was told of. */
let started: unknown[] = [];
let answer: "stores" | "silent" | "signed-out" = "stores";

/** How much the server's clock is ahead of this device's, ms. */
let serverAheadMs = 0;

beforeEach(() => {
  serverAheadMs = 0;
  jest.useFakeTimers();
  stored.clear();
  known.clear();
  photos.clear();
  onServer.clear();
  storeWorks = true;
  begun = undefined;
  started = [];
  answer = "stores";
  Object.assign(globalThis, {
    fetch: async (url: string, options: { body: string }) => {
      if (answer === "silent") throw new Error("no network");
      if (answer === "signed-out")
        return {
          json: async () => ({ ok: false, error: { code: "signed-out", message: "Sign in again." } }),
        };
      if (url.endsWith("pour.start")) {
        started.push(JSON.parse(options.body));
        return { json: async () => ({ ok: true, value: { pourId: "pour" } }) };
      }
      if (begun)
        return { json: async () => ({ ok: false, error: { code: "not-found", message: "No such pour." } }) };
      const { events } = JSON.parse(options.body) as { events: PourEvent[] };
      if (events.length > 500)
        return { json: async () => ({ ok: false, error: { code: "invalid", message: "too many" } }) };
      for (const event of events) onServer.set(event.id, event);
      const now = new Date(Date.now() + serverAheadMs).toISOString();
      return { json: async () => ({ ok: true, value: { stored: events.map((event) => event.id), now } }) };
    },
  });
});
afterEach(() => jest.useRealTimers());

async function open(events: PourEvent[] = []) {
  const { createPourStore } = await import("./pour-store");
  return createPourStore({ id: "pour", events } as unknown as Pour);
}
const steps = () =>
  [...onServer.values()].map((event) => (event.kind === "tick" ? event.stepId : event.kind));

test("an act is stored here, sent, and taken out of the box when the server has it", async () => {
  const store = await open();
  await store.getState().record({ kind: "tick", stepId: "a" });
  expect(steps()).toEqual(["a"]);
  expect(store.getState()).toMatchObject({ waiting: 0, trouble: null });
  expect(stored.size).toBe(0);
});

test("without network it waits here and says so, and goes out by itself later, once and in order", async () => {
  const store = await open();
  answer = "silent";
  for (const stepId of ["a", "b", "c"]) await store.getState().record({ kind: "tick", stepId });
  expect(store.getState().waiting).toBe(3);
  expect(stored.size).toBe(3);
  answer = "stores";
  await jest.advanceTimersByTimeAsync(5000);
  expect(steps()).toEqual(["a", "b", "c"]);
  expect(store.getState().waiting).toBe(0);
});

test("a browser that cannot store still sends, and never says saved before the server has it", async () => {
  storeWorks = false;
  const store = await open();
  await store.getState().record({ kind: "tick", stepId: "a" });
  expect(steps()).toEqual(["a"]);
  answer = "silent";
  await store.getState().record({ kind: "tick", stepId: "b" });
  expect(store.getState().waiting).toBe(1);
  answer = "stores";
  await jest.advanceTimersByTimeAsync(5000);
  expect(steps()).toEqual(["a", "b"]);
  expect(store.getState().waiting).toBe(0);
});

test("signed out meanwhile: kept, said, and sent once someone has signed in again", async () => {
  const store = await open();
  answer = "signed-out";
  await store.getState().record({ kind: "tick", stepId: "a" });
  expect(store.getState()).toMatchObject({ waiting: 1, trouble: "Sign in again." });
  answer = "stores";
  await jest.advanceTimersByTimeAsync(5000);
  expect(store.getState()).toMatchObject({ waiting: 0, trouble: null });
});

test("what an earlier page left in the box is shown and sent when this one wakes", async () => {
  const left: PourEvent = { id: "left", at: "2026-05-04T09:00:00.000Z", kind: "tick", stepId: "left" };
  const known: PourEvent = { id: "known", at: "2026-05-04T08:00:00.000Z", kind: "tick", stepId: "known" };
  stored.set(left.id, left);
  stored.set(known.id, known);
  const store = await open([known]);
  await store.getState().wake();
  expect(store.getState().events.map((event) => event.id)).toEqual(["known", "left"]);
  // What the server told itself is not sent to it.
  expect([...onServer.keys()]).toEqual(["left"]);
  expect(stored.size).toBe(0);
});

test("a long time without network goes out in parcels that the server takes", async () => {
  for (let index = 0; index < 1200; index += 1) {
    const id = `e${index}`;
    stored.set(id, { id, at: "2026-05-04T09:00:00.000Z", kind: "tick", stepId: id });
  }
  const store = await open();
  await store.getState().wake();
  expect(onServer.size).toBe(1200);
  expect(store.getState().waiting).toBe(0);
});

describe("with other screens", () => {
  const theirs: PourEvent = {
    id: "t",
    at: "2026-05-04T09:05:00.000Z",
    by: "Tomas",
    kind: "tick",
    stepId: "a",
  };
  const news = (events: PourEvent[]) => ({ events, last: "7", now: new Date().toISOString() });

  test("what was done elsewhere comes in once, however often it is told, and says by whom", async () => {
    const store = await open();
    store.getState().hear(news([theirs]), Date.now());
    store.getState().hear(news([theirs]), null);
    expect(store.getState().events.map(({ id }) => id)).toEqual(["t"]);
    expect(store.getState().heard?.event.by).toBe("Tomas");
    expect(store.getState().waiting).toBe(0);
  });
  test("one's own entries that come back are no news", async () => {
    const store = await open();
    await store.getState().record({ kind: "tick", stepId: "a" });
    store.getState().hear(news(store.getState().events), null);
    expect(store.getState().events).toHaveLength(1);
    expect(store.getState().heard).toBeNull();
  });
  test("a device whose clock is wrong writes by the server's, as soon as it has heard from it", async () => {
    serverAheadMs = 20 * 60_000;
    const store = await open();
    await store.getState().record({ kind: "tick", stepId: "a" });
    await store.getState().record({ kind: "tick", stepId: "b" });
    const [first, second] = store.getState().events;
    expect(Date.parse(second!.at) - Date.parse(first!.at)).toBeGreaterThanOrEqual(20 * 60_000);
    expect(store.getState().now() - Date.now()).toBeCloseTo(20 * 60_000, -2);
  });
  test("what was told long ago tells no time: a device that slept over it keeps its clock", async () => {
    const store = await open();
    const old = { ...news([theirs]), now: new Date(Date.now() - 10 * 60_000).toISOString() };
    store.getState().hear(old, null);
    expect(store.getState().now()).toBe(Date.now());
    store.getState().hear(old, Date.now() - 10 * 60_000);
    expect(store.getState().now()).toBe(Date.now());
    store.getState().hear({ ...old, now: new Date(Date.now() - 20 * 60_000).toISOString() }, Date.now());
    expect(store.getState().now()).toBe(Date.now() - 20 * 60_000);
  });
  test("a clock that is right to a second is left alone: the rest is the way there and back", async () => {
    serverAheadMs = 900;
    const store = await open();
    await store.getState().record({ kind: "tick", stepId: "a" });
    expect(store.getState().now()).toBe(Date.now());
  });
});

test("a pour that is opened from an old page stands where this device knows that it stood, and sends only what waits", async () => {
  const first = await open();
  await first.getState().record({ kind: "tick", stepId: "weigh" });
  first.getState().hear(
    {
      events: [{ id: "theirs", at: new Date().toISOString(), kind: "tick", stepId: "mix" }],
      last: "2",
      now: new Date().toISOString(),
    },
    null,
  );
  answer = "silent";
  await first.getState().record({ kind: "tick", stepId: "split" });
  onServer.clear();

  // The page was kept before anything was done.
  const later = await open();
  await later.getState().wake();
  const ticks = later.getState().events.flatMap((event) => (event.kind === "tick" ? event.stepId : []));
  expect(ticks.sort()).toEqual(["mix", "split", "weigh"]);
  expect(later.getState().waiting).toBe(1);
  answer = "stores";
  await later.getState().send();
  expect(steps()).toEqual(["split"]);
});

describe("a pour that was begun without the server", () => {
  const plan = { document: {}, cards: [], colours: [] };
  const startedAt = "2026-05-04T09:00:00.000Z";
  beforeEach(() => {
    begun = { pour: { id: "pour", jobId: "job", jobRevision: 7, startedAt, plan } };
  });

  test("counts as one thing that is not there yet; the server is told of it first, as it was begun, then of its acts", async () => {
    answer = "silent";
    const store = await open();
    await store.getState().wake();
    await store.getState().record({ kind: "tick", stepId: "a" });
    expect(store.getState().waiting).toBe(2);
    answer = "stores";
    await jest.advanceTimersByTimeAsync(5000);
    expect(started).toEqual([{ pourId: "pour", jobId: "job", revision: 7, at: startedAt, plan }]);
    expect(steps()).toEqual(["a"]);
    expect(store.getState()).toMatchObject({ waiting: 0, trouble: null });
    expect(begun).toBeUndefined();
  });
  test("begun and nothing done yet, it goes out by itself as soon as the page wakes", async () => {
    const store = await open();
    await store.getState().wake();
    expect(started).toHaveLength(1);
    expect(store.getState().waiting).toBe(0);
    await store.getState().send();
    expect(started).toHaveLength(1);
  });
});
