import { saidIn } from "../units/said";
import type { BatchedCoat } from "../batch/batch-coat";
import { mixedFrom, type CoatColour } from "../batch/coat-colour";
import { starterColours } from "../colour/starter-colours";
import { fittedResin } from "../cure/fitted-resin";
import type { ResinCard } from "../cure/resin-card";
import { within } from "../numerics/spread";
import { colourPlan } from "./colour-plan";
import { derivePlan } from "./derive-plan";
import type { JobDocument } from "../job/job";
import { sampleJob } from "../job/sample-job";
import { starterCards } from "../cure/starter-cards";
import { TECHNIQUE_IDS } from "../job/technique-list";
import { withTechnique } from "../job/techniques";
import type { Coat } from "../schedule/coat";
import { PASS, type PassKind } from "../passes/facts";
import { FLASH_OFF_MIN, usualPass } from "../schedule/pass";
import { advise } from "../advice/advise";
import type { Advice, AdvisedCoat } from "../advice/advice";

let counter = 0;
const newId = () => `id-${++counter}`;
const colour = (changes: Partial<CoatColour> = {}): CoatColour => ({
  id: "c",
  name: "Stone",
  hex: "#8F8F8B",
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
const STARTERS = starterCards(newId);
const CARD: ResinCard = { ...starterCards(() => "r")[0]!, name: "Slow", largestMixG: null };
const SHELF = starterColours(newId);
/** As the plan sees it: over the coat below it, with colours from the starting shelf. */
function advised(changes: Partial<AdvisedCoat> = {}): AdvisedCoat {
  const planned = changes.coat ?? coat();
  const below = changes.below ?? null;
  const looks = colourPlan({ ground: "primed", coats: below ? [below, planned] : [planned] }, SHELF);
  return {
    coat: planned,
    below,
    belowWet: true,
    batched: null,
    resin: fittedResin(CARD),
    windows: null,
    pourDepthMm: null,
    taped: [],
    steps: [],
    beside: [],
    reactingMm: 0,
    seen: looks.coats.at(-1)!,
    ...changes,
  };
}
const say = (coats: AdvisedCoat[], tempC = 21, humidityPct: number | null = null, coldestC = tempC) =>
  advise({
    coats,
    startMin: 540,
    troubles: [],
    tempC,
    coldestC,
    humidityPct,
    colourants: new Map(SHELF.map((card) => [card.id, card])),
  });
const rules = (coats: AdvisedCoat[], tempC?: number) => say(coats, tempC).map((advice) => advice.rule);

test("a plain coat in a room of 21 °C needs no advice", () => expect(say([advised()])).toEqual([]));

const told = (advice: Advice): Advice => ({ ...advice, what: saidIn(advice.what, "metric") });

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
  ])("%s, only typed, over black may turn green: %s", (hex, green) => {
    const over = advised({
      coat: coat({ colours: [colour({ hex })] }),
      below: coat({ kind: "base", colours: [BLACK] }),
    });
    expect(rules([over]).includes("yellow-over-dark")).toBe(green);
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

describe("colour, foretold from the colourants", () => {
  const mixed = (doses: Record<string, number>, changes: Partial<CoatColour> = {}) =>
    mixedFrom(
      colour(changes),
      Object.entries(doses).map(([name, gPer100G]) => {
        const card = SHELF.find((colourant) => colourant.name === name)!;
        return { cardId: card.id, name, gPer100G, measure: card.measure };
      }),
    );
  const base = (doses: Record<string, number>) =>
    coat({ kind: "base", name: "Base", colours: [mixed(doses, { share: 1 })] });
  const BLACK_BASE = base({ "Black paste": 2 });
  const said = (colours: CoatColour[], changes: Partial<AdvisedCoat> = {}, passes: PassKind[] = []) =>
    say([
      advised({
        coat: coat({ colours, passes: passes.map((kind) => usualPass(kind, kind)) }),
        below: BLACK_BASE,
        ...changes,
      }),
    ]);
  const ruled = (...args: Parameters<typeof said>) => said(...args).map(({ rule }) => rule);

  test("yellow over black turns green where it is thin, and not where it hides, whatever it is called (common practice, no source)", () => {
    const thin = mixed({ "Yellow oxide paste": 0.2 }, { name: "Corn", share: 1 });
    const [advice] = said([thin]);
    expect(advice).toMatchObject({ rule: "yellow-over-dark", kind: "physics", at: "c" });
    expect(advice!.what).toMatch(/^Corn over Base turns green: hue \d+°, L\* \d+, by itself \d+° and \d+\.$/);
    expect(ruled([mixed({ "Yellow oxide paste": 4 }, { share: 1 })])).toEqual([]);
    expect(ruled([thin], { below: base({ "White paste": 6 }) })).toEqual([]);
    // A grey called yellow is none.
    expect(ruled([mixed({ "Raw umber paste": 0.5 }, { name: "Yellow", share: 1 })])).toEqual([]);
  });
  test("between sure and safe it may turn: the card leaves its strength open by two", () => {
    const words = [0.2, 0.3, 0.4, 0.6, 0.8, 1.2, 2, 4].map(
      (load) => said([mixed({ "Yellow oxide paste": load }, { share: 1 })])[0]?.what ?? "",
    );
    const kinds = words.map((what) => (what.includes(" may turn ") ? 1 : what.includes(" turns ") ? 0 : 2));
    expect(kinds).toEqual([...kinds].sort());
    expect(new Set(kinds)).toEqual(new Set([0, 1, 2]));
  });
  test("yellow into black turns green where they meet, if they are worked into each other", () => {
    const pair = [
      mixed({ "Arylide yellow paste": 4 }, { id: "y", name: "Sun" }),
      mixed({ "Black paste": 1.5 }, { id: "k", name: "Ink" }),
    ];
    expect(ruled(pair, { below: base({ "White paste": 6 }) }, ["palm"])).toEqual(["yellow-into-black"]);
    expect(ruled(pair, { below: base({ "White paste": 6 }) }, ["veins"])).toEqual([]);
  });
  test("silver killed by white: the share that is seen, and what veils it (common practice, no source)", () => {
    const veiled = mixed({ "Silver mica": 1.6, "White paste": 4 }, { name: "Frost" });
    const [advice] = said([veiled, colour({ id: "s" })]);
    expect(advice).toMatchObject({ rule: "metallic-killed", kind: "physics" });
    const [, seen, without] = advice!.what
      .concat(advice!.soWhat)
      .match(/^(\d+) % of the shimmer of Frost .* less White paste, .* without it (\d+) %/)!;
    expect(Number(seen)).toBeLessThan(60);
    expect(Number(without)).toBe(100);
    expect(ruled([mixed({ "Silver mica": 1.6 }), colour({ id: "s" })])).toEqual([]);
  });
  test("acrylic past its limit curdles, a paste past its limit stays soft, each with the limit of its card", () => {
    const [acrylic] = said([mixed({ "White acrylic paint": 11 }, { share: 1, hex: "#777777" })]).filter(
      ({ rule }) => rule === "over-card-limit",
    );
    expect(acrylic).toMatchObject({ kind: "data sheet", soWhat: "The mix strings and curdles." });
    expect(acrylic!.what).toContain("10 g in 100 g");
    const [paste] = said([mixed({ "Black paste": 7 }, { share: 1 })]);
    expect(paste).toMatchObject({ rule: "over-card-limit", soWhat: "The resin may stay soft." });
    expect(ruled([mixed({ "Black paste": 6 }, { share: 1 })])).toEqual([]);
  });
  test("black is known by its look: two pastes that make it count, white that is drawn black does not (common practice, no source)", () => {
    const onPrimer = { below: coat({ kind: "primer" }), belowWet: false };
    const deep = mixed({ "Raw umber paste": 2, "Black paste": 1 }, { id: "k", hex: "#FFFFFF" });
    expect(ruled([colour(), deep], onPrimer)).toEqual(["black-on-primer"]);
    const white = mixed({ "White paste": 6 }, { id: "w", hex: "#000000", share: 0.2 });
    expect(ruled([colour({ share: 0.8 }), white], onPrimer)).toEqual([]);
  });
  test("white first goes grey, white last stays white (common practice, no source)", () => {
    const resin = fittedResin({ ...CARD, kind: "hybrid" });
    const white = colour({ id: "w", name: "White", hex: "#F4F3EF" });
    const ink = colour({ id: "k", name: "Ink", hex: "#1B1C1E" });
    expect(ruled([white, ink], { resin }, ["palm"])).toEqual(["white-first"]);
    expect(ruled([ink, white], { resin }, ["palm"])).toEqual([]);
    expect(ruled([white, ink], { resin }, ["flame"])).toEqual([]);
    // A base is one colour under others: nothing is worked into it.
    const base = coat({ kind: "base", colours: [white, ink], passes: [usualPass("p", "palm")] });
    expect(say([advised({ coat: base, resin })]).map(({ rule }) => rule)).not.toContain("white-first");
  });
  test("white with a dark green goes pale and dull, not grey", () => {
    const white = colour({ id: "w", name: "White", hex: "#F4F3EF" });
    const said = (hex: string) =>
      say([
        advised({
          coat: coat({
            colours: [white, colour({ id: "d", name: "Dark", hex })],
            passes: [usualPass("p", "palm")],
          }),
        }),
      ]).find(({ rule }) => rule === "white-first")!.what;
    expect(said("#1E4A3C")).toMatch(/it goes pale and dull/);
    expect(said("#222325")).toMatch(/it goes grey/);
  });
  test("much white in or under an epoxy yellows with age; under a hybrid it does not (common practice, no source)", () => {
    const white = colour({ id: "w", hex: "#F4F3EF" });
    const clear = coat({ kind: "clear", colours: [colour({ look: "clear", share: 1, gPer100G: 0 })] });
    const under = (kind: ResinCard["kind"]) => {
      const resin = fittedResin({ ...CARD, kind });
      return say([
        advised({ coat: coat({ colours: [white, colour()] }), resin }),
        advised({ coat: clear, resin }),
      ]).map(({ rule }) => rule);
    };
    expect(under("coating")).toEqual(["white-yellows"]);
    expect(under("hybrid")).toEqual([]);
    expect(ruled([colour({ ...white, share: 0.2 }), colour({ share: 0.8 })])).toEqual([]);
  });
  test("stones under clear are not set with hot glue (common practice, no source)", () => {
    const set = coat({
      embeds: [{ id: "e", name: "Agate", kind: "stones", massG: 90, densityGPerMl: 2.6, lockedShare: 0.5 }],
    });
    const clear = coat({ kind: "clear", colours: [colour({ look: "clear", share: 1, gPer100G: 0 })] });
    expect(say([advised({ coat: set }), advised({ coat: clear })]).map(({ rule }) => rule)).toEqual([
      "adhesive-under-clear",
    ]);
    expect(say([advised({ coat: set })])).toEqual([]);
    const glitter = { ...set, embeds: [{ ...set.embeds![0]!, kind: "glitter" as const }] };
    expect(say([advised({ coat: glitter }), advised({ coat: clear })])).toEqual([]);
  });
});

describe("damp", () => {
  const rulesAt = (humidityPct: number, coldestC: number) =>
    say([advised()], 21, humidityPct, coldestC).map(({ rule }) => rule);
  test("a surface less than 3 °C above the dew point (ISO 8502-4, from memory); 50 % at 21 °C dews at 10 °C", () => {
    expect(rulesAt(50, 21)).toEqual([]);
    expect(rulesAt(50, 13.5)).toEqual([]);
    expect(rulesAt(50, 12.5)).toEqual(["dew-point"]);
    const { what } = say([advised()], 21, 50, 12.5)[0]!;
    expect(saidIn(what, "metric")).toContain("10 °C");
    expect(saidIn(what, "us")).toContain("50 °F");
  });
  test("a damp room blushes even where nothing condenses (common practice, no source)", () => {
    expect(rulesAt(80, 21)).toEqual(["damp-room"]);
    expect(rulesAt(75, 21)).toEqual([]);
  });
});

describe("the order of cups (common practice, no source)", () => {
  const cup = (name: string): CoatColour => {
    const card = SHELF.find((one) => one.name === name)!;
    const part = { cardId: card.id, name, gPer100G: 1, measure: card.measure };
    return { ...mixedFrom(colour(), [part]), id: name, name };
  };
  const told = (...names: string[]) =>
    say([advised({ coat: coat({ colours: names.map(cup) }) })]).filter(({ rule }) => rule === "heavy-first");
  test("dyes before micas is in order; a mica before a dye is not, and is named", () => {
    expect(told("Blue dye", "Silver mica")).toEqual([]);
    expect(told("Silver mica", "White paste")).toEqual([]);
    const [said] = told("White paste", "Silver mica", "Blue dye");
    expect(said).toMatchObject({
      rule: "heavy-first",
      at: "Silver mica",
      what: "Silver mica is poured before Blue dye.",
    });
  });
  test("in a clear or a base it is of no matter which comes first", () => {
    const colours = ["Silver mica", "Blue dye"].map(cup);
    for (const kind of ["base", "clear", "colour"] as const)
      expect(
        say([advised({ coat: coat({ kind, colours }) })]).some(({ rule }) => rule === "heavy-first"),
      ).toBe(kind === "colour");
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
    expect(told(say([advised({ coat: coat({ filmMm: 4 }) })])[0]!)).toMatchObject({
      rule: "film-too-thick",
      kind: "data sheet",
      what: "Slow is made for films up to 3.00 mm.",
    });
    expect(
      rules([advised({ coat: coat({ filmMm: 4 }), resin: { ...fittedResin(CARD), thickestFilmMm: null } })]),
    ).toEqual([]);
  });
  test("a fill is as deep as its pour, whatever its film: too deep, it is divided", () => {
    const fill = coat({ kind: "fill", filmMm: 1, coverShare: 0.5 });
    expect(rules([advised({ coat: fill, pourDepthMm: 3 })])).toEqual([]);
    expect(told(say([advised({ coat: fill, pourDepthMm: 20 })])[0]!)).toMatchObject({
      what: "20 mm deep; Slow is made for pours up to 3.00 mm.",
      soWhat: "Thicker, it heats up, yellows or cracks: fill it in 14 layers, each with its share.",
    });
  });
  test("an economy resin is fine below, not on top", () => {
    const soft = { ...fittedResin(CARD), forCounters: false };
    expect(rules([advised({ resin: soft }), advised()])).toEqual([]);
    expect(rules([advised(), advised({ resin: soft })])).toEqual(["not-for-counters"]);
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
    const found = rules([advised({ resin: fittedResin(bad) }), advised({ resin: fittedResin(bad) })]);
    expect(found.length).toBeGreaterThan(0);
    expect(found.every((rule) => rule === "card-conflict")).toBe(true);
    expect(found.length).toBe(fittedResin(bad).fit.conflicts.length);
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
    expect(all.length).toBe(2);
  });
  test("every pass with vapour, flame or dust has its caution", () => {
    for (const kind of ["flame", "alcohol", "mica-alcohol", "fog", "sand", "blow"] as const)
      expect(PASS[kind].caution?.length).toBeGreaterThan(30);
    for (const facts of Object.values(PASS)) if (facts.fire) expect(facts.caution).toBeDefined();
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

describe("time and climate", () => {
  const document = sampleJob(STARTERS, newId);
  const planAt = (changes: Partial<JobDocument["work"]>, edit: (job: JobDocument) => void = () => {}) => {
    const draft = structuredClone(document);
    edit(draft);
    return derivePlan({ ...draft, work: { ...draft.work, ...changes } }, STARTERS);
  };
  const ruled = (rule: string, ...of: Parameters<typeof planAt>) =>
    planAt(...of).advice.filter((advice) => advice.rule === rule);
  const dammed = (job: JobDocument) =>
    job.coats.find(({ kind }) => kind === "colour")!.passes.push(usualPass("dam", "dam-pull"));

  test("a dam that would be pulled in the night is told at its pass, with a way out; in the morning it is not", () => {
    const [asleep] = ruled("asleep", { startMin: 20 * 60 }, dammed).filter(({ at }) => at === "dam");
    expect(asleep).toMatchObject({ kind: "physics" });
    expect(asleep!.what).toMatch(/dam.* falls in the night/);
    expect(asleep!.soWhat).toMatch(/find a start/);
    expect(ruled("asleep", { startMin: 9 * 60 }, dammed)).toEqual([]);
  });
  test("a night that is too short for sanding says how long it takes and how long the next coat waits", () => {
    const [cold] = ruled("short-night", { tempC: 16 });
    expect(cold!.what).toMatch(/can be sanded \d+ h after it was mixed \(\d+ h to \d+ h\)/);
    expect(cold!.soWhat).toMatch(/waits \d+ h longer/);
    expect(ruled("short-night", { tempC: 30 })).toEqual([]);
  });
  test("a coat after the recoat window of the one below is to be sanded first", () => {
    const late = (job: JobDocument) => {
      const clear = job.coats.at(-1)!;
      clear.startsAfter = "recoat";
      // The colour below is worked on so late that its window is over.
      job.coats.at(-2)!.passes.push(usualPass("late", "stones", { fromMin: 40 * 60 }));
    };
    expect(ruled("after-recoat", {}, late)).toMatchObject([{ kind: "data sheet" }]);
    expect(ruled("after-recoat", {})).toEqual([]);
  });
  test("a room that never gets a film there is said once for each act, and does not hang", () => {
    expect(ruled("never-there", { tempC: -45 }).length).toBeGreaterThan(0);
    expect(ruled("never-there", { tempC: 21 })).toEqual([]);
  });
  test("a card's own limits come before the usual ones, and are told as its sheet's", () => {
    const own = { ...fittedResin(CARD), roomFromC: 22, roomToC: 30, humidityMaxPct: 60 };
    const told = (tempC: number, humidityPct: number | null = null) =>
      say([advised({ resin: own })], tempC, humidityPct).map(({ rule, kind }) => [rule, kind]);
    expect(told(20)).toEqual([["card-limits", "data sheet"]]);
    expect(told(29)).toEqual([]);
    expect(told(31)).toEqual([["card-limits", "data sheet"]]);
    expect(told(25, 65)).toEqual([["card-limits", "data sheet"]]);
    expect(told(25, 55)).toEqual([]);
    expect(say([advised()], 29).map(({ rule }) => rule)).toEqual(["room-temperature"]);
  });
});

test("no look of ours is told that its own film is too thin", () => {
  let made = 0;
  const newId = () => `look-${(made += 1)}`;
  const cards = starterCards(newId);
  for (const id of TECHNIQUE_IDS) {
    const job = sampleJob(cards, newId);
    job.coats = job.coats.map((planned) =>
      planned.kind === "colour" ? withTechnique(planned, id, newId) : planned,
    );
    const films = derivePlan(job, cards)
      .advice.map(({ rule }) => rule)
      .filter((rule) => rule === "film-too-thin" || rule === "bucket-without-slick");
    expect([id, films]).toEqual([id, []]);
  }
});

test("a zone behind a tape wants a pass that pulls it while the film is gummy (common practice, no source)", () => {
  const [found] = say([advised({ taped: ["Leaf"] })]);
  expect(found).toMatchObject({
    rule: "tape-unpulled",
    what: "Leaf is taped off, and no pass pulls the tape.",
  });
  const pulled = coat({ passes: [usualPass("pull", "tape-pull", {})] });
  expect(rules([advised({ taped: ["Leaf"], coat: pulled })])).not.toContain("tape-unpulled");
});
