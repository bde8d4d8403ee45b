import fc from "fast-check";
import { fittedResin } from "../cure/fitted-resin";
import { starterCards } from "../cure/starter-cards";
import { exactly } from "../numerics/spread";
import { ML_PER_US_FL_OZ, ML_PER_US_GALLON, MM2_PER_FT2 } from "../units/constants";
import { batchCoat, type BatchedCoat } from "./batch-coat";
import type { CoatColour } from "./coat-colour";
import type { CoatRequest, CoveredPiece } from "./coat-request";
import { workOfMix, type GivenAmount } from "./given";
import { colourOf, NO_LOSS, requestOf, topOf } from "./testing/requests";
import { FULLEST, USUAL_VESSELS_ML } from "./vessel";

const [coating, fast, casting] = starterCards(() => "x").map(fittedResin);
const colour = colourOf;
const piece = (more: Partial<CoveredPiece> = {}) => topOf({ topAreaMm2: 7 * MM2_PER_FT2, ...more });
const request = (more: Partial<CoatRequest> = {}) =>
  requestOf(
    { ...coating!, largestMixG: null },
    {
      pieces: [piece()],
      colours: [colour("black", 0.1), colour("white", 0.5), colour("silver", 0.4)],
      factors: NO_LOSS,
      ...more,
    },
  );
const OZ = ML_PER_US_FL_OZ;
const givenCups = (...oz: number[]): CoatColour[] =>
  ["black", "white", "silver"].map((id, at) =>
    colour(id, 1 / 3, oz[at] === undefined ? {} : { givenMl: oz[at] * OZ }),
  );
/** 1 US fl oz to the square foot is so thick: 29.5735 ml over 929.03 cm². */
const OZ_FT2_MM = 29.5735 / 92.903;

test("28 fl oz, two black, fourteen white, twelve silver on 7 ft²: 4 fl oz to the square foot", () => {
  const cups = batchCoat(request({ given: { by: "cups" }, colours: givenCups(2, 14, 12) }));
  expect(cups.mixMl.likely).toBeCloseTo(28 * OZ, 6);
  expect(cups.filmFactor).toBeCloseTo(4 * OZ_FT2_MM, 4);
  expect(cups.colours.map(({ share }) => share * 28)).toEqual([
    expect.closeTo(2, 9),
    expect.closeTo(14, 9),
    expect.closeTo(12, 9),
  ]);
  expect(cups.conflict).toBeNull();
  // Given is given: the mix has no doubt.
  expect(cups.mixMl).toEqual(exactly(cups.mixMl.likely));
});

test("cups and tools keep the same of a mix whether it was given or followed from the film", () => {
  const losing = request({ factors: {}, tools: ["roller"] });
  const forth = batchCoat(losing);
  const back = batchCoat({ ...losing, given: { by: "mixed", ml: forth.mixMl.likely } });
  back.losses.forEach((loss, at) => {
    expect(loss.id).toBe(forth.losses[at]?.id);
    expect(loss.ml.likely).toBeCloseTo(forth.losses[at]!.ml.likely, 6);
  });
  expect(back.onTopMl.likely).toBeCloseTo(forth.onTopMl.likely, 5);
  // The doubt has changed sides: what is lost more lies less.
  expect(forth.onTopMl.low).toBe(forth.onTopMl.likely);
  expect(back.onTopMl.low).toBeCloseTo(back.onTopMl.likely - (forth.mixMl.high - forth.mixMl.likely), 6);
});

test("kits by the area that they are meant for (common practice, no source)", () => {
  const mixedOz = (gallons: number, ft2: number) =>
    batchCoat(
      request({
        given: { by: "coverage", ml: gallons * ML_PER_US_GALLON, areaMm2: ft2 * MM2_PER_FT2 },
        pieces: [piece({ topAreaMm2: MM2_PER_FT2 })],
      }),
    ).mixMl.likely / OZ;
  // 1.5 gal = 192 fl oz for 50 ft², a gallon for 45 ft² of floor.
  expect(mixedOz(1.5, 50)).toBeCloseTo(3.84, 6);
  expect(mixedOz(1, 45)).toBeCloseTo(2.84, 2);
});

test("two kits are two kits; a bucket of 1900 ml holds 85 % of it", () => {
  const mixed = (given: GivenAmount) => batchCoat(request({ given })).mixMl.likely;
  expect(mixed({ by: "kits", kitMl: 3000, count: 2 })).toBeCloseTo(6000, 6);
  expect(mixed({ by: "vessel", vesselMl: 1900, count: 1 })).toBeCloseTo(1615, 6);
});

