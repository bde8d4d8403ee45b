import fc from "fast-check";
import { FULLEST, USUAL_VESSELS_ML, vesselFor } from "@/core/batch/vessel";
import { scaleToHeight, vesselLines } from "./vessel-outline";

const numbers = (path: string) => (path.match(/-?\d+(?:\.\d+)?/g) ?? []).map(Number);

test("the drawn fill turned about its axis holds what it says: the frustum's volume, π·h/3·(R² + R·r + r²)", () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...USUAL_VESSELS_ML),
      fc.double({ min: 0.02, max: FULLEST, noNaN: true }),
      (sizeMl, share) => {
        const vessel = vesselFor(sizeMl * FULLEST);
        const ml = vessel.nominalMl * share;
        const { fill, width, height, fillY } = vesselLines(vessel, ml, 1);
        const [left = 0, top = 0, inset = 0] = numbers(fill);
        expect(top).toBeCloseTo(fillY, 1);
        const [upper, lower] = [width / 2 - left, width / 2 - inset];
        const volume = ((Math.PI * (height - top)) / 3) * (upper ** 2 + upper * lower + lower ** 2);
        expect(Math.abs(volume / 1000 / ml - 1)).toBeLessThan(0.02);
      },
    ),
  );
});

test("vessels side by side are drawn at one scale, the tallest as high as is asked", () => {
  const vessels = [30, 500, 3800].map((ml) => vesselFor(ml));
  const scale = scaleToHeight(vessels, 120);
  const heights = vessels.map((vessel) => vesselLines(vessel, 1, scale).height);
  expect(Math.max(...heights)).toBeCloseTo(120, 6);
  vessels.forEach(({ heightMm }, n) =>
    expect(heights[n]! / heights[0]!).toBeCloseTo(heightMm / vessels[0]!.heightMm, 6),
  );
  expect(scaleToHeight([], 120)).toBe(120);
});

test("the fill line stands where the fill ends at the wall", () => {
  const vessel = vesselFor(250);
  const { fillFrom, fillY, fill, width } = vesselLines(vessel, 100, 0.8);
  const [left = 0] = numbers(fill);
  expect(fillFrom).toBeCloseTo(width - left, 1);
  expect(fillY).toBeGreaterThan(0);
});
