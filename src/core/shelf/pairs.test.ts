import fc from "fast-check";
import { massRatio, splitParts } from "../batch/parts";
import { starterCards } from "../cure/starter-cards";
import { pairsLeft } from "./pairs";
import { lotOf } from "./testing/lots";

let made = 0;
const cards = starterCards(() => `id-${(made += 1)}`);
const coating = cards.find(({ kind }) => kind === "coating")!;
const paint = cards.find(({ kind }) => kind === "paint")!;
const gallon = splitParts(3785, coating);

test("by hand: a kit of 3785 ml 1:1 by volume is 2176 g of A at 1.15 and 1855 g of B at 0.98", () => {
  const lot = lotOf(1, "i", { A: 1892.5 * 1.15, B: 1892.5 * 0.98 });
  expect(pairsLeft(coating, [lot])).toMatchObject({
    full: 1,
    aG: expect.closeTo(2176.375, 2),
    bG: expect.closeTo(1854.65, 2),
    mixMl: expect.closeTo(3785, 6),
    over: null,
  });
});
test("a begun pair is none; the half that is over is told with how much the other cannot take", () => {
  const full = { A: gallon.aG, B: gallon.bG };
  const lot = lotOf(1, "i", { A: 3 * gallon.aG, B: 2.5 * gallon.bG }, { facts: { full } });
  const left = pairsLeft(coating, [lot]);
  expect(left.full).toBe(2);
  expect(left.mixMl).toBeCloseTo(2.5 * 3785, 6);
  expect(left.over).toMatchObject({ part: "A", grams: expect.closeTo(0.5 * gallon.aG, 6) });
});
test("a bottle that lacks what clings to its lid is full; one that lacks a cup is not", () => {
  const lack = (share: number) =>
    pairsLeft(coating, [
      lotOf(
        1,
        "i",
        { A: gallon.aG * (1 - share), B: gallon.bG },
        { facts: { full: { A: gallon.aG, B: gallon.bG } } },
      ),
    ]).full;
  expect([lack(0.01), lack(0.03)]).toEqual([1, 0]);
});
test("a one-part paint has bottles and no half that could be over", () => {
  const left = pairsLeft(paint, [lotOf(1, "i", { A: 3000 }, { facts: { full: { A: 1000 } } })]);
  expect(left).toMatchObject({
    full: 3,
    over: null,
    mixMl: expect.closeTo(3000 / splitParts(1, paint).aG, 6),
  });
});
test("what can be mixed takes no more than is there of either, and all of one", () =>
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 9000 }), fc.integer({ min: 0, max: 9000 }), (aG, bG) => {
      const { mixMl } = pairsLeft(coating, [lotOf(1, "i", { A: aG, B: bG })]);
      const parts = splitParts(mixMl, coating);
      expect(parts.aG).toBeLessThanOrEqual(aG + 1e-6);
      expect(parts.bG).toBeLessThanOrEqual(bG + 1e-6);
      expect(Math.min(aG - parts.aG, bG - parts.bG)).toBeCloseTo(0, 6);
      expect(parts.bG).toBeCloseTo(parts.aG * massRatio(coating), 6);
    }),
  ));
