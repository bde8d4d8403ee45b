import { createHash } from "node:crypto";
import { mkdtemp, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import type { Person } from "@/contracts/people";
import { moneyTable } from "@/features/shop-file/tables";
import type { Database } from "@/server/database";
import { emptyTables } from "@/server/empty-tables";
import { migrate } from "@/server/migrate";
import { colourCardsOf } from "@/server/repositories/colour-cards";
import { jobsOf } from "@/server/repositories/jobs";
import { signInBook } from "@/server/repositories/people";
import { poursOf } from "@/server/repositories/pours";
import { quotesOf } from "@/server/repositories/quotes";
import { recipesOf } from "@/server/repositories/recipes";
import { resinCardsOf } from "@/server/repositories/resin-cards";
import { shelfOf } from "@/server/repositories/shelf";
import { trialsOf } from "@/server/repositories/trials";
import { checkFile } from "@/server/shop-file/check";
import { exportShopFile } from "@/server/shop-file/export";
import { openZip, type OpenZip } from "@/server/shop-file/read-zip";
import type { Wanted } from "@/server/shop-file/selection";
import { clashesOf, hasNothing } from "@/server/shop-file/clashes";
import { takeIn } from "@/server/shop-file/take-in";
import { writeZip } from "@/server/shop-file/write-zip";
import type { ClashChoice } from "@/contracts/shop-file";
import { ownDatabase } from "@/server/testing/own-database";
import { foundShop, loadDemo } from "./load";
import { DEMO_PASSWORD, DEMO_PEOPLE } from "./shop";

jest.setTimeout(180_000);

const NOW = new Date("2026-05-14T15:18:00.000Z");
const holder = globalThis as { gaugebeamDatabase?: Database };
let own: Awaited<ReturnType<typeof ownDatabase>>;
let db: Database;
let folder: string;
let demo: string;
let ines: Person;

const personBy = async (email: string): Promise<Person> => {
  const [found] = await signInBook(db).credentials(email);
  return (await signInBook(db).person(found!.personId))!;
};
const exported = async (me: Person, wanted: Wanted = { holds: "shop" }): Promise<string> =>
  exportShopFile(
    db,
    me,
    wanted,
    "x",
    async () => [{ name: "money.csv", text: moneyTable(await quotesOf(db, me).list(), "2026-05-14") }],
    NOW,
  );
const using = async <Value>(path: string, doWith: (zip: OpenZip) => Promise<Value>): Promise<Value> => {
  const zip = await openZip(path);
  try {
    return await doWith(zip);
  } finally {
    zip.close();
  }
};
/** Every file of a zip by what is in it. */
const contents = (path: string) =>
  using(path, async (zip) => {
    const files: [string, string][] = [];
    for (const name of zip.names)
      files.push([
        name,
        createHash("sha256")
          .update(await zip.bytes(name))
          .digest("hex"),
      ]);
    return Object.fromEntries(files);
  });
const take = (path: string, me: Person, choose: (kind: string, name: string) => ClashChoice) =>
  using(path, async (zip) => {
    const checked = await checkFile(zip);
    const becomesTheShop = checked.manifest.holds === "shop" && (await hasNothing(db, me.shopId));
    const clashes = becomesTheShop ? [] : await clashesOf(db, me.shopId, checked);
    const choices = Object.fromEntries(clashes.map(({ id, kind, name }) => [id, choose(kind, name)]));
    return { clashes, taken: await takeIn({ db, me, zip, checked, clashes, choices, becomesTheShop }) };
  });

beforeAll(async () => {
  own = await ownDatabase(`shop_file_${process.pid}`);
  db = own.db;
  holder.gaugebeamDatabase = db;
  folder = await mkdtemp(join(tmpdir(), "shop-file-"));
  await migrate(db);
  await loadDemo(NOW);
  ines = await personBy(DEMO_PEOPLE[0]!.email);
  demo = await exported(ines);
});
afterAll(async () => {
  await own.drop();
  await rm(folder, { recursive: true, force: true });
});

test("the demo shop out, the server wiped, the shop in again: byte for byte the same file, and what people see of it", async () => {
  const seen = async (me: Person) => {
    const [shelf, pours] = [shelfOf(db, me), poursOf(db, me)];
    const ids = await pours.ids();
    return {
      jobs: await jobsOf(db, me).list(),
      quotes: await quotesOf(db, me).list(),
      recipes: await recipesOf(db, me).list(),
      resins: await resinCardsOf(db, me).list(),
      colours: await colourCardsOf(db, me).list(),
      trials: await trialsOf(db, me).list(),
      items: await shelf.items(),
      lots: await shelf.lots(),
      toBook: (await shelf.poursToBook(new Date(0))).length,
      pours: await Promise.all(ids.map((id) => pours.open(id))),
    };
  };
  const before = await seen(ines);
  const files = await contents(demo);
  expect(Object.keys(files)).not.toContain("unreadable.json");
  expect(Object.keys(files).filter((name) => name.startsWith("pours/")).length).toBeGreaterThan(15);
  expect(Object.keys(files).filter((name) => name.startsWith("pictures/")).length).toBeGreaterThan(3);

  await emptyTables(db);
  const [owner] = DEMO_PEOPLE;
  const { person } = await foundShop("Another name", { ...owner!, password: DEMO_PASSWORD });
  const { taken } = await take(demo, person, () => "both");
  expect(taken.withoutPassword).toEqual([DEMO_PEOPLE[1]!.name]);
  expect(taken.newNumbers).toEqual([]);
  ines = await personBy(owner!.email);
  expect(ines.shopName).toBe("Lantern Yard Coatings");
  expect(await seen(ines)).toEqual(before);
  const again = await exported(ines);
  expect(await contents(again)).toEqual(files);
});

test("read into the same shop it asks about every name; what is left out takes its pours with it, what is ours is not doubled", async () => {
  const count = async () => ({
    jobs: await db.Job.count(),
    pours: await db.Pour.count(),
    resins: await db.ResinCard.count(),
    recipes: await db.Recipe.count(),
  });
  const before = await count();
  const { clashes, taken } = await take(demo, ines, (kind, name) =>
    kind === "resin" || kind === "colour" ? "ours" : name === "River table, elm" ? "both" : "out",
  );
  const open = await jobsOf(db, ines).list();
  expect(clashes.filter(({ kind }) => kind === "job").length).toBe(before.jobs);
  expect(taken.counts).toMatchObject({ jobs: 1, recipes: 0, resins: 0, colours: 0, "shelf items": 0 });
  expect(await count()).toEqual({ ...before, jobs: before.jobs + 1 });
  const copy = open.find(({ name }) => name === "River table, elm, brought in")!;
  const original = open.find(({ name }) => name === "River table, elm")!;
  const [a, b] = [await jobsOf(db, ines).open(copy.id), await jobsOf(db, ines).open(original.id)];
  // The same plan, of our own cards.
  expect(a.document.coats.map(({ resinCardId }) => resinCardId)).toEqual(
    b.document.coats.map(({ resinCardId }) => resinCardId),
  );
  await expect(take(demo, ines, () => "ours")).rejects.toMatchObject({
    error: { code: "invalid", message: expect.stringMatching(/^Say what to do with “/) },
  });
  expect((await count()).jobs).toBe(before.jobs + 1);
});

test("one job for a colleague in another shop: its plan, its cards and pictures, and nothing of its client, price and pours", async () => {
  const jobs = await jobsOf(db, ines).list();
  const job = jobs.find(({ name }) => name === "Reception desk")!;
  const path = await exported(ines, { holds: "job", id: job.id });
  const files = Object.keys(await contents(path));
  expect(files.filter((name) => name.startsWith("jobs/"))).toEqual([`jobs/${job.id}.json`]);
  expect(files.some((name) => /^(pours|quotes|people|room|shelf|trials)/.test(name))).toBe(false);
  const text = await using(path, (zip) => zip.json(`jobs/${job.id}.json`));
  expect(text).not.toContain("Millrace");
  const { person: colleague } = await foundShop("Quay Studio", {
    name: "Noor",
    email: "noor@quay-studio.example",
    password: DEMO_PASSWORD,
  });
  const { taken } = await take(path, colleague, (kind) => (kind === "job" ? "both" : "ours"));
  expect(taken.counts.jobs).toBe(1);
  const [theirs] = await jobsOf(db, colleague).list();
  const open = await jobsOf(db, colleague).open(theirs!.id);
  expect([open.name, open.client, open.status, open.canUndo]).toEqual([
    "Reception desk",
    "",
    "planning",
    false,
  ]);
  const cards = new Set((await resinCardsOf(db, colleague).list()).map(({ id }) => id));
  for (const { resinCardId } of open.document.coats) expect(cards.has(resinCardId!)).toBe(true);
  const ours = (await jobsOf(db, ines).open(job.id)).document;
  expect(open.document.pieces).toEqual(JSON.parse(JSON.stringify(ours.pieces)));

  // A recipe and a card the same way.
  const [recipe] = await recipesOf(db, ines).list();
  const inRecipe = await take(await exported(ines, { holds: "recipe", id: recipe!.id }), colleague, (kind) =>
    kind === "recipe" ? "both" : "ours",
  );
  expect(inRecipe.taken.counts.recipes).toBe(1);
  const [card] = await resinCardsOf(db, ines).list();
  const { clashes } = await take(
    await exported(ines, { holds: "resin", id: card!.id }),
    colleague,
    () => "both",
  );
  expect(clashes).toEqual([expect.objectContaining({ kind: "resin", name: card!.name })]);
  expect((await resinCardsOf(db, colleague).list()).map(({ name }) => name)).toContain(
    `${card!.name}, brought in`,
  );
});

test("what hangs on something that is not in the file is refused, whatever has that id here", async () => {
  const { id } = (await jobsOf(db, ines).list()).find(({ name }) => name === "Reception desk")!;
  const { person } = await foundShop("Empty Studio", {
    name: "Ada",
    email: "ada@empty-studio.example",
    password: DEMO_PASSWORD,
  });
  const rows = () =>
    Promise.all([db.Job.count(), db.Picture.count(), db.ShelfItem.count(), db.Person.count()]);
  const before = await rows();
  const broken = join(folder, "broken.zip");
  const without = (left: (name: string) => boolean) =>
    using(demo, (zip) =>
      writeZip(broken, async (add) => {
        for (const name of zip.names) if (!left(name)) await add(name, await zip.bytes(name));
      }),
    );
  for (const [left, words] of [
    [(name: string) => name === `jobs/${id}.json`, /the job of (a pour|quote .*) is missing/],
    [(name: string) => name === "pictures.json", /picture.* is missing/],
    [(name: string) => name === "versions.json", /recipe version .* is missing/],
    [(name: string) => name.startsWith("pictures/"), /pictures\/.*\.webp is missing/],
    [(name: string) => name === "manifest.json", /manifest.json is missing/],
  ] as const) {
    await without(left);
    await expect(take(broken, person, () => "both")).rejects.toMatchObject({
      error: { code: "invalid", message: expect.stringMatching(words) },
    });
  }
  expect(await rows()).toEqual(before);
});

test("what breaks off while it is written leaves nothing behind, not even what was taken away for it", async () => {
  const { person } = await foundShop("Broken Studio", {
    name: "Bo",
    email: "bo@broken-studio.example",
    password: DEMO_PASSWORD,
  });
  const cards = await resinCardsOf(db, person).list();
  const rows = () =>
    Promise.all([db.Job.count(), db.Picture.count(), db.ResinCard.count(), db.StockEntry.count()]);
  const before = await rows();
  await using(demo, async (zip) => {
    const checked = await checkFile(zip);
    // The last file that is read: everything else is written by then.
    const json = (name: string) =>
      name === "shelf.json" ? Promise.reject(new Error("the disk is gone")) : zip.json(name);
    await expect(
      takeIn({
        db,
        me: person,
        zip: { ...zip, json },
        checked,
        clashes: [],
        choices: {},
        becomesTheShop: true,
      }),
    ).rejects.toThrow("the disk is gone");
  });
  expect(await rows()).toEqual(before);
  expect(await resinCardsOf(db, person).list()).toEqual(cards);
  expect((await signInBook(db).person(person.id))!.shopName).toBe("Broken Studio");
});
