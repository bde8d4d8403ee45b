import type { Model, ModelStatic, Transaction } from "sequelize";
import type { InFile, NamedKind } from "@/contracts/shop-file";
import { quoteNumber } from "@/core/money/quote";
import { codeText } from "@/core/pour/lot-code";
import type { Database } from "../database";

/** What is asked while a file is written into a shop. */
export type Writing = {
  db: Database;
  shopId: string;
  transaction: Transaction;
  insert: <Row extends Model>(model: ModelStatic<Row>, rows: object[]) => Promise<number>;
  /** The name under which a thing is brought in: another one where its own is taken. */
  nameFor: (kind: NamedKind, id: string, name: string) => string;
  /** Recipe versions and pours that are left out. */
  outVersions: ReadonlySet<string>;
  outPours: ReadonlySet<string>;
  /** Told of each number that was taken here. */
  newNumbers: string[];
};

export const date = (at: string | null): Date | null => (at === null ? null : new Date(at));
/** The moments of a row as the database wants them. */
export const dated = <Row extends { removedAt: string | null; createdAt: string; updatedAt: string }>(
  row: Row,
) => ({
  ...row,
  removedAt: date(row.removedAt),
  createdAt: date(row.createdAt),
  updatedAt: date(row.updatedAt),
});

/** A number that nobody has yet, its own where it can be; taken from then on. */
export function freeNumber(wanted: number, taken: Set<number>): number {
  const number = taken.has(wanted) ? Math.max(...taken) + 1 : wanted;
  taken.add(number);
  return number;
}

/** A job with its versions, one after the other: each is long. */
export async function jobIn(
  { db, shopId, insert, nameFor, outVersions }: Writing,
  { revisions, price, ...row }: InFile<"jobs/*.json">,
): Promise<void> {
  const leftOut = row.recipeVersionId !== null && outVersions.has(row.recipeVersionId);
  await insert(db.Job, [
    {
      ...dated(row),
      shopId,
      name: nameFor("job", row.id, row.name),
      recipeVersionId: leftOut ? null : row.recipeVersionId,
      archivedAt: date(row.archivedAt),
    },
  ]);
  for (const one of revisions) {
    const { recipe, ...document } = one.document;
    const kept = recipe && outVersions.has(recipe.versionId) ? document : one.document;
    await insert(db.JobRevision, [{ ...one, jobId: row.id, document: kept, savedAt: date(one.savedAt) }]);
  }
  if (price) await insert(db.JobPrice, [{ ...price, jobId: row.id, savedAt: date(price.savedAt) }]);
}

/** A pour with its entries in their order, and how far the shelf's book has it. */
export async function pourIn(
  { db, shopId, transaction, insert }: Writing,
  { events, booked, ...row }: InFile<"pours/*.json">,
): Promise<void> {
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
    transaction,
  });
  const upTo = stored[booked.events - 1]?.sequence ?? "0";
  await insert(db.BookedPour, [{ pourId: row.id, upTo, unplaced: booked.unplaced }]);
}

/** A quote under its own number where that is free here. */
export async function quoteIn(
  { db, shopId, transaction, insert, newNumbers }: Writing,
  { entries, ...row }: InFile<"quotes/*.json">,
): Promise<void> {
  const { year } = row;
  const taken = new Set(
    (await db.Quote.findAll({ where: { shopId, year }, attributes: ["number"], transaction })).map(
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

/** Things of the shelf with their lots and books; how many. */
export async function shelfIn(
  { db, shopId, transaction, insert, nameFor, newNumbers, outPours }: Writing,
  items: InFile<"shelf.json">,
): Promise<number> {
  await insert(
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
    (await db.ShelfLot.findAll({ where: { shopId }, attributes: ["code"], transaction })).map(
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
  return items.length;
}
