import fc from "fast-check";
import { sourceOf, spread } from "./random";
import type { SoftPlace } from "../../geometry/weights";
import { beside, dealtBy, EVENLY, weightOf } from "./weights";

const BOX = { minX: 0, minY: 0, maxX: 2000, maxY: 700 };
const place = (kind: SoftPlace["kind"], more: Partial<SoftPlace> = {}): SoftPlace => ({
  kind,
  xMm: 500,
  yMm: 300,
  reachMm: 300,
  ...more,
});

describe("how much of a colour there shall be", () => {
  test("where nothing is said, as much as there would be", () => {
    expect(weightOf([], null)).toBe(EVENLY);
    expect(weightOf([place("more")], null)(1900, 600)).toBeCloseTo(1, 6);
  });
  test("more in the middle of more, next to nothing in none, less and less along a fade", () => {
    expect(weightOf([place("more")], null)(500, 300)).toBeGreaterThan(4);
    expect(weightOf([place("none")], null)(540, 300)).toBeLessThan(0.01);
    const fade = weightOf([place("fade", { xMm: 400, reachMm: 1000, angleDeg: 0 })], null);
    const along = [0, 400, 700, 900, 1100, 1400].map((x) => fade(x, 350));
    expect(along[0]).toBe(1);
    for (let n = 1; n < along.length; n += 1) expect(along[n]!).toBeLessThanOrEqual(along[n - 1]!);
    expect(along.at(-1)).toBeLessThan(0.01);
  });
  test("around a tumbler a place reaches over the seam", () => {
    const weight = weightOf([place("more", { xMm: 10, reachMm: 60 })], 280);
    expect(weight(275, 300)).toBeCloseTo(weight(25, 300), 6);
  });
  test("where another colour shall be, there is less of the others", () => {
    const other = weightOf([place("more")], null);
    expect(beside(EVENLY, other)(500, 300)).toBeLessThan(0.3);
    expect(beside(EVENLY, other)(1900, 600)).toBeCloseTo(1, 6);
  });
});

describe("an even spread dealt by a weight", () => {
  const weights = [place("more"), place("none"), place("fade", { angleDeg: 30 })];
  test.each(weights)("lies as dense as it says: $kind", (soft) => {
    const weight = weightOf([soft], null);
    const dealt = dealtBy(weight, BOX);
    const many = 40_000;
    const places = spread(BOX, many, sourceOf(3, 1)).map(dealt.at);
    // Read in squares of a tenth of the box, against the weight's own integral over them (midpoint rule).
    const boxes = 10;
    const wanted: number[] = [];
    const found: number[] = new Array<number>(boxes * boxes).fill(0);
    let total = 0;
    for (let row = 0; row < boxes; row += 1)
      for (let column = 0; column < boxes; column += 1) {
        let sum = 0;
        for (let n = 0; n < 400; n += 1)
          sum += weight(200 * (column + ((n % 20) + 0.5) / 20), 70 * (row + (Math.floor(n / 20) + 0.5) / 20));
        wanted.push(sum);
        total += sum;
      }
    for (const { x, y } of places) {
      const at = Math.min(9, Math.floor(y / 70)) * boxes + Math.min(9, Math.floor(x / 200));
      found[at] = (found[at] ?? 0) + 1;
    }
    wanted.forEach((sum, at) => {
      expect(Math.abs((found[at] ?? 0) / many - sum / total)).toBeLessThan(0.003);
    });
  });
  test("property: stays in its box, keeps the order across, and pours no less", () => {
    const soft = fc.record({
      kind: fc.constantFrom("more" as const, "none" as const, "fade" as const),
      xMm: fc.double({ min: -200, max: 2200, noNaN: true }),
      yMm: fc.double({ min: -200, max: 900, noNaN: true }),
      reachMm: fc.double({ min: 20, max: 3000, noNaN: true }),
      angleDeg: fc.integer({ min: -180, max: 180 }),
    });
    fc.assert(
      fc.property(fc.array(soft, { minLength: 1, maxLength: 4 }), (places) => {
        const dealt = dealtBy(weightOf(places, null), BOX);
        const row = Array.from({ length: 30 }, (_, n) => dealt.at({ x: 20 + 65 * n, y: 350 }));
        row.forEach(({ x, y }, n) => {
          expect(x).toBeGreaterThanOrEqual(0);
          expect(x).toBeLessThanOrEqual(2000);
          expect(y).toBeGreaterThanOrEqual(0);
          expect(y).toBeLessThanOrEqual(700);
          if (n > 0) expect(x).toBeGreaterThanOrEqual(row[n - 1]!.x);
        });
        for (const cover of [0.05, 0.3, 0.9]) expect(dealt.cover(cover)).toBeGreaterThanOrEqual(cover - 1e-9);
      }),
      { numRuns: 60 },
    );
  });
});
