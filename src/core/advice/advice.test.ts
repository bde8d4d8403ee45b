import type { BatchedCoat } from "../batch/batch-coat";
import type { CoatColour } from "../batch/coat-colour";
import { calibrate } from "../cure/calibrate";
import type { ResinCard } from "../cure/resin-card";
import { within } from "../numerics/spread";
import { starterCards } from "../plan/sample-job";
import type { Coat } from "../schedule/coat";
import { PASS, usualPass, type PassKind } from "../schedule/pass";
import { advise } from "./advise";
import type { AdvisedCoat } from "./advice";
import { CAUTION, FLASH_OFF_MIN } from "./pass-rules";

const colour = (changes: Partial<CoatColour> = {}): CoatColour => ({
  id: "c",
  name: "White",
  hex: "#F4F3EF",
  look: "opaque",
  share: 0.5,
  locked: false,
  reserve: 0,
  gPer100G: 2,
  measure: { unit: "gram" },
  ...changes,
});
const BLACK = colour({ id: "k", name: "Ink", hex: "#1B1C1E" });
const coat = (changes: Partial<Coat> = {}): Coat => ({
  id: "coat",
  kind: "colour",
  name: "Colour",
  filmMm: 1,
  coverShare: 1,
  coversFaces: true,
  resinCardId: "r",
  colours: [colour()],
  clearReserve: 0,
  school: "clear-first",
  rateM2PerH: 6,
  startsAfter: "wet",
  passes: [],
  ...changes,
});
const CARD: ResinCard = { ...starterCards(() => "r")[0]!, name: "Slow", largestMixG: null };
const advised = (changes: Partial<AdvisedCoat> = {}): AdvisedCoat => ({
  coat: coat(),
  below: null,
  belowWet: true,
  batched: null,
  card: CARD,
  calibration: null,
  pourDepthMm: null,
  ...changes,
});
const say = (coats: AdvisedCoat[], tempC = 21) => advise({ coats, tempC });
const rules = (coats: AdvisedCoat[], tempC?: number) => say(coats, tempC).map((advice) => advice.rule);

test("a plain coat in a room of 21 °C needs no advice", () => expect(say([advised()])).toEqual([]));

describe("colour (common practice, no source)", () => {
  const overPrimer = (changes: Partial<AdvisedCoat> = {}) =>
    advised({
      coat: coat({ colours: [colour(), BLACK] }),
      below: coat({ kind: "primer" }),
      belowWet: false,
      ...changes,
    });
  test("black among others on dry primer is a hard spot; in wet colour, over a base, or alone it is none", () => {
    expect(rules([overPrimer()])).toEqual(["black-on-primer"]);
    expect(rules([overPrimer({ belowWet: true })])).toEqual([]);
    expect(rules([overPrimer({ below: coat({ kind: "base" }) })])).toEqual([]);
    expect(rules([overPrimer({ coat: coat({ colours: [BLACK] }) })])).toEqual([]);
  });
  test.each([
    ["#E0B52A", true],
    ["#C59A45", true],
    ["#E9E4D6", false],
    ["#A8623E", false],
    ["#8A9A7F", false],
  ])("%s over black turns green: %s", (hex, green) => {
    const over = advised({
      coat: coat({ colours: [colour({ hex })] }),
      below: coat({ kind: "base", colours: [BLACK] }),
    });
    expect(rules([over]).includes("yellow-over-black")).toBe(green);
  });
  test.each([
    ["opaque", 5, 5.1],
    ["metallic", 5, 5.1],
    ["tint", 2, 2.1],
    ["clear", 0, 0.1],
  ] as const)("a load of %s is carried to %d g per 100 g", (look, good, much) => {
    const dosed = (gPer100G: number) =>
      rules([advised({ coat: coat({ colours: [colour({ look, gPer100G })] }) })]);
    expect(dosed(good)).toEqual([]);
    expect(dosed(much)).toEqual(["load-too-large"]);
  });
  test("metallics over half of a colour coat lose definition; a coat of metallic alone is meant so", () => {
    const metallic = (share: number) => [
      colour({ id: "m", look: "metallic", share }),
      colour({ id: "w", share: 1 - share }),
    ];
    expect(rules([advised({ coat: coat({ colours: metallic(0.5) }) })])).toEqual([]);
    expect(rules([advised({ coat: coat({ colours: metallic(0.6) }) })])).toEqual(["metallic-share"]);
    expect(rules([advised({ coat: coat({ colours: [colour({ look: "metallic", share: 1 })] }) })])).toEqual(
      [],
    );
  });
});

