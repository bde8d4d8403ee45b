import { smooth, smoothSlope } from "../op";
import { streaks } from "./profile";

/** How evenly a wide tool touches across its width: soft at its sides, uneven between. */
export function streakedWidth(halfMm: number, sideMm: number, uneven: number, seed: number) {
  const noise = streaks(seed, 60);
  const side = Math.min(sideMm, halfMm);
  const edge = (p: number) => smooth((halfMm - Math.abs(p)) / side);
  const touch = (p: number) => 1 - uneven * 0.5 * (1 + Math.max(-1, Math.min(1, noise(p))));
  const STEP = 1e-4;
  return {
    at: (p: number) => edge(p) * touch(p),
    slope: (p: number) =>
      (-Math.sign(p) * smoothSlope((halfMm - Math.abs(p)) / side) * touch(p)) / side +
      (edge(p) * (touch(p + STEP) - touch(p - STEP))) / (2 * STEP),
  };
}
