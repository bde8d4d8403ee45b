import reference from "../reference/resin.json";
import {
  drainedFilmMm,
  flowForFaceFilm,
  flowForVeinWidth,
  HUPPERT,
  levellingExponent,
  lineOnDryMm,
  longestLevelledMm,
  puddleRadiusMm,
  veinOwnWidthMm,
  veinWidthMm,
  beadAreaMm2,
} from "./flow";

/** Reference values: src/core/reference/resin.json, from independent implementations (PDE, quadrature). */
const { flow, huppert } = reference;

describe("levelling (Orchard 1962)", () => {
  test.each(
    flow.decay_rows.map((row) => [row.lam * 1000, row.h * 1000, row.Phi, row.exponent_exact] as const),
  )("a ridge of %d mm on %d mm with flow %d", (wavelengthMm, filmMm, phi, exponent) => {
    expect(levellingExponent(wavelengthMm, filmMm, phi) / exponent).toBeCloseTo(1, 3);
  });
  test("the longest ridge that is gone by gel, as solved without the thin-film approximation", () => {
    for (const row of flow.levelling)
      expect(longestLevelledMm(row.h_mm, row.Phi) / row.lambda_full_mm).toBeCloseTo(1, 4);
    expect(flow.levelling.length).toBeGreaterThan(30);
  });
  test("with no flow left nothing levels; with more flow and more film, more does", () => {
    expect(longestLevelledMm(1, 0)).toBe(0);
    expect(longestLevelledMm(1, 2000)).toBeGreaterThan(longestLevelledMm(1, 500));
    expect(longestLevelledMm(2, 500)).toBeGreaterThan(longestLevelledMm(1, 500));
    // Thick films of short waves: hyperbolic functions do not overflow.
    expect(Number.isFinite(levellingExponent(0.01, 50, 1))).toBe(true);
  });
});

test("an upright face drains to what Jeffreys (1930) found; a brushed coat stays from a flow on", () => {
  for (const row of flow.drain)
    for (const [z, micron] of [
      [10, row.h_z10_um],
      [20, row.h_z20_um],
      [38, row.h_z38_um],
    ] as const)
      expect((1000 * drainedFilmMm(z, row.Phi)) / micron).toBeCloseTo(1, 3);
  const phi = flowForFaceFilm(0.1, 38);
  expect(drainedFilmMm(38, phi)).toBeCloseTo(0.1, 12);
  expect(drainedFilmMm(38, 0)).toBe(Infinity);
});

test("spreading constants are Huppert's (1982), against quadrature and a similarity solution", () => {
  expect(HUPPERT.plane).toBeCloseTo(huppert.c2D_quadrature, 5);
  expect(HUPPERT.plane).toBeCloseTo(huppert.c2D_similarityODE, 5);
  expect(HUPPERT.round).toBeCloseTo(huppert.cAx_quadrature, 5);
  for (const row of flow.vein_dry) expect(lineOnDryMm(0, 2, row.Phi) / row.w_huppert_mm).toBeCloseTo(1, 3);
  // R goes with V^(3/8) and Φ^(1/8).
  expect(puddleRadiusMm(200, 1000) / puddleRadiusMm(100, 1000)).toBeCloseTo(2 ** (3 / 8), 12);
  expect(puddleRadiusMm(100, 2000) / puddleRadiusMm(100, 1000)).toBeCloseTo(2 ** (1 / 8), 12);
});

describe("veins", () => {
  const vein = { widthMm: 3, areaMm2: beadAreaMm2(3, 1) };
  test("a bead's own liquid comes to w0 + Q/h0 within what a solved film says (at most 10 % above)", () => {
    expect(vein.areaMm2).toBe(2);
    for (const row of flow.vein.filter(({ Phi, h0_mm }) => Phi > 100 && h0_mm >= 0.5))
      expect(veinOwnWidthMm(vein, row.h0_mm) / row.w_mean_mm).toBeLessThan(1.1);
    for (const row of flow.vein)
      expect(veinOwnWidthMm(vein, row.h0_mm)).toBeGreaterThanOrEqual(0.99 * row.w_mean_mm);
  });
  test("laid fresh about three times its width, laid at 90 minutes hardly more than its own (common practice, no source)", () => {
    const phi = (minute: "0" | "90") => flow.Phi_a_22C[minute];
    const fresh = veinWidthMm(vein, 1, phi("0"));
    const late = veinWidthMm(vein, 1, phi("90"));
    expect(fresh / vein.widthMm).toBeGreaterThan(2.7);
    expect(fresh / vein.widthMm).toBeLessThan(3.3);
    expect(late / veinOwnWidthMm(vein, 1)).toBeLessThan(1.3);
  });
  test("the flow for a wished width gives that width; narrower than its own liquid is not to be had", () => {
    const phi = flowForVeinWidth(vein, 1, 7)!;
    expect(veinWidthMm(vein, 1, phi)).toBeCloseTo(7, 12);
    expect(flowForVeinWidth(vein, 1, 4)).toBeNull();
  });
});
