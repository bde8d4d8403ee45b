import type { ActResult } from "@/contracts/act";
import { jobDocumentSchema } from "@/contracts/job-document";
import type { OpenJob, Saved } from "@/contracts/jobs";
import type { JobDocument } from "@/core/job/job";
import { emptyJob } from "@/core/job/new-job";

/** A browser's storage and locks, as far as drafts use them. */
class FakeStorage {
  private readonly entries = new Map<string, string>();
  get length() {
    return this.entries.size;
  }
  key = (index: number) => [...this.entries.keys()][index] ?? null;
  getItem = (key: string) => this.entries.get(key) ?? null;
  setItem = (key: string, value: string) => void this.entries.set(key, value);
  removeItem = (key: string) => void this.entries.delete(key);
}

/** A server with one job in memory that behaves as the repository does. */
class FakeServer {
  versions: { document: JobDocument; undo: number | null; redo: number | null }[] = [
    { document: emptyJob(), undo: null, redo: null },
  ];
  answers = true;
  /** It does what it is asked, but its answers are lost on the way. */
  loses = false;
  calls: string[] = [];
  hold: Promise<void> | null = null;

  get revision() {
    return this.versions.length;
  }
  private saved(): Saved {
    const { document, undo, redo } = this.versions[this.revision - 1]!;
    return { revision: this.revision, document, canUndo: undo !== null, canRedo: redo !== null };
  }
  async answer(
    name: string,
    input: { revision: number; document?: JobDocument; direction?: "undo" | "redo" },
  ): Promise<ActResult<Saved>> {
    this.calls.push(name);
    await this.hold;
    if (!this.answers) throw new Error("no network");
    if (input.revision !== this.revision)
      return {
        ok: false,
        error: {
          code: "conflict",
          message: "elsewhere",
          data: { ...this.saved(), savedBy: "Tomas", savedAt: "2026-05-04T09:00:00.000Z" },
        },
      };
    const read = input.document && jobDocumentSchema.safeParse(input.document);
    if (read && !read.success) {
      const [issue] = read.error.issues;
      const field = ["document", ...issue!.path].join(".");
      return { ok: false, error: { code: "invalid", message: issue!.message, field } };
    }
    const current = this.versions[this.revision - 1]!;
    if (input.document) this.versions.push({ document: input.document, undo: input.revision, redo: null });
    else {
      const target = input.direction === "undo" ? current.undo : current.redo;
      if (target === null) return { ok: false, error: { code: "invalid", message: "nothing" } };
      const there = this.versions[target - 1]!;
      this.versions.push(
        input.direction === "undo"
          ? { document: there.document, undo: there.undo, redo: input.revision }
          : { document: there.document, undo: input.revision, redo: there.redo },
      );
    }
    if (this.loses) throw new Error("the answer was lost");
    return { ok: true, value: this.saved() };
  }
}

let server: FakeServer;
const held = new Set<string>();

beforeEach(() => {
  jest.resetModules();
  jest.useFakeTimers();
  server = new FakeServer();
  held.clear();
  const locks = {
    request: (name: string, _options: unknown, callback: (lock: unknown) => unknown) => {
      if (held.has(name)) return Promise.resolve(callback(null));
      held.add(name);
      return Promise.resolve(callback({ name }));
    },
    query: () => Promise.resolve({ held: [...held].map((name) => ({ name })) }),
  };
  Object.defineProperty(globalThis, "navigator", { value: { locks }, configurable: true });
  Object.assign(globalThis, {
    localStorage: new FakeStorage(),
    sessionStorage: new FakeStorage(),
    fetch: async (url: string, options: { body: string }) => {
      const answer = await server.answer(url.split("/").pop() ?? "", JSON.parse(options.body));
      return { json: async () => answer };
    },
  });
});
afterEach(() => jest.useRealTimers());

async function open() {
  const { createJobStore } = await import("./job-store");
  const job = {
    id: "job",
    name: "x",
    client: "",
    status: "planning",
    dueOn: null,
    archived: false,
    savedBy: "Ines",
    savedAt: "2026-05-04T08:00:00.000Z",
    revision: server.revision,
    document: server.versions[server.revision - 1]!.document,
    canUndo: false,
    canRedo: false,
  } as OpenJob;
  const store = createJobStore(job);
  await store.getState().wake();
  return store;
}
const type = (notes: string) => (document: JobDocument) => ({ ...document, notes });
const drafts = () =>
  Array.from({ length: localStorage.length }, (_, index) => localStorage.key(index)).filter((key) =>
    key?.startsWith("gaugebeam.draft.job."),
  );