test("a cup that is given holds, and the others share the rest as they did", () => {
  const { coloursMl, colours, mixMl } = batchCoat(
    request({
      colours: [colour("black", 0.1, { givenMl: 100 }), colour("white", 0.6), colour("silver", 0.3)],
    }),
  );
  // 7 ft² at 1 mm are 650.32 ml.
  expect(mixMl.likely).toBeCloseTo(650.32, 1);
  expect(coloursMl[0]?.ml).toBe(100);
  expect(coloursMl[1]!.ml / coloursMl[2]!.ml).toBeCloseTo(2, 9);
  expect(colours.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 12);
});

test("one cup given and the shares of the rest say the whole", () => {
  const { mixMl } = batchCoat(
    request({
      given: { by: "cups" },
      colours: [colour("black", 0.1), colour("white", 0.5, { givenMl: 300 }), colour("silver", 0.4)],
    }),
  );
  expect(mixMl.likely).toBeCloseTo(600, 9);
});

test("what is held back of a given cup is in the cup", () => {
  const { held, coloursMl, mixMl, colours } = batchCoat(
    request({
      given: { by: "cups" },
      clearReserve: 0.1,
      colours: [colour("a", 0.5, { givenMl: 110, reserve: 0.1 }), colour("b", 0.5, { givenMl: 100 })],
    }),
  );
  expect(coloursMl.map(({ ml }) => ml)).toEqual([expect.closeTo(110, 9), expect.closeTo(100, 9)]);
  // 100 + 100 are laid, 10 held back of a, and a tenth of 200 in clear.
  expect(mixMl.likely).toBeCloseTo(230, 9);
  expect(held.map(({ ml }) => ml)).toEqual([expect.closeTo(10, 9), expect.closeTo(20, 9)]);
  expect(colours[0]?.share).toBeCloseTo(0.5, 9);
});

test("a level spoon in each cup of 10 ml: its strength follows", () => {
  const spoon = { unit: "spoon" as const, gramsPerSpoon: 0.2 };
  const { colours, batches } = batchCoat(
    request({
      given: { by: "mixed", ml: 60 },
      pieces: [piece({ topAreaMm2: 30_000 })],
      colours: Array.from({ length: 6 }, (_, at) => colour(`c${at}`, 1 / 6, { cupDose: 1, measure: spoon })),
    }),
  );
  const [cup] = batches[0]!.cups;
  expect(cup?.ml).toBeCloseTo(10, 9);
  expect(cup?.doses[0]?.count).toBeCloseTo(1, 9);
  expect(colours[0]?.gPer100G).toBeCloseTo((100 * 0.2) / cup!.g, 9);
});

test("exactly two batches are two, and what speaks against them is told", () => {
  const two = batchCoat(request({ batches: 2 }));
  expect(two.batches.map(({ share }) => share)).toEqual([0.5, 0.5]);
  expect(two.tooSlow).toBe(false);
  const slow = batchCoat(request({ batches: 2, rateM2PerH: 0.2 }));
  expect(slow.batches).toHaveLength(2);
  expect([slow.tooSlow, slow.limit]).toEqual([true, "pot life"]);
});

test("what sinks while it cures is mixed too: 600 ml fill 582.5 of 800 (600 / 1.03)", () => {
  const { onTopMl, losses } = batchCoat(
    request({
      resin: casting!,
      pieces: [piece({ fillMl: exactly(800) })],
      factors: { ...NO_LOSS, shrinkPct: 3 },
      given: { by: "mixed", ml: 600 },
    }),
  );
  expect(onTopMl.likely).toBeCloseTo(600 / 1.03, 6);
  expect(losses.find(({ id }) => id === "shrink")?.ml.likely).toBeCloseTo(600 - 600 / 1.03, 6);
});

test("a river takes what is mixed up to its brim; what is more stays over", () => {
  const river = (ml: number) =>
    batchCoat(
      request({
        resin: casting!,
        pieces: [piece({ fillMl: exactly(800) })],
        factors: { ...NO_LOSS, shrinkPct: 0 },
        given: { by: "mixed", ml },
      }),
    );
  expect(river(600)).toMatchObject({ filmFactor: expect.closeTo(0.75, 9), overMl: 0 });
  expect(river(900)).toMatchObject({ filmFactor: 1, overMl: expect.closeTo(100, 9) });
});

