import { copyName } from "@/core/units/copy-name";
import { randomUUID } from "node:crypto";
import { literal, Op, type Transaction } from "sequelize";
import type {
  Conflict,
  JobBuild,
  JobFields,
  JobSummary,
  JobVersion,
  OpenJob,
  Saved,
  UnreadableJob,
} from "@/contracts/jobs";
import { jobDocumentSchema } from "@/contracts/job-document";
import type { Person } from "@/contracts/people";
import type { JobDocument } from "@/core/job/job";
import type { DatedJob } from "@/core/shop/shop";
import type { Removed } from "@/core/shop/removed";
import { isDeepStrictEqual } from "node:util";
import { jsonOf, type Database } from "../database";
import { inTurns } from "../in-turns";
import { keepDocument, keptDocument } from "../kept-documents";
import { inTransaction } from "../transaction";
import type { JobRevisionRow, JobRow } from "../models/job";
import { notFound, Refused } from "../refused";
import { asRemoved, removedLately } from "../removed";
import { thinVersions } from "../thin-versions";

/** Jobs that are read with their documents at one time at most. */
const MOST_DOCUMENTS = 60;
/** Dated jobs on the bench at one time at most, those nearest to today first. */
const MOST_DATED = 120;
/** Documents that one page reads, together. */
const MOST_BYTES = 4_000_000;
/** Old versions are thinned out after so many new ones. */
const THIN_EVERY = 64;
/** Versions that a list goes back to. */
const MOST_VERSIONS = 50;

/** The document of a version; null where it is none that this program can hold. */
function readDocument(row: JobRevisionRow): JobDocument | null {
  const read = jobDocumentSchema.safeParse(jsonOf(row.document));
  return read.success ? read.data : null;
}

function documentOf(row: JobRevisionRow): JobDocument {
  const document = readDocument(row);
  if (document) return document;
  throw new Refused({
    code: "unreadable",
    message: "This version of the job cannot be read. Earlier ones are kept: go back to one of them.",
  });
}

/** What lists ask for, kept beside the document so that they need not open it. */
const columnsOf = (document: JobDocument) => ({
  startOn: document.work.startOn ?? null,
  pieces: document.pieces.length,
  recipeVersionId: document.recipe?.versionId ?? null,
});

type NewVersion = { document: JobDocument; undo: number | null; redo: number | null };

