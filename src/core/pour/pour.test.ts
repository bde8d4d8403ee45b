import fc from "fast-check";
import { massRatio, ratioError } from "../batch/parts";
import { derivePlan } from "../plan/derive-plan";
import { PASS } from "../passes/facts";
import { comparePour } from "./compare-pour";
import { foldPour, type PourEvent } from "./pour-events";
import { nextStep } from "./sheet-now";
import { runSheet } from "./run-sheet";
import { verdictWords } from "./verdict-words";
import { cupsMl, dosesWords, weighable, weighLines, type WeighLine } from "./weigh-lines";
import { CARDS, colourCoat, job, planned } from "../plan/testing/sample";

test("on the sheet cups sum to the pot, A and B to the mix, and the ratio holds", () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 300, max: 5000 }),
      fc.double({ min: 0.3, max: 3, noNaN: true }),
      (lengthMm, filmMm) => {
        const document = job((draft) => {
          draft.pieces[0]!.shape = { kind: "straight", lengthMm, depthMm: 500 };
          colourCoat(draft).filmMm = filmMm;
        });
        const { batched, resin } = planned(document);
        for (const batch of batched.batches) {
          const rounded = cupsMl(batch.cups, "metric").reduce((sum, ml) => sum + ml, 0);
          expect(Math.abs(rounded - batch.parts.mixMl)).toBeLessThanOrEqual(0.5 + 1e-9);
          const { aG, bG, mixG } = weighable(batch.parts, 1);
          expect(aG + bG).toBeCloseTo(mixG, 9);
          expect(Math.abs(ratioError(aG, bG, resin!))).toBeLessThan(resin!.ratioTolerancePct / 100);
          expect(massRatio(resin!)).toBeGreaterThan(0);
        }
      },
    ),
    { numRuns: 60 },
  );
});

describe("the pour", () => {
  const plan = derivePlan(job(), CARDS);
  const steps = runSheet(plan, "metric");
  const at = (minute: number) => new Date(Date.UTC(2026, 4, 4, 9, minute)).toISOString();
  const tick = (stepId: string, minute: number): PourEvent => ({
    id: `t-${stepId}-${minute}`,
    at: at(minute),
    kind: "tick",
    stepId,
  });

  test("steps have ids of their own, and every dangerous one its caution", () => {
    expect(new Set(steps.map((step) => step.id)).size).toBe(steps.length);
    for (const step of steps) if (step.flame || step.vapour) expect(step.caution).toBeTruthy();
    expect(steps.map((step) => step.title)).toEqual(
      expect.arrayContaining(["Palm blend", "Alcohol, small drops"]),
    );
  });

  test("folding does not depend on the order of arrival, and twice the same does no harm", () => {
    const events: PourEvent[] = [
      tick(steps[0]!.id, 1),
      tick(steps[1]!.id, 3),
      { id: "u", at: at(4), kind: "untick", stepId: steps[1]!.id },
      { id: "n", at: at(5), kind: "note", stepId: null, text: "cold" },
    ];
    const once = foldPour(events);
    const again = foldPour([...events].reverse());
    expect([...again.doneAt]).toEqual([...once.doneAt]);
    expect(nextStep(steps, once)?.id).toBe(steps[1]!.id);
  });

  test("the log says rate, surplus and shortfall in plain words", () => {
    const colour = plan.coats[2]!;
    const weigh = steps.find((step) => step.coatId === colour.coat.id && step.kind === "weigh")!;
    const events: PourEvent[] = [
      tick(weigh.id, 0),
      ...weigh.weigh
        .filter((line) => line.line === "A" || line.line === "B")
        .map((line): PourEvent => ({
          id: line.line,
          at: at(1),
          kind: "weighed",
          stepId: weigh.id,
          line: line.line,
          grams: line.grams * 1.1,
        })),
      { id: "l", at: at(90), kind: "left", coatId: colour.coat.id, ml: 400 },
    ];
    const [outcome] = comparePour(plan, steps, foldPour(events), "metric");
    expect(outcome?.mixedMl).toBeCloseTo(colour.batched!.mixMl.likely * 1.1, -1);
    expect(outcome?.usedMl).toBeCloseTo(outcome!.mixedMl - 400, 6);
    expect(outcome?.words.join(" ")).toMatch(/more was mixed than planned \(10 %\).*left over/);
    const short = comparePour(
      plan,
      steps,
      foldPour([tick(weigh.id, 0), { id: "s", at: at(9), kind: "short", coatId: colour.coat.id, ml: 150 }]),
      "metric",
    );
    expect(short[0]?.words[0]).toContain("ran short by about 150 ml");
  });

  test("it took from the first mix to the last pass that lays, whatever comes later; nothing is said while one is open", () => {
    const colour = plan.coats[2]!;
    const acts = steps.filter(({ coatId }) => coatId === colour.coat.id);
    const lays = acts.flatMap(({ passId }, index) => {
      const kind = colour.coat.passes.find(({ id }) => id === passId)?.kind;
      return kind && PASS[kind].phase === "laying" ? [index] : [];
    });
    const tookMin = (done: number) =>
      comparePour(
        plan,
        steps,
        foldPour(acts.slice(0, done).map(({ id }, index) => tick(id, 3 * index))),
        "metric",
      )[0]?.tookMin;
    const mixed = acts.findIndex(({ kind }) => kind === "weigh");
    const last = Math.max(...lays);
    expect(lays.length).toBeGreaterThan(0);
    expect(acts.length).toBeGreaterThan(last + 1);
    expect(tookMin(acts.length)).toBe(3 * (last - mixed));
    expect(tookMin(last)).toBeNull();
  });

  describe.each(["clear-first", "colour-into-a"] as const)("a resin of three parts, %s", (school) => {
    const filled = CARDS.map((card) => ({ ...card, fillerGPer100G: 60, fillerDensityGPerMl: 2.6 }));
    const plan = derivePlan(
      job((draft) => void (colourCoat(draft).school = school)),
      filled,
    );
    const colour = plan.coats[2]!;
    const outcomeOf = (gramsOf: (line: WeighLine) => number) => {
      const weigh = runSheet(plan, "metric").find(
        ({ coatId, kind }) => coatId === colour.coat.id && kind === "weigh",
      )!;
      const events = weigh.weigh.map((line, index): PourEvent => ({
        id: `w${index}`,
        at: at(1),
        kind: "weighed",
        stepId: weigh.id,
        line: line.line,
        grams: gramsOf(line),
      }));
      const state = foldPour([...events, tick(weigh.id, 2)]);
      return comparePour(plan, runSheet(plan, "metric", state.weighed), state, "metric")[0]!;
    };
    test("weighed to plan, the log finds nothing: filler is in the mix and in its density", () => {
      const { mixedMl, words } = outcomeOf(({ grams }) => grams);
      const batch = colour.batched!.batches[0]!;
      expect(mixedMl / batch.parts.mixMl).toBeCloseTo(1, 2);
      expect(words.join(" ")).not.toMatch(/mixed than planned|for its A/);
    });
    test("5 % too much A, and B as planned: the log says so", () => {
      const { words, ratioOff } = outcomeOf(({ thing, plannedGrams }) =>
        thing.kind === "part" && thing.part === "A" ? plannedGrams * 1.05 : plannedGrams,
      );
      expect(ratioOff!.off).toBeCloseTo(1 / 1.05 - 1, 1);
      expect(words.join(" ")).toMatch(/B was [4-7] % too little for its A/);
    });
  });

  test("after an over-pour of A the target of B, the cups and their colours are those of the larger batch", () => {
    const colour = plan.coats[2]!;
    const weigh = steps.find((step) => step.coatId === colour.coat.id && step.kind === "weigh")!;
    const a = weigh.weigh.find(({ line }) => line === "A")!;
    const state = foldPour([
      { id: "w", at: at(1), kind: "weighed", stepId: weigh.id, line: "A", grams: a.grams * 1.1 },
    ]);
    const after = runSheet(plan, "metric", state.weighed);
    const [before, now] = [weigh, after.find(({ id }) => id === weigh.id)!];
    for (const [index, line] of now.weigh.entries())
      expect(line.grams / before.weigh[index]!.grams).toBeCloseTo(1.1, 1);
    const split = (of: typeof steps) =>
      Number(
        /Bone white ([\d\u2009]+) ml/
          .exec(of.find(({ coatId, kind }) => coatId === colour.coat.id && kind === "split")!.detail)![1]!
          .replace("\u2009", ""),
      );
    expect(split(after) / split(steps)).toBeCloseTo(1.1, 2);
  });
});

