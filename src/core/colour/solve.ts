import { ciede2000 } from "./ciede2000";
import { belowSurface, K1, K2, ratioOf } from "./film-optics";
import { BANDS, COARSE, COARSE_WEIGHTS, WEIGHTS } from "./observer";
import { smoothReflectanceOfXyz } from "./recover";
import { labOfXyz, WHITE, xyzOfLab, type Lab } from "./spaces";
import type { Band } from "./spectrum";

/** A colourant of the shelf as it is weighed: mm⁻¹ for each gram of it, water or binder included, in 100 g. */
export type ShelfColour = {
  id: string;
  K: Band;
  S: Band;
  /** Most of it that the resin takes, g in 100 g; null for no own limit. */
  mostPer100G: number | null;
};

export type SolveFor = {
  target: Lab;
  shelf: readonly ShelfColour[];
  /** Mass of mixed resin that is coloured, g. */
  batchG: number;
  /** Step of the scale, g. */
  stepG: number;
  /** All colourants together, g in 100 g. */
  load: { least: number; most: number };
  most: 1 | 2 | 3 | 4;
};

export type Proposal = {
  parts: { id: string; grams: number }[];
  /** ΔE00 to the target with whole steps of the scale, as an opaque film. */
  difference: number;
  /** The most it moves when one dose is half a step off, ΔE00. */
  shiftPerHalfStep: number;
  lab: Lab;
};

/** Each further colourant must earn this much, ΔE00; and this share of what half a step moves. */
const COST_EACH = 0.15;
const COST_SHIFT = 0.5;
/** Sets that are worked out after the first sight; candidates that are rounded to the scale. */
const REFINED = 2500;
const CANDIDATES = 60;
const PER_SIZE = 30;
const LOADS = 4;

const COUNT = COARSE.length;
const [CX, CY, CZ] = COARSE_WEIGHTS.map((row) => Float64Array.from(row)) as [
  Float64Array,
  Float64Array,
  Float64Array,
];
const [FX, FY, FZ] = WEIGHTS.map((row) => Float64Array.from(row)) as [
  Float64Array,
  Float64Array,
  Float64Array,
];
const OUT = (1 - K1) * (1 - K2);

const f = (t: number) => (t > 216 / 24389 ? Math.cbrt(t) : (t * 24389) / 27 / 116 + 16 / 116);
const slopeF = (t: number) => (t > 216 / 24389 ? 1 / (3 * Math.cbrt(t) ** 2) : 24389 / 27 / 116);

/** Flat tables of the shelf at a set of bands: pigment by pigment. */
function tables(
  shelf: readonly ShelfColour[],
  bands: readonly number[],
): { K: Float64Array; S: Float64Array } {
  const K = new Float64Array(shelf.length * bands.length);
  const S = new Float64Array(shelf.length * bands.length);
  shelf.forEach((colour, index) =>
    bands.forEach((band, at) => {
      K[index * bands.length + at] = colour.K[band] as number;
      S[index * bands.length + at] = Math.max(1e-9, colour.S[band] as number);
    }),
  );
  return { K, S };
}

/** Weights that turn a small ΔL*, Δa*, Δb* at a target into about its ΔE00: found from the formula itself. */
function localMetric(target: Lab): Float64Array {
  const step = 0.5;
  const unit = (axis: number, by: number): Lab =>
    target.map((value, at) => (at === axis ? value + by : value)) as unknown as Lab;
  return Float64Array.from([0, 1, 2].map((axis) => ciede2000(target, unit(axis, step)) / step));
}

const ALL_BANDS = Array.from({ length: BANDS }, (_, band) => band);

/** The same on the ten bands. */
function coarseLab(
  table: { K: Float64Array; S: Float64Array },
  set: readonly number[],
  doses: ArrayLike<number>,
): Lab {
  let [x, y, z] = [0, 0, 0];
  for (let band = 0; band < COUNT; band += 1) {
    let [K, S] = [0, 0];
    for (let part = 0; part < set.length; part += 1) {
      const at = (set[part] as number) * COUNT + band;
      K += (doses[part] as number) * (table.K[at] as number);
      S += (doses[part] as number) * (table.S[at] as number);
    }
    const seen = (OUT * S) / (S * (1 - K2) + K + Math.sqrt(K * (K + 2 * S)));
    x += (CX[band] as number) * seen;
    y += (CY[band] as number) * seen;
    z += (CZ[band] as number) * seen;
  }
  return labOfXyz([x, y, z]);
}

