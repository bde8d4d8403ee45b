import { K2 } from "./film-optics";
import { labRoot, labSlope, OUT, type RecipeTable } from "./recipe-table";
import { WHITE, type Lab } from "./spaces";

/** A set with the logarithms of its doses, which only count against each other, and about how far it stays from the target. */
export type FittedSet = { set: number[]; logs: Float64Array; miss: number };

/** A set is given up that still misses by so many times the last that would be kept, and gets nearer no faster than this in a round. */
const FAR_OFF = 2;
const SLOW = 0.5;

/** The smallest of what was seen so far, by the size of its set: the last of them is what a further one has to come under. */
function bestSoFar(kept: number) {
  const bySize = [0, 1, 2, 3, 4].map(() => new Float64Array(kept).fill(Infinity));
  return {
    last: (size: number) => (bySize[size] as Float64Array)[kept - 1] as number,
    take: (size: number, cost: number) => {
      const best = bySize[size] as Float64Array;
      if (!(cost < (best[kept - 1] as number))) return;
      let at = kept - 1;
      for (; at > 0 && (best[at - 1] as number) > cost; at -= 1) best[at] = best[at - 1] as number;
      best[at] = cost;
    },
  };
}

/**
 * The doses of each set that come nearest to a target: Levenberg-Marquardt in their logarithms.
 * @param kept so many of each size are wanted: what cannot be among them is not followed to its end, nor told
 */
