import { PASS } from "../passes/facts";
import { startOf } from "../schedule/coat-windows";
import type { Coat } from "../schedule/coat";
import { DAY_MIN, minuteOfDay, nextAt } from "../schedule/hours";
import { FLASH_OFF_MIN, usualPass, type Pass } from "../schedule/pass";
import { actsOf } from "../schedule/acts";
import { copiedCoat } from "../job/builds";
import { realDays } from "./actuals";
import { foldPour, type PourEvent } from "./pour-events";
import { nextStep, stepsAsked } from "./sheet-now";
import { runSheet } from "./run-sheet";
import { settingsOf } from "../job/job-settings";
import { planDays } from "../schedule/plan-days";
import { derivePlan } from "../plan/derive-plan";
import { windowCoatsOf } from "../plan/timed";
import { CARDS, colourCoat, job, newId } from "../plan/testing/sample";

const plan = (change: (coat: Coat, coats: Coat[]) => void) =>
  derivePlan(
    job((draft) => change(colourCoat(draft), draft.coats)),
    CARDS,
  );
const ofColour = (found: ReturnType<typeof plan>) => {
  const planned = found.coats.find(({ coat }) => coat.kind === "colour")!;
  return { ...planned, windows: planned.windows! };
};
const scrape: Pass = usualPass("s", "drip-scrape", { fromMin: 120, repeat: { everyMin: 30, until: "set" } });
const scraped = () => plan((coat) => (coat.passes = [usualPass("l", "lay"), scrape]));

describe("alcohol, wait five minutes, then a fine mist", () => {
  test("the mist comes five minutes after the last drop, and no flame before the mist has flashed off", () => {
    const { windows } = ofColour(
      plan((coat) => {
        coat.passes = [
          usualPass("l", "lay"),
          usualPass("a", "alcohol"),
          usualPass("m", "alcohol", { fromMin: null, afterMin: 5, work: { drops: "mist" } }),
          usualPass("f", "flame"),
        ];
      }),
    );
    const [, drops, mist, torch] = windows.windows;
    expect(mist!.atMin).toBeCloseTo(drops!.untilMin + 5, 6);
    expect(torch!.atMin).toBeGreaterThanOrEqual(mist!.untilMin + FLASH_OFF_MIN - 1e-6);
  });
  test("a wait of its own takes its time and no hands; what is named is waited for, not the pass before", () => {
    const { windows } = ofColour(
      plan((coat) => {
        coat.passes = [
          usualPass("l", "lay"),
          usualPass("a", "alcohol", { fromMin: null }),
          usualPass("w", "wait", { lastsMin: 12 }),
          usualPass("p", "accents", { fromMin: null }),
          usualPass("g", "glitter", { fromMin: null, afterMin: 40, afterPassId: "a" }),
        ];
      }),
    );
    const [, drops, wait, accents, glitter] = windows.windows;
    expect(wait!.untilMin - wait!.atMin).toBe(12);
    expect(wait!.atMin).toBeCloseTo(drops!.untilMin, 6);
    expect(accents!.atMin).toBeGreaterThanOrEqual(wait!.untilMin - 1e-6);
    expect(glitter!.atMin).toBeCloseTo(drops!.untilMin + 40, 6);
  });
});

describe("a torch in rounds", () => {
  test("no round of it falls into vapour, whenever the alcohol is sprayed", () => {
    for (const sprayedAt of [15, 20, 31, 38]) {
      const { windows } = ofColour(
        plan((coat) => {
          coat.passes = [
            usualPass("l", "lay"),
            usualPass("a", "alcohol", { fromMin: sprayedAt }),
            usualPass("f", "flame", { fromMin: 10, repeat: { everyMin: 12, times: 4 } }),
          ];
        }),
      );
      const [, drops, torch] = windows.windows;
      expect(torch!.turns).toHaveLength(4);
      for (const { atMin } of torch!.turns)
        expect(atMin < drops!.atMin || atMin >= drops!.untilMin + FLASH_OFF_MIN - 1e-6).toBe(true);
    }
  });
  test("what never gets there has no time of day either", () => {
    expect(nextAt(Infinity, 480)).toBe(Infinity);
    expect(nextAt(500, 480)).toBe(480 + DAY_MIN);
    expect(nextAt(480, 480)).toBe(480);
  });
});

