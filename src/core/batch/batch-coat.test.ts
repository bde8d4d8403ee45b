import { fittedResin } from "../cure/fitted-resin";
import type { ResinCard } from "../cure/resin-card";
import { starterCards } from "../cure/starter-cards";
import fc from "fast-check";
import { wettedAreaMm2 } from "./vessel";
import { batchCoat } from "./batch-coat";
import type { CoatRequest } from "./coat-request";
import type { Embed } from "./embeds";
import { exactly } from "../numerics/spread";
import { colourOf, NO_LOSS, requestOf, topOf } from "./testing/requests";

const CARDS = starterCards(() => "x");
const CARD = CARDS[0] as ResinCard;
const PAINT = CARDS[3] as ResinCard;
const RESIN = fittedResin(CARD);
const colour = (id: string, share: number, reserve = 0) => colourOf(id, share, { reserve });

/** A coat without anything that is lost, so that sums can be done by hand. */
const request = (changes: Partial<CoatRequest> = {}) =>
  requestOf(RESIN, {
    colours: [colour("a", 0.5), colour("b", 0.5)],
    rateM2PerH: 6,
    factors: NO_LOSS,
    ...changes,
  });

describe("by hand", () => {
  test("1 m² at 1 mm is a litre; without losses or reserve nothing is added", () => {
    const coat = batchCoat(request());
    expect(coat.mixMl).toEqual({ low: 1000, likely: 1000, high: 1000 });
    expect(coat.mixedFilmMm).toBeCloseTo(1, 9);
    expect(coat.coloursMl.map(({ ml }) => ml)).toEqual([500, 500]);
  });
  test("faces take 0.6 of the film, with its spread", () => {
    const coat = batchCoat(request({ pieces: [topOf({ faceAreaMm2: 1e5 })] }));
    expect(coat.onFacesMl.likely).toBeCloseTo(60, 9);
    expect(coat.mixMl.likely).toBeCloseTo(1060, 9);
    expect([coat.mixMl.low, coat.mixMl.high].map(Math.round)).toEqual([1040, 1080]);
  });
  test("each colour's reserve is of that colour, the clear one of the whole", () => {
    const coat = batchCoat(
      request({ colours: [colour("a", 0.75, 0.1), colour("b", 0.25)], clearReserve: 0.04 }),
    );
    expect(coat.coloursMl.map(({ ml }) => Math.round(ml))).toEqual([825, 250]);
    expect(coat.held).toEqual([
      { colourId: "a", name: "a", ml: expect.closeTo(75, 9) },
      { colourId: null, name: "Clear", ml: expect.closeTo(40, 9) },
    ]);
    expect(coat.mixMl.likely).toBeCloseTo(1115, 9);
    expect(coat.batches[0]?.cups.map((cup) => cup.name)).toEqual(["a", "b", "Clear, held back"]);
  });
  test("run-off and ground are added once; an own factor of nothing takes them away", () => {
    const pieces = [topOf({ openLengthMm: 2000, faceLengthMm: 1000, ground: "mdf" })];
    expect(batchCoat(request({ pieces })).mixMl.likely).toBeCloseTo(1000 + 50 + 10 + 60, 6);
    const none = {
      cupFilmMm: 0,
      bucketFilmMm: 0,
      stickMl: 0,
      runOffOpenMlPerM: 0,
      runOffFaceMlPerM: 0,
      groundMlPerM2: 0,
    };
    expect(batchCoat(request({ pieces, factors: none })).mixMl.likely).toBeCloseTo(1000, 9);
  });
  test("a rolled primer of a tenth of a millimetre runs off a tenth of what a flood does, on half of the edge half", () => {
    const runOff = (filmMm: number, coverShare = 1) =>
      batchCoat(
        request({ coverShare, factors: {}, pieces: [topOf({ filmMm, openLengthMm: 2000 })] }),
      ).losses.find(({ id }) => id === "run-off")!.ml.likely;
    expect(runOff(1)).toBeCloseTo(50, 9);
    expect(runOff(0.095)).toBeCloseTo(5, 9);
    expect(runOff(1, 0.5)).toBeCloseTo(25, 9);
  });
  test("on edges alone there is no film of a top to tell", () => {
    const edges = batchCoat(request({ pieces: [topOf({ topAreaMm2: 0, faceAreaMm2: 1e5 })] }));
    expect(edges.mixMl.likely).toBeGreaterThan(0);
    expect(edges.mixedFilmMm).toBe(0);
    const top = batchCoat(request());
    expect(top.mixedFilmMm).toBeCloseTo((top.mixMl.likely * 1000) / top.topAreaMm2, 9);
  });
  test("veins cover a share of the area", () =>
    expect(batchCoat(request({ coverShare: 0.03 })).mixMl.likely).toBeCloseTo(30, 9));
  test("losses that depend on the volume are found by iteration: what is mixed less what is lost is what is laid", () => {
    const coat = batchCoat(request({ factors: {}, tools: ["hand", "roller"] }));
    const lost = coat.losses.reduce((sum, loss) => sum + loss.ml.likely, 0);
    expect(coat.mixMl.likely - lost).toBeCloseTo(1000, 6);
    expect(lost).toBeGreaterThan(40);
  });
  test("nothing to cover gives nothing to mix, and no NaN", () => {
    const coat = batchCoat(request({ pieces: [] }));
    expect(coat.batches).toEqual([]);
    expect(coat.mixMl).toEqual({ low: 0, likely: 0, high: 0 });
    expect(Number.isFinite(coat.mixedFilmMm)).toBe(true);
  });
});

