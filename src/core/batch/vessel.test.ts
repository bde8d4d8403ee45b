import { FULLEST, USUAL_VESSELS_ML, vesselFor } from "./vessel";

test("the usual vessels: cups of 1 to 32 fl oz, pails of half a gallon to 25 litres (common practice, no source)", () =>
  expect(USUAL_VESSELS_ML).toEqual([30, 60, 120, 250, 500, 950, 1900, 3800, 7500, 11000, 19000, 25000]));

describe("the vessel for a mix", () => {
  test("is the smallest that can be stirred when it is in", () => {
    expect(vesselFor(500 * FULLEST, []).nominalMl).toBe(500);
    expect(vesselFor(500 * FULLEST + 1, []).nominalMl).toBe(950);
    expect(vesselFor(100, [400, 200]).nominalMl).toBe(200);
  });
  test("is a cup below a litre and a half, a bucket from there on", () => {
    expect(vesselFor(900 * FULLEST, []).kind).toBe("cup");
    expect(vesselFor(1800 * FULLEST, []).kind).toBe("bucket");
  });
  test("holds what it is called, as a frustum", () => {
    const { topRadiusMm: R, bottomRadiusMm: r, heightMm, nominalMl } = vesselFor(700, []);
    expect((Math.PI * heightMm * (R * R + R * r + r * r)) / 3 / 1000).toBeCloseTo(nominalMl, 6);
    expect(r).toBeLessThan(R);
  });
});
