import { starterCards } from "../cure/starter-cards";
import { newCutOut } from "../geometry/new-piece";
import { sampleJob } from "../job/sample-job";
import { derivePlan } from "../plan/derive-plan";
import { USUAL_RATES } from "./rates";
import { suggestedLines } from "./suggested";

let made = 0;
const newId = () => `id-${(made += 1)}`;
const cards = starterCards(newId);

test("a counter of 1000 × 500 mm, twice, with a sink each: 1 m² less the sinks by the first row of area, its face, two cut-outs; what cannot be counted is none", () => {
  const job = sampleJob(cards, newId);
  const [piece] = job.pieces;
  piece!.shape = { kind: "straight", lengthMm: 1000, depthMm: 500 };
  piece!.count = 2;
  piece!.cutOuts = [newCutOut("Sink", piece!, newId)];
  const plan = derivePlan(job, cards);
  const lines = suggestedLines(
    [
      { words: "Metallic", unit: "m2", each: 100 },
      { words: "Plain", unit: "ft2", each: 50 },
      { words: "Face", unit: "m", each: 10 },
      { words: "Cut-out", unit: "piece", each: 75 },
      { words: "Inlay", unit: "piece", each: 90 },
      { words: "Delivery", unit: "flat", each: 60 },
    ],
    plan,
  );
  expect(lines[0]!.quantity).toBeCloseTo(plan.totals.topAreaMm2 / 1e6, 2);
  expect(lines[0]!.quantity).toBeLessThan(1);
  expect(lines.slice(1).map(({ quantity }) => quantity)).toEqual([
    0,
    Math.round(plan.totals.faceLengthMm / 10) / 100,
    2,
    0,
    0,
  ]);
});
test("in feet it is the same area: 10.764 ft² to a m²", () => {
  const plan = derivePlan(sampleJob(cards, newId), cards);
  const [inFeet] = suggestedLines(USUAL_RATES.list, plan);
  expect(inFeet!.quantity).toBeCloseTo((plan.totals.topAreaMm2 / 1e6) * 10.7639, 1);
});
