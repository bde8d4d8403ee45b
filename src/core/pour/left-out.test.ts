import { starterCards } from "../cure/starter-cards";
import { sampleJob } from "../job/sample-job";
import { derivePlan } from "../plan/derive-plan";
import { PASS } from "../passes/facts";
import { coatsAsPoured, realDays } from "./actuals";
import { comparePour } from "./compare-pour";
import { potNow } from "./pot-now";
import { foldPour, passesLeftOut, type PourEvent } from "./pour-events";
import { nextStep, stepsAsked } from "./sheet-now";
import { runSheet } from "./run-sheet";

let made = 0;
const newId = () => `id-${(made += 1)}`;
const cards = starterCards(newId);
const job = sampleJob(cards, newId);
const plan = derivePlan(job, cards);
const steps = runSheet(plan, "metric");
const colour = job.coats[2]!;
const ofColour = steps.filter(({ coatId }) => coatId === colour.id);
const titled = (title: string) => ofColour.find((step) => step.title.startsWith(title))!;
const startMs = Date.UTC(2026, 0, 5, 8);
const at = (minute: number) => new Date(startMs + 60_000 * minute).toISOString();
let number = 0;
const stamped = (minute: number) => ({ id: `e-${(number += 1)}`, at: at(minute) });
const tick = (stepId: string, minute: number): PourEvent => ({ ...stamped(minute), kind: "tick", stepId });
const skip = (stepId: string, minute: number): PourEvent => ({
  ...stamped(minute),
  kind: "skip",
  stepId,
  why: "torch is empty",
});

describe("an act that is left out", () => {
  const torch = titled("Torch");
  const upTo = steps.slice(0, steps.indexOf(torch)).map(({ id }, n) => tick(id, n));
  test("is not next any more, and the log says why", () => {
    expect(nextStep(steps, foldPour(upTo))?.id).toBe(torch.id);
    const state = foldPour([...upTo, skip(torch.id, 90)]);
    expect(nextStep(steps, state)?.id).toBe(steps[steps.indexOf(torch) + 1]!.id);
    expect(state.notes).toEqual([{ at: at(90), stepId: torch.id, text: "Left out: torch is empty" }]);
  });
  test("comes back by a step back, and is done when it is done after all", () => {
    const back = foldPour([
      ...upTo,
      skip(torch.id, 90),
      { ...stamped(91), kind: "untick", stepId: torch.id },
    ]);
    expect(nextStep(steps, back)?.id).toBe(torch.id);
    const done = foldPour([...upTo, skip(torch.id, 90), tick(torch.id, 92)]);
    expect(done.skipped.size).toBe(0);
    expect(done.doneAt.get(torch.id)).toBe(at(92));
  });
  test("its pass is out of the plan only when none of its turns is done", () => {
    expect(passesLeftOut(steps, foldPour([skip(torch.id, 1)]))).toEqual(
      new Set([`${colour.id}:${torch.passId}`]),
    );
    expect(passesLeftOut(steps, foldPour(upTo))).toEqual(new Set());
  });
  test("is not waited for: a pass is done with those of its turns that are done", () => {
    const many = sampleJob(cards, newId);
    many.coats[2]!.rateM2PerH = 1.6;
    const all = runSheet(derivePlan(many, cards), "metric");
    const laying = all.filter(
      ({ coatId, title }) => coatId === many.coats[2]!.id && title.startsWith("Lay the"),
    );
    expect(laying.length).toBeGreaterThan(1);
    const weigh = all.find(({ coatId, kind }) => coatId === many.coats[2]!.id && kind === "weigh")!;
    const state = foldPour([
      tick(weigh.id, 0),
      tick(laying[0]!.id, 9),
      ...laying.slice(1).map(({ id }) => skip(id, 12)),
    ]);
    const minuteOf = (moment: string) => (Date.parse(moment) - startMs) / 60_000;
    expect(realDays(all, state, minuteOf).get(many.coats[2]!.id)?.doneAtMin[laying[0]!.passId!]).toBe(9);
  });
});

