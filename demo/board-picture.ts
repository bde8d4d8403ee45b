import sharp from "sharp";
import { channelsOfHex } from "@/core/colour/spaces";

/** sRGB of a surface that reflects 18 % of the light. */
const GREY_CARD = "#767676";
const SIZE = { width: 1200, height: 1000 };

/** One channel of the palette as a ramp: each colour as wide as its share, in an order that mixes light and dark. */
function ramp(colours: readonly { hex: string; share: number }[], channel: number): string {
  const steps = colours.flatMap(({ hex, share }) =>
    Array.from(
      { length: Math.max(1, Math.round(share * 10)) },
      () => (channelsOfHex(hex)[channel] ?? 0) / 255,
    ),
  );
  return [...steps, ...[...steps].reverse(), ...steps].map((value) => value.toFixed(3)).join(" ");
}

/** A made-up photograph of a sample board on the bench, with a grey card beside it: clouds of noise in the recipe's colours. */
export async function boardPicture(
  colours: readonly { hex: string; share: number }[],
  seed: number,
): Promise<string> {
  const tables = [0, 1, 2]
    .map((channel) => `<feFunc${"RGB"[channel]} type="table" tableValues="${ramp(colours, channel)}"/>`)
    .join("");
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${SIZE.width}" height="${SIZE.height}">
  <defs>
    <filter id="board" x="0" y="0" width="100%" height="100%" color-interpolation-filters="sRGB">
      <feTurbulence type="fractalNoise" baseFrequency="0.0022 0.0075" numOctaves="5" seed="${seed}"/>
      <feColorMatrix values="1.9 0 0 0 -0.45  1.9 0 0 0 -0.45  1.9 0 0 0 -0.45  0 0 0 0 1"/>
      <feComponentTransfer>${tables}</feComponentTransfer>
    </filter>
    <linearGradient id="light" x1="0" y1="0" x2="1" y2="1">
      <stop offset="0" stop-color="#fff" stop-opacity="0.05"/>
      <stop offset="1" stop-color="#000" stop-opacity="0.06"/>
    </linearGradient>
  </defs>
  <rect width="100%" height="100%" fill="#a79f92"/>
  <rect x="70" y="106" width="790" height="790" fill="#3a3733" opacity="0.35"/>
  <rect x="60" y="90" width="790" height="790" filter="url(#board)"/>
  <rect x="905" y="560" width="225" height="320" fill="${GREY_CARD}"/>
  <rect width="100%" height="100%" fill="url(#light)"/>
</svg>`;
  return (await sharp(Buffer.from(svg)).jpeg({ quality: 88 }).toBuffer()).toString("base64");
}
