import type { PriceUnit } from "@/core/money/price";

export const UNIT_WORDS: Record<PriceUnit, string> = {
  m2: "m²",
  ft2: "ft²",
  m: "m",
  ft: "ft",
  piece: "piece",
  flat: "flat",
};
