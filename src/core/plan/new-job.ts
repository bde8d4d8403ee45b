import { colourantNamed, colourFrom } from "../batch/colourants";
import { outlineOf } from "../geometry/outline";
import { edgeOf, EDGES_OF, type CutOut, type Piece, type Shape } from "../geometry/piece";
import type { Coat, CoatKind } from "../schedule/coat";
import { usualPass, type Pass, type PassKind } from "../schedule/pass";
import type { JobDocument } from "./job";

/** Makes ids; the caller brings the randomness. */
export type NewId = () => string;

export function emptyJob(): JobDocument {
  return {
    format: 1,
    pieces: [],
    ground: "mdf",
    work: { people: 1, tempC: 21, startMin: 9 * 60 },
    factors: {},
    coats: [],
    notes: "",
  };
}

const USUAL_SHAPE: { [Kind in Shape["kind"]]: Extract<Shape, { kind: Kind }> } = {
  straight: { kind: "straight", lengthMm: 2400, depthMm: 635 },
  "l-run": {
    kind: "l-run",
    lengthMm: 2400,
    depthMm: 635,
    returnLengthMm: 1600,
    returnDepthMm: 635,
    turn: "left",
  },
  rectangle: { kind: "rectangle", lengthMm: 1200, depthMm: 700 },
  "u-run": {
    kind: "u-run",
    lengthMm: 3000,
    depthMm: 635,
    leftLengthMm: 1600,
    leftDepthMm: 635,
    rightLengthMm: 1600,
    rightDepthMm: 635,
  },
  round: { kind: "round", diameterMm: 800 },
  oval: { kind: "oval", lengthMm: 1800, depthMm: 1000 },
  racetrack: { kind: "racetrack", lengthMm: 2000, depthMm: 900 },
  polygon: { kind: "polygon", sides: 6, sideMm: 300 },
};

export const SHAPE_WORDS: Record<Shape["kind"], string> = {
  straight: "Straight run",
  "l-run": "L run",
  "u-run": "U run",
  rectangle: "Rectangle",
  round: "Round",
  oval: "Oval",
  racetrack: "Racetrack",
  polygon: "Polygon",
};

/** A new piece of a kind, in a size that is usual for it. */
export function newPiece(kind: Shape["kind"], name: string, newId: NewId): Piece {
  return { id: newId(), name, count: 1, shape: USUAL_SHAPE[kind], edges: {}, cutOuts: [] };
}

/**
 * The same piece in another shape. Sizes that both shapes have stay, and so do the edges of the same name.
 */
export function reshaped(piece: Piece, kind: Shape["kind"]): Piece {
  const kept: Record<string, unknown> = { ...piece.shape, kind };
  const usual: Record<string, unknown> = USUAL_SHAPE[kind];
  const shape = Object.fromEntries(
    Object.entries(usual).map(([field, value]) => [field, field in kept ? kept[field] : value]),
  ) as Shape;
  // A piece that still bears the name of its kind takes that of the new one.
  const rest = piece.name.startsWith(SHAPE_WORDS[piece.shape.kind])
    ? piece.name.slice(SHAPE_WORDS[piece.shape.kind].length)
    : null;
  const name = rest !== null && /^( \d+)?$/.test(rest) ? `${SHAPE_WORDS[kind]}${rest}` : piece.name;
  return { ...piece, name, shape };
}

export function newCutOut(name: string, piece: Piece, newId: NewId): CutOut {
  const { widthMm: along, heightMm } = outlineOf(piece.shape);
  const across = "depthMm" in piece.shape ? piece.shape.depthMm : heightMm;
  const diameterMm = Math.round(Math.min(across, along) / 2);
  return {
    id: newId(),
    name,
    shape: { kind: "round", diameterMm },
    fromLeftMm: Math.round(along / 2),
    fromFrontMm: Math.round(heightMm - across / 2),
    innerFace: { heightMm: 38, roundingMm: 3 },
  };
}

type CoatStart = {
  filmMm: number;
  coverShare: number;
  colours: [string, number][];
  rateM2PerH: number;
  startsAfter: Coat["startsAfter"];
  passes: PassKind[];
  clearReserve: number;
};

/** Usual values of each kind of coat (common practice, no source). */
const USUAL_COAT: Record<CoatKind, CoatStart> = {
  seal: {
    filmMm: 0.15,
    coverShare: 1,
    colours: [["Clear", 1]],
    rateM2PerH: 8,
    startsAfter: "next-day",
    passes: ["roll"],
    clearReserve: 0,
  },
  primer: {
    filmMm: 0.1,
    coverShare: 1,
    colours: [["Ink black", 1]],
    rateM2PerH: 15,
    startsAfter: "next-day",
    passes: ["roll"],
    clearReserve: 0,
  },
  base: {
    filmMm: 0.5,
    coverShare: 1,
    colours: [["Ink black", 1]],
    rateM2PerH: 10,
    startsAfter: "tacky",
    passes: ["spread"],
    clearReserve: 0,
  },
  colour: {
    filmMm: 1,
    coverShare: 1,
    colours: [
      ["Bone white", 0.6],
      ["Pewter", 0.3],
      ["Ink black", 0.1],
    ],
    rateM2PerH: 6,
    startsAfter: "wet",
    passes: ["lay", "palm", "flame", "faces"],
    clearReserve: 0.03,
  },
  vein: {
    filmMm: 1,
    coverShare: 0.03,
    colours: [
      ["Graphite", 0.7],
      ["Brass", 0.3],
    ],
    rateM2PerH: 8,
    startsAfter: "late",
    passes: ["veins"],
    clearReserve: 0,
  },
  "lock-in": {
    filmMm: 0.2,
    coverShare: 1,
    colours: [["Clear", 1]],
    rateM2PerH: 10,
    startsAfter: "next-day",
    passes: ["roll"],
    clearReserve: 0,
  },
  clear: {
    filmMm: 1.2,
    coverShare: 1,
    colours: [["Clear", 1]],
    rateM2PerH: 8,
    startsAfter: "next-day",
    passes: ["sand", "flood", "flame", "faces", "drip-scrape"],
    clearReserve: 0.03,
  },
};

/** A new coat of a kind with usual film, colours and passes. */
export function newCoat(kind: CoatKind, name: string, resinCardId: string | null, newId: NewId): Coat {
  const usual = USUAL_COAT[kind];
  return {
    id: newId(),
    kind,
    name,
    filmMm: usual.filmMm,
    coverShare: usual.coverShare,
    coversFaces: true,
    resinCardId,
    colours: usual.colours.map(([colourant, share]) =>
      colourFrom(colourantNamed(colourant), newId(), share, kind === "colour" ? 0.08 : 0.05),
    ),
    clearReserve: usual.clearReserve,
    school: "clear-first",
    rateM2PerH: usual.rateM2PerH,
    startsAfter: usual.startsAfter,
    // A coat of its own is mixed when its time has come: its first pass follows at once.
    passes: usual.passes.map((pass, index) => usualPass(newId(), pass, index === 0 ? { fromMin: null } : {})),
  };
}

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

/** Every coated face of a piece dammed, as a bucket pour wants it. */
export function dammed(piece: Piece): Piece {
  const edges: Piece["edges"] = {};
  for (const name of EDGES_OF[piece.shape.kind]) {
    const edge = edgeOf(piece, name);
    edges[name] = edge.treatment === "face" ? { ...edge, treatment: "dam" } : edge;
  }
  return { ...piece, edges };
}
