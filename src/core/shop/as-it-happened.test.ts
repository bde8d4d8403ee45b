import { roomTempC } from "../cure/room";
import { starterCards } from "../cure/starter-cards";
import { sampleJob } from "../job/sample-job";
import { derivePlan } from "../plan/derive-plan";
import { windowCoatsOf } from "../plan/timed";
import { startOf } from "../schedule/coat-windows";
import { wallClock } from "./wall-clock";
import { daysAsPoured, whatNext, type ShopPour } from "./shop";
import { heatsOn } from "../pour/heats";
import { foldPour, subjectOf, type PourEvent } from "../pour/pour-events";
import { roomAsRead } from "../pour/room-of-pour";
import { runSheet } from "../pour/run-sheet";

let made = 0;
const newId = () => `id-${(made += 1)}`;
const cards = starterCards(newId);
const job = sampleJob(cards, newId);
const plan = derivePlan(job, cards);
const steps = runSheet(plan, "metric");
const colour = job.coats[2]!;
const startMs = Date.UTC(2026, 0, 5, 8);
const at = (minute: number) => new Date(startMs + 60_000 * minute).toISOString();
const minuteOf = (moment: string) => (Date.parse(moment) - startMs) / 60_000;
let number = 0;
const stamped = (minute: number, by?: string) => ({
  id: `e-${(number += 1)}`,
  at: at(minute),
  ...(by && { by }),
});
const tick = (stepId: string, minute: number): PourEvent => ({ ...stamped(minute), kind: "tick", stepId });
const torch = steps.find(({ coatId, title }) => coatId === colour.id && title.startsWith("Torch"))!;
const upToTorch = (beforeMin: number, torchMin: number) => {
  const before = steps.slice(0, steps.indexOf(torch));
  return [
    ...before.map(({ id }, n) => tick(id, (n * beforeMin) / before.length)),
    tick(before.at(-1)!.id, beforeMin),
    tick(torch.id, torchMin),
  ];
};
const poured = windowCoatsOf(plan).find(({ coat }) => coat.id === colour.id)!;

describe("heat on the film", () => {
  test("counts from the act before; ten minutes of it are more than one, over a larger piece it is less", () => {
    const heat = (minutes: number, of = poured) =>
      heatsOn(of, steps, foldPour(upToTorch(40, 40 + minutes)), minuteOf)[0]!;
    expect(heat(1).atMin).toBe(41);
    expect(heat(2).riseK.likely / heat(1).riseK.likely).toBeGreaterThan(1.8);
    const wide = { ...poured, batched: { ...poured.batched, topAreaMm2: 4 * poured.batched.topAreaMm2 } };
    expect(heat(1).riseK.likely / heat(1, wide).riseK.likely).toBeCloseTo(4, 6);
  });
  test("a wait before it is not heating: what took an hour counts as what is usual", () => {
    const heat = (minutes: number) =>
      heatsOn(poured, steps, foldPour(upToTorch(40, 40 + minutes)), minuteOf)[0]!;
    expect(heat(60).riseK.likely).toBeLessThan(heat(3).riseK.likely);
    expect(heat(60).riseK.likely).toBeGreaterThan(0);
  });
  test("makes what lies shorter by the one planner; another coat keeps its life", () => {
    const pour = (events: PourEvent[]): ShopPour => ({
      id: "p",
      jobId: "j",
      jobName: "Counter",
      startedAt: at(0),
      finishedAt: null,
      plan: { document: job, cards },
      events,
    });
    const clock = wallClock(new Date(startMs + 45 * 60_000), "UTC");
    const gun = {
      ...job,
      coats: job.coats.map((coat) => ({
        ...coat,
        passes: coat.passes.map((pass) =>
          pass.id === torch.passId ? { ...pass, tool: "heat-gun" as const, lastsMin: 5 } : pass,
        ),
      })),
    };
    const heated = derivePlan(gun, cards);
    const lifeOf = (of: typeof plan, minutes: number) =>
      daysAsPoured({ ...pour(upToTorch(40, 40 + minutes)), plan: { document: gun, cards } }, of, clock)!
        .coats;
    const [long, short] = [lifeOf(heated, 8), lifeOf(heated, 0.5)];
    const heavy = (coats: typeof long, id: string) =>
      startOf(coats.find(({ coatId }) => coatId === id)!.life, "gummy").likely;
    expect(heavy(long, colour.id)).toBeLessThan(heavy(short, colour.id));
    const other = long.find(({ coatId }) => coatId !== colour.id)!.coatId;
    expect(heavy(long, other)).toBe(heavy(short, other));
  });
});

