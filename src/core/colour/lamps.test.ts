import fc from "fast-check";
import { ciede2000 } from "./ciede2000";
import {
  LAMP_IDS,
  LAMPS,
  differencesUnderLamps,
  labUnderLamp,
  whiteUnder,
  worstOf,
  xyzUnder,
  type LampId,
} from "./lamps";
import { smoothReflectance } from "./recover";
import { labOfHex, labOfXyz, linearOfHex } from "./spaces";
import { BANDS } from "./observer";
import { even, xyzOf } from "./spectrum";

/** Chromaticities of the illuminants by the 1931 observer, CIE 15:2004 tables T.3 and T.6.1 (from memory). */
const CHROMATICITY: Record<LampId, [x: number, y: number]> = {
  D65: [0.3127, 0.329],
  A: [0.4476, 0.4074],
  F2: [0.3721, 0.3751],
  F11: [0.3805, 0.3769],
  F12: [0.437, 0.4042],
};

const reflectances = fc
  .tuple(...[0, 1, 2].map(() => fc.double({ min: 0.02, max: 0.95, noNaN: true })))
  .map(([r, g, b]) => smoothReflectance([r!, g!, b!]));

describe("lamps", () => {
  test.each(LAMP_IDS)("the white of %s has the chromaticity that CIE 15 gives it", (lamp) => {
    const [x, y, z] = whiteUnder(lamp);
    expect(y).toBeCloseTo(1, 4);
    expect(x / (x + y + z)).toBeCloseTo(CHROMATICITY[lamp][0], 3);
    expect(y / (x + y + z)).toBeCloseTo(CHROMATICITY[lamp][1], 3);
  });
  test("the bulb's weights are those of Planck's formula with 2848 K, as CIE 15 defines illuminant A", () => {
    // Each weight is power times observer: divided by daylight's of the same band, and by another band's, the observer falls out.
    const power = (nm: number) =>
      (560 / nm) ** 5 * ((Math.exp(1.435e7 / (2848 * 560)) - 1) / (Math.exp(1.435e7 / (2848 * nm)) - 1));
    // D65 at 450, 550 and 650 nm, CIE 15 table T.1: 117.008, 104.046, 80.0268.
    const d65: [nm: number, power: number][] = [
      [450, 117.008],
      [550, 104.046],
      [650, 80.0268],
    ];
    const ratios = d65.map(([nm, daylight]) => {
      const band = (nm - 380) / 10;
      return LAMPS.A.weights[1][band]! / LAMPS.D65.weights[1]![band]! / (power(nm) / daylight);
    });
    expect(ratios[0]! / ratios[1]!).toBeCloseTo(1, 1);
    expect(ratios[2]! / ratios[1]!).toBeCloseTo(1, 1);
  });
  test("white is white and grey is grey under every lamp; daylight is what it was", () => {
    for (const lamp of LAMP_IDS) {
      const [L, a, b] = labUnderLamp(lamp, even(1));
      expect([L, a, b].map((value) => Math.round(value * 1e6) / 1e6 + 0)).toEqual([100, 0, 0]);
      const grey = labUnderLamp(lamp, even(0.184));
      expect(grey[0]).toBeCloseTo(49.98, 1);
      expect(Math.hypot(grey[1], grey[2])).toBeLessThan(1e-6);
    }
    fc.assert(
      fc.property(reflectances, (reflectance) => {
        const daylight = xyzUnder("D65", reflectance);
        xyzOf(reflectance).forEach((value, axis) => expect(daylight[axis]).toBeCloseTo(value, 10));
        expect(ciede2000(labUnderLamp("D65", reflectance), labOfXyz(xyzOf(reflectance)))).toBeLessThan(0.01);
      }),
    );
  });
  test("two of one colour in daylight part under a bulb when they are made otherwise: a metamer", () => {
    const one = smoothReflectance(linearOfHex("#808080"));
    // Adding what daylight does not see, found by leaving the smooth one's plane: a wave with its X, Y, Z taken out.
    const wave = Float64Array.from({ length: BANDS }, (_, band) => Math.sin(band / 2.1));
    const rows = LAMPS.D65.weights.map((row) => Float64Array.from(row));
    for (let round = 0; round < 400; round += 1)
      for (const row of rows) {
        const norm = row.reduce((sum, weight) => sum + weight * weight, 0);
        const along = row.reduce((sum, weight, band) => sum + weight * wave[band]!, 0) / norm;
        for (let band = 0; band < BANDS; band += 1) wave[band]! -= along * row[band]!;
      }
    const other = one.map((value, band) => value + 0.15 * wave[band]!);
    const under = differencesUnderLamps(one, other);
    expect(under.find(({ lamp }) => lamp === "D65")!.difference).toBeLessThan(0.1);
    expect(worstOf(under)!.lamp).not.toBe("D65");
    expect(worstOf(under)!.difference).toBeGreaterThan(1);
  });
  test("red turns redder and lighter under a bulb, blue darker (common practice, no source)", () => {
    const lab = (lamp: LampId, hex: string) => labUnderLamp(lamp, smoothReflectance(linearOfHex(hex)));
    expect(lab("A", "#B03030")[0]).toBeGreaterThan(labOfHex("#B03030")[0] + 2);
    expect(lab("A", "#2040A0")[0]).toBeLessThan(labOfHex("#2040A0")[0] - 2);
  });
  test("the same is the same under every lamp", () => {
    fc.assert(
      fc.property(reflectances, (reflectance) => {
        for (const { difference } of differencesUnderLamps(reflectance, reflectance))
          expect(difference).toBe(0);
      }),
    );
    expect(worstOf([])).toBeNull();
  });
});
