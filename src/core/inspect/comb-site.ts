import { normalBelow, normalDensity } from "../numerics/normal";

/**
 * A film of which only a comb's step is known: its chance, mean and variance, µm, of one that was about normal before.
 * @param nugget what two readings of one place differ by, µm
 */
export function siteMoments(
  mean: number,
  variance: number,
  lo: number | null,
  hi: number | null,
  nugget: number,
): { probability: number; mean: number; variance: number } {
  const s = Math.sqrt(variance + nugget * nugget);
  const low = lo === null ? -Infinity : (lo - mean) / s;
  const high = hi === null ? Infinity : (hi - mean) / s;
  // In the upper tail both shares are near one: looked at from the other side they are small, and differ.
  const mirror = low + high > 0;
  const a = mirror ? -high : low;
  const b = mirror ? -low : high;
  const Z = normalBelow(b) - normalBelow(a);
  const [da, db] = [normalDensity(a), normalDensity(b)];
  const g = (da - db) / Z;
  const bend = ((Number.isFinite(b) ? b * db : 0) - (Number.isFinite(a) ? a * da : 0)) / Z + g * g;
  return {
    probability: Z,
    mean: mean + ((mirror ? -g : g) * variance) / s,
    variance: variance - (variance / s) ** 2 * bend,
  };
}