const quiet = () => jest.advanceTimersByTimeAsync(1000);

test("a burst of keystrokes is one version; the draft is there from the first and gone when saved", async () => {
  const store = await open();
  for (const text of ["a", "ab", "abc"]) store.getState().change(type(text));
  expect(store.getState().status).toBe("unsaved");
  expect(drafts()).toHaveLength(1);
  await quiet();
  expect(store.getState()).toMatchObject({ status: "saved", revision: 2, canUndo: true });
  expect(server.versions.map((version) => version.document.notes)).toEqual(["", "abc"]);
  expect(drafts()).toHaveLength(0);
});

test("what is typed while a save is under way goes out after it, on the new revision", async () => {
  const store = await open();
  let release = () => {};
  server.hold = new Promise((resolve) => (release = resolve));
  store.getState().change(type("first"));
  await quiet();
  store.getState().change(type("second"));
  expect(store.getState().status).toBe("saving");
  server.hold = null;
  release();
  await quiet();
  await quiet();
  expect(server.versions.map((version) => version.document.notes)).toEqual(["", "first", "second"]);
  expect(store.getState()).toMatchObject({ status: "saved", revision: 3 });
});

test("a dead network keeps the draft and tries again until it answers", async () => {
  const store = await open();
  server.answers = false;
  store.getState().change(type("kept"));
  await quiet();
  expect(store.getState().status).toBe("unreachable");
  expect(drafts()).toHaveLength(1);
  await jest.advanceTimersByTimeAsync(20_000);
  expect(server.calls.length).toBeGreaterThan(2);
  server.answers = true;
  await jest.advanceTimersByTimeAsync(31_000);
  expect(store.getState().status).toBe("saved");
  expect(server.versions[1]?.document.notes).toBe("kept");
});

test("a conflict stops saving; mine on top leaves theirs one undo away", async () => {
  const store = await open();
  server.versions.push({ document: { ...emptyJob(), notes: "theirs" }, undo: 1, redo: null });
  store.getState().change(type("mine"));
  await quiet();
  expect(store.getState()).toMatchObject({
    status: "conflict",
    conflict: { savedBy: "Tomas", document: { notes: "theirs" } },
  });
  store.getState().change(type("mine, more"));
  await quiet();
  expect(server.revision).toBe(2);
  await store.getState().settle("mine");
  expect(store.getState()).toMatchObject({ status: "saved", document: { notes: "mine, more" } });
  await store.getState().step("undo");
  expect(store.getState().document.notes).toBe("theirs");
});

test("a conflict settled for theirs leaves mine one redo away", async () => {
  const store = await open();
  server.versions.push({ document: { ...emptyJob(), notes: "theirs" }, undo: 1, redo: null });
  store.getState().change(type("mine"));
  await quiet();
  await store.getState().settle("theirs");
  expect(store.getState()).toMatchObject({ status: "saved", canRedo: true, document: { notes: "theirs" } });
  await store.getState().step("redo");
  expect(store.getState().document.notes).toBe("mine");
});

test("undo pressed fast is undo as often, one after the other", async () => {
  const store = await open();
  for (const text of ["one", "two", "three"]) {
    store.getState().change(type(text));
    await quiet();
  }
  await Promise.all([
    store.getState().step("undo"),
    store.getState().step("undo"),
    store.getState().step("undo"),
    store.getState().step("undo"),
  ]);
  expect(store.getState()).toMatchObject({ status: "saved", canUndo: false, document: { notes: "" } });
  expect(store.getState().conflict).toBeNull();
});

test("a mark ends an undo step, also while a save is under way", async () => {
  const store = await open();
  for (const text of ["one", "two", "three"]) {
    store.getState().change(type(`${text} begun`));
    store.getState().change(type(text));
    store.getState().mark();
    store.getState().mark();
  }
  await quiet();
  expect(server.versions.map(({ document }) => document.notes)).toEqual(["", "one", "two", "three"]);
  await store.getState().step("undo");
  expect(store.getState().document.notes).toBe("two");
});

