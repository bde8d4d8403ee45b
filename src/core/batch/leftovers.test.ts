import { countable } from "./dose";
import { filledBy, leftoverMl } from "./leftovers";
import type { BatchedCoat } from "./batch-coat";

test("what is left: less where losses take of it, more where they do not, never less than nothing", () => {
  const left = (heldMl: number) =>
    leftoverMl({
      held: [
        { colourId: "a", name: "A", ml: heldMl - 10 },
        { colourId: null, name: "Clear", ml: 10 },
      ],
      mixMl: { low: 480, likely: 500, high: 560 },
    } as BatchedCoat);
  expect(left(100)).toEqual({ low: 40, likely: 100, high: 120 });
  expect(left(30)).toEqual({ low: 0, likely: 30, high: 50 });
});

test("a volume fills the largest first, and what is less than the smallest stays over", () => {
  const things = [
    { name: "small", ml: 20 },
    { name: "large", ml: 50 },
  ];
  const { fills, restMl } = filledBy(135, things);
  expect(fills.map(({ thing, count }) => [thing.name, count])).toEqual([
    ["large", 2],
    ["small", 1],
  ]);
  expect(restMl).toBeCloseTo(15, 9);
  expect(filledBy(0, things)).toEqual({ fills: [], restMl: 0 });
});

test.each([
  ["gram", 99.44, 99.4],
  ["gram", 120.64, 121],
  ["drop", 12.6, 13],
  ["spoon", 1.4, 1.5],
] as const)("what can be counted out: %s %d is %d", (unit, count, out) => {
  expect(countable({ unit, count, grams: count })).toBe(out);
});
