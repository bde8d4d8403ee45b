import {
  add,
  allocate,
  dinero,
  halfAwayFromZero,
  multiply,
  toSnapshot,
  transformScale,
  type Dinero,
} from "dinero.js";

/** Money in whole minor units (cents, pence; yen have none) of one currency. */
export type Minor = number;

/** Digits behind the point that a currency has, by Intl (ISO 4217). */
export const digitsOf = (currency: string): number =>
  new Intl.NumberFormat("en", { style: "currency", currency }).resolvedOptions().maximumFractionDigits ?? 2;

const of = (amount: Minor, currency: string): Dinero<number> =>
  dinero({ amount, currency: { code: currency, base: 10, exponent: digitsOf(currency) } });

const amountOf = (money: Dinero<number>, currency: string): Minor =>
  toSnapshot(transformScale(money, digitsOf(currency), halfAwayFromZero)).amount;

/** Decimals that count of a quantity in a price, and of a rate: so many that no product leaves the whole numbers. */
const QUANTITY_SCALE = 4;
const RATE_SCALE = 6;

const scaledBy = (amount: Minor, factor: number, scale: number, currency: string): Minor =>
  amountOf(multiply(of(amount, currency), { amount: Math.round(factor * 10 ** scale), scale }), currency);

/** A price times a quantity, to the minor unit, halves away from zero. */
export const times = (each: Minor, quantity: number, currency: string): Minor =>
  scaledBy(each, quantity, QUANTITY_SCALE, currency);

/** So many per cent of an amount, to the minor unit, halves away from zero. */
export const percentOf = (amount: Minor, percent: number, currency: string): Minor =>
  scaledBy(amount, percent / 100, RATE_SCALE, currency);

export const sumOfMoney = (amounts: readonly Minor[], currency: string): Minor =>
  amountOf(
    amounts.reduce((sum, amount) => add(sum, of(amount, currency)), of(0, currency)),
    currency,
  );

/** Shares an amount out by weights, so that the parts sum to it to the minor unit. With nothing to go by all of it is the first one's. */
export function shareOut(amount: Minor, weights: readonly number[], currency: string): Minor[] {
  if (weights.length === 0) return [];
  const whole = weights.map((weight) => Math.max(0, Math.round(weight)));
  if (whole.every((weight) => weight === 0)) return whole.map((_, index) => (index === 0 ? amount : 0));
  return allocate(of(amount, currency), whole).map((part) => amountOf(part, currency));
}

/** An amount as it is written, in the reader's way: "$1,240.50". */
export const moneyText = (amount: Minor, currency: string, locale = "en"): string =>
  new Intl.NumberFormat(locale, { style: "currency", currency }).format(amount / 10 ** digitsOf(currency));

/** A typed amount of whole units and its digits as minor units. */
export const toMinor = (amount: number, currency: string): Minor =>
  Math.round(amount * 10 ** digitsOf(currency));
