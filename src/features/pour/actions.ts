import { recordPour, startPour } from "@/contracts/pours";
import { serverNowMs } from "@/contracts/server-now";
import { usedCards } from "@/core/job/used-cards";
import { implement } from "@/server/acts";
import { database } from "@/server/database";
import { colourCardsOf } from "@/server/repositories/colour-cards";
import { jobsOf } from "@/server/repositories/jobs";
import { poursOf } from "@/server/repositories/pours";
import { resinCardsOf } from "@/server/repositories/resin-cards";

export const pourActs = [
  implement(startPour, async (person, { pourId, jobId, revision, at, plan: begunFrom, leaveOut = [] }) => {
    const db = database();
    const pours = poursOf(db, person);
    const job = await jobsOf(db, person).open(jobId);
    // The answer may have been lost on the way: the same pour asked for again is there already.
    if (await pours.isStarted(pourId, jobId)) return { pourId };
    const start = { id: pourId, jobId, jobRevision: revision, at: new Date(at), leaveOut };
    if (begunFrom) await pours.start({ ...start, plan: begunFrom, begun: true });
    else {
      const [resins, colourants] = await Promise.all([
        resinCardsOf(db, person).list(),
        colourCardsOf(db, person).list(),
      ]);
      const plan = { document: job.document, ...usedCards(job.document, resins, colourants) };
      await pours.start({ ...start, plan });
    }
    return { pourId };
  }),
  implement(recordPour, async (person, { pourId, events }) => ({
    stored: await poursOf(database(), person).record(pourId, events),
    now: new Date(serverNowMs()).toISOString(),
  })),
];