export function fitSets(
  target: Lab,
  [mL, ma, mb]: Lab,
  table: RecipeTable,
  sets: Int16Array,
  order: Uint32Array,
  kept: number,
  onProgress: (share: number) => void,
): FittedSet[] {
  const { bands, K: ks, S: ss, X: wx, Y: wy, Z: wz } = table;
  const fitted: FittedSet[] = [];
  const logs = new Float64Array(4);
  const trial = new Float64Array(4);
  /** Where the fit stands, and where it would stand after the step that is tried. */
  let residual = new Float64Array(3);
  let jacobian = new Float64Array(12);
  let residualHere = new Float64Array(3);
  let jacobianHere = new Float64Array(12);
  const take = () => {
    [residual, residualHere] = [residualHere, residual];
    [jacobian, jacobianHere] = [jacobianHere, jacobian];
  };
  const best = bestSoFar(kept);
  const doses = new Float64Array(4);
  const evaluate = (set: number, size: number, logDoses: Float64Array): number => {
    let x = 0;
    let y = 0;
    let z = 0;
    jacobian.fill(0);
    for (let part = 0; part < size; part += 1) doses[part] = Math.exp(logDoses[part] as number);
    for (let band = 0; band < bands; band += 1) {
      let K = 0;
      let S = 0;
      for (let part = 0; part < size; part += 1) {
        const at = (sets[set * 4 + part] as number) * bands + band;
        K += (doses[part] as number) * (ks[at] as number);
        S += (doses[part] as number) * (ss[at] as number);
      }
      const root = Math.sqrt(K * (K + 2 * S));
      const under = S * (1 - K2) + K + root;
      const seen = (OUT * S) / under;
      x += (wx[band] as number) * seen;
      y += (wy[band] as number) * seen;
      z += (wz[band] as number) * seen;
      const byRoot = 1 / (root + 1e-12);
      const underByK = 1 + (K + S) * byRoot;
      const underByS = 1 - K2 + K * byRoot;
      const scale = OUT / (under * under);
      for (let part = 0; part < size; part += 1) {
        const at = (sets[set * 4 + part] as number) * bands + band;
        const k = ks[at] as number;
        const s = ss[at] as number;
        const d = scale * (doses[part] as number) * (s * under - S * (underByK * k + underByS * s));
        jacobian[part * 3] = (jacobian[part * 3] as number) + (wx[band] as number) * d;
        jacobian[part * 3 + 1] = (jacobian[part * 3 + 1] as number) + (wy[band] as number) * d;
        jacobian[part * 3 + 2] = (jacobian[part * 3 + 2] as number) + (wz[band] as number) * d;
      }
    }
    const ux = Math.max(1e-6, x) / WHITE[0];
    const uy = Math.max(1e-6, y);
    const uz = Math.max(1e-6, z) / WHITE[2];
    const fx = labRoot(ux);
    const fy = labRoot(uy);
    const fz = labRoot(uz);
    residual[0] = mL * (116 * fy - 16 - target[0]);
    residual[1] = ma * (500 * (fx - fy) - target[1]);
    residual[2] = mb * (200 * (fy - fz) - target[2]);
    const kx = labSlope(ux) / WHITE[0];
    const ky = labSlope(uy);
    const kz = labSlope(uz) / WHITE[2];
    for (let part = 0; part < size; part += 1) {
      const dx = kx * (jacobian[part * 3] as number);
      const dy = ky * (jacobian[part * 3 + 1] as number);
      const dz = kz * (jacobian[part * 3 + 2] as number);
      jacobian[part * 3] = mL * 116 * dy;
      jacobian[part * 3 + 1] = ma * 500 * (dx - dy);
      jacobian[part * 3 + 2] = mb * 200 * (dy - dz);
    }
    return (residual[0] as number) ** 2 + (residual[1] as number) ** 2 + (residual[2] as number) ** 2;
  };
  /** The logarithm of the dose of each that is as strong as one of any other. */
  const starts = Float64Array.from({ length: ks.length / bands }, (_, colour) => {
    let strength = 0;
    for (let band = 0; band < bands; band += 1)
      strength += (ks[colour * bands + band] as number) + (ss[colour * bands + band] as number);
    return -Math.log(strength);
  });
  const A = new Float64Array(16);
  const g = new Float64Array(4);
  for (let rank = 0; rank < order.length; rank += 1) {
    const set = order[rank] as number;
    let size = 0;
    while (size < 4 && (sets[set * 4 + size] as number) >= 0) size += 1;
    // Start with parts that scatter alike, so that none is lost from the first.
    for (let part = 0; part < size; part += 1) logs[part] = starts[sets[set * 4 + part] as number] as number;
    let cost = evaluate(set, size, logs);
    take();
    let damping = 0.02;
    for (let round = 0; round < 9 && size > 1; round += 1) {
      const rL = residualHere[0] as number;
      const ra = residualHere[1] as number;
      const rb = residualHere[2] as number;
      for (let i = 0; i < size; i += 1) {
        const iL = jacobianHere[i * 3] as number;
        const ia = jacobianHere[i * 3 + 1] as number;
        const ib = jacobianHere[i * 3 + 2] as number;
        g[i] = -(iL * rL + ia * ra + ib * rb);
        for (let j = 0; j <= i; j += 1) {
          const sum =
            iL * (jacobianHere[j * 3] as number) +
            ia * (jacobianHere[j * 3 + 1] as number) +
            ib * (jacobianHere[j * 3 + 2] as number);
          A[i * 4 + j] = sum;
          A[j * 4 + i] = sum;
        }
        A[i * 4 + i] = (A[i * 4 + i] as number) * (1 + damping) + damping * 0.5 + 1e-6;
      }
      solveSmall(A, g, size);
      for (let part = 0; part < size; part += 1)
        trial[part] = (logs[part] as number) + Math.max(-1.5, Math.min(1.5, g[part] as number));
      const found = evaluate(set, size, trial);
      if (found < cost) {
        take();
        const gained = cost - found;
        const slow = found > SLOW * SLOW * cost;
        cost = found;
        logs.set(trial);
        damping = Math.max(1e-4, damping * 0.25);
        // Whole steps of a scale will move it by more than that.
        if (cost < 2e-3 || gained < 0.02 * cost) break;
        if (round > 1 && slow && cost > FAR_OFF * FAR_OFF * best.last(size)) break;
      } else {
        damping *= 6;
        if (damping > 1e3) break;
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
    if (smallest / all > 2e-4 && cost < best.last(size)) {
      best.take(size, cost);
      fitted.push({
        set: Array.from(sets.subarray(set * 4, set * 4 + size)),
        logs: logs.slice(0, size),
        miss: Math.sqrt(cost),
      });
    }
    if (rank % 500 === 499) onProgress(rank / order.length);
  }
  return fitted;
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
