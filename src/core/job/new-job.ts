import type { Ground } from "../batch/grounds";
import { colourantNamed, colourFrom } from "../colour/starter-colours";
import type { Tool } from "../batch/factors";
import type { Piece } from "../geometry/piece";
import type { Coat, CoatKind } from "../schedule/coat";
import { type PassKind } from "../passes/facts";
import { usualPass } from "../schedule/pass";
import type { JobDocument } from "./job";
import type { NewId } from "../geometry/new-piece";

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
  prefill: {
    filmMm: 10,
    coverShare: 1,
    colours: [["Ink black", 1]],
    rateM2PerH: 2,
    startsAfter: "next-day",
    passes: ["lay", "flame"],
    clearReserve: 0,
  },
  fill: {
    filmMm: 20,
    coverShare: 1,
    colours: [["Blue tint", 1]],
    rateM2PerH: 4,
    startsAfter: "next-day",
    passes: ["lay", "flame", "check"],
    clearReserve: 0.02,
  },
  "edge-seal": {
    filmMm: 0.2,
    coverShare: 1,
    colours: [["Clear", 1]],
    rateM2PerH: 3,
    startsAfter: "next-day",
    passes: ["faces"],
    clearReserve: 0,
  },
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

/** Tools for flat tops; a wall that turns is coated by a gloved hand. */
const FLAT_TOOLS: ReadonlySet<Tool> = new Set<Tool>(["trowel", "squeegee", "wide-blade", "roller"]);

/** What a form is usually made of; anything else lies on bare board. */
const USUAL_GROUND: Partial<Record<Piece["shape"]["kind"], Ground>> = {
  tumbler: "steel",
  mould: "silicone",
  river: "wood",
  floor: "concrete",
};

/** A job with one more piece; the first one brings what it is usually made of. */
export function withPiece(job: JobDocument, piece: Piece): JobDocument {
  const ground = job.pieces.length === 0 ? USUAL_GROUND[piece.shape.kind] : undefined;
  return { ...job, ...(ground && { ground }), pieces: [...job.pieces, piece] };
}

type Worked = { before: PassKind[]; after: PassKind[] };

/** What else belongs to a coat by the form it goes on (common practice, no source): before its own passes, and after them. */
const AROUND: Partial<Record<Piece["shape"]["kind"], Partial<Record<CoatKind, Worked>>>> = {
  tumbler: { colour: { before: [], after: ["turn"] }, clear: { before: [], after: ["turn"] } },
  mould: { fill: { before: ["release"], after: ["steam", "demould"] } },
  river: { fill: { before: ["tape"], after: ["fan", "demould", "plane", "grits", "oil"] } },
};

/** A coat as it is worked on these pieces: tumblers turn and know no trowel, a mould is released and opened, a river is planed. */
export function workedOn(coat: Coat, pieces: readonly Piece[], newId: NewId): Coat {
  const [form, ...others] = new Set(pieces.map(({ shape }) => shape.kind));
  if (form === undefined || others.length > 0) return coat;
  const { before = [], after = [] } = AROUND[form]?.[coat.kind] ?? {};
  const passes = [
    ...before.map((kind) => usualPass(newId(), kind)),
    ...coat.passes,
    ...after.map((kind) => usualPass(newId(), kind)),
  ];
  return {
    ...coat,
    passes:
      form === "tumbler"
        ? passes.map((pass) => (FLAT_TOOLS.has(pass.tool) ? { ...pass, tool: "hand" as const } : pass))
        : passes,
  };
}

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
