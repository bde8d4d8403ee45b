import { actsOf } from "../schedule/acts";
import { nextActs, planShop } from "../schedule/shop-days";
import { planDays } from "../schedule/plan-days";
import { derivePlan, withDays } from "../plan/derive-plan";
import { windowCoatsOf } from "../plan/timed";
import { settingsOf } from "../job/job-settings";
import type { PourEvent } from "../pour/pour-events";
import { runSheet } from "../pour/run-sheet";
import { sampleJob } from "../job/sample-job";
import { starterCards } from "../cure/starter-cards";
import { planAmong, shopJobs, whatNext, type ShopPour } from "./shop";
import { onTheWall, wallClock, wallMinutes } from "./wall-clock";

let made = 0;
const newId = () => `id-${(made += 1)}`;
const cards = starterCards(newId);
const document = sampleJob(cards, newId);
// Large enough for several batches of colour.
document.pieces[0] = { ...document.pieces[0]!, shape: { kind: "straight", lengthMm: 5200, depthMm: 900 } };
const plan = derivePlan(document, cards);
const steps = runSheet(plan, "metric");
const MEANS = { hands: 1, benchMm: null, spindles: null };

test("the run sheet has every act of Windows at its minute: mixes, and passes where each batch has its own", () => {
  const windows = plan.coats.flatMap((planned) => planned.windows ?? []);
  expect(windows.some(({ batches }) => batches.length > 1)).toBe(true);
  for (const act of actsOf(windows)) {
    const runSteps = steps.filter(({ coatId }) => coatId === act.coatId);
    const step =
      act.pass === null
        ? runSteps.find(({ kind, batch }) => kind === "weigh" && batch === act.batch)
        : runSteps.find(
            ({ passId, batch }) => passId === act.pass!.id && (act.batch === null || batch === act.batch),
          );
    expect([act.words, step?.atMin]).toEqual([act.words, act.atMin]);
  }
  // And nothing that Windows does not have.
  const known = new Set(
    windows.flatMap((window) => window.windows.map(({ pass }) => `${window.coatId} ${pass.id}`)),
  );
  for (const { coatId, passId } of steps) if (passId) expect(known).toContain(`${coatId} ${passId}`);
});

const zones = ["UTC", "America/New_York", "Asia/Tokyo", "Australia/Adelaide"];
/** Nine in the morning on the wall, and minutes after it. */
const after = (zone: string, minutes: number) => {
  const day = onTheWall(new Date("2026-05-14T12:00:00Z"), zone);
  day.setHours(9, 0, 0, 0);
  return new Date(day.getTime() + minutes * 60_000);
};
/** A pour that is done up to so many steps, each so many minutes later than planned. */
const pour = (zone: string, done: number, lateMin: number): ShopPour => {
  const startedAt = after(zone, 0).toISOString();
  const first = steps[0]!.atMin;
  const events = steps.slice(0, done).map((step, index): PourEvent => ({
    id: `e${index}`,
    at: after(zone, step.untilMin - first + lateMin).toISOString(),
    kind: "tick",
    stepId: step.id,
  }));
  return {
    id: "p",
    jobId: "j",
    jobName: "Counter",
    startedAt,
    finishedAt: null,
    plan: { document, cards },
    events,
  };
};

describe.each(zones)("a late pour on a wall in %s", (zone) => {
  test.each([1, 3, 8, 12])(
    "after %d acts, 25 minutes late: pour, foot line and bench tell the same next act at the same minute",
    (done) => {
      const late = pour(zone, done, 25);
      const clock = wallClock(after(zone, steps[done - 1]!.untilMin - steps[0]!.atMin + 26), zone);
      const next = whatNext(late, plan, steps, clock)!;
      expect(next.step.id).toBe(steps[done]!.id);
      const laid = planShop(shopJobs({ pours: [late], jobs: [], cards }, clock), MEANS);
      const acts = nextActs(laid, clock.nowMin, Infinity);
      const same = acts.find(
        ({ coatId, passId, kind }) =>
          coatId === next.step.coatId &&
          (next.step.kind === "pass" ? passId === next.step.passId : kind === "mix"),
      );
      if (next.step.kind === "pass" || next.step.kind === "weigh")
        expect(same!.atMin).toBeCloseTo(next.atMin, 6);
      // Its own clock says nine as the start.
      expect(clock.minuteOf(late.startedAt)).toBeCloseTo(540, 6);
    },
  );
});

