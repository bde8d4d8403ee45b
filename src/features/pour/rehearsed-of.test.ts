import { starterCards } from "@/core/cure/starter-cards";
import { sampleJob } from "@/core/job/sample-job";
import { derivePlan } from "@/core/plan/derive-plan";
import { picturedAround } from "@/core/pour/act-picture";
import { runSheet } from "@/core/pour/run-sheet";
import { rehearsedOf } from "./rehearsed-of";

let made = 0;
const newId = () => `id-${(made += 1)}`;
const cards = starterCards(newId);
const job = sampleJob(cards, newId);
const plan = derivePlan(job, cards);
const piece = plan.pieces[0]!;

test("every pass of a rehearsed piece is on the run sheet: from nothing, one after the other, to all of it", () => {
  const steps = runSheet(plan, "metric");
  const of = rehearsedOf(plan, job, piece, piece.id)!;
  const around = steps.map((step) => picturedAround(of.passes, steps, step));
  expect(around[0]).toEqual({ before: 0, after: 0 });
  expect(around.at(-1)!.after).toBe(of.passes.length);
  around.slice(1).forEach(({ before, after }, n) => {
    expect(before).toBe(around[n]!.after);
    expect(after).toBeGreaterThanOrEqual(before);
  });
});
test("a rehearsal is worked out once for a plan", () => {
  expect(rehearsedOf(plan, job, piece, piece.id)).toBe(rehearsedOf(plan, job, piece, piece.id));
});
