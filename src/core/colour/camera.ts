import { decoded, labOfXyz, xyzOfLinear, type Lab, type Rgb } from "./spaces";

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
    const grey = decoded((card[index] as number) / 255);
    return (decoded(channel / 255) * cardReflectance) / grey;
  }) as unknown as Rgb;
  return { ok: true, linear, lab: labOfXyz(xyzOfLinear(linear)) };
}
