import fc from "fast-check";
import { takenBy, whenFree, type Busy } from "./hands";

const busy = (fromMin: number, toMin: number, by: string, hands = 1): Busy => ({ fromMin, toMin, by, hands });

test("work begins where it fits, and says for whom it waited", () => {
  const taken = [busy(60, 90, "Floor"), busy(100, 130, "Table")];
  expect(whenFree(0, 30, taken)).toEqual({ atMin: 0, waitsFor: null });
  expect(whenFree(50, 10, taken)).toEqual({ atMin: 50, waitsFor: null });
  expect(whenFree(55, 10, taken)).toEqual({ atMin: 90, waitsFor: "Floor" });
  expect(whenFree(70, 20, taken)).toEqual({ atMin: 130, waitsFor: "Table" });
});

test("a second pair of hands takes the next job; two jobs at once leave none", () => {
  const others = [busy(0, 60, "Floor"), busy(40, 100, "Table")];
  expect(takenBy(others, 2, 1)).toEqual([{ fromMin: 40, toMin: 60, by: "Floor and Table" }]);
  expect(takenBy(others, 1, 1)).toEqual([
    { fromMin: 0, toMin: 40, by: "Floor" },
    { fromMin: 40, toMin: 60, by: "Floor and Table" },
    { fromMin: 60, toMin: 100, by: "Table" },
  ]);
  expect(takenBy(others, 3, 1)).toEqual([]);
});

test("nobody is asked for more hands than there are", () => {
  expect(takenBy([busy(0, 60, "Floor")], 2, 5)).toEqual([{ fromMin: 0, toMin: 60, by: "Floor" }]);
  expect(takenBy([], 1, 5)).toEqual([]);
});

test("what is found free is free, whatever is taken", () => {
  const stretch = fc
    .tuple(fc.integer({ min: 0, max: 600 }), fc.integer({ min: 1, max: 90 }), fc.constantFrom("a", "b", "c"))
    .map(([from, length, by]) => busy(from, from + length, by));
  fc.assert(
    fc.property(
      fc.array(stretch, { maxLength: 12 }),
      fc.integer({ min: 1, max: 3 }),
      fc.integer({ min: 0, max: 600 }),
      fc.integer({ min: 1, max: 120 }),
      (others, hands, from, minutes) => {
        const { atMin } = whenFree(from, minutes, takenBy(others, hands, 1));
        expect(atMin).toBeGreaterThanOrEqual(from);
        for (let minute = atMin; minute < atMin + minutes; minute += 1) {
          const there = others.filter((other) => other.fromMin <= minute && other.toMin > minute).length;
          expect(there).toBeLessThan(hands);
        }
      },
    ),
  );
});
