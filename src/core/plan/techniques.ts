import { colourantNamed, colourFrom } from "../batch/colourants";
import type { Coat } from "../schedule/coat";
import { usualPass, type Pass, type PassKind } from "../schedule/pass";
import type { NewId } from "./new-piece";

/** Ways to fill a colour coat in one go; everything stays editable. */
export type TechniqueId = "palm-blend" | "bucket-pour" | "fog-fracture";

type Technique = {
  name: string;
  look: string;
  filmMm: number;
  rateM2PerH: number;
  colours: [string, number][];
  clearReserve: number;
  dam: boolean;
  passes: [PassKind, Partial<Pass>][];
};

export const TECHNIQUES: Record<TechniqueId, Technique> = {
  "palm-blend": {
    name: "Palm blend, veins late",
    look: "soft marble with drifting greys",
    filmMm: 1,
    rateM2PerH: 6,
    clearReserve: 0.03,
    dam: false,
    colours: [
      ["Bone white", 0.52],
      ["Pewter", 0.3],
      ["Clear", 0.1],
      ["Ink black", 0.08],
    ],
    passes: [
      [
        "lay",
        { note: "White in wide bands, pewter between, clear on the faces. Start each stream off the piece." },
      ],
      ["drizzle", { note: "Black, four thin ribbons into wet colour." }],
      [
        "palm",
        { rounds: 2, note: "Flat gloved fingers, light, slightly curved, along the run. Not combing." },
      ],
      ["alcohol", { fromMin: 15, stopHere: "soft marble" }],
      ["flame", { fromMin: 21, note: "Three sweeps for bubbles." }],
      [
        "veins",
        {
          fromMin: 60,
          note: "Graphite thick, brass thin. Turn the stick, no straight lines, run off the edge.",
        },
      ],
      ["faces", { fromMin: 65, note: "Corners first, outside then inside." }],
      ["drip-scrape", { fromMin: 120 }],
    ],
  },
  "bucket-pour": {
    name: "Bucket pour behind a dam, veins late",
    look: "large calm puddles with clean borders",
    filmMm: 2.55,
    rateM2PerH: 8,
    clearReserve: 0.03,
    dam: true,
    colours: [
      ["Flat white", 0.45],
      ["Stone grey", 0.2],
      ["Pewter", 0.25],
      ["Ink black", 0.1],
    ],
    passes: [
      [
        "bucket-pour",
        { note: "Colours layered in one bucket, unmixed. Puddles with small gaps, black among the last." },
      ],
      ["spread", { tool: "squeegee", note: "Nudge the tops only. Do not blend." }],
      ["flame", { fromMin: 12, stopHere: "open puddles", note: "Quick sweeps for bubbles." }],
      ["veins", { fromMin: 75, note: "Follow the borders of the puddles." }],
      ["dam-pull", { fromMin: 150, note: "When drips are gummy and hardly move." }],
      ["drip-scrape", { fromMin: 180 }],
    ],
  },
  "fog-fracture": {
    name: "Fog and fracture, veins late",
    look: "granite: fine cells in a light ground",
    filmMm: 1,
    rateM2PerH: 7,
    clearReserve: 0.05,
    dam: false,
    colours: [
      ["Flat white", 0.7],
      ["Stone grey", 0.2],
      ["Pearl white", 0.1],
    ],
    passes: [
      ["lay", { note: "White over all, grey in large spots." }],
      ["spread", { tool: "squeegee" }],
      ["fog", { fromMin: 17, note: "From a distance, light for grey, heavy for granite." }],
      ["alcohol", { fromMin: 18, note: "Drops at once into the fog." }],
      [
        "alcohol",
        {
          fromMin: 28,
          mlPerM2: 4,
          note: "Fine mist to refine. Spot-fog again only where the alcohol has gone.",
          stopHere: "granite",
        },
      ],
      ["veins", { fromMin: 60, note: "White, thin, few." }],
      ["faces", { fromMin: 65 }],
      ["drip-scrape", { fromMin: 120 }],
    ],
  },
};

/** Fills a coat by a technique: film, colours, passes and rate; its resin, place and id stay. */
export function withTechnique(coat: Coat, technique: TechniqueId, newId: NewId): Coat {
  const filled = TECHNIQUES[technique];
  return {
    ...coat,
    name: filled.name,
    filmMm: filled.filmMm,
    rateM2PerH: filled.rateM2PerH,
    clearReserve: filled.clearReserve,
    school: "clear-first",
    colours: filled.colours.map(([name, share]) => colourFrom(colourantNamed(name), newId(), share)),
    passes: filled.passes.map(([kind, changes]) => usualPass(newId(), kind, changes)),
  };
}