describe("what cannot be is named", () => {
  const conflictOf = (more: Partial<CoatRequest>) => batchCoat(request(more)).conflict;
  test("cups that hold more than the film takes, and all of them given beside it", () => {
    expect(conflictOf({ colours: givenCups(40) })).toMatchObject({
      kind: "cups",
      against: "film",
      cupsMl: expect.closeTo(40 * OZ, 6),
      takesMl: expect.closeTo(650.32, 1),
      all: false,
    });
    expect(conflictOf({ colours: givenCups(2, 14, 12) })).toMatchObject({ against: "film", all: true });
  });
  test("cups that are not the mix", () => {
    const colours = givenCups(2, 14, 12);
    expect(conflictOf({ given: { by: "mixed", ml: 30 * OZ }, colours })).toMatchObject({
      kind: "cups",
      against: "mixed",
      cupsMl: expect.closeTo(28 * OZ, 6),
      takesMl: expect.closeTo(30 * OZ, 6),
    });
    expect(conflictOf({ given: { by: "mixed", ml: 28 * OZ }, colours })).toBeNull();
    // The plan goes on with the cups.
    expect(batchCoat(request({ given: { by: "mixed", ml: 30 * OZ }, colours })).mixMl.likely).toBeCloseTo(
      28 * OZ,
      6,
    );
  });
  test("a mix that stays on cups and tools, and cups that say nothing", () => {
    const lost = batchCoat(request({ factors: { stickMl: 100 }, given: { by: "mixed", ml: 10 } }));
    expect(lost.conflict).toMatchObject({ kind: "lost" });
    expect(lost.filmFactor).toBe(1);
    expect(conflictOf({ given: { by: "cups" } })).toEqual({ kind: "no-cup" });
    expect(workOfMix(null, [colour("a", 0, { givenMl: 10 }), colour("b", 1)], 0, 0)).toBeNull();
  });
});

/** Coats of many kinds: sizes, faces, losses, reserves, copies, vessels, methods, resins, fills. */
const anyRequest = fc
  .record({
    resin: fc.constantFrom(coating!, fast!, casting!),
    areaM2: fc.double({ min: 0.02, max: 12, noNaN: true }),
    filmMm: fc.double({ min: 0.2, max: 4, noNaN: true }),
    faceShare: fc.double({ min: 0, max: 0.3, noNaN: true }),
    openMm: fc.double({ min: 0, max: 9000, noNaN: true }),
    count: fc.integer({ min: 1, max: 4 }),
    fillMl: fc.option(fc.double({ min: 200, max: 20_000, noNaN: true })),
    coverShare: fc.constantFrom(1, 0.4, 0.05),
    weights: fc.array(fc.double({ min: 0.05, max: 1, noNaN: true }), { minLength: 1, maxLength: 10 }),
    reserve: fc.constantFrom(0, 0.05, 0.2),
    clearReserve: fc.constantFrom(0, 0.05),
    school: fc.constantFrom<CoatRequest["school"]>("clear-first", "colour-into-a"),
    tools: fc.subarray<CoatRequest["tools"][number]>(["roller", "trowel", "brush"]),
    vesselsMl: fc.constantFrom<number[]>([], [250, 950], [11_000]),
    ground: fc.constantFrom(null, "mdf" as const),
    stonesG: fc.constantFrom(0, 120),
  })
  .map((of): CoatRequest =>
    request({
      resin: of.resin,
      coverShare: of.coverShare,
      pieces: [
        piece({
          count: of.count,
          filmMm: of.filmMm,
          topAreaMm2: of.areaM2 * 1e6,
          faceAreaMm2: of.fillMl === null ? of.areaM2 * 1e6 * of.faceShare : 0,
          openLengthMm: of.fillMl === null ? of.openMm : 0,
          ground: of.ground,
          fillMl: of.fillMl === null ? null : exactly(of.fillMl),
        }),
      ],
      colours: of.weights.map((weight, at) =>
        colour(`c${at}`, weight / of.weights.reduce((sum, next) => sum + next, 0), { reserve: of.reserve }),
      ),
      clearReserve: of.clearReserve,
      school: of.school,
      tools: of.tools,
      vesselsMl: of.vesselsMl,
      factors: {},
      embeds:
        of.stonesG > 0
          ? [
              {
                id: "s",
                name: "Stones",
                kind: "stones",
                massG: of.stonesG,
                densityGPerMl: 2.65,
                lockedShare: 0.8,
              },
            ]
          : [],
    }),
  );

/** What a finisher would see of a coat. */
const seen = ({ mixMl, onTopMl, onFacesMl, coloursMl, batches, losses }: BatchedCoat) => ({
  mixMl: mixMl.likely,
  onTopMl: onTopMl.likely,
  onFacesMl: onFacesMl.likely,
  lostMl: losses.reduce((sum, { ml }) => sum + ml.likely, 0),
  coloursMl: coloursMl.map(({ ml }) => ml),
  batches: batches.map(({ cups }) => cups.map(({ vessel }) => vessel.nominalMl)),
});
/** To seven significant digits: the sum from the film is found to nine. */
const close = (value: number) =>
  expect.closeTo(value, 7 - Math.ceil(Math.log10(Math.abs(value) + 1))) as number;