/** The indices of the smallest values, in order: only those below the wanted quantile are sorted. */
function nearest(values: Float64Array, wanted: number): Uint32Array {
  const limit = Float64Array.from(values).sort()[wanted - 1] as number;
  const below: number[] = [];
  for (let index = 0; index < values.length && below.length < wanted; index += 1)
    if ((values[index] as number) <= limit) below.push(index);
  return Uint32Array.from(below).sort((one, other) => (values[one] as number) - (values[other] as number));
}

/** L*a*b* of an opaque layer of a mix, on all bands. */
function exactLab(
  table: { K: Float64Array; S: Float64Array },
  set: readonly number[],
  doses: ArrayLike<number>,
): Lab {
  let [x, y, z] = [0, 0, 0];
  for (let band = 0; band < BANDS; band += 1) {
    let [K, S] = [0, 0];
    for (let part = 0; part < set.length; part += 1) {
      const at = (set[part] as number) * BANDS + band;
      K += (doses[part] as number) * (table.K[at] as number);
      S += (doses[part] as number) * (table.S[at] as number);
    }
    const seen = (OUT * S) / (S * (1 - K2) + K + Math.sqrt(K * (K + 2 * S)));
    x += (FX[band] as number) * seen;
    y += (FY[band] as number) * seen;
    z += (FZ[band] as number) * seen;
  }
  return labOfXyz([x, y, z]);
}

let lastSets: { count: number; most: number; sets: Int16Array } | null = null;

/** All sets of up to `most` of `count`, flat with -1 as filler; kept, since a shelf seldom changes between two searches. */
function allSets(count: number, most: number): Int16Array {
  if (lastSets?.count === count && lastSets.most === most) return lastSets.sets;
  const list: number[] = [];
  for (let a = 0; a < count; a += 1) {
    list.push(a, -1, -1, -1);
    for (let b = a + 1; b < count && most > 1; b += 1) {
      list.push(a, b, -1, -1);
      for (let c = b + 1; c < count && most > 2; c += 1) {
        list.push(a, b, c, -1);
        for (let d = c + 1; d < count && most > 3; d += 1) list.push(a, b, c, d);
      }
    }
  }
  lastSets = { count, most, sets: Int16Array.from(list) };
  return lastSets.sets;
}

/**
 * The best few recipes for an opaque colour: up to four colourants, whole steps of the scale, loads within limits.
 * All sets are looked at roughly, the likeliest worked out on ten bands, the best rounded and judged on all 36.
 * @param onProgress is told the share done, 0 to 1
 */
