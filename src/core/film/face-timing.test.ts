import { fittedResin } from "../cure/fitted-resin";
import { starterCards } from "../cure/starter-cards";
import reference from "../reference/resin.json";
import { parametersOf } from "../reference/resins";
import { faceForecast, minuteForFace, type FaceFilm } from "./face-timing";

let made = 0;
const [card] = starterCards(() => `card-${(made += 1)}`);
const resin = fittedResin(card!);
const film = (changes: Partial<FaceFilm> = {}): FaceFilm => ({
  resin,
  tempC: 22,
  faceMm: 38,
  laidMm: 1,
  ...changes,
});
/** Resin a of the reference, as if the card had been fitted to it. */
const ofReference = film({ resin: { ...resin, fit: { ...resin.fit, parameters: parametersOf("a") } } });

describe("a face, against the reference (Jeffreys 1930, independent implementation)", () => {
  test.each(reference.flow.drain.map((row) => [row.T, row.t_min, row] as const))(
    "at %d °C brushed at minute %d",
    (tempC, minutes, row) => {
      const { likely } = faceForecast({ ...ofReference, tempC }, minutes);
      expect(likely / (row.h_z38_um / 1000)).toBeCloseTo(1, 3);
      const { likely: higher } = faceForecast({ ...ofReference, tempC, faceMm: 10 }, minutes);
      expect(higher / (row.h_z10_um / 1000)).toBeCloseTo(1, 3);
    },
  );
  test("brushed again at 30 or 60 minutes it keeps 39 or 50 µm; 100 µm from about 2.2 hours on", () => {
    expect(faceForecast(ofReference, 30).likely * 1000).toBeCloseTo(39.25, 1);
    expect(faceForecast(ofReference, 60).likely * 1000).toBeCloseTo(49.53, 1);
    const when = minuteForFace(ofReference, 0.1);
    expect(when.kind === "at" && when.minutes / 60).toBeGreaterThan(2.1);
    expect(when.kind === "at" && when.minutes / 60).toBeLessThan(2.4);
  });
});

test("faces still flow for one to two hours at 21 to 24 °C, by the shipped slow coating (common practice, no source)", () => {
  for (const tempC of [21, 24]) {
    // Still draining at an hour: it keeps less than a tenth of a millimetre, even at its thick end; two hours later it keeps more.
    expect(faceForecast(film({ tempC }), 60).high).toBeLessThan(0.1);
    expect(faceForecast(film({ tempC }), 180).likely).toBeGreaterThan(
      1.8 * faceForecast(film({ tempC }), 60).likely,
    );
  }
});

test("what is found for a film keeps it; later keeps more; never more than was laid", () => {
  for (const wanted of [0.06, 0.1, 0.3, 0.9]) {
    const when = minuteForFace(film(), wanted);
    expect(when.kind).toBe("at");
    if (when.kind === "at") expect(faceForecast(film(), when.minutes).likely).toBeCloseTo(wanted, 3);
  }
  expect(minuteForFace(film(), 1.2)).toEqual({ kind: "too thin", laidMm: 1 });
  expect(minuteForFace(film(), 0.01)).toEqual({ kind: "at once" });
  const late = faceForecast(film(), 2000);
  expect([late.low, late.likely, late.high]).toEqual([1, 1, 1]);
  const { low, likely, high } = faceForecast(film(), 45);
  expect(low).toBeLessThan(likely);
  expect(likely).toBeLessThan(high);
});
