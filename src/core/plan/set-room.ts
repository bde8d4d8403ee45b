import type { SetRoom } from "../batch/embeds";
import type { Measured } from "../geometry/measure";
import { coversZone, type Coat } from "../schedule/coat";

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
