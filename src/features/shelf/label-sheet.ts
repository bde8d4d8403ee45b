import { encodeQR } from "qr";
import { codeText } from "@/core/pour/lot-code";
import type { Part, ShelfItem } from "@/core/shelf/item";
import type { Lot } from "@/core/shelf/lot";
import { lotState } from "@/core/shelf/stock";

/** What stands on the label of one bottle. */
export type ShelfLabel = {
  code: string;
  name: string;
  part: Part;
  number: string;
  bestBefore: string | null;
  hazards: string;
  qr: QrSquare;
};

/** A QR code: rows of squares, dark where true. */
export type QrSquare = boolean[][];

/** Bright squares that a code needs about itself to be read. */
const QUIET = 4;

/** The code of a label as a square that cameras read, its bright rim with it; a quarter of it may be covered. */
export const qrSquare = (text: string): QrSquare => encodeQR(text, "raw", { ecc: "quartile", border: QUIET });

/** Dark squares as one path, a square a unit. */
export const qrPath = (square: QrSquare): string =>
  square.flatMap((row, y) => row.flatMap((dark, x) => (dark ? [`M${x} ${y}h1v1h-1z`] : []))).join("");

/** A label for each kind of bottle of these lots. */
export const labelsOf = (items: readonly ShelfItem[], lots: readonly Lot[]): ShelfLabel[] =>
  lots.flatMap((lot) => {
    const item = items.find(({ id }) => id === lot.itemId);
    if (!item) return [];
    const { left, facts } = lotState(lot);
    return [...left.keys()].map((part) => ({
      code: codeText(lot.code, part),
      name: item.name,
      part,
      number: facts.number,
      bestBefore: facts.bestBefore,
      hazards: item.hazards,
      qr: qrSquare(codeText(lot.code, part)),
    }));
  });
