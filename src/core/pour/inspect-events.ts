import type { Place } from "./place";

/** When a piece is looked at: wet, while it can still be mended, or cured, in daylight. */
export type When = "wet" | "cured";

/** A loss that can be weighed by itself. */
export const LOSS_PARTS = ["cup", "bucket", "stick", "tool", "open", "drip"] as const;
export type LossPart = (typeof LOSS_PARTS)[number];

/** One colour of a piece as a photo has it, beside the rehearsal: shares of the top, 0 to 1; widths of what lies in lines, and of the cells of what does not, mm. */
export type PhotoLook = {
  name: string;
  seen: number;
  rehearsed: number;
  widthMm: number | null;
  rehearsedMm: number | null;
  cellMm: number | null;
  rehearsedCellMm: number | null;
};

/**
 * What is seen of a piece that was poured, recorded as what happens at the bench is: append-only, so that it is kept on a device and sent twice does no
 * harm. Lengths and films in mm; `fault`, `item` and `evidence` are ids of the walk's list and of the table of faults.
 */
export type InspectAct =
  /** A point of the walk round was looked at: it is right, it is not, or (null) it is to be looked at again. */
  | { kind: "looked"; when: When; item: string; ok: boolean | null }
  | {
      kind: "pin";
      when: When;
      fault: string;
      place: Place;
      coatId: string;
      sizeMm: number | null;
      text: string;
    }
  | { kind: "pin-ends"; pinId: string; how: "mended" | "mistaken" }
  /** The last tooth that was wetted and the first that stayed dry; null for none and for none left dry. */
  | { kind: "comb"; place: Place; coatId: string; wetMm: number | null; dryMm: number | null }
  | { kind: "comb-ends"; combId: string }
  /** What stayed on so many cups, buckets, sticks or tools, or dripped off all edges of a kind, weighed together. */
  | { kind: "loss-weighed"; coatId: string; loss: LossPart; grams: number; many: number }
  /** What the spray bottle lost over the alcohol passes of a coat: before less after. */
  | { kind: "alcohol-weighed"; coatId: string; grams: number }
  /** What a photo of a piece said against its rehearsal. The photo itself stays where it was taken. */
  | { kind: "photo-read"; pieceId: string; when: When; looks: PhotoLook[] }
  /** A film was so: a stick drew no more string out of it, or its drips hardly moved. */
  | { kind: "film-seen"; coatId: string; word: "string" | "gummy" }
  /** How far something is so, 0 to 1; null where nobody knows. */
  | { kind: "answer"; fault: string; coatId: string; evidence: string; u: number | null };
