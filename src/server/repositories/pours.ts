import { Op, type WhereOptions } from "sequelize";
import { jobDocumentSchema } from "@/contracts/job-document";
import type { Person } from "@/contracts/people";
import {
  pourEventSchema,
  type Pour,
  type PourHead,
  type PourPlan,
  type Pours,
} from "@/contracts/pours";
import { PLAIN_CARD } from "@/contracts/resin-card";
import type { ResinCard } from "@/core/cure/resin-card";
import type { PourEvent } from "@/core/plan/pour";
import { jsonOf, type Database } from "../database";
import type { PourEventRow, PourRow } from "../models/pour";
import { withinReason } from "../moments";
import { notFound, Refused } from "../refused";
import { inTransaction } from "../transaction";

/** Pours that are looked at together, at most; how many more there are is told. */
const MOST_LIVE = 40;
const MOST_FINISHED = 60;

/** An entry as it was recorded; null for one of a kind that this program does not know. */
function eventOf(row: PourEventRow): PourEvent | null {
  const detail = jsonOf(row.detail) as Record<string, unknown>;
  const read = pourEventSchema.safeParse({ ...detail, id: row.id, kind: row.kind, at: row.at.toISOString() });
  return read.success ? read.data : null;
}

function planOf(row: PourRow): PourPlan | null {
  const plan = jsonOf(row.plan) as { document?: unknown; cards?: ResinCard[] };
  const document = jobDocumentSchema.safeParse(plan.document);
  if (!document.success || !Array.isArray(plan.cards)) return null;
  // Pours that were started before cards had fillers, kits, limits and tests.
  return { document: document.data, cards: plan.cards.map((card) => ({ ...PLAIN_CARD, ...card })) };
}

