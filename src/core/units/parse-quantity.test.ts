import fc from "fast-check";
import { UNITS, type Dimension } from "./dimension";
import { editableText } from "./format-quantity";
import { parseQuantity } from "./parse-quantity";

const mm = (text: string) => parseQuantity(text, "length", "us");
const value = (text: string, dimension: Dimension, system: "us" | "metric" = "us") => {
  const parsed = parseQuantity(text, dimension, system);
  if (!parsed.ok) throw new Error(`${text}: ${parsed.message}`);
  return parsed.value;
};

describe("lengths as people write them (arithmetic on 25.4 mm per inch, NIST Handbook 44 appendix C)", () => {
  test.each([
    ["25 1/2 in", 647.7],
    ["25-1/2", 647.7],
    ["25½", 647.7],
    ["25.5", 647.7],
    ["2' 1.5\"", 647.7],
    ["2'1.5", 647.7],
    ["2'-1 1/2\"", 647.7],
    ["2 ft 1 1/2 in", 647.7],
    ["648mm", 648],
    ["3/8", 9.525],
    ["1.6 m", 1600],
    ["1,6 m", 1600],
    ["64.8 cm", 648],
    ["1 840 mm", 1840],
    ["8′", 2438.4],
    ["12 in.", 304.8],
    ["25 1⁄2", 647.7],
    ["25 1⁄2 in", 647.7],
    ...[
      "2 ft 1 in",
      "2ft1in",
      "2 ft. 1 in.",
      "2 feet 1 inch",
      "2'1\"",
      "2' 1",
      "2 ft 1",
      "2′ 1″",
      "2 ft, 1 in",
      "2 foot and 1 inch",
      "2'-1\"",
      "2 ft & 1 in",
    ].map((text): [string, number] => [text, 635]),
    ["1.840 m", 1840],
    ["1.8400 mm", 1.84],
  ])("%s", (text, expected) => expect(value(text, "length")).toBeCloseTo(expected, 9));
});

describe("other quantities", () => {
  test.each<[string, Dimension, number]>([
    ["1.5 gal", "volume", 5678.117676],
    ["6 oz", "volume", 177.441177375],
    ["1 qt 8 fl oz", "volume", 1182.9411825],
    ["72F", "temperature", 22.2222222222],
    ["-5 °C", "temperature", -5],
    ["40 ft2", "area", 3716121.6],
    ["3 fl oz/ft2", "film", 0.95496],
    ["45 sqft/gal", "film", 0.905429],
    ["33 ft²/gal", "film", 1.234676],
    ["1 L/m2", "film", 1],
    ["40 mil", "film", 1.016],
    ["9 oz", "mass", 255.145708],
    ["2 days", "hours", 48],
    ["1 h 30 min", "minutes", 90],
    ["1100 cps", "viscosity", 1.1],
    ["72°", "temperature", 22.2222222222],
    ["72 degrees F", "temperature", 22.2222222222],
    ["22 deg C", "temperature", 22],
    ["1h30", "minutes", 90],
    ["1:30", "minutes", 90],
    ["1:30", "hours", 1.5],
    ["1 h 30", "hours", 1.5],
    ["2 cups", "volume", 473.17647],
    ["1 tbsp", "volume", 14.7867648],
    ["3 tsp", "volume", 14.7867648],
    ["25 cl", "volume", 250],
    ["2 dl", "volume", 200],
    ["40 ft", "area", 3716121.6],
    ["40 sq ft", "area", 3716121.6],
    ["40 sf", "area", 3716121.6],
    ["40 square feet", "area", 3716121.6],
    ["100 in²", "area", 64516],
    ["500 cm²", "area", 50000],
    ["500 sq cm", "area", 50000],
    ["1.1 g/cc", "density", 1.1],
    ["1120 kg/m3", "density", 1.12],
    ["500 mg", "mass", 0.5],
    ["0.1 cm", "film", 1],
  ])("%s of %s", (text, dimension, expected) => expect(value(text, dimension)).toBeCloseTo(expected, 4));
});

describe("what is wrong is said in the user's words", () => {
  test.each([
    ["", "Type a length"],
    ["   ", "Type a length"],
    ["abc", "not a length"],
    ["5 kg", "“kg” is not a unit of length"],
    ["3/0", "0 below the line"],
    ["1,500", "two ways"],
    ["1 2 3", "not a length"],
    ["12 in 3 in -4 in", "not a length"],
    ["-4", "above zero"],
    ["9".repeat(80), "too long"],
    ["1'840 mm", "two ways: write 1840 or 1 ft 840 in"],
    ["1.840 mm", "two ways: write 1840 mm or 1.84 mm"],
    ["25 - 1/2", "two ways: write 25 1/2 or 24 1/2"],
    ["25 – 1/2 in", "two ways"],
  ])("%j", (text, words) => {
    const parsed = mm(text);
    expect(parsed.ok).toBe(false);
    if (!parsed.ok) expect(parsed.message).toContain(words);
  });

  test("limits are said in the person's own system", () => {
    const parsed = parseQuantity("1/16", "length", "us", { min: 3.175 });
    expect(parsed).toEqual({ ok: false, message: "Too small: the least is 1/8 in." });
  });

  test("zero coverage has no film", () => {
    expect(parseQuantity("0 ft²/gal", "film", "us").ok).toBe(false);
  });
});

test("any text gives a finite value or words, never a throw or NaN", () => {
  const dimensions = Object.keys(UNITS) as Dimension[];
  fc.assert(
    fc.property(
      fc.oneof(fc.string({ maxLength: 80 }), fc.stringMatching(/^[0-9 .,'"\/eE+-]{0,20}[a-z²]{0,4}$/)),
      fc.constantFrom(...dimensions),
      (text, dimension) => {
        const parsed = parseQuantity(text, dimension, "metric");
        if (parsed.ok) expect(Number.isFinite(parsed.value)).toBe(true);
        else expect(parsed.message.length).toBeGreaterThan(5);
      },
    ),
    { numRuns: 2000 },
  );
});

test("what a field shows for editing reads back as the same value (units round-trip)", () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0.05, max: 50000, noNaN: true }),
      fc.constantFrom<Dimension>("length", "volume", "mass", "film", "temperature", "minutes"),
      fc.constantFrom<"us" | "metric">("us", "metric"),
      (base, dimension, system) => {
        const parsed = parseQuantity(editableText(base, dimension, system), dimension, system);
        expect(parsed.ok).toBe(true);
        if (parsed.ok) expect(Math.abs(parsed.value - base) / Math.max(1, base)).toBeLessThan(1e-4);
      },
    ),
  );
});
