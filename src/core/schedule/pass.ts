import type { Tool } from "../batch/factors";
import type { PassWork } from "../pattern/work";

/** What is done to the wet (or cured) film. */
export type PassKind =
  | "roll"
  | "lay"
  | "spread"
  | "palm"
  | "comb"
  | "skim"
  | "roller-cut"
  | "bucket-pour"
  | "drizzle"
  | "blow"
  | "tilt"
  | "flame"
  | "alcohol"
  | "fog"
  | "mica-alcohol"
  | "veins"
  | "chop"
  | "accents"
  | "glitter"
  | "mask"
  | "stones"
  | "faces"
  | "dam-pull"
  | "drip-scrape"
  | "sand"
  | "flood"
  | "check";

/**
 * One pass. Amounts by area (`mlPerM2`) are for what is sprayed or spread beside the mix: alcohol, spray paint.
 * `stopHere` says that the look may be finished after this pass, and what it is then.
 */
export type Pass = {
  id: string;
  kind: PassKind;
  tool: Tool;
  note: string;
  rounds: number;
  mlPerM2: number | null;
  /** Earliest minute after the coat was mixed; null when it follows at once. */
  fromMin: number | null;
  stopHere: string | null;
  /** Powder shaken into what is sprayed, g per 100 ml. */
  gPer100Ml?: number;
  /** How it is worked where that differs from the usual: what Rehearse sets. */
  work?: PassWork;
};

/** Alcohol flashes off in about five minutes (common practice, no source). */
export const FLASH_OFF_MIN = 5;

type PassDefault = {
  words: string;
  tool: Tool;
  mlPerM2: number | null;
  fromMin: number | null;
  minutesPerM2: number;
};

/** Usual tool, amount and time of each pass (common practice, no source). */
export const PASS: Record<PassKind, PassDefault> = {
  roll: { words: "Roll on", tool: "roller", mlPerM2: null, fromMin: null, minutesPerM2: 2 },
  lay: { words: "Lay the colours", tool: "none", mlPerM2: null, fromMin: null, minutesPerM2: 2 },
  spread: { words: "Spread", tool: "hand", mlPerM2: null, fromMin: null, minutesPerM2: 2 },
  palm: { words: "Palm blend", tool: "hand", mlPerM2: null, fromMin: null, minutesPerM2: 2 },
  comb: {
    words: "Comb with the fingers, both ways",
    tool: "hand",
    mlPerM2: null,
    fromMin: null,
    minutesPerM2: 2,
  },
  skim: {
    words: "Skim with the wide blade",
    tool: "wide-blade",
    mlPerM2: null,
    fromMin: null,
    minutesPerM2: 1,
  },
  "roller-cut": {
    words: "Cut across with a roller",
    tool: "roller",
    mlPerM2: null,
    fromMin: null,
    minutesPerM2: 1,
  },
  "bucket-pour": {
    words: "Pour from the bucket",
    tool: "bucket",
    mlPerM2: null,
    fromMin: null,
    minutesPerM2: 2,
  },
  drizzle: { words: "Drizzle ribbons", tool: "none", mlPerM2: null, fromMin: null, minutesPerM2: 2 },
  blow: { words: "Blow with warm air", tool: "hair-dryer", mlPerM2: null, fromMin: null, minutesPerM2: 2 },
  tilt: { words: "Tilt and let it run", tool: "none", mlPerM2: null, fromMin: null, minutesPerM2: 1 },
  flame: { words: "Torch, quick sweeps", tool: "torch", mlPerM2: null, fromMin: null, minutesPerM2: 0.5 },
  alcohol: {
    words: "Alcohol, small drops",
    tool: "spray-bottle",
    mlPerM2: 9,
    fromMin: 15,
    minutesPerM2: 0.5,
  },
  fog: { words: "Fog with spray paint", tool: "spray-can", mlPerM2: 10, fromMin: 17, minutesPerM2: 1 },
  "mica-alcohol": {
    words: "Flick mica in alcohol",
    tool: "spray-bottle",
    mlPerM2: 6,
    fromMin: 15,
    minutesPerM2: 0.5,
  },
  veins: {
    words: "Veins, a thick and some thin",
    tool: "stick",
    mlPerM2: null,
    fromMin: 45,
    minutesPerM2: 3,
  },
  chop: { words: "Chop lines", tool: "stick", mlPerM2: null, fromMin: 40, minutesPerM2: 2 },
  accents: { words: "Accent drops", tool: "stick", mlPerM2: null, fromMin: 35, minutesPerM2: 1 },
  glitter: { words: "Dab glitter in resin", tool: "brush", mlPerM2: null, fromMin: 30, minutesPerM2: 1 },
  mask: {
    words: "Mask what is liked, paint between",
    tool: "brush",
    mlPerM2: null,
    fromMin: null,
    minutesPerM2: 20,
  },
  stones: {
    words: "Set stones wetted with clear",
    tool: "hand",
    mlPerM2: null,
    fromMin: null,
    minutesPerM2: 5,
  },
  faces: {
    words: "Wet the faces, brush bald places",
    tool: "brush",
    mlPerM2: null,
    fromMin: 30,
    minutesPerM2: 1,
  },
  "dam-pull": {
    words: "Pull the dam, rub the faces wet",
    tool: "hand",
    mlPerM2: null,
    fromMin: 150,
    minutesPerM2: 2,
  },
  "drip-scrape": { words: "Scrape the drips", tool: "scraper", mlPerM2: null, fromMin: 120, minutesPerM2: 1 },
  sand: { words: "Sand 220, wipe clean", tool: "none", mlPerM2: null, fromMin: null, minutesPerM2: 6 },
  flood: {
    words: "Spread the clear, chop with a brush",
    tool: "trowel",
    mlPerM2: null,
    fromMin: null,
    minutesPerM2: 2,
  },
  check: { words: "Walk round and look", tool: "none", mlPerM2: null, fromMin: null, minutesPerM2: 0.5 },
};

/** A pass with its usual settings. */
export function usualPass(id: string, kind: PassKind, changes: Partial<Pass> = {}): Pass {
  const { tool, mlPerM2, fromMin } = PASS[kind];
  return { id, kind, tool, note: "", rounds: 1, mlPerM2, fromMin, stopHere: null, ...changes };
}
