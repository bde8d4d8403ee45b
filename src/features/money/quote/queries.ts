import { addDays, format, parseISO } from "date-fns";
import type { Person } from "@/contracts/people";
import { serverNowMs } from "@/contracts/server-now";
import type { KeptQuote, QuoteForm } from "@/contracts/quotes";
import type { ColourCard } from "@/core/colour/colour-card";
import type { ResinCard } from "@/core/cure/resin-card";
import type { JobDocument } from "@/core/job/job";
import type { JobCost } from "@/core/money/job-cost";
import { askedWords, notCovered, quoteNumber, quoteState, type Quote } from "@/core/money/quote";
import type { AskedLine } from "@/core/money/price";
import type { Rates } from "@/core/money/rates";
import { aside, asideTask } from "@/server/aside";
import { database } from "@/server/database";
import { paidForResins } from "@/server/paid-for-resins";
import { colourCardsOf } from "@/server/repositories/colour-cards";
import { jobsOf } from "@/server/repositories/jobs";
import { moneyOf } from "@/server/repositories/money";
import { picturesOf } from "@/server/repositories/pictures";
import { quotesOf } from "@/server/repositories/quotes";
import { resinCardsOf } from "@/server/repositories/resin-cards";
import { shopDay, todayOf } from "@/server/shop-day";
import { openPrice } from "../queries";
import { quoteOf, type CostedJob, type JobToPrice } from "../worked-out";
import type { QuoteFileAsked } from "./make-quote-file";

const costTask = asideTask<JobToPrice, CostedJob>("page", "job-cost");
const fileTask = asideTask<QuoteFileAsked, Uint8Array>("sheet", "quote");

export type OpenQuotes = {
  name: string;
  client: string;
  document: JobDocument;
  cards: ResinCard[];
  colours: ColourCard[];
  quotes: KeptQuote[];
  rates: Rates;
  /** What it costs as it is planned now. */
  cost: JobCost;
  /** The lines that a look begins with: the job's price as it was typed, else by the plan. */
  lines: AskedLine[];
  rushPct: number;
  today: string;
  /** Until when a quote of today stands. */
  validUntil: string;
};

/** A job's quotes, and what a new one begins with. */
export async function openQuotes(person: Person, jobId: string): Promise<OpenQuotes> {
  const db = database();
  const [{ name, client, document }, cards, colours, quotes, { rates, draft, suggested, cost }] =
    await Promise.all([
      jobsOf(db, person).open(jobId),
      resinCardsOf(db, person).list(),
      colourCardsOf(db, person).list(),
      quotesOf(db, person).ofJob(jobId),
      openPrice(person, jobId),
    ]);
  const today = todayOf(person);
  return {
    name,
    client,
    document,
    cards,
    colours,
    quotes,
    rates,
    cost,
    lines: draft?.lines ?? suggested,
    rushPct: draft?.rushPct ?? 0,
    today,
    validUntil: format(addDays(parseISO(today), rates.validDays), "yyyy-MM-dd"),
  };
}

/** Gives a quote its number, with what each look is reckoned to take today. */
export async function numberQuote(
  person: Person,
  id: string,
  jobId: string,
  { looks, terms, validUntil }: QuoteForm,
): Promise<void> {
  const db = database();
  const [{ name, client }, cards, colours, { rates }, lotPrices] = await Promise.all([
    jobsOf(db, person).open(jobId),
    resinCardsOf(db, person).list(),
    colourCardsOf(db, person).list(),
    moneyOf(db, person).rates(),
    paidForResins(db, person),
  ]);
  const costs = await Promise.all(
    looks.map(({ document }) => aside(person, costTask, { document, cards, colours, rates, lotPrices })),
  );
  const quote = quoteOf({ looks, terms, validUntil }, costs, rates, { jobName: name, client });
  const now = new Date(serverNowMs());
  await quotesOf(db, person).make(id, jobId, quote, Number(todayOf(person).slice(0, 4)), now);
}

/** A quote of the shop as a PDF. */
export async function quoteFile(
  person: Person,
  quoteId: string,
  paper: string | null,
): Promise<{ body: Uint8Array; type: string; name: string }> {
  const db = database();
  const kept = await quotesOf(db, person).one(quoteId);
  const pictures = await Promise.all(
    kept.quote.looks.map(({ pictureId }) => pictureId && picturesOf(db, person).bytes(pictureId)),
  );
  const body = await aside(person, fileTask, {
    kept,
    shopName: person.shopName,
    pictures: pictures.map((bytes) => bytes || null),
    day: shopDay(person, new Date(kept.at)),
    paper,
  });
  return { body, type: "application/pdf", name: `quote-${quoteNumber(kept)}.pdf` };
}

/** The quote by which a job was ordered, and how much of its plan is another one since; null where none was. */
export type OrderOfJob = { id: string; number: string; asked: string; uncovered: number };

export async function orderOfJob(person: Person, jobId: string): Promise<OrderOfJob | null> {
  const db = database();
  const today = todayOf(person);
  for (const { id, year, number, quote, entries } of await quotesOf(db, person).ofJob(jobId)) {
    const { lookId } = quoteState(quote, entries, today);
    const look = quote.looks.find((one) => one.id === lookId);
    if (!look) continue;
    const { document } = await jobsOf(db, person).open(jobId);
    const uncovered = notCovered(look.document, document, person.units).length;
    const asked = askedWords({ ...quote, looks: [look] });
    return { id, number: quoteNumber({ year, number }), asked, uncovered };
  }
  return null;
}

/** A quote in the list: without its plans, which are long. */
export type QuoteHead = Pick<KeptQuote, "id" | "jobId" | "year" | "number" | "at" | "entries"> &
  Pick<Quote, "client" | "jobName" | "validUntil"> & { asked: string; deleted: boolean };

/** All quotes of the shop, the latest first. */
export async function shopQuotes(person: Person): Promise<{ quotes: QuoteHead[]; today: string }> {
  const all = quotesOf(database(), person);
  const quotes = await all.list();
  const gone = await all.withoutJob(quotes.map(({ jobId }) => jobId));
  return {
    quotes: quotes.map(({ id, jobId, year, number, at, entries, quote }) => {
      const { client, jobName, validUntil } = quote;
      const deleted = gone.has(jobId);
      return {
        id,
        jobId,
        year,
        number,
        at,
        entries,
        client,
        jobName,
        validUntil,
        asked: askedWords(quote),
        deleted,
      };
    }),
    today: todayOf(person),
  };
}
