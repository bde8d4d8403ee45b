import fc from "fast-check";
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
  bumpWidthMm,
  sunkVeinWidthMm,
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
  test("a bead's own liquid and its bump are those of a solved film, also in thin films that are laid into late", () => {
    expect(vein.areaMm2).toBe(2);
    for (const row of flow.vein) {
      expect(Math.abs(veinOwnWidthMm(vein, row.h0_mm, row.Phi) / row.w_mean_mm - 1)).toBeLessThan(0.022);
      expect(Math.abs(bumpWidthMm(vein, row.h0_mm, row.Phi) / row.fwhm_mm - 1)).toBeLessThan(0.045);
      expect(veinOwnWidthMm(vein, row.h0_mm, row.Phi)).toBeLessThan(sunkVeinWidthMm(vein, row.h0_mm));
    }
    // The simple limit w0 + Q/h0 is 84 % too wide for the thinnest and latest of these.
    const latest = flow.vein.filter(({ h0_mm }) => h0_mm === 0.25).sort((a, b) => a.Phi - b.Phi)[0]!;
    expect(sunkVeinWidthMm(vein, 0.25) / latest.w_mean_mm).toBeGreaterThan(1.8);
  });
  test("the more flow is left the wider, and never beyond the limit", () =>
    fc.assert(
      fc.property(
        fc.double({ min: 0.2, max: 3, noNaN: true }),
        fc.double({ min: 0, max: 3000, noNaN: true }),
        fc.double({ min: 1, max: 500, noNaN: true }),
        (filmMm, phi, more) => {
          const [late, early] = [phi, phi + more].map((flowLeft) => veinOwnWidthMm(vein, filmMm, flowLeft));
          expect(early!).toBeGreaterThanOrEqual(late! - 1e-9);
          expect(early!).toBeLessThanOrEqual(sunkVeinWidthMm(vein, filmMm) + 1e-9);
        },
      ),
    ));
  test("laid fresh about three times its width, laid at 90 minutes hardly more than its own (common practice, no source)", () => {
    const phi = (minute: "0" | "90") => flow.Phi_a_22C[minute];
    const fresh = veinWidthMm(vein, 1, phi("0"));
    const late = veinWidthMm(vein, 1, phi("90"));
    expect(fresh / vein.widthMm).toBeGreaterThan(2.7);
    expect(fresh / vein.widthMm).toBeLessThan(3.3);
    expect(late / sunkVeinWidthMm(vein, 1)).toBeLessThan(1.3);
  });
  test("the flow for a wished width gives that width; narrower than its own liquid is not to be had", () => {
    const phi = flowForVeinWidth(vein, 1, 7)!;
    expect(veinWidthMm(vein, 1, phi)).toBeCloseTo(7, 9);
    expect(flowForVeinWidth(vein, 1, 3)).toBeNull();
  });
});
