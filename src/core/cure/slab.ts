import { cureSpeed, type CureParameters } from "./kinetics";

/** What lies under and around a deep pour, as heat through its bottom, W/m²K. */
export const AROUND = {
  /** 18 mm of wood with a room under it. */
  wood: 3.792,
  /** Melamine board of 16 mm on a bench (assumed). */
  melamine: 4.2,
  /** A silicone mould on a bench: heat hardly leaves (assumed). */
  silicone: 2,
  /** Nothing leaves: the worst that could be. */
  sealed: 0,
} as const;
export type Around = keyof typeof AROUND;

/** Heat from the top into still air, and with a fan over it, W/m²K (handbook range; the fan assumed). */
export const TOP_W_PER_M2K = { still: 9, fan: 20 };

export type DeepPour = {
  depthMm: number;
  mixedC: number;
  roomC: number;
  bottomWPerM2K: number;
  topWPerM2K: number;
  /** Conversion with which it is poured: minutes in the pot count. */
  alpha?: number;
};

/** A moment of a deep pour: temperatures and conversions through its depth, from the bottom up. */
export type Layered = { timeS: number; tempC: Float64Array; alpha: Float64Array };
export type SlabRun = {
  peakC: number;
  peakAtS: number;
  /** Height of the hottest place above the bottom, mm. */
  peakHeightMm: number;
  /** Its places over time, and the least that any of them has cured. */
  course: { timeS: number; hottestC: number; topC: number; bottomC: number; leastAlpha: number }[];
  /** Through the depth at the peak. */
  atPeak: Layered;
  end: Layered;
};

/** T − Tg at which the last of the cure is slowed (Rabinowitch form; docs/models/deep-pours.md). */
const DIFFUSION = { offsetK: 5, widthK: 3, tg0C: -45, tgEndC: 55, lambda: 0.45 };
const CELLS = 60;

function diffusionFactor(alpha: number, tempC: number): number {
  const { offsetK, widthK, tg0C, tgEndC, lambda } = DIFFUSION;
  const tg = tg0C + ((tgEndC - tg0C) * lambda * alpha) / (1 - (1 - lambda) * alpha);
  return 1 / (1 + Math.exp((tg - tempC - offsetK) / widthK));
}

/**
 * Heat and cure through the depth of a pour: ρcp·∂T/∂t = k·∂²T/∂z² + ρH·∂α/∂t, one-dimensional, in finite volumes; conduction implicit,
 * cure by Heun's rule, the step held to small changes of conversion. The sides lose nothing, so that it errs on the hot side.
 * @param untilS how long it is followed; with `peakOnly` no longer than until half of the peak has cooled off
 */
