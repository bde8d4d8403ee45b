import { randomUUID } from "node:crypto";
import { Op } from "sequelize";
import type { Person } from "@/contracts/people";
import type { PourPlan } from "@/contracts/pours";
import { POURED_BEFORE } from "@/core/pour/poured-before";
import type { PourEvent } from "@/core/pour/pour-events";
import { jsonOf, type Database } from "../database";
import { isWithinReason, withinReason } from "../moments";
import { notFound, Refused } from "../refused";
import { inTransaction } from "../transaction";
import { MOST_ENTRIES, MOST_LIVE } from "./pour-limits";

/** A pour that was begun longer ago was left open; the room is no part of it any more. */
const ROOM_FOR_MS = 7 * 86_400_000;
/** A reading that differs less from the one before it, and is not so much later, says nothing new. */
const ROOM_EVERY_MS = 15 * 60_000;
const ROOM_MOVED_K = 0.5;
const ROOM_MOVED_PCT = 5;

type RoomSaid = {
  at: string;
  tempC: number;
  humidityPct: number | null;
  surfaceC?: number | null | undefined;
};

/** How pours of the signed-in person's shop are started, and what happens at them is recorded. */
export function recordingOf(db: Database, me: Person) {
  return {
    /**
     * Starts a pour of a job as it stands at `jobRevision`, and marks the job; one that was `begun` already, without the server, goes by its own plan
     * whatever the job has become. Asked for again, or several times at once, it is one pour.
     * @throws Refused where the job has changed since, or another pour has this id
     */
    async start(pour: {
      id: string;
      jobId: string;
      jobRevision: number;
      at: Date;
      plan: PourPlan;
      begun?: true;
      /** Coats that were poured before. */
      leaveOut?: readonly string[];
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
        if (!pour.begun && job.revision !== pour.jobRevision)
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
        for (const coatId of pour.leaveOut ?? [])
          await db.PourEvent.create(
            {
              id: randomUUID(),
              pourId: pour.id,
              kind: "drop-coat",
              at: startedAt,
              detail: { coatId, why: POURED_BEFORE, over: null },
              recordedBy: me.name,
            },
            { transaction },
          );
        await job.update({ status: "pouring" }, { transaction });
      });
    },
    /** The room was read: live pours go by it. Of readings that say nearly the same one in a quarter of an hour is an entry. */
    async roomRead({ at, tempC, humidityPct, surfaceC }: RoomSaid): Promise<void> {
      const moment = new Date(at);
      const live = await db.Pour.findAll({
        where: {
          shopId: me.shopId,
          finishedAt: null,
          startedAt: { [Op.gt]: new Date(moment.getTime() - ROOM_FOR_MS), [Op.lte]: moment },
        },
        attributes: ["id"],
        limit: MOST_LIVE,
      });
      for (const { id: pourId } of live) {
        const last = await db.PourEvent.findOne({
          where: { pourId, kind: "room", at: { [Op.lte]: moment } },
          order: [["at", "DESC"]],
        });
        const before = last && (jsonOf(last.detail) as { tempC: number; humidityPct: number | null });
        const same =
          before &&
          moment.getTime() - last.at.getTime() < ROOM_EVERY_MS &&
          Math.abs(before.tempC - tempC) < ROOM_MOVED_K &&
          Math.abs((before.humidityPct ?? 0) - (humidityPct ?? 0)) < ROOM_MOVED_PCT;
        if (same) continue;
        const event = { id: randomUUID(), at, kind: "room", tempC, humidityPct } as const;
        await this.record(pourId, [
          surfaceC === null || surfaceC === undefined ? event : { ...event, surfaceC },
        ]);
      }
    },
    /** Whether this pour is there already: a start sent twice is one start. */
    async isStarted(pourId: string, jobId: string): Promise<boolean> {
      return (await db.Pour.count({ where: { id: pourId, jobId, shopId: me.shopId } })) > 0;
    },
    /**
     * Adds entries in the order in which they come; those already there are left as they are. With a finish the job cures; called off, it is planned again.
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
        const known = await db.PourEvent.findAll({
          where: { id: ids },
          attributes: ["id", "pourId"],
          transaction,
        });
        if (known.some((event) => event.pourId !== pourId))
          throw new Refused({ code: "invalid", message: "One of these entries belongs to another pour." });
        const there = new Set(known.map((event) => event.id));
        const recorded = await db.PourEvent.count({ where: { pourId }, transaction });
        if (recorded + ids.length - there.size > MOST_ENTRIES)
          throw new Refused({
            code: "invalid",
            message: `A pour holds ${MOST_ENTRIES} entries. Finish this one and start another.`,
          });
        const now = new Date();
        // A device whose clock cannot be right loses no entry: the server's time stands for it, its own is kept beside.
        const believed = (at: string) => (isWithinReason(new Date(at), now) ? new Date(at) : now);
        for (const { id, kind, at, ...detail } of events) {
          if (there.has(id)) continue;
          there.add(id);
          const moment = believed(at);
          await db.PourEvent.create(
            {
              id,
              pourId,
              kind,
              at: moment,
              detail: moment === now ? { ...detail, deviceAt: at } : { ...detail },
              recordedBy: me.name,
            },
            { transaction },
          );
        }
        const end = events.find(({ kind }) => kind === "finish" || kind === "call-off");
        if (end && pour.finishedAt === null) {
          await db.Pour.update({ finishedAt: believed(end.at) }, { where: { id: pourId }, transaction });
          const status = end.kind === "finish" ? "curing" : "planning";
          await db.Job.update({ status }, { where: { id: pour.jobId }, transaction });
        }
        const stored = await db.PourEvent.findAll({
          where: { id: ids, pourId },
          attributes: ["id"],
          order: [["sequence", "ASC"]],
          transaction,
        });
        return stored.map((event) => event.id);
      });
    },
  };
}
