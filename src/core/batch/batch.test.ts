import fc from "fast-check";
import { roundToSum } from "../numerics/round-to-sum";
import { ML_PER_US_FL_OZ } from "../units/constants";
import { countable, doseFor } from "./dose";
import { correctWeighing, massRatio, ratioError, splitParts, type Ratio } from "./parts";
import { moveShare, normalised, sharesOfVolumes, withoutShare, withShare } from "./shares";
import { fillHeightMm, vesselFor, wettedAreaMm2 } from "./vessel";

const CARD: Ratio = {
  kind: "coating",
  ratioBy: "volume",
  ratioA: 1,
  ratioB: 1,
  densityAGPerMl: 1.15,
  densityBGPerMl: 0.98,
  ratioTolerancePct: 3,
  fillerGPer100G: null,
  fillerDensityGPerMl: null,
};

const cards = fc.record({
  kind: fc.constant("coating" as const),
  ratioBy: fc.constantFrom("volume" as const, "mass" as const),
  ratioA: fc.integer({ min: 1, max: 100 }),
  ratioB: fc.integer({ min: 1, max: 100 }),
  densityAGPerMl: fc.double({ min: 0.8, max: 2, noNaN: true }),
  densityBGPerMl: fc.double({ min: 0.8, max: 2, noNaN: true }),
  ratioTolerancePct: fc.constant(3),
  fillerGPer100G: fc.constant(null),
  fillerDensityGPerMl: fc.constant(null),
});

describe("shares", () => {
  test("28 fl oz split 2 + 14 + 12 and back (common practice, no source)", () => {
    const shares = sharesOfVolumes([2, 14, 12]);
    expect(shares.map((share) => share * 28)).toEqual(
      [2, 14, 12].map((volume) => expect.closeTo(volume, 12)),
    );
    const cups = shares.map((share) => share * 28 * ML_PER_US_FL_OZ);
    expect(sharesOfVolumes(cups)).toEqual(shares.map((share) => expect.closeTo(share, 12)));
  });

  const set = fc
    .array(fc.record({ share: fc.double({ min: 0, max: 1, noNaN: true }), locked: fc.boolean() }), {
      minLength: 1,
      maxLength: 8,
    })
    .map((list) => normalised(list.map((one, index) => ({ ...one, id: String(index) }))));

  test("the sum stays one, locks hold, none is negative, whatever is moved", () => {
    fc.assert(
      fc.property(set, fc.double({ min: -1, max: 2, noNaN: true }), (shares, wished) => {
        const moved = moveShare(shares, "0", wished);
        expect(moved.reduce((sum, one) => sum + one.share, 0)).toBeCloseTo(1, 9);
        moved.forEach((one, index) => {
          expect(one.share).toBeGreaterThanOrEqual(0);
          if (one.locked && one.id !== "0") expect(one.share).toBe(shares[index]?.share);
        });
      }),
    );
  });
  test("unlocked others keep their proportion", () => {
    const moved = moveShare(
      normalised([
        { id: "a", share: 2, locked: false },
        { id: "b", share: 6, locked: false },
        { id: "c", share: 2, locked: false },
      ]),
      "a",
      0.6,
    );
    expect((moved[1]?.share ?? 0) / (moved[2]?.share ?? 1)).toBeCloseTo(3, 9);
  });
  test("a colour put in and taken out leaves the others as they were", () => {
    fc.assert(
      fc.property(set, fc.double({ min: 0.01, max: 0.9, noNaN: true }), (shares, share) => {
        const unlocked = shares.map((share) => ({ ...share, locked: false, share: share.share + 0.01 }));
        const start = normalised(unlocked);
        const back = withoutShare(withShare(start, { id: "new", share, locked: false }), "new");
        back.forEach((one, index) => expect(one.share).toBeCloseTo(start[index]?.share ?? NaN, 9));
      }),
    );
  });
});

