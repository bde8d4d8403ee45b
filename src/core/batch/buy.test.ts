import fc from "fast-check";
import { solve, type Model } from "yalps";
import { cheapestKits, leastLeftKits } from "./buy";

const price = (ml: number, cost: number) => ({ ml, price: cost });

describe("by hand", () => {
  const kits = [price(3785, 96), price(5678, 132)];
  test("9 litres: a large and a small cost less than two large or three small", () => {
    const found = cheapestKits(9000, kits);
    expect(found?.kits.map(({ kit, count }) => [kit.ml, count])).toEqual([
      [3785, 1],
      [5678, 1],
    ]);
    expect([found?.cost, found?.leftMl]).toEqual([228, 463]);
  });
  test("a large kit that is cheaper is taken though it leaves more", () => {
    const odd = [price(1000, 50), price(5000, 120)];
    expect(cheapestKits(2500, odd)?.kits).toEqual([{ kit: odd[1], count: 1 }]);
    expect(leastLeftKits(2500, odd)?.kits).toEqual([{ kit: odd[0], count: 3 }]);
  });
  test("nothing to buy, nothing to buy from", () => {
    expect(cheapestKits(0, kits)).toBeNull();
    expect(cheapestKits(500, [])).toBeNull();
  });
});

const kits = fc.array(
  fc.record({ ml: fc.integer({ min: 200, max: 6000 }), price: fc.integer({ min: 5, max: 200 }) }),
  { minLength: 1, maxLength: 4 },
);

test("as cheap as a linear programme over whole numbers finds (yalps, an independent solver)", () =>
  fc.assert(
    fc.property(fc.integer({ min: 100, max: 20_000 }), kits, (need, list) => {
      const model: Model = {
        direction: "minimize",
        objective: "cost",
        constraints: { ml: { min: need } },
        variables: Object.fromEntries(list.map(({ ml, price: cost }, index) => [`k${index}`, { ml, cost }])),
        integers: true,
      };
      expect(cheapestKits(need, list)?.cost).toBeCloseTo(
        solve(model, { tolerance: 0, maxIterations: 1e6 }).result,
        6,
      );
    }),
    { numRuns: 60 },
  ));

test("trying all counts finds nothing cheaper, and nothing that leaves less", () =>
  fc.assert(
    fc.property(fc.integer({ min: 100, max: 9000 }), kits, (need, list) => {
      let [cheapest, least] = [Infinity, Infinity];
      const walk = (index: number, ml: number, cost: number) => {
        if (ml >= need) {
          cheapest = Math.min(cheapest, cost);
          least = Math.min(least, ml - need);
          return;
        }
        for (let at = index; at < list.length; at += 1) walk(at, ml + list[at]!.ml, cost + list[at]!.price);
      };
      walk(0, 0, 0);
      expect(cheapestKits(need, list)?.cost).toBeCloseTo(cheapest, 6);
      expect(leastLeftKits(need, list)?.leftMl).toBeCloseTo(least, 6);
    }),
    { numRuns: 60 },
  ));
