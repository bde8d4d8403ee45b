import fc from "fast-check";
import { starterCards } from "../cure/starter-cards";
import { sampleJob } from "../job/sample-job";
import { derivePlan } from "../plan/derive-plan";
import { batchesAsWeighed } from "./batches-to-come";
import { heldNow } from "./held-now";
import { foldPour, type PourEvent } from "./pour-events";
import { runSheet } from "./run-sheet";
import { weighKey } from "./weigh-lines";
import { weighStepId } from "./weigh-step";

let made = 0;
const newId = () => `id-${(made += 1)}`;
const cards = starterCards(newId);
const job = sampleJob(cards, newId);
job.coats[2]!.rateM2PerH = 1;
job.coats[2]!.clearReserve = 0.1;
const plan = derivePlan(job, cards);
const planned = plan.coats[2]!;
const batches = planned.batched!.batches;
const sum = (all: readonly number[]) => all.reduce((total, one) => total + one, 0);
const plannedMl = sum(batches.map(({ parts }) => parts.mixMl));
const steps = runSheet(plan, "metric");
/** Batches weighed so many times as planned, A and B alike. */
const weighed = (times: readonly number[]) =>
  new Map(
    times.flatMap((by, index) => {
      const step = steps.find(({ id }) => id === weighStepId(planned.coat.id, index + 1))!;
      return step.weigh.flatMap(({ line, thing, plannedGrams }): [string, number][] =>
        thing.kind === "part" ? [[weighKey(step.id, line), plannedGrams * by]] : [],
      );
    }),
  );

test("the sample has several batches", () => expect(batches.length).toBeGreaterThan(2));

test("what was mixed more or less is made up for by the batches to come: the coat stays as much as planned", () => {
  fc.assert(
    fc.property(fc.double({ min: 1.0, max: 1.2, noNaN: true }), (by) => {
      const now = batchesAsWeighed(planned, plan.atHand, weighed([by]));
      // Less than one in a hundred of what is to come is left as it is.
      expect(Math.abs(sum(now.map(({ batch }) => batch.parts.mixMl)) - plannedMl)).toBeLessThan(
        0.011 * plannedMl,
      );
      const [, second, third] = now;
      if (by < 1.04) return;
      expect(second!.batch.parts.mixMl / second!.planned.parts.mixMl).toBeCloseTo(
        third!.batch.parts.mixMl / third!.planned.parts.mixMl,
        3,
      );
    }),
  );
});
test("its cups, colours and ratio follow, and the sheet says what was planned", () => {
  const all = weighed([1.15]);
  const [, second] = batchesAsWeighed(planned, plan.atHand, all);
  const by = second!.batch.parts.mixMl / second!.planned.parts.mixMl;
  expect(by).toBeLessThan(0.97);
  expect(sum(second!.batch.cups.map(({ ml }) => ml))).toBeCloseTo(
    by * sum(second!.planned.cups.map(({ ml }) => ml)),
    6,
  );
  expect(second!.batch.parts.aG / second!.batch.parts.bG).toBeCloseTo(
    second!.planned.parts.aG / second!.planned.parts.bG,
    9,
  );
  const sheet = runSheet(plan, "metric", all).find(({ id }) => id === weighStepId(planned.coat.id, 2))!;
  const [a] = sheet.weigh;
  expect(a!.grams / a!.plannedGrams).toBeCloseTo(by, 2);
});
test("nothing weighed, and what was weighed as planned, leaves all of it as planned", () => {
  for (const all of [new Map(), weighed([1, 1])])
    for (const { planned: was, batch } of batchesAsWeighed(planned, plan.atHand, all))
      // Weighed in whole grams.
      expect(Math.abs(batch.parts.mixMl / was.parts.mixMl - 1)).toBeLessThan(0.001);
});
test("a batch is never made less than half of what was planned", () => {
  const [, second] = batchesAsWeighed(planned, plan.atHand, weighed([6]));
  expect(second!.batch.parts.mixMl).toBeCloseTo(0.5 * second!.planned.parts.mixMl, 6);
});

describe("what is held back", () => {
  const startMs = Date.UTC(2026, 0, 5, 8);
  const tick = (number: number): PourEvent => ({
    id: `e-${number}`,
    at: new Date(startMs).toISOString(),
    kind: "tick",
    stepId: weighStepId(planned.coat.id, number),
  });
  const at = (minute: number, ...ticked: number[]) =>
    heldNow(planned, plan.atHand, foldPour(ticked.map(tick)), startMs + minute * 60_000, 22);
  test("is there once a batch is mixed, by the share of what is mixed, and counts down until it is hard", () => {
    expect(at(1)).toEqual([]);
    const clear = (minute: number, ...ticked: number[]) =>
      at(minute, ...ticked).find(({ name }) => /^Clear/.test(name));
    const one = clear(1, 1)!;
    const every = clear(1, ...batches.map(({ number }) => number))!;
    // Of a colour called clear, and of clear itself.
    const held = planned.batched!.held.filter(({ name }) => name === "Clear");
    expect(every.ml).toBeCloseTo(sum(held.map(({ ml }) => ml)), 6);
    expect(one.ml / every.ml).toBeCloseTo(batches[0]!.parts.mixMl / plannedMl, 6);
    expect(clear(11, 1)!.leftMin.likely).toBeCloseTo(one.leftMin.likely - 10, 6);
    expect(clear(one.leftMin.high + 2, 1)).toBeUndefined();
  });
});