describe("what is not a plain coat", () => {
  test("pieces with films of their own, and copies of them", () => {
    const pieces = [topOf(), topOf({ id: "q", filmMm: 2, count: 3, topAreaMm2: 1e5 })];
    expect(batchCoat(request({ pieces })).mixMl.likely).toBeCloseTo(1000 + 3 * 200, 6);
  });
  test("a fill takes its volume and what it sinks by, with the spread of the reading", () => {
    const fillMl = { low: 1900, likely: 2000, high: 2100 };
    const coat = batchCoat(request({ pieces: [topOf({ fillMl })] }));
    expect(coat.fills).toBe(true);
    expect(coat.mixMl.likely).toBeCloseTo(2000 * 1.03, 6);
    expect(coat.mixMl.high).toBeGreaterThan(2100);
    expect(batchCoat(request({ pieces: [topOf({ fillMl })], coverShare: 0.25 })).onTopMl.likely).toBe(500);
  });
  test("stones ask for clear to wet and to lock them in, in a cup of its own", () => {
    const stones = {
      id: "s",
      name: "River stones",
      kind: "stones" as const,
      massG: 2650,
      densityGPerMl: 2.65,
      lockedShare: 0.5,
    };
    const coat = batchCoat(request({ embeds: [stones] }));
    // 1 l of stone in a heap of 58 %: 724 ml between them, half of it locked; 120 ml to wet them.
    expect(coat.embeds[0]?.solidMl).toBeCloseTo(1000, 9);
    expect(coat.mixMl.likely).toBeCloseTo(1000 + 120 + (1000 / 0.58 - 1000) / 2, 6);
    expect(coat.batches[0]?.cups.at(-1)?.name).toBe("Clear, for embeds");
  });
});

describe("what lies in a fill takes its place", () => {
  const pebbles = (changes: Partial<Embed> = {}): Embed => ({
    id: "s",
    name: "Pebbles",
    kind: "stones",
    massG: 265,
    densityGPerMl: 2.65,
    lockedShare: 1,
    ...changes,
  });
  const filled = (embeds: Embed[], coverShare = 1) =>
    batchCoat(request({ pieces: [topOf({ fillMl: exactly(1000) })], coverShare, embeds }));
  test("265 g of stone in a litre leave 900 ml to fill, and ask for 12 ml to wet them; half out of it, 950", () => {
    expect(filled([pebbles()]).onTopMl.likely).toBeCloseTo(900, 9);
    expect(filled([pebbles()]).embeds[0]!.wetMl.likely).toBeCloseTo(12, 9);
    expect(filled([pebbles()]).embeds[0]!.lockMl.likely).toBe(0);
    expect(filled([pebbles({ lockedShare: 0.5 })]).onTopMl.likely).toBeCloseTo(950, 9);
    // On a film they take nothing away: it rises.
    const onFilm = batchCoat(request({ embeds: [pebbles()] }));
    expect(onFilm.onTopMl.likely).toBeCloseTo(batchCoat(request({})).onTopMl.likely, 9);
  });
  test("more stone than there is room leaves a little that runs between, and nothing below nothing", () => {
    const full = filled([pebbles({ massG: 265_000 })]);
    expect(full.onTopMl.likely).toBeCloseTo(10, 6);
    expect(full.onTopMl.low).toBeGreaterThanOrEqual(0);
  });
});

