import { randomUUID } from "node:crypto";
import type { Model, ModelStatic, Transaction } from "sequelize";
import type { Person } from "@/contracts/people";
import {
  CHOICES_OF,
  type ClashChoice,
  type InFile,
  type NameClash,
  type NamedKind,
  type TakenIn,
} from "@/contracts/shop-file";
import { quoteNumber } from "@/core/money/quote";
import { codeText } from "@/core/pour/lot-code";
import { copyName } from "@/core/units/copy-name";
import type { Database } from "../database";
import { hashPassword } from "../passwords";
import { Refused } from "../refused";
import { inTransaction } from "../transaction";
import { pictureOf, thingsOf, type Checked } from "./check";
import type { OpenZip } from "./read-zip";

const AT_A_TIME = 400;
const date = (at: string | null): Date | null => (at === null ? null : new Date(at));
const sameName = (a: string, b: string): boolean => a.trim().toLowerCase() === b.trim().toLowerCase();

const tablesOf = (db: Database): ModelStatic<Model>[] => [
  db.Picture,
  db.ResinCard,
  db.ColourCard,
  db.Recipe,
  db.RecipeVersion,
  db.SampleBoard,
  db.ApprovedPicture,
  db.Job,
  db.Pour,
  db.PourEvent,
  db.Quote,
  db.QuoteEntry,
  db.RoomReading,
  db.Practice,
  db.LearningDecision,
  db.Trial,
  db.TrialEntry,
  db.ShelfItem,
  db.ShelfLot,
  db.StockEntry,
];

/** The shop's own things by their names. */
async function ownNames(
  db: Database,
  shopId: string,
): Promise<Record<NamedKind, { id: string; name: string }[]>> {
  const where = { shopId, removedAt: null };
  const attributes = ["id", "name"];
  const named = (rows: { id: string; name: string }[]) => rows.map(({ id, name }) => ({ id, name }));
  return {
    resin: named(await db.ResinCard.findAll({ where, attributes })),
    colour: named(await db.ColourCard.findAll({ where, attributes })),
    recipe: named(await db.Recipe.findAll({ where, attributes })),
    job: named(await db.Job.findAll({ where, attributes })),
    "shelf item": named(await db.ShelfItem.findAll({ where, attributes })),
  };
}

/** A shop with nothing of its own yet: no more than the cards it began with. */
export async function hasNothing(db: Database, shopId: string): Promise<boolean> {
  const where = { shopId };
  for (const model of [db.Job, db.Recipe, db.Pour, db.ShelfItem, db.Trial] as ModelStatic<Model>[])
    if ((await model.count({ where })) > 0) return false;
  return true;
}

/** What the file has by a name that the shop has already. */
export async function clashesOf(db: Database, shopId: string, { named }: Checked): Promise<NameClash[]> {
  const own = await ownNames(db, shopId);
  return named.flatMap(({ kind, id, name, removed }) => {
    const ours = own[kind].find((other) => sameName(other.name, name));
    return ours && !removed ? [{ kind, id, name, ours: ours.id }] : [];
  });
}

/** Ids as they shall be: as they are where none of them is taken, else new ones; of what ours is taken for, ours. */
async function newIds(
  db: Database,
  ids: readonly string[],
  ours: ReadonlyMap<string, string>,
  transaction: Transaction,
): Promise<Map<string, string>> {
  let taken = false;
  for (const model of tablesOf(db))
    for (let from = 0; from < ids.length && !taken; from += 2000)
      taken = (await model.count({ where: { id: ids.slice(from, from + 2000) }, transaction })) > 0;
  return new Map([...(taken ? ids.map((id): [string, string] => [id, randomUUID()]) : []), ...ours]);
}

type Into = {
  db: Database;
  me: Person;
  zip: OpenZip;
  checked: Checked;
  clashes: readonly NameClash[];
  choices: Readonly<Record<string, ClashChoice>>;
  becomesTheShop: boolean;
};

/** Puts a checked file into the shop, whole or not at all. */
export async function takeIn(into: Into): Promise<TakenIn> {
  for (const { kind, id, name } of into.clashes)
    if (!CHOICES_OF[kind].includes(into.choices[id] ?? ("" as ClashChoice)))
      throw new Refused({
        code: "invalid",
        message: `Say what to do with “${name}”: there is one already.`,
        field: `choices.${id}`,
      });
  try {
    return await inTransaction(into.db, (transaction) => write(into, transaction));
  } catch (failure) {
    if (failure instanceof Refused) throw failure;
    const { name, parent } = failure as { name?: string; parent?: { sqlMessage?: string } };
    if (!name?.startsWith("Sequelize")) throw failure;
    throw new Refused({
      code: "invalid",
      message: "What is in this file does not fit together. Nothing was taken in.",
      data: parent?.sqlMessage,
    });
  }
}

