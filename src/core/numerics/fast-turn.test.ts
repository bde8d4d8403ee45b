import { seeded } from "./random";
import { angleOf, turnBy, turned, WAVE, WAVE_STEPS } from "./fast-turn";

const random = seeded(11);

test("sine and cosine are those of Math within 10⁻¹⁰, far around and to both sides", () => {
  for (let n = 0; n < 5000; n += 1) {
    const angle = (random() - 0.5) * 400;
    turnBy(angle);
    expect(Math.abs(turned.sine - Math.sin(angle))).toBeLessThan(1e-10);
    expect(Math.abs(turned.cosine - Math.cos(angle))).toBeLessThan(1e-10);
  }
});

test("the angle of a place is that of Math.atan2 within 10⁻¹⁰, in all quarters and on the axes", () => {
  for (let n = 0; n < 5000; n += 1) {
    const [x, y] = [(random() - 0.5) * 20, (random() - 0.5) * 20];
    expect(Math.abs(angleOf(y, x) - Math.atan2(y, x))).toBeLessThan(1e-10);
  }
  for (const [x, y] of [
    [1, 0],
    [0, 2],
    [-3, 0],
    [0, -4],
    [5, 5],
    [0, 0],
  ] as const)
    expect(angleOf(y, x)).toBeCloseTo(Math.atan2(y, x), 10);
});

test("a wave by its steps is a sine within 5·10⁻⁶, between the steps too", () => {
  for (let n = 0; n < 3000; n += 1) {
    const at = random() * WAVE_STEPS;
    const k = Math.floor(at);
    const height = WAVE[k]! + (WAVE[k + 1]! - WAVE[k]!) * (at - k);
    expect(Math.abs(height - Math.sin((2 * Math.PI * at) / WAVE_STEPS))).toBeLessThan(5e-6);
  }
});
