import type { Spread } from "../numerics/spread";
import { flowForVeinWidth, VEIN_K, veinWidthMm, type LaidVein } from "./flow";
import { flowAt, flowSpreadAt, minuteOfFlow, type SteadyFilm } from "./flow-at";

/** By how much the vein constant of a shop may differ from the assumed one: a factor. */
const DOUBT_OF_K = 2;

/** A vein laid into a film that is still wet. */
export type VeinInFilm = SteadyFilm & {
  vein: LaidVein;
  /** Film that it is laid into. */
  filmMm: number;
};

/**
 * How wide a vein is in the end, laid so many minutes after the film was mixed. Its ends are those of nine in ten of the resins that the
 * card may be of, with the vein constant half and twice as large.
 */
export function veinForecast(film: VeinInFilm, minutes: number): Spread {
  const { vein, filmMm } = film;
  const flow = flowSpreadAt(film, minutes);
  return {
    low: veinWidthMm(vein, filmMm, flow.low, VEIN_K / DOUBT_OF_K),
    likely: veinWidthMm(vein, filmMm, flow.likely),
    high: veinWidthMm(vein, filmMm, flow.high, VEIN_K * DOUBT_OF_K),
  };
}

/** When to lay a vein that should come to a width: the minute, or why there is none. */
export type VeinMinute =
  | { kind: "at"; minutes: number }
  /** Its own liquid is wider already. */
  | { kind: "too wide"; leastMm: number }
  /** Even in the fresh film it stays narrower. */
  | { kind: "never so wide"; mostMm: number };

export function minuteForVein(film: VeinInFilm, wishedMm: number): VeinMinute {
  const { vein, filmMm, resin, tempC } = film;
  const wanted = flowForVeinWidth(vein, filmMm, wishedMm);
  if (wanted === null) return { kind: "too wide", leastMm: veinWidthMm(vein, filmMm, 0) };
  const fresh = flowAt(0, tempC, resin.fit.parameters);
  if (wanted > fresh) return { kind: "never so wide", mostMm: veinWidthMm(vein, filmMm, fresh) };
  return { kind: "at", minutes: minuteOfFlow(wanted, film) };
}
