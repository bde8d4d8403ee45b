import type { PriceDraft } from "@/contracts/money";
import type { Person } from "@/contracts/people";
import type { Rates } from "@/core/money/rates";
import { aside, asideTask } from "@/server/aside";
import { database } from "@/server/database";
import { paidForResins } from "@/server/paid-for-resins";
import { notFound } from "@/server/refused";
import { colourCardsOf } from "@/server/repositories/colour-cards";
import { jobsOf } from "@/server/repositories/jobs";
import { moneyOf } from "@/server/repositories/money";
import { resinCardsOf } from "@/server/repositories/resin-cards";
import type { CostedJob, JobToPrice } from "./worked-out";

const costTask = asideTask<JobToPrice, CostedJob>("page", "job-cost");

export const shopRates = (person: Person): Promise<{ rates: Rates; typed: boolean }> =>
  moneyOf(database(), person).rates();

export type OpenPrice = CostedJob & { rates: Rates; typed: boolean; draft: PriceDraft | null };

/** What a job costs, by its saved document, and its price as it was typed. */
export async function openPrice(person: Person, jobId: string): Promise<OpenPrice> {
  const db = database();
  const money = moneyOf(db, person);
  const [[job], cards, colours, { rates, typed }, draft, lotPrices] = await Promise.all([
    jobsOf(db, person).documents([jobId]),
    resinCardsOf(db, person).list(),
    colourCardsOf(db, person).list(),
    money.rates(),
    money.priceOf(jobId),
    paidForResins(db, person),
  ]);
  if (!job) throw notFound("job");
  const asked = { document: job.document, cards, colours, rates, lotPrices };
  return { ...(await aside(person, costTask, asked)), rates, typed, draft };
}
