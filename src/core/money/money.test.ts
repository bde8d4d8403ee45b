import fc from "fast-check";
import { digitsOf, moneyText, percentOf, shareOut, sumOfMoney, times, toMinor } from "./money";
import { priceOf, type AskedLine, type PriceRules } from "./price";

const RULES: PriceRules = { currency: "USD", rushPct: 0, taxPct: 8.25, taxBy: "total", roundTo: 0 };

describe("by hand", () => {
  test("a counter of 41.5 ft² at 95.00, two cut-outs at 75.00, 17.75 ft of face at 15.00, rush 10 %, rounded to 5.00, tax 8.25 %", () => {
    // 3942.50 + 150.00 + 266.25 = 4358.75; rush 435.88; 4794.63 → 4795.00; tax 395.59; total 5190.59.
    const asked: AskedLine[] = [
      { words: "Counter", quantity: 41.5, unit: "ft2", each: 9500 },
      { words: "Cut-out", quantity: 2, unit: "piece", each: 7500 },
      { words: "Face", quantity: 17.75, unit: "ft", each: 1500 },
    ];
    const price = priceOf(asked, { ...RULES, rushPct: 10, roundTo: 500 });
    expect(price.lines.map(({ amount }) => amount)).toEqual([394_250, 15_000, 26_625, 43_588, 37]);
    expect([price.net, price.tax, price.total]).toEqual([479_500, 39_559, 519_059]);
  });
  test("tax by line and by total differ by their rounding: three lines of 0.33 at 10 % are 0.09 by line and 0.10 by total", () => {
    const asked = [1, 2, 3].map((n): AskedLine => ({ words: `${n}`, quantity: 1, unit: "piece", each: 33 }));
    expect(priceOf(asked, { ...RULES, taxPct: 10, taxBy: "line" })).toMatchObject({
      net: 99,
      tax: 9,
      total: 108,
    });
    expect(priceOf(asked, { ...RULES, taxPct: 10 })).toMatchObject({ net: 99, tax: 10, total: 109 });
  });
  test("currencies have the digits that ISO 4217 gives them", () => {
    expect(["USD", "JPY", "KWD", "EUR"].map(digitsOf)).toEqual([2, 0, 3, 2]);
    expect(toMinor(12.34, "KWD")).toBe(12_340);
    expect(moneyText(124_050, "USD")).toBe("$1,240.50");
    expect(moneyText(1240, "JPY")).toBe("¥1,240");
  });
  test("halves go away from zero: 2.5 cents are 3", () => {
    expect([times(5, 0.5, "USD"), percentOf(50, 5, "USD"), times(-5, 0.5, "USD")]).toEqual([3, 3, -3]);
  });
});

const line = fc.record({
  words: fc.constant("line"),
  quantity: fc.double({ min: 0, max: 900, noNaN: true }),
  unit: fc.constantFrom("m2" as const, "piece" as const),
  each: fc.integer({ min: 0, max: 1_000_000 }),
});
const rules = fc.record({
  currency: fc.constantFrom("USD", "JPY", "KWD"),
  rushPct: fc.integer({ min: 0, max: 80 }),
  // Rates as laws write them: four digits behind the point at most.
  taxPct: fc.integer({ min: 0, max: 300_000 }).map((rate) => rate / 10_000),
  taxBy: fc.constantFrom("total" as const, "line" as const),
  roundTo: fc.constantFrom(0, 5, 100, 500, 1000),
});
test("parts sum to the total to the minor unit, whatever is rounded and taxed; all amounts are whole", () =>
  fc.assert(
    fc.property(fc.array(line, { maxLength: 8 }), rules, (asked, by) => {
      const { lines, net, tax, total } = priceOf(asked, by);
      expect(lines.reduce((sum, { amount }) => sum + amount, 0)).toBe(net);
      expect(lines.reduce((sum, one) => sum + one.tax, 0)).toBe(tax);
      expect(net + tax).toBe(total);
      expect(lines.every(({ amount, tax: own }) => Number.isInteger(amount) && Number.isInteger(own))).toBe(
        true,
      );
      if (by.roundTo > 1) expect(net % by.roundTo).toBe(0);
      // By line each rounding is off by half a minor unit at most.
      const exact = (net * by.taxPct) / 100;
      expect(Math.abs(tax - exact)).toBeLessThanOrEqual(
        0.51 + (by.taxBy === "line" ? 0.5 * lines.length : 0),
      );
    }),
  ));
test("what is shared out comes to what there was, each within one of its share", () =>
  fc.assert(
    fc.property(
      fc.integer({ min: 0, max: 1e7 }),
      fc.array(fc.integer({ min: 0, max: 10_000 }), { minLength: 1, maxLength: 9 }),
      (amount, weights) => {
        const parts = shareOut(amount, weights, "USD");
        expect(sumOfMoney(parts, "USD")).toBe(amount);
        const all = weights.reduce((sum, weight) => sum + weight, 0);
        if (all > 0)
          parts.forEach((part, index) =>
            expect(Math.abs(part - (amount * weights[index]!) / all)).toBeLessThanOrEqual(weights.length),
          );
      },
    ),
  ));
