import { shelfFile } from "@/features/colours/palette";
import { learnShop, type ToLearnFrom } from "@/features/learn/learn-shop";
import { makeSheet, type SheetRequest } from "@/features/job/sheets/make-sheet";
import { shoppingOfJobs, type JobsToBuyFor } from "@/features/job/buy/shopping-of-jobs";
import { makeQuoteFile, type QuoteFileAsked } from "@/features/money/quote/make-quote-file";
import { costOfJob, heldAgainst, type JobToPrice, type QuoteToHold } from "@/features/money/worked-out";
import { makeLabels, type LabelsAsked } from "@/features/shelf/make-labels";
import { needsOfJobs, weighedAtPour, type JobsToReserve, type PourToBook } from "@/features/shelf/worked-out";
import { logLines, type PoursToTell } from "@/features/shop-file/tables";
import { wetNowOf, type PourToShow } from "@/features/bench-line/wet-now";

/** What is worked out of users' documents aside of the server's main thread, by the names under which the queries ask for it. */
export const TASKS: Record<string, (input: unknown) => unknown> = {
  shelf: (input) => shelfFile(input as Parameters<typeof shelfFile>[0]),
  sheet: (input) => makeSheet(input as SheetRequest),
  shopping: (input) => shoppingOfJobs(input as JobsToBuyFor),
  "job-cost": (input) => costOfJob(input as JobToPrice),
  quote: (input) => makeQuoteFile(input as QuoteFileAsked),
  "held-quote": (input) => heldAgainst(input as QuoteToHold),
  labels: (input) => makeLabels(input as LabelsAsked),
  "shelf-needs": (input) => needsOfJobs(input as JobsToReserve),
  "weighed-out": (input) => weighedAtPour(input as PourToBook),
  "log-lines": (input) => logLines(input as PoursToTell),
  learning: (input) => learnShop(input as ToLearnFrom),
  "wet-now": (input) => wetNowOf(input as PourToShow),
};
