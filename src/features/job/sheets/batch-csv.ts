import Papa from "papaparse";
import { ML_PER_US_FL_OZ } from "@/core/units/constants";
import type { SheetBatch } from "./batch-lines";

const round = (value: number, places: number) => Number(value.toFixed(places));
const volumes = (ml: number | null) => ({
  ml: ml === null ? "" : round(ml, 1),
  fl_oz: ml === null ? "" : round(ml / ML_PER_US_FL_OZ, 2),
});

/** The batch sheet as CSV, one line for everything that is measured. Formulas in names are disarmed. */
export function batchCsv(batches: readonly SheetBatch[]): string {
  const rows = batches.flatMap((batch) => {
    const common = {
      coat: batch.coatName,
      batch: batch.of,
      resin: batch.resinName,
      day: batch.day,
      date: batch.date ?? "",
      mix_at: batch.mixAt,
      pour_by: batch.pourBy,
    };
    return [
      ...batch.weigh.map((line) => ({
        ...common,
        kind: "weigh",
        name: line.label,
        ...volumes(line.ml),
        g: round(line.grams, 3),
        dose: line.count ?? "",
      })),
      ...batch.cups.map((cup) => ({
        ...common,
        kind: "cup",
        name: cup.name,
        ...volumes(cup.ml),
        g: round(cup.g, 1),
        dose: cup.dose,
      })),
    ];
  });
  return Papa.unparse(rows, {
    columns: [
      "coat",
      "batch",
      "resin",
      "day",
      "date",
      "mix_at",
      "pour_by",
      "kind",
      "name",
      "ml",
      "fl_oz",
      "g",
      "dose",
    ],
    escapeFormulae: true,
    newline: "\r\n",
  });
}
