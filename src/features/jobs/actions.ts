import { archiveJob, createJob, describeJob, duplicateJob, removeJob } from "@/contracts/jobs";
import type { Person } from "@/contracts/people";
import type { JobDocument } from "@/core/job/job";
import { emptyJob } from "@/core/job/new-job";
import { USUAL_HOURS } from "@/core/schedule/hours";
import { implement } from "@/server/acts";
import { database } from "@/server/database";
import { benchOf } from "@/server/repositories/bench";
import { factorValues } from "@/core/learning/decisions";
import { learningOf } from "@/server/repositories/learning";
import { jobsOf } from "@/server/repositories/jobs";

/** A new job begins with the hours of the shop, and the factors that it has learnt. */
async function newDocument(person: Person): Promise<JobDocument> {
  const db = database();
  const [{ hours }, adopted] = await Promise.all([
    benchOf(db, person).settings(),
    learningOf(db, person).adopted(),
  ]);
  const document = { ...emptyJob(), factors: factorValues(adopted) };
  return hours === USUAL_HOURS ? document : { ...document, work: { ...document.work, hours } };
}

export const jobsActs = [
  implement(createJob, async (person, { fields }) => ({
    jobId: await jobsOf(database(), person).create(fields, await newDocument(person)),
  })),
  implement(describeJob, async (person, { jobId, fields }) => {
    await jobsOf(database(), person).describe(jobId, fields);
    return null;
  }),
  implement(duplicateJob, async (person, { jobId }) => ({
    jobId: await jobsOf(database(), person).duplicate(jobId),
  })),
  implement(removeJob, async (person, { jobId, removed }) => {
    await jobsOf(database(), person).remove(jobId, removed);
    return null;
  }),
  implement(archiveJob, async (person, { jobId, archived }) => {
    await jobsOf(database(), person).archive(jobId, archived);
    return null;
  }),
];
