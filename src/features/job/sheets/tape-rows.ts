import type { Crossing, PieceVein, VeinStretch } from "@/core/pattern/vein-map";
import type { UnitSystem } from "@/core/units/dimension";
import { otherSystem, quantityText } from "@/core/units/format-quantity";

/** A length in both unit systems, the person's own first. */
const both = (mm: number, system: UnitSystem) =>
  `${quantityText(mm, "length", system)} (${quantityText(mm, "length", otherSystem(system))})`;

const at = ({ words, from, alongMm }: Crossing, system: UnitSystem) =>
  `the ${words} ${both(alongMm, system)} from ${from === "its start" ? "its start" : `the ${from}`}`;

const down = (crossing: Crossing, system: UnitSystem) =>
  crossing.lowerAlongMm === null ? "" : `, down the face to ${both(crossing.lowerAlongMm, system)} at its lower edge`;

const KIND = { main: "", branch: "branch: ", hair: "hair: " } as const;

/** One stretch of a vein as a person with a tape is told it. */
export function stretchWords({ kind, enters, leaves, turns, widestMm }: VeinStretch, system: UnitSystem): string {
  const through = turns
    .slice(0, 12)
    .map(({ xMm, yMm }) => `${quantityText(xMm, "length", system)} · ${quantityText(yMm, "length", system)}`);
  return [
    `${KIND[kind]}${enters ? `enters ${at(enters, system)}, ${both(enters.widthMm, system)} wide${down(enters, system)}` : "begins on the piece"}`,
    through.length > 0 ? `through ${through.join(", ")} (from the left · from the back)` : null,
    leaves
      ? `leaves ${at(leaves, system)}, ${both(leaves.widthMm, system)} wide${down(leaves, system)}`
      : "ends on the piece",
    `at its widest ${both(widestMm, system)}`,
  ]
    .filter(Boolean)
    .join("; ");
}

/** The list of a piece: each vein with its stretches, those that run on from edge to edge first. Hairs are drawn, not told. */
export function tapeRows(veins: readonly PieceVein[], system: UnitSystem): { head: string; rows: string[] }[] {
  return veins.flatMap(({ number, name, stretches }) => {
    const told = stretches.filter(({ kind }) => kind !== "hair");
    return told.length > 0
      ? [{ head: `Vein ${number}, ${name}`, rows: told.map((stretch) => stretchWords(stretch, system)) }]
      : [];
  });
}