describe("scrape every half hour until it stops", () => {
  test("rounds half an hour apart until the film has set; those after its likely minute are perhaps", () => {
    const { windows } = ofColour(scraped());
    const { turns, turnOf } = windows.windows.find(({ pass }) => pass.id === "s")!;
    const set = startOf(windows.life, "set");
    expect(turnOf).toBe("round");
    const surely = turns.filter(({ maybe }) => !maybe);
    // By hand: from the first round on one each half hour that begins before the film has set.
    const first = turns[0]!.atMin;
    const lastMix = windows.lastMixedAtMin;
    expect(surely).toHaveLength(Math.ceil((lastMix + set.likely - first) / 30));
    expect(surely.length).toBeGreaterThan(2);
    turns.slice(1).forEach(({ atMin }, n) => expect(atMin - turns[n]!.atMin).toBeCloseTo(30, 6));
    expect(turns.at(-1)!.atMin).toBeLessThan(lastMix + set.high);
    expect(turns.length).toBeGreaterThan(surely.length);
  });
  test("each round is an act, a step to tick, and keeps the hands only while it lasts", () => {
    const found = scraped();
    const { turns } = ofColour(found).windows.windows.find(({ pass }) => pass.id === "s")!;
    const acts = actsOf(found.coats.flatMap(({ windows }) => windows ?? [])).filter(
      ({ pass }) => pass?.id === "s",
    );
    expect(acts.map(({ atMin }) => atMin)).toEqual(turns.map(({ atMin }) => atMin));
    expect(acts[1]!.words).toMatch(/^Scrape the drips, round 2 of \d+ to \d+$/);
    const steps = runSheet(found, "us").filter(({ passId }) => passId === "s");
    expect(new Set(steps.map(({ id }) => id)).size).toBe(turns.length);
    expect(steps.every(({ untilSo, batch }) => untilSo && batch === null)).toBe(true);
  });
  test("done and the last: no further round is asked for; taken back, they are again", () => {
    const steps = runSheet(scraped(), "us");
    const rounds = steps.filter(({ passId }) => passId === "s");
    const at = (minute: number) => new Date(Date.UTC(2026, 0, 1, 9, minute)).toISOString();
    const ticks = steps
      .slice(0, steps.indexOf(rounds[1]!) + 1)
      .map((step, n): PourEvent => ({ kind: "tick", id: `e${n}`, at: at(n), stepId: step.id }));
    const events: PourEvent[] = [...ticks.slice(0, -1), { ...ticks.at(-1)!, last: true } as PourEvent];
    const state = foldPour(events);
    expect(stepsAsked(steps, state).filter(({ passId }) => passId === "s")).toHaveLength(2);
    expect(nextStep(steps, state)?.passId).not.toBe("s");
    const minuteOf = (moment: string) => (Date.parse(moment) - Date.UTC(2026, 0, 1)) / 60_000;
    const real = realDays(steps, state, minuteOf).get(rounds[0]!.coatId)!;
    expect(real.doneTurns["s"]).toHaveLength(2);
    expect(real.doneAtMin["s"]).toBe(real.doneTurns["s"]![1]);
    const back = foldPour([...events, { kind: "untick", id: "u", at: at(59), stepId: rounds[1]!.id }]);
    expect(nextStep(steps, back)?.id).toBe(rounds[1]!.id);
    expect(stepsAsked(steps, back)).toHaveLength(steps.length);
  });
});

