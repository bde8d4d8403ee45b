import fc from "fast-check";
import { correctWeighing, massRatio, mixDensityGPerMl, smallestMixG, splitParts, type Ratio } from "./parts";

/** Two parts by volume of A to one of B, densities unlike. */
const CARD: Ratio = {
  kind: "coating",
  ratioBy: "volume",
  ratioA: 2,
  ratioB: 1,
  densityAGPerMl: 1.15,
  densityBGPerMl: 0.98,
  ratioTolerancePct: 3,
  fillerGPer100G: null,
  fillerDensityGPerMl: null,
};
const planned = splitParts(1000, CARD);

test("what the scale shows decides what is added, and by how much the batch grows (arithmetic)", () => {
  const ratio = massRatio(CARD);
  // A tenth too much of A: B follows, the mix is a tenth larger.
  expect(correctWeighing(1.1 * planned.aG, planned.bG, planned, CARD)).toEqual({
    kind: "add",
    part: "B",
    toG: expect.closeTo(1.1 * planned.bG, 9),
    addG: expect.closeTo(0.1 * planned.bG, 9),
    mixG: expect.closeTo(1.1 * (planned.aG + planned.bG), 9),
    growth: expect.closeTo(0.1, 9),
  });
  // A fifth too much of B: A follows, and it is the batch that grows by a fifth, not the part.
  expect(correctWeighing(planned.aG, 1.2 * planned.bG, planned, CARD)).toEqual({
    kind: "add",
    part: "A",
    toG: expect.closeTo((1.2 * planned.bG) / ratio, 9),
    addG: expect.closeTo(0.2 * planned.aG, 9),
    mixG: expect.closeTo(1.2 * (planned.aG + planned.bG), 9),
    growth: expect.closeTo(0.2, 9),
  });
  // Too little of A and no B yet: A is filled up to its mark and nothing grows.
  expect(correctWeighing(0.9 * planned.aG, 0, planned, CARD)).toMatchObject({
    part: "A",
    addG: expect.closeTo(0.1 * planned.aG, 9),
    growth: 0,
  });
});

test("inside the card's tolerance it stands, just beyond it does not; a one-part coating has no ratio", () => {
  for (const off of [-0.029, 0.029])
    expect(correctWeighing(planned.aG, (1 + off) * planned.bG, planned, CARD)).toEqual({ kind: "within" });
  for (const off of [-0.031, 0.031])
    expect(correctWeighing(planned.aG, (1 + off) * planned.bG, planned, CARD).kind).toBe("add");
  expect(correctWeighing(500, 0, planned, { ...CARD, kind: "paint" })).toEqual({ kind: "within" });
  expect(smallestMixG({ ...CARD, kind: "paint" }, 1)).toBe(0);
});

test("property: what is added is never taken out, brings the ratio to the card's, and the growth is that of the mix", () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0.3, max: 3, noNaN: true }),
      fc.double({ min: 0.3, max: 3, noNaN: true }),
      (a, b) => {
        const [aG, bG] = [a * planned.aG, b * planned.bG];
        const change = correctWeighing(aG, bG, planned, CARD);
        if (change.kind === "within") return;
        expect(change.addG).toBeGreaterThan(0);
        const [toA, toB] = change.part === "A" ? [change.toG, bG] : [aG, change.toG];
        expect(toB / toA).toBeCloseTo(massRatio(CARD), 9);
        expect(change.mixG).toBeCloseTo(toA + toB, 9);
        expect(change.growth).toBeCloseTo((toA + toB) / (planned.aG + planned.bG) - 1, 9);
      },
    ),
  );
});

test("the least mix of a scale: half a step off on both parts is just the tolerance", () => {
  const least = smallestMixG(CARD, 1);
  const parts = splitParts(least / mixDensityGPerMl(CARD), CARD);
  const worst = (parts.bG + 0.5) / (parts.aG - 0.5) / massRatio(CARD) - 1;
  // To the first order in the step.
  expect(worst).toBeCloseTo(0.03, 2);
  expect(smallestMixG(CARD, 2)).toBeCloseTo(2 * least, 9);
});
