import type { Person } from "@/contracts/people";
import { aside, asideTask } from "@/server/aside";
import { database } from "@/server/database";
import { benchOf } from "@/server/repositories/bench";
import { colourCardsOf } from "@/server/repositories/colour-cards";
import { jobsOf } from "@/server/repositories/jobs";
import { learningOf } from "@/server/repositories/learning";
import { poursOf } from "@/server/repositories/pours";
import { resinCardsOf } from "@/server/repositories/resin-cards";
import type { ShopLearning, ToLearnFrom } from "./learn-shop";

const learningTask = asideTask<ToLearnFrom, ShopLearning>("sheet", "learning");
/** What a proposal does is shown on so many open jobs. */
const MOST_JOBS = 12;

/** What the shop's log has learnt: of its last pours, worked out aside of the server's main thread. */
export async function shopLearning(person: Person): Promise<ShopLearning> {
  const db = database();
  const [{ pours }, decisions, { jobs }, cards, colours, { timeZone }] = await Promise.all([
    poursOf(db, person).finishedSince(new Date(0)),
    learningOf(db, person).decisions(),
    jobsOf(db, person).dated(new Date().toISOString().slice(0, 10)),
    resinCardsOf(db, person).list(),
    colourCardsOf(db, person).list(),
    benchOf(db, person).settings(),
  ]);
  return aside(person, learningTask, {
    pours,
    decisions,
    jobs: jobs.slice(0, MOST_JOBS).map(({ id, name, document }) => ({ jobId: id, name, document })),
    cards,
    colours,
    timeZone: timeZone ?? person.timeZone ?? "UTC",
    me: { name: person.name, isOwner: person.role === "owner" },
  });
}
