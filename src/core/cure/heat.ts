import { exactly, type Spread } from "../numerics/spread";
import { filmLifeIn, type FilmInRoom } from "./film-in-room";
import type { StateStart } from "./film-states";
import type { ResinCard } from "./resin-card";
import type { HeatPulse } from "./room";

/** Heat that was put on a film: how much warmer it was when that ended, with its spread, and how fast that falls off. */
export type Heat = { atMin: number; riseK: Spread; decayMin: number };

/** Film: ρc, J/m³K (epoxy, handbook values from memory: 1 100 kg/m³, 1 800 J/kgK). */
const FILM_J_PER_M3K = 1100 * 1800;
/** What warms below it within some minutes: 5 to 7 mm of board or stone, J/m²K (√(a·t) of wood board, from memory). */
const GROUND_J_PER_M2K = 8000;
/** Air and radiation carry off so much, W/m²K (handbook value for a warm level surface, from memory). */
const LOSS_W_PER_M2K = 12;
/** A hand keeps moving before it gets hotter than this, K. */
const MOST_K = 60;
/** How far the heat that a hand really brings in may be off: it is nowhere measured. */
const OFF = { low: 0.5, high: 1.6 };
/** The same where the finisher has read it on a film of this resin: one heating is not like the other (assumed). */
const READ_OFF = { low: 0.75, high: 1.25 };

/** What the finisher has read on a film: K above the film before, after a heating that took as long as is usual, and minutes to half of it. */
export type HeatRead = { riseK: number; usualMin: number; halfMin: number };

/** What a card says of heat that was read; null where it says nothing. */
export const heatReadOn = (
  { heatedToC, heatHalfMin, filmTempC }: Pick<ResinCard, "heatedToC" | "heatHalfMin" | "filmTempC">,
  usualMin: number,
): HeatRead | null =>
  heatedToC === null || heatHalfMin === null
    ? null
    : { riseK: heatedToC - filmTempC, usualMin, halfMin: heatHalfMin };

/**
 * Heat that a tool leaves in a film: a layer that is warmed evenly and loses heat at its top, T′ = q/C − T/τ with τ = C/h. Where it was read, q/C and τ
 * are what brings the film to that in the usual time.
 * @param watt what the tool brings into the film, W
 */
export function heatLeft({
  watt,
  minutes,
  areaM2,
  filmMm,
  endsAtMin,
  read = null,
}: {
  watt: number;
  minutes: number;
  areaM2: number;
  filmMm: number;
  endsAtMin: number;
  read?: HeatRead | null;
}): Heat {
  if (read) {
    const decayMin = read.halfMin / Math.LN2;
    const share = (lasted: number) => 1 - Math.exp(-lasted / decayMin);
    const riseK = read.usualMin > 0 ? (read.riseK * share(minutes)) / share(read.usualMin) : 0;
    return { atMin: endsAtMin, riseK: spreadUpTo(riseK, READ_OFF), decayMin };
  }
  const capacity = FILM_J_PER_M3K * (filmMm / 1000) + GROUND_J_PER_M2K;
  const tauS = capacity / LOSS_W_PER_M2K;
  const likely = areaM2 > 0 ? (watt / areaM2 / LOSS_W_PER_M2K) * (1 - Math.exp((-minutes * 60) / tauS)) : 0;
  return { atMin: endsAtMin, riseK: spreadUpTo(likely, OFF), decayMin: tauS / 60 };
}

/** So much warmer, with its spread, and no more than a hand lets it be. */
function spreadUpTo(riseK: number, off: { low: number; high: number }): Spread {
  const upTo = (value: number) => Math.min(MOST_K, value);
  return { low: upTo(off.low * riseK), likely: upTo(riseK), high: upTo(off.high * riseK) };
}

/** Heat as it is put on a film's history, at one end of its spread or as is likely. */
export const pulsesOf = (heats: readonly Heat[], end: keyof Spread = "likely"): HeatPulse[] =>
  heats.map(({ atMin, riseK, decayMin }) => ({ atMin, riseK: riseK[end], decayMin }));

/** The life of a film on which heat was put: its ends are those of the resins that the card may be of, and of how much heat it may have been. */
export function heatedLifeIn(film: FilmInRoom, heats: readonly Heat[]): StateStart[] {
  if (heats.length === 0) return filmLifeIn(film);
  const [low, likely, high] = (["low", "likely", "high"] as const).map((end) =>
    filmLifeIn({ ...film, pulses: pulsesOf(heats, end) }),
  ) as [StateStart[], StateStart[], StateStart[]];
  return likely.map((start, index): StateStart => {
    const less = low[index]?.fromMin ?? exactly(start.fromMin.likely);
    const more = high[index]?.fromMin ?? exactly(start.fromMin.likely);
    return {
      ...start,
      fromMin: {
        low: Math.min(start.fromMin.low, more.low),
        likely: start.fromMin.likely,
        high: Math.max(start.fromMin.high, less.high),
      },
    };
  });
}
