import { starterColours } from "../colour/starter-colours";
import { starterCards } from "../cure/starter-cards";
import { sampleJob } from "../job/sample-job";
import { derivePlan } from "../plan/derive-plan";
import { actsOf } from "../schedule/acts";
import { shoppingFor } from "../shop/shopping";
import { jobCost, priceForMargin, resinPerMl } from "./job-cost";
import { USUAL_RATES, type Rates } from "./rates";

let made = 0;
const newId = () => `id-${(made += 1)}`;
const cards = starterCards(newId);
const colours = starterColours(newId);
const coating = cards.find(({ kind }) => kind === "coating")!;
const job = sampleJob(cards, newId);
const plan = derivePlan(job, cards, colours);
const BARE: Rates = {
  ...USUAL_RATES,
  hourly: 0,
  setUpMin: 0,
  boards: 0,
  disposalPerLitre: 0,
  overheadPct: 0,
  usedUp: [],
};
const costOf = (rates: Partial<Rates>, people = 1, lots: Record<string, number> = {}) =>
  jobCost(plan, people, { ...BARE, ...rates }, colours, lots);
const ofKind = (cost: ReturnType<typeof jobCost>, kind: string) =>
  cost.lines.filter((line) => line.kind === kind);

test("by hand: a litre at 24.00 is 2.4 cents a millilitre; as lots were paid for it is that; with kits alone what is bought of them", () => {
  expect(resinPerMl(coating, 1000, "USD", null)).toEqual({ perMl: 2.4, by: "litre" });
  expect(resinPerMl(coating, 1000, "USD", 0.03)).toEqual({ perMl: 3, by: "lot" });
  const byKit = { ...coating, pricePerLitre: null, kits: [{ ml: 4000, price: 100 }] };
  expect(resinPerMl(byKit, 1000, "USD", null)).toEqual({ perMl: 2.5, by: "kits" });
  expect(resinPerMl({ ...byKit, kits: [] }, 1000, "USD", null)).toBeNull();
});
test("resin costs what the plan mixes of it, at both ends of its spread; what has no price is named, not counted as nothing", () => {
  const cost = costOf({});
  const ml = shoppingFor([plan]).resins.find(({ card }) => card.id === coating.id)!.ml;
  const line = ofKind(cost, "resin").find(({ words }) => words === coating.name)!;
  for (const end of ["low", "likely", "high"] as const) expect(line.cost![end]).toBeCloseTo(2.4 * ml[end], 6);
  const unpriced = cost.lines.filter((one) => one.cost === null).map(({ words }) => words);
  expect(cost.unpriced).toEqual(unpriced);
  expect(cost.unpriced.length).toBeGreaterThan(0);
});
test("hours are the plan's own minutes: each act by all that are there, mixing by one", () => {
  const acts = actsOf(plan.coats.flatMap(({ windows }) => windows ?? [])).filter(({ maybe }) => !maybe);
  const minutes = (people: number) =>
    acts.reduce(
      (sum, { kind, atMin, untilMin }) => sum + (untilMin - atMin) * (kind === "mix" ? 1 : people),
      0,
    );
  const cost = costOf({ hourly: 6000 }, 1);
  expect(cost.hours.likely).toBeCloseTo(minutes(1) / 60, 6);
  expect(ofKind(cost, "hours")[0]!.cost!.likely).toBeCloseTo(100 * minutes(1), 4);
  expect(costOf({ hourly: 6000 }, 2).hours.likely).toBeCloseTo(minutes(2) / 60, 6);
  expect(cost.hours.low).toBeLessThan(cost.hours.likely);
});
test("setting up counts by the day, boards by the board, overhead on all of it", () => {
  const days = new Set(
    actsOf(plan.coats.flatMap(({ windows }) => windows ?? [])).map(({ atMin }) => Math.floor(atMin / 1440)),
  ).size;
  const more = costOf({ hourly: 6000, setUpMin: 30, boards: 2, boardMin: 45, boardMl: 100 });
  const less = costOf({ hourly: 6000 });
  // A cent a second: 100 a minute; 2.4 a millilitre.
  expect(more.total.likely - less.total.likely).toBeCloseTo(100 * 30 * days + 2 * (100 * 45 + 2.4 * 100), 4);
  expect(more.hours.likely - less.hours.likely).toBeCloseTo((30 * days + 90) / 60, 9);
  expect(costOf({ hourly: 6000, overheadPct: 20 }).total.likely).toBeCloseTo(1.2 * less.total.likely, 6);
});
test("what is used up goes by what the plan counts: coats, people, cups, sticks, edges", () => {
  const used = (by: Rates["usedUp"][number]["by"], people = 1) =>
    ofKind(costOf({ usedUp: [{ words: "x", by, many: 2, each: 10 }] }, people), "used up")[0]?.cost?.likely ??
    0;
  const coats = plan.coats.filter(({ batched }) => batched).length;
  const { vessels, sticks } = shoppingFor([plan]);
  expect(used("coat")).toBe(20 * coats);
  expect(used("person and coat", 3)).toBe(60 * coats);
  expect(used("cup")).toBe(20 * vessels.reduce((sum, { count }) => sum + count, 0));
  expect(used("stick")).toBe(20 * sticks);
  expect(used("edge m")).toBeCloseTo((20 * (plan.totals.openLengthMm + plan.totals.dripLengthMm)) / 1000, 9);
});
test("the lines come to the total; a margin of 40 % stays of the price", () => {
  const cost = jobCost(plan, 2, USUAL_RATES, colours);
  const sum = cost.lines.reduce((all, line) => all + (line.cost?.likely ?? 0), 0);
  expect(sum).toBeCloseTo(cost.total.likely, 6);
  const price = priceForMargin(6000, 40);
  expect(price).toBeCloseTo(10_000, 9);
  expect((price - 6000) / price).toBeCloseTo(0.4, 12);
});
