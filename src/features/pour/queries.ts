import { cache } from "react";
import type { Person } from "@/contracts/people";
import type { Pour, PourHead, PourNews, Pours } from "@/contracts/pours";
import { pouredBefore } from "@/core/pour/poured-before";
import { database } from "@/server/database";
import { benchOf } from "@/server/repositories/bench";
import { jobsOf } from "@/server/repositories/jobs";
import { poursOf } from "@/server/repositories/pours";

/** A pour with its entries; read once for a page and its title. */
export const openPour = cache((person: Person, pourId: string): Promise<Pour> =>
  poursOf(database(), person).open(pourId),
);

/** What was recorded of a pour after an entry. */
export const pourNews = (person: Person, pourId: string, after: string): Promise<PourNews> =>
  poursOf(database(), person).since(pourId, after);

/** The pours of a job, newest first, and the shop's comb. Refuses when the job is not of this shop. */
export async function inspectionFor(
  person: Person,
  jobId: string,
): Promise<{ pours: Pours; combMm: number[] | null }> {
  const db = database();
  await jobsOf(db, person).isThere(jobId);
  const [pours, { combMm }] = await Promise.all([
    poursOf(db, person).ofJob(jobId),
    benchOf(db, person).settings(),
  ]);
  return { pours, combMm };
}

/** The coats of a job that lie there already, by their ids. */
export async function pouredCoats(person: Person, jobId: string): Promise<string[]> {
  return [...pouredBefore(await poursOf(database(), person).entriesOfJob(jobId))];
}

export const poursOfJob = (person: Person, jobId: string): Promise<PourHead[]> =>
  poursOf(database(), person).headsOfJob(jobId);
