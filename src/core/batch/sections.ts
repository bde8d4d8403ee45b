/** A stretch of a piece that one batch covers. Positions run along the piece from its left; `whole` when it is all of it. */
export type Section = {
  pieceId: string;
  pieceName: string;
  copy: number;
  fromMm: number;
  toMm: number;
  whole: boolean;
};

/** What a coat covers of one piece. `lengthMm` is its developed length, along which it can be divided. */
export type Coverable = { id: string; name: string; count: number; areaMm2: number; lengthMm: number };

/** Sections and share of the whole area of each batch; the shares sum to one. */
export type Dealt = { sections: Section[][]; shares: number[] };

/** A cut this close to the end of a piece, as a share of a batch, is moved there: nobody mixes for a hand's breadth. */
const SNAP = 0.12;

/** Where one batch ends and the next begins, as areas from the start; moved to the end of a piece where one is near. */
function cutsOf(areas: readonly number[], batches: number): number[] {
  const ends = areas.reduce<number[]>((list, area) => [...list, (list[list.length - 1] ?? 0) + area], []);
  const total = ends[ends.length - 1] ?? 0;
  const each = total / batches;
  return Array.from({ length: batches - 1 }, (_, index) => {
    const even = each * (index + 1);
    return ends.find((end) => Math.abs(end - even) <= SNAP * each) ?? even;
  });
}

/**
 * Deals pieces to batches in the order in which they stand: each batch gets about the same area,
 * and where a batch ends inside a piece the section meets the next one wet.
 * The sections of all batches sum to the pieces.
 */
export function dealSections(pieces: readonly Coverable[], batches: number): Dealt {
  const copies = pieces.flatMap((piece) =>
    Array.from({ length: piece.count }, (_, copy) => ({ ...piece, copy: copy + 1 })),
  );
  const total = copies.reduce((sum, piece) => sum + piece.areaMm2, 0);
  if (!(total > 0))
    return {
      sections: Array.from({ length: batches }, () => []),
      shares: Array.from({ length: batches }, () => 1 / batches),
    };
  const bounds = [
    0,
    ...cutsOf(
      copies.map((piece) => piece.areaMm2),
      batches,
    ),
    total,
  ];
  const sections = Array.from({ length: batches }, (_, batch) => {
    const [from, to] = [bounds[batch] ?? 0, bounds[batch + 1] ?? total];
    let start = 0;
    return copies.flatMap((piece): Section[] => {
      const [first, last] = [Math.max(from, start), Math.min(to, start + piece.areaMm2)];
      const before = start;
      start += piece.areaMm2;
      if (last - first <= total * 1e-9) return [];
      const along = (area: number) => ((area - before) / piece.areaMm2) * piece.lengthMm;
      return [
        {
          pieceId: piece.id,
          pieceName: piece.name,
          copy: piece.copy,
          fromMm: along(first),
          toMm: along(last),
          whole: last - first >= piece.areaMm2 * (1 - 1e-9),
        },
      ];
    });
  });
  return {
    sections,
    shares: sections.map((_, batch) => ((bounds[batch + 1] ?? total) - (bounds[batch] ?? 0)) / total),
  };
}
