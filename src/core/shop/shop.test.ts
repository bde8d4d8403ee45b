import { AHEAD_MIN, nextActs, planShop } from "../schedule/shop-days";
import { derivePlan } from "../plan/derive-plan";
import { newPiece } from "../geometry/new-piece";
import type { PourEvent } from "../pour/pour-events";
import { runSheet } from "../pour/run-sheet";
import { sampleJob } from "../job/sample-job";
import { starterCards } from "../cure/starter-cards";
import { behindMin, isLeftOpen, shopJobs, spaceOf, type ShopPour, type WallClock } from "./shop";

let counter = 0;
const newId = () => `id-${++counter}`;
const cards = starterCards(newId);
const document = sampleJob(cards, newId);
const steps = runSheet(derivePlan(document, cards), "metric");
const MIDNIGHT = Date.UTC(2026, 4, 14);
const at = (minute: number) => new Date(MIDNIGHT + minute * 60_000).toISOString();
const clock = (nowMin: number): WallClock => ({
  nowMin,
  minuteOf: (moment) => (Date.parse(moment) - MIDNIGHT) / 60_000,
  dayMin: (day) => (Date.parse(`${day}T00:00:00Z`) - MIDNIGHT) / 60_000,
});
const first = steps[0]!.coatId;
/** Ticks of the first coat's steps, one every few minutes from nine on. */
const ticks = (count: number, everyMin = 3): PourEvent[] =>
  steps
    .filter(({ coatId }) => coatId === first)
    .slice(0, count)
    .map((step, index) => ({ id: newId(), at: at(540 + index * everyMin), kind: "tick", stepId: step.id }));
const pour = (changes: Partial<ShopPour> = {}): ShopPour => ({
  id: "pour",
  jobId: "job",
  jobName: "Counter",
  startedAt: at(535),
  finishedAt: null,
  plan: { document, cards },
  events: ticks(2),
  ...changes,
});
const MEANS = { hands: 1, benchMm: null, spindles: null };

test("a live pour stands where it was mixed, and the rest follows from now", () => {
  const [job] = shopJobs({ pours: [pour()], jobs: [], cards }, clock(600));
  expect(job).toMatchObject({ stage: "wet", startMin: 535 });
  expect(job!.coats[0]!.real).toMatchObject({ batchesAtMin: [540] });
  const [laid] = planShop([job!], MEANS);
  expect(laid!.plan.coats[0]!.mixedAtMin).toBe(540);
  expect(laid!.plan.coats[1]!.mixedAtMin).toBeGreaterThanOrEqual(600);
  for (const act of nextActs([laid!], 600, AHEAD_MIN)) expect(act.atMin).toBeGreaterThanOrEqual(600);
});

test("the longer nothing happens, the further behind its plan it is; in time it is not behind", () => {
  const behind = (nowMin: number) => {
    const [job] = shopJobs({ pours: [pour()], jobs: [], cards }, clock(nowMin));
    const [laid] = planShop([job!], MEANS);
    return behindMin(job!, laid!.plan.coats[1]!.mixedAtMin) === null
      ? null
      : laid!.plan.coats[1]!.mixedAtMin - 540;
  };
  expect(behind(900)! - behind(545)!).toBeGreaterThan(100);
  const [fresh] = shopJobs({ pours: [pour({ events: ticks(1) })], jobs: [], cards }, clock(541));
  expect(Math.abs(behindMin(fresh!, planShop([fresh!], MEANS)[0]!.plan.endMin)!)).toBeLessThan(2);
  const [unmixed] = shopJobs({ pours: [pour({ events: [] })], jobs: [], cards }, clock(541));
  expect(behindMin(unmixed!, 1000)).toBeNull();
});

test("a finished pour hardens; coats that were never mixed are not to come", () => {
  const [job] = shopJobs({ pours: [pour({ finishedAt: at(700) })], jobs: [], cards }, clock(720));
  expect(job).toMatchObject({ stage: "curing" });
  expect(job!.coats.map(({ coat }) => coat.id)).toEqual([first]);
  expect(
    shopJobs({ pours: [pour({ finishedAt: at(700), events: [] })], jobs: [], cards }, clock(720)),
  ).toEqual([]);
});

test("a pour of which nothing was heard for a week was left open", () => {
  expect(isLeftOpen(pour(), clock(540 + 6 * 1440))).toBe(false);
  expect(isLeftOpen(pour(), clock(560 + 7 * 1440))).toBe(true);
  expect(shopJobs({ pours: [pour()], jobs: [], cards }, clock(560 + 7 * 1440))).toEqual([]);
});

test("a dated job stands on its day; its logger's readings move with it; one that is poured now is not planned again", () => {
  const readings = [
    [0, 20],
    [600, 24],
  ] as const;
  const dated = {
    id: "other",
    name: "Table",
    document: {
      ...document,
      work: { ...document.work, startOn: "2026-05-16", room: { kind: "logger" as const, readings } },
    },
  };
  const [job] = shopJobs({ pours: [], jobs: [dated], cards }, clock(600));
  expect(job).toMatchObject({ stage: "planned", startMin: 2 * 1440 + document.work.startMin });
  expect(job!.settings.room).toEqual({
    kind: "logger",
    readings: [
      [2880, 20],
      [3480, 24],
    ],
  });
  const live = { ...dated, id: "job" };
  expect(shopJobs({ pours: [pour()], jobs: [live], cards }, clock(600))).toHaveLength(1);
  const undated = { id: "none", name: "None", document };
  expect(shopJobs({ pours: [], jobs: [undated], cards }, clock(600))).toEqual([]);
});

test("counters take bench by their length, tumblers spindles, floors nothing", () => {
  const pieces = [
    { ...newPiece("straight", "Run", newId), count: 2 },
    { ...newPiece("tumbler", "Tumbler", newId), count: 6 },
    newPiece("floor", "Hall", newId),
  ];
  const measured = derivePlan({ ...document, pieces }, cards).pieces;
  const run = measured.find(({ name }) => name === "Run")!;
  expect(spaceOf(measured)).toEqual({ benchMm: 2 * run.outline.widthMm, spindles: 6 });
});
