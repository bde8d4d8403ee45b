import { depthInUnits, inUnits, saidIn } from "./said";
import { formatQuantity, quantityText, rangeText, volumesBy } from "./format-quantity";
import { parseQuantity } from "./parse-quantity";

const OZ = 29.5735295625;

describe("quantities within words", () => {
  test("are written in the units of who reads them; other braces stay", () => {
    const words = `Under ${inUnits(0.955, "film")}, at ${inUnits(21, "temperature")}: {film:x} {odd:3} {film}`;
    expect(saidIn(words, "us")).toBe("Under 3.00 fl oz/ft², at 70 °F: {film:x} {odd:3} {film}");
    expect(saidIn(words, "metric")).toBe("Under 0.95 mm, at 21 °C: {film:x} {odd:3} {film}");
    expect(saidIn(inUnits(1e-7, "volume"), "us")).toBe("0 fl oz");
  });
  test("thin films in units of films, deep pours in lengths", () => {
    expect(saidIn(depthInUnits(3), "us")).toBe("9.42 fl oz/ft²");
    expect(saidIn(depthInUnits(50.8), "us")).toBe("2 in");
  });
});

describe("volumes and areas as they are said", () => {
  test.each([
    [5678.1, "1½ gal"],
    [2 * 32 * OZ, "2 qt"],
    [128 * OZ, "1 gal"],
    [33 * OZ, "33 fl oz"],
    [6.28 * 128 * OZ, "6.28 gal"],
    [15.25 * OZ, "15¼ fl oz"],
  ])("%d ml are %s", (ml, words) => {
    expect(quantityText(ml, "volume", "us")).toBe(words);
    // In fields one unit stands: ounces.
    expect(formatQuantity(ml, "volume", "us").unit).toBe("fl oz");
  });
  test("what stands together is in one unit, that of the largest", () => {
    expect(rangeText({ low: 28 * OZ, high: 32 * OZ }, "volume", "us")).toBe("28 to 32 fl oz");
    expect(rangeText({ low: 2 * 128 * OZ, high: 5 * 128 * OZ }, "volume", "us")).toBe("2 to 5 gal");
    expect(rangeText({ low: 300, high: 950 }, "volume", "metric")).toBe("300 to 950 ml");
    expect(rangeText({ low: 10_000, high: 45_000 }, "area", "metric")).toBe("100 to 450 cm²");
    expect(rangeText({ low: 20, high: 25 }, "temperature", "us")).toBe("68 to 77 °F");
    const { bare, text } = volumesBy(600 * OZ, "us");
    expect([bare(64 * OZ), text(600 * OZ)]).toEqual(["0.5", "4.69 gal"]);
  });
  test("what is small is said in cm² and in²", () => {
    expect(quantityText(450_00, "area", "us")).toBe("69.8 in²");
    expect(quantityText(450_00, "area", "metric")).toBe("450 cm²");
    expect(quantityText(0, "area", "us")).toBe("0.0 ft²");
    expect(quantityText(93_000, "area", "us")).toBe("1.0 ft²");
    expect(quantityText(100_000, "area", "metric")).toBe("0.10 m²");
  });
  test("what is sprayed: 9 ml on a square metre are 2.8 fl oz on a hundred square feet, by hand 9 · 9.2903 / 29.5735", () => {
    expect(quantityText(9, "spray", "us")).toBe("2.8 fl oz/100 ft²");
    expect(quantityText(9, "spray", "metric")).toBe("9 ml/m²");
    const read = parseQuantity("3 oz/100sqft", "spray", "us");
    expect(read.ok && read.value).toBeCloseTo((3 * OZ) / 9.290304, 6);
  });
});
