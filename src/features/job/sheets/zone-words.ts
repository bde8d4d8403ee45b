import { BARRIER_WORDS, type ZoneTableRow } from "@/core/geometry/zones/zone-table";
import type { UnitSystem } from "@/core/units/dimension";
import { quantityText } from "@/core/units/format-quantity";

/** A zone's size: its area, its share of the piece, and what its pool holds. */
export function zoneFigures({ areaMm2, share, pool }: ZoneTableRow, system: UnitSystem): string {
  const held = pool ? ` · pool ${quantityText(pool.ml, "volume", system)}` : "";
  return `${quantityText(areaMm2, "area", system)} · ${Math.round(100 * share)} %${held}`;
}

/** Where a zone meets others, how long, and what stands there. */
export function borderWords({ borders, outlineMm }: ZoneTableRow, system: UnitSystem): string {
  const told = borders.map(
    ({ to, lengthMm, barrier }) =>
      `${quantityText(lengthMm, "length", system)} to ${to}${barrier ? `, ${BARRIER_WORDS[barrier.kind]}` : ""}`,
  );
  return [`${quantityText(outlineMm, "length", system)} around`, ...told].join(" · ");
}