test("a pull with pauses is one step", async () => {
  const store = await open();
  store.getState().change(type("before"));
  store.getState().hold(true);
  for (const text of ["pulled a little", "pulled on"]) {
    store.getState().change(type(text));
    await quiet();
  }
  store.getState().hold(false);
  await quiet();
  expect(server.versions.map(({ document }) => document.notes)).toEqual(["", "before", "pulled on"]);
});

test("a pull that ends while the server is away is tried again", async () => {
  const store = await open();
  server.answers = false;
  store.getState().change(type("before"));
  store.getState().hold(true);
  store.getState().change(type("pulled"));
  await quiet();
  expect(store.getState().status).toBe("unreachable");
  server.answers = true;
  store.getState().hold(false);
  await quiet();
  expect(store.getState().status).toBe("saved");
  expect(server.versions.at(-1)!.document.notes).toBe("pulled");
});

test("steps made while the server is away stay apart; one that it has is not sent twice", async () => {
  const store = await open();
  server.answers = false;
  for (const text of ["one", "two"]) {
    store.getState().change(type(text));
    store.getState().mark();
  }
  store.getState().change(type("three"));
  await quiet();
  expect(store.getState().status).toBe("unreachable");
  // The first went through, and only its answer was lost.
  server.versions.push({ document: { ...emptyJob(), notes: "one" }, undo: 1, redo: null });
  server.answers = true;
  await jest.advanceTimersByTimeAsync(30_000);
  expect(store.getState()).toMatchObject({ status: "saved", conflict: null });
  expect(server.versions.map(({ document }) => document.notes)).toEqual(["", "one", "two", "three"]);
});

test("undo first saves what was just typed", async () => {
  const store = await open();
  store.getState().change(type("typed"));
  await store.getState().step("undo");
  expect(store.getState().document.notes).toBe("");
  await store.getState().step("redo");
  expect(store.getState().document.notes).toBe("typed");
});

test("what a pour starts from is what was typed last, or nothing", async () => {
  const store = await open();
  store.getState().change(type("typed a moment ago"));
  expect(await store.getState().savedRevision()).toBe(2);
  expect(server.versions[1]?.document.notes).toBe("typed a moment ago");
  server.answers = false;
  store.getState().change(type("cannot go out"));
  expect(await store.getState().savedRevision()).toBeNull();
});

test("a draft left by a tab that is gone is taken up and saved; one of a living tab is left alone", async () => {
  const draft = JSON.stringify({ revision: 1, document: { ...emptyJob(), notes: "left behind" } });
  localStorage.setItem("gaugebeam.draft.job.gone", draft);
  localStorage.setItem(
    "gaugebeam.draft.job.alive",
    JSON.stringify({ revision: 1, document: { ...emptyJob(), notes: "not mine" } }),
  );
  held.add("gaugebeam.tab.alive");
  const store = await open();
  expect(store.getState().document.notes).toBe("left behind");
  await quiet();
  expect(server.versions[1]?.document.notes).toBe("left behind");
  expect(drafts()).toEqual(["gaugebeam.draft.job.alive"]);
});

test("a draft on an older revision opens both versions instead of overwriting", async () => {
  server.versions.push({ document: { ...emptyJob(), notes: "newer" }, undo: 1, redo: null });
  localStorage.setItem(
    "gaugebeam.draft.job.gone",
    JSON.stringify({ revision: 1, document: { ...emptyJob(), notes: "older, unsaved" } }),
  );
  const store = await open();
  expect(store.getState()).toMatchObject({
    status: "conflict",
    document: { notes: "older, unsaved" },
    conflict: { document: { notes: "newer" } },
  });
  await quiet();
  expect(server.revision).toBe(2);
});

test("a draft that the server would refuse for a value out of its bounds is taken up as it was typed", async () => {
  const document = { ...emptyJob(), notes: "typed" };
  document.work = { ...document.work, tempC: 95 };
  localStorage.setItem("gaugebeam.draft.job.gone", JSON.stringify({ revision: 1, document }));
  const store = await open();
  expect(store.getState().document.notes).toBe("typed");
  expect(store.getState().document.work.tempC).toBe(95);
});

