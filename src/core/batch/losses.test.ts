import { GROUNDS } from "./grounds";
import { factorSpread, FACTORS, type FactorId } from "./factors";
import { lossesOf, runOffShare, type Loss, type LossInput } from "./losses";
import { vesselFor, wettedAreaMm2 } from "./vessel";

const input = (change: Partial<LossInput> = {}): LossInput => ({
  cupsMl: [],
  room: 1,
  bucketMl: 0,
  shares: [1],
  tools: [],
  openLengthMm: 0,
  tapedLengthMm: 0,
  tapedFilmMm2: 0,
  faceLengthMm: 0,
  openShare: 1,
  faceShare: 1,
  grounds: [],
  filledMl: 0,
  vesselsMl: [],
  factors: {},
  ...change,
});
const loss = <Id extends Loss["id"]>(id: Id, change: Partial<LossInput>) =>
  lossesOf(input(change)).find((found): found is Extract<Loss, { id: Id }> => found.id === id);

describe("each loss by hand", () => {
  test("cups: wetted wall times film, one cup a colour and batch", () => {
    const found = loss("cups", { cupsMl: [600, 300] });
    const wall = wettedAreaMm2(vesselFor(600), 600) + wettedAreaMm2(vesselFor(300), 300);
    expect(found?.ml.likely).toBeCloseTo((wall * 0.5) / 1000, 9);
    expect(found?.cups).toBe(2);
  });
  test("a vessel has room for more than what goes into it; its wet wall is that of what does", () => {
    const roomy = loss("cups", { cupsMl: [240], room: 3 });
    expect(vesselFor(720)).not.toEqual(vesselFor(240));
    expect(roomy?.ml.likely).toBeCloseTo((wettedAreaMm2(vesselFor(720), 240) * 0.5) / 1000, 9);
  });
  test("two batches have twice the cups, each with its share, and lose more than one", () => {
    const one = loss("cups", { cupsMl: [600] });
    const two = loss("cups", { cupsMl: [600], shares: [0.4, 0.6] });
    const wall = wettedAreaMm2(vesselFor(240), 240) + wettedAreaMm2(vesselFor(360), 360);
    expect(two?.ml.likely).toBeCloseTo((wall * 0.5) / 1000, 9);
    expect(two?.cups).toBe(2);
    expect(two!.ml.likely).toBeGreaterThan(one!.ml.likely);
  });
  test("buckets: two a batch, scraped", () => {
    const found = loss("buckets", { bucketMl: 2000 });
    expect(found?.buckets).toBe(2);
    expect(found?.ml.likely).toBeCloseTo((2 * wettedAreaMm2(vesselFor(2000), 2000) * 0.25) / 1000, 9);
    expect(loss("buckets", { bucketMl: 0 })).toBeUndefined();
  });
  test("sticks: 2 ml each from a quarter litre on, one even for a single mix", () => {
    expect(loss("sticks", { cupsMl: [250, 600, 9000] })?.ml.likely).toBe(6);
    expect(loss("sticks", { bucketMl: 2000 })?.ml.likely).toBe(2);
    expect(loss("sticks", { cupsMl: [500, 500], shares: [0.5, 0.5] })).toMatchObject({
      sticks: 4,
      eachMl: 2,
    });
  });
  test("little cups wet little sticks: an eighth of a quarter litre a quarter of a stick (by hand: (1/8)^(2/3))", () => {
    expect(loss("sticks", { cupsMl: [31.25, 31.25] })).toMatchObject({
      sticks: 2,
      eachMl: expect.closeTo(0.5, 9),
      ml: { likely: expect.closeTo(1, 9) },
    });
    // Ten cups of 6 ml: 2 ml × (6 / 250)^(2/3) = 0.17 ml each, not 20 ml of 60.
    expect(loss("sticks", { cupsMl: Array.from({ length: 10 }, () => 6) })?.ml.likely).toBeCloseTo(1.66, 2);
  });
  test("tools: each kind once, those that do not touch the resin not at all", () => {
    expect(loss("tools", { tools: ["hand", "hand", "roller", "torch", "none"] })?.ml.likely).toBe(4 + 15);
    expect(loss("tools", { tools: ["torch", "spray-bottle"] })).toBeUndefined();
    // As docs/models/losses.md tells them, ml.
    const kept = {
      hand: 4,
      roller: 15,
      "wide-blade": 6,
      squeegee: 8,
      trowel: 12,
      brush: 6,
      "foam-brush": 6,
      stick: 2,
      comb: 2,
    };
    for (const [tool, ml] of Object.entries(kept) as [keyof typeof kept, number][])
      expect([tool, loss("tools", { tools: [tool] })?.ml.likely]).toEqual([tool, ml]);
  });
  test("over a tape lies a strip of the film: 1 m of 2 mm by 4 mm is 8 ml (arithmetic); without tape nothing", () => {
    expect(loss("tape", { tapedLengthMm: 1000, tapedFilmMm2: 2000 })).toMatchObject({
      ml: { low: 4, likely: 8, high: 16 },
      lengthMm: 1000,
      overMm: 4,
    });
    expect(loss("tape", {})).toBeUndefined();
  });
  test("run-off: 25 ml to the metre of open edge, 10 of face (assumed)", () => {
    expect(loss("run-off", { openLengthMm: 2000, faceLengthMm: 3000 })?.ml.likely).toBeCloseTo(80, 9);
    expect(loss("run-off", {})).toBeUndefined();
  });
  test("a thin film runs off less: half of it at half of 0.95 mm (3 fl oz/ft²), by hand", () => {
    expect(runOffShare(0.475)).toBeCloseTo(0.5, 9);
    expect([runOffShare(0.95), runOffShare(3)]).toEqual([1, 1]);
    const found = loss("run-off", { openLengthMm: 2000, faceLengthMm: 3000, openShare: 0.5, faceShare: 0.2 });
    expect(found?.ml.likely).toBeCloseTo(2 * 25 * 0.5 + 3 * 10 * 0.2, 9);
    expect(found?.share).toBeCloseTo((1 + 0.6) / 5, 9);
  });
  test("ground: bare MDF drinks 60 ml/m² (assumed), cured epoxy nothing", () => {
    expect(loss("ground", { grounds: [{ ground: "mdf", areaMm2: 2.5e6 }] })?.ml.likely).toBeCloseTo(150, 9);
    expect(loss("ground", { grounds: [{ ground: "cured", areaMm2: 1e6 }] })).toBeUndefined();
    expect(loss("ground", {})).toBeUndefined();
  });
  test("two grounds drink each its own", () => {
    const grounds = [
      { ground: "mdf" as const, areaMm2: 1e6 },
      { ground: "wood" as const, areaMm2: 5e5 },
    ];
    expect(loss("ground", { grounds })?.ml.likely).toBeCloseTo(60 + 20, 9);
  });
  test("what is filled sinks by 3 % (assumed) and is topped up", () => {
    expect(loss("shrink", { filledMl: 800 })?.ml).toEqual({ low: 8, likely: 24, high: 48 });
    expect(loss("shrink", {})).toBeUndefined();
  });
});

