import fc from "fast-check";
import { fft, power2d } from "./fft";

test("is the sum it says it is (definition), and keeps the power (Parseval)", () => {
  fc.assert(
    fc.property(
      fc.array(fc.double({ min: -9, max: 9, noNaN: true }), { minLength: 16, maxLength: 16 }),
      (values) => {
        const [re, im] = [Float64Array.from(values), new Float64Array(16)];
        fft(re, im);
        for (let k = 0; k < 16; k += 1) {
          const sum = [0, 0] as [number, number];
          values.forEach((value, n) => {
            sum[0] += value * Math.cos((2 * Math.PI * k * n) / 16);
            sum[1] -= value * Math.sin((2 * Math.PI * k * n) / 16);
          });
          expect(re[k]).toBeCloseTo(sum[0], 9);
          expect(im[k]).toBeCloseTo(sum[1], 9);
        }
      },
    ),
    { numRuns: 20 },
  );
  const field = Float64Array.from({ length: 64 }, (_, i) => Math.sin(i * i));
  const whole = power2d(field, 8).reduce((sum, one) => sum + one, 0);
  expect(whole / 64).toBeCloseTo(
    field.reduce((sum, one) => sum + one * one, 0),
    9,
  );
});

test("a length that is no power of two is refused", () => {
  expect(() => fft(new Float64Array(12), new Float64Array(12))).toThrow(/12/);
});