test("a dose goes into the cup by its number, or into the pot where there is one alone", () => {
  const [first] = planned(job()).batched.batches;
  const doses = (cups: typeof first) =>
    weighLines(cups!, false).flatMap(({ thing, label }) => (thing.kind === "dose" ? [label] : []));
  expect(doses(first).length).toBeGreaterThan(1);
  doses(first).forEach((label) => expect(label).toMatch(/ into cup \d$/));
  const dosed = first!.cups.find((cup) => cup.doses.length > 0)!;
  doses({ ...first!, cups: [dosed] }).forEach((label) => expect(label).toMatch(/ into the pot$/));
});

test("the doses of a cup: a colourant is named where it is not the cup's own colour", () => {
  const [first] = planned(job()).batched.batches;
  const cup = first!.cups.find(({ doses }) => doses.length > 0)!;
  const [dose] = cup.doses;
  expect(dosesWords({ ...cup, doses: [{ ...dose!, name: cup.name }] })).not.toContain(cup.name);
  expect(dosesWords({ ...cup, doses: [{ ...dose!, name: "Yellow oxide" }] })).toMatch(/^Yellow oxide /);
});

test("what the scale showed is answered in words: what is too much, and to where the other part is brought", () => {
  const off = {
    kind: "add" as const,
    mixId: "pot",
    mix: null,
    part: "A" as const,
    toG: 210,
    addG: 10,
    poured: true,
    off: 0.05,
  };
  expect(verdictWords(off, 3, "metric")).toBe(
    "B is 5 % too much for its A; the card allows 3 %. Bring A to 210 g, 10 g more.",
  );
  expect(verdictWords({ ...off, part: "B", off: -0.05 }, 3, "metric")).toMatch(
    /^B is 5 % too little for its A/,
  );
  expect(verdictWords({ ...off, mix: "White", poured: false }, 3, "metric")).toBe(
    "White: bring A to 210 g, 10 g more.",
  );
  expect(verdictWords({ kind: "within", mixId: "pot", mix: null }, 3, "metric")).toBe(
    "In ratio, within the card's 3 %.",
  );
});
