import { starterCards } from "../cure/starter-cards";
import { sampleJob } from "../job/sample-job";
import { derivePlan } from "../plan/derive-plan";
import { coatsAsPoured } from "./actuals";
import { foldPour, type PourEvent } from "./pour-events";
import { runSheet } from "./run-sheet";
import { canBeFirst, laneOf, nextInLane, nextStep, sheetNow, stepsAsked } from "./sheet-now";

let made = 0;
const newId = () => `id-${(made += 1)}`;
const cards = starterCards(newId);
const job = sampleJob(cards, newId);
// So large that a coat is mixed in several batches.
job.pieces[0]!.shape = { kind: "straight", lengthMm: 4000, depthMm: 900 };
job.work.people = 2;
job.coats[2]!.rateM2PerH = 1.6;
const steps = runSheet(derivePlan(job, cards), "metric");
const startMs = Date.UTC(2026, 0, 5, 8);
let number = 0;
const stamped = () => ({
  id: `event-${(number += 1)}`,
  at: new Date(startMs + number * 60_000).toISOString(),
});
const tick = (stepId: string): PourEvent => ({ ...stamped(), kind: "tick", stepId });
const doneUpTo = (index: number) => steps.slice(0, index).map(({ id }) => tick(id));
const coatId = job.coats[2]!.id;
const ofCoat = steps.filter((step) => step.coatId === coatId);
const firstLaid = steps.indexOf(ofCoat.find(({ kind }) => kind === "pass")!);

test("a sheet of which nothing was changed is the sheet itself", () => {
  expect(sheetNow(steps, foldPour(doneUpTo(4)))).toBe(steps);
});

describe("once more", () => {
  const torch = steps.find(({ title }) => title.startsWith("Torch"))!;
  const at = steps.indexOf(torch) + 1;
  const events = [
    ...doneUpTo(at),
    { ...stamped(), kind: "again", stepId: torch.id, afterId: torch.id } as PourEvent,
  ];
  const state = foldPour(events);
  const added = nextStep(steps, state)!;
  test("it comes next, as the same act under an id of its own, and the others follow", () => {
    expect(added).toMatchObject({ title: `${torch.title}, once more`, passId: torch.passId, flame: true });
    expect(added.id).not.toBe(torch.id);
    expect(nextStep(steps, foldPour([...events, tick(added.id)]))?.id).toBe(steps[at]!.id);
  });
  test("a sheet that has it already is not given it again", () => {
    const once = sheetNow(steps, state);
    expect(sheetNow(once, state)).toEqual(once);
    expect(once).toHaveLength(steps.length + 1);
  });
  test("its pass is done, for the planner, when it is done as well", () => {
    const plan = derivePlan(job, cards);
    const doneOf = (of: PourEvent[]) =>
      coatsAsPoured(plan, steps, foldPour(of), (moment) => (Date.parse(moment) - startMs) / 60_000).find(
        ({ coat }) => coat.id === torch.coatId,
      )!.real!.doneAtMin[torch.passId!];
    expect(doneOf(doneUpTo(at))).toBeDefined();
    expect(doneOf(events)).toBeUndefined();
    expect(doneOf([...events, tick(added.id)])).toBeGreaterThan(0);
  });
});

describe("another order", () => {
  test("an act that is taken first is next; then it goes on as planned, and nothing is lost or doubled", () => {
    const weigh2 = ofCoat.find(({ kind, batch }) => kind === "weigh" && batch === 2)!;
    const events = [...doneUpTo(firstLaid), { ...stamped(), kind: "first", stepId: weigh2.id } as PourEvent];
    expect(nextStep(steps, foldPour(events))?.id).toBe(weigh2.id);
    expect(nextStep(steps, foldPour([...events, tick(weigh2.id)]))?.id).toBe(steps[firstLaid]!.id);
    const sheet = stepsAsked(steps, foldPour(events)).map(({ id }) => id);
    expect([...sheet].sort()).toEqual(steps.map(({ id }) => id).sort());
  });
  test("nothing is laid before it is mixed, nothing is mixed before it is weighed; done is done", () => {
    const none = foldPour([]);
    const can = steps.filter((step) => canBeFirst(step, steps, none));
    expect(can.filter(({ kind }) => kind === "weigh")).toHaveLength(
      steps.filter(({ kind }) => kind === "weigh").length,
    );
    // What is done to the coat below, before anything is mixed.
    expect(can.filter(({ kind }) => kind !== "weigh").every(({ title }) => /^Sand/.test(title))).toBe(true);
    const laid = steps[firstLaid]!;
    expect(canBeFirst(laid, steps, foldPour(doneUpTo(firstLaid)))).toBe(true);
    expect(canBeFirst(laid, steps, foldPour(doneUpTo(firstLaid + 1)))).toBe(false);
  });
});

describe("two pairs of hands", () => {
  test("one weighs and mixes on while the other is at the piece with what is mixed", () => {
    const state = foldPour(doneUpTo(firstLaid));
    expect(nextInLane(steps, state, "piece")?.id).toBe(steps[firstLaid]!.id);
    const atPots = nextInLane(steps, state, "mixing")!;
    expect([laneOf(atPots), atPots.kind, atPots.batch]).toEqual(["mixing", "weigh", 2]);
  });
  test("at the piece nothing is asked for that is not mixed", () => {
    expect(nextInLane(steps, foldPour([]), "piece")).toBeNull();
    expect(nextInLane(steps, foldPour([]), "mixing")?.id).toBe(steps[0]!.id);
    expect(nextInLane(steps, foldPour(doneUpTo(steps.length)), "mixing")).toBeNull();
  });
  test("an act is somebody's until it is given back", () => {
    const give = (to: string | null): PourEvent => ({ ...stamped(), kind: "give", stepId: steps[3]!.id, to });
    expect(foldPour([give("Tomas Reyle")]).givenTo.get(steps[3]!.id)).toBe("Tomas Reyle");
    expect(foldPour([give("Tomas Reyle"), give(null)]).givenTo.size).toBe(0);
  });
});
