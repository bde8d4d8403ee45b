import { randomUUID } from "node:crypto";
import type { Transaction } from "sequelize";
import type { Person } from "@/contracts/people";
import { shelfItemFields, stockEntry, type ShelfItemFields, type StockSaid } from "@/contracts/shelf";
import type { Booking, Unplaced } from "@/core/shelf/booking";
import type { Part, ShelfItem } from "@/core/shelf/item";
import type { Lot, LotFacts, PourLine, PourNamed, StockEntry } from "@/core/shelf/lot";
import type { Removed } from "@/core/shop/removed";
import { jsonOf, type Database } from "../database";
import type { StockEntryRow } from "../models/shelf";
import { notFound, Refused } from "../refused";
import { asRemoved, removedLately } from "../removed";
import { inTransaction } from "../transaction";
import { writeOnce } from "../write-once";

/** An item with the moment from which on what is weighed is booked. */
export type KeptItem = ShelfItem & { since: string };
/** What was weighed of a pour and is in nobody's book. */
export type UnplacedOfPour = Unplaced & { jobName: string };

const entryOf = (row: StockEntryRow): StockEntry | null => {
  const { id, kind, at, detail, recordedBy } = row;
  const read = stockEntry.safeParse({
    ...(jsonOf(detail) as object),
    id,
    kind,
    at: at.toISOString(),
    by: recordedBy,
  });
  return read.success ? read.data : null;
};

