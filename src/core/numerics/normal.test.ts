import fc from "fast-check";
import { normalBelow, normalDensity } from "./normal";

test.each([
  // Abramowitz and Stegun 1964, table 26.1, from memory to ten digits.
  [0, 0.5],
  [1, 0.8413447461],
  [1.281551565545, 0.9],
  [1.644853626951, 0.95],
  [2, 0.9772498681],
  [3, 0.998650102],
  [-4, 3.167124183e-5],
  [-6, 9.86587645e-10],
])("below %d standard deviations lies %d", (z, share) => {
  expect(normalBelow(z) / share).toBeCloseTo(1, 8);
});

test("both sides are one, and the density is its slope", () => {
  fc.assert(
    fc.property(fc.double({ min: -7, max: 7, noNaN: true }), (z) => {
      expect(normalBelow(z) + normalBelow(-z)).toBeCloseTo(1, 13);
      const step = 1e-4;
      expect((normalBelow(z + step) - normalBelow(z - step)) / (2 * step)).toBeCloseTo(normalDensity(z), 7);
    }),
  );
});
