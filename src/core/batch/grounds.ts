import type { Spread } from "../numerics/spread";

/** What is known of a ground; thirst and looks are assumed, preparation is common practice, no source. */
export type GroundFacts = {
  words: string;
  /** What it drinks, ml/m². */
  mlPerM2: Spread;
  /** What it looks like bare. */
  hex: string;
  /** What is done before the first coat; its data sheet comes first. */
  prepare: string;
};

const GROUND_FACTS = {
  mdf: {
    words: "bare MDF",
    mlPerM2: { low: 30, likely: 60, high: 120 },
    hex: "#B99F76",
    prepare: "Seal it, raw edges twice: they drink most and bubble longest.",
  },
  wood: {
    words: "bare wood",
    mlPerM2: { low: 20, likely: 40, high: 90 },
    hex: "#B88F5E",
    prepare: "Dry below 12 %, dust off, a thin seal coat first: open grain breathes bubbles.",
  },
  "wood-sealed": {
    words: "sealed wood",
    mlPerM2: { low: 0, likely: 4, high: 15 },
    hex: "#A9773F",
    prepare: "Scuff with 180, wipe. Oil or wax has to come off.",
  },
  concrete: {
    words: "concrete",
    mlPerM2: { low: 40, likely: 90, high: 200 },
    hex: "#A9A7A1",
    prepare: "Cured 28 days and dry, ground open, vacuumed; prime it, and test for damp from below.",
  },
  tile: {
    words: "tile",
    mlPerM2: { low: 0, likely: 3, high: 12 },
    hex: "#D3CFC6",
    prepare: "Degrease, scuff the glaze with 80, fill the joints level, then a bonding primer.",
  },
  stone: {
    words: "stone",
    mlPerM2: { low: 2, likely: 15, high: 60 },
    hex: "#8E8A82",
    prepare: "Degrease, scuff or grind the polish, let it dry two days; a bonding primer.",
  },
  laminate: {
    words: "laminate",
    mlPerM2: { low: 0, likely: 1, high: 4 },
    hex: "#C9C3B4",
    prepare: "Scuff the whole of it with 80 to 120, wipe; glue down what has lifted; a bonding primer.",
  },
  steel: {
    words: "steel",
    mlPerM2: { low: 0, likely: 0.5, high: 2 },
    hex: "#9DA1A4",
    prepare: "Degrease, scuff with 120 until nothing shines, wipe with alcohol; gloves on from then.",
  },
  glass: {
    words: "glass",
    mlPerM2: { low: 0, likely: 0, high: 1 },
    hex: "#C8D3D0",
    prepare:
      "Wipe with alcohol, no fingers on it. Epoxy lets go of smooth glass: etch it, or scuff it with 220.",
  },
  canvas: {
    words: "canvas",
    mlPerM2: { low: 40, likely: 100, high: 220 },
    hex: "#E4DFD2",
    prepare: "Back it with a board so that it does not sag; two coats of gesso, or a seal coat.",
  },
  silicone: {
    words: "silicone mould",
    mlPerM2: { low: 0, likely: 0, high: 1 },
    hex: "#B7C2C9",
    prepare: "Clean and dry. Silicone needs no release agent; it spares the mould.",
  },
  sheet: {
    words: "sheet mould, taped",
    mlPerM2: { low: 0, likely: 0, high: 2 },
    hex: "#DCDCD8",
    prepare: "Tape every board, seal the joints with silicone, release agent in two thin coats.",
  },
  primed: {
    words: "primed",
    mlPerM2: { low: 0, likely: 3, high: 10 },
    hex: "#C6C2B8",
    prepare: "Inside the primer's window coat it as it is; later scuff with 220 and wipe.",
  },
  cured: {
    words: "cured epoxy",
    mlPerM2: { low: 0, likely: 0, high: 3 },
    hex: "#D2CBB8",
    prepare: "Wash off blush, scuff with 220 until nothing shines, wipe with alcohol, let it dry.",
  },
  scuffed: {
    words: "cured epoxy, scuffed",
    mlPerM2: { low: 0, likely: 1, high: 4 },
    hex: "#CFC9BA",
    prepare: "Wipe with alcohol, let it dry; coat it the same day.",
  },
} as const satisfies Record<string, GroundFacts>;

/** What the coats lie on. */
export type Ground = keyof typeof GROUND_FACTS;
export const GROUNDS: Record<Ground, GroundFacts> = GROUND_FACTS;
export const GROUND_IDS = Object.keys(GROUNDS) as Ground[];
