import { exactly } from "../numerics/spread";
import {
  earnedBy,
  minutesAtWork,
  quotedAndActual,
  sizeWords,
  techniqueOf,
  WAITING_MIN,
  type EarnedJob,
  type Poured,
} from "./earned";
import type { Quote, QuotedLook } from "./quote";

const RULES = { currency: "USD", taxPct: 10, taxBy: "total" as const, roundTo: 0 };
const LOOK = {
  id: "a",
  name: "As planned",
  lines: [
    { words: "Delivered", quantity: 1, unit: "flat", each: 90_000 },
    { words: "Face", quantity: 10, unit: "ft", each: 1000 },
    { words: "Counter, veins", quantity: 10, unit: "ft2", each: 10_000 },
  ],
  rushPct: 0,
  cost: {
    // A litre at 30.00 and one whose price nobody knew.
    resins: [
      { cardId: "slow", name: "Slow", ml: { low: 900, likely: 1000, high: 1100 }, cost: exactly(3000) },
      { cardId: "paint", name: "Paint", ml: exactly(200), cost: null },
    ],
    hours: { low: 3, likely: 4, high: 5 },
    hourly: 5000,
    setUpMin: 30,
    other: { low: 1000, likely: 2000, high: 4000 },
    overheadPct: 20,
    // (3000 + 4 × 5000 + 2000) × 1.2
    total: exactly(30_000),
    areaMm2: 1e6,
  },
} as unknown as QuotedLook;
const QUOTE = { rules: RULES, looks: [LOOK] } as unknown as Quote;

test("by hand: 1.2 l mixed and five hours of work instead of one litre and four", () => {
  const poured: Poured[] = [
    { mixedMl: { slow: 700, paint: 150 }, workMin: 60, people: 2, days: 1 },
    { mixedMl: { slow: 500 }, workMin: 90, people: 1, days: 2 },
  ];
  const held = quotedAndActual(QUOTE, LOOK, poured);
  expect(held.resins).toEqual([
    { name: "Slow", quotedMl: LOOK.cost.resins[0]!.ml, actualMl: 1200, quoted: 3000, actual: 3600 },
    { name: "Paint", quotedMl: LOOK.cost.resins[1]!.ml, actualMl: 150, quoted: null, actual: null },
  ]);
  // 120 and 90 minutes, and three days of setting up by 30.
  expect(held.hours.actual).toBe(5);
  // (3600 + 25 000 + 2000) × 1.2; used up between 1000 and 4000.
  expect(held.cost.actual).toEqual({ low: 35_520, likely: 36_720, high: 39_120 });
  // 10 ft² at 100.00, 10 ft at 10.00 and 900.00.
  expect(held.net).toBe(200_000);
  expect(held.stays.actual.likely).toBe(163_280);
  expect(held.stays.actual.low).toBe(200_000 - 39_120);
  // Price less (3600 + 2000) × 1.2, over five hours; quoted less 6000 over four.
  expect(held.perHour.actual).toBeCloseTo((200_000 - 6720) / 5, 9);
  expect(held.perHour.quoted).toBeCloseTo((200_000 - 6000) / 4, 9);
});
test("what went as reckoned costs what was reckoned", () => {
  const held = quotedAndActual(QUOTE, LOOK, [{ mixedMl: { slow: 1000 }, workMin: 210, people: 1, days: 1 }]);
  expect(held.cost.actual.likely).toBe(30_000);
  expect(held.perHour.actual).toBeCloseTo(held.perHour.quoted!, 9);
  expect(quotedAndActual(QUOTE, LOOK, []).perHour.actual).toBeNull();
});
test("a gap longer than waiting is no work, whatever the order of the ticks", () => {
  const at = (min: number) => min * 60_000;
  expect(minutesAtWork([])).toBe(0);
  expect(minutesAtWork([at(5)])).toBe(0);
  expect(minutesAtWork([at(20), at(0), at(20 + WAITING_MIN), at(400), at(410)])).toBe(20 + WAITING_MIN + 10);
  expect(minutesAtWork([at(0), at(WAITING_MIN + 1)])).toBe(0);
});
test("a technique is the largest line by area, sizes by the top in the reader's units", () => {
  expect(techniqueOf(QUOTE, LOOK)).toBe("Counter, veins");
  const flat = { ...LOOK, lines: LOOK.lines.filter(({ unit }) => unit !== "ft2") };
  expect(techniqueOf(QUOTE, flat)).toBe("Delivered");
  expect(sizeWords(1e6, "metric")).toBe("up to 1 m²");
  expect(sizeWords(1.1e6, "metric")).toBe("1 to 4 m²");
  expect(sizeWords(5e6, "us")).toBe("over 40 ft²");
});
test("by hand: two hours at 100 and six at 60 bring 70 an hour; the best row first, hours conserved", () => {
  const job = (technique: string, size: string, hours: number, perHour: number): EarnedJob => ({
    technique,
    size,
    hours,
    perHour,
  });
  const jobs = [
    job("Veins", "small", 2, 100),
    job("Veins", "small", 6, 60),
    job("Veins", "large", 3, 90),
    job("Plain", "small", 0, 5),
  ];
  const rows = earnedBy(jobs);
  expect(rows).toEqual([
    { technique: "Veins", size: "large", jobs: 1, hours: 3, perHour: exactly(90) },
    { technique: "Veins", size: "small", jobs: 2, hours: 8, perHour: { low: 60, likely: 70, high: 100 } },
  ]);
  expect(rows.reduce((sum, { hours }) => sum + hours, 0)).toBe(11);
});
