import { sharesOn } from "../batch/placed-colours";
import type { ColourLook } from "../batch/coat-colour";
import type { Point } from "../geometry/curves";
import type { Measured } from "../geometry/measure";
import { zonesAlong } from "../geometry/zones/zones-along";
import type { Coat } from "../schedule/coat";
import { raisesMm } from "./zone-steps";

/** A coat in a section: from which height to which above the ground, mm, and its colours there by their shares. */
export type SectionLayer = {
  coatId: string;
  bottomMm: number;
  topMm: number;
  colours: { id: string; hex: string; look: ColourLook; share: number }[];
};

/** A stretch of a section: its zone with the coats over it; no zone beside the piece and over openings. */
export type SectionStretch = {
  zoneId: string | null;
  name: string;
  fromMm: number;
  toMm: number;
  /** Height of its ground, mm: below 0 in a recess or pool. */
  groundMm: number;
  layers: SectionLayer[];
};

/** The coats along a straight line across a divided piece, as they are planned: heights are films and pools added up. */
export function sectionAlong(
  piece: Measured,
  coats: readonly Coat[],
  from: Point,
  to: Point,
): SectionStretch[] {
  return zonesAlong(piece.zones, from, to).map(({ zoneId, fromMm, toMm }) => {
    const zone = piece.zones.find(({ id }) => id === zoneId);
    if (!zone) return { zoneId: null, name: "", fromMm, toMm, groundMm: 0, layers: [] };
    const groundMm = -(zone.zone.poolMm ?? 0);
    let topMm = groundMm;
    const layers = coats.flatMap((coat): SectionLayer[] => {
      const raised = raisesMm(coat, piece, zone);
      if (!(raised > 0)) return [];
      const bottomMm = topMm;
      topMm += raised;
      const shares = sharesOn(coat.colours, { pieceId: piece.id, zoneId: zone.id });
      const colours = coat.colours.flatMap(({ id, hex, look }, n) => {
        const share = shares[n] ?? 0;
        return share > 0 ? [{ id, hex, look, share }] : [];
      });
      return [{ coatId: coat.id, bottomMm, topMm, colours }];
    });
    return { zoneId: zone.id, name: zone.name, fromMm, toMm, groundMm, layers };
  });
}
