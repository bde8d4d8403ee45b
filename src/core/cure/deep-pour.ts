import type { Spread } from "../numerics/spread";
import type { CureParameters } from "./kinetics";
import { AROUND, runSlab, TOP_W_PER_M2K, type Around, type DeepPour, type SlabRun } from "./slab";

/** What a peak means for the piece: a traffic light, no promise of a degree (bounds assumed). */
export type Light = "calm" | "warm" | "hot" | "danger";
const LIGHTS: readonly { light: Light; untilC: number }[] = [
  { light: "calm", untilC: 45 },
  { light: "warm", untilC: 60 },
  { light: "hot", untilC: 100 },
  { light: "danger", untilC: Infinity },
];
export const LIGHT_WORDS: Record<Light, string> = {
  calm: "stays cool",
  warm: "gets warm, as it may",
  hot: "too hot: it may bubble, yellow, warp or crack",
  danger: "runs away: it can smoke and crack. Do not pour it at once",
};
export const lightOf = (peakC: number): Light =>
  (LIGHTS.find(({ untilC }) => peakC < untilC) ?? (LIGHTS[LIGHTS.length - 1] as (typeof LIGHTS)[number]))
    .light;

/** Heat and rate may be off by so much (docs/models/deep-pours.md). */
const DOUBT = { heat: 0.1, rate: 0.15 };
/** Followed for so long: the slowest castings have peaked by then. */
const FOLLOWED_S = 36 * 3600;
/** A pour is laid on when it has cooled to within so much of the room. */
const COOLED_K = 4;

export type PourQuestion = {
  depthMm: number;
  mixedC: number;
  roomC: number;
  around: Around;
  fan: boolean;
  /** Depth that the resin's own sheet allows for a pour; null where it names none. */
  ratedMm: number | null;
};

export type DeepForecast = {
  peakC: Spread;
  /** The same with nothing lost below: the worst that could be. */
  sealedPeakC: number;
  peakAtMin: number;
  light: Light;
  /** Gelled and cool again: from when the next lift may be laid on it, minutes; null when not within a day and a half. */
  nextLiftMin: number | null;
  run: SlabRun;
};

const pourOf = ({ depthMm, mixedC, roomC, around, fan }: Omit<PourQuestion, "ratedMm">): DeepPour => ({
  depthMm,
  mixedC,
  roomC,
  bottomWPerM2K: AROUND[around],
  topWPerM2K: fan ? TOP_W_PER_M2K.fan : TOP_W_PER_M2K.still,
});

const shifted = (p: CureParameters, sign: -1 | 1): CureParameters => ({
  ...p,
  heatJPerKg: p.heatJPerKg * (1 + sign * DOUBT.heat),
  k2PerS: p.k2PerS * (1 + sign * DOUBT.rate),
});

/** Whether a pour lies within what the resin's sheet allows, under what such a rating means: on wood. */
const isRated = ({ depthMm, around, ratedMm }: PourQuestion): boolean =>
  around === "wood" && ratedMm !== null && depthMm <= ratedMm;

/**
 * How hot a pour gets and when, with its ends, and the light: by the worse of what lies around it and sealed; within the depth that the
 * sheet allows by the likely peak in this room, since the sheet comes first and the heat of cure is fitted to it.
 */
export function deepForecast(question: PourQuestion, p: CureParameters): DeepForecast {
  const pour = pourOf(question);
  const run = runSlab(pour, p, FOLLOWED_S);
  const peak = (of: DeepPour, parameters: CureParameters) => runSlab(of, parameters, FOLLOWED_S, true).peakC;
  const [low, high] = [peak(pour, shifted(p, -1)), peak(pour, shifted(p, 1))];
  const sealedPeakC = peak({ ...pour, bottomWPerM2K: AROUND.sealed }, p);
  const ready = run.course.find(
    ({ timeS, hottestC, leastAlpha }) =>
      timeS > run.peakAtS && leastAlpha >= p.gelConversion && hottestC <= question.roomC + COOLED_K,
  );
  return {
    peakC: { low: Math.min(low, run.peakC), likely: run.peakC, high: Math.max(high, run.peakC) },
    sealedPeakC,
    peakAtMin: run.peakAtS / 60,
    light: lightOf(isRated(question) ? run.peakC : Math.max(high, sealedPeakC)),
    nextLiftMin: ready ? ready.timeS / 60 : null,
    run,
  };
}

/** Deepest pour of which even the worse case stays warm at most, mm; null where not even two millimetres do. */
export function safeLiftMm(
  question: Omit<PourQuestion, "depthMm" | "ratedMm">,
  p: CureParameters,
): number | null {
  const limit = LIGHTS.find(({ light }) => light === "warm")?.untilC ?? 60;
  const worst = (depthMm: number) => {
    const pour = pourOf({ ...question, depthMm });
    return Math.max(
      runSlab(pour, shifted(p, 1), FOLLOWED_S, true).peakC,
      runSlab({ ...pour, bottomWPerM2K: AROUND.sealed }, p, FOLLOWED_S, true).peakC,
    );
  };
  let [low, high] = [2, 120];
  if (worst(low) > limit) return null;
  if (worst(high) <= limit) return high;
  for (let halving = 0; halving < 8; halving += 1) {
    const middle = Math.sqrt(low * high);
    if (worst(middle) > limit) high = middle;
    else low = middle;
  }
  return low;
}
