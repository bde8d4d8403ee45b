import type { Spread } from "../numerics/spread";
import { drainedFilmMm, flowForFaceFilm } from "./flow";
import { flowAt, flowSpreadAt, minuteOfFlow, type SteadyFilm } from "./flow-at";

/** A film on an upright face, brushed on at a time after mixing. */
export type FaceFilm = SteadyFilm & {
  /** Height of the face, mm. */
  faceMm: number;
  /** As it is brushed on, mm; drained it is never thicker. */
  laidMm: number;
};

/**
 * What is left at the foot of a face once it no longer flows, mm, brushed so many minutes after mixing; higher up it is thinner, as the root
 * of the way below the top edge. Nothing feeds it from above, which in life helps the upper part (Jeffreys 1930).
 */
export function faceForecast(film: FaceFilm, minutes: number): Spread {
  const { low, likely, high } = flowSpreadAt(film, minutes);
  const left = (flow: number) => Math.min(film.laidMm, drainedFilmMm(film.faceMm, flow));
  return { low: left(high), likely: left(likely), high: left(low) };
}

/** From which minute on a brushed face keeps a film at its foot. */
export type FaceMinute =
  | { kind: "at"; minutes: number }
  /** It was not brushed on so thick. */
  | { kind: "too thin"; laidMm: number }
  /** Brushed on fresh it stays. */
  | { kind: "at once" };

export function minuteForFace(film: FaceFilm, wantedMm: number): FaceMinute {
  if (wantedMm > film.laidMm) return { kind: "too thin", laidMm: film.laidMm };
  const wanted = flowForFaceFilm(wantedMm, film.faceMm);
  if (wanted >= flowAt(0, film.tempC, film.resin.fit.parameters)) return { kind: "at once" };
  return { kind: "at", minutes: minuteOfFlow(wanted, film) };
}
