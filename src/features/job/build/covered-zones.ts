import type { Measured } from "@/core/geometry/measure";
import { coversZone, type Coat } from "@/core/schedule/coat";

/** The zones that a coat goes on, by name. */
export function coveredZones(coat: Coat, pieces: readonly Measured[]): { id: string; words: string }[] {
  const divided = pieces.filter(({ zones }) => zones.length > 0);
  return divided.flatMap((piece) =>
    piece.zones
      .filter((zone) => coversZone(coat, piece.id, zone.id))
      .map(({ id, name }) => ({ id, words: divided.length > 1 ? `${piece.name}, ${name}` : name })),
  );
}
