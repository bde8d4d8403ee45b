import fc from "fast-check";
import { starterCards } from "./starter-cards";
import reference from "../reference/resin.json";
import { parametersOf } from "../reference/resins";
import { calibrate } from "./calibrate";
import { fittedResin } from "./fitted-resin";
import { timeToConversion } from "./kinetics";
import { lumpedPeakC } from "./lumped-slab";
import { potLifeMin, runPot } from "./pot";
import type { BenchTest, ResinCard } from "./resin-card";
import { resinSamples, stillOpen } from "./samples";
import { AROUND } from "./slab";

let made = 0;
const cards = starterCards(() => `card-${(made += 1)}`);
const coating = cards[0]!;
const casting = cards.find(({ kind }) => kind === "casting")!;
const silent: ResinCard = {
  ...coating,
  potLifeMin: null,
  workMin: null,
  gelH: null,
  tackFreeH: null,
  recoatFromH: null,
};
const test_ = (kind: BenchTest["kind"], minutes: number, tempC = 23, massG: number | null = null) => ({
  kind,
  minutes,
  tempC,
  massG,
});
const spreadOf = (values: number[]) => {
  const sorted = [...values].sort((a, b) => a - b);
  return Math.log(sorted[Math.floor(0.95 * sorted.length)]! / sorted[Math.floor(0.05 * sorted.length)]!);
};

describe("the finisher's own tests", () => {
  const truth = parametersOf("a");
  /** Times that resin a of the reference would give in the shop. */
  const own = (): BenchTest[] => [
    test_("string", timeToConversion(truth.gelConversion, 23, truth) / 60),
    test_("cup", runPot(150, 23, 23, truth, ({ alpha }) => alpha >= truth.gelConversion).timeS / 60, 23, 150),
  ];
  test("alone they find a resin that gels when the tested one does, in the film and in the cup", () => {
    const { parameters, used, conflicts } = calibrate({ ...silent, benchTests: own() });
    expect(used).toEqual({ film: false, setting: true, pot: true });
    expect(conflicts).toEqual([]);
    const gel = (tempC: number) =>
      timeToConversion(parameters.gelConversion, tempC, parameters) /
      timeToConversion(truth.gelConversion, tempC, truth);
    expect(gel(23)).toBeGreaterThan(0.93);
    expect(gel(23)).toBeLessThan(1.07);
    expect(potLifeMin(300, 23, 23, parameters) / potLifeMin(300, 23, 23, truth)).toBeCloseTo(1, 0);
  });
  test("a test narrows what the sheet leaves open, and moves the fit towards what was seen", () => {
    const before = calibrate(coating);
    const gel = (calibration: typeof before) =>
      timeToConversion(calibration.parameters.gelConversion, 23, calibration.parameters) / 60;
    const tested = { ...coating, benchTests: [test_("string", 1.35 * gel(before))] };
    const after = calibrate(tested);
    expect(gel(after)).toBeGreaterThan(1.1 * gel(before));
    expect(gel(after)).toBeLessThan(1.4 * gel(before));
    const gelsOf = (card: ResinCard) =>
      resinSamples(fittedResin(card), 300).map(({ parameters: p }) =>
        timeToConversion(p.gelConversion, 23, p),
      );
    expect(spreadOf(gelsOf(tested))).toBeLessThan(0.8 * spreadOf(gelsOf(coating)));
    expect(stillOpen(fittedResin(tested)).lnRate).toBeLessThan(stillOpen(fittedResin(coating)).lnRate);
  });
  test("gummy at 2 h 10 at 23 °C belongs to the slow coating (common practice: the dam is pulled at 2 to 3 h)", () => {
    const { conflicts, residuals } = calibrate({ ...coating, benchTests: [test_("gummy", 130)] });
    expect(conflicts).toEqual([]);
    expect(residuals.find(({ what }) => what === "gummy test")!.sheetMin).toBe(130);
    expect(calibrate({ ...coating, benchTests: [test_("gummy", 20)] }).conflicts.length).toBeGreaterThan(0);
  });
});

