import type { Crossing, PieceVein, VeinStretch } from "./tape";
import type { UnitSystem } from "../units/dimension";
import { otherSystem, quantityText } from "../units/format-quantity";

/** A length in both unit systems, the person's own first. */
export const both = (mm: number, system: UnitSystem): string =>
  `${quantityText(mm, "length", system)} (${quantityText(mm, "length", otherSystem(system))})`;

/** One end of a stretch as a tape is laid: which edge, how far from which of its ends, and where it comes down the face. */
export function endWords(crossing: Crossing | null, verb: "enters" | "leaves", system: UnitSystem): string {
  if (!crossing) return verb === "enters" ? "begins on the piece" : "ends on the piece";
  const { words, from, alongMm, lowerAlongMm } = crossing;
  const down = lowerAlongMm === null ? "" : `, at the foot of the face ${both(lowerAlongMm, system)}`;
  return `${verb} ${words} at ${both(alongMm, system)} from ${from}${down}`;
}

/** Where a stretch turns in between, of the first so many turns. */
const MOST_TURNS = 12;
export function turnWords(
  { turns, turnsFrom: [left, back] }: VeinStretch,
  system: UnitSystem,
): string | null {
  const told = turns
    .slice(0, MOST_TURNS)
    .map(({ xMm, yMm }) => `${quantityText(xMm, "length", system)} · ${quantityText(yMm, "length", system)}`);
  return told.length > 0 ? `over ${told.join(", ")} (from ${left} · from ${back})` : null;
}

/** Finer than this is not told apart, mm: a sixteenth of an inch, and a tenth of a millimetre. */
const FINEST_MM = { us: 25.4 / 16, metric: 0.1 } as const;

/** A width, where a hair is not nothing. */
export const widthText = (mm: number, system: UnitSystem): string =>
  mm < FINEST_MM[system] / 2
    ? `under ${quantityText(FINEST_MM[system], "length", system)}`
    : quantityText(mm, "length", system);

const bothWidths = (mm: number, system: UnitSystem): string =>
  `${widthText(mm, system)} (${widthText(mm, otherSystem(system))})`;

export const widthWords = ({ enters, leaves, widestMm }: VeinStretch, system: UnitSystem): string => {
  const edge = leaves ?? enters;
  return edge
    ? `${bothWidths(edge.widthMm, system)} wide there, at most ${widthText(widestMm, system)}`
    : `at most ${bothWidths(widestMm, system)} wide`;
};

export const KIND_WORDS = { main: "", branch: "branch", hair: "hair" } as const;

/** One stretch of a vein as a person with a tape is told it, in one line. */
export const stretchWords = (stretch: VeinStretch, system: UnitSystem): string =>
  [
    [KIND_WORDS[stretch.kind], endWords(stretch.enters, "enters", system)].filter(Boolean).join(": "),
    turnWords(stretch, system),
    endWords(stretch.leaves, "leaves", system),
    widthWords(stretch, system),
  ]
    .filter(Boolean)
    .join("; ");

/** What is told of a vein: itself and what branches over an edge. Hairs and what stays within are drawn on the template. */
export const toldStretches = ({ stretches }: PieceVein): VeinStretch[] =>
  stretches.filter(
    ({ kind, enters, leaves }) => kind === "main" || (kind === "branch" && (enters || leaves)),
  );
