import { derivePlan } from "../plan/derive-plan";
import { windowCoatsOf } from "../plan/timed";
import { sampleJob } from "../job/sample-job";
import { starterCards } from "../cure/starter-cards";
import { findStarts } from "../schedule/find-starts";
import { USUAL_HOURS } from "../schedule/hours";
import { type PassKind } from "../passes/facts";
import { usualPass } from "../schedule/pass";
import {
  before,
  beside,
  countedFrom,
  layBeside,
  nextActs,
  planShop,
  type ShopJob,
  type ShopMeans,
  type Space,
} from "../schedule/shop-days";
import { planDays } from "../schedule/plan-days";
import type { Real } from "../schedule/coat-windows";

let counter = 0;
const newId = () => `id-${++counter}`;
const cards = starterCards(newId);
const colour = windowCoatsOf(derivePlan(sampleJob(cards, newId), cards)).find(
  ({ coat }) => coat.kind === "colour",
)!;
const MEANS: ShopMeans = { hands: 1, benchMm: null, spindles: null };
const NINE = 540;

function job(
  name: string,
  startMin: number,
  changes: Partial<ShopJob> & { kinds?: PassKind[]; real?: Real } = {},
): ShopJob {
  const { kinds = ["lay", "palm", "alcohol"], real, ...rest } = changes;
  const passes = kinds.map((kind) => usualPass(kind, kind));
  return {
    id: name,
    jobId: name,
    name,
    stage: "planned",
    coats: [
      {
        ...colour,
        coat: { ...colour.coat, id: `${name}-coat`, name: `${name} colour`, passes },
        ...(real ? { real } : {}),
      },
    ],
    startMin,
    settings: { room: { kind: "constant", tempC: 21 }, hours: USUAL_HOURS, people: 1, nowMin: 0 },
    space: { benchMm: 2000, spindles: 0 },
    ...rest,
  };
}
const kinds = (plan: { troubles: readonly { kind: string }[] }) => plan.troubles.map(({ kind }) => kind);

describe("what comes in rounds, and what takes no hands", () => {
  const scraping = () => {
    const floor = job("Floor", NINE);
    const passes = [
      usualPass("lay", "lay"),
      usualPass("scrape", "drip-scrape", { repeat: { everyMin: 30, times: 4 } }),
      usualPass("fan", "fan"),
    ];
    return {
      ...floor,
      coats: floor.coats.map((planned) => ({ ...planned, coat: { ...planned.coat, passes } })),
    };
  };
  test("between rounds the hands are free for another piece, which does not wait for the last of them", () => {
    const [floor] = planShop([scraping()], MEANS);
    const { turns } = floor!.plan.coats[0]!.windows.find(({ pass }) => pass.id === "scrape")!;
    expect(turns).toHaveLength(4);
    for (const { atMin, untilMin } of turns)
      expect(floor!.busy.some(({ fromMin, toMin }) => fromMin <= atMin && toMin >= untilMin)).toBe(true);
    const after = turns[1]!.untilMin + 1;
    expect(floor!.busy.every(({ fromMin, toMin }) => after < fromMin || after > toMin)).toBe(true);
    const laid = planShop([scraping(), job("Table", after, { kinds: ["lay"] })], MEANS);
    const table = laid.find(({ name }) => name === "Table")!;
    expect(table.plan.coats[0]!.mixedAtMin).toBeLessThan(turns[3]!.atMin);
  });
});