describe("turn it four hours, flood it, decal in the morning", () => {
  const found = plan((coat, coats) => {
    coat.passes = [usualPass("l", "lay"), usualPass("t", "turn")];
    const clear = coats.find(({ kind }) => kind === "clear")!;
    coats.splice(0, coats.length, coat, clear);
    clear.startsAfter = "tacky";
    clear.passes = [usualPass("f", "flood"), usualPass("d", "decal", { fromMin: null, atMinute: 8 * 60 })];
  });
  const [colour, clear] = found.coats.map(({ windows }) => windows!);
  test("four hours on the turner, and the flood not before it is off", () => {
    const turn = colour!.windows.find(({ pass }) => pass.id === "t")!;
    expect(turn.untilMin - turn.atMin).toBe(240);
    expect(clear!.mixedAtMin).toBeGreaterThanOrEqual(turn.untilMin - 1e-6);
  });
  test("the decal at eight, on a day after, when the film takes it", () => {
    const decal = clear!.windows.find(({ pass }) => pass.id === "d")!;
    expect(minuteOfDay(decal.atMin)).toBe(8 * 60);
    expect(decal.atMin).toBeGreaterThanOrEqual(DAY_MIN);
    expect(decal.atMin - clear!.lastMixedAtMin).toBeGreaterThanOrEqual(
      startOf(clear!.life, "recoat").likely - 1e-6,
    );
  });
});

describe("a coat that begins when it is told to", () => {
  const later = (change: (above: Coat) => void, below: (coat: Coat) => void = () => {}) => {
    const planned = plan((coat, coats) => {
      const clear = coats.find(({ kind }) => kind === "clear")!;
      coats.splice(0, coats.length, coat, clear);
      coat.passes = [usualPass("l", "lay")];
      clear.passes = [usualPass("f", "flood")];
      below(coat);
      change(clear);
    });
    const { startMin } = job().work;
    const { coats, troubles } = planDays(windowCoatsOf(planned), startMin, settingsOf(job(), null));
    return { first: coats[0]!, second: coats[1]!, troubles };
  };
  test("22 h later is 22 h after the last mix below", () => {
    const { first, second } = later((clear) => {
      clear.startsAfter = "recoat";
      clear.notBefore = { afterMin: 22 * 60 };
    });
    expect(second.mixedAtMin).toBeCloseTo(first.lastMixedAtMin + 22 * 60, 6);
  });
  test("next morning at seven: the next seven o'clock of a later day, whatever the hours of the shop", () => {
    const { first, second } = later((clear) => {
      clear.startsAfter = "next-day";
      clear.notBefore = { atMinute: 7 * 60 };
    });
    expect(minuteOfDay(second.mixedAtMin)).toBe(7 * 60);
    expect(Math.floor(second.mixedAtMin / DAY_MIN)).toBeGreaterThan(Math.floor(first.mixedAtMin / DAY_MIN));
  });
  test("after the last pass counts from there", () => {
    const { first, second } = later((clear) => {
      clear.startsAfter = "wet";
      clear.notBefore = { afterMin: 15, after: "worked" };
    });
    const worked = Math.max(...first.windows.map(({ untilMin }) => untilMin));
    expect(second.mixedAtMin).toBeCloseTo(worked + 15, 6);
  });
  test("asked for too soon, the film decides, and that is told; asked for too late, it has set", () => {
    const soon = later((clear) => {
      clear.startsAfter = "tacky";
      clear.notBefore = { afterMin: 5 };
    });
    expect(soon.second.mixedAtMin - soon.first.lastMixedAtMin).toBeGreaterThan(60);
    expect(soon.troubles.map(({ kind }) => kind)).toContain("not yet");
    const late = later((clear) => {
      clear.startsAfter = "tacky";
      clear.notBefore = { afterMin: 22 * 60 };
    });
    expect(late.troubles.find(({ kind }) => kind === "sand first")?.words).toMatch(/has set by the time/);
    const sanded = later((clear) => {
      clear.startsAfter = "tacky";
      clear.notBefore = { afterMin: 22 * 60 };
      clear.passes = [usualPass("x", "sand"), ...clear.passes];
    });
    expect(sanded.troubles.map(({ kind }) => kind)).not.toContain("sand first");
  });
});

