import { conversionRate, freshViscosityPaS, viscosityPaS, type CureParameters } from "./kinetics";

/** State of the resin in a pot. */
export type PotState = { timeS: number; tempC: number; alpha: number };

/** What a pot is: as high as so many of its widths, or filled to a depth, mm. Open at the top, on a bench. */
export type Container = { heightToWidth: number } | { depthMm: number };
/** A cup or bucket, as high as wide; what a batch is mixed in where nothing else is said. */
export const CUP: Container = { heightToWidth: 1 };
/** A tray or a sheet of foil on which leftovers are spread out. */
export const SPREAD_OUT: Container = { depthMm: 4 };

/** Width and height of what a volume fills of a container, m. */
function sizeOf(volumeM3: number, container: Container): { widthM: number; heightM: number } {
  if ("depthMm" in container) {
    const heightM = container.depthMm / 1000;
    return { widthM: Math.sqrt((4 * volumeM3) / (Math.PI * heightM)), heightM };
  }
  const widthM = Math.cbrt((4 * volumeM3) / (Math.PI * container.heightToWidth));
  return { widthM, heightM: widthM * container.heightToWidth };
}

/**
 * Heat a pot of this mass loses per kelvin, W/K: a cylinder open at the top, half as much through its bottom. 1/U = 1/9 + 0.25·(L/2)/k with L
 * the smaller of its width and height; for one as high as wide it matches a two-dimensional solve within 5 % in time (docs/models/cure.md).
 */
export function potHeatLossWPerK(massG: number, p: CureParameters, container: Container = CUP): number {
  const { widthM, heightM } = sizeOf(massG / 1000 / p.densityKgPerM3, container);
  const areaM2 = Math.PI * widthM * heightM + (1.5 * Math.PI * widthM ** 2) / 4;
  return areaM2 / (1 / 9 + (0.25 * (Math.min(widthM, heightM) / 2)) / p.conductivityWPerMK);
}

/** A pot as it goes: its slopes, one step of time, and how long the next step may be. */
function potOf(massG: number, roomC: number, p: CureParameters, container: Container) {
  if (!(massG > 0)) throw new Error(`A pot of ${massG} g cannot be run`);
  const massKg = massG / 1000;
  const lossPerS = potHeatLossWPerK(massG, p, container) / (massKg * p.heatCapacityJPerKgK);
  const heatK = p.heatJPerKg / p.heatCapacityJPerKgK;
  const slope = (tempC: number, alpha: number): [number, number] => {
    const rate = conversionRate(Math.min(alpha, 1), tempC, p);
    return [heatK * rate - lossPerS * (tempC - roomC), rate];
  };
  /** One Runge–Kutta step of fourth order. */
  const step = ({ timeS, tempC, alpha }: PotState, dt: number): PotState => {
    const [t1, a1] = slope(tempC, alpha);
    const [t2, a2] = slope(tempC + (dt / 2) * t1, alpha + (dt / 2) * a1);
    const [t3, a3] = slope(tempC + (dt / 2) * t2, alpha + (dt / 2) * a2);
    const [t4, a4] = slope(tempC + dt * t3, alpha + dt * a3);
    return {
      timeS: timeS + dt,
      tempC: tempC + (dt / 6) * (t1 + 2 * t2 + 2 * t3 + t4),
      alpha: alpha + (dt / 6) * (a1 + 2 * a2 + 2 * a3 + a4),
    };
  };
  /** Held to small changes of conversion, and to the rate of loss: what is spread thin is stiff. */
  const stepS = ({ tempC, alpha }: PotState): number =>
    Math.min(1800, 0.01 / Math.max(conversionRate(alpha, tempC, p), 1e-9), 0.5 / lossPerS);
  const warming = ({ tempC, alpha }: PotState): boolean => slope(tempC, alpha)[0] > 0;
  return { step, stepS, warming };
}

/** The first moment within a step at which something holds, to 1e-7 of it; it holds at its end. */
function firstWithin(
  state: PotState,
  dt: number,
  step: (from: PotState, dt: number) => PotState,
  holds: (state: PotState) => boolean,
): PotState {
  let [low, high] = [0, dt];
  for (let halving = 0; halving < 24; halving += 1) {
    const middle = (low + high) / 2;
    if (holds(step(state, middle))) high = middle;
    else low = middle;
  }
  return step(state, high);
}

/** Longest time looked at: a pot that lives ten days is not a pot that hurries anyone. */
const LONGEST_S = 10 * 86400;

/**
 * Runs a pot forward until `until` says so (found to 1e-7 of a step), or ten days are over.
 * @param massG mass of mixed resin
 * @param mixedC temperature when A met B
 * @param roomC temperature of the room
 */
export function runPot(
  massG: number,
  mixedC: number,
  roomC: number,
  p: CureParameters,
  until: (state: PotState) => boolean,
  container: Container = CUP,
): PotState {
  const { step, stepS } = potOf(massG, roomC, p, container);
  let state: PotState = { timeS: 0, tempC: mixedC, alpha: 0 };
  while (state.timeS < LONGEST_S) {
    const dt = stepS(state);
    const next = step(state, dt);
    if (until(next)) return firstWithin(state, dt, step, until);
    state = next;
  }
  return state;
}

/** Minutes until the pot must be empty: viscosity doubled, or 25 K warmer than mixed, whichever comes first. */
export function potLifeMin(
  massG: number,
  mixedC: number,
  roomC: number,
  p: CureParameters,
  container: Container = CUP,
): number {
  const thick = 2 * freshViscosityPaS(mixedC, p);
  const end = runPot(
    massG,
    mixedC,
    roomC,
    p,
    (state) => state.tempC >= mixedC + 25 || viscosityPaS(state.alpha, state.tempC, p) >= thick,
    container,
  );
  return end.timeS / 60;
}

/** How hot a pot gets that is left standing, °C, and how long after mixing, min. */
export type Standing = { peakC: number; peakAtMin: number };

/** Cured so far that no more heat comes of it, and so far that its rate only falls, whatever its card. */
const SPENT = 0.97;
const SLOWS = 0.5;

export function standing(
  massG: number,
  mixedC: number,
  roomC: number,
  p: CureParameters,
  container: Container = CUP,
): Standing {
  const { step, stepS, warming } = potOf(massG, roomC, p, container);
  let state: PotState = { timeS: 0, tempC: mixedC, alpha: 0 };
  let peak = state;
  // Mixed warmer than the room it may cool first and warm up later: every top is looked at, until its cure slows down for good.
  const over = () => state.alpha >= SPENT || (state.alpha > SLOWS && state.tempC < peak.tempC - 2);
  while (state.timeS < LONGEST_S && !over()) {
    const dt = stepS(state);
    const next = step(state, dt);
    const top =
      warming(state) && !warming(next)
        ? firstWithin(state, dt, step, (potState) => !warming(potState))
        : next;
    if (top.tempC > peak.tempC) peak = top;
    state = next;
  }
  return { peakC: peak.tempC, peakAtMin: peak.timeS / 60 };
}
