import { ML_PER_US_FL_OZ } from "@/core/units/constants";
import type { SheetBatch } from "./batch-lines";

const round = (value: number) => Math.round(value * 100) / 100;
const flOz = (ml: number) => round(ml / ML_PER_US_FL_OZ);

/** The batch sheet as JSON, for whoever wants to compute with it. Millilitres, US fluid ounces and grams, two places. */
export function batchJson(job: string, batches: readonly SheetBatch[]) {
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
  };
}
