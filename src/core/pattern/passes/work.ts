import type { Touch } from "../ops/profile";
import type { DropSize } from "../placing/cells";
import type { Way } from "../placing/pulls";

export type { DropSize, Way };

/** What works the film: a touch that drags it, or a wide blade that lays it over itself. */
export type WorkTool = Touch | "blade";
export const WORK_TOOL_WORDS: Record<WorkTool, string> = {
  hand: "gloved hand",
  fingers: "spread fingers",
  roller: "small roller",
  blade: "wide blade",
  squeegee: "squeegee",
  skim: "narrow blade",
  "foam-brush": "foam brush",
  comb: "comb",
  stick: "stick",
};

/** No pass is done so many times over: an ink tumbler's drops are the most, 21 times the usual. */
export const MOST_MANY = 25;

/** How a colour is poured. */
export type PourStyle = "puddles" | "bands" | "spots" | "nests" | "fields" | "clouds";
export const POUR_WORDS: Record<PourStyle, string> = {
  puddles: "large puddles and ribbons",
  bands: "bands along",
  spots: "spots",
  nests: "into one another",
  fields: "fields side by side",
  clouds: "soft shadows along",
};

export const WAY_WORDS: Record<Way, string> = {
  free: "as the hand goes",
  straight: "straight",
  sway: "long shallow S",
  arc: "arcs",
};

export const DROP_WORDS: Record<DropSize, string> = {
  mist: "fine mist",
  small: "small drops",
  medium: "medium drops",
  flicked: "flicked",
};

/** A pull that was practised: where the tool went, mm, how firmly, 0 to 1, and the flow that was left then; without, that of its pass. */
export type PractisedStroke = {
  tool: WorkTool;
  points: readonly (readonly [number, number])[];
  pressure: number;
  flowLeft?: number;
};

/** How a pass is worked where that differs from the usual; set in Rehearse, and what its picture is made from. */
export type PassWork = {
  pour?: PourStyle;
  way?: Way;
  drops?: DropSize;
  /** 0 to 1; 0.5 is the usual hand. */
  pressure?: number;
  /** So many times the usual number of pulls, pours or drops. */
  many?: number;
  /** Off the main direction, degrees. */
  turnDeg?: number;
  /** Width of bands, ribbons or pebbles, mm; of veins their thickness. */
  wideMm?: number;
  /** Chance of this pass alone; a part of the sister's. */
  seed?: number;
  /** Of what is sprayed over the film, where it is not the usual dark or light. */
  hex?: string;
  /** What was drawn in practice, in place of what chance would do. */
  strokes?: readonly PractisedStroke[];
  /** Width and height of the piece they were drawn on, mm: on another piece they are drawn out to its size. */
  strokesOnMm?: readonly [number, number];
};

/** Thinner than this no vein is drawn, mm. */
export const THINNEST_VEIN_MM = 0.3;
/** As many veins a set has at most, and as many sets a map. */
export const MOST_VEINS = 80;
export const MOST_VEIN_SETS = 8;
