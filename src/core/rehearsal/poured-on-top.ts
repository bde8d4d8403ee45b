import { sharesOn } from "../batch/placed-colours";
import type { Measured } from "../geometry/measure";
import { coversZone, type Coat } from "../schedule/coat";

/**
 * What share of a piece's top each colour was poured for, by its id: on each zone those of the uppermost coat there, by their shares. Clear is
 * poured too, but has no colour of its own that could lie on top; what a later coat covers is not meant to. They sum to one.
 * @param layers the coats that make the pattern, from the lowest up
 */
export function pouredOnTop(layers: readonly Coat[], { id, zones }: Measured): ReadonlyMap<string, number> {
  const poured = new Map<string, number>();
  const places =
    zones.length > 0
      ? zones.map((zone) => ({ zoneId: zone.id, share: zone.share }))
      : [{ zoneId: null, share: 1 }];
  for (const { zoneId, share } of places) {
    const coat = layers.findLast((layer) => zoneId === null || coversZone(layer, id, zoneId));
    if (!coat) continue;
    const shares = sharesOn(coat.colours, { pieceId: id, zoneId }).map((here, n) =>
      coat.colours[n]?.look === "clear" ? 0 : here,
    );
    const total = shares.reduce((sum, here) => sum + here, 0) || 1;
    coat.colours.forEach((colour, n) => {
      poured.set(colour.id, (poured.get(colour.id) ?? 0) + (share * (shares[n] ?? 0)) / total);
    });
  }
  // A zone that no coat of these is poured on is no part of the pattern.
  const sum = [...poured.values()].reduce((all, share) => all + share, 0) || 1;
  return new Map([...poured].map(([colourId, share]) => [colourId, share / sum]));
}