test("a save that is refused names the field; the rest is saved, and so is what is typed after it", async () => {
  const store = await open();
  const work = (tempC: number) => (document: JobDocument) => ({
    ...document,
    work: { ...document.work, tempC },
  });
  store.getState().change(work(95));
  store.getState().change(type("typed with it"));
  await quiet();
  expect(store.getState()).toMatchObject({
    status: "refused",
    document: { notes: "typed with it", work: { tempC: 95 } },
  });
  expect(store.getState().trouble).toMatch(/^temperature: /);
  expect(server.versions.at(-1)!.document).toMatchObject({ notes: "typed with it", work: { tempC: 21 } });
  store.getState().change(type("typed after it"));
  await quiet();
  expect(server.versions.at(-1)!.document.notes).toBe("typed after it");
  expect(store.getState().document.work.tempC).toBe(95);
  store.getState().change(work(24));
  await quiet();
  expect(store.getState().status).toBe("saved");
  expect(server.versions.at(-1)!.document.work.tempC).toBe(24);
});

test("mine on top of theirs reverts nothing that I did not touch", async () => {
  const store = await open();
  const theirs = { ...emptyJob(), work: { ...emptyJob().work, people: 4 } };
  server.versions.push({ document: theirs, undo: 1, redo: null });
  store.getState().change(type("mine"));
  await quiet();
  await store.getState().settle("mine");
  expect(server.versions.at(-1)!.document).toMatchObject({ notes: "mine", work: { people: 4 } });
});

test("a draft that cannot be read is no reason to stop, and stays where it is", async () => {
  localStorage.setItem("gaugebeam.draft.job.gone", "{not json");
  localStorage.setItem("gaugebeam.draft.job.gone2", JSON.stringify({ revision: 1, document: { format: 9 } }));
  const store = await open();
  expect(store.getState().status).toBe("saved");
});

test("storage that is full is said, and saving goes on", async () => {
  const store = await open();
  localStorage.setItem = () => {
    throw new Error("QuotaExceededError");
  };
  store.getState().change(type("large"));
  expect(store.getState().trouble).toContain("storage is full");
  await quiet();
  expect(server.versions[1]?.document.notes).toBe("large");
});

test("a save whose answer was lost is no conflict with oneself, whatever was typed after it", async () => {
  const store = await open();
  server.loses = true;
  store.getState().change(type("first"));
  await quiet();
  expect([server.revision, store.getState().status]).toEqual([2, "unreachable"]);
  // Tried again with more typed, while nothing gets through at all.
  server.loses = false;
  server.answers = false;
  store.getState().change(type("first, second"));
  await jest.advanceTimersByTimeAsync(5000);
  server.answers = true;
  store.getState().change(type("first, second, third"));
  await jest.advanceTimersByTimeAsync(40_000);
  expect(store.getState()).toMatchObject({
    status: "saved",
    conflict: null,
    document: { notes: "first, second, third" },
  });
  expect(server.versions.at(-1)?.document.notes).toBe("first, second, third");
});

test("left while it saves and opened again, the tab finds its own save and goes on from it", async () => {
  const store = await open();
  server.loses = true;
  store.getState().change(type("sent"));
  await quiet();
  store.getState().change(type("sent, and typed after it"));
  // The page is closed here; its lock ends with it.
  server.loses = false;
  held.clear();
  jest.resetModules();
  const again = await open();
  expect(again.getState()).toMatchObject({
    status: "unsaved",
    document: { notes: "sent, and typed after it" },
  });
  await quiet();
  expect(again.getState()).toMatchObject({ status: "saved", conflict: null });
  expect(server.versions.map(({ document }) => document.notes)).toEqual([
    "",
    "sent",
    "sent, and typed after it",
  ]);
});

test("what comes back with its keys in another order is the same", async () => {
  const store = await open();
  store.getState().change(type("mine"));
  const { notes, ...rest } = { ...emptyJob(), notes: "mine" };
  server.versions.push({ document: { notes, ...rest }, undo: 1, redo: null });
  await quiet();
  expect(store.getState()).toMatchObject({ status: "saved", conflict: null, revision: 2 });
});

test("an undo that does not get through is asked again, and says so when it never does", async () => {
  const store = await open();
  store.getState().change(type("kept"));
  await quiet();
  server.answers = false;
  const undone = store.getState().step("undo");
  await jest.advanceTimersByTimeAsync(2500);
  server.answers = true;
  await jest.advanceTimersByTimeAsync(3000);
  await undone;
  expect(store.getState()).toMatchObject({ status: "saved", document: { notes: "" } });
});
