import fc from "fast-check";
import { dosesFor, mixedFrom, type CoatColour, type ColourPart } from "./coat-colour";

const part = fc.record({
  cardId: fc.uuid(),
  name: fc.string({ minLength: 1, maxLength: 20 }),
  gPer100G: fc.oneof(fc.constant(0), fc.double({ min: 1e-4, max: 12, noNaN: true })),
  measure: fc.oneof(
    fc.constant({ unit: "gram" as const }),
    fc.record({
      unit: fc.constant("drop" as const),
      dropMl: fc.double({ min: 0.01, max: 0.2, noNaN: true }),
      densityGPerMl: fc.double({ min: 0.7, max: 2, noNaN: true }),
    }),
    fc.record({
      unit: fc.constant("spoon" as const),
      gramsPerSpoon: fc.double({ min: 0.05, max: 5, noNaN: true }),
    }),
  ),
});
const colour = (): CoatColour => ({
  id: "c",
  name: "Bone white",
  hex: "#E9E4D6",
  look: "opaque",
  share: 0.5,
  locked: false,
  reserve: 0.08,
  gPer100G: 3,
  measure: { unit: "gram" },
});

describe("a colour mixed from several colourants", () => {
  test("its doses sum to its load, whatever the cup weighs; none is lost but what is nothing", () =>
    fc.assert(
      fc.property(
        fc.array(part, { minLength: 1, maxLength: 8 }),
        fc.double({ min: 1, max: 20_000, noNaN: true }),
        (parts: ColourPart[], mixG) => {
          const mixed = mixedFrom(colour(), parts);
          const doses = dosesFor(mixG, mixed);
          const grams = doses.reduce((sum, dose) => sum + dose.grams, 0);
          expect(grams).toBeCloseTo((mixed.gPer100G * mixG) / 100, 6);
          expect(doses).toHaveLength(parts.filter((part) => part.gPer100G > 0).length);
        },
      ),
    ));
  test("twice the cup is twice of each, in grams and in drops", () =>
    fc.assert(
      fc.property(part, fc.double({ min: 1, max: 5000, noNaN: true }), (one, mixG) => {
        const mixed = mixedFrom(colour(), [one]);
        const [single] = dosesFor(mixG, mixed);
        const [double] = dosesFor(2 * mixG, mixed);
        if (!single || !double) return expect(one.gPer100G).toBe(0);
        expect(double.grams).toBeCloseTo(2 * single.grams, 6);
        expect(double.count / single.count).toBeCloseTo(2, 6);
      }),
    ));
  test("without parts it is one dose of its own name; parts taken out again leave it as it was", () => {
    const plain = colour();
    expect(dosesFor(200, plain)).toEqual([
      expect.objectContaining({ id: "c", name: "Bone white", grams: 6 }),
    ]);
    const mixed = mixedFrom(plain, [
      { cardId: "w", name: "White paste", gPer100G: 4, measure: { unit: "gram" } },
    ]);
    expect(dosesFor(200, mixed)).toEqual([
      expect.objectContaining({ id: "c-1", name: "White paste", grams: 8 }),
    ]);
    expect(mixedFrom(mixed, [])).not.toHaveProperty("parts");
  });
});
