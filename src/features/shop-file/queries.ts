import { randomUUID } from "node:crypto";
import { createReadStream, createWriteStream } from "node:fs";
import { rm, stat } from "node:fs/promises";
import { join } from "node:path";
import { Readable, Transform } from "node:stream";
import { pipeline } from "node:stream/promises";
import type { ReadableStream as NodeStream } from "node:stream/web";
import type { Person } from "@/contracts/people";
import type { Pour } from "@/contracts/pours";
import { serverNowMs } from "@/contracts/server-now";
import type { CheckedFile, ClashChoice, TakenIn } from "@/contracts/shop-file";
import { aside, asideTask } from "@/server/aside";
import { database } from "@/server/database";
import { refuseOnFullDisk } from "@/server/disk";
import { notFound, Refused } from "@/server/refused";
import { jobsOf } from "@/server/repositories/jobs";
import { poursOf } from "@/server/repositories/pours";
import { quotesOf } from "@/server/repositories/quotes";
import { colourCardsOf } from "@/server/repositories/colour-cards";
import { recipesOf } from "@/server/repositories/recipes";
import { resinCardsOf } from "@/server/repositories/resin-cards";
import { shelfOf } from "@/server/repositories/shelf";
import { todayOf } from "@/server/shop-day";
import { checkFile } from "@/server/shop-file/check";
import { exportShopFile } from "@/server/shop-file/export";
import { filesFolder } from "@/server/shop-file/files-folder";
import { openZip, type OpenZip } from "@/server/shop-file/read-zip";
import type { Wanted } from "@/server/shop-file/selection";
import { clashesOf, hasNothing } from "@/server/shop-file/clashes";
import { takeIn } from "@/server/shop-file/take-in";
import { logTable, moneyTable, shelfTable, type LogLine, type PoursToTell } from "./tables";

const logTask = asideTask<PoursToTell, LogLine[]>("page", "log-lines");
const POURS_AT_A_TIME = 10;
/** No upload is larger than this, bytes. */
const LARGEST = 4 * 1024 ** 3;

/** Log, shelf and money as tables; a pour that cannot be read is not in the log's. */
async function tablesOf(person: Person): Promise<{ name: string; text: string }[]> {
  const db = database();
  const ids = await poursOf(db, person).ids();
  const lines: LogLine[] = [];
  for (let from = 0; from < ids.length; from += POURS_AT_A_TIME) {
    const pours: Pour[] = [];
    for (const id of ids.slice(from, from + POURS_AT_A_TIME))
      try {
        pours.push(await poursOf(db, person).open(id));
      } catch (failure) {
        if (!(failure instanceof Refused)) throw failure;
      }
    lines.push(...(await aside(person, logTask, { pours, timeZone: person.timeZone })));
  }
  const shelf = shelfOf(db, person);
  return [
    { name: "log.csv", text: logTable(lines) },
    { name: "shelf.csv", text: shelfTable(await shelf.items(), await shelf.lots()) },
    { name: "money.csv", text: moneyTable(await quotesOf(db, person).list(), todayOf(person)) },
  ];
}

async function nameOf(person: Person, wanted: Wanted): Promise<string> {
  const db = database();
  switch (wanted.holds) {
    case "shop":
      return person.shopName;
    case "job":
      return (await jobsOf(db, person).open(wanted.id)).name;
    case "recipe":
      return (await recipesOf(db, person).open(wanted.id)).name;
    case "resin":
      return (await resinCardsOf(db, person).find(wanted.id)).name;
    case "colour":
      return (await colourCardsOf(db, person).find(wanted.id)).name;
  }
}

/** A shop, or one thing of it, as a file; it is gone from the server when it was sent. */
export async function fileOf(
  person: Person,
  wanted: Wanted,
): Promise<{ stream: ReadableStream; bytes: number; name: string }> {
  await refuseOnFullDisk();
  const name = await nameOf(person, wanted);
  const tables = wanted.holds === "shop" ? () => tablesOf(person) : () => Promise.resolve([]);
  const now = new Date(serverNowMs());
  const path = await exportShopFile(database(), person, wanted, name, tables, now);
  const { size } = await stat(path);
  const file = createReadStream(path);
  file.on("close", () => void rm(path, { force: true }));
  const day = wanted.holds === "shop" ? ` ${todayOf(person)}` : "";
  return { stream: Readable.toWeb(file) as ReadableStream, bytes: size, name: `${name}${day}.gaugebeam.zip` };
}

const pathOf = async (person: Person, token: string): Promise<string> =>
  join(await filesFolder(), `${person.shopId}.${token}.in.zip`);

async function withZip<Value>(path: string, doWith: (zip: OpenZip) => Promise<Value>): Promise<Value> {
  const zip = await openZip(path);
  try {
    return await doWith(zip);
  } finally {
    zip.close();
  }
}

/** Takes a file from the wire and finds out what is in it; nothing of the shop is touched. */
export async function receiveFile(person: Person, body: ReadableStream): Promise<CheckedFile> {
  await refuseOnFullDisk();
  const token = randomUUID();
  const path = await pathOf(person, token);
  let bytes = 0;
  const measured = new Transform({
    transform(chunk: Buffer, _encoding, done) {
      bytes += chunk.length;
      done(
        bytes > LARGEST ? new Refused({ code: "invalid", message: "It is larger than any shop." }) : null,
        chunk,
      );
    },
  });
  try {
    await pipeline(Readable.fromWeb(body as NodeStream), measured, createWriteStream(path, { mode: 0o600 }));
    const checked = await withZip(path, checkFile);
    const db = database();
    const becomesTheShop = checked.manifest.holds === "shop" && (await hasNothing(db, person.shopId));
    return {
      token,
      manifest: checked.manifest,
      counts: checked.counts,
      becomesTheShop,
      clashes: becomesTheShop ? [] : await clashesOf(db, person.shopId, checked),
    };
  } catch (failure) {
    await rm(path, { force: true });
    throw failure;
  }
}

/** Puts a file that was received into the shop, whole or not at all; it is checked once more, since the shop may have changed. */
export async function takeReceived(
  person: Person,
  token: string,
  choices: Record<string, ClashChoice>,
): Promise<TakenIn> {
  await refuseOnFullDisk();
  const db = database();
  const path = await pathOf(person, token);
  if (!(await stat(path).catch(() => null))) throw notFound("file any more: choose it again");
  const taken = await withZip(path, async (zip) => {
    const checked = await checkFile(zip);
    const becomesTheShop = checked.manifest.holds === "shop" && (await hasNothing(db, person.shopId));
    const clashes = becomesTheShop ? [] : await clashesOf(db, person.shopId, checked);
    return takeIn({ db, me: person, zip, checked, clashes, choices, becomesTheShop });
  });
  await rm(path, { force: true });
  return taken;
}
