import { derivePlan } from "@/core/plan/derive-plan";
import { sampleJob } from "@/core/job/sample-job";
import { starterCards } from "@/core/cure/starter-cards";
import { batchJson } from "./batch-json";
import { batchSheet } from "./batch-lines";

let made = 0;
const newId = () => `id-${(made += 1)}`;
const cards = starterCards(newId);
const job = sampleJob(cards, newId);
const plan = derivePlan(job, cards);

test.each(["metric", "us"] as const)(
  "as JSON and back, %s: batches in order, cups sum to what is mixed, shares to one",
  (system) => {
    const sheet = JSON.parse(
      JSON.stringify(batchJson("Counter", batchSheet(plan, system), [])),
    ) as ReturnType<typeof batchJson>;
    expect(sheet).toMatchObject({ format: "gaugebeam.batch-sheet", version: 1, job: "Counter" });
    expect(sheet.batches.length).toBe(
      plan.coats.reduce((sum, { batched }) => sum + (batched?.batches.length ?? 0), 0),
    );
    for (const batch of sheet.batches) {
      if (batch.cups.length === 0) continue;
      const ml = batch.cups.reduce((sum, cup) => sum + cup.ml, 0);
      expect(Math.abs(ml - batch.mixMl)).toBeLessThanOrEqual(1 + batch.cups.length);
      expect(batch.cups.reduce((sum, cup) => sum + cup.share, 0)).toBeCloseTo(1, 1);
      // Millilitres and grams to two places, whatever the person reads.
      for (const { ml: own, g } of batch.cups)
        for (const value of [own, g])
          expect(Math.abs(value * 100 - Math.round(value * 100))).toBeLessThan(1e-6);
    }
  },
);

test("what is weighed adds up to the mix", () => {
  for (const { weigh, mixG } of batchJson("Counter", batchSheet(plan, "metric"), []).batches) {
    const [a, b] = ["A", "B"].map((part) => weigh.find(({ label }) => label.startsWith(`${part},`))?.g ?? 0);
    if (a && b) expect(Math.abs(a + b - mixG) / mixG).toBeLessThan(0.02);
  }
});
