import fc from "fast-check";
import { partWords, whichPart } from "./which-part";

const card = { densityAGPerMl: 1.15, densityBGPerMl: 0.98 };

test("a volume is told by its weight, as far as a cup's marks can be read", () => {
  fc.assert(
    fc.property(
      fc.double({ min: 20, max: 3000, noNaN: true }),
      fc.double({ min: 0.96, max: 1.04, noNaN: true }),
      (ml, read) => {
        expect(whichPart(1.15 * ml, ml * read, card)).toBe("A");
        expect(whichPart(0.98 * ml, ml * read, card)).toBe("B");
      },
    ),
  );
});
test("what weighs like neither, and parts that weigh alike", () => {
  expect(whichPart(140, 100, card)).toBe("neither");
  expect(whichPart(110, 100, { densityAGPerMl: 1.1, densityBGPerMl: 1.05 })).toBeNull();
  expect(whichPart(0, 100, card)).toBeNull();
});
test("swapped bottles are said, the right one is not", () => {
  expect(partWords("A", 115, 100, card)).toBeNull();
  expect(partWords("A", 98, 100, card)).toContain("weighs like B, not like A");
  expect(partWords("B", 140, 100, card)).toContain("neither A nor B");
});
