import fc from "fast-check";
import { exactly } from "../numerics/spread";
import { MOST_ROUNDS, usualPass } from "./pass";
import { inSections, manyWords, roundsOf, turnWords, type Turn } from "./turns";

const free = (dueMin: number) => dueMin;
const ends = { low: 170, likely: 200, high: 250 };
const until = { everyMin: 30, until: "set" } as const;

describe("rounds", () => {
  test("every half hour until it stops: at 60, 90, 120, 150, 180 surely, at 210 and 240 perhaps", () => {
    const turns = roundsOf(until, 60, 5, ends, [], free);
    expect(turns.map(({ atMin }) => atMin)).toEqual([60, 90, 120, 150, 180, 210, 240]);
    expect(turns.map(({ maybe }) => maybe)).toEqual([false, false, false, false, false, true, true]);
    expect(turns.every(({ atMin, untilMin }) => untilMin === atMin + 5)).toBe(true);
    expect(manyWords(turns)).toBe("5 to 7");
    expect(turnWords("Scrape the drips", turns[1]!, "round", turns)).toBe(
      "Scrape the drips, round 2 of 5 to 7",
    );
  });
  test("a round that was late moves those after it; what was done stays", () => {
    const turns = roundsOf(until, 60, 5, ends, [64, 101], free);
    expect(turns.map(({ atMin, done }) => [atMin, done])).toEqual([
      [64, true],
      [101, true],
      [131, false],
      [161, false],
      [191, false],
      [221, false],
    ]);
  });
  test("so many times is so many; one at least where the film is so far already; none where it never begins", () => {
    expect(roundsOf({ everyMin: 30, times: 2 }, 30, 5, null, [], free).map(({ atMin }) => atMin)).toEqual([
      30, 60,
    ]);
    expect(roundsOf(until, 400, 5, ends, [], free)).toHaveLength(1);
    expect(roundsOf(until, Infinity, 5, ends, [], free)).toHaveLength(0);
    expect(roundsOf(until, 0, 5, exactly(Infinity), [], free)).toHaveLength(MOST_ROUNDS);
  });
  test("rounds that take longer than their pause follow each other", () =>
    expect(roundsOf({ everyMin: 10, times: 3 }, 0, 25, null, [], free).map(({ atMin }) => atMin)).toEqual([
      0, 25, 50,
    ]));
});

describe("section by section", () => {
  const placed = (
    id: string,
    kind: "veins" | "accents" | "flame",
    atMin: number,
    untilMin: number,
    sections?: number,
  ) => ({
    pass: usualPass(id, kind, { fromMin: null, ...(sections && { sections }) }),
    from: exactly(0),
    atMin,
    untilMin,
    done: false,
    turns: [] as Turn[],
    turnOf: null,
  });
  test("a vein laid and blended before the next: 30 and 12 min in three sections, by hand", () => {
    const [veins, blend] = inSections([
      placed("v", "veins", 100, 130, 3),
      placed("b", "accents", 130, 142, 3),
    ]);
    expect(veins!.turns.map(({ atMin, untilMin }) => [atMin, untilMin])).toEqual([
      [100, 110],
      [114, 124],
      [128, 138],
    ]);
    expect(blend!.turns.map(({ atMin, untilMin }) => [atMin, untilMin])).toEqual([
      [110, 114],
      [124, 128],
      [138, 142],
    ]);
    expect(turnWords("Veins", veins!.turns[1]!, "section", veins!.turns)).toBe("Veins, section 2 of 3");
  });
  test("nothing overlaps, and the work takes as long as before", () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 1, max: 60 }), { minLength: 1, maxLength: 4 }),
        fc.integer({ min: 2, max: 12 }),
        (lasts, many) => {
          let at = 50;
          const windows = lasts.map((minutes, n) => {
            const window = placed(`p${n}`, "veins", at, at + minutes, many);
            at += minutes;
            return window;
          });
          const turns = inSections(windows)
            .flatMap((window) => window.turns)
            .sort((a, b) => a.atMin - b.atMin);
          turns.slice(1).forEach((turn, n) => expect(turn.atMin).toBeCloseTo(turns[n]!.untilMin, 6));
          expect(turns[0]!.atMin).toBe(50);
          expect(turns.at(-1)!.untilMin).toBeCloseTo(at, 6);
        },
      ),
    );
  });
  test("what lights, and what has other sections, stands alone; what was done of a section stays", () => {
    const [veins, torch] = inSections([placed("v", "veins", 0, 10, 2), placed("f", "flame", 10, 14, 2)], {
      v: [3],
    });
    expect(torch!.turns).toEqual([]);
    expect(veins!.turns.map(({ atMin, done }) => [atMin, done])).toEqual([
      [3, true],
      [5, false],
    ]);
  });
});
