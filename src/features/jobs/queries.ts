import type { JobSummary } from "@/contracts/jobs";
import type { Person } from "@/contracts/people";
import type { Removed } from "@/core/shop/removed";
import { database } from "@/server/database";
import { jobsOf } from "@/server/repositories/jobs";

export const listJobs = (person: Person): Promise<JobSummary[]> => jobsOf(database(), person).list();

export const removedJobs = (person: Person): Promise<Removed[]> => jobsOf(database(), person).removed();
