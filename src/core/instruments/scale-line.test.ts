import fc from "fast-check";
import { readScaleLine, scaleLine } from "./scale-line";

/** Shapes in which scales commonly print, from memory: a status, a sign, a number, a unit. */
const CORPUS: [line: string, grams: number, stable: boolean | null][] = [
  ["ST,GS,+  201.4 g", 201.4, true],
  ["US,GS,+  143.0 g", 143, false],
  ["ST,NT,-  12.30g", -12.3, true],
  ["S S     100.02 g", 100.02, true],
  ["S D      99.97 g", 99.97, false],
  ["+   201.4 g  ", 201.4, null],
  ["    201.4 g", 201.4, null],
  ["201.4", 201.4, null],
  ["-0.2", -0.2, null],
  ["201,4 g", 201.4, null],
  ["N +   0.2014 kg", 201.4, null],
  ["G    2.5 KG S", 2500, true],
  ["  1.500kg ?", 1500, false],
  ["~ 88.1 g", 88.1, false],
  ["   7.105 oz ST", 7.105 * 28.349523125, true],
  ["1 lb 4.5 oz", 453.59237 + 4.5 * 28.349523125, null],
  ["  2.205 LB STABLE", 2.205 * 453.59237, true],
  ["MOTION 55.0 g", 55, false],
  ["GROSS 201.4 g", 201.4, null],
  ["\u0002 201.4 g\u0003\r\n", 201.4, null],
  ["0.0 g", 0, null],
  [".5 g", 0.5, null],
];

test.each(CORPUS)("%j is %d g", (line, grams, stable) => {
  const read = readScaleLine(line);
  if (read?.kind !== "mass") throw new Error("No mass.");
  expect(read.grams).toBeCloseTo(grams, 6);
  expect(read.stable).toBe(stable);
});
test.each(["OL", "ST,OL", "------", "ERR 2", " H ", "UNDERLOAD", "S +99999999 kg"])(
  "%j is out of range or no reading, never a mass",
  (line) => expect(readScaleLine(line)?.kind ?? "none").not.toBe("mass"),
);
test.each([
  "",
  "   ",
  "READY",
  "Model 7, version 2.1",
  "T=22.4 RH=51",
  "x".repeat(200),
  "TARE 60.0 g",
  "PT 60.0 g",
  "TOTAL 1.2 kg",
  "120 PCS",
  "99.8 %",
  "12 34 g 56",
])("%j is not taken for more than it says", (line) => {
  const read = readScaleLine(line);
  if (line === "12 34 g 56") expect(read).toMatchObject({ kind: "mass", grams: 34 });
  else expect(read?.kind ?? "none").not.toBe("mass");
});
test("a pound and an ounce are the international ones (NIST Handbook 44, appendix C)", () => {
  expect(readScaleLine("1 lb")).toMatchObject({ grams: 453.59237 });
  expect(readScaleLine("16 oz")).toMatchObject({ grams: 453.59237 });
});
test("what our stand-in prints is read back to the last digit", () => {
  fc.assert(
    fc.property(
      fc.integer({ min: -99_999, max: 999_999 }),
      fc.boolean(),
      fc.constantFrom(0, 1, 2),
      (steps, stable, places) => {
        const grams = steps / 10 ** places;
        const read = readScaleLine(scaleLine(grams, stable, places));
        expect(read).toEqual({
          kind: "mass",
          grams: expect.closeTo(grams, 6),
          stable,
          stepG: expect.closeTo(10 ** -places, 9),
        });
      },
    ),
  );
});
test("a hundred thousand lines of anything: nothing throws, and a mass is always a number", () => {
  const pieces = [
    "ST",
    "US",
    ",",
    " ",
    "+",
    "-",
    "12.3",
    "0",
    "9999999",
    ".",
    "g",
    "kg",
    "lb",
    "oz",
    "\u0000",
    "é",
    "~",
    "?",
  ];
  fc.assert(
    fc.property(
      fc.oneof(
        fc.string({ unit: "binary", maxLength: 90 }),
        fc.array(fc.constantFrom(...pieces), { maxLength: 14 }).map((parts) => parts.join("")),
      ),
      (line) => {
        const read = readScaleLine(line);
        return read?.kind !== "mass" || (Number.isFinite(read.grams) && Math.abs(read.grams) <= 1e6);
      },
    ),
    { numRuns: 100_000 },
  );
});

test.each([
  ["ST,GS,+  201.4 g", 0.1],
  ["201 g", 1],
  ["0,05 kg", 10],
  ["1 lb 4.5 oz", 2.8349523125],
  ["12.25", 0.01],
])("the last figure of %j is worth %d g", (line, stepG) => {
  expect(readScaleLine(line)).toMatchObject({ stepG: expect.closeTo(stepG, 9) });
});
