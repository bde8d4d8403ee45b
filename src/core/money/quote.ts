import { describeChanges, type Change } from "../job/describe-changes";
import type { JobDocument } from "../job/job";
import { rehearsalSettings } from "../job/job-settings";
import type { Spread } from "../numerics/spread";
import type { UnitSystem } from "../units/dimension";
import type { JobCost } from "./job-cost";
import { moneyText, type Minor } from "./money";
import { priceOf, type AskedLine, type Price, type PriceRules } from "./price";

export const MOST_LOOKS = 3;

/** One look of a quote as it is asked for: the plan behind it, the client's picture, its lines. */
export type AskedLook = {
  id: string;
  name: string;
  /** What the client reads beneath the name. */
  words: string;
  pictureId: string | null;
  lines: AskedLine[];
  /** On top of all lines, %. */
  rushPct: number;
  document: JobDocument;
};

/** What a look was reckoned to take when it was quoted: what became of it is held against this. */
export type QuotedCost = {
  /** Before overhead, minor units: each resin with what is mixed of it, ml; null where it had no price. */
  resins: { cardId: string; name: string; ml: Spread; cost: Spread | null }[];
  /** Hours of one person, and what one was reckoned at. */
  hours: Spread;
  hourly: Minor;
  setUpMin: number;
  /** All else but resin and hours, before overhead. */
  other: Spread;
  overheadPct: number;
  /** All of it, with overhead. */
  total: Spread;
  areaMm2: number;
};

export type QuotedLook = AskedLook & { cost: QuotedCost };

/** A quote as it was given: never changed. What comes after it are entries; a changed mind is a new quote. */
export type Quote = {
  client: string;
  jobName: string;
  terms: string;
  /** Year-month-day, the last day. */
  validUntil: string;
  taxName: string;
  rules: Omit<PriceRules, "rushPct">;
  looks: QuotedLook[];
};

export type QuoteEntry = { id: string; at: string; by: string; words: string } & (
  { kind: "sent" | "declined" | "withdrawn" } | { kind: "accepted"; lookId: string }
);

export type QuoteState = "made" | "sent" | "accepted" | "declined" | "withdrawn" | "expired";

/** "2026-014": counted within its year. */
export const quoteNumber = ({ year, number }: { year: number; number: number }): string =>
  `${year}-${String(number).padStart(3, "0")}`;

/** A look's price, by the rules of the day on which it was quoted. */
export const lookPrice = (
  rules: Quote["rules"],
  { lines, rushPct }: Pick<AskedLook, "lines" | "rushPct">,
): Price =>
  priceOf(
    lines.filter(({ quantity }) => quantity > 0),
    { ...rules, rushPct },
  );

/** What is asked for the least and the most of its looks: "$2,310.00" or "$2,310.00 to $3,050.00". */
export function askedWords({ looks, rules }: Pick<Quote, "looks" | "rules">): string {
  const totals = looks.map((look) => lookPrice(rules, look).total);
  const [low, high] = [Math.min(...totals), Math.max(...totals)];
  const money = (amount: Minor) => moneyText(amount, rules.currency);
  return low === high ? money(low) : `${money(low)} to ${money(high)}`;
}

/**
 * How a quote stands; the last word counts. One that nobody answered is expired after its last day.
 * @param today year-month-day
 */
export function quoteState(
  { validUntil }: Pick<Quote, "validUntil">,
  entries: readonly QuoteEntry[],
  today: string,
): { state: QuoteState; lookId: string | null } {
  const last = entries.at(-1);
  if (last?.kind === "accepted") return { state: "accepted", lookId: last.lookId };
  if (last?.kind === "declined" || last?.kind === "withdrawn") return { state: last.kind, lookId: null };
  return { state: today > validUntil ? "expired" : (last?.kind ?? "made"), lookId: null };
}

/** What a look was reckoned to take, from its cost on the day. */
export function quotedCost(
  cost: JobCost,
  rates: { hourly: Minor; setUpMin: number; overheadPct: number },
  areaMm2: number,
): QuotedCost {
  const { hourly, setUpMin, overheadPct } = rates;
  const at = (end: keyof Spread) =>
    cost.lines.reduce(
      (sum, line) =>
        line.kind === "resin" || line.kind === "hours" || line.kind === "overhead"
          ? sum
          : sum + (line.cost?.[end] ?? 0),
      0,
    );
  return {
    resins: cost.resins,
    hours: cost.workHours,
    hourly,
    setUpMin,
    other: { low: at("low"), likely: at("likely"), high: at("high") },
    overheadPct,
    total: cost.total,
    areaMm2,
  };
}

/** What the plan is now that a quoted look was not, in words. Days, the room, losses and notes are not what a quote is of. */
export function notCovered(quoted: JobDocument, now: JobDocument, system: UnitSystem): Change[] {
  const covered = ({
    recipe: _recipe,
    setAside: _set,
    nextTime: _next,
    ...job
  }: JobDocument): JobDocument => ({
    ...job,
    // The first to say what it was already changes nothing.
    rehearsal: rehearsalSettings(job),
    work: now.work,
    factors: now.factors,
    notes: "",
  });
  return describeChanges(covered(quoted), covered(now), system);
}
