import { usualPass } from "../schedule/pass";
import { derivePlan } from "../plan/derive-plan";
import type { JobDocument } from "../job/job";
import { newCoat } from "../job/new-job";
import { newPiece } from "../geometry/new-piece";
import { withTechnique } from "../job/techniques";
import { runSheet } from "./run-sheet";
import { passDetail, sectionWords, sprayWords } from "./step-words";
import { clockText } from "../units/clock";
import { sampleJob } from "../job/sample-job";
import { starterCards } from "../cure/starter-cards";
import { doseWords, onScale, weighable, weighLines } from "./weigh-lines";

let made = 0;
const newId = () => `id-${(made += 1)}`;
const cards = starterCards(newId);
const sheet = (change: (job: JobDocument) => void = () => {}, system: "us" | "metric" = "metric") => {
  const job = sampleJob(cards, newId);
  change(job);
  return runSheet(derivePlan(job, cards), system);
};
const colour = (job: JobDocument) => job.coats[2]!;

test("a filler is stirred in after A and B, where the resin has one", () => {
  const mixOf = (of: typeof cards) =>
    runSheet(derivePlan(sampleJob(of, newId), of), "metric").find(({ kind }) => kind === "mix")!.detail;
  expect(mixOf(cards)).not.toContain("filler");
  expect(mixOf(cards.map((card) => ({ ...card, fillerGPer100G: 60, fillerDensityGPerMl: 2.6 })))).toContain(
    "A and B first, then the filler",
  );
});

describe("the order of acts", () => {
  test("a coat is weighed, mixed, split, laid, then worked in the order of its passes", () => {
    const job = sampleJob(cards, newId);
    const steps = runSheet(derivePlan(job, cards), "metric").filter((step) => step.coatId === colour(job).id);
    expect(steps.map((step) => step.kind)).toEqual([
      "weigh",
      "mix",
      "split",
      ...colour(job).passes.map(() => "pass"),
    ]);
    expect(steps.slice(3).map((step) => step.title)).toEqual([
      "Lay the colours",
      "Drizzle ribbons",
      "Palm blend",
      "Alcohol, small drops",
      "Torch, quick sweeps",
      "Veins, a thick and some thin",
      "Wet the faces, brush bald places",
      "Scrape the drips",
    ]);
  });
  test("with several batches each is laid as soon as it is mixed; the other passes follow the last", () => {
    const steps = sheet((job) => void (colour(job).rateM2PerH = 1.6)).filter((step) =>
      step.coatName.startsWith("Palm"),
    );
    const laid = steps.filter((step) => step.title === "Lay the colours");
    expect(laid.length).toBeGreaterThan(1);
    expect(laid.map((step) => step.batch)).toEqual(laid.map((_, index) => index + 1));
    const lastWeigh = steps.map((step) => step.kind).lastIndexOf("weigh");
    expect(steps.findIndex((step) => step.title === "Palm blend")).toBeGreaterThan(lastWeigh);
  });
  test("sanding comes before the clear is mixed", () => {
    const steps = sheet().filter((step) => step.coatName === "Clear flood");
    expect(steps.slice(0, 2).map((step) => step.title)[0]).toBe("Sand 220, wipe clean");
    expect(steps[1]?.kind).toBe("weigh");
  });
  test("timed passes stand at their minute after mixing", () => {
    const steps = sheet().filter((step) => step.coatName.startsWith("Palm"));
    const weigh = steps.find((step) => step.kind === "weigh")!;
    expect(steps.find((step) => step.title.startsWith("Veins"))!.atMin - weigh.atMin).toBe(60);
  });
  test("veins as a coat of their own are mixed late, between the passes of the colour coat, and before its drips are scraped", () => {
    const steps = sheet((job) => {
      job.coats.splice(3, 0, newCoat("vein", "Veins", cards[0]!.id, newId));
    });
    const at = (title: string, coat?: string) =>
      steps.findIndex((step) => step.title.startsWith(title) && (!coat || step.coatName === coat));
    const weighVeins = steps.findIndex((step) => step.coatName === "Veins" && step.kind === "weigh");
    expect(at("Torch")).toBeLessThan(weighVeins);
    expect(weighVeins).toBeLessThan(at("Veins, a thick", "Veins"));
    expect(at("Veins, a thick", "Veins")).toBeLessThan(at("Scrape the drips"));
  });
  test("time never runs backwards on the sheet, and the acts of a coat keep their order", () => {
    const job = sampleJob(cards, newId);
    job.coats[2]!.rateM2PerH = 1.2;
    const steps = runSheet(derivePlan(job, cards), "metric");
    steps.reduce((before, step) => {
      expect(step.atMin).toBeGreaterThanOrEqual(before);
      return step.atMin;
    }, 0);
    const passes = steps
      .filter((step) => step.coatId === job.coats[2]!.id && step.kind === "pass")
      .map((step) => step.title);
    expect(passes.indexOf("Palm blend")).toBeLessThan(passes.indexOf("Alcohol, small drops"));
  });
  test("a coat with a problem has no step", () => {
    const steps = sheet((job) => void (colour(job).resinCardId = null));
    expect(steps.some((step) => step.coatName.startsWith("Palm"))).toBe(false);
  });
});

