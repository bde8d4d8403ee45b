import type { Spread } from "@/core/numerics/spread";

/** How far a number lies among sisters; nothing but its place until they are measured. */
export function Among({ spread, words }: { spread: Spread | undefined; words: (value: number) => string }) {
  return (
    <span className="label block" aria-live="polite">
      {spread ? `sisters ${words(spread.low)} to ${words(spread.high)}` : "\u00a0"}
    </span>
  );
}
