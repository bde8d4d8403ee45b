import { listBuilds, saveJob, undoJob } from "@/contracts/jobs";
import { savePicture } from "@/contracts/pictures";
import { implement } from "@/server/acts";
import { database } from "@/server/database";
import { jobsOf } from "@/server/repositories/jobs";
import { picturesOf } from "@/server/repositories/pictures";

export const jobActs = [
  implement(listBuilds, (person) => jobsOf(database(), person).builds()),
  implement(saveJob, (person, { jobId, revision, document }) =>
    jobsOf(database(), person).save(jobId, revision, document),
  ),
  implement(undoJob, (person, { jobId, revision, direction }) =>
    jobsOf(database(), person).step(jobId, revision, direction),
  ),
  implement(savePicture, (person, { image }) =>
    picturesOf(database(), person).add(Buffer.from(image, "base64")),
  ),
];
