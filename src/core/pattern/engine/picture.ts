import type { Shares } from "./sheet";
import { cloudNoise } from "./noise";

/** A colour of a picture, linear light; metallic ones glint by the direction in which they were last sheared. */
export type Ink = {
  rgb: Light;
  metallic: boolean;
  /** How a metallic looks straight on and from the side; without, it only glows and dims. */
  face?: Light;
  flop?: Light;
};
type Light = readonly [number, number, number];

/** Light from the upper left, as twice its angle. */
const LIGHT = { x: Math.cos(2 * 0.6), y: Math.sin(2 * 0.6) };
/** How much mica and pigment vary on their own, and how strongly flakes turn with the shear (assumed). */
const TEXTURE = { metallic: 0.34, plain: 0.2, white: 0.035, flake: 0.22 };
/** How far flakes turn on their own between face and flop (assumed). */
const TILTED = 0.8;
/** Streaks of a poured colour lie along its pour: so many times longer than wide. */
const ASPECT = 5;

const LEVELS = 4096;
/** sRGB's own curve (IEC 61966-2-1), as steps of light finer than the screen's. */
const ENCODED = Uint8ClampedArray.from({ length: LEVELS + 1 }, (_, n) => {
  const linear = n / LEVELS;
  return 255 * (linear <= 0.0031308 ? 12.92 * linear : 1.055 * linear ** (1 / 2.4) - 0.055);
});
/** Linear light, 0 to 1, as a screen wants it. */
export const encodeLight = (linear: number): number =>
  ENCODED[Math.min(LEVELS, Math.max(0, (linear * LEVELS + 0.5) | 0))] as number;

/**
 * Red, green, blue and 255 for each sample, encoded for a screen. Each colour's own streaks lie where it was poured and move with it.
 * @param angle direction of the pour, rad
 */
export function pictureOf(
  { sheet, weight, shear2x, shear2y, sourceX, sourceY }: Shares,
  inks: readonly Ink[],
  seed: number,
  angle = 0,
): Uint8ClampedArray {
  const { widthPx, heightPx, colours } = sheet;
  const samples = widthPx * heightPx;
  const coarse = cloudNoise(seed + 99, 60, 3);
  const fine = cloudNoise(seed + 7, 16, 2);
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  const out = new Uint8ClampedArray(samples * 4);
  // White varies least: what it lacks is seen at once.
  const textures = inks.map(({ rgb: [r, g, b], metallic }) => {
    const light = Math.min(1, 0.3 * r + 0.6 * g + 0.1 * b);
    return metallic
      ? TEXTURE.metallic * (1 - 0.6 * light)
      : TEXTURE.plain + (TEXTURE.white - TEXTURE.plain) * Math.sqrt(light);
  });
  for (let i = 0; i < samples; i += 1) {
    const x = sourceX[i] as number;
    const y = sourceY[i] as number;
    const q = (c * x + s * y) / ASPECT;
    const p = c * y - s * x;
    const height = 1.1 * coarse(q, p) + 0.7 * fine(q, p);
    const flake = (shear2x[i] as number) * LIGHT.x + (shear2y[i] as number) * LIGHT.y;
    let r = 0;
    let g = 0;
    let b = 0;
    let all = 0;
    for (let colour = 0; colour < colours; colour += 1) {
      const share = weight[colour * samples + i] as number;
      if (share === 0) continue;
      const ink = inks[colour];
      if (!ink) continue;
      if (ink.face && ink.flop) {
        // Flakes that lie towards the light show the face, those turned away the flop.
        const turned = Math.max(-1, Math.min(1, TILTED * (0.5 * flake + 0.6 * height)));
        const to = turned > 0 ? ink.face : ink.flop;
        const part = turned > 0 ? turned : -turned;
        r += share * (ink.rgb[0] + part * (to[0] - ink.rgb[0]));
        g += share * (ink.rgb[1] + part * (to[1] - ink.rgb[1]));
        b += share * (ink.rgb[2] + part * (to[2] - ink.rgb[2]));
      } else {
        const glow =
          share * (1 + (textures[colour] as number) * height + (ink.metallic ? TEXTURE.flake * flake : 0));
        r += glow * ink.rgb[0];
        g += glow * ink.rgb[1];
        b += glow * ink.rgb[2];
      }
      all += share;
    }
    const at = 4 * i;
    out[at] = encodeLight(r / all);
    out[at + 1] = encodeLight(g / all);
    out[at + 2] = encodeLight(b / all);
    out[at + 3] = 255;
  }
  return out;
}
