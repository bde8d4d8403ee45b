import fc from "fast-check";
import { exactly, scaled, sumOf, within } from "./spread";

const spread = fc
  .tuple(
    fc.double({ min: 0, max: 1000, noNaN: true }),
    fc.double({ min: 0, max: 0.9, noNaN: true }),
    fc.double({ min: 0, max: 3, noNaN: true }),
  )
  .map(([likely, below, above]) => within(likely, below, above));

test("±25 % of 40 is 30 to 50", () => expect(within(40, 0.25)).toEqual({ low: 30, likely: 40, high: 50 }));
test("what is exact has no spread, and adds none", () => {
  expect(exactly(7)).toEqual({ low: 7, likely: 7, high: 7 });
  expect(sumOf([within(10, 0.1), exactly(5)])).toEqual({ low: 14, likely: 15, high: 16 });
});
test("independent halves add in quadrature: 3 and 4 make 5", () => {
  const sum = sumOf([
    { low: 7, likely: 10, high: 13 },
    { low: 6, likely: 10, high: 14 },
  ]);
  expect(sum).toEqual({ low: 15, likely: 20, high: 25 });
});
test("a sum is never surer than its least sure term, nor less sure than all at their worst", () => {
  fc.assert(
    fc.property(fc.array(spread, { minLength: 1, maxLength: 8 }), (terms) => {
      const sum = sumOf(terms);
      const above = terms.map((term) => term.high - term.likely);
      const slack = 1e-9 * (1 + sum.likely);
      expect(sum.high - sum.likely).toBeGreaterThanOrEqual(Math.max(...above) - slack);
      expect(sum.high - sum.likely).toBeLessThanOrEqual(above.reduce((total, one) => total + one, 0) + slack);
      expect(sum.low).toBeLessThanOrEqual(sum.likely);
    }),
  );
});
test("scaling scales all three", () =>
  expect(scaled({ low: 1, likely: 2, high: 4 }, 3)).toEqual({ low: 3, likely: 6, high: 12 }));
