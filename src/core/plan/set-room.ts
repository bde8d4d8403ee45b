import type { SetRoom } from "../batch/embeds";
import type { Measured } from "../geometry/measure";
import { covers, coversZone, type Coat } from "../schedule/coat";
import type { Pass } from "../schedule/pass";

/** The part of its coat that a pass is done on: in which zones, and their share of what the coat covers; null where it is done on all of it. */
export type PassPlaces = { names: string[]; share: number } | null;

export function passPlaces(
  { zoneIds }: Pick<Pass, "zoneIds">,
  coat: Coat,
  pieces: readonly Measured[],
): PassPlaces {
  if (!zoneIds) return null;
  let [all, here] = [0, 0];
  const names: string[] = [];
  for (const { id, count, zones, topAreaMm2 } of pieces.filter((piece) => covers(coat, piece.id))) {
    if (zones.length === 0) all += count * topAreaMm2;
    for (const zone of zones.filter((covered) => coversZone(coat, id, covered.id))) {
      all += count * zone.topAreaMm2;
      if (!zoneIds.includes(zone.id)) continue;
      here += count * zone.topAreaMm2;
      names.push(zone.name);
    }
  }
  return { names, share: all > 0 ? here / all : 0 };
}

/**
 * Where a coat's stones can be set: its zones and their borders, for all pieces of a kind.
 * @param areaM2 what the coat covers
 */
export function setRoomOf(coat: Coat, pieces: readonly Measured[], areaM2: number): SetRoom {
  const on = pieces.map((piece) => ({
    piece,
    zones: piece.zones.filter((zone) => coversZone(coat, piece.id, zone.id)),
  }));
  return {
    areaM2,
    zones: on.flatMap(({ piece, zones }) =>
      zones.map(({ id, topAreaMm2 }) => ({ id, areaM2: (piece.count * topAreaMm2) / 1e6 })),
    ),
    borders: on.flatMap(({ piece, zones }) =>
      piece.borders
        .filter(({ zoneIds }) => zoneIds.some((id) => zones.some((zone) => zone.id === id)))
        .map(({ zoneIds, lengthMm }) => ({ zoneIds, lengthM: (piece.count * lengthMm) / 1000 })),
    ),
  };
}
