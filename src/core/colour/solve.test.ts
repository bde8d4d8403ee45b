import { readFileSync } from "node:fs";
import fc from "fast-check";
import { ciede2000 } from "./ciede2000";
import { together } from "./film-optics";
import { fitPigment } from "./fit-pigment";
import { blackForGrey, greyLightness, ladderAround } from "./grey-ladder";
import { labEndless } from "./hiding";
import { PIGMENTS, type PigmentKey } from "./pigments";
import { solveColour, type ShelfColour } from "./solve";
import type { Lab } from "./spaces";
import type { Band } from "./spectrum";

const reference = JSON.parse(readFileSync("src/core/colour/reference/colour.json", "utf8")) as {
  solver: {
    results: Record<string, { targetLab: Lab; best: { dE00: number; recipe: Record<string, number> }[] }>;
  };
  doseResolution: {
    black: {
      batch: number;
      whitePaste: number;
      L0: number;
      L_1drop: number;
      L_2drops: number;
      L_0p1g: number;
      L_1dropOf1to10: number;
    }[];
  };
};
const DRY: Partial<Record<PigmentKey, number>> = {
  white: 0.6,
  black: 0.2,
  oxred: 0.5,
  oxyel: 0.5,
  oxbrn: 0.5,
  umber: 0.5,
  sienna: 0.5,
  bivan: 0.5,
};
const paste = (key: PigmentKey): { K: Band; S: Band } =>
  together([{ ...PIGMENTS[key], load: DRY[key] ?? 0.25 }]);
const shelf: ShelfColour[] = (Object.keys(PIGMENTS) as PigmentKey[]).map((key) => ({
  id: key,
  ...paste(key),
  mostPer100G: null,
}));
const solve = (target: Lab, changes: Partial<Parameters<typeof solveColour>[0]> = {}) =>
  solveColour({ target, shelf, batchG: 1000, stepG: 0.1, load: { least: 2, most: 6 }, most: 4, ...changes });

describe("recipes for a colour", () => {
  test.each(Object.entries(reference.solver.results))(
    "%s is met about as well as by an independent search",
    (_, { targetLab, best }) => {
      const found = solve(targetLab);
      const wanted = Math.min(...best.map((one) => one.dE00));
      // That search had eight more pigments on its shelf.
      expect(found[0]!.difference).toBeLessThan(wanted + 0.6);
      expect(found[0]!.parts.length).toBeLessThanOrEqual(4);
    },
  );
  test("what is proposed is what comes out, in whole steps, within its load, sorted by size", () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 25, max: 92 }),
        fc.integer({ min: -25, max: 25 }),
        fc.integer({ min: -30, max: 40 }),
        fc.constantFrom(50, 200, 1000),
        (L, a, b, batchG) => {
          for (const { parts, difference, lab } of solve([L, a, b], { batchG })) {
            const mix = together(parts.map(({ id, grams }) => ({ ...paste(id as PigmentKey), load: grams })));
            expect(ciede2000(labEndless(mix), lab)).toBeLessThan(1e-6);
            expect(ciede2000(lab, [L, a, b])).toBeCloseTo(difference, 6);
            const all = parts.reduce((sum, part) => sum + part.grams, 0);
            expect(all).toBeLessThanOrEqual((6 * batchG) / 100 + 0.06);
            for (const { grams } of parts)
              expect(Math.abs(grams * 10 - Math.round(grams * 10))).toBeLessThan(1e-6);
          }
        },
      ),
      { numRuns: 12 },
    ));
  test("a coarser scale and a smaller batch only make it worse; the shift per half step says by how much", () => {
    const sage: Lab = [62, -11, 12];
    const [fine] = solve(sage);
    const [coarse] = solve(sage, { batchG: 50, stepG: 1 });
    expect(fine!.difference).toBeLessThan(0.5);
    expect(coarse!.shiftPerHalfStep).toBeGreaterThan(fine!.shiftPerHalfStep);
  });
  test("a colourant's own limit is kept", () => {
    const limited = shelf.map((shelfColour) =>
      shelfColour.id === "white" ? { ...shelfColour, mostPer100G: 1 } : shelfColour,
    );
    for (const { parts } of solve([80, 0, 5], { shelf: limited }))
      expect(parts.find((part) => part.id === "white")?.grams ?? 0).toBeLessThanOrEqual(10);
  });
  test("an empty shelf proposes nothing; progress is told and ends at one", () => {
    expect(solve([50, 0, 0], { shelf: [] })).toEqual([]);
    const told: number[] = [];
    solveColour(
      { target: [50, 0, 0], shelf, batchG: 500, stepG: 0.1, load: { least: 2, most: 6 }, most: 4 },
      3,
      (share) => told.push(share),
    );
    expect(told.length).toBeGreaterThan(3);
    expect(told[told.length - 1]).toBe(1);
    expect([...told].sort((a, b) => a - b)).toEqual(told);
  });
  test("a fitted colourant is a shelf colour like any other", () => {
    const { white, black } = PIGMENTS;
    const fitted = fitPigment(
      { masstone: { hex: "#1F3A66" }, tint: { swatch: { hex: "#8FA3C4" }, share: 0.1 }, shade: null },
      "semi",
      white,
      black,
    )!;
    const [best] = solve([70, -2, -14], {
      shelf: [shelf[0]!, { id: "own", K: fitted.K, S: fitted.S, mostPer100G: null }],
    });
    expect(best!.parts.map((part) => part.id)).toContain("own");
  });
});

describe("grey from white and black", () => {
  const [white, black] = [paste("white"), paste("black")];
  test.each(reference.doseResolution.black)("one drop in $batch g", (row) => {
    const at = (grams: number) => greyLightness(white, row.whitePaste, black, grams);
    expect(at(0)).toBeCloseTo(row.L0, 0);
    for (const [grams, L] of [
      [0.055, row.L_1drop],
      [0.11, row.L_2drops],
      [0.1, row.L_0p1g],
      [0.0055, row.L_1dropOf1to10],
    ] as const)
      expect(Math.abs(at(grams) - L)).toBeLessThan(0.15);
  });
  test("black for a wished grey, and back", () =>
    fc.assert(
      fc.property(fc.double({ min: 20, max: 94, noNaN: true }), (lightness) => {
        const grams = blackForGrey(white, 10, black, lightness)!;
        expect(greyLightness(white, 10, black, grams)).toBeCloseTo(lightness, 4);
      }),
    ));
  test("brighter than the white, or darker than any black, is not to be had", () => {
    expect(blackForGrey(white, 10, black, 99)).toBeNull();
    expect(blackForGrey(white, 10, black, 0.5)).toBeNull();
  });
  test("the ladder around a number of drops only goes down", () => {
    const rungs = ladderAround(white, 10, black, 0.055, 1, 2);
    expect(rungs.map((rung) => rung.drops)).toEqual([0, 1, 2, 3]);
    rungs.slice(1).forEach((rung, index) => {
      expect(rung.lightness.likely).toBeLessThan(rungs[index]!.lightness.likely);
      // Twice as strong a black is what twice the drops are.
      expect(rung.lightness.low).toBeCloseTo(greyLightness(white, 10, black, 2 * rung.grams), 9);
      expect(rung.lightness.high).toBeCloseTo(greyLightness(white, 10, black, rung.grams / 2), 9);
    });
  });
});
