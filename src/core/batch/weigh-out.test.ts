import fc from "fast-check";
import { fittedResin } from "../cure/fitted-resin";
import type { ResinCard } from "../cure/resin-card";
import { starterCards } from "../cure/starter-cards";
import { batchCoat, type Batch } from "./batch-coat";
import { mixedFrom, type CoatColour } from "./coat-colour";
import { doseFor } from "./dose";
import { ACCURATE, leastDoseG, waysToDose } from "./let-down";
import { POT } from "./mixes";
import { filledBy, leftoverMl } from "./leftovers";
import { fillerShare, massRatio, mixDensityGPerMl, ratioError, smallestMixG, splitParts } from "./parts";
import { NOTHING_WEIGHED, offRatio, resized, weighOut, type MixWeighed, type Weighed } from "./weigh-out";
import { colourOf, requestOf, topOf } from "./testing/requests";

const CARD = starterCards(() => "x")[0] as ResinCard;
const colour = (id: string, share: number) => colourOf(id, share, { reserve: 0.05 });
const colours = [colour("white", 0.7), colour("black", 0.3)];
const request = requestOf(fittedResin(CARD), {
  pieces: [topOf({ topAreaMm2: 4e5, alongMm: (share) => share * 1000 })],
  colours,
  clearReserve: 0.05,
  rateM2PerH: 10,
});
const coat = batchCoat(request);
const batch = coat.batches[0] as Batch;
const out = (weighed: Partial<Weighed>) => weighOut(batch, { ...NOTHING_WEIGHED, ...weighed }, CARD, []);
const inPot = (aG: number | null, bG: number | null = null): Partial<Weighed> => ({
  mixes: { [POT]: { aG, bG } },
});

