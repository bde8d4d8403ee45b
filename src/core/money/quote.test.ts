import { starterCards } from "../cure/starter-cards";
import { jobWithLook } from "../job/looks";
import { sampleJob } from "../job/sample-job";
import { derivePlan } from "../plan/derive-plan";
import { USUAL_RATES } from "./rates";
import { jobCost } from "./job-cost";
import {
  askedWords,
  lookPrice,
  notCovered,
  quotedCost,
  quoteNumber,
  quoteState,
  type QuoteEntry,
} from "./quote";

let made = 0;
const newId = () => `id-${(made += 1)}`;
const cards = starterCards(newId);
const job = sampleJob(cards, newId);
const RULES = { currency: "USD", taxPct: 7.25, taxBy: "total" as const, roundTo: 500 };
const look = (each: number, rushPct = 0) => ({
  lines: [
    { words: "Counter", quantity: 40, unit: "ft2" as const, each },
    { words: "Cut-out", quantity: 0, unit: "piece" as const, each: 7500 },
  ],
  rushPct,
});

test("numbers are counted within their year", () => {
  expect(quoteNumber({ year: 2026, number: 1 })).toBe("2026-001");
  expect(quoteNumber({ year: 2027, number: 1204 })).toBe("2027-1204");
});
test("by hand: 40 ft² at 95.00 are 3800.00, rush 10 % makes 4180.00; sales tax 7.25 % is 303.05; what is asked of none is no line", () => {
  const price = lookPrice(RULES, look(9500, 10));
  expect([price.net, price.tax, price.total]).toEqual([418_000, 30_305, 448_305]);
  expect(price.lines.map(({ words }) => words)).toEqual(["Counter", "Rush, 10 %"]);
  const asked = (each: number[]) =>
    askedWords({ rules: { ...RULES, taxPct: 0 }, looks: each.map((one) => look(one)) as never });
  expect(asked([9500])).toBe("$3,800.00");
  expect(asked([9500, 6500, 8000])).toBe("$2,600.00 to $3,800.00");
});
test("the last word counts; one that nobody answered runs out after its last day, and one that was answered does not", () => {
  const entry = (kind: QuoteEntry["kind"], lookId = "b") =>
    ({ id: kind, at: "", by: "", words: "", kind, lookId }) as QuoteEntry;
  const state = (entries: QuoteEntry[], today = "2026-06-30") =>
    quoteState({ validUntil: "2026-06-30" }, entries, today);
  expect(state([]).state).toBe("made");
  expect(state([entry("sent")]).state).toBe("sent");
  expect(state([entry("sent")], "2026-07-01").state).toBe("expired");
  expect(state([], "2026-07-01").state).toBe("expired");
  expect(state([entry("sent"), entry("accepted", "a")], "2026-07-01")).toEqual({
    state: "accepted",
    lookId: "a",
  });
  expect(state([entry("accepted"), entry("declined")], "2026-07-01")).toEqual({
    state: "declined",
    lookId: null,
  });
  expect(state([entry("withdrawn")]).state).toBe("withdrawn");
  expect(state([entry("declined"), entry("sent")]).state).toBe("sent");
});
test("what was reckoned keeps resin, hours and all else apart; with overhead they come to the cost again", () => {
  const cost = jobCost(derivePlan(job, cards), 2, USUAL_RATES, []);
  const kept = quotedCost(cost, USUAL_RATES, 1e6);
  const resin = kept.resins.reduce((sum, { cost: one }) => sum + (one?.likely ?? 0), 0);
  expect(resin).toBeGreaterThan(0);
  const all = (resin + kept.hours.likely * kept.hourly + kept.other.likely) * (1 + kept.overheadPct / 100);
  expect(all).toBeCloseTo(cost.total.likely, 6);
  expect(kept.other.low).toBeLessThanOrEqual(kept.other.likely);
});
test("a plan is covered whatever its day, its room and its notes; another film, piece or look is not", () => {
  expect(
    notCovered(
      job,
      {
        ...job,
        work: { ...job.work, people: 3, startOn: "2026-07-01", tempC: 18 },
        notes: "ring first",
        nextTime: ["x"],
        factors: { cupFilm: 9 } as never,
      },
      "metric",
    ),
  ).toEqual([]);
  const { rehearsal: _none, ...unsaid } = job;
  expect(notCovered(unsaid, { ...unsaid, rehearsal: { seed: 1, angleDeg: 26 } }, "metric")).toEqual([]);
  expect(notCovered(unsaid, { ...unsaid, rehearsal: { seed: 7, angleDeg: 26 } }, "metric")).toEqual([
    { where: "rehearsal · sister", before: "1", after: "7" },
  ]);
  const [coat, ...others] = job.coats;
  const thicker = { ...job, coats: [{ ...coat!, filmMm: coat!.filmMm + 1 }, ...others] };
  expect(notCovered(job, thicker, "metric")).toEqual([
    expect.objectContaining({ where: expect.stringMatching(/film$/) }),
  ]);
  expect(notCovered(job, { ...job, pieces: [] }, "metric")).toHaveLength(job.pieces.length);
  expect(notCovered(job, jobWithLook(job, "straight-grain", newId)!, "metric").length).toBeGreaterThan(2);
});