describe("two pieces and one pair of hands", () => {
  test("the later start waits, and says so; with a second pair both are as if alone", () => {
    const jobs = [job("Floor", NINE), job("Table", NINE + 5)];
    const [floor, table] = planShop(jobs, MEANS);
    expect(floor!.plan).toEqual(planDays(jobs[0]!.coats, NINE, { ...jobs[0]!.settings, taken: [] }));
    expect(table!.plan.coats[0]!.mixedAtMin).toBeGreaterThan(NINE + 5);
    expect(table!.plan.troubles[0]).toMatchObject({
      kind: "waits",
      words: expect.stringMatching(/on Floor/),
    });
    const both = planShop(jobs, { ...MEANS, hands: 2 });
    both.forEach(({ plan }, index) => expect(plan.coats[0]!.mixedAtMin).toBe(jobs[index]!.startMin));
  });
  test("never do two acts share one pair of hands", () => {
    const laid = planShop(
      [job("A", NINE), job("B", NINE + 20), job("C", NINE + 25, { kinds: ["lay", "veins", "dam-pull"] })],
      MEANS,
    );
    const all = laid.map(({ busy }) => busy);
    all.forEach((busy, index) => {
      for (const other of all.slice(index + 1).flat())
        for (const { fromMin, toMin } of busy)
          expect(Math.min(toMin, other.toMin) - Math.max(fromMin, other.fromMin)).toBeLessThan(1e-6);
    });
  });
  test("a pass whose window is over when hands come is named with the work that has them", () => {
    // The floor is worked while the table's dam would have to be pulled.
    const table = job("Table", NINE, { kinds: ["lay", "alcohol"] });
    const floor = {
      ...job("Floor", NINE - 60),
      stage: "wet" as const,
      coats: [{ ...colour, batched: { ...colour.batched, workMin: { low: 400, likely: 400, high: 400 } } }],
    };
    const late = layBeside(
      {
        ...table,
        coats: table.coats.map((planned) => ({
          ...planned,
          real: { batchesAtMin: [NINE], doneAtMin: {}, doneTurns: {} },
        })),
      },
      planShop([floor], MEANS),
      MEANS,
    );
    expect(late.plan.troubles.map(({ kind, words }) => [kind, words])).toContainEqual([
      "hands",
      expect.stringMatching(/waits for hands, which are on Floor/),
    ]);
  });
  test("what is wet goes before what is planned, whenever that starts", () => {
    const wet = job("Wet", NINE, {
      stage: "wet",
      real: { batchesAtMin: [NINE], doneAtMin: {}, doneTurns: {} },
    });
    const [first] = planShop([job("Early", NINE - 30), wet], MEANS);
    expect(first!.name).toBe("Wet");
  });
});

describe("find a start beside other work", () => {
  test("keeps clear of the hands that others have", () => {
    const other = planShop([job("Floor", 8 * 60, { kinds: ["lay", "palm", "faces"] })], MEANS);
    const shopJob = job("Table", NINE);
    const { settings, alsoFound } = beside(shopJob, other, MEANS);
    const [best] = findStarts(shopJob.coats, { ...settings, nowMin: 7 * 60 }, 3, alsoFound);
    expect(best!.plan.troubles).toEqual([]);
    for (const { fromMin, toMin } of other[0]!.busy)
      for (const { atMin, untilMin } of best!.plan.coats[0]!.windows)
        expect(atMin >= toMin || untilMin <= fromMin).toBe(true);
  });
});

test("counted from another midnight the same work is as far away", () => {
  const [floor] = planShop([job("Floor", NINE)], MEANS);
  const later = countedFrom(1440, floor!);
  expect(later.busy[0]!.fromMin).toBe(floor!.busy[0]!.fromMin - 1440);
  expect(later.lies.toMin - later.lies.fromMin).toBeCloseTo(floor!.lies.toMin - floor!.lies.fromMin, 9);
  expect(before([floor!], job("Table", NINE + 1))).toHaveLength(1);
  expect(before([floor!], job("Table", NINE))).toHaveLength(1);
  expect(before([floor!], job("Counter", NINE))).toHaveLength(0);
});

