import type { OpenJob } from "@/contracts/jobs";
import type { Person } from "@/contracts/people";
import type { ResinCard } from "@/core/cure/resin-card";
import { database } from "@/server/database";
import { jobsOf } from "@/server/repositories/jobs";
import { picturesOf } from "@/server/repositories/pictures";
import { poursOf } from "@/server/repositories/pours";
import { resinCardsOf } from "@/server/repositories/resin-cards";

/** A job with the shop's cards: all that its views compute from. */
export async function openJob(
  person: Person,
  jobId: string,
): Promise<{ job: OpenJob; cards: ResinCard[]; pours: { id: string; finished: boolean }[] }> {
  const db = database();
  const [job, cards, pours] = await Promise.all([
    jobsOf(db, person).open(jobId),
    resinCardsOf(db, person).list(),
    poursOf(db, person).ofJob(jobId),
  ]);
  return { job, cards, pours: pours.map((pour) => ({ id: pour.id, finished: pour.finishedAt !== null })) };
}

/** The WebP of a picture of the shop. */
export const pictureBytes = (person: Person, pictureId: string): Promise<Buffer> =>
  picturesOf(database(), person).bytes(pictureId);
