import Papa from "papaparse";
import type { ZoneTableRow } from "@/core/geometry/zones/zone-table";
import { ML_PER_US_FL_OZ } from "@/core/units/constants";
import type { SheetBatch } from "./batch-lines";

const round = (value: number, places: number) => Number(value.toFixed(places));
const volumes = (ml: number | null) => ({
  ml: ml === null ? "" : round(ml, 1),
  fl_oz: ml === null ? "" : round(ml / ML_PER_US_FL_OZ, 2),
});

/** The batch sheet as CSV, one line for everything that is measured, then one for each zone of a divided piece. Formulas in names are disarmed. */
export function batchCsv(batches: readonly SheetBatch[], zones: readonly ZoneTableRow[]): string {
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
  const zoneRows = zones.map(({ piece, zone, areaMm2, share, outlineMm, pool }) => ({
    kind: "zone",
    name: `${piece}, ${zone}`,
    ...volumes(pool?.ml ?? null),
    area_m2: round(areaMm2 / 1e6, 4),
    share: round(share, 4),
    outline_mm: round(outlineMm, 1),
  }));
  return Papa.unparse([...rows, ...zoneRows], {
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
      "area_m2",
      "share",
      "outline_mm",
    ],
    escapeFormulae: true,
    newline: "\r\n",
  });
}
