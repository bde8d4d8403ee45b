import { Op, type Transaction } from "sequelize";
import type { Database } from "./database";
import type { JobRow } from "./models/job";

/** A version as far as thinning goes. */
export type Aged = { revision: number; undo: number | null; redo: number | null; savedAt: Date };

/** So many versions are kept whatever their age, so that undo goes back step by step. */
export const KEPT_STEPS = 300;
const DAY_MS = 86_400_000;
/** Younger ones are all kept; then the last of each day for a season; then the last of each week. */
const ALL_FOR_DAYS = 14;
const DAILY_FOR_DAYS = 120;

/**
 * Which versions stay, and where undo and redo then lead: a year's work is a few hundred of them. Undo and redo skip what was thinned out, and
 * end where they ended.
 * @param versions in the order of their numbers
 * @param pinned versions that something else goes back to, such as a pour
 */
export function thinned(
  versions: readonly Aged[],
  pinned: ReadonlySet<number>,
  now: Date,
): { kept: Aged[]; gone: number[] } {
  const byNumber = new Map(versions.map((version) => [version.revision, version]));
  const steps = new Set(versions.slice(-KEPT_STEPS).map(({ revision }) => revision));
  const ageDays = ({ savedAt }: Aged) => (now.getTime() - savedAt.getTime()) / DAY_MS;
  /** The stretch of time of which the last version stays. */
  const stretch = (version: Aged): string => {
    const day = Math.floor(version.savedAt.getTime() / DAY_MS);
    return ageDays(version) < DAILY_FOR_DAYS ? `day ${day}` : `week ${Math.floor(day / 7)}`;
  };
  const lastOf = new Map(versions.map((version) => [stretch(version), version.revision]));
  const stays = (version: Aged): boolean =>
    steps.has(version.revision) ||
    pinned.has(version.revision) ||
    ageDays(version) < ALL_FOR_DAYS ||
    lastOf.get(stretch(version)) === version.revision;
  const kept = versions.filter(stays);
  const left = new Set(kept.map(({ revision }) => revision));
  const reach = (from: number | null, way: "undo" | "redo"): number | null => {
    let at = from;
    // Each step leads to an older version, or to one that was left by an undo: no way is longer than there are versions.
    for (let hop = 0; at !== null && !left.has(at) && hop <= versions.length; hop += 1)
      at = byNumber.get(at)?.[way] ?? null;
    return at !== null && left.has(at) ? at : null;
  };
  return {
    kept: kept.map((version) => ({
      ...version,
      undo: reach(version.undo, "undo"),
      redo: reach(version.redo, "redo"),
    })),
    gone: versions.filter(({ revision }) => !left.has(revision)).map(({ revision }) => revision),
  };
}

/** Thins out the old versions of a job, in a transaction that holds its row. */
export async function thinVersions(db: Database, job: JobRow, transaction: Transaction): Promise<void> {
  const [rows, pours] = await Promise.all([
    db.JobRevision.findAll({
      where: { jobId: job.id },
      attributes: ["jobId", "revision", "undoRevision", "redoRevision", "savedAt"],
      order: [["revision", "ASC"]],
      transaction,
    }),
    db.Pour.findAll({ where: { jobId: job.id }, attributes: ["id", "jobRevision"], transaction }),
  ]);
  const { kept, gone } = thinned(
    rows.map(({ revision, undoRevision, redoRevision, savedAt }) => ({
      revision,
      undo: undoRevision,
      redo: redoRevision,
      savedAt,
    })),
    new Set([job.revision, ...pours.map(({ jobRevision }) => jobRevision)]),
    new Date(),
  );
  if (gone.length === 0) return;
  const before = new Map(rows.map((row) => [row.revision, row]));
  for (const { revision, undo, redo } of kept) {
    const row = before.get(revision);
    if (row && (row.undoRevision !== undo || row.redoRevision !== redo))
      await db.JobRevision.update(
        { undoRevision: undo, redoRevision: redo },
        { where: { jobId: job.id, revision }, transaction },
      );
  }
  await db.JobRevision.destroy({ where: { jobId: job.id, revision: { [Op.in]: gone } }, transaction });
}
