import type { Shares } from "./evaluate";
import { cloudNoise } from "./noise";

/** A colour of a picture, linear light; metallic ones glint by the direction in which they were last sheared. */
export type Ink = { rgb: readonly [number, number, number]; metallic: boolean };

/** Light from the upper left, as twice its angle. */
const LIGHT = { x: Math.cos(2 * 0.6), y: Math.sin(2 * 0.6) };
/** How much mica and pigment vary on their own, and how strongly flakes turn with the shear (assumed). */
const TEXTURE = { metallic: 0.16, plain: 0.035, flake: 0.2 };

/** Red, green, blue and 255 for each sample, encoded for a screen. */
export function pictureOf(
  { sheet, weight, shear2x, shear2y }: Shares,
  inks: readonly Ink[],
  seed: number,
): Uint8ClampedArray {
  const { widthPx, heightPx, pixelMm, colours } = sheet;
  const samples = widthPx * heightPx;
  const cloud = cloudNoise(seed + 99, 38, 3);
  const out = new Uint8ClampedArray(samples * 4);
  for (let i = 0; i < samples; i += 1) {
    const height = cloud((i % widthPx) * pixelMm, Math.floor(i / widthPx) * pixelMm);
    const flake = (shear2x[i] as number) * LIGHT.x + (shear2y[i] as number) * LIGHT.y;
    let [r, g, b, all] = [0, 0, 0, 0];
    for (let colour = 0; colour < colours; colour += 1) {
      const share = weight[colour * samples + i] as number;
      const ink = inks[colour];
      if (share === 0 || !ink) continue;
      const glow = ink.metallic
        ? 1 + TEXTURE.metallic * height + TEXTURE.flake * flake
        : 1 + TEXTURE.plain * height;
      r += share * glow * ink.rgb[0];
      g += share * glow * ink.rgb[1];
      b += share * glow * ink.rgb[2];
      all += share;
    }
    out[4 * i] = 255 * encode(r / all);
    out[4 * i + 1] = 255 * encode(g / all);
    out[4 * i + 2] = 255 * encode(b / all);
    out[4 * i + 3] = 255;
  }
  return out;
}

/** sRGB's own curve. */
const encode = (linear: number): number =>
  linear <= 0.0031308 ? 12.92 * Math.max(0, linear) : 1.055 * Math.min(1, linear) ** (1 / 2.4) - 0.055;
