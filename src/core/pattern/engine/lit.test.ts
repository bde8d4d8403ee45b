import { seeded } from "../../numerics/random";
import { flowOf } from "./flow";
import { fresnel, highlight, litPictureOf, marginPx, USUAL_LIGHT, type Shown } from "./lit";
import { pictureOf, type Ink } from "./picture";
import { emptyShares, type Shares, type Sheet } from "./sheet";

const NOTHING: Shown = { flakes: false, filaments: false, depth: false, gloss: false };
const FACE = [0.62, 0.58, 0.5] as const;
const FLOP = [0.16, 0.15, 0.13] as const;
const INKS: Ink[] = [
  { rgb: [0.8, 0.78, 0.72], metallic: false },
  { rgb: [0.3, 0.29, 0.26], metallic: true, face: FACE, flop: FLOP },
];
const sheetOf = (widthPx: number, heightPx: number, pixelMm = 2): Sheet => ({
  widthPx,
  heightPx,
  pixelMm,
  fromX: 0,
  fromY: 0,
  base: 0,
  colours: 2,
});

/** A picture whose colours were poured where a matrix says, all of one colour or in stripes. */
function pictured(
  sheet: Sheet,
  [xx, xy, yx, yy]: readonly [number, number, number, number],
  metal: (x: number, y: number) => number,
): Shares {
  const shares = emptyShares(sheet);
  const samples = sheet.widthPx * sheet.heightPx;
  for (let row = 0; row < sheet.heightPx; row += 1)
    for (let column = 0; column < sheet.widthPx; column += 1) {
      const i = row * sheet.widthPx + column;
      const x = sheet.fromX + (column + 0.5) * sheet.pixelMm;
      const y = sheet.fromY + (row + 0.5) * sheet.pixelMm;
      shares.sourceX[i] = xx * x + xy * y;
      shares.sourceY[i] = yx * x + yy * y;
      shares.weight[samples + i] = metal(x, y);
      shares.weight[i] = 1 - metal(x, y);
    }
  return shares;
}
const UNMOVED = [1, 0, 0, 1] as const;
const topMm = { x: 200, y: 100 };

describe("the flow", () => {
  test("what was not moved lies as it was poured and was not worked", () => {
    const flow = flowOf(
      pictured(sheetOf(20, 12), UNMOVED, () => 1),
      0.6,
    );
    for (let i = 0; i < 240; i += 1) {
      expect(flow.alongX[i]).toBeCloseTo(Math.cos(0.6), 5);
      expect(flow.alongY[i]).toBeCloseTo(Math.sin(0.6), 5);
      expect(flow.worked[i]).toBeCloseTo(0, 3);
      expect(flow.footprintMm[i]).toBeCloseTo(2, 3);
    }
  });
  test("by hand: drawn out four times along x, the way back is a quarter; what was poured at 45° lies at 14°", () => {
    const flow = flowOf(
      pictured(sheetOf(20, 12), [0.25, 0, 0, 1], () => 1),
      Math.PI / 4,
    );
    const i = 6 * 20 + 10;
    expect(Math.atan2(flow.alongY[i]!, flow.alongX[i]!)).toBeCloseTo(Math.atan2(1, 4), 4);
    // (4 − 1)/2.2 is more than all.
    expect(flow.worked[i]).toBe(1);
    expect(flow.footprintMm[i]).toBeCloseTo(2, 4);
  });
  test("turned and sheared at random, the direction is the inverse of the way back, whatever its sign", () => {
    const uniform = seeded(9);
    for (let n = 0; n < 200; n += 1) {
      const matrix = [0, 0, 0, 0].map(() => 3 * (uniform() - 0.5)) as [number, number, number, number];
      const [xx, xy, yx, yy] = matrix;
      const turned = xx * yy - xy * yx;
      if (Math.abs(turned) < 0.05) continue;
      const angle = 6 * uniform();
      const flow = flowOf(
        pictured(sheetOf(6, 6), matrix, () => 1),
        angle,
      );
      const [ax, ay] = [flow.alongX[14]!, flow.alongY[14]!];
      // Carried back, it is the direction of pouring.
      const [bx, by] = [xx * ax + xy * ay, yx * ax + yy * ay];
      const length = Math.hypot(bx, by);
      expect(bx / length).toBeCloseTo(Math.cos(angle), 3);
      expect(by / length).toBeCloseTo(Math.sin(angle), 3);
    }
  });
  test("across a border between two pours nothing is told", () => {
    const shares = pictured(sheetOf(20, 12), UNMOVED, () => 1);
    for (let row = 0; row < 12; row += 1)
      for (let column = 10; column < 20; column += 1) shares.sourceX[row * 20 + column]! += 900;
    const flow = flowOf(shares, 0);
    expect(Math.max(...flow.worked)).toBeCloseTo(0, 3);
    expect(Math.max(...flow.footprintMm)).toBeCloseTo(2, 3);
  });
});

