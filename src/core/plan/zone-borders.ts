import type { FinishedZone } from "../advice/advice";
import { sharesOn } from "../batch/placed-colours";
import type { Measured } from "../geometry/measure";
import type { Barrier } from "../geometry/zones/division";
import { coversZone, type Coat } from "../schedule/coat";

/**
 * How two zones meet in a coat: wet beside each other with colours of their own, held apart by what stands between them, or the first one poured
 * up to the other, which another coat has coated before or will later.
 */
export type ZoneMeeting = {
  piece: string;
  zones: [string, string];
  /** The same by their ids. */
  zoneIds: [string, string];
  /** How long they meet so on ONE of the piece, mm. */
  lengthMm: number;
  barrier: Barrier | null;
} & How;

type How =
  { how: "melt" | "bare" } | { how: "held"; by: Barrier["kind"] } | { how: "before" | "later"; coat: string };

/** Coats that lie on a zone as a whole. */
const liesOn = ({ kind }: Coat): boolean => kind !== "vein" && kind !== "prefill" && kind !== "edge-seal";

/** How two neighbours meet in a coat; null where one film lies over both, or on neither. */
function howMeet(
  coat: Coat,
  coats: readonly Coat[],
  pieceId: string,
  zoneIds: [string, string],
  barrier: Barrier | null,
): ({ zoneIds: [string, string] } & How) | null {
  const on = zoneIds.map((id) => coversZone(coat, pieceId, id));
  if (!on.some(Boolean)) return null;
  if (on.every(Boolean)) {
    if (barrier) return { zoneIds, how: "held", by: barrier.kind };
    const [here, there] = zoneIds.map((zoneId) => sharesOn(coat.colours, { pieceId, zoneId }));
    return here?.every((share, n) => share === there?.[n]) ? null : { zoneIds, how: "melt" };
  }
  const [poured, beside] = on[0] ? zoneIds : [zoneIds[1], zoneIds[0]];
  const alone = (other: Coat) =>
    liesOn(other) && coversZone(other, pieceId, beside) && !coversZone(other, pieceId, poured);
  const place = coats.findIndex(({ id }) => id === coat.id);
  const before = coats.slice(0, place).findLast(alone);
  const later = coats.slice(place + 1).find(alone);
  if (before) return { zoneIds: [poured, beside], how: "before", coat: before.name };
  return { zoneIds: [poured, beside], ...(later ? { how: "later", coat: later.name } : { how: "bare" }) };
}

/** How the zones of a coat meet their neighbours, piece by piece; borders within one film are left out. */
export function zoneMeetings(coat: Coat, coats: readonly Coat[], pieces: readonly Measured[]): ZoneMeeting[] {
  return pieces.flatMap(({ id: pieceId, name: piece, zones, borders }) => {
    const names = new Map(zones.map(({ id, name }) => [id, name]));
    const found = new Map<string, ZoneMeeting>();
    for (const { zoneIds, divider, lengthMm } of borders) {
      const barrier = divider.barrier ?? null;
      const key = `${zoneIds.join(" ")} ${barrier?.kind ?? ""}`;
      const known = found.get(key);
      if (known) {
        known.lengthMm += lengthMm;
        continue;
      }
      const how = howMeet(coat, coats, pieceId, zoneIds, barrier);
      if (!how) continue;
      const [one, other] = how.zoneIds.map((id) => names.get(id) ?? "") as [string, string];
      found.set(key, { piece, zones: [one, other], lengthMm, barrier, ...how });
    }
    return [...found.values()];
  });
}

/** Zones beside a coat's that an earlier coat was poured on alone: finished, as far as this one goes. */
export function finishedBeside(
  coat: Coat,
  coats: readonly Coat[],
  pieces: readonly Measured[],
): FinishedZone[] {
  const found = new Map<string, FinishedZone>();
  for (const meeting of zoneMeetings(coat, coats, pieces)) {
    if (meeting.how !== "before") continue;
    const [, name] = meeting.zones;
    const [, zoneId] = meeting.zoneIds;
    const known = found.get(zoneId);
    found.set(zoneId, {
      name,
      coat: meeting.coat,
      lengthMm: (known?.lengthMm ?? 0) + meeting.lengthMm,
      barrier: (known?.barrier ?? true) && meeting.barrier !== null,
    });
  }
  return [...found.values()];
}