const alike = (wanted: ReturnType<typeof seen>) => ({
  ...wanted,
  mixMl: close(wanted.mixMl),
  onTopMl: close(wanted.onTopMl),
  onFacesMl: close(wanted.onFacesMl),
  lostMl: close(wanted.lostMl),
  coloursMl: wanted.coloursMl.map(close),
});

const nearBrim = ({ ml }: { ml: number }) =>
  USUAL_VESSELS_ML.some((size) => Math.abs(ml / (size * FULLEST) - 1) < 0.01);

test("any result of a plan, given, brings the same plan back", () => {
  fc.assert(
    fc.property(anyRequest, (asked) => {
      const forth = batchCoat(asked);
      const { mixMl, coloursMl, colours } = forth;
      // A larger vessel, or a batch less, loses less: near a brim, or near the most that one batch may be, two plans answer one volume, and either is
      // right. They hardly differ.
      const atBrim = ({ batches }: typeof forth) =>
        batches.some(({ cups, pot, parts }) => [...cups, { vessel: pot, ml: parts.mixMl }].some(nearBrim));
      fc.pre(!atBrim(forth));
      const cups = asked.colours.map((of, at) => ({ ...of, givenMl: coloursMl[at]!.ml }));
      const again: CoatRequest[] = [
        { ...asked, given: { by: "mixed", ml: mixMl.likely } },
        { ...asked, given: { by: "kits", kitMl: mixMl.likely / 2, count: 2 } },
        { ...asked, given: { by: "cups" }, colours: cups },
        { ...asked, given: { by: "mixed", ml: mixMl.likely }, colours: cups },
        // One cup, and the shares of the others.
        {
          ...asked,
          given: { by: "cups" },
          colours: asked.colours.map((of, at) => (at === 0 ? cups[0]! : of)),
        },
        // One cup beside the mix.
        {
          ...asked,
          given: { by: "mixed", ml: mixMl.likely },
          colours: asked.colours.map((of, at) => (at === 0 ? cups[0]! : of)),
        },
        // One cup beside the film.
        {
          ...asked,
          colours: asked.colours.map((of, at) => (at === 0 && asked.colours.length > 1 ? cups[0]! : of)),
        },
        { ...asked, batches: forth.batches.length },
      ];
      for (const back of again) {
        const found = batchCoat(back);
        expect(found.conflict).toBeNull();
        if (atBrim(found) || found.batches.length !== forth.batches.length) {
          expect(Math.abs(found.mixMl.likely / mixMl.likely - 1)).toBeLessThan(0.02);
          const own = batchCoat({
            ...back,
            given: { by: "mixed", ml: found.mixMl.likely },
            colours: back.colours.map((of, at) => ({ ...of, givenMl: found.coloursMl[at]!.ml })),
          });
          expect(seen(own)).toEqual(alike(seen(found)));
          continue;
        }
        expect(seen(found)).toEqual(alike(seen(forth)));
        expect(found.filmFactor).toBeCloseTo(1, 6);
        found.colours.forEach(({ share }, at) => expect(share).toBeCloseTo(colours[at]!.share, 8));
      }
    }),
    { numRuns: 100, endOnFailure: true },
  );
});

test("nothing is lost between mix and piece, whatever was given", () => {
  fc.assert(
    fc.property(
      anyRequest,
      fc.double({ min: 0.3, max: 3, noNaN: true }),
      fc.double({ min: 0.1, max: 2, noNaN: true }),
      (asked, times, cup) => {
        const forth = batchCoat(asked);
        const found = batchCoat({
          ...asked,
          given: { by: "mixed", ml: forth.mixMl.likely * times },
          colours: asked.colours.map((of, at) =>
            at === 0 ? { ...of, givenMl: forth.coloursMl[0]!.ml * cup } : of,
          ),
        });
        const { mixMl, onTopMl, onFacesMl, losses, held, batches, colours, embeds } = found;
        const told =
          onTopMl.likely +
          onFacesMl.likely +
          embeds.reduce((sum, { wetMl, lockMl }) => sum + wetMl.likely + lockMl.likely, 0) +
          losses.reduce((sum, { ml }) => sum + ml.likely, 0) +
          held.reduce((sum, { ml }) => sum + ml, 0);
        expect(told).toBeCloseTo(mixMl.likely, 6);
        const inCups = batches.flatMap(({ cups }) => cups).reduce((sum, { ml }) => sum + ml, 0);
        expect(inCups).toBeCloseTo(mixMl.likely, 6);
        expect(colours.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 9);
      },
    ),
    { numRuns: 100, endOnFailure: true },
  );
});
