import type { ColourCard } from "@/core/colour/colour-card";
import type { ResinCard } from "@/core/cure/resin-card";
import type { JobDocument } from "@/core/job/job";
import { jobCost, type JobCost } from "@/core/money/job-cost";
import type { AskedLine } from "@/core/money/price";
import type { Rates } from "@/core/money/rates";
import { suggestedLines } from "@/core/money/suggested";
import { derivePlan } from "@/core/plan/derive-plan";

export type JobToPrice = {
  document: JobDocument;
  cards: readonly ResinCard[];
  colours: readonly ColourCard[];
  rates: Rates;
  lotPrices: Record<string, number>;
};
/** What a job costs, and the lines its price begins with. */
export type CostedJob = { cost: JobCost; suggested: AskedLine[]; areaMm2: number };

export function costOfJob({ document, cards, colours, rates, lotPrices }: JobToPrice): CostedJob {
  const plan = derivePlan(document, cards, colours);
  return {
    cost: jobCost(plan, document.work.people, rates, colours, lotPrices),
    suggested: suggestedLines(rates.list, plan),
    areaMm2: plan.totals.topAreaMm2,
  };
}
