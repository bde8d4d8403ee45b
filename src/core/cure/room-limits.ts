import { DAMP_PCT, DEW_MARGIN_K, dewPointC, ROOM_C } from "./dew-point";
import type { ResinCard } from "./resin-card";

/** What a room must be for a resin. */
export type RoomLimits = { fromC: number; toC: number; humidityMaxPct: number; ofSheet: boolean };

/** A card that is silent has the usual limits. */
export function limitsOf({ roomFromC, roomToC, humidityMaxPct }: ResinCard): RoomLimits {
  return {
    fromC: roomFromC ?? ROOM_C.low,
    toC: roomToC ?? ROOM_C.high,
    humidityMaxPct: humidityMaxPct ?? DAMP_PCT,
    ofSheet: [roomFromC, roomToC, humidityMaxPct].some((limit) => limit !== null),
  };
}

/** What a room is against a resin's limits. */
export type RoomFault = "cold" | "warm" | "damp" | "dew";

/**
 * In which ways a room is not right for a resin.
 * @param coldestC the coldest that the surface gets, °C
 * @param humidityPct null when it is not known
 */
export function roomFaults(
  card: ResinCard,
  tempC: number,
  humidityPct: number | null,
  coldestC = tempC,
): RoomFault[] {
  const { fromC, toC, humidityMaxPct } = limitsOf(card);
  const faults: RoomFault[] = [];
  if (tempC < fromC) faults.push("cold");
  if (tempC > toC) faults.push("warm");
  if (humidityPct !== null && coldestC - dewPointC(tempC, humidityPct) < DEW_MARGIN_K) faults.push("dew");
  else if (humidityPct !== null && humidityPct > humidityMaxPct) faults.push("damp");
  return faults;
}
