import { cache } from "react";
import type { OpenJob } from "@/contracts/jobs";
import type { Person } from "@/contracts/people";
import type { ColourCard } from "@/core/colour/colour-card";
import type { ResinCard } from "@/core/cure/resin-card";
import type { AdoptedFactors } from "@/core/learning/decisions";
import type { OnShelf, Shopping } from "@/core/shop/shopping";
import { aside, asideTask } from "@/server/aside";
import { database } from "@/server/database";
import { colourCardsOf } from "@/server/repositories/colour-cards";
import { learningOf } from "@/server/repositories/learning";
import { jobsOf } from "@/server/repositories/jobs";
import { picturesOf } from "@/server/repositories/pictures";
import { poursOf } from "@/server/repositories/pours";
import { resinCardsOf } from "@/server/repositories/resin-cards";
import { notFound } from "@/server/refused";
import type { JobsToBuyFor } from "./buy/shopping-of-jobs";

const shoppingTask = asideTask<JobsToBuyFor, Shopping>("page", "shopping");

/** A job with the shop's cards: all that its views compute from. */
export const openJob = cache(async function openJob(
  person: Person,
  jobId: string,
): Promise<{
  job: OpenJob;
  cards: ResinCard[];
  colours: ColourCard[];
  pours: { id: string; finished: boolean }[];
  /** Something was looked at on what was poured. */
  inspected: boolean;
  /** Factors that the shop has learnt and taken over. */
  adopted: AdoptedFactors;
}> {
  const db = database();
  const [job, cards, colours, pours, adopted] = await Promise.all([
    jobsOf(db, person).open(jobId),
    resinCardsOf(db, person).list(),
    colourCardsOf(db, person).list(),
    poursOf(db, person).headsOfJob(jobId),
    learningOf(db, person).adopted(),
  ]);
  return {
    job,
    cards,
    colours,
    pours: pours.map((pour) => ({ id: pour.id, finished: pour.finishedAt !== null })),
    adopted,
    inspected: await poursOf(db, person).isInspected(pours.map(({ id }) => id)),
  };
});

/** The WebP of a picture of the shop. */
export const pictureBytes = (person: Person, pictureId: string): Promise<Buffer> =>
  picturesOf(database(), person).bytes(pictureId);
export const pictureThumbnail = (person: Person, pictureId: string): Promise<Buffer> =>
  picturesOf(database(), person).thumbnail(pictureId);

/** Earlier versions of a job, to go back to. */
export const versionsOfJob = (person: Person, jobId: string) => jobsOf(database(), person).versions(jobId);

/** What this job, and others chosen beside it, need together, less what the shelf has free for them; and which others there are. */
export async function jobsToBuyFor(
  person: Person,
  jobId: string,
  others: readonly string[],
  onShelf: OnShelf,
): Promise<{ shopping: Shopping; jobs: { jobId: string; name: string; chosen: boolean }[] }> {
  const db = database();
  const [ofJob, open, cards] = await Promise.all([
    jobsOf(db, person).documents([jobId]),
    jobsOf(db, person).documents(null),
    resinCardsOf(db, person).list(),
  ]);
  if (ofJob.length === 0) throw notFound("job");
  const all = [...ofJob, ...open.filter((job) => job.jobId !== jobId)];
  const chosen = (job: { jobId: string }) => job.jobId === jobId || others.includes(job.jobId);
  return {
    shopping: await aside(person, shoppingTask, {
      documents: all.filter(chosen).map(({ document }) => document),
      cards,
      onShelf,
    }),
    jobs: all.map((job) => ({ jobId: job.jobId, name: job.name, chosen: chosen(job) })),
  };
}
