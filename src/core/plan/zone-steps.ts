import type { StepUnder } from "../advice/advice";
import { levellingExponent } from "../film/flow";
import { flowSpreadAt } from "../film/flow-at";
import type { Measured } from "../geometry/measure";
import type { MeasuredZone } from "../geometry/zones/measured-zones";
import { exactly, type Spread } from "../numerics/spread";
import { coversZone, filmOn, liesOnTop, type Coat } from "../schedule/coat";
import type { PlannedCoat } from "./timed";

/** Where two zones of a piece come to lie at different heights, and what the last coat over both leaves of it. */
export type ZoneStep = StepUnder & {
  pieceId: string;
  lowId: string;
  highId: string;
  /** The last coat that lies over both; null where none does, and the step stays. */
  coatId: string | null;
};

/** A smaller step no finger feels, mm. */
const LEAST_MM = 0.05;
/** A film is laid so long after it was mixed where its passes do not say, min. */
const LAID_AFTER_MIN = 10;

/** What a coat raises a zone by, mm: its film, or its part of a pool. What fills a mould or channel fills it level. */
export function raisesMm(coat: Coat, { id, fillMl }: Measured, zone: MeasuredZone): number {
  if (!coversZone(coat, id, zone.id)) return 0;
  if (coat.kind === "fill" && fillMl === null) return (zone.zone.poolMm ?? 0) * coat.coverShare;
  return liesOnTop(coat) && coat.kind !== "vein" ? filmOn(coat, id, zone.id) * coat.coverShare : 0;
}

/** Width over which a zone is even, mm: four areas by its outline, which is the diameter of a round one. */
const widthMm = ({ topAreaMm2, outlineMm }: MeasuredZone) =>
  outlineMm > 0 ? (4 * topAreaMm2) / outlineMm : 0;

/**
 * What a film leaves of a step across a zone, mm: as much as of a ridge with the zone for half of its wave (Orchard 1962, in `film/flow`).
 * Its spread is that of the flow that the film still has when it is laid.
 */
function leftOfStep(
  stepMm: number,
  acrossMm: number,
  filmMm: number,
  { resin, windows }: PlannedCoat,
  tempC: number,
): Spread {
  if (!resin || resin.kind === "paint" || !(acrossMm > 0)) return exactly(stepMm);
  const [first] = windows?.windows ?? [];
  const laidMin = windows && first ? Math.max(0, first.atMin - windows.mixedAtMin) : LAID_AFTER_MIN;
  const flow = flowSpreadAt({ resin, tempC }, laidMin);
  const left = (phi: number) => stepMm * Math.exp(-levellingExponent(2 * acrossMm, filmMm, phi));
  return { low: left(flow.high), likely: left(flow.likely), high: left(flow.low) };
}

/** The steps between neighbouring zones as the coats are planned. */
export function zoneSteps(
  pieces: readonly Measured[],
  coats: readonly PlannedCoat[],
  tempC: number,
): ZoneStep[] {
  return pieces.flatMap((piece) => {
    const zones = new Map(piece.zones.map((zone) => [zone.id, zone]));
    const told = new Set<string>();
    return piece.borders.flatMap(({ zoneIds }): ZoneStep[] => {
      const [one, other] = zoneIds.map((id) => zones.get(id));
      if (!one || !other || told.has(zoneIds.join(" "))) return [];
      told.add(zoneIds.join(" "));
      const over = (zone: MeasuredZone) =>
        coats.filter(({ coat }) => raisesMm(coat, piece, zone) > 0).map(({ coat }) => coat.id);
      const [onOne, onOther] = [over(one), over(other)];
      if (onOne.length === 0 || onOther.length === 0) return [];
      const last = coats.findLastIndex(
        ({ coat }) => liesOnTop(coat) && onOne.includes(coat.id) && onOther.includes(coat.id),
      );
      const heights = (list: readonly PlannedCoat[], zone: MeasuredZone) =>
        list.reduce((sum, { coat }) => sum + raisesMm(coat, piece, zone), -(zone.zone.poolMm ?? 0));
      // What is poured on one of them after the last coat over both stays as it is.
      const alone = coats
        .slice(last + 1)
        .some(({ coat }) => raisesMm(coat, piece, one) !== raisesMm(coat, piece, other));
      const before = last >= 0 && !alone ? coats.slice(0, last) : coats;
      const apart = heights(before, one) - heights(before, other);
      if (Math.abs(apart) < LEAST_MM) return [];
      const [low, high] = apart > 0 ? [other, one] : [one, other];
      const planned = alone ? undefined : coats[last];
      const stepMm = Math.abs(apart);
      const filmMm = planned ? filmOn(planned.coat, piece.id, low.id) : null;
      const acrossMm = Math.min(widthMm(low), widthMm(high));
      return [
        {
          pieceId: piece.id,
          lowId: low.id,
          highId: high.id,
          low: low.name,
          high: high.name,
          stepMm,
          coatId: planned?.coat.id ?? null,
          coat: planned?.coat.name ?? null,
          filmMm,
          leavesMm:
            planned && filmMm !== null
              ? leftOfStep(stepMm, acrossMm, filmMm, planned, tempC)
              : exactly(stepMm),
        },
      ];
    });
  });
}
