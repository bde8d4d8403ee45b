import { limitsOf, type RoomFault } from "./room-limits";
import type { ResinCard } from "./resin-card";

const WORDS: Record<RoomFault, string> = {
  cold: "too cold",
  warm: "too warm",
  damp: "too damp",
  dew: "too near the dew point: it may sweat",
};

/**
 * What is wrong with a room for a resin and what it wants, in a few words.
 * @param temp a temperature in °C as it is shown
 */
export function roomFaultWords(
  faults: readonly RoomFault[],
  card: ResinCard,
  temp: (tempC: number) => string,
): string {
  const { fromC, toC, humidityMaxPct } = limitsOf(card);
  return `${faults.map((fault) => WORDS[fault]).join(", ")}; it wants ${temp(fromC)} to ${temp(toC)}, ${humidityMaxPct} % at most`;
}
