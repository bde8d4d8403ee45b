import { moneyText, percentOf, shareOut, sumOfMoney, times, type Minor } from "./money";

/** What a line of a price is counted in. */
export type PriceUnit = "m2" | "ft2" | "m" | "ft" | "piece" | "flat";

export const UNIT_WORDS: Record<PriceUnit, string> = {
  m2: "m²",
  ft2: "ft²",
  m: "m",
  ft: "ft",
  piece: "piece",
  flat: "flat",
};

/** One line of a price before tax: so many of something, each at its price. */
export type AskedLine = { words: string; quantity: number; unit: PriceUnit; each: Minor };

export type PricedLine = AskedLine & { amount: Minor; tax: Minor };

/** How a shop rounds and taxes. */
export type PriceRules = {
  currency: string;
  /** On top of all lines, %; 0 for work that can wait. */
  rushPct: number;
  taxPct: number;
  /** Tax is rounded once, of the total, or line by line, as the local rules ask. */
  taxBy: "total" | "line";
  /** The price without tax is rounded to whole multiples of this; 0 or 1 for none. */
  roundTo: Minor;
};

/** A price to the minor unit: net is all lines, tax theirs, and both together the total. */
export type Price = { lines: PricedLine[]; net: Minor; tax: Minor; total: Minor };

/** Lines with what they cost, rush and rounding as lines of their own, and tax: parts always sum to the total. */
export function priceOf(asked: readonly AskedLine[], rules: PriceRules): Price {
  const { currency, rushPct, taxPct, taxBy, roundTo } = rules;
  const lines = asked.map((line) => ({ ...line, amount: times(line.each, line.quantity, currency) }));
  const flat = (words: string, amount: Minor) => ({
    words,
    quantity: 1,
    unit: "flat" as const,
    each: amount,
    amount,
  });
  const work = sumOfMoney(
    lines.map(({ amount }) => amount),
    currency,
  );
  const rush = percentOf(work, rushPct, currency);
  if (rush !== 0) lines.push(flat(`Rush, ${rushPct} %`, rush));
  const exact = work + rush;
  const rounded = roundTo > 1 ? Math.round(exact / roundTo) * roundTo : exact;
  if (rounded !== exact) lines.push(flat("Rounding", rounded - exact));
  const net = rounded;
  const taxes =
    taxBy === "line"
      ? lines.map(({ amount }) => percentOf(amount, taxPct, currency))
      : taxesOfTotal(
          percentOf(net, taxPct, currency),
          lines.map(({ amount }) => amount),
          currency,
        );
  const tax = sumOfMoney(taxes, currency);
  return {
    lines: lines.map((line, index) => ({ ...line, tax: taxes[index] ?? 0 })),
    net,
    tax,
    total: net + tax,
  };
}

/** One tax shared out over lines: what is taken off (a rounding down) carries its part too. */
function taxesOfTotal(tax: Minor, amounts: readonly Minor[], currency: string): Minor[] {
  const above = amounts.map((amount) => Math.max(0, amount));
  return shareOut(tax, above, currency);
}

/** "38.5 ft² at $95.00"; null for what is asked as a whole. */
export function quantityWords({ quantity, unit, each }: AskedLine, currency: string): string | null {
  if (unit === "flat") return null;
  const many = new Intl.NumberFormat("en", { maximumFractionDigits: 2 }).format(quantity);
  if (unit === "piece") return quantity === 1 ? null : `${many} at ${moneyText(each, currency)}`;
  return `${many} ${UNIT_WORDS[unit]} at ${moneyText(each, currency)}`;
}
