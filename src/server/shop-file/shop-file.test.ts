import { readFileSync } from "node:fs";
import { join } from "node:path";
import { seeded } from "@/core/numerics/random";
import type { Person } from "@/contracts/people";
import type { Database } from "../database";
import { Refused } from "../refused";
import { jobsOf } from "../repositories/jobs";
import { signInBook } from "../repositories/people";
import { poursOf } from "../repositories/pours";
import { quotesOf } from "../repositories/quotes";
import { recipesOf } from "../repositories/recipes";
import { shelfOf } from "../repositories/shelf";
import { trialsOf } from "../repositories/trials";
import { testDatabase } from "../testing/test-shop";
import { checkFile, type Checked } from "./check";
import { openZip, type OpenZip } from "./read-zip";
import { idsIn, withIds } from "./selection";
import { takeIn } from "./take-in";

jest.setTimeout(1_800_000);

/** Written by the first version of the format; never written anew. */
const V1 = readFileSync(join(__dirname, "testing/shop-v1.zip"));
/** So many files are tried; more by hand: FUZZ=20000. */
const MANY = Number(process.env["FUZZ"] ?? 900);
/** Of those that can be read, so many are taken in. */
const MOST_TAKEN = 25;

let db: Database;
beforeAll(async () => {
  db = await testDatabase();
});
afterAll(() => db.sequelize.close());

let shops = 0;
async function emptyShop(): Promise<Person> {
  shops += 1;
  const email = `file-${process.pid}-${shops}@test.example`;
  const owner = { name: "Owner", email, units: "metric" as const, clock: "24h" as const, passwordHash: "-" };
  const { personId } = await signInBook(db).found(`File ${shops}`, owner);
  return (await signInBook(db).person(personId))!;
}
const take = (zip: OpenZip, checked: Checked, me: Person) =>
  takeIn({ db, me, zip, checked, clashes: [], choices: {}, becomesTheShop: true });

/** What a shop has, in numbers. */
async function amounts({ shopId }: Person): Promise<number[]> {
  const where = { shopId };
  const jobs = await db.Job.findAll({ where, attributes: ["id"] });
  const pours = await db.Pour.findAll({ where, attributes: ["id"] });
  return [
    jobs.length,
    await db.JobRevision.count({ where: { jobId: jobs.map(({ id }) => id) } }),
    pours.length,
    await db.PourEvent.count({ where: { pourId: pours.map(({ id }) => id) } }),
    await db.Quote.count({ where }),
    await db.ResinCard.count({ where }),
    await db.ColourCard.count({ where }),
    await db.Recipe.count({ where }),
    await db.RecipeVersion.count({ where }),
    await db.SampleBoard.count({ where }),
    await db.Picture.count({ where }),
    await db.Trial.count({ where }),
    await db.ShelfItem.count({ where }),
    await db.ShelfLot.count({ where }),
  ];
}

test("a file of the first format stays readable, and what people see of it is what was put in", async () => {
  const zip = await openZip(V1);
  const checked = await checkFile(zip);
  expect(checked.manifest).toMatchObject({ version: 1, holds: "shop", name: "x", unreadable: 0 });
  const me = await emptyShop();
  const { counts, withoutPassword } = await take(zip, checked, me);
  zip.close();
  expect(counts).toMatchObject({ jobs: 3, pours: 1, quotes: 1, recipes: 3, resins: 4, "shelf items": 12 });
  expect(withoutPassword).toEqual(["Ines Calder", "Tomas Reyle"]);
  const jobs = await jobsOf(db, me).list();
  expect(jobs.map(({ name }) => name).sort()).toEqual([
    "Club coasters, a dozen",
    "Reception desk",
    "River table, elm",
  ]);
  const desk = await jobsOf(db, me).open(jobs.find(({ name }) => name === "Reception desk")!.id);
  expect(desk.document.coats.map(({ name }) => name)).toEqual([
    "Primer, black",
    "Slick coat, black",
    "Colour, bucket pour",
    "Clear flood",
  ]);
  const [pourId] = await poursOf(db, me).ids();
  const pour = await poursOf(db, me).open(pourId!);
  expect([pour.jobName, pour.events.length > 40, pour.events.at(-1)!.kind]).toEqual([
    "Reception desk",
    true,
    "answer",
  ]);
  const [quote] = await quotesOf(db, me).list();
  expect([quote!.quote.client, quote!.number, quote!.entries.map(({ kind }) => kind)]).toEqual([
    "Millrace dental rooms",
    expect.any(Number),
    ["sent", "accepted"],
  ]);
  expect((await recipesOf(db, me).list()).map(({ name }) => name)).toContain("Harbour slate");
  expect((await shelfOf(db, me).lots()).length).toBeGreaterThan(10);
  expect(await trialsOf(db, me).list()).toHaveLength(2);
});

test("ids are exchanged wherever they stand, and nothing else", () => {
  const [a, b] = ["11111111-2222-4333-8444-555555555555", "99999999-2222-4333-8444-555555555555"];
  const text = `{"id":"${a}","of":["${a}","${b}"],"note":"x${a.slice(1)}"}`;
  expect(idsIn(text)).toEqual([a, b]);
  expect(withIds(text, new Map([[a, b]]))).toBe(`{"id":"${b}","of":["${b}","${b}"],"note":"x${a.slice(1)}"}`);
});

