import { noLengths, type MeasuredEdge } from "../measured-edge";
import type { EdgeTreatment, Piece } from "../piece";
import { sectionMm2, type Barrier, type Divider, type Zone } from "./division";
import { zoneMapOf, type Border } from "./zone-map";
import type { Point } from "../curves";

/** A zone measured, for ONE of its piece: what the same figures of a piece say, of its part. */
export type MeasuredZone = {
  id: string;
  name: string;
  zone: Zone;
  divider: Divider | null;
  rings: Point[][];
  /** Of the piece's top: the zones' shares sum to one. */
  share: number;
  topAreaMm2: number;
  faceAreaMm2: number;
  faceLengthMm: number;
  lengthByTreatmentMm: Record<EdgeTreatment, number>;
  outlineMm: number;
  /** What its pool holds, ml; 0 where it lies flush. */
  poolMl: number;
};

/** What stands on the borders of a divider: how long, and for a bead or strip its volume and mass. */
export type MeasuredBarrier = { divider: Divider; barrier: Barrier; lengthMm: number; ml: number; g: number };

/** The coated inner edge of a cut-out: its length and its area. */
export type InnerFace = { cutOutId: string; lengthMm: number; areaMm2: number };

/**
 * The zones of a divided piece, each with its part of the top, of the faces and of the edges; none for a piece that is all of one.
 * @param top of the whole piece: both sides where both are coated, a tumbler's base with its wall
 */
export function measuredZones(
  piece: Piece,
  edges: readonly MeasuredEdge[],
  innerFaces: readonly InnerFace[],
  topAreaMm2: number,
): MeasuredZone[] {
  const map = zoneMapOf(piece);
  if (!map) return [];
  const sides = piece.bothSides && piece.shape.kind !== "tumbler" ? 2 : 1;
  const drawnMm2 = sides * map.zones.reduce((sum, { areaMm2 }) => sum + areaMm2, 0);
  return map.zones.map(({ zone, divider, rings, areaMm2, outlineMm, alongEdgeMm, aroundCutOutMm }, n) => {
    // A tumbler's base lies on no drawing: it goes with what is left of the wall.
    const flatMm2 = sides * areaMm2 + (n === 0 ? topAreaMm2 - drawnMm2 : 0);
    const lengths = noLengths();
    let faceAreaMm2 = 0;
    let faceLengthMm = 0;
    for (const edge of edges) {
      const along = alongEdgeMm[edge.name] ?? 0;
      lengths[edge.treatment] += along;
      if (edge.faceAreaMm2 > 0) {
        faceAreaMm2 += (edge.faceAreaMm2 * along) / edge.lengthMm;
        faceLengthMm += along;
      }
    }
    for (const { cutOutId, lengthMm, areaMm2: innerMm2 } of innerFaces) {
      const share = innerShare(aroundCutOutMm[cutOutId] ?? 0, map, cutOutId);
      faceAreaMm2 += innerMm2 * share;
      faceLengthMm += lengthMm * share;
      lengths.face += lengthMm * share;
    }
    return {
      id: zone.id,
      name: zone.name,
      zone,
      divider,
      rings,
      share: topAreaMm2 > 0 ? flatMm2 / topAreaMm2 : 0,
      topAreaMm2: flatMm2,
      faceAreaMm2,
      faceLengthMm,
      lengthByTreatmentMm: lengths,
      outlineMm,
      poolMl: (flatMm2 * (zone.poolMm ?? 0)) / 1000,
    };
  });
}

function innerShare(ownMm: number, map: NonNullable<ReturnType<typeof zoneMapOf>>, cutOutId: string): number {
  const around = map.zones.reduce((sum, { aroundCutOutMm }) => sum + (aroundCutOutMm[cutOutId] ?? 0), 0);
  return around > 0 ? ownMm / around : 0;
}

/** The barriers of a divided piece, one for each divider that has one and a border. */
export function measuredBarriers(borders: readonly Border[]): MeasuredBarrier[] {
  const found = new Map<Divider, MeasuredBarrier>();
  for (const { divider, lengthMm } of borders) {
    const { barrier } = divider;
    if (!barrier) continue;
    const known = found.get(divider) ?? { divider, barrier, lengthMm: 0, ml: 0, g: 0 };
    known.lengthMm += lengthMm;
    known.ml = (known.lengthMm * sectionMm2(barrier)) / 1000;
    known.g = barrier.kind === "bead" ? known.ml * barrier.gPerMl : 0;
    found.set(divider, known);
  }
  return [...found.values()];
}
