import type { Bench, BenchSettings } from "@/contracts/bench";
import type { Person } from "@/contracts/people";
import { database } from "@/server/database";
import { benchOf } from "@/server/repositories/bench";
import { jobsOf } from "@/server/repositories/jobs";
import { poursOf } from "@/server/repositories/pours";
import { resinCardsOf } from "@/server/repositories/resin-cards";

/** A film is looked after for so many days after its pour was finished. */
const CURING_DAYS = 6;

/** What goes on in the shop: pours, dated jobs, the room and what the shop has. */
export async function openBench(person: Person): Promise<Bench> {
  const db = database();
  const bench = benchOf(db, person);
  const pours = poursOf(db, person);
  const since = new Date(Date.now() - CURING_DAYS * 86_400_000);
  const [settings, reading, live, finished, jobs, cards] = await Promise.all([
    bench.settings(),
    bench.lastReading(),
    pours.live(),
    pours.finishedSince(since),
    jobsOf(db, person).dated(new Date().toISOString().slice(0, 10)),
    resinCardsOf(db, person).list(),
  ]);
  return {
    settings,
    reading,
    pours: [...live.pours, ...finished.pours],
    jobs: jobs.jobs,
    cards,
    unreadable: {
      jobs: jobs.unreadable,
      pours: [...live.unreadable, ...finished.unreadable],
    },
    more: { jobs: jobs.more, pours: live.more + finished.more },
  };
}

/** What the shop has, and when it works. */
export const shopSettings = (person: Person): Promise<BenchSettings> =>
  benchOf(database(), person).settings();
