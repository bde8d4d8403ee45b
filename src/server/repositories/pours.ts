import type { PourEvent } from "@/core/pour/pour-events";
import { literal, Op, type WhereOptions } from "sequelize";
import type { Person } from "@/contracts/people";
import {
  readPourEvent,
  readPourPlan,
  type Pour,
  type PourHead,
  type PourNews,
  type PourPlan,
  type Pours,
  type StoredEvent,
} from "@/contracts/pours";
import { serverNowMs } from "@/contracts/server-now";
import { jsonOf, type Database } from "../database";
import type { PourEventRow, PourRow } from "../models/pour";
import { inTurns } from "../in-turns";
import { MOST_ENTRIES, MOST_LIVE } from "./pour-limits";
import { recordingOf } from "./pour-recording";
import { keepDocument, keptDocument } from "../kept-documents";
import { notFound, Refused } from "../refused";

const MOST_FINISHED = 60;

/** What is read of pours and their plans for one page: more is told, not read. */
const MOST_PLAN_BYTES = 4_000_000;
const MOST_EVENTS_READ = 20_000;

const storedEvent = (row: PourEventRow): StoredEvent => ({
  id: row.id,
  kind: row.kind,
  at: row.at.toISOString(),
  by: row.recordedBy,
  detail: jsonOf(row.detail) as Record<string, unknown>,
});

