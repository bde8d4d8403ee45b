import { isPastMending, mendTime } from "./mend-time";

const life = [
  { state: "runny" as const, fromMin: { low: 0, likely: 0, high: 0 } },
  { state: "heavy" as const, fromMin: { low: 40, likely: 50, high: 62 } },
  { state: "gummy" as const, fromMin: { low: 70, likely: 85, high: 105 } },
];

test("what is left of brushing and of touching, by hand", () => {
  expect(mendTime(life, 30)).toEqual({
    levels: { low: 10, likely: 20, high: 32 },
    touch: { low: 40, likely: 55, high: 75 },
  });
  expect(isPastMending(mendTime(life, 90))).toBe(false);
  expect(isPastMending(mendTime(life, 105))).toBe(true);
});
