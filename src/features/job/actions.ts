import { listBuilds, restoreJob, saveJob, undoJob } from "@/contracts/jobs";
import { savePicture } from "@/contracts/pictures";
import { approvePicture, keepPractice, listApproved, listPractices } from "@/contracts/rehearsals";
import { implement } from "@/server/acts";
import { database } from "@/server/database";
import { jobsOf } from "@/server/repositories/jobs";
import { picturesOf } from "@/server/repositories/pictures";
import { rehearsalsOf } from "@/server/repositories/rehearsals";

export const jobActs = [
  implement(listBuilds, (person) => jobsOf(database(), person).builds()),
  implement(saveJob, (person, { jobId, revision, document }) =>
    jobsOf(database(), person).save(jobId, revision, document),
  ),
  implement(undoJob, (person, { jobId, revision, direction }) =>
    jobsOf(database(), person).step(jobId, revision, direction),
  ),
  implement(restoreJob, (person, { jobId, to }) => jobsOf(database(), person).restore(jobId, to)),
  implement(savePicture, (person, { image }) =>
    picturesOf(database(), person).add(Buffer.from(image, "base64")),
  ),
  implement(listPractices, (person) => rehearsalsOf(database(), person).practices()),
  implement(keepPractice, async (person, { practice }) => {
    await rehearsalsOf(database(), person).keep(practice);
    return null;
  }),
  implement(listApproved, (person, { versionId }) => rehearsalsOf(database(), person).approved(versionId)),
  implement(approvePicture, async (person, given) => {
    await rehearsalsOf(database(), person).approve(given);
    return null;
  }),
];