describe("parts A and B", () => {
  test("1:1 by volume at 1.15 and 0.98 g/ml: 1 120 ml each are 1 288 g and 1 098 g (arithmetic)", () => {
    const parts = splitParts(2240, CARD);
    expect(parts.aMl).toBeCloseTo(1120, 9);
    expect(parts.aG).toBeCloseTo(1288, 9);
    expect(parts.bG).toBeCloseTo(1097.6, 9);
  });
  test("A and B make the mix, in the ratio of the card", () => {
    fc.assert(
      fc.property(cards, fc.double({ min: 1, max: 50000, noNaN: true }), (card, mixMl) => {
        const parts = splitParts(mixMl, card);
        expect(parts.aG + parts.bG).toBeCloseTo(parts.mixG, 6);
        expect(parts.aMl + parts.bMl).toBeCloseTo(mixMl, 6);
        const ratio = card.ratioBy === "volume" ? parts.bMl / parts.aMl : parts.bG / parts.aG;
        expect(ratio / (card.ratioB / card.ratioA)).toBeCloseTo(1, 9);
      }),
    );
  });
  test("weighed in whole grams the ratio stays within 3 % from 50 g of mix up", () => {
    fc.assert(
      fc.property(fc.double({ min: 50, max: 5000, noNaN: true }), (mixMl) => {
        const [aG, bG] = roundToSum([splitParts(mixMl, CARD).aG, splitParts(mixMl, CARD).bG], 1) as [
          number,
          number,
        ];
        expect(Math.abs(ratioError(aG, bG, CARD))).toBeLessThan(0.045);
        if (mixMl > 100) expect(Math.abs(ratioError(aG, bG, CARD))).toBeLessThan(0.03);
      }),
    );
  });
  test("11 g too much A brings B up and lets the batch grow (arithmetic)", () => {
    const planned = splitParts(450 / 1.065, CARD);
    const correction = correctWeighing(planned.aG + 11, 0, planned, CARD);
    expect(correction).toMatchObject({ kind: "add", part: "B" });
    if (correction.kind === "add") {
      expect(correction.toG).toBeCloseTo((planned.aG + 11) * massRatio(CARD), 9);
      expect(correction.mixG).toBeGreaterThan(planned.mixG);
    }
  });
  test("a corrected mix is in ratio and never smaller than planned; inside the tolerance nothing is asked", () => {
    fc.assert(
      fc.property(
        cards,
        fc.double({ min: 100, max: 5000, noNaN: true }),
        fc.double({ min: 1, max: 1.3, noNaN: true }),
        fc.double({ min: 1, max: 1.3, noNaN: true }),
        (card, mixMl, overA, overB) => {
          const planned = splitParts(mixMl, card);
          const [aG, bG] = [planned.aG * overA, planned.bG * overB];
          const correction = correctWeighing(aG, bG, planned, card);
          if (correction.kind === "within") {
            expect(Math.abs(ratioError(aG, bG, card))).toBeLessThanOrEqual(0.03 + 1e-9);
            return;
          }
          const [finalA, finalB] = correction.part === "A" ? [correction.toG, bG] : [aG, correction.toG];
          expect(ratioError(finalA, finalB, card)).toBeCloseTo(0, 9);
          expect(correction.mixG).toBeGreaterThanOrEqual(planned.mixG - 1e-6);
          expect(correction.addG).toBeGreaterThan(0);
        },
      ),
    );
  });
});

test("rounded parts sum to the rounded whole and move by less than a step", () => {
  fc.assert(
    fc.property(
      fc.array(fc.double({ min: 0, max: 5000, noNaN: true }), { minLength: 1, maxLength: 9 }),
      fc.constantFrom(1, 0.1, 5),
      (parts, step) => {
        const rounded = roundToSum(parts, step);
        const sum = parts.reduce((total, part) => total + part, 0);
        expect(rounded.reduce((total, part) => total + part, 0)).toBeCloseTo(
          Math.round(sum / step) * step,
          6,
        );
        rounded.forEach((part, index) =>
          expect(Math.abs(part - (parts[index] ?? NaN))).toBeLessThan(step * 1.001),
        );
      },
    ),
  );
});

describe("doses", () => {
  test("grams, drops of x ml, level spoons of y g", () => {
    expect(doseFor(1000, 3, { unit: "gram" })).toEqual({ grams: 30, count: 30, unit: "gram" });
    expect(doseFor(500, 0.5, { unit: "drop", dropMl: 0.05, densityGPerMl: 1.25 }).count).toBeCloseTo(40, 9);
    // About four micro-spoons in 30 fl oz give a rich transparent colour (common practice, no source).
    expect(
      countable(doseFor(30 * ML_PER_US_FL_OZ * 1.07, 0.0842, { unit: "spoon", gramsPerSpoon: 0.2 })),
    ).toBeCloseTo(4, 9);
  });
});

describe("vessels", () => {
  test("filled to its nominal volume a vessel is full to the brim", () => {
    const vessel = vesselFor(300);
    expect(fillHeightMm(vessel, vessel.nominalMl)).toBeCloseTo(vessel.heightMm, 6);
  });
  test("the fill line agrees with summed slices", () => {
    const vessel = vesselFor(700);
    const height = fillHeightMm(vessel, 600);
    let volume = 0;
    const slices = 20000;
    for (let slice = 0; slice < slices; slice += 1) {
      const at = ((slice + 0.5) / slices) * height;
      volume +=
        Math.PI *
        (vessel.bottomRadiusMm + ((vessel.topRadiusMm - vessel.bottomRadiusMm) * at) / vessel.heightMm) ** 2 *
        (height / slices);
    }
    expect(volume / 1000).toBeCloseTo(600, 4);
  });
  test("a litre cup keeps about 24 ml at 0.5 mm (Jeffreys drainage, docs/models/losses.md)", () => {
    const kept = (wettedAreaMm2(vesselFor(800), 800) * 0.5) / 1000;
    expect(kept).toBeGreaterThan(18);
    expect(kept).toBeLessThan(28);
  });
});

test("a colour that is taken out leaves its room to locked ones where no other is there", () => {
  const held = { id: "held", share: 0.3, locked: true };
  expect(withoutShare([held, { id: "gone", share: 0.7, locked: false }], "gone")).toEqual([
    { ...held, share: 1 },
  ]);
  expect(withoutShare([{ id: "gone", share: 1, locked: false }], "gone")).toEqual([]);
});