test("how long a coat took is told though one of its laying passes was left out", () => {
  const laying = ofColour.filter(({ passId }) =>
    colour.passes.some(({ id, kind }) => id === passId && PASS[kind].phase === "laying"),
  );
  expect(laying.length).toBeGreaterThan(1);
  const weigh = titled("Weigh");
  const [first, ...others] = laying;
  const tookWith = (events: PourEvent[]) =>
    comparePour(plan, steps, foldPour([tick(weigh.id, 0), tick(first!.id, 9), ...events]), "metric").find(
      ({ coatId }) => coatId === colour.id,
    )!.tookMin;
  expect(tookWith([])).toBeNull();
  expect(tookWith(others.map(({ id }) => skip(id, 12)))).toBe(9);
});

describe("a coat that is left out", () => {
  const drop: PourEvent = { ...stamped(5), kind: "drop-coat", coatId: colour.id, why: "" };
  test("is asked for no more, what is done of it stays", () => {
    const first = ofColour[0]!;
    const asked = stepsAsked(steps, foldPour([tick(first.id, 1), drop]));
    expect(asked.filter(({ coatId }) => coatId === colour.id).map(({ id }) => id)).toEqual([first.id]);
    expect(asked.some(({ coatId }) => coatId !== colour.id)).toBe(true);
    expect(foldPour([drop]).notes).toEqual([
      { at: at(5), stepId: null, coatId: colour.id, text: "Left out." },
    ]);
  });
  test("comes back when it is poured after all", () => {
    const back: PourEvent = { ...stamped(8), kind: "bring-coat", coatId: colour.id };
    expect(stepsAsked(steps, foldPour([drop, back]))).toEqual(steps);
  });
  test("is planned no more; begun, it goes on, without the passes that are left out, and all else stays the same", () => {
    const minuteOf = (moment: string) => (Date.parse(moment) - startMs) / 60_000;
    const ids = (events: PourEvent[]) =>
      coatsAsPoured(plan, steps, foldPour(events), minuteOf).map(({ coat }) => coat.id);
    expect(ids([])).toContain(colour.id);
    expect(ids([drop])).not.toContain(colour.id);
    const weigh = titled("Weigh");
    expect(ids([tick(weigh.id, 1), drop])).toContain(colour.id);
    const torch = titled("Torch");
    const coats = coatsAsPoured(plan, steps, foldPour([skip(torch.id, 2)]), minuteOf);
    expect(coats.find(({ coat }) => coat.id === colour.id)!.coat.passes.map(({ id }) => id)).not.toContain(
      torch.passId,
    );
    const other = coats.find(({ coat }) => coat.id !== colour.id)!.coat;
    expect(job.coats.includes(other) || plan.coats.some(({ coat }) => coat === other)).toBe(true);
  });
});

describe("a mix in its pot", () => {
  const weigh = titled("Weigh");
  const life = plan.coats.find(({ coat }) => coat.id === colour.id)!.batched!.potLifeMin!;
  const mixed = [tick(weigh.id, 0)];
  const potAt = (minute: number, events: PourEvent[] = mixed) =>
    potNow(plan, steps, foldPour(events), startMs + 60_000 * minute);
  test("is told of before the earliest end of its life, not from the start", () => {
    expect(potAt(1)).toBeNull();
    const near = potAt(life.low - 3)!;
    expect(near.leftMin.low).toBeCloseTo(3, 6);
    expect(near.leftMin.high).toBeCloseTo(life.high - life.low + 3, 6);
    expect(near.coatName).toBe(colour.name);
  });
  test("is told of until it is surely hard, not for days", () => {
    expect(potAt(life.high + 50)!.leftMin.likely).toBeLessThan(0);
    expect(potAt(life.high + 61)).toBeNull();
  });
  test("is gone from the pot when its batch is laid, or not mixed at all", () => {
    const laid = [...mixed, tick(titled("Lay the colours").id, 8)];
    expect(potAt(life.low, laid)).toBeNull();
    expect(potAt(life.low, [])).toBeNull();
  });
});