describe("places", () => {
  const space = (benchMm: number, spindles = 0): Space => ({ benchMm, spindles });
  const full = (space: Space, there: Space, means: Partial<ShopMeans>) =>
    kinds(
      planShop([job("A", NINE, { space: there }), job("B", NINE + 300, { space: space })], {
        ...MEANS,
        ...means,
      })[1]!.plan,
    ).includes("no place");
  test("pieces that lie side by side must fit on the bench; tumblers take spindles; what is not counted is never full", () => {
    expect(full(space(2000), space(3000), { benchMm: 5000 })).toBe(false);
    expect(full(space(2001), space(3000), { benchMm: 5000 })).toBe(true);
    expect(full(space(0, 3), space(0, 4), { spindles: 6 })).toBe(true);
    expect(full(space(0, 2), space(0, 4), { spindles: 6 })).toBe(false);
    expect(full(space(9000), space(9000), {})).toBe(false);
  });
  test("days later the place is free again", () => {
    const means = { ...MEANS, benchMm: 3000 };
    const later = planShop([job("A", NINE), job("B", NINE + 4 * 1440)], means);
    expect(kinds(later[1]!.plan)).not.toContain("no place");
  });
});

describe("reality", () => {
  const real = (changes: Partial<Real> = {}): Real => ({
    batchesAtMin: [NINE],
    doneAtMin: {},
    doneTurns: {},
    ...changes,
  });
  test("what was done stays where it was; what was not is not before now", () => {
    const now = NINE + 50;
    const begun = job("A", NINE - 10, { stage: "wet", real: real({ doneAtMin: { lay: NINE + 12 } }) });
    const [laid] = planShop([{ ...begun, settings: { ...begun.settings, notBeforeMin: now } }], MEANS);
    const [coatWindows] = laid!.plan.coats;
    expect(coatWindows!.mixedAtMin).toBe(NINE);
    const [lay, palm, alcohol] = coatWindows!.windows;
    expect(lay).toMatchObject({ done: true, atMin: NINE + 12, untilMin: NINE + 12 });
    expect(palm!.atMin).toBe(now);
    expect(alcohol!.atMin).toBeGreaterThanOrEqual(palm!.untilMin);
    expect(laid!.plan.troubles.every(({ kind }) => kind !== "past")).toBe(true);
  });
  test("late enough, the window is over and it is said; in time it is not", () => {
    const at = (now: number) => {
      const begun = job("A", NINE, { stage: "wet", real: real({ doneAtMin: { lay: NINE + 12 } }) });
      return kinds(
        planShop([{ ...begun, settings: { ...begun.settings, notBeforeMin: now } }], MEANS)[0]!.plan,
      );
    };
    expect(at(NINE + 15)).toEqual([]);
    expect(at(NINE + 240)).toContain("late");
  });
});

test("next acts of all jobs in the order of time; of one that only hardens, when it can be touched", () => {
  const curing = job("Tray", NINE - 2000, {
    stage: "curing",
    real: { batchesAtMin: [NINE - 2000], doneAtMin: { lay: 1, palm: 1, alcohol: 1 }, doneTurns: {} },
  });
  const laid = planShop([job("Floor", NINE), job("Table", NINE + 90), curing], MEANS);
  const acts = nextActs(laid, 0, NINE + 6000);
  expect(acts.map(({ atMin }) => atMin)).toEqual(acts.map(({ atMin }) => atMin).sort((a, b) => a - b));
  expect(acts.filter(({ jobName }) => jobName === "Floor").map(({ words }) => words)).toEqual([
    "Mix",
    "Lay the colours",
    "Palm blend",
    "Alcohol, small drops",
  ]);
  const readyAt = acts.find(({ kind }) => kind === "ready")!.atMin;
  expect(nextActs(laid, readyAt, NINE + 6000).some(({ kind }) => kind === "ready")).toBe(false);
  expect(acts.filter(({ jobName }) => jobName === "Tray")).toMatchObject([{ kind: "ready", to: null }]);
  expect(nextActs(laid, 0, NINE)).toHaveLength(acts.filter(({ atMin }) => atMin <= NINE).length);
});