describe("the lit picture", () => {
  const stripes = pictured(sheetOf(120, 60), UNMOVED, (x) => (Math.floor(x / 40) % 2 === 0 ? 1 : 0));
  test("a turned piece under a lamp that is turned with it is the turned picture", () => {
    const [wide, high] = [70, 46];
    const samples = wide * high;
    const straight = pictured(sheetOf(wide, high), [0.8, 0.25, -0.1, 1.2], (x, y) =>
      Math.sin(x / 17 + y / 31) > 0 ? 1 : 0.2,
    );
    // Worked here more and there less, so that flakes lean all ways.
    for (let i = 0; i < samples; i += 1) {
      const [x, y] = [straight.sourceX[i]!, straight.sourceY[i]!];
      straight.sourceX[i] = x + 6 * Math.sin(y / 14);
      straight.sourceY[i] = y + 5 * Math.sin(x / 19);
    }
    // A quarter of a turn: where a sample lies then.
    const turnedAt = (i: number) => (i % wide) * high + (high - 1 - Math.floor(i / wide));
    const turned = emptyShares(sheetOf(high, wide));
    for (let i = 0; i < samples; i += 1) {
      const to = turnedAt(i);
      for (const rows of ["sourceX", "sourceY", "shear2x", "shear2y"] as const)
        turned[rows][to] = straight[rows][i]!;
      for (const from of [0, samples]) turned.weight[from + to] = straight.weight[from + i]!;
    }
    const shown = { flakes: true, filaments: true, depth: true, gloss: false };
    const light = { azimuth: 0.7, lean: 0.6 };
    const one = litPictureOf(straight, INKS, 4, 0.3, { shown, light, topMm });
    const other = litPictureOf(turned, INKS, 4, 0.3, {
      shown,
      light: { ...light, azimuth: light.azimuth + Math.PI / 2 },
      topMm,
    });
    const still = litPictureOf(turned, INKS, 4, 0.3, { shown, light, topMm });
    let [most, unlike] = [0, 0];
    for (let i = 0; i < samples; i += 1)
      for (let channel = 0; channel < 3; channel += 1) {
        const here = one[4 * i + channel]!;
        most = Math.max(most, Math.abs(here - other[4 * turnedAt(i) + channel]!));
        unlike = Math.max(unlike, Math.abs(here - still[4 * turnedAt(i) + channel]!));
      }
    expect(most).toBeLessThanOrEqual(1);
    // Under a lamp that stayed where it was it looks otherwise.
    expect(unlike).toBeGreaterThan(20);
  });
  test("around a tumbler what was poured just before its seam and just behind it looks alike", () => {
    const aroundMm = 240;
    // Samples to either side of the seam, each poured where it lies: the last of the turn stand beside the first.
    const wide = 40;
    const shares = pictured(sheetOf(wide, 60, 0.5), UNMOVED, () => 1);
    for (let i = 0; i < wide * 60; i += 1) {
      const x = (i % wide) * 0.5 - 10;
      shares.sourceX[i] = x < 0 ? x + aroundMm : x;
    }
    const steps = (around: number | null, column: number) => {
      const rgba = litPictureOf(shares, INKS, 4, 0.3, {
        shown: { ...NOTHING, filaments: true, flakes: true },
        topMm,
        aroundMm: around,
      });
      let sum = 0;
      for (let row = 0; row < 60; row += 1)
        sum += Math.abs(rgba[4 * (row * wide + column)]! - rgba[4 * (row * wide + column - 1)]!);
      return sum / 60;
    };
    const elsewhere = Math.max(...[6, 10, 14, 26, 30, 34].map((column) => steps(aroundMm, column)));
    expect(steps(aroundMm, 20)).toBeLessThan(2 * elsewhere);
    // Without knowing that it goes around, there is a line.
    expect(steps(null, 20)).toBeGreaterThan(3 * elsewhere);
  });
  test("with nothing shown it is the plain picture, to the bit", () => {
    expect(litPictureOf(stripes, INKS, 4, 0.3, { shown: NOTHING, topMm })).toEqual(
      pictureOf(stripes, INKS, 4, 0.3),
    );
  });
  test("of plain colours, without gloss, filaments and depth, it is the plain picture too", () => {
    const inks = INKS.map(({ rgb }) => ({ rgb, metallic: false }));
    const shown = { ...NOTHING, flakes: true };
    expect(litPictureOf(stripes, inks, 4, 0.3, { shown, topMm })).toEqual(pictureOf(stripes, inks, 4, 0.3));
  });
  test("the same pour under the same light is the same picture, and under another another one; the shares are left as they are", () => {
    const before = Float32Array.from(stripes.weight);
    const once = litPictureOf(stripes, INKS, 4, 0.3, { topMm });
    expect(litPictureOf(stripes, INKS, 4, 0.3, { topMm })).toEqual(once);
    const other = litPictureOf(stripes, INKS, 4, 0.3, { topMm, light: { ...USUAL_LIGHT, azimuth: 0.9 } });
    expect(other).not.toEqual(once);
    expect(stripes.weight).toEqual(before);
  });
  test("a large area of a metallic is in its mean between its face and its flop, and varies", () => {
    const metal = pictured(sheetOf(300, 300), UNMOVED, () => 1);
    const shown = { ...NOTHING, flakes: true };
    const rgba = litPictureOf(metal, INKS, 7, 0.3, { shown, topMm });
    const linear = (value: number) =>
      value / 255 <= 0.04045 ? value / 255 / 12.92 : ((value / 255 + 0.055) / 1.055) ** 2.4;
    for (const channel of [0, 1, 2] as const) {
      const all = Array.from({ length: 90_000 }, (_, i) => linear(rgba[4 * i + channel]!));
      const mean = all.reduce((sum, value) => sum + value, 0) / all.length;
      expect(mean).toBeGreaterThan(FLOP[channel]);
      expect(mean).toBeLessThan(FACE[channel]);
      expect(Math.max(...all.slice(0, 5000)) - Math.min(...all.slice(0, 5000))).toBeGreaterThan(0.05);
    }
  });
  test("a part with its margin is lit as in the whole: no seam", () => {
    const whole = pictured(sheetOf(80, 120), [0.9, 0.2, -0.1, 1.1], (x, y) => (x + y > 150 ? 1 : 0));
    const lit = litPictureOf(whole, INKS, 3, 0.2, { topMm });
    const margin = marginPx(2);
    const [from, to] = [50, 70];
    const sheet = { ...whole.sheet, fromY: (from - margin) * 2, heightPx: to - from + 2 * margin };
    const part = pictured(sheet, [0.9, 0.2, -0.1, 1.1], (x, y) => (x + y > 150 ? 1 : 0));
    const rows = litPictureOf(part, INKS, 3, 0.2, { topMm }).slice(
      4 * 80 * margin,
      4 * 80 * (margin + to - from),
    );
    const same = lit.slice(4 * 80 * from, 4 * 80 * to);
    let off = 0;
    rows.forEach((value, n) => (off = Math.max(off, Math.abs(value - same[n]!))));
    expect(off).toBeLessThanOrEqual(1);
  });
  test("light that comes out beside keeps the mean of a picture, and borders of late lines stay crisp", () => {
    const shown = { ...NOTHING, depth: true };
    const step = pictured(sheetOf(60, 60), UNMOVED, (x) => (x > 60 ? 1 : 0));
    const inks: Ink[] = [INKS[0]!, { rgb: [0.02, 0.02, 0.02], metallic: false }];
    const contrast = (late: ReadonlySet<number>) => {
      const rgba = litPictureOf(step, inks, 3, 0, { shown, late, topMm });
      return rgba[4 * (30 * 60 + 29)]! - rgba[4 * (30 * 60 + 30)]!;
    };
    const rgba = litPictureOf(step, inks, 3, 0, { shown, topMm });
    const linear = (value: number) =>
      value / 255 <= 0.04045 ? value / 255 / 12.92 : ((value / 255 + 0.055) / 1.055) ** 2.4;
    const mean =
      Array.from({ length: 3600 }, (_, i) => linear(rgba[4 * i]!)).reduce((a, b) => a + b, 0) / 3600;
    expect(mean).toBeCloseTo((0.8 + 0.02) / 2, 2);
    expect(contrast(new Set([0, 1]))).toBeGreaterThan(contrast(new Set()));
  });
});

