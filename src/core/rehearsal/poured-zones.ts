import { isPlaced, sharesOn } from "../batch/placed-colours";
import type { Measured } from "../geometry/measure";
import type { JobDocument } from "../job/job";
import type { RehearsedCoat, RehearsedZone } from "../pattern/passes/rehearsal";
import { coversZone, type Coat } from "../schedule/coat";

/**
 * The zones of a piece that a coat is poured in, each with the colours that go there by their shares of it; nothing where the coat lies alike on
 * all of a piece that no barrier divides.
 */
export function pouredZones(
  { id }: Coat,
  job: JobDocument,
  piece: Measured,
  colours: RehearsedCoat["colours"],
): { zones?: RehearsedZone[] } {
  // As it was typed: shares of a place rather than of all.
  const coat = job.coats.find((planned) => planned.id === id);
  if (!coat || piece.zones.length === 0) return {};
  const on = piece.zones.map((zone) => coversZone(coat, piece.id, zone.id));
  const alike = on.every(Boolean) && !isPlaced(coat.colours) && coat.passes.every(({ zoneIds }) => !zoneIds);
  if (alike && piece.barriers.length === 0) return {};
  const zones = piece.zones.flatMap((zone, at): RehearsedZone[] => {
    if (!on[at] || !(zone.topAreaMm2 > 0)) return [];
    const shares = sharesOn(coat.colours, { pieceId: piece.id, zoneId: zone.id });
    const own = colours.flatMap((colour, n) => {
      const share = shares[n] ?? 0;
      return share > 0 ? [{ ...colour, share }] : [];
    });
    const beside = piece.borders.filter(({ zoneIds }) => zoneIds.includes(zone.id));
    const held = !on.every(Boolean) || beside.some(({ divider }) => divider.barrier !== undefined);
    return own.length > 0 ? [{ at, colours: own, held }] : [];
  });
  return { zones };
}
