import type { Pair } from "../curves";

/** One part of a divided piece. Its id is unique within the job, so that coats and colours can be for it. */
export type Zone = {
  id: string;
  name: string;
  /** How far its ground lies below that of the piece, mm: a recess, or a pool behind a barrier; flush when absent. */
  poolMm?: number;
};

/** What stands on a border while a zone is poured. A bead has half an ellipse for its section, a strip a rectangle. */
export type Barrier =
  | { kind: "tape"; widthMm: number }
  | { kind: "bead"; widthMm: number; heightMm: number; gPerMl: number }
  | { kind: "strip"; widthMm: number; heightMm: number };

/** What bands run along: the rim of the piece, a cut-out, or the line or shape of another divider. */
export type Followed = { kind: "rim" } | { kind: "cut-out"; id: string } | { kind: "divider"; id: string };

/** A closed shape. Its middle lies at x, y of the drawing; a free one has its points there. */
export type ZoneShape =
  | { kind: "round"; xMm: number; yMm: number; diameterMm: number }
  | { kind: "oval"; xMm: number; yMm: number; lengthMm: number; depthMm: number; turnDeg?: number }
  | {
      kind: "rectangle";
      xMm: number;
      yMm: number;
      lengthMm: number;
      depthMm: number;
      radiusMm?: number;
      turnDeg?: number;
    }
  | { kind: "free"; points: Pair[]; curved?: boolean };

/** A stone that was put elsewhere: its number in the pattern, and its middle. */
export type MovedStone = { stone: number; at: Pair };

/** How a divider is drawn. Points are in the coordinates of the piece's outline, mm. */
export type Drawn =
  /** From edge to edge; it runs on straight beyond its ends. Its zone lies on the right hand of its way. */
  | { kind: "line"; points: Pair[]; curved?: boolean }
  | { kind: "shape"; shape: ZoneShape }
  /** Rings of given widths, the first one so far from what they follow: inwards from a rim, outwards from all else. */
  | { kind: "bands"; of: Followed; fromMm: number; widthsMm: number[] }
  /** Across the whole piece, over and over; so far from the middle of the drawing the first one begins. */
  | { kind: "stripes"; angleDeg: number; fromMm: number; widthsMm: number[] }
  /** Stones of about one size with joints between them; what is joint stays with the zone below. A stone that was moved has its own middle. */
  | { kind: "pebbles"; sizeMm: number; jointMm: number; seed: number; moved?: MovedStone[] };

/**
 * What takes zones out of a piece: one for a line or a shape, one for each width of bands and stripes, one or more kinds of stone for pebbles.
 * It takes them from all that lies below it, or from one zone alone.
 */
export type Divider = {
  id: string;
  drawn: Drawn;
  zones: Zone[];
  /** The zone that it divides; whatever lies there when absent. */
  within?: string;
  /** What stands on its borders; colours meet wet without one. */
  barrier?: Barrier;
};

/** How a piece is divided: what is left of it, and the dividers from the lowest up. `look` names the look of the trade that divided it so, if one did. */
export type Division = { rest: Zone; dividers: Divider[]; look?: string };

/** The zones of a division: what is left of the piece first. */
export const zonesOf = ({ rest, dividers }: Division): Zone[] => [
  rest,
  ...dividers.flatMap(({ zones }) => zones),
];

/** Area of a barrier's section, mm²; a tape has none. */
export function sectionMm2(barrier: Barrier): number {
  switch (barrier.kind) {
    case "tape":
      return 0;
    case "bead":
      return (Math.PI / 4) * barrier.widthMm * barrier.heightMm;
    case "strip":
      return barrier.widthMm * barrier.heightMm;
  }
}
