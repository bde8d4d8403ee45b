/** A stretch of a piece that one batch covers. Positions run along the piece from its left; `whole` when it is all of it. */
export type Section = { pieceId: string; pieceName: string; copy: number; fromMm: number; toMm: number; whole: boolean };

/** What a coat covers of one piece. `lengthMm` is its developed length, along which it can be divided. */
export type Coverable = { id: string; name: string; count: number; areaMm2: number; lengthMm: number };

/**
 * Deals pieces to equal batches in the order in which they stand: each batch gets the same area,
 * and where a batch ends inside a piece the section meets the next one wet.
 * The sections of all batches sum to the pieces.
 */
export function dealSections(pieces: readonly Coverable[], batches: number): Section[][] {
  const copies = pieces.flatMap((piece) => Array.from({ length: piece.count }, (_, copy) => ({ ...piece, copy: copy + 1 })));
  const total = copies.reduce((sum, piece) => sum + piece.areaMm2, 0);
  const dealt: Section[][] = Array.from({ length: batches }, () => []);
  if (!(total > 0)) return dealt;
  const perBatch = total / batches;
  let batch = 0;
  let room = perBatch;
  for (const piece of copies) {
    let done = 0;
    while (piece.areaMm2 - done > total * 1e-9) {
      if (room <= total * 1e-9 && batch < batches - 1) {
        batch += 1;
        room = perBatch;
      }
      const take = batch === batches - 1 ? piece.areaMm2 - done : Math.min(room, piece.areaMm2 - done);
      const [fromMm, toMm] = [(done / piece.areaMm2) * piece.lengthMm, ((done + take) / piece.areaMm2) * piece.lengthMm];
      dealt[batch]?.push({ pieceId: piece.id, pieceName: piece.name, copy: piece.copy, fromMm, toMm, whole: take >= piece.areaMm2 * (1 - 1e-9) });
      done += take;
      room -= take;
    }
  }
  return dealt;
}
