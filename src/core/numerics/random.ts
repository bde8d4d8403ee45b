/** Numbers in [0, 1) that look random and are the same for the same seed (mulberry32). */
export function seeded(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296;
  };
}

/** Standard normal numbers from a source of uniform ones (Box, Muller 1958). */
export function normals(uniform: () => number): () => number {
  let kept: number | null = null;
  return () => {
    if (kept !== null) {
      const next = kept;
      kept = null;
      return next;
    }
    const radius = Math.sqrt(-2 * Math.log(1 - uniform()));
    const turn = 2 * Math.PI * uniform();
    kept = radius * Math.sin(turn);
    return radius * Math.cos(turn);
  };
}
