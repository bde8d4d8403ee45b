import { wallSize, type Tumbler } from "../geometry/frustum";
import type { Measured } from "../geometry/measure";
import { outlineOf, type Outline } from "../geometry/outline";
import type { Piece } from "../geometry/piece";
import { byIdentity } from "../numerics/by-identity";

/** Of a piece of which there are many so many are laid out, side by side. */
export const MOST_STANDING = 24;

/** A tumbler's wall laid flat, its rim at the back: as wide as once around at its middle. */
function wallOutline(shape: Tumbler): Outline {
  const { aroundMm, slantMm } = wallSize(shape);
  const corners = [
    { x: 0, y: 0 },
    { x: aroundMm, y: 0 },
    { x: aroundMm, y: slantMm },
    { x: 0, y: slantMm },
  ];
  const names = ["back", "right", "front", "left"] as const;
  // A tape laid around the rim or the base is as long as that is around.
  const lengths = [Math.PI * shape.topDiameterMm, slantMm, Math.PI * shape.bottomDiameterMm, slantMm];
  return {
    corners,
    sides: names.map((name, n) => ({
      name,
      path: [corners[n]!, corners[(n + 1) % 4]!],
      lengthMm: lengths[n]!,
    })),
    areaMm2: aroundMm * slantMm,
    perimeterMm: 2 * (aroundMm + slantMm),
    widthMm: aroundMm,
    heightMm: slantMm,
    origin: { x: 0, y: 0 },
    smooth: false,
    joints: [],
  };
}

function flatOutline(piece: Piece): Outline | null {
  switch (piece.shape.kind) {
    case "tumbler":
      return wallOutline(piece.shape);
    case "mould":
      // What it casts has edges that can be named.
      return outlineOf({ ...piece, shape: piece.shape.outline });
    default:
      return null;
  }
}

const copiesOf = byIdentity((measured: Measured): Measured[] => {
  const outline = flatOutline(measured.piece) ?? measured.outline;
  return Array.from({ length: Math.min(measured.count, MOST_STANDING) }, (_, n) => ({
    ...measured,
    outline,
    id: n === 0 ? measured.id : `${measured.id}.${n + 1}`,
    name: measured.count > 1 ? `${measured.name} ${n + 1}` : measured.name,
    count: 1,
  }));
});

/**
 * The pieces of a job one by one, as they can be laid out: each of several by itself, a tumbler's wall flat, a mould's top with its edges named.
 * The first of several keeps the id of its kind.
 */
export const standing = (pieces: readonly Measured[]): Measured[] => pieces.flatMap(copiesOf);

/** How many pieces of a kind each one that is laid out stands for: one, unless there are more than are laid out. */
export const standsFor = ({ piece }: Measured): number => Math.max(1, piece.count / MOST_STANDING);

/** Once around, mm, where a piece is a tumbler's wall laid flat; null for what is flat itself. */
export const aroundOf = ({ piece }: Measured): number | null =>
  piece.shape.kind === "tumbler" ? wallSize(piece.shape).aroundMm : null;
