import { format } from "date-fns";
import type { Pour } from "@/contracts/pours";
import type { KeptQuote, QuoteForm } from "@/contracts/quotes";
import type { ColourCard } from "@/core/colour/colour-card";
import type { ResinCard } from "@/core/cure/resin-card";
import type { JobDocument } from "@/core/job/job";
import { jobCost, type JobCost } from "@/core/money/job-cost";
import { pouredOf, quotedAndActual, sizeWords, techniqueOf, type QuotedAndActual } from "@/core/money/earned";
import { quotedCost, quoteNumber, quoteState, type Quote } from "@/core/money/quote";
import type { AskedLine } from "@/core/money/price";
import type { Rates } from "@/core/money/rates";
import { suggestedLines } from "@/core/money/suggested";
import { derivePlan } from "@/core/plan/derive-plan";
import { foldPour } from "@/core/pour/pour-events";
import { runSheet } from "@/core/pour/run-sheet";
import { sheetNow } from "@/core/pour/sheet-now";
import { onTheWall } from "@/core/shop/wall-clock";
import type { UnitSystem } from "@/core/units/dimension";

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

/** A quote as it is given, with what each look is reckoned to take. */
export function quoteOf(
  { looks, terms, validUntil }: QuoteForm,
  /** Of each look, in their order. */
  costs: readonly CostedJob[],
  rates: Rates,
  { jobName, client }: Pick<Quote, "jobName" | "client">,
): Quote {
  const { currency, taxName, taxPct, taxBy, roundTo } = rates;
  return {
    client,
    jobName,
    terms,
    validUntil,
    taxName,
    rules: { currency, taxPct, taxBy, roundTo },
    looks: looks.flatMap((look, n) => {
      const costed = costs[n];
      return costed ? [{ ...look, cost: quotedCost(costed.cost, rates, costed.areaMm2) }] : [];
    }),
  };
}

export type QuoteToHold = { kept: KeptQuote; pours: Pour[]; timeZone: string | null; units: UnitSystem };

/** An order, and what was quoted of it beside what became of it. */
export type HeldQuote = {
  jobId: string;
  jobName: string;
  number: string;
  currency: string;
  technique: string;
  size: string;
  held: QuotedAndActual;
  finished: boolean;
};

/** The look of a quote that was ordered, beside what became of it; null where none was, or nothing of it is poured. */
export function heldAgainst({ kept, pours, timeZone, units }: QuoteToHold): HeldQuote | null {
  const { quote, entries } = kept;
  const { lookId } = quoteState(quote, entries, "");
  const look = quote.looks.find(({ id }) => id === lookId);
  if (!look || pours.length === 0) return null;
  const dayOf = (at: string) => format(onTheWall(new Date(at), timeZone), "yyyy-MM-dd");
  const poured = pours.map((pour) => {
    const { document, cards, colours } = pour.plan;
    const plan = derivePlan(document, cards, colours);
    const state = foldPour(pour.events);
    const steps = sheetNow(runSheet(plan, units, state.weighed), state);
    return pouredOf(plan, steps, state, document.work.people, units, dayOf);
  });
  return {
    jobId: kept.jobId,
    jobName: quote.jobName,
    number: quoteNumber(kept),
    currency: quote.rules.currency,
    technique: techniqueOf(quote, look),
    size: sizeWords(look.cost.areaMm2, units),
    held: quotedAndActual(quote, look, poured),
    finished: pours.every(({ finishedAt }) => finishedAt !== null),
  };
}
