import fc from "fast-check";
import type { Room } from "../cure/room";
import { exactly } from "../numerics/spread";
import { derivePlan } from "./derive-plan";
import { windowCoatsOf } from "./timed";
import { sampleJob } from "../job/sample-job";
import { starterCards } from "../cure/starter-cards";
import { PASS, type PassKind } from "../passes/facts";
import { FLASH_OFF_MIN, usualPass } from "../schedule/pass";
import { fittedResin } from "../cure/fitted-resin";
import { findStarts } from "../schedule/find-starts";
import { isNight, isOpen, nextOpen, USUAL_HOURS } from "../schedule/hours";
import { planDays } from "../schedule/plan-days";
import {
  clearOf,
  startOf,
  vapoursOf,
  type CoatWindows,
  type Settings,
  type WindowCoat,
} from "../schedule/coat-windows";

let counter = 0;
const newId = () => `id-${++counter}`;
const cards = starterCards(newId);
const job = sampleJob(cards, newId);
const at = (tempC: number): Settings => ({
  room: { kind: "constant", tempC },
  hours: USUAL_HOURS,
  people: 1,
  nowMin: 0,
});
const coats = windowCoatsOf(derivePlan(job, cards));
/** The job's colour coat alone, with these passes. */
const colour = (...kinds: PassKind[]): WindowCoat[] =>
  coats
    .filter(({ coat }) => coat.kind === "colour")
    .map((planned) => ({
      ...planned,
      coat: { ...planned.coat, passes: kinds.map((kind) => usualPass(kind, kind)) },
    }));
const day: Room = { kind: "day", coldC: 15, coldAtMin: 300, warmC: 25, warmAtMin: 900 };

describe("hours", () => {
  test("of the shop and of the night, over midnight too", () => {
    expect([8 * 60, 17 * 60 + 59, 18 * 60, 3 * 60].map((minute) => isOpen(minute, USUAL_HOURS))).toEqual([
      true,
      true,
      false,
      false,
    ]);
    expect(
      [22 * 60, 2 * 60, 6 * 60, 12 * 60, 1440 + 120].map((minute) => isNight(minute, USUAL_HOURS)),
    ).toEqual([true, true, false, false, true]);
  });
  test("the next open minute is open, and none before it is", () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 20_000 }), (minute) => {
        const next = nextOpen(minute, USUAL_HOURS);
        expect(isOpen(next, USUAL_HOURS)).toBe(true);
        expect(next - minute).toBeLessThan(1440);
        if (next > minute) expect(isOpen(next - 1, USUAL_HOURS)).toBe(false);
      }),
    );
  });
});

