import type { ZoneTableRow } from "@/core/geometry/zones/zone-table";
import { ML_PER_US_FL_OZ } from "@/core/units/constants";
import type { SheetBatch } from "./batch-lines";

const round = (value: number) => Math.round(value * 100) / 100;
const flOz = (ml: number) => round(ml / ML_PER_US_FL_OZ);

/**
 * The batch sheet as JSON, for whoever wants to compute with it. Millilitres, US fluid ounces and grams, millimetres and square metres, two
 * places and more; `zones` are those of divided pieces, for one of each piece.
 */
export function batchJson(job: string, batches: readonly SheetBatch[], zones: readonly ZoneTableRow[]) {
  return {
    format: "gaugebeam.batch-sheet",
    version: 1,
    job,
    batches: batches.map((batch) => ({
      coat: batch.coatName,
      batch: batch.of,
      resin: batch.resinName,
      covers: batch.sections,
      day: batch.day,
      date: batch.date,
      mixAt: batch.mixAt,
      pourBy: batch.pourBy,
      mixMl: round(batch.mixMl),
      mixFlOz: flOz(batch.mixMl),
      mixG: round(batch.mixG),
      weigh: batch.weigh.map(({ label, grams, ml, count }) => ({
        label,
        g: round(grams),
        ml: ml === null ? null : round(ml),
        flOz: ml === null ? null : flOz(ml),
        dose: count,
      })),
      cups: batch.cups.map((cup) => ({
        name: cup.name,
        colour: cup.hex,
        share: round(cup.share * 100) / 100,
        ml: round(cup.ml),
        flOz: flOz(cup.ml),
        g: round(cup.g),
        dose: cup.dose,
      })),
    })),
    zones: zones.map(({ piece, zone, areaMm2, share, outlineMm, pool, borders }) => ({
      piece,
      zone,
      areaM2: Math.round(areaMm2) / 1e6,
      share: Math.round(share * 1e4) / 1e4,
      outlineMm: round(outlineMm),
      poolMm: pool?.depthMm ?? 0,
      poolMl: round(pool?.ml ?? 0),
      borders: borders.map(({ to, lengthMm, barrier }) => ({
        to,
        lengthMm: round(lengthMm),
        barrier: barrier?.kind ?? null,
      })),
    })),
  };
}
