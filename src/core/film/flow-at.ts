import { samplesOf } from "../cure/film-in-room";
import { conversionAt, flowLeftPerPa, type CureParameters } from "../cure/kinetics";
import type { FittedResin } from "../cure/fitted-resin";
import type { Spread } from "../numerics/spread";

/** A film that stays at one temperature. */
export type SteadyFilm = { resin: FittedResin; tempC: number };

/** Every so many of a card's samples: enough for the ends of a width, and quick enough for each keystroke. */
const EVERY = 4;

/** Flow left so many minutes after mixing, 1/Pa. */
export const flowAt = (minutes: number, tempC: number, p: CureParameters): number =>
  flowLeftPerPa(conversionAt(minutes * 60, tempC, p), tempC, p);

/** The same with its spread: its ends are those of nine in ten of the resins that the card may be of. */
export function flowSpreadAt({ resin, tempC }: SteadyFilm, minutes: number): Spread {
  const likely = flowAt(minutes, tempC, resin.fit.parameters);
  const flows = samplesOf(resin)
    .filter((_, index) => index % EVERY === 0)
    .map((sample) => flowAt(minutes, tempC, sample.parameters))
    .sort((a, b) => a - b);
  const at = (share: number) => flows[Math.round(share * (flows.length - 1))] ?? likely;
  return { low: Math.min(likely, at(0.05)), likely, high: Math.max(likely, at(0.95)) };
}

/** The minute from which no more than so much flow is left; found by halving within two weeks. */
export function minuteOfFlow(flow: number, { resin, tempC }: SteadyFilm): number {
  let [low, high] = [0, 60 * 24 * 14];
  for (let halving = 0; halving < 50; halving += 1) {
    const middle = (low + high) / 2;
    if (flowAt(middle, tempC, resin.fit.parameters) > flow) low = middle;
    else high = middle;
  }
  return low;
}
