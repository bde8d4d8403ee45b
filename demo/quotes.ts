import { addDays, format } from "date-fns";
import { randomUUID } from "node:crypto";
import type { QuoteSaid } from "@/contracts/quotes";
import type { ColourCard } from "@/core/colour/colour-card";
import type { ResinCard } from "@/core/cure/resin-card";
import type { JobDocument } from "@/core/job/job";
import { jobWithLook } from "@/core/job/looks";
import { TECHNIQUES, type TechniqueId } from "@/core/job/technique-list";
import type { Minor } from "@/core/money/money";
import type { AskedLine } from "@/core/money/price";
import type { AskedLook, Quote } from "@/core/money/quote";
import { costOfJob, quoteOf } from "@/features/money/worked-out";
import { lookPicture } from "./look-picture";
import { DEMO_RATES } from "./rates";

type DemoLook = {
  /** The plan itself where there is none. */
  technique?: TechniqueId;
  name: string;
  words: string;
  /** What the area is called on the price list, and by the square foot. */
  area: string;
  each: Minor;
  more?: AskedLine[];
};
type DemoQuote = {
  daysAgo: number;
  looks: DemoLook[];
  /** The place of the look that was ordered, from 0; null for one that was only sent. */
  ordered: number | null;
  pictures: boolean;
};

const flat = (words: string, each: Minor): AskedLine => ({ words, quantity: 1, unit: "flat", each });

/** One that was sent with two looks, and one that was ordered. */
export const DEMO_QUOTES: Readonly<Record<string, DemoQuote>> = {
  "Island with a leaf": {
    daysAgo: 6,
    pictures: true,
    ordered: null,
    looks: [
      {
        name: "Copper leaf",
        words: "A leaf in copper and brass, laid into dark stone.",
        area: "Counter, veins or metallics",
        each: 10500,
        more: [flat("Inlay of the leaf", 48000)],
      },
      {
        technique: "pale-veins",
        name: "White leaf",
        words: "White stone with a few sharp veins in the leaf, the field as it is.",
        area: "Counter, veins or metallics",
        each: 9500,
      },
    ],
  },
  "Reception desk": {
    daysAgo: 19,
    pictures: true,
    ordered: 0,
    looks: [
      {
        name: "As on the board",
        words: "The look of the sample board that was approved, over the front and both sides.",
        area: "Counter, veins or metallics",
        each: 9800,
        more: [flat("Delivered and set", 26000)],
      },
    ],
  },
};

/** Jobs of the last half year that were quoted: what they earned is told by them. */
const BEFORE: Readonly<Record<string, { area: string; each: Minor; more?: AskedLine[] }>> = {
  "Laundry counter": { area: "Counter, veins or metallics", each: 8800 },
  "Potting bench": { area: "Counter, one colour", each: 6200 },
  "Ferry kiosk shelf": { area: "Counter, veins or metallics", each: 9400 },
  "Reading table": { area: "Counter, one colour", each: 6500, more: [flat("Delivered", 9000)] },
};

export function quotedBefore(name: string): Omit<DemoQuote, "daysAgo"> | null {
  const asked = BEFORE[name];
  if (!asked) return null;
  return { pictures: false, ordered: 0, looks: [{ name: "As planned", words: "", ...asked }] };
}

/** A quote of the made-up shop as it was given, and what became of it. */
export async function demoQuote(
  {
    looks,
    ordered,
    pictures,
    jobName,
    client,
    document,
    cards,
    colours,
  }: Omit<DemoQuote, "daysAgo"> &
    Pick<Quote, "jobName" | "client"> & {
      document: JobDocument;
      cards: readonly ResinCard[];
      colours: readonly ColourCard[];
    },
  at: Date,
  keepPicture: (base64: string) => Promise<string>,
): Promise<{ quote: Quote; became: QuoteSaid[] }> {
  const asked: AskedLook[] = [];
  const costs = [];
  for (const { technique, name, words, area, each, more = [] } of looks) {
    const planned = (technique && jobWithLook(document, technique, randomUUID)) ?? document;
    const costed = costOfJob({ document: planned, cards, colours, rates: DEMO_RATES, lotPrices: {} });
    const squareFeet = costed.suggested.find(({ unit, quantity }) => unit === "ft2" && quantity > 0);
    const edges = costed.suggested.filter(({ unit, quantity }) => unit !== "ft2" && quantity > 0);
    const picture = pictures ? await lookPicture(planned, cards, colours) : null;
    costs.push(costed);
    asked.push({
      id: randomUUID(),
      name,
      words: words || (technique ? TECHNIQUES[technique].look : ""),
      pictureId: picture && (await keepPicture(picture)),
      lines: [{ words: area, quantity: squareFeet?.quantity ?? 1, unit: "ft2", each }, ...edges, ...more],
      rushPct: 0,
      document: planned,
    });
  }
  const form = {
    looks: asked,
    terms: DEMO_RATES.terms,
    validUntil: format(addDays(at, DEMO_RATES.validDays), "yyyy-MM-dd"),
  };
  const look = ordered === null ? undefined : asked[ordered];
  return {
    quote: quoteOf(form, costs, DEMO_RATES, { jobName, client }),
    became: [
      { kind: "sent", words: "" },
      ...(look ? [{ kind: "accepted" as const, lookId: look.id, words: "by e-mail" }] : []),
    ],
  };
}
