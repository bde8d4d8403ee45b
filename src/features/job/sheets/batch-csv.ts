import Papa from "papaparse";
import type { SheetBatch } from "./batch-lines";

const round = (value: number, places: number) => Number(value.toFixed(places));

/** The batch sheet as CSV, one line for everything that is measured. Formulas in names are disarmed. */
export function batchCsv(batches: readonly SheetBatch[]): string {
  const rows = batches.flatMap((batch) => {
    const common = {
      coat: batch.coatName,
      batch: batch.of,
      resin: batch.resinName,
      mix_at: batch.mixAt,
      pour_by: batch.pourBy,
    };
    return [
      ...batch.weigh.map((line) => ({
        ...common,
        kind: "weigh",
        name: line.label,
        ml: line.ml === null ? "" : round(line.ml, 1),
        g: round(line.grams, 1),
        dose: line.count ?? "",
      })),
      ...batch.cups.map((cup) => ({
        ...common,
        kind: "cup",
        name: cup.name,
        ml: round(cup.ml, 1),
        g: round(cup.g, 1),
        dose: cup.dose,
      })),
    ];
  });
  return Papa.unparse(rows, {
    columns: ["coat", "batch", "resin", "mix_at", "pour_by", "kind", "name", "ml", "g", "dose"],
    escapeFormulae: true,
    newline: "\r\n",
  });
}
