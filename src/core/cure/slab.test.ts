import reference from "../reference/resin.json";
import { AROUND, runSlab, TOP_W_PER_M2K } from "./slab";
import { parametersOf } from "../reference/resins";

const pour = (depthMm: number, bottomWPerM2K: number = AROUND.wood) => ({
  depthMm,
  mixedC: 22,
  roomC: 22,
  bottomWPerM2K,
  topWPerM2K: TOP_W_PER_M2K.still,
});

/** Independent finite volumes with 120 cells; beyond 120 °C the kinetics are out of their range, and both schemes differ a little more. */
test.each(reference.slab.rows.map((row) => [row.resin, row.depth_mm, row.bc, row] as const))(
  "%s %d mm on %s: peak and its minute",
  (resin, depthMm, bc, row) => {
    const bottom = bc === "wood18" ? AROUND.wood : AROUND.sealed;
    const run = runSlab(pour(depthMm, bottom), parametersOf(resin), 3600 * 24);
    expect(Math.abs(run.peakC - row.Tpeak)).toBeLessThan(row.Tpeak > 120 ? 0.3 : 0.1);
    expect(Math.abs(run.peakAtS / 60 - row.tpeak_min)).toBeLessThan(2);
  },
);

test("an independent stiff integrator finds the same peaks", () => {
  const { slab_fd_Radau_a_10mm: a, slab_fd_Radau_c_50mm: c } = reference.crosscheck;
  expect(runSlab(pour(10), parametersOf("a"), 86_400).peakC).toBeCloseTo(a[0]!, 1);
  expect(runSlab(pour(50), parametersOf("c"), 86_400).peakC).toBeCloseTo(c[0]!, 1);
});

test("without cure it is the series of a slab that cools through one face (Carslaw, Jaeger 1959, III)", () => {
  const p = { ...parametersOf("c"), heatJPerKg: 0, k2PerS: 1e-12 };
  const [length, h] = [0.05, TOP_W_PER_M2K.still];
  const diffusivity = p.conductivityWPerMK / (p.densityKgPerM3 * p.heatCapacityJPerKgK);
  const biot = (h * length) / p.conductivityWPerMK;
  // β·tan β = Bi, a root in each half turn.
  const roots = Array.from({ length: 12 }, (_, n) => {
    let [low, high] = [n * Math.PI + 1e-9, n * Math.PI + Math.PI / 2 - 1e-9];
    for (let halving = 0; halving < 80; halving += 1) {
      const middle = (low + high) / 2;
      if (middle * Math.tan(middle) < biot) low = middle;
      else high = middle;
    }
    return low;
  });
  const timeS = 3600;
  const exact = (z: number) =>
    roots.reduce(
      (sum, beta) =>
        sum +
        ((4 * Math.sin(beta)) / (2 * beta + Math.sin(2 * beta))) *
          Math.exp((-(beta ** 2) * diffusivity * timeS) / length ** 2) *
          Math.cos((beta * z) / length),
      0,
    );
  const { end } = runSlab({ ...pour(50, AROUND.sealed), mixedC: 60, roomC: 20 }, p, timeS);
  end.tempC.forEach((tempC, cell) => {
    const there = 20 + 40 * exact(((cell + 0.5) * length) / end.tempC.length);
    expect(Math.abs(tempC - there)).toBeLessThan(0.02);
  });
});

test("sealed all round and still air above, nothing is lost but through the top: heat made is heat kept and given off", () => {
  const p = parametersOf("c");
  const run = runSlab({ ...pour(50, AROUND.sealed), topWPerM2K: 1e-9 }, p, 3600 * 30);
  const heatK = p.heatJPerKg / p.heatCapacityJPerKgK;
  run.end.tempC.forEach((tempC, cell) => {
    expect(tempC).toBeCloseTo(22 + heatK * (run.end.alpha[cell] as number), 3);
  });
});

test("a fan, a warmer start, minutes in the pot: each moves the peak the way it must", () => {
  const p = parametersOf("c");
  const peak = (changes: object) => runSlab({ ...pour(50), ...changes }, p, 3600 * 24).peakC;
  const usual = peak({});
  expect(peak({ topWPerM2K: TOP_W_PER_M2K.fan })).toBeLessThan(usual - 5);
  expect(peak({ mixedC: 27, roomC: 27 })).toBeGreaterThan(usual + 5);
  expect(peak({ alpha: 0.2 })).not.toBe(usual);
  expect(() => runSlab(pour(0), p, 10)).toThrow("has no depth");
});
