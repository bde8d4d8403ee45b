import fc from "fast-check";
import { fft, power2d, summedOver } from "./fft";

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

test("sums over a grid are those taken one by one, whatever its sides", () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 9 }),
      fc.integer({ min: 1, max: 7 }),
      fc.array(fc.double({ min: -3, max: 3, noNaN: true }), { minLength: 63, maxLength: 63 }),
      (wide, high, values) => {
        const k = (columns: number, rows: number) => Math.exp(-columns / 2 - rows) + columns;
        const weights = Float64Array.from(values.slice(0, wide * high));
        const sums = summedOver(k, wide, high)(weights);
        for (let at = 0; at < sums.length; at += 1) {
          let sum = 0;
          weights.forEach((weight, other) => {
            const columns = Math.abs((other % wide) - (at % wide));
            sum += weight * k(columns, Math.abs(Math.floor(other / wide) - Math.floor(at / wide)));
          });
          expect(sums[at]).toBeCloseTo(sum, 9);
        }
      },
    ),
    { numRuns: 40 },
  );
});
