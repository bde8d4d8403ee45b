/** A stretch of a piece that one batch covers. Positions run along the piece from its left; `whole` when it is all of it. */
export type Section = {
  pieceId: string;
  pieceName: string;
  copy: number;
  fromMm: number;
  toMm: number;
  /** The same as shares of the piece's area, for drawing. */
  fromShare: number;
  toShare: number;
  whole: boolean;
};

/** What a coat needs of one piece: its volume by which batches are dealt, and where it is cut before a share of its area. */
export type Coverable = {
  id: string;
  name: string;
  count: number;
  needMl: number;
  alongMm: (share: number) => number;
};

/** Sections and share of the whole volume of each batch; the shares sum to one. */
export type Dealt = { sections: Section[][]; shares: number[] };

/** A cut this close to the end of a piece, as a share of a batch, is moved there: nobody mixes for a hand's breadth. */
const SNAP = 0.12;

/** Where one batch ends and the next begins, as volumes from the start; moved to the end of a piece where one is near. */
function cutsOf(volumes: readonly number[], batches: number): number[] {
  const ends: number[] = [];
  for (const volume of volumes) ends.push((ends[ends.length - 1] ?? 0) + volume);
  const total = ends[ends.length - 1] ?? 0;
  const each = total / batches;
  return Array.from({ length: batches - 1 }, (_, index) => {
    const even = each * (index + 1);
    return ends.find((end) => Math.abs(end - even) <= SNAP * each) ?? even;
  });
}

/**
 * Deals pieces to batches in the order in which they stand: each batch gets about the same volume,
 * and where a batch ends inside a piece the section meets the next one wet.
 * The sections of all batches sum to the pieces.
 */
export function dealSections(pieces: readonly Coverable[], batches: number): Dealt {
  const copies = pieces.flatMap((piece) =>
    Array.from({ length: piece.count }, (_, copy) => ({ ...piece, copy: copy + 1 })),
  );
  const total = copies.reduce((sum, piece) => sum + piece.needMl, 0);
  if (!(total > 0))
    return {
      sections: Array.from({ length: batches }, () => []),
      shares: Array.from({ length: batches }, () => 1 / batches),
    };
  const bounds = [
    0,
    ...cutsOf(
      copies.map((piece) => piece.needMl),
      batches,
    ),
    total,
  ];
  const sections = Array.from({ length: batches }, (_, batch) => {
    const [from, to] = [bounds[batch] ?? 0, bounds[batch + 1] ?? total];
    let start = 0;
    return copies.flatMap((piece): Section[] => {
      const [first, last] = [Math.max(from, start), Math.min(to, start + piece.needMl)];
      const before = start;
      start += piece.needMl;
      if (last - first <= total * 1e-9) return [];
      const shareOf = (volume: number) => Math.max(0, Math.min(1, (volume - before) / piece.needMl));
      const [fromShare, toShare] = [shareOf(first), shareOf(last)];
      return [
        {
          pieceId: piece.id,
          pieceName: piece.name,
          copy: piece.copy,
          fromMm: piece.alongMm(fromShare),
          toMm: piece.alongMm(toShare),
          fromShare,
          toShare,
          whole: last - first >= piece.needMl * (1 - 1e-9),
        },
      ];
    });
  });
  return {
    sections,
    shares: sections.map((_, batch) => ((bounds[batch + 1] ?? total) - (bounds[batch] ?? 0)) / total),
  };
}