describe("film", () => {
  const bucket = (filmMm: number, changes: Partial<AdvisedCoat> = {}) =>
    advised({
      coat: coat({ filmMm, passes: [usualPass("p", "bucket-pour")] }),
      below: coat({ kind: "primer" }),
      belowWet: false,
      ...changes,
    });
  test("3 fl oz/ft² is enough by hand, 2.5 is not (common practice, no source)", () => {
    expect(rules([advised({ coat: coat({ filmMm: 0.955 }) })])).toEqual([]);
    expect(rules([advised({ coat: coat({ filmMm: 0.8 }) })])).toEqual(["film-too-thin"]);
    expect(rules([advised({ coat: coat({ filmMm: 0.2, kind: "lock-in" }) })])).toEqual([]);
  });
  test("8 fl oz/ft² levels over bare primer, less wants a slick coat (common practice, no source)", () => {
    expect(rules([bucket(2.55)])).toEqual([]);
    expect(rules([bucket(1.6)])).toEqual(["bucket-without-slick"]);
    expect(rules([bucket(1.6, { belowWet: true })])).toEqual([]);
  });
  test("thicker than the card allows is said with the card's number", () => {
    expect(say([advised({ coat: coat({ filmMm: 4 }) })])[0]).toMatchObject({
      rule: "film-too-thick",
      kind: "data sheet",
      what: "Slow is made for films up to 3 mm.",
    });
    expect(rules([advised({ coat: coat({ filmMm: 4 }), card: { ...CARD, thickestFilmMm: null } })])).toEqual(
      [],
    );
  });
  test("a fill is as deep as its pour, whatever its film: too deep, it is divided", () => {
    const fill = coat({ kind: "fill", filmMm: 1, coverShare: 0.5 });
    expect(rules([advised({ coat: fill, pourDepthMm: 3 })])).toEqual([]);
    expect(say([advised({ coat: fill, pourDepthMm: 20 })])[0]).toMatchObject({
      what: "20 mm deep; Slow is made for pours up to 3 mm.",
      soWhat: "Thicker, it heats up, yellows or cracks: fill it in 14 layers, each with its share.",
    });
  });
  test("an economy resin is fine below, not on top", () => {
    const soft = { ...CARD, forCounters: false };
    expect(rules([advised({ card: soft }), advised()])).toEqual([]);
    expect(rules([advised(), advised({ card: soft })])).toEqual(["not-for-counters"]);
  });
});

describe("batches", () => {
  const batched = (changes: Partial<BatchedCoat>) =>
    ({
      batches: [1, 2],
      limit: "pot life",
      tooSlow: false,
      workMin: within(35, 0.25),
      potLifeMin: within(47, 0.25),
      potLifeAtOnceMin: within(30, 0.25),
      ...changes,
    }) as unknown as BatchedCoat;
  test("several batches are explained by pot life and work; one needs no words", () => {
    const [advice] = say([advised({ batched: batched({}) })]);
    expect(advice).toMatchObject({
      rule: "batches",
      kind: "physics",
      what: "2 batches. All at once would live 30 min in the pot; the work takes you 35 min.",
      soWhat: "One batch lives 47 min (35 to 59).",
    });
    expect(rules([advised({ batched: batched({ batches: [] as never, potLifeAtOnceMin: null }) })])).toEqual(
      [],
    );
  });
  test.each([
    ["largest vessel", "2 batches: the largest vessel at hand holds no more.", "common practice"],
    ["largest mix", "2 batches: the card allows no larger mix.", "data sheet"],
    ["kit", "2 batches: each is one kit at most.", "common practice"],
  ] as const)("several batches by %s say so, for paint as well", (limit, what, kind) => {
    for (const potLifeMin of [within(47, 0.25), null])
      expect(say([advised({ batched: batched({ limit, potLifeMin }) })])[0]).toMatchObject({ what, kind });
  });
  test("vessels too small for even the most batches", () =>
    expect(say([advised({ batched: batched({ limit: "largest vessel", tooSlow: true }) })])[0]).toMatchObject(
      {
        rule: "too-slow",
        what: "Even 2 batches are too large: the largest vessel at hand holds no more.",
      },
    ));
  test("when even small batches are too slow, that is said instead", () =>
    expect(rules([advised({ batched: batched({ tooSlow: true }) })])).toEqual(["too-slow"]));
  test("a card whose numbers contradict each other is named once, however many coats use it", () => {
    const bad = { ...CARD, workMin: 300, tackFreeH: 1, potLifeMin: 5 };
    const found = rules([
      advised({ card: bad, calibration: calibrate(bad) }),
      advised({ card: bad, calibration: calibrate(bad) }),
    ]);
    expect(found.length).toBeGreaterThan(0);
    expect(found.every((rule) => rule === "card-conflict")).toBe(true);
    expect(found.length).toBe(calibrate(bad).conflicts.length);
  });
  test.each([
    [17.9, 1],
    [18, 0],
    [27, 0],
    [27.1, 1],
  ])("a room of %d °C gives %d lines (18–27 °C, common practice, no source)", (tempC, lines) =>
    expect(say([advised()], tempC)).toHaveLength(lines),
  );
});

