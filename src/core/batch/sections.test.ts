import fc from "fast-check";
import { dealSections, type Coverable } from "./sections";

const piece = (name: string, needMl: number, changes: Partial<Coverable> = {}): Coverable => ({
  zoneId: null,
  id: name,
  name,
  count: 1,
  needMl,
  alongMm: (share) => (share * needMl) / 100,
  ...changes,
});
const words = (dealt: ReturnType<typeof dealSections>) =>
  dealt.sections.map((batch) =>
    batch.map(
      (section) =>
        `${section.pieceName}${section.copy > 1 ? section.copy : ""}${section.copies > 1 ? `×${section.copies}` : ""}${section.whole ? "" : ` ${Math.round(section.fromMm)}-${Math.round(section.toMm)}`}`,
    ),
  );

test("one batch takes all", () =>
  expect(words(dealSections([piece("a", 100), piece("b", 50)], 1))).toEqual([["a", "b"]]));
test("a long run is cut in even lengths that meet", () =>
  expect(words(dealSections([piece("bar", 300_000)], 3))).toEqual([
    ["bar 0-1000"],
    ["bar 1000-2000"],
    ["bar 2000-3000"],
  ]));
test("a cut near the end of a piece moves there: nobody mixes for a hand's breadth", () => {
  const dealt = dealSections([piece("left", 96), piece("right", 104)], 2);
  expect(words(dealt)).toEqual([["left"], ["right"]]);
  expect(dealt.shares).toEqual([0.48, 0.52]);
});
test("far from an end it stays where the batches are even", () => {
  const dealt = dealSections([piece("short", 50), piece("long", 150)], 2);
  expect(dealt.shares).toEqual([0.5, 0.5]);
  expect(words(dealt)).toEqual([["short", "long 0-1"], ["long 1-2"]]);
});
test("copies are told apart", () =>
  expect(words(dealSections([piece("top", 100, { count: 3 })], 3))).toEqual([["top"], ["top2"], ["top3"]]));
test("nothing to cover gives empty sections and even shares", () =>
  expect(dealSections([], 2)).toEqual({ sections: [[], []], shares: [0.5, 0.5] }));

test("sections sum to the pieces and shares to one, whatever the pieces and batches", () => {
  const pieces = fc.array(
    fc.record({ area: fc.double({ min: 1, max: 1e6, noNaN: true }), count: fc.integer({ min: 1, max: 4 }) }),
    { minLength: 1, maxLength: 9 },
  );
  fc.assert(
    fc.property(pieces, fc.integer({ min: 1, max: 12 }), (list, batches) => {
      const coverable = list.map(({ area, count }, index) =>
        piece(`p${index}`, area, { count, alongMm: (share) => share * 1000 }),
      );
      const { sections, shares } = dealSections(coverable, batches);
      expect(shares.reduce((sum, share) => sum + share, 0)).toBeCloseTo(1, 9);
      for (const share of shares) expect(share).toBeGreaterThanOrEqual(-1e-12);
      for (const one of coverable) {
        for (let copy = 1; copy <= one.count; copy += 1) {
          const own = sections
            .flat()
            .filter(
              (section) =>
                section.pieceId === one.id && section.copy <= copy && copy < section.copy + section.copies,
            );
          expect(own.reduce((sum, section) => sum + section.toMm - section.fromMm, 0)).toBeCloseTo(1000, 3);
        }
      }
    }),
  );
});

test("many copies stand in one row; cut ones are told apart", () => {
  expect(words(dealSections([piece("coaster", 10, { count: 500 })], 1))).toEqual([["coaster×500"]]);
  // 5000 ml in three: the cuts at 1666.7 and 3333.3 lie nearest to the ends of the 167th and the 333rd.
  expect(words(dealSections([piece("coaster", 10, { count: 500 })], 3))).toEqual([
    ["coaster×167"],
    ["coaster168×166"],
    ["coaster334×167"],
  ]);
});

test("what is dealt costs no more for many copies", () => {
  let cuts = 0;
  const many = Array.from({ length: 60 }, (_, index) =>
    piece(`p${index}`, 100 + index, {
      count: 500,
      alongMm: (share) => {
        cuts += 1;
        return share;
      },
    }),
  );
  const { sections } = dealSections(many, 24);
  expect(sections.flat().reduce((sum, { copies }) => sum + copies, 0)).toBeGreaterThanOrEqual(60 * 500);
  // At most three sections of a piece in a batch, two cuts each.
  expect(cuts).toBeLessThan(2 * 3 * (60 + 24));
});
