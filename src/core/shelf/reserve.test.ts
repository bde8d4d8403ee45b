import fc from "fast-check";
import { exactly } from "../numerics/spread";
import { reserve, type JobNeeds } from "./reserve";
import { shortWords } from "./shelf-words";
import { itemOf } from "./testing/items";
import { lotOf } from "./testing/lots";

const job = (jobId: string, day: string, low: number, likely: number, high: number): JobNeeds => ({
  jobId,
  name: jobId,
  day,
  needs: [{ itemId: "i", part: "A", amount: { low, likely, high } }],
});
const fresh = lotOf(1, "i", { A: 1000 });
const ending = lotOf(2, "i", { A: 500 }, { facts: { bestBefore: "2026-03-10" } });

test("the earlier day takes first; who comes later finds what is left", () => {
  const { shortages } = reserve(
    [job("late", "2026-03-09", 500, 600, 700), job("soon", "2026-03-02", 550, 600, 650)],
    [fresh],
  );
  expect(shortages).toMatchObject([{ jobId: "late", there: 400, sure: true }]);
});
test("only where its need comes out high it may be short", () =>
  expect(reserve([job("a", "2026-03-02", 900, 950, 1100)], [fresh]).shortages).toMatchObject([
    { sure: false, there: 1000 },
  ]));
test("what is past its date on the day is not counted, and told", () => {
  const before = reserve([job("a", "2026-03-10", 1300, 1400, 1450)], [fresh, ending]);
  expect(before.shortages).toEqual([]);
  const after = reserve([job("a", "2026-03-11", 1300, 1400, 1450)], [fresh, ending]);
  expect(after.shortages).toMatchObject([{ there: 1000, past: [{ lotId: "lot-2", amount: 500 }] }]);
});
test("what ends sooner is used first, so that a later job still finds the rest", () => {
  const jobs = [job("a", "2026-03-05", 400, 400, 400), job("b", "2026-03-20", 900, 900, 900)];
  expect(reserve(jobs, [fresh, ending]).shortages).toEqual([]);
});
test("what is reserved of a thing is the sum of what the jobs take", () => {
  const { reservedOf } = reserve(
    [job("a", "2026-03-02", 90, 100, 140), job("b", "2026-03-03", 190, 200, 230)],
    [fresh],
  );
  // Spreads add in quadrature: √(40² + 30²) = 50.
  expect(reservedOf("i", "A")).toEqual({
    low: expect.closeTo(300 - Math.hypot(10, 10)),
    likely: 300,
    high: 350,
  });
  expect(reservedOf("i", "B")).toEqual(exactly(0));
});
test("words: what is short, of which half, what it needs, what is past its date and what is tried", () => {
  const jobs = [job("Bakery", "2026-03-11", 1300, 1400, 1450)];
  const [short] = shortWords(reserve(jobs, [fresh, ending]).shortages, {
    items: [itemOf("i", { name: "Slow coating" })],
    lots: [fresh, ending],
    jobs,
    system: "metric",
  });
  expect(short).toMatchObject({ name: "Bakery", sure: true });
  const plain = (text: string) =>
    text.replaceAll(/[\u2009\u00a0](?=\d)/g, "").replaceAll(/[\u2009\u00a0]/g, " ");
  const [thing] = short!.things;
  expect([thing!.name, thing!.sure, plain(thing!.lacks)]).toEqual(["Slow coating", true, "400 g of A"]);
  expect(plain(thing!.beside)).toBe(
    "It needs 1300 g to 1450 g. Past its date, not counted: L2-A with 500 g. Mix a test cup of 30 g first and leave it a day: it must set hard and clear. Warm cloudy A until it is clear.",
  );
});
test("jobs find together no more than is there", () =>
  fc.assert(
    fc.property(fc.array(fc.integer({ min: 1, max: 900 }), { maxLength: 8 }), (needs) => {
      const jobs = needs.map((need, n) => job(`${n}`, `2026-03-0${n + 1}`, need, need, need));
      const { shortages } = reserve(jobs, [fresh]);
      const lacks = shortages.reduce((all, { need, there }) => all + need.likely - there, 0);
      const sum = needs.reduce((all, need) => all + need, 0);
      expect(lacks).toBeCloseTo(Math.max(0, sum - 1000), 6);
    }),
  ));
