import { format } from "date-fns";
import Papa from "papaparse";
import type { KeptQuote } from "@/contracts/quotes";
import type { Pour } from "@/contracts/pours";
import { lookPrice, quoteNumber, quoteState } from "@/core/money/quote";
import { digitsOf } from "@/core/money/money";
import { derivePlan } from "@/core/plan/derive-plan";
import { codeText } from "@/core/pour/lot-code";
import { comparePour } from "@/core/pour/compare-pour";
import { foldPour } from "@/core/pour/pour-events";
import { runSheet } from "@/core/pour/run-sheet";
import { sheetNow } from "@/core/pour/sheet-now";
import { onTheWall } from "@/core/shop/wall-clock";
import type { Lot } from "@/core/shelf/lot";
import { lotState } from "@/core/shelf/stock";
import type { ShelfItem } from "@/core/shelf/item";

const rounded = (value: number | null, digits: number): string =>
  value === null ? "" : value.toFixed(digits);

export type PoursToTell = { pours: Pour[]; timeZone: string | null };
/** A line of the log: one coat of one pour. */
export type LogLine = Record<
  | "begun"
  | "job"
  | "coat"
  | "area_m2"
  | "planned_ml"
  | "mixed_ml"
  | "left_ml"
  | "short_ml"
  | "film_mm"
  | "minutes"
  | "by",
  string
>;

/** The log, coat by coat, in metric units. */
export function logLines({ pours, timeZone }: PoursToTell): LogLine[] {
  return pours.flatMap((pour) => {
    const { document, cards, colours } = pour.plan;
    const plan = derivePlan(document, cards, colours);
    const state = foldPour(pour.events);
    const steps = sheetNow(runSheet(plan, "metric", state.weighed), state);
    return comparePour(plan, steps, state, "metric").map((coat) => ({
      begun: format(onTheWall(new Date(pour.startedAt), timeZone), "yyyy-MM-dd HH:mm"),
      job: pour.jobName,
      coat: coat.name,
      area_m2: rounded(coat.areaMm2 / 1e6, 3),
      planned_ml: rounded(coat.plannedMl, 0),
      mixed_ml: rounded(coat.mixedMl, 0),
      left_ml: rounded(coat.leftMl, 0),
      short_ml: rounded(coat.shortMl, 0),
      film_mm: rounded(coat.usedFilmMm, 3),
      minutes: rounded(coat.tookMin, 0),
      by: pour.startedBy,
    }));
  });
}

/** What stands on the shelf, lot by lot: grams of resins and colours, pieces or millilitres of the rest. */
export function shelfTable(items: readonly ShelfItem[], lots: readonly Lot[]): string {
  return Papa.unparse(
    lots.flatMap((lot) => {
      const item = items.find(({ id }) => id === lot.itemId);
      if (!item) return [];
      const { facts, left } = lotState(lot);
      return [...left].map(([part, held]) => ({
        item: item.name,
        kind: item.kind,
        lot: codeText(lot.code),
        number: facts.number,
        part,
        held: rounded(held, 1),
        bought: facts.boughtOn ?? "",
        best_before: facts.bestBefore ?? "",
        price: facts.price === null ? "" : String(facts.price),
        place: facts.place,
      }));
    }),
    { escapeFormulae: true },
  );
}

/** Every look of every quote with what was asked, and which was ordered. */
export function moneyTable(quotes: readonly KeptQuote[], today: string): string {
  return Papa.unparse(
    quotes.flatMap((kept) => {
      const { quote, entries, at } = kept;
      const { state, lookId } = quoteState(quote, entries, today);
      return quote.looks.map((look) => {
        const { net, tax, total } = lookPrice(quote.rules, look);
        const digits = digitsOf(quote.rules.currency);
        const money = (amount: number) => (amount / 10 ** digits).toFixed(digits);
        return {
          quote: quoteNumber(kept),
          given: at.slice(0, 10),
          client: quote.client,
          job: quote.jobName,
          look: look.name,
          ordered: look.id === lookId ? "yes" : "",
          stands: state,
          net: money(net),
          tax: money(tax),
          total: money(total),
          currency: quote.rules.currency,
        };
      });
    }),
    { escapeFormulae: true },
  );
}

export const logTable = (lines: readonly LogLine[]): string =>
  Papa.unparse([...lines], { escapeFormulae: true });
