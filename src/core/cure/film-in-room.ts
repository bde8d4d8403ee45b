import { exactly, type Spread } from "../numerics/spread";
import { clockFamily, clocksIn, type CureClock } from "./clock";
import {
  conversionAt,
  conversionAtThickening,
  cureSpeed,
  flowLeftPerPa,
  freshViscosityPaS,
  reducedTime,
  viscosityPaS,
  type CureParameters,
} from "./kinetics";
import type { FittedResin } from "./fitted-resin";
import { byIdentity } from "../numerics/by-identity";
import { filmTempC, type HeatPulse, type Room } from "./room";
import { FILM_STATES, GUMMY_PA_S, HEAVY_PA_S, SILENT, type StateStart } from "./film-states";
import { resinSamples, type ResinSample } from "./samples";
import { nth } from "../numerics/nth";

/** How many resins that the card may be of are followed for a window's ends. */
export const SAMPLES = 300;

/** A film that lies in a room: its resin, when it was mixed, what heat passes over it. */
export type FilmInRoom = {
  resin: FittedResin;
  room: Room;
  /** Minutes from midnight of the first day. */
  mixedAtMin: number;
  pulses?: readonly HeatPulse[];
};

const LIKELY: Pick<ResinSample, "labels"> = { labels: { work: 1, recoat: 1, sand: 1, hard: 1 } };

/** θ at which a conversion is reached, s at 25 °C. */
const thetaOf = (alpha: number, p: CureParameters) => reducedTime(alpha, p.r) / p.k2PerS;

/** A room changes little within the first of these, a film under a heat gun within the second. */
const ROOM_STEP_MIN = 45;
const HEATED_STEP_MIN = 2;
/** Minutes at 25 °C by which a state may be off that was looked for. */
const NEAR_MIN = 0.005;

/** The first minute from a start up to an end at which a function is no longer above zero: looked for in steps, then between two of them. */
function firstCrossing(
  above: (minutes: number) => number,
  from: number,
  end: number,
  stepMin: number,
): number {
  let low = from;
  let high = from;
  let atLow = above(from);
  let atHigh = 0;
  if (atLow <= 0) return from;
  for (;;) {
    high = Math.min(end, low + stepMin);
    atHigh = above(high);
    if (atHigh <= 0 || high >= end) break;
    low = high;
    atLow = atHigh;
  }
  if (atHigh > 0) return end;
  // False position, the end that stays weighed down (Illinois): a handful of rounds, and never out of its bracket.
  for (let round = 0; round < 60 && high - low > 0.01; round += 1) {
    const middle = low + ((high - low) * atLow) / (atLow - atHigh);
    const inside = Math.min(high - 1e-4, Math.max(low + 1e-4, middle));
    const at = above(inside);
    if (Math.abs(at) < NEAR_MIN) return inside;
    if (at > 0) {
      low = inside;
      atLow = at;
      atHigh /= 2;
    } else {
      high = inside;
      atHigh = at;
      atLow /= 2;
    }
  }
  return high;
}