/** The pours of the signed-in person's shop. */
export function poursOf(db: Database, me: Person) {
  const own = async (pourId: string) => {
    const row = await db.Pour.findOne({ where: { id: pourId, shopId: me.shopId } });
    if (!row) throw notFound("pour");
    return row;
  };
  const headsOf = async (rows: readonly PourRow[]): Promise<Map<string, PourHead>> => {
    const jobs =
      rows.length === 0
        ? []
        : await db.Job.findAll({
            where: { id: rows.map((row) => row.jobId), shopId: me.shopId },
            attributes: ["id", "name"],
          });
    const names = new Map(jobs.map((job) => [job.id, job.name]));
    return new Map(
      rows.map((row) => [
        row.id,
        {
          id: row.id,
          jobId: row.jobId,
          jobName: names.get(row.jobId) ?? "",
          startedAt: row.startedAt.toISOString(),
          startedBy: row.startedBy,
          finishedAt: row.finishedAt?.toISOString() ?? null,
        },
      ]),
    );
  };
  /** Pours with all that was recorded; those whose plan cannot be read apart. */
  const withEvents = async (rows: readonly PourRow[], more = 0): Promise<Pours> => {
    const heads = await headsOf(rows);
    const events =
      rows.length === 0
        ? []
        : await db.PourEvent.findAll({
            where: { pourId: rows.map((row) => row.id) },
            order: [
              ["at", "ASC"],
              ["sequence", "ASC"],
            ],
          });
    const pours: Pour[] = [];
    const unreadable: PourHead[] = [];
    for (const row of rows) {
      const head = heads.get(row.id) as PourHead;
      const plan = planOf(row);
      const own = events.filter((event) => event.pourId === row.id).map(eventOf);
      if (plan && own.every((event) => event !== null))
        pours.push({ ...head, jobRevision: row.jobRevision, plan, events: own });
      else unreadable.push(head);
    }
    return { pours, unreadable, more };
  };
  const listed = async (where: WhereOptions<PourRow>, limit: number): Promise<Pours> => {
    const { rows, count } = await db.Pour.findAndCountAll({
      where: { ...(where as object), shopId: me.shopId },
      order: [["startedAt", "DESC"]],
      limit,
    });
    return withEvents(rows, count - rows.length);
  };
  return {
    async open(pourId: string): Promise<Pour> {
      const { pours } = await withEvents([await own(pourId)]);
      if (pours[0]) return pours[0];
      throw new Refused({
        code: "unreadable",
        message: "What this pour was started from cannot be read any more. It is kept as it is.",
      });
    },
    /** All pours of a job, the newest first. */
    async ofJob(jobId: string): Promise<Pours> {
      return withEvents(
        await db.Pour.findAll({ where: { jobId, shopId: me.shopId }, order: [["startedAt", "DESC"]] }),
      );
    },
    /** The same without what they were started from and what was recorded. */
    async headsOfJob(jobId: string): Promise<PourHead[]> {
      const rows = await db.Pour.findAll({
        where: { jobId, shopId: me.shopId },
        attributes: ["id", "jobId", "startedAt", "startedBy", "finishedAt"],
        order: [["startedAt", "DESC"]],
      });
      return [...(await headsOf(rows)).values()];
    },
    /** Pours that are not finished: what may be wet now. */
    live: (): Promise<Pours> => listed({ finishedAt: null }, MOST_LIVE),
    /** Pours that were finished since a moment: what may still be hardening. */
    finishedSince: (since: Date): Promise<Pours> =>
      listed({ finishedAt: { [Op.gt]: since } }, MOST_FINISHED),
    /**
     * Starts a pour of a job as it stands at `revision`, and marks the job. Asked for again, or several times at once, it is one pour.
     * @throws Refused where the job has changed since, or another pour has this id
     */
    async start(pour: {
      id: string;
      jobId: string;
      jobRevision: number;
      at: Date;
      plan: PourPlan;
    }): Promise<void> {
      const startedAt = withinReason(pour.at, "this pour was started");
      await inTransaction(db, async (transaction) => {
        const job = await db.Job.findOne({
          where: { id: pour.jobId, shopId: me.shopId },
          transaction,
          lock: true,
        });
        if (!job) throw notFound("job");
        const known = await db.Pour.findByPk(pour.id, { transaction });
        if (known && (known.shopId !== me.shopId || known.jobId !== pour.jobId)) throw notFound("pour");
        if (known) return;
        if (job.revision !== pour.jobRevision)
          throw new Refused({
            code: "conflict",
            message: "The plan changed meanwhile. Look at it again, then start.",
          });
        await db.Pour.create(
          {
            id: pour.id,
            shopId: me.shopId,
            jobId: pour.jobId,
            jobRevision: pour.jobRevision,
            plan: pour.plan as unknown as Record<string, unknown>,
            startedBy: me.name,
            startedAt,
            finishedAt: null,
          },
          { transaction },
        );
        await job.update({ status: "pouring" }, { transaction });
      });
    },
    /** Whether this pour is there already: a start sent twice is one start. */
    async isStarted(pourId: string, jobId: string): Promise<boolean> {
      return (await db.Pour.count({ where: { id: pourId, jobId, shopId: me.shopId } })) > 0;
    },
    /**
     * Adds entries in the order in which they come; those already there are left as they are. With a finish the job cures.
     * @returns the ids that are on disk now: all of them, or it throws and none is
     */
    async record(pourId: string, events: readonly PourEvent[]): Promise<string[]> {
      const ids = events.map((event) => event.id);
      return inTransaction(db, async (transaction) => {
        const pour = await db.Pour.findOne({
          where: { id: pourId, shopId: me.shopId },
          attributes: ["id", "jobId", "finishedAt"],
          transaction,
          lock: true,
        });
        if (!pour) throw notFound("pour");
        const known = await db.PourEvent.findAll({ where: { id: ids }, attributes: ["id", "pourId"], transaction });
        if (known.some((event) => event.pourId !== pourId))
          throw new Refused({ code: "invalid", message: "One of these entries belongs to another pour." });
        const there = new Set(known.map((event) => event.id));
        for (const { id, kind, at, ...detail } of events) {
          if (there.has(id)) continue;
          there.add(id);
          await db.PourEvent.create(
            {
              id,
              pourId,
              kind,
              at: withinReason(new Date(at), "this was done"),
              detail: detail as Record<string, unknown>,
              recordedBy: me.name,
            },
            { transaction },
          );
        }
        const finish = events.find((event) => event.kind === "finish");
        if (finish && pour.finishedAt === null) {
          await db.Pour.update({ finishedAt: new Date(finish.at) }, { where: { id: pourId }, transaction });
          await db.Job.update({ status: "curing" }, { where: { id: pour.jobId }, transaction });
        }
        const stored = await db.PourEvent.findAll({ where: { id: ids, pourId }, attributes: ["id"], order: [["sequence", "ASC"]], transaction });
        return stored.map((event) => event.id);
      });
    },
  };
}
