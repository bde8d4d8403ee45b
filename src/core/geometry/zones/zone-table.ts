import type { Measured } from "../measure";
import type { Barrier } from "./division";

/** One border of a zone: to which zone, how long, and what stands on it. */
export type ZoneBorder = { to: string; lengthMm: number; barrier: Barrier | null };

/** A zone as a line of a table, for ONE of its piece. */
export type ZoneTableRow = {
  pieceId: string;
  piece: string;
  zone: string;
  areaMm2: number;
  /** Of the piece's top. */
  share: number;
  outlineMm: number;
  /** What a pool behind its barrier holds; null where it lies flush. */
  pool: { depthMm: number; ml: number } | null;
  borders: ZoneBorder[];
};

/** What a barrier is called. */
export const BARRIER_WORDS: Record<Barrier["kind"], string> = { tape: "tape", bead: "bead", strip: "strip" };

/** The zones of divided pieces as a table: areas, shares, outlines and borders. Empty where no piece is divided. */
export function zoneTable(pieces: readonly Measured[]): ZoneTableRow[] {
  return pieces.flatMap(({ id: pieceId, name: piece, zones, borders }) => {
    const names = new Map(zones.map(({ id, name }) => [id, name]));
    return zones.map(({ id, name, topAreaMm2, share, outlineMm, poolMl, zone }) => ({
      pieceId,
      piece,
      zone: name,
      areaMm2: topAreaMm2,
      share,
      outlineMm,
      pool: zone.poolMm ? { depthMm: zone.poolMm, ml: poolMl } : null,
      borders: borders
        .filter(({ zoneIds }) => zoneIds.includes(id))
        .map(({ zoneIds: [one, other], lengthMm, divider }) => ({
          to: names.get(one === id ? other : one) ?? "",
          lengthMm,
          barrier: divider.barrier ?? null,
        })),
    }));
  });
}
