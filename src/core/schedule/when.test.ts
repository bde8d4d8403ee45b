import fc from "fast-check";
import { FILM_STATES } from "../cure/film-states";
import { MOST_ROUNDS, MOST_SECTIONS, usualPass } from "./pass";
import {
  BEFORE_WORDS,
  MOST_MIN,
  namedPasses,
  coatWhenWords,
  notBeforeOf,
  passAt,
  readWhen,
  whenOfCoat,
  whenOfPass,
  whenWords,
  type When,
} from "./when";

const passes = namedPasses([usualPass("p", "palm"), usualPass("a", "alcohol"), usualPass("m", "alcohol")]);
const of = { passes, openMin: 7 * 60 };
const read = (text: string): When => {
  const found = readWhen(text, of);
  if (!found.ok) throw new Error(found.message);
  return found.when;
};
const wrong = (text: string): string => {
  const found = readWhen(text, of);
  return found.ok ? "" : found.message;
};

describe("times as they are said", () => {
  test.each<[string, When]>([
    ["", {}],
    ["at once", {}],
    ["40 min after mixing", { mixedMin: 40 }],
    ["from 1 h 30", { mixedMin: 90 }],
    ["wait 5 min", { afterMin: 5 }],
    ["5 minutes after the pass before", { afterMin: 5 }],
    ["22 h later", { afterMin: 1320 }],
    ["22 h after the coat below", { afterMin: 1320 }],
    ["10 min after Palm blend", { afterMin: 10, after: "p" }],
    ["10 min after alcohol", { afterMin: 10, after: "a" }],
    ["10 min after Alcohol 2", { afterMin: 10, after: "m" }],
    ["10 min after the last pass of alcohol", { afterMin: 10, after: "m" }],
    ["half an hour after the last pass", { afterMin: 30, after: "worked" }],
    ["at 8", { atMinute: 480 }],
    ["at 8:30 pm", { atMinute: 1230 }],
    ["at 12 am", { atMinute: 0 }],
    ["next morning at 8", { atMinute: 480 }],
    ["in the morning", { atMinute: 420 }],
    ["every half hour until it stops", { repeat: { everyMin: 30, until: "set" } }],
    ["every 30 min", { repeat: { everyMin: 30, until: "set" } }],
    ["every 20 min until it holds", { repeat: { everyMin: 20, until: "gummy" } }],
    ["every 30 min 2 times", { repeat: { everyMin: 30, times: 2 } }],
    ["for 4 h", { lastsMin: 240 }],
    ["for 1 day", { lastsMin: 1440 }],
    ["in 3 sections", { sections: 3 }],
    [
      "30 min after mixing, every 30 min until gummy, for 4 min",
      { mixedMin: 30, repeat: { everyMin: 30, until: "gummy" }, lastsMin: 4 },
    ],
  ])("“%s”", (text, when) => expect(read(text)).toEqual(when));

  test.each([
    ["wait five", /not a time/],
    ["soon", /“soon” cannot be read/],
    ["5 min after the sermon", /no pass “the sermon”/],
    ["every 10 s until set", /too small|least/i],
    ["every 30 min until Tuesday", /Until what/],
    ["at 25", /cannot be read/],
    ["at 13 pm", /cannot be read/],
    ["for 900 h", /too large|most|longest/i],
    ["in 900 sections", /At most 40/],
    ["wait 5 min, wait 6 min", /second time/],
    ["every 30 min 900 times", /At most 48/],
  ])("“%s” is told what is wrong with it", (text, message) => expect(wrong(text)).toMatch(message));

  const minutes = fc.integer({ min: 0, max: MOST_MIN });
  const anyWhen = fc
    .record(
      {
        mixedMin: minutes,
        afterMin: minutes,
        after: fc.constantFrom("p", "a", "m"),
        atMinute: fc.integer({ min: 0, max: 1439 }),
        lastsMin: minutes,
        repeat: fc.oneof(
          fc.record({
            everyMin: fc.integer({ min: 1, max: MOST_MIN }),
            until: fc.constantFrom(...FILM_STATES),
          }),
          fc.record({
            everyMin: fc.integer({ min: 1, max: MOST_MIN }),
            times: fc.integer({ min: 1, max: MOST_ROUNDS }),
          }),
        ),
        sections: fc.integer({ min: 1, max: MOST_SECTIONS }),
      },
      { requiredKeys: [] },
    )
    .map(({ after, ...when }): When => (when.afterMin === undefined || !after ? when : { ...when, after }));
  test("what is said is read as it was meant: any times, written and read, are the same times", () => {
    fc.assert(
      fc.property(anyWhen, (when) => {
        expect(read(whenWords(when, passes, BEFORE_WORDS.pass))).toEqual(when);
        expect(read(whenWords(when, passes, BEFORE_WORDS.pass, "12h"))).toEqual(when);
      }),
    );
  });
  test("a pass given its own times is the same pass", () => {
    fc.assert(
      fc.property(anyWhen, (when) => {
        const pass = passAt(usualPass("x", "flame", { note: "low" }), when);
        expect(whenOfPass(pass)).toEqual(when);
        expect(passAt(pass, whenOfPass(pass))).toEqual(pass);
        expect(passAt(pass, {})).toEqual({ ...usualPass("x", "flame", { note: "low" }), afterMin: null });
      }),
    );
  });
  test("a coat waits for the one below and for a time of day, and for nothing else", () => {
    const notBefore = notBeforeOf(read("22 h later, at 8:00"))!;
    expect(notBefore).toEqual({ afterMin: 1320, atMinute: 480 });
    expect(whenOfCoat({ notBefore })).toEqual({ afterMin: 1320, atMinute: 480 });
    expect(notBeforeOf(read("20 min after the last pass"))).toEqual({ afterMin: 20, after: "worked" });
    expect(notBeforeOf(read("in 3 sections"))).toBeNull();
    expect(coatWhenWords({ notBefore: { afterMin: 20, after: "worked" } })).toBe(
      "20 min after the last pass",
    );
    expect(coatWhenWords({ notBefore: { afterMin: 20, after: "mixed" } })).toBe(
      "20 min after the coat below",
    );
  });
});
