import fc from "fast-check";
import { seeded } from "../numerics/random";
import { differenceBetween, signFlipTest, signTest } from "./paired";
import { drawPairs, pairsNeeded, readTrial, type TrialEntry, type TrialPlan } from "./trial";
import { powerWords, stateWords, trialWords } from "./trial-words";

test("the sign test as printed: 9 of 10, 5 of 5, 8 of 10 (Siegel 1956, table D, doubled; from memory)", () => {
  expect(signTest(9, 1)).toBeCloseTo(2 * 0.011, 2);
  expect(signTest(9, 1)).toBeCloseTo(22 / 1024, 12);
  expect(signTest(5, 0)).toBeCloseTo(2 / 32, 12);
  expect(signTest(8, 2)).toBeCloseTo(2 * 0.055, 2);
  expect(signTest(3, 3)).toBe(1);
  expect(signTest(0, 0)).toBe(1);
});

/** Darwin's fifteen pairs of maize, crossed less self-fertilised, eighths of an inch: Fisher 1935, §21. */
const MAIZE = [49, -67, 8, 16, 6, 23, 28, 41, 14, 29, 56, 24, 75, 60, -48];

test("Fisher's own example: of the 32768 ways that the draw could have fallen, 1726 part the maize so far", () => {
  expect(signFlipTest(MAIZE) * 32768).toBeCloseTo(1726, 6);
});

test("by chance alone, differences that go nowhere are not told apart, and the test is as good as its word", () => {
  const uniform = seeded(11);
  let told = 0;
  const TRIALS = 2000;
  for (let n = 0; n < TRIALS; n += 1)
    if (signFlipTest(Array.from({ length: 8 }, () => uniform() - 0.5)) <= 0.1) told += 1;
  expect(told / TRIALS).toBeGreaterThan(0.08);
  expect(told / TRIALS).toBeLessThan(0.12);
});

test("eight in ten of the ends hold the true difference (Hartigan 1969)", () => {
  const uniform = seeded(5);
  let held = 0;
  const TRIALS = 2000;
  for (let n = 0; n < TRIALS; n += 1) {
    const ends = differenceBetween(
      Array.from({ length: 7 }, () => 3 + uniform() + uniform() - 1),
      0.8,
    )!;
    if (ends.low <= 3 && 3 <= ends.high) held += 1;
  }
  // Of 128 pieces of the line 12 are cut at each end: 0.8125.
  expect(held / TRIALS).toBeGreaterThan(0.785);
  expect(held / TRIALS).toBeLessThan(0.84);
  expect(differenceBetween([1, 2, 3], 0.8)).toBeNull();
  expect(differenceBetween([1, 2, 3, 4], 0.8)).toEqual({ low: 1, high: 4 });
});

test("a test turned round is the same; a factor changes nothing", () => {
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: -50, max: 50 }), { minLength: 1, maxLength: 10 }),
      fc.integer({ min: 2, max: 9 }),
      (differences, times) => {
        const chance = signFlipTest(differences);
        expect(signFlipTest(differences.map((d) => -d))).toBeCloseTo(chance, 12);
        expect(signFlipTest(differences.map((d) => d * times))).toBeCloseTo(chance, 12);
        expect(chance).toBeGreaterThan(0);
        expect(chance).toBeLessThanOrEqual(1);
      },
    ),
  );
});

test("how many pairs must come out for one way: none of four, five of five, six of six, seven of eight, ten of twelve", () => {
  expect([3, 4, 5, 6, 8, 12].map(pairsNeeded)).toEqual([null, null, 5, 6, 7, 10]);
});

test("the draw falls to both sides as often", () => {
  const pairs = drawPairs(2000, seeded(3));
  for (const drawn of ["triedOn", "first"] as const) {
    const left = pairs.filter((pair) => pair[drawn] === "left").length;
    expect(left).toBeGreaterThan(900);
    expect(left).toBeLessThan(1100);
  }
});

