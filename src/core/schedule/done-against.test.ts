import fc from "fast-check";
import { doneAgainst } from "./done-against";

const from = { low: 30, likely: 40, high: 50 };
const to = { low: 80, likely: 100, high: 130 };

test.each([
  [29, "too early"],
  [35, "maybe too early"],
  [40, "in its window"],
  [100, "in its window"],
  [101, "maybe too late"],
  [131, "too late"],
] as const)("at minute %d it was %s", (atMin, words) => expect(doneAgainst(atMin, from, to)).toBe(words));

test("what stays open is never too late; later is never earlier", () => {
  expect(doneAgainst(1e6, from, null)).toBe("in its window");
  const order = ["too early", "maybe too early", "in its window", "maybe too late", "too late"];
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 200 }), fc.integer({ min: 0, max: 200 }), (a, b) => {
      const [first, second] = a < b ? [a, b] : [b, a];
      expect(order.indexOf(doneAgainst(first, from, to))).toBeLessThanOrEqual(
        order.indexOf(doneAgainst(second, from, to)),
      );
    }),
  );
});
