import { splitParts } from "../batch/parts";
import { exactly } from "../numerics/spread";
import { starterCards } from "../cure/starter-cards";
import { sampleJob } from "../job/sample-job";
import { derivePlan } from "../plan/derive-plan";
import type { PourEvent } from "../pour/pour-events";
import { runSheet } from "../pour/run-sheet";
import { shoppingFor } from "../shop/shopping";
import { needsOf } from "./needs";
import { itemOf } from "./testing/items";
import { SMALL_POURS, smallPoursOf } from "./use-up";
import { weighedOut } from "./weighed-out";

let made = 0;
const newId = () => `id-${(made += 1)}`;
const cards = starterCards(newId);
const coating = cards.find(({ kind }) => kind === "coating")!;
const job = sampleJob(cards, newId);
const colour = job.coats.find(({ kind }) => kind === "colour")!;
colour.colours = colour.colours.map((one, index) => ({
  ...one,
  parts: [{ cardId: `colour-${index}`, name: one.name, gPer100G: 2, measure: { unit: "gram" } }],
}));
const plan = derivePlan(job, cards);
const lines = runSheet(plan, "metric").flatMap((step) => step.weigh.map((line) => ({ step, line })));
const weighed = (id: string, stepId: string, line: string, grams: number, minute: number): PourEvent => ({
  id,
  at: new Date(Date.UTC(2026, 2, 2, 8, minute)).toISOString(),
  kind: "weighed",
  stepId,
  line,
  grams,
});
const all = lines.map(({ step, line }, n) => weighed(`w${n}`, step.id, line.line, line.grams, n));

test("all of a plan weighed as planned is what its mixes hold, and each colour goes by its own card", () => {
  const out = weighedOut(plan, all);
  const total = (cardId: string, part: string) =>
    out
      .filter((line) => line.cardId === cardId && line.part === part)
      .reduce((sum, { grams }) => sum + grams, 0);
  const parts = plan.coats
    .filter(({ resin }) => resin?.id === coating.id)
    .flatMap(({ batched }) => batched?.batches ?? [])
    .flatMap((batch) =>
      batch.cups.some((cup) => cup.parts) ? batch.cups.map((cup) => cup.parts!) : [batch.parts],
    );
  // To whole grams and tenths, as a scale weighs.
  const near = (value: number) => ({ low: value * 0.995 - 2, high: value * 1.005 + 2 });
  for (const [part, sum] of [
    ["A", parts.reduce((grams, { aG }) => grams + aG, 0)],
    ["B", parts.reduce((grams, { bG }) => grams + bG, 0)],
  ] as const) {
    expect(total(coating.id, part)).toBeGreaterThan(near(sum).low);
    expect(total(coating.id, part)).toBeLessThan(near(sum).high);
  }
  expect(out.filter(({ cardId }) => cardId === "colour-0").length).toBeGreaterThan(0);
  expect(out.map(({ at }) => at)).toEqual([...out.map(({ at }) => at)].sort());
});
test("what was weighed twice counts once, as it was weighed last; a lot that was said holds for the same part from then on", () => {
  const ofA = lines.filter(
    ({ line }) => line.thing.kind === "part" && line.thing.part === "A" && line.label !== "paint",
  );
  const [first, second] = ofA as [(typeof ofA)[number], (typeof ofA)[number]];
  const lot: PourEvent = {
    id: "l",
    at: "2026-03-02T08:00:30.000Z",
    kind: "lot",
    stepId: first.step.id,
    line: first.line.line,
    lot: "L7",
  };
  const out = weighedOut(plan, [
    weighed("1", first.step.id, first.line.line, 100, 1),
    weighed("2", first.step.id, first.line.line, 120, 2),
    weighed("3", second.step.id, second.line.line, 80, 3),
    lot,
  ]);
  expect(out.map(({ grams, lot: said }) => [grams, said])).toEqual([
    [120, "L7"],
    [80, "L7"],
  ]);
});

test("a plan takes of both halves what its mix is made of, at both ends of its spread", () => {
  const needs = needsOf(plan, [
    itemOf("resin", { cardId: coating.id }),
    itemOf("sticks", { kind: "consumable", use: "stick" }),
    itemOf("cup", { kind: "consumable", use: "cup", cupMl: shoppingFor([plan]).vessels[0]!.nominalMl }),
  ]);
  const ml = shoppingFor([plan]).resins.find(({ card }) => card.id === coating.id)!.ml;
  const of = (part: string) => needs.find((need) => need.itemId === "resin" && need.part === part)!.amount;
  for (const end of ["low", "likely", "high"] as const) {
    expect(of("A")[end]).toBeCloseTo(splitParts(ml[end], coating).aG, 6);
    expect(of("B")[end]).toBeCloseTo(splitParts(ml[end], coating).bG, 6);
  }
  expect(needs.find(({ itemId }) => itemId === "sticks")?.amount).toEqual(
    exactly(shoppingFor([plan]).sticks),
  );
  expect(needs.find(({ itemId }) => itemId === "cup")?.amount.likely).toBe(
    shoppingFor([plan]).vessels[0]!.count,
  );
  expect(needsOf(plan, [])).toEqual([]);
});
test("what is over goes into small things that it fills, none deeper than the resin may be poured", () => {
  // π/4 · 10² cm² · 0.8 cm = 62.8 ml.
  expect(SMALL_POURS[0]!.ml).toBeCloseTo(62.83, 2);
  expect(smallPoursOf(65, 10)).toMatchObject([{ times: 1 }]);
  expect(smallPoursOf(60, 10)).toEqual([]);
  for (const { pour, times } of smallPoursOf(800, 6)) {
    expect(times * pour.ml).toBeLessThanOrEqual(800);
    expect(pour.depthMm).toBeLessThanOrEqual(6);
  }
  expect(smallPoursOf(800, null).every(({ pour }) => pour.depthMm <= 2)).toBe(true);
});