const NONSENSE: readonly unknown[] = [
  null,
  "",
  -1,
  1e99,
  0.5,
  true,
  [],
  {},
  "x".repeat(100_000),
  "\u0000\ud800",
  "11111111-2222-4333-8444-555555555555",
  JSON.parse('{"__proto__":{"polluted":true},"constructor":1}'),
  JSON.parse(`${"[".repeat(3000)}${"]".repeat(3000)}`),
];

type Node = { holder: Record<string, unknown> | unknown[]; key: string | number };
function nodesOf(value: unknown, into: Node[] = []): Node[] {
  if (typeof value !== "object" || value === null) return into;
  for (const key of Object.keys(value)) {
    into.push({ holder: value as Record<string, unknown>, key });
    nodesOf((value as Record<string, unknown>)[key], into);
  }
  return into;
}

/** One thing in a JSON is another, gone, or there twice. */
function mutatedJson(text: string, uniform: () => number): string {
  const pick = <Item>(items: readonly Item[]): Item => items[Math.floor(uniform() * items.length)]!;
  if (uniform() < 0.1) return text.slice(0, Math.floor(uniform() * text.length));
  if (uniform() < 0.05) return pick(['"', "[", "nul", "", "\ufeff{}", "1e999"]);
  const value = JSON.parse(text) as unknown;
  const nodes = nodesOf(value);
  if (nodes.length === 0) return JSON.stringify(pick(NONSENSE));
  const { holder, key } = pick(nodes);
  const what = uniform();
  if (what < 0.25) delete (holder as Record<string, unknown>)[key];
  else if (what < 0.35 && Array.isArray(holder)) holder.push(holder[Number(key)]);
  else (holder as Record<string, unknown>)[key] = pick(NONSENSE);
  return JSON.stringify(value);
}

/** Bytes turned, gone, doubled or cut off. */
function mutatedBytes(bytes: Buffer, uniform: () => number): Buffer {
  const at = () => Math.floor(uniform() * bytes.length);
  const [from, to] = [at(), at()].sort((a, b) => a - b) as [number, number];
  switch (Math.floor(uniform() * 6)) {
    case 0:
      return bytes.subarray(0, from);
    case 1:
      return Buffer.concat([bytes.subarray(0, from), bytes.subarray(to)]);
    case 2:
      return Buffer.concat([bytes.subarray(0, to), bytes.subarray(from)]);
    case 3:
      return Buffer.from(bytes).fill(uniform() < 0.5 ? 0 : 255, from, Math.min(to, from + 64));
    default: {
      const turned = Buffer.from(bytes);
      for (let n = 1 + Math.floor(uniform() * 4); n > 0; n -= 1)
        turned[at()]! ^= 1 << Math.floor(uniform() * 8);
      return turned;
    }
  }
}

test("damaged files: each is refused with a reason, or is whole; none crashes, and none is half taken in", async () => {
  const uniform = seeded(20_261_201);
  const whole = await openZip(V1);
  const texts = new Map<string, string>();
  for (const name of whole.names.filter((one) => one.endsWith(".json")))
    texts.set(name, await whole.json(name));
  const names = [...texts.keys()];
  const reasons = new Map<string, number>();
  let [accepted, taken] = [0, 0];
  for (let n = 0; n < MANY; n += 1) {
    let zip: OpenZip | null = null;
    try {
      if (uniform() < 0.4) zip = await openZip(mutatedBytes(V1, uniform));
      else {
        const damaged = names[Math.floor(uniform() * names.length)]!;
        const text = mutatedJson(texts.get(damaged)!, uniform);
        zip = { ...whole, json: (name) => (name === damaged ? Promise.resolve(text) : whole.json(name)) };
      }
      const checked = await checkFile(zip);
      accepted += 1;
      if (taken >= MOST_TAKEN) continue;
      taken += 1;
      const me = await emptyShop();
      const before = await amounts(me);
      try {
        const { counts } = await take(zip, checked, me);
        const after = await amounts(me);
        expect([after[0], after[2], after[4]]).toEqual([
          counts.jobs ?? 0,
          counts.pours ?? 0,
          counts.quotes ?? 0,
        ]);
      } catch (failure) {
        if (!(failure instanceof Refused)) throw failure;
        expect(await amounts(me)).toEqual(before);
      }
    } catch (failure) {
      if (!(failure instanceof Refused)) throw failure;
      const { code, message } = failure.error;
      expect([n, code]).toEqual([n, "invalid"]);
      expect(message).toMatch(/^This file cannot be read: .{8,}/s);
      const kind = message.replace(/[\d.]+/g, "#").slice(0, 60);
      reasons.set(kind, (reasons.get(kind) ?? 0) + 1);
    } finally {
      if (zip && zip.close !== whole.close) zip.close();
    }
  }
  whole.close();
  expect(({} as { polluted?: boolean }).polluted).toBeUndefined();
  // Most damage is seen; what is left are other amounts and words, which nobody can know.
  expect(accepted / MANY).toBeLessThan(0.1);
  expect(reasons.size).toBeGreaterThan(12);
});
