import fc from "fast-check";
import { MM_PER_INCH } from "../units/constants";
import { FACTORS } from "../batch/factors";
import { combFilm, notchedFilm, notchFilmMm } from "./film-sources";

const eighth = MM_PER_INCH / 8;
describe("notches", () => {
  test("a square notch as wide as its land leaves half its depth, a V of the same size half of that", () => {
    const size = { widthMm: eighth, depthMm: eighth, gapMm: eighth };
    expect(notchFilmMm({ shape: "square", ...size })).toBeCloseTo(eighth / 2, 12);
    expect(notchFilmMm({ shape: "v", ...size })).toBeCloseTo(eighth / 4, 12);
    // A U: square less the two corners of a half circle, (1/2 − π/8)·w².
    expect(notchFilmMm({ shape: "u", ...size })).toBeCloseTo(
      eighth / 2 - ((1 / 2 - Math.PI / 8) * eighth) / 2,
      12,
    );
  });
  test("a shallow U is half an ellipse, and both forms agree where it is a half circle", () => {
    const u = (depthMm: number) => notchFilmMm({ shape: "u", widthMm: 4, depthMm, gapMm: 2 });
    expect(u(1)).toBeCloseTo((Math.PI * 2 * 1) / 2 / 6, 12);
    expect(u(2 - 1e-9)).toBeCloseTo(u(2), 6);
  });
  test("the 1/8 in square notch of a clear flood leaves about a millimetre, as floods are laid (common practice, no source)", () => {
    const film = notchedFilm(
      { shape: "square", widthMm: eighth, depthMm: eighth, gapMm: eighth },
      FACTORS.notchShare.usual,
    );
    expect(film.low).toBeLessThan(1.2);
    expect(film.high).toBeGreaterThan(0.9);
    // A leaning edge lowers the ridges by the sine of its angle: 45° to 60°.
    expect(FACTORS.notchShare.usual.high).toBeLessThanOrEqual(Math.sin(Math.PI / 3));
  });
  test("never more than the notch is deep", () =>
    fc.assert(
      fc.property(
        fc.constantFrom("square" as const, "v" as const, "u" as const),
        fc.double({ min: 0.5, max: 20, noNaN: true }),
        fc.double({ min: 0.5, max: 20, noNaN: true }),
        fc.double({ min: 0, max: 20, noNaN: true }),
        (shape, widthMm, depthMm, gapMm) => {
          const film = notchFilmMm({ shape, widthMm, depthMm, gapMm });
          expect(film).toBeGreaterThan(0);
          expect(film).toBeLessThanOrEqual(depthMm * (1 + 1e-12));
        },
      ),
    ));
});

test("a comb tells an interval (ISO 2808, ASTM D4414): above the last wet tooth, not above the first dry one", () =>
  expect(combFilm(0.9, 1.1)).toEqual({ low: 0.9, likely: 1, high: 1.1 }));
