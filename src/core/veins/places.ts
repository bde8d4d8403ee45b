import type { Point } from "../geometry/curves";
import type { Measured } from "../geometry/measure";
import { boxOf, type Box } from "../geometry/ring";
import { unfoldedBox } from "../geometry/unfold";

/** Where a piece stands: its back left corner, mm, and its turn, degrees. */
export type PiecePlace = { xMm: number; yMm: number; turnDeg: number };

/** Pieces that were not placed stand in a row with so much between them, mm. */
const GAP_MM = 60;

/** Where all pieces stand: as placed, the others in a row to the right, backs aligned; several of a kind in a block. */
export function placesOf(
  pieces: readonly Measured[],
  placed: Record<string, PiecePlace>,
): Map<string, PiecePlace> {
  const places = new Map<string, PiecePlace>();
  let right = 0;
  const blocks = new Map<string, Measured[]>();
  for (const piece of pieces) {
    const place = placed[piece.id];
    if (place) {
      places.set(piece.id, place);
      right = Math.max(right, mapBox([piece], new Map([[piece.id, place]])).maxX + GAP_MM);
    } else blocks.set(piece.piece.id, [...(blocks.get(piece.piece.id) ?? []), piece]);
  }
  for (const block of blocks.values()) {
    // Faces folded out stand clear of each other; small pieces stand closer.
    const { minX, minY, maxX, maxY } = unfoldedBox(block[0] as Measured);
    const gapMm = Math.min(GAP_MM, 0.15 * Math.min(maxX - minX, maxY - minY));
    const [stepX, stepY] = [maxX - minX + gapMm, maxY - minY + gapMm];
    const across = Math.min(block.length, Math.ceil(Math.sqrt((block.length * stepY) / stepX)));
    block.forEach(({ id }, n) =>
      places.set(id, {
        xMm: right - minX + (n % across) * stepX,
        yMm: Math.floor(n / across) * stepY,
        turnDeg: 0,
      }),
    );
    right += (across - 1) * stepX + maxX - minX + GAP_MM;
  }
  return places;
}

const turned = (turnDeg: number) => {
  const angle = (turnDeg * Math.PI) / 180;
  return [Math.cos(angle), Math.sin(angle)] as const;
};

export function toMap({ xMm, yMm, turnDeg }: PiecePlace, { x, y }: Point): Point {
  const [c, s] = turned(turnDeg);
  return { x: xMm + c * x - s * y, y: yMm + s * x + c * y };
}

export function toPiece({ xMm, yMm, turnDeg }: PiecePlace, { x, y }: Point): Point {
  const [c, s] = turned(turnDeg);
  const [dx, dy] = [x - xMm, y - yMm];
  return { x: c * dx + s * dy, y: c * dy - s * dx };
}

export const ringOnMap = ({ outline }: Measured, place: PiecePlace): Point[] =>
  outline.corners.map((corner) => toMap(place, corner));

/** All pieces together as they stand, their faces folded out. */
export function mapBox(pieces: readonly Measured[], places: ReadonlyMap<string, PiecePlace>): Box {
  const corners = pieces.flatMap((piece) => {
    const place = places.get(piece.id);
    const { minX, minY, maxX, maxY } = unfoldedBox(piece);
    return place
      ? [
          { x: minX, y: minY },
          { x: maxX, y: minY },
          { x: maxX, y: maxY },
          { x: minX, y: maxY },
        ].map((corner) => toMap(place, corner))
      : [];
  });
  return corners.length > 0 ? boxOf(corners) : { minX: 0, minY: 0, maxX: 1, maxY: 1 };
}

/** How far a piece is moved so that one of its corners comes onto another's; null where none is within reach, mm on the map. */
function toCorner(
  points: readonly Point[],
  rings: readonly (readonly Point[])[],
  withinMm: number,
): Point | null {
  let nearest = withinMm;
  let by: Point | null = null;
  for (const ring of rings)
    for (const theirs of ring)
      for (const mine of points) {
        const [dx, dy] = [theirs.x - mine.x, theirs.y - mine.y];
        const far = Math.hypot(dx, dy);
        if (far < nearest) [nearest, by] = [far, { x: dx, y: dy }];
      }
  return by;
}

/**
 * A pull of a piece snaps within this, mm on the map: corner on corner, so that joints close whatever their angle; else its box to another's
 * edges.
 */
export function snapped(
  piece: Measured,
  wanted: PiecePlace,
  others: readonly { piece: Measured; place: PiecePlace }[],
  withinMm: number,
): PiecePlace {
  const ring = ringOnMap(piece, wanted);
  const corner = toCorner(
    ring,
    others.map((other) => ringOnMap(other.piece, other.place)),
    withinMm,
  );
  if (corner) return { ...wanted, xMm: wanted.xMm + corner.x, yMm: wanted.yMm + corner.y };
  const bounds = boxOf(ring);
  let [byX, byY] = [withinMm, withinMm];
  let [moveX, moveY] = [0, 0];
  for (const other of others) {
    const box = boxOf(ringOnMap(other.piece, other.place));
    for (const [mine, theirs] of [
      [bounds.minX, box.maxX],
      [bounds.maxX, box.minX],
      [bounds.minX, box.minX],
      [bounds.maxX, box.maxX],
    ] as const)
      if (Math.abs(theirs - mine) < byX) [byX, moveX] = [Math.abs(theirs - mine), theirs - mine];
    for (const [mine, theirs] of [
      [bounds.minY, box.maxY],
      [bounds.maxY, box.minY],
      [bounds.minY, box.minY],
      [bounds.maxY, box.maxY],
    ] as const)
      if (Math.abs(theirs - mine) < byY) [byY, moveY] = [Math.abs(theirs - mine), theirs - mine];
  }
  return { ...wanted, xMm: wanted.xMm + moveX, yMm: wanted.yMm + moveY };
}
