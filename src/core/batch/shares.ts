/** A share of a coat's mixed volume; all shares of a coat sum to one. A locked share does not give way. */
export type Share = { id: string; share: number; locked: boolean };

/** Brings shares to a sum of one, the rounding residue on the largest. Equal shares when all are nothing. */
export function normalised<T extends Share>(shares: readonly T[]): T[] {
  const sum = shares.reduce((total, share) => total + share.share, 0);
  if (shares.length === 0) return [];
  if (!(sum > 0)) return shares.map((share) => ({ ...share, share: 1 / shares.length }));
  return shares.map((share) => ({ ...share, share: share.share / sum }));
}

/**
 * Moves one share; the unlocked others give way in proportion, locked ones hold.
 * The moved share stops where the locked ones leave no more room; with no unlocked other it cannot move at all.
 * @param wished new share of `id`, 0…1
 */
export function moveShare<T extends Share>(shares: readonly T[], id: string, wished: number): T[] {
  const others = shares.filter((share) => share.id !== id);
  const held = others.filter((other) => other.locked).reduce((sum, other) => sum + other.share, 0);
  const giving = others.filter((other) => !other.locked);
  const room = Math.max(0, 1 - held);
  const moved = giving.length === 0 ? room : Math.max(0, Math.min(room, wished));
  const left = room - moved;
  const before = giving.reduce((sum, given) => sum + given.share, 0);
  return shares.map((share) => {
    if (share.id === id) return { ...share, share: moved };
    if (share.locked) return share;
    return { ...share, share: before > 0 ? (share.share / before) * left : left / giving.length };
  });
}

/** Takes a colour out; the others grow in proportion (locked ones too, when nothing else is left). */
export function withoutShare<T extends Share>(shares: readonly T[], id: string): T[] {
  const rest = moveShare(shares, id, 0).filter((kept) => kept.id !== id);
  return normalised(rest);
}

/** Adds a colour with a share; the unlocked others give way. */
export function withShare<T extends Share>(shares: readonly T[], added: T): T[] {
  if (shares.length === 0) return [{ ...added, share: 1 }];
  return moveShare([...shares, { ...added, share: 0 }], added.id, added.share);
}

/** Shares of volumes, e.g. of 2 + 14 + 12 fl oz. */
export function sharesOfVolumes(volumes: readonly number[]): number[] {
  const sum = volumes.reduce((total, volume) => total + volume, 0);
  if (!(sum > 0)) throw new Error(`Volumes ${volumes.join(", ")} have no shares`);
  return volumes.map((volume) => volume / sum);
}
