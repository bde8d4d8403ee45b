import { randomUUID } from "node:crypto";
import type { Model, ModelStatic, Transaction } from "sequelize";
import type { Person } from "@/contracts/people";
import {
  CHOICES_OF,
  type ClashChoice,
  type NameClash,
  type NamedKind,
  type TakenIn,
} from "@/contracts/shop-file";
import { copyName } from "@/core/units/copy-name";
import type { Database } from "../database";
import { hashPassword } from "../passwords";
import { Refused } from "../refused";
import { rowOf } from "../repositories/resin-cards";
import { inTransaction } from "../transaction";
import { pictureOf, thingsOf, type Checked } from "./check";
import { ownNames } from "./clashes";
import { date, dated, freeNumber, jobIn, pourIn, quoteIn, shelfIn, type Writing } from "./into-rows";
import type { OpenZip } from "./read-zip";

const AT_A_TIME = 400;

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
    if (!(failure as { name?: string }).name?.startsWith("Sequelize")) throw failure;
    throw new Refused({
      code: "invalid",
      message: "What is in this file does not fit together. Nothing was taken in.",
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
  /** Versions of recipes that are left out, and pours of jobs that are. */
  const outVersions = new Set<string>();
  const outPours = new Set<string>();
  const insert: Writing["insert"] = async (model, rows) => {
    for (let from = 0; from < rows.length; from += AT_A_TIME)
      await model.bulkCreate(rows.slice(from, from + AT_A_TIME) as never[], { transaction });
    return rows.length;
  };
  const writing: Writing = { db, shopId, transaction, insert, nameFor, outVersions, outPours, newNumbers };

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
        .map(({ card, ...row }) => ({
          ...rowOf({ ...card, name: nameFor("resin", row.id, card.name) }),
          ...dated(row),
          shopId,
        })),
    );
  for await (const colours of thingsOf(zip, "colours.json", map))
    counts.colours = await insert(
      db.ColourCard,
      colours
        .filter(({ id }) => !isOurs.has(id))
        .map(({ fields, ...row }) => {
          const name = nameFor("colour", row.id, fields.name);
          return { ...dated(row), shopId, name, fields: { ...fields, name } };
        }),
    );
  for await (const recipes of thingsOf(zip, "recipes.json", map))
    counts.recipes = await insert(
      db.Recipe,
      recipes
        .filter(({ id }) => !out.has(id))
        .map((row) => ({ ...dated(row), shopId, name: nameFor("recipe", row.id, row.name) })),
    );
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
      await jobIn(writing, job);
      counts.jobs = (counts.jobs ?? 0) + 1;
    }
  for await (const pour of thingsOf(zip, "pours/*.json", map))
    if (out.has(pour.jobId)) outPours.add(pour.id);
    else {
      await pourIn(writing, pour);
      counts.pours = (counts.pours ?? 0) + 1;
    }
  for await (const quote of thingsOf(zip, "quotes/*.json", map))
    if (!out.has(quote.jobId)) {
      await quoteIn(writing, quote);
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
  for await (const items of thingsOf(zip, "shelf.json", map))
    counts["shelf items"] = await shelfIn(
      writing,
      items.filter(({ id }) => !out.has(id)),
    );
  return { counts, newNumbers, withoutPassword };
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
