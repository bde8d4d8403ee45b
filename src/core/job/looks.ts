import type { CoatColour } from "../batch/coat-colour";
import type { Pair } from "../geometry/curves";
import type { NewId } from "../geometry/new-piece";
import { dammed } from "../geometry/new-piece";
import type { Measured } from "../geometry/measure";
import type { Piece } from "../geometry/piece";
import { storedPair } from "../geometry/stored";
import { zonesOf, type Division, type Divider, type Drawn, type Zone } from "../geometry/zones/division";
import { surfaceOf } from "../geometry/zones/regions";
import { covers, isFill, type Coat } from "../schedule/coat";
import { usualPass } from "../schedule/pass";
import type { JobDocument } from "./job";
import { TECHNIQUES, type TechniqueId } from "./technique-list";
import { withTechnique } from "./techniques";

/** A zone of a look: its name, and the places of the technique's colours that go there, from 0. */
type Part = { name: string; colours: readonly number[] };

/** How a look divides a piece: what is left of it, and what is drawn on it. */
type ZonedLook = {
  rest: Part;
  dividers: (piece: Piece, newId: NewId) => { divider: Divider; parts: Part[] }[];
};

const zoneOf = ({ name }: Part, newId: NewId): Zone => ({ id: newId(), name });

/** Turns of a border that is drawn by hand, as parts of how far it wanders. */
const WANDERS = [0.2, 1, -0.7, 0.4, -0.3];

/** A smooth line across a piece at a part of its length; its zone lies beyond it, seen from the left or the back. */
function borderAt(piece: Piece, part: number, wander: number): Drawn {
  const { minX, minY, maxX, maxY } = surfaceOf(piece).box;
  const [wide, high] = [maxX - minX, maxY - minY];
  const lengthwise = wide >= high;
  const [long, across] = lengthwise ? [wide, high] : [high, wide];
  const points = WANDERS.map((by, n): Pair => {
    const along = part * long + by * wander * across;
    const over = (n / (WANDERS.length - 1)) * across;
    return storedPair(lengthwise ? { x: minX + along, y: maxY - over } : { x: minX + over, y: minY + along });
  });
  return { kind: "line", curved: true, points };
}

/** A seam along a line, so wide as a part of the shorter side. */
function seamAlong(followed: string, piece: Piece, part: number, seam: Part, newId: NewId) {
  const { minX, minY, maxX, maxY } = surfaceOf(piece).box;
  const widthMm = Math.max(2, Math.round(part * Math.min(maxX - minX, maxY - minY)));
  return {
    divider: {
      id: newId(),
      drawn: {
        kind: "bands" as const,
        of: { kind: "divider" as const, id: followed },
        fromMm: 0,
        widthsMm: [widthMm],
      },
      zones: [zoneOf(seam, newId)],
    },
    parts: [seam],
  };
}

const TAPE = { kind: "tape", widthMm: 25 } as const;

const ZONED: Partial<Record<TechniqueId, ZonedLook>> = {
  "two-fields": {
    rest: { name: "Light", colours: [0, 2] },
    dividers: (piece, newId) => {
      const dark = { name: "Dark", colours: [1, 2] };
      const id = newId();
      return [
        {
          divider: { id, drawn: borderAt(piece, 0.54, 0.16), zones: [zoneOf(dark, newId)], barrier: TAPE },
          parts: [dark],
        },
        seamAlong(id, piece, 0.03, { name: "Seam", colours: [3] }, newId),
      ];
    },
  },
  pebbles: {
    rest: { name: "Joints", colours: [4] },
    dividers: (piece, newId) => {
      const stones = { name: "Pebbles", colours: [0, 1, 2, 3] };
      const { minX, minY, maxX, maxY } = surfaceOf(piece).box;
      const sizeMm = Math.round(Math.max(20, Math.min(120, 0.24 * Math.min(maxX - minX, maxY - minY))));
      return [
        {
          divider: {
            id: newId(),
            drawn: { kind: "pebbles", sizeMm, jointMm: Math.max(2, Math.round(sizeMm / 24)), seed: 4 },
            zones: [zoneOf(stones, newId)],
            barrier: TAPE,
          },
          parts: [stones],
        },
      ];
    },
  },
  tide: {
    rest: { name: "Sand", colours: [0] },
    dividers: (piece, newId) => {
      const [shallow, deep] = [
        { name: "Shallow", colours: [1] },
        { name: "Deep", colours: [2] },
      ];
      const [near, far] = [newId(), newId()];
      return [
        {
          divider: { id: near, drawn: borderAt(piece, 0.32, 0.2), zones: [zoneOf(shallow, newId)] },
          parts: [shallow],
        },
        {
          divider: { id: far, drawn: borderAt(piece, 0.62, 0.14), zones: [zoneOf(deep, newId)] },
          parts: [deep],
        },
        seamAlong(near, piece, 0.06, { name: "Foam", colours: [3] }, newId),
      ];
    },
  },
};

