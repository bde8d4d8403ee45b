import type { Tool } from "../batch/factors";
import type { FilmState } from "../cure/film-states";

/** What is known of a kind of pass; whatever else depends on its kind is told from here. Usual values are common practice, no source. */
export type PassFacts = {
  words: string;
  /** Usual tool, amount beside the mix, earliest minute after mixing, and time it takes. */
  tool: Tool;
  mlPerM2: number | null;
  fromMin: number | null;
  minutesPerM2: number;
  /** Between which states of its film it is right; of the film below for one that comes before its coat is mixed. */
  right: { from: FilmState; to: FilmState | null };
  /**
   * `before`: on the coat below, before this one is mixed. `laying`: these share the time in which the batches are worked. `wet`: into the film
   * as it thickens. `late`: hours after, so that another coat need not wait for it.
   */
  phase: "before" | "laying" | "wet" | "late";
  /** It puts vapour in the air that burns, or would light it. */
  fire?: "vapour" | "lights";
  /** What can hurt, shown at that step. */
  caution?: string;
  /** It is done on faces, or on edges that drip: never on a piece without them, nor once another coat lies on them. */
  on?: "faces" | "edges";
  /** Done for each batch as soon as it is mixed. */
  perBatch?: true;
  /** False where it takes no hands. */
  hands?: false;
  /** Works colours into each other. */
  blends?: true;
  /** What it does to the picture; absent where it does nothing to it. */
  picture?: "pours" | "works" | "moves" | "drops" | "fogs" | "draws";
  /** Where a piece is worked strip by strip, this is; the others lie over the whole of it. */
  strips?: true;
  /** What its marks are, that keep their size on a larger piece. */
  marks?: "cells" | "bands" | "lines";
};

