import type { Person } from "@/contracts/people";
import type { Pours } from "@/contracts/pours";
import { database } from "@/server/database";
import { jobsOf } from "@/server/repositories/jobs";
import { poursOf } from "@/server/repositories/pours";

/** The pours of a job, newest first. Refuses when the job is not of this shop. */
export async function logOf(person: Person, jobId: string): Promise<Pours> {
  const db = database();
  await jobsOf(db, person).isThere(jobId);
  return poursOf(db, person).ofJob(jobId);
}