/** Looks that divide a piece. */
export const looksThatDivide = Object.keys(ZONED) as TechniqueId[];

type Divided = { piece: Piece; parts: { zoneId: string; colours: readonly number[] }[] };

function dividedBy({ rest, dividers }: ZonedLook, piece: Piece, look: TechniqueId, newId: NewId): Divided {
  const left = zoneOf(rest, newId);
  const drawn = dividers(piece, newId);
  const division: Division = { rest: left, dividers: drawn.map(({ divider }) => divider), look };
  return {
    piece: { ...piece, division },
    parts: [
      { zoneId: left.id, colours: rest.colours },
      ...drawn.flatMap(({ divider, parts }) =>
        parts.flatMap(({ colours }, n) => {
          const zoneId = divider.zones[n]?.id;
          return zoneId ? [{ zoneId, colours }] : [];
        }),
      ),
    ],
  };
}

/** A look that divides: its colours go to its zones, the mask that chance would paint is gone, and tape is pulled. */
function inZones(coat: Coat, divided: readonly Divided[], elsewhere: readonly string[], newId: NewId): Coat {
  const taped = divided.some(({ piece }) => piece.division?.dividers.some(({ barrier }) => barrier));
  const passes = coat.passes.filter(({ kind }) => kind !== "mask");
  return {
    ...coat,
    colours: coat.colours.map((colour, n): CoatColour => ({
      ...colour,
      placeIds: [
        ...elsewhere,
        ...divided.flatMap(({ parts }) =>
          parts.filter(({ colours }) => colours.includes(n)).map(({ zoneId }) => zoneId),
        ),
      ],
    })),
    passes: taped ? [...passes, usualPass(newId(), "tape-pull")] : passes,
  };
}

/** The piece as it was before a look divided it, unless another coat goes by those zones. */
function undivided(piece: Piece, coat: Coat, job: JobDocument): Piece {
  const { division, ...whole } = piece;
  if (division?.look === undefined) return piece;
  const ids = new Set(zonesOf(division).map(({ id }) => id));
  const named = (other: Coat) =>
    other.zonesByPiece?.[piece.id] !== undefined ||
    Object.keys(other.filmByPieceMm ?? {}).some((id) => ids.has(id)) ||
    other.colours.some(({ placeIds }) => placeIds?.some((id) => ids.has(id)));
  return job.coats.some((other) => other.id !== coat.id && named(other)) ? piece : whole;
}

/**
 * A job with one of its coats filled by a look of the trade. A look of fields or pebbles divides the pieces that are all of one, so that each
 * field can be moved and coloured by itself, and takes the place of what the last look divided; what somebody divided stays.
 */
export function withLook(before: JobDocument, coatId: string, look: TechniqueId, newId: NewId): JobDocument {
  const coat = before.coats.find(({ id }) => id === coatId);
  if (!coat) return before;
  const job: JobDocument = {
    ...before,
    pieces: before.pieces.map((piece) => (covers(coat, piece.id) ? undivided(piece, coat, before) : piece)),
  };
  const { rehearsal, dam } = TECHNIQUES[look];
  const filled = withTechnique(coat, look, newId);
  const zoned = ZONED[look];
  const flat = ({ shape, division }: Piece) => !division && shape.kind !== "tumbler";
  const divided = zoned
    ? job.pieces
        .filter((piece) => covers(coat, piece.id) && flat(piece))
        .map((piece) => dividedBy(zoned, piece, look, newId))
    : [];
  const elsewhere = job.pieces.filter((piece) => covers(coat, piece.id) && !flat(piece)).map(({ id }) => id);
  const fresh = divided.length > 0 ? inZones(filled, divided, elsewhere, newId) : filled;
  const pieceOf = (piece: Piece) => divided.find((other) => other.piece.id === piece.id)?.piece ?? piece;
  return {
    ...job,
    rehearsal,
    pieces: job.pieces.map((piece) => (dam ? dammed(pieceOf(piece)) : pieceOf(piece))),
    coats: job.coats.map((planned) => (planned.id === coatId ? fresh : planned)),
  };
}

/** What a look is for must be what the piece is. */
export function lookFits(look: TechniqueId, { piece, fillMl }: Measured): boolean {
  const { for: kind } = TECHNIQUES[look];
  if (kind === "tumbler") return piece.shape.kind === "tumbler";
  if (kind === "channel") return fillMl !== null;
  return piece.shape.kind !== "river";
}

/** A job with its colour coat filled by a look; null where it has none. */
export function jobWithLook(job: JobDocument, look: TechniqueId, newId: NewId): JobDocument | null {
  const wanted =
    TECHNIQUES[look].for === "channel" ? isFill : ({ kind }: { kind: string }) => kind === "colour";
  const coat = job.coats.find(wanted);
  return coat ? withLook(job, coat.id, look, newId) : null;
}