describe("flakes and clear coat", () => {
  test("a flake that mirrors the lamp to the eye shows all of its face, and less the further it leans away", () => {
    const half = USUAL_LIGHT.lean / 2;
    const h = [Math.sin(half), 0, Math.cos(half)] as const;
    expect(highlight(Math.tan(half), 0, h)).toBeCloseTo(1, 9);
    // By hand: one spread off, exp(−1/2).
    expect(highlight(0.3, 0, [0, 0, 1])).toBeCloseTo(Math.exp(-0.5), 9);
    expect(highlight(0.6, 0, [0, 0, 1])).toBeLessThan(highlight(0.3, 0, [0, 0, 1]));
  });
  test("by hand, for an index of 1.5: 4 % straight on, 7.4 % at Brewster's angle, where one polarisation is not mirrored, all at grazing", () => {
    expect(fresnel(1)).toBeCloseTo(0.04, 12);
    // tan = 1.5: the other one is ((1.5² − 1)/(1.5² + 1))².
    expect(fresnel(Math.cos(Math.atan(1.5)))).toBeCloseTo((1.25 / 3.25) ** 2 / 2, 12);
    expect(fresnel(0)).toBeCloseTo(1, 12);
    for (let cosine = 0.95; cosine >= 0; cosine -= 0.05)
      expect(fresnel(cosine)).toBeGreaterThan(fresnel(cosine + 0.05));
  });
  test("the lamp lies over a part of a counter, never over half of it", () => {
    const sheet = sheetOf(240, 64, 10);
    const black = pictured(sheet, UNMOVED, () => 0);
    const inks: Ink[] = [{ rgb: [0.01, 0.01, 0.01], metallic: false }, INKS[1]!];
    const rgba = litPictureOf(black, inks, 3, 0, {
      shown: { ...NOTHING, gloss: true },
      topMm: { x: 1200, y: 320 },
    });
    let bright = 0;
    for (let i = 0; i < 240 * 64; i += 1) if (rgba[4 * i]! > 60) bright += 1;
    expect(bright / (240 * 64)).toBeGreaterThan(0.02);
    expect(bright / (240 * 64)).toBeLessThan(0.3);
  });
});
