import { saveJob, undoJob } from "@/contracts/jobs";
import { implement } from "@/server/acts";
import { database } from "@/server/database";
import { jobsOf } from "@/server/repositories/jobs";

export const jobActs = [
  implement(saveJob, (person, { jobId, revision, document }) =>
    jobsOf(database(), person).save(jobId, revision, document),
  ),
  implement(undoJob, (person, { jobId, revision, direction }) =>
    jobsOf(database(), person).step(jobId, revision, direction),
  ),
];