test("a pour is told in the same minutes on every wall", () => {
  const minutes = zones.map((zone) => {
    const late = pour(zone, 5, 10);
    const clock = wallClock(after(zone, 60), zone);
    return whatNext(late, plan, steps, clock)!.atMin;
  });
  for (const atMin of minutes) expect(atMin).toBeCloseTo(minutes[0]!, 6);
});

test("among other work the run sheet is on the days that Windows shows, not on those of the job alone", () => {
  const clock = wallClock(new Date("2026-05-13T20:00:00Z"), "UTC");
  const dated = (id: string, startMin: number) => ({
    id,
    name: id,
    document: { ...document, work: { ...document.work, startOn: "2026-05-14", startMin } },
  });
  const [other, own] = [dated("other", 9 * 60), dated("own", 9 * 60 + 10)];
  const alone = derivePlan(own.document, cards);
  const among = planAmong(own, alone, { pours: [], jobs: [other, own], cards }, MEANS, clock);
  expect(among.coats[0]!.windows!.mixedAtMin).toBeGreaterThan(alone.coats[0]!.windows!.mixedAtMin);
  const sheet = runSheet(among, "metric");
  const [first] = sheet;
  expect(first!.atMin).toBe(
    Math.min(...actsOf(among.coats.flatMap(({ windows }) => windows ?? [])).map(({ atMin }) => atMin)),
  );
  const laid = planShop(shopJobs({ pours: [], jobs: [other, own], cards }, clock), MEANS);
  const here = laid.find(({ id }) => id === "own")!.plan.coats[0]!;
  expect(among.coats[0]!.windows!.mixedAtMin).toBeCloseTo(here.mixedAtMin - clock.dayMin("2026-05-14"), 6);
});

test("a plan on other days keeps what it is and moves when it is", () => {
  const later = planDays(windowCoatsOf(plan), 700, settingsOf(document, null));
  const moved = withDays(plan, later);
  expect(moved.coats[0]!.batched).toBe(plan.coats[0]!.batched);
  expect(runSheet(moved, "metric")[0]!.atMin).toBeCloseTo(700, 6);
});

test("the wall clock through the change of the hour: a day is 24 hours on the wall", () => {
  const zone = "America/New_York";
  // Clocks go forward on 8 March 2026.
  const [before, later] = [new Date("2026-03-07T17:00:00Z"), new Date("2026-03-08T16:00:00Z")];
  expect(wallMinutes(later, before, zone)).toBe(36 * 60);
  expect(wallClock(before, zone).dayMin("2026-03-09")).toBe(2 * 1440);
});

test("what is left out holds nothing up: the act after it is next, in the window that it has by what was done", () => {
  const zone = "UTC";
  const torch = steps.findIndex(({ title }) => title.startsWith("Torch"));
  const before = pour(zone, torch, 0);
  const now = after(zone, steps[torch]!.atMin - steps[0]!.atMin);
  const clock = wallClock(now, zone);
  const asked = whatNext(before, plan, steps, clock)!;
  expect(asked.step.id).toBe(steps[torch]!.id);
  expect(asked.window?.pass.kind).toBe("flame");
  const skip: PourEvent = {
    id: "skip",
    at: now.toISOString(),
    kind: "skip",
    stepId: steps[torch]!.id,
    why: "empty",
  };
  const next = whatNext({ ...before, events: [...before.events, skip] }, plan, steps, clock)!;
  expect(next.step.id).toBe(steps[torch + 1]!.id);
  // By the windows of what was really mixed, not earlier than its film allows.
  expect(next.window!.from.low).toBeLessThanOrEqual(next.window!.from.likely);
  expect(next.atMin).toBeGreaterThanOrEqual(clock.nowMin);
});
