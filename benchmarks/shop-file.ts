import { createHash, randomUUID } from "node:crypto";
import { rm, stat } from "node:fs/promises";
import type { Person } from "@/contracts/people";
import { migrate } from "@/server/migrate";
import { jobsOf } from "@/server/repositories/jobs";
import { signInBook } from "@/server/repositories/people";
import { picturesOf } from "@/server/repositories/pictures";
import { poursOf } from "@/server/repositories/pours";
import { resinCardsOf } from "@/server/repositories/resin-cards";
import { colourCardsOf } from "@/server/repositories/colour-cards";
import { database } from "@/server/database";
import { emptyTables } from "@/server/empty-tables";
import { logLines, logTable } from "@/features/shop-file/tables";
import { checkFile } from "@/server/shop-file/check";
import { exportShopFile } from "@/server/shop-file/export";
import { openZip } from "@/server/shop-file/read-zip";
import { takeIn } from "@/server/shop-file/take-in";
import sharp from "sharp";
import { foundShop } from "../demo/load";
import { demoPour } from "../demo/pours";
import { demoJobs } from "../demo/shop";

/**
 * How long a large shop takes to its file and back, in how much memory, and whether it is the same then. On a database of its own: all of it is
 * emptied. Run by `npm run bench:shop-file`.
 */

/** The shop that the bars are for. */
const [JOBS, POURS, VERSIONS, PICTURES] = [500, 300, 4, 60];
const BARS = { exportS: 20, memoryMb: 300 };
const PASSWORD = "a-benchmark-of-the-shop";

/** The most memory the process holds while something runs, above what it held before, MB. */
async function watched<Value>(
  work: () => Promise<Value>,
): Promise<{ value: Value; tookS: number; mb: number }> {
  globalThis.gc?.();
  const before = process.memoryUsage().rss;
  let most = before;
  const timer = setInterval(() => (most = Math.max(most, process.memoryUsage().rss)), 20);
  const since = performance.now();
  const value = await work();
  const tookS = (performance.now() - since) / 1000;
  clearInterval(timer);
  return { value, tookS, mb: (Math.max(most, process.memoryUsage().rss) - before) / 1e6 };
}

async function contents(path: string): Promise<string[]> {
  const zip = await openZip(path);
  const files = [];
  for (const name of zip.names)
    files.push(
      `${name} ${createHash("sha256")
        .update(await zip.bytes(name))
        .digest("hex")}`,
    );
  zip.close();
  return files;
}

async function main(): Promise<boolean> {
  const db = database();
  await migrate(db);
  await emptyTables(db);
  const owner = { name: "Owner", email: "owner@bench.example", password: PASSWORD };
  const { person } = await foundShop("Bench", owner);
  const cards = await resinCardsOf(db, person).list();
  const colours = await colourCardsOf(db, person).list();
  const now = new Date("2026-05-14T12:00:00Z");
  const demo = demoJobs(cards, colours);
  const poured = demo.filter(({ pour }) => pour);
  const noise = async () =>
    sharp({
      create: {
        width: 1600,
        height: 1200,
        channels: 3,
        noise: { type: "gaussian", mean: 128, sigma: 24 },
        background: "#888",
      },
    })
      .blur(2)
      .png()
      .toBuffer();
  for (let n = 0; n < PICTURES; n += 1) await picturesOf(db, person).add(await noise());
  for (let n = 0; n < JOBS; n += 1) {
    const { document, fields, pour } = n < POURS ? poured[n % poured.length]! : demo[n % demo.length]!;
    const jobId = await jobsOf(db, person).create(
      { name: `${fields.name} ${n}`, client: fields.client, status: "planning", dueOn: null },
      document,
    );
    for (let version = 1; version < VERSIONS; version += 1)
      await jobsOf(db, person).save(jobId, version, { ...document, notes: `version ${version}` });
    if (!pour) continue;
    const { startedAt, events } = demoPour(pour, document, cards, now);
    const id = randomUUID();
    await poursOf(db, person).start({
      id,
      jobId,
      jobRevision: VERSIONS,
      at: startedAt,
      plan: { document, cards, colours },
    });
    const rows = events.map(({ id: eventId, kind, at, ...detail }) => ({
      id: eventId,
      pourId: id,
      kind,
      at: new Date(at),
      detail,
      recordedBy: person.name,
    }));
    await db.PourEvent.bulkCreate(rows);
  }
  const tables = (of: Person) => async () => {
    const lines = [];
    for (const id of await poursOf(db, of).ids())
      lines.push(...logLines({ pours: [await poursOf(db, of).open(id)], timeZone: null }));
    return [{ name: "log.csv", text: logTable(lines) }];
  };
  const out = await watched(() =>
    exportShopFile(db, person, { holds: "shop" }, "Bench", tables(person), now),
  );
  const { size } = await stat(out.value);
  const before = await contents(out.value);
  await emptyTables(db);
  const again = await foundShop("Another", owner);
  const taken = await watched(async () => {
    const zip = await openZip(out.value);
    const checked = await checkFile(zip);
    const into = { db, me: again.person, zip, checked, clashes: [], choices: {}, becomesTheShop: true };
    const { counts } = await takeIn(into);
    zip.close();
    return counts;
  });
  const me = (await signInBook(db).person(again.person.id))!;
  const second = await exportShopFile(db, me, { holds: "shop" }, "Bench", tables(me), now);
  const after = await contents(second);
  const others = after.filter((file) => !before.includes(file));
  const same = others.length === 0 && after.length === before.length;
  await Promise.all([rm(out.value), rm(second)]);
  const kept = out.tookS < BARS.exportS && out.mb < BARS.memoryMb && same;
  console.log(
    `A shop of ${JOBS} jobs with ${VERSIONS} versions each, ${taken.value.pours} pours and ${PICTURES} pictures, ${(size / 1e6).toFixed(0)} MB:`,
  );
  console.log(
    `  out   ${out.tookS.toFixed(1)} s (bar ${BARS.exportS}), ${out.mb.toFixed(0)} MB more (bar ${BARS.memoryMb})`,
  );
  console.log(`  in    ${taken.tookS.toFixed(1)} s, ${taken.mb.toFixed(0)} MB more`);
  console.log(
    `  out again ${same ? "the same, byte for byte" : `NOT the same: ${others.slice(0, 5).join(", ")}`}`,
  );
  await db.sequelize.close();
  return kept;
}

void main().then((kept) => process.exit(kept ? 0 : 1));
