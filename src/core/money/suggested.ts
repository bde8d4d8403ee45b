import type { Plan } from "../plan/derive-plan";
import { MM2_PER_FT2, MM2_PER_M2, MM_PER_FOOT } from "../units/constants";
import type { AskedLine, PriceUnit } from "./price";
import type { ListRow } from "./rates";

/** What of a plan a row of the price list is counted by: its area, its coated faces, its cut-outs. Pieces that nobody can count are none. */
function quantityOf({ unit, words }: ListRow, { totals, pieces }: Plan): number {
  const named = words.toLowerCase();
  const cutOuts = pieces.reduce((sum, { count, piece }) => sum + count * piece.cutOuts.length, 0);
  const of: Record<PriceUnit, number> = {
    m2: totals.topAreaMm2 / MM2_PER_M2,
    ft2: totals.topAreaMm2 / MM2_PER_FT2,
    m: totals.faceLengthMm / 1000,
    ft: totals.faceLengthMm / MM_PER_FOOT,
    piece: named.includes("cut-out") || named.includes("cutout") || named.includes("sink") ? cutOuts : 0,
    flat: 0,
  };
  return Math.round(of[unit] * 100) / 100;
}

/** The lines that a price begins with: of the rows by area the first one, edges and cut-outs by what is measured, the rest at none. */
export function suggestedLines(list: readonly ListRow[], plan: Plan): AskedLine[] {
  const area = list.findIndex(({ unit }) => unit === "m2" || unit === "ft2");
  return list.map((row, index) => ({
    ...row,
    quantity: (row.unit === "m2" || row.unit === "ft2") && index !== area ? 0 : quantityOf(row, plan),
  }));
}