/** Minutes after mixing at which each state begins, in order, for one resin. */
function startsOf(
  film: FilmInRoom,
  p: CureParameters,
  sample: Pick<ResinSample, "labels">,
  clock: CureClock,
): number[] {
  const { resin, room, mixedAtMin, pulses = [] } = film;
  const sheet = cureSpeed(resin.filmTempC, p.activationJPerMol);
  const after = (thetaS: number) => clock.minuteOf(mixedAtMin, thetaS) - mixedAtMin;
  /** The sheet's own time, moved by the clock. */
  const label = (seconds: number, factor: number) => after(seconds * sheet * factor);
  const { labels } = sample;
  const work =
    resin.workMin !== null
      ? label(resin.workMin * 60, labels.work)
      : after(thetaOf(conversionAtThickening(2, p), p));
  const gelTheta = resin.gelH !== null ? resin.gelH * 3600 * sheet : thetaOf(p.gelConversion, p);
  const gel = after(gelTheta);
  /** The first minute from one on at which it is so thick: how far it must have cured for that depends on how warm it is then. */
  const thick = (limit: number, from: number) => {
    // How a coating that is no epoxy thickens is not modelled: its sheet's working time alone bounds what is done to it.
    if (resin.kind === "hybrid") return from;
    if (!Number.isFinite(gel)) return Infinity;
    if (from >= gel) return from;
    /** θ at which it is so thick at a temperature, s. */
    const thetaAt = (tempC: number) => {
      const times = limit / freshViscosityPaS(tempC, p);
      return times <= 1 ? 0 : thetaOf(conversionAtThickening(times, p), p);
    };
    if (room.kind === "constant" && pulses.length === 0) return Math.max(from, after(thetaAt(room.tempC)));
    /** How much θ is still missing for that at a minute, min at 25 °C; not above zero from then on. Cheaper than the minute at which it will be so. */
    const ahead = (minutes: number) => {
      const atMin = mixedAtMin + minutes;
      return (thetaAt(filmTempC(room, pulses, atMin)) - clock.thetaS(atMin)) / 60;
    };
    return firstCrossing(ahead, from, gel, pulses.length > 0 ? HEATED_STEP_MIN : ROOM_STEP_MIN);
  };
  const hours = (time: number | null, silent: number, factor: number) =>
    time !== null ? label(time * 3600, factor) : after(gelTheta * silent * factor);
  const heavy = thick(HEAVY_PA_S, 1.15 * work);
  const raw = [
    0,
    work,
    heavy,
    thick(GUMMY_PA_S, Math.max(heavy, 1.6 * work)),
    gel,
    hours(resin.recoatFromH ?? resin.tackFreeH, SILENT.tackFree, labels.recoat),
    hours(resin.sandH, SILENT.sand, labels.sand),
    hours(resin.hardH, SILENT.hard, labels.hard),
  ];
  let latest = 0;
  return raw.map((start) => (latest = Math.max(latest, start)));
}

/** The resins that a card may be of, drawn once for each. */
export const samplesOf = byIdentity((resin: FittedResin): ResinSample[] => resinSamples(resin, SAMPLES));

/** Ends of nine in ten of a sorted list. */
const quantile = (sorted: Float64Array, share: number) =>
  nth(sorted, Math.min(sorted.length - 1, Math.max(0, Math.round(share * (sorted.length - 1)))));

/**
 * The life of a film under any history of temperature: from when each state holds, minutes after mixing. The likely start is the fit's;
 * its ends are those of nine in ten of the resins that the card may be of. Infinity for a state that is not reached in a hundred days.
 * Kept for the rooms and minutes that were asked for last.
 */
export function filmLifeIn(film: FilmInRoom): StateStart[] {
  const { room, resin, mixedAtMin, pulses = [] } = film;
  const heated = pulses.length > 0;
  const steady = room.kind === "constant" && !heated;
  const known = (steady ? atOneTemperature : inRoom(room))(resin);
  // At one temperature it is the same whenever it is mixed.
  const key = steady ? room.tempC : `${mixedAtMin} ${heated ? JSON.stringify(pulses) : ""}`;
  const life = known.get(key) ?? workOutLife(film);
  if (known.size > MOST_KEPT) known.clear();
  known.set(key, life);
  return life;
}

/** The life of a film in a room that keeps its temperature. */
export const filmLifeAt = (resin: FittedResin, tempC: number): StateStart[] =>
  filmLifeIn({ resin, room: { kind: "constant", tempC }, mixedAtMin: 0 });

const livesOf = () => byIdentity((_resin: FittedResin) => new Map<number | string, StateStart[]>());
const atOneTemperature = livesOf();
const inRoom = byIdentity((_room: Room) => livesOf());
const MOST_KEPT = 100;

/** The likely life alone, without its spread. */
export function likelyLifeIn(film: FilmInRoom): StateStart[] {
  const { resin, room, mixedAtMin, pulses = [] } = film;
  const { parameters } = resin.fit;
  const clock = clocksIn(room, mixedAtMin, pulses)(parameters.activationJPerMol);
  return startsOf(film, parameters, LIKELY, clock).map((start, index) => ({
    state: FILM_STATES[index] as (typeof FILM_STATES)[number],
    fromMin: exactly(start),
  }));
}

function workOutLife(film: FilmInRoom): StateStart[] {
  const { resin, room, mixedAtMin, pulses = [] } = film;
  const { parameters } = resin.fit;
  const clock = clockFamily(room, parameters.activationJPerMol, mixedAtMin, pulses);
  const likely = startsOf(film, parameters, LIKELY, clock(parameters.activationJPerMol));
  const samples = samplesOf(resin);
  const columns = FILM_STATES.map(() => new Float64Array(samples.length));
  samples.forEach((sample, row) => {
    const starts = startsOf(film, sample.parameters, sample, clock(sample.parameters.activationJPerMol));
    starts.forEach((start, state) => {
      (columns[state] as Float64Array)[row] = start;
    });
  });
  return FILM_STATES.map((state, index): StateStart => {
    const sorted = (columns[index] as Float64Array).sort();
    const start = nth(likely, index);
    const fromMin: Spread = {
      low: Math.min(start, quantile(sorted, 0.05)),
      likely: start,
      high: Math.max(start, quantile(sorted, 0.95)),
    };
    return { state, fromMin };
  });
}

