import { priceRow, withPrices } from "./price-list-file";

const row = (words: string, unit: string, each: string) => priceRow({ words, unit, each }, "USD");

test.each([
  ["sq ft", "ft2"],
  ["m²", "m2"],
  ["LF", "ft"],
  ["running metre", "m"],
  ["pcs", "piece"],
  ["", "flat"],
])("the unit “%s” is %s", (unit, is) =>
  expect(row("Counter", unit, "$1,095.50")).toEqual({ value: { words: "Counter", unit: is, each: 109_550 } }),
);
test("what cannot be read is told in words: no name, no price, a unit that nobody knows", () => {
  expect(row(" ", "ft2", "95")).toEqual({ problem: "Type what it is for." });
  expect(row("Counter", "ft2", "on request")).toEqual({ problem: "“on request” is no price of “Counter”." });
  expect(row("Counter", "ft2", "-4")).toEqual({ problem: "“-4” is no price of “Counter”." });
  expect(row("Counter", "furlong", "95")).toEqual({
    problem: "“furlong” is no unit: ft², m², ft, m, piece or flat.",
  });
});
test("a row of the same name gets the new price in its place, a new one stands at the end, the last of two counts", () => {
  const list = [
    { words: "Counter", unit: "ft2" as const, each: 9500 },
    { words: "Face", unit: "ft" as const, each: 1500 },
  ];
  const read = [
    { words: "Inlay", unit: "piece" as const, each: 1 },
    { words: "face ", unit: "m" as const, each: 4000 },
    { words: "Inlay", unit: "piece" as const, each: 12_000 },
  ];
  expect(withPrices(list, read)).toEqual([list[0], read[1], read[2]]);
});
