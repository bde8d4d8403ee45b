import fc from "fast-check";
import { amountWords, conflictWords } from "../schedule/amount-words";
import {
  freeAllCups,
  giveAmount,
  giveCup,
  giveCupDose,
  giveCupFree,
  giveCups,
  giveEachCup,
  giveEqual,
  giveFilm,
  giveParts,
  giveShare,
  giveStrength,
  splitColour,
} from "../schedule/amounts";
import type { Coat } from "../schedule/coat";
import { colourCoat, job, planned } from "./testing/sample";

const START = job();
/** The sample's colour coat as it comes out after an edit. */
const after = (edit: (coat: Coat) => Coat) =>
  planned({
    ...START,
    coats: START.coats.map((coat) => (coat === colourCoat(START) ? edit(coat) : coat)),
  });
const shares = ({ colours }: Coat) => colours.map(({ share }) => share);
const before = planned(START);
const [firstId, secondId] = before.coat.colours.map(({ id }) => id) as [string, string];
const many = before.coat.colours.length;

test("a mix that is given moves the film, and all that follows reckons with it", () => {
  const { coat, batched } = after((coat) =>
    giveAmount(coat, { by: "mixed", ml: before.batched.mixMl.likely / 2 }),
  );
  expect(batched.mixMl.likely).toBeCloseTo(before.batched.mixMl.likely / 2, 6);
  expect(coat.filmMm).toBeLessThan(before.coat.filmMm / 2);
  expect(batched.onTopMl.likely).toBeCloseTo(
    (before.batched.onTopMl.likely * coat.filmMm) / before.coat.filmMm,
    6,
  );
});

test("film given again: what had followed stays as it was", () => {
  const given = after((coat) => giveAmount(coat, { by: "mixed", ml: 3000 })).coat;
  const film = after(() => giveFilm(given, given.filmMm));
  expect(film.coat.given).toBeUndefined();
  expect(film.batched.mixMl.likely).toBeCloseTo(3000, 3);
  // Cups that were all given cannot hold beside a film.
  const cups = after((coat) =>
    giveCups(
      coat,
      coat.colours.map(() => 500),
    ),
  ).coat;
  expect(giveFilm(cups, 2).colours.every(({ givenMl }) => givenMl === undefined)).toBe(true);
});

test("a cup is given beside the film; with the last of them the film follows", () => {
  const one = after((coat) => giveCup(coat, firstId, 321));
  expect(one.batched.coloursMl[0]?.ml).toBeCloseTo(321, 9);
  expect(one.coat.given).toBeUndefined();
  expect(one.coat.filmMm).toBe(before.coat.filmMm);
  const all = after((coat) => coat.colours.reduce((next, { id }) => giveCup(next, id, 321), coat));
  expect(all.coat.given).toEqual({ by: "cups" });
  expect(all.batched.coloursMl.map(({ ml }) => ml)).toEqual(coloursOf(321));
  const freed = all.coat.colours.reduce((next, { id }) => giveCupFree(next, id), all.coat);
  expect(freed.given).toBeUndefined();
  expect(freeAllCups(all.coat).colours).toEqual(freed.colours);
});
const coloursOf = (ml: number) => Array.from({ length: many }, () => expect.closeTo(ml, 6) as number);

test("a moved share frees its own cup; given and locked ones hold", () => {
  const { coat } = after((start) => giveCup(giveCup(start, firstId, 321), secondId, 100));
  const moved = giveShare(coat, firstId, 0.2);
  expect(moved.colours[0]?.givenMl).toBeUndefined();
  expect(moved.colours[0]?.share).toBeCloseTo(0.2, 12);
  expect(moved.colours[1]).toEqual(coat.colours[1]);
  expect(moved.colours.map(({ locked }) => locked)).toEqual(coat.colours.map(({ locked }) => locked));
});

test("by parts, and all equal in one touch; what is mixed stays", () => {
  const mixed = (coat: Coat) => giveAmount(coat, { by: "mixed", ml: 2800 });
  const parts = after((coat) =>
    giveParts(
      mixed(coat),
      coat.colours.map((_, at) => at + 1),
    ),
  );
  const sum = (many * (many + 1)) / 2;
  expect(shares(parts.coat)).toEqual(parts.coat.colours.map((_, at) => expect.closeTo((at + 1) / sum, 12)));
  expect(parts.batched.mixMl.likely).toBeCloseTo(2800, 6);
  expect(new Set(shares(after((coat) => giveEqual(mixed(coat))).coat)).size).toBe(1);
});

test("a dose of each cup gives the strength, a strength takes the dose's place, clear stays clear", () => {
  const dosed = after((coat) => giveCupDose(coat, firstId, 30));
  const cups = dosed.batched.batches.map(({ cups }) => cups.find(({ colourId }) => colourId === firstId)!);
  const grams = cups.flatMap(({ doses }) => doses).reduce((sum, dose) => sum + dose.grams, 0);
  expect(grams).toBeCloseTo(30 * cups.length, 6);
  const { coat } = dosed;
  expect(giveStrength(coat, firstId, 5).colours[0]).toMatchObject({ gPer100G: 5 });
  expect(giveStrength(coat, firstId, 5).colours[0]).not.toHaveProperty("cupDose");
  expect(giveCupDose(coat, firstId, null).colours[0]).not.toHaveProperty("cupDose");
  const clear = { ...coat, colours: coat.colours.map((colour) => ({ ...colour, look: "clear" as const })) };
  expect(giveEachCup(clear, 1, "spoon")).toEqual(clear);
  expect(giveEachCup(coat, 2, "drop").colours[0]).toMatchObject({ cupDose: 2, measure: { unit: "drop" } });
});

