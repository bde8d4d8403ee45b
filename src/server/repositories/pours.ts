import { Op } from "sequelize";
import { jobDocumentSchema } from "@/contracts/job-document";
import type { Person } from "@/contracts/people";
import { pourEventSchema, type Pour, type PourPlan } from "@/contracts/pours";
import { PLAIN_CARD } from "@/contracts/resin-card";
import type { ResinCard } from "@/core/cure/resin-card";
import type { PourEvent } from "@/core/plan/pour";
import { jsonOf, type Database } from "../database";
import type { PourEventRow, PourRow } from "../models/pour";
import { notFound, Refused } from "../refused";

function eventOf(row: PourEventRow): PourEvent {
  const detail = jsonOf(row.detail) as Record<string, unknown>;
  return pourEventSchema.parse({ ...detail, id: row.id, kind: row.kind, at: row.at.toISOString() });
}

function planOf(row: PourRow): PourPlan {
  const plan = jsonOf(row.plan) as { document: unknown; cards: ResinCard[] };
  // Pours that were started before cards had fillers, kits, limits and tests.
  const cards = plan.cards.map((card) => ({ ...PLAIN_CARD, ...card }));
  return { document: jobDocumentSchema.parse(plan.document), cards };
}

/** The pours of the signed-in person's shop. */
export function poursOf(db: Database, me: Person) {
  const own = async (pourId: string) => {
    const row = await db.Pour.findOne({ where: { id: pourId, shopId: me.shopId } });
    if (!row) throw notFound("pour");
    return row;
  };
  const withEvents = async (rows: readonly PourRow[]): Promise<Pour[]> => {
    const ids = rows.map((row) => row.id);
    const events =
      ids.length === 0 ? [] : await db.PourEvent.findAll({ where: { pourId: ids }, order: [["at", "ASC"]] });
    const jobs =
      ids.length === 0
        ? []
        : await db.Job.findAll({ where: { id: rows.map((row) => row.jobId), shopId: me.shopId } });
    const names = new Map(jobs.map((job) => [job.id, job.name]));
    return rows.map((row) => ({
      id: row.id,
      jobId: row.jobId,
      jobName: names.get(row.jobId) ?? "",
      jobRevision: row.jobRevision,
      startedAt: row.startedAt.toISOString(),
      startedBy: row.startedBy,
      finishedAt: row.finishedAt?.toISOString() ?? null,
      plan: planOf(row),
      events: events.filter((event) => event.pourId === row.id).map(eventOf),
    }));
  };
  return {
    async open(pourId: string): Promise<Pour> {
      const [pour] = await withEvents([await own(pourId)]);
      if (!pour) throw notFound("pour");
      return pour;
    },
    async ofJob(jobId: string): Promise<Pour[]> {
      return withEvents(
        await db.Pour.findAll({ where: { jobId, shopId: me.shopId }, order: [["startedAt", "DESC"]] }),
      );
    },
    /** Pours that are not finished: what may be wet now. */
    async live(): Promise<Pour[]> {
      return withEvents(
        await db.Pour.findAll({
          where: { shopId: me.shopId, finishedAt: null },
          order: [["startedAt", "DESC"]],
          limit: 12,
        }),
      );
    },
    /** Pours that were finished since a moment: what may still be hardening. */
    async finishedSince(since: Date): Promise<Pour[]> {
      return withEvents(
        await db.Pour.findAll({
          where: { shopId: me.shopId, finishedAt: { [Op.gt]: since } },
          order: [["startedAt", "DESC"]],
          limit: 24,
        }),
      );
    },
    /** Whether this pour is there already: a start sent twice is one start. */
    async isStarted(pourId: string, jobId: string): Promise<boolean> {
      const known = await db.Pour.findByPk(pourId);
      if (known && (known.shopId !== me.shopId || known.jobId !== jobId)) throw notFound("pour");
      return known !== null;
    },
    async start(pour: {
      id: string;
      jobId: string;
      jobRevision: number;
      at: Date;
      plan: PourPlan;
    }): Promise<void> {
      const plan = pour.plan as unknown as Record<string, unknown>;
      await db.Pour.create({
        id: pour.id,
        shopId: me.shopId,
        jobId: pour.jobId,
        jobRevision: pour.jobRevision,
        plan,
        startedBy: me.name,
        startedAt: pour.at,
        finishedAt: null,
      });
    },
    /** Adds events; those already there are left as they are. Returns only once they are on disk. */
    async record(pourId: string, events: readonly PourEvent[]): Promise<string[]> {
      const pour = await own(pourId);
      const ids = events.map((event) => event.id);
      await db.sequelize.transaction(async (transaction) => {
        const foreign = await db.PourEvent.count({
          where: { id: ids, pourId: { [Op.ne]: pourId } },
          transaction,
        });
        if (foreign > 0)
          throw new Refused({ code: "invalid", message: "One of these entries belongs to another pour." });
        const rows = events.map(({ id, kind, at, ...detail }) => ({
          id,
          pourId,
          kind,
          at: new Date(at),
          detail: detail as Record<string, unknown>,
          recordedBy: me.name,
        }));
        await db.PourEvent.bulkCreate(rows, { ignoreDuplicates: true, transaction });
        const finish = events.find((event) => event.kind === "finish");
        if (finish && pour.finishedAt === null)
          await pour.update({ finishedAt: new Date(finish.at) }, { transaction });
      });
      return ids;
    },
  };
}
