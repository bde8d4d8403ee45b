import { z } from "zod";
import type { Spread } from "@/core/numerics/spread";
import { MOST_LOOKS, type AskedLook, type Quote, type QuoteEntry, type QuotedCost } from "@/core/money/quote";
import { act } from "./act";
import { jobDocumentSchema } from "./job-document";
import { minor, priceDraft, ratesSchema, taxBy } from "./money";
import { freeText, nameText, partId, rowId, text } from "./text";

const day = z.iso.date("Write the date as year-month-day.");

const askedLook = z.object({
  id: partId,
  name: nameText("what the look is called", 60),
  words: freeText(300),
  pictureId: rowId.nullable(),
  lines: priceDraft.shape.lines.refine(
    (lines) => lines.some(({ quantity, each }) => quantity > 0 && each > 0),
    "Nothing is asked for this look. Give it a line with a price.",
  ),
  rushPct: priceDraft.shape.rushPct,
  document: jobDocumentSchema,
}) satisfies z.ZodType<AskedLook>;

/** A quote as it is written, before it has a number. */
export const quoteForm = z.object({
  looks: z
    .array(askedLook)
    .min(1, "Put at least one look in.")
    .max(MOST_LOOKS, `At most ${MOST_LOOKS} looks.`),
  terms: freeText(4000),
  validUntil: day,
});
export type QuoteForm = z.infer<typeof quoteForm>;

const spread = z.object({
  low: z.number(),
  likely: z.number(),
  high: z.number(),
}) satisfies z.ZodType<Spread>;
const quotedCost = z.object({
  resins: z.array(z.object({ cardId: text(), name: text(), ml: spread, cost: spread.nullable() })),
  hours: spread,
  hourly: minor,
  setUpMin: z.number(),
  other: spread,
  overheadPct: z.number(),
  total: spread,
  areaMm2: z.number(),
}) satisfies z.ZodType<QuotedCost>;

/** A quote as it was given. */
export const quoteSchema = z.object({
  client: text(),
  jobName: text(),
  terms: freeText(4000),
  validUntil: day,
  taxName: text(),
  rules: z.object({
    currency: ratesSchema.shape.currency,
    taxPct: z.number(),
    taxBy,
    roundTo: z.number(),
  }),
  looks: z
    .array(askedLook.extend({ cost: quotedCost }))
    .min(1)
    .max(MOST_LOOKS),
}) satisfies z.ZodType<Quote>;

export const quoteSaid = z.discriminatedUnion("kind", [
  z.object({ kind: z.enum(["sent", "declined", "withdrawn"]), words: freeText(400) }),
  z.object({ kind: z.literal("accepted"), lookId: partId, words: freeText(400) }),
]);
export type QuoteSaid = z.infer<typeof quoteSaid>;

/** A quote with its number and what became of it. */
export type KeptQuote = {
  id: string;
  jobId: string;
  year: number;
  number: number;
  by: string;
  at: string;
  quote: Quote;
  entries: QuoteEntry[];
};

/** Gives a quote its number; the id is the client's, so that sending twice does no harm. */
export const makeQuote = act<null>()(
  "quote.make",
  "person",
  z.object({ id: rowId, jobId: rowId, fields: quoteForm }),
);
/** What became of it. Accepted, its look becomes the job's plan, and the job is approved. */
export const tellQuote = act<null>()(
  "quote.tell",
  "person",
  z.object({ id: rowId, quoteId: rowId, said: quoteSaid }),
);