/** The film's state of cure at a minute after mixing. */
export type FilmMoment = { tempC: number; alpha: number; viscosityPaS: number };

export function filmMoment(film: FilmInRoom, minutes: number): FilmMoment {
  const { resin, room, mixedAtMin, pulses = [] } = film;
  const p = resin.fit.parameters;
  const clock = clocksIn(room, mixedAtMin, pulses)(p.activationJPerMol);
  const atMin = mixedAtMin + Math.max(0, minutes);
  const tempC = filmTempC(room, pulses, atMin);
  const alpha = conversionAt(clock.thetaS(atMin), 25, p);
  return { tempC, alpha, viscosityPaS: viscosityPaS(alpha, tempC, p) };
}

/**
 * Flow left, 1/Pa, at minutes after mixing: ∫ dt/η from then to gel, by Simpson's rule over the history.
 * @param minutes rising
 */
export function flowLeftIn(film: FilmInRoom, minutes: readonly number[]): number[] {
  const { resin, room, mixedAtMin, pulses = [] } = film;
  const p = resin.fit.parameters;
  const clock = clocksIn(room, mixedAtMin, pulses)(p.activationJPerMol);
  const gelMin = clock.minuteOf(mixedAtMin, thetaOf(p.gelConversion, p)) - mixedAtMin;
  const fluidity = (at: number) => {
    const tempC = filmTempC(room, pulses, mixedAtMin + at);
    const alpha = conversionAt(clock.thetaS(mixedAtMin + at), 25, p);
    return 1 / viscosityPaS(alpha, tempC, p);
  };
  const end = Number.isFinite(gelMin) ? gelMin : 100 * 24 * 60;
  // From the end towards the start, so that each asked minute adds its own stretch.
  const sums = new Array<number>(minutes.length).fill(0);
  let total = 0;
  let to = end;
  for (let index = minutes.length - 1; index >= 0; index -= 1) {
    const from = Math.min(end, Math.max(0, nth(minutes, index)));
    const steps = Math.max(2, 2 * Math.ceil((to - from) / 8));
    const width = (to - from) / steps;
    let sum = 0;
    for (let step = 0; step <= steps; step += 1)
      sum += fluidity(from + step * width) * (step === 0 || step === steps ? 1 : step % 2 === 1 ? 4 : 2);
    total += (sum * width * 60) / 3;
    sums[index] = total;
    to = from;
  }
  return sums;
}

/** Share of its fresh flow that a film of one temperature has left at a conversion. */
const shareLeft = (alpha: number, p: CureParameters) => flowLeftPerPa(alpha, 25, p) / flowLeftPerPa(0, 25, p);

/**
 * How far the film can still move until gel, as a share of what it could when just mixed (0…1). The likely share is that of its history; how
 * far it may be off goes by how far the resins that the card may be of have cured by then.
 */
export function flowShareIn(film: FilmInRoom, minutes: number): Spread {
  const { resin, room, mixedAtMin, pulses = [] } = film;
  const { parameters } = resin.fit;
  const [fresh = 1, left = 0] = flowLeftIn(film, [0, Math.max(0, minutes)]);
  const likely = Math.min(1, left / fresh);
  const clock = clockFamily(room, parameters.activationJPerMol, mixedAtMin, pulses);
  const shareOf = (p: CureParameters) =>
    shareLeft(conversionAt(clock(p.activationJPerMol).thetaS(mixedAtMin + Math.max(0, minutes)), 25, p), p);
  const here = shareOf(parameters);
  const shares = Float64Array.from(samplesOf(resin), (sample) => shareOf(sample.parameters)).sort();
  const scaled = (share: number) => (here > 0 ? (likely * share) / here : share);
  return {
    low: Math.min(likely, scaled(quantile(shares, 0.05))),
    likely,
    high: Math.min(1, Math.max(likely, scaled(quantile(shares, 0.95)))),
  };
}
