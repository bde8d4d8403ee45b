/**
 * Rounds parts to a step so that they still sum to the rounded whole (largest remainder, Hare quota).
 * Each part moves by less than one step.
 * @param parts non-negative values
 * @param step what the measuring vessel or scale can tell, > 0
 */
export function roundToSum(parts: readonly number[], step: number): number[] {
  const whole = Math.round(parts.reduce((sum, part) => sum + part, 0) / step);
  const floors = parts.map((part) => Math.floor(part / step + 1e-9));
  let missing = whole - floors.reduce((sum, part) => sum + part, 0);
  const byRemainder = parts
    .map((part, index) => ({ index, remainder: part / step - (floors[index] ?? 0) }))
    .sort((a, b) => b.remainder - a.remainder || a.index - b.index);
  for (const { index } of byRemainder) {
    if (missing <= 0) break;
    floors[index] = (floors[index] ?? 0) + 1;
    missing -= 1;
  }
  return floors.map((count) => count * step);
}
