import { archiveJob, createJob, describeJob, duplicateJob } from "@/contracts/jobs";
import { emptyJob } from "@/core/plan/new-job";
import { implement } from "@/server/acts";
import { database } from "@/server/database";
import { jobsOf } from "@/server/repositories/jobs";

export const jobsActs = [
  implement(createJob, async (person, { fields }) => ({
    jobId: await jobsOf(database(), person).create(fields, emptyJob()),
  })),
  implement(describeJob, async (person, { jobId, fields }) => {
    await jobsOf(database(), person).describe(jobId, fields);
    return null;
  }),
  implement(duplicateJob, async (person, { jobId }) => ({
    jobId: await jobsOf(database(), person).duplicate(jobId),
  })),
  implement(archiveJob, async (person, { jobId, archived }) => {
    await jobsOf(database(), person).archive(jobId, archived);
    return null;
  }),
];
