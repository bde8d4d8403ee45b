import { ML_PER_US_FL_OZ, ML_PER_US_GALLON, MM_PER_INCH } from "./constants";
import { UNITS, unitOf } from "./dimension";
import { filmInAllUnits, formatQuantity, inchFraction, quantityText } from "./format-quantity";

describe("constants (NIST Handbook 44, appendix C)", () => {
  test("US gallon is 231 cubic inches", () =>
    expect(ML_PER_US_GALLON).toBeCloseTo((231 * MM_PER_INCH ** 3) / 1000, 9));
  test("US fluid ounce is 29.5735295625 ml", () => expect(ML_PER_US_FL_OZ).toBeCloseTo(29.5735295625, 9));
});

describe("spreading", () => {
  const film = (symbol: string, typed: number) => unitOf("film", symbol).toBase(typed);
  test("1604 ft²/gal at 1 mil (theoretical spreading rate; follows from 231 in³)", () =>
    expect(unitOf("film", "ft²/gal").fromBase(0.0254)).toBeCloseTo(1604.17, 2));
  test("3 fl oz/ft² is 0.955 mm (common practice; arithmetic)", () =>
    expect(film("fl oz/ft²", 3)).toBeCloseTo(0.955, 3));
  test("8 fl oz/ft² is 2.546 mm (common practice; arithmetic)", () =>
    expect(film("fl oz/ft²", 8)).toBeCloseTo(2.5465, 3));
  test("1 fl oz/ft² is 0.3183 mm, 12.5 mil", () => {
    // Common practice quotes 0.3183 mm; exact arithmetic gives 29.5735 ml over 92 903 mm² = 0.31833 mm.
    expect(film("fl oz/ft²", 1)).toBeCloseTo(0.3183, 4);
    expect(unitOf("film", "mil").fromBase(film("fl oz/ft²", 1))).toBeCloseTo(12.5, 1);
  });
  test("1.5 gal over 50 ft² is 3.84 fl oz/ft² (common practice; arithmetic)", () => {
    const filmMm = (1.5 * ML_PER_US_GALLON * 1000) / (50 * 304.8 ** 2);
    expect(unitOf("film", "fl oz/ft²").fromBase(filmMm)).toBeCloseTo(3.84, 2);
  });
  test("45 ft²/gal is about 2.84 fl oz/ft² (common practice)", () =>
    expect(unitOf("film", "fl oz/ft²").fromBase(film("ft²/gal", 45))).toBeCloseTo(2.84, 2));
});

test("a void of 3 × 1 × 16 in is 48 in³, about 26.6 fl oz (common practice)", () =>
  expect((48 * MM_PER_INCH ** 3) / 1000 / ML_PER_US_FL_OZ).toBeCloseTo(26.6, 1));

describe("writing", () => {
  test.each([
    [25.5, "25 1/2"],
    [0.375, "3/8"],
    [12, "12"],
    [0, "0"],
    [11.999, "12"],
    [-0.5, "-1/2"],
  ])("%s in as %s", (inches, text) => expect(inchFraction(inches)).toBe(text));

  test("thousands by a thin space, never a comma", () =>
    expect(quantityText(4480, "volume", "metric")).toBe("4\u2009480 ml"));
  test("quarter ounces", () =>
    expect(formatQuantity(37.8 * ML_PER_US_FL_OZ, "volume", "us").number).toBe("37¾"));
  test("film in five ways", () =>
    expect(filmInAllUnits(1).map((shown) => `${shown.number} ${shown.unit}`)).toEqual([
      "1.00 mm",
      "39.4 mil",
      "3.14 fl oz/ft²",
      "40.7 ft²/gal",
      "1.00 L/m²",
    ]));
  test("every unit is its own inverse", () => {
    for (const units of Object.values(UNITS))
      for (const unit of units) expect(unit.fromBase(unit.toBase(7.25))).toBeCloseTo(7.25, 9);
  });
  test("refuses to write what is not a number", () =>
    expect(() => formatQuantity(NaN, "volume", "metric")).toThrow("NaN"));
});