describe("windows of passes", () => {
  const windowOf = (tempC: number, kind: PassKind, ...with_: PassKind[]) => {
    const [laid] = planDays(colour(...with_, kind), 540, at(tempC)).coats;
    return laid!.windows.find(({ pass }) => pass.kind === kind)!;
  };
  test("the dam is pulled two to three hours after mixing at 21 to 24 °C, within its spread (common practice, no source)", () => {
    for (const tempC of [21, 24]) {
      const { from, to } = windowOf(tempC, "dam-pull");
      expect(from.low - 540).toBeLessThan(180);
      expect(to!.high - 540).toBeGreaterThan(120);
      expect(from.likely - 540).toBeGreaterThan(90);
    }
  });
  test("all of them shift with the room: about twice as soon for ten degrees more (common practice, no source)", () => {
    const wait = (tempC: number) => windowOf(tempC, "dam-pull").to!.likely - 540;
    expect(wait(18) / wait(28)).toBeGreaterThan(1.8);
    expect(wait(18) / wait(28)).toBeLessThan(2.4);
  });
  test("a flame stays shut until alcohol has flashed off", () => {
    const [laid] = planDays(colour("lay", "alcohol", "flame"), 540, at(21)).coats;
    const [, alcohol, flame] = laid!.windows;
    expect(flame!.from.low).toBeGreaterThanOrEqual(alcohol!.untilMin + FLASH_OFF_MIN);
    expect(flame!.atMin).toBeGreaterThanOrEqual(alcohol!.untilMin + FLASH_OFF_MIN);
  });
  test("warm air too, from whatever coat the vapour comes; hands that come early wait", () => {
    const two = colour("lay", "alcohol", "blow");
    const [laid] = planDays(two, 540, at(21)).coats;
    const [, alcohol, blow] = laid!.windows;
    expect(blow!.pass.kind).toBe("blow");
    expect(blow!.atMin).toBeGreaterThanOrEqual(alcohol!.untilMin + FLASH_OFF_MIN);
    const [below, above] = [colour("lay", "alcohol"), colour("lay", "flame")].map((coats, index) => ({
      ...coats[0]!,
      coat: { ...coats[0]!.coat, id: `coat-${index}`, startsAfter: "wet" as const },
    }));
    const plan = planDays([below!, above!], 540, at(21));
    const [wet, over] = plan.coats;
    expect(clearOf(vapoursOf(wet!), over!.windows[1]!.atMin)).toBe(over!.windows[1]!.atMin);
    expect(plan.troubles.filter(({ kind }) => kind === "fire")).toEqual([]);
  });
  test("whatever passes follow each other on whatever coats, nothing that lights falls into vapour untold", () => {
    const kinds: PassKind[] = ["lay", "palm", "alcohol", "fog", "mica-alcohol", "flame", "blow", "veins"];
    fc.assert(
      fc.property(
        fc.array(fc.array(fc.constantFrom(...kinds), { maxLength: 6 }), { minLength: 1, maxLength: 3 }),
        fc.constantFrom("wet" as const, "late" as const, "tacky" as const),
        (lists, startsAfter) => {
          const rows = lists.map((list, index) => {
            const [planned] = colour(...list);
            return { ...planned!, coat: { ...planned!.coat, id: `coat-${index}`, startsAfter } };
          });
          const { coats: laid, troubles } = planDays(rows, 540, at(21));
          const vapours = laid.flatMap(vapoursOf);
          for (const { coatId, windows } of laid)
            for (const { pass, atMin } of windows) {
              if (PASS[pass.kind].fire !== "lights" || clearOf(vapours, atMin) <= atMin) continue;
              expect(troubles).toContainEqual(
                expect.objectContaining({ kind: "fire", coatId, passId: pass.id }),
              );
            }
        },
      ),
      { numRuns: 60 },
    );
  });
  test("a pass that waits after the one before it does, also when that one is late", () => {
    const [planned] = colour("lay", "alcohol", "alcohol");
    const passes = planned!.coat.passes.map((pass, index) =>
      index === 2 ? { ...pass, fromMin: 17, afterMin: 5 } : pass,
    );
    const [laid] = planDays([{ ...planned!, coat: { ...planned!.coat, passes } }], 540, at(21)).coats;
    const [, drops, mist] = laid!.windows;
    expect(mist!.atMin).toBeCloseTo(drops!.untilMin + 5, 9);
  });
  test("the dam is pulled when its drips are surely gummy, as far as its window is surely open then", () => {
    for (const tempC of [16, 21, 26]) {
      const { from, to, atMin } = windowOf(tempC, "dam-pull", "lay");
      expect(atMin).toBeGreaterThanOrEqual(Math.min(from.high, to!.low - 10) - 1e-6);
    }
  });
  test("faces and drips: only where there are any, and never after another coat lies on them", () => {
    const kinds = (of: WindowCoat[]) =>
      planDays(of, 540, at(21)).coats[0]!.windows.map(({ pass }) => pass.kind);
    const all = colour("lay", "faces", "dam-pull", "drip-scrape");
    expect(kinds(all)).toEqual(["lay", "faces", "dam-pull", "drip-scrape"]);
    const without = (change: Partial<WindowCoat["batched"]>) =>
      all.map((planned) => ({ ...planned, batched: { ...planned.batched, ...change } }));
    expect(kinds(without({ faceAreaMm2: 0 }))).toEqual(["lay", "dam-pull", "drip-scrape"]);
    expect(kinds(without({ faceAreaMm2: 0, dripLengthMm: 0 }))).toEqual(["lay"]);
    const over = { ...all[0]!, coat: { ...all[0]!.coat, id: "over", startsAfter: "wet" as const } };
    const [below, above] = planDays([all[0]!, over], 540, at(21)).coats;
    for (const { pass, atMin } of below!.windows)
      if (PASS[pass.kind].on) expect(atMin).toBeLessThan(above!.mixedAtMin);
  });
  test("sanding waits for what can be sanded, takes its minutes by area, and the coat is mixed after it", () => {
    const sanded = { ...coats.at(-1)!, coat: { ...coats.at(-1)!.coat, startsAfter: "recoat" as const } };
    const below = colour("lay")[0]!;
    const [lower, upper] = planDays([below, sanded], 540, at(21)).coats;
    const sand = upper!.windows.find(({ pass }) => pass.kind === "sand")!;
    expect(sand.atMin).toBeGreaterThanOrEqual(
      lower!.lastMixedAtMin + startOf(lower!.life, "sandable").likely - 1e-6,
    );
    const areaM2 = sanded.batched.topAreaMm2 / 1e6;
    expect(sand.untilMin - sand.atMin).toBeCloseTo(6 * areaM2, 6);
    expect(upper!.mixedAtMin).toBeGreaterThanOrEqual(sand.untilMin);
  });
  test("a hybrid is not modelled, but its working time bounds its passes: veins at minute 45 of 20 are late", () => {
    const [planned] = colour("lay", "veins");
    const card = {
      ...planned!.resin,
      kind: "hybrid" as const,
      workMin: 20,
      filmTempC: 21,
      viscosityPaS: 0.8,
    };
    const plan = planDays([{ ...planned!, resin: fittedResin(card) }], 540, at(21));
    const veins = plan.coats[0]!.windows.find(({ pass }) => pass.kind === "veins")!;
    expect(veins.to!.likely - 540).toBeLessThan(45);
    expect(plan.troubles.map(({ kind }) => kind)).toContain("late");
  });
  test("each window opens before it closes, and hands do one thing after the other", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 10, max: 34 }),
        fc.integer({ min: 480, max: 1000 }),
        (tempC, startMin) => {
          for (const { windows, mixedAtMin } of planDays(coats, startMin, at(tempC)).coats) {
            for (const { from, to, atMin, untilMin } of windows) {
              expect(from.low).toBeLessThanOrEqual(from.likely);
              if (to) expect(to.likely).toBeGreaterThanOrEqual(mixedAtMin);
              expect(atMin).toBeGreaterThanOrEqual(from.likely - 1e-9);
              expect(untilMin).toBeGreaterThan(atMin);
            }
            const worked = windows.filter(
              ({ pass }) => !["dam-pull", "drip-scrape", "check"].includes(pass.kind),
            );
            worked
              .slice(1)
              .forEach((window, index) =>
                expect(window.atMin).toBeGreaterThanOrEqual(worked[index]!.untilMin - 1e-9),
              );
          }
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe("batches and coats", () => {
  const NINE = 540;
  const [primer, ...others] = coats;
  const planned = others.find(({ coat }) => coat.kind === "colour")!;
  /** Coats like the job's colour coat, each with shares of batches and a start. */
  const row = (
    ...wanted: { startsAfter?: WindowCoat["coat"]["startsAfter"]; shares?: number[]; workMin?: number }[]
  ): WindowCoat[] =>
    wanted.map(({ startsAfter = "wet", shares = [1], workMin = 30 }, index) => {
      const batches = shares.map((share, at) => ({ ...planned.batched.batches[0]!, number: at + 1, share }));
      return {
        ...planned,
        coat: { ...planned.coat, id: `coat-${index}`, startsAfter, passes: [usualPass("lay", "lay")] },
        batched: { ...planned.batched, batches, workMin: exactly(workMin), mixingMin: 4 },
      };
    });
  const times = (laid: CoatWindows) => laid.batches.map((b) => [b.mixAtMin, b.pourAtMin, b.doneAtMin]);

  test("one coat: mixed at the hour, poured when mixed, done when worked", () => {
    const [laid] = planDays(row({}), NINE, at(21)).coats;
    expect(laid).toMatchObject({ mixedAtMin: NINE, laidAtMin: NINE + 34, waitMin: null });
    expect(times(laid!)).toEqual([[540, 544, 574]]);
  });
  test("one pair of hands mixes the second batch when the first is worked out, a second pair while it is", () => {
    const two = row({ shares: [0.5, 0.5] });
    expect(times(planDays(two, NINE, at(21)).coats[0]!)).toEqual([
      [540, 544, 559],
      [559, 563, 578],
    ]);
    expect(times(planDays(two, NINE, { ...at(21), people: 2 }).coats[0]!)).toEqual([
      [540, 544, 559],
      [555, 559, 574],
    ]);
  });
  test("unequal batches take their share of the time; laying passes take all of it", () => {
    const [laid] = planDays(row({ shares: [0.25, 0.75], workMin: 40 }), NINE, at(21)).coats;
    expect(laid!.batches.map(({ pourAtMin, doneAtMin }) => doneAtMin - pourAtMin)).toEqual([10, 30]);
    expect(laid!.windows[0]).toMatchObject({ atMin: 544, untilMin: laid!.laidAtMin });
  });
  test("laying closes with the last batch, since each is laid from its own mix; what comes after with the first", () => {
    const [two] = row({ shares: [0.5, 0.5] });
    const passes = [usualPass("lay", "lay"), usualPass("veins", "veins")];
    const [laid] = planDays([{ ...two!, coat: { ...two!.coat, passes } }], NINE, at(21)).coats;
    const [lay, veins] = laid!.windows;
    expect(laid!.lastMixedAtMin).toBeGreaterThan(laid!.mixedAtMin);
    const closes = (pass: PassKind) => startOf(laid!.life, PASS[pass].right.to!);
    for (const end of ["low", "likely", "high"] as const) {
      expect(lay!.to![end]).toBeCloseTo(laid!.lastMixedAtMin + closes("lay")[end], 9);
      expect(veins!.to![end]).toBeCloseTo(laid!.mixedAtMin + closes("veins")[end], 9);
    }
  });
  test("two pairs of hands take half as long over a face, one pair a minute at least", () => {
    const minutes = (people: number, topAreaMm2: number) => {
      const [own] = row({});
      const faces = {
        ...own!,
        coat: { ...own!.coat, passes: [usualPass("lay", "lay"), usualPass("faces", "faces")] },
        batched: { ...own!.batched, topAreaMm2 },
      };
      const { atMin, untilMin } = planDays([faces], NINE, { ...at(21), people }).coats[0]!.windows[1]!;
      return untilMin - atMin;
    };
    const whole = PASS.faces.minutesPerM2 * 8;
    expect(minutes(1, 8e6)).toBeCloseTo(whole, 6);
    expect(minutes(2, 8e6)).toBeCloseTo(whole / 2, 6);
    expect(minutes(2, 1e3)).toBeCloseTo(1, 6);
  });
  test("wet on wet follows at once; late, tacky and recoat wait for the film below, with its spread", () => {
    for (const [startsAfter, state] of [
      ["late", "flowing"],
      ["tacky", "gummy"],
      ["recoat", "recoat"],
    ] as const) {
      const [first, wet, next] = planDays(row({}, {}, { startsAfter }), NINE, at(21)).coats;
      expect(wet!.mixedAtMin).toBe(first!.laidAtMin);
      expect(next!.waitMin).toEqual(startOf(wet!.life, state));
      expect(next!.mixedAtMin).toBeCloseTo(wet!.lastMixedAtMin + next!.waitMin!.likely, 6);
    }
  });
  test.each(["wet", "late", "tacky"] as const)(
    "over a paint primer, %s too, it waits 45 to 60 minutes at its sheet's temperature, longer in the cold (common practice, no source)",
    (startsAfter) => {
      const wait = (tempC: number) =>
        planDays([primer!, ...row({ startsAfter })], NINE, at(tempC)).coats[1]!.waitMin!;
      const { low, likely, high } = wait(primer!.resin.filmTempC);
      expect([low, likely, high].map(Math.round)).toEqual([45, 52, 59]);
      expect(wait(15).likely).toBeGreaterThan(1.3 * likely);
    },
  );
  test("on an epoxy primer that is still wet no coat goes either: it waits until it is tacky", () => {
    const [wet, next] = row({}, {}).map((planned, index) => ({
      ...planned,
      coat: { ...planned.coat, kind: index === 0 ? ("primer" as const) : planned.coat.kind },
    }));
    const [below, above] = planDays([wet!, next!], NINE, at(21)).coats;
    expect(above!.waitMin).toEqual(startOf(below!.life, "gummy"));
  });
  test("days add up over many coats", () => {
    const plan = planDays(
      row({}, { startsAfter: "next-day" }, { startsAfter: "next-day" }, {}),
      NINE,
      at(30),
    );
    expect(plan.coats.map(({ mixedAtMin }) => Math.floor(mixedAtMin / 1440))).toEqual([0, 1, 2, 2]);
  });
});

describe("days", () => {
  test("coats for another day wait for it, and for the shop to open", () => {
    const plan = planDays(coats, 9 * 60, at(22));
    expect(plan.coats.map(({ coatId }) => coatId)).toEqual(coats.map(({ coat }) => coat.id));
    plan.coats.forEach((laid, index) => {
      const { coat } = coats[index]!;
      if (coat.startsAfter !== "next-day" || index === 0) return;
      expect(laid.mixedAtMin).toBeGreaterThanOrEqual(1440);
      expect(isOpen(laid.mixedAtMin, USUAL_HOURS)).toBe(true);
    });
  });
  test("sanded next day at 22 °C, not in a cold shop (common practice, no source)", () => {
    const clear = (tempC: number) => planDays(coats, 9 * 60, at(tempC)).coats.at(-1)!.mixedAtMin;
    expect(clear(22)).toBeLessThan(3 * 1440);
    expect(clear(11)).toBeGreaterThan(clear(22));
  });
  test("what falls in the night is named; begun in the morning it does not", () => {
    const dammed = colour("lay", "dam-pull");
    const late = planDays(dammed, 20 * 60, at(21)).troubles;
    expect(late.map(({ kind, words }) => [kind, /dam/.test(words)])).toContainEqual(["night", true]);
    expect(planDays(dammed, 9 * 60, at(21)).troubles).toEqual([]);
  });
  test("a start in the past is said first; a resin that never sets is said, not waited for", () => {
    expect(planDays(coats, 540, { ...at(21), nowMin: 600 }).troubles[0]).toMatchObject({ kind: "past" });
    const frost = planDays(coats, 540, at(-45));
    expect(frost.troubles.some(({ kind }) => kind === "never")).toBe(true);
    expect(Number.isFinite(frost.endMin)).toBe(true);
  });
  test("over midnight and through the change of a clock's hour it is only minutes: the same start a day later is the same day", () => {
    const days = planDays(coats, 540, at(21));
    // Before the first day too: a start may be looked for from now on, days before the one that was set.
    for (const byDays of [1, 3, -1, -2]) {
      const other = planDays(coats, 540 + byDays * 1440, { ...at(21), nowMin: null });
      const times = (plan: typeof days, by: number) =>
        plan.coats.map(({ mixedAtMin, windows }) =>
          [mixedAtMin, ...windows.flatMap(({ from, atMin, untilMin }) => [from.low, atMin, untilMin])].map(
            (minute) => Math.round(1000 * (minute - by)) / 1000,
          ),
        );
      expect(times(other, byDays * 1440)).toEqual(times(days, 0));
      expect(other.troubles).toEqual(days.troubles);
    }
  });
});

describe("find a start", () => {
  test("the best of them has no more trouble than any other hour of the next days, and they lie apart", () => {
    const dammed = colour("lay", "palm", "faces", "dam-pull", "drip-scrape");
    const settings = { ...at(21), nowMin: 13 * 60 + 20 };
    const starts = findStarts(dammed, settings);
    expect(starts.length).toBe(3);
    for (const { startMin } of starts) {
      expect(startMin).toBeGreaterThanOrEqual(settings.nowMin);
      expect(isOpen(startMin, USUAL_HOURS)).toBe(true);
    }
    expect(starts[0]!.plan.troubles).toEqual([]);
    const asNow = planDays(dammed, 17 * 60, settings).troubles.length;
    expect(asNow).toBeGreaterThan(0);
    starts.forEach((start, index) =>
      starts
        .slice(index + 1)
        .forEach((other) => expect(Math.abs(start.startMin - other.startMin)).toBeGreaterThanOrEqual(120)),
    );
    expect(starts.map(({ cost }) => cost)).toEqual([...starts.map(({ cost }) => cost)].sort((a, b) => a - b));
  });
  test("each says what speaks against starting earlier, by the worst that an earlier start brings", () => {
    const dammed = colour("lay", "palm", "faces", "dam-pull", "drip-scrape");
    const settings = { ...at(21), nowMin: 16 * 60 + 20 };
    const [best] = findStarts(dammed, settings, 1);
    expect(best!.passedOver.length).toBeGreaterThan(0);
    for (const { kind, many, fromMin, untilMin } of best!.passedOver) {
      expect(fromMin).toBeGreaterThanOrEqual(settings.nowMin);
      expect(untilMin).toBeLessThan(best!.startMin);
      expect(untilMin - fromMin).toBeGreaterThanOrEqual(30 * (many - 1));
      for (const startMin of [fromMin, untilMin])
        expect(
          planDays(dammed, startMin, { ...settings, quick: true }).troubles.map((found) => found.kind),
        ).toContain(kind);
    }
    const many = best!.passedOver.map((passed) => passed.many);
    expect(many).toEqual([...many].sort((a, b) => b - a));
  });
  test("two days before the day that was set, the soonest good start is found, not that day", () => {
    const nowMin = -2 * 1440 + 19 * 60;
    const [best] = findStarts(colour("lay", "palm", "faces"), { ...at(21), nowMin });
    expect(best!.startMin).toBe(-1440 + USUAL_HOURS.openMin);
    expect(best!.plan.troubles).toEqual([]);
  });
  test("in a room that cools at night too, the plan of a start is the plan that is shown", () => {
    const settings = { ...at(21), room: day };
    const [best] = findStarts(colour("lay", "dam-pull"), settings, 1);
    const shown = planDays(colour("lay", "dam-pull"), best!.startMin, settings);
    expect(best!.plan.troubles).toEqual(shown.troubles);
  });
});