export function runSlab(pour: DeepPour, p: CureParameters, untilS: number, peakOnly = false): SlabRun {
  const { depthMm, mixedC, roomC, bottomWPerM2K, topWPerM2K } = pour;
  if (!(depthMm > 0)) throw new Error(`A pour of ${depthMm} mm has no depth`);
  const dz = depthMm / 1000 / CELLS;
  const capacity = p.densityKgPerM3 * p.heatCapacityJPerKgK * dz;
  const conduct = p.conductivityWPerMK / dz;
  // Half a cell lies between the outer cell's middle and the surface.
  const through = (surface: number) => (surface > 0 ? 1 / (1 / surface + dz / 2 / p.conductivityWPerMK) : 0);
  const [bottom, top] = [through(bottomWPerM2K), through(topWPerM2K)];
  // A thin pour gives its heat off quickly: its steps are short against that.
  const longestS = Math.min(120, (0.1 * capacity * CELLS) / Math.max(1, topWPerM2K + bottomWPerM2K));
  const heatK = p.heatJPerKg / p.heatCapacityJPerKgK;
  const tempC = new Float64Array(CELLS).fill(mixedC);
  const alpha = new Float64Array(CELLS).fill(pour.alpha ?? 0);
  const rate = (a: number, t: number) =>
    p.k2PerS *
    cureSpeed(t, p.activationJPerMol) *
    (p.r + a) *
    (1 - a) ** 2 *
    (a > 0.3 ? diffusionFactor(a, t) : 1);
  const [lower, diagonal] = [new Float64Array(CELLS), new Float64Array(CELLS)];
  const course: SlabRun["course"] = [];
  let [peakC, peakAtS, peakCell] = [mixedC, 0, 0];
  let atPeak: Layered = { timeS: 0, tempC: tempC.slice(), alpha: alpha.slice() };
  let timeS = 0;
  const hottest = () => {
    let at = 0;
    for (let cell = 1; cell < CELLS; cell += 1)
      if ((tempC[cell] as number) > (tempC[at] as number)) at = cell;
    return at;
  };
  const note = () => {
    const at = hottest();
    const now = tempC[at] as number;
    course.push({
      timeS,
      hottestC: now,
      topC: tempC[CELLS - 1] as number,
      bottomC: tempC[0] as number,
      leastAlpha: alpha.reduce((least, value) => Math.min(least, value), 1),
    });
    if (now > peakC) {
      [peakC, peakAtS, peakCell] = [now, timeS, at];
      atPeak = { timeS, tempC: tempC.slice(), alpha: alpha.slice() };
    }
  };
  note();
  while (timeS < untilS) {
    let fastest = 1e-9;
    for (let cell = 0; cell < CELLS; cell += 1)
      fastest = Math.max(fastest, rate(alpha[cell] as number, tempC[cell] as number));
    // Short steps first: a mix warmer or colder than the room begins with a jump at its surfaces.
    const dt = Math.min(longestS, 2 + 0.1 * timeS, Math.max(1, 0.002 / fastest), untilS - timeS);
    // Half a step of heat through, a step of cure, half a step of heat through (Strang).
    conduction(dt / 2);
    for (let cell = 0; cell < CELLS; cell += 1) {
      const [a, t] = [alpha[cell] as number, tempC[cell] as number];
      const first = rate(a, t);
      const ahead = Math.min(1, a + dt * first);
      const mean = (first + rate(ahead, t + heatK * (ahead - a))) / 2;
      const gained = Math.min(1 - a, dt * mean);
      alpha[cell] = a + gained;
      tempC[cell] = t + heatK * gained;
    }
    conduction(dt / 2);
    timeS += dt;
    note();
    const now = course[course.length - 1] as SlabRun["course"][number];
    if (peakOnly && timeS > peakAtS && now.hottestC - roomC < (peakC - roomC) / 2) break;
  }

  /** Crank and Nicolson's rule for conduction and for the surfaces, solved down and up (Thomas). */
  function conduction(dt: number): void {
    const f = dt / 2 / capacity;
    let before = 0;
    const next = new Float64Array(CELLS);
    for (let cell = 0; cell < CELLS; cell += 1) {
      const down = cell > 0 ? conduct : 0;
      const up = cell < CELLS - 1 ? conduct : 0;
      const out = (cell === 0 ? bottom : 0) + (cell === CELLS - 1 ? top : 0);
      const t = tempC[cell] as number;
      const flow =
        down * ((cell > 0 ? (tempC[cell - 1] as number) : t) - t) +
        up * ((cell < CELLS - 1 ? (tempC[cell + 1] as number) : t) - t) +
        out * (roomC - t);
      const right = t + f * flow + f * out * roomC;
      const middle = 1 + f * (down + up + out);
      // Forward sweep.
      const factor = cell > 0 ? (-f * down) / (diagonal[cell - 1] as number) : 0;
      diagonal[cell] = middle + factor * f * (cell > 0 ? conduct : 0);
      lower[cell] = right - factor * before;
      before = lower[cell] as number;
      next[cell] = up;
    }
    for (let cell = CELLS - 1; cell >= 0; cell -= 1) {
      const above = cell < CELLS - 1 ? (tempC[cell + 1] as number) : 0;
      tempC[cell] =
        ((lower[cell] as number) + f * (next[cell] as number) * above) / (diagonal[cell] as number);
    }
  }
  return {
    peakC,
    peakAtS,
    peakHeightMm: (peakCell + 0.5) * dz * 1000,
    course,
    atPeak,
    end: { timeS, tempC, alpha },
  };
}