describe("around the pour", () => {
  test("taping by the edge, covering by the top, warming without hands: before the mix, in their order", () => {
    const { windows, batched } = ofColour(
      plan((coat, coats) => {
        coats.splice(0, coats.length, coat);
        coat.passes = [
          usualPass("t", "tape"),
          usualPass("c", "cover"),
          usualPass("w", "warm"),
          usualPass("l", "lay"),
        ];
      }),
    );
    const [tape, cover, warm] = windows.windows;
    expect(tape!.untilMin - tape!.atMin).toBeCloseTo(4 * (batched!.dripLengthMm / 1000), 6);
    expect(cover!.atMin).toBeCloseTo(tape!.untilMin, 6);
    expect(cover!.untilMin - cover!.atMin).toBeCloseTo(3 * (batched!.topAreaMm2 / 1e6), 6);
    expect(warm!.untilMin - warm!.atMin).toBe(20);
    expect(windows.mixedAtMin).toBeCloseTo(warm!.untilMin, 6);
    // It is over when the first mix is due: that stays at its hour.
    expect(windows.mixedAtMin).toBeCloseTo(job().work.startMin, 6);
  });
  test("no flame into the vapour of a release agent", () => {
    const { windows } = ofColour(
      plan((coat, coats) => {
        coats.splice(0, coats.length, coat);
        coat.rateM2PerH = 200;
        coat.passes = [usualPass("r", "release"), usualPass("l", "lay"), usualPass("f", "flame")];
      }),
    );
    const [release, , torch] = windows.windows;
    expect(torch!.atMin).toBeGreaterThanOrEqual(release!.untilMin + FLASH_OFF_MIN - 1e-6);
  });
  test("a tool wetted with alcohol puts vapour too: the torch waits, and the step says why", () => {
    const wetted = (toolWetWith?: string) => {
      const planned = plan((coat, coats) => {
        coats.splice(0, coats.length, coat);
        coat.passes = [
          usualPass("l", "lay"),
          usualPass("s", "skim", toolWetWith === undefined ? {} : { toolWetWith }),
          usualPass("f", "flame", { fromMin: null }),
        ];
      });
      const [, skim, torch] = ofColour(planned).windows.windows;
      const step = runSheet(planned, "us").find(({ passId }) => passId === "s")!;
      return { gap: torch!.atMin - skim!.untilMin, step };
    };
    const alcohol = wetted("alcohol");
    expect(alcohol.gap).toBeGreaterThanOrEqual(FLASH_OFF_MIN - 1e-6);
    expect(alcohol.step).toMatchObject({ vapour: true, caution: expect.stringContaining("Alcohol burns") });
    expect(alcohol.step.detail).toContain("wetted with alcohol");
    // What has a caution already gets the other beside it.
    const planned = plan((coat, coats) => {
      coats.splice(0, coats.length, coat);
      coat.passes = [usualPass("l", "lay"), usualPass("g", "grits", { toolWetWith: "alcohol" })];
    });
    const { caution } = runSheet(planned, "us").find(({ passId }) => passId === "g")!;
    expect(PASS.grits.caution).toBeDefined();
    expect(caution).toContain("Alcohol burns");
    expect(caution).toContain(PASS.grits.caution);
    const clear = wetted("clear");
    expect(clear.gap).toBeLessThan(FLASH_OFF_MIN);
    expect(clear.step).toMatchObject({ vapour: false });
    expect(clear.step.detail).toContain("wetted with clear");
    expect(wetted().step.detail).not.toContain("wetted");
  });
  test("a copied coat's passes name the copied ones", () => {
    const draft = job();
    const coat = colourCoat(draft);
    const [first, second] = coat.passes;
    coat.passes[1] = {
      ...second!,
      afterPassId: first!.id,
      colourIds: [coat.colours[0]!.id],
      toolWetWith: coat.colours[0]!.id,
    };
    const copy = copiedCoat(coat, newId);
    expect(copy.passes[1]!.afterPassId).toBe(copy.passes[0]!.id);
    expect(copy.passes[1]!.colourIds).toEqual([copy.colours[0]!.id]);
    expect(copy.passes[1]!.toolWetWith).toBe(copy.colours[0]!.id);
  });
});