describe("at the scale", () => {
  test("nothing weighed, nothing said", () => expect(out({})).toEqual({ verdicts: [], factor: 1 }));
  test("too much A: B is brought up, the batch grows by as much", () => {
    const { verdicts, factor } = out(inPot(batch.parts.aG + 11));
    expect(verdicts[0]).toMatchObject({
      kind: "add",
      part: "B",
      toG: expect.closeTo((batch.parts.aG + 11) * massRatio(CARD), 6),
    });
    expect(factor).toBeCloseTo((batch.parts.aG + 11) / batch.parts.aG, 6);
  });
  test("too much B: A is brought up", () =>
    expect(out(inPot(batch.parts.aG, batch.parts.bG * 1.2)).verdicts[0]).toMatchObject({
      kind: "add",
      part: "A",
    }));
  test("inside the tolerance it is in ratio", () =>
    expect(out(inPot(batch.parts.aG, batch.parts.bG * 1.01)).verdicts[0]).toMatchObject({ kind: "within" }));
  test("too much colour: its cup, and with it the batch, grows to match, or it is stronger", () => {
    const cup = batch.cups[1]!;
    const { verdicts, factor } = out({ dosesG: { black: cup.doses[0]!.grams * 1.4 } });
    expect(verdicts[0]).toMatchObject({
      kind: "dose",
      doseId: "black",
      overShare: expect.closeTo(0.4, 9),
      cupG: expect.closeTo(cup.g * 1.4, 6),
    });
    expect(factor).toBeCloseTo(1.4, 9);
    expect(out({ dosesG: { black: cup.doses[0]!.grams * 1.05 } }).verdicts).toEqual([]);
  });
  test("of several colourants in a cup, the one that is over is named, not their sum", () => {
    const gram = { unit: "gram" as const };
    const mixed = colours.map((colour) =>
      colour.id === "black"
        ? mixedFrom(colour, [
            { cardId: "k", name: "Black paste", gPer100G: 0.1, measure: gram },
            { cardId: "w", name: "White paste", gPer100G: 5, measure: gram },
          ])
        : colour,
    );
    const both = resized(batch, 1 + 1e-6, mixed, CARD, []);
    const [black, white] = both.cups[1]!.doses;
    const weigh = (dosesG: Record<string, number>) =>
      weighOut(both, { ...NOTHING_WEIGHED, dosesG }, CARD, []).verdicts.filter(
        (verdict) => verdict.kind === "dose",
      );
    // Twice the black is two hundredths of the sum: unseen there, and a grey of another name.
    expect(weigh({ [black!.id]: black!.grams * 2, [white!.id]: white!.grams })).toEqual([
      expect.objectContaining({ kind: "dose", name: "Black paste", overShare: expect.closeTo(1, 6) }),
    ]);
  });
  test("a pot that gets too full is named with the next size", () => {
    const { verdicts } = out(inPot(batch.parts.aG * 2.5));
    expect(verdicts.find((verdict) => verdict.kind === "vessel")).toMatchObject({
      nominalMl: batch.pot.nominalMl,
      nextMl: expect.any(Number),
    });
    const none = weighOut(batch, { ...NOTHING_WEIGHED, ...inPot(batch.parts.aG * 2.5) }, CARD, [
      batch.pot.nominalMl,
    ]);
    expect(none.verdicts.find((verdict) => verdict.kind === "vessel")).toMatchObject({ nextMl: null });
  });
  test("a bottle that is nearly empty: only so much of the batch, in full pairs", () => {
    const { verdicts, factor } = out({ stockBG: batch.parts.bG * 0.6 });
    expect(verdicts[0]).toMatchObject({ kind: "stock", part: "B", share: expect.closeTo(0.6, 9) });
    expect(factor).toBeCloseTo(0.6, 9);
    const smaller = resized(batch, factor, colours, CARD, []);
    expect(smaller.parts.bG).toBeCloseTo(batch.parts.bG * 0.6, 6);
    expect(ratioError(smaller.parts.aG, smaller.parts.bG, CARD)).toBeCloseTo(0, 9);
  });
  test("new numbers everywhere: cups, doses and parts of a resized batch sum to it", () =>
    fc.assert(
      fc.property(fc.double({ min: 0.2, max: 4, noNaN: true }), (factor) => {
        const after = resized(batch, factor, colours, CARD, []);
        expect(after.cups.reduce((sum, cup) => sum + cup.ml, 0)).toBeCloseTo(after.parts.mixMl, 6);
        expect(after.parts.mixMl).toBeCloseTo(batch.parts.mixMl * factor, 6);
        after.cups.forEach((cup, index) =>
          cup.doses.forEach((dose, at) =>
            expect(dose.grams).toBeCloseTo(batch.cups[index]!.doses[at]!.grams * factor, 9),
          ),
        );
      }),
    ));
  test("whatever is over-poured, the corrected mix is in ratio and not smaller than planned", () =>
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 1.5, noNaN: true }),
        fc.double({ min: 1, max: 1.5, noNaN: true }),
        (overA, overB) => {
          const [aG, bG] = [batch.parts.aG * overA, batch.parts.bG * overB];
          const { verdicts, factor } = out(inPot(aG, bG));
          const add = verdicts.find((verdict) => verdict.kind === "add");
          const [a, b] = add?.kind === "add" ? (add.part === "A" ? [add.toG, bG] : [aG, add.toG]) : [aG, bG];
          expect(Math.abs(ratioError(a, b, CARD))).toBeLessThanOrEqual(CARD.ratioTolerancePct / 100 + 1e-9);
          expect(factor).toBeGreaterThanOrEqual(1);
          expect(factor * (batch.parts.aG + batch.parts.bG)).toBeCloseTo(a + b, 6);
        },
      ),
    ));
});

describe("three parts", () => {
  const filled = { ...CARD, fillerGPer100G: 60, fillerDensityGPerMl: 2.6 };
  test("60 g of filler to 100 g of resin, by mass; volumes add up", () => {
    const parts = splitParts(1000, filled);
    expect(parts.cG / (parts.aG + parts.bG)).toBeCloseTo(0.6, 9);
    expect(parts.aMl + parts.bMl + parts.cMl).toBeCloseTo(1000, 6);
    expect(parts.aG + parts.bG + parts.cG).toBeCloseTo(parts.mixG, 9);
    expect(parts.mixG / 1000).toBeCloseTo(mixDensityGPerMl(filled), 9);
    expect(fillerShare(CARD)).toBe(0);
  });
  test("without a filler nothing changes", () => expect(splitParts(1000, CARD).cG).toBe(0));
});

