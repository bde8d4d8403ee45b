import { colourantNamed, colourFrom } from "../batch/colourants";
import { outlineOf } from "../geometry/outline";
import { edgeOf, EDGES_OF, type CutOut, type Piece, type Shape } from "../geometry/piece";
import type { Coat, CoatKind } from "../schedule/coat";
import { usualPass, type PassKind } from "../schedule/pass";
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

/** Every coated face of a piece dammed, as a bucket pour wants it. */
export function dammed(piece: Piece): Piece {
  const edges: Piece["edges"] = {};
  for (const name of EDGES_OF[piece.shape.kind]) {
    const edge = edgeOf(piece, name);
    edges[name] = edge.treatment === "face" ? { ...edge, treatment: "dam" } : edge;
  }
  return { ...piece, edges };
}