export function solveColour(
  { target, shelf, batchG, stepG, load, most }: SolveFor,
  keep = 6,
  onProgress: (share: number) => void = () => {},
): Proposal[] {
  if (shelf.length === 0) return [];
  const coarse = tables(shelf, COARSE);
  const full = tables(shelf, ALL_BANDS);
  const metric = localMetric(target);
  const [mL, ma, mb] = metric as unknown as [number, number, number];

  // 1. Each colourant as a step in colour away from the target, if it were added to it.
  const wanted = smoothReflectanceOfXyz(xyzOfLab(target));
  const [tx, ty, tz] = xyzOfLab(target);
  const [gx, gy, gz] = [slopeF(tx / WHITE[0]) / WHITE[0], slopeF(ty), slopeF(tz / WHITE[2]) / WHITE[2]];
  const vectors = new Float64Array(shelf.length * 3);
  for (let band = 0; band < COUNT; band += 1) {
    const R = Math.min(0.999, Math.max(1e-4, belowSurface(wanted[COARSE[band] as number] as number)));
    const theta = ratioOf(R);
    const root = Math.sqrt(theta * theta + 2 * theta);
    const slope = (-R * R * (1 + (theta + 1) / root) * OUT) / (1 - K2 * R) ** 2;
    const [sx, sy, sz] = [
      slope * (CX[band] as number),
      slope * (CY[band] as number),
      slope * (CZ[band] as number),
    ];
    for (let one = 0; one < shelf.length; one += 1) {
      const at = one * COUNT + band;
      // A step no larger than the pigment alone could make it: its own θ bounds it.
      const S = coarse.S[at] as number;
      const away = (coarse.K[at] as number) - theta * S;
      const d = away / (S + Math.abs(away));
      const [fx, fy, fz] = [gx * sx * d, gy * sy * d, gz * sz * d];
      vectors[one * 3] = (vectors[one * 3] as number) + mL * 116 * fy;
      vectors[one * 3 + 1] = (vectors[one * 3 + 1] as number) + ma * 500 * (fx - fy);
      vectors[one * 3 + 2] = (vectors[one * 3 + 2] as number) + mb * 200 * (fy - fz);
    }
  }

  // 2. How near the origin comes to the hull of each set: six steps of Frank and Wolfe.
  const sets = allSets(shelf.length, most);
  const count = sets.length / 4;
  const rough = new Float64Array(count);
  for (let set = 0; set < count; set += 1) {
    const first = (sets[set * 4] as number) * 3;
    let [x, y, z] = [vectors[first] as number, vectors[first + 1] as number, vectors[first + 2] as number];
    for (let step = 0; step < 6; step += 1) {
      let lowest = Infinity;
      let toward = first;
      for (let part = 0; part < 4; part += 1) {
        const one = sets[set * 4 + part] as number;
        if (one < 0) break;
        const at = one * 3;
        const along =
          x * (vectors[at] as number) + y * (vectors[at + 1] as number) + z * (vectors[at + 2] as number);
        if (along < lowest) {
          lowest = along;
          toward = at;
        }
      }
      const [dx, dy, dz] = [
        (vectors[toward] as number) - x,
        (vectors[toward + 1] as number) - y,
        (vectors[toward + 2] as number) - z,
      ];
      const long = dx * dx + dy * dy + dz * dz;
      if (long < 1e-12) break;
      const share = Math.max(0, Math.min(1, -(x * dx + y * dy + z * dz) / long));
      x += share * dx;
      y += share * dy;
      z += share * dz;
    }
    rough[set] = Math.sqrt(x * x + y * y + z * z);
  }
  onProgress(0.15);
  const order = nearest(rough, Math.min(REFINED, count));

  // 3. The likeliest sets worked out: Levenberg-Marquardt in the logarithms of the doses.
  const workable = order.length;
  const refined: { set: number[]; logs: Float64Array; miss: number }[] = [];
  const logs = new Float64Array(4);
  const trial = new Float64Array(4);
  const residual = new Float64Array(3);
  const jacobian = new Float64Array(12);
  const doses = new Float64Array(4);
  const evaluate = (set: number, size: number, at: Float64Array, slopes: boolean): number => {
    let [x, y, z] = [0, 0, 0];
    if (slopes) jacobian.fill(0);
    for (let part = 0; part < size; part += 1) doses[part] = Math.exp(at[part] as number);
    for (let band = 0; band < COUNT; band += 1) {
      let [K, S] = [0, 0];
      for (let part = 0; part < size; part += 1) {
        const table = (sets[set * 4 + part] as number) * COUNT + band;
        K += (doses[part] as number) * (coarse.K[table] as number);
        S += (doses[part] as number) * (coarse.S[table] as number);
      }
      const root = Math.sqrt(K * (K + 2 * S));
      const under = S * (1 - K2) + K + root;
      const seen = (OUT * S) / under;
      x += (CX[band] as number) * seen;
      y += (CY[band] as number) * seen;
      z += (CZ[band] as number) * seen;
      if (!slopes) continue;
      const byRoot = 1 / (root + 1e-12);
      const underByK = 1 + (K + S) * byRoot;
      const underByS = 1 - K2 + K * byRoot;
      const scale = OUT / (under * under);
      for (let part = 0; part < size; part += 1) {
        const table = (sets[set * 4 + part] as number) * COUNT + band;
        const k = coarse.K[table] as number;
        const s = coarse.S[table] as number;
        const d = scale * (doses[part] as number) * (s * under - S * (underByK * k + underByS * s));
        jacobian[part * 3] = (jacobian[part * 3] as number) + (CX[band] as number) * d;
        jacobian[part * 3 + 1] = (jacobian[part * 3 + 1] as number) + (CY[band] as number) * d;
        jacobian[part * 3 + 2] = (jacobian[part * 3 + 2] as number) + (CZ[band] as number) * d;
      }
    }
    const [ux, uy, uz] = [Math.max(1e-6, x) / WHITE[0], Math.max(1e-6, y), Math.max(1e-6, z) / WHITE[2]];
    const [fx, fy, fz] = [f(ux), f(uy), f(uz)];
    residual[0] = mL * (116 * fy - 16 - target[0]);
    residual[1] = ma * (500 * (fx - fy) - target[1]);
    residual[2] = mb * (200 * (fy - fz) - target[2]);
    if (slopes) {
      const [kx, ky, kz] = [slopeF(ux) / WHITE[0], slopeF(uy), slopeF(uz) / WHITE[2]];
      for (let part = 0; part < size; part += 1) {
        const dx = kx * (jacobian[part * 3] as number);
        const dy = ky * (jacobian[part * 3 + 1] as number);
        const dz = kz * (jacobian[part * 3 + 2] as number);
        jacobian[part * 3] = mL * 116 * dy;
        jacobian[part * 3 + 1] = ma * 500 * (dx - dy);
        jacobian[part * 3 + 2] = mb * 200 * (dy - dz);
      }
    }
    return (residual[0] as number) ** 2 + (residual[1] as number) ** 2 + (residual[2] as number) ** 2;
  };
  const A = new Float64Array(16);
  const g = new Float64Array(4);
  for (let rank = 0; rank < workable; rank += 1) {
    const set = order[rank] as number;
    let size = 0;
    while (size < 4 && (sets[set * 4 + size] as number) >= 0) size += 1;
    // Start with parts that scatter alike, so that none is lost from the first.
    for (let part = 0; part < size; part += 1) {
      const one = sets[set * 4 + part] as number;
      let strength = 0;
      for (let band = 0; band < COUNT; band += 1)
        strength += (coarse.K[one * COUNT + band] as number) + (coarse.S[one * COUNT + band] as number);
      logs[part] = -Math.log(strength);
    }
    let cost = evaluate(set, size, logs, true);
    let damping = 0.02;
    for (let round = 0; round < 9 && size > 1; round += 1) {
      for (let i = 0; i < size; i += 1) {
        g[i] = 0;
        for (let axis = 0; axis < 3; axis += 1)
          g[i] = (g[i] as number) - (jacobian[i * 3 + axis] as number) * (residual[axis] as number);
        for (let j = 0; j < size; j += 1) {
          let sum = 0;
          for (let axis = 0; axis < 3; axis += 1)
            sum += (jacobian[i * 3 + axis] as number) * (jacobian[j * 3 + axis] as number);
          A[i * 4 + j] = sum;
        }
        A[i * 4 + i] = (A[i * 4 + i] as number) * (1 + damping) + damping * 0.5 + 1e-6;
      }
      solveSmall(A, g, size);
      for (let part = 0; part < size; part += 1)
        trial[part] = (logs[part] as number) + Math.max(-1.5, Math.min(1.5, g[part] as number));
      const found = evaluate(set, size, trial, true);
      if (found < cost) {
        const gained = cost - found;
        cost = found;
        logs.set(trial);
        damping = Math.max(1e-4, damping * 0.25);
        // Whole steps of a scale will move it by more than that.
        if (cost < 2e-3 || gained < 0.02 * cost) break;
      } else {
        damping *= 6;
        if (damping > 1e3) break;
        evaluate(set, size, logs, true);
      }
    }
    // A set of which one part has all but vanished is a smaller set, found by itself.
    let all = 0;
    let smallest = Infinity;
    for (let part = 0; part < size; part += 1) {
      const dose = Math.exp(logs[part] as number);
      all += dose;
      smallest = Math.min(smallest, dose);
    }
    if (smallest / all > 2e-4)
      refined.push({
        set: Array.from(sets.subarray(set * 4, set * 4 + size)),
        logs: logs.slice(0, size),
        miss: Math.sqrt(cost),
      });
    if (rank % 500 === 499) onProgress(0.15 + (0.6 * rank) / workable);
  }

  // 4. The best of each size rounded to the scale at several loads, then walked by single steps.
  refined.sort(
    (one, other) => one.miss + COST_EACH * one.set.length - other.miss - COST_EACH * other.set.length,
  );
  const bySize = [0, 0, 0, 0, 0];
  const chosen = refined
    .filter(({ set }) => {
      bySize[set.length] = (bySize[set.length] as number) + 1;
      return (bySize[set.length] as number) <= PER_SIZE;
    })
    .slice(0, CANDIDATES);
  const proposals: (Proposal & { score: number })[] = [];
  chosen.forEach(({ set, logs: found }) => {
    const shares = Array.from(found, Math.exp);
    const sum = shares.reduce((total, share) => total + share, 0);
    const mostG = set.map((one) => ((shelf[one]?.mostPer100G ?? Infinity) * batchG) / 100);
    let best: (Proposal & { score: number }) | null = null;
    for (let at = 0; at < LOADS; at += 1) {
      const allG = ((load.least + ((load.most - load.least) * at) / (LOADS - 1)) * batchG) / 100;
      const grams = shares.map((share) => Math.max(1, Math.round((share / sum) * (allG / stepG))) * stepG);
      const within = (doses: readonly number[]) => {
        const total = doses.reduce((one, other) => one + other, 0);
        return (
          total <= (load.most * batchG) / 100 + stepG * 0.51 &&
          doses.every((dose, part) => dose >= stepG * 0.99 && dose <= (mostG[part] as number) + 1e-9)
        );
      };
      if (!within(grams)) continue;
      // Ten bands tell which step is better; the end is judged on all of them.
      let miss = ciede2000(coarseLab(coarse, set, grams), target);
      for (let better = true, round = 0; better && round < 4; round += 1) {
        better = false;
        for (let part = 0; part < set.length; part += 1)
          for (const by of [-stepG, stepG]) {
            const moved = grams.map((dose, index) => (index === part ? dose + by : dose));
            if (!within(moved)) continue;
            const there = ciede2000(coarseLab(coarse, set, moved), target);
            if (there < miss - 1e-6) {
              grams.splice(0, grams.length, ...moved);
              miss = there;
              better = true;
            }
          }
      }
      if (best !== null && miss + COST_EACH * (set.length - 1) > best.score + 0.3) continue;
      const lab = exactLab(full, set, grams);
      miss = ciede2000(lab, target);
      const here = coarseLab(coarse, set, grams);
      let shift = 0;
      for (let part = 0; part < set.length && set.length > 1; part += 1)
        for (const by of [-0.5, 0.5]) {
          const off = grams.map((dose, index) => (index === part ? dose + by * stepG : dose));
          shift = Math.max(shift, ciede2000(coarseLab(coarse, set, off), here));
        }
      const score = miss + COST_EACH * (set.length - 1) + COST_SHIFT * shift;
      if (best === null || score < best.score)
        best = {
          parts: set.map((one, part) => ({
            id: (shelf[one] as ShelfColour).id,
            grams: Math.round((grams[part] as number) / stepG) * stepG,
          })),
          difference: miss,
          shiftPerHalfStep: shift,
          lab,
          score,
        };
    }
    if (best) proposals.push(best);
  });
  onProgress(1);
  proposals.sort((one, other) => one.score - other.score);
  return proposals.slice(0, keep).map(({ score: _score, ...proposal }) => ({
    ...proposal,
    parts: [...proposal.parts].sort((one, other) => other.grams - one.grams),
  }));
}

/** A·x = g for up to four unknowns, in place; A has rows of four. */
function solveSmall(A: Float64Array, g: Float64Array, n: number): void {
  for (let column = 0; column < n; column += 1) {
    const head = A[column * 4 + column] as number;
    for (let row = column + 1; row < n; row += 1) {
      const factor = (A[row * 4 + column] as number) / head;
      for (let at = column; at < n; at += 1)
        A[row * 4 + at] = (A[row * 4 + at] as number) - factor * (A[column * 4 + at] as number);
      g[row] = (g[row] as number) - factor * (g[column] as number);
    }
  }
  for (let row = n - 1; row >= 0; row -= 1) {
    let sum = g[row] as number;
    for (let at = row + 1; at < n; at += 1) sum -= (A[row * 4 + at] as number) * (g[at] as number);
    g[row] = sum / (A[row * 4 + row] as number);
  }
}
