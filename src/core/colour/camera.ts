import { decoded, encoded, labOfXyz, xyzOfLinear, type Lab, type Rgb } from "./spaces";
import { nth } from "../numerics/nth";

/** Reflectance of the usual grey card. */
export const GREY_CARD = 0.18;

/** Spread of a colour read off a photograph with a grey card, ΔE00: in daylight and indoors (simulated cameras; see docs/models/colour.md). */
export const PHOTO_SPREAD = { daylight: 4, indoors: 6 };

export type Photographed = { ok: true; lab: Lab; linear: Rgb } | { ok: false; reason: string };

const CLIPPED = 250;
const DARK = 12;

/**
 * The colour of a patch in a photograph, brought to its light by a grey card in the same picture.
 * @param patch, card means of their sRGB channels, 0 to 255; @param cardReflectance of the card as measured
 */
export function photographedLab(patch: Rgb, card: Rgb, cardReflectance = GREY_CARD): Photographed {
  if (card.some((channel) => channel >= CLIPPED) || patch.some((channel) => channel >= CLIPPED))
    return { ok: false, reason: "That patch is burnt out to white. Take the picture a little darker." };
  if (card.some((channel) => channel <= DARK))
    return { ok: false, reason: "The grey card is too dark there. Take the picture in more light." };
  const linear = patch.map((channel, index) => {
    const grey = decoded(nth(card, index) / 255);
    return (decoded(channel / 255) * cardReflectance) / grey;
  }) as unknown as Rgb;
  return { ok: true, linear, lab: labOfXyz(xyzOfLinear(linear)) };
}

/**
 * Mean colour of a round patch of a picture, light averaged as light, as sRGB channels of 0 to 255.
 * @param pixels red, green, blue and alpha, row by row, 4 · width · height bytes
 * @param x, y its middle and @param radius in pixels; what lies outside of the picture is left out
 * @throws when no pixel of it lies in the picture.
 */
export function meanOfPatch(
  pixels: ArrayLike<number>,
  width: number,
  height: number,
  { x, y, radius }: { x: number; y: number; radius: number },
): Rgb {
  const sum = [0, 0, 0];
  let count = 0;
  for (let row = Math.max(0, Math.ceil(y - radius)); row <= Math.min(height - 1, y + radius); row += 1)
    for (
      let column = Math.max(0, Math.ceil(x - radius));
      column <= Math.min(width - 1, x + radius);
      column += 1
    ) {
      if ((row - y) ** 2 + (column - x) ** 2 > radius ** 2) continue;
      const at = 4 * (row * width + column);
      for (let channel = 0; channel < 3; channel += 1)
        sum[channel] = nth(sum, channel) + decoded(nth(pixels, at + channel) / 255);
      count += 1;
    }
  if (count === 0) throw new Error(`No pixel within ${radius} px of ${x}, ${y} in ${width} × ${height}`);
  return sum.map((linear) => 255 * encoded(linear / count)) as unknown as Rgb;
}