test("a bucket pour behind a dam has its dam pulled and its drips scraped; on a floor there is neither", () => {
  const acts = (change: (job: JobDocument) => void) =>
    sheet((job) => {
      job.coats[2] = withTechnique(colour(job), "bucket-pour", newId);
      change(job);
    })
      .filter(({ coatId, kind }) => kind === "pass" && coatId !== "")
      .map(({ title }) => title);
  const dammed = acts((job) => {
    for (const edge of ["front", "back", "left", "right"] as const)
      job.pieces[0]!.edges[edge] = { treatment: "dam", heightMm: 25, roundingMm: 3 };
  });
  expect(dammed).toEqual(expect.arrayContaining(["Pull the dam, rub the faces wet", "Scrape the drips"]));
  const floor = acts((job) => void (job.pieces = [newPiece("floor", "Floor", newId)]));
  expect(floor.some((title) => /dam|drips|faces/.test(title))).toBe(false);
});

describe("cups by their numbers", () => {
  test("a colour goes into the cup that bears its number, also behind a clear one", () => {
    const job = sampleJob(cards, newId);
    const plan = derivePlan(job, cards);
    const planned = plan.coats.find((plannedCoat) => plannedCoat.coat.id === colour(job).id)!;
    const batch = planned.batched!.batches[0]!;
    // The blend has its clear before its black.
    const clear = batch.cups.findIndex((cup) => cup.doses.length === 0);
    const black = batch.cups.findIndex((cup) => cup.name === "Ink black");
    expect(clear).toBeGreaterThanOrEqual(0);
    expect(black).toBeGreaterThan(clear);
    for (const { line, label } of weighLines(batch, false).filter((weighLine) =>
      weighLine.line.startsWith("dose-"),
    )) {
      const at = batch.cups.findIndex((cup) => cup.doses.some((dose) => line === `dose-${dose.id}`));
      expect(label).toBe(`${batch.cups[at]!.name} into cup ${at + 1}`);
    }
  });
});

describe("the two mixing methods", () => {
  const weighLines = (school: "clear-first" | "colour-into-a") =>
    sheet((job) => void (colour(job).school = school))
      .find((step) => step.coatName.startsWith("Palm") && step.kind === "weigh")!
      .weigh.map((line) => line.line.replace(/-.*/, ""));
  test("clear first: A, B, then colour into the cups", () =>
    expect(weighLines("clear-first")).toEqual(["A", "B", "dose", "dose", "dose"]));
  test("colour into A: for each cup A, its colour, then B; clear has no dose", () =>
    expect(weighLines("colour-into-a")).toEqual([
      "A",
      "dose",
      "B",
      "A",
      "dose",
      "B",
      "A",
      "B",
      "A",
      "dose",
      "B",
      "A",
      "B",
    ]));
  test("both methods need the same A and B, to the rounding of the cups", () => {
    const grams = (school: "clear-first" | "colour-into-a", part: string) =>
      sheet((job) => void (colour(job).school = school))
        .filter((step) => step.coatName.startsWith("Palm"))
        .flatMap((step) => step.weigh)
        .filter((line) => line.line === part || line.line.startsWith(`${part}-`))
        .reduce((sum, line) => sum + line.grams, 0);
    // Buckets or no buckets: the losses differ by a few grams.
    expect(grams("colour-into-a", "A") / grams("clear-first", "A")).toBeCloseTo(1, 1);
    expect(grams("colour-into-a", "B") / grams("colour-into-a", "A")).toBeCloseTo(0.98 / 1.15, 2);
  });
});

