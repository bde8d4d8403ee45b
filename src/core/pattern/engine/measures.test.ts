import fc from "fast-check";
import { balance, blended, mud, onTop, segregated, segregation, thirds } from "./measures";
import { emptyShares, type Shares } from "./sheet";

/** A picture of two colours by the share of the second at each sample. */
function picture(widthPx: number, heightPx: number, second: (x: number, y: number) => number): Shares {
  const shares = emptyShares({ widthPx, heightPx, pixelMm: 1, fromX: 0, fromY: 0, base: 0, colours: 2 });
  const samples = widthPx * heightPx;
  for (let y = 0; y < heightPx; y += 1)
    for (let x = 0; x < widthPx; x += 1) {
      const share = second(x, y);
      shares.weight[y * widthPx + x] = 1 - share;
      shares.weight[samples + y * widthPx + x] = share;
    }
  return shares;
}

test("shares on top sum to one, whatever lies there", () => {
  fc.assert(
    fc.property(
      fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 12, maxLength: 12 }),
      (values) => {
        const top = onTop(picture(4, 3, (x, y) => values[y * 4 + x]!));
        expect(top[0]! + top[1]!).toBeCloseTo(1, 6);
        expect(top[1]).toBeCloseTo(values.reduce((sum, value) => sum + value, 0) / 12, 6);
      },
    ),
  );
});

test("all on the left, all at the front: −1 and 1; a mirrored picture has the opposite sign", () => {
  const left = picture(10, 8, (x) => (x < 5 ? 1 : 0));
  expect(balance(left, 1)).toEqual({ leftRight: 1, backFront: 0 });
  expect(balance(left, 0)).toEqual({ leftRight: -1, backFront: 0 });
  const front = picture(10, 8, (_, y) => (y >= 4 ? 1 : 0));
  expect(balance(front, 1)).toEqual({ leftRight: 0, backFront: -1 });
  // Of none there is no side; the middle column of an odd width is on neither.
  expect(
    balance(
      picture(5, 5, () => 0),
      1,
    ),
  ).toEqual({ leftRight: 0, backFront: 0 });
  expect(
    balance(
      picture(5, 5, (x) => (x === 2 ? 1 : 0)),
      1,
    ).leftRight,
  ).toBe(0);
});

test("thirds: each the share of its own third, their mean the whole where the width is a multiple of three", () => {
  const parts = thirds(
    picture(9, 4, (x) => (x < 3 ? 0.9 : x < 6 ? 0.3 : 0)),
    1,
  );
  [0.9, 0.3, 0].forEach((share, n) => expect(parts[n]).toBeCloseTo(share, 6));
});

test("mud of two colours that have melted half into half is half of what lies between them", () => {
  // 2 · ½ · ½ · ΔE.
  expect(
    mud(
      picture(6, 6, () => 0.5),
      () => 40,
    ),
  ).toBeCloseTo(20, 5);
  expect(
    mud(
      picture(6, 6, (x) => x % 2),
      () => 40,
    ),
  ).toBe(0);
  fc.assert(
    fc.property(fc.double({ min: 0, max: 1, noNaN: true }), (share) => {
      expect(
        mud(
          picture(3, 3, () => share),
          () => 30,
        ),
      ).toBeCloseTo(2 * share * (1 - share) * 30, 4);
    }),
  );
});

test("blended is where no colour has most of it", () => {
  const half = picture(10, 4, (x) => (x < 5 ? 0.5 : 0.05));
  expect(blended(half)).toBe(0.5);
  expect(blended(picture(4, 4, () => 0.8))).toBe(0);
});

test("of stripes as wide as they are looked at from afar little is left apart; from near all of it", () => {
  const stripes = picture(120, 30, (x) => Math.floor(x / 3) % 2);
  expect(segregation(stripes, 1)).toBeCloseTo(1, 6);
  // A box over one whole period of 6 mm sees half of each everywhere but at the ends.
  expect(segregation(stripes, 7)).toBeLessThan(0.1);
  const most = segregated(stripes, 1);
  expect([...most].every((share) => share === 1)).toBe(true);
});

test("the larger the boxes, the less is apart: averaging never parts what is together", () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 500 }), (seed) => {
      const field = picture(40, 40, (x, y) =>
        Math.sin(seed + 0.4 * x) * Math.cos(0.3 * y + seed) > 0 ? 1 : 0,
      );
      const [near, far] = [segregation(field, 3), segregation(field, 15)];
      expect(far).toBeLessThanOrEqual(near + 1e-9);
    }),
    { numRuns: 40 },
  );
});