describe("factors", () => {
  test("a cup's film is what drains in half a minute: 2/3·√(η·L/(ρ·g·t)) (Jeffreys 1930, from memory)", () => {
    const drained = (2 / 3) * Math.sqrt((2 * 0.1) / (1120 * 9.81 * 30)) * 1000;
    expect(FACTORS.cupFilmMm.usual.likely).toBeCloseTo(drained, 1);
  });
  test("an own value keeps the relative spread of the usual one", () => {
    expect(factorSpread("stickMl", { stickMl: 4 })).toEqual({ low: 2, likely: 4, high: 8 });
    expect(loss("sticks", { factors: { stickMl: 0 } })?.ml).toEqual({ low: 0, likely: 0, high: 0 });
  });
  test("an own value for the ground replaces its table", () => {
    expect(
      loss("ground", { grounds: [{ ground: "mdf", areaMm2: 1e6 }], factors: { groundMlPerM2: 120 } })?.ml,
    ).toEqual({
      low: 60,
      likely: 120,
      high: 240,
    });
    expect(
      loss("ground", { grounds: [{ ground: "cured", areaMm2: 1e6 }], factors: { groundMlPerM2: 10 } })?.ml
        .likely,
    ).toBe(10);
  });
  test("every factor says why, and its usual value lies inside its spread", () => {
    for (const id of Object.keys(FACTORS) as FactorId[]) {
      const { usual, why, name } = FACTORS[id];
      expect(usual.low).toBeLessThanOrEqual(usual.likely);
      expect(usual.likely).toBeLessThanOrEqual(usual.high);
      expect(why.length).toBeGreaterThan(20);
      expect(name.length).toBeGreaterThan(3);
    }
    for (const { low, likely, high } of Object.values(GROUNDS).map(({ mlPerM2 }) => mlPerM2))
      expect([low <= likely, likely <= high]).toEqual([true, true]);
  });
});
