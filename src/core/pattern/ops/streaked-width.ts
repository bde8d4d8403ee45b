import { smooth } from "../engine/op";
import { streaks } from "./profile";

/** A height and its slope along a line, straight between knots. */
export type Tabled = {
  at: (p: number) => number;
  slope: (p: number) => number;
  knots: Float64Array;
  /** Where it begins, knots to one of its units, and whether it goes on from the end as from the beginning. */
  from: number;
  perUnit: number;
  around: boolean;
};

const KNOTS = 1024;

/** @param around whether it goes on from the end as from the beginning; else it stays as it is at its ends */
export function tabled(height: (p: number) => number, from: number, to: number, around = false): Tabled {
  const step = (to - from) / KNOTS;
  const knots = Float64Array.from({ length: KNOTS + 1 }, (_, n) => height(from + n * step));
  const place = (p: number) => {
    const at = (p - from) / step;
    if (around) return at - KNOTS * Math.floor(at / KNOTS);
    return at < 0 ? 0 : at > KNOTS - 1e-9 ? KNOTS - 1e-9 : at;
  };
  const rise = (k: number) => (knots[k + 1] as number) - (knots[k] as number);
  return {
    at: (p) => {
      const at = place(p);
      const k = at | 0;
      return (knots[k] as number) + rise(k) * (at - k);
    },
    slope: (p) => rise(place(p) | 0) / step,
    knots,
    from,
    perUnit: 1 / step,
    around,
  };
}

/** How evenly a wide tool touches across its width: soft at its sides, uneven between. */
export function streakedWidth(halfMm: number, sideMm: number, uneven: number, seed: number): Tabled {
  const noise = streaks(seed, 60);
  const side = Math.min(sideMm, halfMm);
  const edge = (p: number) => smooth((halfMm - Math.abs(p)) / side);
  const touch = (p: number) => 1 - uneven * 0.5 * (1 + Math.max(-1, Math.min(1, noise(p))));
  return tabled((p) => edge(p) * touch(p), -halfMm, halfMm);
}
