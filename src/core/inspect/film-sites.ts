import { backward, cholesky, forward } from "../numerics/cholesky";
import { siteMoments } from "./comb-site";
import { nuggetUm, widthOf, type CombReading } from "./film-kernel";

const SWEEPS = 60;
const DAMPED = 0.8;
const SETTLED = 1e-10;

/** Sites of readings: precision, and precision times mean, of the film less its mean. */
type Sites = { tau: Float64Array; nu: Float64Array };

/** Posterior of what was read, from priors and sites: L of B = I + √τ·K·√τ, mean and variance of each, and how each lifts what goes together with it. */
export function posterior(K: readonly (readonly number[])[], { tau, nu }: Sites) {
  const n = K.length;
  const root = Array.from(tau, Math.sqrt);
  const L = cholesky(
    K.map((row, i) =>
      row.map((value, j) => (i === j ? 1 : 0) + (root[i] as number) * value * (root[j] as number)),
    ),
  );
  const Knu = K.map((row) => row.reduce((sum, value, j) => sum + value * (nu[j] as number), 0));
  const mean = new Float64Array(n);
  const variance = new Float64Array(n);
  const b = forward(
    L,
    Knu.map((value, i) => (root[i] as number) * value),
  );
  for (let i = 0; i < n; i += 1) {
    const v = forward(
      L,
      (K[i] as readonly number[]).map((value, j) => (root[j] as number) * value),
    );
    let less = 0;
    let back = 0;
    for (let j = 0; j < n; j += 1) {
      less += (v[j] as number) ** 2;
      back += (v[j] as number) * (b[j] as number);
    }
    mean[i] = (Knu[i] as number) - back;
    variance[i] = ((K[i] as readonly number[])[i] as number) - less;
  }
  const inner = backward(L, b);
  const lifts = b.map((_, i) => (nu[i] as number) - (root[i] as number) * (inner[i] as number));
  return { L, root, lifts, mean, variance };
}

/** Sites by expectation propagation (Minka 2001, from memory): started at the middle of each step, damped, until nothing moves. */
export function sitesOf(
  readings: readonly CombReading[],
  meanUm: number,
  K: readonly (readonly number[])[],
  volume: { meanUm: number; sdUm: number } | null,
): Sites {
  const n = K.length;
  const nugget = nuggetUm(meanUm);
  const tau = new Float64Array(n);
  const nu = new Float64Array(n);
  readings.forEach((reading, i) => {
    const width = widthOf(reading);
    if (width === null) return;
    tau[i] = 1 / (nugget * nugget + width ** 2 / 12);
    nu[i] = (tau[i] as number) * ((reading.lo as number) + width / 2 - meanUm);
  });
  if (volume) {
    tau[n - 1] = 1 / volume.sdUm ** 2;
    nu[n - 1] = (volume.meanUm - meanUm) / volume.sdUm ** 2;
  }
  for (let sweep = 0; sweep < SWEEPS; sweep += 1) {
    const { mean, variance } = posterior(K, { tau, nu });
    let moved = 0;
    readings.forEach(({ lo, hi }, i) => {
      const precision = 1 / (variance[i] as number) - (tau[i] as number);
      if (!(precision > 0)) return;
      const around = ((mean[i] as number) / (variance[i] as number) - (nu[i] as number)) / precision;
      const found = siteMoments(
        around,
        1 / precision,
        lo === null ? null : lo - meanUm,
        hi === null ? null : hi - meanUm,
        nugget,
      );
      const newTau = Math.max(0, 1 / found.variance - precision);
      const newNu = found.mean / found.variance - around * precision;
      moved = Math.max(moved, Math.abs(newTau - (tau[i] as number)) / precision);
      tau[i] = (tau[i] as number) + DAMPED * (newTau - (tau[i] as number));
      nu[i] = (nu[i] as number) + DAMPED * (newNu - (nu[i] as number));
    });
    if (moved < SETTLED) break;
  }
  return { tau, nu };
}
