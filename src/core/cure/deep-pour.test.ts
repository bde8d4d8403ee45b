import { starterCards } from "./starter-cards";
import reference from "../reference/resin.json";
import { parametersOf } from "../reference/resins";
import { calibrate } from "./calibrate";
import { timeToConversion } from "./kinetics";
import { deepForecast, lightOf, safeLiftMm, type PourQuestion } from "./deep-pour";

const wood = (depthMm: number, changes: Partial<PourQuestion> = {}): PourQuestion => ({
  depthMm,
  mixedC: 22,
  roomC: 22,
  around: "wood",
  fan: false,
  ratedMm: null,
  ...changes,
});

test("a casting of 25 mm is warm at worst, of 100 mm it runs away; a coating of 10 mm does too (common practice, no source)", () => {
  expect(deepForecast(wood(10), parametersOf("c")).light).toBe("calm");
  expect(deepForecast(wood(100), parametersOf("c")).light).toBe("danger");
  expect(deepForecast(wood(10), parametersOf("a")).light).toBe("danger");
  expect(["calm", "warm"]).toContain(deepForecast(wood(3), parametersOf("a")).light);
});

test("its peak is the reference's, its ends those of the reference's sensitivities at least", () => {
  const { peakC, sealedPeakC } = deepForecast(wood(50), parametersOf("c"));
  const { c_50mm: known } = reference.slab.sensitivity;
  expect(Math.abs(peakC.likely - known.base)).toBeLessThan(0.1);
  expect(peakC.high).toBeGreaterThan(Math.max(known["H+10%"], known["k2+15%"]));
  expect(peakC.low).toBeLessThan(Math.min(known["H-10%"], known["k2-15%"]) + 0.1);
  const sealed = reference.slab.rows.find(
    (row) => row.resin === "c" && row.depth_mm === 50 && row.bc !== "wood18",
  )!;
  expect(Math.abs(sealedPeakC - sealed.Tpeak)).toBeLessThan(0.1);
});

test("a casting resin is no danger at the depth its own sheet allows, on wood at room temperature; around silicone, or deeper, it may be", () => {
  const card = starterCards(() => "x").find(({ kind }) => kind === "casting")!;
  const p = calibrate(card).parameters;
  const ratedMm = card.thickestFilmMm;
  for (const roomC of [18, 20, 22, 24])
    expect(deepForecast(wood(50, { roomC, mixedC: roomC, ratedMm }), p).light).not.toBe("danger");
  expect(deepForecast(wood(100, { ratedMm }), p).light).toBe("danger");
  expect(deepForecast(wood(50, { ratedMm, around: "silicone" }), p).light).toBe("danger");
});

test("the safe lift is no deeper than where the reference's sealed pour passes 60 °C, and stays under it", () => {
  const p = parametersOf("c");
  const { depthMm: _depth, ...rest } = wood(0);
  const lift = safeLiftMm(rest, p)!;
  const sealed = reference.slab.thresholds.find(
    (row) => row.resin === "c" && row.bc === "adiabatic_bottom" && row.limit_C === 60,
  )!;
  expect(lift).toBeLessThanOrEqual(sealed.depth_mm + 0.5);
  expect(lift).toBeGreaterThan(0.7 * sealed.depth_mm);
  expect(lightOf(deepForecast(wood(lift), p).peakC.high)).not.toBe("danger");
  // A warmer room, less.
  expect(safeLiftMm({ ...rest, mixedC: 28, roomC: 28 }, p)!).toBeLessThan(lift);
}, 60_000);

test("a pour that hardly warms is laid on when it has gelled, not when its small peak is over", () => {
  const p = parametersOf("c");
  const { nextLiftMin, peakAtMin } = deepForecast(wood(10), p);
  // At 22 °C the film gels later than its peak, which lies near 580 minutes (reference).
  const gelMin = timeToConversion(p.gelConversion, 24, p) / 60;
  expect(peakAtMin).toBeLessThan(gelMin);
  expect(nextLiftMin!).toBeGreaterThan(gelMin);
});

test("the next lift waits until it has gelled and cooled; with a fan no longer than without", () => {
  const still = deepForecast(wood(40), parametersOf("c"));
  const fan = deepForecast(wood(40, { fan: true }), parametersOf("c"));
  expect(still.nextLiftMin ?? Infinity).toBeGreaterThan(still.peakAtMin);
  expect(fan.peakC.likely).toBeLessThan(still.peakC.likely);
});