test("shares sum to one after any edits, and the plan has no NaN", () => {
  const edit = fc.oneof(
    fc.record({
      what: fc.constant("cup" as const),
      at: fc.nat(many - 1),
      value: fc.double({ min: 1, max: 5000, noNaN: true }),
    }),
    fc.record({ what: fc.constant("free" as const), at: fc.nat(many - 1), value: fc.constant(0) }),
    fc.record({
      what: fc.constant("share" as const),
      at: fc.nat(many - 1),
      value: fc.double({ min: 0, max: 1, noNaN: true }),
    }),
    fc.record({
      what: fc.constant("mixed" as const),
      at: fc.constant(0),
      value: fc.double({ min: 1, max: 20_000, noNaN: true }),
    }),
    fc.record({
      what: fc.constant("film" as const),
      at: fc.constant(0),
      value: fc.double({ min: 0.1, max: 5, noNaN: true }),
    }),
  );
  fc.assert(
    fc.property(fc.array(edit, { minLength: 1, maxLength: 6 }), (edits) => {
      let coat = before.coat;
      for (const { what, at, value } of edits) {
        const id = coat.colours[at]!.id;
        const next =
          what === "cup"
            ? giveCup(coat, id, value)
            : what === "free"
              ? giveCupFree(coat, id)
              : what === "share"
                ? giveShare(coat, id, value)
                : what === "mixed"
                  ? giveAmount(coat, { by: "mixed", ml: value })
                  : giveFilm(coat, value);
        const found = after(() => next);
        coat = found.coat;
        expect(shares(coat).reduce((sum, share) => sum + share, 0)).toBeCloseTo(1, 9);
        expect(Number.isFinite(coat.filmMm) && coat.filmMm > 0).toBe(true);
        expect(Number.isFinite(found.batched.mixMl.likely)).toBe(true);
      }
    }),
    { numRuns: 40 },
  );
});

test("what an amount means, in a line (the film of seven square feet by hand)", () => {
  const given = after((coat) => giveAmount(coat, { by: "mixed", ml: 4000 }));
  expect(amountWords(given.coat, given.batched, "us")).toMatch(
    /^135¼ fl oz leave [\d ]+[¼½¾]? on [\d.]+ ft²: [\d.]+ fl oz\/ft² \([\d.]+ to [\d.]+\)/,
  );
  expect(amountWords(before.coat, before.batched, "metric")).toMatch(
    /^[\d.]+ mm on [\d.]+ m² takes [\d\s]+ ml mixed \([\d\s]+ to [\d\s]+\)/,
  );
  const thin = (filmMm: number, tool: "hand" | "roller") =>
    amountWords(
      { ...given.coat, filmMm, passes: given.coat.passes.map((pass) => ({ ...pass, tool })) },
      given.batched,
      "us",
    );
  // 3.5 fl oz/ft² is a little thin for a roller and enough for a hand.
  expect(thin(3.5 * 0.3183, "roller")).toContain("a little thin for a roller");
  expect(thin(3.5 * 0.3183, "hand")).not.toContain("thin");
  expect(thin(1 * 0.3183, "hand")).toContain("too thin for hand work");
  expect(thin(6 * 0.3183, "hand")).toContain("more than hand work asks for");
});

test("what cannot be, in words", () => {
  const words = (kind: Parameters<typeof conflictWords>[0]) => conflictWords(kind, "us");
  const cups = { kind: "cups" as const, cupsMl: 887.2, takesMl: 828.1, all: true };
  expect(words({ ...cups, against: "mixed" })).toBe(
    "The cups hold 30 fl oz, and 28 fl oz are to be mixed. Counted with the cups.",
  );
  expect(words({ ...cups, against: "film" })).toContain("this film takes 28 fl oz");
  expect(words({ kind: "lost", lostMl: 59.1 })).toContain("they keep 2 fl oz");
  expect(words({ kind: "no-cup" })).toContain("No cup is given");
});

describe("a colour in several products", () => {
  test("they share what it had and lie side by side; the plan is mixed of as much as before", () => {
    let made = 0;
    const inThree = (coat: Coat) => splitColour(coat, firstId, 3, () => `new-${(made += 1)}`);
    const { coat, batched } = after(inThree);
    expect(coat.colours).toHaveLength(many + 2);
    expect(coat.colours.slice(0, 3).map(({ id }) => id)).toEqual([firstId, "new-1", "new-2"]);
    expect(new Set(coat.colours.map(({ name }) => name)).size).toBe(many + 2);
    const whole = before.coat.colours[0]!.share;
    for (const product of coat.colours.slice(0, 3)) expect(product.share).toBeCloseTo(whole / 3, 9);
    expect(batched.onTopMl.likely).toBeCloseTo(before.batched.onTopMl.likely, 6);
    expect(coat.colours.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 9);
  });
  test("a cup that was given is divided; passes that used the colour use all of it; no more than a coat holds", () => {
    let made = 0;
    const newId = () => `new-${(made += 1)}`;
    const [pass] = before.coat.passes;
    const used = { ...before.coat, passes: [{ ...pass!, colourIds: [firstId, secondId] }] };
    const cut = splitColour(giveCup(used, firstId, 90), firstId, 3, newId);
    expect(cut.colours.slice(0, 3).map(({ givenMl }) => givenMl)).toEqual([30, 30, 30]);
    expect(cut.passes[0]!.colourIds).toEqual([firstId, "new-1", "new-2", secondId]);
    expect(splitColour(before.coat, firstId, 40, newId).colours).toHaveLength(12);
    expect(splitColour(before.coat, "nobody", 3, newId)).toBe(before.coat);
  });
});