const FACTS = {
  roll: {
    words: "Roll on",
    tool: "roller",
    mlPerM2: null,
    fromMin: null,
    minutesPerM2: 2,
    right: { from: "runny", to: "flowing" },
    phase: "laying",
  },
  lay: {
    words: "Lay the colours",
    tool: "none",
    mlPerM2: null,
    fromMin: null,
    minutesPerM2: 2,
    right: { from: "runny", to: "flowing" },
    phase: "laying",
    perBatch: true,
    picture: "pours",
    strips: true,
    marks: "bands",
  },
  spread: {
    words: "Spread",
    tool: "hand",
    mlPerM2: null,
    fromMin: null,
    minutesPerM2: 2,
    right: { from: "runny", to: "flowing" },
    phase: "laying",
    picture: "works",
    strips: true,
    blends: true,
  },
  palm: {
    words: "Palm blend",
    tool: "hand",
    mlPerM2: null,
    fromMin: null,
    minutesPerM2: 2,
    right: { from: "runny", to: "flowing" },
    phase: "laying",
    picture: "works",
    strips: true,
    blends: true,
  },
  comb: {
    words: "Comb with the fingers, both ways",
    tool: "hand",
    mlPerM2: null,
    fromMin: null,
    minutesPerM2: 2,
    right: { from: "runny", to: "flowing" },
    phase: "laying",
    picture: "works",
    strips: true,
    blends: true,
  },
  skim: {
    words: "Skim with the wide blade",
    tool: "wide-blade",
    mlPerM2: null,
    fromMin: null,
    minutesPerM2: 1,
    right: { from: "runny", to: "flowing" },
    phase: "laying",
    picture: "works",
    strips: true,
    blends: true,
  },
  "roller-cut": {
    words: "Cut across with a roller",
    tool: "roller",
    mlPerM2: null,
    fromMin: null,
    minutesPerM2: 1,
    right: { from: "runny", to: "flowing" },
    phase: "laying",
    picture: "works",
    strips: true,
    blends: true,
  },
  "bucket-pour": {
    words: "Pour from the bucket",
    tool: "bucket",
    mlPerM2: null,
    fromMin: null,
    minutesPerM2: 2,
    right: { from: "runny", to: "flowing" },
    phase: "laying",
    perBatch: true,
    picture: "pours",
    strips: true,
    marks: "bands",
  },
  drizzle: {
    words: "Drizzle ribbons",
    tool: "none",
    mlPerM2: null,
    fromMin: null,
    minutesPerM2: 2,
    right: { from: "runny", to: "flowing" },
    phase: "laying",
    picture: "pours",
    strips: true,
    blends: true,
    marks: "bands",
  },
  blow: {
    words: "Blow with warm air",
    tool: "hair-dryer",
    mlPerM2: null,
    fromMin: null,
    minutesPerM2: 2,
    right: { from: "runny", to: "flowing" },
    phase: "laying",
    picture: "moves",
    strips: true,
    blends: true,
    fire: "lights",
    caution: "Hot air near solvent vapour can light it. Wait until alcohol has gone.",
  },
  tilt: {
    words: "Tilt and let it run",
    tool: "none",
    mlPerM2: null,
    fromMin: null,
    minutesPerM2: 1,
    right: { from: "runny", to: "flowing" },
    phase: "laying",
    picture: "moves",
  },
  flame: {
    words: "Torch, quick sweeps",
    tool: "torch",
    mlPerM2: null,
    fromMin: null,
    minutesPerM2: 0.5,
    right: { from: "runny", to: "heavy" },
    phase: "wet",
    fire: "lights",
    caution:
      "No flame until alcohol, paint or solvent vapour is gone: five minutes after the last drop. Extinguisher at hand. Keep moving; a torch held still scorches.",
  },
  alcohol: {
    words: "Alcohol, small drops",
    tool: "spray-bottle",
    mlPerM2: 9,
    fromMin: 15,
    minutesPerM2: 0.5,
    right: { from: "runny", to: "heavy" },
    phase: "wet",
    picture: "drops",
    fire: "vapour",
    marks: "cells",
    caution:
      "Alcohol burns. No torch, heat gun, pilot light or switch arcs until it has flashed off. Air the room.",
  },
  fog: {
    words: "Fog with spray paint",
    tool: "spray-can",
    mlPerM2: 10,
    fromMin: 17,
    minutesPerM2: 1,
    right: { from: "runny", to: "heavy" },
    phase: "wet",
    picture: "fogs",
    fire: "vapour",
    marks: "cells",
    caution: "Aerosol burns and harms the lungs: organic-vapour respirator on, air the room, no flame.",
  },
  "mica-alcohol": {
    words: "Flick mica in alcohol",
    tool: "spray-bottle",
    mlPerM2: 6,
    fromMin: 15,
    minutesPerM2: 0.5,
    right: { from: "runny", to: "heavy" },
    phase: "wet",
    picture: "drops",
    fire: "vapour",
    marks: "cells",
    caution: "Alcohol burns. No flame until it has flashed off. Air the room.",
  },
  veins: {
    words: "Veins, a thick and some thin",
    tool: "stick",
    mlPerM2: null,
    fromMin: 45,
    minutesPerM2: 3,
    right: { from: "runny", to: "gummy" },
    phase: "wet",
    picture: "draws",
    marks: "lines",
  },
  chop: {
    words: "Chop lines",
    tool: "stick",
    mlPerM2: null,
    fromMin: 40,
    minutesPerM2: 2,
    right: { from: "runny", to: "gummy" },
    phase: "wet",
    picture: "draws",
    strips: true,
    marks: "lines",
  },
  accents: {
    words: "Accent drops",
    tool: "stick",
    mlPerM2: null,
    fromMin: 35,
    minutesPerM2: 1,
    right: { from: "runny", to: "gummy" },
    phase: "wet",
    picture: "draws",
    strips: true,
    marks: "cells",
  },
  glitter: {
    words: "Dab glitter in resin",
    tool: "brush",
    mlPerM2: null,
    fromMin: 30,
    minutesPerM2: 1,
    right: { from: "runny", to: "gummy" },
    phase: "wet",
    picture: "draws",
  },
  mask: {
    words: "Mask what is liked, paint between",
    tool: "brush",
    mlPerM2: null,
    fromMin: null,
    minutesPerM2: 20,
    right: { from: "sandable", to: null },
    phase: "wet",
    picture: "draws",
  },
  stones: {
    words: "Set stones wetted with clear",
    tool: "hand",
    mlPerM2: null,
    fromMin: null,
    minutesPerM2: 5,
    right: { from: "runny", to: "gummy" },
    phase: "wet",
  },
  faces: {
    words: "Wet the faces, brush bald places",
    tool: "brush",
    mlPerM2: null,
    fromMin: 30,
    minutesPerM2: 1,
    right: { from: "runny", to: "gummy" },
    phase: "wet",
    on: "faces",
  },
  "dam-pull": {
    words: "Pull the dam, rub the faces wet",
    tool: "hand",
    mlPerM2: null,
    fromMin: 150,
    minutesPerM2: 2,
    right: { from: "gummy", to: "set" },
    phase: "late",
    on: "edges",
  },
  "drip-scrape": {
    words: "Scrape the drips",
    tool: "scraper",
    mlPerM2: null,
    fromMin: 120,
    minutesPerM2: 1,
    right: { from: "heavy", to: "set" },
    phase: "late",
    on: "edges",
  },
  sand: {
    words: "Sand 220, wipe clean",
    tool: "none",
    mlPerM2: null,
    fromMin: null,
    minutesPerM2: 6,
    right: { from: "sandable", to: null },
    phase: "before",
    caution:
      "Particle filter on: cured dust harms the lungs. Spread out rags and leftovers; they can heat up.",
  },
  flood: {
    words: "Spread the clear, chop with a brush",
    tool: "trowel",
    mlPerM2: null,
    fromMin: null,
    minutesPerM2: 2,
    right: { from: "runny", to: "flowing" },
    phase: "laying",
  },
  check: {
    words: "Walk round and look",
    tool: "none",
    mlPerM2: null,
    fromMin: null,
    minutesPerM2: 0.5,
    right: { from: "runny", to: null },
    phase: "late",
    hands: false,
  },
} as const satisfies Record<string, PassFacts>;

/** What is done to the wet (or cured) film. */
export type PassKind = keyof typeof FACTS;

/** The facts of each kind of pass. */
export const PASS: Record<PassKind, PassFacts> = FACTS;

/** Kinds of pass that change the picture. */
export type PatternPass = {
  [Kind in PassKind]: (typeof FACTS)[Kind] extends { picture: string } ? Kind : never;
}[PassKind];
export const isPatternPass = (kind: PassKind): kind is PatternPass => PASS[kind].picture !== undefined;
export const PATTERN_PASSES = (Object.keys(FACTS) as PassKind[]).filter(isPatternPass);
