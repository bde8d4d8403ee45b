import type { Xyz } from "./spectrum";

/** CIE 1976 L*a*b* under D65, 2° observer. */
export type Lab = readonly [L: number, a: number, b: number];
export type Rgb = readonly [number, number, number];

/** D65 from its chromaticity 0.3127, 0.3290 (CIE 15). */
export const WHITE: Xyz = [0.3127 / 0.329, 1, (1 - 0.3127 - 0.329) / 0.329];

const EPSILON = 216 / 24389;
const KAPPA = 24389 / 27;
const f = (t: number) => (t > EPSILON ? Math.cbrt(t) : (KAPPA * t + 16) / 116);
const inverseF = (t: number) => {
  const cube = t * t * t;
  return cube > EPSILON ? cube : (116 * t - 16) / KAPPA;
};

export function labOfXyz([x, y, z]: Xyz): Lab {
  const [fx, fy, fz] = [f(x / WHITE[0]), f(y), f(z / WHITE[2])];
  return [116 * fy - 16, 500 * (fx - fy), 200 * (fy - fz)];
}

/** CIELAB against another white. */
export function labUnder([x, y, z]: Xyz, [whiteX, whiteY, whiteZ]: Xyz): Lab {
  const [fx, fy, fz] = [f(x / whiteX), f(y / whiteY), f(z / whiteZ)];
  return [116 * fy - 16, 500 * (fx - fy), 200 * (fy - fz)];
}

export function xyzOfLab([L, a, b]: Lab): Xyz {
  const fy = (L + 16) / 116;
  return [WHITE[0] * inverseF(fy + a / 500), inverseF(fy), WHITE[2] * inverseF(fy - b / 200)];
}

/** Linear sRGB of XYZ (IEC 61966-2-1 with the exact D65 of its primaries); outside 0 to 1 where the screen cannot show it. */
export function linearOfXyz(xyz: Xyz): Rgb {
  const x = xyz[0];
  const y = xyz[1];
  const z = xyz[2];
  return [
    3.2409699419045213 * x - 1.5373831775700935 * y - 0.4986107602930033 * z,
    -0.9692436362808798 * x + 1.8759675015077206 * y + 0.04155505740717561 * z,
    0.05563007969699361 * x - 0.20397695888897657 * y + 1.0569715142428786 * z,
  ];
}

export function xyzOfLinear([r, g, b]: Rgb): Xyz {
  return [
    0.41239079926595945 * r + 0.35758433938387796 * g + 0.18048078840183428 * b,
    0.21263900587151033 * r + 0.7151686787677559 * g + 0.07219231536073371 * b,
    0.019330818715591851 * r + 0.11919477979462599 * g + 0.95053215224966058 * b,
  ];
}

export const encoded = (linear: number): number =>
  linear <= 0.0031308 ? 12.92 * linear : 1.055 * linear ** (1 / 2.4) - 0.055;
export const decoded = (value: number): number =>
  value <= 0.04045 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4;

/** sRGB channels 0 to 255 of "#RRGGBB". */
export function channelsOfHex(hex: string): Rgb {
  const value = parseInt(hex.slice(1), 16);
  return [(value >> 16) & 255, (value >> 8) & 255, value & 255];
}

/** "00" to "FF". */
const TWO_SIGNS = Array.from({ length: 256 }, (_, value) =>
  value.toString(16).padStart(2, "0").toUpperCase(),
);
const byte = (channel: number) => (channel <= 0 ? 0 : channel >= 255 ? 255 : Math.round(channel));

export function hexOfChannels([r, g, b]: Rgb): string {
  return `#${TWO_SIGNS[byte(r)]}${TWO_SIGNS[byte(g)]}${TWO_SIGNS[byte(b)]}`;
}

export function linearOfHex(hex: string): Rgb {
  const [r, g, b] = channelsOfHex(hex);
  return [decoded(r / 255), decoded(g / 255), decoded(b / 255)];
}

export const xyzOfHex = (hex: string): Xyz => xyzOfLinear(linearOfHex(hex));
export const labOfHex = (hex: string): Lab => labOfXyz(xyzOfHex(hex));

/** The nearest colour that a screen shows, each channel cut off at its ends. */
export function hexOfXyz(xyz: Xyz): string {
  const linear = linearOfXyz(xyz);
  const r = byte(encoded(linear[0]) * 255);
  const g = byte(encoded(linear[1]) * 255);
  const b = byte(encoded(linear[2]) * 255);
  return `#${TWO_SIGNS[r]}${TWO_SIGNS[g]}${TWO_SIGNS[b]}`;
}

export const hexOfLab = (lab: Lab): string => hexOfXyz(xyzOfLab(lab));

/** Whether a screen shows this colour; a thousandth over is not seen. */
export const onScreen = (xyz: Xyz): boolean =>
  linearOfXyz(xyz).every((channel) => channel >= -0.001 && channel <= 1.001);

/** Hue angle, degrees from 0 to 360. */
export const hueOf = ([, a, b]: Lab): number => ((((Math.atan2(b, a) * 180) / Math.PI) % 360) + 360) % 360;

/** Chroma C*ab. */
export const chromaOf = ([, a, b]: Lab): number => Math.hypot(a, b);
