import type { Spread } from "../numerics/spread";
import { samplesOf } from "./film-in-room";
import type { FittedResin } from "./fitted-resin";
import type { CureParameters } from "./kinetics";
import { CUP, standing, type Container } from "./pot";
import type { ResinCard } from "./resin-card";

/** So many of the resins that a card may be of are followed for the ends. */
const FOLLOWED = 40;
/** Too hot to hold; boiling, foaming and smoking (common practice, no source). */
const HOT_C = 55;
const SMOKES_C = 100;

export type Heat = "warm" | "hot" | "smokes";

/** What a coating that is no epoxy does with its heat is not modelled; a paint gives none. */
export const heatIsKnown = ({ kind }: Pick<ResinCard, "kind">): boolean =>
  kind !== "hybrid" && kind !== "paint";

/** What a pot does that is left standing: how hot, when, and what that means; by the hotter end, since that is the one that burns. */
export type LeftStanding = { peakC: Spread; peakAtMin: number; heat: Heat };

/**
 * What is left in a pot after the pour, at the temperature of the room when it was mixed.
 * @param massG more than nothing
 */
export function leftStanding(
  resin: FittedResin,
  massG: number,
  roomC: number,
  container: Container = CUP,
): LeftStanding {
  const of = (p: CureParameters) => standing(massG, roomC, roomC, p, container);
  const { peakC, peakAtMin } = of(resin.fit.parameters);
  const peaks = samplesOf(resin)
    .slice(0, FOLLOWED)
    .map(({ parameters }) => of(parameters).peakC)
    .sort((a, b) => a - b);
  const end = (share: number) => peaks[Math.round(share * (peaks.length - 1))] ?? peakC;
  const spread = { low: Math.min(peakC, end(0.05)), likely: peakC, high: Math.max(peakC, end(0.95)) };
  return {
    peakC: spread,
    peakAtMin,
    heat: spread.high >= SMOKES_C ? "smokes" : spread.high >= HOT_C ? "hot" : "warm",
  };
}