describe("the room as it was read", () => {
  const read = (minute: number, tempC: number): PourEvent => ({
    ...stamped(minute),
    kind: "room",
    tempC,
    humidityPct: 50,
  });
  test("is the room of the pour: before the first reading as at that, between two in between, after the last as it was then", () => {
    const { room } = foldPour([read(60, 25), read(10, 21)]);
    const as = roomAsRead({ kind: "constant", tempC: 18 }, room, minuteOf);
    expect([0, 10, 35, 60, 600].map((minute) => roomTempC(as, minute))).toEqual([21, 21, 23, 25, 25]);
    const planned = { kind: "constant", tempC: 18 } as const;
    expect(roomAsRead(planned, [], minuteOf)).toBe(planned);
    expect(roomAsRead(planned, room, minuteOf)).toBe(as);
  });
  test("goes back to the planned course of the day after the last reading", () => {
    const day = { kind: "day", coldC: 14, coldAtMin: 300, warmC: 24, warmAtMin: 900 } as const;
    const { room } = foldPour([read(60, roomTempC(day, 60) + 4)]);
    const as = roomAsRead(day, room, minuteOf);
    expect(roomTempC(as, 60 + 180) - roomTempC(day, 60 + 180)).toBeCloseTo(2, 6);
    expect(Math.abs(roomTempC(as, 3000) - roomTempC(day, 3000))).toBeLessThan(0.1);
  });
  test("a warmer room moves the next act of a pour forward", () => {
    const events = upToTorch(20, 21);
    const pour = (more: PourEvent[]): ShopPour => ({
      id: "p",
      jobId: "j",
      jobName: "Counter",
      startedAt: at(0),
      finishedAt: null,
      plan: { document: job, cards },
      events: [...events, ...more],
    });
    const clock = wallClock(new Date(startMs + 22 * 60_000), "UTC");
    const life = (more: PourEvent[]) =>
      startOf(
        daysAsPoured(pour(more), plan, clock)!.coats.find(({ coatId }) => coatId === colour.id)!.life,
        "gummy",
      );
    expect(life([read(1, 29)]).likely).toBeLessThan(0.8 * life([read(1, 21)]).likely);
    expect(whatNext(pour([read(1, 29)]), plan, steps, clock)?.step.id).toBe(
      whatNext(pour([]), plan, steps, clock)?.step.id,
    );
  });
});

describe("two screens that knew nothing of each other", () => {
  const line = { stepId: "weigh", line: "A" };
  const weighed = (grams: number, minute: number, over: string | null, more = {}): PourEvent => ({
    ...stamped(minute),
    kind: "weighed",
    ...line,
    grams,
    over,
    ...more,
  });
  test("different weights of one line: the later counts, and both are told until somebody settles it", () => {
    const [first, second] = [weighed(201, 1, null), weighed(189, 2, null)];
    const open = foldPour([second, first]);
    expect(open.weighed.get("weigh|A")).toBe(189);
    expect(open.conflicts).toEqual([{ subject: subjectOf(first), first, second }]);
    const settled = foldPour([first, second, weighed(201, 3, second.id, { settles: true })]);
    expect(settled.conflicts).toEqual([]);
    expect(settled.weighed.get("weigh|A")).toBe(201);
    // Going on without having seen the other one settles nothing.
    expect(foldPour([first, second, weighed(190, 3, second.id)]).conflicts).toHaveLength(1);
  });
  test("the same reading of one scale, and an act ticked on both, are one: the first", () => {
    const twice = foldPour([weighed(201, 1, null), weighed(201.1, 2, null)]);
    expect([twice.conflicts, twice.weighed.get("weigh|A")]).toEqual([[], 201]);
    const ticks = foldPour([
      { ...stamped(1), kind: "tick", stepId: "mix", over: null },
      { ...stamped(4), kind: "tick", stepId: "mix", over: null },
    ]);
    expect([ticks.conflicts, ticks.doneAt.get("mix")]).toEqual([[], at(1)]);
  });
  test("who corrects what both have said alike speaks against nobody", () => {
    const [first, again] = [weighed(201, 1, null), weighed(201, 2, null)];
    const corrected = foldPour([first, again, weighed(190, 3, again.id)]);
    expect([corrected.conflicts, corrected.weighed.get("weigh|A")]).toEqual([[], 190]);
  });
  test("done on one, left out on the other; corrected by one who knew is none", () => {
    const done: PourEvent = { ...stamped(1), kind: "tick", stepId: "torch", over: null };
    const out: PourEvent = { ...stamped(2), kind: "skip", stepId: "torch", why: "", over: null };
    expect(foldPour([done, out]).conflicts).toHaveLength(1);
    const back: PourEvent = { ...stamped(2), kind: "untick", stepId: "torch", over: done.id };
    expect(foldPour([done, back]).conflicts).toEqual([]);
    // Entries of earlier versions do not say what they knew.
    const { over: _unsaid, ...plain } = weighed(50, 2, null) as Extract<PourEvent, { kind: "weighed" }>;
    expect(foldPour([weighed(201, 1, null), plain]).conflicts).toEqual([]);
  });
});