describe("what does not belong to one resin", () => {
  test("a recoat after 24 h and a pot life of 40 min are named together, and which to check is left to the person", () => {
    const { conflicts } = calibrate({ ...silent, recoatFromH: 24, potLifeMin: 40 });
    expect(conflicts[0]).toMatch(
      /^Your 24 h recoat time and your 40 min pot life do not belong to one resin: check one\. The fit says .* h and .* (min|h)\.$/,
    );
  });
  test("the shipped cards contradict themselves in nothing", () => {
    for (const card of cards) expect([card.name, calibrate(card).conflicts]).toEqual([card.name, []]);
  });
  test("each pair is told once", () => {
    fc.assert(
      fc.property(fc.integer({ min: 5, max: 300 }), fc.integer({ min: 1, max: 60 }), (work, tack) => {
        const { conflicts } = calibrate({ ...coating, workMin: work, tackFreeH: tack });
        expect(new Set(conflicts).size).toBe(conflicts.length);
      }),
      { numRuns: 20 },
    );
  });
});

describe("two gel times", () => {
  test("give the activation energy they were made with, between 45 and 70 kJ/mol", () => {
    const p = { ...parametersOf("a"), activationJPerMol: 62_000 };
    const gelH = timeToConversion(p.gelConversion, 20, p) / 3600;
    const gel2H = timeToConversion(p.gelConversion, 30, p) / 3600;
    const card = { ...silent, filmTempC: 20, gelH, gel2H, gel2TempC: 30 };
    const { parameters, learnt } = calibrate(card);
    expect(parameters.activationJPerMol).toBeCloseTo(62_000, -1);
    expect(learnt.activation).toBe(true);
    expect(calibrate({ ...card, gel2H: gelH / 20 }).parameters.activationJPerMol).toBe(70_000);
    expect(calibrate({ ...card, gel2H: gelH }).parameters.activationJPerMol).toBe(45_000);
    expect(calibrate({ ...card, gel2H: null }).parameters.activationJPerMol).toBe(55_000);
  });
  test("leave less open of it than one does", () => {
    const one = { ...coating, gelH: 5 };
    const two = { ...one, gel2H: 2.6, gel2TempC: 34 };
    expect(stillOpen(fittedResin(two)).activation).toBeLessThan(stillOpen(fittedResin(one)).activation);
  });
});

describe("a rated depth", () => {
  test.each(reference.slab.rows.filter(({ Tpeak, depth_mm: depth }) => Tpeak < 120 && depth <= 50))(
    "the lump is within 5 K of the pour followed through its depth: $resin $bc $depth_mm mm",
    (row) => {
      const peak = lumpedPeakC(
        row.depth_mm,
        row.Ta,
        row.bc === "wood18" ? AROUND.wood : AROUND.sealed,
        parametersOf(row.resin as "a"),
      );
      // Beyond the knee, where it runs away, a lump says only that.
      if (row.Tpeak < 60) expect(Math.abs(peak - row.Tpeak)).toBeLessThan(5);
      else expect(peak).toBeGreaterThan(50);
    },
  );
  test("teaches the heat: at that depth it peaks at 60 °C, and a deeper rating means less heat", () => {
    const rated = (thickestFilmMm: number) => calibrate({ ...casting, thickestFilmMm });
    const fifty = rated(50);
    expect(fifty.learnt.heat).toBe(true);
    const peak = lumpedPeakC(50, 22, AROUND.wood, fifty.parameters);
    expect(peak).toBeLessThanOrEqual(60);
    expect(peak).toBeGreaterThan(48);
    // "depth rating conflicts with pot life + cure unless H ≈ 215" (reference, resin c).
    expect(fifty.parameters.heatJPerKg / 215_000).toBeGreaterThan(0.85);
    expect(fifty.parameters.heatJPerKg / 215_000).toBeLessThan(1.2);
    expect(rated(60).parameters.heatJPerKg).toBeLessThan(fifty.parameters.heatJPerKg);
  });
  test("that its pot life and cure cannot meet is told", () => {
    const { conflicts } = calibrate({ ...casting, thickestFilmMm: 200 });
    expect(conflicts.at(-1)).toMatch(/^A resin with these times would run hot in the 200 mm/);
  });
});