const isVersion = (row: JobRevisionRow, { document, undo, redo }: NewVersion): boolean =>
  row.undoRevision === undo &&
  row.redoRevision === redo &&
  // As it was sent: through JSON, where what is undefined is left out.
  isDeepStrictEqual(jsonOf(row.document), JSON.parse(JSON.stringify(document)));

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
  const rowOf = async (jobId: string, transaction?: Transaction) => {
    const row = await db.Job.findOne({
      where: { id: jobId, shopId: me.shopId, removedAt: null },
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

  const write = async (
    job: JobRow,
    { document, undo, redo }: NewVersion,
    transaction: Transaction,
  ): Promise<JobRevisionRow> => {
    const revision = job.revision + 1;
    const row = await db.JobRevision.create(
      {
        jobId: job.id,
        revision,
        document: document as unknown as Record<string, unknown>,
        undoRevision: undo,
        redoRevision: redo,
        savedBy: me.name,
        savedAt: new Date(),
      },
      { transaction },
    );
    await job.update({ revision, ...columnsOf(document) }, { transaction });
    if (revision % THIN_EVERY === 0) await thinVersions(db, job, transaction);
    return row;
  };

  /**
   * Adds the next version on top of `revision`, or refuses with the version that is there now.
   * What is there already, made from this very version by the same request, was saved before: its answer was lost on the way, and is given again.
   */
  const append = (
    jobId: string,
    revision: number,
    next: (current: JobRevisionRow, transaction: Transaction) => Promise<NewVersion>,
  ): Promise<Saved> =>
    inTransaction(db, async (transaction) => {
      const job = await rowOf(jobId, transaction);
      if (job.revision === revision) {
        const wanted = await next(await version(jobId, revision, transaction), transaction);
        return savedOf(await write(job, wanted, transaction));
      }
      const current = await version(jobId, job.revision, transaction);
      if (job.revision === revision + 1 && current.savedBy === me.name) {
        const wanted = await next(await version(jobId, revision, transaction), transaction);
        if (isVersion(current, wanted)) return savedOf(current);
      }
      const data: Conflict = {
        ...savedOf(current),
        savedBy: current.savedBy,
        savedAt: current.savedAt.toISOString(),
      };
      throw new Refused({ code: "conflict", message: `${current.savedBy} saved this job meanwhile.`, data });
    });

  const insert = async (fields: JobFields, document: JobDocument): Promise<string> => {
    const id = randomUUID();
    await inTransaction(db, async (transaction) => {
      const job = await db.Job.create({ id, shopId: me.shopId, ...fields, revision: 0 }, { transaction });
      await write(job, { document, undo: null, redo: null }, transaction);
    });
    return id;
  };

  /** Jobs with their documents as they are now; those that cannot be read apart; and how many were too much for one page. */
  const withDocuments = async (all: readonly JobRow[]) => {
    const of = (rows: readonly JobRow[]) => ({
      [Op.or]: rows.map((row) => ({ jobId: row.id, revision: row.revision })),
    });
    const sizes = new Map<string, number>();
    if (all.length > 0)
      for (const row of await db.JobRevision.findAll({
        where: of(all),
        attributes: ["jobId", [literal("OCTET_LENGTH(document)"), "bytes"]],
      }))
        sizes.set(row.jobId, Number(row.get("bytes")));
    let bytes = 0;
    const rows = all.filter(({ id }) => (bytes += sizes.get(id) ?? 0) <= MOST_BYTES);
    const byJob = new Map<string, JobDocument | null>();
    const keyOf = (jobId: string, revision: number) => `${jobId}.${revision}`;
    for (const { id, revision } of rows) {
      const known = keptDocument<JobDocument>(keyOf(id, revision), sizes.get(id) ?? 0);
      if (known) byJob.set(id, known);
    }
    const unknown = rows.filter(({ id }) => !byJob.has(id));
    const revisions = unknown.length === 0 ? [] : await db.JobRevision.findAll({ where: of(unknown) });
    await inTurns(revisions, (row) => {
      const document = readDocument(row);
      byJob.set(row.jobId, document);
      if (document) keepDocument(keyOf(row.jobId, row.revision), sizes.get(row.jobId) ?? 0, document);
    });
    const jobs: { jobId: string; name: string; document: JobDocument }[] = [];
    const unreadable: UnreadableJob[] = [];
    for (const { id, name } of rows) {
      const document = byJob.get(id);
      if (document) jobs.push({ jobId: id, name, document });
      else unreadable.push({ jobId: id, name });
    }
    return { jobs, unreadable, more: all.length - rows.length };
  };

  /** Open jobs with their documents as they are now; those of the given ids, or the latest sixty. */
  const documents = async (ids: readonly string[] | null) =>
    (
      await withDocuments(
        await db.Job.findAll({
          where: { shopId: me.shopId, removedAt: null, ...(ids ? { id: [...ids] } : { archivedAt: null }) },
          order: [["updatedAt", "DESC"]],
          limit: MOST_DOCUMENTS,
        }),
      )
    ).jobs;

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
    /** Open jobs that are planned for a day and not done, those nearest to `today` (year-month-day) first, of one status where it is given; how many more there are. */
    async dated(
      today: string,
      status?: JobFields["status"],
    ): Promise<{ jobs: DatedJob[]; unreadable: UnreadableJob[]; more: number }> {
      const where = {
        shopId: me.shopId,
        removedAt: null,
        archivedAt: null,
        startOn: { [Op.ne]: null },
        status: status ?? { [Op.ne]: "done" as const },
      };
      const { rows, count } = await db.Job.findAndCountAll({
        where,
        order: [
          [db.sequelize.fn("ABS", db.sequelize.fn("DATEDIFF", db.sequelize.col("start_on"), today)), "ASC"],
        ],
        limit: MOST_DATED,
      });
      const { jobs, unreadable, more } = await withDocuments(rows);
      return {
        jobs: jobs.map(({ jobId, name, document }) => ({ id: jobId, name, document })),
        unreadable,
        more: count - rows.length + more,
      };
    },
    async list(): Promise<JobSummary[]> {
      const rows = await db.Job.findAll({
        where: { shopId: me.shopId, removedAt: null },
        order: [["updatedAt", "DESC"]],
      });
      return rows.map((row) => ({
        id: row.id,
        ...fieldsOf(row),
        archived: row.archivedAt !== null,
        pieces: row.pieces,
        updatedAt: row.updatedAt.toISOString(),
      }));
    },
    /** Who saved which version when, the newest first. */
    async versions(jobId: string): Promise<{ name: string; revision: number; versions: JobVersion[] }> {
      const job = await rowOf(jobId);
      const rows = await db.JobRevision.findAll({
        where: { jobId },
        attributes: ["revision", "savedBy", "savedAt"],
        order: [["revision", "DESC"]],
        limit: MOST_VERSIONS,
      });
      return {
        name: job.name,
        revision: job.revision,
        versions: rows.map(({ revision, savedBy, savedAt }) => ({
          revision,
          savedBy,
          savedAt: savedAt.toISOString(),
        })),
      };
    },
    /** Puts an earlier version on top; what stood there stays one undo away where it can be read. */
    restore: (jobId: string, to: number): Promise<Saved> =>
      inTransaction(db, async (transaction) => {
        const job = await rowOf(jobId, transaction);
        const row = await db.JobRevision.findOne({ where: { jobId, revision: to }, transaction });
        if (!row) throw notFound("version of this job");
        const document = documentOf(row);
        const current = await version(jobId, job.revision, transaction);
        const undo = readDocument(current) ? job.revision : row.undoRevision;
        return savedOf(await write(job, { document, undo, redo: null }, transaction));
      }),
    /** Puts a plan that the client chose on top, what stood there one undo away, and approves a job that is not begun. */
    async approveAs(jobId: string, document: JobDocument, transaction: Transaction): Promise<void> {
      const job = await rowOf(jobId, transaction);
      const current = await version(jobId, job.revision, transaction);
      const wanted = { document, undo: current.undoRevision, redo: current.redoRevision };
      if (!isVersion(current, wanted))
        await write(job, { document, undo: job.revision, redo: null }, transaction);
      if (job.status === "planning") await job.update({ status: "approved" }, { transaction });
    },
    async open(jobId: string): Promise<OpenJob> {
      const job = await rowOf(jobId);
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
    /** @throws Refused where the job is not of this shop */
    async isThere(jobId: string): Promise<void> {
      await rowOf(jobId);
    },
    create: insert,
    async describe(jobId: string, fields: JobFields): Promise<void> {
      await (await rowOf(jobId)).update(fields);
    },
    async duplicate(jobId: string): Promise<string> {
      const job = await rowOf(jobId);
      const current = await version(jobId, job.revision);
      const taken = await db.Job.findAll({ where: { shopId: me.shopId }, attributes: ["name"] });
      const name = copyName(
        job.name,
        taken.map((row) => row.name),
        ", copy",
      );
      return insert({ ...fieldsOf(job), name, status: "planning", dueOn: null }, documentOf(current));
    },
    async archive(jobId: string, archived: boolean): Promise<void> {
      await (await rowOf(jobId)).update({ archivedAt: archived ? new Date() : null });
    },
    /** Jobs that were deleted and can be brought back, the last one first. */
    async removed(): Promise<Removed[]> {
      return asRemoved(
        await db.Job.findAll({
          where: { shopId: me.shopId, ...removedLately() },
          order: [["removedAt", "DESC"]],
        }),
      );
    },
    /**
     * Deletes a job with all that hangs on it, or brings it back: nothing of it is erased meanwhile.
     * @throws Refused while it is being poured
     */
    remove: (jobId: string, removed: boolean): Promise<void> =>
      inTransaction(db, async (transaction) => {
        const row = await db.Job.findOne({
          where: { id: jobId, shopId: me.shopId, ...(removed ? {} : removedLately()) },
          transaction,
          lock: true,
        });
        if (!row) throw notFound("job");
        if (removed && (await db.Pour.count({ where: { jobId, finishedAt: null }, transaction })) > 0)
          throw new Refused({
            code: "invalid",
            message: `${row.name} is being poured. Finish the pour or call it off, then delete the job.`,
          });
        if ((row.removedAt !== null) !== removed)
          await row.update({ removedAt: removed ? new Date() : null }, { transaction });
      }),
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
