import { recordPour, startPour } from "@/contracts/pours";
import { implement } from "@/server/acts";
import { database } from "@/server/database";
import { Refused } from "@/server/refused";
import { jobsOf } from "@/server/repositories/jobs";
import { poursOf } from "@/server/repositories/pours";
import { resinCardsOf } from "@/server/repositories/resin-cards";

export const pourActs = [
  implement(startPour, async (person, { pourId, jobId, revision, at }) => {
    const db = database();
    const jobs = jobsOf(db, person);
    const pours = poursOf(db, person);
    const job = await jobs.open(jobId);
    // The answer may have been lost on the way: the same pour asked for again is there already.
    if (await pours.isStarted(pourId, jobId)) return { pourId };
    if (job.revision !== revision)
      throw new Refused({
        code: "conflict",
        message: "The plan changed meanwhile. Look at it again, then start.",
      });
    const used = new Set(job.document.coats.map((coat) => coat.resinCardId));
    const cards = (await resinCardsOf(db, person).list()).filter((card) => used.has(card.id));
    await pours.start({
      id: pourId,
      jobId,
      jobRevision: revision,
      at: new Date(at),
      plan: { document: job.document, cards },
    });
    await jobs.setStatus(jobId, "pouring");
    return { pourId };
  }),
  implement(recordPour, async (person, { pourId, events }) => {
    const db = database();
    const pours = poursOf(db, person);
    const stored = await pours.record(pourId, events);
    if (events.some((event) => event.kind === "finish"))
      await jobsOf(db, person).setStatus((await pours.open(pourId)).jobId, "curing");
    return { stored };
  }),
];
