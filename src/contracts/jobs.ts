import { z } from "zod";
import type { JobDocument } from "@/core/job/job";
import type { Coat } from "@/core/schedule/coat";
import { act } from "./act";
import { jobDocumentSchema } from "./job-document";
import { freeText, nameText, rowId } from "./text";

export const JOB_STATUSES = ["planning", "approved", "pouring", "curing", "done"] as const;
export type JobStatus = (typeof JOB_STATUSES)[number];
export const STATUS_WORDS: Record<JobStatus, string> = {
  planning: "planning",
  approved: "approved",
  pouring: "pouring",
  curing: "curing",
  done: "done",
};

export const jobFields = z.object({
  name: nameText("a name for the job"),
  client: freeText(80).transform((text) => text.trim()),
  status: z.enum(JOB_STATUSES),
  dueOn: z.iso.date("Write the date as year-month-day.").nullable(),
});
export type JobFields = z.infer<typeof jobFields>;

/** A job in the list. */
export type JobSummary = JobFields & { id: string; archived: boolean; pieces: number; updatedAt: string };

/** A job opened: its fields, its document and where undo and redo lead. */
export type OpenJob = JobFields & {
  id: string;
  archived: boolean;
  revision: number;
  document: JobDocument;
  canUndo: boolean;
  canRedo: boolean;
  savedBy: string;
  savedAt: string;
};

export type Saved = { revision: number; document: JobDocument; canUndo: boolean; canRedo: boolean };

/** A job whose document this program cannot read; its earlier versions are kept. */
export type UnreadableJob = { jobId: string; name: string };
export type JobVersion = { revision: number; savedBy: string; savedAt: string };

/** What stands in the way of a save on an old revision: the version that is there now. */
export type Conflict = Saved & { savedBy: string; savedAt: string };

export const createJob = act<{ jobId: string }>()("job.create", "person", z.object({ fields: jobFields }));
export const describeJob = act<null>()(
  "job.describe",
  "person",
  z.object({ jobId: rowId, fields: jobFields }),
);
export const duplicateJob = act<{ jobId: string }>()("job.duplicate", "person", z.object({ jobId: rowId }));
export const archiveJob = act<null>()(
  "job.archive",
  "person",
  z.object({ jobId: rowId, archived: z.boolean() }),
);
/** Deletes a job, or brings it back. */
export const removeJob = act<null>()(
  "job.remove",
  "person",
  z.object({ jobId: rowId, removed: z.boolean() }),
);
/** The coats of a job, to be compared with and taken over by another. */
export type JobBuild = { jobId: string; name: string; coats: Coat[] };
export const listBuilds = act<JobBuild[]>()("job.builds", "person", z.strictObject({}), { reads: true });
export const saveJob = act<Saved>()(
  "job.save",
  "person",
  z.object({ jobId: rowId, revision: z.number().int().min(1), document: jobDocumentSchema }),
);
export const undoJob = act<Saved>()(
  "job.undo",
  "person",
  z.object({ jobId: rowId, revision: z.number().int().min(1), direction: z.enum(["undo", "redo"]) }),
);
/** Puts an earlier version on top of the present one. */
export const restoreJob = act<Saved>()(
  "job.restore",
  "person",
  z.object({ jobId: rowId, to: z.number().int().min(1) }),
);
