import { normalBelow, normalDensity } from "../numerics/normal";

/** A smaller share is none that a number can hold: others at that place say something else so surely. */
const LEAST = 1e-280;

/** Mean and bend of a standard normal between two ends that hold a share Z of it. */
function within(a: number, b: number, Z: number): { g: number; bend: number } {
  const [da, db] = [normalDensity(a), normalDensity(b)];
  const g = (da - db) / Z;
  return { g, bend: ((Number.isFinite(b) ? b * db : 0) - (Number.isFinite(a) ? a * da : 0)) / Z + g * g };
}

/** The same so far out, t standard deviations, that the share is none: all of it lies at the near end (the tail's own series). */
function beyond(t: number): { g: number; bend: number } {
  const g = -(t + 1 / t - 2 / t ** 3);
  return { g, bend: 1 - 1 / t ** 2 };
}

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
  const { g, bend } = Z > LEAST ? within(a, b, Z) : beyond(-b);
  return {
    probability: Z,
    mean: mean + ((mirror ? -g : g) * variance) / s,
    variance: variance - (variance / s) ** 2 * bend,
  };
}
