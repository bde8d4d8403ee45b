import { starterCards } from "../cure/starter-cards";
import { sampleJob } from "../job/sample-job";
import { derivePlan } from "../plan/derive-plan";
import { usualPass } from "../schedule/pass";
import { begunAtMs, cupsClock, mixClock, passClock, stageAt } from "./act-clock";
import { runSheet } from "./run-sheet";

describe("mixing a pot", () => {
  // Three passes, second container, two passes; scraping 20 s: common practice, no source.
  const clock = mixClock(4);
  test("goes by its method: three times, scraped over, two times more, all in its minutes", () => {
    const each = (240 - 20) / 5;
    expect(clock.stages.map(({ untilS }) => untilS)).toEqual([3 * each, 3 * each + 20, 240]);
    expect(clock.totalS).toBe(240);
  });
  test.each([
    [0, 1, 132, 240],
    [131.9, 1, 0.1, 108.1],
    [132, 2, 20, 108],
    [152, 3, 88, 88],
  ])("after %d s part %d is on", (sinceS, number, stageLeftS, leftS) => {
    const at = stageAt(clock, sinceS)!;
    expect(at.number).toBe(number);
    expect(at.stageLeftS).toBeCloseTo(stageLeftS, 9);
    expect(at.leftS).toBeCloseTo(leftS, 9);
  });
  test("is long enough when its minutes are over", () => expect(stageAt(clock, 240)).toBeNull());
});

test("cups mixed one by one count down in one", () => {
  expect(cupsClock(3, 3).stages).toEqual([{ words: "3 cups, one after the other, slowly", untilS: 180 }]);
});

describe("passes", () => {
  test("what takes its time whatever the size has a clock, what is done when it is done has none", () => {
    expect(passClock(usualPass("p", "wait"), 5)).toMatchObject({ totalS: 300, atMost: false });
    expect(passClock(usualPass("p", "lay"), 12)).toBeNull();
    expect(passClock({ ...usualPass("p", "spread"), lastsMin: 6 }, 6)).toMatchObject({ totalS: 360 });
  });
  test("heat is for no longer, a flame as much as warm air", () => {
    expect(passClock({ ...usualPass("p", "flame"), lastsMin: 1 }, 1)!.atMost).toBe(true);
    expect(passClock({ ...usualPass("p", "blow"), lastsMin: 2 }, 2)!.atMost).toBe(true);
  });
  test("no time is no clock", () => expect(passClock(usualPass("p", "wait"), 0)).toBeNull());
});

test("an act begins when the last of those before it was done, in whatever order they were ticked", () => {
  const start = "2026-01-05T08:00:00.000Z";
  expect(begunAtMs(new Map(), start)).toBe(Date.parse(start));
  const done = new Map([
    ["b", "2026-01-05T08:09:00.000Z"],
    ["a", "2026-01-05T08:04:00.000Z"],
  ]);
  expect(begunAtMs(done, start)).toBe(Date.parse("2026-01-05T08:09:00.000Z"));
});

test("on the run sheet mixing has the minutes of its title, and the film's passes none but their own", () => {
  let made = 0;
  const newId = () => `id-${(made += 1)}`;
  const cards = starterCards(newId);
  const steps = runSheet(derivePlan(sampleJob(cards, newId), cards), "metric");
  const mix = steps.find(({ kind }) => kind === "mix")!;
  expect(mix.title).toBe(`Mix ${mix.clock!.totalS / 60} minutes`);
  expect(steps.filter(({ kind }) => kind === "weigh").every(({ clock }) => clock === null)).toBe(true);
});
