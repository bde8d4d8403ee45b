import type { PassKind } from "../passes/facts";
import type { Pass } from "../schedule/pass";

/** Ways to fill a colour coat in one go. */
export const TECHNIQUE_IDS = [
  "palm-blend",
  "pale-veins",
  "fog-fracture",
  "straight-grain",
  "roller-agate",
  "bucket-pour",
  "layered-stone",
  "two-fields",
  "pebbles",
  "tide",
  "drizzle-blow",
  "striped-tumbler",
  "ink-tumbler",
  "channel",
  "metallic-floor",
] as const;
export type TechniqueId = (typeof TECHNIQUE_IDS)[number];

export type Technique = {
  name: string;
  look: string;
  /** What it is for: a top, a turned tumbler, or what fills a channel. */
  for: "top" | "tumbler" | "channel";
  filmMm: number;
  rateM2PerH: number;
  colours: [string, number][];
  clearReserve: number;
  dam: boolean;
  passes: [PassKind, Partial<Pass>][];
  /** A sister that looks well, and the direction its pattern runs, degrees. */
  rehearsal: { seed: number; angleDeg: number };
};

const FACES_LATE: Technique["passes"] = [
  ["faces", { fromMin: 65, note: "Corners first, outside then inside." }],
  ["drip-scrape", { fromMin: 120 }],
];