/** The shelf of the signed-in person's shop. */
export function shelfOf(db: Database, me: Person) {
  const lotRow = async (lotId: string) => {
    const row = await db.ShelfLot.findOne({ where: { id: lotId, shopId: me.shopId } });
    if (!row) throw notFound("lot");
    return row;
  };
  const write = (
    { id, lotId, at, said, from }: { id: string; lotId: string; at: Date; said: StockSaid; from?: PourLine },
    transaction: Transaction | null = null,
  ) => {
    const { kind, ...detail } = said;
    return db.StockEntry.create(
      {
        id,
        lotId,
        kind,
        at,
        detail: { ...detail, ...(from && { from }) },
        pourId: from?.pourId ?? null,
        recordedBy: me.name,
      },
      { transaction },
    );
  };
  /** Lots as they are stored with their entries, in the order in which these were written. */
  const allLots = async (): Promise<Lot[]> => {
    const rows = await db.ShelfLot.findAll({
      where: { shopId: me.shopId },
      order: [["code", "ASC"]],
    });
    const entries = await db.StockEntry.findAll({
      where: { lotId: rows.map(({ id }) => id) },
      order: [["sequence", "ASC"]],
    });
    const byLot = new Map<string, StockEntry[]>(rows.map(({ id }) => [id, []]));
    for (const row of entries) {
      const entry = entryOf(row);
      if (entry) byLot.get(row.lotId)?.push(entry);
    }
    return rows.map(({ id, itemId, code }) => ({ id, itemId, code, entries: byLot.get(id) ?? [] }));
  };
  /** @throws Refused where another item that is on the shelf goes by this card */
  const onceByCard = async (cardId: string, itemId: string): Promise<void> => {
    const twin = await db.ShelfItem.findOne({ where: { shopId: me.shopId, cardId, removedAt: null } });
    if (twin && twin.id !== itemId)
      throw new Refused({
        code: "invalid",
        field: "fields.cardId",
        message: "This is on the shelf already.",
      });
  };
  return {
    /** Items with the names of their cards, by name; without those taken off the shelf. */
    async items(): Promise<KeptItem[]> {
      const rows = await db.ShelfItem.findAll({ where: { shopId: me.shopId, removedAt: null } });
      const cardIds = rows.flatMap(({ cardId }) => cardId ?? []);
      const ofCards = { where: { id: cardIds, shopId: me.shopId }, attributes: ["id", "name"] };
      const names = new Map(
        [...(await db.ResinCard.findAll(ofCards)), ...(await db.ColourCard.findAll(ofCards))].map((card) => [
          card.id,
          card.name,
        ]),
      );
      return rows
        .flatMap((row): KeptItem[] => {
          const read = shelfItemFields.safeParse({
            ...(jsonOf(row.fields) as object),
            kind: row.kind,
            cardId: row.cardId,
            name: (row.cardId && names.get(row.cardId)) || row.name,
          });
          return read.success ? [{ ...read.data, id: row.id, since: row.since.toISOString() }] : [];
        })
        .sort((a, b) => a.name.localeCompare(b.name));
    },
    /** Taken off the shelf lately, to be put back. */
    async removed(): Promise<Removed[]> {
      return asRemoved(
        await db.ShelfItem.findAll({
          where: { shopId: me.shopId, ...removedLately() },
          order: [["removedAt", "DESC"]],
        }),
      );
    },
    lots: allLots,
    /** Puts an item on the shelf, or changes what is known of it; what goes by a card is asked for by that card. */
    async putItem(id: string, { kind, name, cardId, ...fields }: ShelfItemFields, now: Date): Promise<void> {
      if (cardId !== null) {
        const where = { where: { id: cardId, shopId: me.shopId } };
        const card = kind === "resin" ? await db.ResinCard.count(where) : await db.ColourCard.count(where);
        if (card === 0) throw notFound(kind === "resin" ? "resin card" : "colour card");
      } else if (kind === "resin" || kind === "colour")
        throw new Refused({
          code: "invalid",
          field: "fields.cardId",
          message: `Choose the card of this ${kind}.`,
        });
      const known = await db.ShelfItem.findByPk(id);
      if (known && known.shopId !== me.shopId) throw notFound("item");
      if (cardId !== null) await onceByCard(cardId, id);
      if (known) await known.update({ name, fields });
      else
        await db.ShelfItem.create({
          id,
          shopId: me.shopId,
          kind,
          name,
          cardId,
          fields,
          since: now,
          removedAt: null,
        });
    },
    async removeItem(itemId: string, removed: boolean, now: Date): Promise<void> {
      const row = await db.ShelfItem.findOne({ where: { id: itemId, shopId: me.shopId } });
      if (!row) throw notFound("item");
      if (!removed && row.cardId !== null) await onceByCard(row.cardId, itemId);
      await row.update({ removedAt: removed ? now : null });
    },
    /** Bottles came: a lot with the shop's next number. Sent twice it is one. */
    async addLot(
      id: string,
      itemId: string,
      facts: LotFacts,
      came: Partial<Record<Part, number>>,
      now: Date,
    ): Promise<{ code: number }> {
      return inTransaction(db, async (transaction) => {
        // One at a time, so that no two lots get one number.
        await db.Shop.findByPk(me.shopId, { transaction, lock: true, attributes: ["id"] });
        const item = await db.ShelfItem.findOne({ where: { id: itemId, shopId: me.shopId }, transaction });
        if (!item) throw notFound("item");
        const known = await db.ShelfLot.findByPk(id, { transaction });
        if (known && known.itemId !== itemId) throw notFound("lot");
        if (known) return { code: known.code };
        const last = await db.ShelfLot.findOne({
          where: { shopId: me.shopId },
          order: [["code", "DESC"]],
          transaction,
        });
        const code = (last?.code ?? 0) + 1;
        await db.ShelfLot.create({ id, shopId: me.shopId, itemId, code }, { transaction });
        await write(
          { id: randomUUID(), lotId: id, at: now, said: { kind: "facts", facts, why: "" } },
          transaction,
        );
        for (const [part, amount] of Object.entries(came) as [Part, number][])
          await write(
            { id: randomUUID(), lotId: id, at: now, said: { kind: "came", part, amount } },
            transaction,
          );
        return { code };
      });
    },
    /** Adds an entry to a lot's book; one that is there already is left as it is. */
    async tell(id: string, lotId: string, said: StockSaid, now: Date): Promise<void> {
      await lotRow(lotId);
      const known = await db.StockEntry.findByPk(id);
      if (known && known.lotId !== lotId) throw notFound("entry");
      if (known) return;
      if (said.kind === "corrected") {
        const corrected = await db.StockEntry.findOne({ where: { id: said.entryId, lotId } });
        if (
          !corrected ||
          !("amount" in (jsonOf(corrected.detail) as object)) ||
          corrected.kind === "corrected"
        )
          throw notFound("entry");
      }
      await writeOnce(() => write({ id, lotId, at: now, said }));
    },
    /** Pours whose weighings are not in the book yet, by the sequence of their last entry that matters. */
    async poursToBook(since: Date): Promise<{ pourId: string; upTo: string }[]> {
      const [rows] = await db.sequelize.query(
        `SELECT e.pour_id AS pourId, CAST(MAX(e.sequence) AS CHAR) AS upTo
           FROM pour_events e JOIN pours p ON p.id = e.pour_id
           LEFT JOIN booked_pours b ON b.pour_id = e.pour_id
          WHERE p.shop_id = ? AND e.kind IN ('weighed', 'lot') AND e.sequence > COALESCE(b.up_to, 0)
          GROUP BY e.pour_id HAVING MAX(e.at) >= ?`,
        { replacements: [me.shopId, since] },
      );
      return rows as { pourId: string; upTo: string }[];
    },
    /** Writes what a pour took, and what of it is in nobody's book. */
    async book(
      pourId: string,
      upTo: string,
      bookings: readonly Booking[],
      unplaced: readonly Unplaced[],
    ): Promise<void> {
      await inTransaction(db, async (transaction) => {
        const pour = await db.Pour.findOne({
          where: { id: pourId, shopId: me.shopId },
          attributes: ["id"],
          transaction,
          lock: true,
        });
        if (!pour) throw notFound("pour");
        const before = await db.BookedPour.findByPk(pourId, { transaction });
        // Two screens asked at the same time: the first one has written it.
        if (before && BigInt(before.upTo) >= BigInt(upTo)) return;
        for (const { lotId, part, amount, at, from } of bookings)
          await write(
            {
              id: randomUUID(),
              lotId,
              at: new Date(at),
              said: { kind: "took", part, amount, what: "poured", why: "" },
              from,
            },
            transaction,
          );
        await db.BookedPour.upsert({ pourId, upTo, unplaced: [...unplaced] }, { transaction });
      });
    },
    /** What was weighed and is in nobody's book. */
    async unplaced(): Promise<UnplacedOfPour[]> {
      const [rows] = await db.sequelize.query(
        `SELECT b.unplaced AS unplaced, j.name AS jobName FROM booked_pours b
           JOIN pours p ON p.id = b.pour_id JOIN jobs j ON j.id = p.job_id
          WHERE p.shop_id = ? AND JSON_LENGTH(b.unplaced) > 0 ORDER BY p.started_at DESC`,
        { replacements: [me.shopId] },
      );
      return (rows as { unplaced: Record<string, unknown> | string; jobName: string }[]).flatMap(
        ({ unplaced, jobName }) => (jsonOf(unplaced) as Unplaced[]).map((one) => ({ ...one, jobName })),
      );
    },
    /** Says of which lot something was weighed that is in nobody's book. */
    async place(lotId: string, from: PourLine): Promise<void> {
      const lot = await lotRow(lotId);
      const pour = await db.Pour.count({ where: { id: from.pourId, shopId: me.shopId } });
      if (pour === 0) throw notFound("pour");
      await inTransaction(db, async (transaction) => {
        const row = await db.BookedPour.findByPk(from.pourId, { transaction, lock: true });
        const waiting = row ? (jsonOf(row.unplaced as string) as Unplaced[]) : [];
        const found = waiting.find((one) => one.from.stepId === from.stepId && one.from.line === from.line);
        if (!row || !found || found.itemId !== lot.itemId) throw notFound("weighing");
        const { part, grams: amount, at } = found.weighed;
        const said: StockSaid = { kind: "took", part, amount, what: "poured", why: "" };
        await write({ id: randomUUID(), lotId, at: new Date(at), said, from }, transaction);
        await row.update({ unplaced: waiting.filter((one) => one !== found) }, { transaction });
      });
    },
    /** The jobs of pours and the pieces that were poured, for what is in which piece. */
    async poursNamed(pourIds: readonly string[]): Promise<PourNamed[]> {
      if (pourIds.length === 0) return [];
      const [rows] = await db.sequelize.query(
        `SELECT p.id AS pourId, p.job_id AS jobId, j.name AS jobName, p.started_at AS startedAt,
                JSON_EXTRACT(p.plan, '$.document.pieces[*].name') AS pieces
           FROM pours p JOIN jobs j ON j.id = p.job_id
          WHERE p.shop_id = ? AND p.id IN (?) ORDER BY p.started_at DESC`,
        { replacements: [me.shopId, [...new Set(pourIds)]] },
      );
      return (
        rows as {
          pourId: string;
          jobId: string;
          jobName: string;
          startedAt: Date | string;
          pieces: string | null;
        }[]
      ).map(({ startedAt, pieces, ...row }) => ({
        ...row,
        startedAt: new Date(startedAt).toISOString(),
        pieces: pieces === null ? [] : (jsonOf(pieces) as string[]),
      }));
    },
  };
}