describe("words", () => {
  test.each([
    [{ grams: 11.52, count: 11.52, unit: "gram" }, "11.5 g"],
    [{ grams: 240.4, count: 240.4, unit: "gram" }, "240 g"],
    [{ grams: 1.62, count: 27, unit: "drop" }, "27 drops (1.6 g)"],
    [{ grams: 0.06, count: 1, unit: "drop" }, "1 drop (0.06 g)"],
    [{ grams: 20.8, count: 346, unit: "drop" }, "20.8 g (346 drops)"],
    [{ grams: 0.86, count: 4.25, unit: "spoon" }, "4.25 level spoons (0.9 g)"],
    // Never nothing: what cannot be counted is told in grams, with two figures.
    [{ grams: 0.02, count: 0.1, unit: "spoon" }, "0.02 g"],
    [{ grams: 0.077, count: 1.28, unit: "drop" }, "0.077 g"],
  ] as const)("%o is said as %s", (dose, words) => expect(doseWords(dose)).toBe(words));
  test.each([
    [0.077, 0.01, "0.08"],
    [0.077, 1, "0.077"],
    [7.44, 0.1, "7.4"],
    [7.44, 1, "7"],
    [240.4, 0.01, "240"],
    [0, 1, "0"],
  ])("%d g on a scale of %d g is %s g", (grams, stepG, shown) => expect(onScale(grams, stepG)).toBe(shown));

  test("alcohol by area, with its range", () => {
    expect(sprayWords(usualPass("p", "alcohol"), 3.7e6, "metric")).toBe("28 to 38 ml over 3.70 m²");
    expect(sprayWords(usualPass("p", "palm"), 3.7e6, "metric")).toBeNull();
  });
  test("a pass says amount, rounds and tool, then how", () => {
    expect(passDetail(usualPass("p", "palm", { rounds: 2, note: "Light." }), 1e6, "metric")).toBe(
      "2 rounds · gloved hand. Light.",
    );
    expect(passDetail(usualPass("p", "lay"), 1e6, "metric")).toBe("");
  });
  test("sections in words, at most three", () => {
    const section = (pieceName: string, changes = {}) => ({
      pieceId: pieceName,
      pieceName,
      zoneId: null,
      copy: 1,
      copies: 1,
      fromMm: 0,
      toMm: 1840,
      fromShare: 0,
      toShare: 1,
      whole: true,
      ...changes,
    });
    expect(sectionWords([section("Left run"), section("Corner", { whole: false })], "metric")).toBe(
      "Left run, Corner to 1\u2009840 mm",
    );
    expect(sectionWords([section("Bar", { whole: false, fromMm: 600 })], "us")).toBe(
      "Bar from 23 5/8 in to 72 7/16 in",
    );
    expect(
      sectionWords(
        ["a", "b", "c", "d"].map((name) => section(name)),
        "us",
      ),
    ).toBe("a, b and 2 more");
    expect(sectionWords([section("Top", { copy: 2 })], "us")).toBe("Top 2");
    expect(sectionWords([section("Coaster", { copies: 3 }), section("Tray")], "us")).toBe(
      "Coaster × 3, Tray",
    );
    expect(
      sectionWords(
        [section("Coaster", { copies: 2 }), section("Coaster", { copy: 3, whole: false, toMm: 25.4 })],
        "us",
      ),
    ).toBe("Coaster × 2, Coaster 3 to 1 in");
  });
  test.each([
    [545, "09:05"],
    [0, "00:00"],
    [1439.7, "00:00 +1 d"],
    [3 * 1440 + 61, "01:01 +3 d"],
  ])("%d minutes is %s", (minutes, text) => expect(clockText(minutes)).toBe(text));
  test("what is to be weighed sums to its title, in every way of mixing", () => {
    for (const school of ["clear-first", "colour-into-a"] as const)
      for (const step of sheet((job) => void (colour(job).school = school))) {
        if (step.kind !== "weigh") continue;
        const parts = step.weigh.filter(({ thing }) => thing.kind === "part");
        const grams = Number(/Weigh ([\d\u2009.]+)\u00a0g of/.exec(step.title)![1]!.replaceAll("\u2009", ""));
        expect(parts.reduce((sum, { shown }) => sum + Number(shown.replaceAll("\u2009", "")), 0)).toBeCloseTo(
          grams,
          6,
        );
      }
  });
  test("small mixes are weighed in tenths of a gram", () => {
    const { aG, bG, mixG } = weighable({ aG: 11.26, bG: 9.58, cG: 0 }, 1);
    expect([aG, bG].map((grams) => Number(grams.toFixed(1)))).toEqual([11.2, 9.6]);
    expect(mixG).toBeCloseTo(20.8, 9);
  });
});
