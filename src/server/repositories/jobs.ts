import { randomUUID } from "node:crypto";
import { Op, type Transaction } from "sequelize";
import type { Conflict, JobBuild, JobFields, JobSummary, OpenJob, Saved } from "@/contracts/jobs";
import { jobDocumentSchema } from "@/contracts/job-document";
import type { Person } from "@/contracts/people";
import type { JobDocument } from "@/core/plan/job";
import type { DatedJob } from "@/core/plan/shop";
import { jsonOf, type Database } from "../database";
import type { JobRevisionRow, JobRow } from "../models/job";
import { notFound, Refused } from "../refused";

/** Jobs that are read with their documents at one time at most. */
const MOST_DOCUMENTS = 60;

const documentOf = (row: JobRevisionRow): JobDocument => jobDocumentSchema.parse(jsonOf(row.document));

const fieldsOf = (row: JobRow): JobFields => ({
  name: row.name,
  client: row.client,
  status: row.status,
  dueOn: row.dueOn,
});

const savedOf = (row: JobRevisionRow): Saved => ({
  revision: row.revision,
  document: documentOf(row),
  canUndo: row.undoRevision !== null,
  canRedo: row.redoRevision !== null,
});

/** The jobs of the signed-in person's shop. There is no other way to reach a job. */
export function jobsOf(db: Database, me: Person) {
  const own = async (jobId: string, transaction?: Transaction) => {
    const row = await db.Job.findOne({
      where: { id: jobId, shopId: me.shopId },
      ...(transaction ? { transaction, lock: true } : {}),
    });
    if (!row) throw notFound("job");
    return row;
  };
  const version = async (jobId: string, revision: number, transaction?: Transaction) => {
    const row = await db.JobRevision.findOne({
      where: { jobId, revision },
      ...(transaction ? { transaction } : {}),
    });
    if (!row) throw new Error(`Job ${jobId} has no revision ${revision}`);
    return row;
  };

  /** Adds the next version on top of `revision`, or refuses with the version that is there now. */
  const append = async (
    jobId: string,
    revision: number,
    next: (
      current: JobRevisionRow,
      transaction: Transaction,
    ) => Promise<{ document: JobDocument; undo: number | null; redo: number | null }>,
  ) =>
    db.sequelize.transaction(async (transaction): Promise<Saved> => {
      const job = await own(jobId, transaction);
      const current = await version(jobId, job.revision, transaction);
      if (job.revision !== revision) {
        const data: Conflict = {
          ...savedOf(current),
          savedBy: current.savedBy,
          savedAt: current.savedAt.toISOString(),
        };
        throw new Refused({
          code: "conflict",
          message: `${current.savedBy} saved this job meanwhile.`,
          data,
        });
      }
      const { document, undo, redo } = await next(current, transaction);
      const row = await db.JobRevision.create(
        {
          jobId,
          revision: revision + 1,
          document: document as unknown as Record<string, unknown>,
          undoRevision: undo,
          redoRevision: redo,
          savedBy: me.name,
          savedAt: new Date(),
        },
        { transaction },
      );
      await job.update({ revision: revision + 1 }, { transaction });
      return savedOf(row);
    });

  const insert = async (fields: JobFields, document: JobDocument): Promise<string> => {
    const id = randomUUID();
    await db.sequelize.transaction(async (transaction) => {
      await db.Job.create({ id, shopId: me.shopId, ...fields, revision: 1 }, { transaction });
      await db.JobRevision.create(
        {
          jobId: id,
          revision: 1,
          document: document as unknown as Record<string, unknown>,
          undoRevision: null,
          redoRevision: null,
          savedBy: me.name,
          savedAt: new Date(),
        },
        { transaction },
      );
    });
    return id;
  };

  /** Open jobs with their documents as they are now; those of the given ids, or the latest sixty. */
  const documents = async (ids: readonly string[] | null) => {
    const rows = await db.Job.findAll({
      where: { shopId: me.shopId, ...(ids ? { id: [...ids] } : { archivedAt: null }) },
      order: [["updatedAt", "DESC"]],
      limit: MOST_DOCUMENTS,
    });
    const revisions = await db.JobRevision.findAll({
      where: { [Op.or]: rows.map((row) => ({ jobId: row.id, revision: row.revision })) },
    });
    const byJob = new Map(revisions.map((row) => [row.jobId, documentOf(row)]));
    return rows.flatMap((row) => {
      const document = byJob.get(row.id);
      return document ? [{ jobId: row.id, name: row.name, document }] : [];
    });
  };

  return {
    /** The builds of the shop's open jobs, to be compared and taken over. */
    async builds(): Promise<JobBuild[]> {
      return (await documents(null)).map(({ jobId, name, document }) => ({
        jobId,
        name,
        coats: document.coats,
      }));
    },
    documents,
    /** Open jobs that are planned for a day and not done. */
    async dated(): Promise<DatedJob[]> {
      const done = await db.Job.findAll({ where: { shopId: me.shopId, status: "done" }, attributes: ["id"] });
      const isDone = new Set(done.map(({ id }) => id));
      return (await documents(null))
        .filter(({ jobId, document }) => document.work.startOn !== undefined && !isDone.has(jobId))
        .map(({ jobId, name, document }) => ({ id: jobId, name, document }));
    },
    async list(): Promise<JobSummary[]> {
      const rows = await db.Job.findAll({ where: { shopId: me.shopId }, order: [["updatedAt", "DESC"]] });
      const counts = await piecesByJob(db, me.shopId);
      return rows.map((row) => ({
        id: row.id,
        ...fieldsOf(row),
        archived: row.archivedAt !== null,
        pieces: counts.get(row.id) ?? 0,
        updatedAt: row.updatedAt.toISOString(),
      }));
    },
    async open(jobId: string): Promise<OpenJob> {
      const job = await own(jobId);
      const current = await version(jobId, job.revision);
      return {
        id: job.id,
        ...fieldsOf(job),
        archived: job.archivedAt !== null,
        ...savedOf(current),
        savedBy: current.savedBy,
        savedAt: current.savedAt.toISOString(),
      };
    },
    create: insert,
    async describe(jobId: string, fields: JobFields): Promise<void> {
      await (await own(jobId)).update(fields);
    },
    async duplicate(jobId: string): Promise<string> {
      const job = await own(jobId);
      const current = await version(jobId, job.revision);
      return insert(
        { ...fieldsOf(job), name: `${job.name.slice(0, 73)}, copy`, status: "planning", dueOn: null },
        documentOf(current),
      );
    },
    async archive(jobId: string, archived: boolean): Promise<void> {
      await (await own(jobId)).update({ archivedAt: archived ? new Date() : null });
    },
    async setStatus(jobId: string, status: JobFields["status"]): Promise<void> {
      await (await own(jobId)).update({ status });
    },
    save: (jobId: string, revision: number, document: JobDocument): Promise<Saved> =>
      append(jobId, revision, async () => ({ document, undo: revision, redo: null })),
    /**
     * Undo and redo add a version as well, so that nothing is ever lost and both work across reloads and machines.
     * From the new version, undo leads where the older one led, and redo back to the version left.
     */
    step: (jobId: string, revision: number, direction: "undo" | "redo"): Promise<Saved> =>
      append(jobId, revision, async (current, transaction) => {
        const towards = direction === "undo" ? current.undoRevision : current.redoRevision;
        if (towards === null)
          throw new Refused({ code: "invalid", message: `There is nothing to ${direction}.` });
        const target = await version(jobId, towards, transaction);
        return direction === "undo"
          ? { document: documentOf(target), undo: target.undoRevision, redo: current.revision }
          : { document: documentOf(target), undo: current.revision, redo: target.redoRevision };
      }),
  };
}

/** How many pieces each job of a shop has, read from its current version. */
async function piecesByJob(db: Database, shopId: string): Promise<Map<string, number>> {
  const [rows] = await db.sequelize.query(
    "SELECT j.id AS id, JSON_LENGTH(r.document, '$.pieces') AS pieces FROM jobs j JOIN job_revisions r ON r.job_id = j.id AND r.revision = j.revision WHERE j.shop_id = ?",
    { replacements: [shopId] },
  );
  return new Map((rows as { id: string; pieces: number }[]).map((row) => [row.id, Number(row.pieces)]));
}