describe("what can hurt", () => {
  const passes = (...list: [PassKind, number | null][]) =>
    list.map(([kind, fromMin], index) => usualPass(`p${index}`, kind, { fromMin }));
  const fire = (...list: [PassKind, number | null][]) =>
    say([advised({ coat: coat({ passes: passes(...list) }) })]).filter(
      (advice) => advice.rule === "flame-after-vapour",
    );
  test("a flame needs five minutes after alcohol, paint or mica in alcohol (common practice, no source)", () => {
    for (const vapour of ["alcohol", "fog", "mica-alcohol"] as const) {
      expect(fire([vapour, 20], ["flame", 20 + FLASH_OFF_MIN])).toEqual([]);
      expect(fire([vapour, 20], ["flame", 24])).toHaveLength(1);
      expect(fire([vapour, 20], ["flame", null])).toHaveLength(1);
    }
  });
  test("a hair dryer lights it as well; a flame before the alcohol does not", () => {
    expect(fire(["alcohol", 20], ["blow", 22])).toHaveLength(1);
    expect(fire(["flame", 10], ["alcohol", 20])).toEqual([]);
  });
  test("the last vapour counts, not the first", () =>
    expect(fire(["alcohol", 15], ["alcohol", 28], ["flame", 30])).toHaveLength(1));
  test("danger comes first and says the minute from which it is right", () => {
    const all = say(
      [advised({ coat: coat({ filmMm: 0.5, passes: passes(["alcohol", 20], ["flame", 21]) }) })],
      14,
    );
    expect(all[0]).toMatchObject({
      kind: "safety",
      at: "p1",
      soWhat: "Fire. Let it flash off 5 minutes first: set it to start at 25 min or later.",
    });
    expect(all.length).toBe(3);
  });
  test("every pass with vapour, flame or dust has its caution", () => {
    for (const kind of ["flame", "alcohol", "mica-alcohol", "fog", "sand", "blow"] as const)
      expect(CAUTION[kind]?.length).toBeGreaterThan(30);
    for (const kind of Object.keys(CAUTION)) expect(PASS).toHaveProperty(kind);
  });
});

test("every piece of advice says what, so what, its kind and why", () => {
  const all = say(
    [
      advised({
        coat: coat({
          filmMm: 0.5,
          colours: [colour({ gPer100G: 9, look: "metallic", share: 0.8 }), { ...BLACK, share: 0.2 }],
          passes: [usualPass("f", "fog", { fromMin: 5 }), usualPass("t", "flame", { fromMin: 6 })],
        }),
        below: coat({ kind: "primer" }),
        belowWet: false,
      }),
    ],
    12,
  );
  expect(all.length).toBeGreaterThanOrEqual(6);
  for (const advice of all)
    for (const text of [advice.what, advice.soWhat, advice.why]) expect(text.length).toBeGreaterThan(10);
});
