/** A model's answer: what is likely, and the low and high ends of its spread (about nine in ten). */
export type Spread = { low: number; likely: number; high: number };

/** A spread without doubt. */
export const exactly = (value: number): Spread => ({ low: value, likely: value, high: value });

/** A spread by relative half-widths, as in "±25 %". */
export const within = (likely: number, below: number, above = below): Spread => ({
  low: likely * (1 - below),
  likely,
  high: likely * (1 + above),
});

export const scaled = (spread: Spread, factor: number): Spread => ({
  low: spread.low * factor,
  likely: spread.likely * factor,
  high: spread.high * factor,
});

/** Sum of independent terms: likely values add, half-widths add in quadrature on each side. */
export function sumOf(terms: readonly Spread[]): Spread {
  let likely = 0;
  let below = 0;
  let above = 0;
  for (const term of terms) {
    likely += term.likely;
    below += (term.likely - term.low) ** 2;
    above += (term.high - term.likely) ** 2;
  }
  return { low: likely - Math.sqrt(below), likely, high: likely + Math.sqrt(above) };
}
