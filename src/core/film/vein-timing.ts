import type { Calibration } from "../cure/calibrate";
import { samplesOf } from "../cure/film-in-room";
import { conversionAt, flowLeftPerPa, type CureParameters } from "../cure/kinetics";
import type { ResinCard } from "../cure/resin-card";
import type { Spread } from "../numerics/spread";
import { flowForVeinWidth, VEIN_K, veinWidthMm, type LaidVein } from "./flow";

/** By how much the vein constant of a shop may differ from the assumed one: a factor. */
const DOUBT_OF_K = 2;

/** A vein laid into a film that is still wet. */
export type VeinInFilm = {
  vein: LaidVein;
  card: ResinCard;
  calibration: Calibration;
  tempC: number;
  /** Film that it is laid into. */
  filmMm: number;
};

/** Every so many of a card's samples: enough for the ends of a width, and quick enough for each keystroke. */
const EVERY = 4;

const flowAt = (minutes: number, tempC: number, p: CureParameters) =>
  flowLeftPerPa(conversionAt(minutes * 60, tempC, p), tempC, p);

/**
 * How wide a vein is in the end, laid so many minutes after the film was mixed. Its ends are those of nine in ten of the resins that the
 * card may be of, with the vein constant half and twice as large.
 */
export function veinForecast(
  { vein, card, calibration, tempC, filmMm }: VeinInFilm,
  minutes: number,
): Spread {
  const likely = veinWidthMm(vein, filmMm, flowAt(minutes, tempC, calibration.parameters));
  const flows = samplesOf(card, calibration)
    .filter((_, index) => index % EVERY === 0)
    .map((sample) => flowAt(minutes, tempC, sample.parameters))
    .sort((one, other) => one - other);
  const at = (share: number) => flows[Math.round(share * (flows.length - 1))] as number;
  return {
    low: Math.min(likely, veinWidthMm(vein, filmMm, at(0.05), VEIN_K / DOUBT_OF_K)),
    likely,
    high: Math.max(likely, veinWidthMm(vein, filmMm, at(0.95), VEIN_K * DOUBT_OF_K)),
  };
}

/** When to lay a vein that should come to a width: the minute, or why there is none. */
export type VeinMinute =
  | { kind: "at"; minutes: number }
  /** Its own liquid is wider already. */
  | { kind: "too wide"; leastMm: number }
  /** Even in the fresh film it stays narrower. */
  | { kind: "never so wide"; mostMm: number };

export function minuteForVein(
  { vein, calibration, tempC, filmMm }: VeinInFilm,
  wishedMm: number,
): VeinMinute {
  const p = calibration.parameters;
  const wanted = flowForVeinWidth(vein, filmMm, wishedMm);
  if (wanted === null) return { kind: "too wide", leastMm: veinWidthMm(vein, filmMm, 0) };
  const fresh = flowAt(0, tempC, p);
  if (wanted > fresh) return { kind: "never so wide", mostMm: veinWidthMm(vein, filmMm, fresh) };
  let [low, high] = [0, 60 * 24 * 14];
  for (let halving = 0; halving < 50; halving += 1) {
    const middle = (low + high) / 2;
    if (flowAt(middle, tempC, p) > wanted) low = middle;
    else high = middle;
  }
  return { kind: "at", minutes: low };
}