describe("cup by cup, where colour goes into A first", () => {
  const FILLED = { ...CARD, fillerGPer100G: 60, fillerDensityGPerMl: 2.6 };
  const batchOf = (card: ResinCard) =>
    batchCoat({ ...request, resin: fittedResin(card), school: "colour-into-a" }).batches[0] as Batch;
  const weigh = (of: Batch, card: ResinCard, mixes: Record<string, MixWeighed>) =>
    weighOut(of, { ...NOTHING_WEIGHED, mixes }, card, []);
  test.each([
    ["without filler", CARD],
    ["with filler", FILLED],
  ])("5 %% too much A in one cup is told, and every other cup grows with it, %s", (_, card) => {
    const batch = batchOf(card);
    const black = batch.cups.find(({ name }) => name === "black")!;
    const { aG, bG } = black.parts!;
    const off = weigh(batch, card, { black: { aG: aG * 1.05, bG } });
    expect(offRatio(off)).toEqual([
      expect.objectContaining({ mix: "black", part: "B", toG: expect.closeTo(bG * 1.05, 6) }),
    ]);
    expect(off.factor).toBeCloseTo(1.05, 9);
    const after = resized(batch, off.factor, colours, card, []);
    for (const cup of after.cups) {
      const before = batch.cups.find(({ colourId }) => colourId === cup.colourId)!;
      expect(cup.parts!.cG).toBeCloseTo(before.parts!.cG * 1.05, 6);
      expect(cup.parts!.bG).toBeCloseTo(before.parts!.bG * 1.05, 6);
    }
    expect(offRatio(weigh(batch, card, { black: { aG: aG * 1.05, bG: bG * 1.05 } }))).toEqual([]);
  });
  test("B typed alone is held against the A that was planned", () => {
    const batch = batchOf(CARD);
    const { bG } = batch.cups[0]!.parts!;
    expect(offRatio(weigh(batch, CARD, { white: { aG: null, bG: bG * 1.2 } }))).toHaveLength(1);
  });
  test("what is in the pot is in the pot: less of both, in ratio, makes a smaller batch", () =>
    expect(out(inPot(batch.parts.aG * 0.9, batch.parts.bG * 0.9)).factor).toBeCloseTo(0.9, 9));
});

