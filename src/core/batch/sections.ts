/**
 * What one batch covers of a piece: a stretch of one copy, or several whole copies in a row. Positions run along the piece from where the work begins, its left or far from a floor's door;
 * `whole` when it is all of it.
 */
export type Section = {
  pieceId: string;
  /** The zone of the piece, where it is divided and the coat differs by zone; null for all of it. */
  zoneId: string | null;
  pieceName: string;
  /** The copy, from 1; the first where it is several. */
  copy: number;
  copies: number;
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
  zoneId: string | null;
  name: string;
  count: number;
  needMl: number;
  alongMm: (share: number) => number;
};

/** Sections and share of the whole volume of each batch; the shares sum to one. */
export type Dealt = { sections: Section[][]; shares: number[] };

/** A cut this close to the end of a piece, as a share of a batch, is moved there: nobody mixes for a hand's breadth. */
const SNAP = 0.12;
/** Less than this share of the whole is nothing. */
const NOTHING = 1e-9;

type Volumes = readonly Pick<Coverable, "count" | "needMl">[];

const totalMl = (pieces: Volumes): number =>
  pieces.reduce((sum, { count, needMl }) => sum + count * needMl, 0);

/** The end of a copy that is nearest to a volume from the start. */
function nearestEnd(pieces: Volumes, volume: number): number {
  let start = 0;
  for (const { count, needMl } of pieces) {
    const end = start + count * needMl;
    if (volume <= end && needMl > 0) {
      const copies = Math.min(count, Math.round((volume - start) / needMl));
      return copies > 0 || start > 0 ? start + copies * needMl : needMl;
    }
    start = end;
  }
  return start;
}

/** Where batches begin and end, as volumes from the start: `batches + 1` of them; with `snap` moved to the end of a piece where one is near. */
function boundsOf(pieces: Volumes, batches: number, snap: boolean): number[] {
  const total = totalMl(pieces);
  const each = total / batches;
  const cuts = Array.from({ length: batches - 1 }, (_, index) => {
    const even = each * (index + 1);
    const end = nearestEnd(pieces, even);
    return snap && Math.abs(end - even) <= SNAP * each ? end : even;
  });
  return [0, ...cuts, total];
}

/** Share of the whole volume that each batch takes, in the order of the batches; they sum to one. */
export function dealShares(pieces: Volumes, batches: number, snap = true): number[] {
  const total = totalMl(pieces);
  if (!(total > 0)) return Array.from({ length: batches }, () => 1 / batches);
  const bounds = boundsOf(pieces, batches, snap);
  return Array.from(
    { length: batches },
    (_, batch) => ((bounds[batch + 1] ?? total) - (bounds[batch] ?? 0)) / total,
  );
}

/**
 * Deals pieces to batches in the order in which they stand: each batch gets about the same volume,
 * and where a batch ends inside a piece the section meets the next one wet.
 * The sections of all batches sum to the pieces. Copies are dealt by arithmetic, so that their number costs nothing.
 */
export function dealSections(pieces: readonly Coverable[], batches: number, snap = true): Dealt {
  const shares = dealShares(pieces, batches, snap);
  const total = totalMl(pieces);
  if (!(total > 0)) return { sections: Array.from({ length: batches }, () => []), shares };
  const bounds = boundsOf(pieces, batches, snap);
  const sections = shares.map((_, batch) =>
    sectionsBetween(pieces, bounds[batch] ?? 0, bounds[batch + 1] ?? total, total * NOTHING),
  );
  return { sections, shares };
}

function sectionsBetween(
  pieces: readonly Coverable[],
  from: number,
  to: number,
  nothingMl: number,
): Section[] {
  let start = 0;
  return pieces.flatMap((piece) => {
    const { count, needMl } = piece;
    const [first, last] = [Math.max(from, start) - start, Math.min(to, start + count * needMl) - start];
    start += count * needMl;
    return last - first > nothingMl ? sectionsOf(piece, first, last, nothingMl) : [];
  });
}

/** What lies between two volumes within all copies of a piece: a stretch of one, whole ones, a stretch of another. */
function sectionsOf(piece: Coverable, first: number, last: number, nothingMl: number): Section[] {
  const { id, zoneId, name, needMl, alongMm } = piece;
  const section = (copy: number, copies: number, fromMl: number, toMl: number): Section[] => {
    if (copies < 1 || toMl - fromMl <= nothingMl) return [];
    const shareAt = (ml: number) => Math.max(0, Math.min(1, ml / needMl));
    const [fromShare, toShare] = [shareAt(fromMl), shareAt(toMl)];
    return [
      {
        pieceId: id,
        zoneId,
        pieceName: name,
        copy: copy + 1,
        copies,
        fromMm: alongMm(fromShare),
        toMm: alongMm(toShare),
        fromShare,
        toShare,
        whole: toMl - fromMl >= needMl * (1 - NOTHING),
      },
    ];
  };
  // A hair before or behind the end of a copy is its end.
  const close = Math.min(nothingMl, needMl * NOTHING) / needMl;
  const firstCopy = Math.min(piece.count - 1, Math.floor(first / needMl + close));
  const lastCopy = Math.max(firstCopy, Math.ceil(last / needMl - close) - 1);
  const [fromMl, toMl] = [first - firstCopy * needMl, last - lastCopy * needMl];
  if (firstCopy === lastCopy) return section(firstCopy, 1, fromMl, toMl);
  const begins = fromMl > needMl * NOTHING ? 1 : 0;
  const ends = toMl < needMl * (1 - NOTHING) ? 1 : 0;
  const whole = lastCopy - firstCopy + 1 - begins - ends;
  return [
    ...(begins ? section(firstCopy, 1, fromMl, needMl) : []),
    ...section(firstCopy + begins, whole, 0, needMl),
    ...(ends ? section(lastCopy, 1, 0, toMl) : []),
  ];
}
