import { turnBy, turned } from "../../numerics/fast-turn";
import { seeded } from "../../numerics/random";

/**
 * How strongly a tool drags across its width: piecewise linear between knots, with a return flow beside it, so that nothing is carried away on
 * the whole. `at` is f(p), `slope` f′, `sum` F = ∫f exactly, 0 at both ends; all 0 beyond `reachMm`.
 */
export type Profile = {
  reachMm: number;
  stepMm: number;
  /** f at the knots, and F. */
  knots: Float64Array;
  sums: Float64Array;
  /** Largest |f|. */
  most: number;
  at: (p: number) => number;
  slope: (p: number) => number;
  sum: (p: number) => number;
};

const KNOTS = 256;
const placeOf = (k: number) => -1 + (2 * k) / KNOTS;
/** What comes back beside the tool, by the share of its reach, at the knots; and all of it. */
const RETURNING = Float64Array.from({ length: KNOTS + 1 }, (_, k) => (1 - placeOf(k) ** 2) ** 2);
const RETURNING_SUM = RETURNING.reduce((sum, share) => sum + share, 0);

/** @param shape dragging by the distance from the tool's middle, mm; what lies beyond the reach is left out */
export function profileOf(shape: (p: number) => number, reachMm: number): Profile {
  const stepMm = (2 * reachMm) / KNOTS;
  const knots = new Float64Array(KNOTS + 1);
  let carried = 0;
  for (let k = 1; k < KNOTS; k += 1) {
    const f = shape(reachMm * placeOf(k));
    knots[k] = f;
    carried += f;
  }
  const back = carried / RETURNING_SUM;
  const sums = new Float64Array(KNOTS + 1);
  let most = 0;
  for (let k = 0; k <= KNOTS; k += 1) {
    const f = (knots[k] as number) - back * (RETURNING[k] as number);
    knots[k] = f;
    most = Math.max(most, Math.abs(f));
    if (k > 0) sums[k] = (sums[k - 1] as number) + (stepMm * ((knots[k - 1] as number) + f)) / 2;
  }
  const find = (p: number) => {
    const at = Math.min(KNOTS - 1e-9, Math.max(0, (p + reachMm) / stepMm));
    const k = Math.floor(at);
    return { share: at - k, a: knots[k] as number, b: knots[k + 1] as number, sum: sums[k] as number };
  };
  const beyond = (p: number) => Math.abs(p) >= reachMm;
  return {
    reachMm,
    stepMm,
    knots,
    sums,
    most,
    at: (p) => {
      if (beyond(p)) return 0;
      const { share, a, b } = find(p);
      return a + (b - a) * share;
    },
    slope: (p) => {
      if (beyond(p)) return 0;
      const { a, b } = find(p);
      return (b - a) / stepMm;
    },
    sum: (p) => {
      if (beyond(p)) return 0;
      const { share, a, b, sum } = find(p);
      return sum + stepMm * share * (a + ((b - a) * share) / 2);
    },
  };
}

/** Finer streaks than these only make saw teeth. */
const OCTAVES = 3;

/** A line of noise, 0 in the middle, about ±1: fades from coarse to fine (height by length). */
export function streaks(
  seed: number,
  coarseMm: number,
  aroundMm: number | null = null,
): (p: number) => number {
  const random = seeded(seed);
  // Around a tumbler each wave fits a whole number of times.
  const fitted = (times: number) =>
    aroundMm === null ? times / coarseMm : Math.max(1, Math.round((times * aroundMm) / coarseMm)) / aroundMm;
  const waves = Array.from({ length: OCTAVES }, (_, octave) => ({
    k: 2 * Math.PI * fitted(1.7 ** octave),
    phase: 2 * Math.PI * random(),
    height: 0.7 / 1.7 ** octave,
  }));
  return (p) => {
    let sum = 0;
    for (const { k, phase, height } of waves) {
      turnBy(k * p + phase);
      sum += height * turned.sine;
    }
    return sum;
  };
}

/** How a tool touches: hand, roller, fingers, a stick, a blade that skims, a comb, a squeegee, a foam brush (widths: common practice). */
export type Touch = "hand" | "roller" | "fingers" | "stick" | "skim" | "comb" | "squeegee" | "foam-brush";

/** Across the tool, mm: what it drags and what comes back beside it. */
const REACH: Record<Touch, number> = {
  hand: 95,
  roller: 78,
  fingers: 60,
  stick: 26,
  skim: 72,
  comb: 130,
  squeegee: 190,
  "foam-brush": 60,
};
const flat = (p: number, half: number, edge: number) =>
  Math.abs(p) <= half - edge ? 1 : Math.abs(p) >= half ? 0 : (half - Math.abs(p)) / edge;
const tines = (p: number, many: number, apart: number, wide: number) => {
  let sum = 0;
  for (let n = 0; n < many; n += 1) {
    const off = p - (n - (many - 1) / 2) * apart;
    sum += Math.exp(-Math.abs(off) / wide);
  }
  return Math.min(1, sum);
};

/**
 * The drag of a tool across its width, the same for the same seed.
 * @param tears 0 on a runny film to 1 on one that hardly moves: it gives in streaks
 */
export function touchProfile(touch: Touch, seed: number, tears = 0): Profile {
  const noise = streaks(seed, touch === "skim" ? 32 : 75);
  const torn = 0.6 * tears;
  const shape: Record<Touch, (p: number) => number> = {
    hand: (p) => Math.exp(-((p / 29) ** 2) / 2) * (1 + (0.18 + torn) * noise(p)),
    roller: (p) => flat(p, 58, 40) * (1 + (0.16 + torn) * noise(p)),
    fingers: (p) => tines(p, 4, 17, 5),
    stick: (p) => Math.exp(-Math.abs(p) / 4),
    skim: (p) => flat(p, 50, 12) * (0.75 + (0.25 + torn) * noise(p)),
    comb: (p) => tines(p, 9, 24, 3),
    squeegee: (p) => flat(p, 140, 80) * (1 + (0.14 + torn) * noise(p)),
    "foam-brush": (p) => Math.exp(-((p / 22) ** 4)) * (1 + (0.12 + torn) * noise(p)),
  };
  return profileOf(shape[touch], REACH[touch]);
}
