import { Op, type Transaction } from "sequelize";
import type { Person } from "@/contracts/people";
import { quoteSchema, type KeptQuote, type QuoteSaid } from "@/contracts/quotes";
import type { Quote, QuoteEntry } from "@/core/money/quote";
import { jsonOf, type Database } from "../database";
import type { QuoteEntryRow, QuoteRow } from "../models/quote";
import { notFound, Refused } from "../refused";
import { inTransaction } from "../transaction";
import { jobsOf } from "./jobs";

const entryOf = ({ id, at, recordedBy, words, kind, lookId }: QuoteEntryRow): QuoteEntry => {
  const told = { id, at: at.toISOString(), by: recordedBy, words };
  return kind === "accepted" ? { ...told, kind, lookId: lookId ?? "" } : { ...told, kind };
};

/** The quotes of the signed-in person's shop. */
export function quotesOf(db: Database, me: Person) {
  /** With what became of them, the latest first; what this program cannot read any more is left where it is. */
  const read = async (rows: readonly QuoteRow[]): Promise<KeptQuote[]> => {
    const entries = await db.QuoteEntry.findAll({
      where: { quoteId: rows.map(({ id }) => id) },
      order: [["sequence", "ASC"]],
    });
    return rows.flatMap((row) => {
      const quote = quoteSchema.safeParse(jsonOf(row.quote));
      if (!quote.success) return [];
      const { id, jobId, year, number, madeBy, at } = row;
      return [
        {
          id,
          jobId,
          year,
          number,
          by: madeBy,
          at: at.toISOString(),
          quote: quote.data as Quote,
          entries: entries.filter(({ quoteId }) => quoteId === id).map(entryOf),
        },
      ];
    });
  };
  const newestFirst = [
    ["year", "DESC"],
    ["number", "DESC"],
  ] as [string, string][];
  const picturesAreOurs = async (quote: Quote, transaction: Transaction): Promise<void> => {
    const ids = [...new Set(quote.looks.flatMap(({ pictureId }) => pictureId ?? []))];
    if ((await db.Picture.count({ where: { id: ids, shopId: me.shopId }, transaction })) < ids.length)
      throw notFound("picture");
  };
  return {
    async ofJob(jobId: string): Promise<KeptQuote[]> {
      await jobsOf(db, me).isThere(jobId);
      return read(await db.Quote.findAll({ where: { jobId, shopId: me.shopId }, order: newestFirst }));
    },
    async list(): Promise<KeptQuote[]> {
      return read(await db.Quote.findAll({ where: { shopId: me.shopId }, order: newestFirst }));
    },
    /** Of these jobs, those that are deleted: their quotes stay in the list, and lead nowhere. */
    async withoutJob(jobIds: readonly string[]): Promise<ReadonlySet<string>> {
      const rows = await db.Job.findAll({
        where: { id: [...jobIds], shopId: me.shopId, removedAt: { [Op.ne]: null } },
        attributes: ["id"],
      });
      return new Set(rows.map(({ id }) => id));
    },
    async one(quoteId: string): Promise<KeptQuote> {
      const [kept] = await read(await db.Quote.findAll({ where: { id: quoteId, shopId: me.shopId } }));
      if (!kept) throw notFound("quote");
      return kept;
    },
    /** Gives it the next number of the year; one that is there already keeps its own. */
    make: (id: string, jobId: string, quote: Quote, year: number, now: Date): Promise<void> =>
      inTransaction(db, async (transaction) => {
        // One after the other: a number is given once, and none is left out.
        await db.Shop.findByPk(me.shopId, { attributes: ["id"], transaction, lock: true });
        const known = await db.Quote.findByPk(id, { transaction });
        if (known && known.shopId !== me.shopId) throw notFound("quote");
        if (known) return;
        await jobsOf(db, me).isThere(jobId);
        await picturesAreOurs(quote, transaction);
        const last = await db.Quote.max<number | null, QuoteRow>("number", {
          where: { shopId: me.shopId, year },
          transaction,
        });
        await db.Quote.create(
          {
            id,
            shopId: me.shopId,
            jobId,
            year,
            number: (last ?? 0) + 1,
            quote: quote as unknown as Record<string, unknown>,
            madeBy: me.name,
            at: now,
          },
          { transaction },
        );
      }),
    /** Adds what became of it; the same one twice is one. Accepted, its look is put on top of the job, and the job is approved. */
    tell: (id: string, quoteId: string, said: QuoteSaid, now: Date): Promise<void> =>
      inTransaction(db, async (transaction) => {
        const row = await db.Quote.findOne({
          where: { id: quoteId, shopId: me.shopId },
          transaction,
          lock: true,
        });
        if (!row) throw notFound("quote");
        const known = await db.QuoteEntry.findByPk(id, { transaction });
        if (known && known.quoteId !== quoteId) throw notFound("quote");
        if (known) return;
        const [kept] = await read([row]);
        if (!kept)
          throw new Refused({ code: "unreadable", message: "This quote cannot be read by this version." });
        const lookId = said.kind === "accepted" ? said.lookId : null;
        if (lookId !== null) {
          const look = kept.quote.looks.find((one) => one.id === lookId);
          if (!look) throw notFound("look of this quote");
          await jobsOf(db, me).approveAs(row.jobId, look.document, transaction);
        }
        await db.QuoteEntry.create(
          { id, quoteId, kind: said.kind, lookId, words: said.words, recordedBy: me.name, at: now },
          { transaction },
        );
      }),
  };
}
