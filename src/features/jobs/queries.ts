import type { JobSummary } from "@/contracts/jobs";
import type { Person } from "@/contracts/people";
import { database } from "@/server/database";
import { jobsOf } from "@/server/repositories/jobs";

export const listJobs = (person: Person): Promise<JobSummary[]> => jobsOf(database(), person).list();