describe("how many batches", () => {
  const many = (changes: Partial<CoatRequest>) =>
    batchCoat(
      request({
        pieces: [topOf({ name: "Bar", topAreaMm2: 4e6 })],
        ...changes,
      }),
    );
  test("the card's largest mix is kept", () => {
    const coat = many({ rateM2PerH: 100, resin: fittedResin({ ...CARD, largestMixG: 1500 }) });
    expect(coat.batches.length).toBe(3);
    for (const batch of coat.batches) expect(batch.parts.mixG).toBeLessThanOrEqual(1500);
  });
  test("fewer with more hands, more when it is warm, more with a slower rate", () => {
    const count = (changes: Partial<CoatRequest>) => many({ rateM2PerH: 4, ...changes }).batches.length;
    expect(count({})).toBeGreaterThan(1);
    expect(count({ people: 3 })).toBeLessThan(count({}));
    expect(count({ tempC: 30 })).toBeGreaterThan(count({}));
    expect(count({ rateM2PerH: 2 })).toBeGreaterThan(count({}));
  });
  test("the least number that works: one fewer would outlive its pot", () => {
    const coat = many({ rateM2PerH: 4 });
    const largest = Math.max(...coat.batches.map((batch) => batch.share));
    expect(coat.mixingMin + coat.workMin.likely * largest).toBeLessThanOrEqual(coat.potLifeMin!.low);
    const batched = many({
      rateM2PerH: 4 * (coat.batches.length / Math.max(1, coat.batches.length - 1)) * 1.6,
    });
    expect(batched.batches.length).toBeLessThanOrEqual(coat.batches.length);
  });
  test("no mix is larger than the largest vessel at hand, filled so that it can be stirred, and it is said", () => {
    const coat = many({ rateM2PerH: 100, vesselsMl: [120, 950] });
    expect(coat.limit).toBe("largest vessel");
    for (const batch of coat.batches) expect(batch.parts.mixMl).toBeLessThanOrEqual(0.85 * 950 + 1e-6);
    expect(coat.batches[0]?.pot.nominalMl).toBe(950);
  });
  test("by kits: no mix is larger than one", () => {
    const coat = many({ rateM2PerH: 100, largestBatchMl: 1500 });
    expect([coat.limit, coat.batches.length]).toEqual(["kit", 3]);
  });
  test("one batch has no limit to name", () => expect(batchCoat(request()).limit).toBeNull());
  test("hopelessly slow is said, not endless", () => {
    const coat = many({ rateM2PerH: 0.1 });
    expect(coat.tooSlow).toBe(true);
    expect(coat.batches.length).toBeLessThanOrEqual(24);
  });
  test("with colour into A each cup lives by itself: longer than one pot of all", () => {
    const together = batchCoat(request());
    const apart = batchCoat(request({ school: "colour-into-a" }));
    expect(apart.potLifeMin!.likely).toBeGreaterThan(together.potLifeMin!.likely);
    expect(apart.batches[0]?.cups.every((cup) => cup.parts !== null)).toBe(true);
    expect(together.batches[0]?.cups.every((cup) => cup.parts === null)).toBe(true);
    expect(apart.losses.some((loss) => loss.id === "buckets")).toBe(false);
  });
  test("paint has no pot life and is never split for it", () => {
    const coat = many({ resin: fittedResin(PAINT), rateM2PerH: 0.2, colours: [colour("a", 1)] });
    expect([coat.batches.length, coat.potLifeMin, coat.tooSlow]).toEqual([1, null, false]);
  });
});

describe("as few batches, cups that settle", () => {
  const losing = { cupFilmMm: 0.3, bucketFilmMm: 0.3, stickMl: 2 };
  test("whatever the area, the sum of work and losses is found, and each vessel holds what goes into it", () =>
    fc.assert(
      fc.property(fc.double({ min: 0.02, max: 3, noNaN: true }), fc.boolean(), (areaM2, own) => {
        const coat = batchCoat(
          request({
            pieces: [topOf({ topAreaMm2: areaM2 * 1e6 })],
            school: own ? "colour-into-a" : "clear-first",
            factors: losing,
          }),
        );
        const lost = coat.losses.reduce((sum, { ml }) => sum + ml.likely, 0);
        const mixed = coat.batches.reduce((sum, { parts }) => sum + parts.mixMl, 0);
        expect(mixed).toBeCloseTo(coat.onTopMl.likely + lost, 6);
        // What the cups of the sheet lose is what was counted for them.
        const cups = coat.losses.find(({ id }) => id === "cups");
        const wetted = coat.batches
          .flatMap((batch) => batch.cups)
          .reduce((sum, cup) => sum + wettedAreaMm2(cup.vessel, cup.ml), 0);
        if (cups?.id === "cups") expect(cups.wettedMm2 / wetted).toBeCloseTo(1, 6);
      }),
      { numRuns: 300 },
    ));
  test("clear held back stands in a cup of its own, also beside one colour, and that cup has a wall", () => {
    const loss = (clearReserve: number) => {
      const coat = batchCoat(request({ colours: [colour("a", 1)], clearReserve, factors: losing }));
      const cups = coat.losses.find(({ id }) => id === "cups");
      return cups?.id === "cups" ? cups.cups : 0;
    };
    expect(loss(0)).toBe(0);
    expect(loss(0.05)).toBe(2);
  });
  test("a cut at the end of a piece never costs a batch more", () =>
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.05, max: 1.5, noNaN: true }), { minLength: 1, maxLength: 5 }),
        fc.double({ min: 1500, max: 4000, noNaN: true }),
        (areas, mostMl) => {
          const coat = batchCoat(
            request({
              pieces: areas.map((areaM2, at) => topOf({ id: `p${at}`, topAreaMm2: areaM2 * 1e6 })),
              largestBatchMl: mostMl,
              rateM2PerH: 200,
            }),
          );
          if (coat.limit !== "kit") return;
          const total = areas.reduce((sum, areaM2) => sum + areaM2 * 1000, 0);
          expect(coat.batches).toHaveLength(Math.ceil(total / mostMl - 1e-9));
        },
      ),
    ));
});
