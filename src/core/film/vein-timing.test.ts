import fc from "fast-check";
import { fittedResin } from "../cure/fitted-resin";
import { starterCards } from "../cure/starter-cards";
import { beadAreaMm2, veinWidthMm } from "./flow";
import { minuteForVein, veinForecast, type VeinInFilm } from "./vein-timing";

const [card] = starterCards(() => "card");
const laid = (widthMm = 3, heightMm = 1, tempC = 22): VeinInFilm => ({
  vein: { widthMm, areaMm2: beadAreaMm2(widthMm, heightMm) },
  resin: fittedResin(card!),
  tempC,
  filmMm: 1,
});

test("laid later it stays narrower, and never narrower than its own liquid (common practice, no source)", () => {
  const widths = [0, 10, 30, 60, 90, 180, 400].map((minutes) => veinForecast(laid(), minutes));
  widths.slice(1).forEach(({ likely }, index) => expect(likely).toBeLessThanOrEqual(widths[index]!.likely));
  for (const { low, likely, high } of widths) {
    expect(low).toBeLessThanOrEqual(likely);
    expect(high).toBeGreaterThanOrEqual(likely);
    expect(low).toBeGreaterThanOrEqual(veinWidthMm(laid().vein, 1, 0));
  }
  expect(widths.at(-1)!.likely).toBeCloseTo(veinWidthMm(laid().vein, 1, 0), 1);
  // Fresh about three times its width.
  expect(widths[0]!.likely / 3).toBeGreaterThan(2.5);
  expect(widths[0]!.likely / 3).toBeLessThan(3.5);
});

test("the minute for a width gives that width; narrower than its liquid, or wider than the fresh film lets it, is said", () => {
  fc.assert(
    fc.property(
      fc.double({ min: 5.2, max: 8.5, noNaN: true }),
      fc.integer({ min: 15, max: 30 }),
      (wished, tempC) => {
        const vein = laid(3, 1, tempC);
        const found = minuteForVein(vein, wished);
        if (found.kind === "at") expect(veinForecast(vein, found.minutes).likely).toBeCloseTo(wished, 4);
        else expect(found.kind).toBe("never so wide");
      },
    ),
    { numRuns: 40 },
  );
  expect(minuteForVein(laid(), 2.9)).toMatchObject({ kind: "too wide" });
  expect(minuteForVein(laid(), 30)).toMatchObject({ kind: "never so wide" });
});