/** The pours of the signed-in person's shop. */
export function poursOf(db: Database, me: Person) {
  const rowOf = async (pourId: string) => {
    const row = await db.Pour.findOne({ where: { id: pourId, shopId: me.shopId }, attributes: ["id"] });
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
  const eventsOf = async (ids: readonly string[]): Promise<Map<string, StoredEvent[]>> => {
    const events =
      ids.length === 0
        ? []
        : await db.PourEvent.findAll({
            where: { pourId: [...ids] },
            order: [
              ["at", "ASC"],
              ["sequence", "ASC"],
            ],
          });
    const byPour = new Map<string, StoredEvent[]>(ids.map((id) => [id, []]));
    for (const row of events) byPour.get(row.pourId)?.push(storedEvent(row));
    return byPour;
  };
  /** Pours with all that was recorded; those whose plan cannot be read apart. `bytes` of their plans, where they were asked for. */
  const withEvents = async (
    asked: readonly { id: string; bytes: number | null }[],
    more = 0,
  ): Promise<Pours> => {
    const plans = new Map<string, PourPlan | null>();
    for (const { id, bytes } of asked) {
      const known = bytes === null ? undefined : keptDocument<PourPlan>(id, bytes);
      if (known) plans.set(id, known);
    }
    const ids = asked.map(({ id }) => id);
    const where = (of: readonly string[]) => ({ id: [...of], shopId: me.shopId });
    const rows = await db.Pour.findAll({
      where: where(ids),
      attributes: { exclude: ["plan"] },
      order: [["startedAt", "DESC"]],
    });
    const unknown = ids.filter((id) => !plans.has(id));
    const stored =
      unknown.length === 0
        ? []
        : await db.Pour.findAll({ where: where(unknown), attributes: ["id", "plan"] });
    await inTurns(stored, (row) => {
      const plan = readPourPlan(jsonOf(row.plan));
      plans.set(row.id, plan);
      const bytes = asked.find(({ id }) => id === row.id)?.bytes ?? null;
      if (plan && bytes !== null) keepDocument(row.id, bytes, plan);
    });
    const heads = await headsOf(rows);
    const events = await eventsOf(ids);
    const pours: Pour[] = [];
    const unreadable: PourHead[] = [];
    await inTurns(rows, (row) => {
      const head = heads.get(row.id) as PourHead;
      const plan = plans.get(row.id);
      const ofPour = (events.get(row.id) ?? []).map(readPourEvent);
      if (plan && ofPour.every((event) => event !== null))
        pours.push({ ...head, jobRevision: row.jobRevision, plan, events: ofPour });
      else unreadable.push(head);
    });
    return { pours, unreadable, more };
  };
  /** Heads of pours with the bytes of their plans and the number of their entries. */
  const measured = async (where: WhereOptions<PourRow>, limit: number) => {
    const { rows, count } = await db.Pour.findAndCountAll({
      where: { ...(where as object), shopId: me.shopId },
      attributes: [
        "id",
        "jobId",
        "startedAt",
        "startedBy",
        "finishedAt",
        [literal("OCTET_LENGTH(plan)"), "bytes"],
      ],
      order: [["startedAt", "DESC"]],
      limit,
    });
    const counts = await db.PourEvent.count({
      where: { pourId: rows.map(({ id }) => id) },
      group: ["pour_id"],
      attributes: ["pour_id"],
    });
    const entries = new Map(counts.map((row) => [String(row["pour_id"]), row.count]));
    return {
      rows: rows.map((row) => ({
        row,
        bytes: Number(row.get("bytes")),
        entries: entries.get(row.id) ?? 0,
      })),
      more: count - rows.length,
    };
  };
  const listed = async (where: WhereOptions<PourRow>, limit: number): Promise<Pours> => {
    const { rows, more } = await measured(where, limit);
    let [bytes, entries] = [0, 0];
    const taken = rows.filter((row) => {
      bytes += row.bytes;
      entries += row.entries;
      return bytes <= MOST_PLAN_BYTES && entries <= MOST_EVENTS_READ;
    });
    return withEvents(
      taken.map(({ row, bytes: size }) => ({ id: row.id, bytes: size })),
      more + rows.length - taken.length,
    );
  };
  return {
    /** Of every pour, the oldest first. */
    async ids(): Promise<string[]> {
      const rows = await db.Pour.findAll({
        where: { shopId: me.shopId },
        attributes: ["id"],
        order: [
          ["startedAt", "ASC"],
          ["id", "ASC"],
        ],
      });
      return rows.map(({ id }) => id);
    },
    async open(pourId: string): Promise<Pour> {
      const { pours } = await withEvents([{ id: (await rowOf(pourId)).id, bytes: null }]);
      if (pours[0]) return pours[0];
      throw new Refused({
        code: "unreadable",
        message: "What this pour was started from cannot be read any more. It is kept as it is.",
      });
    },
    /** The pours of a job, the newest first. */
    ofJob: (jobId: string): Promise<Pours> => listed({ jobId }, MOST_FINISHED),
    /** The same without what they were started from and what was recorded. */
    async headsOfJob(jobId: string): Promise<PourHead[]> {
      const rows = await db.Pour.findAll({
        where: { jobId, shopId: me.shopId },
        attributes: ["id", "jobId", "startedAt", "startedBy", "finishedAt"],
        order: [["startedAt", "DESC"]],
      });
      return [...(await headsOf(rows)).values()];
    },
    /** What was recorded of the pours of a job, without what they were started from; entries that this program does not know are passed over. */
    async entriesOfJob(jobId: string): Promise<{ events: PourEvent[] }[]> {
      const rows = await db.Pour.findAll({ where: { jobId, shopId: me.shopId }, attributes: ["id"] });
      const events = await eventsOf(rows.map(({ id }) => id));
      return [...events.values()].map((entries) => ({
        events: entries.flatMap((entry) => readPourEvent(entry) ?? []),
      }));
    },
    /** Whether anything was looked at on the pieces of these pours. */
    async isInspected(pourIds: readonly string[]): Promise<boolean> {
      if (pourIds.length === 0) return false;
      const where = { pourId: [...pourIds], kind: ["looked", "pin", "comb"] };
      return (await db.PourEvent.findOne({ where, attributes: ["id"] })) !== null;
    },
    /** Pours that are not finished, with what was recorded but without what they were started from. */
    async liveEvents(): Promise<{ head: PourHead; events: StoredEvent[] }[]> {
      const { rows } = await measured({ finishedAt: null }, MOST_LIVE);
      const heads = await headsOf(rows.map(({ row }) => row));
      let entries = 0;
      const taken = rows.filter((row) => (entries += row.entries) <= MOST_EVENTS_READ);
      const events = await eventsOf(taken.map(({ row }) => row.id));
      return taken.map(({ row: { id } }) => ({
        head: heads.get(id) as PourHead,
        events: events.get(id) ?? [],
      }));
    },
    /** What a pour was started from, as the text that is stored. */
    async planText(pourId: string): Promise<string> {
      const [rows] = await db.sequelize.query(
        "SELECT CAST(plan AS CHAR) AS plan FROM pours WHERE id = ? AND shop_id = ?",
        {
          replacements: [pourId, me.shopId],
        },
      );
      const [row] = rows as { plan: string | object }[];
      if (!row) throw notFound("pour");
      return typeof row.plan === "string" ? row.plan : JSON.stringify(row.plan);
    },
    /** Pours that are not finished: what may be wet now. */
    live: (): Promise<Pours> => listed({ finishedAt: null }, MOST_LIVE),
    /** Pours that were finished since a moment: what may still be hardening. */
    finishedSince: (since: Date): Promise<Pours> => listed({ finishedAt: { [Op.gt]: since } }, MOST_FINISHED),
    /**
     * What was recorded of a pour after the entry of a number, in the order in which it came. Entries of one pour are numbered one after the other as
     * they are stored: none comes later with a lower number.
     */
    async since(pourId: string, after: string): Promise<PourNews> {
      await rowOf(pourId);
      const rows = await db.PourEvent.findAll({
        where: { pourId, sequence: { [Op.gt]: after } },
        order: [["sequence", "ASC"]],
        limit: MOST_ENTRIES,
      });
      return {
        events: rows.flatMap((row) => readPourEvent(storedEvent(row)) ?? []),
        last: String(rows.at(-1)?.sequence ?? after),
        now: new Date(serverNowMs()).toISOString(),
      };
    },
    ...recordingOf(db, me),
  };
}