const PLAN: TrialPlan = {
  name: "Alcohol later",
  now: "alcohol at once",
  tried: "alcohol five minutes later",
  asks: "Which has the cleaner cells?",
  measure: { name: "black on top", unit: "%", better: "less" },
  pairs: Array.from({ length: 6 }, (_, n) => ({
    triedOn: n % 2 === 0 ? "left" : "right",
    first: "left",
  })),
};
const at = (minute: number) => new Date(Date.UTC(2026, 4, 1, 8, minute)).toISOString();
const entry = (n: number, said: object) => ({ id: `e${n}`, at: at(n), by: "Ines", ...said }) as TrialEntry;

test("what the eye said goes to the way that lay there; the last word counts; numbers by their better side", () => {
  const all = PLAN.pairs.flatMap(({ triedOn }, pair) => [
    entry(pair, { kind: "eye", pair, better: triedOn }),
    entry(pair + 20, {
      kind: "measured",
      pair,
      left: triedOn === "left" ? 8 : 12,
      right: triedOn === "right" ? 8 : 12,
    }),
  ]);
  const read = readTrial(PLAN, all);
  expect(read.done).toBe(true);
  expect(read.eye).toMatchObject({ told: "better", tried: 6, now: 0, alike: 0 });
  expect(read.eye.byChance).toBeCloseTo(2 / 64, 12);
  expect(read.measure).toMatchObject({ told: "better", mean: -4, many: 6, between: { low: -4, high: -4 } });
  // One taken back to the other side, one alike: told apart no more.
  const later = [
    ...all,
    // Its device's clock is behind.
    entry(-5, { kind: "eye", pair: 0, better: "right" }),
    entry(51, { kind: "eye", pair: 1, better: "alike" }),
  ];
  const now = readTrial(PLAN, later);
  expect(now.eye).toMatchObject({ told: "not told apart", tried: 4, now: 1, alike: 1 });
  expect(trialWords(PLAN, now).eye).toBe(
    "Not told apart by so few: 4 pairs for what was tried, 1 for what is done now, 1 alike. Chance alone parts them so far in 38 of 100 trials.",
  );
  expect(trialWords(PLAN, now).measure).toBe(
    "4 % less black on top than what is done now, from 6 pairs. Chance alone parts them so far in 3 of 100 trials.",
  );
});

test("ends are told to the side on which they lie; what was worse is told as worse", () => {
  const numbers = (differences: number[]) =>
    readTrial(
      PLAN,
      differences.map((d, pair) => {
        const onLeft = PLAN.pairs[pair]!.triedOn === "left";
        return entry(pair, {
          kind: "measured",
          pair,
          left: onLeft ? 20 + d : 20,
          right: onLeft ? 20 : 20 + d,
        });
      }),
    );
  const worse = numbers([3, 4, 5, 6, 7, 8]);
  expect(worse.measure!.told).toBe("worse");
  expect(trialWords(PLAN, worse).measure).toMatch(
    /^5\.5 % more black on top .*, eight in ten 4(\.\d+)? to [67]/,
  );
  const apart = numbers([-3, 4, -5, 6, -1, 2]);
  expect(trialWords(PLAN, apart).measure).toMatch(
    /^Not told apart by so few: 0\.5 % more black on top .*, eight in ten [\d.]+ less to [\d.]+ more,/,
  );
  expect(stateWords(PLAN, apart)).toBe("0 of 6 pairs judged");
  expect(powerWords(4)).toMatch(/^4 pairs cannot tell/);
  expect(powerWords(8)).toBe("Of 8 pairs, 7 must go one way for the eye to tell them apart.");
});

test("what is not measured is not asked for, an empty trial says nothing, and one is put away and brought back", () => {
  const plain = { ...PLAN, measure: null };
  const eyes = PLAN.pairs.map((_, pair) => entry(pair, { kind: "eye", pair, better: "alike" }));
  expect(readTrial(plain, eyes)).toMatchObject({ done: true, measure: null, away: false });
  expect(readTrial(PLAN, eyes).done).toBe(false);
  expect(readTrial(PLAN, [])).toMatchObject({ done: false, measure: null, eye: { told: "not told apart" } });
  const away = entry(30, { kind: "away", away: true });
  expect(readTrial(plain, [away]).away).toBe(true);
  expect(readTrial(plain, [away, entry(31, { kind: "away", away: false })]).away).toBe(false);
});
