import fc from "fast-check";
import { GREY_CARD, meanOfPatch, photographedLab } from "./camera";
import { ciede2000 } from "./ciede2000";
import { K1, labWithoutGloss, seen } from "./film-optics";
import { channelsOfHex, decoded, encoded, labOfHex, labOfXyz, type Rgb } from "./spaces";
import { even, xyzOf } from "./spectrum";

/** A picture of one colour with a square of another in its middle. */
function picture(around: Rgb, middle: Rgb, size = 41): { pixels: number[]; size: number } {
  const pixels = Array.from({ length: size * size }, (_, at) => {
    const [x, y] = [at % size, Math.floor(at / size)];
    const inside = Math.abs(x - size / 2) < size / 4 && Math.abs(y - size / 2) < size / 4;
    return [...(inside ? middle : around), 255];
  });
  return { pixels: pixels.flat(), size };
}

describe("a patch of a picture", () => {
  const { pixels, size } = picture([200, 30, 90], [20, 140, 60]);
  const at = (x: number, y: number, radius: number) => meanOfPatch(pixels, size, size, { x, y, radius });

  test("of one colour is that colour, in the middle and in the corner", () => {
    expect(at(20, 20, 5).map(Math.round)).toEqual([20, 140, 60]);
    expect(at(0, 0, 3)[0]).toBeCloseTo(200, 6);
    expect(at(20.4, 20.3, 0.9)[1]).toBeCloseTo(140, 6);
  });

  test("averages light, not signs: black and white in equal parts are 188, not 128 (IEC 61966-2-1)", () => {
    const stripes = Array.from({ length: 64 }, (_, index) =>
      index % 2 === 0 ? [0, 0, 0, 255] : [255, 255, 255, 255],
    );
    const [red] = meanOfPatch(stripes.flat(), 8, 8, { x: 3.5, y: 3.5, radius: 9 });
    expect(red).toBeCloseTo(255 * encoded(0.5), 9);
    expect(Math.round(red)).toBe(188);
  });

  test("outside of the picture there is none", () => {
    expect(() => at(400, 20, 3)).toThrow("No pixel within 3 px of 400, 20");
  });
});

describe("a colour beside a grey card", () => {
  test("whatever the light: a card and a patch under it, brought back to the patch's own colour", () => {
    const channel = fc.integer({ min: 30, max: 235 });
    const light = fc.double({ min: 0.75, max: 1.05, noNaN: true });
    fc.assert(
      fc.property(fc.tuple(channel, channel, channel), fc.tuple(light, light, light), (colour, gains) => {
        const lit = (linear: number, gain: number) => 255 * encoded(linear * gain);
        const patch = colour.map((value, at) => lit(decoded(value / 255), gains[at]!)) as unknown as Rgb;
        const card = gains.map((gain) => lit(GREY_CARD, gain)) as unknown as Rgb;
        const read = photographedLab(patch, card);
        if (patch.some((value) => value >= 250)) return expect(read.ok).toBe(false);
        if (!read.ok) throw new Error(read.reason);
        const lab = labOfHex(
          `#${colour.map((value) => value.toString(16).padStart(2, "0")).join("")}`.toUpperCase(),
        );
        expect(ciede2000(read.lab, lab)).toBeLessThan(0.01);
      }),
    );
  });

  test("burnt out or black is refused in words, not guessed", () => {
    expect(photographedLab([255, 200, 180], [118, 118, 118])).toMatchObject({
      ok: false,
      reason: expect.stringContaining("burnt out"),
    });
    expect(photographedLab([100, 100, 100], [8, 8, 8])).toMatchObject({ ok: false });
    expect(photographedLab(channelsOfHex("#767676"), channelsOfHex("#767676"))).toMatchObject({ ok: true });
  });
});

test("gloss taken off: an internal reflectance seen with it and without it is one colour (Saunderson 1942, from memory)", () => {
  for (const R of [0.02, 0.1, 0.3, 0.6, 0.9]) {
    const without = seen(even(R));
    const withGloss = without.map((value) => value + K1);
    const [L, a, b] = labWithoutGloss(labOfXyz(xyzOf(withGloss)));
    expect(ciede2000([L, a, b], labOfXyz(xyzOf(without)))).toBeLessThan(0.02);
  }
  // A deep black with gloss is darker than its gloss: nothing below black comes out.
  expect(labWithoutGloss([2, 0, 0])[0]).toBe(0);
});
