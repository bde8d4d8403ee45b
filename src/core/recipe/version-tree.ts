/** A version and the one it was made from. */
export type Grown = { id: string; number: number; parentId: string | null };

/** Where a version stands: row from the top (the newest), lane from the left, and the line to what it was made from. */
export type Placed<Version extends Grown> = {
  version: Version;
  row: number;
  lane: number;
  parent: { row: number; lane: number } | null;
};

/**
 * Lays out the versions of a recipe as a tree: newest above, each line of work in a lane of its own.
 * The first version made from another goes on in its lane; later ones branch off to the right, in the
 * first lane that no line crosses between the two.
 */
export function layOutVersions<Version extends Grown>(versions: readonly Version[]): Placed<Version>[] {
  const ordered = [...versions].sort((a, b) => a.number - b.number);
  const last = ordered.length - 1;
  const placed = new Map<string, Placed<Version>>();
  const continued = new Set<string>();
  /** For each lane, the rows that its lines and versions take up. */
  const taken: Set<number>[] = [];
  const free = (lane: number, fromRow: number, toRow: number) => {
    for (let row = fromRow; row <= toRow; row += 1) if (taken[lane]?.has(row)) return false;
    return true;
  };
  ordered.forEach((version, index) => {
    const row = last - index;
    const parent = version.parentId === null ? undefined : placed.get(version.parentId);
    let lane = 0;
    // Its line runs in its own lane, from just above the parent up to itself.
    const below = parent ? parent.row - 1 : last;
    if (parent && !continued.has(parent.version.id) && free(parent.lane, row, below)) {
      lane = parent.lane;
      continued.add(parent.version.id);
    } else {
      lane = parent ? parent.lane + 1 : 0;
      while (!free(lane, row, below)) lane += 1;
    }
    while (taken.length <= lane) taken.push(new Set());
    for (let at = row; at <= (parent ? below : row); at += 1) taken[lane]?.add(at);
    placed.set(version.id, {
      version,
      row,
      lane,
      parent: parent ? { row: parent.row, lane: parent.lane } : null,
    });
  });
  return [...placed.values()].sort((a, b) => a.row - b.row);
}