describe("what a scale can dose", () => {
  const doseOf = (grams: number, measure: CoatColour["measure"] = { unit: "gram" }) =>
    doseFor(100, grams, measure);
  const ways = (grams: number, stepG: number, cupG: number, own: boolean, batchG = 4000) => {
    const cup = {
      colourId: "c",
      name: "c",
      places: [],
      ml: cupG,
      g: cupG,
      vessel: batch.pot,
      doses: [],
      parts: own ? splitParts(cupG, CARD) : null,
    };
    return waysToDose(
      doseOf(grams),
      cup,
      { ...batch, cups: [cup, cup], parts: splitParts(batchG, CARD) },
      stepG,
    );
  };
  test("a 1 g scale cannot dose 0.3 g: a stock of 1 in 100 in A, or a finer scale (common practice, no source)", () => {
    expect(ways(2, 1, 400, true)[0]).toMatchObject({
      kind: "stock",
      base: "A",
      ratio: 10,
      stockG: 20,
      carriesG: 18,
    });
    // 0.3 g would be 3 g of 1 in 10: still off by a sixth. So 1 in 100.
    expect(ways(0.3, 1, 400, true)[0]).toMatchObject({ kind: "stock", ratio: 100, stockG: 30 });
    expect(ways(0.3, 1, 400, true).at(-1)).toEqual({ kind: "finer", stepG: 0.01 });
    expect(ways(0.3, 0.01, 400, true)).toEqual([]);
  });
  test("a small cup gets no stock that is larger than it, nor one that takes more A than the pot holds", () => {
    expect(ways(0.3, 1, 40, true).map(({ kind }) => kind)).toEqual(["finer"]);
    expect(ways(0.3, 1, 400, true, 300).map(({ kind }) => kind)).toEqual(["finer"]);
  });
  test("clear mixed first: no stock of A alone, it would put the cup out of ratio", () => {
    expect(ways(0.6, 0.1, 200, false)[0]).toEqual(undefined);
    expect(ways(0.3, 0.1, 200, false)[0]).toMatchObject({ kind: "stock", base: "mix" });
    expect(ways(0.3, 1, 200, false, 400).map(({ kind }) => kind)).toEqual(["finer"]);
  });
  test("drops are counted where a whole number of them comes close", () => {
    const cup = batch.cups[0]!;
    const drop = { unit: "drop" as const, dropMl: 0.05, densityGPerMl: 1.2 };
    expect(waysToDose(doseOf(0.24, drop), cup, batch, 1)[0]).toEqual({
      kind: "count",
      count: 4,
      unit: "drop",
    });
    expect(waysToDose(doseOf(0.077, drop), cup, batch, 1).some(({ kind }) => kind === "count")).toBe(false);
  });
  test("whatever stock is proposed can be weighed, fits its cup, and holds the colour asked for", () =>
    fc.assert(
      fc.property(
        fc.double({ min: 0.01, max: 50, noNaN: true }),
        fc.constantFrom(1, 0.1, 0.01),
        fc.double({ min: 20, max: 3000, noNaN: true }),
        fc.boolean(),
        (grams, stepG, cupG, own) => {
          const found = ways(grams, stepG, cupG, own);
          if (found.length === 0) return expect(grams).toBeGreaterThanOrEqual(leastDoseG(stepG));
          for (const way of found) {
            if (way.kind !== "stock") continue;
            expect(way.stockG / way.ratio).toBeCloseTo(grams, 9);
            expect(way.stockG).toBeGreaterThanOrEqual(leastDoseG(stepG));
            expect(way.makeColourG).toBeGreaterThanOrEqual(leastDoseG(stepG));
            expect(way.carriesG).toBeLessThan(cupG);
            expect(way.base).toBe(own ? "A" : "mix");
            expect(way.makeColourG + way.makeBaseG).toBeCloseTo(way.stockG + way.overG, 6);
          }
          return undefined;
        },
      ),
    ));
  test("half a step off, both ways, stays inside the tolerance from the smallest mix up", () => {
    const least = smallestMixG(CARD, 1);
    const aG = least / (1 + massRatio(CARD));
    const bG = least - aG;
    expect(Math.abs(ratioError(aG + 0.5, bG - 0.5, CARD))).toBeLessThan(
      (CARD.ratioTolerancePct / 100) * 1.05,
    );
    expect(smallestMixG(CARD, 0.1)).toBeCloseTo(least / 10, 9);
    expect(leastDoseG(1)).toBeCloseTo(0.5 / ACCURATE, 9);
  });
});

describe("what is left", () => {
  test("held back, with the spread of the losses", () => {
    const left = leftoverMl(coat);
    expect(left.likely).toBeCloseTo(
      coat.held.reduce((sum, held) => sum + held.ml, 0),
      9,
    );
    expect(left.low).toBeLessThan(left.likely);
    expect(left.high).toBeGreaterThan(left.likely);
  });
  test("small things are filled largest first, and nothing is lost in the sum", () =>
    fc.assert(
      fc.property(fc.double({ min: 0, max: 3000, noNaN: true }), (ml) => {
        const { fills, restMl } = filledBy(ml);
        expect(fills.reduce((sum, { thing, count }) => sum + thing.ml * count, 0) + restMl).toBeCloseTo(
          ml,
          6,
        );
        expect(restMl).toBeLessThan(8);
      }),
    ));
});