export const TECHNIQUES: Record<TechniqueId, Technique> = {
  "palm-blend": {
    name: "Palm blend, veins late",
    look: "soft marble with drifting greys",
    for: "top",
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
      ...FACES_LATE,
    ],
    rehearsal: { seed: 1, angleDeg: 28 },
  },
  "pale-veins": {
    name: "Pale ground, thin dark and brass veins",
    look: "white stone with a few sharp veins",
    for: "top",
    filmMm: 1,
    rateM2PerH: 6,
    clearReserve: 0.04,
    dam: false,
    colours: [
      ["Flat white", 0.66],
      ["Pearl white", 0.14],
      ["Stone grey", 0.13],
      ["Graphite", 0.05],
      ["Brass", 0.02],
    ],
    passes: [
      [
        "lay",
        {
          work: { pour: "clouds" },
          note: "White over all, pearl and grey in long shadows along the veins to come.",
        },
      ],
      ["palm", { rounds: 1, note: "Light: the shadows keep their direction." }],
      ["alcohol", { fromMin: 16, mlPerM2: 3, work: { drops: "mist" }, stopHere: "clouded white" }],
      ["veins", { fromMin: 62, note: "Graphite first, thick and thin; brass last, along and across it." }],
      ...FACES_LATE,
    ],
    rehearsal: { seed: 2, angleDeg: 30 },
  },
  "fog-fracture": {
    name: "Fog and fracture, veins late",
    look: "granite: fine cells in a light ground",
    for: "top",
    filmMm: 1,
    rateM2PerH: 7,
    clearReserve: 0.05,
    dam: false,
    colours: [
      ["Stone grey", 0.62],
      ["Graphite", 0.36],
      ["Pearl white", 0.02],
    ],
    passes: [
      ["lay", { note: "Grey over all, graphite and white in large spots." }],
      ["spread", { tool: "squeegee" }],
      [
        "fog",
        {
          fromMin: 17,
          mlPerM2: 11,
          work: { hex: "#EDEBE6", wideMm: 95 },
          note: "White from a distance, heavy.",
        },
      ],
      [
        "alcohol",
        {
          fromMin: 18,
          afterMin: 0,
          mlPerM2: 12,
          work: { drops: "medium" },
          note: "Drops at once into the fog.",
        },
      ],
      [
        "fog",
        {
          fromMin: 27,
          afterMin: 8,
          mlPerM2: 9,
          work: { hex: "#26282B", wideMm: 80 },
          note: "Dark, where the alcohol has gone.",
        },
      ],
      [
        "alcohol",
        {
          fromMin: 28,
          afterMin: 0,
          mlPerM2: 12,
          note: "Fine mist to refine. Spot-fog again only where the alcohol has gone.",
          stopHere: "granite",
        },
      ],
      ["veins", { fromMin: 60, work: { wideMm: 3, many: 0.5 }, note: "White, thin, few." }],
      ["faces", { fromMin: 65 }],
      ["drip-scrape", { fromMin: 120 }],
    ],
    rehearsal: { seed: 3, angleDeg: 20 },
  },
  "straight-grain": {
    name: "Straight grain, combed",
    look: "dark straight-grained wood",
    for: "top",
    filmMm: 1.1,
    rateM2PerH: 5,
    clearReserve: 0.03,
    dam: false,
    colours: [
      ["Bronze", 0.5],
      ["Umber", 0.28],
      ["Ochre", 0.14],
      ["Copper", 0.08],
    ],
    passes: [
      ["lay", { work: { pour: "bands" }, note: "The darkest first, in bands along the whole length." }],
      [
        "spread",
        { work: { way: "sway", many: 1.2 }, note: "Hand strokes in long shallow S-curves, never arcs." },
      ],
      ["alcohol", { fromMin: 15, mlPerM2: 5, stopHere: "long-drawn marble" }],
      ["comb", { fromMin: 22, work: { way: "sway" }, note: "Fingers as a comb, twice, both ways." }],
      [
        "skim",
        {
          fromMin: 27,
          work: { many: 0.5, wideMm: 100, pressure: 0.2 },
          note: "A narrow blade, in patches only.",
          stopHere: "wood",
        },
      ],
      ...FACES_LATE,
    ],
    rehearsal: { seed: 2, angleDeg: 0 },
  },
  "roller-agate": {
    name: "Agate by roller",
    look: "banded agate",
    for: "top",
    filmMm: 1.1,
    rateM2PerH: 6,
    clearReserve: 0.03,
    dam: false,
    colours: [
      ["Sea green", 0.36],
      ["Deep blue", 0.24],
      ["Pearl white", 0.22],
      ["Brass", 0.13],
      ["Ink black", 0.05],
    ],
    passes: [
      ["lay", { work: { pour: "bands", wideMm: 60 }, note: "Bands side by side, brass between." }],
      ["roller-cut", { work: { way: "arc" }, note: "A wet roller pushed across the bands, not along them." }],
      ["alcohol", { fromMin: 15, mlPerM2: 6, stopHere: "agate" }],
      ...FACES_LATE,
    ],
    rehearsal: { seed: 3, angleDeg: 12 },
  },
  "bucket-pour": {
    name: "Bucket pour behind a dam, veins late",
    look: "large calm puddles with clean borders",
    for: "top",
    filmMm: 2.55,
    rateM2PerH: 8,
    clearReserve: 0.03,
    dam: true,
    colours: [
      ["Flat white", 0.45],
      ["Stone grey", 0.2],
      ["Pewter", 0.28],
      ["Ink black", 0.07],
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
    rehearsal: { seed: 4, angleDeg: 24 },
  },
  "layered-stone": {
    name: "Layered stone by blade",
    look: "sandstone in beds",
    for: "top",
    filmMm: 1.2,
    rateM2PerH: 6,
    clearReserve: 0.03,
    dam: false,
    colours: [
      ["Ochre", 0.34],
      ["Bone white", 0.3],
      ["Red oxide", 0.18],
      ["Umber", 0.1],
      ["Stone grey", 0.08],
    ],
    passes: [
      [
        "lay",
        { work: { pour: "bands", wideMm: 46, many: 1.2 }, note: "Beds along the length, thick and thin." },
      ],
      [
        "skim",
        {
          work: { many: 0.7, pressure: 0.35 },
          note: "Wide blade, almost no pressure, from the edge inwards.",
        },
      ],
      ["chop", { fromMin: 40, work: { many: 0.5 }, stopHere: "layered stone" }],
      ...FACES_LATE,
    ],
    rehearsal: { seed: 3, angleDeg: 6 },
  },
  "two-fields": {
    name: "Inlay of two fields",
    look: "dark and light stone with a brass seam",
    for: "top",
    filmMm: 1.2,
    rateM2PerH: 5,
    clearReserve: 0.03,
    dam: false,
    colours: [
      ["Bone white", 0.5],
      ["Graphite", 0.38],
      ["Pewter", 0.09],
      ["Brass", 0.03],
    ],
    passes: [
      [
        "lay",
        {
          work: { pour: "fields", wideMm: 80 },
          note: "Tape the border. One side today; peel when gummy; the other tomorrow.",
        },
      ],
      ["palm", { work: { many: 0.5, pressure: 0.35 }, note: "Each side on its own." }],
      ["alcohol", { fromMin: 15, mlPerM2: 4, stopHere: "two fields" }],
      ["veins", { fromMin: 60, work: { many: 0.6 }, note: "Brass along the seam and off it." }],
      ...FACES_LATE,
    ],
    rehearsal: { seed: 2, angleDeg: 18 },
  },
  pebbles: {
    name: "Pebble mask",
    look: "river pebbles in dark joints",
    for: "top",
    filmMm: 1,
    rateM2PerH: 5,
    clearReserve: 0.03,
    dam: false,
    colours: [
      ["Stone grey", 0.36],
      ["Bone white", 0.26],
      ["Pewter", 0.2],
      ["Umber", 0.1],
      ["Ink black", 0.08],
    ],
    passes: [
      ["lay", { work: { pour: "nests" }, note: "All over, busy: only the liked parts stay." }],
      ["palm", { rounds: 1 }],
      ["alcohol", { fromMin: 16, mlPerM2: 7, stopHere: "busy marble" }],
      ["mask", { note: "Lay shapes over the liked parts, scuff, paint between." }],
    ],
    rehearsal: { seed: 4, angleDeg: 15 },
  },
  tide: {
    name: "Tide panel",
    look: "water running up a beach",
    for: "top",
    filmMm: 1.2,
    rateM2PerH: 4,
    clearReserve: 0.04,
    dam: false,
    colours: [
      ["Bone white", 0.28],
      ["Sea green", 0.28],
      ["Deep blue", 0.34],
      ["Flat white", 0.1],
    ],
    passes: [
      [
        "lay",
        { work: { pour: "fields", wideMm: 90 }, note: "Sand, shallow, deep; white along each border." },
      ],
      [
        "drizzle",
        { work: { turnDeg: 90, many: 0.6, wideMm: 26 }, note: "White threads along the edge of the water." },
      ],
      [
        "blow",
        { tool: "heat-gun", work: { turnDeg: 180, many: 1.4 }, note: "White blown up the beach and back." },
      ],
      [
        "palm",
        {
          work: { many: 0.5, turnDeg: 90, way: "arc", pressure: 0.3 },
          note: "Ripples along the beach, light.",
        },
      ],
      ["alcohol", { fromMin: 12, mlPerM2: 16, work: { drops: "medium" }, stopHere: "tide" }],
    ],
    rehearsal: { seed: 2, angleDeg: 24 },
  },
  "drizzle-blow": {
    name: "Drizzle and blow",
    look: "soft cloud with blown edges",
    for: "top",
    filmMm: 1.1,
    rateM2PerH: 5,
    clearReserve: 0.04,
    dam: false,
    colours: [
      ["Flat white", 0.5],
      ["Silver", 0.2],
      ["Stone grey", 0.2],
      ["Copper", 0.1],
    ],
    passes: [
      ["lay", { work: { many: 0.6 }, note: "White over all." }],
      ["drizzle", { work: { many: 1.4 }, note: "Ribbons along the wanted direction." }],
      ["spread", { tool: "foam-brush", note: "Blur the ribbons, light." }],
      ["blow", { note: "From several sides." }],
      ["flame", { fromMin: 14, stopHere: "blown cloud" }],
      ...FACES_LATE,
    ],
    rehearsal: { seed: 2, angleDeg: 32 },
  },
  "striped-tumbler": {
    name: "Striped tumbler",
    look: "bands drawn around the wall",
    for: "tumbler",
    filmMm: 0.7,
    rateM2PerH: 1,
    clearReserve: 0.1,
    dam: false,
    colours: [
      ["Pearl white", 0.38],
      ["Sea green", 0.24],
      ["Copper", 0.22],
      ["Deep blue", 0.16],
    ],
    passes: [
      ["lay", { work: { pour: "fields", wideMm: 26, many: 3 }, note: "Bands around, while it turns." }],
      ["drizzle", { work: { turnDeg: 90, wideMm: 30, many: 2 }, note: "Threads around, from the others." }],
      [
        "spread",
        {
          tool: "foam-brush",
          work: { turnDeg: 90, many: 0.6, pressure: 0.3 },
          note: "Brushed into each other, around.",
        },
      ],
      ["tilt", { work: { many: 0.8 }, note: "Tip it a little and back." }],
      ["alcohol", { fromMin: 12, mlPerM2: 5, stopHere: "soft stripes" }],
    ],
    rehearsal: { seed: 1, angleDeg: 90 },
  },
  "ink-tumbler": {
    name: "Ink tumbler",
    look: "drops of ink bloomed in clear white",
    for: "tumbler",
    filmMm: 0.7,
    rateM2PerH: 1,
    clearReserve: 0.1,
    dam: false,
    colours: [
      ["Flat white", 0.5],
      ["Blue tint", 0.22],
      ["Deep blue", 0.18],
      ["Brass", 0.1],
    ],
    passes: [
      [
        "lay",
        {
          work: { pour: "nests", wideMm: 75, many: 21 },
          note: "White over all, ink in drops, white into the ink.",
        },
      ],
      ["tilt", { work: { many: 0.7 }, note: "Let it run, turn, let it run." }],
      ["alcohol", { fromMin: 8, mlPerM2: 10, note: "Drops into the ink: it blooms." }],
      ["alcohol", { fromMin: 14, mlPerM2: 3, stopHere: "ink" }],
    ],
    rehearsal: { seed: 1, angleDeg: 70 },
  },
  channel: {
    name: "Channel with depth",
    look: "clear water over dark ground, drifts of pearl",
    for: "channel",
    filmMm: 20,
    rateM2PerH: 4,
    clearReserve: 0.02,
    dam: true,
    colours: [
      ["Blue tint", 0.62],
      ["Sea green", 0.2],
      ["Pearl white", 0.14],
      ["Deep blue", 0.04],
    ],
    passes: [
      [
        "lay",
        {
          work: { pour: "clouds", many: 2.5 },
          note: "Tinted clear first, the others swirled in from the ends.",
        },
      ],
      ["spread", { tool: "stick", work: { way: "sway" }, note: "A stick, slowly, along the channel." }],
      ["flame", { fromMin: 20, stopHere: "still water" }],
    ],
    rehearsal: { seed: 1, angleDeg: 0 },
  },
  "metallic-floor": {
    name: "Metallic floor",
    look: "pewter in slow clouds",
    for: "top",
    filmMm: 1.2,
    rateM2PerH: 12,
    clearReserve: 0.03,
    dam: false,
    colours: [
      ["Pewter", 0.56],
      ["Graphite", 0.26],
      ["Silver", 0.18],
    ],
    passes: [
      ["lay", { work: { pour: "nests", wideMm: 420 }, note: "Pewter first; the others in long throws." }],
      ["spread", { tool: "squeegee", work: { way: "arc" }, note: "Back through it with the squeegee." }],
      ["roller-cut", { work: { way: "arc", many: 0.6 } }],
      ["mica-alcohol", { fromMin: 20, mlPerM2: 4, note: "Flicked from the wrist.", stopHere: "clouds" }],
    ],
    rehearsal: { seed: 4, angleDeg: 35 },
  },
};
