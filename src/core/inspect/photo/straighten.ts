import { GREY_CARD, meanOfPatch } from "../../colour/camera";
import { decoded, type Rgb } from "../../colour/spaces";
import type { Sheet } from "../../pattern/engine/sheet";
import { perspectiveOf, type At } from "./perspective";

/** A photo as it is decoded: red, green, blue and alpha, row by row. */
export type Photo = { width: number; height: number; pixels: Uint8ClampedArray };

/** Straight and balanced: linear red, green and blue of each sample of a sheet; NaN where the photo has nothing. */
export type Straight = { sheet: Sheet; light: Float32Array };

const DECODED = Float32Array.from({ length: 256 }, (_, n) => decoded(n / 255));

/** What each channel is brought by to the light of a grey card, from its patch in the photo: linear. */
export type Balance = Rgb;
/** Burnt out or too dark a card says nothing. */
const CARD = { from: 12, to: 250 };

/**
 * @param patch of the grey card, or of something whose colour is known, px
 * @param reflectance of it: linear red, green and blue
 * @returns null where the patch is burnt out or too dark there
 */
export function balanceOf(
  { pixels, width, height }: Photo,
  patch: At & { radius: number },
  reflectance: Rgb = [GREY_CARD, GREY_CARD, GREY_CARD],
): Balance | null {
  const mean = meanOfPatch(pixels, width, height, patch);
  if (mean.some((channel) => channel <= CARD.from || channel >= CARD.to)) return null;
  return mean.map((channel, n) => (reflectance[n] as number) / decoded(channel / 255)) as unknown as Rgb;
}

/** Samples along each side of a sheet's sample, so that what is fine in the photo is averaged. */
const FINE = 3;

/** A place on a piece, mm, and where it stands in a photo, px. */
export type Anchor = { onPiece: At; inPhoto: At };

/**
 * Sets a photo straight onto a sheet, by four places of the piece that are seen in it. Light is averaged as light.
 * @throws where three of the places lie in one line
 */
export function straighten(
  photo: Photo,
  anchors: readonly Anchor[],
  sheet: Sheet,
  balance: Balance,
): Straight {
  const { widthPx, heightPx } = sheet;
  const map = perspectiveOf(
    anchors.map(({ onPiece: { x, y } }) => ({
      x: (x - sheet.fromX) / sheet.pixelMm,
      y: (y - sheet.fromY) / sheet.pixelMm,
    })),
    anchors.map(({ inPhoto }) => inPhoto),
  );
  const { width, height, pixels } = photo;
  const light = new Float32Array(widthPx * heightPx * 3);
  // The map's numbers by name: this is done some millions of times.
  const [a = 0, b = 0, c = 0, d = 0, e = 0, f = 0, g = 0, h = 0] = map;
  const [red, green, blue] = balance;
  for (let row = 0; row < heightPx; row += 1)
    for (let column = 0; column < widthPx; column += 1) {
      let [r, s, t] = [0, 0, 0];
      let many = 0;
      for (let j = 0; j < FINE; j += 1) {
        const y = row + (j + 0.5) / FINE;
        for (let i = 0; i < FINE; i += 1) {
          const x = column + (i + 0.5) / FINE;
          const by = g * x + h * y + 1;
          const u = Math.floor((a * x + b * y + c) / by);
          const v = Math.floor((d * x + e * y + f) / by);
          if (u < 0 || v < 0 || u >= width || v >= height) continue;
          const at = 4 * (v * width + u);
          r += DECODED[pixels[at] as number] as number;
          s += DECODED[pixels[at + 1] as number] as number;
          t += DECODED[pixels[at + 2] as number] as number;
          many += 1;
        }
      }
      const to = 3 * (row * widthPx + column);
      light[to] = many > 0 ? (r / many) * red : NaN;
      light[to + 1] = many > 0 ? (s / many) * green : NaN;
      light[to + 2] = many > 0 ? (t / many) * blue : NaN;
    }
  return { sheet, light };
}