async function write(into: Into, transaction: Transaction): Promise<TakenIn> {
  const { db, me, zip, checked, clashes, choices, becomesTheShop } = into;
  const { shopId } = me;
  const within = { transaction };
  const chosen = (of: ClashChoice) => clashes.filter(({ id }) => choices[id] === of);
  const ours = new Map(chosen("ours").map(({ id, ours: own }) => [id, own]));
  const map = await newIds(db, checked.ids, ours, transaction);
  const now = (id: string) => map.get(id) ?? id;
  const out = new Set(chosen("out").map(({ id }) => now(id)));
  const isOurs = new Set(ours.values());
  const names = await ownNames(db, shopId);
  const both = new Set(chosen("both").map(({ id }) => now(id)));
  const nameFor = (kind: NamedKind, id: string, name: string): string => {
    const free = both.has(id)
      ? copyName(
          name,
          names[kind].map((own) => own.name),
          ", brought in",
        )
      : name;
    names[kind].push({ id, name: free });
    return free;
  };
  const counts: TakenIn["counts"] = {};
  const newNumbers: string[] = [];
  const insert = async <Row extends Model>(model: ModelStatic<Row>, rows: object[]): Promise<number> => {
    for (let from = 0; from < rows.length; from += AT_A_TIME)
      await model.bulkCreate(rows.slice(from, from + AT_A_TIME) as never[], { transaction });
    return rows.length;
  };

  if (becomesTheShop) {
    await db.ResinCard.destroy({ where: { shopId }, transaction });
    await db.ColourCard.destroy({ where: { shopId }, transaction });
    for await (const { name, bench, rates } of thingsOf(zip, "shop.json", map))
      await db.Shop.update({ name, bench, rates: rates ?? null }, { where: { id: shopId }, transaction });
  }
  const withoutPassword = becomesTheShop ? await peopleIn(into, transaction) : [];
  const emails = new Map(
    (await db.Person.findAll({ where: { shopId }, ...within })).map(({ id, email }) => [email, id]),
  );

  for await (const pictures of thingsOf(zip, "pictures.json")) {
    for (const { id, createdAt, ...row } of pictures) {
      const bytes = await pictureOf(zip, id);
      await insert(db.Picture, [
        { ...row, id: now(id), shopId, bytes, thumbnail: null, createdAt: date(createdAt) },
      ]);
    }
    counts.pictures = pictures.length;
  }
  for await (const resins of thingsOf(zip, "resins.json", map))
    counts.resins = await insert(
      db.ResinCard,
      resins
        .filter(({ id }) => !isOurs.has(id))
        .map(({ id, card, removedAt, createdAt, updatedAt }) => ({
          ...card,
          id,
          shopId,
          name: nameFor("resin", id, card.name),
          pricePerLitre: card.pricePerLitre === null ? null : card.pricePerLitre.toFixed(2),
          removedAt: date(removedAt),
          createdAt: date(createdAt),
          updatedAt: date(updatedAt),
        })),
    );
  for await (const colours of thingsOf(zip, "colours.json", map))
    counts.colours = await insert(
      db.ColourCard,
      colours
        .filter(({ id }) => !isOurs.has(id))
        .map(({ id, fields, removedAt, createdAt, updatedAt }) => {
          const name = nameFor("colour", id, fields.name);
          return {
            id,
            shopId,
            name,
            fields: { ...fields, name },
            removedAt: date(removedAt),
            createdAt: date(createdAt),
            updatedAt: date(updatedAt),
          };
        }),
    );
  for await (const recipes of thingsOf(zip, "recipes.json", map))
    counts.recipes = await insert(
      db.Recipe,
      recipes
        .filter(({ id }) => !out.has(id))
        .map(({ id, name, removedAt, createdAt, updatedAt }) => ({
          id,
          shopId,
          name: nameFor("recipe", id, name),
          removedAt: date(removedAt),
          createdAt: date(createdAt),
          updatedAt: date(updatedAt),
        })),
    );
  /** Versions of recipes that are left out. */
  const outVersions = new Set<string>();
  for await (const versions of thingsOf(zip, "versions.json", map)) {
    for (const { id, recipeId } of versions) if (out.has(recipeId)) outVersions.add(id);
    await insert(
      db.RecipeVersion,
      versions
        .filter(({ id }) => !outVersions.has(id))
        .map((row) => ({ ...row, shopId, createdAt: date(row.createdAt) })),
    );
  }
  for await (const boards of thingsOf(zip, "boards.json", map)) {
    const taken = new Set(
      (await db.SampleBoard.findAll({ where: { shopId }, attributes: ["number"], ...within })).map(
        ({ number }) => number,
      ),
    );
    await insert(
      db.SampleBoard,
      boards
        .filter(({ versionId }) => !outVersions.has(versionId))
        .map((row) => ({
          ...row,
          shopId,
          number: freeNumber(row.number, taken),
          createdAt: date(row.createdAt),
          updatedAt: date(row.updatedAt),
        })),
    );
  }
  for await (const approved of thingsOf(zip, "approved-pictures.json", map))
    await insert(
      db.ApprovedPicture,
      approved
        .filter(({ versionId }) => !outVersions.has(versionId))
        .map((row) => ({ ...row, shopId, approvedAt: date(row.approvedAt) })),
    );

  for await (const job of thingsOf(zip, "jobs/*.json", map))
    if (!out.has(job.id)) {
      await jobIn(job);
      counts.jobs = (counts.jobs ?? 0) + 1;
    }
  const outPours = new Set<string>();
  for await (const pour of thingsOf(zip, "pours/*.json", map))
    if (out.has(pour.jobId)) outPours.add(pour.id);
    else {
      await pourIn(pour);
      counts.pours = (counts.pours ?? 0) + 1;
    }
  for await (const quote of thingsOf(zip, "quotes/*.json", map))
    if (!out.has(quote.jobId)) {
      await quoteIn(quote);
      counts.quotes = (counts.quotes ?? 0) + 1;
    }
  for await (const readings of thingsOf(zip, "room.json", map))
    await insert(
      db.RoomReading,
      readings.map(({ id, at, tempC, humidityPct, readBy }) => ({
        id,
        shopId,
        at: date(at),
        tempC,
        humidityPct,
        readBy,
      })),
    );
  for await (const practices of thingsOf(zip, "practices.json", map))
    await insert(
      db.Practice,
      practices.map(({ email, doneAt, ...row }) => ({
        ...row,
        shopId,
        personId: (email !== null && emails.get(email)) || null,
        doneAt: date(doneAt),
      })),
    );
  for await (const decisions of thingsOf(zip, "decisions.json", map))
    await insert(
      db.LearningDecision,
      decisions.map(({ id, kind, by, at, ...detail }) => ({
        id,
        shopId,
        kind,
        detail,
        decidedBy: by,
        at: date(at),
      })),
    );
  for await (const trials of thingsOf(zip, "trials.json", map)) {
    counts.trials = await insert(
      db.Trial,
      trials.map(({ id, plan, begunBy, at }) => ({ id, shopId, plan, begunBy, at: date(at) })),
    );
    await insert(
      db.TrialEntry,
      trials.flatMap(({ id: trialId, entries }) =>
        entries.map(({ id, by, at, ...said }) => ({ id, trialId, said, saidBy: by, at: date(at) })),
      ),
    );
  }
  for await (const items of thingsOf(zip, "shelf.json", map)) await shelfIn(items);
  return { counts, newNumbers, withoutPassword };

  async function jobIn({ revisions, price, ...row }: InFile<"jobs/*.json">): Promise<void> {
    const leftOut = row.recipeVersionId !== null && outVersions.has(row.recipeVersionId);
    await insert(db.Job, [
      {
        ...row,
        shopId,
        name: nameFor("job", row.id, row.name),
        recipeVersionId: leftOut ? null : row.recipeVersionId,
        archivedAt: date(row.archivedAt),
        removedAt: date(row.removedAt),
        createdAt: date(row.createdAt),
        updatedAt: date(row.updatedAt),
      },
    ]);
    // One after the other: each is long.
    for (const one of revisions) {
      const { recipe, ...document } = one.document;
      const kept = recipe && outVersions.has(recipe.versionId) ? document : one.document;
      await insert(db.JobRevision, [{ ...one, jobId: row.id, document: kept, savedAt: date(one.savedAt) }]);
    }
    if (price) await insert(db.JobPrice, [{ ...price, jobId: row.id, savedAt: date(price.savedAt) }]);
  }

  async function pourIn({ events, booked, ...row }: InFile<"pours/*.json">): Promise<void> {
    await insert(db.Pour, [
      { ...row, shopId, startedAt: date(row.startedAt), finishedAt: date(row.finishedAt) },
    ]);
    await insert(
      db.PourEvent,
      events.map(({ id, kind, at, by, receivedAt, ...detail }) => ({
        id,
        pourId: row.id,
        kind,
        at: date(at),
        detail,
        recordedBy: by,
        receivedAt: date(receivedAt),
      })),
    );
    if (!booked) return;
    const stored = await db.PourEvent.findAll({
      where: { pourId: row.id },
      attributes: ["sequence"],
      order: [["sequence", "ASC"]],
      ...within,
    });
    const upTo = stored[booked.events - 1]?.sequence ?? "0";
    await insert(db.BookedPour, [{ pourId: row.id, upTo, unplaced: booked.unplaced }]);
  }

  async function quoteIn({ entries, ...row }: InFile<"quotes/*.json">): Promise<void> {
    const { year } = row;
    const taken = new Set(
      (await db.Quote.findAll({ where: { shopId, year }, attributes: ["number"], ...within })).map(
        ({ number }) => number,
      ),
    );
    const number = freeNumber(row.number, taken);
    if (number !== row.number)
      newNumbers.push(`quote ${quoteNumber(row)} is ${quoteNumber({ year, number })} here`);
    await insert(db.Quote, [{ ...row, shopId, number, at: date(row.at) }]);
    await insert(
      db.QuoteEntry,
      entries.map((entry) => ({
        id: entry.id,
        quoteId: row.id,
        kind: entry.kind,
        lookId: entry.kind === "accepted" ? entry.lookId : null,
        words: entry.words,
        recordedBy: entry.by,
        at: date(entry.at),
      })),
    );
  }

  async function shelfIn(all: InFile<"shelf.json">): Promise<void> {
    const items = all.filter(({ id }) => !out.has(id));
    counts["shelf items"] = await insert(
      db.ShelfItem,
      items.map(({ id, fields: { kind, name, cardId, ...fields }, since, removedAt }) => ({
        id,
        shopId,
        kind,
        name: nameFor("shelf item", id, name),
        cardId,
        fields,
        since: date(since),
        removedAt: date(removedAt),
      })),
    );
    const codes = new Set(
      (await db.ShelfLot.findAll({ where: { shopId }, attributes: ["code"], ...within })).map(
        ({ code }) => code,
      ),
    );
    const lots = items.flatMap(({ id: itemId, lots: own }) => own.map((lot) => ({ ...lot, itemId })));
    await insert(
      db.ShelfLot,
      lots.map(({ id, itemId, code: was }) => {
        const code = freeNumber(was, codes);
        if (code !== was)
          newNumbers.push(`lot ${codeText(was)} is ${codeText(code)} here: print its label anew`);
        return { id, shopId, itemId, code };
      }),
    );
    await insert(
      db.StockEntry,
      lots.flatMap(({ id: lotId, entries }) =>
        entries.map(({ id, kind, at, by, pourId, ...detail }) => ({
          id,
          lotId,
          kind,
          at: date(at),
          detail,
          pourId: pourId !== null && outPours.has(pourId) ? null : pourId,
          recordedBy: by,
        })),
      ),
    );
  }
}

/** A number that nobody has yet, its own where it can be; taken from then on. */
function freeNumber(wanted: number, taken: Set<number>): number {
  const number = taken.has(wanted) ? Math.max(...taken) + 1 : wanted;
  taken.add(number);
  return number;
}

/** The people of a file in a shop that becomes its own: those who are here keep their passwords, the others have none yet. */
async function peopleIn({ db, me, zip }: Into, transaction: Transaction): Promise<string[]> {
  const { shopId } = me;
  const fresh: string[] = [];
  for await (const people of thingsOf(zip, "people.json"))
    for (const fields of people) {
      const row = await db.Person.findOne({ where: { shopId, email: fields.email }, transaction });
      // Whoever brings it in stays an owner.
      const role = row?.id === me.id ? "owner" : fields.role;
      const all = { ...fields, role };
      if (row) await row.update(all, { transaction });
      else {
        // One that nobody knows, until an owner gives another.
        const passwordHash = await hashPassword(randomUUID() + randomUUID());
        await db.Person.create({ id: randomUUID(), shopId, passwordHash, ...all }, { transaction });
        fresh.push(fields.name);
      }
    }
  return fresh;
}
